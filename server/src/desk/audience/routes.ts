import { Router } from 'express'
import { AudienceQuery } from '@vivid/contract'
import { writeCsv } from '@vivid/contract/formats'
import { parseOrThrow } from '../../platform/http/parse'
import type { AudienceService } from './audience-service'

const columns = ['day', 'calculator', 'edition', 'language', 'placement', 'event', 'count'] as const

/** `/api/audience`, behind a session. */
export function audienceRoutes(audience: AudienceService): Router {
  const router = Router()
  router.get('/', async (req, res) => {
    res.json(await audience.report(parseOrThrow(AudienceQuery, req.query)))
  })
  router.get('/csv', async (req, res) => {
    const rows = await audience.counts(parseOrThrow(AudienceQuery, req.query))
    res
      .set('content-disposition', 'attachment; filename="audience.csv"')
      .type('text/csv; charset=utf-8')
      .send(writeCsv([columns, ...rows.map((row) => columns.map((column) => row[column]))]))
  })
  return router
}
