import { contrast, hexOf, hslOf, type HouseStyle } from '@vivid/contract'

const WHITE = '#ffffff'
/** What a style that is light on dark has on white paper in place of its own. */
const onWhite: HouseStyle = {
  '--ink': '#1b2329',
  '--ink-soft': '#4c5a64',
  '--line-soft': '#cfd6db',
  '--accent': '#1b2329',
}

/** A colour of a house style as it is on paper, which is white whatever the screen is. */
export function colourOnPaper(style: HouseStyle, name: `--${string}`): string {
  const own = style[name] ?? '#201433'
  if (style['--scheme'] !== 'dark') return own
  if (name === '--accent-soft') return paled(own)
  return onWhite[name] ?? darkened(own)
}

/** The same hue, as a ground that dark text is read on. */
function paled(colour: string): string {
  const [hue, tint] = hslOf(colour)
  return hexOf([hue, Math.min(tint, 0.4), 0.94])
}

/** The same hue, no darker than it has to be to be read on white (WCAG 2.2: 4.5). */
function darkened(colour: string): string {
  const [hue, tint, light] = hslOf(colour)
  for (let at = light; at > 0; at -= 0.01) {
    const hex = hexOf([hue, tint, at])
    if (contrast(hex, WHITE) >= 4.5) return hex
  }
  return '#000000'
}
