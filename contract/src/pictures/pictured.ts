import {
  mainLanguage,
  lengthOfMonths,
  textIn,
  type Evaluation,
  type Ledger,
  type LedgerYear,
  type LoanTerms,
  type Program,
  type Readout,
  type ReadoutOf,
} from '@vivid/core/evaluate'
import type { Figures } from '../wording/language'
import { balancePicture, type BalanceDrawn, type BalanceOverTime } from './balance-picture'
import { limitsPicture, type LimitsDrawn } from './limits-picture'
import type { Look } from './look'
import { yearsPicture, type YearsDrawn } from './years-picture'

type Chart<C> = Extract<Readout, { shows: 'chart'; chart: C }>

/** A picture's figures, and what it shows in a sentence. */
interface Pictured<Drawn> {
  readonly drawn: Drawn
  readonly sentence: string
}

/** A picture that can be drawn in any look, and what it shows in a sentence. */
interface Drawing {
  readonly draw: (look: Look) => string
  readonly sentence: string
}

/** What a visitor tries on the only loan of a chart, and how its end differs. */
export interface TriedOver {
  readonly ledger: Ledger
  readonly name: string
  readonly gap: string
}

/** The picture of a chart; a ladder's is its table, and nothing borrowed has none. `today`: an ISO date. */
export function drawingOf(
  readout: Extract<Readout, { shows: 'chart' }>,
  step: ReadoutOf<'chart'>,
  shown: Pick<Evaluation, 'ledgers' | 'terms'>,
  program: Pick<Program, 'steps' | 'languages'>,
  today: string,
  figures: Figures,
  tried?: TriedOver,
): Drawing | undefined {
  const drawing = <Drawn>(
    found: Pictured<Drawn> | undefined,
    draw: (drawn: Drawn, look: Look) => string,
  ): Drawing | undefined => found && { draw: (look) => draw(found.drawn, look), sentence: found.sentence }
  switch (readout.chart) {
    case 'balance':
      return drawing(picturedBalance(step, shown, program, today, figures, tried), balancePicture)
    case 'yearly':
      return drawing(
        picturedYears(readout, shown.terms.get(step.loans[0]?.loan ?? ''), figures),
        yearsPicture,
      )
    case 'refinance':
      return drawing(picturedRefinance(readout, figures), balancePicture)
    case 'limits':
      return drawing(picturedLimits(readout, figures), limitsPicture)
    case 'ladder':
      return undefined
  }
}

const YEAR_MS = 365.25 * 86_400_000

/** What is owed on a loan from a day on: now, at the end of each year, and on the day of the last payment. */
function loanOverTime(ledger: Ledger, today: string, name: string, figures: Figures): BalanceOverTime {
  const at = (date: string | undefined, otherwise: number) =>
    date === undefined ? otherwise : Math.max(0, (Date.parse(date) - Date.parse(today)) / YEAR_MS)
  const years = ledger.byYear()
  const left = ledger.balanceAfter(ledger.lastNumber)
  const month = ledger.endsOn ? figures.month(ledger.endsOn) : ''
  return {
    name,
    points: [
      { years: 0, owed: ledger.balanceAfter(ledger.firstNumber - 1) },
      ...years.map(({ to, closing }, i) => ({ years: at(ledger.dateOf(to), i + 1), owed: closing })),
    ],
    end: left > 0 ? `${month}: ${figures.words.page.picture.left(figures.moneyShort(left))}` : month,
  }
}

/** The balance of the loans of a chart; `tried`: what the visitor tries on the only one, and how its end differs. */
export function picturedBalance(
  step: ReadoutOf<'chart'>,
  { ledgers }: Pick<Evaluation, 'ledgers'>,
  { steps, languages }: Pick<Program, 'steps' | 'languages'>,
  today: string,
  figures: Figures,
  tried?: TriedOver,
): Pictured<BalanceDrawn> | undefined {
  const { whatIf } = figures.words.page
  const found = step.loans.flatMap(({ loan, label }) => {
    const ledger = ledgers.get(loan)
    const own = textIn(label, figures.locale, mainLanguage({ languages }))
    const name = own || steps.find((one) => one.step.id === loan)?.step.name || ''
    return ledger
      ? [{ ledger, over: loanOverTime(ledger, today, step.loans.length > 1 ? name : '', figures) }]
      : []
  })
  const [first] = found
  if (!first) return undefined
  const isTried = tried !== undefined && found.length === 1
  const lines = isTried
    ? [{ ...first.over, name: whatIf.asItIs }, loanOverTime(tried.ledger, today, tried.name, figures)]
    : found.map(({ over }) => over)
  return {
    drawn: {
      lines,
      isTried,
      gap: isTried ? tried.gap : '',
      now: whatIf.now,
      inYears: (years) => figures.term({ years, months: 0 }),
      short: figures.moneyCompact,
    },
    // Of several, each is said by its name.
    sentence: found
      .map(({ ledger, over: { name } }) => `${name && `${name}: `}${balanceSaid(ledger, figures)}`)
      .join(' '),
  }
}

/** What is owed now, when half of it is, and when nothing is, or what is left. */
function balanceSaid(ledger: Ledger, figures: Figures): string {
  const { picture } = figures.words.page
  const owed = ledger.balanceAfter(ledger.firstNumber - 1)
  let [low, high] = [ledger.firstNumber, ledger.lastNumber]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (ledger.balanceAfter(middle) * 2 <= owed) high = middle
    else low = middle + 1
  }
  const [half, end] = [ledger.dateOf(low), ledger.endsOn]
  const left = ledger.balanceAfter(ledger.lastNumber)
  if (half === undefined || end === undefined) return ''
  return picture.balanceSays({
    owed: figures.moneyShort(owed),
    half: left * 2 > owed ? '' : figures.month(half),
    end: figures.month(end),
    left: left > 0 ? figures.moneyShort(left) : '',
  })
}

/** Where the money of each year of a loan goes: what is paid on top comes off the loan too. */
export function picturedYears(
  { years }: Chart<'yearly'>,
  terms: LoanTerms | undefined,
  figures: Figures,
): Pictured<YearsDrawn> {
  const { columns, picture, rows } = figures.words.page
  const fee = terms?.fees?.eachPayment ?? 0
  const drawn = years.map(({ year, principal, interest, insurance, from, to }) => ({
    year,
    parts: [principal, interest, insurance, fee * (to - from + 1)],
  }))
  // The first and the last year are seldom whole ones.
  const [first, last] = years.length > 3 ? [years[1], years.at(-2)] : [years[0], years.at(-1)]
  const said = ({ year, interest }: LedgerYear) => ({ year: String(year), interest: figures.money(interest) })
  return {
    drawn: {
      years: drawn,
      names: [columns.principal, columns.interest, columns.insurance, rows.totalFees],
      short: figures.moneyCompact,
    },
    sentence: first && last && first !== last ? picture.yearsSay(said(first), said(last)) : '',
  }
}

/** A loan that is kept and the one in its place, with the months that matter. */
export function picturedRefinance(
  { lines, wonBackAfter, stay }: Chart<'refinance'>,
  figures: Figures,
): Pictured<BalanceDrawn> | undefined {
  const { picture, whatIf } = figures.words.page
  if (lines.length < 2) return undefined
  const length = (months: number) => figures.term(lengthOfMonths(months))
  const [kept = 0, next = 0] = stay?.owed ?? []
  return {
    drawn: {
      lines: lines.map(({ points, endsOn }, i) => ({
        name: i === 0 ? whatIf.asItIs : picture.refinance.next,
        points: points.map(({ month, owed }) => ({ years: month / 12, owed })),
        end: endsOn === undefined ? '' : figures.month(endsOn),
      })),
      isTried: false,
      marks: [
        ...(wonBackAfter === undefined
          ? []
          : [{ years: wonBackAfter / 12, said: picture.refinance.wonBack }]),
        ...(stay ? [{ years: stay.months / 12, said: picture.refinance.leaves }] : []),
      ],
      gap: '',
      now: whatIf.now,
      inYears: (years) => figures.term({ years, months: 0 }),
      short: figures.moneyCompact,
    },
    sentence: picture.refinance.says({
      wonBack: wonBackAfter === undefined ? '' : length(wonBackAfter),
      stay: stay ? length(stay.months) : '',
      kept: figures.money(kept),
      next: figures.money(next),
    }),
  }
}

/** What housing and all debts take of income, against what they may. */
export function picturedLimits(
  { shares }: Chart<'limits'>,
  figures: Figures,
): Pictured<LimitsDrawn> | undefined {
  const { limits } = figures.words.page.picture
  if (shares.length === 0) return undefined
  const said = shares.map(({ of, share, limit, decides }) => ({
    bar: `${limits[of]}: ${limits.of(figures.percent(share), figures.percent(limit))}`,
    sentence: limits.says(of, figures.percent(share), figures.percent(limit), decides),
  }))
  return {
    drawn: {
      bars: shares.map(({ share, limit, decides }, i) => ({
        share: Number(share),
        limit: Number(limit),
        said: said[i]?.bar ?? '',
        decides: decides ? limits.decides : '',
      })),
    },
    sentence: said.map(({ sentence }) => sentence).join(' '),
  }
}
