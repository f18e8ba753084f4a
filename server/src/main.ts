import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Express } from 'express'
import { InvitePerson } from '@vivid/contract'
import { archiveInThread } from './desk/archive/archive-stream'
import { inBackground, type Background } from './platform/background'
import { tellBrokenTo } from './platform/threads/broken-steps'
import { dayOf, minuteOf } from './platform/clock'
import { connect } from './platform/database/connection'
import { createReader } from './platform/database/reader'
import { standInProvider } from './demo/stand-in-provider'
import { loadDemoOnce } from './demo/load-demo'
import { migrate } from './platform/database/migrate'
import { forgetExpiredSessions } from './team/people/session'
import { createThreadedWork } from './platform/threads/pool'
import { logTo } from './platform/log'
import { outsider } from './team/record/entries'
import { createSeal, refuseOtherKeys } from './platform/database/seal'
import { startDemo, type RunningDemo } from './demo/start-demo'
import { createMailer } from './platform/mail/mailer'
import { createProvider } from './team/people/provider'
import { assemble, type Assembled } from './assemble'
import { readSettings } from './settings'
import { taskRules } from './tasks'
import { drawAll } from './visitors/pages/drawing'
import type { Services } from './services'

export { startUpLine } from './start-up-error'
export { demoPeople } from './demo/demo-people'
export { bringArchiveBack, inviteByHand, replaceSecret, takeArchiveOut, verifyRecord } from './by-hand'

export interface RunningServer {
  readonly deskAddress: string
  readonly lenderAddress: string | undefined
  readonly demo: boolean
  /** Once the figures of the list are worked out. */
  readonly warmed: Promise<unknown>
  /** The way in for whoever is to look after an installation that has nobody yet. */
  readonly firstInvitation: string | undefined
  /** Says at `/readyz` that nobody should be sent here any more, and waits until that is known. */
  leave(): Promise<void>
  close(): Promise<void>
}

/**
 * Reads the environment, connects, migrates and listens. `root` is the folder that holds the built desk and visitor page; `warms`:
 * whether figures and pages are worked out before somebody asks for them.
 */
export async function run(
  env: NodeJS.ProcessEnv,
  root: string,
  { warms = true }: { readonly warms?: boolean } = {},
): Promise<RunningServer> {
  const settings = readSettings(env, root)
  const log = logTo(settings.logFile)
  const database = connect(settings.databaseUrl, log)
  const reader = createReader(
    database,
    settings.replicaUrls.map((url) => connect(url, log)),
    log,
  )
  const seal = createSeal(settings.sealKeys)
  const now = () => new Date()
  const work = createThreadedWork(taskRules, settings.worker, tellBrokenTo(log))
  const standsIn = settings.lenderPort !== undefined
  // The demo's own sign-in begins when somebody first comes by it.
  const signInThere =
    standsIn && !settings.provider
      ? standInProvider(`http://${settings.host}:${settings.port}`, now)
      : undefined
  const mailBox =
    standsIn && !settings.smtpUrl
      ? await (await import('./demo/stand-ins/mail-box')).startMailBox()
      : undefined
  const smtpUrl = settings.smtpUrl ?? mailBox?.smtpUrl
  const mail = smtpUrl ? createMailer(smtpUrl, settings.mailFrom) : undefined
  const servers: Server[] = []
  const working: Background[] = []
  let demo: RunningDemo | undefined
  let assembled: Assembled | undefined
  let deskAddress = ''
  let isLeaving = false
  const close = async () => {
    await Promise.all(servers.map((server) => stopListening(server)))
    for (const background of working) await background.stop()
    await mailBox?.close()
    await signInThere?.close()
    await assembled?.stop()
    await work.close()
    await reader.close()
    await database.close()
  }
  try {
    await database.authenticate()
    await migrate(database, log)
    await refuseOtherKeys(database, seal)
    if (settings.demo) await loadDemoOnce(database, dayOf(now()))
    const handsOver = settings.handOverUrl !== undefined || standsIn
    assembled = await assemble({
      database,
      databaseUrl: settings.databaseUrl,
      reader,
      seal,
      work,
      now,
      log,
      mail,
      demo: settings.demo,
      lender: settings.lender,
      deskUrl: () => `${settings.publicUrl ?? deskAddress}/desk`,
      publicUrl: settings.publicUrl,
      handsOver,
      receiver: {
        url: () => settings.handOverUrl ?? demo?.handOverUrl,
        keepDays: settings.handOverDays,
        secret: settings.handOverSecret,
      },
      sessionTimes: settings.sessions,
      mustHaveSecond: settings.mustHaveSecond,
      isLeaving: () => isLeaving,
      takeOut: () => archiveInThread(settings.archiveWorker, settings.databaseUrl),
      provider: settings.provider ? createProvider(settings.provider, now) : signInThere?.provider,
      deskFolder: settings.deskFolder,
      visitorFolder: settings.visitorFolder,
      drawer: settings.drawer,
      trustedProxies: settings.trustedProxies,
      metricsToken: settings.metricsToken,
    })
    const { app, services, live, sessionSecrets, draw } = assembled
    const firstInvitation = await inviteFirstKeeper(services, settings.firstKeeper)
    working.push(
      inBackground(
        async (isStopped) => {
          while (!isStopped() && (await services.editions.goLiveIfDue()));
        },
        CLOCK_MS,
        (err) => log.warn({ err }, 'timed editions could not be looked at'),
      ),
      inBackground(sessionSecrets.refresh, SECRETS_MS, (err) =>
        log.warn({ err }, 'the secrets of sessions could not be read'),
      ),
      inBackground(
        async () => void (await forgetExpiredSessions(database)),
        FORGET_MS,
        (err) => log.warn({ err }, 'old sessions could not be forgotten'),
      ),
    )
    // Whoever opens the list first finds its figures worked out, and the first visitor finds the page drawn.
    const warmUp = () =>
      Promise.all([services.warmCards(), drawAll(live, draw, minuteOf(now()), handsOver)]).catch(
        (err: unknown) => log.warn({ err }, 'the first to come wait'),
      )
    const warmed = warms ? warmUp() : Promise.resolve()
    deskAddress = await listen(app, settings.port, settings.host)
    const { lenderPort } = settings
    if (lenderPort !== undefined)
      demo = await startDemo({
        database,
        placements: services.stores.placements,
        deskAddress: () => deskAddress,
        mailPage: mailBox?.page,
        listen: (site) => listen(site, lenderPort, settings.host),
      })
    return {
      deskAddress,
      lenderAddress: demo?.lenderAddress,
      demo: settings.demo,
      warmed,
      leave: () => {
        isLeaving = true
        return new Promise((done) => setTimeout(done, KNOWN_TO_LEAVE_MS))
      },
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
        // Half a request holds a connection no longer than this.
        server.headersTimeout = 10_000
        server.requestTimeout = 30_000
        servers.push(server)
      })
    }
  } catch (err) {
    await close().catch(() => undefined)
    throw err
  }
}

const FORGET_MS = 10 * 60_000
/** By then a balancer that asks has heard that this process leaves. */
const KNOWN_TO_LEAVE_MS = 1_500
/** How often it is looked whether the secrets of sessions were replaced. */
const SECRETS_MS = 10_000
/** How often timed editions are looked for. */
const CLOCK_MS = 500

/** The secret of an invitation for the first keeper, where there is nobody yet and somebody is named. */
async function inviteFirstKeeper(services: Services, email: string | undefined): Promise<string | undefined> {
  if (!email || (await services.stores.people.count()) > 0) return undefined
  const inviter = outsider('the first start')
  return services.people.linkByHand(InvitePerson.parse({ email, name: email, role: 'keeper' }), inviter)
}

/** So long what was asked before may take to be answered. */
const LAST_ANSWERS_MS = 10_000

/** Takes no new connection, answers what was asked, and ends each connection as soon as nothing is asked on it. */
const stopListening = (server: Server) =>
  new Promise<void>((done) => {
    if (!server.listening) return done()
    const idle = setInterval(() => server.closeIdleConnections(), 50)
    const late = setTimeout(() => server.closeAllConnections(), LAST_ANSWERS_MS)
    server.close(() => {
      clearInterval(idle)
      clearTimeout(late)
      done()
    })
  })
