import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import express, { Router, type Request, type Response } from 'express'
import { minuteOf } from '../clock'
import { AppError } from '../http/app-error'
import { param, route } from '../http/routing'
import { htmlText, scriptJson } from '@vivid/contract/formats'
import { isRightToLeft, languageOf, spokenLanguages } from '@vivid/contract/wording'
import { textIn, type Program } from '@vivid/core'
import type { PublicDeps } from './routes'
import { etagOf, keptForTheMinute, serve } from './serving'
import { languageFor } from './language-for'

export interface VisitorPageDeps extends Pick<PublicDeps, 'live' | 'now'> {
  /** The folder of the built visitor page. */
  readonly visitorFolder: string
  readonly handsOver: boolean
}

const security = (frameAncestors: string) =>
  [
    "default-src 'self'",
    "script-src 'self'",
    "style-src 'self'",
    "font-src 'self'",
    "img-src 'self' data:",
    "connect-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "object-src 'none'",
    `frame-ancestors ${frameAncestors}`,
  ].join('; ')

/** The page a visitor sees, `/c/:slug`, its preview for the desk, and the placement script. */
export function visitorPages({ live, now, visitorFolder, handsOver }: VisitorPageDeps): Router {
  const router = Router()
  const page = readFileSync(resolve(visitorFolder, 'index.html'), 'utf8')
  const kept = keptForTheMinute<{ etag: string; html: string }>(live, now)
  const pageName = createHash('sha256').update(page).digest('hex').slice(0, 8)

  route(router, '/c/:slug', {
    get: [
      (req, res) => {
        const asked = param(req, 'slug')
        framedBy(res, ["'self'", ...live.placements.originsOf(asked)].join(' '))
        const offer = live.get(asked)
        if (offer?.state !== 'live')
          return offer?.state === 'takenDown'
            ? sendNotice(req, res, 'takenDown', offer.message)
            : sendNotice(req, res, 'unknown')
        const { program } = offer.calculator.content
        const { lang } = req.query
        const language = languageFor(program, typeof lang === 'string' ? lang : undefined)
        const { etag, html } = kept(`${asked} ${language}`, () => {
          const served = serve(live, offer.calculator, minuteOf(now()), handsOver)
          const main = program.languages[0] ?? ''
          return {
            etag: etagOf(served, `${pageName}-${language}`),
            html: filled(page, {
              lang: language,
              title: textIn(program.title, language, main),
              head: `<script type="application/json" id="calculator">${scriptJson(served)}</script>`,
              noScript: withoutScript('noScript', program, language, main),
              notStarted: withoutScript('notStarted', program, language, main),
            }),
          }
        })
        res.set({ 'cache-control': 'public, max-age=0, must-revalidate', etag })
        if (req.fresh) return void res.status(304).end()
        res.type('html').send(html)
      },
    ],
  })
  route(router, '/preview', {
    get: [
      (_req, res) => {
        framedBy(res, "'self'")
        res
          .set('cache-control', 'no-cache')
          .type('html')
          .send(filled(page, { lang: 'en', title: 'Preview' }))
      },
    ],
  })
  route(router, '/embed.js', {
    get: [
      (_req, res) => {
        res.set({ 'cache-control': 'public, max-age=300', 'cross-origin-resource-policy': 'cross-origin' })
        res.sendFile('embed.js', { root: visitorFolder })
      },
    ],
  })
  // The page alone is of no use, and has a policy only where it stands.
  router.get('/visitor/index.html', () => {
    throw new AppError('ADDRESS_UNKNOWN')
  })
  router.use(
    '/visitor',
    express.static(visitorFolder, {
      index: false,
      immutable: true,
      maxAge: '1y',
      fallthrough: true,
      // The one script whose name does not say what is in it.
      setHeaders: (res, path) => path.endsWith('again.js') && res.set('cache-control', 'public, max-age=300'),
    }),
  )
  return router

  function sendNotice(req: Request, res: Response, name: keyof typeof statusOf, message = ''): void {
    const asked = typeof req.query.lang === 'string' ? req.query.lang : undefined
    const lang = asked ?? (req.acceptsLanguages(...spokenLanguages) || 'en')
    const [title, text] = languageOf(lang).page.notices[name]
    const body = `<main class="notice"><h1>${title}</h1><p>${message ? htmlText(message) : text}</p></main>`
    const status = statusOf[name]
    res.set({ 'cache-control': 'no-cache', 'x-robots-tag': 'noindex' }).status(status).type('html')
    res.send(filled(page, { lang, title, body }))
  }
}

const statusOf = { takenDown: 200, unknown: 404 } as const

/** Where no script runs, or none arrives: what the calculator is, and how the lender is reached. */
function withoutScript(
  why: 'noScript' | 'notStarted',
  program: Program,
  language: string,
  main: string,
): string {
  const contact = program.contact ? textIn(program.contact, language, main) : ''
  const lines = [languageOf(language).page.notices[why](program.lender), contact].filter(Boolean)
  return `<main class="notice"><h1>${htmlText(textIn(program.title, language, main))}</h1>${lines
    .map((line) => `<p>${htmlText(line)}</p>`)
    .join('')}</main>`
}

function framedBy(res: Response, ancestors: string): void {
  res.removeHeader('x-frame-options')
  res.set({ 'content-security-policy': security(ancestors), 'cross-origin-resource-policy': 'cross-origin' })
}

interface PageParts {
  readonly lang: string
  readonly title: string
  readonly head?: string
  readonly body?: string
  readonly noScript?: string
  readonly notStarted?: string
}

/** The built page with its marked places filled. */
const filled = (
  page: string,
  { lang, title, head = '', body = '', noScript = '', notStarted = '' }: PageParts,
) =>
  page
    .replace('lang="en"', () => `lang="${htmlText(lang)}" dir="${isRightToLeft(lang) ? 'rtl' : 'ltr'}"`)
    .replace('<!--title-->', () => htmlText(title))
    .replace('<!--calculator-->', () => head)
    .replace('<!--notice-->', () => body)
    .replace('<!--no-script-->', () => noScript)
    .replace('<!--not-started-->', () => notStarted)
