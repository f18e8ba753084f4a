import type { MinorDigits } from '../money/currencies'
import type { Expression } from './expression'
import type { Typed } from './fit'
import type { FormulaFault, FormulaProblem } from './problem'
import type { FormulaReader, SyntaxNode } from './syntax'
import type { Unit, Wanted } from './unit'

/** What the names in a formula stand for. A unit that is undefined: the step has a fault of its own. */
export interface Scope {
  readonly steps: ReadonlyMap<string, { readonly id: string; readonly unit: Unit | undefined }>
  readonly minorDigits: MinorDigits
  /** Reads texts among these names. */
  readonly reader: FormulaReader
}

/** A formula being checked: its names, and how its parts are typed. */
export interface Checking {
  readonly scope: Scope
  readonly type: (node: SyntaxNode) => Typed
  /** A part as its place takes it; `place` names an argument. */
  readonly wanted: (node: SyntaxNode, wanted: Wanted, place?: string) => Typed
  /** Notes a gentle question about what is allowed and looks like a slip. */
  readonly ask: (question: FormulaProblem) => void
}

/** A fault on its way out of the checker; caught at the top, where it gets its place. */
export class Fault extends Error {
  constructor(
    readonly fault: FormulaFault,
    readonly node: { readonly from: number; readonly to: number },
  ) {
    super(fault.code)
  }
}

export const unreadable = (node: SyntaxNode): Fault =>
  new Fault({ code: 'FORMULA_UNREADABLE', text: node.text }, node)

/** The items of a list, without its brackets and commas. */
export const itemsOf = (list: SyntaxNode): SyntaxNode[] =>
  list.children.filter(({ name }) => name !== '[' && name !== ']' && name !== ',')

/** A part of a formula with what it comes to, at its place in the text. */
export const typedAt = (node: SyntaxNode, expression: Expression, unit: Unit): Typed => ({
  expression,
  unit,
  from: node.from,
  to: node.to,
  text: node.text,
})
