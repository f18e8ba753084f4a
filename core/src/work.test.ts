import { describe, expect, test } from 'vitest'
import { compile } from './calculator/compile/compile'
import { createEvaluator, evaluate } from './calculator/evaluate/evaluate'
import { starters } from './calculator/starters'
import { hostileDocuments } from './testing/hostile-documents'
import { TODAY } from './testing/test-document'
import { metered, spend, TooMuchWork } from './guards/work'

describe('work is counted', () => {
  test('up to what it may take, and by whoever asked for it', () => {
    expect(metered(10, () => spend(10))).toEqual({ result: undefined, spent: 10 })
    expect(metered(10, () => 'done')).toEqual({ result: 'done', spent: 0 })
    expect(metered(10, () => (spend(11), 'done')).result).toBeUndefined()
    expect(() => spend(1e9)).not.toThrow()
  })
  test('within what is around it: the inner takes from the outer, and never more than that has', () => {
    const outer = metered(10, () => {
      const inner = metered(100, () => spend(8))
      expect(inner.spent).toBe(8)
      spend(3)
    })
    expect(outer.result).toBeUndefined()
    expect(metered(10, () => metered(100, () => (spend(20), 'done')).result).result).toBeUndefined()
  })
  test('what goes wrong otherwise goes on its way', () => {
    expect(() =>
      metered(10, () => {
        throw new RangeError('other')
      }),
    ).toThrow(RangeError)
    expect(new TooMuchWork()).toBeInstanceOf(Error)
  })
})

describe('a document that asks for too much', () => {
  test.each(Object.entries(hostileDocuments))('%s is stopped, at the line that is dear', (name, make) => {
    const { program } = compile(make(), [])
    const { result, spent } = metered(100_000_000, () => evaluate(program, {}, { today: TODAY, sheets: [] }))
    // One operation may be begun that is not finished.
    expect(spent).toBeLessThan(1_600_000)
    const stopped = result?.problems.filter(
      (problem) => problem.code === 'STEP_STOPPED' && problem.stop.code === 'TOO_MUCH_WORK',
    )
    expect(stopped?.map(({ field }) => field)).toEqual(
      name.includes('parentheses') ? [] : [expect.stringMatching(/^(ladder|power|list)\d+$/)],
    )
  })

  test('stops the same way however it was reached', () => {
    const make = hostileDocuments['one ladder of 44 by 44 such loans']
    if (!make) throw new Error('there is one')
    const { program } = compile(make(), [])
    const around = { today: TODAY, sheets: [] }
    const remembering = createEvaluator(program)
    remembering({ homePrice: 500_000_00 }, around)
    expect(remembering({}, around).problems).toEqual(evaluate(program, {}, around).problems)
  })
})

test.each(starters.map(({ id, make, sheets }) => [id, make, sheets] as const))(
  'the starter %s takes less than a tenth of what it may',
  (_, make, sheets) => {
    const { program } = compile(make(), sheets)
    const { result, spent } = metered(150_000, () => evaluate(program, {}, { today: TODAY, sheets }))
    expect(result?.problems).toEqual([])
    expect(spent).toBeGreaterThan(50)
  },
)
