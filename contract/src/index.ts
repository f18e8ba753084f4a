export {
  AtRevision,
  CalculatorCard,
  CalculatorFile,
  CalculatorOpened,
  CalculatorState,
  EditionSeen,
  EditionSummary,
  MakeCalculator,
  Remark,
  SaveDraft,
  SendBack,
  SendDraft,
  SentBack,
  TakeDown,
  calculatorStates,
} from './calculators'
export { calculatorJsonSchema } from './calculator-json-schema'
export { compileSentence, compileSentenceWithPlace } from './compile-sentences'
export {
  RecordAct,
  RecordEntry,
  RecordPage,
  RecordQuery,
  RecordVerified,
  recordActs,
  type RecordSubject,
} from './record'
export { SaveSheet, SheetListed } from './rate-sheets'
export { periodWord, unitWords, wantedWords } from './unit-words'
export { ErrorBody, FieldProblem, errorSentence, errorTable, type ErrorCode } from './errors'
export { may, permissions, Person, Role, roles, SessionState, SignIn, type Permission } from './people'
export {
  EvaluateRequest,
  evaluateResponse,
  HandOverRequest,
  ShownRequest,
  type EvaluateResponse,
} from './public'
export {
  fileKinds,
  hostEvents,
  isFrameMessage,
  keptLedger,
  type EditionContent,
  type FileKind,
  type FrameMessage,
  type HouseStyle,
  type LiveCalculator,
  type ServedCalculator,
} from './visitor'
