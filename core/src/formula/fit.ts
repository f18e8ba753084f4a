import { Decimal } from '../money/decimal'
import type { MinorDigits } from '../money/currencies'
import { frequencyNames, type Frequency } from '../rates/frequency'
import type { Expression } from './expression'
import type { FormulaFault } from './problem'
import {
  COUNT,
  FREQUENCY,
  isMeasure,
  isSameUnit,
  MONEY,
  NUMBER,
  PERCENT,
  TERM,
  type Unit,
  type Wanted,
} from './unit'

/** A part of a formula with its unit and where it stands. */
export interface Typed {
  readonly expression: Expression
  readonly unit: Unit
  readonly from: number
  readonly to: number
  readonly text: string
}

/** A bare number takes the unit of its place; anything else stays as it is. */
export function inUnit(part: Typed, unit: Unit, minorDigits: MinorDigits): Typed {
  if (part.unit.is !== 'bare') return part
  const scale = unit.is === 'money' ? new Decimal(10).pow(minorDigits) : new Decimal(1)
  return { ...part, unit, expression: scaled(part.expression, scale) }
}

function scaled(expression: Expression, scale: Decimal): Expression {
  if (scale.equals(1)) return expression
  if (expression.op === 'number')
    return { ...expression, value: new Decimal(expression.value).times(scale).toFixed() }
  return { op: 'arithmetic', how: '*', a: expression, b: { op: 'number', value: scale.toFixed() } }
}

/** The part as its place takes it, or what is wrong with it. `place` names the argument or the field. */
export function fit(
  part: Typed,
  wanted: Wanted,
  minorDigits: MinorDigits,
  place?: string,
): Typed | FormulaFault {
  const { unit } = part
  const refused = (mend?: string): FormulaFault => ({
    code: 'UNIT_NOT_WANTED',
    text: part.text,
    got: unit,
    wanted,
    place,
    mend,
  })
  switch (wanted.is) {
    case 'money':
      if (unit.is === 'bare') return inUnit(part, moneyUnit(wanted.per), minorDigits)
      if (unit.is !== 'money') return refused(unit.is === 'number' ? `as money(${part.text})` : undefined)
      if (wanted.per === 'any' || wanted.per === unit.per) return part
      // An amount of a payment is an amount once: what one payment comes to.
      if (wanted.per === undefined && unit.per === 'payment') return { ...part, unit: MONEY }
      return periodFault(part, wanted.per)
    case 'percent':
      if (unit.is === 'bare') return inUnit(part, PERCENT, minorDigits)
      return unit.is === 'percent'
        ? part
        : refused(unit.is === 'number' ? `as percent(${part.text})` : undefined)
    case 'number':
      if (unit.is === 'bare' || unit.is === 'count') return { ...part, unit: NUMBER }
      if (unit.is === 'term') return refused(`in years(${part.text})`)
      return unit.is === 'number'
        ? part
        : refused(unit.is === 'percent' ? `as number(${part.text})` : undefined)
    case 'count':
      if (unit.is === 'bare' || unit.is === 'number') return { ...part, unit: COUNT }
      if (unit.is === 'term') return refused(`payments in(${part.text})`)
      return unit.is === 'count' ? part : refused()
    case 'term':
      if (unit.is === 'bare') return refused(`years(${part.text})`)
      if (unit.is === 'number') return refused(`years(${part.text})`)
      return unit.is === 'term' ? part : refused(unit.is === 'count' ? `length of(${part.text})` : undefined)
    case 'years':
      if (unit.is === 'bare')
        return { ...part, unit: TERM, expression: scaled(part.expression, new Decimal(12)) }
      return fit(part, { is: 'term' }, minorDigits, place)
    case 'frequency':
      return asFrequency(part) ?? refused()
    case 'text':
    case 'date':
    case 'yesNo':
      return unit.is === wanted.is ? part : refused()
    case 'amount':
      return isMeasure(unit) ? part : refused()
    case 'shown':
      if (unit.is === 'bare') return { ...part, unit: NUMBER }
      return unit.is === 'figures' || unit.is === 'list' ? refused() : part
    case 'list':
      return fitList(part, wanted.of, minorDigits, place) ?? refused()
    case 'figures':
      return isSameUnit(unit, wanted) ? part : refused()
    case 'oneOf': {
      if (isTooMuchForShare(part) && wanted.of.some(({ is }) => is === 'money'))
        return inUnit(part, MONEY, minorDigits)
      const tried = wanted.of.map((one) => fit(part, one, minorDigits, place))
      const fitting = tried.find((result) => !('code' in result))
      return fitting ?? refused(mendOf(tried))
    }
  }
}

/** More than the whole: where an amount or a share of it is taken, that can only be an amount. */
const isTooMuchForShare = ({ unit, expression }: Typed): boolean =>
  unit.is === 'bare' && expression.op === 'number' && Number(expression.value) > 100

const moneyUnit = (per: 'any' | Exclude<Unit & { is: 'money' }, never>['per']): Unit =>
  per === undefined || per === 'any' ? MONEY : { is: 'money', per }

const mendOf = (tried: readonly (Typed | FormulaFault)[]): string | undefined =>
  tried.flatMap((result) => ('code' in result && 'mend' in result && result.mend ? [result.mend] : []))[0]

/** An amount with one period where another is wanted, and the function that turns the one into the other. */
function periodFault(
  part: Typed,
  per: Exclude<Extract<Wanted, { is: 'money' }>['per'], 'any'>,
): FormulaFault {
  const got = part.unit.is === 'money' ? part.unit.per : undefined
  const mend =
    per === undefined
      ? `once(${part.text})`
      : got === undefined
        ? `${attachingName[per] ?? 'per payment'}(${part.text})`
        : `per ${per}(${part.text})`
  return { code: 'PERIODS_DIFFER', a: part.text, b: '', perA: got, perB: per, mend }
}

export const attachingName: Readonly<Record<string, string>> = {
  year: 'yearly',
  halfYear: 'half yearly',
  quarter: 'quarterly',
  month: 'monthly',
  week: 'weekly',
}

function asFrequency(part: Typed): Typed | undefined {
  if (part.unit.is === 'frequency') return part
  const expression = namingFrequency(part.expression)
  return expression && { ...part, unit: FREQUENCY, expression }
}

/** Words for a frequency, by themselves or as the outcomes of conditions. */
function namingFrequency(expression: Expression): Expression | undefined {
  if (expression.op === 'if') {
    const [then, otherwise] = [namingFrequency(expression.then), namingFrequency(expression.else)]
    return then && otherwise && { ...expression, then, else: otherwise }
  }
  const name = expression.op === 'text' ? frequencyIn(expression.value) : undefined
  return name && { op: 'text', value: name }
}

/** The frequency an author means by a word or two. */
export function frequencyIn(text: string): Frequency | undefined {
  const name = frequencyInWords[text.toLowerCase()] ?? text
  return frequencyNames.find((one) => one === name)
}

/** Frequencies as an author writes them between quotes. */
const frequencyInWords: Readonly<Record<string, Frequency>> = {
  monthly: 'monthly',
  'semi-monthly': 'semiMonthly',
  'twice a month': 'semiMonthly',
  biweekly: 'biweekly',
  'every two weeks': 'biweekly',
  weekly: 'weekly',
  quarterly: 'quarterly',
  'half-yearly': 'halfYearly',
  yearly: 'yearly',
  'accelerated biweekly': 'acceleratedBiweekly',
  'accelerated weekly': 'acceleratedWeekly',
}

function fitList(
  part: Typed,
  of: Wanted,
  minorDigits: MinorDigits,
  place?: string,
): Typed | FormulaFault | undefined {
  if (part.unit.is !== 'list') return undefined
  const { expression } = part
  if (expression.op !== 'list') {
    const item = fit({ ...part, unit: part.unit.of }, of, minorDigits, place)
    return 'code' in item ? item : part
  }
  const itemUnit = part.unit.of
  let unit: Unit = itemUnit
  const items: Expression[] = []
  for (const item of expression.items) {
    const fitted = fit({ ...part, expression: item, unit: itemUnit }, of, minorDigits, place)
    if ('code' in fitted) return fitted
    items.push(fitted.expression)
    unit = fitted.unit
  }
  return { ...part, unit: { is: 'list', of: unit }, expression: { op: 'list', items } }
}
