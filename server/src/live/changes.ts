import type { Sequelize, Transaction } from 'sequelize'
import { announce } from '../platform/database/notices'

/** What became another, as notices between server processes say it. */
export type Change =
  | { readonly of: 'calculator'; readonly slug: string }
  | { readonly of: 'sheet'; readonly id: string }
  | { readonly of: 'placements' }
  | { readonly of: 'keys' }
  /** At the start, and after notices went unheard. */
  | { readonly of: 'everything' }

/** A calculator's slug is sent as it is; no slug has a slash or a star in it. */
const SHEET = 'sheet/'
const PLACEMENTS = 'placements/'
const KEYS = 'keys/'
export const EVERYTHING = '*'

export function changeSaid(notice: string): Change {
  if (notice === EVERYTHING) return { of: 'everything' }
  if (notice === PLACEMENTS) return { of: 'placements' }
  if (notice === KEYS) return { of: 'keys' }
  if (notice.startsWith(SHEET)) return { of: 'sheet', id: notice.slice(SHEET.length) }
  return { of: 'calculator', slug: notice }
}

/** For whoever changes something visitors are served: says so to every server process, once the transaction is through. */
export function announcing(database: Sequelize) {
  const say = announce(database)
  return {
    calculator: (slug: string, transaction: Transaction) => say(slug, transaction),
    sheet: (id: string, transaction: Transaction) => say(`${SHEET}${id}`, transaction),
    placements: (transaction: Transaction) => say(PLACEMENTS, transaction),
    keys: (transaction: Transaction) => say(KEYS, transaction),
  }
}
