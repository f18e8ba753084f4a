import { describe, expect, test } from 'vitest'
import type { RateSheet, SheetFault } from '@vivid/core'
import { sheetFaultSaid } from '@vivid/contract'
import { startSaid } from '../shared/time/start-said'
import { partOf } from './sheet-words'

const sheet: RateSheet = {
  id: 'rates',
  name: 'Rates',
  keys: [{ id: 'term', name: 'Length', unit: 'term', match: 'from' }],
  gives: 'percent',
  versions: [
    { from: '2026-01-01', rows: [{ keys: ['12'], value: '5' }] },
    { from: '2026-11-25', at: '09:00', rows: [{ keys: ['12'], value: '4' }] },
    { from: '2027-01-01', rows: [{ keys: ['12'], value: '3' }] },
  ],
}

test.each([
  ['2026-11-03T00:00', 'Nov 3, 2026'],
  ['2026-11-03T09:00', 'Nov 3, 2026, 09:00'],
  ['2026-11-03', 'Nov 3, 2026'],
])('%s is said as %s', (start, said) => expect(startSaid(start)).toBe(said))

test.each([
  ['2025-12-31T23:59', ['coming', 'coming', 'coming']],
  ['2026-11-25T08:59', ['in force', 'coming', 'coming']],
  ['2026-11-25T09:00', ['past', 'in force', 'coming']],
  ['2027-06-01T12:00', ['past', 'past', 'in force']],
])('at %s the versions are %j', (now, parts) =>
  expect(sheet.versions.map((version) => partOf(version, sheet, now))).toEqual(parts),
)

test('what nobody approved is never in force', () => {
  const now = '2027-06-01T12:00'
  expect(sheet.versions.map((version) => partOf(version, undefined, now))).toEqual(
    sheet.versions.map(() => 'not approved'),
  )
  const approved = { ...sheet, versions: sheet.versions.slice(0, 2) }
  expect(sheet.versions.map((version) => partOf(version, approved, now))).toEqual([
    'past',
    'in force',
    'not approved',
  ])
})

describe('each fault is said so that it can be mended', () => {
  const fault = (code: SheetFault['code'], keys?: readonly string[]): SheetFault => ({
    code,
    version: 0,
    row: 0,
    column: 0,
    ...(keys && { keys }),
  })
  test.each([
    [fault('GAP', ['85', 'fair']), 'there is no row for 85 with fair'],
    [fault('VALUE_ABSURD'), 'lies outside 0 to 100 %'],
    [fault('KEYS_TWICE'), 'is there twice'],
    [fault('NO_ROWS'), 'it has no rows: nothing could be looked up from then on'],
  ])('%j', (one, said) => expect(sheetFaultSaid(one, sheet)).toBe(said))
  test('an amount has no bounds to name', () => {
    expect(sheetFaultSaid(fault('VALUE_ABSURD'), { ...sheet, gives: 'money' })).toBe('cannot be meant')
  })
})
