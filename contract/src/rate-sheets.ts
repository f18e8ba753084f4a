import { z } from 'zod'
import { RateSheet } from '@vivid/core'
import { Contributor } from './calculators'
import { Revision } from './bounds'

const timestamp = z.iso.datetime()

/** Where a rate sheet stands: derived from its draft, what is in force and what was sent. */
export const SheetState = z.enum(['draft', 'sent', 'live', 'liveWithChanges'])
export type SheetState = z.infer<typeof SheetState>

/** A state of a sheet that was approved; it never changes. */
export const SheetEdition = z.strictObject({
  number: z.int(),
  approvedAt: timestamp,
  /** Null: it came with a calculator, or was there before sheets were approved. */
  approvedBy: z.string().nullable(),
  editedBy: z.string(),
  /** All who changed the draft since the state before. */
  contributors: z.array(z.string()),
  note: z.string(),
})
export type SheetEdition = z.infer<typeof SheetEdition>

/** A rate sheet as the desk lists it: its draft, what is in force, and the calculators that look values up in it. */
export const SheetListed = z.strictObject({
  /** The draft. */
  sheet: RateSheet,
  /** What visitors' figures come from; null before the first approval. */
  live: RateSheet.nullable(),
  /** The draft's; goes up by one with every save. */
  revision: z.int(),
  state: SheetState,
  lastEditedBy: z.string(),
  lastEditedById: z.uuid(),
  /** All who changed the draft since a state of it was approved: none of them may approve it. */
  contributors: z.array(Contributor),
  lastEditedAt: timestamp,
  sentBy: z.string().nullable(),
  sentNote: z.string(),
  /** What an approver wants changed; null where nothing was sent back. */
  sentBack: z.strictObject({ by: z.string(), at: timestamp, text: z.string() }).nullable(),
  /** Newest first. */
  editions: z.array(SheetEdition),
  usedBy: z.array(z.string()),
})
export type SheetListed = z.infer<typeof SheetListed>

/** Saves a sheet's draft on top of a revision; 0: it is new. */
export const SaveSheet = z.strictObject({ revision: Revision, sheet: RateSheet })
export type SaveSheet = z.infer<typeof SaveSheet>

export const SendSheetBack = z.strictObject({
  revision: Revision,
  text: z.string().trim().min(1).max(2000),
})
export type SendSheetBack = z.infer<typeof SendSheetBack>

/** What a changed sheet would do, said for people. */
export const SheetImpactSaid = z.strictObject({
  changes: z.array(
    z.strictObject({
      start: z.string(),
      keys: z.array(z.string()),
      before: z.string().nullable(),
      after: z.string().nullable(),
    }),
  ),
  doubts: z.array(
    z.strictObject({ start: z.string(), keys: z.array(z.string()), was: z.string(), now: z.string() }),
  ),
  calculators: z.array(
    z.strictObject({
      id: z.uuid(),
      title: z.string(),
      samples: z.array(
        z.strictObject({
          sample: z.string(),
          on: z.iso.date(),
          label: z.string(),
          before: z.string(),
          after: z.string(),
          /** "+$41.20", or nothing where there is none to say. */
          difference: z.string(),
        }),
      ),
      proofs: z.array(
        z.strictObject({ proof: z.string(), agreedBefore: z.boolean(), agreesAfter: z.boolean() }),
      ),
    }),
  ),
})
export type SheetImpactSaid = z.infer<typeof SheetImpactSaid>
