export { servedWords } from './languages/served'
export { readoutText } from './any-readout-text'
export {
  cellQuestions,
  hasGaps,
  isBlank,
  listWritten,
  loanFigures,
  writtenLoans,
  type LoanText,
} from './loan-list'
export { payOffSaid, payOffTable, type PayOffReadout } from './pay-off-table'
export { isUnreadable, readTyped, textOfAnswer, understoodAs, unitOf, type ShareUnit } from './answer-text'
export { conventionsSaid } from './conventions'
export { createExplain, factsOf, fetchTradeWords, hasWord, meaningsOn, type Explained } from './meanings'
export type { TradeWords } from './trade-words'
export { createFigures, figuresFor } from './figures'
export type { Figures } from './language'
export type { PageWords } from './page-words'
export { formatAsTyped, type TypedText } from './format-as-typed'
export { PLAIN_LOCALE, plainAnswer, readPresets, type PresetAnswers } from './preset-answers'
export {
  counted,
  fetchAllLanguages,
  fetchLanguage,
  isRightToLeft,
  languageOf,
  spokenLanguages,
} from './languages'
export { noticesOf, noticesSaid } from './notices'
export { doubtSentence, problemSentence, problemWithPlace } from './problem-sentences'
export { readWholeNumber } from './read-answer'
export { decimalMarkOf } from './intl'
export {
  DIRECTION_MARKS,
  readBy,
  readingsOf,
  saysPercent,
  type DecimalMark,
  type NumberKind,
} from './read-number'
export { ratesSaid } from './rates-said'
export { labelSaid, oftenSaid, figureText, sentenceText } from './readout-text'
export {
  gapSaid,
  keptName,
  lumpYears,
  keptLimits,
  MOST_BESIDE,
  paymentAfter,
  whatIfName,
  whatIfSentence,
  whenOf,
  type KeptWhatIf,
} from './what-ifs'
export {
  comparedCell,
  ladderCells,
  ladderTable,
  lowestSaid,
  refusedSaid,
  rungName,
  scheduleCell,
} from './tables'
