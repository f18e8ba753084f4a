import type { CalculatorDocument } from '../document/document'
import { assumptions, figure, loan, money, paymentFigure, percent, rich, schedule, t, term } from './build'
import { calculator, proof } from './whole'
import { rate } from './mortgage-payment'

/** The payment from a rate and an initial yearly repayment percent, with the balance at the end of the fixed period. */
export const initialRepayment = (): CalculatorDocument =>
  calculator({
    title: t('Payment from an initial repayment', 'Versement selon un remboursement initial'),
    introduction: rich(
      'Quoted as a rate and a first-year repayment, both in percent of the loan.',
      'Exprimé par un taux et un remboursement de première année, en pourcentage du prêt.',
    ),
    steps: [
      money(
        'amount',
        'amount',
        t('You borrow', 'Vous empruntez'),
        { default: 280_000, least: 10_000, most: 5_000_000, step: 1_000 },
        { slider: true },
      ),
      rate('3.85'),
      percent(
        'repayment',
        'initial repayment',
        t('Repayment in the first year', 'Remboursement de la première année'),
        { default: '2', least: '0.5', most: '20', step: '0.1' },
        { slider: true },
      ),
      term('fixed', 'fixed period', t('Rate fixed for', 'Taux fixe pendant'), {
        default: 10,
        least: 1,
        most: 30,
      }),
      loan('loan', 'the loan', {
        principal: 'amount',
        annualRate: 'rate',
        frequency: '"monthly"',
        initialRepayment: 'initial repayment',
      }),
      paymentFigure('the loan'),
      figure(
        'left',
        'balance at the end of the fixed period',
        t('Left when the rate ends', 'Solde à la fin du taux'),
        'balance after(loan: the loan, years: fixed period)',
        t(
          'After {fixed period} you would have repaid {principal to(loan: the loan, years: fixed period)}.',
          'Après {fixed period}, vous auriez remboursé {principal to(loan: the loan, years: fixed period)}.',
        ),
      ),
      figure(
        'length',
        'time to the end',
        t('At this payment you would be done in', 'À ce versement, vous auriez fini en'),
        'the loan.length',
        t('The payment decides how long it takes.', 'C’est le versement qui décide de la durée.'),
      ),
      schedule('loan'),
      assumptions(
        ['The payment stays the same; the rate is assumed to stay after the fixed period.'],
        ['Le versement reste le même ; le taux est supposé rester après la période fixe.'],
      ),
    ],
    proofs: [
      proof(
        'defaults',
        '3.85 % and 2 %',
        {},
        {
          'the loan.payment': '1365.00',
          'balance after(loan: the loan, years: fixed period)': '211824.14',
          'the loan.payments': '336',
        },
      ),
    ],
  })
