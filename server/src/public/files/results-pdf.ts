import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import pdfmake from 'pdfmake'
import type { Column, Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import {
  balancePicture,
  picturedBalance,
  picturedYears,
  yearsPicture,
  type Look,
} from '@vivid/contract/pictures'
import {
  comparedCell,
  conventionsSaid,
  isRightToLeft,
  ladderTable,
  lowestSaid,
  oftenSaid,
  readoutText,
  scheduleCell,
} from '@vivid/contract/wording'
import {
  plainText,
  textIn,
  type Ledger,
  type Readout,
  type ReadoutOf,
  type ReadoutStep,
  type RichText,
  type ScheduleColumn,
  type Texts,
} from '@vivid/core'
import { colourOnPaper } from '../../house-styles/on-paper'
import { besideOf, type ShownFigures } from '../shown-figures'
import { inVisualOrder } from './visual-order'

const require = createRequire(import.meta.url)
const font = (family: string, weight: string, name: string) =>
  join(dirname(require.resolve(`@expo-google-fonts/${family}/package.json`)), weight, `${name}.ttf`)
const face = (family: string, name: string) => {
  const normal = font(family, '400Regular', `${name}_400Regular`)
  const bold = font(family, '700Bold', `${name}_700Bold`)
  return { normal, bold, italics: normal, bolditalics: bold }
}
pdfmake.setFonts({
  Figtree: face('figtree', 'Figtree'),
  Rubik: face('rubik', 'Rubik'),
  SourceSerif: face('source-serif-4', 'SourceSerif4'),
})
// Nothing is fetched for a document, and nothing read but the fonts.
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path) => path.endsWith('.ttf'))

/** Sizes in points. */
const PAGE_WIDTH = 595.28
const MARGIN = 44
const WIDTH = PAGE_WIDTH - 2 * MARGIN
const BAR = 16

/** What is said in a figure or a sentence. */
const BRIEF: ReadonlySet<Readout['shows']> = new Set(['figure', 'meter', 'sentence', 'payment'])

/** Everything on a visitor's page as a PDF (ISO 32000): figures, answers, the schedule to the last payment, what it assumes. */
export async function resultsPdf(shown: ShownFigures): Promise<Buffer> {
  const { program, language, main, words, figures, on, calculator } = shown
  const paper = paperFor(shown)
  const { say, text } = paper
  const drawn = shown.evaluation.readouts.flatMap((readout) => {
    const step = program.steps.find((one) => one.step.id === readout.id)?.step
    if (step?.kind !== 'readout' || readout.shows === 'schedule') return []
    return [{ isBrief: BRIEF.has(readout.shows), content: readoutOf(readout, step, paper) }]
  })
  const definition: TDocumentDefinitions = {
    pageSize: 'A4',
    pageMargins: [MARGIN, 48, MARGIN, 58],
    info: { title: textIn(program.title, language, main), author: program.lender },
    language,
    displayTitle: true,
    defaultStyle: {
      font: fontFor(shown),
      fontSize: 10,
      lineHeight: 1.25,
      color: paper.colour('--ink'),
      alignment: paper.start,
    },
    content: [
      text(program.lender, { bold: true, color: paper.colour('--accent') }),
      text(say(program.title), { fontSize: 22, bold: true, margin: [0, 2, 0, 2] }),
      text(words.madeOn(figures.date(on), calculator.edition), {
        color: paper.colour('--ink-soft'),
        margin: [0, 0, 0, 12],
      }),
      // The first page says it all: what it comes to, and from which answers.
      ...drawn.filter(({ isBrief }) => isBrief).flatMap(({ content }) => content),
      heading(words.questions, paper),
      answersOf(paper),
      ...drawn.filter(({ isBrief }) => !isBrief).flatMap(({ content }) => content),
      ...rich(program.disclosure, paper),
      ...scheduleOf(paper),
    ],
    footer: (page, pages) => ({
      margin: [MARGIN, 16, MARGIN, 0],
      columns: paper.inOrder([
        { ...text(`${program.lender} · ${words.illustration}`, { fontSize: 8 }), width: '*' },
        { ...text(words.pageOf(page, pages), { fontSize: 8 }), width: 90, alignment: paper.end },
      ]),
    }),
  }
  return pdfmake.createPdf(definition).getBuffer()
}

/** The house style's kind of letter; Rubik where the others lack the script or the currency's sign. */
function fontFor({ language, program, calculator }: ShownFigures): string {
  if (isRightToLeft(language) || program.currency === 'ILS') return 'Rubik'
  return calculator.content.style['--text']?.startsWith("'Source Serif") ? 'SourceSerif' : 'Figtree'
}

type Paper = ReturnType<typeof paperFor>

/** What the parts of a document share: its words, its colours, and its direction. */
function paperFor(shown: ShownFigures) {
  const { language, main, calculator } = shown
  const isRtl = isRightToLeft(language)
  return {
    shown,
    say: (texts: Texts) => textIn(texts, language, main),
    start: isRtl ? ('right' as const) : ('left' as const),
    end: isRtl ? ('left' as const) : ('right' as const),
    colour: (name: `--${string}`) => colourOnPaper(calculator.content.style, name),
    /** Fonts have no narrow no-break space; digits are grouped with the ordinary one. */
    text: (text: string, more: object = {}) => ({
      text: inVisualOrder(text.replaceAll('\u202f', '\u00a0'), language),
      ...more,
    }),
    /** Columns as they are read, from the side the language begins at. */
    inOrder: <T>(cells: readonly T[]): T[] => (isRtl ? [...cells].reverse() : [...cells]),
  }
}

const heading = (words: string, { text, colour }: Paper) =>
  text(words, { fontSize: 14, bold: true, color: colour('--ink'), margin: [0, 14, 0, 5] })

function readoutOf(readout: Readout, step: ReadoutStep, paper: Paper): Content[] {
  const { shown, say, text } = paper
  const { figures, main } = shown
  const { figure, sentence } = readoutText(readout, figures, main)
  const label = say(step.label)
  const parts = 'parts' in readout && 'parts' in step ? partsOf(readout.parts, step.parts, paper) : []
  switch (readout.shows) {
    case 'figure':
    case 'meter': {
      const isHead = readout.shows === 'figure' && readout.headline
      const { value } = readout.shows === 'figure' ? readout : { value: readout.total }
      const often = oftenSaid(value, figures)
      return [
        text([label, often].filter(Boolean).join(' '), {
          color: paper.colour('--ink-soft'),
          margin: [0, isHead ? 0 : 8, 0, 0],
        }),
        text(figure, { fontSize: isHead ? 30 : 17, bold: true }),
        ...parts,
        ...(sentence ? [text(sentence)] : []),
      ]
    }
    case 'sentence':
      return [text(label, { color: paper.colour('--ink-soft'), margin: [0, 8, 0, 0] }), text(sentence)]
    case 'payment':
      return [
        text(label, { color: paper.colour('--ink-soft'), margin: [0, 8, 0, 0] }),
        text(figure, { fontSize: 17, bold: true }),
        text(
          `${figures.words.page.columns.principal} ${figures.money(readout.row.principal)} · ${figures.words.page.columns.interest} ${figures.money(readout.row.interest)}`,
        ),
      ]
    case 'comparison': {
      const compared = shown.program.steps.find((one) => one.step.id === readout.comparison)?.step
      const loans = compared?.kind === 'comparison' ? compared.loans : []
      const head = readout.columns.map(({ at }) => {
        const loan = loans[at]
        return (loan && say(loan.label)) || ''
      })
      const rows = readout.rows.map((row) => [
        figures.words.page.rows[row],
        ...readout.columns.map((column, i) => comparedCell(row, column, i === 0, figures)),
      ])
      const lowest = lowestSaid(readout.columns, head, figures)
      return [heading(label, paper), tableOf(['', ...head], rows, paper), ...(lowest ? [text(lowest)] : [])]
    }
    case 'ladder': {
      const { head, rows } = ladderTable(readout, figures)
      return [heading(label, paper), tableOf(head, rows, paper)]
    }
    case 'explanation': {
      const lines = readout.lines.flatMap(({ step: id, value }) => {
        const working = shown.program.steps.find((one) => one.step.id === id)?.step
        return working?.kind === 'working' ? [[say(working.label) || working.name, figures.value(value)]] : []
      })
      return lines.length ? [heading(label, paper), tableOf([], lines, paper)] : []
    }
    case 'assumptions':
      return [
        heading(label, paper),
        ...(step.shows === 'assumptions' ? rich(step.text, paper) : []),
        ...conventionsSaid(shown.evaluation, shown.program, figures).map((line) =>
          text(line, { margin: [0, 2, 0, 2] }),
        ),
        ...shown.rates.map((rate) => text(rate)),
      ]
    case 'whatIf':
      return keptOf(readout, label, paper)
    case 'chart':
      return step.shows === 'chart' ? pictureOf(readout, step, label, paper) : []
    // The schedule stands at the end; the rest are things to press.
    case 'schedule':
    case 'actions':
      return []
  }
}

const PICTURE_HEIGHT = 170

/** The pictures of the page, drawn for paper; a chart of a ladder stands there as its table. */
function pictureOf(
  readout: Extract<Readout, { shows: 'chart' }>,
  step: ReadoutOf<'chart'>,
  label: string,
  paper: Paper,
): Content[] {
  const { shown, text, colour } = paper
  const { program, evaluation, figures, language, on } = shown
  if (readout.chart === 'ladder') return []
  const look: Look = {
    width: WIDTH,
    height: PICTURE_HEIGHT,
    fontSize: 8,
    font: fontFor(shown),
    hasEdges: false,
    inOrder: (said) => {
      const ordered = inVisualOrder(said.replaceAll('\u202f', '\u00a0'), language)
      return typeof ordered === 'string' ? ordered : ordered.map((piece) => piece.text).join('')
    },
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
  const balance =
    readout.chart === 'balance' ? picturedBalance(step, evaluation, program, on, figures) : undefined
  const years =
    readout.chart === 'yearly'
      ? picturedYears(readout, evaluation.terms.get(step.loans[0]?.loan ?? ''), figures)
      : undefined
  const svg = balance ? balancePicture(balance.drawn, look) : years && yearsPicture(years.drawn, look)
  const sentence = balance?.sentence ?? years?.sentence ?? ''
  if (!svg) return []
  const stack = [heading(label, paper), { svg, width: WIDTH }, text(sentence, { margin: [0, 4, 0, 0] })]
  return [{ stack, unbreakable: true }]
}

const partNames = ['--principal', '--interest', '--part-2', '--part-3', '--part-4', '--part-5'] as const

const keptRows = ['payment', 'payments', 'endDate', 'totalInterest', 'totalPaid', 'difference'] as const

/** What the visitor kept beside the loan as it is: the figures side by side, and each in a sentence. */
function keptOf(readout: Readout, label: string, paper: Paper): Content[] {
  const { shown, text } = paper
  const { figures, words } = shown
  const found = besideOf(shown, readout)
  if (!found) return []
  const columns = found.kept.flatMap(({ name, column }) => (column ? [{ name, column }] : []))
  const head = ['', words.whatIf.asItIs, ...columns.map(({ name }) => name)]
  const rows = keptRows.map((row) => [
    words.rows[row],
    comparedCell(row, found.asItIs, true, figures),
    ...columns.map(({ column }) => comparedCell(row, column, false, figures)),
  ])
  return [
    heading(label, paper),
    ...(columns.length > 0 ? [tableOf(head, rows, paper)] : []),
    ...found.kept.map(({ name, sentence }) => text(`${name}: ${sentence}`, { margin: [0, 0, 0, 3] })),
  ]
}

/** The parts of an amount as a bar, with their figures under it. */
function partsOf(
  parts: readonly { readonly at: number; readonly value: { readonly unit: string } }[],
  labels: readonly { readonly label: Texts }[],
  { shown, say, text, colour, inOrder, start }: Paper,
): Content[] {
  const amounts = parts.flatMap(({ at, value }) =>
    'money' in value && typeof value.money === 'number' && value.money > 0
      ? [{ at, amount: value.money }]
      : [],
  )
  const total = amounts.reduce((sum, { amount }) => sum + amount, 0)
  if (total === 0) return []
  const colours = partNames.map(colour)
  let x = 0
  const bar = inOrder(amounts).map(({ at, amount }) => {
    const w = (amount / total) * WIDTH
    const rect = { type: 'rect' as const, x, y: 0, w, h: BAR, color: colours[at % colours.length] ?? '' }
    x += w
    return rect
  })
  return [
    { canvas: bar, margin: [0, 4, 0, 4] },
    {
      columns: inOrder(
        amounts.map(({ at, amount }) => ({
          stack: [
            {
              columns: inOrder<Column>([
                {
                  canvas: [
                    { type: 'rect', x: 0, y: 2, w: 8, h: 8, color: colours[at % colours.length] ?? '' },
                  ],
                  width: 12,
                },
                { ...text(say(labels[at]?.label ?? {}), { color: colour('--ink-soft') }), width: 'auto' },
                { text: '', width: '*' },
              ]),
            },
            text(shown.figures.money(amount), { bold: true }),
          ],
          alignment: start,
        })),
      ),
      margin: [0, 0, 0, 4],
    },
  ]
}

/** The answers as they were given, under the headings of the page; those that were not asked are left out. */
function answersOf(paper: Paper): Content {
  const { shown, say } = paper
  const rows = shown.program.steps.flatMap(({ step }) => {
    if (step.kind === 'section') return [[say(step.label), '']]
    const value = step.kind === 'question' ? shown.evaluation.values[step.id] : undefined
    return step.kind === 'question' && value
      ? [[say(step.label) || step.name, shown.figures.value(value)]]
      : []
  })
  return tableOf([], rows, paper)
}

/** The schedule the page shows, by year and then payment by payment; empty where nothing is borrowed. */
function scheduleOf(paper: Paper): Content[] {
  const { shown, say } = paper
  const { figures, words, ledger } = shown
  const readout = shown.evaluation.readouts.find((one) => one.shows === 'schedule')
  const step = shown.program.steps.find((one) => one.step.id === readout?.id)?.step
  if (readout?.shows !== 'schedule' || step?.kind !== 'readout' || !ledger) return []
  const columns = readout.columns.filter((column) => column !== 'date')
  const named = columns.map((column) => words.columns[column])
  const paidToo: ScheduleColumn[] = columns.includes('payment') ? columns : ['payment', ...columns]
  return [
    {
      ...heading([say(step.label), shown.ledgerName].filter(Boolean).join(' · '), paper),
      pageBreak: 'before',
    },
    tableOf(
      [words.year, ...named],
      readout.years.map((year) => [
        String(year.year),
        ...columns.map((column) => scheduleCell(column, year, ledger, figures)),
      ]),
      paper,
    ),
    { text: '', margin: [0, 10, 0, 0] },
    tableOf(
      [words.number, words.columns.date, ...paidToo.map((column) => words.columns[column])],
      paymentsOf(ledger).map((row) => [
        String(row.number),
        row.date ?? '',
        ...paidToo.map((column) => scheduleCell(column, row, ledger, figures)),
      ]),
      paper,
    ),
  ]
}

const paymentsOf = (ledger: Ledger) =>
  Array.from({ length: ledger.count }, (_, i) => ledger.at(ledger.firstNumber + i))

/** A table whose first column names its rows and whose others are figures. */
function tableOf(head: readonly string[], rows: readonly (readonly string[])[], paper: Paper): Content {
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

function rich(texts: Readonly<Record<string, RichText>>, { shown, text }: Paper): Content[] {
  const own = texts[shown.language]
  const said = own && own.content.length > 0 ? own : texts[shown.main]
  return said
    ? plainText(said)
        .split('\n')
        .filter(Boolean)
        .map((line) => text(line, { margin: [0, 2, 0, 2] }))
    : []
}
