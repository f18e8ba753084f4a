import ExcelJS from 'exceljs'
import fc from 'fast-check'
import JSZip from 'jszip'
import { expect, test } from 'vitest'
import { NoWorksheet, readWorksheet, reportOf } from '.'

type Cells = Readonly<Record<string, string | number>>
async function bookOf(cells: Cells): Promise<Uint8Array> {
  const workbook = new ExcelJS.Workbook()
  const sheet = workbook.addWorksheet('S')
  for (const [address, value] of Object.entries(cells))
    sheet.getCell(address).value =
      typeof value === 'string' && value.startsWith('=') ? { formula: value.slice(1) } : value
  return new Uint8Array(await workbook.xlsx.writeBuffer())
}
const read = async (cells: Cells) => reportOf(await readWorksheet(await bookOf(cells), 'Tried'))

/** A workbook with one of its parts written otherwise. */
async function withPart(name: string, content: string | Uint8Array): Promise<Uint8Array> {
  const zip = await JSZip.loadAsync(await bookOf({ A1: 1 }))
  zip.file(name, content)
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' })
}

test.each<[string, () => Promise<Uint8Array> | Uint8Array]>([
  ['nothing', () => new Uint8Array()],
  ['a text', () => new TextEncoder().encode('a,b\n1,2')],
  [
    'a zip of something else',
    async () => new JSZip().file('a.txt', 'x').generateAsync({ type: 'uint8array' }),
  ],
  [
    'what unpacks to much more than it is',
    () => withPart('xl/media/much.bin', new Uint8Array(80 * 1024 * 1024)),
  ],
  ['a part that is no XML', () => withPart('xl/worksheets/sheet1.xml', '<worksheet><sheetData>')],
])('%s is refused in words', async (_, bytes) => {
  await expect(readWorksheet(await bytes(), 'x')).rejects.toThrow(NoWorksheet)
})

test('a file that lies about what it unpacks to is refused for what it does', async () => {
  const bytes = Buffer.from(await withPart('xl/media/much.bin', new Uint8Array(80 * 1024 * 1024)))
  // Sizes of 80 MB in its headers become 10 bytes.
  const size = Buffer.alloc(4)
  size.writeUInt32LE(80 * 1024 * 1024)
  for (let at = bytes.indexOf(size); at >= 0; at = bytes.indexOf(size, at + 4)) bytes.writeUInt32LE(10, at)
  await expect(readWorksheet(new Uint8Array(bytes), 'x')).rejects.toThrow('unpacks to more than 64 MB')
})

test('words that stand for themselves many times over are not unfolded', async () => {
  const entities = Array.from({ length: 12 }, (_, i) => `<!ENTITY e${i + 1} "${`&e${i};`.repeat(10)}">`).join(
    '',
  )
  const xml = `<?xml version="1.0"?><!DOCTYPE x [<!ENTITY e0 "x">${entities}]><workbook><definedNames><definedName name="a">&e12;</definedName></definedNames></workbook>`
  await expect(readWorksheet(await withPart('xl/workbook.xml', xml), 'x')).rejects.toThrow(NoWorksheet)
})

test('a cell in the last row there is is read like any other', async () => {
  const { figures } = await read({ A1: 'Loan ($)', B1: 5_000, XFD1048576: '=B1*2' })
  expect(figures).toMatchObject([{ cell: 'S!XFD1048576', got: 10_000 }])
})

test('formulas that rest on each other, one after the other, are taken over as far as there is room', async () => {
  const chain = Object.fromEntries(
    Array.from({ length: 6_000 }, (_, i) => [`A${i + 2}`, `=A${i + 1}+${i % 7}`]),
  )
  const { figures, leftOut } = await read({ A1: 5, ...chain })
  expect(figures.length + leftOut.length).toBe(6_000)
})

test('a circle of many cells is one, and the rest is taken over', async () => {
  const circle = Object.fromEntries(
    Array.from({ length: 40 }, (_, i) => [`A${i + 1}`, `=A${((i + 1) % 40) + 1}*${i + 2}`]),
  )
  const { figures, leftOut } = await read({ ...circle, C1: 'Price ($)', D1: 100, D2: '=D1/4' })
  expect(leftOut).toHaveLength(40)
  expect(figures).toMatchObject([{ cell: 'S!D2', got: 25 }])
})

/** A formula, and what it comes to by the language's own arithmetic; B1 is 250, B2 is 1.5. */
interface Worked {
  readonly text: string
  readonly value: number
}
const { formula } = fc.letrec<{ formula: Worked }>((tie) => {
  const two = (join: (a: Worked, b: Worked) => Worked) =>
    fc.tuple(tie('formula'), tie('formula')).map(([a, b]) => join(a, b))
  return {
    formula: fc.oneof(
      { maxDepth: 4, depthIdentifier: 'formula' },
      fc.integer({ min: 0, max: 99 }).map((n) => ({ text: String(n), value: n })),
      fc.constantFrom(
        { text: '$B$1', value: 250 },
        { text: 'B2', value: 1.5 },
        { text: '12.5%', value: 0.125 },
      ),
      two((a, b) => ({ text: `(${a.text}+${b.text})`, value: a.value + b.value })),
      two((a, b) => ({ text: `(${a.text}-${b.text})`, value: a.value - b.value })),
      two((a, b) => ({ text: `${a.text}*${b.text}`, value: a.value * b.value })),
      two((a, b) => ({ text: `MAX(${a.text},${b.text})`, value: Math.max(a.value, b.value) })),
      two((a, b) => ({
        text: `IF(${a.text}>${b.text},${a.text},-(${b.text}))`,
        value: a.value > b.value ? a.value : -b.value,
      })),
      tie('formula').map(({ text, value }) => ({ text: `-(${text})`, value: -value })),
      tie('formula').map(({ text, value }) => ({ text: `ABS(${text})^2`, value: Math.abs(value) ** 2 })),
    ),
  }
})

test('whatever is written comes to what it comes to, or is left out', async () => {
  const cells = { A1: 'Price ($)', B1: 250, A2: 'Factor (%)', B2: 1.5 }
  await fc.assert(
    fc.asyncProperty(fc.array(formula, { minLength: 1, maxLength: 8 }), async (formulas) => {
      const own = Object.fromEntries(formulas.map(({ text }, i) => [`D${i + 1}`, `=${text}`]))
      const { figures, leftOut } = await read({ ...cells, ...own })
      expect(figures.length + leftOut.length).toBe(formulas.length)
      for (const { cell, got } of figures) {
        const wanted = formulas[Number(cell.replace('S!D', '')) - 1]?.value ?? NaN
        // Beyond what a calculator's numbers reach there is no figure.
        if (got === null) expect(Math.abs(wanted)).toBeGreaterThan(1e15)
        else
          expect([cell, Math.abs(Number(got) - wanted) <= 1e-9 * Math.max(1, Math.abs(wanted))]).toEqual([
            cell,
            true,
          ])
      }
    }),
    { numRuns: 60 },
  )
})
