import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import express, { Router, type Request, type Response } from 'express'
import { minuteOf } from '../clock'
import { param, route } from '../http/routing'
import { isRightToLeft, languageOf, spokenLanguages } from '@vivid/contract/wording'
import { textIn, type Program } from '@vivid/core'
import type { PublicDeps } from './routes'
import { etagOf, keptForTheMinute, languageFor, serve } from './serving'

export interface VisitorPageDeps extends Pick<PublicDeps, 'live' | 'now'> {
  /** The folder of the built visitor page. */
  readonly visitorFolder: string
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
export function visitorPages({ live, now, visitorFolder }: VisitorPageDeps): Router {
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
          const served = serve(live, offer.calculator, minuteOf(now()))
          const main = program.languages[0] ?? ''
          return {
            etag: etagOf(served, `${pageName}-${language}`),
            html: filled(page, {
              lang: language,
              title: textIn(program.title, language, main),
              head: `<script type="application/json" id="calculator">${safeJson(served)}</script>`,
              noScript: withoutScript(program, language, main),
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
  router.use(
    '/visitor',
    express.static(visitorFolder, { index: false, immutable: true, maxAge: '1y', fallthrough: true }),
  )
  return router

  function sendNotice(req: Request, res: Response, name: keyof typeof statusOf, message = ''): void {
    const asked = typeof req.query.lang === 'string' ? req.query.lang : undefined
    const lang = asked ?? (req.acceptsLanguages(...spokenLanguages) || 'en')
    const [title, text] = languageOf(lang).page.notices[name]
    const body = `<main class="notice"><h1>${title}</h1><p>${message ? escaped(message) : text}</p></main>`
    const status = statusOf[name]
    res.set({ 'cache-control': 'no-cache', 'x-robots-tag': 'noindex' }).status(status).type('html')
    res.send(filled(page, { lang, title, body }))
  }
}

const statusOf = { takenDown: 200, unknown: 404 } as const

/** For browsers without scripts: what the calculator is, and how the lender is reached. */
function withoutScript(program: Program, language: string, main: string): string {
  const contact = program.contact ? textIn(program.contact, language, main) : ''
  const lines = [languageOf(language).page.notices.noScript(program.lender), contact].filter(Boolean)
  return `<main class="notice"><h1>${escaped(textIn(program.title, language, main))}</h1>${lines
    .map((line) => `<p>${escaped(line)}</p>`)
    .join('')}</main>`
}

function framedBy(res: Response, ancestors: string): void {
  res.removeHeader('x-frame-options')
  res.set({ 'content-security-policy': security(ancestors), 'cross-origin-resource-policy': 'cross-origin' })
}

/** JSON that can stand inside a script element, whatever text it holds. */
const safeJson = (value: unknown) =>
  JSON.stringify(value).replace(
    /[<>&\u2028\u2029]/g,
    (c) => `\\u${c.charCodeAt(0).toString(16).padStart(4, '0')}`,
  )

const escapes: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }
const escaped = (text: string) => text.replace(/[&<>"]/g, (c) => escapes[c] ?? c)

interface PageParts {
  readonly lang: string
  readonly title: string
  readonly head?: string
  readonly body?: string
  readonly noScript?: string
}

/** The built page with its marked places filled. */
const filled = (page: string, { lang, title, head = '', body = '', noScript = '' }: PageParts) =>
  page
    .replace('lang="en"', () => `lang="${escaped(lang)}" dir="${isRightToLeft(lang) ? 'rtl' : 'ltr'}"`)
    .replace('<!--title-->', () => escaped(title))
    .replace('<!--calculator-->', () => head)
    .replace('<!--notice-->', () => body)
    .replace('<!--no-script-->', () => noScript)
