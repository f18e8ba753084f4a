export {
  CalculatorDocument,
  MOST_STEPS,
  Proof,
  type OwnThing,
  type Sample,
} from './calculator/document/document'
export { ownThingsOf, settled, stillToMakeOwn } from './calculator/starters/own-things'
export { DOCUMENT_VERSION, openDocument, type Opened } from './calculator/document/open'
export { paragraphs } from './calculator/document/version-1'
export { AnswerShape, type Question, type QuestionOf } from './calculator/document/questions'
export { RateSheet, type SheetKey, type SheetVersion } from './calculator/document/sheets'
export {
  sheetChanges,
  sheetDoubts,
  type SheetChange,
  type SheetDoubt,
} from './calculator/sheets/sheet-changes'
export { keysText } from './calculator/sheets/key-text'
export { sheetFaults, type SheetFault, type SheetFaultCode } from './calculator/sheets/sheet-faults'
export {
  daysTouched,
  headlineReadout,
  sheetImpact,
  type ProofImpact,
  type SampleImpact,
  type SheetImpact,
} from './calculator/proving/sheet-impact'
export {
  editionImpact,
  readoutsCompared,
  workingOut,
  type AsServed,
  type ReadoutCompared,
  type SampleCompared,
} from './calculator/proving/edition-impact'
export { begunBy, inForce, startOf } from './calculator/sheets/versions'
export type { Share, TermLength } from './calculator/document/document-shapes'
export {
  actionNames,
  comparisonRows,
  scheduleColumns,
  whatIfNames,
  workingUnits,
  type ActionName,
  type CalculatorStep,
  type ComparisonRow,
  type LoanOptions,
  type ReadoutOf,
  type ReadoutStep,
  type ScheduleColumn,
  type StepOf,
  type WhatIfName,
} from './calculator/document/steps'
export {
  affordabilityTerms,
  aimNeeds,
  aimTerms,
  equityTerms,
  ladderNeeds,
  ladderTerms,
  loanTerms,
  payOffTerms,
  refinanceTerms,
  type TermFacts,
} from './calculator/document/step-terms'
export { mainLanguage, mainText, mainTitle, textIn } from './calculator/document/text-in'
export { RichText, type RichTexts, type Texts } from './calculator/document/texts'
export { askFormulas, type Asked, type AskedFormula } from './calculator/proving/ask-formulas'
export { changesBetween, type Change } from './calculator/editing/changes/flat'
export { mergeDocuments } from './calculator/editing/changes/merge'
export type { Conflict } from './calculator/editing/changes/flat'
export {
  compile,
  createCompiler,
  stoppingProblems,
  type Compiled,
  type ReadyProof,
} from './calculator/compile/compile'
export { isGentle, type CompileProblem } from './calculator/compile/compile-problem'
export {
  formulasOf,
  wantedOfBound,
  PLACEHOLDER,
  wantedOfWorking,
  type FormulaPlace,
  type RangedQuestion,
} from './calculator/compile/formulas-of'
export { openProgram } from './calculator/compile/open-program'
export { plainText } from './calculator/compile/text-problems'
export { unitOfQuestion } from './calculator/compile/units-of-steps'
export { inCurrency } from './calculator/editing/currency'
export { removeLanguage, renameLanguage } from './calculator/editing/languages'
export { MOST_MEANINGS, type OwnMeaning } from './calculator/document/document'
export {
  duplicateStep,
  freeId,
  freeName,
  insertStep,
  moveStep,
  removeStep,
  renameOption,
  renameStep,
  usersOf,
} from './calculator/editing/edit'
export { bandEnd, bandOf, isBandOf } from './calculator/audience/bands'
export { shareOf } from './calculator/answers/read-answer'
export { createEvaluator, evaluate } from './calculator/evaluate/evaluate'
export type { Around } from './calculator/evaluate/context'
export type { Evaluator } from './calculator/evaluate/evaluator'
export {
  plainOf,
  proofFromNow,
  runProofs,
  type ProofLine,
  type ProofResult,
} from './calculator/proving/proofs'
export type { Answers, Program, ProgramStep } from './calculator/program/program'
export {
  partsThatDiffer,
  tryOut,
  type PartsDiffer,
  type Trial,
  type TrialFailure,
} from './calculator/proving/trial'
export { emptyCalculator, starters, type Starter } from './calculator/starters'
export type {
  AnswerKind,
  ComparedColumn,
  Doubt,
  Evaluation,
  Part,
  Problem,
  Readout,
  LadderFigures,
  Rung,
  Said,
  Value,
} from './calculator/program/evaluated'
export { checkFormula, type CheckedFormula } from './formula/check'
export type { Scope } from './formula/checking'
export type { Stop } from './formula/computed'
export { figuresOf } from './formula/figures'
export { figureSources } from './formula/unit'
export { builtIns } from './formula/functions'
export type { BuiltIn, Parameter } from './formula/functions/function'
export type { FormulaFault, FormulaProblem } from './formula/problem'
export { nameFault, plainName, type NamesInScope, type SyntaxNode } from './formula/syntax'
export type { FigureSource, Period, Unit, Wanted } from './formula/unit'
export { readMoment, type Moment } from './dates/moment'
export { addMonths, isoDate, readIsoDate, type PlainDate } from './dates/plain-date'
export {
  affordablePrice,
  incomeNeeded,
  type Affordable,
  type Binding,
  type Household,
  type IncomeNeeded,
} from './lending/affordability'
export { compareLoans, costUntil, type Compared } from './lending/compare'
export { MOST_LOANS } from './lending/most-loans'
export {
  payOff,
  payOffOrders,
  type OwedLoan,
  type PaidOff,
  type PaidOffLoan,
  type PayOff,
  type PayOffOrder,
  type PayOffTerms,
} from './lending/pay-off'
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
  levelPayment,
  partsOfPayment,
  paymentsToRepay,
  type PaymentsToRepay,
} from './loan/closed-forms'
export type { Ledger } from './loan/ledger'
export type { Columns, LedgerRow, LedgerTotals, LedgerYear } from './loan/ledger-rows'
export { levelPaymentExact, type LevelPaymentTerms } from './loan/level-payment'
export type {
  Extra,
  Fees,
  GivenTerms,
  Grace,
  LoanInsurance,
  LoanTerms,
  RateChange,
  Term,
  When,
} from './loan/loan-terms'
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
export { factsOf, frequencies, frequencyNames, type Frequency } from './rates/frequency'
export type { Expression } from './formula/expression'
export { effectiveAnnualRate, periodicRate, type PeriodicRate } from './rates/periodic-rate'
export { aim, type Aim, type AimAnswer, type DownPayment } from './search/aim'
export { ladder, type Ladder } from './search/ladder'
export { unitPeriodsBetween, type UnitPeriod, type UnitPeriods } from './cost/unit-periods'
export type { Checked, Refusal, RefusalCode } from './guards/refusal'
export { loanReference, refinanced } from './calculator/document/loan-reference'
export { answersOfLadder } from './calculator/document/ladder-lists'
