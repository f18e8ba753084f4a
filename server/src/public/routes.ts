import { createHash } from 'node:crypto'
import { Router } from 'express'
import {
  EvaluateRequest,
  evaluateResponse,
  type LiveCalculator,
  type ServedCalculator,
} from '@vivid/contract'
import { evaluate, isoDate, type PlainDate, type Program } from '@vivid/core'
import { AppError } from '../http/app-error'
import { parseOrThrow } from '../http/parse'
import { param, route } from '../http/routing'
import type { LiveCalculators } from './live-calculators'

export interface PublicDeps {
  readonly live: LiveCalculators
  readonly today: () => PlainDate
}

/** What anyone may ask without signing in: `/api/public/calculators/:slug…`. Any site may ask it. */
export function publicRoutes({ live, today }: PublicDeps): Router {
  const router = Router()
  router.use((_req, res, next) => {
    res.set({ 'access-control-allow-origin': '*', 'cross-origin-resource-policy': 'cross-origin' })
    next()
  })
  router.options('/calculators/:slug{/evaluate}', (_req, res) => {
    res
      .set({ 'access-control-allow-methods': 'GET, POST', 'access-control-allow-headers': 'content-type' })
      .sendStatus(204)
  })
  route(router, '/calculators/:slug', {
    get: [
      (req, res) => {
        const served = serve(live, liveOrThrow(live, param(req, 'slug')), today())
        res.set({ 'cache-control': 'public, max-age=0, must-revalidate', etag: etagOf(served) })
        if (req.fresh) return void res.status(304).end()
        res.json(served)
      },
    ],
  })
  route(router, '/calculators/:slug/evaluate', {
    post: [
      (req, res) => {
        const { answers, language } = parseOrThrow(EvaluateRequest, req.body)
        const calculator = liveOrThrow(live, param(req, 'slug'))
        const { program } = calculator.content
        const { sheets } = serve(live, calculator, today())
        const evaluation = evaluate(program, answers, { today: today(), sheets })
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
  return router
}

/** A calculator as it stands today: with the versions of its sheets that have begun. Coming rates stay here. */
export function serve(live: LiveCalculators, calculator: LiveCalculator, today: PlainDate): ServedCalculator {
  const day = isoDate(today)
  const sheets = live
    .sheets(calculator.content.program.sheets)
    .map(({ sheet }) => ({ ...sheet, versions: sheet.versions.filter(({ from }) => from <= day) }))
  return { ...calculator, today: day, sheets }
}

/** The language asked for, if the calculator speaks it: exactly, or in another country's kind; else its main one. */
export function languageFor({ languages }: Program, asked: string | undefined): string {
  const exact = languages.find((language) => language.toLowerCase() === asked?.toLowerCase())
  const kin = languages.find((language) => asked && language.slice(0, 2) === asked.slice(0, 2).toLowerCase())
  return exact ?? kin ?? languages[0] ?? 'en-CA'
}

/** Names what is served; `page` names the page it stands in, if any. */
export const etagOf = ({ sha256, edition, today, sheets }: ServedCalculator, page = ''): string =>
  `"${sha256.slice(0, 32)}-${edition}-${today}${sheets.length ? `-${markOf(sheets)}` : ''}${page && `-${page}`}"`

const markOf = (sheets: ServedCalculator['sheets']) =>
  createHash('sha256').update(JSON.stringify(sheets)).digest('hex').slice(0, 12)

function liveOrThrow(live: LiveCalculators, slug: string): LiveCalculator {
  const offer = live.get(slug)
  const details = { calculator: slug.slice(0, 80) }
  if (!offer) throw new AppError('CALCULATOR_UNKNOWN', { details })
  if (offer.state !== 'live') {
    throw new AppError(offer.state === 'takenDown' ? 'CALCULATOR_TAKEN_DOWN' : 'CALCULATOR_NOT_LIVE', {
      details,
    })
  }
  return offer.calculator
}
