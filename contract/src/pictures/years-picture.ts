import { bands, scale } from './scale'
import { label, picture, round, tag, widthOf, type Look } from './look'

/** Where the money of each year goes: a meter stood upright, its parts from the bottom up, in minor units. */
export interface YearsDrawn {
  readonly years: readonly { readonly year: number; readonly parts: readonly number[] }[]
  /** What the parts are called, in the same order. */
  readonly names: readonly string[]
  readonly short: (minor: number) => string
}

export function yearsPicture({ years, names, short }: YearsDrawn, look: Look): string {
  const { colours, fontSize, isRtl } = look
  const sums = years.map(({ parts }) => parts.reduce((sum, part) => sum + part, 0))
  const most = Math.max(1, ...sums)
  const [top, bottom] = [fontSize * 1.6, look.height - fontSize * 1.9]
  const places = years.map(({ year }) => year)
  const { start, wide } = bands(places.length, look.width, 0.22)
  /** Where the bar of the year at a place begins. */
  const x = (i: number) => start(isRtl ? places.length - 1 - i : i)
  const y = scale([0, most], [bottom, top])

  const bars = years.flatMap(({ parts }, at) => {
    let below = 0
    return parts.flatMap((part, i) => {
      if (part <= 0) return []
      const [from, to] = [y(below), y(below + part)]
      below += part
      const bar = { x: round(x(at)), y: round(to), width: round(wide), height: round(from - to) }
      return [tag('rect', { ...bar, fill: colours.parts[i] ?? colours.soft })]
    })
  })
  const every = Math.ceil((years.length * (widthOf('2026', look) + 10)) / look.width)
  const under = places.map((year, i) =>
    i % every === 0
      ? label(
          String(year),
          {
            x: x(i) + wide / 2,
            y: look.height - 4,
            anchor: 'middle',
            colour: colours.soft,
          },
          look,
        )
      : '',
  )
  const edge = isRtl ? look.width - 4 : 4
  const [before, after] = isRtl ? (['end', 'start'] as const) : (['start', 'end'] as const)
  const amounts = y
    .ticks(3)
    .filter((amount) => amount > 0)
    .map((amount) =>
      label(short(amount), { x: edge, y: y(amount) - 3, anchor: before, colour: colours.soft }, look),
    )
  const ruled = y.ticks(3).map((amount) =>
    tag('line', {
      x1: 0,
      x2: look.width,
      y1: round(y(amount)),
      y2: round(y(amount)),
      stroke: colours.line,
    }),
  )
  /** From the side the amounts stand at. */
  const along = (distance: number) => (isRtl ? look.width - distance : distance)
  const amountsWide = widthOf(short(most), look) + 8
  /** Each part is named where it is largest, at the bars themselves, and beside the amounts. */
  const named = names.map((name, i) => {
    const sizes = years.map(({ parts }) => parts[i] ?? 0)
    const largest = Math.max(...sizes)
    const at = sizes.indexOf(largest)
    if (largest <= 0) return ''
    const below = (years[at]?.parts ?? []).slice(0, i).reduce((sum, part) => sum + part, 0)
    const middle = along(x(at) + wide / 2)
    const half = widthOf(name, look) / 2
    const isAtAmounts = middle < half + amountsWide
    const isAtEnd = middle > look.width - half - 4
    return label(
      name,
      {
        x: along(isAtAmounts ? Math.max(middle + 4, amountsWide) : isAtEnd ? look.width - 4 : middle),
        y: y(below + largest / 2) + fontSize * 0.35,
        anchor: isAtAmounts ? before : isAtEnd ? after : 'middle',
        colour: colours.ink,
        bold: true,
      },
      look,
    )
  })
  return picture(look, [...ruled, ...bars, ...under, ...amounts, ...named].join(''))
}
