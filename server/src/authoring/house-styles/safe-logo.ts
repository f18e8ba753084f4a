import { SaxesParser } from 'saxes'
import { MOST_LOGO_BYTES, type Logo } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'

/**
 * A logo as it is kept: nothing in it can run, ask for anything, or say more than its shapes. An SVG is read as XML (SVG 2)
 * and written anew from the shapes, fills and groups there are; a PNG (ISO/IEC 15948) keeps the chunks it is drawn from.
 * Its size is the one in the file. Refused where it is none, too large, or has what a logo may not have.
 */
export function safeLogo({ image, alt }: Logo): Logo {
  const [head = '', data = ''] = image.split(',')
  const bytes = Buffer.from(data, 'base64')
  if (bytes.length > MOST_LOGO_BYTES) throw tooLarge()
  const read = head.includes('png') ? safePng(bytes) : safeSvg(bytes.toString('utf8'))
  // What is kept is what counts: written anew, shapes may take more room than they came in.
  if (Buffer.byteLength(read.image.split(',')[1] ?? '', 'base64') > MOST_LOGO_BYTES) throw tooLarge()
  return { ...read, alt }
}

type Read = Pick<Logo, 'image' | 'width' | 'height'>
const refused = (what: string) => new AppError('LOGO_REFUSED', { field: 'choices.logo', details: { what } })
const tooLarge = () => refused(`it is larger than ${MOST_LOGO_BYTES / 1024} KB, and comes with every page`)
const sized = (image: string, width: number, height: number): Read => {
  const [wide, high] = [Math.round(width), Math.round(height)]
  if (!(wide >= 1 && high >= 1 && wide <= 2000 && high <= 2000))
    throw refused('it is not from 1 to 2000 pixels wide and high')
  return { image, width: wide, height: high }
}

const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
/** What a PNG is drawn from; times, texts, profiles and all else are left out. */
const DRAWN = new Set(['IHDR', 'PLTE', 'tRNS', 'IDAT', 'IEND', 'gAMA', 'sRGB'])

function safePng(bytes: Buffer): Read {
  if (!bytes.subarray(0, 8).equals(SIGNATURE)) throw refused('it is no PNG')
  const kept: Uint8Array[] = [SIGNATURE]
  for (let at = 8; at < bytes.length;) {
    if (at + 12 > bytes.length) throw refused('it is a PNG that ends in the middle')
    const length = bytes.readUInt32BE(at)
    const end = at + 12 + length
    if (end > bytes.length) throw refused('it is a PNG that ends in the middle')
    const type = bytes.toString('latin1', at + 4, at + 8)
    if (DRAWN.has(type)) kept.push(bytes.subarray(at, end))
    if (type === 'IEND') break
    at = end
  }
  const clean = Buffer.concat(kept)
  if (clean.toString('latin1', 12, 16) !== 'IHDR' || !clean.includes('IDAT') || !clean.includes('IEND'))
    throw refused('it is a PNG with nothing drawn')
  return sized(
    `data:image/png;base64,${clean.toString('base64')}`,
    clean.readUInt32BE(16),
    clean.readUInt32BE(20),
  )
}

const SHAPES = new Set([
  ...['svg', 'g', 'path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon'],
  ...['defs', 'linearGradient', 'radialGradient', 'stop', 'clipPath'],
])
/** What says something about a drawing and draws nothing. */
const SAYS = new Set(['title', 'desc', 'metadata'])
const ATTRIBUTES = new Set([
  ...[
    'id',
    'd',
    'x',
    'y',
    'x1',
    'y1',
    'x2',
    'y2',
    'cx',
    'cy',
    'r',
    'rx',
    'ry',
    'fx',
    'fy',
    'width',
    'height',
  ],
  ...[
    'viewBox',
    'points',
    'transform',
    'fill',
    'fill-rule',
    'fill-opacity',
    'clip-rule',
    'clip-path',
    'opacity',
  ],
  ...['stroke', 'stroke-width', 'stroke-linecap', 'stroke-linejoin', 'stroke-miterlimit', 'stroke-opacity'],
  ...['stroke-dasharray', 'offset', 'stop-color', 'stop-opacity', 'gradientUnits', 'gradientTransform'],
])
/** Values that name only a colour, a number, a path or a part of the same drawing. */
const PLAIN = /^(?:[\w\s#.,%()+-]*|url\(#[\w-]+\))$/
const MOST_SHAPES = 2_000
const MOST_DEEP = 30

function safeSvg(text: string): Read {
  const out: string[] = []
  let [shapes, depth, silent] = [0, 0, 0]
  let size: { width: number; height: number } | undefined
  const parser = new SaxesParser()
  parser.on('error', () => {
    throw refused('it is no SVG that can be read')
  })
  parser.on('doctype', () => {
    throw refused('it declares a document type; save it as plain SVG')
  })
  parser.on('opentag', ({ name, attributes }) => {
    depth += 1
    if (silent > 0 || SAYS.has(name) || name.includes(':')) return void (silent += 1)
    if (!SHAPES.has(name))
      throw refused(`it has <${name.slice(0, 30)}>, and may have shapes only; turn texts into paths`)
    if (++shapes > MOST_SHAPES || depth > MOST_DEEP) throw refused('it has more in it than a logo needs')
    if ((shapes === 1) !== (name === 'svg')) throw refused('it is no single drawing')
    const given = styled(attributes as Record<string, string>)
    if (shapes > 1) return void out.push(`<${name}${written(given)}>`)
    size = sizeOf(given)
    // A drawing that says its size is drawn in its own proportions everywhere.
    const { width: _w, height: _h, ...others } = given
    out.push(`<svg xmlns="http://www.w3.org/2000/svg"${written({ ...others, ...textOf(size) })}>`)
  })
  parser.on('closetag', ({ name }) => {
    depth -= 1
    if (silent > 0) silent -= 1
    else out.push(`</${name}>`)
  })
  parser.write(text).close()
  if (!size || shapes < 2) throw refused('it is an SVG with nothing drawn')
  return sized(
    `data:image/svg+xml;base64,${Buffer.from(out.join('')).toString('base64')}`,
    size.width,
    size.height,
  )
}

/** What a style says of a shape stands in attributes of the same names (SVG 2, presentation attributes). */
const styled = ({ style = '', ...others }: Readonly<Record<string, string>>): Record<string, string> => ({
  ...others,
  ...Object.fromEntries(
    style.split(';').flatMap((one) => {
      const [name = '', value] = one.split(/:(.*)/s).map((part) => part.trim())
      return value ? [[name, value]] : []
    }),
  ),
})

const written = (attributes: Readonly<Record<string, string>>): string =>
  Object.entries(attributes)
    .filter(([name, value]) => ATTRIBUTES.has(name) && PLAIN.test(value))
    .map(([name, value]) => ` ${name}="${value}"`)
    .join('')

const textOf = ({ width, height }: { readonly width: number; readonly height: number }) => ({
  width: String(width),
  height: String(height),
})

/** From its width and height in pixels, else from the box it is drawn in. */
function sizeOf({ width, height, viewBox }: Readonly<Record<string, string>>): {
  width: number
  height: number
} {
  const pixels = (text: string | undefined) =>
    Number(/^(\d+(?:\.\d+)?)(?:px)?$/.exec(text?.trim() ?? '')?.[1])
  const [, , wide, high] = (viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  return { width: pixels(width) || Number(wide), height: pixels(height) || Number(high) }
}
