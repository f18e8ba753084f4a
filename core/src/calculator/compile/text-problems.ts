import type { CalculatorDocument } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import type { RichText, Texts } from '../document/texts'
import type { CompileProblem } from './compile-problem'

type AnyTexts = Readonly<Record<string, string | RichText>>

/** Labels that are missing in the main language, and texts that another language of the calculator lacks. */
export function textProblems(document: CalculatorDocument): CompileProblem[] {
  const {
    languages,
    title,
    introduction,
    disclosure,
    contact = {},
    nextSteps = {},
    meanings = [],
    steps,
  } = document
  const [main = '', ...others] = languages
  const missing = (texts: AnyTexts, step: string | undefined, field: string): CompileProblem[] =>
    isEmpty(texts[main])
      ? []
      : others
          .filter((language) => isEmpty(texts[language]))
          .map((language) => ({ code: 'TEXT_NOT_TRANSLATED', language, step, field }))
  const needed = (texts: Texts, step: string | undefined, field: string): CompileProblem[] =>
    isEmpty(texts[main]) ? [{ code: 'LABEL_MISSING', step, field }] : []
  return [
    ...needed(title, undefined, 'title'),
    ...missing(title, undefined, 'title'),
    ...missing(introduction, undefined, 'introduction'),
    ...missing(disclosure, undefined, 'disclosure'),
    ...missing(contact, undefined, 'contact'),
    ...missing(nextSteps, undefined, 'nextSteps'),
    ...meanings.flatMap(({ word, meaning }) => [
      ...needed(word, undefined, 'meanings'),
      ...needed(meaning, undefined, 'meanings'),
      ...missing(word, undefined, 'meanings'),
      ...missing(meaning, undefined, 'meanings'),
    ]),
    ...steps.flatMap((step) => [
      ...('label' in step && isLabelNeeded(step) ? needed(step.label, step.id, 'label') : []),
      ...textsOf(step).flatMap(([field, texts]) => missing(texts, step.id, field)),
    ]),
  ]
}

const isLabelNeeded = (step: CalculatorStep): boolean =>
  step.kind === 'question' || step.kind === 'section' || (step.kind === 'working' && step.shown)

const isEmpty = (text: string | RichText | undefined): boolean =>
  text === undefined || (typeof text === 'string' ? text.trim() === '' : plainText(text).trim() === '')

/** The words of a rich text, without its emphasis. */
export const plainText = ({ content }: RichText): string =>
  content
    .flatMap((block) =>
      block.type === 'paragraph' ? [block] : block.content.flatMap((item) => item.content),
    )
    .map((paragraph) =>
      (paragraph.content ?? []).map((run) => (run.type === 'text' ? run.text : ' ')).join(''),
    )
    .join('\n')

/** Every text of a step that a visitor can see, by its field. */
export function textsOf(step: CalculatorStep): [field: string, texts: AnyTexts][] {
  const own: [string, AnyTexts][] = []
  if ('label' in step && (step.kind !== 'working' || step.shown)) own.push(['label', step.label])
  if ('help' in step) own.push(['help', step.help])
  if (step.kind === 'question' && step.asks === 'choice')
    own.push(...step.options.map(({ label }, i): [string, AnyTexts] => [`options.${i}`, label]))
  if (step.kind === 'comparison')
    own.push(...step.loans.map(({ label }, i): [string, AnyTexts] => [`loans.${i}`, label]))
  if (step.kind !== 'readout') return own
  if ('sentence' in step) own.push(['sentence', step.sentence])
  if ('parts' in step)
    own.push(...step.parts.map(({ label }, i): [string, AnyTexts] => [`parts.${i}`, label]))
  if (step.shows === 'chart')
    own.push(...step.loans.map(({ label }, i): [string, AnyTexts] => [`loans.${i}`, label]))
  if (step.shows === 'assumptions') own.push(['text', step.text])
  return own
}
