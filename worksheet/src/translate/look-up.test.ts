import { expect, test } from 'vitest'
import { figuresOf, readWorksheet, reportOf } from '..'
import { bookOf } from '../testing/books'

/** Keys 1, 2, 7 in D; 10, 20, 30 in E; 100, 200, 300 in F; and keys 7, 1, 2, 1 with 30, 10, 20, 40 beside them in G and H. */
const table = {
  ...{ D1: 1, D2: 2, D3: 7, E1: 10, E2: 20, E3: 30, F1: 100, F2: 200, F3: 300 },
  ...{ G1: 7, G2: 1, G3: 2, G4: 1, H1: 30, H2: 10, H3: 20, H4: 40 },
}

/** What a formula comes to where B1 is 1, 2, 7, 3 and 20. */
async function isWorkedOut(formula: string, figures: readonly number[]): Promise<void> {
  const cells = { A1: 'Key', B1: 1, ...table, A5: 'Found', B5: { formula, result: figures[0] ?? 0 } }
  const draft = await readWorksheet(await bookOf(cells), 'Found')
  expect([1, 2, 7, 3, 20].map((key) => figuresOf(draft, { 'S!B1': key })[0]?.got)).toEqual(figures)
}

test.each<[formula: string, figures: readonly number[]]>([
  ['IFERROR(MATCH(B1,D1:D3,0),2)', [1, 2, 3, 2, 2]],
  ['IFERROR(VLOOKUP(B1,D1:E3,2,FALSE),2)', [10, 20, 30, 2, 2]],
  ['IFERROR(INDEX(E1:E3,MATCH(B1,D1:D3,0)),2)', [10, 20, 30, 2, 2]],
  ['IFERROR(INDEX(E1:E3,MATCH(B1,D1:D3,0),1),2)', [10, 20, 30, 2, 2]],
  ['IFERROR(INDEX(D1:F3,MATCH(B1,D1:D3,0),MATCH(B1+9,D1:F1,0)),2)', [10, 2, 2, 2, 2]],
  ['IFERROR(VLOOKUP(MATCH(B1,D1:D3,0),D1:E3,2,FALSE),2)', [10, 20, 2, 2, 2]],
  ['IFERROR(VLOOKUP(VLOOKUP(B1,D1:E3,2,FALSE),E1:F3,2,FALSE),30)', [100, 200, 300, 30, 30]],
  ['IFERROR(VLOOKUP(VLOOKUP(B1,D1:E3,2,FALSE),E1:F3,2,TRUE),30)', [100, 200, 300, 30, 30]],
])('%s is what it is without an error, and else what it says', isWorkedOut)

test.each<[formula: string, figures: readonly number[]]>([
  ['_xlfn.XLOOKUP(B1,G1:G4,H1:H4,5)', [10, 20, 30, 5, 5]],
  ['_xlfn.XLOOKUP(B1,G1:G4,H1:H4,,-1)', [10, 20, 30, 20, 30]],
  ['_xlfn.XLOOKUP(B1,G1:G4,H1:H4,99,1)', [10, 20, 30, 30, 99]],
  ['IFERROR(_xlfn.XLOOKUP(B1,D1:D3,F1:F3),2)', [100, 200, 300, 2, 2]],
  ['_xlfn.XMATCH(B1,G1:G4,-1)', [2, 3, 1, 3, 1]],
  ['_xlfn.IFNA(INDEX(H1:H4,_xlfn.XMATCH(B1,G1:G4)),2)', [10, 20, 30, 2, 2]],
  ['_xlfn.IFS(B1>5,1,TRUE,2)', [2, 2, 1, 2, 1]],
  ['_xlfn.LET(_xlpm.a,B1*2,_xlpm.b,_xlpm.a+1,_xlpm.a*_xlpm.b)', [6, 20, 210, 42, 1640]],
])('%s is read as what is older', isWorkedOut)

test.each([
  ['_xlfn.XLOOKUP(B1,D1:D3,E1:F3)', 'it gives several figures at once'],
  [
    '_xlfn.XLOOKUP(B1,D1:D3,E1:E3,,0,-1)',
    'it looks through its list in another order than from the first to the last',
  ],
  ['_xlfn.XLOOKUP(B1,D1:D3)', 'an argument is missing'],
  ['_xlfn.FILTER(D1:D3,D1:D3>1)', 'FILTER has no meaning here'],
])('%s is left out: %s', async (formula, why) => {
  const cells = { A1: 'Key', B1: 1, ...table, A5: 'Found', B5: { formula, result: 10 } }
  const { leftOut } = reportOf(await readWorksheet(await bookOf(cells), 'Found'))
  expect(leftOut.map((one) => one.why)).toEqual([why])
})

test('an error within what is looked for is not hidden by a guess', async () => {
  const formula = 'IFERROR(VLOOKUP(MATCH(B1,D1:D3,0)+1,D1:E3,2,FALSE),2)'
  const cells = { A1: 'Key', B1: 1, ...table, A5: 'Found', B5: { formula, result: 20 } }
  const { leftOut } = reportOf(await readWorksheet(await bookOf(cells), 'Found'))
  expect(leftOut.map(({ why }) => why)).toEqual(['it hides an error within what it looks for'])
})
