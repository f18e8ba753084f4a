import equal from 'fast-deep-equal'
import { UniqueConstraintError } from 'sequelize'
import type { Sequelize, Transaction } from 'sequelize'
import {
  CalculatorFile,
  type CalculatorCard,
  type CalculatorOpened,
  type ChooseStyle,
  type EditionContent,
  type HouseStyle,
  type MakeCalculator,
  type Person,
  type SaveDraft,
} from '@vivid/contract'
import {
  type CalculatorDocument,
  emptyCalculator,
  openDocument,
  type RateSheet,
  starters,
  textIn,
} from '@vivid/core'
import type { EditionData, EditionsStore } from '../editions/editions-store'
import type { HouseStylesStore } from '../house-styles/house-styles-store'
import type { TellBroken } from '../broken-steps'
import { momentOf } from '../clock'
import { AppError } from '../http/app-error'
import type { PeopleStore } from '../people/people-store'
import { calculatorEntry, sheetEntry } from '../record/entries'
import type { RecordStore } from '../record/record-store'
import { refuseFaulty } from '../rate-sheets/refuse-faulty'
import type { RateSheetsStore } from '../rate-sheets/rate-sheets-store'
import { stateOf } from './calculator-state'
import { cardMeterOf } from './card-meter'
import type { CalculatorData, CalculatorsStore } from './calculators-store'
import { proofsChanged } from './proofs-changed'
import { slugOf } from './slug'

export interface CalculatorsDeps {
  readonly database: Sequelize
  readonly calculators: CalculatorsStore
  readonly sheets: RateSheetsStore
  readonly record: RecordStore
  readonly styles: HouseStylesStore
  readonly announceSheet: (sheetId: string, transaction: Transaction) => Promise<void>
  readonly editions: EditionsStore
  readonly people: PeopleStore
  readonly tellBroken: TellBroken
  readonly now: () => Date
  /** The lender whose calculators these are. */
  readonly lender: string
}

export type CalculatorsService = ReturnType<typeof createCalculatorsService>

/** Making, opening and editing calculators. Putting them live is the editions' part. */
export function createCalculatorsService(deps: CalculatorsDeps) {
  const { database, calculators, editions, sheets, styles, people, now, lender, announceSheet, record } = deps
  const { tellBroken } = deps

  async function existing(id: string): Promise<CalculatorData> {
    const found = isUuid(id) ? await calculators.byId(id) : undefined
    if (!found) throw new AppError('CALCULATOR_UNKNOWN', { details: { calculator: id.slice(0, 80) } })
    return found
  }

  async function card(
    calculator: CalculatorData,
    allSheets: readonly RateSheet[],
    styleOf: (id: string) => HouseStyle,
    nameOf: (id: string) => string,
  ): Promise<CalculatorCard> {
    const { id, slug, draft, liveEdition } = calculator
    const live = liveEdition === null ? undefined : await editions.one(id, liveEdition)
    return {
      id,
      slug,
      title: titleOf(draft),
      currency: draft.currency,
      languages: draft.languages,
      state: stateOf(calculator, isUpToDate(calculator, live, styleOf)),
      liveEdition,
      lastEditedBy: nameOf(calculator.lastEditedBy),
      lastEditedAt: calculator.lastEditedAt.toISOString(),
      sampleName: draft.samples[0]?.name ?? '',
      meter: cardMeterOf(draft, { today: momentOf(now()), sheets: allSheets }, (evaluation) =>
        tellBroken(`draft ${slug}`, evaluation),
      ),
    }
  }

  /** What visitors had when it was taken down; the record knows. */
  async function lastLiveEdition({ id, liveEdition, takenDownAt }: CalculatorData): Promise<number | null> {
    if (liveEdition !== null || takenDownAt === null) return null
    return record.liveEditionAt(id, new Date(takenDownAt.getTime() - 1))
  }

  async function opened(calculator: CalculatorData): Promise<CalculatorOpened> {
    const [all, styleOf, nameOf] = await Promise.all([
      editions.ofCalculator(calculator.id),
      styles.resolved(),
      people.names(),
    ])
    const live = all.find(({ number }) => number === calculator.liveEdition)
    const { id, slug, revision, draft, lastEditedBy, lastEditedAt, sentBy, sentBack, liveEdition } =
      calculator
    const state = stateOf(calculator, isUpToDate(calculator, live, styleOf))
    return {
      id,
      slug,
      revision,
      document: draft,
      state,
      lastEditedBy: nameOf(lastEditedBy),
      lastEditedById: lastEditedBy,
      lastEditedAt: lastEditedAt.toISOString(),
      sentBy: state === 'sent' && sentBy !== null ? nameOf(sentBy) : null,
      sentNote: state === 'sent' ? calculator.sentNote : '',
      sentBack: sentBack && { ...sentBack, by: nameOf(sentBack.by), remarks: [...sentBack.remarks] },
      liveEdition,
      lastLiveEdition: await lastLiveEdition(calculator),
      editions: all.map(({ number, sha256, note, publishedAt, approvedBy, editedBy }) => ({
        number,
        note,
        sha256,
        publishedAt: publishedAt.toISOString(),
        approvedBy: nameOf(approvedBy),
        editedBy: nameOf(editedBy),
      })),
      lastPublished: all[0]?.draft ?? null,
      scheduled: scheduledOf(calculator, nameOf),
      houseStyle: calculator.houseStyle,
      style: styleOf(calculator.houseStyle),
    }
  }

  async function madeFrom(
    asked: MakeCalculator,
  ): Promise<{ document: CalculatorDocument; sheets: readonly RateSheet[] }> {
    switch (asked.from) {
      case 'empty':
        return { document: emptyCalculator(), sheets: [] }
      case 'starter': {
        const starter = starters.find(({ id }) => id === asked.starter)
        if (!starter) throw new AppError('STARTER_UNKNOWN', { details: { starter: asked.starter } })
        return { document: starter.make(), sheets: starter.sheets }
      }
      case 'copy':
        return { document: (await existing(asked.calculator)).draft, sheets: [] }
      case 'file':
        return readFile(asked.file)
    }
  }

  /** Adds the sheets that are not here yet; the names of those that are, and stay as they are. */
  async function addSheets(brought: readonly RateSheet[], person: Person): Promise<string[]> {
    const kept: string[] = []
    for (const sheet of brought) {
      await database.transaction(async (transaction) => {
        if (!(await sheets.add(sheet, person.id, transaction))) return void kept.push(sheet.name)
        const added = await sheets.locked(sheet.id, transaction)
        // No calculator looks it up yet: it is checked with the one that brought it, before that goes live.
        if (added) await sheets.putInForce(added, null, now(), transaction)
        await record.append(sheetEntry('sheetAdded', sheet, person), transaction)
        await announceSheet(sheet.id, transaction)
      })
    }
    return kept
  }

  return {
    existing,
    async list(): Promise<CalculatorCard[]> {
      const [allSheets, styleOf, nameOf, all] = await Promise.all([
        sheets.inForce(),
        styles.resolved(),
        people.names(),
        calculators.all(),
      ])
      return Promise.all(all.map((calculator) => card(calculator, allSheets, styleOf, nameOf)))
    },
    async open(id: string): Promise<CalculatorOpened> {
      return opened(await existing(id))
    },
    /** A new calculator under an address no other has, with the rate sheets it brings along. */
    async make(asked: MakeCalculator, person: Person): Promise<CalculatorOpened> {
      const { document, sheets: brought } = await madeFrom(asked)
      brought.forEach(refuseFaulty)
      const title = asked.title ?? titleOf(document)
      const draft: CalculatorDocument = { ...document, title: titled(document, title), lender }
      const kept = await addSheets(brought, person)
      for (;;) {
        const slug = slugOf(title, await calculators.slugsLike(slugOf(title, new Set())))
        try {
          const made = await opened(
            await database.transaction(async (transaction) => {
              const added = await calculators.add({ slug, draft, lastEditedBy: person.id }, transaction)
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
    /** A calculator as a file that another installation can read. */
    async file(id: string): Promise<CalculatorFile> {
      const { draft } = await existing(id)
      const used = new Set(draft.steps.flatMap((step) => (step.kind === 'lookUp' ? [step.sheet] : [])))
      const all = await sheets.inForce()
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
      const before = await existing(id)
      const style = (await styles.all()).find((one) => one.id === houseStyle)
      if (!style) throw new AppError('STYLE_UNKNOWN', { details: { style: houseStyle } })
      const saved = await database.transaction(async (transaction) => {
        const isSaved = await calculators.chooseStyle(id, revision, houseStyle, person.id, transaction)
        const entry = calculatorEntry('styleChosen', before, person, { style: style.name })
        if (isSaved) await record.append(entry, transaction)
        return isSaved
      })
      const now = await opened(await existing(id))
      if (!saved) throw new AppError('REVISION_STALE', { body: { current: now } })
      return now
    },
    /** Saves a draft on top of the revision it was made from; a stale one is refused with the draft as it stands. */
    async saveDraft(
      id: string,
      { revision, document }: SaveDraft,
      person: Person,
    ): Promise<CalculatorOpened> {
      const before = await existing(id)
      const saved = await database.transaction(async (transaction) => {
        const next = await calculators.saveDraft(id, revision, document, person.id, transaction)
        const entry = calculatorEntry('draftChanged', before, person, { revision })
        if (next === undefined) return undefined
        await record.appendChange(entry, transaction)
        for (const change of proofsChanged(before.draft, document))
          await record.append(calculatorEntry('proofChanged', before, person, { ...change }), transaction)
        return next
      })
      const now = await opened(await existing(id))
      if (saved === undefined) throw new AppError('REVISION_STALE', { body: { current: now } })
      return now
    },
  }
}

const titleOf = ({ title, languages: [main = ''] }: CalculatorDocument) => textIn(title, main, main)

/** The title in the main language; another language keeps its own only where the title stays the starter's. */
const titled = (
  { title, languages: [main = ''] }: CalculatorDocument,
  words: string,
): CalculatorDocument['title'] => (title[main] === words ? title : { [main]: words })

/** Whether an edition made of the draft now would be the live one again: the same revision, dressed the same. */
function isUpToDate(
  { revision, houseStyle }: CalculatorData,
  live: EditionData | undefined,
  styleOf: (id: string) => HouseStyle,
): boolean {
  if (live?.revision !== revision) return false
  return equal((JSON.parse(live.content) as EditionContent).style, styleOf(houseStyle))
}

const scheduledOf = (
  { scheduledEdition, scheduledAt, scheduledBy }: CalculatorData,
  nameOf: (id: string) => string,
): CalculatorOpened['scheduled'] =>
  scheduledEdition === null || scheduledAt === null
    ? null
    : { number: scheduledEdition, at: scheduledAt.toISOString(), by: nameOf(scheduledBy ?? '') }

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
