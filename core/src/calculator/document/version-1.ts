import { z } from 'zod'
import { nameFault, plainName } from '../../formula/syntax'
import { frequencyNames } from '../../rates/frequency'
import type { CalculatorDocument } from './document'
import {
  currency,
  frequency,
  length,
  minorUnits,
  nameText,
  percentText,
  share,
  stepId,
} from './document-shapes'
import type { CalculatorStep } from './steps'
import { Locale, type RichText } from './texts'

/** The first version of the document, as it was stored: one language, one sample visitor, no formulas. */
const question = {
  kind: z.literal('question'),
  id: stepId,
  name: nameText,
  label: nameText,
  help: z.string().max(400),
}
const Question = z.discriminatedUnion('asks', [
  z.strictObject({
    ...question,
    asks: z.literal('money'),
    default: minorUnits.nullable(),
    least: minorUnits,
    most: minorUnits,
    step: minorUnits.min(1),
    slider: z.boolean(),
  }),
  z.strictObject({
    ...question,
    asks: z.literal('percent'),
    default: percentText.nullable(),
    least: percentText,
    most: percentText,
    step: percentText,
    slider: z.boolean(),
  }),
  z.strictObject({
    ...question,
    asks: z.literal('share'),
    of: stepId,
    default: share.nullable(),
    least: share,
    most: share,
    step: share,
  }),
  z.strictObject({
    ...question,
    asks: z.literal('term'),
    default: length.nullable(),
    least: length,
    most: length,
    step: length,
  }),
  z.strictObject({
    ...question,
    asks: z.literal('frequency'),
    options: z.array(frequency).min(1).max(frequencyNames.length),
    default: frequency.nullable(),
  }),
])
const Step = z.discriminatedUnion('kind', [
  Question,
  z.strictObject({
    kind: z.literal('loan'),
    id: stepId,
    name: nameText,
    price: stepId,
    downPayment: stepId,
    rate: stepId,
    term: stepId,
    frequency: stepId,
    compounding: z.union([z.literal('perPayment'), z.literal([1, 2, 4, 12, 365])]),
  }),
  z.strictObject({
    kind: z.literal('readout'),
    id: stepId,
    name: nameText,
    label: nameText,
    help: z.string().max(400),
    shows: z.enum(['payment', 'totalInterest', 'endDate', 'schedule']),
    loan: stepId,
  }),
])
const own = {
  version: z.literal(1),
  title: z.string().trim().min(1).max(120),
  currency,
  locale: Locale,
  lender: z.string().trim().min(1).max(80),
  introduction: z.string().max(600),
  disclosure: z.string().max(2000),
  steps: z.array(Step).max(200),
}
const answer = z.union([minorUnits, percentText, share, length, frequency])
export const DocumentV1 = z.strictObject({
  ...own,
  sample: z.strictObject({ name: nameText, answers: z.record(stepId, answer) }),
})
export type DocumentV1 = z.infer<typeof DocumentV1>
/** What an edition of then froze: the document without its sample visitor. */
export const ProgramV1 = z.strictObject({ ...own, minorDigits: z.literal([0, 2, 3]) })
export type ProgramV1 = z.infer<typeof ProgramV1>

type StepV1 = z.infer<typeof Step>

/** Version 1 to 2: references become formulas, texts become texts in the one language there was. */
export function fromVersion1({
  locale,
  title,
  introduction,
  disclosure,
  steps,
  sample,
  ...rest
}: DocumentV1): CalculatorDocument {
  const text = (words: string) => (words === '' ? {} : { [locale]: words })
  const names = usableNames(steps)
  const nameOf = (id: string) => names.get(id) ?? id
  return {
    ...rest,
    version: 2,
    title: text(title),
    languages: [locale],
    results: 'live',
    introduction: { [locale]: paragraphs(introduction) },
    disclosure: { [locale]: paragraphs(disclosure) },
    steps: steps.map((step) => stepFrom(step, nameOf, text)),
    samples: [{ id: 'sample', ...sample }],
    proofs: [],
  }
}

/** Each step's name, without the words formulas cannot take, and still its own. */
function usableNames(steps: readonly StepV1[]): Map<string, string> {
  const taken = new Set<string>()
  return new Map(
    steps.map(({ id, name }) => {
      const wanted = nameFault(name)?.instead ?? name
      let free = wanted
      for (let n = 2; taken.has(plainName(free)); n++) free = `${wanted} ${n}`
      taken.add(plainName(free))
      return [id, free]
    }),
  )
}

/** Lines of plain text as paragraphs. */
export const paragraphs = (words: string): RichText => ({
  type: 'doc',
  content: words
    .split(/\n+/)
    .filter((line) => line.trim() !== '')
    .map((line) => ({ type: 'paragraph', content: [{ type: 'text', text: line }] })),
})

function stepFrom(
  step: StepV1,
  nameOf: (id: string) => string,
  text: (words: string) => Record<string, string>,
): CalculatorStep {
  const name = nameOf(step.id)
  switch (step.kind) {
    case 'question': {
      const question = {
        ...step,
        name,
        label: text(step.label),
        help: text(step.help),
        required: true,
        shownWhen: '',
      }
      return question.asks === 'money' ? { ...question, per: null, usual: null } : question
    }
    case 'loan': {
      const { price, downPayment, rate, term, frequency: every, compounding, ...kept } = step
      return {
        ...kept,
        name,
        as: null,
        terms: {
          principal: `${nameOf(price)} - ${nameOf(downPayment)}`,
          annualRate: nameOf(rate),
          term: nameOf(term),
          frequency: nameOf(every),
        },
        options: { compounding },
        extras: null,
        rateChanges: null,
      }
    }
    case 'readout': {
      const { shows, loan, ...kept } = step
      const readout = { ...kept, name, label: text(step.label), help: text(step.help), shownWhen: '' }
      return readoutFrom(shows, readout, loan, nameOf(loan), text)
    }
  }
}

type ReadoutBase = Pick<
  Extract<CalculatorStep, { kind: 'readout' }>,
  'kind' | 'id' | 'name' | 'label' | 'help' | 'shownWhen'
>

function readoutFrom(
  shows: Extract<StepV1, { kind: 'readout' }>['shows'],
  readout: ReadoutBase,
  loan: string,
  loanName: string,
  text: (words: string) => Record<string, string>,
): CalculatorStep {
  const figure = { ...readout, shows: 'figure' as const, headline: false, parts: [] }
  switch (shows) {
    case 'payment':
      return {
        ...figure,
        headline: true,
        value: `${loanName}.payment`,
        parts: [
          { label: text('off the loan'), amount: `${loanName}.first principal` },
          { label: text('interest'), amount: `${loanName}.first interest` },
        ],
        sentence: text(
          `{${loanName}.payments} payments, the last of {${loanName}.last payment}. The first takes {${loanName}.first principal} off the loan; {${loanName}.first interest} of it is interest.`,
        ),
      }
    case 'totalInterest':
      return {
        ...figure,
        value: `${loanName}.total interest`,
        sentence: text(
          `Borrowing {${loanName}.principal} would mean paying back {${loanName}.total paid} in all.`,
        ),
      }
    case 'endDate':
      return {
        ...figure,
        value: `${loanName}.end date`,
        sentence: text(`After {${loanName}.payments} payments.`),
      }
    case 'schedule':
      return {
        ...readout,
        shows: 'schedule',
        loan,
        by: 'year',
        columns: ['principal', 'interest', 'balance'],
      }
  }
}
