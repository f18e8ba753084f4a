import type { Wanted } from '../../formula/unit'
import type { CalculatorDocument } from '../document/document'
import type { Question } from '../document/questions'
import type { RateSheet, SheetKey } from '../document/sheets'
import type { CalculatorStep, StepOf, workingUnits } from '../document/steps'
import {
  affordabilityTerms,
  aimNeeds,
  aimTerms,
  equityTerms,
  ladderNeeds,
  ladderTerms,
  loanTerms,
  payOffTerms,
  refinanceTerms,
  type TermFacts,
} from '../document/step-terms'
import type { Texts } from '../document/texts'

/** One formula of a step: where it stands in it (`terms.principal`), its text, what it has to give. */
export interface FormulaPlace {
  readonly path: string
  readonly text: string
  readonly takes: Wanted
  readonly required: boolean
}

type Change = (place: FormulaPlace) => string

const money = { is: 'money' } as const satisfies Wanted
const anyMoney = { is: 'money', per: 'any' } as const satisfies Wanted
const paymentOrDate = { is: 'oneOf', of: [{ is: 'count' }, { is: 'date' }] } as const satisfies Wanted
const count = { is: 'count' } as const satisfies Wanted
const percent = { is: 'percent' } as const satisfies Wanted
const yesNo = { is: 'yesNo' } as const satisfies Wanted
const shown = { is: 'shown' } as const satisfies Wanted

/** Every formula of a step, in the order of its fields. */
export function formulasOf(step: CalculatorStep, sheets: readonly RateSheet[] = []): FormulaPlace[] {
  const places: FormulaPlace[] = []
  mapFormulas(
    step,
    (place) => {
      places.push(place)
      return place.text
    },
    sheets,
  )
  return places
}

/** The step with every formula changed: the one place that knows where formulas stand. */
export function mapFormulas<S extends CalculatorStep>(
  step: S,
  change: Change,
  sheets: readonly RateSheet[] = [],
): S {
  return map(step, change, sheets) as S
}

/** The document with every formula changed, those of its proofs too. */
export function mapAllFormulas(
  document: CalculatorDocument,
  change: (text: string) => string,
): CalculatorDocument {
  return {
    ...document,
    steps: document.steps.map((step) => mapFormulas(step, ({ text }) => change(text))),
    proofs: document.proofs.map((proof) => ({
      ...proof,
      expected: proof.expected.map((line) => ({ ...line, of: change(line.of) })),
    })),
  }
}

function map(step: CalculatorStep, change: Change, sheets: readonly RateSheet[]): CalculatorStep {
  const at = (path: string, text: string, takes: Wanted, required = true) =>
    change({ path, text, takes, required })
  switch (step.kind) {
    case 'section':
      return step
    case 'comparison':
      return step.stay === undefined
        ? step
        : { ...step, stay: at('stay', step.stay, wantedOfWorking.term, false) }
    case 'question':
      return mapQuestion(step, at)
    case 'working':
      return { ...step, formula: at('formula', step.formula, wantedOfWorking[step.unit]) }
    case 'lookUp': {
      const columns = sheets.find(({ id }) => id === step.sheet)?.keys
      return {
        ...step,
        keys: Object.fromEntries(
          Object.entries(step.keys).map(([id, text]) => {
            const column = columns?.find((one) => one.id === id)
            return [id, at(`keys.${id}`, text, column ? wantedOfKey(column) : shown)]
          }),
        ),
        on: at('on', step.on, { is: 'date' }, false),
      }
    }
    case 'loan':
      return mapLoan(step, at)
    case 'affordability': {
      const needed = step.find === 'price' ? ['income'] : ['price']
      return { ...step, terms: mapTerms(step.terms, affordabilityTerms, at, needed) }
    }
    case 'refinance':
      return { ...step, terms: mapTerms(step.terms, refinanceTerms, at) }
    case 'equity':
      return { ...step, terms: mapTerms(step.terms, equityTerms, at) }
    case 'aim':
      return { ...step, terms: mapTerms(step.terms, aimTerms, at, aimNeeds[step.find]) }
    case 'ladder':
      return { ...step, terms: mapTerms(step.terms, ladderTerms, at, ladderNeeds[step.over]) }
    case 'payOff':
      return { ...step, terms: mapTerms(step.terms, payOffTerms, at) }
    case 'readout':
      return mapReadout({ ...step, shownWhen: at('shownWhen', step.shownWhen, yesNo, false) }, at)
  }
}

function mapQuestion(step: Question, at: At): Question {
  const shownWhen = at('shownWhen', step.shownWhen, yesNo, false)
  if (!('least' in step)) return { ...step, shownWhen }
  const takes = wantedOfBound(step)
  return {
    ...step,
    shownWhen,
    ...(step.leastBy === undefined ? {} : { leastBy: at('leastBy', step.leastBy, takes, false) }),
    ...(step.mostBy === undefined ? {} : { mostBy: at('mostBy', step.mostBy, takes, false) }),
  }
}

export type RangedQuestion = Extract<Question, { least: unknown }>

/** What a formula that bounds a question's answers has to give. */
export function wantedOfBound(question: RangedQuestion): Wanted {
  switch (question.asks) {
    case 'money':
      return question.per === null ? { is: 'money' } : { is: 'money', per: question.per }
    case 'share':
      return { is: 'oneOf', of: [percent, { is: 'money' }] }
    case 'number':
      return question.counts === 'payments' ? count : { is: 'number' }
    case 'term':
      return { is: 'years' }
    case 'percent':
    case 'date':
      return { is: question.asks }
  }
}

type At = (path: string, text: string, takes: Wanted, required?: boolean) => string

function mapTerms<T extends Record<string, string | undefined>>(
  terms: T,
  facts: Readonly<Record<string, TermFacts>>,
  at: At,
  needed: readonly string[] = [],
): T {
  const entries = Object.entries(facts).flatMap(([name, { takes, required }]) => {
    const text = terms[name]
    const isNeeded = required === true || needed.includes(name)
    if (text === undefined && !isNeeded) return []
    const next = at(`terms.${name}`, text ?? '', takes, isNeeded)
    return text === undefined && next === '' ? [] : [[name, next] as const]
  })
  return Object.fromEntries(entries) as T
}

function mapLoan(step: StepOf<'loan'>, at: At): StepOf<'loan'> {
  const { as, extras, rateChanges } = step
  // What another loan says need not be said again.
  const facts: Readonly<Record<string, TermFacts>> = as === null ? loanTerms : optional(loanTerms)
  return {
    ...step,
    terms: mapTerms(step.terms, facts, at),
    extras:
      extras &&
      extras.map((extra, i) => ({
        ...extra,
        amount: at(`extras.${i}.amount`, extra.amount, anyMoney),
        at: at(`extras.${i}.at`, extra.at, paymentOrDate, false),
        from: at(`extras.${i}.from`, extra.from, paymentOrDate, false),
        until: at(`extras.${i}.until`, extra.until, paymentOrDate, false),
      })),
    rateChanges:
      rateChanges &&
      rateChanges.map((one, i) => ({
        ...one,
        fromPayment: at(`rateChanges.${i}.fromPayment`, one.fromPayment, paymentOrDate),
        annualRate: at(`rateChanges.${i}.annualRate`, one.annualRate, percent),
      })),
  }
}

const optional = (facts: Readonly<Record<string, TermFacts>>): Record<string, TermFacts> =>
  Object.fromEntries(Object.entries(facts).map(([name, { takes }]) => [name, { takes }]))

/** By the names of its fields: a new kind of readout that uses them as others do has nothing to say here. */
const mapReadout = (step: StepOf<'readout'>, at: At): StepOf<'readout'> => ({
  ...step,
  ...('value' in step && { value: at('value', step.value, shown) }),
  ...('number' in step && { number: at('number', step.number, count) }),
  ...('parts' in step && { parts: mapParts(step.parts, at) }),
  ...('sentence' in step && { sentence: mapSentence(step.sentence, at) }),
})

const mapParts = (parts: readonly { label: Texts; amount: string }[], at: At) =>
  parts.map((part, i) => ({ ...part, amount: at(`parts.${i}.amount`, part.amount, anyMoney) }))

/** A formula between braces in a sentence. */
export const PLACEHOLDER = /\{([^{}]*)\}/g

function mapSentence(sentence: Texts, at: At): Texts {
  return Object.fromEntries(
    Object.entries(sentence).map(([language, text]) => {
      let n = 0
      return [
        language,
        text.replace(
          PLACEHOLDER,
          (_, formula: string) => `{${at(`sentence.${language}.${n++}`, formula, shown)}}`,
        ),
      ]
    }),
  )
}

export const wantedOfWorking: Readonly<Record<(typeof workingUnits)[number], Wanted>> = {
  any: { is: 'oneOf', of: [{ is: 'shown' }, { is: 'list', of: { is: 'amount' } }] },
  money,
  moneyPerMonth: { is: 'money', per: 'month' },
  moneyPerYear: { is: 'money', per: 'year' },
  percent,
  number: { is: 'number' },
  count,
  term: { is: 'years' },
  date: { is: 'date' },
  yesNo,
  text: { is: 'text' },
  frequency: { is: 'frequency' },
}

const wantedOfKey = ({ unit }: SheetKey): Wanted =>
  unit === 'term' ? { is: 'years' } : unit === 'money' ? anyMoney : { is: unit }
