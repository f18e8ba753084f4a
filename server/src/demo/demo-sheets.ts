import { isoDate, type PlainDate, type RateSheet, starters } from '@vivid/core'

const residential: RateSheet = {
  id: 'residential-rates',
  name: 'Residential rates',
  keys: [{ id: 'term', name: 'Length', unit: 'term', match: 'from' }],
  gives: 'percent',
  versions: [
    {
      from: '2026-06-01',
      rows: [
        { keys: ['12'], value: '5.24' },
        { keys: ['60'], value: '4.79' },
        { keys: ['180'], value: '4.89' },
        { keys: ['300'], value: '4.94' },
      ],
    },
    {
      from: '2026-11-03',
      rows: [
        { keys: ['12'], value: '5.09' },
        { keys: ['60'], value: '4.54' },
        { keys: ['180'], value: '4.64' },
        { keys: ['300'], value: '4.69' },
      ],
    },
  ],
}

const mooringFees: RateSheet = {
  id: 'mooring-fees-by-length',
  name: 'Mooring fees by length',
  keys: [
    { id: 'length', name: 'Length in metres', unit: 'number', match: 'upTo' },
    { id: 'basin', name: 'Basin', unit: 'text', match: 'exact' },
  ],
  gives: 'money',
  versions: [
    {
      from: '2026-04-01',
      rows: [
        ['8', 'inner', '96.00'],
        ['8', 'outer', '74.50'],
        ['12', 'inner', '131.00'],
        ['12', 'outer', '102.00'],
        ['18', 'inner', '188.50'],
        ['18', 'outer', '149.00'],
      ].map(([length = '', basin = '', value = '']) => ({ keys: [length, basin], value })),
    },
  ],
}

/** A demo sheet: what is in force, and what its draft says if that is something else. */
export interface DemoSheet {
  readonly sheet: RateSheet
  readonly draft?: RateSheet
  readonly sentNote?: string
}

/** The demo lender's rate sheets: those the starters look values up in, and its own. */
export const demoSheets: readonly RateSheet[] = [
  ...starters.flatMap(({ sheets }) => sheets),
  residential,
  mooringFees,
]

/** The same with what the lender's people are about to change on a day. */
export const demoSheetsOn = (today: PlainDate): DemoSheet[] =>
  demoSheets.map((sheet) => {
    if (sheet.id === residential.id)
      return {
        sheet,
        draft: withComing(sheet, today, ['4.99', '4.44', '4.54', '4.59'], '09:00'),
        sentNote: 'The treasury’s rates for the new year, from nine in the morning.',
      }
    if (sheet.id === mooringFees.id)
      return { sheet, draft: { ...sheet, name: 'Mooring fees by length and basin' } }
    return { sheet }
  })

/** A further version, some three weeks from now. */
function withComing(sheet: RateSheet, today: PlainDate, values: readonly string[], at: string): RateSheet {
  const later = new Date(Date.UTC(today.year, today.month - 1, today.day + 20))
  const from = isoDate({
    year: later.getUTCFullYear(),
    month: later.getUTCMonth() + 1,
    day: later.getUTCDate(),
  })
  const rows = (sheet.versions.at(-1)?.rows ?? []).map(({ keys }, i) => ({ keys, value: values[i] ?? '5' }))
  return { ...sheet, versions: [...sheet.versions, { from, at, rows }] }
}
