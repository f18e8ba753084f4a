import type { Sequelize, Transaction } from 'sequelize'
import {
  type AtRevision,
  compileSentenceWithPlace,
  type EditionContent,
  type EditionSeen,
  type Person,
  type SendBack,
  type SendDraft,
  type TakeDown,
} from '@vivid/contract'
import {
  compile,
  evaluate,
  isoDate,
  openProgram,
  runProofs,
  stoppingProblems,
  type PlainDate,
  type Program,
  type RateSheet,
} from '@vivid/core'
import type { CalculatorData, CalculatorsStore } from '../calculators/calculators-store'
import type { CalculatorsService } from '../calculators/calculators-service'
import { AppError } from '../http/app-error'
import { contentOf, freeze } from './edition-content'
import { calculatorEntry } from '../record/entries'
import type { RecordStore } from '../record/record-store'
import type { RateSheetsStore } from '../rate-sheets/rate-sheets-store'
import type { EditionsStore } from './editions-store'

export interface EditionsDeps {
  readonly database: Sequelize
  readonly calculators: CalculatorsStore
  readonly service: CalculatorsService
  readonly editions: EditionsStore
  readonly sheets: RateSheetsStore
  readonly record: RecordStore
  /** Tells every server process, once the transaction is through, that a calculator's live edition changed. */
  readonly announce: (slug: string, transaction: Transaction) => Promise<void>
  readonly today: () => PlainDate
}

export type EditionsService = ReturnType<typeof createEditionsService>

/** From a draft to what visitors see: sent for approval, approved by another person, live as a frozen edition. */
export function createEditionsService(deps: EditionsDeps) {
  const { database, calculators, service, editions, sheets, record, announce, today } = deps
  const allSheets = async (transaction: Transaction) =>
    (await sheets.all(transaction)).map(({ sheet }) => sheet)

  /** Runs an action on a calculator that no one else can change meanwhile. */
  async function withLocked(id: string, act: (calculator: CalculatorData, t: Transaction) => Promise<void>) {
    await service.existing(id)
    await database.transaction(async (transaction) => {
      const calculator = await calculators.locked(id, transaction)
      if (!calculator) throw new AppError('CALCULATOR_UNKNOWN', { details: { calculator: id } })
      await act(calculator, transaction)
    })
    return service.open(id)
  }

  async function refuseStale({ id, revision }: CalculatorData, asked: number): Promise<void> {
    if (revision !== asked)
      throw new AppError('REVISION_STALE', { body: { current: await service.open(id) } })
  }

  async function refuseUnchanged(calculator: CalculatorData, transaction: Transaction): Promise<void> {
    if (calculator.liveEdition === null) return
    const live = await editions.one(calculator.id, calculator.liveEdition, transaction)
    if (live?.revision === calculator.revision) {
      throw new AppError('DRAFT_UNCHANGED', { details: { number: String(live.number) } })
    }
  }

  return {
    /** An edition as visitors saw it on a day: with the sheets’ versions that had begun, as they stand now. By default the day it went live. */
    async seen(id: string, number: number, asked: string | undefined): Promise<EditionSeen> {
      await service.existing(id)
      const edition = Number.isSafeInteger(number) ? await editions.one(id, number) : undefined
      if (!edition) throw new AppError('EDITION_UNKNOWN', { details: { number: String(number) } })
      const { program, style } = JSON.parse(edition.content) as EditionContent
      const on = asked ?? isoDate(dayOf(edition.publishedAt))
      const opened = openProgram(program)
      const used = (await sheets.all()).filter(({ sheet }) => opened.sheets.includes(sheet.id))
      return {
        number,
        publishedAt: edition.publishedAt.toISOString(),
        on,
        program: opened,
        style,
        sheets: used.map(({ sheet }) => ({
          ...sheet,
          versions: sheet.versions.filter(({ from }) => from <= on),
        })),
      }
    },

    send: (id: string, { revision, note }: SendDraft, person: Person) =>
      withLocked(id, async (calculator, transaction) => {
        await refuseStale(calculator, revision)
        await refuseUnchanged(calculator, transaction)
        checkedProgram(calculator, today(), await allSheets(transaction))
        await calculators.setProgress(
          id,
          { sentRevision: revision, sentBy: person.id, sentNote: note, sentBack: null },
          transaction,
        )
        await record.append(calculatorEntry('sent', calculator, person, { revision, note }), transaction)
      }),

    /** Gives a draft that was sent back to its author, saying what for. */
    sendBack: (id: string, { revision, remarks }: SendBack, person: Person) =>
      withLocked(id, async (calculator, transaction) => {
        await refuseStale(calculator, revision)
        if (calculator.sentRevision !== revision) throw new AppError('NOT_SENT_FOR_APPROVAL')
        const sentBack = { by: person.id, at: new Date().toISOString(), remarks }
        await calculators.setProgress(id, { sentRevision: null, sentBy: null, sentBack }, transaction)
        const note = remarks.map(({ text }) => text).join(' · ')
        await record.append(calculatorEntry('sentBack', calculator, person, { revision, note }), transaction)
      }),

    /** Makes the next edition of a draft that was sent, and puts it live. Not for whoever changed it last. */
    approve: (id: string, { revision }: AtRevision, person: Person) =>
      withLocked(id, async (calculator, transaction) => {
        await refuseStale(calculator, revision)
        if (calculator.sentRevision !== revision) throw new AppError('NOT_SENT_FOR_APPROVAL')
        if (calculator.lastEditedBy === person.id) throw new AppError('APPROVER_IS_LAST_EDITOR')
        const { text, sha256 } = freeze(
          contentOf(checkedProgram(calculator, today(), await allSheets(transaction)), calculator.houseStyle),
        )
        const [newest] = await editions.ofCalculator(id, transaction)
        const number = (newest?.number ?? 0) + 1
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
            publishedAt: new Date(),
            note: calculator.sentNote,
          },
          transaction,
        )
        const progress = {
          liveEdition: number,
          sentRevision: null,
          sentBy: null,
          sentNote: '',
          takenDownAt: null,
        }
        await calculators.setProgress(id, progress, transaction)
        const details = { edition: number, sha256, revision }
        await record.append(calculatorEntry('published', calculator, person, details), transaction)
        await announce(calculator.slug, transaction)
      }),

    takeDown: (id: string, { message }: TakeDown, person: Person) =>
      withLocked(id, async (calculator, transaction) => {
        if (calculator.liveEdition === null) {
          throw new AppError('CALCULATOR_NOT_LIVE', { details: { calculator: calculator.slug } })
        }
        const progress = { liveEdition: null, takenDownAt: new Date(), takenDownMessage: message }
        await calculators.setProgress(id, progress, transaction)
        const details = { edition: calculator.liveEdition, note: message }
        await record.append(calculatorEntry('takenDown', calculator, person, details), transaction)
        await announce(calculator.slug, transaction)
      }),

    /** Brings an edition that was live before back; it was checked and approved then, and has not changed. */
    bringBack: (id: string, number: number, person: Person) =>
      withLocked(id, async (calculator, transaction) => {
        const edition = Number.isSafeInteger(number) && (await editions.one(id, number, transaction))
        if (!edition) throw new AppError('EDITION_UNKNOWN', { details: { number: String(number) } })
        await calculators.setProgress(id, { liveEdition: number, takenDownAt: null }, transaction)
        const details = { edition: number }
        await record.append(calculatorEntry('broughtBack', calculator, person, details), transaction)
        await announce(calculator.slug, transaction)
      }),
  }
}

const dayOf = (moment: Date): PlainDate => ({
  year: moment.getFullYear(),
  month: moment.getMonth() + 1,
  day: moment.getDate(),
})

/** The program of a draft that is fit to go live: it compiles, works out for its sample visitors, and its proofs agree. */
function checkedProgram({ draft }: CalculatorData, today: PlainDate, sheets: readonly RateSheet[]): Program {
  const compiled = compile(draft, sheets)
  const { program } = compiled
  const [problem] = stoppingProblems(compiled)
  if (problem) {
    const what = compileSentenceWithPlace(problem, draft)
    throw new AppError('DRAFT_HAS_PROBLEMS', { details: { what }, field: problem.step ?? '' })
  }
  for (const { name, answers } of draft.samples) {
    const [unfit] = evaluate(program, answers, { today, sheets }).problems
    if (!unfit) continue
    const step = draft.steps.find(({ id }) => id === unfit.field)?.name ?? unfit.field
    const what = `for the sample visitor “${name}”, “${step}” cannot be worked out.`
    throw new AppError('DRAFT_HAS_PROBLEMS', { details: { what }, field: unfit.field })
  }
  for (const result of runProofs(compiled, sheets)) {
    const line = result.lines.find(({ agrees }) => !agrees)
    if (!line) continue
    const what = `the proof “${result.name}” expects ${line.expected} for “${line.of}” and gets ${line.got ?? 'no value'}.`
    throw new AppError('PROOFS_DIFFER', { details: { what }, field: `proofs.${result.id}` })
  }
  return program
}
