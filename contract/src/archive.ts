import { z } from 'zod'

const timestamp = z.iso.datetime()

/** Something an archive holds, and how it stands to what is here: not here, here just so, or here otherwise. */
export const ArchivedItem = z.strictObject({
  /** A calculator's address, or the identifier of a sheet or style. */
  id: z.string(),
  name: z.string(),
  state: z.enum(['absent', 'same', 'other']),
  /** When it was last changed, in the archive and here. */
  changedThere: timestamp,
  changedHere: timestamp.nullable(),
})
export type ArchivedItem = z.infer<typeof ArchivedItem>

/** What an archive holds beside what is here; nothing is brought in yet. */
export const ArchiveRead = z.strictObject({
  calculators: z.array(ArchivedItem.extend({ editions: z.int() })),
  sheets: z.array(ArchivedItem),
  styles: z.array(ArchivedItem),
  /** Those that are not here. */
  sites: z.int(),
  placements: z.int(),
  people: z.array(z.string()),
  /** Days of the audience that are counted there and not here. */
  days: z.int(),
  /** Entries of its record; null where that is this desk's own. */
  entries: z.int().nullable(),
})
export type ArchiveRead = z.infer<typeof ArchiveRead>

/** What becomes of an item: `add` what is not here, `replace` the draft here, or put a calculator `beside` it. */
const Choice = z.enum(['add', 'replace', 'beside'])
export type ArchiveChoice = z.infer<typeof Choice>
const Choices = z.record(z.string().max(80), Choice)

/** What is brought in; what is not named stays in the archive. */
export const BringIn = z.strictObject({
  calculators: Choices,
  sheets: Choices,
  styles: Choices,
  /** Sites and placements that are not here. */
  placements: z.boolean(),
  audience: z.boolean(),
  record: z.boolean(),
})
export type BringIn = z.infer<typeof BringIn>

/** What was brought in, counted. */
export const BroughtIn = z.strictObject({
  calculators: z.int(),
  sheets: z.int(),
  styles: z.int(),
  placements: z.int(),
  people: z.int(),
  days: z.int(),
  entries: z.int(),
})
export type BroughtIn = z.infer<typeof BroughtIn>

/** The largest archive the desk takes, bytes; a larger one is brought back where the server is. */
export const MOST_ARCHIVE_BYTES = 64 * 2 ** 20
