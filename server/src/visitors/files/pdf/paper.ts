import type { Content, ContentText, TableCell } from 'pdfmake/interfaces'
import { isRightToLeft } from '@vivid/contract/wording'
import { minor, plainText, textIn, type RichText, type Texts } from '@vivid/core'
import { colourOnPaper } from '../../../authoring/house-styles/on-paper'
import type { ShownFigures } from '../../figures/shown-figures'
import { levelOf, runsOf, type Run } from './visual-order'
import { fontWithMost, inFonts, type FontName } from './fonts'
import type { ReadOut } from './structure'

/** Sizes in points. */
const PAGE_WIDTH = 595.28
export const MARGIN = 44
export const WIDTH = PAGE_WIDTH - 2 * MARGIN
export const BAR = 16

/** The colours of the parts of a payment, in the order of the meter. */
export const partNames = [
  '--principal',
  '--interest',
  '--part-2',
  '--part-3',
  '--part-4',
  '--part-5',
] as const

/** The house style's kind of letter, where it has the letters of the page's language and the sign of its currency. */
function fontOf({ words, figures, on, calculator }: ShownFigures): FontName {
  const isSerif = calculator.content.style['--text']?.startsWith("'Source Serif")
  const said = [words.results, words.questions, figures.date(on), figures.money(minor(0))].join(' ')
  return fontWithMost(said, isSerif ? 'SourceSerif' : 'Figtree')
}

export type Paper = ReturnType<typeof paperFor>

/** What the parts of a document share: its words, its colours, and its direction. */
export function paperFor(shown: ShownFigures) {
  const { language, main, calculator } = shown
  const isRtl = isRightToLeft(language)
  const font = fontOf(shown)
  /** In pieces of one font and one direction each, where it has more than one. */
  const inPieces = (runs: string | Run[]) =>
    typeof runs === 'string'
      ? inFonts(runs, font)
      : runs.flatMap(({ text, level }): (Run & { font: FontName; whole: 0 | 1 })[] => {
          const pieces = inFonts(text, font)
          return (typeof pieces === 'string' ? [{ text, font }] : pieces).map((piece) => ({
            ...piece,
            level,
            whole: levelOf(language),
          }))
        })
  return {
    shown,
    font,
    say: (texts: Texts) => textIn(texts, language, main),
    start: isRtl ? ('right' as const) : ('left' as const),
    end: isRtl ? ('left' as const) : ('right' as const),
    colour: (name: `--${string}`) => colourOnPaper(calculator.content.style, name),
    /** Fonts have no narrow no-break space; digits are grouped with the ordinary one. */
    text: (text: string, more: ReadOut & Omit<ContentText, 'text'> = {}) => {
      const runs = runsOf(text.replaceAll('\u202f', '\u00a0'), language)
      // In other pieces than it is read.
      return { text: inPieces(runs), ...(typeof runs !== 'string' && { said: text }), ...more }
    },
    /** Columns as they are read, from the side the language begins at. */
    inOrder: <T>(cells: readonly T[]): T[] => (isRtl ? [...cells].reverse() : [...cells]),
  }
}

export const heading = (words: string, { text, colour }: Paper) =>
  text(words, {
    role: 'H2',
    outline: true,
    outlineText: words,
    fontSize: 14,
    bold: true,
    color: colour('--ink'),
    margin: [0, 14, 0, 5],
  })

/** A table whose first column names its rows and whose others are figures. */
export function tableOf(
  head: readonly string[],
  rows: readonly (readonly string[])[],
  paper: Paper,
): Content {
  const { text, inOrder, start, end, colour } = paper
  const wide = Math.max(head.length, ...rows.map((row) => row.length))
  const cells = (row: readonly string[], more: object): TableCell[] =>
    inOrder(
      row.map((cell, i) => ({
        ...text(cell, row.length === 2 && row[1] === '' ? { bold: true } : more),
        alignment: i === 0 ? start : end,
      })),
    )
  const body = [
    ...(head.length ? [cells(head, { bold: true, color: colour('--ink-soft') })] : []),
    ...rows.map((row) => cells(row, {})),
  ]
  if (body.length === 0) return { text: '' }
  return {
    table: {
      headerRows: head.length ? 1 : 0,
      widths: inOrder(Array.from({ length: wide }, (_, i) => (i === 0 && wide > 3 ? 'auto' : '*'))),
      body,
      dontBreakRows: true,
    },
    fontSize: rows.length > 40 ? 8 : 10,
    fontFeatures: ['tnum'],
    margin: [0, 0, 0, 8],
    layout: {
      hLineWidth: () => 0.5,
      vLineWidth: () => 0,
      hLineColor: () => colour('--line-soft'),
      paddingLeft: () => 2,
      paddingRight: () => 2,
      paddingTop: () => 2,
      paddingBottom: () => 1,
    },
  }
}

export function rich(texts: Readonly<Record<string, RichText>>, { shown, text }: Paper): Content[] {
  const own = texts[shown.language]
  const said = own && own.content.length > 0 ? own : texts[shown.main]
  return said
    ? plainText(said)
        .split('\n')
        .filter(Boolean)
        .map((line) => text(line, { margin: [0, 2, 0, 2] }))
    : []
}
