import { figuresOf, readWorksheet, reportOf } from '..'
import { bookOf, scheduleCells, type MadeCells, type ScheduleMade } from './books'

/** A sheet "S" with these cells, read. */
export const draftOf = async (cells: MadeCells) => readWorksheet(await bookOf(cells), 'Tried')

/** What a draft of these cells has for one of them. */
export const gotOf = async (cells: MadeCells, address: string) =>
  figuresOf(await draftOf(cells)).find(({ cell }) => cell === `S!${address}`)?.got

/** Why a draft of these cells leaves one of them out. */
export const whyOf = async (cells: MadeCells, address: string) =>
  reportOf(await draftOf(cells)).leftOut.find(({ cell }) => cell === `S!${address}`)?.why

/** A schedule with nothing special about it. */
export const plain: ScheduleMade = { principal: 150_000, rate: 0.06, years: 5, perYear: 12 }

export async function draftOfSchedule(made: ScheduleMade, way: 'worksheet' | 'ledger' = 'worksheet') {
  const { cells, formats } = scheduleCells(made)
  return readWorksheet(await bookOf(cells, formats), 'Schedule', way)
}

/** The figures that a draft has otherwise than its worksheet. */
export const differing = ({ figures }: ReturnType<typeof reportOf>) => figures.filter(({ agrees }) => !agrees)
