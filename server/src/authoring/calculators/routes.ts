import { Router } from 'express'
import { ChooseStyle, MakeCalculator, PlaceInList, SaveDraft } from '@vivid/contract'
import { parseOrThrow } from '../../platform/http/parse'
import { param, route } from '../../platform/http/routing'
import { whoIs } from '../../team/people/who-is'
import type { CalculatorsService } from './calculators-service'

/** `/api/calculators`, behind a session. */
export function calculatorRoutes(calculators: CalculatorsService): Router {
  const router = Router()
  route(router, '/', {
    get: [async (_req, res) => void res.json(await calculators.list())],
    post: [
      async (req, res) => {
        const made = await calculators.make(parseOrThrow(MakeCalculator, req.body), whoIs(res))
        res.status(201).json(made)
      },
    ],
  })
  route(router, '/:id', {
    get: [async (req, res) => void res.json(await calculators.open(param(req, 'id')))],
    delete: [
      async (req, res) => {
        await calculators.remove(param(req, 'id'), whoIs(res))
        res.json(await calculators.list())
      },
    ],
  })
  router.put('/:id/place', async (req, res) => {
    await calculators.place(param(req, 'id'), parseOrThrow(PlaceInList, req.body), whoIs(res))
    res.json(await calculators.list())
  })
  route(router, '/:id/file', {
    get: [async (req, res) => void res.json(await calculators.file(param(req, 'id')))],
  })
  router.put('/:id/house-style', async (req, res) => {
    const asked = parseOrThrow(ChooseStyle, req.body)
    res.json(await calculators.chooseStyle(param(req, 'id'), asked, whoIs(res)))
  })
  route(router, '/:id/draft', {
    put: [
      async (req, res) => {
        const saved = await calculators.saveDraft(
          param(req, 'id'),
          parseOrThrow(SaveDraft, req.body),
          whoIs(res),
        )
        res.json(saved)
      },
    ],
  })
  return router
}
