import { z } from 'zod'
import { MOST_STEPS } from '@vivid/core'
import { AskedDay, Ordinal, OrdinalText } from './bounds'
import { hostEvents } from './visitor'

export const AudienceEvent = z.enum(hostEvents)
export type AudienceEvent = z.infer<typeof AudienceEvent>

/** What a page counts: that something happened on it. No address, no name, no figure, nothing that tells two visitors apart. */
export const Counted = z.strictObject({
  calculator: z.string().max(80),
  edition: Ordinal,
  language: z.string().max(20),
  /** The placement it was shown by; empty where it was opened by its own address. */
  placement: z.string().max(40),
  event: AudienceEvent,
})
export type Counted = z.infer<typeof Counted>

/** The answers of a visitor who changed some, each as the coarse band it lies in; sent once, when the page is left. */
export const Answered = z.strictObject({
  calculator: z.string().max(80),
  edition: Ordinal,
  bands: z
    .record(z.string().max(60), z.string().max(60))
    .refine((bands) => Object.keys(bands).length <= MOST_STEPS, `at most ${MOST_STEPS} answers`),
})
export type Answered = z.infer<typeof Answered>

/** What is asked of the audience; ISO dates, both included. */
export const AudienceQuery = z.strictObject({
  from: AskedDay,
  to: AskedDay,
  /** A calculator's slug; without one all. */
  calculator: z.string().max(80).optional(),
  placement: z.string().max(40).optional(),
  edition: OrdinalText.optional(),
  language: z.string().max(20).optional(),
})
export type AudienceQuery = z.infer<typeof AudienceQuery>

const counts = Object.fromEntries(hostEvents.map((event) => [event, z.int()])) as Record<
  AudienceEvent,
  z.ZodInt
>
const Group = z.strictObject({ name: z.string(), label: z.string(), ...counts })
export type AudienceGroup = z.infer<typeof Group>

/** Bands with fewer answers than this are not told apart. */
export const SMALLEST_GROUP = 10

export const Audience = z.strictObject({
  total: z.strictObject(counts),
  days: z.array(z.strictObject({ day: z.iso.date(), ...counts })),
  calculators: z.array(Group),
  placements: z.array(Group),
  editions: z.array(Group),
  languages: z.array(Group),
  /** Typical answers of one calculator: its questions with their bands; small groups are left out. */
  answers: z.array(
    z.strictObject({
      question: z.string(),
      label: z.string(),
      bands: z.array(z.strictObject({ band: z.string(), label: z.string(), count: z.int() })),
      /** How many bands were too small to be shown. */
      hidden: z.int(),
    }),
  ),
})
export type Audience = z.infer<typeof Audience>
