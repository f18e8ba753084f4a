import ConnectSessionSequelize from 'connect-session-sequelize'
import session from 'express-session'
import { DataTypes, QueryTypes, type Sequelize } from 'sequelize'
import type { RequestHandler } from 'express'
import { sharedSecret } from '../database/secrets'

declare module 'express-session' {
  interface SessionData {
    personId: string
    agent: string
  }
}

const isSecure = (publicUrl: string | undefined) => publicUrl?.startsWith('https://') ?? false
/** Behind TLS a name that browsers take from this host by TLS only, for the whole of it (RFC 6265bis). */
export const sessionCookie = (publicUrl: string | undefined): string =>
  isSecure(publicUrl) ? '__Host-vivid.session' : 'vivid.session'

const HOURS = 60 * 60 * 1000
const LASTS = 12 * HOURS

/** Sessions kept in PostgreSQL, so that any server process knows them and a restart ends none. */
export async function createSessions(
  database: Sequelize,
  publicUrl: string | undefined,
): Promise<RequestHandler> {
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
    name: sessionCookie(publicUrl),
    secret: await sharedSecret(database, 'session-secret'),
    store,
    resave: false,
    saveUninitialized: false,
    rolling: true,
    cookie: {
      httpOnly: true,
      sameSite: 'strict',
      path: '/',
      secure: isSecure(publicUrl) || 'auto',
      maxAge: LASTS,
    },
  })
}

export const forgetExpiredSessions = (database: Sequelize): Promise<unknown> =>
  database.query('DELETE FROM sessions WHERE expires < now()', { type: QueryTypes.DELETE })
