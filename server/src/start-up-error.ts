import { BaseError } from 'sequelize'
import { SealBroken } from './platform/database/seal'
import { SettingError } from './settings'

/** Why the server could not start, in one line that says what to do; undefined for what we did not foresee. */
export function startUpLine(err: unknown): string | undefined {
  if (err instanceof SettingError) return err.message
  if (err instanceof SealBroken)
    return 'SECRETS_KEY is not the key that this database’s secrets were closed with; set that one, behind a comma where a new one is to take its place.'
  const cause = err instanceof BaseError && 'parent' in err ? err.parent : err
  const { code, port, message = '' } = (cause ?? {}) as { code?: string; port?: number; message?: string }
  switch (code) {
    case 'EADDRINUSE':
      return `Port ${port} is taken by another program; stop that one, or choose another port with PORT (and LENDER_PORT).`
    case 'EACCES':
      return `Port ${port} may not be used by this user; choose one above 1023 with PORT.`
    case 'ENOSPC':
    case '53100':
      return 'The disk is full; free some space and start again.'
    case '28P01':
    case '28000':
      return 'The database in DATABASE_URL refuses this user or password.'
    case '3D000':
      return 'The database named in DATABASE_URL does not exist on its server; create it first.'
    case 'ENOTFOUND':
    case 'EAI_AGAIN':
      return 'The host in DATABASE_URL cannot be found.'
    case 'ECONNREFUSED':
    case 'ECONNRESET':
    case 'EHOSTUNREACH':
    case 'ENETUNREACH':
    case 'ETIMEDOUT':
      return 'No database answers at the address in DATABASE_URL.'
    case '42501':
      return 'The user in DATABASE_URL may not create tables in its database.'
  }
  if (/timeout|terminated/i.test(message)) return 'No database answers at the address in DATABASE_URL.'
  if (err instanceof BaseError && /connection/i.test(err.name))
    return `The database in DATABASE_URL cannot be used: ${message}`
  return undefined
}
