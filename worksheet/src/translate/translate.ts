import { dateOf } from '../book/days'
import {
  addressOf,
  isDateFormat,
  isPercentFormat,
  nameAt,
  nameOfCell,
  type Book,
  type Cell,
} from '../book/book'
import { NotTaken, type CellRange, type Formula } from '../formula/parse-formula'
import { cellsOfRange } from '../understand/references'
import { asNumber, either, figure, joined, NONE, number, text, yesNo, ZERO, type Code } from './code'
import { written } from './dates'
import { functions, whyNot } from './functions'
import { besideKey, chosen, transposed, typedIn, type LookedUp, type Match, type Table } from './lookups'

/** What the translation of one cell asks of what was translated before. */
export interface Around {
  readonly book: Book
  /** A cell that is asked or worked out, as it stands in a formula; `NotTaken` where it is not taken over. */
  readonly codeOf: (name: string) => Code | undefined
  /** Gives what is long a name of its own. */
  readonly short: (code: Code) => Code
  /** A column of a schedule added up, or its figure in a row; undefined where the range is none. */
  readonly ofColumn: (range: CellRange, row?: Code) => Code | undefined
  /** A figure that is looked up in a table of typed figures; undefined where it is part of the formula. */
  readonly lookedUp?: (looked: LookedUp) => Code | undefined
  /** What stands for an empty text among figures; no figure where it is left out. */
  readonly nothing?: Code
  /** What stands in place of a part of the formula; undefined where it stays as it is. */
  readonly instead?: (of: Formula) => Code | undefined
}

/** A worksheet's formula as one of ours. Throws `NotTaken`, saying why. */
export function translate(formula: Formula, around: Around): Code {
  const cells = new Map(around.book.sheets.map((sheet) => [sheet.name, sheet.cells]))
  return go(formula)

  function go(of: Formula): Code {
    const other = around.instead?.(of)
    if (other) return other
    switch (of.is) {
      case 'number':
        return number(of.text, true)
      case 'text':
        return text(of.text)
      case 'yesNo':
        return yesNo(String(of.yes))
      case 'nothing':
        return ZERO
      case 'fault':
        throw new NotTaken(`it has the error ${of.text} in it`)
      case 'name':
        throw new NotTaken(`nothing is called “${of.name}”`)
      case 'cell':
        return cellCode(nameAt(of.sheet, of.row, of.column))
      case 'range':
        throw new NotTaken('it takes a range where one figure is needed')
      case 'minus':
        return number(`-(${asNumber(go(of.of))})`)
      case 'percent':
        return number(`(${asNumber(go(of.of))} / 100)`)
      case 'binary':
        return binary(of.how, go(of.a), go(of.b))
      case 'call':
        return call(of)
    }
  }

  function cellCode(name: string): Code {
    const known = around.codeOf(name)
    if (known) return known
    const [sheet = '', address = ''] = splitName(name)
    return constant(cells.get(sheet)?.get(address))
  }

  function call({ function: name, args }: Extract<Formula, { is: 'call' }>): Code {
    const looked = lookUp(name, args)
    if (looked) return looked
    if (name === 'IFERROR' || name === 'IFNA') return orElse(args)
    if (name === 'SUMPRODUCT') return sumOfProducts(args)
    const found = Object.hasOwn(functions, name) ? functions[name] : undefined
    if (!found) throw new NotTaken(whyNot[name] ?? `${name} has no meaning here`)
    const total =
      name === 'SUM' && args.length === 1 && args[0]?.is === 'range' ? around.ofColumn(args[0]) : undefined
    if (total) return total
    const isOfAll = ['SUM', 'MIN', 'MAX', 'AVERAGE', 'COUNT', 'PRODUCT'].includes(name)
    return found({
      args: isOfAll ? args.flatMap(figuresOf) : args.map(go),
      short: around.short,
      nothing: around.nothing,
    })
  }

  /** A lookup among whose places or keys are lookups of their own: what those do not find is nowhere for it. */
  function found({ function: name, args }: Extract<Formula, { is: 'call' }>): Code {
    const sheet = name === 'INDEX' ? byTwoKeys(args[0], args[1], args[2]) : undefined
    if (sheet) return sheet
    const within = args.map((arg): Formula => {
      if (arg.is === 'range') return arg
      if (arg.is === 'call' && FINDING.has(arg.function))
        return { is: 'call', function: 'IFERROR', args: [arg, NOWHERE] }
      if (Object.values(NONE).some(({ text }) => go(arg).text.includes(text)))
        throw new NotTaken('it hides an error within what it looks for')
      return arg
    })
    return call({ is: 'call', function: name, args: within })
  }

  /** What is worked out instead where there would be an error: where something is divided by nothing, or not found. */
  function orElse([of, instead]: readonly Formula[]): Code {
    if (!of) throw new NotTaken('an argument is missing')
    const first = of.is === 'call' && FINDING.has(of.function) ? found(of) : go(of)
    const second = instead ? go(instead) : ZERO
    // Where nothing is to be shown, there is no figure either way.
    if (second.text === '""') return first
    const fails = whereItFails(of)
    if (fails) return either(yesNo(`${fails} = 0`), second, first, around.nothing)
    if (of.is === 'call' && FINDING.has(of.function) && second.gives === first.gives)
      return { ...first, text: first.text.replaceAll(NONE[first.gives].text, second.text) }
    throw new NotTaken(
      'it hides an error whose reason is not known; a condition says when there is no figure',
    )
  }

  /** What has to be nothing for a formula to be an error, where that is one thing. */
  function whereItFails(of: Formula): string | undefined {
    if (of.is === 'binary' && of.how === '/') return asNumber(around.short(go(of.b)))
    const [, count] = of.is === 'call' && of.function === 'PMT' ? of.args : []
    return count && asNumber(around.short(go(count)))
  }

  function sumOfProducts(args: readonly Formula[]): Code {
    const lists = args.map(figuresOf)
    const [first = []] = lists
    if (lists.some((list) => list.length !== first.length))
      throw new NotTaken('it multiplies ranges of different sizes')
    const products = first.map((_, i) => lists.map((list) => asNumber(list[i] ?? ZERO)).join(' * '))
    return products.length === 0 ? ZERO : number(`(${products.join(' + ')})`)
  }

  /** The figures of an argument; of a range only its figures count. */
  function figuresOf(of: Formula): Code[] {
    if (of.is !== 'range') return [go(of)]
    return cellsOfRange(of)
      .flat()
      .flatMap((name) => {
        const [sheet = '', address = ''] = splitName(name)
        const cell = cells.get(sheet)?.get(address)
        if (!cell) return []
        const code = cellCode(name)
        return code.gives === 'number' ? [code] : []
      })
  }

  function tableOf(of: Formula | undefined): Table {
    if (of?.is !== 'range') throw new NotTaken('it looks up in what is no range')
    return cellsOfRange(of).map((row) => row.map(cellCode))
  }

  /** A table by the places that two keys are found at. */
  function byTwoKeys(
    table: Formula | undefined,
    row: Formula | undefined,
    column: Formula | undefined,
  ): Code | undefined {
    if (!around.lookedUp || !isMatch(row) || !isMatch(column)) return undefined
    const keys = [row, column].map(({ args: [key, entries, how] }) => ({
      code: around.short(key ? go(key) : ZERO),
      entries: tableOf(entries).flat(),
      match: matchOf(how, 'notAbove'),
    }))
    return lookedUpIn(table, keys, tableOf(table))
  }

  /** The table as one of typed figures, if it is: `values` row by row, by the first key and the second. */
  function lookedUpIn(
    table: Formula | undefined,
    keys: readonly { code: Code; entries: readonly (Code | undefined)[]; match: Match }[],
    values: readonly (readonly (Code | undefined)[])[],
  ): Code | undefined {
    if (!around.lookedUp || table?.is !== 'range') return undefined
    const read = keys.map(({ code, entries, match }) => ({
      code,
      match,
      entries: entries.map((entry) => entry && typedIn(entry)),
    }))
    const [first, second] = read
    const isTyped = read.every(({ code, entries }) =>
      entries.every((entry) => typeof entry === (code.gives === 'text' ? 'string' : 'number')),
    )
    const rows = (first?.entries ?? []).flatMap((one, i) =>
      (second?.entries ?? [undefined]).map((other, j) => ({
        keys: [one, ...(second ? [other] : [])],
        value: values[i]?.[j] && typedIn(values[i][j]),
      })),
    )
    if (!isTyped || !rows.every(({ value }) => typeof value === 'number')) return undefined
    const cell = cells.get(table.sheet)?.get(addressOf(table.to.row, table.to.column))
    return around.lookedUp({
      where: `${table.sheet} ${addressOf(table.from.row, table.from.column)}:${addressOf(table.to.row, table.to.column)}`,
      keys: read as LookedUp['keys'],
      rows: rows as LookedUp['rows'],
      isPercent: isPercentFormat(cell?.format ?? ''),
    })
  }

  function matchOf(of: Formula | undefined, otherwise: Match): Match {
    if (!of) return otherwise
    if (of.is === 'yesNo') return of.yes ? 'notAbove' : 'exact'
    const plain = of.is === 'nothing' ? 0 : Number(go(of).text.replace(/[()\s]/g, ''))
    if (plain === 0) return 'exact'
    if (plain === 1) return 'notAbove'
    if (plain === -1) return 'notBelow'
    throw new NotTaken('how it looks up is worked out, not written')
  }

  function inTable(args: readonly Formula[], turned: boolean): Code {
    const [key, table, place, how] = args
    if (!key || !place) throw new NotTaken('an argument is missing')
    const rows = turned ? transposed(tableOf(table)) : tableOf(table)
    const index = around.short(go(place))
    const column = Number(index.text)
    const keyCode = around.short(go(key))
    const sheet = Number.isInteger(column)
      ? lookedUpIn(
          table,
          [{ code: keyCode, entries: rows.map((row) => row[0]), match: matchOf(how, 'notAbove') }],
          rows.map((row) => [row[column - 1]]),
        )
      : undefined
    if (sheet) return sheet
    const values = rows.map((row) => chosen(index, row))
    return besideKey(
      keyCode,
      rows.map((row) => row[0] ?? ZERO),
      values,
      matchOf(how, 'notAbove'),
    )
  }

  /** Lookups take their ranges as tables; undefined: it is none. */
  function lookUp(name: string, args: readonly Formula[]): Code | undefined {
    const [first, second, third] = args
    const needed = (of: Formula | undefined): Formula => {
      if (!of) throw new NotTaken('an argument is missing')
      return of
    }
    const place = (of: Formula | undefined) => around.short(of ? go(of) : figure(1))
    switch (name) {
      case 'VLOOKUP':
        return inTable(args, false)
      case 'HLOOKUP':
        return inTable(args, true)
      case 'MATCH': {
        const keys = tableOf(second).flat()
        const places = keys.map((_, i) => figure(i + 1))
        return besideKey(around.short(go(needed(first))), keys, places, matchOf(third, 'notAbove'))
      }
      case 'INDEX': {
        const inSchedule = first?.is === 'range' && !third ? around.ofColumn(first, place(second)) : undefined
        if (inSchedule) return inSchedule
        const sheet = byTwoKeys(first, second, third)
        if (sheet) return sheet
        const table = tableOf(first)
        // In a single row one place is that of a column.
        if (table.length === 1 && !third) return chosen(place(second), table[0] ?? [])
        const column = place(third)
        return chosen(
          place(second),
          table.map((line) => chosen(column, line)),
        )
      }
      case 'LOOKUP': {
        if (args.length !== 3) throw new NotTaken('it looks up in a table of its own form')
        return besideKey(
          around.short(go(needed(first))),
          tableOf(second).flat(),
          tableOf(third).flat(),
          'notAbove',
        )
      }
      case 'CHOOSE':
        return chosen(around.short(go(needed(first))), args.slice(1).map(go))
      default:
        return undefined
    }
  }
}

const isMatch = (of: Formula | undefined): of is Extract<Formula, { is: 'call' }> =>
  of?.is === 'call' && of.function === 'MATCH'

/** No place of a table, no key, and below all keys. */
const NOWHERE: Formula = { is: 'number', text: '-999999999999999' }

/** Functions that look something up: what they do not find is an error. */
const FINDING: ReadonlySet<string> = new Set(['VLOOKUP', 'HLOOKUP', 'INDEX', 'MATCH', 'LOOKUP'])

const SIGNS: Readonly<Record<string, string>> = { '^': '**', '<>': '!=' }

function binary(how: string, a: Code, b: Code): Code {
  const sign = SIGNS[how] ?? how
  switch (how) {
    case '&':
      return joined(a, b)
    case '=':
    case '<>':
      if (a.gives !== b.gives) return yesNo(how === '=' ? 'false' : 'true')
      return yesNo(`(${a.text} ${sign} ${b.text})`)
    case '<':
    case '>':
    case '<=':
    case '>=':
      return yesNo(`(${asNumber(a)} ${sign} ${asNumber(b)})`)
    default:
      return number(`(${asNumber(a)} ${sign} ${asNumber(b)})`)
  }
}

/** A cell that stands as it is in the file; an empty one counts as nothing. */
function constant(cell: Cell | undefined): Code {
  const value = cell?.value
  if (value === undefined) return ZERO
  if (typeof value === 'number') {
    const date = isDateFormat(cell?.format ?? '') ? dateOf(value) : undefined
    return date === undefined ? figure(value) : { ...figure(value), date: written(date) }
  }
  if (typeof value === 'string') return text(value)
  if (typeof value === 'boolean') return yesNo(String(value))
  throw new NotTaken(`${nameOfCell(cell ?? { sheet: '', address: '' })} has the error ${value.error}`)
}

/** "Loan!B7" as its sheet and address; a sheet's name may have the mark in it. */
export function splitName(name: string): [sheet: string, address: string] {
  const mark = name.lastIndexOf('!')
  return [name.slice(0, mark), name.slice(mark + 1)]
}
