import type { CalculatorDocument, RateSheet } from '@vivid/core'
import { isDateFormat, isPercentFormat, nameOfCell, type Book, type Cell } from '../book/book'
import { dateOf } from '../book/days'
import { cellsOfBlock } from '../understand/blocks'
import { understand, type Changes, type Understood } from '../understand/understand'
import { othersFor, type CellUnit } from '../understand/unit-of'
import { MOST_ASKED } from '../take/taking'
import { figuresOf, leftOutSaid, type CellFigure } from './figures'
import type { Draft } from './draft'
import { makeDraft } from './make-draft'
import { differencesBetween, type Difference } from './to-the-cent'

/**
 * What a cell is for: asked of visitors; typed, and part of formulas; worked out; worked out and shown; a row of a schedule; words;
 * or left out.
 */
export type CellPart = 'asked' | 'typed' | 'working' | 'result' | 'row' | 'words' | 'leftOut'

export interface ShownCell {
  /** "Loan!B7". */
  readonly cell: string
  readonly row: number
  readonly column: number
  /** Its value as its format shows it. */
  readonly shown: string
  readonly formula: string | undefined
  readonly part: CellPart
  readonly label: string
  readonly why: string
  /** How it is asked, and what it could be instead. */
  readonly asked:
    { readonly unit: CellUnit; readonly isSure: boolean; readonly others: readonly CellUnit[] } | undefined
  /** Of a formula: whether the draft gives the worksheet's own value. */
  readonly agrees: boolean | undefined
}

/** A worksheet as it was read, for a person to look at, change and make a calculator of. */
export interface Reading {
  readonly sheets: readonly { readonly name: string; readonly cells: readonly ShownCell[] }[]
  readonly figures: { readonly all: number; readonly agreeing: number }
  readonly differing: readonly CellFigure[]
  readonly leftOut: readonly { readonly cell: string; readonly formula: string; readonly why: string }[]
  readonly loans: number
  /** The rate sheets that tables became. */
  readonly rateSheets: readonly RateSheet[]
  /** The draft as the worksheet does it, and to the cent as a ledger does, with what differs. */
  readonly worksheet: CalculatorDocument
  readonly ledger: CalculatorDocument
  readonly differences: readonly Difference[]
}

/** Reads a book the way a person has changed it. `tell`: how far it is, from 0 to 1. */
export function readingOf(
  book: Book,
  title: string,
  changes: Changes = {},
  tell: (done: number) => void = () => undefined,
): Reading {
  const understood = understand(book, changes)
  tell(0.4)
  const draft = makeDraft(book, understood, title, { asSheets: true })
  tell(0.6)
  const figures = figuresOf(draft)
  tell(0.8)
  const loans = draft.document.steps.filter(({ kind }) => kind === 'loan').length
  const ledger = loans > 0 ? makeDraft(book, understood, title, { way: 'ledger', asSheets: true }) : draft
  tell(0.9)
  const agreeing = figures.filter(({ agrees }) => agrees)
  const shown = showing(understood, draft, figures)
  return {
    sheets: book.sheets.map(({ name, cells }) => ({
      name,
      cells: [...cells.values()].map(shown),
    })),
    figures: { all: figures.length, agreeing: agreeing.length },
    differing: figures.filter(({ agrees }) => !agrees),
    leftOut: draft.leftOut.map(leftOutSaid),
    loans,
    rateSheets: draft.sheets,
    worksheet: draft.document,
    ledger: ledger.document,
    differences: loans > 0 ? differencesBetween(draft, ledger) : [],
  }
}

function showing(
  understood: Understood,
  { asked, leftOut }: Draft,
  figures: readonly CellFigure[],
): (cell: Cell) => ShownCell {
  const isAsked = new Set(asked.map(({ cell }) => nameOfCell(cell)))
  const figureOf = new Map(figures.map((figure) => [figure.cell, figure]))
  const why = new Map(leftOut.map((one) => [nameOfCell(one.cell), one.why]))
  const inRows = new Set(
    understood.blocks.flatMap((block) => [...cellsOfBlock(block)].map(({ name }) => name)),
  )
  return (cell) => {
    const name = nameOfCell(cell)
    const ask = isAsked.has(name) ? understood.asked.get(name) : undefined
    const [part, reason] = partOf(cell, name)
    return {
      cell: name,
      row: cell.row,
      column: cell.column,
      shown: shownValue(cell),
      formula: cell.formula,
      part,
      why: reason,
      label: ask?.label ?? understood.formulas.get(name)?.label ?? '',
      asked: ask && { unit: ask.unit, isSure: ask.isSure, others: othersFor(cell, ask.unit) },
      agrees: figureOf.get(name)?.agrees,
    }
  }

  function partOf(cell: Cell, name: string): readonly [CellPart, string] {
    const ask = isAsked.has(name) ? understood.asked.get(name) : undefined
    if (ask) return ['asked', `It is typed in and formulas use it; ${ask.why}.`]
    const whyNot = why.get(name)
    if (whyNot !== undefined) return ['leftOut', `Left out: ${whyNot}.`]
    const figure = figureOf.get(name)
    if (figure && inRows.has(name)) return ['row', 'One of many rows that carry on from each other.']
    if (figure?.role === 'result')
      return ['result', 'It comes out at the end: nothing uses it, or it is a payment.']
    if (figure) return ['working', 'Other cells use it.']
    if (typeof cell.value === 'string') return ['words', 'Words.']
    return ['typed', `It is typed in${whyNotAsked(name)}; where formulas use it, it stays the figure it is.`]
  }

  function whyNotAsked(name: string): string {
    if (!understood.asked.has(name)) return ''
    return asked.length >= MOST_ASKED
      ? `, and would be asked, but a worksheet has no more than ${MOST_ASKED} questions`
      : ', and no question can have such an answer'
  }
}

/** A value as its cell shows it, near enough to be known again. */
function shownValue({ value, format }: Cell): string {
  if (value === undefined) return ''
  if (typeof value === 'object') return value.error
  if (typeof value === 'boolean') return value ? 'TRUE' : 'FALSE'
  if (typeof value === 'string') return value
  if (isDateFormat(format)) return dateOf(Math.floor(value)) ?? String(value)
  const decimals = /0\.(0+)/.exec(format)?.[1]?.length
  if (isPercentFormat(format)) return `${(value * 100).toFixed(decimals ?? 0)}%`
  const sign = /[$£€¥₹₪]/.exec(format)?.[0] ?? ''
  const digits = value.toLocaleString('en', {
    minimumFractionDigits: decimals ?? 0,
    maximumFractionDigits: decimals ?? 6,
    useGrouping: sign !== '' || format.includes('#,#'),
  })
  return `${digits.startsWith('-') ? '−' : ''}${sign}${digits.replace(/^-/, '')}`
}
