import Papa from 'papaparse'
import { expect, test } from 'vitest'
import { fetchAllLanguages, languageOf } from '@vivid/contract/wording'
import { amortize, type GivenTerms, type Ledger } from '@vivid/core'
import { scheduleCsv } from './schedule-csv'

await fetchAllLanguages()

function ledgerOf(terms: Omit<GivenTerms, 'frequency'>): Ledger {
  const ledger = amortize({ ...terms, frequency: 'monthly' })
  if (!ledger.ok) throw new Error(ledger.code)
  return ledger
}

test.each([
  ['en-CA', 2, 300],
  ['he-IL', 0, 24],
  ['de-DE', 3, 52],
] as const)(
  'in %s with %i minor digits every payment is a line of plain decimals',
  (locale, minorDigits, payments) => {
    const ledger = ledgerOf({
      principal: 350_710_00,
      annualRate: '4.64',
      term: { payments },
      firstPayment: '2026-12-31',
      minorDigits,
    })
    const { data, errors } = Papa.parse<string[]>(
      scheduleCsv(ledger, { minorDigits }, languageOf(locale).page),
      {
        skipEmptyLines: true,
      },
    )
    expect(errors).toEqual([])
    expect(data).toHaveLength(payments + 1)
    const { number, columns } = languageOf(locale).page
    expect(data[0]?.slice(0, 3)).toEqual([number, columns.date, columns.payment])
    const minor = (text: string | undefined) => Math.round(Number(text) * 10 ** minorDigits)
    const sum = (at: number) => data.slice(1).reduce((total, row) => total + minor(row[at]), 0)
    expect([sum(2), sum(3), sum(4)]).toEqual([
      ledger.totals.paid,
      ledger.totals.principal,
      ledger.totals.interest,
    ])
    for (const cell of data.slice(1).flatMap((row) => row.slice(2)))
      expect(cell).toMatch(minorDigits === 0 ? /^\d+$/ : new RegExp(`^\\d+\\.\\d{${minorDigits}}$`))
  },
)

test('the insurance that is paid stands beside the payments, to the cent', () => {
  const ledger = ledgerOf({
    principal: 350_710_00,
    annualRate: '4.64',
    term: { payments: 300 },
    insurance: { yearlyPercent: '0.55', value: 380_000_00, untilLoanToValue: '80' },
  })
  const { page } = languageOf('en-CA')
  const { data } = Papa.parse<string[]>(scheduleCsv(ledger, { minorDigits: 2 }, page), {
    skipEmptyLines: true,
  })
  expect(data[0]?.slice(-2)).toEqual([page.columns.insurance, page.columns.balance])
  const premiums = data.slice(1).map((row) => Math.round(Number(row.at(-2)) * 100))
  expect(premiums.filter((premium) => premium > 0).length).toBeGreaterThan(12)
  expect(premiums.reduce((sum, premium) => sum + premium, 0)).toBe(ledger.totals.insurance)
})

test('programs that guess encodings are told, and comma locales may have commas', () => {
  const ledger = ledgerOf({
    principal: 1_000_00,
    annualRate: '5',
    term: { payments: 2 },
  })
  const { page } = languageOf('fr-CA')
  const csv = scheduleCsv(ledger, { minorDigits: 2 }, page, 'comma')
  expect(csv.startsWith('\ufeff')).toBe(true)
  const { data } = Papa.parse<string[]>(csv, { delimiter: ';', skipEmptyLines: true })
  expect(data[1]?.slice(2)).toEqual(
    [ledger.at(1).payment, ledger.at(1).principal, ledger.at(1).interest, 0, ledger.at(1).closing].map(
      (minor) => (minor / 100).toFixed(2).replace('.', ','),
    ),
  )
  expect(scheduleCsv(ledger, { minorDigits: 2 }, page)).toContain('.')
})
