import type { CalculatorDocument } from '../document/document'
import { assumptions, figure, loan, money, rich, schedule, t, term, working } from './build'
import { calculator, proof } from './whole'
import { rate } from './mortgage-payment'

/** How long a payment takes to repay what is owed, and what extra would finish by a wanted time. */
export const howLong = (): CalculatorDocument =>
  calculator({
    title: t('How long at this payment?', 'Combien de temps à ce versement ?'),
    introduction: rich(
      'When you would be done, and what it takes to be done sooner.',
      'Quand vous auriez fini, et ce qu’il faut pour finir plus tôt.',
    ),
    steps: [
      money(
        'balance',
        'balance',
        t('What you owe', 'Ce que vous devez'),
        { default: 24_800, least: 100, most: 5_000_000, step: 100 },
        { slider: true },
      ),
      rate('6.9'),
      money('payment', 'monthly payment', t('You pay a month', 'Vous payez par mois'), {
        default: 420,
        least: 1,
        most: 100_000,
        step: 10,
      }),
      term('wanted', 'wanted time', t('You would like to be done in', 'Vous aimeriez finir en'), {
        default: 4,
        least: 0.5,
        most: 40,
        step: 0.5,
      }),
      working(
        'exactPayments',
        'payments exactly',
        'payments to repay(amount: balance, rate: rate, payment: monthly payment)',
        {
          unit: 'number',
          rounding: { how: 'nearest', to: '0.01' },
          shown: t('Number of payments, with its fraction', 'Nombre de versements, avec sa fraction'),
        },
      ),
      loan('loan', 'the loan', {
        principal: 'balance',
        annualRate: 'rate',
        frequency: '"monthly"',
        payment: 'monthly payment',
      }),
      {
        kind: 'aim',
        id: 'finish',
        name: 'to finish on time',
        find: 'extra',
        loan: 'loan',
        terms: { within: 'wanted time' },
      },
      figure(
        'length',
        'time to repay',
        t('You would be done in', 'Vous auriez fini en'),
        'the loan.length',
        t(
          '{the loan.payments} payments, the last of {the loan.last payment}, on {the loan.end date}. Interest in all: {the loan.total interest}.',
          '{the loan.payments} versements, le dernier de {the loan.last payment}, le {the loan.end date}. Total des intérêts : {the loan.total interest}.',
        ),
        { headline: true },
      ),
      figure(
        'extraNeeded',
        'extra needed',
        t('Extra each month to be done in time', 'Supplément mensuel pour finir à temps'),
        'to finish on time.amount',
        t(
          'On top of {monthly payment}, to be done within {wanted time}.',
          'En plus de {monthly payment}, pour finir en {wanted time}.',
        ),
      ),
      schedule('loan'),
      assumptions([], []),
    ],
    proofs: [
      proof(
        'defaults',
        '24,800 at 420 a month',
        {},
        {
          'the loan.payments': '73',
          'payments exactly': '72.35',
          'the loan.last payment': '145.29',
          'to finish on time.amount': '172.72',
        },
      ),
    ],
  })
