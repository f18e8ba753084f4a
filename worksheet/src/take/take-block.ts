import type { Cell } from '../book/book'
import { NotTaken, type CellRange } from '../formula/formula'
import type { Figure } from '../loans/figure'
import { figure, number, ZERO, type Code } from '../translate/code'
import { throughRows, type Rows } from '../translate/rows'
import { cellsOfBlock, countOfBlock, placeIn, type Block, type BlockCell } from '../understand/blocks'
import { reachedFrom } from '../understand/understand'
import { ofLedger } from './ledger-schedule'
import { provenSchedule } from './prove-schedule'
import { cellNamed, createRestingLanes, shifted, type LaneText } from './resting-lanes'
import type { Schedule } from './schedule'
import type { Taking } from './taking'

const MOST_TYPED = 12
const LONGEST_FIRST = 900
/** A cell of a block that is in none of the lanes that were taken over. */
interface Left {
  readonly name: string
  readonly whyNot: string
}
/** Two schedules may stand beside each other. */
const MOST_SCHEDULES = 4

/**
 * A block is taken over lane by lane: what is a schedule's as the schedule it is, what rests on that by its formula, each lane a line
 * of a proof with all its figures. What is left has to be taken over cell by cell; why it is none of the lanes is said.
 */
export function takeBlock(
  block: Block,
  id: string,
  order: readonly string[],
  inBlocks: ReadonlySet<string>,
  taking: Taking,
): Left[] {
  const { understood, cells, toTheCent } = taking
  const count = countOfBlock(block)
  const lanes = new Map<number, BlockCell[]>(block.lanes.map((lane) => [lane, []]))
  for (const cell of cellsOfBlock(block)) lanes.get(cell.lane)?.push(cell)
  const all = [...lanes.values()].flat()
  const texts = new Map<number, LaneText>()
  const { restingLane, countedLane } = createRestingLanes(block, lanes, texts, taking)
  takeSchedules()
  for (const lane of block.lanes) if (texts.has(lane)) takeLane(lane, 1)
  for (let before = -1; before !== texts.size;) {
    before = texts.size
    for (const lane of block.lanes) {
      const resting = texts.has(lane) ? undefined : restingLane(lane)
      if (!resting) continue
      texts.set(lane, resting.text)
      takeLane(lane, resting.from)
    }
  }
  taking.addColumns(columnOf)
  taking.addRows(rowsOf)
  const places = new Map(all.map((cell) => [cell.name, cell]))
  const whyNot = texts.size > 0 ? NO_COLUMN : NO_SCHEDULE
  return order.filter((name) => places.has(name) && taking.isOpen(name)).map((name) => ({ name, whyNot }))

  /** The schedules among the lanes, one after the other. */
  function takeSchedules(): void {
    const formulas = all.flatMap(({ name }) => understood.formulas.get(name)?.cell.formula ?? [])
    for (let i = 1; i <= MOST_SCHEDULES; i++) {
      const own = i === 1 ? id : `${id}n${i}`
      const left = [...lanes].filter(([lane]) => !texts.has(lane))
      const values = new Map(
        left.map(([lane, its]) => [lane, its.map(({ name }) => valueIn(cells.get(name)))]),
      )
      // A schedule beside another rests on figures of its own, which may be as large.
      const candidates = candidatesFor(left.flatMap(([, its]) => its.map(({ name }) => name)))
      const firsts = firstRow(candidates)
      const schedule = provenSchedule(
        {
          block,
          values,
          candidates,
          firsts,
          minor: taking.minor,
          hasCondition: formulas.some((formula) => /\b(IF|MIN|MAX)\(/i.test(formula)),
        },
        lanes,
        taking,
      )
      if (!schedule) return
      take(own, schedule)
    }
  }

  /** A schedule of this name: its lanes are known from now on. */
  function take(own: string, { columns, about, write }: Schedule): void {
    const loan = about && toTheCent?.loanOf(own)
    const { cell, total, ...ofLoan } = loan
      ? ofLedger(loan, about.principal.text)
      : write({
          working: (label, text) => taking.working(`${own}${label.split(' ')[0] ?? ''}`, label, text),
          loan: () => ({ id: own, name: taking.naming('loan of the schedule', 'loan') }),
        })
    if (about) taking.abouts.set(own, about)
    if (ofLoan.loan) {
      taking.workings.push(ofLoan.loan)
      taking.loans.push(ofLoan.loan)
    }
    for (const [lane, column] of columns) {
      texts.set(lane, (k) => cell(column, k))
      taking.addColumns((range, row) => {
        const text = isLane(range, lane) && !row ? total(column) : undefined
        return text === undefined ? undefined : number(`(${text})`, false)
      })
    }
  }

  /** The formulas of the first row, each written out with what it takes from its own row, where that is short. */
  function firstRow(known: readonly Figure[]): Figure[] {
    const codes = new Map<number, Code>()
    const codeOf = (lane: number): Code => {
      const done = codes.get(lane)
      const name = lanes.get(lane)?.[0]?.name ?? ''
      const formula = understood.formulas.get(name)?.formula
      if (done || !formula) return done ?? taking.codeFor(cellNamed(name))
      const code = taking.codeFor(formula, {
        instead: (part) => {
          if (part.is !== 'cell' || part.sheet !== block.sheet) return undefined
          const place = placeIn(block, part)
          return place.k === 1 && lanes.has(place.lane) ? codeOf(place.lane) : undefined
        },
        nothing: ZERO,
      })
      codes.set(lane, code)
      return code
    }
    return block.lanes.flatMap((lane): Figure[] => {
      try {
        const code = codeOf(lane)
        const value = valueIn(cells.get(lanes.get(lane)?.[0]?.name ?? ''))
        const isUsable =
          code.gives === 'number' &&
          value !== 0 &&
          typeof value === 'number' &&
          code.text.length <= LONGEST_FIRST
        return isUsable && !known.some((one) => one.text === code.text) ? [{ value, text: code.text }] : []
      } catch (error) {
        if (error instanceof NotTaken) return []
        throw error
      }
    })
  }

  /** The figures of a lane from a place on, as one line of a proof; behind a schedule's end stand empty texts. */
  function takeLane(lane: number, from: number): void {
    const own = (lanes.get(lane) ?? []).slice(from - 1)
    const text = texts.get(lane)
    if (!text) return
    const blank = own.findIndex(({ name }) => typeof cells.get(name)?.value !== 'number')
    const figures = own.slice(0, blank < 0 ? own.length : blank)
    if (figures.length === 0) return
    const proven = taking.proofLines.many(
      text('k'),
      from,
      figures.map(({ name }) => Number(cells.get(name)?.value)),
    )
    own.forEach(({ name, k }, i) => {
      const one = understood.formulas.get(name)
      if (!one) return
      if (i >= figures.length) return taking.leaveOut(name, isBlank(cells.get(name)) ? BEHIND_END : NO_FIGURE)
      taking.takeLine(name, one, () => number(text(k), false), proven[i], NO_ROOM)
    })
  }

  /** The figures that are taken over and that these cells rest on: another of the same size is none of theirs. */
  function candidatesFor(names: readonly string[]): Figure[] {
    const typed: Figure[] = []
    const known = [...reachedFrom(names, understood.formulas)].flatMap((name): Figure[] => {
      const cell = cells.get(name)
      const value = valueIn(cell)
      if (typeof value !== 'number' || inBlocks.has(name)) return []
      const code = taking.asked.has(name) || taking.hasCode(name) ? taking.codeOf(name) : undefined
      if (!code && value !== 0 && cell?.formula === undefined) typed.push({ value, text: figure(value).text })
      return code?.gives === 'number' ? [{ value, text: code.text }] : []
    })
    // Where many figures are typed, they are a table or count rows.
    return typed.length > MOST_TYPED ? known : [...known, ...typed]
  }

  function isLane({ sheet, from, to }: CellRange, lane: number): boolean {
    const [first, last] = [placeIn(block, from), placeIn(block, to)]
    return (
      sheet === block.sheet && first.lane === lane && last.lane === lane && first.k === 1 && last.k === count
    )
  }

  /** Whether any of these places of a lane, outside the block, has a figure or a formula. */
  function hasFigures(lane: number, from: number, to: number): boolean {
    if (to < from) return false
    const places = { ...block, from: block.from + from - 1, to: block.from + to - 1, lanes: [lane] }
    return [...cellsOfBlock(places)].some(({ name }) => {
      const cell = cells.get(name)
      return cell?.formula !== undefined || typeof cell?.value === 'number'
    })
  }

  /** Cells of a lane added up, or one of its places. */
  function columnOf(range: CellRange, row?: Code): Code | undefined {
    const rows = rowsOf([range])
    const text = texts.get(placeIn(block, range.from).lane)
    if (!rows || !text) return undefined
    if (!row) return throughRows(rows, text('k'))
    if (rows.first !== placeIn(block, range.from).k) return undefined
    return number(`(${text(shifted(row.text, rows.first - 1))})`, false)
  }

  /** Lanes whose figures are known, or that count the rows, over the same rows. */
  function rowsOf(ranges: readonly CellRange[]): Rows | undefined {
    const all = ranges.map(({ sheet, from, to }) => {
      const [{ lane, k: begins }, { lane: other, k: ends }] = [placeIn(block, from), placeIn(block, to)]
      const [first, last] = [Math.max(1, begins), Math.min(count, ends)]
      if (sheet !== block.sheet || lane !== other || last - first < FEWEST_ADDED) return undefined
      // Heads and empty cells around the rows add nothing; a figure there is another sum.
      if (hasFigures(lane, begins, first - 1) || hasFigures(lane, last + 1, ends)) return undefined
      const [known, ahead] = [texts.get(lane), countedLane({ sheet, ...from }, 1)]
      if (known) return { first, last, text: `(${known('k')})` }
      return ahead === undefined ? undefined : { first, last, text: String(shifted('k', ahead)) }
    })
    const [whole] = all
    if (!whole || !all.every((one) => one?.first === whole.first && one.last === whole.last)) return undefined
    return { ...whole, texts: all.map((one) => one?.text ?? '') }
  }
}

/** Fewer are added up one by one. */
const FEWEST_ADDED = 3

const NO_SCHEDULE =
  'it is one of many rows that carry on from each other, and none of the figures taken over gives them'
const NO_COLUMN = 'it is a column of a schedule that is neither paid, nor interest, nor principal, nor owed'
const NO_FIGURE = 'the file has no figure for it'
const NO_ROOM = 'a calculator has no more room for proofs'
const BEHIND_END =
  'it is an empty text behind the last payment; the schedule of the loan ends there by itself'

const isBlank = (cell: Cell | undefined): boolean => cell?.value === '' || cell?.value === undefined
/** Null: an empty text. */
const valueIn = (cell: Cell | undefined): number | null | undefined => {
  if (isBlank(cell)) return null
  return typeof cell?.value === 'number' ? cell.value : undefined
}
