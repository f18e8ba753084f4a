import type { CalculatorDocument } from '../document/document'
import { assumptions, figure, frequency, loan, money, rich, schedule, t } from './build'
import { calculator, proof } from './whole'
import { loanTerm, rate } from './mortgage-payment'
import { percent } from './build'

/** The price that keeps a payment at a given figure, the down payment a share of it. */
export const priceForPayment = (): CalculatorDocument =>
  calculator({
    title: t('What price for this payment?', 'Quel prix pour ce versement ?'),
    introduction: rich(
      'Start from what you can pay, and see the price it carries.',
      'Partez de ce que vous pouvez payer et voyez le prix que cela permet.',
    ),
    steps: [
      money(
        'payment',
        'wanted payment',
        t('You can pay', 'Vous pouvez payer'),
        { default: 1_800, least: 50, most: 100_000, step: 50 },
        { slider: false },
      ),
      frequency(['monthly', 'semiMonthly', 'biweekly', 'weekly']),
      percent(
        'down',
        'down payment share',
        t('Down payment, share of the price', 'Mise de fonds, part du prix'),
        { default: '20', least: '0', most: '90', step: '1' },
        { slider: true },
      ),
      loanTerm(),
      rate(),
      loan(
        'pattern',
        'the terms',
        { principal: '100000', annualRate: 'rate', frequency: 'payment frequency', term: 'term' },
        { options: { compounding: 2 } },
      ),
      {
        kind: 'aim',
        id: 'price',
        name: 'the price',
        find: 'price',
        loan: 'pattern',
        terms: { payment: 'wanted payment', downPayment: 'down payment share' },
      },
      loan(
        'loan',
        'the loan',
        { principal: 'the price.amount * (100 - down payment share)' },
        { as: 'pattern' },
      ),
      figure(
        'highest',
        'highest price',
        t('The price this carries', 'Le prix que cela permet'),
        'the price.amount',
        t(
          'With {down payment share} down, a loan of {the loan.principal} at {the loan.payment}.',
          'Avec {down payment share} de mise de fonds, un prêt de {the loan.principal} à {the loan.payment}.',
        ),
        { headline: true },
      ),
      figure(
        'interest',
        'interest in all',
        t('Interest in all', 'Total des intérêts'),
        'the loan.total interest',
        t('Over {the loan.length}.', 'Sur {the loan.length}.'),
      ),
      schedule('loan'),
      assumptions(
        ['Property tax, insurance and fees come on top.'],
        ['Les taxes, les assurances et les frais s’ajoutent.'],
      ),
    ],
    proofs: [
      proof(
        'defaults',
        '1,800 a month',
        {},
        { 'the price.amount': '400868.76', 'the loan.payment': '1800.00' },
      ),
    ],
  })
