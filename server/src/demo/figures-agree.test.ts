import { describe, expect, test } from 'vitest'
import { figuresFor, sentenceText } from '@vivid/contract/wording'
import {
  compile,
  createEvaluator,
  partsThatDiffer,
  readMoment,
  starters,
  tryOut,
  type CalculatorDocument,
  type Evaluation,
  type LedgerYear,
  type RateSheet,
  type Value,
} from '@vivid/core'
import { demoCalculators } from './demo-calculators'
import { demoSheets } from './demo-sheets'

const today = readMoment('2026-11-27T12:00')
if (!today) throw new Error('that is a moment')

interface Shown {
  readonly name: string
  readonly document: CalculatorDocument
  readonly sheets: readonly RateSheet[]
}
const shown: Shown[] = [
  ...starters.map(({ id, make, sheets }) => ({ name: `starter ${id}`, document: make(), sheets })),
  ...demoCalculators.flatMap(({ slug, draft, editions }) =>
    [draft, ...editions.map(({ document }) => document)].map((document, i) => ({
      name: `demo ${slug} ${i}`,
      document,
      sheets: demoSheets,
    })),
  ),
]

const money = (value: Value | undefined): number =>
  value?.unit === 'money' || value?.unit === 'share' ? value.money : NaN

/** What must hold between the figures of a page, whatever was answered. */
function disagreements({ values, readouts, ledgers }: Evaluation): string[] {
  const found = partsThatDiffer({ readouts }).map(
    ({ field, sum, whole }) => `parts of ${field}: ${sum}, not ${whole}`,
  )
  const adds = (what: string, whole: number, parts: readonly number[]) => {
    const sum = parts.reduce((total, part) => total + part, 0)
    if (sum !== whole) found.push(`${what}: ${sum}, not ${whole}`)
  }
  for (const [id, value] of Object.entries(values)) {
    if (value.unit !== 'figures') continue
    const of = (name: string) => money(value.figures[name])
    if (value.of === 'affordability') {
      if (of('down payment') >= 0) adds(`${id} price`, of('price'), [of('down payment'), of('loan')])
      const besides = ['mortgage insurance', 'property tax', 'home insurance', 'dues'].map(of)
      adds(`${id} monthly costs`, of('monthly costs'), [of('payment'), ...besides])
      adds(`${id} housing costs`, of('housing costs'), [of('qualifying payment'), ...besides])
    }
    if (value.of === 'equity') adds(`${id} value`, of('value'), [of('equity'), of('balance')])
    if (value.of === 'refinance')
      adds(`${id} payment`, of('payment'), [of('payment now'), of('payment change')])
  }
  for (const [id, { totals, soFar, balanceToday, paidToday }] of ledgers) {
    adds(`${id} repaid`, totals.paid, [totals.principal, totals.interest])
    adds(`${id} owed`, soFar.payments === 0 ? totals.principal + totals.balloon : balanceToday + paidToday, [
      totals.principal,
      totals.balloon,
    ])
  }
  for (const readout of readouts) {
    if (readout.shows !== 'schedule') continue
    const ledger = ledgers.get(readout.loan)
    if (!ledger) continue
    const { years } = readout
    const sum = (of: (year: LedgerYear) => number) => years.reduce((total, year) => total + of(year), 0)
    adds(`${readout.id} paid`, ledger.totals.paid - ledger.paidToday, [sum(({ paid }) => paid)])
    adds(`${readout.id} insurance`, ledger.totals.insurance, [sum(({ insurance }) => insurance)])
  }
  return found
}

/** Amounts on one page that are within a whole unit of each other and yet differ: one of them was rounded and the other not. */
function almostAlike({ readouts }: Evaluation, document: CalculatorDocument): string[] {
  const main = document.languages[0] ?? 'en-CA'
  const amounts = readouts.flatMap((readout): number[] => {
    const said = 'sentence' in readout ? (readout.sentence[main] ?? []) : []
    const own = readout.shows === 'figure' ? [readout.value] : []
    return [...own, ...said.filter((piece) => typeof piece !== 'string')].flatMap((value) =>
      value.unit === 'money' && value.per === undefined && value.money >= 10_000_00 ? [value.money] : [],
    )
  })
  return amounts.flatMap((a) =>
    amounts.filter((b) => a < b && b - a < 1_00).map((b) => `${a} stands beside ${b}`),
  )
}

describe('what a page shows together adds up as it is shown', () => {
  test.each(shown)('$name', ({ document, sheets }) => {
    const { program } = compile(document, sheets)
    const evaluate = createEvaluator(program)
    const figures = figuresFor(program, document.languages[0] ?? 'en-CA')
    const questions = document.steps.flatMap((step) => (step.kind === 'question' ? [step] : []))
    const visitors: Record<string, unknown>[] = [
      {},
      ...document.samples.map(({ answers }) => answers),
      ...questions.flatMap((question): Record<string, unknown>[] => {
        switch (question.asks) {
          case 'money':
            return [1, 3, 7].map((n) => ({
              [question.id]: Math.round((question.least * (8 - n) + question.most * n) / 8) + n,
            }))
          case 'percent':
            return ['3.33', '5.17', '7.919'].map((percent) => ({ [question.id]: percent }))
          case 'choice':
            return question.options.map(({ name }) => ({ [question.id]: name }))
          case 'frequency':
            return question.options.map((frequency) => ({ [question.id]: frequency }))
          case 'yesNo':
            return [{ [question.id]: true }, { [question.id]: false }]
          case 'share':
            return [{ [question.id]: { percent: '33.33' } }]
          case 'term':
            return [{ [question.id]: { years: 7, months: 5 } }]
          case 'number':
            return [{ [question.id]: question.least + 1 }]
          case 'loans':
            return [1, 3].map((count) => ({ [question.id]: question.default?.slice(0, count) }))
          case 'date':
            return [{ [question.id]: '2027-03-31' }]
        }
      }),
    ]
    let worked = 0
    for (const answers of visitors) {
      const evaluation = evaluate(answers, { today, sheets })
      if (evaluation.readouts.length > 0) worked++
      expect({ answers, found: disagreements(evaluation) }).toEqual({ answers, found: [] })
      expect({ answers, found: almostAlike(evaluation, document) }).toEqual({ answers, found: [] })
      for (const readout of evaluation.readouts)
        if ('sentence' in readout) sentenceText(readout.sentence, figures, document.languages[0] ?? 'en-CA')
    }
    expect(worked).toBeGreaterThan(0)
  })
  test.each(shown)(
    '$name can be sent: nothing that stops it comes of any option or end of a range',
    ({ document, sheets }) => {
      const { program } = compile(document, sheets)
      const stopping = [...tryOut(document, program, { today, sheets })].filter(({ stops }) => stops)
      expect(stopping).toEqual([])
    },
  )
})
