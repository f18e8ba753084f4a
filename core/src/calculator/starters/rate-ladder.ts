import type { CalculatorDocument } from '../document/document'
import { assumptions, figure, loan, money, percent, readout, rich, t, working } from './build'
import { calculator, proof } from './whole'
import { loanTerm, rate } from './mortgage-payment'

/** The same loan over rates and lengths at once, as a table and a chart. */
export const rateLadder = (): CalculatorDocument =>
  calculator({
    title: t('Rates and lengths at a glance', 'Taux et durées d’un coup d’œil'),
    introduction: rich(
      'What a quarter of a percent, or five years, would change.',
      'Ce que changerait un quart de pour cent, ou cinq ans.',
    ),
    steps: [
      money(
        'amount',
        'amount',
        t('You borrow', 'Vous empruntez'),
        { default: 350_000, least: 1_000, most: 5_000_000, step: 1_000 },
        { slider: true },
      ),
      rate('4.64', t('Rate in the middle', 'Taux du milieu')),
      percent('gap', 'gap', t('Steps of', 'Pas de'), {
        default: '0.25',
        least: '0.05',
        most: '2',
        step: '0.05',
      }),
      loanTerm(),
      working('lowest', 'lowest rate', 'max(rate - gap * 2, 0)', { unit: 'percent' }),
      working(
        'rates',
        'rates',
        '[lowest rate, lowest rate + gap, lowest rate + gap * 2, lowest rate + gap * 3, lowest rate + gap * 4]',
      ),
      loan(
        'loan',
        'the loan',
        { principal: 'amount', annualRate: 'rate', frequency: '"monthly"', term: 'term' },
        { options: { compounding: 2 } },
      ),
      {
        kind: 'ladder',
        id: 'table',
        name: 'the table',
        over: 'ratesByTerms',
        loan: 'loan',
        terms: { rates: 'rates', lengths: '[15, 20, 25, 30]' },
      },
      figure(
        'between',
        'least and greatest',
        t('The payment lies between', 'Le versement se situe entre'),
        'the table.least payment',
        t('and {the table.greatest payment} a month.', 'et {the table.greatest payment} par mois.'),
        { headline: true },
      ),
      {
        ...readout('table2', 'table of payments', t('Payment a month', 'Versement par mois')),
        shows: 'ladder',
        ladder: 'table',
      },
      {
        ...readout('chart', 'chart of payments', t('The same as a chart', 'La même chose en graphique')),
        shows: 'chart',
        chart: 'ladder',
        loans: [],
        ladder: 'table',
      },
      assumptions([], []),
    ],
    proofs: [
      proof(
        'defaults',
        'five rates by four lengths',
        {},
        { 'the table.least payment': '1692.16', 'the table.greatest payment': '2783.45' },
      ),
    ],
  })
