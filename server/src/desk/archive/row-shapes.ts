import { z } from 'zod'
import { Origin, PlacementChoices, RecordEntry, Role, StyleChoices, StyleListed } from '@vivid/contract'
import { RateSheet } from '@vivid/core'

const id = z.uuid()
const time = z
  .string()
  .max(40)
  .refine((text) => !Number.isNaN(Date.parse(text)), 'a time')
const slug = z
  .string()
  .max(80)
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'small letters, digits and hyphens')
const number = z.int().min(1)

/**
 * What a row of each table is, as far as something here goes by it: a file anybody may have written must not leave a row
 * that the desk or a visitor's page cannot read afterwards. Documents are opened by themselves.
 */
export const rowShapes: Readonly<Record<string, z.ZodType>> = {
  people: z.looseObject({ id, email: z.email().max(254), name: z.string().min(1).max(120), role: Role }),
  house_styles: z.looseObject({
    id: StyleListed.shape.id,
    name: StyleListed.shape.name,
    choices: StyleChoices,
    last_edited_at: time,
  }),
  rate_sheets: z
    .looseObject({ id: z.string(), draft: RateSheet, sheet: RateSheet.nullable(), last_edited_at: time })
    .refine((row) => row.draft.id === row.id, { path: ['draft', 'id'], message: 'the id of its row' }),
  sheet_editions: z.looseObject({ sheet_id: z.string(), number, sheet: RateSheet, approved_at: time }),
  calculators: z.looseObject({
    id,
    slug,
    last_edited_at: time,
    folder: z.string().max(60).optional(),
    contributors: z.array(id).nullable().optional(),
  }),
  editions: z.looseObject({ calculator_id: id, number, note: z.string(), published_at: time }),
  sites: z.looseObject({ id, name: z.string().min(1).max(80), origins: z.array(Origin) }),
  placements: z.looseObject({
    id: z.string().min(1).max(40),
    site_id: id,
    calculator_id: id,
    page: PlacementChoices.shape.page,
    language: PlacementChoices.shape.language,
    answers: PlacementChoices.shape.answers,
    width: PlacementChoices.shape.width,
  }),
  audience_counts: z.looseObject({ day: z.iso.date(), count: z.int().min(0) }),
  audience_bands: z.looseObject({ day: z.iso.date(), count: z.int().min(0) }),
  record: z.looseObject({
    at: time,
    act: RecordEntry.shape.act,
    of: RecordEntry.shape.of,
    id: z.string(),
    subject: z.string(),
    details: RecordEntry.shape.details,
  }),
}
