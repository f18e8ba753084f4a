import { Router } from 'express'
import { RecordQuery, type RecordEntry } from '@vivid/contract'
import { writeCsv } from '@vivid/contract/formats'
import { parseOrThrow } from '../../platform/http/parse'
import { route } from '../../platform/http/routing'
import type { RecordStore } from './record-store'

export type RecordReads = Pick<RecordStore, 'page' | 'all' | 'verify'>

/** `/api/record`, behind a session: everybody at the desk may read it, and nobody change it. */
export function recordRoutes(record: RecordReads): Router {
  const router = Router()
  route(router, '/', {
    get: [async (req, res) => void res.json(await record.page(parseOrThrow(RecordQuery, req.query)))],
  })
  route(router, '/verify', {
    get: [async (_req, res) => void res.json(await record.verify())],
  })
  route(router, '/csv', {
    get: [
      async (req, res) => {
        const entries = await record.all(parseOrThrow(RecordQuery, req.query))
        res
          .set('content-disposition', 'attachment; filename="record.csv"')
          .type('text/csv; charset=utf-8')
          .send(csvOf(entries))
      },
    ],
  })
  return router
}

function csvOf(entries: readonly RecordEntry[]): string {
  const columns = ['number', 'at', 'person', 'act', 'of', 'id', 'subject', 'details', 'hash'] as const
  const rows = entries.map((entry) =>
    columns.map((column) => (column === 'details' ? JSON.stringify(entry.details) : entry[column])),
  )
  return writeCsv([columns, ...rows])
}
