import type { Sequelize } from 'sequelize'
import { createAudienceService } from './audience/audience-service'
import { createAudienceStore } from './audience/audience-store'
import type { Tally } from './audience/counter'
import { createCalculatorsService } from './calculators/calculators-service'
import { createCalculatorsStore } from './calculators/calculators-store'
import { createCardMeters } from './calculators/card-meters'
import { createKeysService } from './channels/keys-service'
import { createKeysStore } from './channels/keys-store'
import type { Logger } from 'pino'
import type { Reader } from './database/reader'
import type { Seal } from './database/seal'
import { isRowsFault, keepEach } from './database/rows-fault'
import { createEditionsService } from './editions/editions-service'
import { createEditionsStore } from './editions/editions-store'
import { createHouseStylesService } from './house-styles/house-styles-service'
import { createHouseStylesStore } from './house-styles/house-styles-store'
import { createPeopleService } from './people/people-service'
import type { Mailer } from './mail/mailer'
import { createDoorRecord } from './people/door-record'
import { createPasskeys } from './people/passkeys'
import { createPasskeysStore } from './people/passkeys-store'
import { createRequestsStore } from './people/requests-store'
import { createSecondFactors } from './people/second-factors'
import { createPeopleStore } from './people/people-store'
import { createSessionsStore } from './people/sessions-store'
import { createPlacementsService } from './placements/placements-service'
import { createPlacementsStore } from './placements/placements-store'
import { announceChange, announceKeys, announcePlacements, announceSheet } from './public/live-calculators'
import { createRateSheetsService } from './rate-sheets/rate-sheets-service'
import { createRateSheetsStore } from './rate-sheets/rate-sheets-store'
import { createRecordStore } from './record/record-store'
import type { Work } from './threads/pool'

export interface ServicesDeps {
  readonly database: Sequelize
  /** Where long reads may go: a replica, if there is one. */
  readonly reader: Reader
  readonly seal: Seal
  readonly work: Work
  readonly now: () => Date
  readonly lender: string
  readonly log: Logger
  /** Undefined: no mail can be sent. */
  readonly mail: Mailer | undefined
  /** What the desk's own addresses begin with. */
  readonly deskUrl: () => string
  /** Whether the people of the demo may come in. */
  readonly demo: boolean
}

export type Services = ReturnType<typeof createServices>

/** Everything the server keeps, and the rules for it, on one database. */
export function createServices({
  database,
  reader,
  seal,
  work,
  now,
  lender,
  demo,
  log,
  mail,
  deskUrl,
}: ServicesDeps) {
  const leftOut = (_row: object, err: unknown) => log.warn({ err }, 'something counted cannot be kept')
  const people = createPeopleStore(database, demo)
  const sessions = createSessionsStore(database)
  const passkeys = createPasskeysStore(database)
  const calculators = createCalculatorsStore(database)
  const editions = createEditionsStore(database)
  const sheets = createRateSheetsStore(database)
  const styles = createHouseStylesStore(database)
  const placements = createPlacementsStore(database)
  const keys = createKeysStore(database)
  const record = createRecordStore(database, now)
  const audience = createAudienceStore(database)
  const door = createDoorRecord(database, record)

  const cardMeters = createCardMeters({ database, calculators, sheets, work, now })
  const calculatorsService = createCalculatorsService({
    database,
    calculators,
    editions,
    sheets,
    styles,
    record,
    people,
    cardMeters,
    lender,
  })
  return {
    stores: { people, sessions, calculators, editions, sheets, styles, placements, keys, record, audience },
    calculators: calculatorsService,
    warmCards: cardMeters.warm,
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
      work,
    }),
    rateSheets: createRateSheetsService({
      database,
      sheets,
      record,
      calculators,
      editions,
      people,
      now,
      work,
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
      work,
      announce: announcePlacements(database),
    }),
    people: createPeopleService({
      database,
      people,
      requests: createRequestsStore(database),
      sessions,
      record,
      now,
      lender,
      mail,
      deskUrl,
    }),
    door,
    passkeys: createPasskeys(passkeys, door, lender),
    factors: createSecondFactors({ database, people, passkeys, door, seal, lender, now }),
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
      await keepEach(tally.sightings, (one) => placements.keepSightings([one]), leftOut)
      await keepEach(tally.keys, ({ id, at }) => keys.used(id, at), leftOut)
      await audience.keep(tally).catch(async (error: unknown) => {
        if (!isRowsFault(error)) throw error
        await keepEach(tally.counts, (one) => audience.keep({ counts: [one], bands: [] }), leftOut)
        await keepEach(tally.bands, (one) => audience.keep({ counts: [], bands: [one] }), leftOut)
      })
    },
  }
}
