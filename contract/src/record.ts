import { z } from 'zod'
import { AskedDay, OrdinalText } from './bounds'

/** What people do that somebody may ask about later. */
export const recordActs = [
  'calculatorMade',
  'calculatorFiled',
  'calculatorPutAway',
  'calculatorTakenUp',
  'calculatorRemoved',
  'draftChanged',
  'proofChanged',
  'sent',
  'sentBack',
  'published',
  'broughtBack',
  'takenDown',
  'sheetAdded',
  'sheetChanged',
  'sheetSent',
  'sheetSentBack',
  'sheetApproved',
  'scheduled',
  'unscheduled',
  'styleChosen',
  'styleAdded',
  'styleChanged',
  'styleRemoved',
  'siteAdded',
  'siteChanged',
  'siteRemoved',
  'placed',
  'placementChanged',
  'placementRemoved',
  'personInvited',
  'personChanged',
  'personDeactivated',
  'personReactivated',
  'passwordSet',
  'changeAsked',
  'changeConfirmed',
  'changeDeclined',
  'signedIn',
  'signInFailed',
  'accountLocked',
  'secondFactorSet',
  'secondFactorRemoved',
  'recoveryUsed',
  'sessionEnded',
  'keyMade',
  'keyWithdrawn',
  'archiveTaken',
  'archiveBroughtIn',
  'checklistChanged',
] as const
export const RecordAct = z.enum(recordActs)
export type RecordAct = z.infer<typeof RecordAct>

export const recordSubjects = [
  'calculator',
  'rateSheet',
  'houseStyle',
  'site',
  'placement',
  'person',
  'key',
  'installation',
] as const
export const RecordSubject = z.enum(recordSubjects)
export type RecordSubject = z.infer<typeof RecordSubject>

/** One entry of the record: who did what to what, and when. It never changes; its hash rests on the one before. */
export const RecordEntry = z.strictObject({
  number: z.int().min(1),
  at: z.iso.datetime(),
  person: z.string(),
  act: RecordAct,
  of: RecordSubject,
  /** The calculator's or rate sheet's identifier, and its name at the time. */
  id: z.string(),
  subject: z.string(),
  details: z.record(z.string(), z.union([z.string(), z.number()])),
  /** SHA-256, hexadecimal. */
  hash: z.string(),
})
export type RecordEntry = z.infer<typeof RecordEntry>

/** Which entries are asked for; each narrows. */
export const RecordQuery = z.strictObject({
  act: RecordAct.optional(),
  person: z.string().max(200).optional(),
  /** A calculator or rate sheet by its identifier. */
  id: z.string().max(100).optional(),
  /** ISO dates, both included, in UTC. */
  from: AskedDay.optional(),
  to: AskedDay.optional(),
  /** Entries before this one, for the next page. */
  before: OrdinalText.optional(),
})
export type RecordQuery = z.infer<typeof RecordQuery>

export const RecordPage = z.strictObject({
  entries: z.array(RecordEntry),
  /** The number to ask for entries before; null where these are the first ones. */
  next: z.int().nullable(),
  /** Everybody who stands in the record, for choosing. */
  people: z.array(z.string()),
})
export type RecordPage = z.infer<typeof RecordPage>

/** Whether every entry still says what it said: the first that does not, if any. */
export const RecordVerified = z.strictObject({
  entries: z.int(),
  brokenAt: z.int().nullable(),
  /** The newest entry's hash: kept elsewhere, it proves later that none was removed from the end. */
  lastHash: z.string().nullable(),
})
export type RecordVerified = z.infer<typeof RecordVerified>
