import type { CalculatorDocument, LoanOptions } from '@vivid/core'
import type { ShippedStyle } from '../authoring/house-styles/shipped-styles'
import { hebrewTexts } from './demo-hebrew'
import { proofsOf } from './demo-proofs'
import { made, texts, withAnswers } from './made'

/** A calculator of the demo lender: its draft, and the documents of the editions it has had, oldest first. */
export interface DemoCalculator {
  readonly slug: string
  readonly draft: CalculatorDocument
  readonly editedBy: string
  /** Days before today on which the draft was last changed. */
  readonly editedDaysAgo: number
  readonly editions: readonly {
    readonly document: CalculatorDocument
    readonly daysAgo: number
    readonly approvedBy: string
    readonly note?: string
  }[]
  /** The newest edition is approved and waits: it goes live so many days from now, at nine. */
  readonly newestInDays?: number
  readonly ends: 'draft' | 'sent' | 'live' | 'takenDown'
  /** What its author said when sending it. */
  readonly sentNote?: string
  /** The lender's own where nothing is said. */
  readonly style?: ShippedStyle
}

const [ines, rasmus] = ['ines@larkmoor.example', 'rasmus@larkmoor.example']
const [odile, kofi] = ['odile@larkmoor.example', 'kofi@larkmoor.example']

const floatingHome = (
  rate: string,
  introduction = 'See what a floating home would cost you, and where each payment goes.',
) =>
  withAnswers(
    made(
      {
        title: 'Floating home mortgage',
        titleFrench: 'Hypothèque pour maison flottante',
        introduction,
        introductionFrench: 'Voyez ce que coûterait une maison flottante, et où va chaque versement.',
        proofs: proofsOf.floatingHome,
      },
      {
        homePrice: { label: 'Price of the floating home', least: 60_000_00, most: 2_000_000_00 },
        rate: { default: rate, help: 'Our rate today for five years fixed. Type another to try it out.' },
        frequency: { default: 'biweekly' },
      },
    ),
    'Priya and Tom, first floating home',
    { homePrice: 412_600_00, downPayment: { percent: '15' }, frequency: 'biweekly' },
  )

const narrowboat = (most: number, compounding: LoanOptions['compounding'], introduction: string) =>
  withAnswers(
    made(
      {
        title: 'Narrowboat loan',
        currency: 'GBP',
        only: 'en-GB',
        introduction,
        proofs: proofsOf.narrowboat(compounding),
      },
      {
        homePrice: {
          label: 'Price of the boat',
          help: 'With engine and fitting out.',
          default: 86_500_00,
          least: 8_000_00,
          most,
          step: 500_00,
        },
        downPayment: { label: 'Your deposit', default: { percent: '20' }, least: { percent: '10' } },
        term: { default: { years: 12, months: 0 }, most: { years: 20, months: 0 } },
        rate: { default: '7.9', least: '0', most: '30' },
        frequency: { options: ['monthly', 'weekly', 'quarterly'], default: 'monthly' },
        loan: { options: { compounding } },
        schedule: {
          by: 'payment',
          columns: ['payment', 'principal', 'interest', 'balance'],
          label: 'Payment by payment',
        },
      },
    ),
    'Second-hand boat, 12 years',
    {
      homePrice: 86_500_00,
      downPayment: { percent: '20' },
      term: { years: 12, months: 0 },
      rate: '7.9',
      frequency: 'monthly',
    },
  )

const houseboat = withAnswers(
  made(
    {
      title: 'Backwater houseboat loan',
      currency: 'INR',
      only: 'en-IN',
      introduction: 'What a houseboat costs each month.',
      proofs: proofsOf.houseboat,
    },
    {
      homePrice: {
        label: 'Price of the houseboat',
        default: 48_50_000_00,
        least: 5_00_000_00,
        most: 3_00_00_000_00,
        step: 50_000_00,
      },
      rate: { default: '9.25' },
      term: { default: { years: 15, months: 0 } },
      frequency: { options: ['monthly', 'quarterly'], default: 'monthly' },
      loan: { options: { compounding: 12 } },
    },
  ),
  'Family houseboat',
  { homePrice: 48_50_000_00, rate: '9.25', term: { years: 15, months: 0 }, frequency: 'monthly' },
)

const teahouse = withAnswers(
  made(
    { title: 'Tidewater teahouse loan', currency: 'JPY', only: 'en-JP', proofs: proofsOf.teahouse },
    {
      homePrice: {
        label: 'Price of the teahouse',
        default: 38_000_000,
        least: 2_000_000,
        most: 300_000_000,
        step: 100_000,
      },
      rate: { default: '1.35' },
      frequency: { options: ['monthly', 'halfYearly', 'yearly'], default: 'monthly' },
      loan: { options: { compounding: 12 } },
    },
  ),
  'Pier-side teahouse',
  { homePrice: 38_000_000, rate: '1.35', frequency: 'monthly' },
)

const boathouse = made(
  {
    title: 'Boathouse mortgage',
    introduction: 'For a boathouse with or without living space above.',
    proofs: proofsOf.boathouse,
  },
  { homePrice: { label: 'Price of the boathouse', default: 268_000_00 }, rate: { default: '5.15' } },
)

const lockCottage = made(
  { title: 'Lock-keeper’s cottage' },
  { rate: { default: '25', help: 'Still to be agreed with the treasury.' } },
)

const winterBerth = made(
  { title: 'Winter berth purchase', proofs: proofsOf.winterBerth },
  {
    homePrice: { label: 'Price of the berth', default: 74_000_00, least: 10_000_00, most: 400_000_00 },
    rate: { default: '6.4' },
  },
)

const insured = withAnswers(
  made(
    { title: 'First floating home, insured', titleFrench: 'Première maison flottante, assurée' },
    {},
    'insured-purchase',
  ),
  'Noor, 10 % down',
  {},
)

const mooring = made(
  {
    title: 'Renew your mooring mortgage',
    titleFrench: 'Renouveler votre prêt d’amarrage',
    meanings: [
      {
        id: 'fixedPeriod',
        word: texts('fixed period', 'période fixe'),
        meaning: texts(
          'The years for which your rate is agreed. After them you renew at the rate of that day, or pay back what is still owed.',
          'Les années pour lesquelles votre taux est convenu. Ensuite, vous renouvelez au taux du jour, ou remboursez ce qui reste dû.',
        ),
      },
    ],
  },
  {},
  'rate-change',
)

const afford = made(
  { title: 'What floating home can you afford?', titleFrench: 'Quelle maison flottante vous offrir ?' },
  {},
  'affordability',
)

const skipper = made(
  { title: 'Skipper training loan', titleFrench: 'Prêt de formation de capitaine' },
  {},
  'study-loan',
)

const engine = made({ title: 'Marine engine loan', titleFrench: 'Prêt pour moteur marin' }, {}, 'vessel-loan')

const offers = made(
  { title: 'Which offer for the boat?', titleFrench: 'Quelle offre pour le bateau ?' },
  {},
  'compare-loans',
)

const ladder = made(
  { title: 'Boathouse rates at a glance', titleFrench: 'Taux des remises à bateaux en un coup d’œil' },
  {},
  'rate-ladder',
)

const replace = made(
  { title: 'Replace your boat loan', titleFrench: 'Remplacer votre prêt bateau' },
  {},
  'refinance',
)

const payOff = made(
  { title: 'Paying off what you owe on the boat', titleFrench: 'Rembourser ce que vous devez sur le bateau' },
  {},
  'several-loans',
)

const harbourHome = withAnswers(
  made(
    {
      title: 'הלוואה לבית על המים',
      introduction: 'כמה יעלה בית על המים, ולאן הולך כל תשלום.',
      currency: 'ILS',
      only: 'he-IL',
      contact: { 'en-CA': 'טלפון 555-0142, או ברציף 4 בין שמונה לשש.' },
      proofs: proofsOf.harbourHome,
      disclosure: 'זו המחשה ולא הצעה. ריביות ועמלות יכולות להשתנות עד החתימה.',
      nextSteps:
        'שמרו את המספרים האלה, כקישור או כקובץ. אחר כך דברו עם האנשים שלנו: הם בודקים מה מתאים לכם וכותבים זאת. שום דבר אינו מוסכם לפני החתימה.',
    },
    hebrewTexts,
  ),
  'מירב ודן',
  {},
)

const liveaboard = made(
  { title: 'Liveaboard mortgage, insured', titleFrench: 'Prêt assuré pour vivre à bord' },
  {},
  'insured-purchase',
)

const once = (
  slug: string,
  draft: CalculatorDocument,
  daysAgo: number,
  editedBy: string,
  approvedBy: string,
  style: ShippedStyle = 'larkmoor',
): DemoCalculator => ({
  slug,
  draft,
  editedBy,
  editedDaysAgo: daysAgo,
  editions: [{ document: draft, daysAgo, approvedBy }],
  ends: 'live',
  style,
})

export const demoCalculators: readonly DemoCalculator[] = [
  {
    slug: 'floating-home-mortgage',
    draft: floatingHome('4.64'),
    editedBy: ines,
    editedDaysAgo: 22,
    editions: [
      { document: floatingHome('5.09', 'What would a floating home cost?'), daysAgo: 141, approvedBy: kofi },
      { document: floatingHome('4.89'), daysAgo: 76, approvedBy: odile },
      {
        document: floatingHome('4.64'),
        daysAgo: 22,
        approvedBy: odile,
        note: 'The five-year rate falls to 4.64 % on Monday.',
      },
    ],
    ends: 'live',
  },
  {
    slug: 'narrowboat-loan',
    draft: narrowboat(250_000_00, 1, 'For a boat to live aboard, new or second-hand, up to £250,000.'),
    editedBy: rasmus,
    editedDaysAgo: 1,
    editions: [
      {
        document: narrowboat(180_000_00, 'perPayment', 'For a boat to live aboard, new or second-hand.'),
        daysAgo: 58,
        approvedBy: odile,
      },
    ],
    ends: 'sent',
    sentNote: 'Dearer boats, and interest compounded once a year, as decided on Thursday.',
  },
  {
    slug: 'boathouse-mortgage',
    draft: boathouse,
    editedBy: ines,
    editedDaysAgo: 1,
    editions: [],
    ends: 'sent',
    sentNote: 'New for the spring: the rate is the treasury’s of last Monday.',
  },
  {
    slug: 'backwater-houseboat-loan',
    draft: houseboat,
    editedBy: rasmus,
    editedDaysAgo: 34,
    editions: [{ document: houseboat, daysAgo: 33, approvedBy: kofi }],
    ends: 'live',
  },
  {
    slug: 'tidewater-teahouse-loan',
    draft: teahouse,
    editedBy: rasmus,
    editedDaysAgo: 5,
    editions: [],
    ends: 'draft',
  },
  {
    slug: 'lock-keepers-cottage',
    draft: lockCottage,
    editedBy: ines,
    editedDaysAgo: 8,
    editions: [],
    ends: 'draft',
  },
  {
    slug: 'winter-berth-purchase',
    draft: winterBerth,
    editedBy: ines,
    editedDaysAgo: 190,
    editions: [{ document: winterBerth, daysAgo: 188, approvedBy: kofi }],
    ends: 'takenDown',
  },
  {
    slug: 'first-floating-home-insured',
    draft: insured,
    editedBy: ines,
    editedDaysAgo: 3,
    editions: [],
    ends: 'draft',
  },
  once('liveaboard-mortgage-insured', liveaboard, 37, ines, kofi),
  once('renew-your-mooring-mortgage', mooring, 12, rasmus, kofi),
  once('what-floating-home-can-you-afford', afford, 19, ines, odile),
  once('skipper-training-loan', skipper, 27, rasmus, odile, 'chandler'),
  once('marine-engine-loan', engine, 45, ines, kofi, 'nightwatch'),
  once('harbour-home-loan', harbourHome, 9, rasmus, kofi),
  {
    slug: 'which-offer-for-the-boat',
    draft: { ...offers, results: 'onButton' },
    editedBy: ines,
    editedDaysAgo: 2,
    editions: [
      { document: offers, daysAgo: 31, approvedBy: odile },
      {
        document: { ...offers, results: 'onButton' },
        daysAgo: 1,
        approvedBy: odile,
        note: 'From Monday the offers are compared once asked for, as the branches do.',
      },
    ],
    newestInDays: 4,
    ends: 'live',
    style: 'chandler',
  },
  once('boathouse-rates-at-a-glance', ladder, 16, rasmus, odile),
  once('replace-your-boat-loan', replace, 24, ines, kofi, 'nightwatch'),
  once('paying-off-the-boat', payOff, 14, ines, odile),
]
