import type { HouseStyle } from '@vivid/contract'

/** The demo lender's own style: plum on white, rounded, friendly. */
const larkmoor: HouseStyle = {
  '--ink': '#201433',
  '--ink-soft': '#5d5470',
  '--paper': '#f7f4ee',
  '--card': '#ffffff',
  '--line': '#8f84a0',
  '--line-soft': '#e4dccf',
  '--accent': '#5b2a86',
  '--accent-soft': '#f0e6fa',
  '--on-accent': '#ffffff',
  '--principal': '#5b2a86',
  '--interest': '#e4402f',
  '--part-2': '#c27c00',
  '--part-3': '#1d7a5f',
  '--part-4': '#2f6fb5',
  '--part-5': '#7d5a3c',
  '--error': '#b3261e',
  '--corner': '8px',
  '--display': "'Bricolage Grotesque Variable', 'Rubik Variable', system-ui, sans-serif",
  '--text': "'Figtree Variable', 'Rubik Variable', system-ui, sans-serif",
}

/** Its brand for people who work on the water: night blue, light on dark, square. */
const nightwatch: HouseStyle = {
  '--scheme': 'dark',
  '--ink': '#f2f6f8',
  '--ink-soft': '#a9bcc8',
  '--paper': '#16242f',
  '--card': '#0d1820',
  '--line': '#6f8796',
  '--line-soft': '#2b3d4a',
  '--accent': '#5fd4c4',
  '--accent-soft': '#1d3a41',
  '--on-accent': '#06201d',
  '--principal': '#5fd4c4',
  '--interest': '#f5a65b',
  '--part-2': '#c9a8ff',
  '--part-3': '#f2d45c',
  '--part-4': '#7db8f0',
  '--part-5': '#ff9d8f',
  '--error': '#ff9d8f',
  '--corner': '2px',
  '--display': "'Figtree Variable', 'Rubik Variable', system-ui, sans-serif",
  '--text': "'Figtree Variable', 'Rubik Variable', system-ui, sans-serif",
}

/** Its brand for old boats and older money: paper, serif, moss and brass. */
const chandler: HouseStyle = {
  '--ink': '#22261f',
  '--ink-soft': '#565c4f',
  '--paper': '#eef0e6',
  '--card': '#fcfbf5',
  '--line': '#7e8574',
  '--line-soft': '#d8dac9',
  '--accent': '#2f5d3a',
  '--accent-soft': '#dfe9dc',
  '--on-accent': '#ffffff',
  '--principal': '#2f5d3a',
  '--interest': '#a8741a',
  '--part-2': '#2f6fb5',
  '--part-3': '#8a3b6d',
  '--part-4': '#c2542d',
  '--part-5': '#6b7a2a',
  '--error': '#9c2b1b',
  '--corner': '18px',
  '--display': "'Source Serif 4 Variable', Georgia, serif",
  '--text': "'Source Serif 4 Variable', Georgia, serif",
}

/** The house styles that ship, by name, each resolved into the custom properties the visitor page is drawn with. */
export const houseStyles = { larkmoor, nightwatch, chandler } as const satisfies Record<string, HouseStyle>
export type HouseStyleName = keyof typeof houseStyles

/** The style of a name; the lender's own where there is none of that name. */
export const houseStyleNamed = (name: string): HouseStyle =>
  Object.hasOwn(houseStyles, name) ? houseStyles[name as HouseStyleName] : larkmoor
