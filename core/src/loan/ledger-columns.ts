/** The money columns of a ledger: one entry for each payment, whole minor units. */
export interface MoneyColumns {
  readonly opening: Float64Array
  /** All that is paid on the loan, the extra included; insurance and fees are not. */
  readonly payment: Float64Array
  readonly interest: Float64Array
  /** What the payment takes off the balance, the extra included. */
  readonly principal: Float64Array
  /** The part of the payment that was paid on top. */
  readonly extra: Float64Array
  readonly insurance: Float64Array
  readonly closing: Float64Array
}

const columnNames = ['opening', 'payment', 'interest', 'principal', 'extra', 'insurance', 'closing'] as const

/** Columns of one length, side by side in one piece of memory. */
export function emptyColumns(length: number): MoneyColumns {
  const memory = new ArrayBuffer(columnNames.length * length * 8)
  const column = (index: number) => new Float64Array(memory, index * length * 8, length)
  return {
    opening: column(0),
    payment: column(1),
    interest: column(2),
    principal: column(3),
    extra: column(4),
    insurance: column(5),
    closing: column(6),
  }
}

export function resized(columns: MoneyColumns, length: number): MoneyColumns {
  const next = emptyColumns(length)
  for (const name of columnNames) next[name].set(columns[name].subarray(0, length))
  return next
}

/** The rows from one place to another, in the same memory. */
export const rowsBetween = (columns: MoneyColumns, from: number, to: number): MoneyColumns => ({
  opening: columns.opening.subarray(from, to),
  payment: columns.payment.subarray(from, to),
  interest: columns.interest.subarray(from, to),
  principal: columns.principal.subarray(from, to),
  extra: columns.extra.subarray(from, to),
  insurance: columns.insurance.subarray(from, to),
  closing: columns.closing.subarray(from, to),
})
