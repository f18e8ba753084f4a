import type { Column, Content } from 'pdfmake/interfaces'
import {
  comparedCell,
  conventionsSaid,
  ladderTable,
  refusedSaid,
  lowestSaid,
  labelSaid,
  payOffTable,
  readoutText,
} from '@vivid/contract/wording'
import type { Readout, ReadoutStep, Texts } from '@vivid/core'
import { besideOf } from '../../figures/shown-figures'
import { isolated } from './visual-order'
import { BAR, heading, partNames, rich, tableOf, WIDTH, type Paper } from './paper'
import { pictureOf } from './pictures'

/** A readout of the page as it stands on paper; what is only pressed leaves nothing. */
export function readoutOf(readout: Readout, step: ReadoutStep, paper: Paper): Content[] {
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
      return [
        text(labelSaid(label, value, figures), {
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
      const lowest = lowestSaid(readout.columns, head, figures, readout.turn)
      return [heading(label, paper), tableOf(['', ...head], rows, paper), ...(lowest ? [text(lowest)] : [])]
    }
    case 'payOff': {
      const { head, rows } = payOffTable(readout, figures)
      return [heading(label, paper), text(sentence), tableOf(head, rows, paper)]
    }
    case 'ladder': {
      const { head, rows } = ladderTable(readout, figures, main)
      return [
        heading(label, paper),
        tableOf(head, rows, paper),
        ...refusedSaid(readout, figures).map((one) => text(one)),
      ]
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
    ...found.kept.map(({ name, sentence }) =>
      text(`${isolated(name)}: ${sentence}`, { margin: [0, 0, 0, 3] }),
    ),
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
