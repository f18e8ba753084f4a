import { Router } from 'express'
import { z } from 'zod'
import { Approve, AskedDay, SendBack, SendDraft, TakeDown } from '@vivid/contract'
import { parseOrThrow } from '../../platform/http/parse'
import { numberParam, param, route } from '../../platform/http/routing'
import { whoIs } from '../../team/people/who-is'
import type { EditionsService } from './editions-service'

/** What happens to a calculator on its way to visitors: `/api/calculators/:id/…`, behind a session. */
export function editionRoutes(editions: EditionsService): Router {
  const router = Router()
  route(router, '/:id/send', {
    post: [
      async (req, res) =>
        void res.json(await editions.send(param(req, 'id'), parseOrThrow(SendDraft, req.body), whoIs(res))),
    ],
  })
  router.get('/:id/sent', async (req, res) => void res.json(await editions.sent(param(req, 'id'))))
  route(router, '/:id/send-back', {
    post: [
      async (req, res) =>
        void res.json(
          await editions.sendBack(param(req, 'id'), parseOrThrow(SendBack, req.body), whoIs(res)),
        ),
    ],
  })
  route(router, '/:id/editions/:number', {
    get: [
      async (req, res) => {
        const { on } = parseOrThrow(z.strictObject({ on: AskedDay.optional() }), req.query)
        res.json(await editions.seen(param(req, 'id'), numberParam(req), on))
      },
    ],
  })
  route(router, '/:id/approve', {
    post: [
      async (req, res) =>
        void res.json(await editions.approve(param(req, 'id'), parseOrThrow(Approve, req.body), whoIs(res))),
    ],
  })
  router.delete('/:id/schedule', async (req, res) => {
    res.json(await editions.unschedule(param(req, 'id'), whoIs(res)))
  })
  router.get('/:id/live-on/:day', async (req, res) => {
    const day = parseOrThrow(AskedDay, param(req, 'day'))
    res.json({ number: await editions.liveOn(param(req, 'id'), day) })
  })
  route(router, '/:id/take-down', {
    post: [
      async (req, res) =>
        void res.json(
          await editions.takeDown(param(req, 'id'), parseOrThrow(TakeDown, req.body ?? {}), whoIs(res)),
        ),
    ],
  })
  route(router, '/:id/editions/:number/live', {
    post: [
      async (req, res) =>
        void res.json(await editions.bringBack(param(req, 'id'), numberParam(req), whoIs(res))),
    ],
  })
  return router
}
