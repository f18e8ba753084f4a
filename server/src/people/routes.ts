import { Router, type Request, type RequestHandler } from 'express'
import { may, SignIn, type Permission, type Person, permissions, type SessionState } from '@vivid/contract'
import { AppError } from '../http/app-error'
import { parseOrThrow } from '../http/parse'
import { route } from '../http/routing'
import type { PeopleStore } from './people-store'
import type { SignInService } from './sign-in'

export interface PeopleRoutesDeps {
  readonly people: PeopleStore
  readonly signIn: SignInService
  readonly demoPeople: SessionState['demoPeople']
  readonly lender: string
}

/** Signing in and out: `/api/session`. */
export function peopleRoutes({ people, signIn, demoPeople, lender }: PeopleRoutesDeps): Router {
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
        res.json(state((personId && (await people.byId(personId))) || null))
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
        res.clearCookie('vivid.session').json(state(null))
      },
    ],
  })
  return router
}

/** A new session id at sign-in, so that one known before is worth nothing. */
const startSession = (req: Request, person: Person) =>
  new Promise<void>((done, fail) =>
    req.session.regenerate((err: unknown) => {
      if (err) return fail(err)
      req.session.personId = person.id
      req.session.save((failed: unknown) => (failed ? fail(failed) : done()))
    }),
  )

/** Lets only signed-in people pass. Their role is read afresh each time, so a changed role holds at once. */
export const signedIn =
  (people: PeopleStore): RequestHandler =>
  async (req, res, next) => {
    const person = req.session.personId ? await people.byId(req.session.personId) : undefined
    if (!person) throw new AppError('NOT_SIGNED_IN')
    res.locals.person = person
    next()
  }

export const allowed =
  (permission: Permission): RequestHandler =>
  (_req, res, next) => {
    const { role } = whoIs(res)
    if (!may(role, permission)) {
      throw new AppError('ROLE_NOT_ALLOWED', {
        details: { allowed: permissions[permission].join(' or '), role },
      })
    }
    next()
  }

/** The person behind a request that `signedIn` let pass. */
export const whoIs = (res: { locals: Record<string, unknown> }): Person => res.locals.person as Person
