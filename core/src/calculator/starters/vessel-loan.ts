import type { CalculatorDocument } from '../document/document'
import {
  assumptions,
  endFigure,
  figure,
  loan,
  money,
  paymentFigure,
  readout,
  rich,
  schedule,
  section,
  sentence,
  t,
  term,
  working,
} from './build'
import { calculator, proof } from './whole'
import { rate } from './mortgage-payment'

/** A vehicle or vessel: price, trade-in, fees that are financed, and an amount left at the end. */
export const vesselLoan = (): CalculatorDocument =>
  calculator({
    title: t('Boat or vehicle loan', 'Prêt bateau ou véhicule'),
    introduction: rich(
      'With what your old one is taken back for, the fees, and an amount left at the end if you like.',
      'Avec la reprise de l’ancien, les frais et, si vous le voulez, un solde à la fin.',
    ),
    steps: [
      money(
        'price',
        'price',
        t('Price', 'Prix'),
        { default: 68_500, least: 1_000, most: 2_000_000, step: 500 },
        { slider: true },
      ),
      money(
        'down',
        'cash down',
        t('Cash down', 'Comptant'),
        { default: 5_000, least: 0, most: 2_000_000, step: 500 },
        { required: false },
      ),
      section('old', t('Your old one', 'L’ancien')),
      money(
        'tradeIn',
        'trade value',
        t('Taken back for', 'Repris pour'),
        { default: 8_000, least: 0, most: 1_000_000, step: 500 },
        { required: false },
      ),
      money(
        'owed',
        'owed on trade',
        t('Still owed on it', 'Encore dû dessus'),
        { default: 0, least: 0, most: 1_000_000, step: 500 },
        { shownWhen: 'trade value > 0', whenHidden: 'nothing', required: false },
      ),
      section('loanSection', t('The loan', 'Le prêt')),
      money(
        'fees',
        'loan fees',
        t('Fees of the loan, financed', 'Frais du prêt, financés'),
        { default: 240, least: 0, most: 50_000, step: 10 },
        {
          required: false,
          help: t('What you pay for having the loan.', 'Ce que vous payez pour avoir le prêt.'),
        },
      ),
      money(
        'taxes',
        'taxes',
        t('Taxes and registration, financed', 'Taxes et immatriculation, financées'),
        { default: 1_000, least: 0, most: 200_000, step: 10 },
        { required: false },
      ),
      term('term', 'term', t('Paid back over', 'Remboursé sur'), { default: 7, least: 1, most: 20 }),
      rate('7.45'),
      money(
        'balloon',
        'balloon',
        t('Left at the end', 'Solde à la fin'),
        { default: 0, least: 0, most: 1_000_000, step: 500 },
        {
          required: false,
          help: t(
            'An amount still owed when the term ends; it lowers each payment.',
            'Un montant encore dû à la fin ; il réduit chaque versement.',
          ),
        },
      ),
      working(
        'amount',
        'amount to finance',
        'max(price - cash down - trade value + owed on trade + loan fees + taxes, 0)',
        {
          unit: 'money',
          shown: t(
            'Price less cash and trade-in, plus fees and taxes',
            'Prix moins comptant et reprise, plus frais et taxes',
          ),
        },
      ),
      loan('loan', 'the loan', {
        principal: 'amount to finance',
        annualRate: 'rate',
        frequency: '"monthly"',
        term: 'term',
        balloon: 'balloon',
      }),
      paymentFigure('the loan'),
      figure(
        'cost',
        'cost of borrowing',
        t('What borrowing costs', 'Coût de l’emprunt'),
        'the loan.total interest + loan fees',
        t(
          'You borrow {amount to finance}. Its interest is {the loan.total interest}, and its fees are {loan fees}.',
          'Vous empruntez {amount to finance}. Les intérêts sont de {the loan.total interest}, et les frais de {loan fees}.',
        ),
      ),
      sentence(
        'leftAtEnd',
        'what is left at the end',
        t('At the end', 'À la fin'),
        t('{balloon} is still owed when the term ends.', 'Il reste {balloon} à payer à la fin de la durée.'),
        'balloon > 0',
      ),
      figure(
        'apr',
        'annual percentage rate figure',
        t('Annual percentage rate', 'Taux annuel global'),
        'round(annual percentage rate(the loan, loan fees), 0.01)',
        t(
          'The rate and the fees of the loan together, as one yearly figure; taxes are part of the price.',
          'Le taux et les frais du prêt ensemble, en un seul chiffre annuel ; les taxes font partie du prix.',
        ),
        { shownWhen: 'amount to finance > loan fees' },
      ),
      endFigure('the loan'),
      {
        ...readout('explained', 'how it was worked out', t('How this was worked out', 'Comment on y arrive')),
        shows: 'explanation',
      },
      schedule('loan'),
      assumptions(
        ['The annual percentage rate follows the actuarial method.'],
        ['Le taux annuel suit la méthode actuarielle.'],
      ),
    ],
    proofs: [
      proof(
        'defaults',
        '68,500 with trade-in',
        {},
        {
          'amount to finance': '56740.00',
          'the loan.payment': '868.89',
          'the loan.total interest': '16247.26',
          // By bisection on 84 payments against 56,500.00 in hand.
          'round(annual percentage rate(the loan, loan fees), 0.01)': '7.58',
        },
      ),
      proof('balloon', '20,000 left at the end', { balloon: 20_000_00 }, { 'the loan.payment': '686.79' }),
    ],
  })
