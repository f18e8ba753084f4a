import { Router } from 'express'
import { PlacementChoices, SaveSite } from '@vivid/contract'
import { parseOrThrow } from '../../platform/http/parse'
import { idParam, param } from '../../platform/http/routing'
import { whoIs } from '../../team/people/who-is'
import type { PlacementsService } from './placements-service'

/** `/api/placements`, behind a session. */
export function placementRoutes(placements: PlacementsService): Router {
  const router = Router()
  router.get('/', async (_req, res) => void res.json(await placements.listed(whoIs(res))))
  router.post('/sites', async (req, res) => {
    res.status(201).json(await placements.addSite(parseOrThrow(SaveSite, req.body), whoIs(res)))
  })
  router.put('/sites/:id', async (req, res) => {
    const site = parseOrThrow(SaveSite, req.body)
    res.json(await placements.changeSite(idParam(req, 'SITE_UNKNOWN'), site, whoIs(res)))
  })
  router.delete('/sites/:id', async (req, res) => {
    res.json(await placements.removeSite(idParam(req, 'SITE_UNKNOWN'), whoIs(res)))
  })
  router.post('/', async (req, res) => {
    res.status(201).json(await placements.add(parseOrThrow(PlacementChoices, req.body), whoIs(res)))
  })
  router.put('/:id', async (req, res) => {
    const choices = parseOrThrow(PlacementChoices, req.body)
    res.json(await placements.change(param(req, 'id'), choices, whoIs(res)))
  })
  router.delete('/:id', async (req, res) => {
    res.json(await placements.remove(param(req, 'id'), whoIs(res)))
  })
  return router
}
