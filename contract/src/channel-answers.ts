import { z } from 'zod'
import { frequencyNames, RateSheet, type Frequency } from '@vivid/core'
import { FieldProblem } from './errors'
import { StyleShape } from './house-styles'

const minor = z.int().meta({ description: 'Whole minor units (cents)' })
const decimal = z
  .string()
  .regex(/^-?\d+(\.\d+)?(e[+-]?\d+)?$/)
  .meta({ description: 'A plain decimal', example: '4.64' })

/** A value with its unit, as answers to other channels have it. */
export const ValueSaid = z
  .discriminatedUnion('unit', [
    z.object({
      unit: z.literal('money'),
      money: minor,
      per: z.string().optional(),
      every: z.string().optional(),
      exact: z.string().optional(),
    }),
    z.object({ unit: z.literal('percent'), percent: decimal }),
    z.object({
      unit: z.literal('share'),
      money: minor,
      percent: decimal,
      typed: z.enum(['money', 'percent']),
    }),
    z.object({ unit: z.literal('number'), number: decimal }),
    z.object({ unit: z.literal('count'), count: decimal }),
    z.object({ unit: z.literal('term'), years: z.int(), months: z.int() }),
    z.object({ unit: z.literal('date'), date: z.iso.date() }),
    z.object({ unit: z.literal('yesNo'), yes: z.boolean() }),
    z.object({ unit: z.literal('text'), text: z.string(), option: z.string().optional() }),
    z.object({
      unit: z.literal('frequency'),
      frequency: z.enum(frequencyNames as [Frequency, ...Frequency[]]),
    }),
    z.object({
      unit: z.literal('loans'),
      loans: z.array(z.object({ name: z.string(), owed: minor, rate: decimal, payment: minor })),
    }),
    z.object({ unit: z.literal('list'), items: z.array(z.unknown()) }),
    z.object({ unit: z.literal('loan'), principal: minor, payment: minor, count: z.int() }),
    z.object({
      unit: z.literal('figures'),
      of: z.unknown(),
      main: z.unknown().optional(),
      figures: z.record(z.string(), z.unknown()),
    }),
  ])
  .meta({ id: 'Value', description: 'A value with its unit' })

/** A row of a schedule: amounts in minor units. */
const Payment = z.looseObject({
  number: z.int(),
  date: z.iso.date().optional(),
  opening: minor,
  payment: minor,
  interest: minor,
  principal: minor,
  closing: minor,
})

/** What `evaluate` answers, and nothing more: its documents promise every part of it. */
export const EvaluateAnswer = z
  .strictObject({
    edition: z.int().meta({ description: 'The edition that answered' }),
    currency: z.string(),
    values: z
      .record(z.string(), ValueSaid)
      .meta({ description: 'By step; what visitors are not shown is not here' }),
    readouts: z.array(
      z.looseObject({
        id: z.string(),
        shows: z.string(),
        figure: z.string().meta({ description: 'As the page shows it' }),
        sentence: z.string(),
        payments: z.array(Payment).optional(),
      }),
    ),
    conventions: z
      .array(z.string())
      .meta({ description: 'What the loans take for granted, each in a sentence' }),
    problems: z.array(FieldProblem),
    notices: z
      .array(FieldProblem)
      .meta({ description: 'What has to be said and stops nothing, as extras a yearly limit cuts' }),
  })
  .meta({ id: 'Figures' })

/** The live edition as it is served. */
export const LiveAnswer = z
  .looseObject({
    slug: z.string(),
    edition: z.int(),
    sha256: z.string().meta({ description: 'Of the canonical JSON (RFC 8785) of `content`' }),
    publishedAt: z.iso.datetime(),
    content: z.looseObject({
      format: z.literal('vivid-meter/edition'),
      version: z.int(),
      program: z.looseObject({}),
      style: StyleShape,
    }),
    today: z.iso.date(),
    sheets: z.array(RateSheet),
    handsOver: z.boolean().meta({ description: 'Whether visitors can hand their figures over' }),
  })
  .meta({ id: 'LiveEdition' })
