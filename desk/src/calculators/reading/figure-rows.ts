import { figuresFor, labelSaid, readoutText } from '@vivid/contract/wording'
import {
  mainLanguage,
  textIn,
  type Program,
  type Readout,
  type ReadoutCompared,
  type SampleCompared,
  type Value,
} from '@vivid/core'

/** One figure of a sample visitor, before and after, in words. */
export interface FigureRow {
  readonly id: string
  readonly label: string
  readonly before: string
  readonly after: string
  /** "+$41.20", "the same", or that there is nothing to take off. */
  readonly by: string
  readonly isSame: boolean
}

/** The figures of one sample visitor in words; of tables and pictures only that they differ. */
export function figureRows({ rows }: SampleCompared, before: Program, after: Program): FigureRow[] {
  return rows.flatMap((row) => {
    const [was, is] = [wordsOf(row.before, before), wordsOf(row.after, after)]
    if (was === '' && is === '' && row.isSame) return []
    return [
      {
        id: row.id,
        label: labelOf(row, row.after ? after : before),
        before: row.before ? was || 'as before' : '–',
        after: row.after ? is || 'other figures' : '–',
        by: byHowMuch(row, after),
        isSame: row.isSame,
      },
    ]
  })
}

const figuresOn = (program: Program) => figuresFor(program, mainLanguage(program))

function wordsOf(readout: Readout | undefined, program: Program): string {
  if (!readout) return ''
  const { figure, sentence } = readoutText(readout, figuresOn(program), mainLanguage(program))
  return figure || sentence
}

function labelOf({ id, before, after }: ReadoutCompared, program: Program): string {
  const step = program.steps.map((one) => one.step).find((one) => one.id === id)
  if (step?.kind !== 'readout') return id
  const main = mainLanguage(program)
  const label = textIn(step.label, main, main) || step.name
  const readout = after ?? before
  return readout?.shows === 'figure' ? labelSaid(label, readout.value, figuresOn(program)) : label
}

function byHowMuch({ isSame, before, after, difference }: ReadoutCompared, program: Program): string {
  if (isSame) return 'the same'
  if (!before) return 'new'
  if (!after) return 'gone'
  return difference ? signed(difference, program) : 'differs'
}

function signed(value: Value, program: Program): string {
  const figures = figuresOn(program)
  const said = (amount: number, text: string) =>
    amount === 0 ? 'the same amount' : `${amount < 0 ? '−' : '+'}${text}`
  const plain = (text: string) => figures.number(text.replace('-', ''))
  switch (value.unit) {
    case 'money':
      return said(value.money, figures.money(Math.abs(value.money)))
    case 'percent':
      return said(Number(value.percent), `${plain(value.percent)} points`)
    case 'number':
      return said(Number(value.number), plain(value.number))
    case 'count':
      return said(Number(value.count), plain(value.count))
    case 'term': {
      const months = Math.abs(value.months)
      return said(value.months, figures.term({ years: Math.floor(months / 12), months: months % 12 }))
    }
    default:
      return 'differs'
  }
}
