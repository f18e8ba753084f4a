import type { HouseStyle } from '@vivid/contract'

/** What a style that is light on dark has on white paper in place of its own. */
const onWhite: HouseStyle = {
  '--ink': '#1b2329',
  '--ink-soft': '#4c5a64',
  '--line-soft': '#cfd6db',
  '--accent': '#1b2329',
}

/** A colour of a house style as it is on paper, which is white whatever the screen is. */
export const colourOnPaper = (style: HouseStyle, name: `--${string}`): string =>
  (style['--scheme'] === 'dark' ? onWhite[name] : undefined) ?? style[name] ?? '#201433'
