/** A loan as a sheet has it. */
export const inputs = {
  A1: 'Loan ($)',
  B1: 120_000,
  A2: 'Rate (% p.a.)',
  B2: 6,
  A3: 'Months',
  B3: 120,
  A4: 'Payment number',
  B4: 7,
}
/** The same loan month by month, as anyone would by hand. */
function byHand() {
  const [r, months] = [0.06 / 12, 120]
  const payment = (120_000 * r) / (1 - (1 + r) ** -months)
  let owed = 120_000
  const rows = Array.from({ length: months }, () => {
    const interest = owed * r
    owed -= payment - interest
    return { interest, principal: payment - interest, owed }
  })
  return {
    payment,
    rows,
    sum: (of: 'interest' | 'principal', from: number, to: number) =>
      rows.slice(from - 1, to).reduce((sum, row) => sum + row[of], 0),
  }
}
export const hand = byHand()
