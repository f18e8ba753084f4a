import type { Sequelize, Transaction } from 'sequelize'
import { z } from 'zod'
import { Person } from '@vivid/contract'
import { asking } from '../../platform/database/asking'
import { jsonb, table, type RowOf } from '../../platform/database/table'

const columns = {
  ...Person.shape,
  passwordHash: z.string().nullable(),
  demo: z.boolean(),
  active: z.boolean(),
  invitationHash: z.string().nullable(),
  invitationUntil: z.date().nullable(),
  totpSecret: z.string().nullable(),
  totpLastStep: z.coerce.number().nullable(),
  recoveryHashes: jsonb(z.array(z.string()).readonly()),
  subject: z.string().nullable(),
}
type PersonRow = RowOf<typeof columns>

/** What a person has besides a password, as stored. */
export type FactorsData = Pick<PersonRow, 'totpSecret' | 'totpLastStep' | 'recoveryHashes'>

export interface PersonWithPassword {
  readonly person: Person
  /** None while they were invited and have not come. */
  readonly passwordHash: string | null
}

/** A person as a keeper sees them. */
export interface PersonData extends Person {
  readonly active: boolean
  readonly hasPassword: boolean
  readonly hasSecondFactor: boolean
  readonly invitationUntil: Date | null
}

const noFactors: FactorsData = { totpSecret: null, totpLastStep: null, recoveryHashes: [] }
const toPerson = ({ id, email, name, role }: Person): Person => ({ id, email, name, role })

export type PeopleStore = ReturnType<typeof createPeopleStore>

/** The people who work at the desk. `demo`: whether those of the demo may come in too. */
export function createPeopleStore(database: Sequelize, demo: boolean) {
  const ask = asking(database)
  const people = table(database, 'people', columns)
  const WithPasskey = people.row.extend({ hasPasskey: z.boolean() })
  const ADMITTED = demo ? 'active' : 'active AND NOT demo'

  const known = async (rest: string, values: object, transaction?: Transaction): Promise<PersonData[]> => {
    const rows = await ask.rows(
      WithPasskey,
      `SELECT ${people.columns('p')}, EXISTS (SELECT 1 FROM passkeys k WHERE k.person_id = p.id) AS "hasPasskey"
         FROM people p ${rest}`,
      values,
      transaction,
    )
    return rows.map((row) => ({
      ...toPerson(row),
      active: row.active && (demo || !row.demo),
      hasPassword: row.passwordHash !== null && (demo || !row.demo),
      hasSecondFactor: row.totpSecret !== null || row.hasPasskey,
      invitationUntil: row.invitationUntil,
    }))
  }
  const all = (transaction?: Transaction) => known('ORDER BY name', {}, transaction)
  const byId = (id: string, transaction?: Transaction) => people.first('WHERE id = :id', { id }, transaction)

  return {
    all,
    /** Everybody, kept from changes of others until the transaction ends. */
    allLocked: (transaction: Transaction) => known('ORDER BY id FOR UPDATE OF p', {}, transaction),
    /** Somebody who may sign in, by their address in any capitals. */
    async byEmail(email: string): Promise<PersonWithPassword | undefined> {
      const row = await people.first(`WHERE lower(email) = lower(:email) AND ${ADMITTED}`, { email })
      return row && { person: toPerson(row), passwordHash: row.passwordHash }
    },
    async byId(id: string, transaction?: Transaction): Promise<Person | undefined> {
      const row = await byId(id, transaction)
      return row && toPerson(row)
    },
    /** Somebody who may work here. */
    async active(id: string): Promise<(Person & { readonly hasSecondFactor: boolean }) | undefined> {
      const [row] = await known(`WHERE id = :id AND ${ADMITTED}`, { id })
      return row && { ...toPerson(row), hasSecondFactor: row.hasSecondFactor }
    },
    /** Whom a provider of identities knows by this, whether or not they may come in. */
    bySubject: async (subject: string): Promise<PersonData | undefined> =>
      (await known('WHERE subject = :subject', { subject }))[0],
    factorsOf: async (id: string): Promise<FactorsData> => (await byId(id)) ?? noFactors,
    /** The same, kept from changes of others until the transaction ends. */
    factorsLocked: async (id: string, transaction: Transaction): Promise<FactorsData> =>
      (await people.first('WHERE id = :id FOR UPDATE', { id }, transaction)) ?? noFactors,
    async removeFactors(id: string, transaction: Transaction): Promise<void> {
      await people.change(noFactors, { id }, transaction)
      await ask.run('DELETE FROM passkeys WHERE person_id = :id', { id }, transaction)
    },
    async setFactors(id: string, fields: Partial<FactorsData>, transaction?: Transaction): Promise<void> {
      await people.change(fields, { id }, transaction)
    },
    /** The names of all people, also of those who left. */
    async names(transaction?: Transaction): Promise<(id: string) => string> {
      const found = await people.pick(['id', 'name'], '', {}, transaction)
      const names = new Map(found.map(({ id, name }) => [id, name]))
      return (id) => names.get(id) ?? 'someone'
    },
    passwordOf: async (id: string): Promise<string | null> => (await byId(id))?.passwordHash ?? null,
    isEmailTaken: async (email: string): Promise<boolean> =>
      (await people.count('WHERE lower(email) = lower(:email)', { email })) > 0,
    async add(
      person: Pick<PersonRow, 'email' | 'name' | 'role'> &
        Partial<Pick<PersonRow, 'invitationHash' | 'invitationUntil' | 'subject'>>,
      transaction: Transaction,
    ): Promise<PersonData> {
      const { id } = await people.add(person, transaction)
      const [added] = await known('WHERE id = :id', { id }, transaction)
      if (!added) throw new Error('somebody who was added is there')
      return added
    },
    async change(
      id: string,
      fields: Partial<Omit<PersonRow, 'id' | 'email' | 'demo' | keyof FactorsData>>,
      transaction: Transaction,
    ): Promise<void> {
      await people.change(fields, { id }, transaction)
    },
    /** Whom an invitation that still holds is for. */
    async invited(invitationHash: string, now: Date, transaction?: Transaction): Promise<Person | undefined> {
      const row = await people.first(
        `WHERE invitation_hash = :invitationHash AND invitation_until > :now AND ${ADMITTED}`,
        { invitationHash, now },
        transaction,
      )
      return row && toPerson(row)
    },
    /** How many could come in. */
    count: () => people.count(`WHERE ${ADMITTED}`),
  }
}
