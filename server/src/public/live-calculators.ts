import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { Logger } from 'pino'
import type { EditionContent, LiveCalculator } from '@vivid/contract'
import { openProgram, RateSheet } from '@vivid/core'
import { announce, listenForNotices, type Notices } from '../database/notices'
import type { KnownKey } from '../channels/key-limits'
import { createKeysStore } from '../channels/keys-store'
import { createPlacementsStore } from '../placements/placements-store'
import { placementsInMemory, type PlacementsInMemory } from '../placements/placing'
import { createRefresher, type Refresher } from './refresher'

/** What visitors may know of a slug: a live calculator, or that it is not or no longer offered. */
export type Offer =
  | {
      readonly state: 'live'
      readonly calculator: LiveCalculator
      /** The numbers of all editions visitors ever had. */
      readonly lived: ReadonlySet<number>
    }
  /** With what visitors read in its place; empty: the page's own words. */
  | { readonly state: 'takenDown'; readonly message: string }
  | { readonly state: 'notLive' }

interface OfferRow {
  slug: string
  taken_down: boolean
  taken_down_message: string
  number: number | null
  content: string
  sha256: string
  published_at: Date
  /** The numbers of the editions that were live. */
  lived: readonly number[]
}

/** Before the address of a sheet, where a calculator's is a plain one. */
const SHEET = 'sheet/'
const PLACEMENTS = 'placements/'
const KEYS = 'keys/'
/** All of it: at the start, and after notices went unheard. */
const EVERYTHING = '*'

/** Says that a calculator's live edition, a rate sheet, a placement or a key became another. */
export const announceChange = announce
export const announceSheet = (database: Sequelize) => (id: string, transaction: Transaction) =>
  announce(database)(`${SHEET}${id}`, transaction)
export const announcePlacements = (database: Sequelize) => (transaction: Transaction) =>
  announce(database)(PLACEMENTS, transaction)
export const announceKeys = (database: Sequelize) => (transaction: Transaction) =>
  announce(database)(KEYS, transaction)

/**
 * What is on offer, kept in memory: filled from PostgreSQL at the start, and one calculator at a time whenever
 * any server process announces a change. While the database is away, visitors are served what was known.
 */
export class LiveCalculators {
  readonly #offers = new Map<string, Offer>()
  readonly #sheets = new Map<string, RateSheet>()
  #placements = placementsInMemory([])
  #keys = new Map<string, KnownKey>()
  #generation = 0
  #notices: Notices | undefined
  readonly #refresher: Refresher

  constructor(
    private readonly database: Sequelize,
    private readonly databaseUrl: string,
    private readonly log: Logger,
  ) {
    this.#refresher = createRefresher((what) => this.#read(what), log)
  }

  get(slug: string): Offer | undefined {
    return this.#offers.get(slug)
  }

  /** Goes up whenever something here becomes something else. */
  get generation(): number {
    return this.#generation
  }

  /** Every calculator that is live. */
  all(): LiveCalculator[] {
    return [...this.#offers.values()].flatMap((offer) => (offer.state === 'live' ? [offer.calculator] : []))
  }

  get placements(): PlacementsInMemory {
    return this.#placements
  }

  /** The key of this hash, unless it was withdrawn. */
  keyByHash(hash: string): KnownKey | undefined {
    return this.#keys.get(hash)
  }

  /** Whether changes are heard of. */
  get isConnected(): boolean {
    return this.#notices !== undefined && this.#notices.unheardSince === undefined
  }

  /** For how many seconds what is here may have been another in the database; 0: it is as it stands there. */
  get secondsBehind(): number {
    const since = [this.#notices?.unheardSince, this.#refresher.behindSince].flatMap((at) =>
      at ? [Number(at)] : [],
    )
    return since.length === 0 ? 0 : (Date.now() - Math.min(...since)) / 1000
  }

  /** The sheets of these addresses as they stand; one that is not there is left out. */
  sheets(ids: readonly string[]): RateSheet[] {
    return ids.flatMap((id) => this.#sheets.get(id) ?? [])
  }

  /** An edition that visitors had before, as it was frozen; not one that waits for its time, or never came to it. */
  async edition(slug: string, number: number): Promise<LiveCalculator | undefined> {
    const [row] = await this.database.query<OfferRow>(
      `SELECT c.slug, FALSE AS taken_down, '' AS taken_down_message, e.number, e.content, e.sha256, e.published_at, ARRAY[e.number] AS lived
         FROM calculators c JOIN editions e ON e.calculator_id = c.id
         JOIN edition_lives l ON l.calculator_id = e.calculator_id AND l.number = e.number
        WHERE c.slug = :slug AND e.number = :number`,
      { replacements: { slug, number }, type: QueryTypes.SELECT },
    )
    const offer = row && offerOf(row)
    return offer?.state === 'live' ? offer.calculator : undefined
  }

  async open(): Promise<void> {
    this.#notices = await listenForNotices(this.databaseUrl, this.log, {
      onNotice: (what) => this.#refresher.refresh(what),
      // Only once listening, so that no change falls between reading and listening.
      onListening: () => this.#refresher.refresh(EVERYTHING),
    })
    await this.#refresher.settled()
  }

  async close(): Promise<void> {
    await this.#notices?.close()
    await this.#refresher.stop()
  }

  async #read(what: string): Promise<void> {
    if (what === EVERYTHING) {
      const offers = await this.#readOffers()
      const gone = new Set(this.#offers.keys())
      for (const [slug, offer] of offers) {
        this.#offers.set(slug, offer)
        gone.delete(slug)
      }
      for (const slug of gone) this.#offers.delete(slug)
      await this.#readSheets()
      await this.#readPlacements()
      await this.#readKeys()
    } else if (what === PLACEMENTS) await this.#readPlacements()
    else if (what === KEYS) await this.#readKeys()
    else if (what.startsWith(SHEET)) await this.#readSheets(what.slice(SHEET.length))
    else for (const [changed, offer] of await this.#readOffers(what)) this.#offers.set(changed, offer)
    this.#generation++
  }

  async #readSheets(id?: string): Promise<void> {
    const rows = await this.database.query<{ id: string; sheet: unknown }>(
      'SELECT id, sheet FROM rate_sheets WHERE sheet IS NOT NULL AND (CAST(:id AS text) IS NULL OR id = :id)',
      { replacements: { id: id ?? null }, type: QueryTypes.SELECT },
    )
    for (const { id: changed, sheet } of rows) this.#sheets.set(changed, RateSheet.parse(sheet))
  }

  async #readPlacements(): Promise<void> {
    this.#placements = placementsInMemory(await createPlacementsStore(this.database).placements())
  }

  async #readKeys(): Promise<void> {
    const all = await createKeysStore(this.database).all()
    this.#keys = new Map(
      all.flatMap(({ hash, id, perMinute, calculators, endsOn, withdrawnAt }) =>
        withdrawnAt ? [] : [[hash, { id, perMinute, calculators, endsOn }]],
      ),
    )
  }

  async #readOffers(slug?: string): Promise<[string, Offer][]> {
    const rows = await this.database.query<OfferRow>(
      `SELECT c.slug, c.taken_down_at IS NOT NULL AS taken_down, c.taken_down_message,
              e.number, e.content, e.sha256, e.published_at,
              ARRAY(SELECT number FROM edition_lives WHERE calculator_id = c.id) AS lived
         FROM calculators c
         LEFT JOIN editions e ON e.calculator_id = c.id AND e.number = c.live_edition
        WHERE CAST(:slug AS text) IS NULL OR c.slug = :slug`,
      { replacements: { slug: slug ?? null }, type: QueryTypes.SELECT },
    )
    return rows.map((row) => [row.slug, offerOf(row)])
  }
}

/** An edition's content as it was frozen, its program read anew where it is of an older version. */
function readContent(text: string): EditionContent {
  const content = JSON.parse(text) as EditionContent
  return { ...content, program: openProgram(content.program) }
}

function offerOf({
  slug,
  taken_down,
  taken_down_message,
  number,
  content,
  sha256,
  published_at,
  lived,
}: OfferRow): Offer {
  if (number === null)
    return taken_down ? { state: 'takenDown', message: taken_down_message } : { state: 'notLive' }
  const calculator: LiveCalculator = {
    slug,
    edition: number,
    sha256,
    publishedAt: published_at.toISOString(),
    content: readContent(content),
  }
  return { state: 'live', calculator, lived: new Set(lived) }
}
