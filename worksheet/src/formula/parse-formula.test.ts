import fc from 'fast-check'
import { expect, test } from 'vitest'
import { NotTaken, type Formula } from './formula'
import { parseFormula } from './parse-formula'

/** The tree with all brackets. */
function written(of: Formula): string {
  switch (of.is) {
    case 'number':
    case 'text':
    case 'fault':
      return of.text
    case 'yesNo':
      return String(of.yes)
    case 'nothing':
      return '·'
    case 'cell':
      return `${of.sheet}!${of.row}/${of.column}`
    case 'range':
      return `${of.sheet}!${of.from.row}/${of.from.column}:${of.to.row}/${of.to.column}`
    case 'list':
      return `{${of.rows.map((row) => row.map(written).join('.')).join('|')}}`
    case 'name':
      return of.name
    case 'call':
      return `${of.function}(${of.args.map(written).join(';')})`
    case 'minus':
      return `-(${written(of.of)})`
    case 'percent':
      return `(${written(of.of)})%`
    case 'binary':
      return `(${written(of.a)}${of.how}${written(of.b)})`
  }
}

test.each([
  ['1+2*3', '(1+(2*3))'],
  ['MATCH(B1,{"a","b"},0)', 'MATCH(S!1/2;{a.b};0)'],
  ['{-1,2.5;TRUE,"x;y"}', '{-(1).2.5|true.x;y}'],
  ['{ 7 }', '{7}'],
  ['-2^2', '(-(2)^2)'],
  ['2^3^2', '((2^3)^2)'],
  ['1-2-3', '((1-2)-3)'],
  ['(1+C5/1200)^-D5', '((1+(S!5/3/1200))^-(S!5/4))'],
  ['10%*B3', '((10)%*S!3/2)'],
  ['B6&" payment"', '(S!6/2& payment)'],
  ['A1<=80%', '(S!1/1<=(80)%)'],
  ['1+2&"x"="3x"', '(((1+2)&x)=3x)'],
  ["'My sheet'!$A$1:B2", 'My sheet!1/1:2/2'],
  ["'It''s'!A1", "It's!1/1"],
  ['SUM(B2:A1)', 'SUM(S!1/1:2/2)'],
  ['SUM(D:$B)', 'SUM(S!1/2:1048576/4)'],
  ["SUM('My sheet'!A:A)", 'SUM(My sheet!1/1:1048576/1)'],
  ['IF(A7>$D$3,0,)', 'IF((S!7/1>S!3/4);0;·)'],
  ['PI()', 'PI()'],
  ['LOG10(2)', 'LOG10(2)'],
  ['1.5e-3', '0.0015'],
  ['.5E2', '50'],
  ['"a ""b"""', 'a "b"'],
  ['TRUE', 'true'],
  ['#N/A', '#N/A'],
  ['Price-OwnMoney', '(price-ownmoney)'],
  ['_xlfn.RRI(96,1,2)', 'RRI(96;1;2)'],
  ['_xlfn._xlws.SORT(A1:A2)', 'SORT(S!1/1:2/1)'],
  ['_xlfn.LET(_xlpm.i,B5/12,_xlpm.n,B3*12,_xlpm.i*_xlpm.n)', '((S!5/2/12)*(S!3/2*12))'],
  ['LET(a,1,b,LET(a,a+1,a*2),a+b)', '(1+((1+1)*2))'],
])('%s is %s', (text, tree) => expect(written(parseFormula(text, 'S'))).toBe(tree))

test.each([
  '',
  '1+',
  'A1 B2',
  '{1,2',
  '{}',
  '{1;A1}',
  '{{1}}',
  '[Other.xlsx]S!A1',
  'IF(1',
  '1e999',
  'LET(a,1)',
  'LET(a,1,b,2)',
  'LET(A1,1,A1)',
  `LET(n_0,1,${Array.from({ length: 40 }, (_, i) => `n_${i + 1},n_${i}+n_${i}`).join()},n_40)`,
  `${'('.repeat(20_000)}1`,
  `${'('.repeat(300)}1${')'.repeat(300)}`,
])('what cannot be read is said: %#', (text) => expect(() => parseFormula(text, 'S')).toThrow(NotTaken))

test('whatever is written is read, or said', () => {
  const piece = fc.constantFrom(
    'A1',
    '$B$2',
    '1',
    '.',
    '"',
    '""',
    '(',
    ')',
    ',',
    ':',
    '!',
    "'",
    '%',
    '^',
    '-',
    'SUM(',
    '_xlfn.',
    'LET(a,',
    'a',
    'é',
    '#REF!',
    ' ',
    '{',
    ';',
  )
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 40 }), (pieces) => {
      try {
        parseFormula(pieces.join(''), 'S')
      } catch (error) {
        expect(error).toBeInstanceOf(NotTaken)
      }
    }),
    { numRuns: 2_000 },
  )
})
