import type { RequestHandler } from 'express'
import type { Person } from '@vivid/contract'
import type { Limit, Limits } from './limits'

/** The desk saves by itself while somebody types, a few times in ten seconds: more than this is no typing. */
const OF_ADDRESS: Readonly<Record<string, Limit>> = {
  'PUT /api/calculators/:id/draft': { points: 120, seconds: 60 },
  'POST /api/calculators': { points: 60, seconds: 60 },
  'POST /api/calculators/:id/send': { points: 60, seconds: 60 },
  'POST /api/rate-sheets/impact': { points: 60, seconds: 60 },
  'GET /api/archive': { points: 6, seconds: 60 },
  'POST /api/archive/reading': { points: 6, seconds: 60 },
  'POST /api/archive/contents': { points: 6, seconds: 60 },
}
const OF_THE_REST: Limit = { points: 1_200, seconds: 60 }

/** Bounds what one person asks for, before anything they sent is read. */
export const perPerson =
  (limits: Limits): RequestHandler =>
  async (req, res, next) => {
    const person = res.locals.person as Person | undefined
    if (person) {
      const name = `${req.method} ${res.locals.address ?? ''}`
      const own = OF_ADDRESS[name]
      await limits.consume(own ? name : 'desk', person.id, own ?? OF_THE_REST)
    }
    next()
  }
