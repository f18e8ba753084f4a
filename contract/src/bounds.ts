import { z } from 'zod'

/** The largest whole number a column of the database holds. */
const MOST = 2_147_483_647

/** A number that counts from one: an edition, an entry. */
export const Ordinal = z.int().min(1).max(MOST)
/** The same in an address, as text. */
export const OrdinalText = z.coerce.number().int().min(1).max(MOST)
/** A draft's revision; there is always room for the next. */
export const Revision = z
  .int()
  .min(0)
  .max(MOST - 1)
/** A day of the calendar that somebody can ask about: 1900 to 2199. */
export const AskedDay = z.iso.date().refine((day) => day >= '1900-01-01' && day <= '2199-12-31', {
  message: 'a day from 1900-01-01 to 2199-12-31',
})
