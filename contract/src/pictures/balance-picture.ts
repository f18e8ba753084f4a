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
  const ground = groundOf(drawn, look)
  const [first] = drawn.lines
  return picture(
    look,
    [
      first ? fillBelow(first, ground) : '',
      ...amountsUp(drawn, ground),
      ...timeAlong(drawn, ground),
      ...drawn.lines.map((_, i) => strokeOf(drawn, i, ground)),
      ...marksOn(drawn, ground),
      ...flagsOn(drawn, ground),
      gapOf(drawn, ground),
    ].join(''),
  )
}

/** Where things stand in a picture: places of years and amounts, edges, and which way a text is anchored. */
interface Ground {
  readonly look: Look
  readonly longest: number
  readonly x: ReturnType<typeof scale>
  readonly y: ReturnType<typeof scale>
  readonly bottom: number
  readonly inset: number
  readonly before: 'start' | 'end'
  readonly after: 'start' | 'end'
}

function groundOf({ lines }: BalanceDrawn, look: Look): Ground {
  const { fontSize, isRtl } = look
  const all = lines.flatMap(({ points }) => points)
  const longest = Math.max(1 / 12, ...all.map(({ years }) => years))
  const most = Math.max(1, ...all.map(({ owed }) => owed))
  const [top, bottom, inset] = [fontSize * 2.4, look.height - fontSize * 1.9, fontSize * 0.6]
  const [left, right] = [inset, look.width - inset]
  const [before, after] = isRtl ? (['end', 'start'] as const) : (['start', 'end'] as const)
  return {
    look,
    longest,
    x: scale([0, longest], isRtl ? [right, left] : [left, right]),
    y: scale([0, most], [bottom, top]),
    bottom,
    inset,
    before,
    after,
  }
}

type Point = BalanceOverTime['points'][number]

function fillBelow({ points }: BalanceOverTime, { x, y, bottom, look }: Ground): string {
  const beneath = area<Point>(
    ({ years }) => round(x(years)),
    bottom,
    ({ owed }) => round(y(owed)),
  )
  return tag('path', { d: beneath(points) ?? '', fill: look.colours.fill })
}

/** Amounts up the side, each with a line across. */
function amountsUp({ short }: BalanceDrawn, { x, y, inset, before, look }: Ground): string[] {
  const { colours, isRtl } = look
  const amounts = y.ticks(4).filter((amount) => amount > 0)
  return amounts.map((amount) => {
    const at = { y1: round(y(amount)), y2: round(y(amount)) }
    const across = { x1: inset, x2: look.width - inset, stroke: colours.line }
    const tick = { x1: x(0), x2: x(0) + (isRtl ? -8 : 8), stroke: colours.soft }
    const place = { x: x(0) + (isRtl ? -12 : 12), y: at.y1 - 4, anchor: before, colour: colours.soft }
    return (
      tag('line', { ...across, ...at }) + tag('line', { ...tick, ...at }) + label(short(amount), place, look)
    )
  })
}

/** Years along the bottom, from now. */
function timeAlong({ now, inYears }: BalanceDrawn, ground: Ground): string[] {
  const { x, bottom, inset, before, after, look } = ground
  const { colours } = look
  const room = Math.max(2, Math.floor(look.width / (widthOf(inYears(10), look) + 24)))
  const years = x.ticks(room).filter((one) => Number.isInteger(one))
  const times = years.map((one, i) => {
    const isEdge = x(one) > look.width - 30 || x(one) < 30
    const anchor = isEdge ? (one === 0 ? before : after) : 'middle'
    const roomBetween = Math.abs(x(one) - x(years[i - 1] ?? 0))
    const inWords = inYears(one)
    const fits = roomBetween > widthOf(now, look) + widthOf(inWords, look) / 2 + 8
    const said = one === 0 ? now : i === 1 && fits ? inWords : String(one)
    const tick = { x1: round(x(one)), x2: round(x(one)), y1: bottom, y2: bottom + 5, stroke: colours.soft }
    return (
      tag('line', tick) + label(said, { x: x(one), y: look.height - 4, anchor, colour: colours.soft }, look)
    )
  })
  const axis = { x1: inset, x2: look.width - inset, y1: bottom, y2: bottom, stroke: colours.soft }
  return [tag('line', axis), ...times]
}

const colourOf = (i: number, { isTried }: BalanceDrawn, { colours }: Look): string =>
  colours.parts[isTried && i === 1 ? 2 : i] ?? colours.ink

function strokeOf(drawn: BalanceDrawn, i: number, { x, y, look }: Ground): string {
  const { isTried, lines } = drawn
  const path = line<Point>(
    ({ years }) => round(x(years)),
    ({ owed }) => round(y(owed)),
  )
  const isDashed = isTried ? i === 0 : i > 0
  return tag('path', {
    d: path(lines[i]?.points ?? []) ?? '',
    fill: 'none',
    stroke: colourOf(i, drawn, look),
    'stroke-width': 3,
    'stroke-linejoin': 'round',
    ...(isDashed && { 'stroke-dasharray': isTried ? '7 5' : `${12 - i * 3} 5` }),
  })
}

/**
 * The days of the last payments, each on a flag that stands above the lines its words pass over, and above the flags of
 * the loans after it.
 */
function flagsOn(drawn: BalanceDrawn, ground: Ground): string[] {
  const { fontSize } = ground.look
  const [step, top] = [fontSize * 1.5, fontSize * (drawn.gap ? 2.7 : 1)]
  let below = Infinity
  return drawn.lines
    .map((_, fromLast) => {
      const i = drawn.lines.length - 1 - fromLast
      const highest = top + step * i
      const flags = wordsOf(i, drawn, ground).map((said) => flagOf(said, i, drawn, ground))
      const flag = flags.find(({ lowest }) => lowest >= highest) ?? flags[0]
      if (!flag) return ''
      below = Math.max(highest, Math.min(flag.lowest, below - step))
      return flag.at(below)
    })
    .reverse()
}

/** What a loan's flag may say, the best first. What is tried is named beside the picture too: its name may give way. */
function wordsOf(i: number, { lines, isTried }: BalanceDrawn, { inset, look }: Ground): string[] {
  const { end = '', name = '', points = [] } = lines[i] ?? {}
  if (points.length === 0) return []
  const whole = lines.length > 1 && name ? `${name}, ${end}` : end
  if (widthOf(whole, look) >= look.width - 2 * inset) return [end]
  return isTried ? [whole, end] : [whole]
}

/** A loan's flag: how low it may stand, and what it is at a height. */
function flagOf(said: string, i: number, drawn: BalanceDrawn, ground: Ground) {
  const { x, y, bottom, inset, look } = ground
  const { fontSize, width } = look
  const { years = 0, owed = 0 } = drawn.lines[i]?.points.at(-1) ?? {}
  const at = x(years)
  const wide = widthOf(said, look) + 8
  const placed =
    at - inset >= wide
      ? { x: at - 6, anchor: 'end' as const }
      : width - inset - at >= wide
        ? { x: at + 6, anchor: 'start' as const }
        : { x: inset, anchor: 'start' as const }
  const from = placed.anchor === 'end' ? placed.x - wide : placed.x
  const passed = Math.min(...drawn.lines.map((one) => topBetween(one, from, from + wide, ground)))
  const colour = colourOf(i, drawn, look)
  return {
    lowest: Math.min(bottom - fontSize * 2.2, y(owed) - fontSize * 0.7, passed - fontSize * 0.5),
    at(height: number): string {
      const pole = { x1: round(at), x2: round(at), y1: round(y(owed)), y2: round(height - fontSize * 0.6) }
      return (
        tag('line', { ...pole, stroke: colour, 'stroke-width': 2 }) +
        label(said, { ...placed, y: height, colour, bold: true }, look)
      )
    },
  }
}

/** How high a line comes between two places from the left; the bottom where it does not come by. */
function topBetween({ points }: BalanceOverTime, from: number, to: number, { x, y, bottom }: Ground): number {
  const corners = points.map(({ years, owed }) => ({ x: x(years), y: y(owed) }))
  const within = corners.filter((one) => one.x >= from && one.x <= to)
  const at = (place: number) =>
    corners.slice(1).flatMap((next, i) => {
      const one = corners[i] ?? next
      return (one.x - place) * (next.x - place) < 0 ? [scale([one.x, next.x], [one.y, next.y])(place)] : []
    })
  return Math.min(bottom, ...within.map((one) => one.y), ...at(from), ...at(to))
}

/** Moments that matter, said one below the other above the lines. */
function marksOn({ marks = [] }: BalanceDrawn, { x, bottom, longest, look }: Ground): string[] {
  const { colours, fontSize } = look
  return marks
    .filter(({ years }) => years <= longest)
    .map(({ years, said }, i) => {
      const [at, height] = [x(years), fontSize * (1 + i * 1.25)]
      const isTight = look.width - at < widthOf(said, look) + 12
      const place = isTight ? { x: at - 6, anchor: 'end' as const } : { x: at + 6, anchor: 'start' as const }
      return (
        tag('line', {
          x1: round(at),
          x2: round(at),
          y1: bottom,
          y2: round(height - fontSize * 0.7),
          stroke: colours.ink,
          'stroke-width': 1.5,
          'stroke-dasharray': '2 4',
        }) + label(said, { ...place, y: height, colour: colours.ink, bold: true }, look)
      )
    })
}

/** By how much the end of what is tried differs, in the corner over it. */
function gapOf({ gap }: BalanceDrawn, { inset, after, look }: Ground): string {
  const { colours, fontSize, isRtl, width } = look
  const x = isRtl ? inset : width - inset
  return gap ? label(gap, { x, y: fontSize * 1.2, anchor: after, colour: colours.ink, bold: true }, look) : ''
}
