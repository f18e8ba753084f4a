import { z } from 'zod'
import { CalculatorDocument, frequencyNames, starters, type Frequency } from '@vivid/core'

/** Where a calculator stands: derived from its draft, its live edition and what was sent for approval. */
export const calculatorStates = ['draft', 'sent', 'live', 'liveWithChanges', 'takenDown'] as const
export const CalculatorState = z.enum(calculatorStates)
export type CalculatorState = z.infer<typeof CalculatorState>

const personName = z.string()
const timestamp = z.iso.datetime()

export const EditionSummary = z.strictObject({
  number: z.int(),
  sha256: z.string(),
  publishedAt: timestamp,
  approvedBy: personName,
  editedBy: personName,
})
export type EditionSummary = z.infer<typeof EditionSummary>

/** The meter on a card: the first payment of the sample visitor, taken apart. Minor units. */
export const CardMeter = z.strictObject({
  payment: z.int(),
  principal: z.int(),
  interest: z.int(),
  frequency: z.enum(frequencyNames as [Frequency, ...Frequency[]]),
})

export const CalculatorCard = z.strictObject({
  id: z.uuid(),
  slug: z.string(),
  title: z.string(),
  currency: CalculatorDocument.shape.currency,
  locale: z.string(),
  state: CalculatorState,
  liveEdition: z.int().nullable(),
  lastEditedBy: personName,
  lastEditedAt: timestamp,
  sampleName: z.string(),
  /** Null while it cannot be worked out, or nothing is borrowed. */
  meter: CardMeter.nullable(),
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
  sentBy: personName.nullable(),
  liveEdition: z.int().nullable(),
  editions: z.array(EditionSummary),
  /** The document of the newest edition, to read the changes since against; null before the first. */
  lastPublished: CalculatorDocument.nullable(),
  /** The house style an edition made now would have, as CSS custom properties. */
  style: z.record(z.templateLiteral(['--', z.string()]), z.string()),
})
export type CalculatorOpened = z.infer<typeof CalculatorOpened>

const starterIds = starters.map(({ id }) => id) as [(typeof starters)[number]['id']]
export const MakeCalculator = z.strictObject({
  starter: z.enum(starterIds),
  title: z.string().trim().min(1).max(120),
})
export type MakeCalculator = z.infer<typeof MakeCalculator>

export const SaveDraft = z.strictObject({ revision: z.int().min(0), document: CalculatorDocument })
export type SaveDraft = z.infer<typeof SaveDraft>

/** Which revision of the draft an action is about; a stale one is refused. */
export const AtRevision = z.strictObject({ revision: z.int().min(0) })
export type AtRevision = z.infer<typeof AtRevision>
