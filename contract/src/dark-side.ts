import { contrast } from './contrast'
import { hexOf, hslOf } from './hsl'
import { propertiesOf, type HouseStyle } from './visitor'

/**
 * A light style's dark side, for browsers whose owners prefer it: the same hues on dark ground, each light enough to be
 * told apart as well as WCAG 2.2 asks (4.5 for text, 3 for shapes). A style that is dark already stays as it is.
 */
export function darkSide(style: HouseStyle): HouseStyle {
  if (style['--scheme'] === 'dark') return style
  const chosen = propertiesOf(style).flatMap(([name, value]) =>
    name.startsWith(DARK) ? [[`--${name.slice(DARK.length)}`, value] as const] : [],
  )
  const own = propertiesOf(style).filter(([name]) => !name.startsWith(DARK))
  const { logo } = style
  return { ...followingFrom(Object.fromEntries(own)), ...Object.fromEntries(chosen), ...(logo && { logo }) }
}

const DARK = '--dark-'
/** Where a colour of the dark side stands that was chosen for itself: "--dark-accent". */
export const onDarkSide = (name: `--${string}`): `--${string}` => `${DARK}${name.slice(2)}`

function followingFrom(style: HouseStyle): HouseStyle {
  const of = (name: `--${string}`) => hslOf(style[name] ?? '#000000')
  const [inkHue, inkTint] = of('--ink')
  const tint = Math.min(inkTint, 0.3)
  const ground = (light: number) => hexOf([inkHue, tint, light])
  const [card, paper] = [ground(0.1), ground(0.14)]
  const [accentHue, accentTint] = of('--accent')
  const accentSoft = hexOf([accentHue, Math.min(accentTint, 0.4), 0.2])
  /** The same hue, no lighter than it has to be to stand out from all of these. */
  const lightened = (name: `--${string}`, least: number, from: readonly string[]) => {
    const [hue, tinted, light] = of(name)
    for (let at = Math.max(light, 0.4); at <= 1; at += 0.01) {
      const hex = hexOf([hue, tinted, at])
      if (from.every((one) => contrast(hex, one) >= least)) return hex
    }
    return '#ffffff'
  }
  const accent = lightened('--accent', 4.5, [card, paper, accentSoft])
  const shape = (name: `--${string}`) => lightened(name, 3, [card, paper])
  return {
    ...style,
    '--scheme': 'dark',
    '--card': card,
    '--paper': paper,
    '--accent-soft': accentSoft,
    '--line-soft': ground(0.22),
    '--line': hexOf([inkHue, tint, 0.52]),
    '--ink': hexOf([inkHue, tint, 0.94]),
    '--ink-soft': hexOf([inkHue, tint, 0.74]),
    '--accent': accent,
    '--on-accent': contrast(accent, '#ffffff') >= 4.5 ? '#ffffff' : '#101010',
    '--error': lightened('--error', 4.5, [card, paper]),
    ...Object.fromEntries(
      (['--principal', '--interest', '--part-2', '--part-3', '--part-4', '--part-5'] as const).flatMap(
        (name) => (style[name] === undefined ? [] : [[name, shape(name)]]),
      ),
    ),
  }
}
