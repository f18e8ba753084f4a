import { dequal as equal } from 'dequal/lite'
import type { Sequelize, Transaction } from 'sequelize'
import {
  styleSpeaking,
  type Approve,
  type EditionSeen,
  type Person,
  type SendBack,
  type SendDraft,
  type SentSeen,
  type TakeDown,
} from '@vivid/contract'
import { languagesLacking } from '@vivid/contract/own-words'
import { begunBy, isoDate, type Program, type RateSheet } from '@vivid/core'
import type { CalculatorData, CalculatorsStore, SheetsSent } from './calculators-store'
import type { CalculatorsService } from './calculators-service'
import { dayOf, endOf, minuteOf, momentOf } from '../../platform/clock'
import type { HouseStylesStore } from '../house-styles/house-styles-store'
import { AppError } from '../../platform/http/app-error'
import { refuseStale } from '../../platform/http/stale'
import { nothingSent, refuseNotSent, sentForApproval } from '../approval/drafts'
import { contributorsOf, refuseContributor } from '../approval/four-eyes'
import type { ChecklistService } from '../approval/checklist'
import type { DraftAsked } from './draft-asked'
import { contentOf, freeze, readEdition, sha256Of, type FrozenContent } from '../approval/edition-content'
import type { PeopleStore } from '../../team/people/people-store'
import { calculatorEntry, outsider } from '../../team/record/entries'
import type { RecordStore } from '../../team/record/record-store'
import type { RateSheetsStore } from '../rate-sheets/rate-sheets-store'
import { sheetHashes, usedSheets } from '../rate-sheets/used-sheets'
import type { EditionsStore } from './editions-store'
import type { Elsewhere } from '../../platform/threads/task'

export interface EditionsDeps {
  readonly database: Sequelize
  readonly calculators: CalculatorsStore
  readonly service: CalculatorsService
  readonly editions: EditionsStore
  readonly sheets: RateSheetsStore
  readonly people: PeopleStore
  readonly record: RecordStore
  /** Tells every server process, once the transaction is through, that a calculator's live edition changed. */
  readonly announce: (slug: string, transaction: Transaction) => Promise<void>
  readonly styles: HouseStylesStore
  readonly checklist: Pick<ChecklistService, 'ticked'>
  readonly now: () => Date
  readonly check: Elsewhere<DraftAsked, Program>
}

/** A draft tried out, and the sheets it was tried with. */
interface Checked {
  readonly program: Program
  readonly lookedUp: SheetsSent
}

export type EditionsService = ReturnType<typeof createEditionsService>

/** From a draft to what visitors see: sent for approval, approved by another person, live as a frozen edition. */
export function createEditionsService(deps: EditionsDeps) {
  const { database, calculators, service, editions, sheets, styles, people, record, announce, now } = deps
  const { checklist } = deps

  /** The sheets in force that a draft looks values up in; refused while one of them was never approved. */
  async function sheetsFor({ draft }: CalculatorData, transaction?: Transaction): Promise<RateSheet[]> {
    const used = usedSheets(draft)
    const all = (await sheets.all(transaction)).filter(({ id }) => used.has(id))
    const waiting = all.find(({ sheet }) => !sheet)
    if (waiting) throw new AppError('SHEET_NOT_APPROVED', { details: { sheet: waiting.draft.name } })
    return all.flatMap(({ sheet }) => sheet ?? [])
  }

  /** Tries a draft out at its revision, before anything is locked: it may take a while. Refused where it is not fit to go live. */
  async function check(id: string, revision: number, person: Person): Promise<Checked | undefined> {
    const calculator = await service.existing(id)
    if (calculator.revision !== revision) return undefined
    const lookedUp = await sheetsFor(calculator)
    const program = await deps.check(
      { draft: calculator.draft, today: momentOf(now()), sheets: lookedUp },
      { who: person.id, what: `draft ${calculator.slug}` },
    )
    return { program, lookedUp: sheetHashes(lookedUp) }
  }

  /** Refuses what was tried with other sheets than are in force now. */
  async function refuseOtherSheets(calculator: CalculatorData, asTried: SheetsSent, t?: Transaction) {
    const lookedUp = await sheetsFor(calculator, t)
    const now = sheetHashes(lookedUp)
    const changed = lookedUp.find(({ id }) => now[id] !== asTried[id])
    if (changed)
      throw new AppError('SENT_OUTDATED', {
        details: { what: `the rate sheet “${changed.name}” was approved anew since` },
      })
  }

  /** What was sent, as it was sent; refused where the sheets it looks up are others by now. */
  async function contentSent(calculator: CalculatorData, transaction: Transaction): Promise<FrozenContent> {
    const { sentContent, sentSheets } = calculator
    if (sentContent === null || sentSheets === null) throw sentTooLongAgo()
    await refuseOtherSheets(calculator, sentSheets, transaction)
    return { text: sentContent, sha256: sha256Of(sentContent) }
  }

  /** Runs an action on a calculator that no one else can change meanwhile. */
  const withLocked: CalculatorsService['withLocked'] = async (id, act) => {
    await service.existing(id)
    return service.withLocked(id, act)
  }

  /** The same at a revision, with a draft that was tried out beforehand. */
  async function withChecked(
    { id, revision, person }: { readonly id: string; readonly revision: number; readonly person: Person },
    refuseFirst: (calculator: CalculatorData, t?: Transaction) => void | Promise<void>,
    act: (calculator: CalculatorData, checked: Checked, t: Transaction) => Promise<void>,
  ) {
    const found = await service.existing(id)
    if (found.revision === revision) await refuseFirst(found)
    const checked = await check(id, revision, person)
    return withLocked(id, async (calculator, transaction) => {
      refuseStale(calculator, revision)
      await refuseFirst(calculator, transaction)
      if (!checked) throw new AppError('REVISION_STALE')
      await act(calculator, checked, transaction)
    })
  }

  /** What an edition of the draft would wear now. */
  const styleOf = async ({ houseStyle, draft }: CalculatorData, transaction?: Transaction) =>
    styleSpeaking((await styles.resolved(transaction))(houseStyle), draft.languages)

  /** A language the page could speak only in part is not offered. */
  async function refuseUnspoken(calculator: CalculatorData, transaction?: Transaction): Promise<void> {
    const { words } = await styleOf(calculator, transaction)
    const [lacking] = await languagesLacking(calculator.draft.languages, words)
    if (lacking)
      throw new AppError('LANGUAGE_NOT_FILLED', {
        field: `languages.${calculator.draft.languages.indexOf(lacking.language)}`,
        details: { language: lacking.language, count: String(lacking.phrases.length) },
      })
  }

  async function refuseUnchanged(calculator: CalculatorData, transaction?: Transaction): Promise<void> {
    const [live] = await editions.liveMarks(calculator.id, transaction)
    if (live?.revision !== calculator.revision) return
    const style = await styleOf(calculator, transaction)
    if (equal(live.style, style)) {
      throw new AppError('DRAFT_UNCHANGED', { details: { number: String(calculator.liveEdition) } })
    }
  }

  async function refuseUnsendable(calculator: CalculatorData, transaction?: Transaction): Promise<void> {
    await refuseUnchanged(calculator, transaction)
    await refuseUnspoken(calculator, transaction)
  }

  /** Nothing waits for its time any more; whoever contributed to an edition that did contributed to what is not approved again. */
  async function withdrawn(calculator: CalculatorData, transaction: Transaction) {
    const { id, scheduledEdition } = calculator
    const edition =
      scheduledEdition === null ? undefined : await editions.one(id, scheduledEdition, transaction)
    const contributors = [...new Set([...calculator.contributors, ...(edition?.contributors ?? [])])]
    return { ...nothingScheduled, contributors }
  }

  return {
    /** An edition as visitors saw it at the end of a day, with the rates approved and begun by then. By default the day it was made. */
    async seen(id: string, number: number | undefined, asked: string | undefined): Promise<EditionSeen> {
      await service.existing(id)
      const edition = number === undefined ? undefined : await editions.one(id, number)
      if (number === undefined || !edition)
        throw new AppError('EDITION_UNKNOWN', { details: { number: String(number) } })
      const { program, style } = readEdition(edition.content)
      const on = asked ?? isoDate(dayOf(edition.publishedAt))
      const moment = endOf(on, now())
      const used = (await sheets.approvedBy(moment)).filter(({ id: sheet }) => program.sheets.includes(sheet))
      return {
        number,
        publishedAt: edition.publishedAt.toISOString(),
        on,
        document: edition.draft,
        program,
        style,
        sheets: used.map((sheet) => begunBy(sheet, minuteOf(moment))),
      }
    },

    /** Which edition visitors had at the end of a day; null where they had none. */
    async liveOn(id: string, day: string): Promise<number | null> {
      await service.existing(id)
      return record.liveEditionAt(id, endOf(day, now()))
    },

    /** What was sent, as it was frozen then, with the sheets in force; refused where nothing waits. */
    async sent(id: string): Promise<SentSeen> {
      const calculator = await service.existing(id)
      refuseNotSent(calculator, calculator.revision)
      if (calculator.sentContent === null) throw sentTooLongAgo()
      const { program, style } = readEdition(calculator.sentContent)
      return { program, style, sheets: await sheetsFor(calculator) }
    },

    send: (id: string, { revision, note }: SendDraft, person: Person) =>
      withChecked({ id, revision, person }, refuseUnsendable, async (calculator, checked, transaction) => {
        await refuseOtherSheets(calculator, checked.lookedUp, transaction)
        const style = await styleOf(calculator, transaction)
        const { text, sha256 } = freeze(contentOf(checked.program, style))
        const sent = sentForApproval(revision, person, note)
        const asSent = { sentContent: text, sentSheets: checked.lookedUp, putAway: false }
        await calculators.setProgress(id, { ...sent, ...asSent }, transaction)
        const details = { revision, note, sha256 }
        await record.append(calculatorEntry('sent', calculator, person, details), transaction)
      }),

    /** Gives a draft that was sent back to its author, saying what for. */
    sendBack: (id: string, { revision, remarks }: SendBack, person: Person) =>
      withLocked(id, async (calculator, transaction) => {
        refuseStale(calculator, revision)
        refuseNotSent(calculator, revision)
        const sentBack = { by: person.id, at: now().toISOString(), remarks }
        await calculators.setProgress(id, { ...nothingFrozen, sentBack }, transaction)
        const note = remarks.map(({ text }) => text).join(' · ')
        await record.append(calculatorEntry('sentBack', calculator, person, { revision, note }), transaction)
      }),

    /** Makes the next edition of a draft that was sent, as it was sent: live now, or at a time to come. Not for whoever contributed to it. */
    approve(id: string, { revision, at, checked: ticked }: Approve, person: Person) {
      const due = at === undefined ? undefined : new Date(at)
      const refuseFirst = async (calculator: CalculatorData, transaction?: Transaction) => {
        refuseNotSent(calculator, revision)
        refuseContributor(calculator, person)
        if (due && due <= now()) throw new AppError('TIME_PAST', { field: 'at', details: { time: at ?? '' } })
        if (calculator.sentSheets) await refuseOtherSheets(calculator, calculator.sentSheets, transaction)
        await checklist.ticked(ticked, transaction)
      }
      return withChecked({ id, revision, person }, refuseFirst, async (calculator, checked, transaction) => {
        await refuseOtherSheets(calculator, checked.lookedUp, transaction)
        const { text, sha256 } = await contentSent(calculator, transaction)
        const [newest] = await editions.listed(id, transaction)
        const number = (newest?.number ?? 0) + 1
        const contributors = contributorsOf(calculator)
        const nameOf = await people.names(transaction)
        await editions.add(
          {
            calculatorId: id,
            number,
            content: text,
            sha256,
            draft: calculator.draft,
            revision,
            editedBy: calculator.lastEditedBy,
            approvedBy: person.id,
            publishedAt: now(),
            note: calculator.sentNote,
            contributors,
          },
          transaction,
        )
        const approved = { ...nothingFrozen, sentNote: '', contributors: [] }
        const allTicked = await checklist.ticked(ticked, transaction)
        const details = {
          edition: number,
          sha256,
          revision,
          by: contributors.map(nameOf).join(', '),
          ...(allTicked && { checked: allTicked }),
        }
        if (due) {
          const timed = { scheduledEdition: number, scheduledAt: due, scheduledBy: person.id }
          await calculators.setProgress(id, { ...approved, ...timed }, transaction)
          const entry = calculatorEntry('scheduled', calculator, person, {
            ...details,
            at: due.toISOString(),
          })
          return record.append(entry, transaction)
        }
        await calculators.setProgress(id, { ...approved, ...live(number) }, transaction)
        await record.append(calculatorEntry('published', calculator, person, details), transaction)
        await announce(calculator.slug, transaction)
      })
    },

    /** Keeps an edition that waits for its time from going live. It stays among the editions. */
    unschedule: (id: string, person: Person) =>
      withLocked(id, async (calculator, transaction) => {
        if (calculator.scheduledEdition === null) throw new AppError('NOTHING_SCHEDULED')
        await calculators.setProgress(id, await withdrawn(calculator, transaction), transaction)
        const details = { edition: calculator.scheduledEdition }
        await record.append(calculatorEntry('unscheduled', calculator, person, details), transaction)
      }),

    /** Puts the edition live whose time has come longest ago, if there is one; whether there was. Any process may ask. */
    goLiveIfDue: (): Promise<boolean> =>
      database.transaction(async (transaction) => {
        const calculator = await calculators.claimDue(now(), transaction)
        const number = calculator?.scheduledEdition
        if (!calculator || number === undefined || number === null) return false
        await calculators.setProgress(calculator.id, live(number), transaction)
        const by = await people.byId(calculator.scheduledBy ?? '', transaction)
        const details = { edition: number, timed: calculator.scheduledAt?.toISOString() ?? '' }
        const entry = calculatorEntry('published', calculator, by ?? outsider('someone'), details)
        await record.append(entry, transaction)
        await announce(calculator.slug, transaction)
        return true
      }),

    takeDown: (id: string, { message }: TakeDown, person: Person) =>
      withLocked(id, async (calculator, transaction) => {
        if (calculator.liveEdition === null) {
          throw new AppError('CALCULATOR_NOT_LIVE', { details: { calculator: calculator.slug } })
        }
        const progress = {
          ...(await withdrawn(calculator, transaction)),
          liveEdition: null,
          takenDownAt: now(),
          takenDownMessage: message,
        }
        await calculators.setProgress(id, progress, transaction)
        const details = { edition: calculator.liveEdition, note: message }
        await record.append(calculatorEntry('takenDown', calculator, person, details), transaction)
        await announce(calculator.slug, transaction)
      }),

    /** Brings an edition that was live before back; it was checked and approved then, and has not changed. */
    bringBack: (id: string, number: number | undefined, person: Person) =>
      withLocked(id, async (calculator, transaction) => {
        const edition = (await editions.listed(id, transaction)).find((one) => one.number === number)
        if (number === undefined || !edition)
          throw new AppError('EDITION_UNKNOWN', { details: { number: String(number) } })
        const details = { edition: number }
        if (!edition.wasLive)
          throw new AppError('EDITION_NEVER_LIVE', { details: { number: String(number) } })
        const progress = { ...live(number), ...(await withdrawn(calculator, transaction)) }
        await calculators.setProgress(id, progress, transaction)
        await record.append(calculatorEntry('broughtBack', calculator, person, details), transaction)
        await announce(calculator.slug, transaction)
      }),
  }
}

const nothingFrozen = { ...nothingSent, sentContent: null, sentSheets: null }
const nothingScheduled = { scheduledEdition: null, scheduledAt: null, scheduledBy: null }
/** An edition becomes what visitors see; whatever waited for its time does not wait any more. */
const sentTooLongAgo = () =>
  new AppError('SENT_OUTDATED', { details: { what: 'it was sent before what is sent was kept' } })

const live = (number: number) => ({
  ...nothingScheduled,
  liveEdition: number,
  takenDownAt: null,
  putAway: false,
})
