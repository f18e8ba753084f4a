import { lengthOfMonths, type Readout, type ReadoutOf } from '@vivid/core/evaluate'
import { rungName } from '@vivid/contract/wording'
import type { Calculator } from '../../model/use-calculator'

/** What a chart draws, and the same as words for its table. */
export interface ChartData {
  readonly kind: 'lines' | 'stacks' | 'bars'
  /** What stands along the bottom, and its heading. */
  readonly places: readonly string[]
  readonly across: string
  readonly series: readonly {
    readonly name: string
    /** Minor units; null where there is nothing at this place. */
    readonly amounts: readonly (number | null)[]
    readonly said: readonly string[]
  }[]
  /** An amount on the axis, said shortly. */
  readonly short: (minor: number) => string
}

export function chartData(
  readout: Extract<Readout, { shows: 'chart' }>,
  step: ReadoutOf<'chart'>,
  { figures: { value: figures }, words: { value: words }, say, steps }: Calculator,
): ChartData {
  const short = figures.moneyCompact
  const series = (name: string, amounts: readonly (number | null)[]) => ({
    name,
    amounts,
    said: amounts.map((amount) => (amount === null ? '' : figures.money(amount))),
  })
  switch (readout.chart) {
    case 'balance': {
      const years = [
        ...new Set(readout.lines.flatMap(({ balances }) => balances.map(({ year }) => year))),
      ].sort((a, b) => a - b)
      return {
        kind: 'lines',
        across: words.year,
        // What is owed before the first payment is owed now.
        places: years.map((year, i) => (i === 0 ? words.whatIf.now : String(year))),
        series: readout.lines.map(({ at, balances }) => {
          const owed = new Map(balances.map(({ year, balance }) => [year, balance]))
          const last = balances.at(-1)?.year ?? 0
          const loan = step.loans[at]
          const name =
            (loan && say(loan.label)) || steps.value.find(({ id }) => id === loan?.loan)?.name || ''
          return series(
            name,
            years.map((year) => owed.get(year) ?? (year > last ? 0 : null)),
          )
        }),
        short,
      }
    }
    case 'yearly':
      return {
        kind: 'stacks',
        across: words.year,
        places: readout.years.map(({ year }) => String(year)),
        series: [
          series(
            words.columns.principal,
            readout.years.map(({ principal }) => principal),
          ),
          series(
            words.columns.interest,
            readout.years.map(({ interest }) => interest),
          ),
        ],
        short,
      }
    case 'refinance': {
      const [kept, next] = readout.lines
      const longest = (kept?.points.length ?? 0) >= (next?.points.length ?? 0) ? kept : next
      const months = longest?.points.map(({ month }) => month) ?? []
      const owedOn = (line: typeof kept) =>
        months.map((month) => line?.points.find((one) => one.month === month)?.owed ?? 0)
      return {
        kind: 'lines',
        across: words.length,
        places: months.map((month) => (month === 0 ? words.whatIf.now : figures.term(lengthOfMonths(month)))),
        series: [
          series(words.whatIf.asItIs, owedOn(kept)),
          series(words.picture.refinance.next, owedOn(next)),
        ],
        short,
      }
    }
    case 'limits': {
      const { limits } = words.picture
      const column = (name: string, percents: readonly string[]) => ({
        name,
        amounts: percents.map(() => null),
        said: percents.map(figures.percent),
      })
      return {
        kind: 'bars',
        across: '',
        places: readout.shares.map(({ of }) => limits[of]),
        series: [
          column(
            limits.share,
            readout.shares.map(({ share }) => share),
          ),
          column(
            limits.limit,
            readout.shares.map(({ limit }) => limit),
          ),
        ],
        short,
      }
    }
    case 'ladder': {
      const rates = [...new Set(readout.rungs.map(({ rate }) => rate))]
      if (readout.over !== 'ratesByTerms')
        return {
          kind: 'bars',
          across: '',
          places: readout.rungs.map((rung) => rungName(rung, figures)),
          series: [
            series(
              words.rows.payment,
              readout.rungs.map(({ payment }) => payment),
            ),
          ],
          short,
        }
      const first = readout.rungs.filter(({ rate }) => rate === rates[0])
      return {
        kind: 'lines',
        across: words.length,
        places: first.map(({ length }) => (length ? figures.term(length) : '')),
        series: rates.map((rate) =>
          series(
            figures.percent(rate ?? '0'),
            readout.rungs.filter((rung) => rung.rate === rate).map(({ payment }) => payment),
          ),
        ),
        short,
      }
    }
  }
}
