export { AnswerShape, CalculatorDocument, readoutKinds } from './calculator/document'
export type { CalculatorStep, Question, QuestionOf, Share, TermLength } from './calculator/document'
export { changesBetween, mergeDocuments, type Change, type Conflict } from './calculator/changes'
export { compile, type Compiled, type CompileProblem } from './calculator/compile'
export { evaluate, type Evaluation } from './calculator/evaluate'
export { shareOf } from './calculator/answers'
export type { Answers, Program } from './calculator/program'
export { starters, type Starter, type StarterId } from './calculator/starters'
export type { Problem, Readout, Value } from './calculator/values'
export { isoDate, readIsoDate, type PlainDate } from './dates/plain-date'
export {
  affordablePrice,
  incomeNeeded,
  type Affordable,
  type Binding,
  type Household,
  type IncomeNeeded,
} from './lending/affordability'
export { compareLoans, costUntil, loansTogether, type Compared, type Together } from './lending/compare'
export { equity, type Equity } from './lending/equity'
export {
  insuranceFor,
  minimumDownPayment,
  type DownPaymentStep,
  type Premium,
  premiumsByCredit,
  type PremiumBand,
  type PremiumOfCredit,
} from './lending/insurance'
export { refinance, type Refinance, type RefinanceTerms } from './lending/refinance'
export { amortize } from './loan/amortize'
export { amountToBorrow, type Purchase } from './loan/amount-to-borrow'
export {
  amountFor,
  balanceAfterExact,
  initialRepaymentPayment,
  partsOfPayment,
  paymentsToRepay,
  type PaymentsToRepay,
} from './loan/closed-forms'
export type { Columns, Ledger, LedgerRow, LedgerTotals, LedgerYear } from './loan/ledger'
export { levelPayment, levelPaymentExact, type LevelPaymentTerms } from './loan/level-payment'
export type { Extra, Fees, Grace, LoanInsurance, LoanTerms, RateChange, Term, When } from './loan/terms'
export { currencies, minorDigitsOf, type Currency, type MinorDigits } from './money/currencies'
export { Decimal } from './money/decimal'
export { minor, type Minor } from './money/minor'
export {
  annualPercentageRate,
  annualPercentageRateOfCharge,
  type DatedAmounts,
  type TimedAmounts,
} from './cost/annual-percentage-rate'
export { countDays, dayCounts, type DayCount } from './rates/day-count'
export { frequencies, frequencyNames, type Frequency } from './rates/frequency'
export { effectiveAnnualRate, periodicRate, type PeriodicRate } from './rates/periodic-rate'
export { aim, type Aim, type AimAnswer, type DownPayment } from './search/aim'
export { ladder, type Ladder } from './search/ladder'
export { unitPeriodsBetween, type UnitPeriod, type UnitPeriods } from './cost/unit-periods'
export type { Checked, Refusal, RefusalCode } from './refusal'
