import { addressOf, isPercentFormat, nameAt } from '../book/book'
import { NotTaken, type Formula } from '../formula/formula'
import { cellsOfRange } from '../understand/references'
import { figure, writtenNumber, ZERO, type Code } from './code'
import {
  besideKey,
  chosen,
  inOrder,
  transposed,
  typedIn,
  type LookedUp,
  type Match,
  type Table,
} from './table'
import type { Reading } from './around'

/** What looking something up asks of the formula around it. */
export interface Looking extends Reading {
  /** The first of two, and the second where that is an error. */
  readonly orElse: (of: readonly Formula[]) => Code
}

/** The functions that look something up, of one formula. */
export function createLookUp({ around, go, cellAt, cellCode, orElse }: Looking) {
  return { lookUp, byTwoKeys }

  function tableOf(of: Formula | undefined): Table {
    if (of?.is === 'list') return of.rows.map((row) => row.map(go))
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
    const cell = cellAt(nameAt(table.sheet, table.to.row, table.to.column))
    return around.lookedUp({
      where: `${table.sheet} ${addressOf(table.from.row, table.from.column)}:${addressOf(table.to.row, table.to.column)}`,
      keys: read as LookedUp['keys'],
      rows: rows as LookedUp['rows'],
      isPercent: isPercentFormat(cell?.format ?? ''),
    })
  }

  /** A number that is written in the formula; not a number where it is worked out. */
  function numberIn(of: Formula, empty: number): number {
    return of.is === 'nothing' ? empty : writtenNumber(go(of))
  }

  function matchOf(of: Formula | undefined, otherwise: Match): Match {
    if (!of) return otherwise
    if (of.is === 'yesNo') return of.yes ? 'notAbove' : 'exact'
    const plain = numberIn(of, 0)
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

  /** XLOOKUP: keys in any order, found exactly, as the next below or the next above; and what there is instead. */
  function inList([key, keys, values, otherwise, how, order]: readonly Formula[]): Code {
    if (!key || !keys || !values) throw new NotTaken('an argument is missing')
    if (otherwise && otherwise.is !== 'nothing')
      return orElse([
        { is: 'call', function: 'XLOOKUP', args: [key, keys, values, NOTHING, ...(how ? [how] : [])] },
        otherwise,
      ])
    if (order) firstToLast(order)
    const entries = tableOf(keys).flat()
    const gives = tableOf(values).flat()
    if (entries.length !== gives.length) throw new NotTaken('it gives several figures at once')
    const match = nearest(how)
    const places = inOrder(entries, match)
    const [sought, found] = [places.map((i) => entries[i] ?? ZERO), places.map((i) => gives[i] ?? ZERO)]
    const code = around.short(go(key))
    const sheet = lookedUpIn(
      values,
      [{ code, entries: sought, match }],
      found.map((one) => [one]),
    )
    return sheet ?? besideKey(code, sought, found, match)
  }

  /** Said the other way round than by MATCH: -1 is the next below. */
  function nearest(how: Formula | undefined): Match {
    const match = matchOf(how, 'exact')
    return match === 'notAbove' ? 'notBelow' : match === 'notBelow' ? 'notAbove' : match
  }

  function firstToLast(order: Formula): void {
    if (numberIn(order, 1) !== 1)
      throw new NotTaken('it looks through its list in another order than from the first to the last')
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
      case 'XLOOKUP':
        return inList(args)
      case 'XMATCH': {
        if (args[3]) firstToLast(args[3])
        const keys = tableOf(second).flat()
        const match = nearest(third)
        const places = inOrder(keys, match)
        return besideKey(
          around.short(go(needed(first))),
          places.map((i) => keys[i] ?? ZERO),
          places.map((i) => figure(i + 1)),
          match,
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

const NOTHING: Formula = { is: 'nothing' }
