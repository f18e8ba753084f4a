import type { SyntaxNode } from '@lezer/common'
import { LAST_ROW, placeOf } from '../book/book'
import { NotTaken, withParts, type CellRange, type Formula } from './formula'
import { formulaParser } from './grammar'
import { writtenOut } from './let'

/** Stands before functions that are younger than the file's format, and before the names a formula gives. */
const YOUNGER = /^_XLFN\.(_XLWS\.)?/
const OWN_NAME = /^_xlpm\./

/** The longest formula that is read. */
export const LONGEST = 8_192
const DEEPEST = 200

/** Reads a formula, without its "=", as it stands on a sheet. Throws `NotTaken` where it cannot be read. */
export function parseFormula(text: string, sheet: string): Formula {
  if (text.length > LONGEST) throw new NotTaken('it is too long to be read')
  const tree = formulaParser.parse(text)
  const fault = firstFault(tree.cursor())
  if (fault !== undefined)
    throw new NotTaken(`it cannot be read at “${text.slice(fault, fault + 12) || 'its end'}”`)
  const inner = tree.topNode.firstChild
  if (!inner) throw new NotTaken('nothing stands in it')
  return formulaOf(inner, 0)

  function formulaOf(node: SyntaxNode, depth: number): Formula {
    if (depth > DEEPEST) throw new NotTaken('it is nested too deeply')
    const said = text.slice(node.from, node.to)
    const within = (one: SyntaxNode | null): Formula => {
      if (!one) throw new NotTaken('it breaks off')
      return formulaOf(one, depth + 1)
    }
    switch (node.name) {
      case 'Number':
        return { is: 'number', text: plainNumber(said) }
      case 'Text':
        return { is: 'text', text: said.slice(1, -1).replaceAll('""', '"') }
      case 'Fault':
        return { is: 'fault', text: said }
      case 'Nothing':
        return { is: 'nothing' }
      case 'Cell': {
        const at = cellAt(said)
        return moving({ is: 'cell', sheet: at.sheet, ...at.place }, [said])
      }
      case 'Range': {
        const [first, last] = node.getChildren('Cell')
        const from = cellAt(text.slice(first?.from, first?.to))
        const { place: to } = cellAt(text.slice(last?.from, last?.to))
        const range: CellRange = {
          is: 'range',
          sheet: from.sheet,
          from: { row: Math.min(from.place.row, to.row), column: Math.min(from.place.column, to.column) },
          to: { row: Math.max(from.place.row, to.row), column: Math.max(from.place.column, to.column) },
        }
        return moving(range, [text.slice(first?.from, first?.to), text.slice(last?.from, last?.to)])
      }
      case 'Columns': {
        const [first = '', last = ''] = said.split(/:(?=\$?[A-Za-z]+$)/)
        const [from, to] = [cellAt(`${first}1`), cellAt(`${last}1`)]
        const columns = [from.place.column, to.place.column]
        const range: CellRange = {
          is: 'range',
          sheet: from.sheet,
          from: { row: 1, column: Math.min(...columns) },
          to: { row: LAST_ROW, column: Math.max(...columns) },
        }
        return moving(range, [`${first}$1`, `${last}$1`])
      }
      case 'Array':
        return {
          is: 'list',
          rows: node
            .getChildren('Row')
            .map((row) => childrenOf(row).flatMap((one) => constantIn(one, within))),
        }
      case 'Name':
        return /^(true|false)$/i.test(said)
          ? { is: 'yesNo', yes: said.toLowerCase() === 'true' }
          : { is: 'name', name: said.toLowerCase().replace(OWN_NAME, '') }
      case 'Group':
        return within(node.firstChild?.nextSibling ?? null)
      case 'Percent':
        return { is: 'percent', of: within(node.firstChild) }
      case 'Sign': {
        const of = within(node.lastChild)
        return said.startsWith('-') ? { is: 'minus', of } : of
      }
      case 'Binary': {
        const operator = node.getChild('Operator')
        return {
          is: 'binary',
          how: text.slice(operator?.from, operator?.to),
          a: within(node.firstChild),
          b: within(node.lastChild),
        }
      }
      case 'Call': {
        const [name, ...rest] = childrenOf(node)
        const args = rest.filter((one) => !/^[,)]$/.test(text.slice(one.from, one.to) || ' ')).map(within)
        const called = text.slice(name?.from, (name?.to ?? 0) - 1).toUpperCase()
        const plain = called.replace(YOUNGER, '')
        if (plain === 'LET') return writtenOut(args)
        return {
          is: 'call',
          function: plain,
          args: args.length === 1 && args[0]?.is === 'nothing' ? [] : args,
        }
      }
      default:
        throw new NotTaken(`“${said.slice(0, 20)}” is not understood`)
    }
  }

  function cellAt(said: string) {
    const mark = said.lastIndexOf('!')
    const named = said.slice(0, Math.max(mark, 0))
    const place = placeOf(said.slice(mark + 1))
    if (!place) throw new NotTaken(`there is no cell “${said}”`)
    return { sheet: mark < 0 ? sheet : named.replace(/^'(.*)'$/s, '$1').replaceAll("''", "'"), place }
  }
}

/** One of the constants of a list; what stands between them is none. */
function constantIn(node: SyntaxNode, read: (node: SyntaxNode) => Formula): Formula[] {
  if (node.name === ',') return []
  const constant = read(node)
  const plain = constant.is === 'minus' ? constant.of : constant
  if (!['number', 'text', 'yesNo'].includes(plain.is))
    throw new NotTaken('it has a list of what is worked out')
  return [constant]
}

/** Which rows and columns of a reference move with the cell its formula stands in; what compares formulas does not see it. */
const MOVES = Symbol('moves')
interface Moves {
  readonly [MOVES]?: readonly { readonly row: boolean; readonly column: boolean }[]
}
const moving = <T extends Formula>(of: T, ends: readonly string[]): T =>
  Object.assign(of, {
    [MOVES]: ends.map((said) => ({ row: !/\$\d+$/.test(said), column: !/\$[A-Za-z]+\$?\d+$/.test(said) })),
  })

/** The formula as it stands so many rows further down and columns further right. */
export function movedBy(of: Formula, rows: number, columns: number): Formula {
  if (rows === 0 && columns === 0) return of
  const go = (one: Formula) => movedBy(one, rows, columns)
  const moved = (place: { row: number; column: number }, end: number) => {
    const moves = (of as Moves)[MOVES]?.[end]
    return { row: place.row + (moves?.row ? rows : 0), column: place.column + (moves?.column ? columns : 0) }
  }
  switch (of.is) {
    case 'cell':
      return { ...of, ...moved(of, 0) }
    case 'range':
      return { ...of, from: moved(of.from, 0), to: moved(of.to, 1) }
    default:
      return withParts(of, go)
  }
}

function childrenOf(node: SyntaxNode): SyntaxNode[] {
  const all: SyntaxNode[] = []
  for (let child = node.firstChild; child; child = child.nextSibling) all.push(child)
  return all
}

function firstFault(
  cursor: ReturnType<ReturnType<typeof formulaParser.parse>['cursor']>,
): number | undefined {
  do if (cursor.type.isError) return cursor.from
  while (cursor.next())
  return undefined
}

/** "1.5e-3" as "0.0015": our formulas have no exponents. */
function plainNumber(text: string): string {
  const [, whole = '', part = '', exponent = '0'] = /^(\d*)\.?(\d*)(?:[eE]([+-]?\d+))?$/.exec(text) ?? []
  const shift = Number(exponent)
  if (Math.abs(shift) > 60) throw new NotTaken(`the number ${text} is too large or too small`)
  const digits = `${'0'.repeat(61)}${whole}${part}${'0'.repeat(61)}`
  const point = 61 + whole.length + shift
  const [before, behind] = [digits.slice(0, point).replace(/^0+/, ''), digits.slice(point).replace(/0+$/, '')]
  return `${before || '0'}${behind && `.${behind}`}`
}
