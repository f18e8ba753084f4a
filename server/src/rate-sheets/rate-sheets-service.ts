import equal from 'fast-deep-equal'
import type { Sequelize, Transaction } from 'sequelize'
import type {
  AtRevision,
  Person,
  SaveSheet,
  SendDraft,
  SendSheetBack,
  SheetImpactSaid,
  SheetListed,
  SheetState,
} from '@vivid/contract'
import type { RateSheet } from '@vivid/core'
import type { CalculatorsStore } from '../calculators/calculators-store'
import { minuteOf } from '../clock'
import type { EditionsStore } from '../editions/editions-store'
import { authorsOf, contributorsNamed, contributorsOf, refuseContributor } from '../editions/four-eyes'
import { AppError } from '../http/app-error'
import { answeringStale, refuseStale } from '../http/stale'
import type { PeopleStore } from '../people/people-store'
import { sheetEntry } from '../record/entries'
import type { RecordStore } from '../record/record-store'
import type { Work } from '../threads/pool'
import { refuseFaulty } from './refuse-faulty'
import type { RateSheetsStore, SheetData } from './rate-sheets-store'

export interface RateSheetsDeps {
  readonly database: Sequelize
  readonly sheets: RateSheetsStore
  readonly record: RecordStore
  readonly calculators: CalculatorsStore
  readonly editions: EditionsStore
  readonly people: PeopleStore
  readonly now: () => Date
  readonly work: Work
  /** Tells every server process, once the transaction is through, that a sheet changed. */
  readonly announce: (sheetId: string, transaction: Transaction) => Promise<void>
}

export type RateSheetsService = ReturnType<typeof createRateSheetsService>

/**
 * Keeping rate sheets: a draft is edited, sent, and approved by somebody who had no hand in it; from then on each of
 * its versions is in force from its minute on, in every calculator that looks it up.
 */
export function createRateSheetsService(deps: RateSheetsDeps) {
  const { database, sheets, record, calculators, editions, people, now, announce, work } = deps

  /** Each sheet as the desk lists it, or one. */
  async function said(id?: string): Promise<SheetListed[]> {
    const [found, past, users, nameOf] = await Promise.all([
      id === undefined ? sheets.all() : sheets.byId(id),
      sheets.editionsListed(id),
      calculators.sheetUsers(),
      people.names(),
    ])
    return found.map((data): SheetListed => {
      const { draft, live, revision, lastEditedBy, lastEditedAt, sentBy, sentNote, sentBack } = data
      const state = stateOf(data)
      return {
        sheet: draft,
        live: live ?? null,
        revision,
        state,
        lastEditedBy: nameOf(lastEditedBy),
        lastEditedById: lastEditedBy,
        lastEditedAt: lastEditedAt.toISOString(),
        contributors: contributorsNamed(data, nameOf),
        sentBy: state === 'sent' && sentBy ? nameOf(sentBy) : null,
        sentNote: state === 'sent' ? sentNote : '',
        sentBack: sentBack && { ...sentBack, by: nameOf(sentBack.by) },
        editions: past
          .filter(({ sheetId }) => sheetId === data.id)
          .map((edition) => ({
            number: edition.number,
            approvedAt: edition.approvedAt.toISOString(),
            approvedBy: edition.approvedBy && nameOf(edition.approvedBy),
            editedBy: nameOf(edition.editedBy),
            contributors: authorsOf(edition).map(nameOf),
            note: edition.note,
          })),
        usedBy: users.filter(({ sheet }) => sheet === data.id).map(({ title }) => title),
      }
    })
  }

  async function one(id: string): Promise<SheetListed> {
    const [found] = await said(id)
    if (!found) throw unknownSheet(id)
    return found
  }

  /** Runs an action on a sheet at a revision that no one else can change meanwhile; a stale one is answered with the sheet as it stands. */
  async function atRevision(
    id: string,
    revision: number,
    act: (sheet: SheetData, transaction: Transaction) => Promise<void>,
  ): Promise<SheetListed> {
    await answeringStale(
      () =>
        database.transaction(async (transaction) => {
          const sheet = await sheets.locked(id, transaction)
          if (!sheet) throw unknownSheet(id)
          refuseStale(sheet, revision)
          await act(sheet, transaction)
        }),
      () => one(id),
    )
    return one(id)
  }

  return {
    listed: () => said(),

    /** What a changed sheet would do to the calculators that are live. Keeps nothing. */
    async impact(sheet: RateSheet, person: Person): Promise<SheetImpactSaid> {
      refuseFaulty(sheet)
      const [inForce, live] = [await sheets.inForce(), await editions.liveDrafts()]
      return work.do(
        'impact',
        { sheet, inForce, live, now: minuteOf(now()) },
        { who: person.id, what: `impact of ${sheet.id}` },
      )
    },

    async save({ revision, sheet }: SaveSheet, person: Person): Promise<SheetListed> {
      refuseFaulty(sheet)
      if (revision > 0)
        return atRevision(sheet.id, revision, async (before, transaction) => {
          // What changes nothing is no change: its revision stays, and nobody contributed.
          if (equal(before.draft, sheet)) return
          await sheets.save(sheet, revision, person.id, transaction)
          await record.appendChange(sheetEntry('sheetChanged', sheet, person), transaction)
        })
      await database.transaction(async (transaction) => {
        const isAdded = await sheets.add(sheet, person.id, transaction)
        if (!isAdded) throw new AppError('SHEET_TAKEN', { details: { sheet: sheet.id } })
        await record.append(sheetEntry('sheetAdded', sheet, person), transaction)
      })
      return one(sheet.id)
    },

    send: (id: string, { revision, note }: SendDraft, person: Person) =>
      atRevision(id, revision, async (sheet, transaction) => {
        if (sheet.liveRevision === revision) throw new AppError('SHEET_UNCHANGED')
        refuseFaulty(sheet.draft)
        const progress = { sentRevision: revision, sentBy: person.id, sentNote: note, sentBack: null }
        await sheets.setProgress(id, progress, transaction)
        await record.append(sheetEntry('sheetSent', sheet.draft, person, { note }), transaction)
      }),

    sendBack: (id: string, { revision, text }: SendSheetBack, person: Person) =>
      atRevision(id, revision, async (sheet, transaction) => {
        if (sheet.sentRevision !== revision) throw new AppError('NOT_SENT_FOR_APPROVAL')
        const sentBack = { by: person.id, at: now().toISOString(), text }
        await sheets.setProgress(id, { sentRevision: null, sentBy: null, sentBack }, transaction)
        await record.append(sheetEntry('sheetSentBack', sheet.draft, person, { note: text }), transaction)
      }),

    /** Puts a draft that was sent in force. Not for whoever contributed to it. */
    approve: (id: string, { revision }: AtRevision, person: Person) =>
      atRevision(id, revision, async (sheet, transaction) => {
        if (sheet.sentRevision !== revision) throw new AppError('NOT_SENT_FOR_APPROVAL')
        refuseContributor(sheet, person)
        const contributors = contributorsOf(sheet)
        const edition = await sheets.putInForce(sheet, contributors, person.id, now(), transaction)
        const nameOf = await people.names(transaction)
        const details = { edition, by: contributors.map(nameOf).join(', ') }
        await record.append(sheetEntry('sheetApproved', sheet.draft, person, details), transaction)
        await announce(id, transaction)
      }),

    /** A state that was approved before, to look at or to start from. */
    async edition(id: string, number: number | undefined): Promise<RateSheet> {
      const found = number === undefined ? undefined : await sheets.edition(id, number)
      if (!found) throw unknownSheet(`${id}, edition ${number}`)
      return found.sheet
    },
  }
}

const unknownSheet = (id: string) => new AppError('SHEET_UNKNOWN', { details: { sheet: id.slice(0, 80) } })

function stateOf({ revision, liveRevision, sentRevision }: SheetData): SheetState {
  if (liveRevision === revision) return 'live'
  if (sentRevision === revision) return 'sent'
  return liveRevision === null ? 'draft' : 'liveWithChanges'
}
