import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { RecordEntry, type RecordPage, type RecordQuery, type RecordVerified } from '@vivid/contract'
import { asking } from '../../platform/database/asking'
import { jsonb, table, type RowOf } from '../../platform/database/table'
import { FIRST, hashOf } from './entry-hash'

/** What is put on record; who, and when if not now. */
export interface NewEntry extends Pick<RecordEntry, 'act' | 'of' | 'id' | 'subject' | 'details'> {
  readonly person: { readonly id: string; readonly name: string }
  readonly at?: Date
}

const columns = {
  ...RecordEntry.shape,
  number: z.coerce.number(),
  at: z.date(),
  /** Null in entries of before it was kept. */
  personId: z.string().nullable(),
  details: jsonb(RecordEntry.shape.details),
  previous: z.string(),
}
type Row = RowOf<typeof columns>

export type RecordStore = ReturnType<typeof createRecordStore>

/** Any fixed number: entries are added one after the other, whichever server process adds them. */
const LOCK = 468_000_002
/** Somebody who goes on changing the same draft is on record once in this time. */
const SAME_CHANGE_MINUTES = 15
const PAGE = 100
const BATCH = 1_000

/** `now`: the time that new entries carry. */
export function createRecordStore(database: Sequelize, now: () => Date = () => new Date()) {
  const ask = asking(database)
  const entries = table(database, 'record', columns)

  /** Adds an entry within the transaction of what it is about: either both happen or neither. */
  async function append(entry: NewEntry, transaction: Transaction): Promise<void> {
    await ask.run('SELECT pg_advisory_xact_lock(:lock)', { lock: LOCK }, transaction)
    const last = await entries.first('ORDER BY number DESC LIMIT 1', {}, transaction)
    const { person, at = now(), ...what } = entry
    const previous = last?.hash ?? FIRST
    const made = {
      ...what,
      number: (last?.number ?? 0) + 1,
      at: at.toISOString(),
      person: person.name,
      personId: person.id,
      previous,
    }
    await entries.add({ ...made, at, hash: hashOf(made) }, transaction)
  }

  return {
    append,
    /** Adds entries that were made elsewhere, in their order, with the times they have. */
    async appendAll(
      added: readonly (NewEntry & { readonly at: Date })[],
      transaction: Transaction,
    ): Promise<void> {
      await ask.run('SELECT pg_advisory_xact_lock(:lock)', { lock: LOCK }, transaction)
      const last = await entries.first('ORDER BY number DESC LIMIT 1', {}, transaction)
      let [previous, number] = [last?.hash ?? FIRST, last?.number ?? 0]
      const rows = added.map(({ person, at, ...what }) => {
        const made = {
          ...what,
          number: ++number,
          at: at.toISOString(),
          person: person.name,
          personId: person.id || null,
          previous,
        }
        previous = hashOf(made)
        const { personId: person_id, ...row } = made
        return { ...row, person_id, hash: previous }
      })
      for (let from = 0; from < rows.length; from += BATCH)
        await ask.run(
          `INSERT INTO record (number, at, person_id, person, act, "of", id, subject, details, previous, hash)
             SELECT number, at, person_id, person, act, "of", id, subject, details, previous, hash
               FROM json_populate_recordset(NULL::public.record, :rows)`,
          { rows: JSON.stringify(rows.slice(from, from + BATCH)) },
          transaction,
        )
    },
    /** A draft was changed; once in a while for somebody who goes on changing it. */
    async appendChange(entry: NewEntry, transaction: Transaction): Promise<void> {
      const newest = 'WHERE id = :id ORDER BY number DESC LIMIT 1'
      const last = await entries.first(newest, { id: entry.id }, transaction)
      const isSame = last?.act === entry.act && last.personId === entry.person.id
      if (isSame && now().getTime() - last.at.getTime() < SAME_CHANGE_MINUTES * 60_000) return
      await append(entry, transaction)
    },

    /** Which edition of a calculator visitors had at a moment, by what was done until then; null: none. */
    async liveEditionAt(id: string, moment: Date): Promise<number | null> {
      const last = await entries.first(
        `WHERE id = :id AND at <= :moment AND act IN ('published', 'broughtBack', 'takenDown')
          ORDER BY at DESC, number DESC LIMIT 1`,
        { id, moment },
      )
      return !last || last.act === 'takenDown' ? null : Number(last.details.edition)
    },

    /** Newest first. */
    async page(query: RecordQuery): Promise<RecordPage> {
      const found = await entries.find(`${selected(query)} LIMIT ${PAGE + 1}`, query)
      const people = await ask.rows(
        z.object({ person: z.string() }),
        'SELECT DISTINCT person FROM record ORDER BY person',
      )
      return {
        entries: found.slice(0, PAGE).map(plain),
        next: found.length > PAGE ? (found[PAGE - 1]?.number ?? null) : null,
        people: people.map(({ person }) => person),
      }
    },

    /** Every entry a query asks for, newest first. */
    async all(query: RecordQuery): Promise<RecordEntry[]> {
      return (await entries.find(selected(query), query)).map(plain)
    },

    /** Works every hash out again, from the first entry to the last. */
    async verify(transaction?: Transaction): Promise<RecordVerified> {
      let [previous, number] = [FIRST, 0]
      for (;;) {
        const rows = await entries.find(
          `WHERE number > :number ORDER BY number LIMIT ${BATCH}`,
          { number },
          transaction,
        )
        for (const row of rows) {
          const { hash, ...entry } = plain(row)
          const again = hashOf({ ...entry, personId: row.personId, previous })
          if (entry.number !== number + 1 || row.previous !== previous || hash !== again)
            return { entries: number, brokenAt: number + 1, lastHash: null }
          previous = hash
          number = entry.number
        }
        if (rows.length < BATCH)
          return { entries: number, brokenAt: null, lastHash: number === 0 ? null : previous }
      }
    },
  }
}

const selected = ({ act, person, id, from, to, before }: RecordQuery): string => {
  const conditions = [
    act && 'act = :act',
    person && 'person = :person',
    id && 'id = :id',
    from && "at >= CAST(:from AS date) AT TIME ZONE 'UTC'",
    to && "at < (CAST(:to AS date) + 1) AT TIME ZONE 'UTC'",
    before && 'number < :before',
  ].filter(Boolean)
  return `${conditions.length ? `WHERE ${conditions.join(' AND ')}` : ''} ORDER BY number DESC`
}
const plain = ({ number, at, person, act, of, id, subject, details, hash }: Row): RecordEntry =>
  RecordEntry.parse({
    number,
    at: at.toISOString(),
    person,
    act,
    of,
    id,
    subject,
    details,
    hash,
  })
