import type { Content } from 'pdfmake/interfaces'
import { drawingOf, type Look } from '@vivid/contract/pictures'
import { isRightToLeft } from '@vivid/contract/wording'
import type { Readout, ReadoutOf } from '@vivid/core'
import { inVisualOrder } from './visual-order'
import { heading, partNames, WIDTH, type Paper } from './paper'

const PICTURE_HEIGHT = 170

/** The pictures of the page, drawn for paper; a chart of a ladder stands there as its table. */
export function pictureOf(
  readout: Extract<Readout, { shows: 'chart' }>,
  step: ReadoutOf<'chart'>,
  label: string,
  paper: Paper,
): Content[] {
  const { shown, text, colour } = paper
  const { program, evaluation, figures, language, on } = shown
  const look: Look = {
    width: WIDTH,
    height: PICTURE_HEIGHT,
    fontSize: 8,
    font: paper.font,
    knowsPaintOrder: false,
    inOrder: (said) => inVisualOrder(said.replaceAll('\u202f', '\u00a0'), language),
    isRtl: isRightToLeft(language),
    colours: {
      ink: colour('--ink'),
      soft: colour('--ink-soft'),
      line: colour('--line-soft'),
      ground: '#ffffff',
      fill: colour('--accent-soft'),
      parts: partNames.map(colour),
    },
  }
  const drawing = drawingOf(readout, step, evaluation, program, on, figures)
  if (!drawing) return []
  const svg = drawing.draw(look)
  const stack = [
    heading(label, paper),
    { svg, alt: label || drawing.sentence, width: WIDTH },
    text(drawing.sentence, { margin: [0, 4, 0, 0] }),
  ]
  return [{ stack, unbreakable: true }]
}
