import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import type { Logger } from 'pino'
import { migrations as all, type Migration } from './migrations'

/** Any fixed number: it keeps two server processes from migrating at the same time. */
const LOCK = 468_000_001

/**
 * Brings the tables up to this version. Each migration stands in one transaction with its mark, under the lock: it is done
 * and marked, or, where it fails, neither, and the next start tries it again.
 */
export async function migrate(
  database: Sequelize,
  log: Logger,
  migrations: readonly Migration[] = all,
): Promise<void> {
  const locked = async (transaction: Transaction) =>
    database.query('SELECT pg_advisory_xact_lock(:lock)', {
      replacements: { lock: LOCK },
      type: QueryTypes.SELECT,
      transaction,
    })
  await database.transaction(async (transaction) => {
    await locked(transaction)
    await database.query('CREATE TABLE IF NOT EXISTS migrations (name varchar(255) PRIMARY KEY)', {
      transaction,
    })
  })
  for (const { name, sql } of migrations) {
    const isNew = await database.transaction(async (transaction) => {
      await locked(transaction)
      const marked = await database.query(
        'INSERT INTO migrations (name) VALUES (:name) ON CONFLICT DO NOTHING RETURNING name',
        { replacements: { name }, type: QueryTypes.SELECT, transaction },
      )
      if (marked.length === 0) return false
      await database.query(sql, { transaction })
      return true
    })
    if (isNew) log.info({ name }, 'migrated')
  }
}
