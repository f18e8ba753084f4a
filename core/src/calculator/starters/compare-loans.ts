import type { CalculatorDocument } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import { assumptions, extra, figure, loan, money, percent, readout, rich, section, t, term } from './build'
import { calculator, proof } from './whole'

const offers = ['A', 'B', 'C', 'D'] as const
const defaults = { A: ['4.64', 25, 0], B: ['4.89', 20, 0], C: ['4.39', 30, 0], D: ['4.64', 25, 200] } as const

const offerSteps = (offer: (typeof offers)[number]): CalculatorStep[] => {
  const [byDefault, years, more] = defaults[offer]
  const low = offer.toLowerCase()
  return [
    section(`section${offer}`, t(`Offer ${offer}`, `Offre ${offer}`)),
    percent(`${low}Rate`, `rate ${offer}`, t('Rate a year', 'Taux annuel'), {
      default: byDefault,
      least: '0',
      most: '25',
      step: '0.05',
    }),
    term(`${low}Term`, `term ${offer}`, t('Paid back over', 'Remboursé sur'), {
      default: years,
      least: 1,
      most: 40,
    }),
    money(
      `${low}Extra`,
      `extra ${offer}`,
      t('Extra each month', 'Supplément chaque mois'),
      { default: more, least: 0, most: 50_000, step: 10 },
      { required: false },
    ),
  ]
}

/** Two to four offers for the same amount, each against the first. */
export const compareLoansStarter = (): CalculatorDocument =>
  calculator({
    title: t('Compare up to four loans', 'Comparer jusqu’à quatre prêts'),
    introduction: rich(
      'The same amount, four offers: what differs is marked.',
      'Le même montant, quatre offres : les différences sont marquées.',
    ),
    steps: [
      money(
        'amount',
        'amount',
        t('You borrow', 'Vous empruntez'),
        { default: 350_000, least: 1_000, most: 5_000_000, step: 1_000 },
        { slider: true },
      ),
      ...offers.flatMap(offerSteps),
      section('leaving', t('How long you stay', 'Combien de temps vous restez')),
      term('stay', 'stay', t('You mean to keep the loan', 'Vous pensez garder le prêt'), {
        default: 7,
        least: 0.5,
        most: 40,
        step: 0.5,
      }),
      ...offers.map((offer) =>
        loan(
          `loan${offer}`,
          `offer ${offer}`,
          { principal: 'amount', annualRate: `rate ${offer}`, frequency: '"monthly"', term: `term ${offer}` },
          { options: { compounding: 2 }, extras: [extra(`extra ${offer}`)] },
        ),
      ),
      {
        kind: 'comparison',
        id: 'offers',
        name: 'the offers',
        loans: offers.map((offer) => ({
          loan: `loan${offer}`,
          label: t(`Offer ${offer}`, `Offre ${offer}`),
        })),
        stay: 'stay',
      },
      figure(
        'least',
        'least interest',
        t('The least interest in all', 'Le total d’intérêts le plus bas'),
        'the offers.least interest',
        t(
          '{the offers.interest difference} less than the dearest of the four.',
          '{the offers.interest difference} de moins que la plus chère des quatre.',
        ),
        { headline: true },
      ),
      {
        ...readout('beside', 'side by side', t('Side by side', 'Côte à côte')),
        shows: 'comparison',
        comparison: 'offers',
        rows: [
          'payment',
          'payments',
          'endDate',
          'totalInterest',
          'totalPaid',
          'difference',
          'paidUntilLeaving',
          'owedAtLeaving',
          'costUntilLeaving',
        ],
      },
      {
        ...readout(
          'balances',
          'balance over time',
          t('What you owe over time', 'Ce que vous devez au fil du temps'),
        ),
        shows: 'chart',
        chart: 'balance',
        loans: offers.map((offer) => ({
          loan: `loan${offer}`,
          label: t(`Offer ${offer}`, `Offre ${offer}`),
        })),
        ladder: null,
      },
      assumptions([], []),
    ],
    proofs: [
      proof(
        'defaults',
        'the four offers',
        {},
        {
          'offer A.payment': '1964.49',
          'offer B.payment': '2279.20',
          'offer C.payment': '1742.42',
          'offer D.payments': '253',
          'the offers.least interest': '196829.69',
          'the offers.cheapest over the stay': 'Offer C',
          'the offers.least cost over the stay': '99960.28',
        },
      ),
    ],
  })
