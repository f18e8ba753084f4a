import type { CalculatorDocument } from '../calculator/document/document'
import type { CalculatorStep } from '../calculator/document/steps'
import { working } from '../calculator/starters/build'
import { changed, withSteps } from './test-document'

const many = <Made>(count: number, make: (n: number) => Made): Made[] =>
  Array.from({ length: count }, (_, n) => make(n))
const listOf = (count: number, item: (n: number) => string) => `[${many(count, item).join(', ')}]`

const ladder = (n: number): CalculatorStep => ({
  kind: 'ladder',
  id: `ladder${n}`,
  name: `ladder ${n}`,
  over: 'ratesByTerms',
  loan: 'loan',
  terms: {
    rates: listOf(44, (i) => String(1 + (n * 44 + i) / 100)),
    lengths: listOf(44, (i) => String(57 + i)),
  },
})

/** The mortgage starter as a loan of weekly payments over a hundred years. */
const long = (document: CalculatorDocument): CalculatorDocument => {
  const loan = document.steps.find(({ id }) => id === 'loan')
  if (loan?.kind !== 'loan') throw new Error('the starter has a loan')
  return changed('loan', { terms: { ...loan.terms, term: '100 years', frequency: '"weekly"' } }, document)
}

/** Documents that are well formed and ask for more than anybody may: each by what is too much of it. */
export const hostileDocuments: Readonly<Record<string, () => CalculatorDocument>> = {
  'twenty ladders of 44 by 44 loans of weekly payments over a hundred years': () =>
    long(withSteps(...many(20, ladder))),
  'one ladder of 44 by 44 such loans': () => long(withSteps(ladder(0))),
  'a hundred and eighty workings of fractional powers': () =>
    withSteps(
      ...many(180, (n) =>
        working(
          `power${n}`,
          `power ${n}`,
          many(12, (i) => `(${n + 2}.${i}7 ^ 0.${i + 1}3)`).join(' * 0.9 + '),
        ),
      ),
    ),
  'a hundred workings in deep parentheses': () =>
    withSteps(
      ...many(100, (n) => working(`deep${n}`, `deep ${n}`, `${'('.repeat(190)}${n}${')'.repeat(190)}`)),
    ),
  'powers of sums of lists': () =>
    withSteps(
      ...many(150, (n) =>
        working(`list${n}`, `list ${n}`, `sum(${listOf(60, (i) => `1.${i}7 ^ 1.${n}3`)}) / 1000`),
      ),
    ),
}
