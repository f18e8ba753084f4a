import { addMonths, isoDate, readIsoDate } from '../dates/plain-date'
import { assert } from '../guards/assert'
import { Decimal, isDecimal, trusted, power, hasPower } from '../money/decimal'
import { LARGEST_BALANCE } from '../money/minor'
import { roundWhole } from '../money/rounding'
import type { Frequency } from '../rates/frequency'
import { EACH_LOAN, Stopped, type Computed, type FigureSet, type LoanRun } from './computed'
import type { Comparison, Expression } from './expression'
import type { Arguments, Surroundings } from './functions/function'
import type { FunctionNamed } from './functions/light'
import { CONVERSION, convertPeriod } from './functions/often'
import type { Period } from './unit'
import { spend } from '../guards/work'

/** Where an expression finds the values of steps; a step without a value stops it with `WAITS`. */
export interface Values extends Surroundings {
  readonly valueOf: (stepId: string) => Computed
  readonly figureOf: (stepId: string, figure: string) => Computed
  readonly functionNamed: FunctionNamed
  /** The items of the lists that are gone through, by the names the formula gives them. */
  readonly items?: Readonly<Record<string, Computed>>
}

/** Works a checked formula out, exactly: 60 digits, nothing rounded on the way. Stops with `Stopped`. */
export function evaluateExpression(expression: Expression, values: Values): Computed {
  spend(expression.op === 'arithmetic' || expression.op === 'call' ? 12 : 1)
  const of = (node: Expression) => evaluateExpression(node, values)
  switch (expression.op) {
    case 'number':
      return new Decimal(expression.value)
    case 'text':
    case 'yesNo':
      return expression.value
    case 'step':
      return values.valueOf(expression.id)
    case 'figure':
      return values.figureOf(expression.id, expression.of)
    case 'list':
      return expression.items.map(of)
    case 'if':
      return of(expression.when) ? of(expression.then) : of(expression.else)
    case 'and':
      return Boolean(of(expression.a)) && Boolean(of(expression.b))
    case 'or':
      return Boolean(of(expression.a)) || Boolean(of(expression.b))
    case 'not':
      return !of(expression.a)
    case 'compare':
      return isTrue(expression.how, of(expression.a), of(expression.b))
    case 'arithmetic':
      return bounded(calculate(expression, asDecimal(of(expression.a)), asDecimal(of(expression.b))))
    case 'each':
      return itemsOf(of(expression.list)).map((item) =>
        evaluateExpression(expression.body, {
          ...values,
          items: { ...values.items, [expression.item]: item },
        }),
      )
    case 'item':
      return itemNamed(expression, values)
    case 'later':
      return laterDate(of(expression.date), asDecimal(of(expression.months)), expression.back)
    case 'call': {
      const args = expression.args.map((arg) => (arg === null ? undefined : of(arg)))
      if (expression.name === CONVERSION) return conversion(args)
      const builtIn = values.functionNamed(expression.name)
      assert(builtIn !== undefined, `the function ${expression.name} exists`)
      const result = builtIn.work(argumentsOf(args), values)
      return isDecimal(result) ? bounded(result) : result
    }
  }
}

export function asDecimal(value: Computed | undefined): Decimal {
  assert(isDecimal(value), 'a measured value is a decimal')
  return value
}

/** The items of a list of values, or of a list of loans. */
function itemsOf(list: Computed): readonly Computed[] {
  const items = isFigureSet(list) ? list.figures[EACH_LOAN] : list
  assert(Array.isArray(items), 'what a formula goes through is a list')
  return items as readonly Computed[]
}

function itemNamed({ name, of }: Extract<Expression, { op: 'item' }>, { items }: Values): Computed {
  const item = items?.[name]
  const value = of !== undefined && isFigureSet(item) ? item.figures[of] : item
  assert(value !== undefined, 'an item is named only where its list is gone through')
  return value as Computed
}

/** Beyond this no amount is worked out; what is larger was a slip or an attack. */
const LARGEST = new Decimal(LARGEST_BALANCE).times(1e6)
const LARGEST_EXPONENT = LARGEST.exponent()

function bounded(value: Decimal): Decimal {
  // Most are far smaller, which their exponent alone tells.
  if (value.exponent() >= LARGEST_EXPONENT && value.abs().greaterThan(LARGEST))
    throw new Stopped({ code: 'TOO_LARGE' })
  return value
}

function calculate({ how }: Extract<Expression, { op: 'arithmetic' }>, a: Decimal, b: Decimal): Decimal {
  switch (how) {
    case '+':
      return a.plus(b)
    case '-':
      return a.minus(b)
    case '*':
      return a.times(b)
    case '/':
      if (b.isZero()) throw new Stopped({ code: 'DIVIDED_BY_ZERO' })
      return a.div(b)
    case '^':
      if (b.abs().greaterThan(10_000)) throw new Stopped({ code: 'TOO_LARGE' })
      if (!hasPower(a, b)) throw new Stopped({ code: 'DIVIDED_BY_ZERO' })
      return power(a, b)
  }
}

function isTrue(how: Comparison, a: Computed, b: Computed): boolean {
  const order = orderOf(a, b)
  switch (how) {
    case '=':
      return order === 0
    case '!=':
      return order !== 0
    case '<':
      return order < 0
    case '<=':
      return order <= 0
    case '>':
      return order > 0
    case '>=':
      return order >= 0
  }
}

/** Decimals by size, after the digits that carry the error of division; texts and dates by their letters. */
function orderOf(a: Computed, b: Computed): number {
  if (isDecimal(a) && isDecimal(b)) return trusted(a).comparedTo(trusted(b))
  if (a === b) return 0
  return String(a) < String(b) ? -1 : 1
}

function laterDate(date: Computed, months: Decimal, back: boolean): string {
  const from = readIsoDate(date)
  assert(from !== undefined, 'a date in a formula is a day of the calendar')
  const whole = roundWhole(months).toNumber() * (back ? -1 : 1)
  if (Math.abs(whole) > MOST_MONTHS) throw new Stopped({ code: 'TOO_LARGE' })
  const to = addMonths(from, whole)
  if (to.year < 1 || to.year > 9999) throw new Stopped({ code: 'TOO_LARGE' })
  return isoDate(to)
}

/** Years of four digits have no more. */
const MOST_MONTHS = 12 * 10_000

const conversion = ([amount, from, to, frequency]: readonly (Computed | undefined)[]): Decimal =>
  bounded(convertPeriod(asDecimal(amount), from as Period, to as Period, frequency as Frequency | undefined))

const argumentsOf = (args: readonly (Computed | undefined)[]): Arguments => ({
  count: args.length,
  has: (index) => args[index] !== undefined,
  decimal: (index) => asDecimal(args[index]),
  whole: (index) => {
    const value = trusted(asDecimal(args[index]))
    if (!value.isInteger() || value.abs().greaterThan(1e9))
      throw new Stopped({ code: 'NOT_WHOLE', what: value.toSignificantDigits(12).toFixed() })
    return value.toNumber()
  },
  text: (index) => String(args[index]),
  loan: (index) => args[index] as LoanRun,
  list: (index) => args[index] as readonly Computed[],
  decimals: (index) => (args[index] as readonly Computed[]).map(asDecimal),
})

export const isLoanRun = (value: Computed | undefined): value is LoanRun =>
  typeof value === 'object' && 'kind' in value && value.kind === 'loan'

export const isFigureSet = (value: Computed | undefined): value is FigureSet =>
  typeof value === 'object' && 'kind' in value && value.kind === 'figures'
