import { placeOf } from '../book/book'
import { daysAfter } from '../book/days'
import { NotTaken, type Formula } from '../formula/formula'
import { number, ZERO, type Code } from '../translate/code'
import { endOfMonth, monthsLater } from '../translate/dates'
import { splitName } from '../translate/translate'
import { cellsOfBlock, placeIn, relative, type Block, type BlockCell } from '../understand/blocks'
import { LONGEST_FORMULA, type Taking } from './taking'

/** The figure of a lane at a place, which may be worked out. */
export type LaneText = (k: number | string) => string

/** Finds lanes of a block that rest on lanes whose figures are known: `texts`, which may grow. */
export function createRestingLanes(
  block: Block,
  lanes: ReadonlyMap<number, readonly BlockCell[]>,
  texts: ReadonlyMap<number, LaneText>,
  { understood, cells, codeFor }: Taking,
) {
  return { restingLane, countedLane }

  /** A lane whose formula rests on lanes that are known, on cells outside, and on nothing else of its kind. */
  function restingLane(lane: number): { text: LaneText; from: number } | undefined {
    const own = lanes.get(lane) ?? []
    const last = own.at(-1)
    const form = last && formOf(last.name)
    const begins = own.findIndex(({ name }) => formOf(name) === form)
    const [first, second] = [own[begins], own[begins + 1]]
    const [formula, next] = [first, second].map((cell) => cell && understood.formulas.get(cell.name)?.formula)
    if (!first || !formula || !next || own.slice(begins).some(({ name }) => formOf(name) !== form))
      return undefined
    const carriedOn = carriedOnFrom(formula, lane, first.k)
    const text: LaneText = (k) => {
      if (carriedOn) return carriedOn(k)
      const code = codeFor(formula, { instead: movingWith(formula, next, first.k, k), nothing: ZERO })
      if (code.gives !== 'number') throw new NotTaken(NO_COLUMN)
      return code.text
    }
    try {
      return text('k').length > LONGEST_FORMULA ? undefined : { text, from: begins + 1 }
    } catch (error) {
      if (error instanceof NotTaken) return undefined
      throw error
    }
  }

  /** A lane whose cells are each the one before and a number, or so many months later. */
  function carriedOnFrom(formula: Formula, lane: number, k: number): LaneText | undefined {
    const isBefore = (of: Formula | undefined) => {
      if (of?.is !== 'cell' || of.sheet !== block.sheet) return false
      const place = placeIn(block, of)
      return place.lane === lane && place.k === k - 1
    }
    const stepsTo = (at: number | string) => shifted(at, 1 - k)
    if (formula.is === 'binary' && formula.how === '+') {
      const [before, step] = isBefore(formula.a) ? [formula.a, formula.b] : [formula.b, formula.a]
      if (!isBefore(before) || step.is !== 'number') return undefined
      const start = startOf(lane, k - 1).text
      return (at) => `${start} + ${step.text} * ${stepsTo(at)}`
    }
    if (formula.is !== 'call') return undefined
    const later = LATER[formula.function]
    const [before, months] = formula.args
    if (!later || !isBefore(before) || months?.is !== 'number') return undefined
    if (!goOnByMonths(lane, Number(months.text), formula.function)) return undefined
    const start = startOf(lane, k - 1)
    return (at) => later(start, `${months.text} * ${stepsTo(at)}`).text
  }

  /** Whether days are so many months after the first: from the 31st, each after the one before stays behind after a short month. */
  function goOnByMonths(lane: number, months: number, by: string): boolean {
    const days = (lanes.get(lane) ?? []).map(({ name }) => cells.get(name)?.value)
    const [first] = days
    if (typeof first !== 'number') return false
    return by === 'EOMONTH' || days.every((day, i) => day === daysAfter(first, i * months))
  }

  /** What stands before the first row of a lane. */
  function startOf(lane: number, k: number): Code {
    const at = block.from + k - 1
    const [{ name } = { name: '' }] = [...cellsOfBlock({ ...block, from: at, to: at, lanes: [lane] })]
    const one = understood.formulas.get(name)
    if (one?.formula) return bracketed(codeFor(one.formula))
    if (!cells.has(name)) throw new NotTaken(NO_COLUMN)
    return codeFor(cellNamed(name))
  }

  /** What stands in a formula for the cells that move with its row. */
  function movingWith(
    formula: Formula,
    next: Formula,
    own: number,
    k: number | string,
  ): (part: Formula) => Code | undefined {
    const moving = movingIn(formula, next)
    return (part) => {
      if (!moving.has(part)) return undefined
      if (part.is !== 'cell') throw new NotTaken(NO_COLUMN)
      const place = placeIn(block, part)
      const at = shifted(k, place.k - own)
      const text = texts.get(place.lane)
      if (part.sheet === block.sheet && text) return number(`(${text(at)})`, false)
      const counted = countedLane(part, place.k)
      if (counted === undefined) throw new NotTaken(NO_COLUMN)
      return number(counted === 0 ? String(at) : `(${at} + ${counted})`)
    }
  }

  /** Figures that are typed beside a block and count its rows: how far their count is from its own; undefined where they are none. */
  function countedLane(cell: { sheet: string; row: number; column: number }, k: number): number | undefined {
    const { lane } = placeIn(block, cell)
    const beside = [...cellsOfBlock({ ...block, sheet: cell.sheet, lanes: [lane] })].map(({ name }) =>
      cells.get(name),
    )
    const [here] = beside.slice(k - 1)
    if (typeof here?.value !== 'number') return undefined
    const ahead = here.value - k
    const isCount = beside.every((one, i) => one?.formula === undefined && one?.value === i + 1 + ahead)
    return isCount ? ahead : undefined
  }

  function formOf(name: string): string | undefined {
    const cell = cells.get(name)
    return cell?.formula === undefined ? undefined : relative(cell)
  }
}

const LATER: Readonly<Record<string, typeof monthsLater>> = { EDATE: monthsLater, EOMONTH: endOfMonth }

const bracketed = (code: Code): Code => ({ ...code, text: `(${code.text})` })

/** A cell by its name, as formulas have it. */
export function cellNamed(name: string): Formula {
  const [sheet = '', address = ''] = splitName(name)
  const place = placeOf(address)
  return place ? { is: 'cell', sheet, ...place } : { is: 'nothing' }
}

/** A place so many further on. */
export const shifted = (k: number | string, by: number): number | string => {
  if (typeof k === 'number') return k + by
  return by === 0 ? k : by > 0 ? `(${k} + ${by})` : `(${k} - ${-by})`
}

/** The parts of a formula that are other cells in the next row. */
function movingIn(formula: Formula, next: Formula): Set<Formula> {
  const moving = new Set<Formula>()
  compare(formula, next)
  return moving

  function compare(a: Formula, b: Formula): void {
    if (a.is === 'cell' && b.is === 'cell') {
      if (a.row !== b.row || a.column !== b.column) moving.add(a)
    } else if (a.is === 'range' && b.is === 'range') {
      if (JSON.stringify(a) !== JSON.stringify(b)) moving.add(a)
    } else if (a.is === 'call' && b.is === 'call') {
      a.args.forEach((arg, i) => {
        const other = b.args[i]
        if (other) compare(arg, other)
      })
    } else if ((a.is === 'minus' || a.is === 'percent') && a.is === b.is) compare(a.of, b.of)
    else if (a.is === 'binary' && b.is === 'binary') {
      compare(a.a, b.a)
      compare(a.b, b.b)
    }
  }
}

const NO_COLUMN = 'it is a column of a schedule that is neither paid, nor interest, nor principal, nor owed'
