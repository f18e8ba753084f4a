/** A formula of a worksheet as a tree; `sheet` of a reference is where it points to. */
export type Formula =
  | { readonly is: 'number'; readonly text: string }
  | { readonly is: 'text'; readonly text: string }
  | { readonly is: 'yesNo'; readonly yes: boolean }
  | { readonly is: 'fault'; readonly text: string }
  | { readonly is: 'nothing' }
  | { readonly is: 'cell'; readonly sheet: string; readonly row: number; readonly column: number }
  | CellRange
  | ListOfConstants
  | { readonly is: 'name'; readonly name: string }
  | { readonly is: 'call'; readonly function: string; readonly args: readonly Formula[] }
  | { readonly is: 'minus' | 'percent'; readonly of: Formula }
  | { readonly is: 'binary'; readonly how: string; readonly a: Formula; readonly b: Formula }

export interface CellRange {
  readonly is: 'range'
  readonly sheet: string
  readonly from: { readonly row: number; readonly column: number }
  readonly to: { readonly row: number; readonly column: number }
}

/** Figures, texts, or yes and no, written out row by row: {0,80;2.8,3.1}. */
export interface ListOfConstants {
  readonly is: 'list'
  readonly rows: readonly (readonly Formula[])[]
}

/** A formula, or a cell, that is not taken over, said so that a person knows what else could be done. */
export class NotTaken extends Error {}

/** The formula with other parts in place of those it takes apart into at once. */
export function withParts(of: Formula, other: (part: Formula) => Formula): Formula {
  switch (of.is) {
    case 'call':
      return { ...of, args: of.args.map(other) }
    case 'minus':
    case 'percent':
      return { ...of, of: other(of.of) }
    case 'binary':
      return { ...of, a: other(of.a), b: other(of.b) }
    default:
      return of
  }
}
