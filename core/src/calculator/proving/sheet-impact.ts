import { readMoment } from '../../dates/moment'
import { minor, type Minor } from '../../money/minor'
import { compile, type Compiled } from '../compile/compile'
import type { CalculatorDocument } from '../document/document'
import type { RateSheet } from '../document/sheets'
import { evaluate } from '../evaluate/evaluate'
import { runProofs } from './proofs'
import type { Program } from '../program/program'
import type { Readout, Value } from '../program/evaluated'
import { sheetChanges } from '../sheets/sheet-changes'
import { begunBy, inForce } from '../sheets/versions'

/** What a changed sheet does to one calculator: its sample visitors' headline on a day, and its proofs. */
export interface SheetImpact {
  readonly samples: readonly SampleImpact[]
  readonly proofs: readonly ProofImpact[]
}
export interface SampleImpact {
  readonly sample: string
  /** ISO date on which the new figure holds. */
  readonly on: string
  /** The step whose figure the page puts first. */
  readonly readout: string | undefined
  readonly before: Value | undefined
  readonly after: Value | undefined
  /** After less before in minor units, where both are amounts. */
  readonly difference: Minor | undefined
}
export interface ProofImpact {
  readonly proof: string
  readonly agreedBefore: boolean
  readonly agreesAfter: boolean
}

/** The readout a page puts first: the headline, else the first figure. */
export const headlineReadout = (
  readouts: readonly Readout[],
): Extract<Readout, { shows: 'figure' }> | undefined => {
  const figures = readouts.filter((readout) => readout.shows === 'figure')
  return figures.find((readout) => readout.headline) ?? figures[0]
}

/**
 * The days on which a change of a sheet can be seen: today, if what is in force now changes, and each coming day on
 * which a changed version takes effect. `now` is a minute, "2026-11-25T09:00".
 */
export function daysTouched(before: RateSheet | undefined, after: RateSheet, now: string): string[] {
  const today = now.slice(0, 10)
  const force = (sheet: RateSheet | undefined) => JSON.stringify((sheet && inForce(sheet, now)?.rows) ?? [])
  const coming = sheetChanges(before, after).flatMap(({ start }) => (start > now ? [start.slice(0, 10)] : []))
  return [...new Set([...(force(before) === force(after) ? [] : [today]), ...coming])]
}

/** Works a live calculator's document out with the sheets as they are and as they would be. */
export function sheetImpact(
  document: CalculatorDocument,
  before: readonly RateSheet[],
  after: readonly RateSheet[],
  days: readonly string[],
  now: string,
): SheetImpact {
  const compiled = compile(document, after)
  return {
    samples: days.flatMap((on) => samplesOn(document, compiled.program, before, after, on, now)),
    proofs: proofsTouched(compiled, compile(document, before), before, after),
  }
}

function samplesOn(
  { samples }: CalculatorDocument,
  program: Program,
  before: readonly RateSheet[],
  after: readonly RateSheet[],
  on: string,
  now: string,
): SampleImpact[] {
  // On the day itself only what has begun counts; a coming day is looked at from its end.
  const touchedNow = now.startsWith(on) && daysTouchedNow(before, after, now)
  const minute = touchedNow ? now : `${on}T23:59`
  const today = readMoment(minute)
  if (!today) return []
  const known = (sheets: readonly RateSheet[]) => sheets.map((sheet) => begunBy(sheet, minute))
  const [sheetsBefore, sheetsAfter] = [known(before), known(after)]
  return samples.map(({ name, answers }) => {
    const headline = (sheets: readonly RateSheet[]) =>
      headlineReadout(evaluate(program, answers, { today, sheets }).readouts)
    const [was, is] = [headline(sheetsBefore), headline(sheetsAfter)]
    return {
      sample: name,
      on,
      readout: (is ?? was)?.id,
      before: was?.value,
      after: is?.value,
      difference:
        was?.value.unit === 'money' && is?.value.unit === 'money'
          ? minor(is.value.money - was.value.money)
          : undefined,
    }
  })
}

const rowsInForce = (sheets: readonly RateSheet[], now: string): string =>
  JSON.stringify(sheets.map((sheet) => [sheet.id, inForce(sheet, now)?.rows ?? []]).sort())
const daysTouchedNow = (before: readonly RateSheet[], after: readonly RateSheet[], now: string): boolean =>
  rowsInForce(before, now) !== rowsInForce(after, now)

/** Proofs whose verdict changes. */
function proofsTouched(
  after: Compiled,
  before: Compiled,
  sheetsBefore: readonly RateSheet[],
  sheetsAfter: readonly RateSheet[],
): ProofImpact[] {
  const verdicts = new Map([...runProofs(before, sheetsBefore)].map(({ id, agrees }) => [id, agrees]))
  return [...runProofs(after, sheetsAfter)].flatMap(({ id, name, agrees }) => {
    const agreedBefore = verdicts.get(id) ?? false
    return agreedBefore === agrees ? [] : [{ proof: name, agreedBefore, agreesAfter: agrees }]
  })
}
