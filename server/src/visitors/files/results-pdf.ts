import type { Content, Margins } from 'pdfmake/interfaces'
import type { Logo } from '@vivid/contract'
import { noticesSaid, scheduleCell, servedWords } from '@vivid/contract/wording'
import { textIn, type Ledger, type Readout, type ScheduleColumn } from '@vivid/core'
import type { ShownFigures } from '../figures/shown-figures'
import { fonts } from './pdf/fonts'
import { heading, MARGIN, paperFor, rich, tableOf, type Paper } from './pdf/paper'
import { readoutOf } from './pdf/readouts'
import { typeset } from './pdf/typeset'

/** What is said in a figure or a sentence. */
const BRIEF: ReadonlySet<Readout['shows']> = new Set(['figure', 'meter', 'sentence', 'payment'])

/** Everything on a visitor's page as a PDF (ISO 32000): figures, answers, the schedule to the last payment, what it assumes. */
export async function resultsPdf(shown: ShownFigures): Promise<Buffer> {
  const { program, language, main, words, figures, on, calculator } = shown
  const served = servedWords(language, program.words)
  const paper = paperFor(shown)
  const { say, text } = paper
  const drawn = shown.evaluation.readouts.flatMap((readout) => {
    const step = program.steps.find((one) => one.step.id === readout.id)?.step
    if (step?.kind !== 'readout' || readout.shows === 'schedule') return []
    return [{ isBrief: BRIEF.has(readout.shows), content: readoutOf(readout, step, paper) }]
  })
  return typeset({
    title: textIn(program.title, language, main),
    author: program.lender,
    language,
    margins: { left: MARGIN, top: 48, right: MARGIN, bottom: 58 },
    fonts,
    style: {
      font: paper.font,
      fontSize: 10,
      lineHeight: 1.25,
      color: paper.colour('--ink'),
      alignment: paper.start,
    },
    inOrder: paper.inOrder,
    content: [
      ...logoOf(calculator.content.style.logo, paper),
      text(program.lender, { bold: true, color: paper.colour('--accent') }),
      text(say(program.title), { role: 'H1', fontSize: 22, bold: true, margin: [0, 2, 0, 2] }),
      text(served.madeOn(figures.date(on), calculator.edition), {
        color: paper.colour('--ink-soft'),
        margin: [0, 0, 0, 12],
      }),
      // The first page says it all: what it comes to, and from which answers.
      ...drawn.filter(({ isBrief }) => isBrief).flatMap(({ content }) => content),
      ...noticesSaid(shown.evaluation, program, figures).map((line) => text(line, { margin: [0, 2, 0, 6] })),
      heading(words.questions, paper),
      answersOf(paper),
      ...drawn.filter(({ isBrief }) => !isBrief).flatMap(({ content }) => content),
      ...nextStepsOf(paper),
      ...rich(program.disclosure, paper),
      ...scheduleOf(paper),
    ],
    footer: (page, pages) => ({
      margin: [MARGIN, 16, MARGIN, 0],
      columns: paper.inOrder([
        { ...text(`${program.lender} · ${served.illustration}`, { fontSize: 8 }), width: '*' },
        { ...text(served.pageOf(page, pages), { fontSize: 8 }), width: 90, alignment: paper.end },
      ]),
    }),
  })
}

/** The lender's mark at the head of the paper. */
function logoOf(logo: Logo | undefined, { start }: Paper): Content[] {
  if (!logo) return []
  const size = {
    alt: logo.alt,
    fit: [160, 40] as [number, number],
    alignment: start,
    margin: [0, 0, 0, 8] as Margins,
  }
  const [head = '', data = ''] = logo.image.split(',')
  return [
    head.includes('png')
      ? { image: logo.image, ...size }
      : { svg: Buffer.from(data, 'base64').toString('utf8'), ...size },
  ]
}

/** What happens next, as the lender says it; nothing where it is not said. */
function nextStepsOf(paper: Paper): Content[] {
  const { program, words } = paper.shown
  const said = program.nextSteps ? rich(program.nextSteps, paper) : []
  return said.length > 0 ? [heading(words.nextSteps, paper), ...said] : []
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
