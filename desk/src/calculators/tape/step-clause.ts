import type {
  CalculatorDocument,
  CalculatorStep,
  Question,
  RateSheet,
  ReadoutStep,
  StepOf,
} from '@vivid/core'
import { minor, shareOf, textIn } from '@vivid/core'
import type { Figures } from '@vivid/contract/wording'
import { nameOnTape } from './loans-there'
import { readoutKind } from './readout-kinds'
import { aimTitles, compoundingWords, ladderTitles } from './term-words'

/** What a step does, in one clause. */
export function stepClause(
  step: CalculatorStep,
  document: CalculatorDocument,
  figures: Figures,
  sheets: readonly RateSheet[],
): string {
  const nameOf = (id: string) => nameOnTape(document, id)
  switch (step.kind) {
    case 'section':
      return 'heading'
    case 'question':
      return [
        questionClause(step, nameOf, figures),
        step.required ? '' : 'optional',
        step.shownWhen ? `when ${step.shownWhen}` : '',
      ]
        .filter(Boolean)
        .join(', ')
    case 'working':
      return step.formula.replace(/\s+/g, ' ')
    case 'lookUp': {
      const sheet = sheets.find(({ id }) => id === step.sheet)
      const by = Object.values(step.keys).filter(Boolean).join(' and ')
      return `looked up in ${sheet?.name ?? (step.sheet || 'no sheet yet')}${by && ` by ${by}`}`
    }
    case 'loan':
      return loanClause(step, nameOf)
    case 'affordability':
      return step.find === 'price' ? 'the highest price from an income' : 'the least income for a price'
    case 'refinance':
      return 'keeping a loan against replacing it'
    case 'equity':
      return `of ${nameOf(step.loan)}, growing ${step.terms.growth ?? ''} a year`
    case 'aim':
      return aimTitles[step.find]
    case 'ladder':
      return step.over === 'answer'
        ? `${nameOf(step.loan)} for each ${nameOf(step.question ?? '')}`
        : `${nameOf(step.loan)} over ${ladderTitles[step.over]}`
    case 'comparison':
      return step.loans.map(({ loan }) => nameOf(loan)).join(', ')
    case 'payOff':
      return `${nameOf(step.loans)} paid off together${step.terms.extra ? `, ${step.terms.extra} besides` : ''}`
    case 'readout':
      return readoutClause(step, nameOf, textIn(step.label, figures.locale, figures.locale))
  }
}

function loanClause({ as, terms, options, extras }: StepOf<'loan'>, nameOf: (id: string) => string): string {
  const compounding = options.compounding && compoundingWords[options.compounding]
  const more = extras?.length ? 'with extras' : ''
  if (as !== null) {
    const own = [...Object.keys(terms).map((term) => terms[term as keyof typeof terms]), more].filter(Boolean)
    return `as ${nameOf(as)}, but ${own.join(', ') || 'nothing differs yet'}`
  }
  return [terms.principal, terms.annualRate && `at ${terms.annualRate}`, compounding, more]
    .filter(Boolean)
    .join(', ')
}

/** What is asked, with the bounds that formulas give: "money, from $0 to $2,000,000, at least price / 20". */
function questionClause(step: Question, nameOf: (id: string) => string, figures: Figures): string {
  const [least, most] = 'least' in step ? [step.leastBy, step.mostBy] : []
  return [rangeClause(step, nameOf, figures), least && `at least ${least}`, most && `at most ${most}`]
    .filter(Boolean)
    .join(', ')
}

function rangeClause(step: Question, nameOf: (id: string) => string, figures: Figures): string {
  switch (step.asks) {
    case 'money': {
      const range = `from ${figures.moneyShort(step.least)} to ${figures.moneyShort(step.most)}`
      return `money${step.per ? ` ${figures.per(step.per)}` : ''}, ${range}`
    }
    case 'percent':
      return `percent, from ${figures.percent(step.least)} to ${figures.percent(step.most)}`
    case 'share': {
      const least = shareOf(step.least, minor(0))
      return `money or percent of ${nameOf(step.of)}, at least ${least.typed === 'percent' ? figures.percent(least.percent) : figures.moneyShort(least.money)}`
    }
    case 'number':
      return `${step.counts === 'payments' ? 'number of payments' : 'whole number'}, from ${figures.count(step.least)} to ${figures.count(step.most)}`
    case 'term':
      return `years and months, from ${figures.term(step.least)} to ${figures.term(step.most)}`
    case 'choice':
      return step.options.map(({ name }) => name).join(', ')
    case 'yesNo':
      return 'yes or no'
    case 'date':
      return step.precision === 'month' ? 'a month' : 'a day'
    case 'loans':
      return `a list of loans, ${step.fewestLoans} to ${step.mostLoans}`
    case 'frequency':
      return `one of ${step.options.length} choices`
  }
}

function readoutClause(step: ReadoutStep, nameOf: (id: string) => string, label: string): string {
  const clause = readoutKind(step.shows).clause(step, nameOf, label)
  return step.shownWhen ? `${clause}, when ${step.shownWhen}` : clause
}
