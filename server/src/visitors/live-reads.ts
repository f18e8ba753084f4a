import { gzipSync } from 'node:zlib'
import { Router } from 'express'
import { minuteOf } from '../platform/clock'
import { param } from '../platform/http/routing'
import type { Live } from '../live/live'
import { etagOf, keptForTheMinute, liveOrThrow, serve } from '../live/serving'

/** Any site and any program may read and evaluate. */
export const forAnybody = {
  'access-control-allow-origin': '*',
  'cross-origin-resource-policy': 'cross-origin',
} as const

const ADDRESS = '/api/public/calculators/:slug'

/**
 * The live edition, `GET /api/public/calculators/:slug`: asked for most of all, so it stands before everything else and
 * is sent as it was made ready, plain and compressed, once a minute or when something changes.
 */
export function liveReads(live: Live, now: () => Date, handsOver: boolean): Router {
  const router = Router()
  const kept = keptForTheMinute<{ etag: string; plain: Buffer; gzipped: Buffer }>(live, now)
  router.get(ADDRESS, (req, res) => {
    res.locals.address = ADDRESS
    // Before anything is refused: another site may read why.
    res.set({ ...forAnybody, 'x-content-type-options': 'nosniff' })
    const calculator = liveOrThrow(live, param(req, 'slug'))
    const { etag, plain, gzipped } = kept(calculator.slug, () => {
      const served = serve(live, calculator, minuteOf(now()), handsOver)
      const text = Buffer.from(JSON.stringify(served))
      return { etag: etagOf(served), plain: text, gzipped: gzipSync(text) }
    })
    res.set({
      'cache-control': 'public, max-age=0, must-revalidate',
      etag,
      vary: 'accept-encoding',
    })
    if (req.fresh) return void res.status(304).end()
    const isGzipped = Boolean(req.acceptsEncodings('gzip')) && req.headers['accept-encoding'] !== undefined
    if (isGzipped) res.set('content-encoding', 'gzip')
    res.set('content-type', 'application/json; charset=utf-8').end(isGzipped ? gzipped : plain)
  })
  return router
}
