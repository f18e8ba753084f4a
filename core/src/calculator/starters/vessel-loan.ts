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
        'fees',
        t('Fees and taxes, financed', 'Frais et taxes, financés'),
        { default: 1_240, least: 0, most: 200_000, step: 10 },
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
        'max(price - cash down - trade value + owed on trade + fees, 0)',
        {
          unit: 'money',
          shown: t('Price less cash and trade-in, plus fees', 'Prix moins comptant et reprise, plus frais'),
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
        'the loan.total interest',
        t(
          'You borrow {amount to finance}; {balloon} is left at the end.',
          'Vous empruntez {amount to finance} ; il reste {balloon} à la fin.',
        ),
      ),
      endFigure('the loan'),
      {
        ...readout('explained', 'how it was worked out', t('How this was worked out', 'Comment on y arrive')),
        shows: 'explanation',
      },
      schedule('loan'),
      assumptions([], []),
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
        },
      ),
      proof('balloon', '20,000 left at the end', { balloon: 20_000_00 }, { 'the loan.payment': '686.79' }),
    ],
  })
