import { describe, expect, test } from 'vitest'
import { starters } from '@vivid/core'
import { readProofs, writeProofs } from './proofs-csv'

const documentOf = (id: string) => {
  const starter = starters.find((one) => one.id === id)
  if (!starter) throw new Error(id)
  return starter.make()
}

test.each(starters.map(({ id }) => id))(
  'the proofs of %s, written as a table, read back as the same',
  (id) => {
    const document = documentOf(id)
    // Columns stand in the order formulas first occur, which may differ from one proof to the next.
    const plain = (proofs: typeof document.proofs) =>
      proofs.map(({ name, on, answers, expected }) => ({
        name,
        on,
        answers,
        expected: Object.fromEntries(expected.map((line) => [line.of, line])),
      }))
    const read = readProofs(writeProofs(document), { ...document, proofs: [] }, '2026-11-25')
    expect(read.ok && plain(read.proofs)).toEqual(plain(document.proofs))
  },
)

test('the figures of a list stand in one cell, and come back as a list', () => {
  const document = documentOf('mortgage-payment')
  const proofs = [
    {
      id: 'rows',
      name: 'rows',
      answers: {},
      on: '2026-11-25',
      expected: [
        { of: 'for k in 1..3 return k / 2', figure: ['0.5', '1', '1.5'], tolerance: '0.01' },
        { of: 'the loan.payment', figure: '1968.47', tolerance: '0' },
      ],
    },
  ]
  const read = readProofs(writeProofs({ ...document, proofs }), { ...document, proofs: [] }, '2026-11-25')
  expect(read.ok && read.proofs).toEqual(proofs)
})

describe('a table as a spreadsheet gives it', () => {
  const document = { ...documentOf('mortgage-payment'), proofs: [] }
  const read = (text: string) => readProofs(text, document, '2026-11-25')

  test('with a mark at its start, windows line ends, grouped amounts and empty cells', () => {
    const table =
      '\ufeffproof,home price,down payment,term,payment frequency,= the loan.payment,± the loan.payment\r\nA,"$412,600",15%,25 years,biweekly,"$907.59",0.01\r\nB,,,,,1968.47,\r\n\r\n'
    const answers = {
      homePrice: 412_600_00,
      downPayment: { percent: '15' },
      term: { years: 25, months: 0 },
      frequency: 'biweekly',
    }
    const line = { of: 'the loan.payment', figure: '907.59', tolerance: '0.01' }
    expect(read(table)).toMatchObject({
      ok: true,
      proofs: [
        { id: 'a', name: 'A', on: '2026-11-25', answers, expected: [line] },
        {
          id: 'b',
          name: 'B',
          on: '2026-11-25',
          answers: {},
          expected: [{ ...line, figure: '1968.47', tolerance: '0' }],
        },
      ],
    })
  })

  test.each<[string, string, number, string]>([
    ['no name column', 'home price,= the loan.payment\n1,2', 1, 'proof'],
    ['no expected figure', 'proof,home price\nA,1', 1, '='],
    ['an unknown question', 'proof,colour,= the loan.payment\nA,red,1', 1, 'colour'],
    ['nothing below', 'proof,= the loan.payment', 2, 'proof'],
    ['an unreadable answer', 'proof,home price,= the loan.payment\nA,lots,1', 2, 'home price'],
    ['a day that is none', 'proof,day,= the loan.payment\nA,tomorrow,1', 2, 'day'],
    ['a proof without a name', 'proof,= the loan.payment\n ,1', 2, 'proof'],
    [
      'a tolerance that is none',
      'proof,= the loan.payment,± the loan.payment\nA,1,-1',
      2,
      '± the loan.payment',
    ],
  ])('%s is told by row and column', (_, table, row, column) => {
    const result = read(table)
    expect(result.ok ? [] : result.faults).toContainEqual(expect.objectContaining({ row, column }))
  })

  test.each<[string, string]>([
    ['semicolons and a decimal comma', 'proof;home price;rate;= the loan.payment\nA;412600,50;4,64;1.850,25'],
    [
      'tabs from a spreadsheet',
      'proof\thome price\trate\t= the loan.payment\nA\t412.600,50\t4,64 %\t1850,25',
    ],
    ['quotation marks', 'proof,home price,rate,= the loan.payment\nA,"412,600.50",4.64,"1,850.25"'],
    ['columns in another order', '= the loan.payment,rate,proof,home price\n1850.25,4.64,A,412600.50'],
  ])('%s', (_, text) => {
    expect(read(text)).toMatchObject({
      ok: true,
      proofs: [
        {
          name: 'A',
          answers: { homePrice: 412_600_50, rate: '4.64' },
          expected: [{ of: 'the loan.payment', figure: '1850.25' }],
        },
      ],
    })
  })

  test('a line that its commas take apart is refused, and never shifted', () => {
    const shifted = read('proof,home price,= the loan.payment\nC,412,600,1,850.00')
    expect(shifted).toMatchObject({ ok: false, faults: [{ row: 2 }] })
    expect(shifted.ok ? '' : shifted.faults[0]?.what).toContain('5 cells where the heading has 3')
  })

  test('a figure with two readings is refused with both, and read as it is said', () => {
    const text = 'proof;= the loan.payment\nA;1,850'
    expect(read(text)).toMatchObject({
      ok: false,
      isAmbiguous: true,
      faults: [{ row: 2, column: '= the loan.payment', what: '“1,850” can be 1.85 or 1850' }],
    })
    const said = readProofs(text, document, '2026-11-25', '.')
    expect(said.ok && said.proofs[0]?.expected[0]?.figure).toBe('1850')
  })
})
