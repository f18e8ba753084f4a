import { Router } from 'express'
import {
  EvaluateRequest,
  fileKinds,
  HandOverRequest,
  ShownRequest,
  type EvaluateResponse,
  type FileKind,
} from '@vivid/contract'
import { forVisitor } from './figures/for-visitor'
import type { Elsewhere } from '../platform/threads/task'
import { minuteOf, momentOf } from '../platform/clock'
import type { AudienceCounter } from './counting/counter'
import { keyOrAddressLimit } from './figures/key-limits'
import type { HandOvers } from './hand-overs/hand-overs-service'
import { AppError } from '../platform/http/app-error'
import type { Limits } from '../platform/http/limits'
import { parseOrThrow } from '../platform/http/parse'
import { param, route } from '../platform/http/routing'
import { countingRoutes } from './counting/counting-routes'
import { files } from './files'
import type { Live } from '../live/live'
import { forAnybody } from './live-reads'
import { liveOrThrow, sheetsAt } from '../live/serving'
import type { EvaluateInput } from './figures/evaluate-input'
import { shownInput, type ShownInput } from './figures/shown-figures'
import type { HandOverInput } from './hand-overs/hand-over-of'
import type { HandOverBody } from './hand-overs/hand-overs-store'

/** What takes as long as answers make it take. */
export interface VisitorsWork {
  readonly evaluate: Elsewhere<EvaluateInput, EvaluateResponse>
  readonly file: Elsewhere<{ readonly kind: FileKind; readonly input: ShownInput }, Uint8Array>
  readonly handOver: Elsewhere<HandOverInput, HandOverBody>
}

export interface PublicDeps {
  readonly live: Live
  readonly now: () => Date
  /** Undefined: nobody takes them. */
  readonly handOvers: HandOvers | undefined
  readonly work: VisitorsWork
  readonly counter: AudienceCounter
  /** Notes that a key was used. */
  readonly keyUsed: (id: string) => void
  readonly limits: Limits
}

/** What anyone may ask without signing in: `/api/public/calculators/:slug…`. Any site may read and evaluate. */
export function publicRoutes({ live, now, handOvers, work, counter, keyUsed, limits }: PublicDeps): Router {
  const router = Router()
  router.use((_req, res, next) => {
    res.set(forAnybody)
    next()
  })
  router.options('/calculators/:slug{/evaluate}', (_req, res) => {
    res
      .set({
        'access-control-allow-methods': 'GET, POST',
        'access-control-allow-headers': 'content-type, authorization',
      })
      .sendStatus(204)
  })
  router.use(countingRoutes({ live, counter, now, limits }))
  route(router, '/calculators/:slug/evaluate', {
    post: [
      keyOrAddressLimit(
        limits,
        (hash) => live.keyByHash(hash),
        keyUsed,
        () => minuteOf(now()).slice(0, 10),
      ),
      async (req, res) => {
        const { answers, language } = parseOrThrow(EvaluateRequest, req.body)
        const calculator = liveOrThrow(live, param(req, 'slug'))
        const moment = now()
        const response = await work.evaluate(
          {
            calculator,
            sheets: sheetsAt(live, calculator, minuteOf(moment)),
            answers,
            language,
            today: momentOf(moment),
          },
          forVisitor(req, res, `page ${calculator.slug}`),
        )
        const [problem] = response.problems
        if (problem) {
          throw new AppError('ANSWERS_INVALID', {
            field: problem.field,
            details: { what: problem.sentence },
            problems: response.problems,
            body: { values: response.values, readouts: response.readouts },
          })
        }
        res.json(response)
      },
    ],
  })
  route(router, '/calculators/:slug/files/:kind', {
    post: [
      limits.perAddress('files', { points: 30, seconds: 60 }),
      async (req, res) => {
        const kind = fileKinds.find((one) => one === param(req, 'kind'))
        if (!kind) throw new AppError('ADDRESS_UNKNOWN')
        const slug = param(req, 'slug')
        const input = await shownInput(live, slug, parseOrThrow(ShownRequest, req.body), now())
        const { type, ending } = files[kind]
        const file = await work.file({ kind, input }, forVisitor(req, res, `file of ${slug}`))
        res
          .set({
            'cache-control': 'no-store',
            'content-disposition': `attachment; filename="${slug}.${ending}"`,
          })
          .type(type)
          .send(Buffer.from(file))
      },
    ],
  })
  route(router, '/calculators/:slug/hand-overs', {
    post: [
      limits.perAddress('hand-overs', { points: 30, seconds: 600 }),
      async (req, res) => {
        if (!handOvers) throw new AppError('HAND_OVER_OFF')
        const { name, reach, message, consent: _, ...shown } = parseOrThrow(HandOverRequest, req.body)
        const slug = param(req, 'slug')
        const input = await shownInput(live, slug, shown, now())
        const person = { name, reach, message }
        await handOvers.accept(
          await work.handOver({ ...input, person }, forVisitor(req, res, `hand-over of ${slug}`)),
        )
        res.status(202).json({ accepted: true })
      },
    ],
  })
  return router
}
