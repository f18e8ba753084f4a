import type { Ledger } from '../../loan/ledger'
import { Decimal } from '../../money/decimal'
import { minor } from '../../money/minor'
import type { LoanRun } from '../../formula/computed'
import type { ReadoutOf, ReadoutStep } from '../document/steps'
import { Stopped, type Computed, type FigureSet } from '../../formula/computed'
import { isLoanRun } from '../../formula/evaluate-expression'
import type {
  BalanceLine,
  ComparedColumn,
  Part,
  Readout,
  LadderFigures,
  PayOffFigures,
  RefinanceLines,
  Said,
  Turn,
  Value,
} from '../program/evaluated'

/** What a readout asks of the evaluation around it. */
export interface ReadoutSources {
  /** The value of a formula of the readout. */
  readonly value: (path: string) => Value
  readonly loan: (stepId: string) => LoanRun
  readonly ladder: (stepId: string) => Omit<LadderFigures, 'ladder'>
  readonly columns: (stepId: string) => readonly ComparedColumn[]
  readonly turn: (stepId: string) => Turn | undefined
  readonly plans: (stepId: string) => Omit<PayOffFigures, 'payOff'>
  /** The figures of a composite step by name. */
  readonly figures: (stepId: string) => FigureSet['figures']
  /** The workings visitors may see, and the day the looked-up rates took effect, in the order of the tape. */
  readonly explained: () => readonly { readonly step: string; readonly value: Value }[]
  readonly rates: () => readonly { readonly step: string; readonly effective: string }[]
}

/** The figures of a readout. Stops, as a formula does, where something it needs has no value. */
export function readOut(step: ReadoutStep, from: ReadoutSources): Readout {
  const { id } = step
  switch (step.shows) {
    case 'figure':
      return {
        shows: 'figure',
        id,
        headline: step.headline,
        value: from.value('value'),
        parts: partsOf(step, from),
        sentence: said(step.sentence, from),
      }
    case 'meter': {
      const parts = partsOf(step, from)
      return { shows: 'meter', id, parts, total: totalOf(parts), sentence: said(step.sentence, from) }
    }
    case 'sentence':
      return { shows: 'sentence', id, sentence: said(step.sentence, from) }
    case 'chart':
      return chart(step, from)
    case 'schedule': {
      const { ledger } = from.loan(step.loan)
      const { loan, by, columns } = step
      return { shows: 'schedule', id, loan, by, columns, years: ledger?.byYear() ?? [] }
    }
    case 'ladder':
      return { shows: 'ladder', id, ladder: step.ladder, ...from.ladder(step.ladder) }
    case 'comparison': {
      const { comparison, rows } = step
      const [columns, turn] = [from.columns(comparison), from.turn(comparison)]
      return { shows: 'comparison', id, comparison, rows, columns, ...(turn && { turn }) }
    }
    case 'payOff':
      return { shows: 'payOff', id, payOff: step.payOff, ...from.plans(step.payOff) }
    case 'payment':
      return paymentTakenApart(step, from)
    case 'explanation':
      return { shows: 'explanation', id, lines: from.explained() }
    case 'assumptions':
      return { shows: 'assumptions', id, rates: from.rates() }
    case 'actions':
      return { shows: 'actions', id, actions: step.actions }
    case 'whatIf': {
      // Nothing to borrow, nothing to change.
      if (!from.loan(step.loan).terms) throw new Stopped({ code: 'WAITS' })
      return { shows: 'whatIf', id, loan: step.loan, offers: step.offers }
    }
  }
}

function partsOf({ parts }: { readonly parts: readonly unknown[] }, from: ReadoutSources): Part[] {
  return parts.map((_, at) => ({ at, value: from.value(`parts.${at}.amount`) }))
}

/** The sum of the parts, in the first one's period. */
function totalOf(parts: readonly Part[]): Value {
  const [first] = parts
  const sum = parts.reduce(
    (total, { value }) => total.plus('money' in value ? value.money : 0),
    new Decimal(0),
  )
  return {
    ...(first?.value.unit === 'money' ? first.value : { unit: 'money' as const }),
    money: minor(sum.toNumber()),
  }
}

/** The sentence in every language, its formulas worked out in place. */
function said(sentence: Readonly<Record<string, string>>, from: ReadoutSources): Said {
  return Object.fromEntries(
    Object.entries(sentence).map(([language, text]) => {
      let n = 0
      const pieces = text.split(/(\{[^{}]*\})/).filter((piece) => piece !== '')
      return [
        language,
        pieces.map((piece) =>
          piece.startsWith('{') && piece.endsWith('}') ? from.value(`sentence.${language}.${n++}`) : piece,
        ),
      ]
    }),
  )
}

function chart(step: ReadoutOf<'chart'>, from: ReadoutSources): Readout {
  const { id } = step
  switch (step.chart) {
    case 'balance': {
      const runs = step.loans.map(({ loan }) => from.loan(loan))
      return {
        shows: 'chart',
        chart: 'balance',
        id,
        lines: runs.map((run, at) => ({ at, balances: balancesOf(run.ledger) })),
      }
    }
    case 'yearly':
      return {
        shows: 'chart',
        chart: 'yearly',
        id,
        years: from.loan(step.loans[0]?.loan ?? '').ledger?.byYear() ?? [],
      }
    case 'ladder':
      return {
        shows: 'chart',
        chart: 'ladder',
        id,
        ladder: step.ladder ?? '',
        ...from.ladder(step.ladder ?? ''),
      }
    case 'refinance':
      return { shows: 'chart', chart: 'refinance', id, ...refinanceLines(from.figures(step.of ?? '')) }
    case 'limits':
      return { shows: 'chart', chart: 'limits', id, shares: sharesOf(from.figures(step.of ?? '')) }
  }
}

function refinanceLines(figures: FigureSet['figures']): RefinanceLines {
  const ledgers = ['old loan', 'new loan'].flatMap((name) => {
    const run = figures[name]
    return isLoanRun(run) && run.ledger ? [run.ledger] : []
  })
  const months = (name: string) => {
    const value = figures[name]
    return value instanceof Decimal ? value.toNumber() : undefined
  }
  const stay = months('stay')
  const owedAfter = (ledger: Ledger, month: number) => ledger.balanceAfter(Math.min(month, ledger.lastNumber))
  return {
    lines: ledgers.map((ledger) => ({
      points: [...everyTwelfth(ledger.lastNumber), ledger.lastNumber].map((month) => ({
        month,
        owed: owedAfter(ledger, month),
      })),
      endsOn: ledger.endsOn,
    })),
    wonBackAfter: months('months to recover costs'),
    stay:
      stay === undefined || ledgers.every(({ lastNumber }) => stay >= lastNumber)
        ? undefined
        : { months: stay, owed: ledgers.map((ledger) => owedAfter(ledger, stay)) },
  }
}

const everyTwelfth = (last: number): number[] =>
  Array.from({ length: Math.ceil(last / 12) }, (_, year) => year * 12)

function sharesOf(figures: FigureSet['figures']): Extract<Readout, { chart: 'limits' }>['shares'] {
  const decides = figures.limit
  const share = (of: 'housing' | 'debts', took: Computed | undefined, may: Computed | undefined) =>
    took instanceof Decimal && may instanceof Decimal
      ? [
          {
            of,
            share: took.toDecimalPlaces(2).toFixed(),
            limit: may.toFixed(),
            decides: decides === of || decides === 'both',
          },
        ]
      : []
  return [
    ...share('housing', figures['housing share'], figures['housing limit']),
    ...share('debts', figures['debt share'], figures['debt limit']),
  ]
}

/** What is owed at the start and at the end of each year. */
function balancesOf(ledger: Ledger | undefined): BalanceLine['balances'] {
  if (!ledger) return []
  const years = ledger.byYear()
  const start = (years[0]?.year ?? 1) - 1
  return [
    { year: start, balance: ledger.balanceAfter(ledger.firstNumber - 1) },
    ...years.map(({ year, closing }) => ({ year, balance: closing })),
  ]
}

function paymentTakenApart(step: ReadoutOf<'payment'>, from: ReadoutSources): Readout {
  const { ledger } = from.loan(step.loan)
  const asked = from.value('number')
  const number = Number(asked.unit === 'count' ? asked.count : 0)
  if (!ledger || !Number.isInteger(number) || number < ledger.firstNumber || number > ledger.lastNumber)
    throw new Stopped({ code: 'NO_FIGURE', figure: `payment ${number}` })
  return { shows: 'payment', id: step.id, number, row: ledger.at(number) }
}
