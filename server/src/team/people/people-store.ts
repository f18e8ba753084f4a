import {
  DataTypes,
  type InferAttributes,
  Model,
  Op,
  type Sequelize,
  type Transaction,
  col,
  fn,
  literal,
  where,
} from 'sequelize'
import { Person, type Role } from '@vivid/contract'

class PersonRow extends Model<InferAttributes<PersonRow>, Partial<InferAttributes<PersonRow>>> {
  declare id: string
  declare email: string
  declare name: string
  declare role: Role
  declare passwordHash: string | null
  declare demo: boolean
  declare active: boolean
  declare invitationHash: string | null
  declare invitationUntil: Date | null
  declare totpSecret: string | null
  declare totpLastStep: string | number | null
  declare recoveryHashes: readonly string[]
  declare subject: string | null
}

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

export type PeopleStore = ReturnType<typeof createPeopleStore>

/** The people who work at the desk. `demo`: whether those of the demo may come in too. */
export function createPeopleStore(database: Sequelize, demo: boolean) {
  // A class of its own for each connection: `init` binds the class itself to it.
  const rows = class extends PersonRow {}.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true, defaultValue: DataTypes.UUIDV4 },
      email: DataTypes.TEXT,
      name: DataTypes.TEXT,
      role: DataTypes.TEXT,
      passwordHash: DataTypes.TEXT,
      active: { type: DataTypes.BOOLEAN, defaultValue: true },
      demo: { type: DataTypes.BOOLEAN, defaultValue: false },
      invitationHash: DataTypes.TEXT,
      invitationUntil: DataTypes.DATE,
      totpSecret: DataTypes.TEXT,
      totpLastStep: DataTypes.BIGINT,
      recoveryHashes: { type: DataTypes.JSONB, defaultValue: [] },
      subject: DataTypes.TEXT,
    },
    { sequelize: database, modelName: 'people', tableName: 'people', underscored: true, timestamps: false },
  )
  const toPerson = ({ id, email, name, role }: PersonRow): Person => Person.parse({ id, email, name, role })

  const toData = (row: PersonRow): PersonData => ({
    ...toPerson(row),
    active: row.active && (demo || !row.demo),
    hasPassword: row.passwordHash !== null && (demo || !row.demo),
    hasSecondFactor: row.totpSecret !== null || Boolean(row.get('hasPasskey')),
    invitationUntil: row.invitationUntil,
  })
  const hasPasskey: [ReturnType<typeof literal>, string] = [
    literal('EXISTS (SELECT 1 FROM passkeys k WHERE k.person_id = people.id)'),
    'hasPasskey',
  ]
  const admitted = { active: true, ...(demo ? {} : { demo: false }) }
  const withEmail = (email: string) => where(fn('lower', col('email')), email.toLowerCase())

  return {
    /** Somebody who may sign in, by their address in any capitals. */
    async byEmail(email: string): Promise<PersonWithPassword | undefined> {
      const row = await rows.findOne({ where: { [Op.and]: [withEmail(email), admitted] } })
      return row ? { person: toPerson(row), passwordHash: row.passwordHash } : undefined
    },
    async byId(id: string, transaction?: Transaction): Promise<Person | undefined> {
      const row = await rows.findByPk(id, { transaction })
      return row ? toPerson(row) : undefined
    },
    /** Somebody who may work here. */
    async active(id: string): Promise<(Person & { readonly hasSecondFactor: boolean }) | undefined> {
      const row = await rows.findOne({ attributes: { include: [hasPasskey] }, where: { id, ...admitted } })
      return row ? { ...toPerson(row), hasSecondFactor: toData(row).hasSecondFactor } : undefined
    },
    /** Whom a provider of identities knows by this, whether or not they may come in. */
    async bySubject(subject: string): Promise<PersonData | undefined> {
      const row = await rows.findOne({ where: { subject } })
      return row ? toData(row) : undefined
    },
    async factorsOf(id: string): Promise<FactorsData> {
      const row = await rows.findByPk(id)
      return factorsIn(row)
    },
    /** The same, kept from changes of others until the transaction ends. */
    async factorsLocked(id: string, transaction: Transaction): Promise<FactorsData> {
      return factorsIn(await rows.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }))
    },
    async removeFactors(id: string, transaction: Transaction): Promise<void> {
      const none = { totpSecret: null, totpLastStep: null, recoveryHashes: [] }
      await rows.update(none, { where: { id }, transaction })
      await database.query('DELETE FROM passkeys WHERE person_id = :id', {
        replacements: { id },
        transaction,
      })
    },
    async setFactors(id: string, fields: Partial<FactorsData>, transaction?: Transaction): Promise<void> {
      await rows.update(fields, { where: { id }, transaction })
    },
    async all(transaction?: Transaction): Promise<PersonData[]> {
      return (
        await rows.findAll({ attributes: { include: [hasPasskey] }, order: ['name'], transaction })
      ).map(toData)
    },
    /** The names of all people, also of those who left. */
    async names(transaction?: Transaction): Promise<(id: string) => string> {
      const found = await rows.findAll({ attributes: ['id', 'name'], transaction })
      const names = new Map(found.map(({ id, name }) => [id, name]))
      return (id) => names.get(id) ?? 'someone'
    },
    async passwordOf(id: string): Promise<string | null> {
      return (await rows.findByPk(id))?.passwordHash ?? null
    },
    async isEmailTaken(email: string): Promise<boolean> {
      return (await rows.count({ where: withEmail(email) })) > 0
    },
    async add(
      person: Pick<PersonRow, 'email' | 'name' | 'role'> &
        Partial<Pick<PersonRow, 'invitationHash' | 'invitationUntil' | 'subject'>>,
      transaction: Transaction,
    ): Promise<PersonData> {
      return toData(await rows.create(person, { transaction }))
    },
    /** Everybody, kept from changes of others until the transaction ends. */
    async allLocked(transaction: Transaction): Promise<PersonData[]> {
      return (await rows.findAll({ order: ['id'], transaction, lock: transaction.LOCK.UPDATE })).map(toData)
    },
    async change(
      id: string,
      fields: Partial<
        Pick<
          PersonRow,
          'name' | 'role' | 'active' | 'passwordHash' | 'invitationHash' | 'invitationUntil' | 'subject'
        >
      >,
      transaction: Transaction,
    ): Promise<void> {
      await rows.update(fields, { where: { id }, transaction })
    },
    /** Whom an invitation that still holds is for. */
    async invited(invitationHash: string, now: Date, transaction?: Transaction): Promise<Person | undefined> {
      const row = await rows.findOne({
        where: { invitationHash, ...admitted, invitationUntil: { [Op.gt]: now } },
        transaction,
      })
      return row ? toPerson(row) : undefined
    },
    /** How many could come in. */
    async count(): Promise<number> {
      return rows.count({ where: admitted })
    },
  }
}

const factorsIn = (row: PersonRow | null): FactorsData => ({
  totpSecret: row?.totpSecret ?? null,
  totpLastStep: row?.totpLastStep ?? null,
  recoveryHashes: row?.recoveryHashes ?? [],
})
