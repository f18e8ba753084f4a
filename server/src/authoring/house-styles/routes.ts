import { Router } from 'express'
import { SaveStyle } from '@vivid/contract'
import { parseOrThrow } from '../../platform/http/parse'
import { param } from '../../platform/http/routing'
import { whoIs } from '../../team/people/who-is'
import type { HouseStylesService } from './house-styles-service'

/** `/api/house-styles`, behind a session. */
export function houseStyleRoutes(styles: HouseStylesService): Router {
  const router = Router()
  router.get('/', async (_req, res) => void res.json(await styles.listed()))
  router.put('/', async (req, res) => {
    res.json(await styles.save(parseOrThrow(SaveStyle, req.body), whoIs(res)))
  })
  router.delete('/:id', async (req, res) => {
    await styles.remove(param(req, 'id'), whoIs(res))
    res.json(await styles.listed())
  })
  return router
}
