import type { MinorDigits } from '../money/currencies'
import type { Arithmetic, Expression } from './expression'
import { inUnit, type Typed } from './fit'
import { mendPeriods, mendUnits } from './mend'
import type { FormulaFault } from './problem'
import { COUNT, isMeasure, MONEY, NUMBER, PERCENT, TERM, timesAYear, type Unit } from './unit'

export interface TypedOperation {
  readonly expression: Expression
  readonly unit: Unit
  readonly question?: Extract<FormulaFault, { code: 'DIVIDED_BY_HAND' }>
}

/**
 * What an operation on two parts gives, or why it cannot be. Sums need one unit and one period; a percentage of an
 * amount is an amount; an amount over an amount is a number; a length of time never meets a number of payments.
 */
export function typeArithmetic(
  how: Arithmetic,
  a: Typed,
  b: Typed,
  minorDigits: MinorDigits,
): TypedOperation | FormulaFault {
  const clash = (): FormulaFault => ({
    code: 'UNITS_CLASH',
    how,
    a: a.text,
    b: b.text,
    unitA: a.unit,
    unitB: b.unit,
    mend: how === '+' || how === '-' ? mendUnits(a, b) : undefined,
  })
  switch (how) {
    case '+':
    case '-':
      return added(how, a, b, minorDigits) ?? clash()
    case '*':
      return multiplied(a, b) ?? clash()
    case '/':
      return divided(a, b) ?? clash()
    case '^':
      return isPlain(a.unit) && isPlain(b.unit)
        ? operation('^', a, b, a.unit.is === 'bare' && b.unit.is === 'bare' ? a.unit : NUMBER)
        : clash()
  }
}

const operation = (how: Arithmetic, a: Typed, b: Typed, unit: Unit): TypedOperation => ({
  expression: { op: 'arithmetic', how, a: a.expression, b: b.expression },
  unit,
})

const isPlain = ({ is }: Unit) => is === 'number' || is === 'count' || is === 'bare'

/** The result of an operation on plain numbers: whole numbers of payments stay so, literals stay literals. */
const plainUnit = (a: Unit, b: Unit): Unit =>
  a.is === 'number' || b.is === 'number' ? NUMBER : a.is === 'count' || b.is === 'count' ? COUNT : a

function added(
  how: '+' | '-',
  a: Typed,
  b: Typed,
  digits: MinorDigits,
): TypedOperation | FormulaFault | undefined {
  if (a.unit.is === 'date' && b.unit.is === 'term') return later(a, b, how === '-')
  if (!isMeasure(a.unit) || !isMeasure(b.unit)) return undefined
  if (isPlain(a.unit) && isPlain(b.unit)) return operation(how, a, b, plainUnit(a.unit, b.unit))
  if (a.unit.is === 'money' && b.unit.is === 'money' && a.unit.per !== b.unit.per)
    return {
      code: 'PERIODS_DIFFER',
      a: a.text,
      b: b.text,
      perA: a.unit.per,
      perB: b.unit.per,
      mend: mendPeriods(a, b),
    }
  const [x, y] = [
    b.unit.is === 'money' || b.unit.is === 'percent' ? inUnit(a, b.unit, digits) : a,
    a.unit.is === 'money' || a.unit.is === 'percent' ? inUnit(b, a.unit, digits) : b,
  ]
  return x.unit.is === y.unit.is ? operation(how, x, y, x.unit) : undefined
}

const later = (date: Typed, months: Typed, back: boolean): TypedOperation => ({
  expression: { op: 'later', date: date.expression, months: months.expression, back },
  unit: date.unit,
})

function multiplied(a: Typed, b: Typed): TypedOperation | undefined {
  const [x, y] = order(a, b)
  if (isPlain(x.unit) && isPlain(y.unit)) return operation('*', a, b, plainUnit(a.unit, b.unit))
  if (x.unit.is === 'money' && isPlain(y.unit)) {
    if (x.unit.per === 'payment' && y.unit.is === 'count') return operation('*', x, y, MONEY)
    return withQuestion(operation('*', x, y, x.unit), x, y)
  }
  if (x.unit.is === 'money' && y.unit.is === 'percent') return percentage(operation('*', x, y, x.unit))
  if (x.unit.is === 'money' && y.unit.is === 'term' && x.unit.per && x.unit.per !== 'payment')
    return { expression: forAsLong(x, y, timesAYear[x.unit.per]), unit: MONEY }
  if (x.unit.is === 'percent' && y.unit.is === 'percent') return percentage(operation('*', x, y, PERCENT))
  if (x.unit.is === 'percent' && isPlain(y.unit)) return withQuestion(operation('*', x, y, PERCENT), x, y)
  if (x.unit.is === 'term' && isPlain(y.unit)) return operation('*', x, y, TERM)
  if (x.unit.is === 'term' && y.unit.is === 'percent') return percentage(operation('*', x, y, TERM))
  return undefined
}

function divided(a: Typed, b: Typed): TypedOperation | undefined {
  if (isPlain(a.unit) && isPlain(b.unit))
    return operation('/', a, b, a.unit.is === 'bare' && b.unit.is === 'bare' ? a.unit : NUMBER)
  if (isPlain(b.unit) && isMeasure(a.unit)) return withQuestion(operation('/', a, b, a.unit), a, b)
  if (a.unit.is === 'money' && b.unit.is === 'money' && a.unit.per === b.unit.per)
    return operation('/', a, b, NUMBER)
  if (a.unit.is === 'money' && b.unit.is === 'percent')
    return { expression: times(operation('/', a, b, a.unit).expression, '100'), unit: a.unit }
  if ((a.unit.is === 'percent' && b.unit.is === 'percent') || (a.unit.is === 'term' && b.unit.is === 'term'))
    return operation('/', a, b, NUMBER)
  return undefined
}

const times = (expression: Expression, by: string): Expression => ({
  op: 'arithmetic',
  how: '*',
  a: expression,
  b: { op: 'number', value: by },
})

const percentage = ({ expression, unit }: TypedOperation): TypedOperation => ({
  expression: times(expression, '0.01'),
  unit,
})

/** An amount that recurs, for a length of time: amount × times a year × months ÷ 12. */
const forAsLong = (amount: Typed, length: Typed, perYear: number): Expression => ({
  op: 'arithmetic',
  how: '/',
  a: times(operation('*', amount, length, MONEY).expression, String(perYear)),
  b: { op: 'number', value: '12' },
})

/** Money first, then lengths of time and percentages, then plain numbers. */
function order(a: Typed, b: Typed): readonly [Typed, Typed] {
  const rank = ({ unit }: Typed) => ['money', 'term', 'percent'].indexOf(unit.is) + 1 || 9
  return rank(a) <= rank(b) ? [a, b] : [b, a]
}

/** The numbers people divide by when they turn years into periods by hand, and percent into fractions. */
const BY_HAND = new Set(['12', '24', '26', '52', '100'])

function withQuestion(result: TypedOperation, x: Typed, y: Typed): TypedOperation {
  const recurs = x.unit.is === 'percent' || (x.unit.is === 'money' && x.unit.per !== undefined)
  if (!recurs || y.expression.op !== 'number' || !BY_HAND.has(y.expression.value)) return result
  return {
    ...result,
    question: { code: 'DIVIDED_BY_HAND', text: x.text, by: y.expression.value, unit: x.unit },
  }
}
