import type { CalculatorDocument } from '../document/document'
import type { Texts } from '../document/texts'
import {
  assumptions,
  CENT,
  choice,
  endFigure,
  figure,
  frequency,
  interestFigure,
  loan,
  paymentFigure,
  percent,
  readout,
  rich,
  schedule,
  t,
  working,
} from './build'
import { calculator, proof } from './whole'
import { downPayment, homePrice, loanTerm, ownersCosts, paymentWithCosts, rate } from './mortgage-payment'

/** The least down payment in steps of the price, and one premium by loan-to-value, added to the loan or paid at once with its tax. */
export const insuredPurchase = (): CalculatorDocument =>
  calculator({
    title: t('Down payment and mortgage insurance', 'Mise de fonds et assurance prêt'),
    introduction: rich(
      'With less than 20 % down the loan is insured. See what the premium changes, added to the loan or paid at once.',
      'Avec moins de 20 % de mise de fonds, le prêt est assuré. Voyez ce que change la prime, ajoutée au prêt ou payée comptant.',
    ),
    steps: [
      homePrice(540_000),
      { ...downPayment('10'), leastBy: 'least down payment' },
      loanTerm(),
      rate(),
      frequency(),
      choice('premiumPaid', 'premium paid', t('The insurance premium', 'La prime d’assurance'), {
        gives: 'name',
        options: [
          { name: 'added', label: t('added to the loan', 'ajoutée au prêt'), value: null },
          { name: 'atOnce', label: t('paid at once', 'payée comptant'), value: null },
        ],
        default: 'added',
      }),
      percent(
        'premiumTax',
        'tax rate on the premium',
        t('Tax on the premium', 'Taxe sur la prime'),
        { default: '8', least: '0', most: '20', step: '0.1' },
        {
          help: t(
            'Paid at once, never borrowed; 0 where there is none.',
            'Payée comptant, jamais empruntée ; 0 où il n’y en a pas.',
          ),
        },
      ),
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
        shown: t('Insurance premium', 'Prime d’assurance'),
      }),
      working(
        'premiumBorrowed',
        'premium borrowed',
        'if premium paid = "added" then insurance premium else 0',
        {
          unit: 'money',
        },
      ),
      working('premiumTaxAmount', 'tax on the premium', 'insurance premium * tax rate on the premium', {
        unit: 'money',
        rounding: CENT,
        shown: t('Tax on the premium', 'Taxe sur la prime'),
      }),
      working(
        'cashNeeded',
        'cash needed',
        'down payment + insurance premium - premium borrowed + tax on the premium',
        { unit: 'money', shown: t('Needed in cash', 'À payer comptant') },
      ),
      loan(
        'loan',
        'the loan',
        {
          principal: 'base loan + premium borrowed',
          annualRate: 'rate',
          frequency: 'payment frequency',
          term: 'term',
        },
        { options: { compounding: 2 } },
      ),
      {
        kind: 'ladder',
        id: 'byDownPayment',
        name: 'by down payment',
        over: 'answer',
        loan: 'loan',
        question: 'downPayment',
        terms: { downPayments: '[5, 10, 15, 20, 25]' },
      },
      paymentFigure('the loan'),
      paymentWithCosts('the loan'),
      figure(
        'premiumFigure',
        'premium figure',
        t('Insurance premium', 'Prime d’assurance'),
        'insurance premium',
        t(
          'You borrow {loan to value} of the price; the premium is {premium rate} of the loan.',
          'Vous empruntez {loan to value} du prix ; la prime est de {premium rate} du prêt.',
        ),
        { shownWhen: 'insurance premium > 0' },
      ),
      cash(
        'cashFigure',
        'cash figure',
        t(
          'The down payment of {down payment}, and the tax of {tax on the premium} on the premium.',
          'La mise de fonds de {down payment} et la taxe de {tax on the premium} sur la prime.',
        ),
        'insurance premium > 0 and premium paid = "added"',
      ),
      cash(
        'cashAtOnce',
        'cash figure at once',
        t(
          'The down payment of {down payment}, the premium of {insurance premium}, and its tax of {tax on the premium}.',
          'La mise de fonds de {down payment}, la prime de {insurance premium} et sa taxe de {tax on the premium}.',
        ),
        'insurance premium > 0 and premium paid = "atOnce"',
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
          'downPaymentsBeside',
          'down payments side by side',
          t('With another down payment', 'Avec une autre mise de fonds'),
        ),
        shows: 'ladder',
        ladder: 'byDownPayment',
      },
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
        ['The tax on the premium is paid in cash, on the day the loan begins.'],
        ['La taxe sur la prime est payée comptant, le jour où le prêt commence.'],
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
        { 'insurance premium': '0.00', 'the loan.principal': '432000.00', 'cash needed': '108000.00' },
      ),
      proof(
        'taxInCash',
        'the tax on a borrowed premium is paid in cash',
        {},
        { 'tax on the premium': '1205.28', 'cash needed': '55205.28' },
      ),
      proof(
        'premiumInCash',
        'a premium paid at once is not borrowed',
        { premiumPaid: 'atOnce' },
        { 'the loan.principal': '486000.00', 'cash needed': '70271.28' },
      ),
    ],
  })

/** What has to be there on the day, and what it is made of. */
const cash = (id: string, name: string, words: Texts, shownWhen: string) =>
  figure(id, name, t('Needed in cash', 'À payer comptant'), 'cash needed', words, { shownWhen })
