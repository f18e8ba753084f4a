import type { Ledger, LedgerRow } from '@vivid/core/evaluate'

/** The payments of a ledger from one number to another. */
export const rowsBetween = (ledger: Ledger, from: number, to: number): LedgerRow[] =>
  Array.from({ length: to - from + 1 }, (_, i) => ledger.at(from + i))

const BLOCK = 52

/** A ledger's payments in blocks that are drawn one by one as they come into sight. */
export const blocksOf = ({ firstNumber, lastNumber }: Ledger): { from: number; to: number }[] =>
  Array.from({ length: Math.ceil((lastNumber - firstNumber + 1) / BLOCK) }, (_, i) => ({
    from: firstNumber + i * BLOCK,
    to: Math.min(lastNumber, firstNumber + (i + 1) * BLOCK - 1),
  }))
