import { NotTaken } from '../formula/formula'
import { number, type Code } from './code'

/** Rows of a schedule: each column's figure in row `k`, counted from 1, ready to stand beside any operator. */
export interface Rows {
  readonly first: number
  readonly last: number
  readonly texts: readonly string[]
}

/** What is worked out in each row, added up. */
export const throughRows = ({ first, last }: Pick<Rows, 'first' | 'last'>, figure: string): Code =>
  number(`sum(for k in ${first}..${last} return ${figure})`, false)

/** What is the same in each row: a formula of a row of its own would be taken for the row that is gone through. */
export function inEachRow(text: string): string {
  if (/\bk\b/.test(text)) throw new NotTaken('what it holds against each row changes from row to row')
  return text
}
