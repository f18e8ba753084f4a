import fc from 'fast-check'
import { expect, test } from 'vitest'
import { CalculatorDocument, compile, isGentle } from '@vivid/core'
import { readBook } from './book/read-book'
import { readingOf } from './draft/reading'
import { bookOf, type MadeCell } from './testing/books'
import { readWorksheet, reportOf } from '.'

const cell = fc
  .tuple(fc.constantFrom('A', 'B', 'C', 'D'), fc.integer({ min: 1, max: 30 }))
  .map(([column, row]) => `${column}${row}`)
const figure = fc.constantFrom(
  ...['12', '0.05', '1200', '360', '7', '2', '0', '-3', '100000', '1.5', '1E15', '-9E16', '1E30', '1E-13'],
)
const four = fc.constantFrom('PMT', 'PV', 'NPER', 'FV', 'IPMT', 'PPMT')
const three = fc.constantFrom(
  ...['IF', 'IFERROR', 'MAX', 'MIN', 'ROUND', 'VLOOKUP', 'EDATE', 'SUMPRODUCT', 'LOG', 'CUMIPMT'],
)
const { formula } = fc.letrec<{ formula: string }>((tie) => {
  const part = tie('formula')
  return {
    formula: fc.oneof(
      { depthSize: 'small' },
      fc.oneof(cell, figure),
      fc.tuple(part, fc.constantFrom('+', '-', '*', '/', '^'), part).map((all) => `(${all.join('')})`),
      fc.tuple(four, part, part, part, part).map(([name, ...args]) => `${name}(${args.join(',')})`),
      fc.tuple(three, part, part, part).map(([name, ...args]) => `${name}(${args.join(',')})`),
      fc.tuple(cell, cell).map(([from, to]) => `SUM(${from}:${to})`),
    ),
  }
})
const typed = fc.constantFrom<MadeCell>(200_000, 0.05, 25, 12, 300, 'Rate', 'Years', 'Loan ($)', true)
const sheet = fc.dictionary(
  cell,
  fc.oneof(
    typed,
    formula.map((text) => ({ formula: text, result: 1 })),
  ),
  {
    minKeys: 5,
    maxKeys: 40,
  },
)
/** Rows that carry on from each other, over whatever stands beside them. */
const rows = Object.fromEntries(
  Array.from({ length: 20 }, (_, i) => [`E${i + 5}`, { formula: `E${i + 4}+C${i + 5}*D$2`, result: i }]),
)

/** A figure that the file has wrong by more than a proof has digits for. */
const FAR_APART = { A1: { formula: '360^7', result: 1 }, A2: { formula: 'A1+12', result: 1 } }

test('whatever stands in a worksheet, each formula is taken over or left out, and the draft has no fault', async () => {
  await fc.assert(
    fc.asyncProperty(
      sheet,
      fc.boolean(),
      fc.constantFrom('worksheet' as const, 'ledger' as const),
      async (cells, hasRows, way) => {
        const all: Record<string, MadeCell> = { ...cells, ...(hasRows ? rows : {}) }
        const bytes = await bookOf(all)
        const draft = await readWorksheet(bytes, 'Whatever', way)
        const { figures, leftOut } = reportOf(draft)
        const formulas = Object.entries(all).flatMap(([at, one]) =>
          typeof one === 'object' ? [`S!${at}`] : [],
        )
        expect([...figures, ...leftOut].map((one) => one.cell).sort()).toEqual(formulas.sort())
        expect(CalculatorDocument.safeParse(draft.document).error).toBeUndefined()
        const faults = compile(draft.document, draft.sheets).problems.filter(
          (problem) => !isGentle(problem) && !['NO_QUESTION', 'NO_READOUT'].includes(problem.code),
        )
        expect(faults).toEqual([])
        expect(readingOf(await readBook(bytes), 'Whatever').sheets).toHaveLength(1)
      },
    ),
    { numRuns: 60, examples: [[FAR_APART, false, 'ledger']] },
  )
})
