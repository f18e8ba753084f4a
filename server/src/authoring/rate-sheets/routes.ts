import { Router } from 'express'
import { z } from 'zod'
import { AtRevision, SaveSheet, SendDraft, SendSheetBack } from '@vivid/contract'
import { RateSheet } from '@vivid/core'
import { parseOrThrow } from '../../platform/http/parse'
import { numberParam, param } from '../../platform/http/routing'
import { whoIs } from '../../team/people/who-is'
import type { RateSheetsService } from './rate-sheets-service'

/** `/api/rate-sheets`, behind a session. */
export function rateSheetRoutes(sheets: RateSheetsService): Router {
  const router = Router()
  router.get('/', async (_req, res) => void res.json(await sheets.listed()))
  router.put('/', async (req, res) => {
    res.json(await sheets.save(parseOrThrow(SaveSheet, req.body), whoIs(res)))
  })
  router.post('/impact', async (req, res) => {
    const { sheet } = parseOrThrow(z.strictObject({ sheet: RateSheet }), req.body)
    res.json(await sheets.impact(sheet, whoIs(res)))
  })
  router.post('/:id/send', async (req, res) => {
    res.json(await sheets.send(param(req, 'id'), parseOrThrow(SendDraft, req.body), whoIs(res)))
  })
  router.post('/:id/send-back', async (req, res) => {
    res.json(await sheets.sendBack(param(req, 'id'), parseOrThrow(SendSheetBack, req.body), whoIs(res)))
  })
  router.post('/:id/approve', async (req, res) => {
    res.json(await sheets.approve(param(req, 'id'), parseOrThrow(AtRevision, req.body), whoIs(res)))
  })
  router.get('/:id/editions/:number', async (req, res) => {
    res.json(await sheets.edition(param(req, 'id'), numberParam(req)))
  })
  return router
}
