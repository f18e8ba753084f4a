import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
  col,
  fn,
  where,
} from 'sequelize'
import { Person, type Role } from '@vivid/contract'

class PersonRow extends Model<
  InferAttributes<PersonRow>,
  InferCreationAttributes<PersonRow, { omit: 'id' }>
> {
  declare id: string
  declare email: string
  declare name: string
  declare role: Role
  declare passwordHash: string
}

export interface PersonWithPassword {
  readonly person: Person
  readonly passwordHash: string
}

export type PeopleStore = ReturnType<typeof createPeopleStore>

/** The people who work at the desk. */
export function createPeopleStore(database: Sequelize) {
  // A class of its own for each connection: `init` binds the class itself to it.
  const rows = class extends PersonRow {}.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true, defaultValue: DataTypes.UUIDV4 },
      email: DataTypes.TEXT,
      name: DataTypes.TEXT,
      role: DataTypes.TEXT,
      passwordHash: DataTypes.TEXT,
    },
    { sequelize: database, modelName: 'people', tableName: 'people', underscored: true, timestamps: false },
  )
  const toPerson = ({ id, email, name, role }: PersonRow): Person => Person.parse({ id, email, name, role })

  return {
    async byEmail(email: string): Promise<PersonWithPassword | undefined> {
      const row = await rows.findOne({ where: where(fn('lower', col('email')), email.toLowerCase()) })
      return row ? { person: toPerson(row), passwordHash: row.passwordHash } : undefined
    },
    async byId(id: string): Promise<Person | undefined> {
      const row = await rows.findByPk(id)
      return row ? toPerson(row) : undefined
    },
    async add(person: { email: string; name: string; role: Role; passwordHash: string }): Promise<Person> {
      return toPerson(await rows.create(person))
    },
    async count(): Promise<number> {
      return rows.count()
    },
  }
}
