import { NotTaken, type CellRange, type Formula } from '../formula/formula'
import { cellsOfRange } from '../understand/references'
import type { Reading } from './around'
import { asNumber, number, type Code } from './code'
import { criterionOf, meets, type Criterion } from './criteria'
import { inEachRow, throughRows } from './rows'

/** What a conditional function does with the cells that meet its criteria. */
type How = 'sum' | 'count' | 'mean'
const FUNCTIONS: Readonly<Record<string, { how: How; many: boolean }>> = {
  SUMIF: { how: 'sum', many: false },
  SUMIFS: { how: 'sum', many: true },
  COUNTIF: { how: 'count', many: false },
  COUNTIFS: { how: 'count', many: true },
  AVERAGEIF: { how: 'mean', many: false },
  AVERAGEIFS: { how: 'mean', many: true },
}

interface Asked {
  readonly how: How
  readonly pairs: readonly { readonly range: CellRange; readonly criterion: Criterion }[]
  /** What is added up; the cells themselves where they are counted. */
  readonly values: CellRange
}

/** SUMIF and its like, of OASIS OpenFormula 1.3, 6.13, 6.16 and 6.18; undefined where the function is none of them. */
export function conditional(name: string, args: readonly Formula[], reading: Reading): Code | undefined {
  if (!Object.hasOwn(FUNCTIONS, name)) return undefined
  const asked = askedBy(name, args, reading)
  return overRows(asked, reading) ?? overCells(asked, reading)
}

function askedBy(name: string, args: readonly Formula[], { around, go }: Reading): Asked {
  const { how = 'sum', many = false } = FUNCTIONS[name] ?? {}
  const [first, ...others] = args
  const [valued, paired] = !many
    ? [args[2] ?? first, args.slice(0, 2)]
    : how === 'count'
      ? [first, args]
      : [first, others]
  const values = rangeOf(valued)
  if (paired.length === 0 || paired.length % 2 === 1) throw new NotTaken('an argument is missing')
  const pairs = Array.from({ length: paired.length / 2 }, (_, i) => {
    const criterion = criterionOf(paired[2 * i + 1] ?? { is: 'nothing' }, go)
    return {
      range: rangeOf(paired[2 * i]),
      criterion: { ...criterion, against: around.short(criterion.against) },
    }
  })
  if (pairs.some(({ range }) => sizeOf(range) !== sizeOf(values)))
    throw new NotTaken('its ranges are of different sizes')
  return { how, pairs, values }
}

function rangeOf(of: Formula | undefined): CellRange {
  if (of?.is === 'range') return of
  if (of?.is !== 'cell') throw new NotTaken('it counts in what is no range')
  const { sheet, row, column } = of
  return { is: 'range', sheet, from: { row, column }, to: { row, column } }
}
const sizeOf = ({ from, to }: CellRange): string => `${to.row - from.row} × ${to.column - from.column}`

/** Cell by cell: those that cannot meet the criteria are not written out. */
function overCells({ how, pairs, values }: Asked, { cellAt, cellCode }: Reading): Code {
  const sought = pairs.map(({ range, criterion }) => ({ names: cellsOfRange(range).flat(), criterion }))
  const [amounts, counts]: [string[], string[]] = [[], []]
  for (const [i, name] of cellsOfRange(values).flat().entries()) {
    const conditions = sought.map(({ names, criterion }) => {
      const one = names[i] ?? ''
      return meets(cellAt(one), cellCode(one), criterion)
    })
    if (conditions.includes(false)) continue
    const code = cellCode(name)
    const isFigure = code.gives === 'number' && cellAt(name) !== undefined
    if (how !== 'count' && !isFigure) continue
    const condition = conditions.filter((one) => one !== true).join(' and ')
    const where = (figure: string) => (condition === '' ? figure : `(if ${condition} then ${figure} else 0)`)
    amounts.push(where(code.text))
    counts.push(where('1'))
  }
  const added = (all: readonly string[]) => (all.length === 0 ? '0' : `(${all.join(' + ')})`)
  return inAll(how, added(how === 'count' ? counts : amounts), added(counts))
}

/** Through the rows of a schedule; undefined where the ranges are none. */
function overRows({ how, pairs, values }: Asked, { around, cellAt }: Reading): Code | undefined {
  const rows = around.ofRows([values, ...pairs.map(({ range }) => range)])
  if (!rows) return undefined
  const [amount = '', ...sought] = rows.texts
  const conditions = pairs.map(({ criterion: { sign, against }, range }, i) => {
    if (how !== 'sum' && endsEmpty(range, cellAt) && !isUnmetBehindEnd(sign, against))
      throw new NotTaken('it may count rows behind the last payment, where the file has empty texts')
    return `${sought[i] ?? ''} ${sign} ${inEachRow(asNumber(against))}`
  })
  const through = (figure: string) =>
    throughRows(rows, `if ${conditions.join(' and ')} then ${figure} else 0`).text
  return inAll(how, through(how === 'count' ? '1' : amount), through('1'))
}

/** Whether rows of a schedule may be empty texts, which no figure meets, where ours are nothing. */
const endsEmpty = (range: CellRange, cellAt: Reading['cellAt']): boolean =>
  cellsOfRange(range)
    .flat()
    .some((name) => cellAt(name)?.formula?.includes('""'))
/** Whether the zero that we have behind the last payment cannot meet a criterion. */
function isUnmetBehindEnd(sign: string, against: Code): boolean {
  const figure = Number(against.text)
  if (sign === '>') return figure >= 0
  return (sign === '>=' || sign === '=') && figure > 0
}

const inAll = (how: How, all: string, counted: string): Code =>
  number(how === 'mean' ? `(${all} / ${counted})` : all, false)
