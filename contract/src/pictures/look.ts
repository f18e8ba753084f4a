import { htmlText } from '../formats/html'

/** How pictures are drawn: as wide as there is room, in colours that the house style or the paper gives. */
export interface Look {
  /** In pixels, or points on paper. */
  readonly width: number
  readonly height: number
  readonly fontSize: number
  readonly font: string
  /** Whether what draws it paints the edge of a text behind it; where it does not, the edge is a text of its own beneath. */
  readonly knowsPaintOrder: boolean
  /** The pieces of a text in the order they stand in, from left to right, where what draws them does not know it. */
  readonly inOrder?: (text: string) => readonly string[]
  /** Whether time runs from right to left. */
  readonly isRtl: boolean
  readonly colours: {
    readonly ink: string
    readonly soft: string
    readonly line: string
    /** What the picture stands on: text is edged with it, to be read across lines. */
    readonly ground: string
    readonly fill: string
    /** The parts of a payment, in the order of the meter: principal, interest, insurance, fees. */
    readonly parts: readonly string[]
  }
}

/** An element of SVG; its texts are escaped. */
export function tag(name: string, attributes: Readonly<Record<string, string | number>>, inner = ''): string {
  const said = Object.entries(attributes).map(([key, value]) => ` ${key}="${htmlText(String(value))}"`)
  return `<${name}${said.join('')}>${inner}</${name}>`
}

/** A text that can be read across whatever is drawn beneath it. */
export function label(
  text: string,
  { x, y, anchor, colour, bold = false }: LabelAt,
  { fontSize, font, colours, knowsPaintOrder, inOrder }: Look,
): string {
  const said = inOrder
    ? inOrder(text)
        .map((piece) => tag('tspan', {}, htmlText(piece)))
        .join('')
    : htmlText(text)
  const at = { x: round(x), y: round(y), 'text-anchor': anchor, 'font-size': fontSize, 'font-family': font }
  const weight = { 'font-weight': bold ? 'bold' : 'normal' }
  const edge = { stroke: colours.ground, 'stroke-width': 4, 'stroke-linejoin': 'round' }
  if (knowsPaintOrder)
    return tag('text', { ...at, ...weight, ...edge, 'paint-order': 'stroke', fill: colour }, said)
  return (
    tag('text', { ...at, ...weight, ...edge, fill: colours.ground }, said) +
    tag('text', { ...at, ...weight, fill: colour }, said)
  )
}
interface LabelAt {
  readonly x: number
  readonly y: number
  readonly anchor: 'start' | 'middle' | 'end'
  readonly colour: string
  readonly bold?: boolean
}

/** Roughly how wide a text stands. */
export const widthOf = (text: string, { fontSize }: Pick<Look, 'fontSize'>): number =>
  text.length * fontSize * 0.56

export const round = (n: number): number => Math.round(n * 10) / 10

/** The frame around a picture. Places in it are counted from the left, whatever the direction of the page. */
export const picture = ({ width, height }: Look, inner: string): string =>
  tag(
    'svg',
    {
      xmlns: 'http://www.w3.org/2000/svg',
      width,
      height,
      viewBox: `0 0 ${width} ${height}`,
      direction: 'ltr',
    },
    inner,
  )
