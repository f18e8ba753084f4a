import { Router, type Request } from 'express'
import { Answered, Counted, PlacingQuery } from '@vivid/contract'
import { isBandOf, isoDate } from '@vivid/core'
import type { AudienceCounter } from './counter'
import { dayOf } from '../../platform/clock'
import type { Limits } from '../../platform/http/limits'
import { parseOrThrow } from '../../platform/http/parse'
import { placingOf } from './placing'
import type { Live } from '../../live/live'

export interface CountingDeps {
  readonly live: Live
  readonly counter: AudienceCounter
  readonly now: () => Date
  readonly limits: Limits
}

/** What pages tell and the placement script asks: `/api/public/audience…` and `/api/public/placing`. All from memory. */
export function countingRoutes({ live, counter, now, limits }: CountingDeps): Router {
  const router = Router()
  const today = () => isoDate(dayOf(now()))

  router.post('/audience', limits.perAddress('counts', { points: 240, seconds: 60 }), (req, res) => {
    const counted = parseOrThrow(Counted, req.body)
    if (mayBeCounted(req) && isKnown(counted)) counter.count(counted, today())
    res.sendStatus(204)
  })
  router.post('/audience/answers', limits.perAddress('answers', { points: 60, seconds: 60 }), (req, res) => {
    const answered = parseOrThrow(Answered, req.body)
    const offer = live.get(answered.calculator)
    if (mayBeCounted(req) && offer?.state === 'live' && offer.lived.has(answered.edition)) {
      const asked = new Map(
        offer.calculator.content.program.steps.flatMap(({ step }) =>
          step.kind === 'question' ? [[step.id, step] as const] : [],
        ),
      )
      const bands = Object.fromEntries(
        Object.entries(answered.bands).filter(([id, band]) => {
          const question = asked.get(id)
          return question !== undefined && isBandOf(question, band)
        }),
      )
      counter.answered({ ...answered, bands }, today())
    }
    res.sendStatus(204)
  })
  router.get('/placing', limits.perAddress('placing', { points: 600, seconds: 60 }), (req, res) => {
    const { placement, calculator, page } = parseOrThrow(PlacingQuery, req.query)
    const { origin } = req.headers
    const { placing, sighting } = placingOf(
      { placement, calculator, page, origin: origin === ownOrigin(req) ? undefined : origin },
      live.placements,
      (slug) => live.get(slug)?.state ?? 'unknown',
      now(),
    )
    if (sighting) counter.seen(sighting)
    res.set('cache-control', 'no-store').json(placing)
  })
  return router

  /** A page that is not one of ours, or of an edition that never was, counts for nothing. */
  function isKnown({ calculator, edition, language, placement }: Counted): boolean {
    const offer = live.get(calculator)
    if (offer?.state !== 'live') return false
    const { program } = offer.calculator.content
    const isPlaced = placement === '' || live.placements.byId(placement)?.slug === calculator
    return offer.lived.has(edition) && program.languages.includes(language) && isPlaced
  }
}

/** Somebody who asks not to be followed is not counted either. */
const mayBeCounted = (req: Request): boolean => req.headers.dnt !== '1' && req.headers['sec-gpc'] !== '1'

const ownOrigin = (req: Request): string => `${req.protocol}://${req.headers.host ?? ''}`
