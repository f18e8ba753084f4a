import { namesIn, nameFault, optionsIn, plainName, type FormulaReader } from '../../formula/syntax'
import type { CalculatorDocument } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import type { Texts } from '../document/texts'
import { mapAllFormulas } from '../compile/formulas-of'
import { hasValue, readerOf, usesOfSteps } from '../compile/units-of-steps'

/** Gives a step another name, and every formula that uses it the new one. */
export function renameStep(document: CalculatorDocument, id: string, name: string): CalculatorDocument {
  const step = document.steps.find((one) => one.id === id)
  if (!step || step.name === name) return document
  const named = { ...document, steps: document.steps.map((one) => (one.id === id ? { ...one, name } : one)) }
  const isNamedTwice = document.steps.some(
    (one) => one.id !== id && plainName(one.name) === plainName(step.name),
  )
  if (!hasValue(step) || isNamedTwice || nameFault(name) || plainName(name) === '') return named
  const reader = readerOf(document.steps)
  const old = plainName(step.name)
  return mapAllFormulas(named, (text) =>
    namesIn(text, reader)
      .filter((place) => place.name === old)
      .reduceRight((changed, { from, to }) => changed.slice(0, from) + name + changed.slice(to), text),
  )
}

/** The steps, and how many proofs, that take a value from a step. */
export function usersOf(
  document: CalculatorDocument,
  id: string,
): { steps: CalculatorStep[]; proofs: number } {
  const uses = usesOfSteps(document.steps)
  const name = plainName(document.steps.find((one) => one.id === id)?.name ?? '')
  const reader = readerOf(document.steps)
  const isIn = (text: string) => namesIn(text, reader).some((place) => place.name === name)
  return {
    steps: document.steps.filter((step) => step.id !== id && uses.get(step.id)?.includes(id)),
    proofs: document.proofs.filter(({ expected }) => expected.some(({ of }) => isIn(of))).length,
  }
}

/** The document without a step, and without the answers sample visitors and proofs had for it. */
export function removeStep(document: CalculatorDocument, id: string): CalculatorDocument {
  const without = <T extends { answers: Record<string, unknown> }>(one: T): T =>
    id in one.answers
      ? {
          ...one,
          answers: Object.fromEntries(Object.entries(one.answers).filter(([question]) => question !== id)),
        }
      : one
  return {
    ...document,
    steps: document.steps.filter((step) => step.id !== id),
    samples: document.samples.map(without),
    proofs: document.proofs.map(without),
  }
}

/** The step at another place; places are counted from 0 and may lie beyond the ends. */
export function moveStep(document: CalculatorDocument, id: string, to: number): CalculatorDocument {
  const from = document.steps.findIndex((step) => step.id === id)
  const step = document.steps[from]
  if (!step) return document
  const others = document.steps.filter((one) => one.id !== id)
  const place = Math.max(0, Math.min(others.length, to))
  return { ...document, steps: [...others.slice(0, place), step, ...others.slice(place)] }
}

/** A step put after another (`undefined`: at the start). */
export function insertStep(
  document: CalculatorDocument,
  step: CalculatorStep,
  after: string | undefined,
): CalculatorDocument {
  const place = after === undefined ? 0 : document.steps.findIndex(({ id }) => id === after) + 1
  return { ...document, steps: [...document.steps.slice(0, place), step, ...document.steps.slice(place)] }
}

/** An identifier no step has yet, from a name: "Home price" is homePrice, then homePrice2. */
export function freeId(taken: readonly { readonly id: string }[], name: string): string {
  const words = name
    .normalize('NFD')
    .replace(/[^A-Za-z0-9 ]/g, '')
    .trim()
    .split(/\s+/)
  const joined = words
    .map((word, i) =>
      i === 0 ? word.toLowerCase() : word.charAt(0).toUpperCase() + word.slice(1).toLowerCase(),
    )
    .join('')
  const start = (/^[a-z]/.test(joined) ? joined : `step${joined}`).slice(0, 34)
  return free(
    (n) => (n === 1 ? start : `${start}${n}`),
    taken.map(({ id }) => id),
  )
}

/** A name no step has yet: "extra", then "extra 2". */
export const freeName = (steps: readonly CalculatorStep[], name: string): string =>
  free(
    (n) => (n === 1 ? name : `${name} ${n}`),
    steps.map((step) => plainName(step.name)),
    plainName,
  )

function free(
  candidate: (n: number) => string,
  taken: readonly string[],
  key = (text: string) => text,
): string {
  const set = new Set(taken)
  for (let n = 1; ; n++) if (!set.has(key(candidate(n)))) return candidate(n)
}

/** A copy of a step under a name and identifier of its own, right after it. */
export function duplicateStep(
  document: CalculatorDocument,
  id: string,
): { document: CalculatorDocument; id: string } {
  const step = document.steps.find((one) => one.id === id)
  if (!step) return { document, id }
  const name = freeName(document.steps, step.name.replace(/ \d+$/, ''))
  const copy: CalculatorStep = { ...step, id: freeId(document.steps, name), name }
  return { document: insertStep(document, copy, id), id: copy.id }
}

/**
 * Gives an option of a choice another name: as the default, in every answer, as a label that said the old one, and in
 * every formula that compares the choice with it.
 */
export function renameOption(
  document: CalculatorDocument,
  questionId: string,
  from: string,
  to: string,
): CalculatorDocument {
  const reader = readerOf(document.steps)
  const asked = plainName(document.steps.find(({ id }) => id === questionId)?.name ?? '')
  const inFormula = (text: string) => withOptionRenamed(text, asked, from, to, reader)
  const following = (label: Texts): Texts =>
    Object.fromEntries(Object.entries(label).map(([language, text]) => [language, text === from ? to : text]))
  const inAnswers = <T extends { answers: Record<string, unknown> }>(one: T): T =>
    one.answers[questionId] === from ? { ...one, answers: { ...one.answers, [questionId]: to } } : one
  const followed = mapAllFormulas(document, inFormula)
  return {
    ...followed,
    steps: followed.steps.map((step) =>
      step.id === questionId && step.kind === 'question' && step.asks === 'choice'
        ? {
            ...step,
            options: step.options.map((option) =>
              option.name === from ? { ...option, name: to, label: following(option.label) } : option,
            ),
            default: step.default === from ? to : step.default,
          }
        : step,
    ),
    samples: followed.samples.map(inAnswers),
    proofs: followed.proofs.map(inAnswers),
  }
}

/** A formula with an option's name changed where it stands against its choice: `credit band = "good"`. */
const withOptionRenamed = (
  text: string,
  asked: string,
  from: string,
  to: string,
  reader: FormulaReader,
): string =>
  optionsIn(text, asked, reader)
    .filter(({ option }) => option.toLowerCase() === from.toLowerCase())
    .reduceRight((changed, place) => `${changed.slice(0, place.from)}"${to}"${changed.slice(place.to)}`, text)
