import { UniqueConstraintError } from 'sequelize'
import type { CalculatorCard, CalculatorOpened, MakeCalculator, Person, SaveDraft } from '@vivid/contract'
import { type CalculatorDocument, compile, evaluate, type PlainDate, starters } from '@vivid/core'
import type { EditionData, EditionsStore } from '../editions/editions-store'
import { larkmoorStyle } from '../house-styles/larkmoor'
import { AppError } from '../http/app-error'
import type { PeopleStore } from '../people/people-store'
import { stateOf } from './calculator-state'
import type { CalculatorData, CalculatorsStore } from './calculators-store'
import { slugOf } from './slug'

export interface CalculatorsDeps {
  readonly calculators: CalculatorsStore
  readonly editions: EditionsStore
  readonly people: PeopleStore
  readonly today: () => PlainDate
  /** The lender whose calculators these are. */
  readonly lender: string
}

export type CalculatorsService = ReturnType<typeof createCalculatorsService>

/** Making, opening and editing calculators. Putting them live is the editions' part. */
export function createCalculatorsService({ calculators, editions, people, today, lender }: CalculatorsDeps) {
  const nameOf = async (id: string) => (await people.byId(id))?.name ?? 'someone'

  async function existing(id: string): Promise<CalculatorData> {
    const found = isUuid(id) ? await calculators.byId(id) : undefined
    if (!found) throw new AppError('CALCULATOR_UNKNOWN', { details: { calculator: id.slice(0, 80) } })
    return found
  }

  async function card(calculator: CalculatorData): Promise<CalculatorCard> {
    const { id, slug, draft, liveEdition } = calculator
    const live = liveEdition === null ? undefined : await editions.one(id, liveEdition)
    return {
      id,
      slug,
      title: draft.title,
      currency: draft.currency,
      locale: draft.locale,
      state: stateOf(calculator, live?.revision),
      liveEdition,
      lastEditedBy: await nameOf(calculator.lastEditedBy),
      lastEditedAt: calculator.lastEditedAt.toISOString(),
      sampleName: draft.sample.name,
      meter: meterOf(draft, today()),
    }
  }

  async function opened(calculator: CalculatorData): Promise<CalculatorOpened> {
    const all = await editions.ofCalculator(calculator.id)
    const live = all.find(({ number }) => number === calculator.liveEdition)
    const { id, slug, revision, draft, lastEditedBy, lastEditedAt, sentBy, liveEdition } = calculator
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
      liveEdition,
      editions: await Promise.all(all.map(summary)),
      lastPublished: all[0]?.draft ?? null,
      style: larkmoorStyle,
    }
  }

  const summary = async ({ number, sha256, publishedAt, approvedBy, editedBy }: EditionData) => ({
    number,
    sha256,
    publishedAt: publishedAt.toISOString(),
    approvedBy: await nameOf(approvedBy),
    editedBy: await nameOf(editedBy),
  })

  return {
    existing,
    async list(): Promise<CalculatorCard[]> {
      return Promise.all((await calculators.all()).map(card))
    },
    async open(id: string): Promise<CalculatorOpened> {
      return opened(await existing(id))
    },
    /** A new calculator from a starter, under an address no other has. */
    async make({ starter, title }: MakeCalculator, person: Person): Promise<CalculatorOpened> {
      const document = starters.find(({ id }) => id === starter)?.make()
      if (!document) throw new Error(`no starter ${starter}`)
      const draft: CalculatorDocument = { ...document, title, lender }
      for (;;) {
        const slug = slugOf(title, await calculators.slugsLike(slugOf(title, new Set())))
        try {
          return await opened(await calculators.add({ slug, draft, lastEditedBy: person.id }))
        } catch (error) {
          // Another took the address in between: look again.
          if (!(error instanceof UniqueConstraintError)) throw error
        }
      }
    },
    /** Saves a draft on top of the revision it was made from; a stale one is refused with the draft as it stands. */
    async saveDraft(
      id: string,
      { revision, document }: SaveDraft,
      person: Person,
    ): Promise<CalculatorOpened> {
      await existing(id)
      const saved = await calculators.saveDraft(id, revision, document, person.id)
      const now = await opened(await existing(id))
      if (saved === undefined) throw new AppError('REVISION_STALE', { body: { current: now } })
      return now
    },
  }
}

/** The sample visitor's first payment taken apart; null while it cannot be worked out, or borrows nothing. */
function meterOf(draft: CalculatorDocument, today: PlainDate): CalculatorCard['meter'] {
  const { readouts } = evaluate(compile(draft).program, draft.sample.answers, today)
  const payment = readouts.find((readout) => readout.shows === 'payment')
  if (payment?.shows !== 'payment' || payment.count === 0) return null
  return { payment: payment.payment, ...payment.first, frequency: payment.frequency }
}

const isUuid = (text: string) => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text)
