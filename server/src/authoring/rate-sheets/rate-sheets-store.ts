import { createHash } from 'node:crypto'
import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { RateSheet } from '@vivid/core'
import { asking } from '../../platform/database/asking'
import { jsonb, table, type RowOf } from '../../platform/database/table'

/** A rate sheet as stored: its draft with a revision, and what of it is in force. */
const columns = {
  id: z.string(),
  draft: jsonb(RateSheet),
  /** What is in force; null: nothing was approved yet. */
  sheet: jsonb(RateSheet.nullable()),
  revision: z.number(),
  lastEditedBy: z.string(),
  lastEditedAt: z.date(),
  liveRevision: z.number().nullable(),
  sentRevision: z.number().nullable(),
  sentBy: z.string().nullable(),
  sentNote: z.string(),
  sentBack: jsonb(z.object({ by: z.string(), at: z.string(), text: z.string() }).nullable()),
  /** The ids of all who changed the draft since a state of it was approved; the database adds whoever saves. */
  contributors: z.array(z.string()).readonly(),
}
export type SheetData = RowOf<typeof columns>

/** A state of a sheet that was approved. */
const editionColumns = {
  sheetId: z.string(),
  number: z.number(),
  sheet: jsonb(RateSheet),
  revision: z.number(),
  editedBy: z.string(),
  /** Null: it was here before approvals were asked for. */
  approvedBy: z.string().nullable(),
  approvedAt: z.date(),
  note: z.string(),
  /** The ids of all who changed it since the state before. */
  contributors: z.array(z.string()).readonly(),
}

export type SheetProgress = Partial<Pick<SheetData, 'sentRevision' | 'sentBy' | 'sentNote' | 'sentBack'>>

export type RateSheetsStore = ReturnType<typeof createRateSheetsStore>

export function createRateSheetsStore(database: Sequelize) {
  const ask = asking(database)
  const sheets = table(database, 'rate_sheets', columns)
  const editions = table(database, 'sheet_editions', editionColumns)
  const all = (transaction?: Transaction) => sheets.find('ORDER BY id', {}, transaction)

  return {
    all,
    /** The sheet of an address, if there is one. */
    byId: (id: string) => sheets.find('WHERE id = :id', { id }),
    /** What is in force of one sheet, or of all: what visitors' figures come from. */
    async inForce(id?: string): Promise<RateSheet[]> {
      const which = 'WHERE CAST(:id AS text) IS NULL OR id = :id ORDER BY id'
      return (await sheets.pick(['sheet'], which, { id: id ?? null })).flatMap(({ sheet }) => sheet ?? [])
    },
    /** What drafts are tried with: what is in force, and the draft of a sheet of which nothing was approved yet. */
    async tried(): Promise<RateSheet[]> {
      return (await all()).map(({ sheet, draft }) => sheet ?? draft)
    },
    /** Says whether any of them is another than it was. */
    async mark(): Promise<string> {
      const found = await sheets.pick(['id', 'revision', 'liveRevision'], 'ORDER BY id')
      const text = found.map(
        ({ id, revision, liveRevision }) => `${id} ${liveRevision ?? `draft ${revision}`}`,
      )
      return createHash('sha256').update(text.join('\n')).digest('hex').slice(0, 16)
    },
    /** The sheets as they were approved by a moment. */
    async approvedBy(moment: Date): Promise<RateSheet[]> {
      const found = await editions.find(
        `AS e WHERE number = (SELECT max(number) FROM sheet_editions
           WHERE sheet_id = e.sheet_id AND approved_at <= :moment) ORDER BY sheet_id`,
        { moment },
      )
      return found.map(({ sheet }) => sheet)
    },
    /** The sheet, kept from anyone else's changes until the transaction ends. */
    locked: (id: string, transaction: Transaction) =>
      sheets.first('WHERE id = :id FOR UPDATE', { id }, transaction),
    /** Adds a sheet's draft unless its address is taken; whether it was added. */
    add: (sheet: RateSheet, personId: string, transaction: Transaction) =>
      sheets.addUnlessTaken({ id: sheet.id, draft: sheet, lastEditedBy: personId }, transaction),
    /** Saves the draft if it still has this revision; whether it had. */
    async save(
      sheet: RateSheet,
      revision: number,
      personId: string,
      transaction: Transaction,
    ): Promise<boolean> {
      const next = { draft: sheet, revision: revision + 1, lastEditedBy: personId, lastEditedAt: new Date() }
      return (await sheets.change(next, { id: sheet.id, revision }, transaction)) === 1
    },
    async setProgress(id: string, progress: SheetProgress, transaction: Transaction): Promise<void> {
      await sheets.change(progress, { id }, transaction)
    },
    /** Puts a sheet's draft in force as its next edition; the edition's number. */
    async putInForce(
      { id, draft, revision, lastEditedBy, sentNote }: SheetData,
      contributors: readonly string[],
      approvedBy: string,
      at: Date,
      transaction: Transaction,
    ): Promise<number> {
      const newest = await ask.first(
        z.object({ number: z.number().nullable() }),
        'SELECT max(number) AS number FROM sheet_editions WHERE sheet_id = :id',
        { id },
        transaction,
      )
      const number = (newest?.number ?? 0) + 1
      const edition = { sheetId: id, number, sheet: draft, revision, editedBy: lastEditedBy }
      await editions.add(
        { ...edition, approvedBy, approvedAt: at, note: sentNote, contributors },
        transaction,
      )
      const nothingWaits = {
        sentRevision: null,
        sentBy: null,
        sentNote: '',
        sentBack: null,
        contributors: [],
      }
      await sheets.change({ sheet: draft, liveRevision: revision, ...nothingWaits }, { id }, transaction)
      return number
    },
    /** The approved states of one sheet or of all, without their rows; newest first. */
    editionsListed: (id?: string) =>
      editions.pick(
        ['sheetId', 'number', 'revision', 'editedBy', 'approvedBy', 'approvedAt', 'note', 'contributors'],
        'WHERE CAST(:id AS text) IS NULL OR sheet_id = :id ORDER BY number DESC',
        { id: id ?? null },
      ),
    edition: (id: string, number: number) =>
      editions.first('WHERE sheet_id = :id AND number = :number', { id, number }),
  }
}
