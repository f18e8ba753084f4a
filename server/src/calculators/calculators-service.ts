import { UniqueConstraintError } from 'sequelize'
import type { Sequelize, Transaction } from 'sequelize'
import {
  CalculatorFile,
  type CalculatorCard,
  type CalculatorOpened,
  type MakeCalculator,
  type Person,
  type SaveDraft,
} from '@vivid/contract'
import {
  type CalculatorDocument,
  emptyCalculator,
  openDocument,
  type PlainDate,
  type RateSheet,
  starters,
  textIn,
} from '@vivid/core'
import type { EditionData, EditionsStore } from '../editions/editions-store'
import { houseStyleNamed } from '../house-styles/house-styles'
import { AppError } from '../http/app-error'
import type { PeopleStore } from '../people/people-store'
import { calculatorEntry, sheetEntry } from '../record/entries'
import type { RecordStore } from '../record/record-store'
import { refuseFaulty } from '../rate-sheets/rate-sheets-service'
import type { RateSheetsStore } from '../rate-sheets/rate-sheets-store'
import { stateOf } from './calculator-state'
import { cardMeterOf } from './card-meter'
import type { CalculatorData, CalculatorsStore } from './calculators-store'
import { slugOf } from './slug'

export interface CalculatorsDeps {
  readonly database: Sequelize
  readonly calculators: CalculatorsStore
  readonly sheets: RateSheetsStore
  readonly record: RecordStore
  readonly announceSheet: (sheetId: string, transaction: Transaction) => Promise<void>
  readonly editions: EditionsStore
  readonly people: PeopleStore
  readonly today: () => PlainDate
  /** The lender whose calculators these are. */
  readonly lender: string
}

export type CalculatorsService = ReturnType<typeof createCalculatorsService>

/** Making, opening and editing calculators. Putting them live is the editions' part. */
export function createCalculatorsService(deps: CalculatorsDeps) {
  const { database, calculators, editions, sheets, people, today, lender, announceSheet, record } = deps
  const nameOf = async (id: string) => (await people.byId(id))?.name ?? 'someone'

  async function existing(id: string): Promise<CalculatorData> {
    const found = isUuid(id) ? await calculators.byId(id) : undefined
    if (!found) throw new AppError('CALCULATOR_UNKNOWN', { details: { calculator: id.slice(0, 80) } })
    return found
  }

  async function card(calculator: CalculatorData, allSheets: readonly RateSheet[]): Promise<CalculatorCard> {
    const { id, slug, draft, liveEdition } = calculator
    const live = liveEdition === null ? undefined : await editions.one(id, liveEdition)
    return {
      id,
      slug,
      title: titleOf(draft),
      currency: draft.currency,
      languages: draft.languages,
      state: stateOf(calculator, live?.revision),
      liveEdition,
      lastEditedBy: await nameOf(calculator.lastEditedBy),
      lastEditedAt: calculator.lastEditedAt.toISOString(),
      sampleName: draft.samples[0]?.name ?? '',
      meter: cardMeterOf(draft, today(), allSheets),
    }
  }

  async function opened(calculator: CalculatorData): Promise<CalculatorOpened> {
    const all = await editions.ofCalculator(calculator.id)
    const live = all.find(({ number }) => number === calculator.liveEdition)
    const { id, slug, revision, draft, lastEditedBy, lastEditedAt, sentBy, sentBack, liveEdition } =
      calculator
    const state = stateOf(calculator, live?.revision)
    return {
      id,
      slug,
      revision,
      document: draft,
      state,
      lastEditedBy: await nameOf(lastEditedBy),
      lastEditedById: lastEditedBy,
      lastEditedAt: lastEditedAt.toISOString(),
      sentBy: state === 'sent' && sentBy !== null ? await nameOf(sentBy) : null,
      sentNote: state === 'sent' ? calculator.sentNote : '',
      sentBack: sentBack && { ...sentBack, by: await nameOf(sentBack.by), remarks: [...sentBack.remarks] },
      liveEdition,
      editions: await Promise.all(all.map(summary)),
      lastPublished: all[0]?.draft ?? null,
      style: houseStyleNamed(calculator.houseStyle),
    }
  }

  const summary = async ({ number, sha256, note, publishedAt, approvedBy, editedBy }: EditionData) => ({
    number,
    note,
    sha256,
    publishedAt: publishedAt.toISOString(),
    approvedBy: await nameOf(approvedBy),
    editedBy: await nameOf(editedBy),
  })

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
        await record.append(sheetEntry('sheetAdded', sheet, person), transaction)
        await announceSheet(sheet.id, transaction)
      })
    }
    return kept
  }

  return {
    existing,
    async list(): Promise<CalculatorCard[]> {
      const allSheets = (await sheets.all()).map(({ sheet }) => sheet)
      return Promise.all((await calculators.all()).map((calculator) => card(calculator, allSheets)))
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
      const all = await sheets.all()
      return {
        format: 'vivid-meter/calculator',
        document: draft,
        sheets: all.map(({ sheet }) => sheet).filter((sheet) => used.has(sheet.id)),
      }
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
        if (next !== undefined) await record.appendChange(entry, transaction)
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
