import type { Sequelize } from 'sequelize'
import { createAudienceService } from './desk/audience/audience-service'
import { createAudienceStore } from './desk/audience/audience-store'
import type { Tally } from './visitors/counting/counter'
import { createChecklist } from './authoring/approval/checklist'
import { createCalculatorsService } from './authoring/calculators/calculators-service'
import { createCalculatorsStore } from './authoring/calculators/calculators-store'
import { createCardMeters } from './authoring/calculators/card-meters'
import { createKeysService } from './desk/channels/keys-service'
import { createKeysStore } from './desk/channels/keys-store'
import type { Logger } from 'pino'
import type { Reader } from './platform/database/reader'
import type { Seal } from './platform/database/seal'
import { isRowsFault, keepEach } from './platform/database/rows-fault'
import { createEditionsService } from './authoring/calculators/editions-service'
import { createEditionsStore } from './authoring/calculators/editions-store'
import { createHouseStylesService } from './authoring/house-styles/house-styles-service'
import { createHouseStylesStore } from './authoring/house-styles/house-styles-store'
import { createPeopleService } from './team/people/people-service'
import type { Mailer } from './platform/mail/mailer'
import { createDoorRecord } from './team/people/door-record'
import { createPasskeys } from './team/people/passkeys'
import { createPasskeysStore } from './team/people/passkeys-store'
import { createRequestsStore } from './team/people/requests-store'
import { createSecondFactors } from './team/people/second-factors'
import { createPeopleStore } from './team/people/people-store'
import { createSessionsStore } from './team/people/sessions-store'
import { createPlacementsService } from './desk/placements/placements-service'
import { createPlacementsStore } from './desk/placements/placements-store'
import { announcing } from './live/changes'
import { createLive, type Live } from './live/live'
import { createRateSheetsService } from './authoring/rate-sheets/rate-sheets-service'
import { createRateSheetsStore } from './authoring/rate-sheets/rate-sheets-store'
import { createRecordStore } from './team/record/record-store'
import type { Work } from './tasks'

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
  const announce = announcing(database)
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
  const checklist = createChecklist({ database, people, record, now })

  const cardMeters = createCardMeters({ database, calculators, sheets, workOutCard: work.do.card, now })
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
    checklist,
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
      announce: announce.calculator,
      checklist,
      now,
      check: work.do.check,
    }),
    rateSheets: createRateSheetsService({
      database,
      sheets,
      record,
      lookedUpBy: { sheetUsers: calculators.sheetUsers, liveDrafts: editions.liveDrafts },
      people,
      now,
      impact: work.do.impact,
      announce: announce.sheet,
    }),
    styles: createHouseStylesService({ database, styles, wearers: calculators, people, record }),
    placements: createPlacementsService({
      database,
      placements,
      calculators,
      editions,
      sheets,
      record,
      now,
      presets: work.do.presets,
      announce: announce.placements,
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
    keys: createKeysService({ database, keys, people, record, announce: announce.keys }),
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

/** What visitors are served from, on one database. */
export const createLiveOn = (database: Sequelize, databaseUrl: string, log: Logger): Live =>
  createLive({
    offers: createEditionsStore(database),
    sheets: createRateSheetsStore(database),
    placements: createPlacementsStore(database),
    keys: createKeysStore(database),
    databaseUrl,
    log,
  })
