import { describe, expect, test } from 'vitest'
import { figuresOf, readWorksheet, reportOf } from '..'
import { bookOf, type MadeCell } from '../testing/books'
import { differing, draftOf } from '../testing/drafts'

interface Made {
  readonly perYear: number
  readonly years: number
  readonly isRounded: boolean
  /** Which columns have another formula in their last row. */
  readonly special: readonly ('paid' | 'principal')[]
}

/** A loan of 80,000 at 5.5 %, whose last payment is what is left: number, interest, paid, principal, owed. */
function cellsOf({ perYear, years, isRounded, special }: Made) {
  const cents = (value: number) => (isRounded ? Math.round((value + 1e-9) * 100) / 100 : value)
  const [count, rate] = [perYear * years, 0.055 / perYear]
  const payment = cents((80_000 * rate) / (1 - (1 + rate) ** -count))
  const rounded = (formula: string) => (isRounded ? `ROUND(${formula},2)` : formula)
  const cells: Record<string, MadeCell> = {
    ...{ A1: 'Loan ($)', B1: 80_000, A2: 'Rate (% p.a.)', B2: 5.5, A3: 'Years', B3: years },
    ...{ A4: 'Payment', A8: 'No.', B8: 'Interest', C8: 'Paid', D8: 'Principal', E8: 'Owed' },
    B4: { formula: rounded(`-PMT(B2/${100 * perYear},B3*${perYear},B1)`), result: payment },
  }
  let owed = 80_000
  for (let k = 1; k <= count; k++) {
    const at = 8 + k
    const before = k === 1 ? '$B$1' : `E${at - 1}`
    const is = (what: 'paid' | 'principal') => k === count && special.includes(what)
    const interest = cents(owed * rate)
    const principal = k === count && isRounded ? owed : cents(payment - interest)
    cells[`A${at}`] = k
    cells[`B${at}`] = { formula: rounded(`${before}*$B$2/${100 * perYear}`), result: interest }
    cells[`C${at}`] = {
      formula: is('paid') ? `${before}+B${at}` : '$B$4',
      result: cents(principal + interest),
    }
    cells[`D${at}`] = { formula: is('principal') ? before : `C${at}-B${at}`, result: principal }
    owed = cents(owed - principal)
    cells[`E${at}`] = { formula: `${before}-D${at}`, result: owed }
  }
  return cells
}

describe('a last row with formulas of its own is the schedule’s', () => {
  test.each<Made>([
    { perYear: 12, years: 3, isRounded: true, special: ['paid'] },
    { perYear: 12, years: 2, isRounded: true, special: ['paid', 'principal'] },
    { perYear: 4, years: 5, isRounded: true, special: ['paid'] },
    { perYear: 26, years: 1, isRounded: true, special: ['paid', 'principal'] },
    { perYear: 12, years: 3, isRounded: false, special: ['paid'] },
    { perYear: 12, years: 3, isRounded: false, special: ['paid', 'principal'] },
  ])('%o', async (made) => {
    const draft = await draftOf(cellsOf(made))
    const report = reportOf(draft)
    expect(report.leftOut).toEqual([])
    expect(differing(report)).toEqual([])
    expect(report.document.steps.filter(({ kind }) => kind === 'loan')).toHaveLength(1)
    const half = figuresOf(draft, { 'S!B1': 40_000 }).find(({ cell }) => cell === 'S!E14')
    const whole = figuresOf(draft, {}).find(({ cell }) => cell === 'S!E14')
    expect(Number(half?.got)).toBeCloseTo(Number(whole?.got) / 2, 0)
  })
})

test('columns that carry each other on, one of them for a row more, are taken over cell by cell', async () => {
  const cells: Record<string, MadeCell> = { A1: 'Start ($)', B1: 100, A2: 'Step ($)', B2: 3 }
  let doubled = 100
  for (let k = 1; k <= 13; k++) {
    const at = 4 + k
    const stepped = doubled + 3
    doubled = stepped * 2
    cells[`D${at}`] = { formula: k === 1 ? '$B$1+$B$2' : `C${at - 1}+$B$2`, result: stepped }
    cells[`C${at}`] = { formula: `D${at}*2`, result: doubled }
  }
  cells.C18 = { formula: 'D18*2', result: 0 }
  const report = reportOf(await draftOf(cells))
  expect(report.leftOut).toEqual([])
  expect(differing(report)).toEqual([])
})

test('days of which each is months after the one before stay behind after a short month, as in the file', async () => {
  const dayOf = (month: number, day: number) =>
    (Date.UTC(2027, month, day) - Date.UTC(1899, 11, 30)) / 86_400_000
  // From 31 January on, the 28th after February, whatever comes.
  const days = [dayOf(0, 31), ...Array.from({ length: 23 }, (_, i) => dayOf(i + 1, 28))]
  const ends = days.map((_, i) => dayOf(i + 1, 0))
  const cells = Object.fromEntries(
    days.flatMap((result, i): [string, MadeCell][] => [
      [`A${4 + i}`, { formula: i === 0 ? '$B$1' : `EDATE(A${3 + i},1)`, result }],
      [`B${4 + i}`, { formula: i === 0 ? 'EOMONTH($B$1,0)' : `EOMONTH(B${3 + i},1)`, result: ends[i] ?? 0 }],
    ]),
  )
  const bytes = await bookOf({ A1: 'First payment', B1: days[0] ?? 0, ...cells }, { B1: 'yyyy-mm-dd' })
  const draft = await readWorksheet(bytes, 'Days')
  const report = reportOf(draft)
  expect(report.leftOut).toEqual([])
  expect(differing(report)).toEqual([])
  const later = new Map(figuresOf(draft, { 'S!B1': dayOf(2, 30) }).map(({ cell, got }) => [cell, got]))
  expect([later.get('S!A14'), later.get('S!A15')]).toEqual([dayOf(12, 30), dayOf(13, 29)])
  expect([later.get('S!B14'), later.get('S!B15')]).toEqual([dayOf(13, 0), dayOf(14, 0)])
})
