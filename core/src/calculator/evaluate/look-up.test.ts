import { describe, expect, test } from 'vitest'
import { Decimal } from '../../money/decimal'
import type { RateSheet } from '../document/sheets'
import { lookUp } from './look-up'

const sheet = (match: 'exact' | 'from' | 'upTo'): RateSheet => ({
  id: 'rates',
  name: 'Rates',
  keys: [
    { id: 'term', name: 'Length', unit: 'term', match },
    { id: 'band', name: 'Band', unit: 'text', match: 'exact' },
  ],
  gives: 'percent',
  versions: [
    { from: '2026-12-01', rows: [{ keys: ['60', 'good'], value: '4.1' }] },
    {
      from: '2026-01-01',
      rows: [
        { keys: ['60', 'good'], value: '4.5' },
        { keys: ['60', 'fair'], value: '4.9' },
        { keys: ['120', 'good'], value: '4.7' },
      ],
    },
  ],
})
const find = (match: 'exact' | 'from' | 'upTo', months: number, band = 'good', on = '2026-11-25T12:00') => {
  const found = lookUp(sheet(match), [new Decimal(months), band], on)
  return found.ok ? `${found.value.toFixed()} since ${found.effective}` : found.reason
}

describe('a row is found', () => {
  test.each([
    ['exact', 60, 'good', '4.5 since 2026-01-01'],
    ['exact', 61, 'good', 'key'],
    ['exact', 60, 'Fair', '4.9 since 2026-01-01'],
    ['exact', 60, 'poor', 'key'],
    ['from', 119, 'good', '4.5 since 2026-01-01'],
    ['from', 120, 'good', '4.7 since 2026-01-01'],
    ['from', 59, 'good', 'key'],
    ['upTo', 60, 'good', '4.5 since 2026-01-01'],
    ['upTo', 61, 'good', '4.7 since 2026-01-01'],
    ['upTo', 121, 'good', 'key'],
  ] as const)('%s, %i months, %s: %s', (match, months, band, found) =>
    expect(find(match, months, band)).toBe(found),
  )

  test.each([
    ['2025-12-31T23:59', 'date'],
    ['2026-01-01T00:00', '4.5 since 2026-01-01'],
    ['2026-11-30T23:59', '4.5 since 2026-01-01'],
    ['2026-12-01T00:00', '4.1 since 2026-12-01'],
  ])('by the version in force on %s', (on, found) => expect(find('exact', 60, 'good', on)).toBe(found))
})
