import type { Sequelize } from 'sequelize'
import type { Person, SaveStyle, StyleListed } from '@vivid/contract'
import { mainTitle, type CalculatorDocument } from '@vivid/core'
import { AppError } from '../../platform/http/app-error'
import type { PeopleStore } from '../../team/people/people-store'
import type { RecordStore } from '../../team/record/record-store'
import type { HouseStylesStore } from './house-styles-store'
import { keptChoices } from './kept-choices'

export interface HouseStylesDeps {
  readonly database: Sequelize
  readonly styles: HouseStylesStore
  readonly wearers: Wearers
  readonly people: PeopleStore
  readonly record: RecordStore
}

/** The calculators, as far as they wear a style. */
export interface Wearers {
  cards(): Promise<
    readonly (Pick<CalculatorDocument, 'title' | 'languages'> & {
      readonly id: string
      readonly slug: string
      readonly houseStyle: string
    })[]
  >
}

export type HouseStylesService = ReturnType<typeof createHouseStylesService>

/** Keeping house styles. A changed one reaches visitors with the next edition of what wears it, never before. */
export function createHouseStylesService({ database, styles, wearers, people, record }: HouseStylesDeps) {
  async function listed(): Promise<StyleListed[]> {
    const [all, drafts, nameOf] = await Promise.all([styles.all(), wearers.cards(), people.names()])
    return all.map(({ lastEditedAt, lastEditedBy, ...style }) => ({
      ...style,
      lastEditedBy: lastEditedBy && nameOf(lastEditedBy),
      lastEditedAt: lastEditedAt.toISOString(),
      wornBy: drafts
        .filter(({ houseStyle }) => houseStyle === style.id)
        .map((card) => ({ id: card.id, slug: card.slug, title: mainTitle(card) })),
    }))
  }
  async function one(id: string): Promise<StyleListed> {
    const found = (await listed()).find((style) => style.id === id)
    if (!found) throw new AppError('STYLE_UNKNOWN', { details: { style: id.slice(0, 80) } })
    return found
  }
  const entry = (
    act: 'styleAdded' | 'styleChanged' | 'styleRemoved',
    id: string,
    name: string,
    person: Person,
  ) => ({
    act,
    of: 'houseStyle' as const,
    id,
    subject: name,
    details: {},
    person,
  })

  return {
    listed,
    async save(asked: SaveStyle, person: Person): Promise<StyleListed> {
      const { id, name, revision } = asked
      const kept = { ...asked, choices: await keptChoices(asked.choices) }
      await database.transaction(async (transaction) => {
        const isNew = revision === 0
        const saved = await (isNew ? styles.add : styles.save)(kept, person.id, transaction)
        if (!saved && isNew) throw new AppError('STYLE_TAKEN', { details: { style: id } })
        if (!saved) throw new AppError('REVISION_STALE', { body: { current: await one(id) } })
        if (isNew) await record.append(entry('styleAdded', id, name, person), transaction)
        else await record.appendChange(entry('styleChanged', id, name, person), transaction)
      })
      return one(id)
    },
    async remove(id: string, person: Person): Promise<void> {
      const { name, wornBy } = await one(id)
      if (wornBy.length > 0)
        throw new AppError('STYLE_IN_USE', {
          details: { calculators: wornBy.map(({ title }) => title).join(', ') },
        })
      await database.transaction(async (transaction) => {
        await styles.remove(id, transaction)
        await record.append(entry('styleRemoved', id, name, person), transaction)
      })
    },
  }
}
