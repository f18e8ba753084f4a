import type { CalculatorDocument } from '../document/document'
import {
  assumptions,
  choice,
  endFigure,
  figure,
  interestFigure,
  loan,
  money,
  number,
  paymentFigure,
  rich,
  schedule,
  t,
  term,
} from './build'
import { calculator, proof } from './whole'
import { rate } from './mortgage-payment'

/** Study time without regular payments, then 30-day cycles on a 365-day year. */
export const studyLoan = (): CalculatorDocument =>
  calculator({
    title: t('Study loan', 'Prêt étudiant'),
    introduction: rich(
      'Borrow for your training now, pay it back when you work.',
      'Empruntez pour votre formation maintenant, remboursez quand vous travaillez.',
    ),
    steps: [
      money(
        'amount',
        'amount',
        t('You borrow', 'Vous empruntez'),
        { default: 18_400, least: 500, most: 200_000, step: 100 },
        { slider: true },
      ),
      rate('5.5'),
      number(
        'grace',
        'months without payments',
        t('Months before you pay', 'Mois avant de payer'),
        { default: 18, least: 0, most: 60, step: 1 },
        { counts: 'payments', slider: true },
      ),
      choice('during', 'during that time', t('During that time', 'Pendant ce temps'), {
        gives: 'name',
        options: [
          {
            name: 'added',
            label: t('interest is added to the loan', 'les intérêts s’ajoutent au prêt'),
            value: null,
          },
          { name: 'paid', label: t('I pay the interest', 'je paie les intérêts'), value: null },
        ],
        default: 'added',
      }),
      term('term', 'term', t('Then paid back over', 'Puis remboursé sur'), {
        default: 10,
        least: 1,
        most: 20,
      }),
      loan(
        'loan',
        'the loan',
        {
          principal: 'amount',
          annualRate: 'rate',
          frequency: '"monthly"',
          term: 'term',
          gracePayments: 'months without payments',
          gracePaid: 'during that time = "paid"',
        },
        { options: { dayCount: 'thirtyOver365', graceInterest: 'addedSimple' } },
      ),
      loan('added', 'interest added', { gracePaid: 'false' }, { as: 'loan' }),
      loan('paid', 'interest paid', { gracePaid: 'true' }, { as: 'loan' }),
      paymentFigure('the loan', t('Later you would pay', 'Plus tard vous paieriez')),
      figure(
        'price',
        'price of waiting',
        t('What adding the interest costs', 'Ce que coûte l’ajout des intérêts'),
        'interest added.total interest - interest paid.total interest',
        t(
          'More interest in all than if you pay it as you go.',
          'D’intérêts en plus que si vous les payez au fur et à mesure.',
        ),
        { shownWhen: 'months without payments > 0' },
      ),
      interestFigure('the loan'),
      endFigure('the loan'),
      schedule('loan'),
      assumptions([], []),
    ],
    proofs: [
      proof(
        'defaults',
        '18,400 after 18 months',
        {},
        {
          'the loan.payment': '216.16',
          'interest added.payment': '216.16',
          'interest added.total interest': '7421.57',
          'interest paid.payment': '199.69',
        },
      ),
      proof('paid', 'its interest paid meanwhile', { during: 'paid' }, { 'the loan.payment': '199.69' }),
    ],
  })
