import { Router } from 'express'
import Papa from 'papaparse'
import { AudienceQuery } from '@vivid/contract'
import { parseOrThrow } from '../http/parse'
import type { AudienceService } from './audience-service'

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
      .send(
        Papa.unparse(
          {
            fields: ['day', 'calculator', 'edition', 'language', 'placement', 'event', 'count'],
            data: rows.map((row) => ({ ...row })),
          },
          { escapeFormulae: true, newline: '\r\n' },
        ),
      )
  })
  return router
}
