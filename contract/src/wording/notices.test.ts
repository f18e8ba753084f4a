import { beforeAll, expect, test } from 'vitest'
import { compile, createEvaluator, minor, readMoment, starters, type Doubt } from '@vivid/core'
import { figuresFor } from './figures'
import { fetchAllLanguages, spokenLanguages } from './languages'
import { noticesSaid } from './notices'

beforeAll(() => fetchAllLanguages())
const sheets = starters.flatMap((starter) => starter.sheets)
const last: Doubt = {
  code: 'LAST_PAYMENT_LARGE',
  field: '',
  value: { unit: 'money', money: minor(1_511_25) },
}

/** What a page says where the last payment of every loan that is worked out for it is large. */
function saidOf(starter: string, answers = {}, language = 'en-CA'): string[] {
  const { program } = compile(starters.find(({ id }) => id === starter)!.make(), sheets)
  const today = readMoment('2026-11-25T12:00')!
  const evaluation = createEvaluator(program)(answers, { today, sheets })
  const doubts = [...evaluation.ledgers.keys()].map((field) => ({ ...last, field }))
  return noticesSaid({ ...evaluation, doubts }, program, figuresFor(program, language))
}
const SAID = 'The last payment is $1,511.25: it pays what all the others leave.'

test('a page with one loan says it once; of loans it only reckons with it says nothing', () => {
  expect(saidOf('mortgage-payment')).toEqual([SAID])
  expect(saidOf('study-loan', { during: 'paid' })).toEqual([SAID])
})

test('a page with several says of which', () => {
  const said = saidOf('compare-loans')
  expect(said.length).toBeGreaterThan(1)
  for (const line of said) expect(line).toMatch(/^.+: The last payment is/)
  expect(new Set(said).size).toBe(said.length)
})

test.each(spokenLanguages)('in %s the amount stands in the sentence', (language) => {
  expect(saidOf('mortgage-payment', {}, language)[0]).toMatch(/1[.,\s]?511[.,]25/)
})
