export {
  isUnreadable,
  readTyped,
  textOfAnswer,
  understoodAs,
  unitOf,
  type ShareUnit,
  type Unreadable,
} from './answer-text'
export { conventionsSaid } from './conventions'
export {
  createExplain,
  factsOf,
  fetchTradeWords,
  hasWord,
  meaningsOn,
  type Explained,
  type Meaning,
} from './meanings'
export type { TradeFacts, TradeWords } from './trade-words'
export { createFigures, figuresFor } from './figures'
export type { Figures } from './language'
export type { PageWords, WhatIfSaid } from './page-words'
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
export { doubtSentence, problemSentence, problemWithPlace } from './problem-sentences'
export {
  isOtherCurrency,
  moneyReadings,
  readDate,
  readMoney,
  readPercent,
  readShare,
  readTerm,
  readWholeNumber,
  type Readings,
} from './read-answer'
export { decimalMarkOf } from './intl'
export {
  DIRECTION_MARKS,
  readBy,
  readingsOf,
  readNumber,
  type DecimalMark,
  type NumberKind,
} from './read-number'
export { ratesSaid } from './rates-said'
export { oftenSaid, readoutText, sentenceText, type ReadoutText } from './readout-text'
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
export { comparedCell, ladderCells, ladderTable, lowestSaid, scheduleCell, type SaidTable } from './tables'
