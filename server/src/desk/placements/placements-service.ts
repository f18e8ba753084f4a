import type { Sequelize, Transaction } from 'sequelize'
import type { Person, PlacementChoices, PlacementsListed, RecordAct, SaveSite } from '@vivid/contract'
import { mainTitle } from '@vivid/core'
import type { CalculatorData, CalculatorsStore } from '../../authoring/calculators/calculators-store'
import type { EditionsStore } from '../../authoring/calculators/editions-store'
import { AppError } from '../../platform/http/app-error'
import type { RateSheetsStore } from '../../authoring/rate-sheets/rate-sheets-store'
import type { RecordStore } from '../../team/record/record-store'
import { momentOf } from '../../platform/clock'
import type { PlacementsStore } from './placements-store'
import type { PresetsAsked, RefusedPreset } from './presets-refused'
import type { Elsewhere } from '../../platform/threads/task'

export interface PlacementsDeps {
  readonly database: Sequelize
  readonly placements: PlacementsStore
  readonly calculators: CalculatorsStore
  readonly editions: EditionsStore
  readonly sheets: RateSheetsStore
  readonly record: RecordStore
  readonly now: () => Date
  readonly presets: Elsewhere<PresetsAsked, RefusedPreset[][]>
  /** Tells every server process, once the transaction is through, that something is placed otherwise. */
  readonly announce: (transaction: Transaction) => Promise<void>
}

export type PlacementsService = ReturnType<typeof createPlacementsService>

/** Which pages of which sites show what: the only places calculators may be framed. */
export function createPlacementsService(deps: PlacementsDeps) {
  const { database, placements, calculators, editions, sheets, record, now, announce } = deps

  /** Of each of these placements, what its calculator does not take of the answers it begins with. */
  async function refusedOf(
    placed: readonly { readonly calculator: CalculatorData; readonly answers: PlacementChoices['answers'] }[],
    { id: who }: Pick<Person, 'id'>,
  ): Promise<readonly (readonly RefusedPreset[])[]> {
    if (placed.every(({ answers }) => Object.keys(answers).length === 0)) return placed.map(() => [])
    const liveOf = async ({ id, liveEdition }: CalculatorData) =>
      liveEdition === null ? undefined : (await editions.one(id, liveEdition))?.content
    const given = await Promise.all(
      placed.map(async ({ calculator, answers }) => ({
        answers,
        draft: calculator.draft,
        live: await liveOf(calculator),
      })),
    )
    const around = { today: momentOf(now()), sheets: await sheets.inForce() }
    return deps.presets({ placed: given, ...around }, { who, what: 'answers of placements' })
  }

  async function listed(person: Person): Promise<PlacementsListed> {
    const [sites, placed, sightings, cards, live] = await Promise.all([
      placements.sites(),
      placements.placements(),
      placements.sightings(),
      calculators.cards(),
      editions.liveTitles(),
    ])
    const titles = new Map(cards.map((card) => [card.id, live.get(card.id) ?? mainTitle(card)]))
    // Only what visitors are asked now can refuse what they begin with.
    const beginning = placed.filter(({ answers, isLive }) => isLive && Object.keys(answers).length > 0)
    const calculatorOf = await calculators.byIds(beginning.map(({ calculator }) => calculator))
    const begun = beginning.flatMap(({ id, calculator: of, answers }) => {
      const calculator = calculatorOf.get(of)
      return calculator ? [{ id, calculator, answers }] : []
    })
    const found = await refusedOf(begun, person)
    const refused = new Map(begun.map(({ id }, i) => [id, (found[i] ?? []).map(({ label }) => label)]))
    return {
      sites,
      placements: placed.map(({ origins: _, ...placement }) => {
        const last = sightings.find((seen) => seen.placement === placement.id && seen.verdict !== 'unlisted')
        return {
          ...placement,
          title: titles.get(placement.calculator) ?? placement.slug,
          lastSeen: last?.lastSeen.toISOString() ?? null,
          refused: refused.get(placement.id) ?? [],
          seenAt: last && last.page !== placement.page ? `${last.origin}${last.page}` : null,
        }
      }),
      strays: sightings.flatMap(({ origin, page, slug, verdict, lastSeen }) =>
        verdict === 'shown' ? [] : [{ origin, page, slug, why: verdict, lastSeen: lastSeen.toISOString() }],
      ),
    }
  }

  const entry = (act: RecordAct, id: string, subject: string, person: Person, details = {}) => ({
    act,
    of: act.startsWith('site') ? ('site' as const) : ('placement' as const),
    id,
    subject,
    details,
    person,
  })

  /** Refuses a calculator that is not there, or answers it does not take; before anything is locked. */
  async function refuseUnfit(
    { calculator, answers }: PlacementChoices,
    person: Person,
  ): Promise<CalculatorData> {
    const found = await calculators.byId(calculator)
    if (!found) throw new AppError('CALCULATOR_UNKNOWN', { field: 'calculator', details: { calculator } })
    const [wrong] = (await refusedOf([{ calculator: found, answers }], person))[0] ?? []
    if (wrong)
      throw new AppError('PRESET_REFUSED', {
        field: `answers.${wrong.field}`,
        details: { question: wrong.label, answer: answers[wrong.field] ?? '', calculator: found.slug },
      })
    return found
  }

  /** What a placement is called on record: the page, and what it shows. */
  async function described(choices: PlacementChoices, { slug }: CalculatorData, transaction: Transaction) {
    const { site, page, language } = choices
    const known = (await placements.sites(transaction)).find(({ id }) => id === site)
    if (!known) throw new AppError('SITE_UNKNOWN', { field: 'site' })
    return { subject: `${known.name} ${page}`, details: { calculator: slug, language } }
  }

  const change = async (
    person: Person,
    act: (transaction: Transaction) => Promise<void>,
  ): Promise<PlacementsListed> => {
    await database.transaction(async (transaction) => {
      await act(transaction)
      await announce(transaction)
    })
    return listed(person)
  }

  return {
    listed,
    addSite: (site: SaveSite, person: Person) =>
      change(person, async (transaction) => {
        const id = await placements.addSite(site, transaction)
        const details = { origins: site.origins.join(' ') }
        await record.append(entry('siteAdded', id, site.name, person, details), transaction)
      }),
    changeSite: (id: string, site: SaveSite, person: Person) =>
      change(person, async (transaction) => {
        if (!(await placements.changeSite(id, site, transaction))) throw new AppError('SITE_UNKNOWN')
        const details = { origins: site.origins.join(' ') }
        await record.append(entry('siteChanged', id, site.name, person, details), transaction)
      }),
    removeSite: (id: string, person: Person) =>
      change(person, async (transaction) => {
        const site = (await placements.sites(transaction)).find((one) => one.id === id)
        if (!site) throw new AppError('SITE_UNKNOWN')
        const on = (await placements.placements(transaction)).filter(({ site: where }) => where === id)
        if (on.length > 0) throw new AppError('SITE_IN_USE', { details: { count: String(on.length) } })
        await placements.removeSite(id, transaction)
        await record.append(entry('siteRemoved', id, site.name, person), transaction)
      }),
    async add(choices: PlacementChoices, person: Person) {
      const calculator = await refuseUnfit(choices, person)
      return change(person, async (transaction) => {
        const { subject, details } = await described(choices, calculator, transaction)
        const id = await placements.add(choices, transaction)
        await record.append(entry('placed', id, subject, person, details), transaction)
      })
    },
    async change(id: string, choices: PlacementChoices, person: Person) {
      const calculator = await refuseUnfit(choices, person)
      return change(person, async (transaction) => {
        const { subject, details } = await described(choices, calculator, transaction)
        if (!(await placements.change(id, choices, transaction))) throw new AppError('PLACEMENT_UNKNOWN')
        await record.append(entry('placementChanged', id, subject, person, details), transaction)
      })
    },
    remove: (id: string, person: Person) =>
      change(person, async (transaction) => {
        const placed = (await placements.placements(transaction)).find((one) => one.id === id)
        if (!placed) throw new AppError('PLACEMENT_UNKNOWN')
        await placements.remove(id, transaction)
        const subject = `${placed.siteName} ${placed.page}`
        const details = { calculator: placed.slug }
        await record.append(entry('placementRemoved', id, subject, person, details), transaction)
      }),
  }
}
