/** The light door: what a visitor's browser needs to work a frozen program out, without compiler, parser or Zod. */
export type { Around } from './calculator/evaluate/context'
export { createEvaluatorWith, type Evaluator } from './calculator/evaluate/evaluator'
export { needsFurther } from './calculator/evaluate/needs-further'
export { startOf } from './calculator/sheets/versions'
export type { Further } from './calculator/evaluate/further'
export type { WhatIf, WhatIfAnswer } from './calculator/evaluate/what-if'
export { bandOf } from './calculator/audience/bands'
export { shareOf } from './calculator/answers/read-answer'
export { lengthOfMonths } from './calculator/program/length-of-months'
export { loanReference } from './calculator/document/loan-reference'
export { mainLanguage, textIn } from './calculator/document/text-in'
export type { Answers, Program, ProgramStep } from './calculator/program/program'
export type {
  ActionName,
  CalculatorStep,
  ComparisonRow,
  ReadoutOf,
  ReadoutStep,
  ScheduleColumn,
  StepOf,
  WhatIfName,
} from './calculator/document/steps'
export type { Question, QuestionOf } from './calculator/document/questions'
export type { OwedLoanAnswer, Share, TermLength } from './calculator/document/document-shapes'
export type { RateSheet } from './calculator/document/sheets'
export type { RichText, RichTextBlock, RichTextRun, RichTexts, Texts } from './calculator/document/texts'
export type {
  AnswerKind,
  ComparedColumn,
  Doubt,
  Evaluation,
  LoanCell,
  LoanColumn,
  Part,
  PayOffPlan,
  Problem,
  Readout,
  LadderFigures,
  Rung,
  Said,
  Turn,
  Value,
} from './calculator/program/evaluated'
export type { Stop } from './formula/computed'
export type { FigureSource, Period } from './formula/unit'
export type { PayOffOrder } from './lending/pay-off'
export type { Ledger } from './loan/ledger'
export type { LedgerRow, LedgerYear } from './loan/ledger-rows'
export type { LoanTerms } from './loan/loan-terms'
export type { Minor } from './money/minor'
export { minorDigitsOf, type Currency, type MinorDigits } from './money/currencies'
export {
  DIRECTION_MARKS,
  MOST_TYPED,
  readBy,
  isMultiplier,
  readingsOf,
  saysMoney,
  saysPercent,
  type DecimalMark,
  type NumberKind,
} from './money/typed-number'
export { effectiveAnnualRate } from './rates/periodic-rate'
export { frequencies, type Frequency } from './rates/frequency'
export { readMoment, type Moment } from './dates/moment'
export { readIsoDate, type PlainDate } from './dates/plain-date'
export type { Refusal } from './guards/refusal'
