import { Sequelize } from 'sequelize'
import type { Logger } from 'pino'

/** The pool of connections that models use. Slow or failed statements go to the log, without their values. */
export const connect = (databaseUrl: string, log: Logger): Sequelize =>
  new Sequelize(databaseUrl, {
    dialect: 'postgres',
    logging: false,
    pool: { max: 10, min: 0, idle: 10_000, acquire: 5_000 },
    dialectOptions: { application_name: 'vivid-meter', connectionTimeoutMillis: 4_000 },
    hooks: { afterDisconnect: () => log.debug('a database connection closed') },
  })
