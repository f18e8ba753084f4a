import type { SheetImpactSaid } from '@vivid/contract'
import { figuresFor } from '@vivid/contract/wording'
import {
  mainLanguage,
  compile,
  daysTouched,
  inForce,
  keysText,
  sheetChanges,
  sheetDoubts,
  sheetImpact,
  mainText,
  mainTitle,
  type CalculatorDocument,
  type Minor,
  type RateSheet,
  type SheetChange,
  type Value,
} from '@vivid/core'
import { usedSheets } from './used-sheets'

/** A calculator as visitors have it now. */
export interface LiveDocument {
  readonly id: string
  readonly document: CalculatorDocument
}

export interface ImpactAsked {
  readonly sheet: RateSheet
  readonly inForce: readonly RateSheet[]
  readonly live: readonly LiveDocument[]
  /** A minute, "2026-11-25T09:00". */
  readonly now: string
}

/** What a changed sheet does to the calculators that are live, in words. */
export function impactOf({ sheet: changed, inForce, live, now }: ImpactAsked): SheetImpactSaid {
  const before = inForce.find(({ id }) => id === changed.id)
  const after = [...inForce.filter(({ id }) => id !== changed.id), changed]
  const days = daysTouched(before, changed, now)
  const figureInForce = figuresInForce(before)
  const touched = live.filter(({ document }) => usedSheets(document).has(changed.id))
  return {
    changes: sheetChanges(before, changed).map((change) => ({
      ...change,
      keys: [...change.keys],
      before: change.before ?? figureInForce(change),
    })),
    doubts: sheetDoubts(before, changed).map((doubt) => ({ ...doubt, keys: [...doubt.keys] })),
    calculators: touched.map(({ id, document }) => {
      const { samples, proofs } = sheetImpact(document, inForce, after, days, now)
      const figures = figuresFor(compile(document, after).program, mainLanguage(document))
      const say = (value: Value | undefined) => (value ? figures.value(value) : 'cannot be worked out')
      const labelOf = (readout: string | undefined): string => {
        const step = document.steps.find((one) => one.id === readout)
        return step?.kind === 'readout' && step.shows === 'figure'
          ? mainText(step.label, document.languages)
          : ''
      }
      return {
        id,
        title: mainTitle(document),
        samples: samples.map(({ sample, on, readout, before: was, after: is, difference }) => ({
          sample,
          on,
          label: labelOf(readout),
          before: say(was),
          after: say(is),
          difference: difference === undefined ? '' : signed(difference, figures.money),
        })),
        proofs: proofs.map((proof) => ({ ...proof })),
      }
    }),
  }
}

/** The figure a new version's takes over from; each version's rows are gone through once. */
function figuresInForce(sheet: RateSheet | undefined) {
  const byStart = new Map<string, ReadonlyMap<string, string>>()
  return ({ start, keys }: SheetChange): string | null => {
    const known =
      byStart.get(start) ??
      new Map((sheet && inForce(sheet, start)?.rows)?.map((row) => [keysText(row.keys), row.value]))
    byStart.set(start, known)
    return known.get(keysText(keys)) ?? null
  }
}

/** "+$41.20", "−$8.00", or that nothing moves. */
const signed = (difference: Minor, money: (minor: number) => string): string =>
  difference === 0 ? 'unchanged' : `${difference < 0 ? '−' : '+'}${money(Math.abs(difference))}`
