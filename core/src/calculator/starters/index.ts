import type { CalculatorDocument } from '../document/document'
import type { RateSheet } from '../document/sheets'
import type { Texts } from '../document/texts'
import { affordablePriceStarter, incomeNeededStarter } from './affordability'
import { compareLoansStarter } from './compare-loans'
import { equityStarter } from './equity'
import { extraPayments } from './extra-payments'
import { howLong } from './how-long'
import { initialRepayment } from './initial-repayment'
import { insuranceByCredit } from './insurance-by-credit'
import { insuredPurchase } from './insured-purchase'
import { mortgagePayment } from './mortgage-payment'
import { personalLoan } from './personal-loan'
import { priceForPayment } from './price-for-payment'
import { rateChange } from './rate-change'
import { rateLadder } from './rate-ladder'
import { refinanceStarter } from './refinance'
import { addedPremiums, monthlyPremiums } from './sheets'
import { runningLoan } from './running-loan'
import { severalLoans } from './several-loans'
import { studyLoan } from './study-loan'
import { twoProgrammes } from './two-programmes'
import { vesselLoan } from './vessel-loan'

export interface Starter {
  readonly id: string
  readonly title: string
  readonly purpose: string
  readonly make: () => CalculatorDocument
  /** The rate sheets it looks values up in. */
  readonly sheets: readonly RateSheet[]
}

const starter = (
  id: string,
  purpose: string,
  make: () => CalculatorDocument,
  sheets: readonly RateSheet[] = [],
): Starter => ({
  id,
  title: make().title['en-CA'] ?? id,
  purpose,
  make,
  sheets,
})

/** Ready-made calculators to begin from, each for one purpose, in English and French, with proofs of its own. */
export const starters: readonly Starter[] = [
  starter(
    'mortgage-payment',
    'What a home costs each month, fortnight or week, and where the money goes.',
    mortgagePayment,
  ),
  starter(
    'insured-purchase',
    'The least down payment by steps of the price, and one premium, borrowed or paid in cash, with its tax.',
    insuredPurchase,
    [addedPremiums],
  ),
  starter(
    'insurance-by-credit',
    'A monthly premium by loan-to-value and credit band, all bands side by side.',
    insuranceByCredit,
    [monthlyPremiums],
  ),
  starter(
    'affordability',
    'The highest price from income, debts and two limits, tested at a higher rate.',
    affordablePriceStarter,
  ),
  starter('income-needed', 'The least income that qualifies for a price.', incomeNeededStarter),
  starter(
    'extra-payments',
    'Extras with each payment, once a year and as a lump sum: time and interest saved.',
    extraPayments,
  ),
  starter(
    'running-loan',
    'What is owed today, from the first terms and the payments made; a lump sum today.',
    runningLoan,
  ),
  starter('how-long', 'When a payment repays what is owed, and the extra that finishes in time.', howLong),
  starter('price-for-payment', 'The price that keeps a payment at a given figure.', priceForPayment),
  starter('vessel-loan', 'Trade-in, fees that are financed, and an amount left at the end.', vesselLoan),
  starter('personal-loan', 'A loan with a fee, and its cost as an annual percentage rate.', personalLoan),
  starter('study-loan', 'A time without payments, then 30-day cycles.', studyLoan),
  starter('refinance', 'Keep or replace a loan: when the costs are won back.', refinanceStarter),
  starter(
    'several-loans',
    'Several loans paid off together: which one an extra should go to, in three orders.',
    severalLoans,
  ),
  starter('rate-change', 'What is owed when the fixed period ends, and the payment after it.', rateChange),
  starter('initial-repayment', 'A payment from a rate and an initial yearly repayment.', initialRepayment),
  starter(
    'two-programmes',
    'One home under two programmes: by payment, by cost over the stay, and when that turns.',
    twoProgrammes,
  ),
  starter('equity', 'Value, balance and what is the owner’s after some years.', equityStarter),
  starter('compare-loans', 'Up to four offers for the same amount, side by side.', compareLoansStarter),
  starter('rate-ladder', 'Rates by lengths, as a table and a chart.', rateLadder),
]

/** A calculator with nothing in it yet. */
export const emptyCalculator = (title: Texts = { 'en-CA': 'New calculator' }): CalculatorDocument => ({
  version: 2,
  title,
  currency: 'CAD',
  languages: ['en-CA'],
  lender: 'Larkmoor Mutual',
  results: 'live',
  introduction: {},
  disclosure: {},
  steps: [],
  samples: [{ id: 'sample', name: 'a visitor who changes nothing', answers: {} }],
  proofs: [],
})
