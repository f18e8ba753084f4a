import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { Remark } from '@vivid/contract'
import { openDocument, type Answers, CalculatorDocument } from '@vivid/core'
import { asking } from '../../platform/database/asking'
import { jsonb, table, type RowOf } from '../../platform/database/table'

/** A stored document of whatever version; one that cannot be read is a fault of ours. */
export function openStored(stored: unknown): CalculatorDocument {
  const opened = openDocument(stored)
  if (!opened.ok) throw new Error(`a stored document cannot be read at ${opened.field}: ${opened.what}`)
  return opened.document
}

/** A calculator as stored: its draft with a revision, and how far it has come. */
const columns = {
  id: z.string(),
  slug: z.string(),
  draft: jsonb(z.unknown().transform(openStored)),
  /** Goes up by one with every save. */
  revision: z.number(),
  lastEditedBy: z.string(),
  lastEditedAt: z.date(),
  sentRevision: z.number().nullable(),
  sentBy: z.string().nullable(),
  sentNote: z.string(),
  sentBack: jsonb(
    z.object({ by: z.string(), at: z.string(), remarks: z.array(Remark).readonly() }).nullable(),
  ),
  /** What an edition of the draft would hold, frozen when it was sent. */
  sentContent: z.string().nullable(),
  /** The rate sheets it looked up in when it was sent: the SHA-256 of each, by its address. */
  sentSheets: jsonb(z.record(z.string(), z.string()).nullable()),
  liveEdition: z.number().nullable(),
  takenDownAt: z.date().nullable(),
  takenDownMessage: z.string(),
  /** An approved edition that goes live at a time to come, and who approved it. */
  scheduledEdition: z.number().nullable(),
  scheduledAt: z.date().nullable(),
  scheduledBy: z.string().nullable(),
  houseStyle: z.string(),
  /** The ids of all who changed the draft since its last edition; the database adds whoever saves. */
  contributors: z.array(z.string()).readonly(),
  folder: z.string(),
  putAway: z.boolean(),
}
export type CalculatorData = RowOf<typeof columns>

export type SheetsSent = Readonly<Record<string, string>>

export type NewCalculator = Pick<CalculatorData, 'slug' | 'draft' | 'lastEditedBy' | 'contributors'>

/** What changes of a calculator on its way to visitors and back. */
export type CalculatorProgress = Partial<
  Omit<CalculatorData, 'id' | 'slug' | 'draft' | 'revision' | 'lastEditedBy' | 'lastEditedAt' | 'houseStyle'>
>

/** What the list says of a calculator, without its draft; and what its meter was worked out from, if it was. */
const Card = z.object({
  id: columns.id,
  slug: columns.slug,
  revision: columns.revision,
  lastEditedBy: columns.lastEditedBy,
  lastEditedAt: columns.lastEditedAt,
  sentRevision: columns.sentRevision,
  liveEdition: columns.liveEdition,
  takenDownAt: columns.takenDownAt,
  houseStyle: columns.houseStyle,
  title: CalculatorDocument.shape.title,
  languages: CalculatorDocument.shape.languages,
  currency: CalculatorDocument.shape.currency,
  sampleName: z.string(),
  meterMark: z.string().nullable(),
  folder: columns.folder,
  putAway: columns.putAway,
  /** Whether visitors ever had it. */
  wasLive: z.boolean(),
  scheduledEdition: z.number().nullable(),
})
export type CardData = z.output<typeof Card>
/** A document of the first version has its title otherwise, and no languages. */
const CardOfVersion1 = Card.extend({ title: z.unknown(), languages: z.null(), currency: z.unknown() })

export type CalculatorsStore = ReturnType<typeof createCalculatorsStore>

export function createCalculatorsStore(database: Sequelize) {
  const ask = asking(database)
  const calculators = table(database, 'calculators', columns)
  const byId = (id: string) => calculators.first('WHERE id = :id', { id })

  return {
    byId,
    bySlug: (slug: string) => calculators.first('WHERE slug = :slug', { slug }),
    /** With whole drafts; only for the few that are asked for. */
    async byIds(ids: readonly string[]): Promise<ReadonlyMap<string, CalculatorData>> {
      const found = ids.length === 0 ? [] : await calculators.find('WHERE id IN (:ids)', { ids })
      return new Map(found.map((calculator) => [calculator.id, calculator]))
    },
    /** What the first sample visitor of each answers, by slug. */
    async firstAnswers(): Promise<ReadonlyMap<string, Answers>> {
      const found = await ask.rows(
        z.object({ slug: z.string(), answers: z.record(z.string(), z.unknown()).nullable() }),
        `SELECT slug, coalesce(draft #> '{samples,0,answers}', draft #> '{sample,answers}') AS answers FROM calculators`,
      )
      return new Map(found.map(({ slug, answers }) => [slug, answers ?? {}]))
    },
    /** Last changed first. */
    async cards(): Promise<CardData[]> {
      const found = await ask.rows(
        z.union([CardOfVersion1, Card]),
        `SELECT id, slug, revision, last_edited_by AS "lastEditedBy", last_edited_at AS "lastEditedAt",
                sent_revision AS "sentRevision", live_edition AS "liveEdition", taken_down_at AS "takenDownAt",
                house_style AS "houseStyle", draft -> 'title' AS title, draft -> 'languages' AS languages,
                draft ->> 'currency' AS currency, coalesce(draft -> 'samples' -> 0 ->> 'name', '') AS "sampleName",
                m.mark AS "meterMark", folder, put_away AS "putAway",
                scheduled_edition AS "scheduledEdition",
                EXISTS (SELECT 1 FROM edition_lives l WHERE l.calculator_id = id) AS "wasLive"
           FROM calculators LEFT JOIN calculator_meters m ON m.calculator_id = id ORDER BY last_edited_at DESC`,
      )
      const cards = found.map(async (card): Promise<CardData[]> => {
        if (isCard(card)) return [card]
        const draft = (await byId(card.id))?.draft
        if (!draft) return []
        const { title, languages, currency, samples } = draft
        return [{ ...card, title, languages, currency, sampleName: samples[0]?.name ?? '' }]
      })
      return (await Promise.all(cards)).flat()
    },
    /** Which calculators look values up in which sheets, by their titles in their main language. */
    sheetUsers: () =>
      ask.rows(
        z.object({ sheet: z.string(), title: z.string() }),
        `SELECT DISTINCT step ->> 'sheet' AS sheet, coalesce(draft -> 'title' ->> (draft -> 'languages' ->> 0), '') AS title
           FROM calculators, jsonb_array_elements(draft -> 'steps') AS step
          WHERE step ->> 'kind' = 'lookUp' ORDER BY title`,
      ),
    /** The calculator, kept from anyone else's changes until the transaction ends. */
    locked: (id: string, transaction: Transaction) =>
      calculators.first('WHERE id = :id FOR UPDATE', { id }, transaction),
    /** Addresses that begin like this one, as far as a number behind it leaves its letters. */
    async slugsLike(slug: string): Promise<Set<string>> {
      const found = await calculators.pick(['slug'], 'WHERE starts_with(slug, :start)', {
        start: slug.slice(0, 50),
      })
      return new Set(found.map(({ slug }) => slug))
    },
    add: (calculator: NewCalculator, transaction: Transaction) => calculators.add(calculator, transaction),
    /** Changes a locked calculator's draft or style: its next revision. */
    async change(
      { id, revision }: CalculatorData,
      fields: Partial<Pick<CalculatorData, 'draft' | 'houseStyle'>>,
      personId: string,
      transaction: Transaction,
    ): Promise<void> {
      const next = { ...fields, revision: revision + 1, lastEditedBy: personId, lastEditedAt: new Date() }
      await calculators.change(next, { id }, transaction)
    },
    /** The calculator whose timed edition is due longest, kept from every other process until the transaction ends. */
    claimDue: (now: Date, transaction: Transaction) =>
      calculators.first(
        'WHERE scheduled_at <= :now ORDER BY scheduled_at LIMIT 1 FOR UPDATE SKIP LOCKED',
        { now },
        transaction,
      ),
    remove: (id: string, transaction: Transaction) => calculators.remove({ id }, transaction),
    async setProgress(id: string, progress: CalculatorProgress, transaction: Transaction): Promise<void> {
      await calculators.change(progress, { id }, transaction)
    },
  }
}

const isCard = (card: CardData | z.output<typeof CardOfVersion1>): card is CardData => card.languages !== null
