import { AsyncLocalStorage } from 'node:async_hooks'
import pg from 'pg'
import { Sequelize } from 'sequelize'
import type { Logger } from 'pino'

/**
 * What is asked within a transaction is asked of that transaction, whether or not it was handed on: a question that
 * took a second connection would wait for one while holding one, and a few of those at once exhaust the pool.
 */
const transactionOf = new AsyncLocalStorage<Map<string, unknown>>()
Sequelize.useCLS({
  bind: () => undefined,
  get: (key: string) => transactionOf.getStore()?.get(key),
  set: (key: string, value: unknown) => void transactionOf.getStore()?.set(key, value),
  run: (act: () => unknown) => transactionOf.run(new Map(), act),
})

/**
 * A connection whose failure is always heard. Sequelize listens only once it has been told that the connection stands: a
 * database that is killed in between would take the whole server with it. What is asked of a failed one fails anyway.
 */
class HeardClient extends pg.Client {
  constructor(config?: string | pg.ClientConfig) {
    super(config)
    this.on('error', () => undefined)
  }
}

/**
 * The pool of connections that models use. Slow or failed statements go to the log, without their values. `patienceMs`: how
 * long somebody waits for one before the database counts as away.
 */
export const connect = (databaseUrl: string, log: Logger, most = 10, patienceMs = 5_000): Sequelize =>
  new Sequelize(databaseUrl, {
    dialect: 'postgres',
    dialectModule: { ...pg, Client: HeardClient },
    logging: false,
    pool: { max: most, min: 0, idle: 10_000, acquire: patienceMs },
    dialectOptions: { application_name: 'vivid-meter', connectionTimeoutMillis: patienceMs * 0.8 },
    hooks: { afterDisconnect: () => log.debug('a database connection closed') },
  })
