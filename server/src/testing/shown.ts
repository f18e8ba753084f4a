import { resolveStyle, type Logo } from '@vivid/contract'
import { compile, starters, type CalculatorDocument, type Minor } from '@vivid/core'
import { contentOf } from '../authoring/approval/edition-content'
import { shippedStyles } from '../authoring/house-styles/shipped-styles'
import { shownFigures, type ShownFigures } from '../visitors/figures/shown-figures'

/** A visitor's figures of a mortgage over five years, as its author changed it: a short loan says as much, sooner. */
export function shownOf(
  change: (document: CalculatorDocument) => CalculatorDocument,
  { kept = 'kept', logo }: { readonly kept?: string; readonly logo?: Logo } = {},
): ShownFigures {
  const starter = starters.find(({ id }) => id === 'mortgage-payment')
  if (!starter) throw new Error('there is a starter')
  const { program } = compile({ ...change(starter.make()), languages: ['en-CA'] }, starter.sheets)
  const style = resolveStyle(shippedStyles.larkmoor.choices)
  return shownFigures({
    calculator: {
      slug: 'changed',
      edition: 1,
      sha256: '0'.repeat(64),
      publishedAt: '2026-11-25T12:00:00Z',
      content: contentOf(program, logo ? { ...style, logo } : style),
    },
    sheets: [],
    answers: { term: { years: 5, months: 0 } },
    beside: { whatIf: [{ name: kept, extra: 100_00 as Minor }] },
    language: 'en-CA',
    on: '2026-11-25',
  })
}
