import type { CalculatorDocument } from '../document/document'
import {
  assumptions,
  endFigure,
  figure,
  frequency,
  loan,
  money,
  paymentFigure,
  rich,
  schedule,
  t,
  term,
} from './build'
import { calculator, proof } from './whole'
import { rate } from './mortgage-payment'

/** A plain loan with an arrangement fee, and its cost in one figure. */
export const personalLoan = (): CalculatorDocument =>
  calculator({
    title: t('Personal loan', 'Prêt personnel'),
    introduction: rich(
      'What a loan costs, all of it in one figure.',
      'Ce que coûte un prêt, en un seul chiffre.',
    ),
    steps: [
      money(
        'amount',
        'amount',
        t('You borrow', 'Vous empruntez'),
        { default: 12_000, least: 500, most: 100_000, step: 100 },
        { slider: true },
      ),
      term('term', 'term', t('Paid back over', 'Remboursé sur'), {
        default: 4,
        least: 0.5,
        most: 10,
        step: 0.5,
      }),
      rate('8.9'),
      frequency(['monthly', 'biweekly', 'weekly']),
      money(
        'fee',
        'arrangement fee',
        t('Arrangement fee', 'Frais de dossier'),
        { default: 150, least: 0, most: 5_000, step: 10 },
        {
          required: false,
          help: t('Kept back from what is paid out to you.', 'Retenus sur ce qui vous est versé.'),
        },
      ),
      loan('loan', 'the loan', {
        principal: 'amount',
        annualRate: 'rate',
        frequency: 'payment frequency',
        term: 'term',
      }),
      paymentFigure('the loan'),
      figure(
        'apr',
        'annual percentage rate figure',
        t('Annual percentage rate', 'Taux annuel global'),
        'round(annual percentage rate(the loan, arrangement fee), 0.01)',
        t(
          'The rate and the fee together, as one yearly figure.',
          'Le taux et les frais ensemble, en un seul chiffre annuel.',
        ),
      ),
      figure(
        'cost',
        'cost of borrowing',
        t('What borrowing costs', 'Coût de l’emprunt'),
        'the loan.total interest + arrangement fee',
        t(
          '{the loan.total interest} interest and {arrangement fee} in fees.',
          '{the loan.total interest} d’intérêts et {arrangement fee} de frais.',
        ),
      ),
      endFigure('the loan'),
      schedule('loan'),
      assumptions(
        ['The annual percentage rate follows the actuarial method.'],
        ['Le taux annuel suit la méthode actuarielle.'],
      ),
    ],
    proofs: [
      proof(
        'defaults',
        '12,000 over four years',
        {},
        {
          'the loan.payment': '298.05',
          'the loan.total interest': '2306.46',
          'round(annual percentage rate(the loan, arrangement fee), 0.01)': '9.56',
        },
      ),
    ],
  })
