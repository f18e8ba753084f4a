import ConnectSessionSequelize from 'connect-session-sequelize'
import session from 'express-session'
import { DataTypes, type Model, Op, QueryTypes, type Sequelize } from 'sequelize'
import type { RequestHandler } from 'express'
import type { SessionSecrets } from './session-secrets'

/** How long sessions last. */
export interface SessionTimes {
  /** Without a request, minutes. */
  readonly idleMinutes: number
  /** At all, hours. */
  readonly hours: number
}

declare module 'express-session' {
  interface SessionData {
    personId: string
    agent: string
    /** When it began, and when its person last proved to be who they are; milliseconds. */
    began: number
    provedAt: number
    /** Whoever gave a right password and has a second factor to give yet, and when. */
    halfway: { readonly personId: string; readonly at: number } | undefined
    /** Why the way in by a provider was refused: told once. */
    refusal: string | undefined
    /** What a passkey has to sign. */
    challenge: string | undefined
    /** The session at the provider of identities that this one lives by, and when it was last asked. */
    provider: ProviderSession | undefined
  }
}

export interface ProviderSession {
  readonly subject: string
  readonly session: string | undefined
  readonly refreshToken: string | undefined
  readonly askedAt: number
}

export const isSecure = (publicUrl: string | undefined): boolean => publicUrl?.startsWith('https://') ?? false
/** Behind TLS a name that browsers take from this host by TLS only, for the whole of it (RFC 6265bis). */
export const sessionCookie = (publicUrl: string | undefined): string =>
  isSecure(publicUrl) ? '__Host-vivid.session' : 'vivid.session'

interface SessionRow extends Model {
  readonly data: string
}

/** Sessions kept in PostgreSQL, so that any server process knows them and a restart ends none. */
export function createSessions(
  database: Sequelize,
  {
    secrets,
    times,
    publicUrl,
  }: {
    readonly secrets: SessionSecrets
    readonly times: SessionTimes
    readonly publicUrl: string | undefined
  },
): RequestHandler {
  const Store = ConnectSessionSequelize(session.Store)
  const idleMs = times.idleMinutes * 60_000
  const rows = database.define<SessionRow>(
    'Session',
    {
      sid: { type: DataTypes.TEXT, primaryKey: true },
      expires: DataTypes.DATE,
      data: DataTypes.TEXT,
      personId: DataTypes.UUID,
      agent: { type: DataTypes.TEXT, defaultValue: '' },
      providerSession: { type: DataTypes.TEXT, field: 'provider_session' },
    },
    { tableName: 'sessions' },
  )
  const store = new Store({
    db: database,
    table: 'Session',
    expiration: idleMs,
    checkExpirationInterval: -1,
    extendDefaultFields: (fields: object, { personId, agent, provider }: session.SessionData) => ({
      ...fields,
      personId: personId ?? null,
      agent: agent ?? '',
      providerSession: provider?.session ?? null,
    }),
  })
  // The store itself would go on giving one whose time is over to whoever kept its cookie.
  store.get = (sid, done) => {
    rows
      .findOne({ where: { sid, expires: { [Op.gt]: new Date() } } })
      .then((row) => done(null, row ? (JSON.parse(row.data) as session.SessionData) : null), done)
  }
  return session({
    name: sessionCookie(publicUrl),
    // The same list as it stands: what is replaced there counts from the next request on.
    secret: secrets.list as string[],
    store,
    resave: false,
    saveUninitialized: false,
    rolling: true,
    cookie: {
      httpOnly: true,
      sameSite: 'strict',
      path: '/',
      secure: isSecure(publicUrl) || 'auto',
      maxAge: idleMs,
    },
  })
}

export const forgetExpiredSessions = (database: Sequelize): Promise<unknown> =>
  database.query('DELETE FROM sessions WHERE expires < now()', { type: QueryTypes.DELETE })
