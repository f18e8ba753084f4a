import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Express } from 'express'
import pino, { type Logger } from 'pino'
import { buildApp } from './app'
import { connect } from './database/connection'
import { demoPeople } from './database/demo/demo-people'
import { loadDemoOnce } from './database/demo/load-demo'
import { migrate } from './database/migrate'
import { forgetExpiredSessions } from './people/session'
import { startDelivering, type Deliverer } from './hand-overs/deliver'
import { createHandOversStore } from './hand-overs/hand-overs-store'
import { createFileMaker } from './public/files/file-maker'
import type { RecordVerified } from '@vivid/contract'
import { createRecordStore } from './record/record-store'
import { LiveCalculators } from './public/live-calculators'
import { readSettings } from './settings'
import { lenderSite } from './stand-ins/lender-site'
import { todayHere } from './today'

export { startUpLine } from './start-up-error'
/** Works every hash of the record out again; the environment says in which database. */
export async function verifyRecord(env: NodeJS.ProcessEnv): Promise<RecordVerified> {
  const { databaseUrl } = readSettings(env, '.')
  const database = connect(databaseUrl, pino({ level: 'silent' }))
  try {
    return await createRecordStore(database).verify()
  } finally {
    await database.close()
  }
}

export { demoPeople } from './database/demo/demo-people'

export interface RunningServer {
  readonly deskAddress: string
  readonly lenderAddress: string | undefined
  readonly demo: boolean
  close(): Promise<void>
}

/** Reads the environment, connects, migrates and listens. `root` is the folder that holds the built desk and visitor page. */
export async function run(env: NodeJS.ProcessEnv, root: string): Promise<RunningServer> {
  const settings = readSettings(env, root)
  const log = createLog(settings.logFile)
  const database = connect(settings.databaseUrl, log)
  const live = new LiveCalculators(database, settings.databaseUrl, log)
  const servers: Server[] = []
  let delivering: Deliverer | undefined
  let lenderAddress: string | undefined
  const fileMaker = createFileMaker(settings.fileWorker)
  const close = async () => {
    await Promise.all(servers.map(stopListening))
    await delivering?.stop()
    await fileMaker.close()
    await live.close()
    await database.close()
  }
  try {
    await database.authenticate()
    await migrate(database, log)
    if (settings.demo) await loadDemoOnce(database, todayHere())
    await forgetExpiredSessions(database)
    await live.open()
    const handOvers = createHandOversStore(database)
    delivering = startDelivering(
      handOvers,
      {
        url: () => settings.handOverUrl ?? (lenderAddress && `${lenderAddress}/hand-overs`),
        secret: settings.handOverSecret,
      },
      log,
    )
    const app = await buildApp({
      database,
      live,
      handOvers,
      fileMaker,
      hurry: delivering.hurry,
      log,
      today: todayHere,
      demoPeople: settings.demo ? demoPeople : [],
      lender: settings.lender,
      deskFolder: settings.deskFolder,
      visitorFolder: settings.visitorFolder,
      trustedProxies: settings.trustedProxies,
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
    return { deskAddress, lenderAddress, demo: settings.demo, close }

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

const stopListening = (server: Server) =>
  new Promise<void>((done) => {
    if (!server.listening) return done()
    server.close(() => done())
    server.closeAllConnections()
  })

function createLog(file: string | undefined): Logger {
  const destination = pino.destination(file ? { dest: file, sync: false } : 1)
  // A log that cannot be written (a full disk) must not take the visitors' pages with it.
  destination.on('error', () => undefined)
  return pino({ level: 'info' }, destination)
}
