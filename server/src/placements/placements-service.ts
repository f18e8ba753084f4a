import type { Sequelize, Transaction } from 'sequelize'
import type { Person, PlacementChoices, PlacementsListed, RecordAct, SaveSite } from '@vivid/contract'
import { textIn } from '@vivid/core'
import type { CalculatorsStore } from '../calculators/calculators-store'
import { AppError } from '../http/app-error'
import type { RecordStore } from '../record/record-store'
import type { PlacementsStore } from './placements-store'

export interface PlacementsDeps {
  readonly database: Sequelize
  readonly placements: PlacementsStore
  readonly calculators: CalculatorsStore
  readonly record: RecordStore
  /** Tells every server process, once the transaction is through, that something is placed otherwise. */
  readonly announce: (transaction: Transaction) => Promise<void>
}

export type PlacementsService = ReturnType<typeof createPlacementsService>

/** Which pages of which sites show what: the only places calculators may be framed. */
export function createPlacementsService(deps: PlacementsDeps) {
  const { database, placements, calculators, record, announce } = deps

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
    return {
      sites,
      placements: placed.map(({ origins: _, ...placement }) => {
        const last = sightings.find((seen) => seen.placement === placement.id && seen.verdict !== 'unlisted')
        return {
          ...placement,
          title: titles.get(placement.calculator) ?? placement.slug,
          lastSeen: last?.lastSeen.toISOString() ?? null,
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
  async function described({ site, page, calculator, language }: PlacementChoices, transaction: Transaction) {
    const [sites, found] = [await placements.sites(transaction), await calculators.byId(calculator)]
    const known = sites.find(({ id }) => id === site)
    if (!known) throw new AppError('SITE_UNKNOWN', { field: 'site' })
    if (!found) throw new AppError('CALCULATOR_UNKNOWN', { field: 'calculator', details: { calculator } })
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
