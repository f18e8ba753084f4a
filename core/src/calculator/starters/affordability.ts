import type { CalculatorDocument } from '../document/document'
import type { CalculatorStep, StepOf } from '../document/steps'
import { assumptions, figure, money, percent, readout, rich, section, sentence, t } from './build'
import { calculator, proof } from './whole'
import { downPayment, homePrice, loanTerm, rate } from './mortgage-payment'

const household: CalculatorStep[] = [
  money(
    'debts',
    'other debts',
    t('Other debts', 'Autres dettes'),
    { default: 250, least: 0, most: 20_000, step: 10 },
    { per: 'month', help: t('Car loans, cards, support.', 'Auto, cartes, pensions.') },
  ),
  section('homeCosts', t('What the home costs', 'Ce que coûte la maison')),
  percent(
    'tax',
    'property tax',
    t('Property tax, a year', 'Taxe foncière, par an'),
    { default: '0.8', least: '0', most: '5', step: '0.05' },
    { help: t('As a percent of the price.', 'En pourcentage du prix.') },
  ),
  money(
    'insurance',
    'home insurance',
    t('Home insurance', 'Assurance habitation'),
    { default: 1_200, least: 0, most: 60_000, step: 50, usual: [400, 6_000] },
    { per: 'year' },
  ),
  money(
    'dues',
    'mooring dues',
    t('Mooring dues', 'Droits d’amarrage'),
    { default: 90, least: 0, most: 5_000, step: 10 },
    { per: 'month' },
  ),
  section('loanTerms', t('The loan', 'Le prêt')),
]

const terms: StepOf<'affordability'>['terms'] = {
  monthlyDebts: 'other debts',
  housingLimit: '39',
  debtLimit: '44',
  annualRate: 'rate',
  qualifyingRate: 'max(rate + 2, 5.25)',
  term: 'term',
  propertyTax: 'property tax',
  homeInsurance: 'home insurance',
  dues: 'mooring dues',
  downPayment: 'down payment',
  roundTo: '1',
}

const parts = [
  { label: t('loan payment', 'versement du prêt'), amount: 'the budget.payment' },
  { label: t('property tax', 'taxe foncière'), amount: 'the budget.property tax' },
  { label: t('home insurance', 'assurance habitation'), amount: 'the budget.home insurance' },
  { label: t('dues', 'droits'), amount: 'the budget.dues' },
]

const limits = (income: string, incomeFrench: string): CalculatorStep[] => [
  sentence(
    'limitHousing',
    'housing limit binds',
    t('What decides', 'Ce qui décide'),
    t(
      `Housing costs decide: they would take {round(the budget.housing share, 0.01)} of ${income}, tested at the higher rate.`,
      `Le coût du logement décide : il prendrait {round(the budget.housing share, 0.01)} ${incomeFrench}, au taux d’admissibilité.`,
    ),
    'the budget.limit = "housing"',
  ),
  sentence(
    'limitDebts',
    'debt limit binds',
    t('What decides', 'Ce qui décide'),
    t(
      `All debts together decide: they would take {round(the budget.debt share, 0.01)} of ${income}, tested at the higher rate.`,
      `L’ensemble des dettes décide : elles prendraient {round(the budget.debt share, 0.01)} ${incomeFrench}, au taux d’admissibilité.`,
    ),
    'the budget.limit != "housing"',
  ),
]

const whatIncomeAllows: CalculatorStep = {
  ...readout('allowed', 'what income allows', t('What income allows', 'Ce que le revenu permet')),
  shows: 'chart',
  chart: 'limits',
  loans: [],
  ladder: null,
  of: 'budget',
}

const assumed = assumptions(
  [
    'Housing costs may take 39 %, all debts 44 % of gross income.',
    'The limits are tested at your rate plus 2 %, and at 5.25 % at least.',
  ],
  [
    'Le logement peut prendre 39 % et l’ensemble des dettes 44 % du revenu brut.',
    'Les limites sont vérifiées à votre taux plus 2 %, et à 5,25 % au moins.',
  ],
)

/** The highest price from an income, debts and what the home costs. */
export const affordablePriceStarter = (): CalculatorDocument =>
  calculator({
    title: t('What can I afford?', 'Que puis-je m’offrir ?'),
    introduction: rich(
      'From what you earn and owe to the highest price a lender would go along with.',
      'De ce que vous gagnez et devez au prix le plus élevé qu’un prêteur accepterait.',
    ),
    steps: [
      money(
        'income',
        'gross income',
        t('Income before tax', 'Revenu brut'),
        { default: 96_000, least: 1_000, most: 5_000_000, step: 1_000, usual: [15_000, 900_000] },
        { per: 'year', slider: false },
      ),
      ...household.slice(0, 1),
      money('savings', 'down payment', t('Down payment', 'Mise de fonds'), {
        default: 60_000,
        least: 0,
        most: 5_000_000,
        step: 1_000,
      }),
      ...household.slice(1),
      loanTerm(),
      rate(),
      {
        kind: 'affordability',
        id: 'budget',
        name: 'the budget',
        find: 'price',
        terms: { ...terms, income: 'gross income' },
        compounding: 2,
      },
      figure(
        'highestPrice',
        'highest price',
        t('The highest price', 'Le prix le plus élevé'),
        'the budget.price',
        t(
          'With {down payment} down you would borrow {the budget.loan}.',
          'Avec {down payment} de mise de fonds, vous emprunteriez {the budget.loan}.',
        ),
        { headline: true },
      ),
      {
        ...readout(
          'monthly',
          'monthly costs',
          t('What it would cost a month', 'Ce que cela coûterait par mois'),
        ),
        shows: 'meter',
        parts,
        sentence: t(
          'At your own rate; the limits were tested at a higher one.',
          'À votre taux ; les limites ont été vérifiées à un taux plus élevé.',
        ),
      },
      whatIncomeAllows,
      ...limits('your income', 'de votre revenu'),
      assumed,
    ],
    proofs: [
      proof(
        'defaults',
        'income of 96,000',
        {},
        { 'the budget.price': '447919.00', 'the budget.payment': '2177.32', 'the budget.limit': 'housing' },
      ),
    ],
  })

/** The least income that qualifies for a price. */
export const incomeNeededStarter = (): CalculatorDocument =>
  calculator({
    title: t('Income needed for a price', 'Revenu nécessaire pour un prix'),
    introduction: rich(
      'What you would have to earn for the home you have in mind.',
      'Ce que vous devriez gagner pour la maison que vous envisagez.',
    ),
    steps: [
      homePrice(),
      downPayment('20'),
      ...household,
      loanTerm(),
      rate(),
      {
        kind: 'affordability',
        id: 'budget',
        name: 'the budget',
        find: 'income',
        terms: { ...terms, price: 'home price' },
        compounding: 2,
      },
      figure(
        'income',
        'income needed',
        t('You would need to earn', 'Il faudrait gagner'),
        'the budget.income',
        t(
          'A year before tax, with {other debts} of other debts a month.',
          'Par an avant impôt, avec {other debts} d’autres dettes par mois.',
        ),
        { headline: true },
      ),
      {
        ...readout(
          'monthly',
          'monthly costs',
          t('What the home costs a month', 'Ce que coûte la maison par mois'),
        ),
        shows: 'meter',
        parts,
        sentence: t('', ''),
      },
      whatIncomeAllows,
      ...limits('that income', 'de ce revenu'),
      assumed,
    ],
    proofs: [
      proof(
        'defaults',
        'home of 412,600',
        {},
        { 'the budget.income': '83204.00', 'the budget.limit': 'housing' },
      ),
    ],
  })
