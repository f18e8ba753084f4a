import type { StyleChoices } from '@vivid/contract'

/** The demo lender's own style: plum on white, rounded, friendly. */
const larkmoor: StyleChoices = {
  scheme: 'light',
  colours: {
    ink: '#201433',
    inkSoft: '#5d5470',
    paper: '#f7f4ee',
    card: '#ffffff',
    line: '#8f84a0',
    lineSoft: '#e4dccf',
    accent: '#5b2a86',
    accentSoft: '#f0e6fa',
    onAccent: '#ffffff',
    error: '#b3261e',
    principal: '#5b2a86',
    interest: '#e4402f',
    part2: '#c27c00',
    part3: '#1d7a5f',
    part4: '#2f6fb5',
    part5: '#7d5a3c',
  },
  display: 'bricolage',
  text: 'figtree',
  corner: 8,
  density: 'normal',
}

/** Its brand for people who work on the water: night blue, light on dark, square. */
const nightwatch: StyleChoices = {
  scheme: 'dark',
  colours: {
    ink: '#f2f6f8',
    inkSoft: '#a9bcc8',
    paper: '#16242f',
    card: '#0d1820',
    line: '#6f8796',
    lineSoft: '#2b3d4a',
    accent: '#5fd4c4',
    accentSoft: '#1d3a41',
    onAccent: '#06201d',
    error: '#ff9d8f',
    principal: '#5fd4c4',
    interest: '#f5a65b',
    part2: '#c9a8ff',
    part3: '#f2d45c',
    part4: '#7db8f0',
    part5: '#ff9d8f',
  },
  display: 'figtree',
  text: 'figtree',
  corner: 2,
  density: 'normal',
}

/** Its brand for old boats and older money: paper, serif, moss and brass. */
const chandler: StyleChoices = {
  scheme: 'light',
  colours: {
    ink: '#22261f',
    inkSoft: '#565c4f',
    paper: '#eef0e6',
    card: '#fcfbf5',
    line: '#7e8574',
    lineSoft: '#d8dac9',
    accent: '#2f5d3a',
    accentSoft: '#dfe9dc',
    onAccent: '#ffffff',
    error: '#9c2b1b',
    principal: '#2f5d3a',
    interest: '#a8741a',
    part2: '#2f6fb5',
    part3: '#8a3b6d',
    part4: '#c2542d',
    part5: '#6b7a2a',
  },
  display: 'sourceSerif',
  text: 'sourceSerif',
  corner: 18,
  density: 'normal',
}

/** The house styles that ship, by their address. */
export const shippedStyles = {
  larkmoor: { name: 'Larkmoor plum', choices: larkmoor },
  nightwatch: { name: 'Nightwatch, light on dark', choices: nightwatch },
  chandler: { name: 'Chandler, serif on paper', choices: chandler },
} as const satisfies Record<string, { name: string; choices: StyleChoices }>
export type ShippedStyle = keyof typeof shippedStyles
