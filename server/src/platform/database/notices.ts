import pg from 'pg'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { Logger } from 'pino'

const CHANNEL = 'live_calculators'
const RETRY_MS = 500
/** A connection that does not answer for so long is given up: a dead one may never say so itself. */
const PING_EVERY_MS = 5_000
const PING_MS = 3_000

/** Says to every server process that something became something else; delivered when the transaction commits. */
export const announce =
  (database: Sequelize) =>
  async (what: string, transaction: Transaction): Promise<void> => {
    await database.query('SELECT pg_notify(:channel, :what)', {
      replacements: { channel: CHANNEL, what },
      type: QueryTypes.SELECT,
      transaction,
    })
  }

export interface Notices {
  /** Since when notices go unheard; undefined while they are heard. */
  readonly unheardSince: Date | undefined
  close(): Promise<void>
}

/**
 * Listens until it is closed, on one connection at a time, and again whenever that is lost. `onListening` is called each
 * time it begins: what was announced before went unheard. Resolves once it listens for the first time.
 */
export async function listenForNotices(
  databaseUrl: string,
  log: Logger,
  { onNotice, onListening }: { onNotice: (what: string) => void; onListening: () => void },
): Promise<Notices> {
  let listening: pg.Client | undefined
  let unheardSince: Date | undefined = new Date()
  let isClosed = false
  let retry: NodeJS.Timeout | undefined
  const ping = setInterval(() => void answers(listening), PING_EVERY_MS)
  ping.unref()

  async function listen(): Promise<void> {
    const client = new pg.Client({
      connectionString: databaseUrl,
      application_name: 'vivid-meter listener',
      connectionTimeoutMillis: 4_000,
    })
    client.on('error', (err) => lost(client, err))
    client.on('end', () => lost(client))
    client.on('notification', ({ payload }) => onNotice(payload ?? ''))
    try {
      await client.connect()
      await client.query(`LISTEN ${CHANNEL}`)
    } catch (err) {
      void client.end().catch(() => undefined)
      throw err
    }
    if (isClosed) return void (await client.end())
    listening = client
    unheardSince = undefined
    onListening()
  }

  function lost(client: pg.Client, err?: unknown): void {
    if (isClosed || listening !== client) return
    listening = undefined
    unheardSince = new Date()
    void client.end().catch(() => undefined)
    log.warn({ err }, 'the database went away; visitors are served from memory')
    listenSoon()
  }

  function listenSoon(): void {
    retry = setTimeout(() => {
      listen().then(() => log.info('the database is back'), listenSoon)
    }, RETRY_MS)
  }

  async function answers(client: pg.Client | undefined): Promise<void> {
    if (!client) return
    const late = new Promise<never>((_, reject) =>
      setTimeout(() => reject(new Error(`no answer in ${PING_MS} ms`)), PING_MS).unref(),
    )
    await Promise.race([client.query('SELECT 1'), late]).catch((err: unknown) => lost(client, err))
  }

  await listen()
  return {
    get unheardSince() {
      return unheardSince
    },
    close: async () => {
      isClosed = true
      clearInterval(ping)
      clearTimeout(retry)
      await listening?.end().catch(() => undefined)
    },
  }
}
