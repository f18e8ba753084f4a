import type { CalculatorDocument } from '../document/document'
import type { CalculatorStep, ReadoutOf } from '../document/steps'
import {
  assumptions,
  endFigure,
  frequency,
  interestFigure,
  loan,
  money,
  partsOfPayment,
  paymentFigure,
  percent,
  readout,
  rich,
  schedule,
  sentence,
  share,
  t,
  term,
} from './build'
import { calculator, proof } from './whole'

export const homePrice = (byDefault = 412_600) =>
  money(
    'homePrice',
    'home price',
    t('Home price', 'Prix de la maison'),
    { default: byDefault, least: 60_000, most: 2_000_000, step: 1_000 },
    {
      slider: true,
      help: t(
        'What the seller asks, or what you mean to offer.',
        'Le prix demandé, ou celui que vous pensez offrir.',
      ),
    },
  )

export const downPayment = (byDefault = '15', least = '5') =>
  share(
    'downPayment',
    'down payment',
    t('Down payment', 'Mise de fonds'),
    {
      of: 'homePrice',
      default: { percent: byDefault },
      least: { percent: least },
      most: { percent: '100' },
      step: { percent: '1' },
    },
    {
      help: t(
        'What you pay yourself, as an amount or as a share of the price.',
        'Ce que vous payez vous-même, en argent ou en part du prix.',
      ),
    },
  )

export const loanTerm = (byDefault = 25, most = 30) =>
  term(
    'term',
    'term',
    t('Paid back over', 'Remboursé sur'),
    { default: byDefault, least: 1, most },
    {
      help: t(
        'A longer time lowers each payment and raises the interest you pay in all.',
        'Une durée plus longue réduit chaque versement et augmente le total des intérêts.',
      ),
    },
  )

export const rate = (byDefault = '4.64', label = t('Rate a year', 'Taux annuel')) =>
  percent(
    'rate',
    'rate',
    label,
    { default: byDefault, least: '0', most: '20', step: '0.05' },
    { slider: true, help: t('The yearly rate you were quoted.', 'Le taux annuel qui vous a été proposé.') },
  )

/** What a home costs its owner besides the loan, if the visitor knows it. */
export const ownersCosts = (): CalculatorStep[] => [
  money(
    'propertyTax',
    'property tax',
    t('Property tax', 'Taxe foncière'),
    { default: null, least: 0, most: 100_000, step: 50, usual: [300, 20_000] },
    { per: 'year', required: false },
  ),
  money(
    'homeInsurance',
    'home insurance',
    t('Home insurance', 'Assurance habitation'),
    { default: null, least: 0, most: 60_000, step: 50, usual: [400, 6_000] },
    { per: 'year', required: false },
  ),
]

/** The payment of a loan with what goes to tax and insurance each time; shown once one of them is given. */
export const paymentWithCosts = (loanName: string): ReadoutOf<'meter'> => ({
  ...readout(
    'withCosts',
    'payment with tax and insurance',
    t('With tax and insurance', 'Avec taxe et assurance'),
    'property tax + home insurance > 0',
  ),
  shows: 'meter',
  parts: [
    ...partsOfPayment(loanName),
    { label: t('property tax', 'taxe foncière'), amount: 'per payment(property tax, payment frequency)' },
    {
      label: t('home insurance', 'assurance habitation'),
      amount: 'per payment(home insurance, payment frequency)',
    },
  ],
  sentence: t(
    'What to put aside with each payment for a year’s tax and insurance.',
    'Ce qu’il faut mettre de côté à chaque versement pour la taxe et l’assurance d’une année.',
  ),
})

/** From a price, a down payment, a term, a rate and a frequency to what is paid. Half-yearly compounding. */
export const mortgagePayment = (): CalculatorDocument =>
  calculator({
    title: t('Mortgage payment', 'Versement hypothécaire'),
    introduction: rich(
      'See what you would pay, and where each payment goes.',
      'Voyez ce que vous paieriez, et où va chaque versement.',
    ),
    steps: [
      homePrice(),
      downPayment(),
      loanTerm(),
      rate(),
      frequency(),
      ...ownersCosts(),
      loan(
        'loan',
        'the loan',
        {
          principal: 'home price - down payment',
          annualRate: 'rate',
          frequency: 'payment frequency',
          term: 'term',
        },
        { options: { compounding: 2 } },
      ),
      { ...paymentFigure('the loan'), shownWhen: 'the loan.principal > 0' },
      paymentWithCosts('the loan'),
      { ...interestFigure('the loan'), shownWhen: 'the loan.principal > 0' },
      { ...endFigure('the loan'), shownWhen: 'the loan.principal > 0' },
      sentence(
        'nothingToBorrow',
        'nothing to borrow',
        t('Nothing to borrow', 'Rien à emprunter'),
        t(
          'There is nothing to borrow: your down payment covers the whole price.',
          'Il n’y a rien à emprunter : votre mise de fonds couvre tout le prix.',
        ),
        'the loan.principal = 0',
      ),
      schedule('loan', { shownWhen: 'the loan.principal > 0' }),
      assumptions(
        ['Property tax and home insurance are in the payment only where you give them.'],
        ['La taxe foncière et l’assurance habitation ne comptent que si vous les indiquez.'],
      ),
    ],
    proofs: [
      proof(
        'monthly',
        'monthly over 25 years',
        {},
        { 'the loan.payment': '1968.47', 'the loan.total interest': '239833.28', 'the loan.payments': '300' },
      ),
      proof(
        'biweekly',
        'every two weeks, 20 % down',
        { homePrice: 500_000_00, downPayment: { money: 100_000_00 }, rate: '5.2', frequency: 'biweekly' },
        { 'the loan.payment': '1093.59', 'the loan.payments': '650' },
      ),
    ],
  })
