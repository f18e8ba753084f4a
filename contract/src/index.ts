export {
  AtRevision,
  CalculatorCard,
  CalculatorOpened,
  CalculatorState,
  EditionSummary,
  MakeCalculator,
  SaveDraft,
  calculatorStates,
} from './calculators'
export { compileSentence, compileSentenceWithPlace } from './compile-sentences'
export { ErrorBody, FieldProblem, errorSentence, errorTable, type ErrorCode } from './errors'
export { may, permissions, Person, Role, roles, SessionState, SignIn, type Permission } from './people'
export { EvaluateRequest, evaluateResponse, type EvaluateResponse } from './public'
export {
  isFrameMessage,
  type EditionContent,
  type FrameMessage,
  type HouseStyle,
  type LiveCalculator,
  type ServedCalculator,
} from './visitor'
