import type { CalculatorDocument } from '../document/document'
import {
  assumptions,
  CENT,
  endFigure,
  figure,
  frequency,
  interestFigure,
  loan,
  paymentFigure,
  readout,
  rich,
  schedule,
  t,
  working,
} from './build'
import { calculator, proof } from './whole'
import { downPayment, homePrice, loanTerm, ownersCosts, paymentWithCosts, rate } from './mortgage-payment'

/** The least down payment in steps of the price, and one premium by loan-to-value added to the loan. */
export const insuredPurchase = (): CalculatorDocument =>
  calculator({
    title: t('Down payment and mortgage insurance', 'Mise de fonds et assurance prêt'),
    introduction: rich(
      'With less than 20 % down the loan is insured, and the premium is added to it. See what that changes.',
      'Avec moins de 20 % de mise de fonds, le prêt est assuré et la prime s’y ajoute. Voyez ce que cela change.',
    ),
    steps: [
      homePrice(540_000),
      { ...downPayment('10'), leastBy: 'least down payment' },
      loanTerm(),
      rate(),
      frequency(),
      ...ownersCosts(),
      working('leastDown', 'least down payment', 'minimum down payment(home price, [500000], [5, 10])', {
        unit: 'money',
        note: '5 % of the first 500,000 and 10 % of the rest, up to the next cent.',
        shown: t('Least down payment', 'Mise de fonds minimale'),
      }),
      working('baseLoan', 'base loan', 'home price - down payment', {
        unit: 'money',
        shown: t('Price less down payment', 'Prix moins la mise de fonds'),
      }),
      working('loanToValue', 'loan to value', 'percent of(base loan, home price)', {
        unit: 'percent',
        shown: t('Share of the price you borrow', 'Part du prix empruntée'),
      }),
      {
        kind: 'lookUp',
        id: 'premiumRate',
        name: 'premium rate',
        sheet: 'insurance-premiums',
        keys: { loanToValue: 'loan to value' },
        on: '',
      },
      working('premium', 'insurance premium', 'base loan * premium rate', {
        unit: 'money',
        rounding: CENT,
        shown: t('Premium added to the loan', 'Prime ajoutée au prêt'),
      }),
      loan(
        'loan',
        'the loan',
        {
          principal: 'base loan + insurance premium',
          annualRate: 'rate',
          frequency: 'payment frequency',
          term: 'term',
        },
        { options: { compounding: 2 } },
      ),
      paymentFigure('the loan'),
      paymentWithCosts('the loan'),
      figure(
        'premiumFigure',
        'premium figure',
        t('Insurance premium', 'Prime d’assurance'),
        'insurance premium',
        t(
          'You borrow {loan to value} of the price; the premium is {premium rate} of the loan and is added to it.',
          'Vous empruntez {loan to value} du prix ; la prime est de {premium rate} du prêt et s’y ajoute.',
        ),
        { shownWhen: 'insurance premium > 0' },
      ),
      figure(
        'tooLittleDown',
        'too little down',
        t('Down payment still missing', 'Mise de fonds manquante'),
        'least down payment - down payment',
        t(
          'For this price at least {least down payment} has to be paid down.',
          'Pour ce prix, il faut une mise de fonds d’au moins {least down payment}.',
        ),
        { shownWhen: 'down payment < least down payment' },
      ),
      interestFigure('the loan'),
      endFigure('the loan'),
      {
        ...readout(
          'howWorkedOut',
          'how it was worked out',
          t('How this was worked out', 'Comment on y arrive'),
        ),
        shows: 'explanation',
      },
      schedule('loan'),
      assumptions(
        ['The premium is paid by borrowing it, not in cash.', 'Provincial tax on the premium is left out.'],
        ['La prime est empruntée et non payée comptant.', 'La taxe provinciale sur la prime est exclue.'],
      ),
    ],
    proofs: [
      proof(
        'tenPercent',
        '10 % down on 540,000',
        {},
        {
          'least down payment': '29000.00',
          'loan to value': '90',
          'insurance premium': '15066.00',
          'the loan.principal': '501066.00',
          'the loan.payment': '2812.40',
        },
      ),
      proof(
        'fifth',
        '20 % down needs no premium',
        { downPayment: { percent: '20' } },
        { 'insurance premium': '0.00', 'the loan.principal': '432000.00' },
      ),
    ],
  })
