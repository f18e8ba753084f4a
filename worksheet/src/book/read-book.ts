import ExcelJS from 'exceljs'
import JSZip from 'jszip'
import { SaxesParser } from 'saxes'
import { daysOf } from './days'
import {
  addressOf,
  placeOf,
  type Book,
  type Cell,
  type CellValue,
  type Sheet,
  type TableOnSheet,
} from './book'

/** The most a file may unpack to, and the most cells it may have: what people work with has a hundredth of it. */
const MOST_BYTES = 64 * 1024 * 1024
const MOST_PARTS = 2_000
const MOST_CELLS = 120_000
const WORKBOOK = 'xl/workbook.xml'

/** A file that cannot be read, said in a line. */
export class NoWorksheet extends Error {}

/**
 * Reads a workbook (.xlsx, ISO/IEC 29500). Nothing in it is run or fetched. Refuses, as `NoWorksheet`, what is none, and what
 * would take too much to read.
 */
export async function readBook(bytes: Uint8Array): Promise<Book> {
  const zip = await opened(bytes)
  try {
    const workbook = new ExcelJS.Workbook()
    // Copied: the package wants a buffer of its own.
    await workbook.xlsx.load(bytes.slice().buffer as ArrayBuffer)
    const sheets = workbook.worksheets.map((worksheet) => sheetOf(worksheet))
    const count = sheets.reduce((sum, { cells }) => sum + cells.size, 0)
    if (count > MOST_CELLS)
      throw new NoWorksheet(`This worksheet has more than ${MOST_CELLS.toLocaleString('en')} cells.`)
    const tables = new Map(workbook.worksheets.flatMap(tablesOf).map((one) => [one.name.toLowerCase(), one]))
    const names = namesIn((await zip.file(WORKBOOK)?.async('string')) ?? '')
    return { sheets, tables, names }
  } catch (error) {
    if (error instanceof NoWorksheet) throw error
    throw new NoWorksheet('This file cannot be read as a worksheet (.xlsx).')
  }
}

function sheetOf(worksheet: ExcelJS.Worksheet): Sheet {
  const cells = new Map<string, Cell>()
  worksheet.eachRow((row) =>
    row.eachCell((cell) => {
      const read = readCell(cell, worksheet.name)
      if (read) cells.set(read.address, read)
    }),
  )
  return { name: worksheet.name, cells }
}

/** What the package has read of a table, which its types do not say. */
interface TableRead {
  readonly name: string
  readonly tableRef: string
  readonly headerRow?: boolean
  readonly totalsRow?: boolean
  readonly columns?: readonly { readonly name: string }[]
}

function tablesOf(worksheet: ExcelJS.Worksheet): TableOnSheet[] {
  const read = worksheet.getTables() as unknown as readonly { readonly table?: TableRead }[]
  return read.flatMap(({ table }) => {
    const [from, to] = (table?.tableRef ?? '').split(':').map(placeOf)
    if (!table || !from || !to) return []
    return {
      name: table.name,
      sheet: worksheet.name,
      from,
      to,
      columns: (table.columns ?? []).map(({ name }) => name),
      hasHeader: table.headerRow !== false,
      hasTotals: table.totalsRow === true,
    }
  })
}

/** A file taken apart as far as its list of parts; refused where they unpack to more than is read, whatever it says of them. */
async function opened(bytes: Uint8Array): Promise<JSZip> {
  let zip: JSZip
  try {
    zip = await JSZip.loadAsync(bytes)
  } catch {
    throw new NoWorksheet('This file is no worksheet (.xlsx).')
  }
  const parts = Object.values(zip.files)
  if (!parts.some(({ name }) => name === WORKBOOK))
    throw new NoWorksheet('This file is no worksheet (.xlsx).')
  let left = MOST_BYTES
  for (const part of parts.slice(0, MOST_PARTS))
    left -= await unpackedSize(part as unknown as Unpacking, left)
  if (left < 0 || parts.length > MOST_PARTS)
    throw new NoWorksheet(
      `This worksheet unpacks to more than ${MOST_BYTES / 1024 / 1024} MB, which is more than is read.`,
    )
  return zip
}

/** How much a part unpacks to, counted while it does and not kept; ends once that is more than `most`. */
const unpackedSize = (part: Unpacking, most: number): Promise<number> =>
  new Promise((resolve) => {
    let size = 0
    const stream = part.internalStream('uint8array')
    stream
      .on('data', (chunk) => {
        size += chunk.length
        if (size <= most) return
        stream.pause()
        resolve(size)
      })
      // What is broken in it is found by whoever reads it.
      .on('error', () => resolve(size))
      .on('end', () => resolve(size))
      .resume()
  })

/** The part of the package's own interface that its types leave out. */
interface Unpacking {
  internalStream(type: 'uint8array'): JSZip.JSZipStreamHelper<Uint8Array>
}

function readCell(cell: ExcelJS.Cell, sheet: string): Cell | undefined {
  // Only the first cell of merged ones has anything.
  if (cell.isMerged && cell.master !== cell) return undefined
  const { formula } = cell
  const value = valueOf(formula ? cell.result : cell.value)
  if (!formula && value === undefined) return undefined
  const { row, col } = cell.fullAddress
  return {
    sheet,
    address: addressOf(row, col),
    row,
    column: col,
    ...(formula && { formula }),
    value,
    format: String(cell.numFmt ?? 'General'),
    ...ruleOf(cell),
  }
}

function valueOf(value: unknown): CellValue | undefined {
  if (typeof value === 'number' || typeof value === 'string' || typeof value === 'boolean') return value
  if (value instanceof Date) return daysOf(value)
  if (typeof value !== 'object' || value === null) return undefined
  if ('error' in value) return { error: String(value.error) }
  if ('richText' in value && Array.isArray(value.richText))
    return value.richText.map((part: { text?: unknown }) => String(part.text ?? '')).join('')
  if ('text' in value) return valueOf(value.text)
  return 'result' in value ? valueOf(value.result) : undefined
}

function ruleOf({ dataValidation }: ExcelJS.Cell): Pick<Cell, 'choices' | 'least' | 'most'> {
  const rule = dataValidation as ExcelJS.DataValidation | undefined
  const [first, second] = (rule?.formulae ?? []) as readonly unknown[]
  if (rule?.type === 'list' && typeof first === 'string') return { choices: first }
  const isNumber = rule?.type === 'whole' || rule?.type === 'decimal'
  const operator = rule && 'operator' in rule ? (rule.operator ?? 'between') : 'between'
  const bound = (value: unknown, key: 'least' | 'most') =>
    typeof value === 'number' || (typeof value === 'string' && /^-?\d+(\.\d+)?$/.test(value))
      ? { [key]: Number(value) }
      : {}
  if (!isNumber) return {}
  if (operator === 'between') return { ...bound(first, 'least'), ...bound(second, 'most') }
  if (operator === 'greaterThanOrEqual') return bound(first, 'least')
  return operator === 'lessThanOrEqual' ? bound(first, 'most') : {}
}

/** Names, in small letters, and what stands behind them: "Loan!$D$5", or a figure. Those a program keeps for itself are none. */
function namesIn(workbookXml: string): Map<string, string> {
  const names = new Map<string, string>()
  const parser = new SaxesParser()
  let name: string | undefined
  let text = ''
  parser.on('opentag', ({ name: tag, attributes }) => {
    const isNamed = tag.replace(/^.*:/, '') === 'definedName'
    name = isNamed ? String(attributes.name ?? '') : undefined
    text = ''
  })
  parser.on('text', (part) => (text += part))
  parser.on('closetag', ({ name: tag }) => {
    if (name && tag.replace(/^.*:/, '') === 'definedName' && !name.startsWith('_xlnm.'))
      names.set(name.toLowerCase(), text.trim())
    name = undefined
  })
  parser.write(workbookXml).close()
  return names
}
