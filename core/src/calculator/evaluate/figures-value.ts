import type { FigureSet } from '../../formula/computed'
import { figuresOf } from '../../formula/figures'
import type { FigureSource } from '../../formula/unit'
import type { MinorDigits } from '../../money/currencies'
import type { Value } from '../program/evaluated'
import { valueOf } from './value-of'

/** The figure that stands for a composite step on the tape: the first that exists here. */
const mainFigures: Readonly<Record<FigureSource, readonly string[]>> = {
  loan: [],
  affordability: ['price', 'income'],
  refinance: ['net saving'],
  equity: ['equity'],
  aim: ['amount', 'rate', 'length'],
  ladder: ['least payment'],
  comparison: ['interest difference'],
  loans: ['total owed'],
  oneOfLoans: ['owed'],
  payOff: ['total interest'],
}

export function figuresValue(set: FigureSet, of: FigureSource, digits: MinorDigits): Value {
  const figures: Record<string, Value> = {}
  for (const [name, unit] of Object.entries(figuresOf[of])) {
    const computed = set.figures[name]
    const value = computed === undefined ? undefined : valueOf(computed, unit, digits, 'monthly')
    if (value) figures[name] = value
  }
  const main = mainFigures[of].find((name) => name in figures)
  return { unit: 'figures', of, figures, ...(main && figures[main] ? { main: figures[main] } : {}) }
}
