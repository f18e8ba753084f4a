import { DataTypes, type InferAttributes, Model, QueryTypes, type Sequelize } from 'sequelize'

/** What is handed over to the lender's people: who wants to be reached, and the figures they saw. */
export interface HandOverBody {
  readonly calculator: string
  readonly title: string
  readonly edition: number
  readonly language: string
  /** ISO date the figures are for. */
  readonly on: string
  readonly name: string
  readonly reach: string
  readonly message: string
  readonly answers: readonly { readonly question: string; readonly answer: string }[]
  readonly figures: readonly { readonly label: string; readonly figure: string; readonly sentence: string }[]
}

class HandOverRow extends Model<InferAttributes<HandOverRow>, Partial<InferAttributes<HandOverRow>>> {
  declare id: string
  declare calculator: string
  declare edition: number
  declare body: HandOverBody | null
  declare attempts: number
  declare nextAttemptAt: Date
  declare lastFailure: string | null
  declare deliveredAt: Date | null
}

export interface Claimed {
  readonly id: string
  readonly body: HandOverBody
  readonly attempts: number
}

export type HandOversStore = ReturnType<typeof createHandOversStore>

export function createHandOversStore(database: Sequelize) {
  // A class of its own for each connection: `init` binds the class itself to it.
  const rows = class extends HandOverRow {}.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      calculator: DataTypes.TEXT,
      edition: DataTypes.INTEGER,
      body: DataTypes.JSONB,
      attempts: DataTypes.INTEGER,
      nextAttemptAt: DataTypes.DATE,
      lastFailure: DataTypes.TEXT,
      deliveredAt: DataTypes.DATE,
    },
    {
      sequelize: database,
      modelName: 'hand_overs',
      tableName: 'hand_overs',
      underscored: true,
      timestamps: false,
    },
  )

  return {
    async add(id: string, body: HandOverBody): Promise<void> {
      const { calculator, edition } = body
      await rows.create({ id, calculator, edition, body })
    },
    /**
     * Claims the hand-over that waits longest, for so many seconds: whoever claims it delivers it, and if that process
     * dies it is there again afterwards. Any number of server processes may ask at once; each gets another.
     */
    async claim(seconds: number): Promise<Claimed | undefined> {
      const [claimed] = await database.query<Claimed>(
        `UPDATE hand_overs
            SET attempts = attempts + 1, next_attempt_at = now() + make_interval(secs => :seconds)
          WHERE id = (SELECT id FROM hand_overs
                       WHERE delivered_at IS NULL AND next_attempt_at <= now()
                       ORDER BY next_attempt_at LIMIT 1
                       FOR UPDATE SKIP LOCKED)
        RETURNING id, body, attempts`,
        { replacements: { seconds }, type: QueryTypes.SELECT },
      )
      return claimed
    },
    /** Delivered: what was personal about it is gone from here. */
    async delivered(id: string): Promise<void> {
      await rows.update({ body: null, deliveredAt: new Date(), lastFailure: null }, { where: { id } })
    },
    /** Forgets what was delivered longer ago than so many days. */
    async forgetDelivered(days: number): Promise<void> {
      await database.query(
        'DELETE FROM hand_overs WHERE delivered_at < now() - make_interval(days => :days)',
        {
          replacements: { days },
        },
      )
    },
    /** How many are not delivered yet. */
    waiting: (): Promise<number> => rows.count({ where: { deliveredAt: null } }),
    async failed(id: string, failure: string, nextAttemptAt: Date): Promise<void> {
      await rows.update({ lastFailure: failure, nextAttemptAt }, { where: { id, deliveredAt: null } })
    },
  }
}
