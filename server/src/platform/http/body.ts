import express, { type RequestHandler } from 'express'
import { AppError } from './app-error'
import { jsonOnly } from './same-origin'

/** No request of ours nests deeper; each level of a deeper one would be a level of somebody's recursion. */
const DEEPEST = 100
/** A NUL or half of a surrogate pair, as JSON writes them: PostgreSQL can store neither in text. */
const UNSTORABLE = /(?<!\\)(?:\\\\)*\\u(?:0000|d[89a-f][0-9a-f]{2})/i

const OPENING = new Set([0x5b, 0x7b])
const CLOSING = new Set([0x5d, 0x7d])
const [QUOTE, BACKSLASH] = [0x22, 0x5c]

/** Refuses JSON that nests too deep, before anything reads it. */
function refuseDeep(text: Uint8Array): void {
  let depth = 0
  let isInText = false
  for (let i = 0; i < text.length; i++) {
    const sign = text[i] as number
    if (isInText) {
      if (sign === BACKSLASH) i++
      else if (sign === QUOTE) isInText = false
    } else if (sign === QUOTE) isInText = true
    else if (OPENING.has(sign) && ++depth > DEEPEST)
      throw new AppError('REQUEST_INVALID', {
        details: { what: `The request nests deeper than ${DEEPEST} levels.` },
      })
    else if (CLOSING.has(sign)) depth--
  }
}

/** A name that JavaScript has for itself: readers of JSON pass over what stands behind it. */
const OWN_NAME = /[{,]"__proto__":/

/** Refuses what could not be kept as it came. */
const keepableOnly: RequestHandler = (req, _res, next) => {
  const text = req.body === undefined ? '' : JSON.stringify(req.body)
  const refuse = (what: string) => {
    throw new AppError('REQUEST_INVALID', { details: { what } })
  }
  if (UNSTORABLE.test(text))
    refuse('The request holds a character that is no text (a NUL or half of a character); leave it out.')
  if (OWN_NAME.test(text)) refuse('Nothing in a request can be named “__proto__”; give it another name.')
  next()
}

/** The one way a body comes in: JSON of at most this size, no deeper than ours, and text that can be kept. */
export const jsonBody = (limit: string): RequestHandler[] => [
  jsonOnly,
  express.json({ limit, verify: (_req, _res, text) => refuseDeep(text) }),
  keepableOnly,
]

/** Where whole documents come in; elsewhere a form's worth is taken, and before signing in a few lines. */
const WHOLE_DOCUMENTS = new Set([
  '/api/calculators',
  '/api/calculators/:id/draft',
  '/api/rate-sheets',
  '/api/rate-sheets/impact',
])
const [large, form, few] = [jsonBody('1mb'), jsonBody('100kb'), jsonBody('8kb')].map(inTurn)

/** Where a file comes in: who reads it there says how large it may be. */
const FILES = new Set(['/api/archive/reading', '/api/archive/contents'])
/** Where another server sends a form, as its standard has it. */
const FORMS = new Set(['/api/session/provider/logout'])
const aForm = express.urlencoded({ extended: false, limit: '8kb' })

export const bodyByAddress: RequestHandler = (req, res, next) => {
  const { access, address = '' } = res.locals
  if (FILES.has(address)) return next()
  const reader = FORMS.has(address)
    ? aForm
    : access === 'anyone'
      ? few
      : WHOLE_DOCUMENTS.has(address)
        ? large
        : form
  reader?.(req, res, next)
}

function inTurn(handlers: RequestHandler[]): RequestHandler {
  return express.Router().use(...handlers)
}
