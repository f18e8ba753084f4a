import compression from 'compression'
import express, { type Express, type RequestHandler } from 'express'
import helmet from 'helmet'
import type { Sequelize } from 'sequelize'
import type { Logger } from 'pino'
import { calculatorJsonSchema, type SessionState } from '@vivid/contract'
import { fetchAllLanguages } from '@vivid/contract/wording'
import type { PlainDate } from '@vivid/core'
import { createCalculatorsService } from './calculators/calculators-service'
import { createCalculatorsStore } from './calculators/calculators-store'
import { calculatorRoutes } from './calculators/routes'
import { deskPages } from './desk-pages'
import { createEditionsService } from './editions/editions-service'
import { createEditionsStore } from './editions/editions-store'
import { editionRoutes } from './editions/routes'
import { createHandOvers } from './hand-overs/hand-overs-service'
import type { HandOversStore } from './hand-overs/hand-overs-store'
import { AppError } from './http/app-error'
import { jsonOnly, sameOriginOnly } from './http/same-origin'
import { requestId, sendError } from './http/send-error'
import { storableTextOnly } from './http/storable-text'
import { createPeopleStore } from './people/people-store'
import { peopleRoutes, signedIn } from './people/routes'
import { createSessions } from './people/session'
import { createSignIn } from './people/sign-in'
import { announceChange, announceSheet, type LiveCalculators } from './public/live-calculators'
import type { FileMaker } from './public/files/file-maker'
import { publicRoutes } from './public/routes'
import { createRateSheetsService } from './rate-sheets/rate-sheets-service'
import { createRateSheetsStore } from './rate-sheets/rate-sheets-store'
import { rateSheetRoutes } from './rate-sheets/routes'
import { createRecordStore } from './record/record-store'
import { recordRoutes } from './record/routes'
import { visitorPages } from './public/visitor-page'

export interface AppDeps {
  readonly database: Sequelize
  readonly live: LiveCalculators
  readonly handOvers: HandOversStore
  readonly fileMaker: FileMaker
  /** Has what was just handed over delivered right away. */
  readonly hurry: () => void
  readonly log: Logger
  readonly today: () => PlainDate
  readonly demoPeople: SessionState['demoPeople']
  readonly lender: string
  readonly deskFolder: string
  readonly visitorFolder: string
  readonly trustedProxies: number
}

const nothingHere: RequestHandler = () => {
  throw new AppError('ADDRESS_UNKNOWN')
}

/** Everything the server answers, without a port: tests make one of their own. */
export async function buildApp(deps: AppDeps): Promise<Express> {
  const { database, live, log, today, lender } = deps
  await fetchAllLanguages()
  const people = createPeopleStore(database)
  const calculators = createCalculatorsStore(database)
  const editions = createEditionsStore(database)
  const sheets = createRateSheetsStore(database)
  const record = createRecordStore(database)
  const service = createCalculatorsService({
    database,
    calculators,
    editions,
    sheets,
    record,
    people,
    today,
    lender,
    announceSheet: announceSheet(database),
  })
  const rateSheets = createRateSheetsService({
    database,
    sheets,
    record,
    calculators,
    announce: announceSheet(database),
  })
  const publishing = createEditionsService({
    database,
    calculators,
    service,
    editions,
    sheets,
    record,
    announce: announceChange(database),
    today,
  })

  const app = express()
  app.set('trust proxy', deps.trustedProxies)
  app.use(requestId, helmet({ contentSecurityPolicy: false }), compression())

  app.get('/healthz', (_req, res) => void res.json({ ok: true }))
  app.get('/readyz', async (_req, res) => {
    await database.query('SELECT 1')
    res.json({ ok: true })
  })
  app.use(
    '/api/public',
    jsonOnly,
    express.json({ limit: '100kb' }),
    publicRoutes({
      live,
      today,
      handOvers: createHandOvers(deps.handOvers, deps.hurry),
      fileMaker: deps.fileMaker,
    }),
    nothingHere,
  )
  app.use(visitorPages({ live, today, visitorFolder: deps.visitorFolder }))

  const desk = express.Router()
  desk.use(
    sameOriginOnly,
    jsonOnly,
    express.json({ limit: '1mb' }),
    storableTextOnly,
    await createSessions(database),
  )
  desk.use((_req, res, next) => {
    res.set('cache-control', 'no-store')
    next()
  })
  desk.use(
    peopleRoutes({
      people,
      signIn: await createSignIn(people, database),
      demoPeople: deps.demoPeople,
      lender,
    }),
  )
  desk.use('/calculators', signedIn(people), calculatorRoutes(service), editionRoutes(publishing))
  desk.use('/rate-sheets', signedIn(people), rateSheetRoutes(rateSheets))
  desk.use('/record', signedIn(people), recordRoutes(record))
  desk.get('/schemas/calculator.json', (_req, res) => void res.json(calculatorJsonSchema()))
  app.use('/api', desk, nothingHere)

  app.use(deskPages(deps.deskFolder))
  app.use(nothingHere, sendError(log))
  return app
}
