import type { Sequelize } from 'sequelize'
import { createAudienceService } from './audience/audience-service'
import { createAudienceStore } from './audience/audience-store'
import type { Tally } from './audience/counter'
import type { TellBroken } from './broken-steps'
import { createCalculatorsService } from './calculators/calculators-service'
import { createCalculatorsStore } from './calculators/calculators-store'
import { createKeysService } from './channels/keys-service'
import { createKeysStore } from './channels/keys-store'
import type { Reader } from './database/reader'
import { createEditionsService } from './editions/editions-service'
import { createEditionsStore } from './editions/editions-store'
import { createHouseStylesService } from './house-styles/house-styles-service'
import { createHouseStylesStore } from './house-styles/house-styles-store'
import { createPeopleService } from './people/people-service'
import { createPeopleStore } from './people/people-store'
import { createSessionsStore } from './people/sessions-store'
import { createPlacementsService } from './placements/placements-service'
import { createPlacementsStore } from './placements/placements-store'
import { announceChange, announceKeys, announcePlacements, announceSheet } from './public/live-calculators'
import { createRateSheetsService } from './rate-sheets/rate-sheets-service'
import { createRateSheetsStore } from './rate-sheets/rate-sheets-store'
import { createRecordStore } from './record/record-store'

export interface ServicesDeps {
  readonly database: Sequelize
  /** Where long reads may go: a replica, if there is one. */
  readonly reader: Reader
  readonly tellBroken: TellBroken
  readonly now: () => Date
  readonly lender: string
}

export type Services = ReturnType<typeof createServices>

/** Everything the server keeps, and the rules for it, on one database. */
export function createServices({ database, reader, tellBroken, now, lender }: ServicesDeps) {
  const people = createPeopleStore(database)
  const sessions = createSessionsStore(database)
  const calculators = createCalculatorsStore(database)
  const editions = createEditionsStore(database)
  const sheets = createRateSheetsStore(database)
  const styles = createHouseStylesStore(database)
  const placements = createPlacementsStore(database)
  const keys = createKeysStore(database)
  const record = createRecordStore(database, now)
  const audience = createAudienceStore(database)

  const calculatorsService = createCalculatorsService({
    database,
    calculators,
    editions,
    sheets,
    styles,
    record,
    people,
    tellBroken,
    now,
    lender,
  })
  return {
    stores: { people, sessions, calculators, editions, sheets, styles, placements, keys, record, audience },
    calculators: calculatorsService,
    editions: createEditionsService({
      database,
      calculators,
      service: calculatorsService,
      editions,
      sheets,
      styles,
      people,
      record,
      announce: announceChange(database),
      now,
    }),
    rateSheets: createRateSheetsService({
      database,
      sheets,
      record,
      calculators,
      editions,
      people,
      now,
      announce: announceSheet(database),
    }),
    styles: createHouseStylesService({ database, styles, calculators, people, record }),
    placements: createPlacementsService({
      database,
      placements,
      calculators,
      editions,
      sheets,
      record,
      now,
      announce: announcePlacements(database),
    }),
    people: createPeopleService({ database, people, sessions, record, now }),
    keys: createKeysService({ database, keys, people, record, announce: announceKeys(database) }),
    /** Reports and the record are read where it disturbs nobody, and may be a moment old. */
    audience: createAudienceService(
      {
        counts: (query) => reader.read((from) => createAudienceStore(from).counts(query)),
        bands: (query) => reader.read((from) => createAudienceStore(from).bands(query)),
      },
      calculators,
      placements,
    ),
    record: {
      page: (query: Parameters<typeof record.page>[0]) =>
        reader.read((from) => createRecordStore(from).page(query)),
      all: (query: Parameters<typeof record.all>[0]) =>
        reader.read((from) => createRecordStore(from).all(query)),
      verify: () => reader.read((from) => createRecordStore(from).verify()),
    },
    /** Keeps what pages counted. */
    keepTally: async (tally: Tally): Promise<void> => {
      // First what may be kept twice without harm: counts must not be added again where something fails.
      await placements.keepSightings(tally.sightings)
      for (const { id, at } of tally.keys) await keys.used(id, at)
      await audience.keep(tally)
    },
  }
}
