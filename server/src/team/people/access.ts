import { match } from 'path-to-regexp'
import type { Request, RequestHandler } from 'express'
import { may, permissions, type Permission } from '@vivid/contract'
import type { PeopleStore } from './people-store'
import { AppError } from '../../platform/http/app-error'

/** Who may use an address: anyone, anyone with a session, or those whose role has a permission. */
export type Access = 'anyone' | 'signedIn' | Permission

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE' | 'OPTIONS'

/** Every address of the server, and who may use it by which method. What does not stand here is not there. */
export const access: Readonly<Record<string, Partial<Record<Method, Access>>>> = {
  '/healthz': { GET: 'anyone' },
  '/readyz': { GET: 'anyone' },
  '/metrics': { GET: 'anyone' },
  '/': { GET: 'anyone' },
  '/desk{/*path}': { GET: 'anyone' },
  '/c/:slug': { GET: 'anyone' },
  '/preview': { GET: 'anyone' },
  '/embed.js': { GET: 'anyone' },
  '/visitor/*path': { GET: 'anyone' },

  '/api/public/calculators/:slug': { GET: 'anyone', OPTIONS: 'anyone' },
  '/api/public/calculators/:slug/evaluate': { POST: 'anyone', OPTIONS: 'anyone' },
  '/api/public/calculators/:slug/files/:kind': { POST: 'anyone' },
  '/api/public/calculators/:slug/hand-overs': { POST: 'anyone' },

  '/api/public/audience': { POST: 'anyone' },
  '/api/public/audience/answers': { POST: 'anyone' },
  '/api/public/placing': { GET: 'anyone' },
  '/api/openapi.json': { GET: 'anyone' },

  '/api/invitation': { POST: 'anyone', PUT: 'anyone' },
  '/api/me/password': { PUT: 'signedIn' },
  '/api/me/sessions': { GET: 'signedIn', DELETE: 'signedIn' },
  '/api/me/sessions/:name': { DELETE: 'signedIn' },
  '/api/people': { GET: 'keep', POST: 'keep' },
  '/api/people/requests': { GET: 'keep' },
  '/api/people/requests/:id': { POST: 'keep', DELETE: 'keep' },
  '/api/people/:id': { PUT: 'keep' },
  '/api/people/:id/invitation': { POST: 'keep' },
  '/api/people/:id/sessions': { DELETE: 'keep' },
  '/api/people/:id/factors': { DELETE: 'keep' },
  '/api/session': { GET: 'anyone', POST: 'anyone', DELETE: 'anyone' },
  '/api/session/second': { POST: 'anyone' },
  '/api/session/passkey': { POST: 'anyone' },
  '/api/session/passkey/options': { POST: 'anyone' },
  '/api/session/provider': { GET: 'anyone' },
  '/api/session/provider/back': { GET: 'anyone' },
  '/api/session/provider/logout': { POST: 'anyone' },
  '/api/session/proof': { POST: 'signedIn' },
  '/api/me/factors': { GET: 'signedIn' },
  '/api/me/factors/totp': { POST: 'signedIn', PUT: 'signedIn', DELETE: 'signedIn' },
  '/api/me/factors/recovery': { POST: 'signedIn' },
  '/api/me/factors/passkeys': { POST: 'signedIn' },
  '/api/me/factors/passkeys/options': { POST: 'signedIn' },
  '/api/me/factors/passkeys/:id': { DELETE: 'signedIn' },
  '/api/schemas/calculator.json': { GET: 'anyone' },

  '/api/calculators': { GET: 'signedIn', POST: 'edit' },
  '/api/calculators/:id': { GET: 'signedIn', DELETE: 'edit' },
  '/api/calculators/:id/place': { PUT: 'edit' },
  '/api/calculators/:id/file': { GET: 'signedIn' },
  '/api/calculators/:id/draft': { PUT: 'edit' },
  '/api/calculators/:id/house-style': { PUT: 'edit' },
  '/api/calculators/:id/send': { POST: 'edit' },
  '/api/calculators/:id/sent': { GET: 'signedIn' },
  '/api/calculators/:id/send-back': { POST: 'approve' },
  '/api/calculators/:id/approve': { POST: 'approve' },
  '/api/calculators/:id/schedule': { DELETE: 'approve' },
  '/api/calculators/:id/take-down': { POST: 'takeDown' },
  '/api/calculators/:id/editions/:number': { GET: 'signedIn' },
  '/api/calculators/:id/editions/:number/live': { POST: 'approve' },
  '/api/calculators/:id/live-on/:day': { GET: 'signedIn' },

  '/api/rate-sheets': { GET: 'signedIn', PUT: 'edit' },
  '/api/rate-sheets/impact': { POST: 'signedIn' },
  '/api/rate-sheets/:id/send': { POST: 'edit' },
  '/api/rate-sheets/:id/send-back': { POST: 'approve' },
  '/api/rate-sheets/:id/approve': { POST: 'approve' },
  '/api/rate-sheets/:id/editions/:number': { GET: 'signedIn' },

  '/api/checklist': { GET: 'signedIn', PUT: 'keep' },

  '/api/house-styles': { GET: 'signedIn', PUT: 'style' },
  '/api/house-styles/:id': { DELETE: 'style' },

  '/api/placements': { GET: 'signedIn', POST: 'place' },
  '/api/placements/sites': { POST: 'keep' },
  '/api/placements/sites/:id': { PUT: 'keep', DELETE: 'keep' },
  '/api/placements/:id': { PUT: 'place', DELETE: 'place' },

  '/api/audience': { GET: 'signedIn' },
  '/api/audience/csv': { GET: 'signedIn' },

  '/api/channels/calculators': { GET: 'signedIn' },
  '/api/channels/keys': { GET: 'keep', POST: 'keep' },
  '/api/channels/keys/:id': { DELETE: 'keep' },

  '/api/archive': { GET: 'keep' },
  '/api/archive/reading': { POST: 'keep' },
  '/api/archive/contents': { POST: 'keep' },

  '/api/record': { GET: 'signedIn' },
  '/api/record/csv': { GET: 'signedIn' },
  '/api/record/verify': { GET: 'signedIn' },
}

const addresses = Object.entries(access).map(([pattern, methods]) => ({
  pattern,
  fits: match(pattern, { sensitive: false, trailing: true }),
  methods,
}))

declare module 'express-serve-static-core' {
  interface Locals {
    access?: Access
    /** As it stands in the table. */
    address?: string
    /** The key of another channel it came with. */
    keyId?: string
  }
}

/** Lets through only what stands in the table, and notes who may use it; refuses an address's other methods by name. */
export const knownAddress: RequestHandler = (req, res, next) => {
  // A NUL can stand in no address, name or question of ours, and in no text of the database.
  if (/%00/.test(req.url)) throw new AppError('ADDRESS_UNKNOWN')
  const address = addresses.find(({ fits }) => isFit(fits, req.path))
  if (!address) throw new AppError('ADDRESS_UNKNOWN')
  const method = req.method === 'HEAD' ? 'GET' : req.method
  const who = Object.hasOwn(address.methods, method) ? address.methods[method as Method] : undefined
  if (who === undefined) {
    const allowed = Object.keys(address.methods).join(', ')
    throw new AppError('METHOD_NOT_ALLOWED', {
      details: { allowed, method: req.method },
      headers: { allow: allowed },
    })
  }
  res.locals.access = who
  res.locals.address = address.pattern
  next()
}

/** An address that cannot even be read, as one with half an escape in it, fits none. */
function isFit(fits: (path: string) => unknown, path: string): boolean {
  try {
    return fits(path) !== false
  } catch {
    return false
  }
}

/** What puts something live or takes it down, lets people in, or takes everything out: who does it proves anew who they are. */
const asksForProof: ReadonlySet<string> = new Set([
  'POST /api/calculators/:id/approve',
  'POST /api/calculators/:id/take-down',
  'POST /api/calculators/:id/editions/:number/live',
  'POST /api/rate-sheets/:id/approve',
  'POST /api/channels/keys',
  'GET /api/archive',
  'POST /api/archive/reading',
  'POST /api/archive/contents',
  'PUT /api/checklist',
  'POST /api/people',
  'PUT /api/people/:id',
  'POST /api/people/requests/:id',
  'POST /api/people/:id/invitation',
  'DELETE /api/people/:id/factors',
  'PUT /api/me/factors/totp',
  'DELETE /api/me/factors/totp',
  'POST /api/me/factors/recovery',
  'POST /api/me/factors/passkeys',
  'DELETE /api/me/factors/passkeys/:id',
])
const PROOF_HOLDS_MS = 15 * 60_000
/** What somebody may do who has to set up a second factor first. */
const BEFORE_SECOND_FACTOR = /^\/api\/(me\/factors|session)/

export interface Admission {
  readonly people: PeopleStore
  /** How long a session lasts at all, hours. */
  readonly hours: number
  /** Whether approvers and keepers need a second factor. */
  readonly mustHaveSecond: boolean
  /** Whether the provider of identities a session lives by still knows it; true where it lives by none. */
  readonly isStillIn: (req: Request) => Promise<boolean>
}

/** Lets pass whoever the table lets. A person is read afresh each time, so that a changed role holds at once. */
export const admitted =
  ({ people, hours, mustHaveSecond, isStillIn }: Admission): RequestHandler =>
  async (req, res, next) => {
    const who = res.locals.access
    const { session } = req
    // One of an earlier version does not say when it began: it begins now.
    if (session.personId) session.began ??= Date.now()
    if (
      session.personId &&
      !((session.began ?? 0) + hours * 3_600_000 > Date.now() && (await isStillIn(req)))
    )
      await new Promise<void>((done) => session.regenerate(() => done()))
    if (who === 'anyone') return next()
    const person = req.session.personId ? await people.active(req.session.personId) : undefined
    if (!person || who === undefined) throw new AppError('NOT_SIGNED_IN')
    if (who !== 'signedIn' && !may(person.role, who)) {
      throw new AppError('ROLE_NOT_ALLOWED', {
        details: { allowed: permissions[who].join(' or '), role: person.role },
      })
    }
    const { hasSecondFactor, ...known } = person
    const { address = '' } = res.locals
    if (
      mustHaveSecond &&
      known.role !== 'author' &&
      !hasSecondFactor &&
      !req.session.provider &&
      !BEFORE_SECOND_FACTOR.test(address)
    )
      throw new AppError('SECOND_FACTOR_NEEDED')
    const method = req.method === 'HEAD' ? 'GET' : req.method
    if (asksForProof.has(`${method} ${address}`) && (req.session.provedAt ?? 0) + PROOF_HOLDS_MS < Date.now())
      throw new AppError('PROOF_NEEDED')
    res.locals.person = known
    next()
  }
