import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import type { RateSheet } from '../document/sheets'
import { starters } from '../starters'
import { addedPremiums, monthlyPremiums } from '../starters/sheets'
import { sheetChanges, sheetDoubts } from './sheet-changes'
import { keysText } from './key-text'
import { sheetFaults } from './sheet-faults'
import { daysTouched, sheetImpact } from '../proving/sheet-impact'
import { begunBy, inForce } from './versions'

const rates = (...versions: [from: string, at: string | undefined, value: string][]): RateSheet => ({
  id: 'rates',
  name: 'Rates',
  keys: [{ id: 'term', name: 'Length', unit: 'term', match: 'from' }],
  gives: 'percent',
  versions: versions.map(([from, at, value]) => ({
    from,
    ...(at && { at }),
    rows: [{ keys: ['12'], value }],
  })),
})

describe('the version in force', () => {
  const sheet = rates(
    ['2026-11-25', '09:00', '3'],
    ['2026-01-01', undefined, '1'],
    ['2026-11-25', undefined, '2'],
  )
  test.each([
    ['2025-12-31T23:59', undefined],
    ['2026-01-01T00:00', '1'],
    ['2026-11-24T23:59', '1'],
    ['2026-11-25T00:00', '2'],
    ['2026-11-25T08:59', '2'],
    ['2026-11-25T09:00', '3'],
  ])('at %s', (on, value) => expect(inForce(sheet, on)?.rows[0]?.value).toBe(value))

  test('is the same among what is known at that minute (any minute)', () => {
    const minute = fc
      .tuple(
        fc.integer({ min: 20, max: 28 }),
        fc.integer({ min: 0, max: 23 }),
        fc.integer({ min: 0, max: 59 }),
      )
      .map(
        ([day, hour, min]) =>
          `2026-11-${day}T${String(hour).padStart(2, '0')}:${String(min).padStart(2, '0')}`,
      )
    fc.assert(
      fc.property(minute, (now) => {
        expect(inForce(begunBy(sheet, now), '2099-01-01')).toEqual(inForce(sheet, now))
      }),
    )
  })
})

describe('what makes a sheet unfit', () => {
  const codes = (sheet: RateSheet) => sheetFaults(sheet).map(({ code }) => code)
  test.each<[string, RateSheet, string[]]>([
    ['none of the sheets that ship', monthlyPremiums, []],
    [
      'two versions from one minute on',
      rates(['2026-01-01', undefined, '1'], ['2026-01-01', '00:00', '2']),
      ['VERSION_TWICE'],
    ],
    [
      'not two on one day at other times',
      rates(['2026-01-01', undefined, '1'], ['2026-01-01', '09:00', '2']),
      [],
    ],
    ['a year that is none of a lender’s', rates(['0206-01-01', undefined, '1']), ['VERSION_ABSURD']],
    ['464 for 4.64 percent', rates(['2026-01-01', undefined, '464']), ['VALUE_ABSURD']],
    ['a percentage below nothing', rates(['2026-01-01', undefined, '-1']), ['VALUE_ABSURD']],
    ['a version without rows', { ...rates(), versions: [{ from: '2026-01-01', rows: [] }] }, ['NO_ROWS']],
  ])('%s', (_, sheet, expected) => expect(codes(sheet)).toEqual(expected))

  test('a pair of keys without a row is a gap, by name', () => {
    const [version] = monthlyPremiums.versions
    const rows = (version?.rows ?? []).filter(({ keys }) => keys.join() !== '85,fair')
    const faults = sheetFaults({ ...monthlyPremiums, versions: [{ from: '2026-01-01', rows }] })
    expect(faults).toEqual([{ code: 'GAP', version: 0, row: -1, column: 0, keys: ['85', 'fair'] }])
  })
})

describe('what changed', () => {
  test('is told figure by figure; 1.50 and 1.5 are the same', () => {
    const before = rates(['2026-01-01', undefined, '1.50'], ['2026-06-01', undefined, '2'])
    const after = rates(
      ['2026-01-01', undefined, '1.5'],
      ['2026-06-01', undefined, '2.25'],
      ['2027-01-01', '09:00', '3'],
    )
    expect(sheetChanges(before, after)).toEqual([
      { start: '2026-06-01T00:00', keys: ['12'], before: '2', after: '2.25' },
      { start: '2027-01-01T09:00', keys: ['12'], before: null, after: '3' },
    ])
    expect(sheetChanges(after, before).map((change) => [change.before, change.after])).toEqual([
      ['2.25', '2'],
      ['3', null],
    ])
  })

  test.each([
    ['4.64', '4.89', false],
    ['4.64', '6.65', true],
    ['0.31', '0.65', true],
    ['0.31', '0.15', true],
    ['0', '1.5', false],
  ])('from %s to %s is worth a second look: %s', (was, now, isDoubted) => {
    const before = rates(['2026-01-01', undefined, was])
    const after = rates(['2026-01-01', undefined, was], ['2027-01-01', undefined, now])
    expect(sheetDoubts(before, after).length > 0).toBe(isDoubted)
  })

  test('can be seen today if what is in force changes, and on each day a changed version takes effect', () => {
    const before = rates(['2026-01-01', undefined, '1'])
    const now = '2026-11-25T09:00'
    expect(daysTouched(before, rates(['2026-01-01', undefined, '2']), now)).toEqual(['2026-11-25'])
    expect(
      daysTouched(before, rates(['2026-01-01', undefined, '1'], ['2027-01-04', '09:00', '2']), now),
    ).toEqual(['2027-01-04'])
    expect(
      daysTouched(before, rates(['2026-01-01', undefined, '1'], ['2026-11-25', '10:00', '2']), now),
    ).toEqual(['2026-11-25'])
    expect(daysTouched(before, before, now)).toEqual([])
  })
})

test('by how much sample payments move is the difference of the two headlines, and proofs of other days stay', () => {
  const starter = starters.find(({ id }) => id === 'insured-purchase')
  if (!starter) throw new Error('there is no such starter')
  const document = starter.make()
  const dearer: RateSheet = {
    ...addedPremiums,
    versions: [
      ...addedPremiums.versions,
      {
        from: '2027-01-04',
        rows: (addedPremiums.versions[0]?.rows ?? []).map(({ keys }) => ({ keys, value: '5' })),
      },
    ],
  }
  const { samples, proofs } = sheetImpact(
    document,
    [addedPremiums],
    [dearer],
    ['2027-01-04'],
    '2026-11-25T09:00',
  )
  expect(samples.length).toBeGreaterThan(0)
  for (const { before, after, difference } of samples) {
    if (before?.unit !== 'money' || after?.unit !== 'money') throw new Error('the headline is an amount')
    expect(difference).toBe(after.money - before.money)
    expect(difference).toBeGreaterThan(0)
  }
  expect(proofs).toEqual([])
  const wrong = { ...addedPremiums, versions: [{ ...dearer.versions[1]!, from: '2026-01-01' }] }
  const broken = sheetImpact(document, [addedPremiums], [wrong], [], '2026-11-25T09:00').proofs
  expect(broken.every(({ agreedBefore, agreesAfter }) => agreedBefore && !agreesAfter)).toBe(true)
})

describe('keys are compared as people mean them', () => {
  test.each([
    ['Good ', 'good'],
    ['  very   good', 'Very Good'],
    ['ｇｏｏｄ', 'good'],
    ['80', '80.00'],
    [' 80 ', '80'],
  ])('“%s” is “%s”', (a, b) => expect(keysText([a])).toBe(keysText([b])))
})

test('gaps are found in a time that grows as the rows do, and at most a hundred are told', () => {
  const rows = Array.from({ length: 2_000 }, (_, i) => ({ keys: [String(i), `band ${i}`], value: '1' }))
  const sheet: RateSheet = {
    id: 'wide',
    name: 'Wide',
    keys: [
      { id: 'a', name: 'A', unit: 'number', match: 'exact' },
      { id: 'b', name: 'B', unit: 'text', match: 'exact' },
    ],
    gives: 'percent',
    versions: [{ from: '2026-01-01', rows }],
  }
  const faults = sheetFaults(sheet)
  expect(faults).toHaveLength(100)
  expect(faults[0]).toMatchObject({ code: 'GAP', keys: ['0', 'band 1'] })
  const whole = rows.map(({ value }, i) => ({ keys: [String(i % 40), `band ${Math.floor(i / 40)}`], value }))
  expect(sheetFaults({ ...sheet, versions: [{ from: '2026-01-01', rows: whole }] })).toEqual([])
})
