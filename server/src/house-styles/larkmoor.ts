import type { HouseStyle } from '@vivid/contract'

/** The house style of the demo lender, resolved into the custom properties the visitor page is drawn with. */
export const larkmoorStyle: HouseStyle = {
  '--ink': '#201433',
  '--ink-soft': '#5d5470',
  '--paper': '#f7f4ee',
  '--card': '#ffffff',
  '--line': '#b9b0c6',
  '--line-soft': '#e4dccf',
  '--accent': '#5b2a86',
  '--accent-soft': '#f0e6fa',
  '--on-accent': '#ffffff',
  '--principal': '#5b2a86',
  '--interest': '#e4402f',
  '--error': '#b3261e',
  '--corner': '8px',
  '--display': "'Bricolage Grotesque Variable', 'Figtree Variable', system-ui, sans-serif",
  '--text': "'Figtree Variable', system-ui, sans-serif",
}
