import type { Minor } from './minor'
import { LARGEST_AMOUNT, minor } from './minor'
import type { Checked } from '../guards/refusal'
import { accept, refuse } from '../guards/refusal'

/** Reads an amount from outside: whole minor units, at most 10^13; above zero, or not negative. */
export function readAmount(amount: unknown, field: string, zero?: 'zero allowed'): Checked<Minor> {
  if (typeof amount !== 'number' || !Number.isInteger(amount)) return refuse('NOT_A_NUMBER', field)
  if (amount < 0) return refuse(zero ? 'AMOUNT_NEGATIVE' : 'AMOUNT_NOT_POSITIVE', field)
  if (amount === 0 && !zero) return refuse('AMOUNT_NOT_POSITIVE', field)
  if (amount > LARGEST_AMOUNT) return refuse('AMOUNT_TOO_LARGE', field, { largest: LARGEST_AMOUNT })
  return accept(minor(amount))
}

/** Reads a count from outside: a whole number within bounds. */
export function readCount(count: unknown, field: string, least: number, most: number): Checked<number> {
  if (typeof count !== 'number' || !Number.isInteger(count)) return refuse('NOT_A_NUMBER', field)
  if (count < least || count > most) return refuse('OUT_OF_RANGE', field, { least, most })
  return accept(count === 0 ? 0 : count)
}
