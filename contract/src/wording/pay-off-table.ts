import { lengthOfMonths, type PayOffPlan, type Readout } from '@vivid/core/evaluate'
import type { Figures } from './language'
import type { SaidTable } from './tables'

export type PayOffReadout = Extract<Readout, { shows: 'payOff' }>

/** What a loan is called, or which it is where it has no name. */
const loanNames = ({ names }: PayOffReadout, { words, count }: Figures): string[] =>
  names.map((name, i) => name || words.page.loans.one(count(i + 1)))

/**
 * The orders beside each other: a column each, after the one with each loan by itself; then when each loan ends, in a row of its
 * own. `own` counts the column the figures of the page are of.
 */
export function payOffTable(readout: PayOffReadout, figures: Figures): SaidTable & { readonly own: number } {
  const { loans } = figures.words.page
  const { plans } = readout
  const row = (name: string, of: (plan: PayOffPlan) => string) => [name, ...plans.map(of)]
  return {
    own: plans.findIndex(({ by }) => by === readout.order),
    head: ['', ...plans.map(({ by }) => loans.orders[by])],
    rows: [
      row(loans.rows.end, (plan) => endSaid(plan, figures)),
      row(loans.rows.interest, ({ interest }) => figures.money(interest)),
      row(loans.rows.saved, ({ saved, by }) => (by === 'asAgreed' ? '–' : figures.money(saved))),
      row(loans.rows.paid, ({ paid }) => figures.money(paid)),
      ...loanNames(readout, figures).map((name, at) =>
        row(loans.endOf(name), ({ ends }) => {
          const end = ends[at]
          return end ? endSaid(end, figures) : '–'
        }),
      ),
    ],
  }
}

const endSaid = ({ endsOn, months }: Pick<PayOffPlan, 'endsOn' | 'months'>, figures: Figures): string =>
  endsOn ? figures.month(endsOn) : figures.term(lengthOfMonths(months))

/** Which order saves most, by how much, and how much sooner; or that they are all the same. */
export function payOffSaid({ plans }: PayOffReadout, figures: Figures): string {
  const { loans } = figures.words.page
  const [agreed, ...orders] = plans
  const most = Math.max(...orders.map(({ saved }) => saved))
  const best = orders.filter(({ saved }) => saved === most)
  const [first] = best
  if (!agreed || !first || most <= 0) return loans.saysNothing
  const sooner = agreed.months - first.months
  const said = {
    saved: figures.money(most),
    sooner: sooner > 0 ? figures.term(lengthOfMonths(sooner)) : '',
  }
  return best.length === orders.length
    ? loans.saysSame(said)
    : loans.saysBest({ order: loans.orders[first.by], ...said })
}
