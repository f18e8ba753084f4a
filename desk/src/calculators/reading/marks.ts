import { pageParts, type PreviewMark } from '@vivid/contract'
import type { CalculatorDocument, CalculatorStep, Change, ReadoutCompared } from '@vivid/core'

/** What visitors see of a step; the rest shows in its figures. */
const isSeen = ({ kind }: CalculatorStep) => kind === 'question' || kind === 'readout' || kind === 'section'
/** Fields of a step that are for the team alone. */
const UNSEEN = new Set(['name', 'note'])
const isPart = (field: string) => (pageParts as readonly string[]).includes(field)

/** What is marked on the page as it is, and on the page as it would be, where these readouts are on them. */
export function marksOf(
  changes: readonly Change[],
  [before, after]: readonly [CalculatorDocument, CalculatorDocument],
  readouts: readonly ReadoutCompared[],
): { readonly before: PreviewMark[]; readonly after: PreviewMark[] } {
  const [was, is] = [before, after].map(({ steps }) => new Set(steps.filter(isSeen).map(({ id }) => id))) as [
    Set<string>,
    Set<string>,
  ]
  const changed = new Set(
    changes.flatMap(({ of, id, field }) => {
      const [first = ''] = field.split('.')
      if (of === 'document') return isPart(first) ? [first] : []
      return of === 'step' && id && !UNSEEN.has(first) ? [id] : []
    }),
  )
  const moved = new Set(readouts.filter(({ isSame }) => !isSame).map(({ id }) => id))
  const onBoth = (of: string) => isPart(of) || (was.has(of) && is.has(of))
  const both = [...new Set([...changed, ...moved])].filter(onBoth).map((of) => ({
    of,
    said: [changed.has(of) && 'changed', moved.has(of) && 'other figures'].filter(Boolean).join(', '),
  }))
  const onlyOn = (ids: Set<string>, other: Set<string>, said: string) =>
    [...ids].filter((id) => !other.has(id)).map((of) => ({ of, said }))
  return {
    before: [...both, ...onlyOn(was, is, 'gone')],
    after: [...both, ...onlyOn(is, was, 'new')],
  }
}
