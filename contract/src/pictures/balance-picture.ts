import { area, line } from 'd3-shape'
import { scale } from './scale'
import { label, picture, round, tag, widthOf, type Look } from './look'

/** What is owed over time on one loan. */
export interface BalanceOverTime {
  /** Years from now, and minor units; the first is now, the last the day of the last payment. */
  readonly points: readonly { readonly years: number; readonly owed: number }[]
  /** What stands at its end: "October 2051". */
  readonly end: string
  readonly name: string
}

export interface BalanceDrawn {
  readonly lines: readonly BalanceOverTime[]
  /** Whether the second is what is being tried, over the first as it was agreed on. */
  readonly isTried: boolean
  /** Moments that matter, in years from now. */
  readonly marks?: readonly { readonly years: number; readonly said: string }[]
  /** The gap between the two ends in words; empty: none. */
  readonly gap: string
  readonly now: string
  /** "5 years" */
  readonly inYears: (years: number) => string
  /** "$300K" */
  readonly short: (minor: number) => string
}

/** The balance of loans over time, each with a flag on the day of its last payment. */
export function balancePicture(drawn: BalanceDrawn, look: Look): string {
  const { lines, isTried, gap } = drawn
  const { colours, fontSize, isRtl } = look
  const all = lines.flatMap(({ points }) => points)
  const longest = Math.max(1 / 12, ...all.map(({ years }) => years))
  const most = Math.max(1, ...all.map(({ owed }) => owed))
  const [top, bottom] = [fontSize * 2.4, look.height - fontSize * 1.9]
  const inset = fontSize * 0.6
  const [left, right] = [inset, look.width - inset]
  const x = scale([0, longest], isRtl ? [right, left] : [left, right])
  const y = scale([0, most], [bottom, top])
  const [before, after] = isRtl ? (['end', 'start'] as const) : (['start', 'end'] as const)

  const ruler = y
    .ticks(4)
    .filter((amount) => amount > 0)
    .map((amount) => {
      const at = round(y(amount))
      const tick = tag('line', {
        x1: x(0),
        x2: x(0) + (isRtl ? -8 : 8),
        y1: at,
        y2: at,
        stroke: colours.soft,
      })
      return (
        tag('line', { x1: left, x2: right, y1: at, y2: at, stroke: colours.line }) +
        tick +
        label(
          drawn.short(amount),
          { x: x(0) + (isRtl ? -12 : 12), y: at - 4, anchor: before, colour: colours.soft },
          look,
        )
      )
    })
  const room = Math.max(2, Math.floor(look.width / (widthOf(drawn.inYears(10), look) + 24)))
  const years = x.ticks(room).filter((one) => Number.isInteger(one))
  const times = years.map((one, i) => {
    const isEdge = x(one) > look.width - 30 || x(one) < 30
    const anchor = isEdge ? (one === 0 ? before : after) : 'middle'
    const roomBetween = Math.abs(x(one) - x(years[i - 1] ?? 0))
    const inWords = drawn.inYears(one)
    const fits = roomBetween > widthOf(drawn.now, look) + widthOf(inWords, look) / 2 + 8
    const said = one === 0 ? drawn.now : i === 1 && fits ? inWords : String(one)
    return (
      tag('line', {
        x1: round(x(one)),
        x2: round(x(one)),
        y1: bottom,
        y2: bottom + 5,
        stroke: colours.soft,
      }) + label(said, { x: x(one), y: look.height - 4, anchor, colour: colours.soft }, look)
    )
  })
  const axis = tag('line', {
    x1: left,
    x2: right,
    y1: bottom,
    y2: bottom,
    stroke: colours.soft,
  })

  type Point = BalanceOverTime['points'][number]
  const path = line<Point>(
    ({ years: at }) => round(x(at)),
    ({ owed }) => round(y(owed)),
  )
  const beneath = area<Point>(
    ({ years: at }) => round(x(at)),
    bottom,
    ({ owed }) => round(y(owed)),
  )
  const colourOf = (i: number) => colours.parts[isTried && i === 1 ? 2 : i] ?? colours.ink
  const [first] = lines
  const fill = first ? tag('path', { d: beneath(first.points) ?? '', fill: colours.fill }) : ''
  const strokes = lines.map(({ points }, i) =>
    tag('path', {
      d: path(points) ?? '',
      fill: 'none',
      stroke: colourOf(i),
      'stroke-width': 3,
      'stroke-linejoin': 'round',
      ...((isTried ? i === 0 : i > 0) && { 'stroke-dasharray': isTried ? '7 5' : `${12 - i * 3} 5` }),
    }),
  )
  const flags = lines.map(({ points, end, name }, i) => {
    const last = points.at(-1)
    if (!last) return ''
    const at = x(last.years)
    // One above the other, so that none stands on another.
    const step = fontSize * 1.5 * (lines.length - 1 - i)
    const height = Math.min(bottom - fontSize * 2.2, y(last.owed) - fontSize * 0.7) - step
    const whole = lines.length > 1 && name ? `${name}, ${end}` : end
    const said = widthOf(whole, look) < look.width - 2 * inset ? whole : end
    const wide = widthOf(said, look) + 8
    const [roomLeft, roomRight] = [at - inset, look.width - inset - at]
    const placed =
      roomLeft >= wide
        ? { x: at - 6, anchor: 'end' as const }
        : roomRight >= wide
          ? { x: at + 6, anchor: 'start' as const }
          : { x: inset, anchor: 'start' as const }
    return (
      tag('line', {
        x1: round(at),
        x2: round(at),
        y1: round(y(last.owed)),
        y2: round(height - fontSize * 0.6),
        stroke: colourOf(i),
        'stroke-width': 2,
      }) + label(said, { ...placed, y: height, colour: colourOf(i), bold: true }, look)
    )
  })
  const marks = (drawn.marks ?? [])
    .filter(({ years: at }) => at <= longest)
    .map(({ years: at, said }, i) => {
      // One below the other, above the lines.
      const [place, height] = [x(at), fontSize * (1 + i * 1.25)]
      const isTight = look.width - place < widthOf(said, look) + 12
      return (
        tag('line', {
          x1: round(place),
          x2: round(place),
          y1: bottom,
          y2: round(height - fontSize * 0.7),
          stroke: colours.ink,
          'stroke-width': 1.5,
          'stroke-dasharray': '2 4',
        }) +
        label(
          said,
          {
            x: place + (isTight ? -6 : 6),
            y: height,
            anchor: isTight ? 'end' : 'start',
            colour: colours.ink,
            bold: true,
          },
          look,
        )
      )
    })
  const between = gap
    ? label(
        gap,
        {
          x: isRtl ? inset : look.width - inset,
          y: fontSize * 1.2,
          anchor: after,
          colour: colours.ink,
          bold: true,
        },
        look,
      )
    : ''
  return picture(look, [fill, ...ruler, axis, ...times, ...strokes, ...marks, ...flags, between].join(''))
}
