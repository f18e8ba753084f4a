import type { CalculatorDocument } from '../document/document'
import { assumptions, figure, loan, percent, readout, rich, schedule, t, term } from './build'
import { calculator, proof } from './whole'
import { downPayment, homePrice, loanTerm, rate } from './mortgage-payment'

/** A home's value growing, what is owed on it, and what is the owner's after some years. */
export const equityStarter = (): CalculatorDocument =>
  calculator({
    title: t('What is yours after some years', 'Ce qui est à vous après quelques années'),
    introduction: rich(
      'The home grows, the loan shrinks: what is left is yours.',
      'La maison prend de la valeur, le prêt diminue : la différence est à vous.',
    ),
    steps: [
      homePrice(),
      downPayment('15'),
      loanTerm(),
      rate(),
      percent(
        'growth',
        'growth',
        t('The home grows by, a year', 'La maison prend, par an'),
        { default: '2', least: '0', most: '20', step: '0.25' },
        { slider: true },
      ),
      term('after', 'years to look ahead', t('Look ahead', 'Regarder dans'), {
        default: 8,
        least: 1,
        most: 30,
      }),
      loan(
        'loan',
        'the loan',
        { principal: 'home price - down payment', annualRate: 'rate', frequency: '"monthly"', term: 'term' },
        { options: { compounding: 2 } },
      ),
      {
        kind: 'equity',
        id: 'stake',
        name: 'your stake',
        loan: 'loan',
        terms: { value: 'home price', growth: 'growth', after: 'years to look ahead' },
      },
      figure(
        'yours',
        'what is yours',
        t('Yours by then', 'À vous à ce moment'),
        'your stake.equity',
        t(
          'The home would be worth {your stake.value}; you would owe {your stake.balance}.',
          'La maison vaudrait {your stake.value} ; vous devriez {your stake.balance}.',
        ),
        {
          headline: true,
        },
      ),
      {
        ...readout('worth', 'worth then', t('What the home would be worth', 'Ce que vaudrait la maison')),
        shows: 'meter',
        parts: [
          { label: t('yours', 'à vous'), amount: 'max(your stake.equity, 0)' },
          { label: t('still owed', 'encore dû'), amount: 'min(your stake.balance, your stake.value)' },
        ],
        sentence: t('', ''),
      },
      figure(
        'interestShare',
        'share that went to interest',
        t('Of what you paid, interest took', 'De ce que vous avez payé, les intérêts ont pris'),
        'round(your stake.interest share, 0.1)',
        t(
          '{your stake.interest paid} after {years to look ahead}.',
          '{your stake.interest paid} après {years to look ahead}.',
        ),
      ),
      {
        ...readout(
          'balances',
          'balance over time',
          t('What you owe over time', 'Ce que vous devez au fil du temps'),
        ),
        shows: 'chart',
        chart: 'balance',
        loans: [{ loan: 'loan', label: t('still owed', 'encore dû') }],
        ladder: null,
      },
      schedule('loan'),
      assumptions(
        ['The value grows by the same percent every year.'],
        ['La valeur augmente du même pourcentage chaque année.'],
      ),
    ],
    proofs: [
      proof(
        'defaults',
        'after 8 years at 2 %',
        {},
        {
          'your stake.value': '483426.66',
          'your stake.balance': '278323.21',
          'your stake.equity': '205103.45',
        },
      ),
    ],
  })
