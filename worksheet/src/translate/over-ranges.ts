import { NotTaken, type Formula } from '../formula/formula'
import { cellsOfRange } from '../understand/references'
import type { Reading } from './around'
import { asNumber, number, ZERO, type Code } from './code'
import { inEachRow, throughRows, type Rows } from './rows'

/** Functions of all figures of their ranges, and the numbers SUBTOTAL has for them. OASIS OpenFormula 1.3, 6.16. */
const TOTALS: Readonly<Record<number, string>> = {
  1: 'AVERAGE',
  2: 'COUNT',
  4: 'MAX',
  5: 'MIN',
  6: 'PRODUCT',
  9: 'SUM',
}
export const OF_ALL: ReadonlySet<string> = new Set([
  ...Object.values(TOTALS),
  'SUMSQ',
  'MEDIAN',
  'LARGE',
  'SMALL',
])

/** The functions that take all figures of their ranges together, of one formula; `call` is any other. */
export function createOverRanges(
  { around, go, cellAt, cellCode }: Reading,
  call: (of: Extract<Formula, { is: 'call' }>) => Code,
) {
  return { overRanges, figuresOf }

  /** Undefined where the function is none of them. */
  function overRanges(name: string, args: readonly Formula[]): Code | undefined {
    switch (name) {
      case 'SUM':
        return args.length === 1 && args[0]?.is === 'range' ? around.ofColumn(args[0]) : undefined
      case 'SUMPRODUCT':
        return sumOfProducts(args)
      case 'NPV':
        return presentValue(args)
      case 'SUBTOTAL':
        return subtotal(args)
      default:
        return undefined
    }
  }

  function sumOfProducts(args: readonly Formula[]): Code {
    const rows = rowsOf(args)
    if (rows) return throughRows(rows, rows.texts.join(' * '))
    const lists = args.map(figuresOf)
    const [first = []] = lists
    if (lists.some((list) => list.length !== first.length))
      throw new NotTaken('it multiplies ranges of different sizes')
    const products = first.map((_, i) => lists.map((list) => asNumber(list[i] ?? ZERO)).join(' * '))
    return products.length === 0 ? ZERO : number(`(${products.join(' + ')})`)
  }

  /** What comes at the end of each period, worth now: the first after one period. */
  function presentValue([rate, ...args]: readonly Formula[]): Code {
    if (!rate || args.length === 0) throw new NotTaken('an argument is missing')
    const grown = `(1 + ${asNumber(around.short(go(rate)))})`
    const rows = args.length === 1 ? rowsOf(args) : undefined
    if (rows)
      return throughRows(rows, `${rows.texts[0] ?? ''} / ${inEachRow(grown)} ** (k - ${rows.first - 1})`)
    const all = args.flatMap(figuresOf).map((one, i) => `${asNumber(one)} / ${grown} ** ${i + 1}`)
    return all.length === 0 ? ZERO : number(`(${all.join(' + ')})`)
  }

  /** Arguments that are columns of one schedule. */
  function rowsOf(args: readonly Formula[]): Rows | undefined {
    const ranges = args.filter((arg) => arg.is === 'range')
    return ranges.length === args.length ? around.ofRows(ranges) : undefined
  }

  /** The function its first argument numbers, of all cells that are no such totals themselves. */
  function subtotal([which, ...args]: readonly Formula[]): Code {
    const name = which?.is === 'number' ? TOTALS[Number(which.text) % 100] : undefined
    if (!name) throw new NotTaken('what it works out is none of those it has numbers for here')
    const isWithin = (cell: string) => /\b(SUBTOTAL|AGGREGATE)\(/i.test(cellAt(cell)?.formula ?? '')
    if (args.some((arg) => arg.is === 'range' && cellsOfRange(arg).flat().some(isWithin)))
      throw new NotTaken('it leaves out totals that stand among what it adds up')
    return call({ is: 'call', function: name, args })
  }

  /** The figures of an argument; of a range only its figures count. */
  function figuresOf(of: Formula): Code[] {
    if (of.is === 'list')
      return of.rows
        .flat()
        .map(go)
        .filter(({ gives }) => gives === 'number')
    if (of.is !== 'range') return [go(of)]
    return cellsOfRange(of)
      .flat()
      .flatMap((name) => {
        if (!cellAt(name)) return []
        const code = cellCode(name)
        return code.gives === 'number' ? [code] : []
      })
  }
}
