import { z } from 'zod'
import { CalculatorDocument, frequencyNames, RateSheet, type Frequency, type Program } from '@vivid/core'
import { Revision } from './bounds'
import { Checked } from './checklist'
import { ResolvedStyle } from './house-styles'

/** Where a calculator stands: derived from its draft, its live edition and what was sent for approval. */
export const calculatorStates = ['draft', 'sent', 'live', 'liveWithChanges', 'takenDown'] as const
export const CalculatorState = z.enum(calculatorStates)
export type CalculatorState = z.infer<typeof CalculatorState>

const personName = z.string()
const timestamp = z.iso.datetime()

export const EditionSummary = z.strictObject({
  number: z.int(),
  /** What its author said when sending it. */
  note: z.string(),
  sha256: z.string(),
  publishedAt: timestamp,
  approvedBy: personName,
  editedBy: personName,
  /** All who changed the draft since the edition before. */
  contributors: z.array(personName),
  /** Whether visitors ever had it: one whose approval was withdrawn before its time they had not. */
  wasLive: z.boolean(),
})
export type EditionSummary = z.infer<typeof EditionSummary>

/** What a card shows of the sample visitor: the headline figure with its label, and the parts it is made of. */
export const CardMeter = z.strictObject({
  label: z.string(),
  /** The figure in the calculator's own language and currency. */
  figure: z.string(),
  every: z.enum(frequencyNames as [Frequency, ...Frequency[]]).nullable(),
  parts: z.array(z.strictObject({ label: z.string(), amount: z.int(), figure: z.string() })),
})

/** One thing an approver wants changed: about a step, or about the calculator as a whole. */
export const Remark = z.strictObject({
  step: z.string().max(60).nullable(),
  text: z.string().trim().min(1).max(1000),
})
export type Remark = z.infer<typeof Remark>

/** A draft that was sent back: by whom, when, and what for. Gone once it is sent again. */
export const SentBack = z.strictObject({
  by: personName,
  at: timestamp,
  remarks: z.array(Remark).min(1).max(50),
})
export type SentBack = z.infer<typeof SentBack>

/** Somebody who changed a draft. */
export const Contributor = z.strictObject({ id: z.uuid(), name: personName })
export type Contributor = z.infer<typeof Contributor>

export const CalculatorCard = z.strictObject({
  id: z.uuid(),
  slug: z.string(),
  title: z.string(),
  currency: CalculatorDocument.shape.currency,
  languages: z.array(z.string()),
  state: CalculatorState,
  liveEdition: z.int().nullable(),
  lastEditedBy: personName,
  lastEditedAt: timestamp,
  sampleName: z.string(),
  /** The folder it stands in, of the lender's own naming; empty: in none. */
  folder: z.string(),
  /** Out of the way: it is listed only where that is asked for. */
  putAway: z.boolean(),
  /** Whether it may be removed for good: visitors never had it, and nothing of it waits for its time. */
  mayGo: z.boolean(),
  /** Null while it cannot be worked out, or was not yet. */
  meter: CardMeter.nullable(),
  /** Whether it is being worked out anew: what stands here is how it was before. */
  meterWaits: z.boolean(),
})
export type CalculatorCard = z.infer<typeof CalculatorCard>

/** A calculator opened at the desk. */
export const CalculatorOpened = z.strictObject({
  id: z.uuid(),
  slug: z.string(),
  revision: z.int(),
  document: CalculatorDocument,
  state: CalculatorState,
  lastEditedBy: personName,
  lastEditedById: z.uuid(),
  lastEditedAt: timestamp,
  /** All who changed the draft since something of it was approved: none of them may approve it. */
  contributors: z.array(Contributor),
  sentBy: personName.nullable(),
  /** What was said when it was sent; empty where nothing was. */
  sentNote: z.string(),
  sentBack: SentBack.nullable(),
  liveEdition: z.int().nullable(),
  /** Of a calculator that was taken down: the edition visitors had until then. */
  lastLiveEdition: z.int().nullable(),
  editions: z.array(EditionSummary),
  /** The document of the newest edition that was live or waits for its time, to read the changes since against; null before the first. */
  lastPublished: CalculatorDocument.nullable(),
  /** Made from a file: the rate sheets of the file that were already here and stay as they are. */
  sheetsKept: z.array(z.string()).optional(),
  /** An approved edition that goes live at a time. */
  scheduled: z.strictObject({ number: z.int(), at: timestamp, by: personName }).nullable(),
  /** The house style it wears, by its address. */
  houseStyle: z.string(),
  /** The house style as CSS custom properties: of a draft that was sent as it was sent, else as an edition made now would have it. */
  style: ResolvedStyle,
})
export type CalculatorOpened = z.infer<typeof CalculatorOpened>

const title = z.string().trim().min(1).max(120)
/** A new calculator: from a starter, an empty one, a copy of another, or a document that was saved to a file. */
export const MakeCalculator = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('starter'), starter: z.string().max(60), title }),
  z.strictObject({ from: z.literal('empty'), title }),
  z.strictObject({ from: z.literal('copy'), calculator: z.uuid(), title }),
  z.strictObject({ from: z.literal('file'), file: z.unknown(), title: title.optional() }),
])
export type MakeCalculator = z.infer<typeof MakeCalculator>

/** A calculator saved to a file: its document and the rate sheets it looks values up in. Plain JSON. */
export const CalculatorFile = z.strictObject({
  format: z.literal('vivid-meter/calculator'),
  /** Opened by `openDocument`, which brings older versions up to this one. */
  document: z.unknown(),
  sheets: z.array(RateSheet).max(50),
})
export type CalculatorFile = z.infer<typeof CalculatorFile>

export const SaveDraft = z.strictObject({ revision: Revision, document: CalculatorDocument })
export type SaveDraft = z.infer<typeof SaveDraft>

/** Sends a draft for approval, with a word for the approver. */
export const SendDraft = z.strictObject({
  revision: Revision,
  note: z.string().trim().max(2000).default(''),
})
export type SendDraft = z.infer<typeof SendDraft>

/** Puts a draft that was sent live: now, or at a time to come; with everything ticked that the lender asks for. */
export const Approve = z.strictObject({ revision: Revision, at: timestamp.optional(), checked: Checked })
export type Approve = z.infer<typeof Approve>

/** Gives a calculator another house style; its next edition wears it. */
export const ChooseStyle = z.strictObject({ revision: Revision, houseStyle: z.string().max(60) })
export type ChooseStyle = z.infer<typeof ChooseStyle>

/** What visitors had of a calculator at the end of a day: an edition, or none. */
export const LiveOn = z.strictObject({ number: z.int().nullable() })

/** Sends a draft back to its author, saying what for. */
export const SendBack = z.strictObject({ revision: Revision, remarks: SentBack.shape.remarks })
export type SendBack = z.infer<typeof SendBack>

/** Takes a calculator down; the message is what visitors read in its place. Empty: the page's own words. */
export const TakeDown = z.strictObject({ message: z.string().trim().max(500).default('') })
export type TakeDown = z.infer<typeof TakeDown>

/** An edition as visitors saw it on a day, with the rates of that day. */
export const EditionSeen = z.object({
  number: z.int(),
  publishedAt: timestamp,
  /** ISO date */
  on: z.iso.date(),
  /** What its author wrote, to read later changes against. */
  document: CalculatorDocument,
  program: z.custom<Program>((value) => typeof value === 'object' && value !== null),
  style: ResolvedStyle,
  sheets: z.array(RateSheet),
})
export type EditionSeen = z.infer<typeof EditionSeen>

/** What was sent for approval, as it would be live, with the rates of now. */
export const SentSeen = EditionSeen.pick({ program: true, style: true, sheets: true })
export type SentSeen = z.infer<typeof SentSeen>

/** Where a calculator stands in the list. */
export const PlaceInList = z.strictObject({ folder: z.string().trim().max(60), putAway: z.boolean() })
export type PlaceInList = z.infer<typeof PlaceInList>

/** Which revision of the draft an action is about; a stale one is refused. */
export const AtRevision = z.strictObject({ revision: Revision })
export type AtRevision = z.infer<typeof AtRevision>
