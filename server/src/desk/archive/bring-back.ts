import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { AppError } from '../../platform/http/app-error'
import { readArchive } from './read-archive'
import { fillLater, insertRows } from './rows'
import { archivedTables } from './tables'

/** Brings an archive back into an empty installation, as it was: all of it or nothing. For whoever runs the server. */
export async function bringBack(database: Sequelize, archive: Uint8Array): Promise<void> {
  const tables = readArchive(archive)
  await database.transaction(async (transaction) => {
    await refuseUnlessEmpty(database, transaction)
    for (const { name, ships } of archivedTables)
      if (ships && tables.has(name)) await database.query(`DELETE FROM ${name}`, { transaction })
    for (const [name, rows] of tables) await insertRows(database, name, rows, transaction)
    for (const [name, rows] of tables) await fillLater(database, name, rows, transaction)
    // Archives from before it was kept say it in their record.
    await database.query('SELECT note_lives_on_record()', { transaction })
  })
}

async function refuseUnlessEmpty(database: Sequelize, transaction: Transaction): Promise<void> {
  const [row] = await database.query<Record<string, string>>(
    `SELECT (SELECT count(*) FROM people) AS people, (SELECT count(*) FROM calculators) AS calculators,
            (SELECT count(*) FROM rate_sheets) AS "rate sheets", (SELECT count(*) FROM record) AS "entries of the record"`,
    { type: QueryTypes.SELECT, transaction },
  )
  const there = Object.entries(row ?? {}).filter(([, count]) => Number(count) > 0)
  if (there.length > 0)
    throw new AppError('NOT_EMPTY', {
      details: { what: there.map(([what, count]) => `${count} ${what}`).join(', ') },
    })
}
