import { createRequire } from 'node:module'
import type { Content, TFontDictionary } from 'pdfmake/interfaces'
import { inOrderOfLine, type Run } from './visual-order'
import { tagContent, type Tag } from './structure'

/** What a document is, beside its content. Sizes in points. */
export interface Typeset {
  readonly title: string
  readonly author: string
  /** BCP 47. */
  readonly language: string
  readonly margins: {
    readonly left: number
    readonly top: number
    readonly right: number
    readonly bottom: number
  }
  readonly fonts: TFontDictionary
  readonly style: { readonly font: string; readonly [name: string]: unknown }
  readonly content: readonly Content[]
  readonly footer: (page: number, pages: number) => Content
  /** The order things side by side are read in, from the order they stand in. */
  readonly inOrder: <T>(placed: readonly T[]) => T[]
}

/**
 * The parts of the typesetting library that its own front door puts together without a structure tree: it lays out pages
 * of lines, pictures and shapes, and draws one after the other. Here each is drawn as what it is in the tree.
 */
const require = createRequire(import.meta.url)
const part = <Part>(name: string) => (require(`pdfmake/js/${name}`) as { default: Part }).default
interface Page {
  readonly items: readonly unknown[]
}
/** A line and the pieces in it, in points from its left; what it has of spaces at its ends is cut off. */
interface Line {
  readonly inlines: readonly Inline[]
  readonly leadingCut: number
  readonly trailingCut: number
}
interface Inline extends Run {
  readonly tag?: Tag
  /** The level of the text it belongs to, where it has more than one direction. */
  readonly whole?: 0 | 1
  readonly width: number
  x: number
}
/** In points, from the top left of its page. */
interface Picture {
  readonly tag?: Tag
  readonly x: number
  readonly y: number
  readonly _width: number
  readonly _height: number
}
interface Layout {
  layoutDocument(
    content: readonly Content[],
    document: PDFKit.PDFDocument,
    styles: object,
    style: object,
    background: undefined,
    header: undefined,
    footer: Typeset['footer'],
  ): Page[]
}
interface Drawing {
  readonly pdfDocument: PDFKit.PDFDocument
  renderPages(pages: readonly Page[]): void
  renderLine(line: Line, x: number, y: number): void
  renderVector(vector: object): void
  renderImage(image: Picture): void
  renderSVG(svg: Picture): void
}
const Document =
  part<
    new (
      fonts: TFontDictionary,
      images: object,
      patterns: object,
      attachments: object,
      options: Omit<PDFKit.PDFDocumentOptions, 'subset'> & { readonly subset: 'PDF/UA' },
      files: null,
      mayRead: (path: string) => boolean,
    ) => PDFKit.PDFDocument & { provideFont(family: string, bold: boolean, italics: boolean): Font }
  >('PDFDocument')
const LayoutBuilder = part<new (size: object, margins: object, svgMeasure: object) => Layout>('LayoutBuilder')
const SVGMeasure = part<new () => object>('SVGMeasure')
const Renderer = part<new (document: PDFKit.PDFDocument) => Drawing>('Renderer')

/** A font of the library; what it sets with features (OpenType) it works out anew each time. */
interface Font {
  layoutRun(text: string, features?: readonly string[]): object
}
/** The same figures stand in many cells of a schedule, and each is measured before it is drawn. */
class Paper extends Document {
  readonly #known = new WeakSet<Font>()
  override provideFont(family: string, bold: boolean, italics: boolean): Font {
    const font = super.provideFont(family, bold, italics)
    if (this.#known.has(font)) return font
    this.#known.add(font)
    const layoutRun = font.layoutRun.bind(font)
    const runs = new Map<string, object>()
    font.layoutRun = (text, features) => {
      const key = `${features?.join() ?? ''} ${text}`
      const run = runs.get(key) ?? layoutRun(text, features)
      runs.set(key, run)
      return run
    }
    return font
  }
}

class TaggedRenderer extends Renderer {
  override renderLine(line: Line, x: number, y: number): void {
    placeInOrder(line)
    this.#within(line.inlines[0]?.tag, () => super.renderLine(line, x, y))
  }
  /** Shapes are rules and bars; what they show stands beside them in words. */
  override renderVector(vector: object): void {
    this.#within(undefined, () => super.renderVector(vector))
  }
  override renderImage(image: Picture): void {
    this.#within(image.tag, () => super.renderImage(image))
    this.#place(image)
  }
  override renderSVG(svg: Picture): void {
    this.#within(svg.tag, () => super.renderSVG(svg))
    this.#place(svg)
  }

  /** Where a picture stands, from the bottom left (ISO 32000-1, 14.8.5.4.3). */
  #place({ tag, x, y, _width, _height }: Picture): void {
    const bottom = this.pdfDocument.page.height - y - _height
    if (tag)
      tag.element.dictionary.data.A = {
        O: 'Layout',
        Placement: 'Block',
        BBox: [x, bottom, x + _width, bottom + _height],
      }
  }

  #within(tag: Tag | undefined, draw: () => void): void {
    const document = this.pdfDocument
    if (tag) tag.page ??= document.page
    if (!tag || (tag.isDrawnAgain && tag.page !== document.page)) {
      document.markContent('Artifact')
      draw()
    } else {
      const content = document.markStructureContent(tag.role)
      draw()
      tag.element.add(content)
    }
    document.endMarkedContent()
  }
}

/** Places the pieces of a line in the order they stand in; it was laid out in the order they are read. */
function placeInOrder({ inlines, leadingCut, trailingCut }: Line): void {
  const whole = inlines[0]?.whole
  if (whole === undefined) return
  // The spaces at its end stand outside, wherever that is.
  let x = whole === 1 ? -trailingCut : -leadingCut
  for (const inline of inOrderOfLine(inlines, whole)) {
    inline.x = x
    x += inline.width
  }
}

const A4 = { width: 595.28, height: 841.89, orientation: 'portrait' }

/** A document as PDF that tells who has it read out what it is: PDF/UA (ISO 14289-1), on A4. */
export async function typeset(what: Typeset): Promise<Buffer> {
  const document = new Paper(
    what.fonts,
    {},
    {},
    {},
    {
      size: [A4.width, A4.height],
      pdfVersion: '1.7',
      subset: 'PDF/UA',
      tagged: true,
      displayTitle: true,
      lang: what.language,
      info: { Title: what.title, Author: what.author },
      autoFirstPage: false,
    },
    null,
    // Nothing is read for a document but the fonts.
    (path) => path.endsWith('.ttf'),
  )
  tagContent(what.content, document, what.inOrder)
  const layout = new LayoutBuilder(A4, what.margins, new SVGMeasure())
  const pages = layout.layoutDocument(
    what.content,
    document,
    {},
    what.style,
    undefined,
    undefined,
    what.footer,
  )
  new TaggedRenderer(document).renderPages(pages)
  document.end()
  const chunks: Buffer[] = []
  for await (const chunk of document) chunks.push(Buffer.from(chunk))
  return Buffer.concat(chunks)
}
