import { dequal as equal } from 'dequal/lite'
import { minuteText, type Moment } from '../../dates/moment'
import { minor } from '../../money/minor'
import { Decimal } from '../../money/decimal'
import type { Sample } from '../document/document'
import type { RateSheet } from '../document/sheets'
import { createEvaluator } from '../evaluate/evaluate'
import type { Evaluation, Readout, Value } from '../program/evaluated'
import type { Answers, Program } from '../program/program'
import { begunBy } from '../sheets/versions'

/** A calculator as visitors have it, or would have it: its program, with the sheets it is worked out with. */
export interface AsServed {
  readonly program: Program
  readonly sheets: readonly RateSheet[]
}

/** What becomes of what one sample visitor reads. */
export interface SampleCompared {
  readonly sample: string
  /** In the order of the page as it would be; what is gone comes last. Those that say nothing of their own are left out. */
  readonly rows: readonly ReadoutCompared[]
}
export interface ReadoutCompared {
  /** The step. */
  readonly id: string
  /** Undefined: not shown, or not worked out. */
  readonly before: Readout | undefined
  readonly after: Readout | undefined
  readonly isSame: boolean
  /** After less before, in the unit of both; undefined where there is nothing to take off. */
  readonly difference: Value | undefined
}

/** What is done with figures or drawn from the visitor's own tries: nothing in it to compare. */
const SILENT: ReadonlySet<Readout['shows']> = new Set(['actions', 'whatIf', 'assumptions'])

/** Works every sample visitor out on both. */
export function editionImpact(
  before: AsServed,
  after: AsServed,
  samples: readonly Pick<Sample, 'name' | 'answers'>[],
  today: Moment,
): SampleCompared[] {
  const [was, is] = [workingOut(before, today), workingOut(after, today)]
  return samples.map(({ name, answers }) => ({
    sample: name,
    rows: readoutsCompared(was(answers), is(answers)),
  }))
}

/** What a page shows before and after, readout by readout. */
export function readoutsCompared(
  before: Pick<Evaluation, 'readouts'>,
  after: Pick<Evaluation, 'readouts'>,
): ReadoutCompared[] {
  const ids = new Set([...after.readouts, ...before.readouts].map(({ id }) => id))
  return [...ids].flatMap((id) => {
    const [was, is] = [before, after].map(({ readouts }) => readouts.find((readout) => readout.id === id))
    const said = is ?? was
    if (!said || SILENT.has(said.shows)) return []
    const isSame = equal(was, is)
    return [{ id, before: was, after: is, isSame, difference: differenceOf(valueOf(was), valueOf(is)) }]
  })
}

/** Works answers out as visitors' pages do; answers to questions it does not ask count for nothing. */
export function workingOut({ program, sheets }: AsServed, today: Moment): (answers: Answers) => Evaluation {
  const evaluate = createEvaluator(program)
  const begun = sheets.map((sheet) => begunBy(sheet, minuteText(today)))
  const asked = new Set(program.steps.flatMap(({ step }) => (step.kind === 'question' ? [step.id] : [])))
  return (answers) =>
    evaluate(Object.fromEntries(Object.entries(answers).filter(([id]) => asked.has(id))), {
      today,
      sheets: begun,
    })
}

const valueOf = (readout: Readout | undefined): Value | undefined => {
  if (readout?.shows === 'figure') return readout.value
  if (readout?.shows === 'meter') return readout.total
  if (readout?.shows === 'payment') return { unit: 'money', money: readout.row.payment }
  return undefined
}

function differenceOf(before: Value | undefined, after: Value | undefined): Value | undefined {
  if (!before || !after) return undefined
  if (before.unit === 'money' && after.unit === 'money')
    return { unit: 'money', money: minor(after.money - before.money) }
  if (before.unit === 'percent' && after.unit === 'percent')
    return { unit: 'percent', percent: less(after.percent, before.percent) }
  if (before.unit === 'number' && after.unit === 'number')
    return { unit: 'number', number: less(after.number, before.number) }
  if (before.unit === 'count' && after.unit === 'count')
    return { unit: 'count', count: less(after.count, before.count) }
  if (before.unit === 'term' && after.unit === 'term')
    return { unit: 'term', years: 0, months: monthsOf(after) - monthsOf(before) }
  return undefined
}

const less = (after: string, before: string): string => new Decimal(after).minus(before).toFixed()
const monthsOf = ({ years, months }: { readonly years: number; readonly months: number }) =>
  years * 12 + months
