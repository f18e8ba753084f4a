import {
  type CalculatorDocument,
  type CalculatorStep,
  paragraphs,
  type QuestionOf,
  removeLanguage,
  renameLanguage,
  starters,
} from '@vivid/core'

type Change =
  Partial<QuestionOf<'money'> & QuestionOf<'percent'>> | Partial<CalculatorStep> | Record<string, unknown>

interface Own {
  readonly title: string
  readonly titleFrench?: string
  readonly introduction?: string
  readonly introductionFrench?: string
  readonly currency?: CalculatorDocument['currency']
  /** The one language of a calculator for another country; none: English and French. */
  readonly only?: string
  readonly contact?: CalculatorDocument['contact']
  readonly disclosure?: string
  readonly nextSteps?: string
  readonly meanings?: CalculatorDocument['meanings']
  /** Known answers; none: those of the starter, where nothing of it is changed. */
  readonly proofs?: CalculatorDocument['proofs']
}

/** A starter with a title of its own and some fields of its steps changed. Labels are given in English. */
export function made(
  own: Own,
  changes: Record<string, Change> = {},
  starter = 'mortgage-payment',
): CalculatorDocument {
  const document = starterNamed(starter)
  const {
    title,
    titleFrench,
    introduction,
    introductionFrench,
    currency = 'CAD',
    only,
    contact,
    disclosure,
    nextSteps,
    meanings,
    proofs = Object.keys(changes).length > 0 ? [] : document.proofs,
  } = own
  const steps = document.steps.map(
    (step) => ({ ...step, ...inTexts(changes[step.id] ?? {}, step) }) as CalculatorStep,
  )
  const named: CalculatorDocument = {
    ...document,
    currency,
    title: texts(title, titleFrench),
    ...(nextSteps && { nextSteps: { 'en-CA': paragraphs(nextSteps) } }),
    ...(meanings && { meanings }),
    ...(disclosure && { disclosure: { 'en-CA': paragraphs(disclosure) } }),
    introduction: {
      ...document.introduction,
      ...(introduction ? { 'en-CA': paragraphs(introduction) } : {}),
      ...(introductionFrench ? { 'fr-CA': paragraphs(introductionFrench) } : {}),
    },
    contact: {
      'en-CA': 'Call 555-0142, or come by Quay 4 between eight and six.',
      ...(only ? {} : { 'fr-CA': 'Appelez le 555-0142, ou passez au Quai 4 entre huit et dix-huit heures.' }),
      ...contact,
    },
    steps,
    proofs,
  }
  return only ? renameLanguage(removeLanguage(named, 'fr-CA'), 'en-CA', only) : named
}

export function starterNamed(id: string): CalculatorDocument {
  const found = starters.find((starter) => starter.id === id)
  if (!found) throw new Error(`no starter ${id}`)
  return found.make()
}

export const texts = (english: string, french?: string) => ({
  'en-CA': english,
  ...(french ? { 'fr-CA': french } : {}),
})

/** Labels and help written as one text are the English ones; the French of the starter stays. */
function inTexts(change: Change, step: CalculatorStep): object {
  return Object.fromEntries(
    Object.entries(change).map(([field, value]) =>
      (field === 'label' || field === 'help' || field === 'sentence') && typeof value === 'string'
        ? [field, { ...(step as unknown as Record<string, object>)[field], 'en-CA': value }]
        : [field, value],
    ),
  )
}

export const withAnswers = (
  document: CalculatorDocument,
  name: string,
  answers: CalculatorDocument['samples'][number]['answers'],
): CalculatorDocument => ({
  ...document,
  samples: [{ id: 'sample', name, answers }, ...document.samples.slice(1)],
})
