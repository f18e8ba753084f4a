import { Router } from 'express'
import { ChangePassword, ChangePerson, InvitePerson } from '@vivid/contract'
import type { Limits } from '../../platform/http/limits'
import { parseOrThrow } from '../../platform/http/parse'
import { idParam, param } from '../../platform/http/routing'
import type { DoorRecord } from './door-record'
import type { PeopleService } from './people-service'
import type { SessionsStore } from './sessions-store'
import { whoIs } from './who-is'

export interface PeopleRoutesDeps {
  readonly service: PeopleService
  readonly sessions: SessionsStore
  readonly door: DoorRecord
  readonly limits: Limits
}

/** One's own sessions and password, and people. */
export function peopleRoutes({ service, sessions, door, limits }: PeopleRoutesDeps): Router {
  const router = Router()

  router.put(
    '/me/password',
    limits.perAddress('passwords', { points: 10, seconds: 300 }),
    async (req, res) => {
      await service.changePassword(parseOrThrow(ChangePassword, req.body), whoIs(res), req.sessionID)
      req.session.provedAt = Date.now()
      res.json(await sessions.of(whoIs(res).id, req.sessionID))
    },
  )
  router.get('/me/sessions', async (req, res) => {
    res.json(await sessions.of(whoIs(res).id, req.sessionID))
  })
  router.delete('/me/sessions', async (req, res) => {
    await sessions.endAll(whoIs(res).id, req.sessionID)
    await door.note('sessionEnded', whoIs(res), { which: 'all others' })
    res.json(await sessions.of(whoIs(res).id, req.sessionID))
  })
  router.delete('/me/sessions/:name', async (req, res) => {
    await sessions.end(whoIs(res).id, param(req, 'name'))
    await door.note('sessionEnded', whoIs(res), { which: 'another' })
    res.json(await sessions.of(whoIs(res).id, req.sessionID))
  })

  router.get('/people', async (_req, res) => void res.json(await service.listed()))
  router.post('/people', async (req, res) => {
    res.status(201).json(await service.invite(parseOrThrow(InvitePerson, req.body), whoIs(res)))
  })
  router.get('/people/requests', async (_req, res) => void res.json(await service.asked()))
  router.post('/people/requests/:id', async (req, res) => {
    res.json(await service.confirm(idParam(req, 'REQUEST_GONE'), whoIs(res)))
  })
  router.delete('/people/requests/:id', async (req, res) => {
    res.json(await service.decline(idParam(req, 'REQUEST_GONE'), whoIs(res)))
  })
  router.put('/people/:id', async (req, res) => {
    const wanted = parseOrThrow(ChangePerson, req.body)
    res.json(await service.change(idParam(req, 'PERSON_UNKNOWN'), wanted, whoIs(res)))
  })
  router.post('/people/:id/invitation', async (req, res) => {
    res.status(201).json(await service.inviteAgain(idParam(req, 'PERSON_UNKNOWN'), whoIs(res)))
  })
  router.delete('/people/:id/factors', async (req, res) => {
    res.json(await service.removeFactors(idParam(req, 'PERSON_UNKNOWN'), whoIs(res)))
  })
  router.delete('/people/:id/sessions', async (req, res) => {
    res.json(await service.endSessions(idParam(req, 'PERSON_UNKNOWN'), whoIs(res)))
  })
  return router
}
