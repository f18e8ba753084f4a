import compression from 'compression'
import express, { type Express, type RequestHandler } from 'express'
import type { Sequelize } from 'sequelize'
import type { Logger } from 'pino'
import { calculatorJsonSchema, type SessionState } from '@vivid/contract'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { archiveRoutes, type ArchiveDeps } from './desk/archive/routes'
import { audienceRoutes } from './desk/audience/routes'
import type { AudienceCounter } from './visitors/counting/counter'
import { checklistRoutes } from './authoring/approval/checklist-routes'
import { calculatorRoutes } from './authoring/calculators/routes'
import { openApiDocument } from './desk/channels/openapi'
import { channelRoutes } from './desk/channels/routes'
import { deskPages } from './desk/desk-pages'
import { editionRoutes } from './authoring/calculators/edition-routes'
import { createHandOvers } from './visitors/hand-overs/hand-overs-service'
import type { HandOversStore } from './visitors/hand-overs/hand-overs-store'
import { houseStyleRoutes } from './authoring/house-styles/routes'
import { admitted, knownAddress } from './team/people/access'
import { AppError } from './platform/http/app-error'
import { bodyByAddress, jsonBody } from './platform/http/body'
import { perPerson } from './platform/http/desk-limits'
import type { Limits } from './platform/http/limits'
import { sameOriginOnly } from './platform/http/same-origin'
import { securityHeaders } from './platform/http/security-headers'
import { requestId, sendError } from './platform/http/send-error'
import { createMetrics } from './metrics'
import { peopleRoutes } from './team/people/routes'
import type { Mailer } from './platform/mail/mailer'
import { factorRoutes } from './team/people/factor-routes'
import { createSessions, type SessionTimes } from './team/people/session'
import { createIdentities } from './team/people/identities'
import type { Provider } from './team/people/provider'
import { providerRoutes } from './team/people/provider-routes'
import { sessionRoutes } from './team/people/session-routes'
import type { SessionSecrets } from './team/people/session-secrets'
import { createSignIn } from './team/people/sign-in'
import { placementRoutes } from './desk/placements/routes'
import type { Live } from './live/live'
import type { VisitorsWork } from './visitors/routes'
import { liveReads } from './visitors/live-reads'
import { publicRoutes } from './visitors/routes'
import type { Draw } from './visitors/pages/drawing'
import { visitorPages } from './visitors/pages/visitor-page'
import { rateSheetRoutes } from './authoring/rate-sheets/routes'
import { recordRoutes } from './team/record/routes'
import type { Services } from './services'

export interface AppDeps {
  readonly database: Sequelize
  readonly services: Services
  readonly live: Live
  /** The outbox, and whether somebody takes what is put there. */
  readonly handOvers: HandOversStore
  readonly handsOver: boolean
  readonly limits: Limits
  /** What visitors and the desk reach us by, if it is known: `https://calculators.example`. */
  readonly publicUrl: string | undefined
  /** Whether the process is about to end, and should be sent nobody any more. */
  readonly isLeaving: () => boolean
  readonly mail: Mailer | undefined
  readonly sessionSecrets: SessionSecrets
  readonly sessionTimes: SessionTimes
  /** Whether approvers and keepers need a second factor. */
  readonly mustHaveSecond: boolean
  /** Everything that is kept, as an archive, piece by piece. */
  readonly takeOut: () => AsyncIterable<Uint8Array>
  /** The lender's own provider of identities, if there is one. */
  readonly provider: Provider | undefined
  readonly work: VisitorsWork & { readonly archive: ArchiveDeps['read'] }
  readonly counter: AudienceCounter
  /** Has what was just handed over delivered right away. */
  readonly hurry: () => void
  readonly log: Logger
  readonly now: () => Date
  readonly demoPeople: SessionState['demoPeople']
  readonly lender: string
  readonly deskFolder: string
  readonly visitorFolder: string
  readonly draw: Draw
  readonly trustedProxies: number
  /** What `/metrics` asks for; undefined: it answers this machine only. */
  readonly metricsToken: string | undefined
}

/** A process that knows of no change for so long should be served from no more. */
const MOST_SECONDS_BEHIND = 60

const nothingHere: RequestHandler = () => {
  throw new AppError('ADDRESS_UNKNOWN')
}

/** A PDF's pages are packed already; the tree it is read out by is not, and is the most of it. */
const packsWell: compression.CompressionFilter = (req, res) =>
  res.getHeader('content-type') === 'application/pdf' || compression.filter(req, res)

/** Everything the server answers, without a port: tests make one of their own. */
export async function buildApp(deps: AppDeps): Promise<Express> {
  const { database, live, log, now, handsOver, limits } = deps
  await fetchAllLanguages()
  const metrics = createMetrics(live, () => deps.handOvers.waiting())

  const app = express()
  app.set('trust proxy', deps.trustedProxies)
  app.disable('x-powered-by')
  app.use(requestId, metrics.timing, securityHeaders(deps.publicUrl), liveReads(live, now, handsOver))
  app.use(compression({ filter: packsWell }), knownAddress)

  app.get('/healthz', (_req, res) => void res.json({ ok: true }))
  app.get('/readyz', async (_req, res) => {
    await database.query('SELECT 1')
    const { secondsBehind } = live
    const ok = secondsBehind <= MOST_SECONDS_BEHIND && !deps.isLeaving()
    res.status(ok ? 200 : 503).json({ ok, secondsBehind })
  })
  app.get('/metrics', metrics.page(deps.metricsToken, deps.trustedProxies > 0))
  app.use(
    '/api/public',
    jsonBody('64kb'),
    publicRoutes({
      live,
      now,
      handOvers: handsOver ? createHandOvers(deps.handOvers, deps.hurry) : undefined,
      limits,
      work: deps.work,
      counter: deps.counter,
      keyUsed: deps.counter.keyUsed,
    }),
    nothingHere,
  )
  app.use(visitorPages({ live, now, visitorFolder: deps.visitorFolder, handsOver, draw: deps.draw }))
  app.use('/api', await deskRoutes(deps), nothingHere)
  app.use(deskPages(deps.deskFolder))
  app.use(nothingHere, sendError(log))
  return app
}

/** What the desk asks, behind a session; `http/access` says who may ask what. */
async function deskRoutes({
  database,
  services,
  live,
  demoPeople,
  lender,
  log,
  limits,
  publicUrl,
  mail,
  sessionSecrets,
  sessionTimes,
  mustHaveSecond,
  provider,
  takeOut,
  now,
  work,
}: AppDeps): Promise<RequestHandler> {
  const { people, sessions, calculators } = services.stores
  const openApi = openApiDocument()
  const desk = express.Router()
  const identities = createIdentities({ database, people, record: services.stores.record, provider })
  desk.use(
    sameOriginOnly,
    createSessions(database, { secrets: sessionSecrets, times: sessionTimes, publicUrl }),
    admitted({ people, hours: sessionTimes.hours, mustHaveSecond, isStillIn: identities.isStillIn }),
    perPerson(limits),
    // Only now: who may not ask has nothing read.
    bodyByAddress,
  )
  desk.use((_req, res, next) => {
    res.set('cache-control', 'no-store')
    next()
  })
  const { door, factors, passkeys } = services
  const signIn = await createSignIn({ database, people, door, mail, lender })
  desk.use(
    sessionRoutes({
      people,
      service: services.people,
      signIn,
      factors,
      passkeys,
      door,
      limits,
      demoPeople,
      lender,
      publicUrl,
      provider: provider?.name,
      mustHaveSecond,
    }),
    ...(provider
      ? [
          providerRoutes({
            provider,
            sessions,
            door,
            limits,
            publicUrl,
            personOf: identities.personOf,
          }),
        ]
      : []),
    factorRoutes(factors, passkeys, publicUrl),
    peopleRoutes({ service: services.people, sessions, door, limits }),
  )
  desk.use('/calculators', calculatorRoutes(services.calculators), editionRoutes(services.editions))
  desk.use('/rate-sheets', rateSheetRoutes(services.rateSheets))
  desk.use('/checklist', checklistRoutes(services.checklist))
  desk.use('/house-styles', houseStyleRoutes(services.styles))
  desk.use('/placements', placementRoutes(services.placements))
  desk.use('/audience', audienceRoutes(services.audience))
  desk.use('/channels', channelRoutes(services.keys, live, calculators))
  desk.use('/record', recordRoutes(services.record))
  desk.use(
    '/archive',
    archiveRoutes({ database, record: services.stores.record, now, log, takeOut, read: work.archive }),
  )
  desk.get('/schemas/calculator.json', (_req, res) => void res.json(calculatorJsonSchema()))
  desk.get('/openapi.json', (_req, res) => void res.json(openApi))
  return desk
}
