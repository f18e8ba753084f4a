import type { CalculatorDocument } from '../document/document'
import { assumptions, figure, loan, percent, readout, rich, section, sentence, t, working } from './build'
import { stay } from './refinance'
import { calculator, proof } from './whole'
import { downPayment, homePrice, loanTerm } from './mortgage-payment'

const rateOf = (id: string, name: string, rate: string) =>
  percent(id, name, t('Rate', 'Taux'), { default: rate, least: '0', most: '25', step: '0.05' })

/** One purchase under two programmes: a dearer premium with a lower rate, or the reverse, by payment and over the stay. */
export const twoProgrammes = (): CalculatorDocument =>
  calculator({
    title: t('Two loan programmes for one home', 'Deux programmes de prêt pour une maison'),
    introduction: rich(
      'A lower rate with a premium added to the loan, or a higher one with a premium that ends.',
      'Un taux plus bas et une prime ajoutée au prêt, ou un taux plus élevé et une prime qui prend fin.',
    ),
    steps: [
      homePrice(),
      downPayment('10'),
      loanTerm(25),
      stay(),
      section('programmeA', t('Programme A: premium added once', 'Programme A : prime ajoutée une fois')),
      rateOf('rateA', 'rate A', '4.6'),
      percent('added', 'added premium', t('Premium, of the loan', 'Prime, sur le prêt'), {
        default: '3.1',
        least: '0',
        most: '15',
        step: '0.05',
      }),
      section('programmeB', t('Programme B: premium each month', 'Programme B : prime chaque mois')),
      rateOf('rateB', 'rate B', '4.9'),
      percent('yearly', 'yearly premium', t('Premium a year, of the loan', 'Prime annuelle, sur le prêt'), {
        default: '0.55',
        least: '0',
        most: '10',
        step: '0.05',
      }),
      working('amount', 'amount borrowed', 'home price - down payment', {
        unit: 'money',
        shown: t('You borrow', 'Vous empruntez'),
      }),
      loan('a', 'programme A', {
        principal: 'amount borrowed',
        annualRate: 'rate A',
        frequency: '"monthly"',
        term: 'term',
        insuranceAdded: 'added premium',
      }),
      loan('b', 'programme B', {
        principal: 'amount borrowed',
        annualRate: 'rate B',
        frequency: '"monthly"',
        term: 'term',
        insuranceYearly: 'yearly premium',
        insuranceValue: 'home price',
        insuranceUntil: '80',
      }),
      {
        kind: 'comparison',
        id: 'both',
        name: 'both programmes',
        loans: [
          { loan: 'a', label: t('Programme A', 'Programme A') },
          { loan: 'b', label: t('Programme B', 'Programme B') },
        ],
        stay: 'stay',
      },
      figure(
        'better',
        'better over the stay',
        t('Costs less while you stay', 'Coûte moins pendant votre séjour'),
        'both programmes.cheapest over the stay',
        t(
          '{both programmes.least cost over the stay} of interest and premiums over {stay}. The smaller payment is {both programmes.cheapest by payment}’s.',
          '{both programmes.least cost over the stay} d’intérêts et de primes sur {stay}. Le plus petit versement est celui de {both programmes.cheapest by payment}.',
        ),
        { headline: true },
      ),
      sentence(
        'turning',
        'where it turns',
        t('If you stay longer, or less', 'Si vous restez plus, ou moins'),
        t(
          'Up to {both programmes.turns after}, {both programmes.cheapest before that} costs less; after that, {both programmes.cheapest after that}.',
          'Jusqu’à {both programmes.turns after}, {both programmes.cheapest before that} coûte moins ; ensuite, {both programmes.cheapest after that}.',
        ),
        'both programmes.turns',
      ),
      {
        ...readout('beside', 'side by side', t('Side by side', 'Côte à côte')),
        shows: 'comparison',
        comparison: 'both',
        rows: [
          'payment',
          'paymentWithInsurance',
          'endDate',
          'paidUntilLeaving',
          'owedAtLeaving',
          'costUntilLeaving',
          'costOfBorrowing',
        ],
      },
      {
        ...readout('balances', 'picture of balances', t('What you would owe', 'Ce que vous devriez')),
        shows: 'chart',
        chart: 'balance',
        loans: [
          { loan: 'a', label: t('Programme A', 'Programme A') },
          { loan: 'b', label: t('Programme B', 'Programme B') },
        ],
        ladder: null,
      },
      assumptions(
        [
          'Programme B’s premium ends with the payment that leaves 80 % of the price owed.',
          'Cost over the stay is interest and premiums, with what was added to the loan counted once.',
        ],
        [
          'La prime du programme B prend fin avec le versement qui laisse 80 % du prix à rembourser.',
          'Le coût pendant le séjour, ce sont les intérêts et les primes ; ce qui est ajouté au prêt compte une fois.',
        ],
      ),
    ],
    proofs: [
      proof(
        'defaults',
        '7 years under either programme',
        {},
        {
          'programme A.payment': '2149.80',
          'programme B.payment': '2149.24',
          'programme B.first insurance': '170.20',
          'both programmes.cheapest over the stay': 'Programme A',
          'both programmes.least cost over the stay': '124639.33',
          'cost until(programme A, stay)': '124639.33',
          'cost until(programme B, stay)': '127137.31',
          'paid until(programme B, stay)': '190407.76',
          'both programmes.turns': 'yes',
          'both programmes.turns after': '52',
        },
      ),
    ],
  })
