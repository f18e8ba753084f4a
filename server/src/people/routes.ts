import { Router, type Request } from 'express'
import {
  AcceptInvitation,
  ChangePassword,
  ChangePerson,
  InvitationSecret,
  InvitePerson,
  SignIn,
  type Person,
  type SessionState,
} from '@vivid/contract'
import type { Limits } from '../http/limits'
import { parseOrThrow } from '../http/parse'
import { idParam, param, route } from '../http/routing'
import type { PeopleService } from './people-service'
import type { PeopleStore } from './people-store'
import { sessionCookie } from './session'
import { browserOf, type SessionsStore } from './sessions-store'
import type { SignInService } from './sign-in'
import { whoIs } from './who-is'

export interface PeopleRoutesDeps {
  readonly people: PeopleStore
  readonly service: PeopleService
  readonly sessions: SessionsStore
  readonly signIn: SignInService
  readonly demoPeople: SessionState['demoPeople']
  readonly lender: string
  readonly limits: Limits
  readonly publicUrl: string | undefined
}

/** Signing in and out (`/api/session`), coming by an invitation, one's own sessions and password, and people. */
export function peopleRoutes(deps: PeopleRoutesDeps): Router {
  const { people, service, sessions, signIn, demoPeople, lender, limits, publicUrl } = deps
  const router = Router()
  const state = (person: Person | null): SessionState => ({
    person,
    lender,
    demoPeople: person ? [] : demoPeople,
  })
  route(router, '/session', {
    get: [
      async (req, res) => {
        const { personId } = req.session
        res.json(state((personId && (await people.active(personId))) || null))
      },
    ],
    post: [
      async (req, res) => {
        const person = await signIn(parseOrThrow(SignIn, req.body), req.ip ?? '')
        await startSession(req, person)
        res.status(201).json(state(person))
      },
    ],
    delete: [
      async (req, res) => {
        await new Promise<void>((done, fail) =>
          req.session.destroy((err: unknown) => (err ? fail(err) : done())),
        )
        res.clearCookie(sessionCookie(publicUrl)).json(state(null))
      },
    ],
  })

  // A secret stands in the body, never in an address that is logged.
  router.post(
    '/invitation',
    limits.perAddress('invitations', { points: 20, seconds: 60 }),
    async (req, res) => {
      const { name, email } = await service.invited(parseOrThrow(InvitationSecret, req.body).secret)
      res.json({ name, email })
    },
  )
  router.put(
    '/invitation',
    limits.perAddress('invitations', { points: 20, seconds: 60 }),
    async (req, res) => {
      const { secret, password } = parseOrThrow(AcceptInvitation, req.body)
      const person = await service.accept(secret, password)
      await startSession(req, person)
      res.status(201).json(state(person))
    },
  )

  router.put(
    '/me/password',
    limits.perAddress('passwords', { points: 10, seconds: 300 }),
    async (req, res) => {
      await service.changePassword(parseOrThrow(ChangePassword, req.body), whoIs(res), req.sessionID)
      res.json(await sessions.of(whoIs(res).id, req.sessionID))
    },
  )
  router.get('/me/sessions', async (req, res) => {
    res.json(await sessions.of(whoIs(res).id, req.sessionID))
  })
  router.delete('/me/sessions', async (req, res) => {
    await sessions.endAll(whoIs(res).id, req.sessionID)
    res.json(await sessions.of(whoIs(res).id, req.sessionID))
  })
  router.delete('/me/sessions/:name', async (req, res) => {
    await sessions.end(whoIs(res).id, param(req, 'name'))
    res.json(await sessions.of(whoIs(res).id, req.sessionID))
  })

  router.get('/people', async (_req, res) => void res.json(await service.listed()))
  router.post('/people', async (req, res) => {
    res.status(201).json(await service.invite(parseOrThrow(InvitePerson, req.body), whoIs(res)))
  })
  router.put('/people/:id', async (req, res) => {
    res.json(
      await service.change(idParam(req, 'PERSON_UNKNOWN'), parseOrThrow(ChangePerson, req.body), whoIs(res)),
    )
  })
  router.post('/people/:id/invitation', async (req, res) => {
    res.status(201).json(await service.inviteAgain(idParam(req, 'PERSON_UNKNOWN'), whoIs(res)))
  })
  return router
}

/** A new session id at sign-in, so that one known before is worth nothing. */
const startSession = (req: Request, person: Person) =>
  new Promise<void>((done, fail) =>
    req.session.regenerate((err: unknown) => {
      if (err) return fail(err)
      req.session.personId = person.id
      req.session.agent = browserOf(req.headers['user-agent'])
      req.session.save((failed: unknown) => (failed ? fail(failed) : done()))
    }),
  )
