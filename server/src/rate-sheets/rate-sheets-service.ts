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
import { textIn, type RateSheet } from '@vivid/core'
import type { CalculatorsStore } from '../calculators/calculators-store'
import { minuteOf } from '../clock'
import type { EditionsStore } from '../editions/editions-store'
import { AppError } from '../http/app-error'
import type { PeopleStore } from '../people/people-store'
import { sheetEntry } from '../record/entries'
import type { RecordStore } from '../record/record-store'
import { impactOf, usesSheet, type LiveDocument } from './impact'
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
  /** Tells every server process, once the transaction is through, that a sheet changed. */
  readonly announce: (sheetId: string, transaction: Transaction) => Promise<void>
}

export type RateSheetsService = ReturnType<typeof createRateSheetsService>

/**
 * Keeping rate sheets: a draft is edited, sent, and approved by somebody who did not change it last; from then on each of
 * its versions is in force from its minute on, in every calculator that looks it up.
 */
export function createRateSheetsService(deps: RateSheetsDeps) {
  const { database, sheets, record, calculators, editions, people, now, announce } = deps

  async function listed(): Promise<SheetListed[]> {
    const [all, drafts, nameOf] = await Promise.all([sheets.all(), calculators.all(), people.names()])
    const usersOf = (id: string) =>
      drafts
        .filter(({ draft }) => usesSheet(draft, id))
        .map(({ draft }) => textIn(draft.title, draft.languages[0] ?? '', draft.languages[0] ?? ''))
    return Promise.all(
      all.map(async (data): Promise<SheetListed> => {
        const { id, draft, live, revision, lastEditedBy, lastEditedAt, sentBy, sentNote, sentBack } = data
        const state = stateOf(data)
        return {
          sheet: draft,
          live: live ?? null,
          revision,
          state,
          lastEditedBy: nameOf(lastEditedBy),
          lastEditedById: lastEditedBy,
          lastEditedAt: lastEditedAt.toISOString(),
          sentBy: state === 'sent' && sentBy ? nameOf(sentBy) : null,
          sentNote: state === 'sent' ? sentNote : '',
          sentBack: sentBack && { ...sentBack, by: nameOf(sentBack.by) },
          editions: (await sheets.editionsOf(id)).map((edition) => ({
            number: edition.number,
            approvedAt: edition.approvedAt.toISOString(),
            approvedBy: edition.approvedBy && nameOf(edition.approvedBy),
            editedBy: nameOf(edition.editedBy),
            note: edition.note,
          })),
          usedBy: usersOf(id),
        }
      }),
    )
  }

  async function one(id: string): Promise<SheetListed> {
    const found = (await listed()).find(({ sheet }) => sheet.id === id)
    if (!found) throw unknownSheet(id)
    return found
  }

  /** Runs an action on a sheet at a revision that no one else can change meanwhile. */
  async function atRevision(
    id: string,
    revision: number,
    act: (sheet: SheetData, transaction: Transaction) => Promise<void>,
  ): Promise<SheetListed> {
    await database.transaction(async (transaction) => {
      const sheet = await sheets.locked(id, transaction)
      if (!sheet) throw unknownSheet(id)
      if (sheet.revision !== revision)
        throw new AppError('REVISION_STALE', { body: { current: await one(id) } })
      await act(sheet, transaction)
    })
    return one(id)
  }

  async function liveDocuments(): Promise<LiveDocument[]> {
    const live = (await calculators.all()).filter(({ liveEdition }) => liveEdition !== null)
    const found = await Promise.all(
      live.map(async ({ id, liveEdition }) => [id, await editions.one(id, liveEdition ?? 0)] as const),
    )
    return found.flatMap(([id, edition]) => (edition ? [{ id, document: edition.draft }] : []))
  }

  return {
    listed,

    /** What a changed sheet would do to the calculators that are live. Keeps nothing. */
    async impact(sheet: RateSheet): Promise<SheetImpactSaid> {
      refuseFaulty(sheet)
      return impactOf(sheet, await sheets.inForce(), await liveDocuments(), minuteOf(now()))
    },

    async save({ revision, sheet }: SaveSheet, person: Person): Promise<SheetListed> {
      refuseFaulty(sheet)
      await database.transaction(async (transaction) => {
        const saved =
          revision === 0
            ? await sheets.add(sheet, person.id, transaction)
            : await sheets.save(sheet, revision, person.id, transaction)
        if (!saved) await refuseUnsaved(sheet.id, revision)
        if (revision === 0) await record.append(sheetEntry('sheetAdded', sheet, person), transaction)
        else await record.appendChange(sheetEntry('sheetChanged', sheet, person), transaction)
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

    /** Puts a draft that was sent in force. Not for whoever changed it last. */
    approve: (id: string, { revision }: AtRevision, person: Person) =>
      atRevision(id, revision, async (sheet, transaction) => {
        if (sheet.sentRevision !== revision) throw new AppError('NOT_SENT_FOR_APPROVAL')
        if (sheet.lastEditedBy === person.id) throw new AppError('APPROVER_IS_LAST_EDITOR')
        const edition = await sheets.putInForce(sheet, person.id, now(), transaction)
        await record.append(sheetEntry('sheetApproved', sheet.draft, person, { edition }), transaction)
        await announce(id, transaction)
      }),

    /** A state that was approved before, to look at or to start from. */
    async edition(id: string, number: number): Promise<RateSheet> {
      const found = Number.isSafeInteger(number) ? await sheets.edition(id, number) : undefined
      if (!found) throw unknownSheet(`${id}, edition ${number}`)
      return found.sheet
    },
  }

  async function refuseUnsaved(id: string, revision: number): Promise<never> {
    if (revision === 0) throw new AppError('SHEET_TAKEN', { details: { sheet: id } })
    throw new AppError('REVISION_STALE', { body: { current: await one(id) } })
  }
}

const unknownSheet = (id: string) => new AppError('SHEET_UNKNOWN', { details: { sheet: id.slice(0, 80) } })

function stateOf({ revision, liveRevision, sentRevision }: SheetData): SheetState {
  if (liveRevision === revision) return 'live'
  if (sentRevision === revision) return 'sent'
  return liveRevision === null ? 'draft' : 'liveWithChanges'
}
