import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { exportJWK, generateKeyPair } from 'jose'
import Provider from 'oidc-provider'
import { htmlText } from '@vivid/contract/formats'
import type { ProviderSettings } from '../../team/people/provider'

export interface KnownThere {
  readonly email: string
  readonly name: string
  /** What the claim `roles` says of them. */
  readonly roles: readonly string[]
}

export interface IdentityProvider {
  /** How it is asked. */
  readonly settings: ProviderSettings
  /** Closes it to somebody, as when they leave: their tokens are worth nothing from then on. */
  leave(email: string): Promise<void>
  close(): Promise<void>
}

const CLIENT = { id: 'vivid-meter', secret: 'a secret of the demo, which anybody may read' }
const SCOPE = 'openid email profile offline_access'

/**
 * A stand-in for the lender's own sign-in (OpenID Connect): who comes chooses who to be. On this machine only.
 * `deskOrigin`: where the desk is, `http://127.0.0.1:4680`.
 */
export async function startIdentityProvider(
  people: readonly KnownThere[],
  deskOrigin: string,
): Promise<IdentityProvider> {
  const gone = new Set<string>()
  const { privateKey } = await generateKeyPair('RS256', { extractable: true })
  const server: Server = createServer()
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const issuer = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  const here = (email: string) => people.find((one) => one.email === email && !gone.has(email))

  const provider = new Provider(issuer, {
    clients: [
      {
        client_id: CLIENT.id,
        client_secret: CLIENT.secret,
        redirect_uris: [`${deskOrigin}/api/session/provider/back`],
        grant_types: ['authorization_code', 'refresh_token'],
        response_types: ['code'],
        backchannel_logout_uri: `${deskOrigin}/api/session/provider/logout`,
        backchannel_logout_session_required: true,
      },
    ],
    jwks: { keys: [{ ...(await exportJWK(privateKey)), kid: 'demo', use: 'sig', alg: 'RS256' }] },
    cookies: { keys: ['a key of the demo'] },
    claims: { openid: ['sub'], email: ['email', 'email_verified'], profile: ['name', 'roles'] },
    features: {
      devInteractions: { enabled: false },
      backchannelLogout: { enabled: true },
      rpInitiatedLogout: {
        enabled: true,
        logoutSource: (ctx, form) =>
          void (ctx.body = shell(
            'Sign out?',
            `${form}<button form="op.logoutForm" name="logout" value="yes">Sign out everywhere</button>`,
          )),
        postLogoutSuccessSource: (ctx) => void (ctx.body = shell('Signed out', '<p>You are out.</p>')),
      },
    },
    renderError: (ctx, { error }) =>
      void (ctx.body = shell('This did not work', `<p>${htmlText(error)}</p>`)),
    // The desk it tells of a logout is on this machine too.
    fetch: (url, { dispatcher: _, ...options }: RequestInit & { dispatcher?: unknown } = {}) =>
      fetch(url, options),
    pkce: { required: () => true },
    issueRefreshToken: async () => true,
    findAccount: async (_ctx, email) => {
      const person = here(email)
      return (
        person && {
          accountId: email,
          claims: async () => ({
            sub: email,
            email,
            email_verified: true,
            name: person.name,
            roles: [...person.roles],
          }),
        }
      )
    },
    // Whoever is known here may go there: the desk is the lender's own.
    loadExistingGrant: async ({ oidc }) => {
      const grant = new oidc.provider.Grant({
        clientId: oidc.client?.clientId ?? '',
        accountId: oidc.session?.accountId ?? '',
      })
      grant.addOIDCScope(SCOPE)
      await grant.save()
      return grant
    },
    interactions: { url: (_ctx, { uid }) => `/come/${uid}` },
    ttl: {
      AccessToken: 600,
      IdToken: 600,
      RefreshToken: 86_400,
      Session: 86_400,
      Interaction: 600,
      Grant: 86_400,
    },
  })
  const answer = provider.callback()
  server.on('request', (req: IncomingMessage, res: ServerResponse) => void handle(req, res))

  async function handle(req: IncomingMessage, res: ServerResponse): Promise<void> {
    const [, uid] = /^\/come\/([\w-]+)/.exec(req.url ?? '') ?? []
    if (!uid) return answer(req, res)
    const chosen = new URL(req.url ?? '', issuer).searchParams.get('as')
    if (chosen && here(chosen))
      return provider.interactionFinished(req, res, { login: { accountId: chosen } })
    res.setHeader('content-type', 'text/html; charset=utf-8')
    res.end(
      pageOf(
        people.filter(({ email }) => !gone.has(email)),
        uid,
      ),
    )
  }

  return {
    settings: {
      issuer,
      clientId: CLIENT.id,
      clientSecret: CLIENT.secret,
      name: 'Larkmoor’s own sign-in',
      roleClaim: 'roles',
      roles: { 'loans-web': 'author', 'loans-risk': 'approver', 'loans-office': 'keeper' },
    },
    leave: async (email) => void gone.add(email),
    close: () =>
      new Promise((done) => {
        server.close(() => done())
        server.closeAllConnections()
      }),
  }
}

const pageOf = (people: readonly KnownThere[], uid: string) =>
  shell(
    'Who are you?',
    people
      .map(
        ({ email, name }) => `<a href="/come/${uid}?as=${encodeURIComponent(email)}">${htmlText(name)}</a>`,
      )
      .join('\n'),
  )

const shell = (title: string, body: string) => `<!doctype html>
<html lang="en-CA">
<head>
  <meta charset="utf-8">
  <meta name="viewport" content="width=device-width, initial-scale=1">
  <title>Sign in · Larkmoor Mutual</title>
  <link rel="icon" href="data:,">
  <style>body{font:17px/1.5 Georgia,serif;margin:0;color:#12302f;background:#f2f7f5}main{max-width:560px;margin:0 auto;padding:40px 16px}a{display:block;padding:12px 0;border-bottom:1px solid #bcd8d3;color:#123c3a}</style>
</head>
<body><main><h1>${title}</h1>
<p>This stands in for the lender’s own sign-in.</p>
${body}
</main></body></html>
`
