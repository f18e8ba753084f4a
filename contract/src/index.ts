export { contrast } from './contrast'
export { darkSide, onDarkSide } from './dark-side'
export { hexOf, hslOf } from './hsl'
export {
  ArchiveRead,
  BringIn,
  BroughtIn,
  MOST_ARCHIVE_BYTES,
  type ArchivedItem,
  type ArchiveChoice,
} from './archive'
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
  LiveOn,
  MakeCalculator,
  PlaceInList,
  Remark,
  SaveDraft,
  SendBack,
  SendDraft,
  SentSeen,
  TakeDown,
} from './calculators'
export { Checklist, MOST_CHECKS, SaveChecklist } from './checklist'
export { calculatorJsonSchema } from './calculator-json-schema'
export { compileSentence, compileSentenceWithPlace } from './compile-sentences'
export { sheetFaultSaid } from './sheet-fault-said'
export { trialSentence } from './trial-sentence'
export { RecordAct, RecordEntry, RecordPage, RecordQuery, RecordVerified, recordActs } from './record'
export { SaveSheet, SendSheetBack, SheetImpactSaid, SheetListed, SheetState } from './rate-sheets'
export { EvaluateAnswer, LiveAnswer } from './channel-answers'
export { ChannelCalculator, KEYLESS_PER_MINUTE, KeyListed, KeyMade, MakeKey } from './channels'
export {
  contrastFaults,
  darkColoursOf,
  FIRST_STYLE,
  styleColours,
  fontNames,
  LogoShape,
  MOST_LOGO_BYTES,
  ResolvedStyle,
  resolveStyle,
  SaveStyle,
  StyleChoices,
  StyleListed,
  type ContrastFault,
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
export { unitWords, wantedWords } from './unit-words'
export { figureWords } from './figure-words'
export { ErrorBody, FieldProblem, errorSentence, errorTable, type ErrorCode } from './errors'
export {
  AcceptInvitation,
  ChangePassword,
  ChangePerson,
  InvitationSecret,
  AddPasskey,
  ConfirmTotp,
  FactorsState,
  PeopleChanged,
  PeopleRequest,
  Proof,
  RecoveryCodes,
  SecondCode,
  TotpBegun,
  UsePasskey,
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
  isFrameMessage,
  keptLoan,
  pageParts,
  propertiesOf,
  styleSpeaking,
  wordedProgram,
  type OwnWords,
  type PreviewMark,
  type EditionContent,
  type FileKind,
  type FrameMessage,
  type DrawnPage,
  type HouseStyle,
  type Logo,
  type LiveCalculator,
  type ServedCalculator,
} from './visitor'
