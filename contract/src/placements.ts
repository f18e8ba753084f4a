import { z } from 'zod'

const timestamp = z.iso.datetime()

/** Where a page may be: scheme, host and port, as browsers name it. */
export const Origin = z
  .string()
  .max(200)
  .refine(
    (text) =>
      /^https?:\/\/[a-z0-9]([a-z0-9.-]*[a-z0-9])?(:\d{1,5})?$/.test(text) &&
      !/^(https:.*:443|http:.*:80)$/.test(text),
    'the beginning of the site’s addresses, like "https://www.larkmoor.example"',
  )

/** A site of the lender's: only pages under its addresses may show what is placed on it. */
export const Site = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  origins: z.array(z.string()),
})
export type Site = z.infer<typeof Site>
export const SaveSite = z.strictObject({
  name: z.string().trim().min(1).max(80),
  origins: z.array(Origin).min(1).max(20),
})
export type SaveSite = z.infer<typeof SaveSite>

/** What a placement says: which calculator a page of a site shows, in which language, with which answers to begin with. */
export const PlacementChoices = z.strictObject({
  site: z.uuid(),
  /** Path of the page, "/borrow/floating-home"; it may change without the placement being lost. */
  page: z.string().trim().min(1).max(200).regex(/^\//, 'the page’s path, like "/borrow/floating-home"'),
  calculator: z.uuid(),
  /** Empty: the page's own. */
  language: z.string().max(20),
  /** The answer to a question by its id, with a decimal point ("412600.50", "20%", "25 years"); others begin with their default. */
  answers: z.record(z.string().max(60), z.string().max(80)),
  /** Widest in CSS pixels; null: as wide as the page lets it be. */
  width: z.int().min(280).max(2_400).nullable(),
})
export type PlacementChoices = z.infer<typeof PlacementChoices>

export const PlacementListed = z.strictObject({
  id: z.string(),
  ...PlacementChoices.shape,
  siteName: z.string(),
  slug: z.string(),
  title: z.string(),
  isLive: z.boolean(),
  isTakenDown: z.boolean(),
  /** What visitors' questions are called, of those whose answer the live edition does not allow: they begin as usual. */
  refused: z.array(z.string()),
  /** Null: it was never seen on a page. */
  lastSeen: timestamp.nullable(),
  /** Where it was last seen, if that is another page than the one it is for. */
  seenAt: z.string().nullable(),
})
export type PlacementListed = z.infer<typeof PlacementListed>

/** A snippet found where it should not be, or showing nothing. */
export const Stray = z.strictObject({
  origin: z.string(),
  page: z.string(),
  /** The calculator it asks for, if there is one of that address. */
  slug: z.string(),
  why: z.enum(['unlisted', 'takenDown', 'notLive', 'unknown']),
  lastSeen: timestamp,
})
export type Stray = z.infer<typeof Stray>

export const PlacementsListed = z.strictObject({
  sites: z.array(Site),
  placements: z.array(PlacementListed),
  strays: z.array(Stray),
})
export type PlacementsListed = z.infer<typeof PlacementsListed>

/** What the placement script asks. */
export const PlacingQuery = z.object({
  placement: z.string().max(40).optional(),
  calculator: z.string().max(80).optional(),
  page: z.string().max(200).default('/'),
})
/** What it is told: the frame to draw, or why there is none. */
export interface Placing {
  readonly calculator: string
  /** Path and query of the frame; null where this page may not show it. */
  readonly frame: string | null
  readonly width: number | null
  readonly why: Stray['why'] | null
}
