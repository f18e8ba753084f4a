import type { RateSheet } from '@vivid/core'
import type { RateSheetsStore } from '../authoring/rate-sheets/rate-sheets-store'

export type SheetsStored = Pick<RateSheetsStore, 'inForce'>

/** The rate sheets in force, by id. */
export function createLiveSheets(stored: SheetsStored) {
  const sheets = new Map<string, RateSheet>()
  return {
    /** Those of these ids; one that is not there is left out. */
    of: (ids: readonly string[]): RateSheet[] => ids.flatMap((id) => sheets.get(id) ?? []),
    async refresh(id?: string): Promise<void> {
      for (const sheet of await stored.inForce(id)) sheets.set(sheet.id, sheet)
    },
  }
}
