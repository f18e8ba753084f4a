import { expect, test } from 'vitest'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { readTrying } from './read-trying'

await fetchAllLanguages()
const all = ['extra', 'yearlyExtra', 'lumpSum', 'rate', 'payment'] as const
const nothing = { extra: '', yearlyExtra: '', lumpSum: '', rate: '', payment: '' }
const read = (texts: object, years = 0, offers: readonly (typeof all)[number][] = all) =>
  readTrying(
    { texts: { ...nothing, ...texts }, years },
    offers,
    { frequency: 'biweekly' },
    {
      locale: 'fr-CA',
      currency: 'CAD',
    },
  )

test('what is typed is tried all at once', () => {
  expect(
    read({ extra: '250', yearlyExtra: '1k', lumpSum: '20k', rate: '5.2', payment: '1 500,00 $' }, 5),
  ).toEqual({
    whatIf: {
      extra: 250_00,
      yearlyExtra: 1_000_00,
      lumpSum: { amount: 20_000_00, withPayment: 130 },
      annualRate: '5.2',
      payment: 1_500_00,
    },
    unread: [],
  })
  expect(read({ rate: '0' })).toEqual({ whatIf: { annualRate: '0' }, unread: [] })
  expect(read({})).toEqual({ whatIf: undefined, unread: [] })
})

test('what cannot be read, or could be two things, is tried by none', () => {
  expect(read({ extra: 'lots', rate: '5' })).toEqual({ whatIf: undefined, unread: ['extra'] })
  expect(read({ extra: '5,000' })).toEqual({ whatIf: undefined, unread: ['extra'] })
  expect(read({ extra: '-5', payment: '0' }).unread).toEqual(['extra', 'payment'])
})

test('what is not offered is not tried', () => {
  expect(read({ rate: '5', extra: '250' }, 0, ['extra']).whatIf).toEqual({ extra: 250_00 })
})
