import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { Router, type Request, type Response } from 'express'
import { minuteOf } from '../../platform/clock'
import { AppError } from '../../platform/http/app-error'
import { packedFiles } from '../../platform/http/packed-files'
import { param, route } from '../../platform/http/routing'
import { htmlText, scriptJson } from '@vivid/contract/formats'
import { isRightToLeft, servedWords, spokenLanguages } from '@vivid/contract/wording'
import { mainLanguage, textIn, type Program } from '@vivid/core'
import { wordedProgram, type LiveCalculator } from '@vivid/contract'
import type { Draw } from './drawing'
import type { Live } from '../../live/live'
import { looksOf } from './looks'
import { etagOf, keptForTheMinute, serve } from '../../live/serving'
import { languageFor } from '../figures/language-for'

export interface VisitorPageDeps {
  readonly live: Live
  readonly now: () => Date
  /** The folder of the built visitor page. */
  readonly visitorFolder: string
  readonly handsOver: boolean
  readonly draw: Draw
}

const markOf = (text: string) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`

/** The policy of a page: what may run and what may style it, apart from files of ours, is what was written into it. */
const security = (frameAncestors: string, script: string, looks = '') =>
  [
    "default-src 'self'",
    `script-src 'self' ${markOf(script)}`,
    `style-src 'self'${looks && ` ${markOf(looks)}`}`,
    "font-src 'self'",
    "img-src 'self' data:",
    "connect-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "object-src 'none'",
    `frame-ancestors ${frameAncestors}`,
  ].join('; ')

/** The page a visitor sees, `/c/:slug`, its preview for the desk, and the placement script. */
export function visitorPages({ live, now, visitorFolder, handsOver, draw }: VisitorPageDeps): Router {
  const router = Router()
  const { page, withoutSheet, sheet, script } = builtPage(visitorFolder)
  const kept = keptForTheMinute<Promise<Page>>(live, now)

  route(router, '/c/:slug', {
    get: [
      async (req, res) => {
        const asked = param(req, 'slug')
        const ancestors = ["'self'", ...live.placements.originsOf(asked)].join(' ')
        framedBy(res, ancestors)
        const offer = live.get(asked)
        if (offer?.state !== 'live')
          return offer?.state === 'takenDown'
            ? sendNotice(req, res, 'takenDown', offer.message)
            : sendNotice(req, res, 'unknown')
        const { program } = offer.calculator.content
        const { lang } = req.query
        const language = languageFor(program, typeof lang === 'string' ? lang : undefined)
        // In a frame the page around it speaks its own language: none is chosen there.
        const isAlone = req.get('sec-fetch-dest') !== 'iframe'
        const key = `${asked} ${language} ${isAlone}`
        const made = await kept(key, () => pageOf(offer.calculator, language, isAlone))
        framedBy(res, ancestors, made.looks)
        res.set({ vary: 'sec-fetch-dest', ...made.caching })
        if (req.fresh) return void res.status(304).end()
        res.type('html').send(made.html)
        if (!made.isDrawn) kept.forget(key)
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
    packedFiles(visitorFolder, {
      immutable: true,
      maxAge: '1y',
    }),
  )
  return router

  /** The page of a calculator as it is now, drawn where that came in time. */
  async function pageOf(calculator: LiveCalculator, language: string, isAlone: boolean): Promise<Page> {
    const { style } = calculator.content
    const program = wordedProgram(calculator.content)
    const served = serve(live, calculator, minuteOf(now()), handsOver)
    const main = mainLanguage(program)
    const drawn = await draw(served, language, isAlone)
    const looks = sheet + looksOf(style) + (drawn?.rules ?? '')
    const html = filled(withoutSheet, {
      lang: language,
      title: textIn(program.title, language, main),
      looks,
      drawn: drawn && { html: drawn.html, isAlone },
      calculator: `<script type="application/json" id="calculator">${scriptJson(served)}</script>`,
      noScript: withoutScript('noScript', program, language, drawn === undefined),
      notStarted: withoutScript('notStarted', program, language, drawn === undefined),
    })
    // Its own content names it: an upgrade that draws it otherwise, or looks that follow otherwise, make it another.
    const name = createHash('sha256').update(html).digest('hex').slice(0, 8)
    const etag = etagOf(served, `${name}-${language}`)
    return {
      html,
      looks,
      isDrawn: drawn !== undefined,
      caching: drawn ? { 'cache-control': REVALIDATED, etag } : { 'cache-control': 'no-cache' },
    }
  }

  function framedBy(res: Response, ancestors: string, looks?: string): void {
    res.removeHeader('x-frame-options')
    res.set({
      'content-security-policy': security(ancestors, script, looks),
      'cross-origin-resource-policy': 'cross-origin',
    })
  }

  function sendNotice(req: Request, res: Response, name: keyof typeof statusOf, message = ''): void {
    const asked = typeof req.query.lang === 'string' ? req.query.lang : undefined
    const lang = asked ?? (req.acceptsLanguages(...spokenLanguages) || 'en')
    const { title, text } = servedWords(lang).notices[name]
    const body = `<main class="notice"><h1>${title}</h1><p>${message ? htmlText(message) : text}</p></main>`
    const status = statusOf[name]
    res.set({ 'cache-control': 'no-cache', 'x-robots-tag': 'noindex' }).status(status).type('html')
    res.send(filled(page, { lang, title, body }))
  }
}

/**
 * The built page with its first script written into it, and the same without its style sheet: that is written into live
 * pages, which are painted without asking for anything else.
 */
function builtPage(visitorFolder: string) {
  const read = (file: string) => readFileSync(resolve(visitorFolder, file), 'utf8')
  let [script, sheet] = ['', '']
  const page = read('index.html').replace(
    /<script src="\/visitor\/([^"]+)"><\/script>/,
    (_, file: string) => {
      script = read(file)
      return `<script>${script}</script>`
    },
  )
  const withoutSheet = page.replace(
    /<link rel="stylesheet"[^>]*href="\/visitor\/([^"]+)">/,
    (_, file: string) => {
      sheet = read(file)
      return ''
    },
  )
  return { page, withoutSheet, sheet, script }
}

const REVALIDATED = 'public, max-age=0, must-revalidate'

const statusOf = { takenDown: 200, unknown: 404 } as const

/** Where no script runs, or none arrives: how the lender is reached, and what the calculator is where that is not drawn. */
function withoutScript(
  why: 'noScript' | 'notStarted',
  program: Program,
  language: string,
  isTitled: boolean,
): string {
  const main = mainLanguage(program)
  const contact = program.contact ? textIn(program.contact, language, main) : ''
  const lines = [servedWords(language, program.words).notices[why](program.lender), contact].filter(Boolean)
  const title = isTitled ? `<h1>${htmlText(textIn(program.title, language, main))}</h1>` : ''
  return `<div class="notice">${title}${lines.map((line) => `<p>${htmlText(line)}</p>`).join('')}</div>`
}

interface Page {
  readonly html: string
  /** The style that stands in it. */
  readonly looks: string
  readonly isDrawn: boolean
  readonly caching: Readonly<Record<string, string>>
}

interface PageParts {
  readonly lang: string
  readonly title: string
  readonly looks?: string
  readonly drawn?: { readonly html: string; readonly isAlone: boolean } | undefined
  readonly calculator?: string
  readonly body?: string
  readonly noScript?: string
  readonly notStarted?: string
}

/** The built page with its marked places filled. */
const filled = (
  page: string,
  { lang, title, looks = '', drawn, calculator = '', body = '', noScript = '', notStarted = '' }: PageParts,
) =>
  page
    .replace('lang="en"', () => `lang="${htmlText(lang)}" dir="${isRightToLeft(lang) ? 'rtl' : 'ltr'}"`)
    .replace('<!--title-->', () => htmlText(title))
    .replace('<!--looks-->', () => looks && `<style>${looks}</style>`)
    .replace('<div id="app"><!--drawn-->', () =>
      drawn ? `<div id="app" data-drawn="${drawn.isAlone}">${drawn.html}` : '<div id="app">',
    )
    .replace('<!--calculator-->', () => calculator)
    .replace('<!--notice-->', () => body)
    .replace('<!--no-script-->', () => noScript)
    .replace('<!--not-started-->', () => notStarted)
