import { randomBytes } from 'node:crypto'
import ConnectSessionSequelize from 'connect-session-sequelize'
import session from 'express-session'
import { DataTypes, QueryTypes, type Sequelize } from 'sequelize'
import type { RequestHandler } from 'express'

declare module 'express-session' {
  interface SessionData {
    personId: string
    agent: string
  }
}

const HOURS = 60 * 60 * 1000
const LASTS = 12 * HOURS

/** Sessions kept in PostgreSQL, so that any server process knows them and a restart ends none. */
export async function createSessions(database: Sequelize): Promise<RequestHandler> {
  const Store = ConnectSessionSequelize(session.Store)
  database.define(
    'Session',
    {
      sid: { type: DataTypes.TEXT, primaryKey: true },
      expires: DataTypes.DATE,
      data: DataTypes.TEXT,
      personId: DataTypes.UUID,
      agent: { type: DataTypes.TEXT, defaultValue: '' },
    },
    { tableName: 'sessions' },
  )
  const store = new Store({
    db: database,
    table: 'Session',
    expiration: LASTS,
    checkExpirationInterval: -1,
    extendDefaultFields: (fields: object, { personId, agent }: session.SessionData) => ({
      ...fields,
      personId: personId ?? null,
      agent: agent ?? '',
    }),
  })
  return session({
    name: 'vivid.session',
    secret: await sharedSecret(database),
    store,
    resave: false,
    saveUninitialized: false,
    rolling: true,
    cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: LASTS },
  })
}

export const forgetExpiredSessions = (database: Sequelize): Promise<unknown> =>
  database.query('DELETE FROM sessions WHERE expires < now()', { type: QueryTypes.DELETE })

/** The secret that signs session cookies: made once, kept in the database, the same for every server process. */
async function sharedSecret(database: Sequelize): Promise<string> {
  await database.query(
    `INSERT INTO settings (key, value) VALUES ('session-secret', :secret) ON CONFLICT DO NOTHING`,
    {
      replacements: { secret: randomBytes(32).toString('base64') },
    },
  )
  const [row] = await database.query<{ value: string }>(
    `SELECT value FROM settings WHERE key = 'session-secret'`,
    {
      type: QueryTypes.SELECT,
    },
  )
  if (!row) throw new Error('the session secret was written and cannot be read')
  return row.value
}
