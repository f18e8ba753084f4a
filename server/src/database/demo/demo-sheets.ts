import { type RateSheet, starters } from '@vivid/core'

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

/** The demo lender's rate sheets: those the starters look values up in, and its own. */
export const demoSheets: readonly RateSheet[] = [...starters.flatMap(({ sheets }) => sheets), residential]
