import { Router } from 'express'
import { SaveSheet } from '@vivid/contract'
import { parseOrThrow } from '../http/parse'
import { route } from '../http/routing'
import { allowed, whoIs } from '../people/routes'
import type { RateSheetsService } from './rate-sheets-service'

/** `/api/rate-sheets`, behind a session. */
export function rateSheetRoutes(sheets: RateSheetsService): Router {
  const router = Router()
  route(router, '/', {
    get: [async (_req, res) => void res.json(await sheets.listed())],
    put: [
      allowed('edit'),
      async (req, res) => void res.json(await sheets.save(parseOrThrow(SaveSheet, req.body), whoIs(res))),
    ],
  })
  return router
}
