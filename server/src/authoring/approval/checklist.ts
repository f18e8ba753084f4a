import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { Checklist, type Person, type SaveChecklist } from '@vivid/contract'
import { jsonb, table } from '../../platform/database/table'
import { AppError } from '../../platform/http/app-error'
import { answeringStale } from '../../platform/http/stale'
import type { PeopleStore } from '../../team/people/people-store'
import type { RecordStore } from '../../team/record/record-store'

const columns = {
  id: z.literal('live'),
  items: jsonb(Checklist.shape.items),
  revision: z.number(),
  lastEditedBy: z.string().nullable(),
  lastEditedAt: z.date(),
}

export interface ChecklistDeps {
  readonly database: Sequelize
  readonly people: PeopleStore
  readonly record: RecordStore
  readonly now: () => Date
}

export type ChecklistService = ReturnType<typeof createChecklist>

/** What the lender has ticked before an edition goes live. Keepers write it; each change is on record. */
export function createChecklist({ database, people, record, now }: ChecklistDeps) {
  const lists = table(database, 'checklists', columns)
  const kept = async (transaction?: Transaction) => {
    const [list] = await lists.find('', {}, transaction)
    if (!list) throw new Error('there is one checklist from the first')
    return list
  }

  async function listed(): Promise<Checklist> {
    const [{ items, revision, lastEditedBy, lastEditedAt }, nameOf] = await Promise.all([
      kept(),
      people.names(),
    ])
    return {
      items,
      revision,
      lastEditedBy: lastEditedBy && nameOf(lastEditedBy),
      lastEditedAt: lastEditedAt.toISOString(),
    }
  }

  return {
    listed,
    async save({ items, revision }: SaveChecklist, person: Person): Promise<Checklist> {
      const save = async (transaction: Transaction) => {
        const next = { items, revision: revision + 1, lastEditedBy: person.id, lastEditedAt: now() }
        const saved = await lists.change(next, { id: 'live', revision }, transaction)
        if (saved === 0) throw new AppError('REVISION_STALE')
        await record.append(
          {
            act: 'checklistChanged',
            of: 'installation',
            id: 'checklist',
            subject: 'the checklist',
            details: { items: items.join(' · ') },
            person,
          },
          transaction,
        )
      }
      await answeringStale(() => database.transaction(save), listed)
      return listed()
    },
    /** What was ticked, as it is put on record; refused while something on the list, as it reads now, is not. */
    async ticked(checked: readonly string[], transaction?: Transaction): Promise<string> {
      const { items } = await kept(transaction)
      const open = items.filter((item) => !checked.includes(item))
      if (open.length > 0)
        throw new AppError('CHECKLIST_OPEN', {
          field: 'checked',
          details: { open: open.map((item) => `“${item}”`).join(', ') },
        })
      return items.join(' · ')
    },
  }
}
