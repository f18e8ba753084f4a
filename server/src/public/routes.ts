import { Router } from 'express'
import { EvaluateRequest, evaluateResponse, fileKinds, HandOverRequest, ShownRequest } from '@vivid/contract'
import { evaluate } from '@vivid/core'
import type { TellBroken } from '../broken-steps'
import { minuteOf, momentOf } from '../clock'
import type { AudienceCounter } from '../audience/counter'
import { keyOrAddressLimit } from '../channels/key-limits'
import type { HandOvers } from '../hand-overs/hand-overs-service'
import { AppError } from '../http/app-error'
import { parseOrThrow } from '../http/parse'
import { param, route } from '../http/routing'
import { countingRoutes } from './counting-routes'
import { files } from './files'
import type { FileMaker } from './files/file-maker'
import type { LiveCalculators } from './live-calculators'
import { forAnybody } from './live-reads'
import { limitedTo } from './limits'
import { languageFor, liveOrThrow, serve } from './serving'
import { shownFigures, shownInput } from './shown-figures'

export interface PublicDeps {
  readonly live: LiveCalculators
  readonly now: () => Date
  readonly handOvers: HandOvers
  readonly fileMaker: FileMaker
  readonly counter: AudienceCounter
  /** Notes that a key was used. */
  readonly keyUsed: (id: string) => void
  readonly tellBroken: TellBroken
}

/** What anyone may ask without signing in: `/api/public/calculators/:slug…`. Any site may read and evaluate. */
export function publicRoutes({
  live,
  now,
  handOvers,
  fileMaker,
  counter,
  keyUsed,
  tellBroken,
}: PublicDeps): Router {
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
  router.use(countingRoutes({ live, counter, now }))
  route(router, '/calculators/:slug/evaluate', {
    post: [
      keyOrAddressLimit((hash) => live.keyByHash(hash), keyUsed),
      (req, res) => {
        const { answers, language } = parseOrThrow(EvaluateRequest, req.body)
        const calculator = liveOrThrow(live, param(req, 'slug'))
        const { program } = calculator.content
        const { sheets } = serve(live, calculator, minuteOf(now()))
        const evaluation = evaluate(program, answers, { today: momentOf(now()), sheets })
        tellBroken(`page ${calculator.slug}`, evaluation)
        const response = evaluateResponse(calculator, evaluation, languageFor(program, language))
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
      limitedTo({ points: 30, seconds: 60 }),
      async (req, res) => {
        const kind = fileKinds.find((one) => one === param(req, 'kind'))
        if (!kind) throw new AppError('ADDRESS_UNKNOWN')
        const slug = param(req, 'slug')
        const input = await shownInput(live, slug, parseOrThrow(ShownRequest, req.body), now())
        const shown = shownFigures(input)
        tellBroken(`file of ${slug}`, shown.evaluation)
        const { type, ending, needsLoan } = files[kind]
        if (needsLoan && !shown.ledger)
          throw new AppError('NOTHING_BORROWED', { details: { calculator: slug } })
        const file = await fileMaker.make({ kind, input })
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
      limitedTo({ points: 30, seconds: 600 }),
      async (req, res) => {
        const { name, reach, message, consent: _, ...shown } = parseOrThrow(HandOverRequest, req.body)
        const slug = param(req, 'slug')
        const input = await shownInput(live, slug, shown, now())
        await handOvers.accept(shownFigures(input), {
          answers: shown.answers,
          person: { name, reach, message },
        })
        res.status(202).json({ accepted: true })
      },
    ],
  })
  return router
}
