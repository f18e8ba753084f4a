import type { CalculatorStep } from '@vivid/core'
import { NotTaken, type Formula } from '../formula/formula'
import { figure, number, ZERO } from '../translate/code'
import { countOfBlock, placeIn, relative, type Block, type BlockCell } from '../understand/blocks'
import { reachedFrom } from '../understand/understand'
import { asArithmetic } from './arithmetic-schedule'
import { holding, type Claim } from './claims'
import { asLedger } from './ledger-schedule'
import { asLevelPrincipal } from './level-principal-schedule'
import { isSchedule, type Column, type Found, type Schedule } from './schedule'
import { workingStep } from './steps'
import { LONGEST_FORMULA, type Taking } from './taking'

/** No more schedules are tried with the figures of one block. */
const MOST_TRIED = 12
/** So deep a row's formulas are followed within it. */
const DEEPEST = 8

type Columns = ReadonlyMap<number, Column>
type Lanes = ReadonlyMap<number, readonly BlockCell[]>

/**
 * The schedule that does what the rows of a block do, whatever is answered: the formulas of its rows, resting on the schedule's own
 * figures, give its figures, in the first two rows, one in the middle and the last; in all rows where these rest on something asked that
 * the schedule does not rest on, as a lump sum that is nothing so far. A column for which that does not hold is none of it. The first
 * whose other columns all follow from it; otherwise the one with the most columns.
 */
export function provenSchedule(found: Found, lanes: Lanes, taking: Taking): Schedule | undefined {
  let best: Schedule | undefined
  let tried = 0
  for (const schedule of schedulesFor(found, taking.room() > 0)) {
    const { columns, isWhole } = provenColumns(schedule)
    const isBetter = isSchedule(columns) && columns.size > (best?.columns.size ?? 0)
    if (isBetter) best = { ...schedule, columns }
    if ((isBetter && isWhole) || ++tried === MOST_TRIED) break
  }
  return best

  /** The columns that hold, resting on none that does not, and whether all others can be followed from them. */
  function provenColumns(schedule: Schedule): { columns: Columns; isWhole: boolean } {
    const rows = createRows(schedule, found.block, lanes, taking)
    let columns = schedule.columns
    while (isSchedule(columns)) {
      const { held } = holdingAmong(columns, columns, rows, someOf)
      if (held.size === columns.size) break
      columns = held
    }
    // What failed for a column it rested on may hold without it.
    for (;;) {
      const others = new Map([...schedule.columns].filter(([lane]) => !columns.has(lane)))
      const { held, canFollow } = holdingAmong(others, columns, rows, someOf)
      if (!isSchedule(columns)) return { columns, isWhole: false }
      if (held.size === 0) return { columns: inAllRows(columns, rows), isWhole: canFollow }
      columns = new Map([...columns, ...held])
    }
  }

  /** Columns that hold in some rows, if they do in all where that may be another thing; else none: what one row adds, others carry on. */
  function inAllRows(columns: Columns, rows: Rows): Columns {
    const own = [...columns.keys()].flatMap((lane) => lanes.get(lane) ?? [])
    const names = own.map(({ name }) => name)
    const reached = reachedFrom(names, taking.understood.formulas)
    const isFelt = rows.restsOn([...reached])
    if ([...reached].every((name) => !taking.asked.has(name) || isFelt.has(name))) return columns
    const { held } = holdingAmong(columns, columns, rows, (cells) => cells)
    return held.size === columns.size ? columns : new Map()
  }

  /** Those of some columns that hold, each resting on those within and on itself, and whether the formulas of all can be followed. */
  function holdingAmong(some: Columns, within: Columns, rows: Rows, tested: typeof someOf) {
    const claims = new Map(
      [...some].map(([lane, column]) => [
        lane,
        claimsOf(lane, column, new Map([...within, [lane, column]]), rows, tested),
      ]),
    )
    const hold = rows.holding([...claims.values()].flatMap((of) => of ?? []))
    return {
      held: new Map([...some].filter(([lane]) => claims.get(lane)?.every(hold))),
      canFollow: [...claims.values()].every((of) => of !== undefined),
    }
  }

  /** What has to hold for a column; undefined where a formula of it cannot be followed. */
  function claimsOf(
    lane: number,
    column: Column,
    within: Columns,
    rows: Rows,
    tested: typeof someOf,
  ): Claim[] | undefined {
    const cells = (lanes.get(lane) ?? []).filter(
      ({ name }) => typeof taking.cells.get(name)?.value === 'number',
    )
    const claims: Claim[] = []
    for (const { name, k } of tested(cells)) {
      const formula = taking.understood.formulas.get(name)?.formula
      const is = formula
        ? rows.followed(formula, k, within)
        : figure(Number(taking.cells.get(name)?.value)).text
      if (is === undefined) return undefined
      const as = rows.cell(column, k)
      const isFree = rows.isLedger || (endsInBlanks(cells) && !isOfRow(column))
      const free = isFree ? rows.orBehindEnd(k, is, as) : as
      claims.push({ is, as: isLastOfItsKind(lane, k) ? rows.whereItEnds(k, is, free) : free })
    }
    return claims
  }

  /** Whether a row is the last, and has another formula than those before: it repays what is left. */
  function isLastOfItsKind(lane: number, k: number): boolean {
    const [before, last] = (lanes.get(lane) ?? [])
      .slice(k - 2)
      .map(({ name }) => taking.understood.formulas.get(name)?.cell)
    return (
      k === countOfBlock(found.block) &&
      before !== undefined &&
      last !== undefined &&
      relative(before) !== relative(last)
    )
  }

  /** Whether a column's rows are empty texts where nothing is paid any more. */
  function endsInBlanks(cells: readonly BlockCell[]): boolean {
    return cells.some(({ name }) => taking.cells.get(name)?.formula?.includes('""'))
  }
}

/** The first two rows, one in the middle and the last. */
const someOf = (cells: readonly BlockCell[]): readonly BlockCell[] =>
  [...new Set([0, 1, Math.floor(cells.length / 2), cells.length - 1])].flatMap((at) => cells[at] ?? [])

/** Loans whose rows are a block's, to the cent as a ledger rounds, or unrounded; none where no figure they rest on gives them. */
function* schedulesFor(found: Found, hasRoom: boolean): Generator<Schedule> {
  if (hasRoom) yield* asLedger(found)
  yield* asArithmetic(found)
  yield* asLevelPrincipal(found)
}

/** What stands between names in a formula. */
const BETWEEN_NAMES = /[()+\-*/=<>",.]|\b(?:if|then|else|and|or)\b/

const PAYMENT: Column = { series: 'payment', isNegative: false }
const CLOSING: Column = { series: 'closing', isNegative: false }
/** What a row is by itself is nothing behind the end; what counts rows or adds them up is not. */
const isOfRow = ({ series }: Column): boolean => !/ToDate$|^number$/.test(series)

type Rows = ReturnType<typeof createRows>

/** A schedule's figures and the formulas of a block's rows, each a line that only the proof has, so that what rests on them stays short. */
function createRows(
  { write }: Schedule,
  block: Block,
  lanes: Lanes,
  { naming, understood, codeFor, codeOf, hasCode, documentSoFar, asked, tables }: Taking,
) {
  const own = naming.copy()
  const steps: CalculatorStep[] = []
  const known = new Map<string, string>()
  const line = (text: string): string => {
    const before = known.get(text)
    if (before !== undefined) return before
    const step = workingStep(`tried${steps.length}`, own('tried', 'tried'), number(text), '')
    steps.push(step)
    known.set(text, step.name)
    return step.name
  }
  const said: string[] = []
  const written = write({
    working: (_, text) => {
      said.push(text)
      return line(text)
    },
    loan: () => ({ id: 'triedLoan', name: own('tried loan', 'loan') }),
  })
  if (written.loan) {
    steps.push(written.loan)
    said.push(...Object.values(written.loan.terms))
  }
  const cell = (column: Column, k: number): string => line(written.cell(column, k))
  const proven = new Map<string, boolean>()
  /** A figure of a row, or, where nothing is paid any more, whatever stands there instead. */
  const orBehindEnd = (k: number, instead: string, figure: string) =>
    line(`if ${cell(PAYMENT, k)} = 0 then ${instead} else ${figure}`)
  /** The figure of a row that was made to be the last, where it is; elsewhere whatever stands there instead. */
  const whereItEnds = (k: number, instead: string, figure: string) =>
    line(`if round(${cell(CLOSING, k)}, 0.000001) = 0 then ${figure} else ${instead}`)
  /** A ledger ends with its last payment; rows that were made for so many payments may go on with anything. */
  const isLedger = written.loan !== undefined
  return { cell, isLedger, orBehindEnd, whereItEnds, followed, restsOn, holding: holdingHere }

  /** Of these cells those that the schedule itself rests on. */
  function restsOn(names: readonly string[]): ReadonlySet<string> {
    const words = new Set(said.flatMap((text) => text.split(BETWEEN_NAMES).map((word) => word.trim())))
    const isNamed = (name: string) => {
      const text = asked.get(name)?.question.name ?? (hasCode(name) ? codeOf(name)?.text : undefined)
      return text !== undefined && words.has(text)
    }
    return reachedFrom(names.filter(isNamed), understood.formulas)
  }

  /** Tells which of these claims hold; what was asked before is known. */
  function holdingHere(claims: readonly Claim[]): (claim: Claim) => boolean {
    const keyOf = ({ is, as }: Claim) => `${is} = ${as}`
    const isNew = claims.filter((claim) => !proven.has(keyOf(claim)))
    const holds = holding(documentSoFar(steps), [...asked.values()], isNew, tables?.sheets())
    isNew.forEach((claim, i) => proven.set(keyOf(claim), holds[i] ?? false))
    return (claim) => proven.get(keyOf(claim)) ?? false
  }

  /** A formula of row k, on the schedule's figures; what is none of them is followed within the row and the one before. */
  function followed(formula: Formula, k: number, within: Columns, depth = 0): string | undefined {
    const instead = (part: Formula) => {
      if (part.is !== 'cell' || part.sheet !== block.sheet) return undefined
      const place = placeIn(block, part)
      const name = lanes.get(place.lane)?.[place.k - 1]?.name
      const column = name === undefined ? undefined : within.get(place.lane)
      if (column) return number(cell(column, place.k), false)
      const its = name === undefined ? undefined : understood.formulas.get(name)?.formula
      if (!its) return undefined
      const isBeside = place.k === k || place.k === k - 1
      const text = isBeside && depth < DEEPEST ? followed(its, k, within, depth + 1) : undefined
      if (text === undefined) throw new NotTaken('it rests on rows that are none of the schedule')
      return number(text, false)
    }
    try {
      const { text, gives } = codeFor(formula, { instead, nothing: ZERO })
      return gives === 'number' && text.length <= LONGEST_FORMULA ? line(text) : undefined
    } catch (error) {
      if (error instanceof NotTaken) return undefined
      throw error
    }
  }
}
