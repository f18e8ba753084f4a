import type { Answers, Value } from '@vivid/core/evaluate'

/** What a link to one's figures carries: answers, and what it said when it was made. Nothing personal. */
export interface Kept {
  readonly answers: Answers
  /** ISO date on which it was made. */
  readonly on: string
  /** The headline as it was then; a difference is told. */
  readonly headline: Value | undefined
}

const NAME = 'kept'

/**
 * A link that brings the same answers back. They stand behind the #, which browsers keep to themselves: no server and
 * no log sees them.
 */
export function linkTo(page: string, language: string, kept: Kept): string {
  const link = new URL(page)
  link.search = new URLSearchParams({ lang: language }).toString()
  link.hash = `${NAME}=${encode(JSON.stringify(kept))}`
  return link.href
}

/** What a link carries; undefined where there is nothing, or nothing that can be read. */
export function keptIn(hash: string): Kept | undefined {
  const text = new URLSearchParams(hash.replace(/^#/, '')).get(NAME)
  if (!text) return undefined
  try {
    const kept = JSON.parse(decode(text)) as Partial<Kept>
    if (typeof kept.answers !== 'object' || kept.answers === null || Array.isArray(kept.answers))
      return undefined
    const on = typeof kept.on === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(kept.on) ? kept.on : ''
    return { answers: kept.answers, on, headline: readValue(kept.headline) }
  } catch {
    return undefined
  }
}

/** Only kinds of value a headline has; anything else was not made here. */
function readValue(value: unknown): Value | undefined {
  if (typeof value !== 'object' || value === null || !('unit' in value)) return undefined
  const { unit } = value
  const holds =
    (unit === 'money' && 'money' in value && Number.isSafeInteger(value.money)) ||
    (unit === 'percent' && 'percent' in value && /^-?\d+(\.\d+)?$/.test(String(value.percent))) ||
    (unit === 'term' && 'years' in value && 'months' in value && Number.isInteger(value.years)) ||
    (unit === 'count' && 'count' in value && /^\d+(\.\d+)?$/.test(String(value.count)))
  return holds ? (value as Value) : undefined
}

const encode = (text: string) =>
  btoa(String.fromCharCode(...new TextEncoder().encode(text)))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '')

const decode = (text: string) =>
  new TextDecoder().decode(
    Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (c) => c.charCodeAt(0)),
  )
