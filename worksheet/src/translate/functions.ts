import { dateFrom, dayOfMonth, endOfMonth, monthOfYear, monthsLater, timeBetween, yearOf } from './dates'
import { NotTaken } from '../formula/formula'
import {
  asNumber,
  asYesNo,
  either,
  figure,
  firstThat,
  NONE,
  number,
  writtenNumber,
  yesNo,
  ZERO,
  type Code,
} from './code'

/** A call with its arguments translated; `short` gives a name to what would otherwise be written out again and again. */
export interface Call {
  readonly args: readonly Code[]
  readonly short: (code: Code) => Code
  /** What stands for an empty text among figures; no figure where it is left out. */
  readonly nothing?: Code | undefined
}
type Translate = (call: Call) => Code

const given = ({ args }: Call, at: number): Code => {
  const found = args[at]
  if (!found) throw new NotTaken('an argument is missing')
  return found
}
const n = (call: Call, at: number): string => asNumber(call.short(given(call, at)))
const optional = (call: Call, at: number): string => (call.args[at] ? n(call, at) : '0')
const isZero = (text: string): boolean => Number(text) === 0
const same =
  (how: (a: string) => string): Translate =>
  (call) =>
    number(how(n(call, 0)))

/** Half a digit is rounded away from nothing, to a power of ten that is written as a figure. */
const rounding =
  (how: 'round' | 'round up' | 'round down'): Translate =>
  (call) => {
    const digits = writtenNumber({ text: optional(call, 1) })
    if (!Number.isInteger(digits) || Math.abs(digits) > 12)
      throw new NotTaken('the digits it rounds to are worked out, not written')
    const to = digits <= 0 ? `1${'0'.repeat(-digits)}` : `0.${'0'.repeat(digits - 1)}1`
    return number(`${how}(${asNumber(given(call, 0))}, ${to})`)
  }

const floor = (x: string): string => `(if ${x} < 0 then round up(${x}, 1) else round down(${x}, 1))`

/** Payments at the end of each period, or at the start where `type` is 1. OASIS OpenFormula 1.3, 6.12. */
const due = (r: string, type: string): string => (isZero(type) ? '' : ` * (1 + ${r} * ${type})`)
/** What is worked out otherwise without a rate. */
const without = (r: string, plain: string, withRate: string): Code =>
  Number(r) > 0 ? number(withRate) : either(yesNo(`${r} = 0`), number(plain), number(withRate))

/** The five arguments of a function about level payments; the last two may be left out, and `pv` of FV too. */
const annuity = (call: Call): readonly [string, string, string, string, string] => [
  n(call, 0),
  n(call, 1),
  n(call, 2),
  optional(call, 3),
  optional(call, 4),
]

const PMT: Translate = (call) => {
  const [r, periods, pv, fv, type] = annuity(call)
  const owed = isZero(fv) ? `${pv} * (1 + ${r}) ** ${periods}` : `(${pv} * (1 + ${r}) ** ${periods} + ${fv})`
  return without(
    r,
    `-(${pv} + ${fv}) / ${periods}`,
    `-(${r} * ${owed}) / (((1 + ${r}) ** ${periods} - 1)${due(r, type)})`,
  )
}
const FV: Translate = (call) => {
  const [r, periods, payment, pv, type] = annuity(call)
  return without(
    r,
    `-(${pv} + ${payment} * ${periods})`,
    `-(${pv} * (1 + ${r}) ** ${periods} + ${payment}${due(r, type)} * ((1 + ${r}) ** ${periods} - 1) / ${r})`,
  )
}
const PV: Translate = (call) => {
  const [r, periods, payment, fv, type] = annuity(call)
  return without(
    r,
    `-(${fv} + ${payment} * ${periods})`,
    `-(${fv} + ${payment}${due(r, type)} * ((1 + ${r}) ** ${periods} - 1) / ${r}) / (1 + ${r}) ** ${periods}`,
  )
}
const NPER: Translate = (call) => {
  const [r, payment, pv, fv, type] = annuity(call)
  const each = `${payment}${due(r, type)}`
  return without(
    r,
    `-(${pv} + ${fv}) / ${payment}`,
    `log((${each} - ${fv} * ${r}) / (${each} + ${pv} * ${r})) / log(1 + ${r})`,
  )
}

/** Interest and principal of a loan that payments at the end of each period repay: the closed forms of the annuity. */
function partsOf(call: Call, from: string, to: string): { interest: Code; principal: Code } {
  const [r, periods, pv] = [n(call, 0), n(call, 1), n(call, 2)]
  const q = (power: string) => `(1 + ${r}) ** (${power})`
  const whole = `(${q(periods)} - 1)`
  const principal = `${pv} * (${q(to)} - ${q(`${from} - 1`)}) / ${whole}`
  const paid = `${pv} * ${r} * ${q(periods)} / ${whole} * (${to} - ${from} + 1)`
  const checked = (code: Code): Code =>
    firstThat([[`${from} < 1 or ${to} < ${from} or ${to} > ${periods}`, NONE.number]], code)
  return {
    interest: checked(without(r, '0', `-(${paid} - ${principal})`)),
    principal: checked(without(r, `-(${pv} / ${periods} * (${to} - ${from} + 1))`, `-(${principal})`)),
  }
}
const ofPayment =
  (part: 'interest' | 'principal'): Translate =>
  (call) => {
    if (![optional(call, 4), optional(call, 5)].every(isZero))
      throw new NotTaken('it takes a loan apart that leaves an amount at the end, or is paid at the start')
    const k = n(call, 1)
    const args = [given(call, 0), given(call, 2), given(call, 3)]
    return partsOf({ ...call, args }, k, k)[part]
  }
const upTo =
  (part: 'interest' | 'principal'): Translate =>
  (call) => {
    if (!isZero(optional(call, 5)))
      throw new NotTaken('it takes a loan apart whose payments fall at the start of a period')
    return partsOf(call, n(call, 3), n(call, 4))[part]
  }

const ofAll =
  (how: (all: readonly string[]) => string): Translate =>
  ({ args }) => {
    const all = args.map(asNumber)
    return all.length === 0 ? ZERO : number(how(all))
  }
const joined =
  (word: 'and' | 'or'): Translate =>
  ({ args }) =>
    yesNo(`(${args.map(asYesNo).join(` ${word} `)})`)

/** To a multiple, away from nothing or towards it: up is up below nothing too. */
const toMultiple =
  (above: 'round up' | 'round down', below: 'round up' | 'round down'): Translate =>
  (call) => {
    const [x, to] = [n(call, 0), call.args[1] ? n(call, 1) : '1']
    return number(`(if ${x} < 0 then ${below}(${x}, abs(${to})) else ${above}(${x}, abs(${to})))`)
  }

/** Pairs of a condition and its outcome; what is behind them is the outcome where none holds. */
function outcomes(pairs: readonly Code[], condition: (one: Code) => Code): Code {
  const rest = pairs.length % 2 === 1 ? pairs.at(-1) : undefined
  const cases = Array.from(
    { length: Math.floor(pairs.length / 2) },
    (_, i) => [pairs[2 * i], pairs[2 * i + 1]] as const,
  )
  const [first] = cases
  if (!first?.[1]) throw new NotTaken('an argument is missing')
  return cases.reduceRight(
    (otherwise, [one, then]) => (one && then ? either(condition(one), then, otherwise) : otherwise),
    rest ?? NONE[first[1].gives],
  )
}

/** The largest, or the smallest, which is asked for as the first. */
const extreme =
  (which: 'max' | 'min'): Translate =>
  ({ args }) => {
    const all = args.slice(0, -1).map(asNumber)
    if (Number(args.at(-1)?.text) !== 1 || all.length === 0)
      throw new NotTaken('it takes another than the first by its size')
    return number(`${which}(${all.join(', ')})`)
  }

/** The first day of a week, as a count of days, and what it counts as, by how WEEKDAY is asked. OASIS OpenFormula 1.3, 6.10. */
const WEEKS: Readonly<Record<string, { day: number; counts: number }>> = {
  1: { day: 1, counts: 1 },
  2: { day: 2, counts: 1 },
  3: { day: 2, counts: 0 },
}

/** What each function is in FEEL: the figures of OASIS OpenFormula 1.3. Ranges come as their cells; lookups are elsewhere. */
export const functions: Readonly<Record<string, Translate>> = {
  ABS: same((x) => `abs(${x})`),
  AND: joined('and'),
  AVERAGE: ofAll((all) => `(${all.join(' + ')}) / ${all.length}`),
  CEILING: toMultiple('round up', 'round down'),
  COUNT: ({ args }) => figure(args.length),
  CUMIPMT: upTo('interest'),
  CUMPRINC: upTo('principal'),
  DATE: ({ args }) => dateFrom(args),
  DATEDIF: (call) => timeBetween(given(call, 0), given(call, 1), given(call, 2)),
  DAY: (call) => dayOfMonth(given(call, 0)),
  DAYS: (call) => number(`(${n(call, 0)} - ${n(call, 1)})`),
  EDATE: (call) => monthsLater(given(call, 0), n(call, 1)),
  EFFECT: (call) => number(`(1 + ${n(call, 0)} / ${n(call, 1)}) ** ${n(call, 1)} - 1`),
  EOMONTH: (call) => endOfMonth(given(call, 0), n(call, 1)),
  EVEN: (call) => toMultiple('round up', 'round up')({ ...call, args: [given(call, 0), figure(2)] }),
  EXP: same((x) => `2.71828182845904523536028747135266249775724709369996 ** ${x}`),
  FALSE: () => yesNo('false'),
  FLOOR: toMultiple('round down', 'round up'),
  FV,
  IF: (call) => either(given(call, 0), given(call, 1), given(call, 2), call.nothing),
  IFS: ({ args }) => outcomes(args, (one) => yesNo(asYesNo(one))),
  INT: same(floor),
  IPMT: ofPayment('interest'),
  ISNUMBER: (call) => yesNo(String(given(call, 0).gives === 'number')),
  ISPMT: (call) => number(`-(${n(call, 3)} * ${n(call, 0)} * (1 - ${n(call, 1)} / ${n(call, 2)}))`),
  LARGE: extreme('max'),
  LN: same((x) => `log(${x})`),
  LOG: (call) => number(`log(${n(call, 0)}) / log(${call.args[1] ? n(call, 1) : '10'})`),
  LOG10: same((x) => `log(${x}) / log(10)`),
  MAX: ofAll((all) => `max(${all.join(', ')})`),
  MEDIAN: ({ args }) => {
    const [a, b, c] = args.map(asNumber)
    if (args.length !== 3) throw new NotTaken('it takes the middle of other than three figures')
    return number(`max(min(${a}, ${b}), min(max(${a}, ${b}), ${c}))`)
  },
  MIN: ofAll((all) => `min(${all.join(', ')})`),
  MOD: (call) => {
    const [a, b] = [n(call, 0), n(call, 1)]
    return number(`(${a} - ${b} * ${floor(`(${a} / ${b})`)})`)
  },
  MONTH: (call) => monthOfYear(given(call, 0)),
  MROUND: (call) => number(`round(${n(call, 0)}, abs(${n(call, 1)}))`),
  N: (call) => {
    const of = given(call, 0)
    if (of.gives === 'number') return of
    return of.gives === 'text' ? ZERO : number(`(if ${of.text} then 1 else 0)`)
  },
  NA: () => NONE.number,
  NOMINAL: (call) => number(`${n(call, 1)} * ((1 + ${n(call, 0)}) ** (1 / ${n(call, 1)}) - 1)`),
  NOT: (call) => yesNo(`not(${asYesNo(given(call, 0))})`),
  NPER,
  OR: joined('or'),
  PDURATION: (call) => number(`(log(${n(call, 2)}) - log(${n(call, 1)})) / log(1 + ${n(call, 0)})`),
  PI: () => figure(Math.PI),
  PMT,
  POWER: (call) => number(`${n(call, 0)} ** ${n(call, 1)}`),
  PPMT: ofPayment('principal'),
  PRODUCT: ofAll((all) => all.join(' * ')),
  PV,
  QUOTIENT: (call) => number(`round down(${n(call, 0)} / ${n(call, 1)}, 1)`),
  ROUND: rounding('round'),
  ROUNDDOWN: rounding('round down'),
  ROUNDUP: rounding('round up'),
  RRI: (call) => number(`(${n(call, 2)} / ${n(call, 1)}) ** (1 / ${n(call, 0)}) - 1`),
  SIGN: same((x) => `(if ${x} > 0 then 1 else if ${x} < 0 then -1 else 0)`),
  SLN: (call) => number(`((${n(call, 0)} - ${n(call, 1)}) / ${n(call, 2)})`),
  SMALL: extreme('min'),
  SQRT: same((x) => `${x} ** 0.5`),
  SUM: ofAll((all) => `(${all.join(' + ')})`),
  SUMSQ: ofAll((all) => `(${all.map((one) => `${one} ** 2`).join(' + ')})`),
  SWITCH: ({ args: [of, ...pairs] }) => {
    if (!of) throw new NotTaken('an argument is missing')
    return outcomes(pairs, (one) => yesNo(one.gives === of.gives ? `${of.text} = ${one.text}` : 'false'))
  },
  TRUE: () => yesNo('true'),
  TRUNC: rounding('round down'),
  WEEKDAY: (call) => {
    const [day, from] = [n(call, 0), call.args[1] ? n(call, 1) : '1']
    const begins = Object.hasOwn(WEEKS, from) ? WEEKS[from] : undefined
    if (!begins) throw new NotTaken('its week begins on a day that is worked out, or none')
    const since = `(${day} - ${begins.day})`
    return number(`(${since} - 7 * ${floor(`(${since} / 7)`)} + ${begins.counts})`)
  },
  XOR: (call) => {
    const [a, b] = [given(call, 0), given(call, 1)]
    if (call.args.length !== 2) throw new NotTaken('it asks whether an odd number of other than two hold')
    return yesNo(`(${asYesNo(a)} != ${asYesNo(b)})`)
  },
  YEAR: (call) => yearOf(given(call, 0)),
}

/** Why a function is not there, where that can be said better than that it is unknown. */
export const whyNot: Readonly<Record<string, string>> = {
  RATE: 'RATE is found by trying; an aim step finds the rate behind a payment',
  IRR: 'IRR is found by trying; a loan has its annual percentage rate',
  TODAY: 'it changes by itself with the day; a loan step knows its day',
  NOW: 'it changes by itself with the hour',
  RAND: 'it changes by itself',
  RANDBETWEEN: 'it changes by itself',
  OFFSET: 'OFFSET takes cells that are only known once it runs',
  INDIRECT: 'INDIRECT takes cells that are only known once it runs',
  TEXT: 'figures are put into words by the page',
  CONCATENATE: 'texts are put together by a sentence',
  CONCAT: 'texts are put together by a sentence',
}
