import { z } from 'zod'
import { Revision } from './bounds'

/** One thing an approver ticks: as it reads, which is all that tells one from another. */
const Check = z.string().trim().min(1).max(200)
export const MOST_CHECKS = 20
const Checks = z
  .array(Check)
  .max(MOST_CHECKS)
  .refine((items) => new Set(items).size === items.length, { message: 'each of them once' })

/** What has to be ticked before an edition goes live, in the lender's own words. */
export const Checklist = z.strictObject({
  items: Checks,
  revision: Revision,
  /** Null until somebody wrote one. */
  lastEditedBy: z.string().nullable(),
  lastEditedAt: z.iso.datetime(),
})
export type Checklist = z.infer<typeof Checklist>

export const SaveChecklist = z.strictObject({ items: Checks, revision: Revision })
export type SaveChecklist = z.infer<typeof SaveChecklist>
/** What an approver ticked. */
export const Checked = Checks.default([])
