import type { CalculatorDocument } from '../document/document'
import {
  assumptions,
  figure,
  loan,
  paymentFigure,
  percent,
  readout,
  rich,
  schedule,
  t,
  term,
  working,
} from './build'
import { calculator, proof } from './whole'
import { downPayment, homePrice, loanTerm, rate } from './mortgage-payment'

/** A fixed period followed by another rate: the balance left then, and the payment afterwards. */
export const rateChange = (): CalculatorDocument =>
  calculator({
    title: t('When the fixed period ends', 'À la fin de la période fixe'),
    introduction: rich(
      'What you still owe when your rate is renewed, and what you would pay then.',
      'Ce que vous devez encore au renouvellement, et ce que vous paieriez alors.',
    ),
    steps: [
      homePrice(),
      downPayment('20'),
      loanTerm(),
      rate('4.64', t('Rate in the fixed period', 'Taux de la période fixe')),
      term('fixed', 'fixed period', t('Fixed for', 'Fixe pendant'), { default: 5, least: 1, most: 10 }),
      percent(
        'laterRate',
        'later rate',
        t('Rate afterwards', 'Taux ensuite'),
        { default: '5.9', least: '0', most: '20', step: '0.05' },
        { slider: true },
      ),
      working('fixedPayments', 'payments while fixed', 'payments in(fixed period)', {
        unit: 'count',
      }),
      loan(
        'same',
        'at the same rate',
        { principal: 'home price - down payment', annualRate: 'rate', frequency: '"monthly"', term: 'term' },
        { options: { compounding: 2 } },
      ),
      loan(
        'changed',
        'with the new rate',
        {},
        {
          as: 'same',
          rateChanges: [{ fromPayment: 'payments while fixed + 1', annualRate: 'later rate', keep: 'term' }],
        },
      ),
      working('later', 'later payment', 'amount of payment(with the new rate, payments while fixed + 1)', {
        unit: 'money',
        shown: t('Payment after the change', 'Versement après le changement'),
      }),
      paymentFigure(
        'with the new rate',
        t('In the fixed period you would pay', 'Pendant la période fixe, vous paieriez'),
      ),
      figure(
        'laterFigure',
        'payment afterwards',
        t('Afterwards', 'Ensuite'),
        'later payment',
        t(
          'From payment {payments while fixed + 1}, at {later rate}.',
          'À partir du versement {payments while fixed + 1}, à {later rate}.',
        ),
      ),
      figure(
        'balanceThen',
        'balance at renewal',
        t('Still owed then', 'Encore dû à ce moment'),
        'balance after(with the new rate, payments while fixed)',
        t(
          'After {fixed period}; {interest to(with the new rate, payments while fixed)} of interest paid by then.',
          'Après {fixed period} ; {interest to(with the new rate, payments while fixed)} d’intérêts payés d’ici là.',
        ),
      ),
      {
        ...readout(
          'yearly',
          'interest and principal',
          t('Interest and principal each year', 'Intérêts et capital chaque année'),
        ),
        shows: 'chart',
        chart: 'yearly',
        loans: [{ loan: 'changed', label: t('with the new rate', 'avec le nouveau taux') }],
        ladder: null,
      },
      schedule('changed'),
      assumptions([], []),
    ],
    proofs: [
      proof(
        'defaults',
        '5 years fixed, then 5.9 %',
        {},
        {
          'with the new rate.payment': '1852.68',
          'later payment': '2052.40',
          'balance after(with the new rate, payments while fixed)': '290466.05',
        },
      ),
    ],
  })
