import type { Sequelize, Transaction } from 'sequelize'
import type { Person, SaveSheet, SheetListed } from '@vivid/contract'
import { sheetFaults, textIn, type RateSheet } from '@vivid/core'
import type { CalculatorsStore } from '../calculators/calculators-store'
import { AppError } from '../http/app-error'
import { sheetEntry } from '../record/entries'
import type { RecordStore } from '../record/record-store'
import type { RateSheetsStore } from './rate-sheets-store'

export interface RateSheetsDeps {
  readonly database: Sequelize
  readonly sheets: RateSheetsStore
  readonly record: RecordStore
  readonly calculators: CalculatorsStore
  /** Tells every server process, once the transaction is through, that a sheet changed. */
  readonly announce: (sheetId: string, transaction: Transaction) => Promise<void>
}

export type RateSheetsService = ReturnType<typeof createRateSheetsService>

/** Keeping rate sheets: what calculators look up changes with them, from the day a version takes effect. */
export function createRateSheetsService({ database, sheets, record, calculators, announce }: RateSheetsDeps) {
  async function listed(): Promise<SheetListed[]> {
    const all = await calculators.all()
    const usersOf = (id: string) =>
      all
        .filter(({ draft }) => draft.steps.some((step) => step.kind === 'lookUp' && step.sheet === id))
        .map(({ draft }) => textIn(draft.title, draft.languages[0] ?? '', draft.languages[0] ?? ''))
    return (await sheets.all()).map(({ sheet, revision }) => ({ sheet, revision, usedBy: usersOf(sheet.id) }))
  }

  return {
    listed,
    async save({ revision, sheet }: SaveSheet, person: Person): Promise<SheetListed> {
      refuseFaulty(sheet)
      await database.transaction(async (transaction) => {
        const saved =
          revision === 0
            ? await sheets.add(sheet, person.id, transaction)
            : await sheets.save(sheet, revision, person.id, transaction)
        if (!saved) await refuseUnsaved(sheet.id, revision)
        const act = revision === 0 ? 'sheetAdded' : 'sheetChanged'
        await record.append(sheetEntry(act, sheet, person), transaction)
        await announce(sheet.id, transaction)
      })
      const now = (await listed()).find((one) => one.sheet.id === sheet.id)
      if (!now) throw new AppError('SHEET_UNKNOWN', { details: { sheet: sheet.id } })
      return now
    },
  }

  async function refuseUnsaved(id: string, revision: number): Promise<never> {
    if (revision === 0) throw new AppError('SHEET_TAKEN', { details: { sheet: id } })
    const current = (await listed()).find((one) => one.sheet.id === id)
    if (!current) throw new AppError('SHEET_UNKNOWN', { details: { sheet: id } })
    throw new AppError('REVISION_STALE', { body: { current } })
  }
}

const faultWords = {
  KEY_UNREADABLE: 'is no number',
  KEYS_TWICE: 'is there twice',
  KEYS_MISSING: 'is missing',
  VERSION_TWICE: 'a version begins on this day already',
} as const

/** Refuses a sheet with rows that cannot be found again, naming the row and column, counted as people count. */
export function refuseFaulty(sheet: RateSheet): void {
  const [fault] = sheetFaults(sheet)
  if (!fault) return
  const column = sheet.keys[fault.column]?.name ?? 'the key'
  const from = sheet.versions[fault.version]?.from ?? ''
  const where = fault.row < 0 ? `version ${from}` : `version ${from}, row ${fault.row + 1}, ${column}`
  throw new AppError('SHEET_INVALID', {
    field: `versions.${fault.version}.rows.${fault.row}`,
    details: { what: `${where}: ${faultWords[fault.code]}.` },
  })
}
