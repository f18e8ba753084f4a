import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { keptIn, linkTo, type Kept } from './share-link'

const PAGE = 'https://calculators.example/c/floating-home-mortgage'
const hashOf = (link: string) => new URL(link).hash

test('a link brings back the answers, the day and the headline, and keeps them from the server', () => {
  const kept: Kept = {
    answers: { homePrice: 41_260_000, downPayment: { percent: '15' }, term: { years: 25, months: 6 } },
    on: '2026-11-25',
    headline: { unit: 'money', money: 90_759 as never, per: 'payment', every: 'biweekly' },
  }
  const link = linkTo(PAGE, 'fr-CA', kept)
  expect(keptIn(hashOf(link))).toEqual(kept)
  expect(new URL(link).pathname + new URL(link).search).toBe('/c/floating-home-mortgage?lang=fr-CA')
  expect(link).toMatch(/#kept=[A-Za-z0-9_-]+$/)
})

test('whatever the answers hold comes back as it was', () => {
  fc.assert(
    fc.property(fc.dictionary(fc.string({ minLength: 1 }), fc.jsonValue()), (answers) => {
      const plain = JSON.parse(JSON.stringify(answers)) as Record<string, unknown>
      const link = linkTo(PAGE, 'en-CA', { answers: plain, on: '2026-11-25', headline: undefined })
      expect(keptIn(hashOf(link))?.answers).toEqual(plain)
    }),
  )
})

describe('what was not made here is not believed', () => {
  const encoded = (value: unknown) => `#kept=${Buffer.from(JSON.stringify(value)).toString('base64url')}`
  test.each([
    ['nothing', ''],
    ['another fragment', '#schedule'],
    ['no base64', '#kept=%%%'],
    ['no JSON', `#kept=${Buffer.from('{').toString('base64url')}`],
    ['no answers', encoded({ on: '2026-11-25' })],
    ['answers that are a list', encoded({ answers: [1] })],
    ['null', encoded(null)],
  ])('%s', (_, hash) => expect(keptIn(hash)).toBeUndefined())

  test.each([
    ['a headline that is a text', 'about 900'],
    ['an amount that is none', { unit: 'money', money: '<b>' }],
    ['an amount with a fraction', { unit: 'money', money: 1.5 }],
    ['a kind of value a headline never is', { unit: 'list', items: [] }],
  ])('%s', (_, headline) =>
    expect(keptIn(encoded({ answers: {}, on: 'x', headline }))).toEqual({
      answers: {},
      on: '',
      headline: undefined,
    }),
  )
})
