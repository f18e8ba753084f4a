import type { Sequelize, Transaction } from 'sequelize'
import type { KeyListed, KeyMade, MakeKey, Person, RecordAct } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import { hashOfSecret, newSecret } from '../../platform/http/secret'
import type { PeopleStore } from '../../team/people/people-store'
import type { RecordStore } from '../../team/record/record-store'
import type { KeysStore } from './keys-store'

export interface KeysDeps {
  readonly database: Sequelize
  readonly keys: KeysStore
  readonly people: PeopleStore
  readonly record: RecordStore
  /** Tells every server process, once the transaction is through, that the keys are others. */
  readonly announce: (transaction: Transaction) => Promise<void>
}

export type KeysService = ReturnType<typeof createKeysService>

/** Keys by which other servers of the lender's ask for figures. */
export function createKeysService({ database, keys, people, record, announce }: KeysDeps) {
  async function listed(): Promise<KeyListed[]> {
    const [all, nameOf] = await Promise.all([keys.all(), people.names()])
    return all.map(({ hash: _, madeBy, madeAt, lastUsed, withdrawnAt, calculators, ...key }) => ({
      ...key,
      calculators: calculators && [...calculators],
      madeBy: nameOf(madeBy),
      madeAt: madeAt.toISOString(),
      lastUsed: lastUsed?.toISOString() ?? null,
      withdrawnAt: withdrawnAt?.toISOString() ?? null,
    }))
  }
  const entry = (act: RecordAct, id: string, subject: string, person: Person) => ({
    act,
    of: 'key' as const,
    id,
    subject,
    details: {},
    person,
  })

  return {
    listed,
    async make({ name, perMinute, calculators, endsOn }: MakeKey, person: Person): Promise<KeyMade> {
      const key = `vm_${newSecret()}`
      await database.transaction(async (transaction) => {
        const made = {
          name,
          perMinute,
          calculators,
          endsOn,
          start: key.slice(0, 9),
          hash: hashOfSecret(key),
          madeBy: person.id,
        }
        const id = await keys.add(made, transaction)
        const bounds = {
          ...(calculators && { for: calculators.join(', ') }),
          ...(endsOn && { until: endsOn }),
        }
        await record.append({ ...entry('keyMade', id, name, person), details: bounds }, transaction)
        await announce(transaction)
      })
      return { key, keys: await listed() }
    },
    async withdraw(id: string, person: Person): Promise<KeyListed[]> {
      await database.transaction(async (transaction) => {
        const withdrawn = await keys.withdraw(id, transaction)
        if (!withdrawn) throw new AppError('KEY_UNKNOWN')
        await record.append(entry('keyWithdrawn', id, withdrawn.name, person), transaction)
        await announce(transaction)
      })
      return listed()
    },
  }
}
