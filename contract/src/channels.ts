import { z } from 'zod'
import { AskedDay } from './bounds'

const timestamp = z.iso.datetime()

/** A key by which another server of the lender's asks for figures. The key itself is told once. */
export const KeyListed = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  /** Its first characters, to know it by. */
  start: z.string(),
  perMinute: z.int(),
  /** The addresses of the calculators it is for; null: all. */
  calculators: z.array(z.string()).nullable(),
  /** The last day it holds, ISO; null: until it is withdrawn. */
  endsOn: z.iso.date().nullable(),
  madeBy: z.string(),
  madeAt: timestamp,
  lastUsed: timestamp.nullable(),
  withdrawnAt: timestamp.nullable(),
})
export type KeyListed = z.infer<typeof KeyListed>

export const MakeKey = z.strictObject({
  name: z.string().trim().min(1).max(80),
  /** How many evaluations a minute it may ask for. */
  perMinute: z.int().min(1).max(100_000),
  /** The addresses of the calculators it is for; left out: all. */
  calculators: z.array(z.string().min(1).max(80)).min(1).max(200).nullable().default(null),
  /** The last day it holds, ISO; left out: until it is withdrawn. */
  endsOn: AskedDay.nullable().default(null),
})
export type MakeKey = z.infer<typeof MakeKey>

export const KeyMade = z.strictObject({ key: z.string(), keys: z.array(KeyListed) })
export type KeyMade = z.infer<typeof KeyMade>

/** Evaluations a minute from one address without a key. */
export const KEYLESS_PER_MINUTE = 300

/** A live calculator as another channel sees it: what it asks, and an example that can be sent as it is. */
export const ChannelCalculator = z.strictObject({
  slug: z.string(),
  title: z.string(),
  languages: z.array(z.string()),
  questions: z.array(
    z.strictObject({ id: z.string(), label: z.string(), form: z.string(), required: z.boolean() }),
  ),
  example: z.record(z.string(), z.unknown()),
})
export type ChannelCalculator = z.infer<typeof ChannelCalculator>
