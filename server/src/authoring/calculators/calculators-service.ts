import { dequal as equal } from 'dequal/lite'
import { ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize'
import type { Sequelize } from 'sequelize'
import {
  CalculatorFile,
  styleSpeaking,
  type CalculatorCard,
  type CalculatorOpened,
  type ChooseStyle,
  type HouseStyle,
  type MakeCalculator,
  type Person,
  type SaveDraft,
  type PlaceInList,
  type RecordAct,
} from '@vivid/contract'
import { slugOf } from '@vivid/contract/formats'
import {
  type CalculatorDocument,
  emptyCalculator,
  openDocument,
  type RateSheet,
  starters,
  mainTitle,
} from '@vivid/core'
import type { EditionsStore, LiveMark } from './editions-store'
import type { HouseStylesStore } from '../house-styles/house-styles-store'
import { changingDrafts, comingAboutOf, sentForApproval } from '../approval/drafts'
import { authorsOf } from '../approval/four-eyes'
import { AppError } from '../../platform/http/app-error'
import type { PeopleStore } from '../../team/people/people-store'
import { calculatorEntry, sheetEntry } from '../../team/record/entries'
import type { RecordStore } from '../../team/record/record-store'
import { refuseFaulty } from '../rate-sheets/refuse-faulty'
import type { RateSheetsStore } from '../rate-sheets/rate-sheets-store'
import { usedSheets } from '../rate-sheets/used-sheets'
import { readEdition } from '../approval/edition-content'
import { stateOf } from './calculator-state'
import type { CardMeters } from './card-meters'
import type { CalculatorData, CalculatorsStore } from './calculators-store'
import { proofsChanged } from './proofs-changed'

export interface CalculatorsDeps {
  readonly database: Sequelize
  readonly calculators: CalculatorsStore
  readonly sheets: RateSheetsStore
  readonly record: RecordStore
  readonly styles: HouseStylesStore
  readonly editions: EditionsStore
  readonly people: PeopleStore
  readonly cardMeters: CardMeters
  /** The lender whose calculators these are. */
  readonly lender: string
}

export type CalculatorsService = ReturnType<typeof createCalculatorsService>

/** Making, opening and editing calculators. Putting them live is the editions' part. */
export function createCalculatorsService(deps: CalculatorsDeps) {
  const { database, calculators, editions, sheets, styles, people, lender, record, cardMeters } = deps

  async function existing(id: string): Promise<CalculatorData> {
    const found = isUuid(id) ? await calculators.byId(id) : undefined
    if (!found) throw unknownCalculator(id)
    return found
  }

  /** What visitors had when it was taken down; the record knows. */
  async function lastLiveEdition({ id, liveEdition, takenDownAt }: CalculatorData): Promise<number | null> {
    if (liveEdition !== null || takenDownAt === null) return null
    return record.liveEditionAt(id, new Date(takenDownAt.getTime() - 1))
  }

  async function opened(calculator: CalculatorData): Promise<CalculatorOpened> {
    const [all, [live], styleOf, nameOf] = await Promise.all([
      editions.listed(calculator.id),
      editions.liveMarks(calculator.id),
      styles.resolved(),
      people.names(),
    ])
    const newest = all.find(({ number, wasLive }) => wasLive || number === calculator.scheduledEdition)
    const lastPublished = newest && (await editions.draftOf(calculator.id, newest.number))
    const { id, slug, revision, draft, sentBack, liveEdition } = calculator
    const state = stateOf(
      calculator,
      isUpToDate({ ...calculator, languages: draft.languages }, live, styleOf),
    )
    return {
      id,
      slug,
      revision,
      document: draft,
      state,
      ...comingAboutOf(calculator, state === 'sent', nameOf),
      sentBack: sentBack && { ...sentBack, by: nameOf(sentBack.by), remarks: [...sentBack.remarks] },
      liveEdition,
      lastLiveEdition: await lastLiveEdition(calculator),
      editions: all.map((edition) => ({
        number: edition.number,
        note: edition.note,
        sha256: edition.sha256,
        publishedAt: edition.publishedAt.toISOString(),
        approvedBy: nameOf(edition.approvedBy),
        editedBy: nameOf(edition.editedBy),
        contributors: authorsOf(edition).map(nameOf),
        wasLive: edition.wasLive,
      })),
      lastPublished: lastPublished ?? null,
      scheduled: scheduledOf(calculator, nameOf),
      houseStyle: calculator.houseStyle,
      style: state === 'sent' ? styleSent(calculator) : styleOf(calculator.houseStyle),
    }
  }

  async function madeFrom(asked: MakeCalculator): Promise<Made> {
    switch (asked.from) {
      case 'empty':
        return { document: emptyCalculator(), sheets: [], contributors: [] }
      case 'starter': {
        const starter = starters.find(({ id }) => id === asked.starter)
        if (!starter) throw new AppError('STARTER_UNKNOWN', { details: { starter: asked.starter } })
        const begunFrom = { starter: starter.id, settled: [] }
        return { document: { ...starter.make(), begunFrom }, sheets: starter.sheets, contributors: [] }
      }
      case 'copy': {
        // What was not approved there is not approved here either: whoever wrote it has contributed to the copy.
        const { draft, contributors } = await existing(asked.calculator)
        return { document: draft, sheets: [], contributors }
      }
      case 'file':
        return { ...readFile(asked.file), contributors: [] }
    }
  }

  /** Adds the sheets that are not here yet, and sends them for approval; the names of those that are, and stay as they are. */
  async function addSheets(brought: readonly RateSheet[], person: Person, title: string): Promise<string[]> {
    const kept: string[] = []
    for (const sheet of brought) {
      await database.transaction(async (transaction) => {
        if (!(await sheets.add(sheet, person.id, transaction))) return void kept.push(sheet.name)
        const sentNote = `Came with the calculator “${title}”.`
        await sheets.setProgress(sheet.id, sentForApproval(1, person, sentNote), transaction)
        await record.append(sheetEntry('sheetAdded', sheet, person), transaction)
        await record.append(sheetEntry('sheetSent', sheet, person, { note: sentNote }), transaction)
      })
    }
    return kept
  }

  const open = async (id: string): Promise<CalculatorOpened> => opened(await existing(id))
  const drafts = changingDrafts({ database, locked: calculators.locked, open, unknown: unknownCalculator })
  /** What changes nothing is no change: its revision stays. */
  const changed: typeof drafts.atRevision = async (id, revision, act) => {
    await existing(id)
    return drafts.atRevision(id, revision, act)
  }

  return {
    existing,
    open,
    /** Runs an action on a calculator that no one else can change meanwhile. */
    withLocked: drafts.withLocked,
    async list(): Promise<CalculatorCard[]> {
      const [cards, styleOf, nameOf, marks] = await Promise.all([
        calculators.cards(),
        styles.resolved(),
        people.names(),
        editions.liveMarks(),
      ])
      const meters = await cardMeters.of(cards)
      const markOf = new Map(marks.map((mark) => [mark.calculatorId, mark]))
      return cards.map((card): CalculatorCard => {
        const { id, slug, languages, currency, liveEdition, sampleName } = card
        return {
          id,
          slug,
          title: mainTitle(card),
          currency,
          languages,
          state: stateOf(card, isUpToDate(card, markOf.get(id), styleOf)),
          liveEdition,
          lastEditedBy: nameOf(card.lastEditedBy),
          lastEditedAt: card.lastEditedAt.toISOString(),
          sampleName,
          folder: card.folder,
          putAway: card.putAway,
          mayGo: !card.wasLive && card.scheduledEdition === null,
          meter: meters.get(id)?.meter ?? null,
          meterWaits: meters.get(id)?.waits ?? true,
        }
      })
    },
    /** A new calculator under an address no other has, with the rate sheets it brings along. */
    async make(asked: MakeCalculator, person: Person): Promise<CalculatorOpened> {
      const { document, sheets: brought, contributors } = await madeFrom(asked)
      brought.forEach(refuseFaulty)
      const title = asked.title ?? mainTitle(document)
      const draft: CalculatorDocument = { ...document, title: titled(document, title), lender }
      const kept = await addSheets(brought, person, title)
      const makers = [...new Set([...contributors, person.id])]
      for (;;) {
        const slug = slugOf(title, await calculators.slugsLike(slugOf(title, new Set())))
        try {
          const made = await opened(
            await database.transaction(async (transaction) => {
              const added = await calculators.add(
                { slug, draft, lastEditedBy: person.id, contributors: makers },
                transaction,
              )
              const entry = calculatorEntry('calculatorMade', added, person, { from: asked.from })
              await record.append(entry, transaction)
              return added
            }),
          )
          return kept.length > 0 ? { ...made, sheetsKept: kept } : made
        } catch (error) {
          // Another took the address in between: look again.
          if (!(error instanceof UniqueConstraintError)) throw error
        }
      }
    },
    /** Moves a calculator to a folder, puts it away or takes it up again; its draft stays as it is. */
    async place(id: string, asked: PlaceInList, person: Person): Promise<CalculatorOpened> {
      await existing(id)
      return drafts.withLocked(id, async (before, transaction) => {
        const inUse =
          before.liveEdition !== null ||
          before.scheduledEdition !== null ||
          before.sentRevision === before.revision
        if (asked.putAway && inUse)
          throw new AppError('CALCULATOR_IN_USE', { details: { calculator: mainTitle(before.draft) } })
        await calculators.setProgress(id, asked, transaction)
        const entry = (act: RecordAct, details = {}) =>
          record.append(calculatorEntry(act, before, person, details), transaction)
        if (asked.folder !== before.folder) await entry('calculatorFiled', { folder: asked.folder })
        if (asked.putAway !== before.putAway)
          await entry(asked.putAway ? 'calculatorPutAway' : 'calculatorTakenUp')
      })
    },
    /** Removes a calculator for good that visitors never had; that it was there stays on record. */
    async remove(id: string, person: Person): Promise<void> {
      const { draft } = await existing(id)
      const refused = (code: 'CALCULATOR_WAS_LIVE' | 'CALCULATOR_IN_USE' | 'CALCULATOR_PLACED') =>
        new AppError(code, { details: { calculator: mainTitle(draft) } })
      await database
        .transaction(async (transaction) => {
          const found = await calculators.locked(id, transaction)
          if (!found) throw unknownCalculator(id)
          const all = await editions.listed(id, transaction)
          if (all.some(({ wasLive }) => wasLive)) throw refused('CALCULATOR_WAS_LIVE')
          if (found.scheduledEdition !== null) throw refused('CALCULATOR_IN_USE')
          await editions.removeAll(id, transaction)
          await calculators.remove(id, transaction)
          await record.append(calculatorEntry('calculatorRemoved', found, person), transaction)
        })
        .catch((error: unknown) => {
          throw error instanceof ForeignKeyConstraintError ? refused('CALCULATOR_PLACED') : error
        })
    },
    /** A calculator as a file that another installation can read. */
    async file(id: string): Promise<CalculatorFile> {
      const { draft } = await existing(id)
      const used = usedSheets(draft)
      const all = await sheets.tried()
      return {
        format: 'vivid-meter/calculator',
        document: draft,
        sheets: all.filter((sheet) => used.has(sheet.id)),
      }
    },
    /** Gives a calculator another house style; its next edition wears it. */
    async chooseStyle(
      id: string,
      { revision, houseStyle }: ChooseStyle,
      person: Person,
    ): Promise<CalculatorOpened> {
      const style = (await styles.all()).find((one) => one.id === houseStyle)
      if (!style) throw new AppError('STYLE_UNKNOWN', { details: { style: houseStyle } })
      return changed(id, revision, async (before, transaction) => {
        if (before.houseStyle === houseStyle) return
        await calculators.change(before, { houseStyle }, person.id, transaction)
        const entry = calculatorEntry('styleChosen', before, person, { style: style.name })
        await record.append(entry, transaction)
      })
    },
    /** Saves a draft on top of the revision it was made from; a stale one is refused with the draft as it stands. */
    saveDraft: (id: string, { revision, document }: SaveDraft, person: Person): Promise<CalculatorOpened> =>
      changed(id, revision, async (before, transaction) => {
        if (equal(before.draft, document)) return
        await calculators.change(before, { draft: document }, person.id, transaction)
        await record.appendChange(calculatorEntry('draftChanged', before, person, { revision }), transaction)
        for (const change of proofsChanged(before.draft, document))
          await record.append(calculatorEntry('proofChanged', before, person, { ...change }), transaction)
      }),
  }
}

/** A calculator about to be made: the sheets it brings, and whose figures that nobody approved it takes over. */
interface Made {
  readonly document: CalculatorDocument
  readonly sheets: readonly RateSheet[]
  readonly contributors: readonly string[]
}

/** What an edition of it would wear: as it was sent. */
const styleSent = ({ sentContent }: CalculatorData): HouseStyle =>
  sentContent === null ? {} : readEdition(sentContent).style

/** The title in the main language; another language keeps its own only where the title stays the starter's. */
const titled = (
  { title, languages: [main = ''] }: CalculatorDocument,
  words: string,
): CalculatorDocument['title'] => (title[main] === words ? title : { [main]: words })

/** Whether an edition made of the draft now would be the live one again: the same revision, dressed the same. */
function isUpToDate(
  {
    revision,
    houseStyle,
    languages,
  }: Pick<CalculatorData, 'revision' | 'houseStyle'> & Pick<CalculatorDocument, 'languages'>,
  live: LiveMark | undefined,
  styleOf: (id: string) => HouseStyle,
): boolean {
  return live?.revision === revision && equal(live.style, styleSpeaking(styleOf(houseStyle), languages))
}

const scheduledOf = (
  { scheduledEdition, scheduledAt, scheduledBy }: CalculatorData,
  nameOf: (id: string) => string,
): CalculatorOpened['scheduled'] =>
  scheduledEdition === null || scheduledAt === null
    ? null
    : { number: scheduledEdition, at: scheduledAt.toISOString(), by: nameOf(scheduledBy ?? '') }

const unknownCalculator = (id: string) =>
  new AppError('CALCULATOR_UNKNOWN', { details: { calculator: id.slice(0, 80) } })

const isUuid = (text: string) => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text)

/** A saved calculator, of this version or an older one; refused with the place at fault. */
function readFile(file: unknown): { document: CalculatorDocument; sheets: readonly RateSheet[] } {
  const unreadable = (where: string, what: string) =>
    new AppError('FILE_UNREADABLE', { field: where, details: { where, what } })
  const parsed = CalculatorFile.safeParse(file)
  if (!parsed.success) {
    const [first] = parsed.error.issues
    throw unreadable(first?.path.join('.') || 'the start', first?.message ?? 'it is no calculator')
  }
  const opened = openDocument(parsed.data.document)
  if (!opened.ok) throw unreadable(`document.${opened.field}`, opened.what)
  return { document: opened.document, sheets: parsed.data.sheets }
}
