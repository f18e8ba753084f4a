import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Express } from 'express'
import type { Sequelize } from 'sequelize'
import { InvitePerson } from '@vivid/contract'
import { buildApp } from './app'
import { startCounting, type AudienceCounter } from './audience/counter'
import { inBackground, type Background } from './background'
import { tellBrokenTo } from './broken-steps'
import { dayOf } from './clock'
import { connect } from './database/connection'
import { createReader } from './database/reader'
import { demoPeople } from './database/demo/demo-people'
import { loadDemoOnce } from './database/demo/load-demo'
import { migrate } from './database/migrate'
import { forgetExpiredSessions } from './people/session'
import { startDelivering } from './hand-overs/deliver'
import { createHandOversStore } from './hand-overs/hand-overs-store'
import { createFileMaker } from './public/files/file-maker'
import { announcePlacements, LiveCalculators } from './public/live-calculators'
import { logTo } from './log'
import { outsider } from './record/entries'
import { readSettings } from './settings'
import { lenderSite } from './stand-ins/lender-site'
import { createServices, type Services } from './services'

export { startUpLine } from './start-up-error'
export { demoPeople } from './database/demo/demo-people'
export { bringArchiveBack, inviteByHand, takeArchiveOut, verifyRecord } from './by-hand'

export interface RunningServer {
  readonly deskAddress: string
  readonly lenderAddress: string | undefined
  readonly demo: boolean
  /** The way in for whoever is to look after an installation that has nobody yet. */
  readonly firstInvitation: string | undefined
  close(): Promise<void>
}

/** Reads the environment, connects, migrates and listens. `root` is the folder that holds the built desk and visitor page. */
export async function run(env: NodeJS.ProcessEnv, root: string): Promise<RunningServer> {
  const settings = readSettings(env, root)
  const log = logTo(settings.logFile)
  const database = connect(settings.databaseUrl, log)
  const live = new LiveCalculators(database, settings.databaseUrl, log)
  const reader = createReader(
    database,
    settings.replicaUrls.map((url) => connect(url, log)),
    log,
  )
  const now = () => new Date()
  const services = createServices({
    database,
    reader,
    tellBroken: tellBrokenTo(log),
    now,
    lender: settings.lender,
  })
  const servers: Server[] = []
  const working: Background[] = []
  let lenderAddress: string | undefined
  const fileMaker = createFileMaker(settings.fileWorker)
  const close = async () => {
    await Promise.all(servers.map(stopListening))
    for (const background of working) await background.stop()
    await fileMaker.close()
    await live.close()
    await reader.close()
    await database.close()
  }
  try {
    await database.authenticate()
    await migrate(database, log)
    if (settings.demo) await loadDemoOnce(database, dayOf(now()))
    await forgetExpiredSessions(database)
    // Editions whose time came while nobody served go live before the first visitor is answered.
    while (await services.editions.goLiveIfDue());
    await live.open()
    const firstInvitation = await inviteFirstKeeper(services, settings.firstKeeper)
    const handOvers = createHandOversStore(database)
    const delivering = startDelivering(
      handOvers,
      {
        url: () => settings.handOverUrl ?? (lenderAddress && `${lenderAddress}/hand-overs`),
        secret: settings.handOverSecret,
      },
      log,
    )
    const counter: AudienceCounter = startCounting(services.keepTally, log)
    const clock = inBackground(
      async (isStopped) => {
        while (!isStopped() && (await services.editions.goLiveIfDue()));
      },
      CLOCK_MS,
      (err) => log.warn({ err }, 'timed editions could not be looked at'),
    )
    working.push(delivering, counter, clock)
    const app = await buildApp({
      database,
      services,
      live,
      handOvers,
      counter,
      fileMaker,
      hurry: delivering.hurry,
      log,
      now,
      demoPeople: settings.demo ? demoPeople : [],
      lender: settings.lender,
      deskFolder: settings.deskFolder,
      visitorFolder: settings.visitorFolder,
      trustedProxies: settings.trustedProxies,
      metricsToken: settings.metricsToken,
    })
    const deskAddress = await listen(app, settings.port, settings.host)
    lenderAddress =
      settings.lenderPort === undefined
        ? undefined
        : await listen(
            lenderSite(() => deskAddress),
            settings.lenderPort,
            settings.host,
          )
    if (settings.demo && lenderAddress) await showOnStandIn(services, database, lenderAddress)
    return {
      deskAddress,
      lenderAddress,
      demo: settings.demo,
      firstInvitation: firstInvitation && `${deskAddress}/desk/welcome#${firstInvitation}`,
      close,
    }

    function listen(handler: Express, port: number, host: string): Promise<string> {
      return new Promise((done, fail) => {
        const server = handler.listen(port, host, (err?: Error) => {
          if (err) return fail(err)
          const { port: bound } = server.address() as AddressInfo
          done(`http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${bound}`)
        })
        servers.push(server)
      })
    }
  } catch (err) {
    await close().catch(() => undefined)
    throw err
  }
}

/** How often timed editions are looked for. */
const CLOCK_MS = 500

/** The secret of an invitation for the first keeper, where there is nobody yet and somebody is named. */
async function inviteFirstKeeper(services: Services, email: string | undefined): Promise<string | undefined> {
  if (!email || (await services.stores.people.count()) > 0) return undefined
  const inviter = outsider('the first start')
  const invited = await services.people.invite(
    InvitePerson.parse({ email, name: email, role: 'keeper' }),
    inviter,
  )
  return invited.secret
}

/** The made-up lender's site is at another port each time; only there may its calculators be framed. */
async function showOnStandIn(services: Services, database: Sequelize, origin: string): Promise<void> {
  if (!(await services.stores.placements.moveStandIn(origin))) return
  await database.transaction((transaction) => announcePlacements(database)(transaction))
}

const stopListening = (server: Server) =>
  new Promise<void>((done) => {
    if (!server.listening) return done()
    server.close(() => done())
    server.closeAllConnections()
  })
