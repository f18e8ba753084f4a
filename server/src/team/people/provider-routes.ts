import { Router, type Request } from 'express'
import type { Person } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import type { Limits } from '../../platform/http/limits'
import type { DoorRecord } from './door-record'
import type { Identity, Journey, Provider } from './provider'
import { isSecure } from './session'
import { beginSession, saved } from './session-routes'
import type { SessionsStore } from './sessions-store'

export interface ProviderRoutesDeps {
  readonly provider: Provider
  readonly sessions: SessionsStore
  readonly door: DoorRecord
  readonly limits: Limits
  readonly publicUrl: string | undefined
  /** The person an identity is here: known before, or new. */
  readonly personOf: (identity: Identity) => Promise<Person>
}

const JOURNEY_MS = 10 * 60_000
/** Whoever comes back comes from another site, where a session's own cookie is not sent. */
const JOURNEY = 'vivid.journey'

/** Coming in by the lender's own provider of identities: `/api/session/provider…`. */
export function providerRoutes(deps: ProviderRoutesDeps): Router {
  const { provider, sessions, door, limits, publicUrl, personOf } = deps
  const router = Router()
  const redirectUri = (req: Request) =>
    `${publicUrl ?? `${req.protocol}://${req.headers.host ?? ''}`}/api/session/provider/back`
  const cookie = {
    httpOnly: true,
    sameSite: 'lax' as const,
    secure: isSecure(publicUrl),
    path: '/api/session/provider',
  }
  const limit = limits.perAddress('provider', { points: 30, seconds: 60 })

  router.get('/session/provider', limit, async (req, res) => {
    const again = req.query.again !== undefined
    const { url, journey } = await provider.leave(redirectUri(req), again)
    const kept = Buffer.from(JSON.stringify({ ...journey, again })).toString('base64url')
    res.cookie(JOURNEY, kept, { ...cookie, maxAge: JOURNEY_MS }).redirect(url)
  })

  router.get('/session/provider/back', limit, async (req, res) => {
    const journey = journeyIn(req)
    res.clearCookie(JOURNEY, cookie)
    try {
      await arrived(req, journey)
    } catch (error) {
      if (!(error instanceof AppError)) throw error
      // Told where people sign in: whoever came has no page of ours open yet.
      req.session.refusal = error.message
      await saved(req)
      return res.redirect('/desk/sign-in')
    }
    res.redirect('/desk')
  })

  async function arrived(req: Request, journey: ReturnType<typeof journeyIn>): Promise<void> {
    if (!journey) throw new AppError('PROVIDER_REFUSED', { details: { what: 'you did not come from here' } })
    const url = new URL(req.originalUrl, redirectUri(req))
    const identity = await provider.arrive(url, journey)
    if (journey.again && (identity.provedAt ?? 0) * 1000 < Date.now() - 60_000)
      throw new AppError('PROVIDER_REFUSED', { details: { what: 'it did not ask you anew who you are' } })
    const person = await personOf(identity)
    await beginSession(req, person, identity.session)
    await door.note('signedIn', person, { by: provider.name })
  }

  // The provider says that somebody left: their sessions end at once.
  router.post(
    '/session/provider/logout',
    limits.perAddress('logouts', { points: 600, seconds: 60 }),
    async (req, res) => {
      const { logout_token: token } = (req.body ?? {}) as { logout_token?: unknown }
      const { subject, session } = await provider.loggedOut(typeof token === 'string' ? token : '')
      await sessions.endOfProvider(subject, session)
      res.set('cache-control', 'no-store').sendStatus(200)
    },
  )
  return router
}

function journeyIn(req: Request): (Journey & { readonly again: boolean }) | undefined {
  const found = /(?:^|;\s*)vivid\.journey=([A-Za-z0-9_-]+)/.exec(req.headers.cookie ?? '')?.[1]
  if (!found) return undefined
  try {
    const { state, nonce, verifier, again } = JSON.parse(
      Buffer.from(found, 'base64url').toString('utf8'),
    ) as Record<string, unknown>
    return typeof state === 'string' && typeof nonce === 'string' && typeof verifier === 'string'
      ? { state, nonce, verifier, again: again === true }
      : undefined
  } catch {
    return undefined
  }
}
