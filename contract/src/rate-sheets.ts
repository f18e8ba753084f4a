import { z } from 'zod'
import { RateSheet } from '@vivid/core'

/** A rate sheet as the desk lists it, with its revision and the calculators that look values up in it. */
export const SheetListed = z.strictObject({
  sheet: RateSheet,
  revision: z.int(),
  usedBy: z.array(z.string()),
})
export type SheetListed = z.infer<typeof SheetListed>

/** Saves a sheet on top of a revision; 0: it is new. */
export const SaveSheet = z.strictObject({ revision: z.int().min(0), sheet: RateSheet })
export type SaveSheet = z.infer<typeof SaveSheet>
