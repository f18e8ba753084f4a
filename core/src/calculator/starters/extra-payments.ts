import type { CalculatorDocument } from '../document/document'
import type { CalculatorStep } from '../document/steps'
import {
  assumptions,
  extra,
  figure,
  loan,
  money,
  number,
  paymentFigure,
  readout,
  rich,
  schedule,
  section,
  sentence,
  t,
  term,
  yesNo,
} from './build'
import { calculator, proof } from './whole'
import { rate } from './mortgage-payment'

/** What is owed today on a running loan, and how long it still runs. */
export const runningLoan = (): CalculatorStep[] => [
  money(
    'balance',
    'balance',
    t('What you owe today', 'Ce que vous devez aujourd’hui'),
    { default: 286_400, least: 500, most: 5_000_000, step: 1_000 },
    { slider: true },
  ),
  term('term', 'time left', t('Time left', 'Temps restant'), { default: 22, least: 0.5, most: 40 }),
  rate('5.19'),
]

export const asAgreed = loan(
  'agreed',
  'as agreed',
  {
    principal: 'balance',
    annualRate: 'rate',
    frequency: '"monthly"',
    term: 'time left',
  },
  { options: { compounding: 2 } },
)

/** An extra with every payment, one a year and a lump sum, against the loan as agreed. */
export const extraPayments = (): CalculatorDocument =>
  calculator({
    title: t('Extra payments and a lump sum', 'Paiements anticipés et somme forfaitaire'),
    introduction: rich(
      'What a little more each month, or once, would save you.',
      'Ce qu’un peu plus chaque mois, ou une seule fois, vous ferait économiser.',
    ),
    steps: [
      ...runningLoan(),
      section('extras', t('What you could add', 'Ce que vous pourriez ajouter')),
      money(
        'extra',
        'monthly extra',
        t('Extra each month', 'Supplément chaque mois'),
        { default: 150, least: 0, most: 50_000, step: 10 },
        { slider: false, required: false },
      ),
      money(
        'yearly',
        'yearly extra',
        t('Extra once a year', 'Supplément une fois par an'),
        { default: 0, least: 0, most: 500_000, step: 100 },
        { required: false },
      ),
      yesNo('hasLump', 'with a lump sum', t('A lump sum as well?', 'Une somme forfaitaire aussi ?'), false),
      money(
        'lump',
        'lump sum',
        t('Lump sum', 'Somme forfaitaire'),
        { default: 10_000, least: 0, most: 5_000_000, step: 500 },
        { shownWhen: 'with a lump sum', whenHidden: 'nothing' },
      ),
      number(
        'lumpAt',
        'lump sum with payment',
        t('With payment number', 'Avec le versement numéro'),
        { default: 12, least: 1, most: 480, step: 1 },
        { shownWhen: 'with a lump sum', whenHidden: 'default', counts: 'payments' },
      ),
      asAgreed,
      loan(
        'faster',
        'with extras',
        {},
        {
          as: 'agreed',
          extras: [
            extra('monthly extra'),
            extra('yearly extra', 'year', '12'),
            extra('lump sum', 'once', 'max(lump sum with payment, 1)'),
          ],
        },
      ),
      paymentFigure('as agreed', t('Your payment stays at', 'Votre versement reste à')),
      figure(
        'saved',
        'interest saved',
        t('Interest you would save', 'Intérêts économisés'),
        'as agreed.total interest - with extras.total interest',
        t(
          'Paid off {as agreed.length - with extras.length} sooner, in {with extras.length} instead of {as agreed.length}.',
          'Remboursé {as agreed.length - with extras.length} plus tôt, en {with extras.length} au lieu de {as agreed.length}.',
        ),
      ),
      figure(
        'honestNet',
        'all that is paid',
        t('All you would pay, extras included', 'Tout ce que vous paieriez, suppléments compris'),
        'with extras.total paid',
        t(
          'As agreed it would be {as agreed.total paid}.',
          'Comme convenu, ce serait {as agreed.total paid}.',
        ),
      ),
      sentence(
        'noExtra',
        'no extra yet',
        t('No extra yet', 'Pas encore de supplément'),
        t('Type an extra above to see what it does.', 'Indiquez un supplément pour voir son effet.'),
        'with extras.total extra = 0',
      ),
      {
        ...readout(
          'balances',
          'balance over time',
          t('What you owe over time', 'Ce que vous devez au fil du temps'),
        ),
        shows: 'chart',
        chart: 'balance',
        loans: [
          { loan: 'agreed', label: t('as agreed', 'comme convenu') },
          { loan: 'faster', label: t('with the extra', 'avec le supplément') },
        ],
        ladder: null,
      },
      schedule('faster', { columns: ['principal', 'extra', 'interest', 'balance'] }),
      assumptions([], []),
    ],
    proofs: [
      proof(
        'monthly',
        '150 more each month',
        {},
        {
          'as agreed.payment': '1812.67',
          'with extras.payments': '230',
          'with extras.total interest': '163716.19',
        },
      ),
      proof(
        'lump',
        'a lump sum of 10,000 with payment 12',
        { extra: 0, hasLump: true },
        { 'with extras.total extra': '10000.00', 'with extras.payments': '249' },
      ),
    ],
  })
