import { createRemoteJWKSet, jwtVerify } from 'jose'
import * as oidc from 'openid-client'
import type { Role } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import type { ProviderSession } from './session'

/** How the lender's provider of identities is asked (OpenID Connect Core 1.0). */
export interface ProviderSettings {
  readonly issuer: string
  readonly clientId: string
  readonly clientSecret: string
  /** What the way in is called at the desk. */
  readonly name: string
  /** The claim that says what somebody is there, and what each of its values makes them here. */
  readonly roleClaim: string
  readonly roles: Readonly<Record<string, Role>>
}

/** Somebody as the provider knows them. */
export interface Identity {
  /** The provider and its own name for them: nobody else ever has it. */
  readonly subject: string
  readonly email: string
  readonly isEmailVerified: boolean
  readonly name: string
  readonly role: Role
  readonly session: ProviderSession
  /** When they gave their password or what else they have there; seconds. */
  readonly provedAt: number | undefined
}

/** What stands between leaving for the provider and coming back: kept by the browser meanwhile. */
export interface Journey {
  readonly state: string
  readonly nonce: string
  readonly verifier: string
}

export interface Provider {
  readonly name: string
  /** Where the browser is sent, and what has to be known when it comes back. `again`: who comes proves anew who they are. */
  leave(redirectUri: string, again: boolean): Promise<{ readonly url: string; readonly journey: Journey }>
  /** Who came back. Refused where anything about it is not as it was sent. */
  arrive(url: URL, journey: Journey): Promise<Identity>
  /** The session as it stands at the provider now; undefined where it is over there, or cannot be asked about. */
  ask(
    session: ProviderSession,
  ): Promise<{ readonly session: ProviderSession; readonly role: Role } | undefined>
  /** Whose sessions a logout token ends (OpenID Connect Back-Channel Logout 1.0). */
  loggedOut(
    token: string,
  ): Promise<{ readonly subject: string | undefined; readonly session: string | undefined }>
}

const LOGOUT_EVENT = 'http://schemas.openid.net/event/backchannel-logout'
const SCOPE = 'openid email profile offline_access'
/** The greatest of somebody's roles counts. */
const RANK: readonly Role[] = ['author', 'approver', 'keeper']

export function createProvider(
  { issuer, clientId, clientSecret, name, roleClaim, roles }: ProviderSettings,
  now: () => Date,
): Provider {
  const isLocal = /^http:\/\/(127\.0\.0\.1|localhost)[:/]/.test(issuer)
  let found: Promise<oidc.Configuration> | undefined
  /** Asked for when somebody first comes by it; again where it was not there. */
  const config = () =>
    (found ??= oidc
      .discovery(
        new URL(issuer),
        clientId,
        clientSecret,
        undefined,
        // Without TLS only on this machine: the demo's stand-in.
        isLocal ? { execute: [oidc.allowInsecureRequests] } : {},
      )
      .catch((error: unknown) => {
        found = undefined
        throw error
      }))

  const refused = (what: string, cause?: unknown) =>
    new AppError('PROVIDER_REFUSED', { details: { what }, cause })

  function roleIn(claims: Record<string, unknown>): Role {
    const said = claims[roleClaim]
    const values = (Array.isArray(said) ? said : [said]).map(String)
    const here = values.flatMap((value) => (Object.hasOwn(roles, value) ? [roles[value] as Role] : []))
    const greatest = RANK.filter((role) => here.includes(role)).at(-1)
    if (!greatest) throw refused('nothing it says of you is a role at this desk')
    return greatest
  }
  const text = (value: unknown): string => (typeof value === 'string' ? value : '')

  return {
    name,
    async leave(redirectUri, again) {
      const journey = {
        state: oidc.randomState(),
        nonce: oidc.randomNonce(),
        verifier: oidc.randomPKCECodeVerifier(),
      }
      const url = oidc.buildAuthorizationUrl(await config(), {
        redirect_uri: redirectUri,
        scope: SCOPE,
        state: journey.state,
        nonce: journey.nonce,
        code_challenge: await oidc.calculatePKCECodeChallenge(journey.verifier),
        code_challenge_method: 'S256',
        ...(again && { prompt: 'login', max_age: '0' }),
      })
      return { url: url.href, journey }
    },

    async arrive(url, { state, nonce, verifier }) {
      const asked = await config()
      const tokens = await oidc
        .authorizationCodeGrant(asked, url, {
          pkceCodeVerifier: verifier,
          expectedState: state,
          expectedNonce: nonce,
          idTokenExpected: true,
        })
        .catch((cause: unknown) => {
          throw refused('it did not answer as it was asked', cause)
        })
      const own = tokens.claims()
      if (!own) throw refused('it did not say who you are')
      const more = await oidc.fetchUserInfo(asked, tokens.access_token, own.sub).catch(() => ({}))
      const claims: Record<string, unknown> = { ...more, ...own }
      const email = text(claims.email)
      if (!email) throw refused('it did not say your e-mail address')
      return {
        subject: `${asked.serverMetadata().issuer} ${own.sub}`,
        email,
        isEmailVerified: claims.email_verified === true,
        name: text(claims.name) || email,
        role: roleIn(claims),
        provedAt: typeof own.auth_time === 'number' ? own.auth_time : undefined,
        session: {
          subject: own.sub,
          session: text(own.sid) || undefined,
          refreshToken: tokens.refresh_token,
          askedAt: now().getTime(),
        },
      }
    },

    async ask(session) {
      if (!session.refreshToken) return undefined
      try {
        const asked = await config()
        const tokens = await oidc.refreshTokenGrant(asked, session.refreshToken)
        const more = await oidc.fetchUserInfo(asked, tokens.access_token, session.subject)
        return {
          role: roleIn({ ...more, ...tokens.claims() }),
          session: {
            ...session,
            refreshToken: tokens.refresh_token ?? session.refreshToken,
            askedAt: now().getTime(),
          },
        }
      } catch {
        return undefined
      }
    },

    async loggedOut(token) {
      const { issuer: by, jwks_uri } = (await config()).serverMetadata()
      if (!jwks_uri) throw refused('it has no keys')
      const { payload } = await jwtVerify(token, createRemoteJWKSet(new URL(jwks_uri)), {
        issuer: by,
        audience: clientId,
        maxTokenAge: '5 minutes',
      }).catch((cause: unknown) => {
        throw refused('the logout token is not its own', cause)
      })
      const events = payload.events as Record<string, unknown> | undefined
      if (!events || !(LOGOUT_EVENT in events) || 'nonce' in payload) throw refused('this is no logout token')
      return {
        subject: payload.sub === undefined ? undefined : `${by} ${payload.sub}`,
        session: text(payload.sid) || undefined,
      }
    },
  }
}
