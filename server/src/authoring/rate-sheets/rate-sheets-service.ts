import { dequal as equal } from 'dequal/lite'
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
import { minuteOf } from '../../platform/clock'
import {
  changingDrafts,
  comingAboutOf,
  nothingSent,
  refuseNotSent,
  sentForApproval,
} from '../approval/drafts'
import { authorsOf, contributorsOf, refuseContributor } from '../approval/four-eyes'
import { AppError } from '../../platform/http/app-error'
import type { PeopleStore } from '../../team/people/people-store'
import { sheetEntry } from '../../team/record/entries'
import type { RecordStore } from '../../team/record/record-store'
import type { Elsewhere } from '../../platform/threads/task'
import type { ImpactAsked, LiveDocument } from './impact'
import { refuseFaulty } from './refuse-faulty'
import type { RateSheetsStore, SheetData } from './rate-sheets-store'

export interface RateSheetsDeps {
  readonly database: Sequelize
  readonly sheets: RateSheetsStore
  readonly record: RecordStore
  readonly lookedUpBy: LookedUpBy
  readonly people: PeopleStore
  readonly now: () => Date
  readonly impact: Elsewhere<ImpactAsked, SheetImpactSaid>
  /** Tells every server process, once the transaction is through, that a sheet changed. */
  readonly announce: (sheetId: string, transaction: Transaction) => Promise<void>
}

/** The calculators, as far as they look values up. */
export interface LookedUpBy {
  /** Which look up in which sheets, by their titles in their main language. */
  sheetUsers(): Promise<readonly { readonly sheet: string; readonly title: string }[]>
  /** The documents that what is live was made from. */
  liveDrafts(): Promise<readonly LiveDocument[]>
}

export type RateSheetsService = ReturnType<typeof createRateSheetsService>

/**
 * Keeping rate sheets: a draft is edited, sent, and approved by somebody who had no hand in it; from then on each of
 * its versions is in force from its minute on, in every calculator that looks it up.
 */
export function createRateSheetsService(deps: RateSheetsDeps) {
  const { database, sheets, record, lookedUpBy, people, now, announce } = deps

  /** Each sheet as the desk lists it, or one. */
  async function said(id?: string): Promise<SheetListed[]> {
    const [found, past, users, nameOf] = await Promise.all([
      id === undefined ? sheets.all() : sheets.byId(id),
      sheets.editionsListed(id),
      lookedUpBy.sheetUsers(),
      people.names(),
    ])
    return found.map((data): SheetListed => {
      const state = stateOf(data)
      return {
        sheet: data.draft,
        live: data.sheet,
        revision: data.revision,
        state,
        ...comingAboutOf(data, state === 'sent', nameOf),
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

  const { atRevision } = changingDrafts({ database, locked: sheets.locked, open: one, unknown: unknownSheet })

  return {
    listed: () => said(),

    /** What a changed sheet would do to the calculators that are live. Keeps nothing. */
    async impact(sheet: RateSheet, person: Person): Promise<SheetImpactSaid> {
      refuseFaulty(sheet)
      const [inForce, live] = [await sheets.inForce(), await lookedUpBy.liveDrafts()]
      return deps.impact(
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
        await sheets.setProgress(id, sentForApproval(revision, person, note), transaction)
        await record.append(sheetEntry('sheetSent', sheet.draft, person, { note }), transaction)
      }),

    sendBack: (id: string, { revision, text }: SendSheetBack, person: Person) =>
      atRevision(id, revision, async (sheet, transaction) => {
        refuseNotSent(sheet, revision)
        const sentBack = { by: person.id, at: now().toISOString(), text }
        await sheets.setProgress(id, { ...nothingSent, sentBack }, transaction)
        await record.append(sheetEntry('sheetSentBack', sheet.draft, person, { note: text }), transaction)
      }),

    /** Puts a draft that was sent in force. Not for whoever contributed to it. */
    approve: (id: string, { revision }: AtRevision, person: Person) =>
      atRevision(id, revision, async (sheet, transaction) => {
        refuseNotSent(sheet, revision)
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
