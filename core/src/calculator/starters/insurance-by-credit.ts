import type { CalculatorDocument } from '../document/document'
import type { ComparisonRow } from '../document/steps'
import type { CalculatorStep } from '../document/steps'
import {
  assumptions,
  choice,
  figure,
  loan,
  paymentFigure,
  readout,
  rich,
  schedule,
  sentence,
  t,
  working,
} from './build'
import { calculator, proof } from './whole'
import { downPayment, homePrice, loanTerm, rate } from './mortgage-payment'

const bands = [
  ['excellent', t('Excellent, 760 and above', 'Excellente, 760 et plus')],
  ['good', t('Good, 700 to 759', 'Bonne, 700 à 759')],
  ['fair', t('Fair, 640 to 699', 'Moyenne, 640 à 699')],
  ['building', t('Building, below 640', 'En construction, moins de 640')],
] as const

type Band = (typeof bands)[number][0]

const rows: ComparisonRow[] = [
  'payment',
  'paymentWithInsurance',
  'totalInsurance',
  'costOfBorrowing',
  'difference',
]

/** What all premiums of one band come to, less those of another. */
const saves = (from: Band, to: Band) => `${from} loan.total insurance - ${to} loan.total insurance`

/** A premium with every payment by loan-to-value and credit band, ending at 78 % of the value, all bands side by side. */
export const insuranceByCredit = (): CalculatorDocument =>
  calculator({
    title: t('Monthly mortgage insurance by credit band', 'Assurance mensuelle selon la cote de crédit'),
    introduction: rich(
      'See what each credit band would pay for the same home.',
      'Voyez ce que paierait chaque cote de crédit pour la même maison.',
    ),
    steps: [
      homePrice(),
      downPayment('10'),
      loanTerm(30),
      rate('5.9'),
      choice('credit', 'credit band', t('Your credit', 'Votre crédit'), {
        gives: 'name',
        options: bands.map(([name, label]) => ({ name, label, value: null })),
        default: 'good',
      }),
      working('amount', 'amount borrowed', 'home price - down payment', {
        unit: 'money',
        shown: t('You borrow', 'Vous empruntez'),
      }),
      working('loanToValue', 'loan to value', 'percent of(amount borrowed, home price)', {
        unit: 'percent',
        shown: t('Share of the price you borrow', 'Part du prix empruntée'),
      }),
      lookUp('yourRate', 'your insurance rate', 'credit band'),
      ...bands.map(([band]) => lookUp(`${band}Rate`, `rate for ${band}`.replace('for ', ''), `"${band}"`)),
      loan(
        'loan',
        'the loan',
        {
          principal: 'amount borrowed',
          annualRate: 'rate',
          frequency: '"monthly"',
          term: 'term',
          insuranceYearly: 'your insurance rate',
          insuranceValue: 'home price',
          insuranceUntil: '78',
        },
        { options: { insuranceBase: 'original' } },
      ),
      ...bands.map(([band]) =>
        loan(`${band}Loan`, `${band} loan`, { insuranceYearly: `rate ${band}` }, { as: 'loan' }),
      ),
      {
        kind: 'comparison',
        id: 'bands',
        name: 'credit bands',
        loans: bands.map(([band, label]) => ({ loan: `${band}Loan`, label })),
      },
      paymentFigure('the loan'),
      figure(
        'monthlyInsurance',
        'insurance with each payment',
        t('Mortgage insurance', 'Assurance prêt'),
        'the loan.first insurance',
        t(
          'On top of the payment, until you owe 78 % of the price: {the loan.total insurance} in all.',
          'En plus du versement, jusqu’à ce que vous deviez 78 % du prix : {the loan.total insurance} en tout.',
        ),
      ),
      {
        ...readout(
          'bandsBeside',
          'bands side by side',
          t('The same home, by credit band', 'La même maison, selon la cote'),
        ),
        shows: 'comparison',
        comparison: 'bands',
        rows,
      },
      sentence(
        'steps',
        'what each step saves',
        t('What a better band would save', 'Ce qu’une meilleure cote ferait économiser'),
        t(
          `From building to fair you would save {${saves('building', 'fair')}} in all, from fair to good {${saves('fair', 'good')}}, and from good to excellent {${saves('good', 'excellent')}}.`,
          `De « en construction » à « moyenne », vous économiseriez {${saves('building', 'fair')}} en tout, de « moyenne » à « bonne » {${saves('fair', 'good')}}, et de « bonne » à « excellente » {${saves('good', 'excellent')}}.`,
        ),
        'building loan.total insurance > 0',
      ),
      schedule('loan', { columns: ['principal', 'interest', 'insurance', 'balance'] }),
      assumptions(
        [
          'The premium is a yearly percent of the amount borrowed, paid monthly.',
          'It ends with the payment that leaves 78 % of the price owed.',
        ],
        [
          'La prime est un pourcentage annuel du montant emprunté, payée chaque mois.',
          'Elle prend fin avec le versement qui laisse 78 % du prix à rembourser.',
        ],
      ),
    ],
    proofs: [
      proof(
        'good',
        'good credit, 10 % down',
        {},
        { 'the loan.first insurance': '117.59', 'the loan.payment': '2202.55', 'loan to value': '90' },
      ),
      proof('fair', 'fair credit, 10 % down', { credit: 'fair' }, { 'the loan.first insurance': '179.48' }),
      // 102 premiums each, by a program of its own: 290.88, 179.48, 117.59 and 86.65.
      proof(
        'steps',
        'what each band saves',
        {},
        {
          [saves('building', 'fair')]: '11362.80',
          [saves('fair', 'good')]: '6312.78',
          [saves('good', 'excellent')]: '3155.88',
        },
      ),
    ],
  })

const lookUp = (id: string, name: string, credit: string): CalculatorStep => ({
  kind: 'lookUp',
  id,
  name,
  sheet: 'insurance-by-credit',
  keys: { loanToValue: 'loan to value', credit },
  on: '',
})
