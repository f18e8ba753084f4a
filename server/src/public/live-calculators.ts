import pg from 'pg'
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { Logger } from 'pino'
import type { EditionContent, LiveCalculator } from '@vivid/contract'
import { openProgram, RateSheet } from '@vivid/core'
import type { KnownKey } from '../channels/key-limits'
import { createKeysStore } from '../channels/keys-store'
import { createPlacementsStore } from '../placements/placements-store'
import { placementsInMemory, type PlacementsInMemory } from '../placements/placing'

/** What visitors may know of a slug: a live calculator, or that it is not or no longer offered. */
export type Offer =
  | { readonly state: 'live'; readonly calculator: LiveCalculator; readonly newest: number }
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
  /** The highest number an edition of it has. */
  newest: number
}

const CHANNEL = 'live_calculators'
/** Before the address of a sheet, where a calculator's is a plain one. */
const SHEET = 'sheet/'
const PLACEMENTS = 'placements/'
const KEYS = 'keys/'
const RETRY_MS = 1_000

/** Says on the database's channel that a calculator's live edition changed; delivered when the transaction commits. */
export const announceChange =
  (database: Sequelize) =>
  async (slug: string, transaction: Transaction): Promise<void> => {
    await database.query('SELECT pg_notify(:channel, :slug)', {
      replacements: { channel: CHANNEL, slug },
      type: QueryTypes.SELECT,
      transaction,
    })
  }

/** The same for a rate sheet. */
export const announceSheet = (database: Sequelize) => (id: string, transaction: Transaction) =>
  announceChange(database)(`${SHEET}${id}`, transaction)

/** The same for what is placed where, and for the keys of other channels. */
export const announcePlacements = (database: Sequelize) => (transaction: Transaction) =>
  announceChange(database)(PLACEMENTS, transaction)
export const announceKeys = (database: Sequelize) => (transaction: Transaction) =>
  announceChange(database)(KEYS, transaction)

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
  #listener: pg.Client | undefined
  #retry: NodeJS.Timeout | undefined
  #closed = false

  constructor(
    private readonly database: Sequelize,
    private readonly databaseUrl: string,
    private readonly log: Logger,
  ) {}

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
    return this.#listener !== undefined
  }

  /** The sheets of these addresses as they stand; one that is not there is left out. */
  sheets(ids: readonly string[]): RateSheet[] {
    return ids.flatMap((id) => this.#sheets.get(id) ?? [])
  }

  /** An edition of a calculator that was live before, as it was frozen. */
  async edition(slug: string, number: number): Promise<LiveCalculator | undefined> {
    const [row] = await this.database.query<OfferRow>(
      `SELECT c.slug, FALSE AS taken_down, '' AS taken_down_message, e.number, e.content, e.sha256, e.published_at, e.number AS newest
         FROM calculators c JOIN editions e ON e.calculator_id = c.id
        WHERE c.slug = :slug AND e.number = :number`,
      { replacements: { slug, number }, type: QueryTypes.SELECT },
    )
    const offer = row && offerOf(row)
    return offer?.state === 'live' ? offer.calculator : undefined
  }

  async open(): Promise<void> {
    const listener = new pg.Client({
      connectionString: this.databaseUrl,
      application_name: 'vivid-meter listener',
    })
    listener.on('error', (err) => this.#lost(listener, err))
    listener.on('end', () => this.#lost(listener))
    listener.on('notification', ({ payload }) => void this.#refresh(payload ?? ''))
    await listener.connect()
    this.#listener = listener
    await listener.query(`LISTEN ${CHANNEL}`)
    // Only once listening, so that no change falls between reading and listening.
    await this.#fill()
  }

  async close(): Promise<void> {
    this.#closed = true
    clearTimeout(this.#retry)
    await this.#listener?.end().catch(() => undefined)
  }

  #lost(listener: pg.Client, err?: Error): void {
    if (this.#closed || this.#listener !== listener) return
    this.#listener = undefined
    this.log.warn({ err }, 'the database went away; visitors are served from memory')
    this.#reopenSoon()
  }

  #reopenSoon(): void {
    this.#retry = setTimeout(() => {
      this.open().then(
        () => this.log.info('the database is back'),
        () => {
          this.#listener = undefined
          this.#reopenSoon()
        },
      )
    }, RETRY_MS)
  }

  async #fill(): Promise<void> {
    const offers = await this.#read()
    this.#offers.clear()
    for (const [slug, offer] of offers) this.#offers.set(slug, offer)
    await Promise.all([this.#readSheets(), this.#readPlacements(), this.#readKeys()])
  }

  async #refresh(slug: string): Promise<void> {
    try {
      if (slug === PLACEMENTS) return await this.#readPlacements()
      if (slug === KEYS) return await this.#readKeys()
      if (slug.startsWith(SHEET)) return await this.#readSheets(slug.slice(SHEET.length))
      for (const [changed, offer] of await this.#read(slug)) this.#offers.set(changed, offer)
      this.#generation++
    } catch (err) {
      this.log.error({ err, slug }, 'a changed calculator could not be read; the one before stays on offer')
    }
  }

  async #readSheets(id?: string): Promise<void> {
    const rows = await this.database.query<{ id: string; sheet: unknown }>(
      'SELECT id, sheet FROM rate_sheets WHERE sheet IS NOT NULL AND (CAST(:id AS text) IS NULL OR id = :id)',
      { replacements: { id: id ?? null }, type: QueryTypes.SELECT },
    )
    for (const { id: changed, sheet } of rows) this.#sheets.set(changed, RateSheet.parse(sheet))
    this.#generation++
  }

  async #readPlacements(): Promise<void> {
    this.#placements = placementsInMemory(await createPlacementsStore(this.database).placements())
  }

  async #readKeys(): Promise<void> {
    const all = await createKeysStore(this.database).all()
    this.#keys = new Map(
      all.flatMap(({ hash, id, perMinute, withdrawnAt }) => (withdrawnAt ? [] : [[hash, { id, perMinute }]])),
    )
  }

  async #read(slug?: string): Promise<[string, Offer][]> {
    const rows = await this.database.query<OfferRow>(
      `SELECT c.slug, c.taken_down_at IS NOT NULL AS taken_down, c.taken_down_message,
              e.number, e.content, e.sha256, e.published_at,
              (SELECT max(number) FROM editions WHERE calculator_id = c.id) AS newest
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
  newest,
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
  return { state: 'live', calculator, newest }
}
