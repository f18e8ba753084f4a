import { Fault, type Checking } from './checking'
import type { Comparison } from './expression'
import { fit, inUnit, type Typed } from './fit'
import { mendPeriods, mendUnits } from './mend'
import type { FormulaFault } from './problem'
import { isSameUnit, NUMBER, type Unit } from './unit'

/** Where two parts have to be alike: compared, the outcomes of one choice, in one list, the arguments of one call. */
export type Together = Comparison | 'if' | 'list' | 'same'

/** Two parts in one unit: a bare number takes the other's, a text must be one of the other's options. */
export function alike(
  checking: Checking,
  how: Together,
  a: Typed,
  b: Typed,
  node: { from: number; to: number },
): [Typed, Typed] {
  const { minorDigits } = checking.scope
  if (a.unit.is === 'bare' && b.unit.is === 'bare') return [a, b]
  if (a.unit.is === 'bare' && canBeBare(b.unit)) return [asOther(checking, a, b.unit, how), b]
  if (b.unit.is === 'bare' && canBeBare(a.unit)) return [a, asOther(checking, b, a.unit, how)]
  if (a.unit.is === 'frequency' || b.unit.is === 'frequency') {
    const [x, y] = [fit(a, { is: 'frequency' }, minorDigits), fit(b, { is: 'frequency' }, minorDigits)]
    if (!('code' in x) && !('code' in y)) return [x, y]
  }
  if (a.unit.is === 'text' && b.unit.is === 'text') {
    checkOption(a, b)
    checkOption(b, a)
    return [a, b]
  }
  if (isNumberLike(a.unit) && isNumberLike(b.unit))
    return [
      { ...a, unit: NUMBER },
      { ...b, unit: NUMBER },
    ]
  if (a.unit.is === 'money' && b.unit.is === 'money' && a.unit.per !== b.unit.per)
    throw new Fault(
      {
        code: 'PERIODS_DIFFER',
        a: a.text,
        b: b.text,
        perA: a.unit.per,
        perB: b.unit.per,
        mend: mendPeriods(a, b),
      },
      node,
    )
  if (!isSameUnit(a.unit, b.unit)) throw new Fault(clash(how, a, b), node)
  return [a, b]
}

function asOther(checking: Checking, bare: Typed, unit: Unit, how: Together): Typed {
  if (unit.is === 'percent' && how !== 'same' && how !== 'list') askAboutSmall(checking, bare)
  return inUnit(bare, unit, checking.scope.minorDigits)
}

/** 0.8 where a percentage stands is 0.8 %; it may well have been meant as 80 %. */
export function askAboutSmall(checking: Checking, { expression, from, to, text }: Typed): void {
  if (expression.op !== 'number') return
  const value = Number(expression.value)
  if (value > 0 && value < 1 && !text.includes('('))
    checking.ask({
      code: 'PERCENT_SO_SMALL',
      text,
      instead: String(Number((value * 100).toPrecision(12))),
      from,
      to,
    })
}

function checkOption(literal: Typed, other: Typed): void {
  const options = other.unit.is === 'text' ? other.unit.options : undefined
  if (!options || literal.expression.op !== 'text' || options.includes(literal.expression.value)) return
  throw new Fault({ code: 'OPTION_UNKNOWN', text: literal.expression.value, options }, literal)
}

const isNumberLike = ({ is }: Unit) => is === 'number' || is === 'count' || is === 'bare'
const canBeBare = ({ is }: Unit) => is === 'money' || is === 'percent' || is === 'number' || is === 'count'

export const clash = (how: Together, a: Typed, b: Typed): FormulaFault => ({
  code: 'UNITS_CLASH',
  how,
  a: a.text,
  b: b.text,
  unitA: a.unit,
  unitB: b.unit,
  mend: mendUnits(a, b),
})
