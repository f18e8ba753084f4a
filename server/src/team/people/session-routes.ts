import { Router, type Request, type Response } from 'express'
import {
  AcceptInvitation,
  InvitationSecret,
  Proof,
  SecondCode,
  SignIn,
  UsePasskey,
  type Person,
  type SessionState,
} from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import { networkOf, type Limits } from '../../platform/http/limits'
import { parseOrThrow } from '../../platform/http/parse'
import { route } from '../../platform/http/routing'
import type { DoorRecord } from './door-record'
import { passwordMatches } from './password'
import { whereIs, type Passkeys } from './passkeys'
import type { PeopleService } from './people-service'
import type { PeopleStore } from './people-store'
import type { SecondFactors } from './second-factors'
import { sessionCookie } from './session'
import { browserOf } from './sessions-store'
import type { SignInService } from './sign-in'
import { whoIs } from './who-is'

export interface SessionRoutesDeps {
  readonly people: PeopleStore
  readonly service: PeopleService
  readonly signIn: SignInService
  readonly factors: SecondFactors
  readonly passkeys: Passkeys
  readonly door: DoorRecord
  readonly limits: Limits
  readonly demoPeople: SessionState['demoPeople']
  readonly lender: string
  readonly publicUrl: string | undefined
  /** What the way in by a provider of identities is called, if there is one. */
  readonly provider: string | undefined
  readonly mustHaveSecond: boolean
}

/** So long a right password is good for while the second factor is looked for. */
const HALFWAY_MS = 5 * 60_000
const CODES = { points: 10, seconds: 15 * 60 }

/**
 * Signing in and out, `/api/session` and `/api/invitation`: by a password, which may be a new one that a link lets choose, and
 * whatever a person has besides; or by a passkey alone.
 */
export function sessionRoutes(deps: SessionRoutesDeps): Router {
  const { people, service, signIn, factors, passkeys, door, limits, publicUrl } = deps
  const router = Router()

  const state = async (
    person: Person | null,
    second: SessionState['second'] = [],
  ): Promise<SessionState> => ({
    person: person && { id: person.id, name: person.name, email: person.email, role: person.role },
    second,
    mustSetUp: person !== null && (await mustSetUp(person)),
    provider: deps.provider ?? null,
    problem: null,
    lender: deps.lender,
    demoPeople: person ? [] : deps.demoPeople,
  })
  const mustSetUp = async ({ id, role }: Person): Promise<boolean> =>
    deps.mustHaveSecond && role !== 'author' && (await factors.needed(id)).length === 0

  const where = (req: Request) => whereIs(req, publicUrl)
  async function come(req: Request, res: Response, person: Person, by: string): Promise<void> {
    await beginSession(req, person)
    await door.note('signedIn', person, { by })
    res.status(201).json(await state(person))
  }
  /** Whoever has given or chosen a password is in, or has their second factor to give yet. */
  async function comeHalfway(req: Request, res: Response, person: Person, by: string): Promise<void> {
    const second = await factors.needed(person.id)
    if (second.length === 0) return come(req, res, person, by)
    await regenerated(req)
    req.session.halfway = { personId: person.id, at: Date.now() }
    res.json(await state(null, [...second]))
  }
  /** Whoever gave a right password a moment ago. */
  function halfway(req: Request): string | undefined {
    const { halfway: half } = req.session
    return half && Date.now() - half.at < HALFWAY_MS ? half.personId : undefined
  }
  async function codeOrThrow(person: Person, code: string): Promise<void> {
    await limits.consume('codes', person.id, CODES)
    if (await factors.check(person, code)) return
    await door.note('signInFailed', person)
    throw new AppError('CODE_WRONG', { field: 'code' })
  }
  /** Whose passkey signed what was asked for last in this session. */
  async function passkeyOwner(req: Request, response: unknown): Promise<string> {
    const { challenge } = req.session
    req.session.challenge = undefined
    if (!challenge) throw new AppError('PASSKEY_REFUSED')
    return passkeys.use(response, challenge, where(req))
  }

  route(router, '/session', {
    get: [
      async (req, res) => {
        const { personId } = req.session
        const half = halfway(req)
        const { refusal = null } = req.session
        if (refusal !== null) req.session.refusal = undefined
        const now = await state(
          (personId && (await people.active(personId))) || null,
          half ? [...(await factors.needed(half))] : [],
        )
        res.json({ ...now, problem: refusal })
      },
    ],
    post: [
      async (req, res) => {
        const person = await signIn(parseOrThrow(SignIn, req.body), networkOf(req))
        await comeHalfway(req, res, person, 'password')
      },
    ],
    delete: [
      async (req, res) => {
        await new Promise<void>((done, fail) =>
          req.session.destroy((err: unknown) => (err ? fail(err) : done())),
        )
        res.clearCookie(sessionCookie(publicUrl)).json(await state(null))
      },
    ],
  })

  // A secret stands in the body, never in an address that is logged.
  const invitations = limits.perAddress('invitations', { points: 20, seconds: 60 })
  router.post('/invitation', invitations, async (req, res) => {
    const { name, email } = await service.invited(parseOrThrow(InvitationSecret, req.body).secret)
    res.json({ name, email })
  })
  router.put('/invitation', invitations, async (req, res) => {
    const { secret, password } = parseOrThrow(AcceptInvitation, req.body)
    await comeHalfway(req, res, await service.accept(secret, password), 'invitation')
  })

  router.post(
    '/session/second',
    limits.perAddress('second', { points: 30, seconds: 60 }),
    async (req, res) => {
      const { code } = parseOrThrow(SecondCode, req.body)
      const half = halfway(req)
      const person = half ? await people.active(half) : undefined
      if (!person) throw new AppError('NOT_SIGNED_IN')
      await codeOrThrow(person, code)
      await come(req, res, person, 'password and code')
    },
  )

  router.post(
    '/session/passkey/options',
    limits.perAddress('passkeys', { points: 30, seconds: 60 }),
    async (req, res) => {
      const options = await passkeys.beginUsing(where(req), req.session.personId ?? halfway(req))
      req.session.challenge = options.challenge
      res.json(options)
    },
  )
  router.post(
    '/session/passkey',
    limits.perAddress('passkeys', { points: 30, seconds: 60 }),
    async (req, res) => {
      const { response } = parseOrThrow(UsePasskey, req.body)
      const owner = await passkeyOwner(req, response)
      const half = halfway(req)
      const person = half === undefined || half === owner ? await people.active(owner) : undefined
      if (!person) throw new AppError('PASSKEY_REFUSED')
      await come(req, res, person, 'passkey')
    },
  )

  /** Proves once more who somebody is: by a second factor where they have one, else by their password. */
  router.post(
    '/session/proof',
    limits.perAddress('proofs', { points: 20, seconds: 60 }),
    async (req, res) => {
      const given = parseOrThrow(Proof, req.body)
      const person = whoIs(res)
      if ('passkey' in given) {
        if ((await passkeyOwner(req, given.passkey)) !== person.id) throw new AppError('PASSKEY_REFUSED')
      } else if ('code' in given) await codeOrThrow(person, given.code)
      else await passwordOrThrow(person, given.password)
      req.session.provedAt = Date.now()
      res.json(await state(person))
    },
  )

  async function passwordOrThrow(person: Person, password: string): Promise<void> {
    await limits.consume('codes', person.id, CODES)
    // Whoever has a second factor proves by that: a password alone is what it is there to make up for.
    if ((await factors.needed(person.id)).length > 0) throw new AppError('CODE_WRONG', { field: 'code' })
    const hash = await people.passwordOf(person.id)
    if (!hash || !(await passwordMatches(password, hash)))
      throw new AppError('PASSWORD_WRONG', { field: 'password' })
  }

  return router
}

const regenerated = (req: Request): Promise<void> =>
  new Promise((done, fail) => req.session.regenerate((err: unknown) => (err ? fail(err) : done())))

/** A new session id at sign-in, so that one known before is worth nothing. */
export async function beginSession(
  req: Request,
  person: Pick<Person, 'id'>,
  provider?: Request['session']['provider'],
): Promise<void> {
  await regenerated(req)
  req.session.personId = person.id
  req.session.agent = browserOf(req.headers['user-agent'])
  req.session.began = req.session.provedAt = Date.now()
  if (provider) req.session.provider = provider
  await saved(req)
}

/** Keeps the session now: an answer that sends somebody elsewhere is followed before it has ended. */
export const saved = (req: Request): Promise<void> =>
  new Promise((done, fail) => req.session.save((err: unknown) => (err ? fail(err) : done())))
