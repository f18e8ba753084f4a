import { label, picture, round, tag, type Look } from './look'
import { scale } from './scale'

/** Shares of income against the most they may be, each a bar with its limit as a mark. */
export interface LimitsDrawn {
  readonly bars: readonly {
    /** Percent of income. */
    readonly share: number
    readonly limit: number
    /** What it is: "Housing costs: 39 % of at most 39 %". */
    readonly said: string
    /** Stands at the limit that decides; empty elsewhere. */
    readonly decides: string
  }[]
}

/** A bar with its words above and, at the limit that decides, one below; in heights of its letters. */
const ROW = 5.4

export function limitsPicture({ bars }: LimitsDrawn, look: Look): string {
  const { colours, fontSize, isRtl } = look
  const most = Math.max(1, ...bars.flatMap(({ share, limit }) => [share, limit])) * 1.12
  const x = scale([0, most], isRtl ? [look.width, 0] : [0, look.width])
  const before = isRtl ? 'end' : 'start'
  const [row, tall] = [fontSize * ROW, fontSize * 1.7]
  const bar = (from: number, to: number, y: number, fill: string) => {
    const [a, b] = [x(from), x(to)]
    return tag('rect', {
      x: round(Math.min(a, b)),
      y: round(y),
      width: round(Math.abs(b - a)),
      height: round(tall),
      fill,
    })
  }
  /** Below its mark, on whichever side of it there is room. */
  function decidesAt(limit: number, y: number, decides: string): string {
    const anchor = x(limit) > look.width / 2 ? 'end' : 'start'
    return label(decides, { x: x(limit), y, anchor, colour: colours.ink, bold: true }, look)
  }
  const drawn = bars.map(({ share, limit, said, decides }, i) => {
    const top = i * row
    const y = top + fontSize * 1.7
    const at = round(x(limit))
    return [
      label(
        said,
        { x: x(0), y: top + fontSize * 1.1, anchor: before, colour: colours.ink, bold: decides !== '' },
        look,
      ),
      bar(0, most, y, colours.fill),
      bar(0, share, y, colours.parts[decides === '' ? 0 : 1] ?? colours.ink),
      tag('line', {
        x1: at,
        x2: at,
        y1: round(y - fontSize * 0.4),
        y2: round(y + tall + fontSize * 0.4),
        stroke: colours.ink,
        'stroke-width': 3,
      }),
      decides === '' ? '' : decidesAt(limit, y + tall + fontSize * 1.5, decides),
    ].join('')
  })
  return picture({ ...look, height: Math.ceil(bars.length * row) }, drawn.join(''))
}
