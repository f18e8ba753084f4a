import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { LoanRun } from '../../formula/computed'
import { costUntil } from '../../lending/compare'
import { amortize } from '../../loan/amortize'
import type { LoanTerms } from '../../loan/loan-terms'
import { minor } from '../../money/minor'
import { TODAY } from '../../testing/test-document'
import { compile } from '../compile/compile'
import { twoProgrammes } from '../starters/two-programmes'
import { evaluate } from './evaluate'
import { turnOf } from './side-by-side'

function runOf(terms: LoanTerms, paidAtStart = 0): LoanRun {
  const ledger = amortize(terms)
  if (!ledger.ok) throw new Error(ledger.code)
  const { principal, frequency } = terms
  return {
    kind: 'loan',
    agreedOn: '2026-11-25',
    principal: minor(principal),
    frequency,
    terms,
    ledger,
    paidAtStart: minor(paidAtStart),
  }
}

const aLoan = fc
  .record({
    rate: fc.integer({ min: 300, max: 700 }),
    years: fc.integer({ min: 3, max: 25 }),
    added: fc.integer({ min: 0, max: 500 }),
    fee: fc.integer({ min: 0, max: 3_000_00 }),
    inHand: fc.integer({ min: 0, max: 3_000_00 }),
  })
  .map(({ rate, years, added, fee, inHand }) => {
    const terms: LoanTerms = {
      principal: minor(200_000_00),
      annualRate: String(rate / 100),
      frequency: 'monthly',
      term: { years },
      fees: { financed: minor(fee) },
      ...(added > 100 && { insurance: { addedPercent: String(added / 100) } }),
    }
    return { run: runOf(terms, inHand), terms, inHand }
  })

test('the stay after which another loan costs least is the one found month by month', () => {
  let turned = 0
  fc.assert(
    fc.property(fc.array(aLoan, { minLength: 2, maxLength: 4 }), (loans) => {
      const longest = Math.max(...loans.map(({ run }) => run.ledger?.count ?? 0))
      const cheapest = (month: number) => {
        const costs = loans.map(({ run, terms, inHand }) =>
          run.ledger ? costUntil(run.ledger, terms, Math.min(month, run.ledger.count)) + inHand : 0,
        )
        return costs.indexOf(Math.min(...costs))
      }
      const turn = turnOf(
        loans.map(({ run }) => run),
        84,
      )
      // Year by year: one that is cheapest in between and not at a year's end is passed over.
      const years = Array.from({ length: Math.ceil(longest / 12) }, (_, year) =>
        Math.min(longest, 12 * (year + 1)),
      )
      const other = years.find((month) => cheapest(month) !== cheapest(1))
      if (other === undefined) {
        expect(turn).toBeUndefined()
        return
      }
      turned++
      expect(turn).toMatchObject({ before: cheapest(1), stay: 84 })
      const { after = 0, then } = turn ?? {}
      expect([cheapest(after), cheapest(after + 1)]).toEqual([turn?.before, then])
      expect(after).toBeLessThan(other)
    }),
    { numRuns: 150 },
  )
  expect(turned).toBeGreaterThan(20)
})

test('one loan, none to leave, and loans of which one always costs least have no turn', () => {
  const terms: LoanTerms = {
    principal: minor(200_000_00),
    annualRate: '5',
    frequency: 'monthly',
    term: { years: 20 },
  }
  const [cheap, dear] = [runOf(terms), runOf({ ...terms, annualRate: '6' })]
  expect(turnOf([cheap], 84)).toBeUndefined()
  expect(turnOf([cheap, dear], undefined)).toBeUndefined()
  expect(turnOf([cheap, dear], 84)).toBeUndefined()
  const nothing: LoanRun = { ...cheap, principal: minor(0), ledger: undefined, terms: undefined }
  expect(turnOf([nothing, cheap], 84)).toBeUndefined()
})

test('a comparison without a turn says no, and shows none', () => {
  const { program } = compile(twoProgrammes(), [])
  const { values, readouts } = evaluate(program, { added: '0', rateB: '5.5' }, { today: TODAY, sheets: [] })
  expect(values.both).toMatchObject({ figures: { turns: { yes: false } } })
  expect(values.both).not.toHaveProperty(['figures', 'turns after'])
  expect(readouts.map(({ id }) => id)).not.toContain('turning')
  expect(readouts.find((one) => one.shows === 'comparison')?.turn).toBeUndefined()
})
