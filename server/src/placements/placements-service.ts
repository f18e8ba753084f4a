import type { Sequelize, Transaction } from 'sequelize'
import type { Person, PlacementChoices, PlacementsListed, RecordAct, SaveSite } from '@vivid/contract'
import { textIn } from '@vivid/core'
import type { CalculatorData, CalculatorsStore } from '../calculators/calculators-store'
import type { EditionsStore } from '../editions/editions-store'
import { AppError } from '../http/app-error'
import type { RateSheetsStore } from '../rate-sheets/rate-sheets-store'
import type { RecordStore } from '../record/record-store'
import { momentOf } from '../clock'
import type { PlacementsStore } from './placements-store'
import { presetsRefused, programNow } from './presets-refused'

export interface PlacementsDeps {
  readonly database: Sequelize
  readonly placements: PlacementsStore
  readonly calculators: CalculatorsStore
  readonly editions: EditionsStore
  readonly sheets: RateSheetsStore
  readonly record: RecordStore
  readonly now: () => Date
  /** Tells every server process, once the transaction is through, that something is placed otherwise. */
  readonly announce: (transaction: Transaction) => Promise<void>
}

export type PlacementsService = ReturnType<typeof createPlacementsService>

/** Which pages of which sites show what: the only places calculators may be framed. */
export function createPlacementsService(deps: PlacementsDeps) {
  const { database, placements, calculators, editions, sheets, record, now, announce } = deps

  const refusedBy = async (calculator: CalculatorData, answers: PlacementChoices['answers']) => {
    if (Object.keys(answers).length === 0) return []
    const { id, liveEdition } = calculator
    const [live, inForce] = await Promise.all([
      liveEdition === null ? undefined : editions.one(id, liveEdition),
      sheets.inForce(),
    ])
    const around = { today: momentOf(now()), sheets: inForce }
    return presetsRefused(programNow(calculator, live, inForce), answers, around)
  }

  async function listed(): Promise<PlacementsListed> {
    const [sites, placed, sightings, drafts] = await Promise.all([
      placements.sites(),
      placements.placements(),
      placements.sightings(),
      calculators.all(),
    ])
    const titles = new Map(
      drafts.map(({ id, draft: { title, languages } }) => [
        id,
        textIn(title, languages[0] ?? '', languages[0] ?? ''),
      ]),
    )
    const calculatorOf = new Map(drafts.map((calculator) => [calculator.id, calculator]))
    const refused = await Promise.all(
      placed.map(async ({ calculator, answers, isLive }) => {
        const found = calculatorOf.get(calculator)
        return isLive && found ? (await refusedBy(found, answers)).map(({ label }) => label) : []
      }),
    )
    return {
      sites,
      placements: placed.map(({ origins: _, ...placement }, at) => {
        const last = sightings.find((seen) => seen.placement === placement.id && seen.verdict !== 'unlisted')
        return {
          ...placement,
          title: titles.get(placement.calculator) ?? placement.slug,
          lastSeen: last?.lastSeen.toISOString() ?? null,
          refused: refused[at] ?? [],
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

  /** What a placement is called on record: the page, and what it shows. */
  async function described(choices: PlacementChoices, transaction: Transaction) {
    const { site, page, calculator, language, answers } = choices
    const [sites, found] = [await placements.sites(transaction), await calculators.byId(calculator)]
    const known = sites.find(({ id }) => id === site)
    if (!known) throw new AppError('SITE_UNKNOWN', { field: 'site' })
    if (!found) throw new AppError('CALCULATOR_UNKNOWN', { field: 'calculator', details: { calculator } })
    const [wrong] = await refusedBy(found, answers)
    if (wrong)
      throw new AppError('PRESET_REFUSED', {
        field: `answers.${wrong.field}`,
        details: { question: wrong.label, answer: answers[wrong.field] ?? '', calculator: found.slug },
      })
    return { subject: `${known.name} ${page}`, details: { calculator: found.slug, language } }
  }

  const change = async (act: (transaction: Transaction) => Promise<void>): Promise<PlacementsListed> => {
    await database.transaction(async (transaction) => {
      await act(transaction)
      await announce(transaction)
    })
    return listed()
  }

  return {
    listed,
    addSite: (site: SaveSite, person: Person) =>
      change(async (transaction) => {
        const id = await placements.addSite(site, transaction)
        const details = { origins: site.origins.join(' ') }
        await record.append(entry('siteAdded', id, site.name, person, details), transaction)
      }),
    changeSite: (id: string, site: SaveSite, person: Person) =>
      change(async (transaction) => {
        if (!(await placements.changeSite(id, site, transaction))) throw new AppError('SITE_UNKNOWN')
        const details = { origins: site.origins.join(' ') }
        await record.append(entry('siteChanged', id, site.name, person, details), transaction)
      }),
    removeSite: (id: string, person: Person) =>
      change(async (transaction) => {
        const site = (await placements.sites(transaction)).find((one) => one.id === id)
        if (!site) throw new AppError('SITE_UNKNOWN')
        const on = (await placements.placements(transaction)).filter(({ site: where }) => where === id)
        if (on.length > 0) throw new AppError('SITE_IN_USE', { details: { count: String(on.length) } })
        await placements.removeSite(id, transaction)
        await record.append(entry('siteRemoved', id, site.name, person), transaction)
      }),
    add: (choices: PlacementChoices, person: Person) =>
      change(async (transaction) => {
        const { subject, details } = await described(choices, transaction)
        const id = await placements.add(choices, transaction)
        await record.append(entry('placed', id, subject, person, details), transaction)
      }),
    change: (id: string, choices: PlacementChoices, person: Person) =>
      change(async (transaction) => {
        const { subject, details } = await described(choices, transaction)
        if (!(await placements.change(id, choices, transaction))) throw new AppError('PLACEMENT_UNKNOWN')
        await record.append(entry('placementChanged', id, subject, person, details), transaction)
      }),
    remove: (id: string, person: Person) =>
      change(async (transaction) => {
        const placed = (await placements.placements(transaction)).find((one) => one.id === id)
        if (!placed) throw new AppError('PLACEMENT_UNKNOWN')
        await placements.remove(id, transaction)
        const subject = `${placed.siteName} ${placed.page}`
        const details = { calculator: placed.slug }
        await record.append(entry('placementRemoved', id, subject, person, details), transaction)
      }),
  }
}
