import type { Workbook, Worksheet } from 'exceljs'

/** The formats of a worksheet's figures. */
export const formats = {
  percent: '0.00##%',
  count: '0',
  number: 'General',
  date: 'yyyy-mm-dd',
} as const

/** A cell as it is put into a file: a formula with its value, or a value. */
export interface PutCell {
  readonly formula?: string | undefined
  readonly value: number | string | boolean
  readonly format?: string | undefined
}

export function put(sheet: Worksheet, address: string, { formula, value, format }: PutCell): void {
  const cell = sheet.getCell(address)
  cell.value = formula === undefined ? value : { formula, result: value }
  if (format) cell.numFmt = format
}

/** A sheet of a name that a workbook can have, once. */
export function addSheet(workbook: Workbook, wanted: string): Worksheet {
  const plain =
    wanted
      .replace(/[\\/*?:[\]']/g, ' ')
      .trim()
      .slice(0, 28) || 'Sheet'
  const isTaken = (name: string) =>
    workbook.worksheets.some((one) => one.name.toLowerCase() === name.toLowerCase())
  let name = plain
  for (let n = 2; isTaken(name); n++) name = `${plain} ${n}`
  return workbook.addWorksheet(name)
}

/** A cell on another sheet, as formulas name it. */
export const onSheet = (sheet: string, address: string): string => `'${sheet}'!${address}`
