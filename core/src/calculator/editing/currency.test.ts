import { describe, expect, test } from 'vitest'
import { currencies } from '../../money/currencies'
import { LARGEST_AMOUNT } from '../../money/minor'
import { changed } from '../../testing/test-document'
import { inCurrency } from './currency'
import { CalculatorDocument } from '../document/document'
import { starters } from '../starters'

describe('a calculator turned to another currency and back loses nothing', () => {
  const all = starters.flatMap(({ id, make }) =>
    (['JPY', 'CAD', 'KWD'] as const).map((currency) => [id, inCurrency(make(), currency)] as const),
  )
  test.each(all)('%s', (_, document) => {
    for (const currency of currencies) {
      const there = inCurrency(document, currency)
      expect(CalculatorDocument.safeParse(there).success).toBe(true)
      expect(inCurrency(there, document.currency, document)).toEqual(document)
      if (document.currency === 'JPY') expect(inCurrency(there, 'JPY')).toEqual(document)
    }
  })
  test('the cents yen have not, and amounts that only fit in yen', () => {
    const cents = changed('homePrice', { default: 412_600_57, step: 50 })
    expect(inCurrency(inCurrency(cents, 'JPY'), 'CAD', cents)).toEqual(cents)
    const vast = changed('homePrice', { most: LARGEST_AMOUNT }, inCurrency(changed('rate', {}), 'JPY'))
    const there = inCurrency(vast, 'CAD')
    expect(CalculatorDocument.safeParse(there).success).toBe(true)
    expect(inCurrency(there, 'JPY', vast)).toEqual(vast)
  })
  test('what was changed in between is turned, beside what was not', () => {
    const cents = changed('homePrice', { default: 412_600_57, least: 50_000_33 })
    const yen = inCurrency(cents, 'JPY')
    const back = inCurrency(changed('homePrice', { default: 500_000 }, yen), 'CAD', cents)
    expect(back.steps.find(({ id }) => id === 'homePrice')).toMatchObject({
      default: 500_000_00,
      least: 50_000_33,
    })
  })
})
