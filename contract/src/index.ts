export { contrast } from './contrast'
export { darkSide } from './dark-side'
export { hexOf, hslOf } from './hsl'
export { AskedDay, OrdinalText } from './bounds'
export {
  Answered,
  Audience,
  AudienceEvent,
  AudienceQuery,
  Counted,
  SMALLEST_GROUP,
  type AudienceGroup,
} from './audience'
export {
  Approve,
  AtRevision,
  CalculatorCard,
  CalculatorFile,
  CalculatorOpened,
  CalculatorState,
  ChooseStyle,
  Contributor,
  EditionSeen,
  EditionSummary,
  LiveOn,
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
export { trialSentence } from './trial-sentence'
export {
  RecordAct,
  RecordEntry,
  RecordPage,
  RecordQuery,
  RecordVerified,
  recordActs,
  type RecordSubject,
} from './record'
export {
  SaveSheet,
  SendSheetBack,
  SheetEdition,
  SheetImpactSaid,
  SheetListed,
  SheetState,
} from './rate-sheets'
export { EvaluateAnswer, LiveAnswer, ValueSaid } from './channel-answers'
export { ChannelCalculator, KEYLESS_PER_MINUTE, KeyListed, KeyMade, MakeKey } from './channels'
export {
  contrastFaults,
  darkColoursOf,
  densities,
  fontNames,
  fonts,
  resolveStyle,
  SaveStyle,
  StyleChoices,
  styleColourNames,
  styleColours,
  StyleListed,
  type ContrastFault,
  type Density,
  type FontName,
  type StyleColour,
} from './house-styles'
export {
  Origin,
  PlacementChoices,
  PlacementListed,
  PlacementsListed,
  PlacingQuery,
  SaveSite,
  Site,
  Stray,
  type Placing,
} from './placements'
export { readAsSentence } from './read-as-sentence'
export { periodWord, unitWords, wantedWords } from './unit-words'
export { figureWords } from './figure-words'
export { ErrorBody, FieldProblem, errorSentence, errorTable, type ErrorCode } from './errors'
export {
  AcceptInvitation,
  ChangePassword,
  ChangePerson,
  InvitationSecret,
  AddPasskey,
  ConfirmTotp,
  factorKinds,
  FactorsState,
  PeopleChanged,
  PeopleRequest,
  Proof,
  RecoveryCodes,
  SecondCode,
  TotpBegun,
  UsePasskey,
  type FactorKind,
  type ProofGiven,
  InvitedPerson,
  InvitePerson,
  may,
  permissions,
  Person,
  PersonListed,
  Role,
  roles,
  SessionListed,
  SessionState,
  SignIn,
  type Permission,
} from './people'
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
  keptLoan,
  type EditionContent,
  type FileKind,
  type FrameMessage,
  type DrawnPage,
  type HouseStyle,
  type LiveCalculator,
  type ServedCalculator,
} from './visitor'
