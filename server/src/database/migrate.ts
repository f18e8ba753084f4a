import type { Sequelize } from 'sequelize'
import { QueryTypes } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import type { Logger } from 'pino'
import { firstTables } from './migrations/0001-first-tables'
import { rateSheets } from './migrations/0002-rate-sheets'
import { handOvers } from './migrations/0003-hand-overs'
import { houseStyleOfCalculators } from './migrations/0004-house-style-of-calculators'
import { record } from './migrations/0005-record'
import { approval } from './migrations/0006-approval'
import { timedEditions } from './migrations/0007-timed-editions'
import { sheetApproval } from './migrations/0008-sheet-approval'
import { houseStyles } from './migrations/0009-house-styles'
import { people } from './migrations/0010-people'
import { placements } from './migrations/0011-placements'
import { audience } from './migrations/0012-audience'
import { channelKeys } from './migrations/0013-channel-keys'

/** Every change to the tables, in order. Never edited after release; a new change is a new entry. */
const migrations = [
  { name: '0001-first-tables', up: firstTables },
  { name: '0002-rate-sheets', up: rateSheets },
  { name: '0003-hand-overs', up: handOvers },
  { name: '0004-house-style-of-calculators', up: houseStyleOfCalculators },
  { name: '0005-record', up: record },
  { name: '0006-approval', up: approval },
  { name: '0007-timed-editions', up: timedEditions },
  { name: '0008-sheet-approval', up: sheetApproval },
  { name: '0009-house-styles', up: houseStyles },
  { name: '0010-people', up: people },
  { name: '0011-placements', up: placements },
  { name: '0012-audience', up: audience },
  { name: '0013-channel-keys', up: channelKeys },
]

/** Any fixed number: it keeps two server processes from migrating at the same time. */
const LOCK = 468_000_001

export async function migrate(database: Sequelize, log: Logger): Promise<void> {
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({ name, up: () => up(database) })),
    storage: new SequelizeStorage({ sequelize: database, tableName: 'migrations' }),
    logger: {
      info: (m) => log.info(m),
      warn: (m) => log.warn(m),
      error: (m) => log.error(m),
      debug: (m) => log.debug(m),
    },
  })
  await database.transaction(async (transaction) => {
    await database.query('SELECT pg_advisory_xact_lock(:lock)', {
      replacements: { lock: LOCK },
      type: QueryTypes.SELECT,
      transaction,
    })
    await umzug.up()
  })
}
