import { Decimal, frequencies, type Expression, type Frequency } from '@vivid/core'
import { alike, as, inBrackets, literal, NotWritten, written, type Written } from './written'

/** Where the cells are that formulas take values from. */
export interface Cells {
  readonly step: (id: string) => Written
  /** A figure of a step that has several: of a loan its payment, its interest in all. */
  readonly figure: (id: string, of: string) => Written
  /** A column of a loan's schedule at a payment. */
  readonly ofSchedule: (id: string, column: ScheduleColumn, payment: string) => Written
}
export type ScheduleColumn = 'payment' | 'interest' | 'principal' | 'closing' | 'interestTo' | 'principalTo'

/** Columns that functions of loans ask. */
const SCHEDULE: Readonly<Record<string, ScheduleColumn>> = {
  'balance after': 'closing',
  'interest to': 'interestTo',
  'principal to': 'principalTo',
  'interest of payment': 'interest',
  'principal of payment': 'principal',
  'amount of payment': 'payment',
}

/** Functions whose figure is that of their argument in another unit: so many times what it stands for, over so many. */
const SIZES: Readonly<Record<string, readonly [times: number, over: number]>> = {
  'as percent': [100, 1],
  'as number': [1, 100],
  years: [12, 1],
  months: [1, 1],
  'in years': [1, 12],
  'in months': [1, 1],
  yearly: [1, 1],
  'half yearly': [1, 1],
  quarterly: [1, 1],
  monthly: [1, 1],
  weekly: [1, 1],
  once: [1, 1],
}

/** A formula of ours as one of a worksheet. Throws `NotWritten`. `minor`: minor units of its currency in a whole one. */
export function writeFormula(expression: Expression, cells: Cells, minor: number): Written {
  return of(expression)

  function of(one: Expression): Written {
    switch (one.op) {
      case 'number':
        return written(literal(one.value))
      case 'text':
        return written(`"${one.value.replaceAll('"', '""')}"`)
      case 'yesNo':
        return written(one.value ? 'TRUE' : 'FALSE')
      case 'step':
        return cells.step(one.id)
      case 'figure':
        return cells.figure(one.id, one.of)
      case 'if': {
        const { texts, times } = alike([of(one.then), of(one.else)])
        return written(`IF(${plain(one.when)},${texts.join(',')})`, times)
      }
      case 'and':
      case 'or':
        return written(`${one.op.toUpperCase()}(${plain(one.a)},${plain(one.b)})`)
      case 'not':
        return written(`NOT(${plain(one.a)})`)
      case 'compare': {
        const [a = '', b = ''] = alike([of(one.a), of(one.b)]).texts
        return written(`(${a}${one.how === '!=' ? '<>' : one.how}${b})`)
      }
      case 'arithmetic':
        return arithmetic(one)
      case 'call':
        return call(one)
      case 'list':
      case 'each':
      case 'item':
        throw new NotWritten('it goes through a list')
      case 'later':
        throw new NotWritten('it counts with dates')
    }
  }

  function plain(one: Expression): string {
    return as(of(one), 1)
  }

  function arithmetic({ how, a, b }: Extract<Expression, { op: 'arithmetic' }>): Written {
    const [left, right] = [of(a), of(b)]
    switch (how) {
      case '+':
      case '-': {
        const { texts, times } = alike([left, right])
        return written(`(${texts.join(how)})`, times)
      }
      case '*': {
        // A number by itself makes the other another size: nothing is multiplied by a hundred to be divided again.
        if (b.op === 'number' && isSize(b.value)) return written(left.text, left.times.times(b.value))
        return written(`${inBrackets(left.text)}*${inBrackets(right.text)}`, left.times.times(right.times))
      }
      case '/':
        if (b.op === 'number' && isSize(b.value)) return written(left.text, left.times.div(b.value))
        return written(`${inBrackets(left.text)}/${inBrackets(right.text)}`, left.times.div(right.times))
      case '^':
        return written(`${inBrackets(as(left, 1))}^${inBrackets(as(right, 1))}`)
    }
  }

  function call({ name, args }: Extract<Expression, { op: 'call' }>): Written {
    const arg = (at: number): Expression => {
      const found = args[at]
      if (!found) throw new NotWritten(`“${name}” is asked for its default`)
      return found
    }
    const size = SIZES[name]
    if (size) {
      const { text, times } = of(arg(0))
      return written(text, times.times(size[0]).div(size[1]))
    }
    const column = SCHEDULE[name]
    if (column) return ofSchedule(column, arg(0), args)
    switch (name) {
      case 'as money': {
        const { text, times } = of(arg(0))
        return written(text, times.times(minor))
      }
      case 'min':
      case 'max': {
        const { texts, times } = alike(args.flatMap((one) => (one ? listed(one) : [])))
        return written(`${name.toUpperCase()}(${texts.join(',')})`, times)
      }
      case 'sum':
      case 'mean': {
        const { texts, times } = alike(args.flatMap((one) => (one ? listed(one) : [])))
        return written(`${name === 'sum' ? 'SUM' : 'AVERAGE'}(${texts.join(',')})`, times)
      }
      case 'abs': {
        const { text, times } = of(arg(0))
        return written(`ABS(${text})`, times)
      }
      case 'log':
        return written(`LN(${plain(arg(0))})`)
      case 'percent of': {
        const [part, whole] = [of(arg(0)), of(arg(1))]
        return written(
          `${inBrackets(part.text)}/${inBrackets(whole.text)}`,
          part.times.div(whole.times).times(100),
        )
      }
      case 'payments a year':
        return written(perYear(arg(0)))
      case 'payments in': {
        const often = args[1] ? perYear(args[1]) : '12'
        return written(`INT(ROUND(${inBrackets(plain(arg(0)))}*${often}/12,6))`)
      }
      case 'round':
      case 'round up':
      case 'round down':
        return rounded(name, of(arg(0)), args[1] ? of(args[1]) : written('1'))
      default:
        throw new NotWritten(`a worksheet has nothing like “${name}”`)
    }
  }

  function listed(one: Expression): Written[] {
    return one.op === 'list' ? one.items.map(of) : [of(one)]
  }

  /** To a multiple: of a power of ten by its digits, else by dividing and multiplying again. */
  function rounded(name: string, value: Written, to: Written): Written {
    const how = { round: 'ROUND', 'round up': 'ROUNDUP', 'round down': 'ROUNDDOWN' }[name] ?? 'ROUND'
    const step = as(to, value.times)
    const digits = Number.isFinite(Number(step)) ? -Math.log10(Number(step)) : NaN
    if (Number.isInteger(digits)) return written(`${how}(${value.text},${digits})`, value.times)
    const by = inBrackets(step)
    return written(`${how}(${inBrackets(value.text)}/${by},0)*${by}`, value.times)
  }

  function ofSchedule(
    column: ScheduleColumn,
    loan: Expression,
    args: readonly (Expression | null)[],
  ): Written {
    if (loan.op !== 'step') throw new NotWritten('it asks a loan that is no step of its own')
    const [, payments, years] = args
    const often = cells.figure(loan.id, 'payments a year')
    if (payments) return cells.ofSchedule(loan.id, column, plain(payments))
    if (years)
      return cells.ofSchedule(loan.id, column, `INT(ROUND(${inBrackets(plain(years))}*${often.text}/12,6))`)
    return cells.ofSchedule(loan.id, column, cells.figure(loan.id, 'payments').text)
  }

  function perYear(of_: Expression): string {
    if (of_.op === 'text') {
      const facts = frequencies[of_.value as Frequency] as { perYear: number } | undefined
      if (!facts) throw new NotWritten(`“${of_.value}” is no payment frequency`)
      return String(facts.perYear)
    }
    if (of_.op !== 'step') throw new NotWritten('how often is worked out')
    return perYearOf(cells.step(of_.id).text)
  }
}

/** Payments a year of a frequency that stands in a cell by its name. */
export const perYearOf = (cell: string): string =>
  Object.entries(frequencies).reduceRight(
    (rest, [name, { perYear }]) => `IF(${cell}="${name}",${perYear},${rest})`,
    '12',
  )

const isSize = (value: string): boolean => /^(10*|0\.0*1)$/.test(new Decimal(value).toFixed())
