import { firstTables } from './0001-first-tables'
import { rateSheets } from './0002-rate-sheets'
import { handOvers } from './0003-hand-overs'
import { houseStyleOfCalculators } from './0004-house-style-of-calculators'
import { record } from './0005-record'
import { approval } from './0006-approval'
import { timedEditions } from './0007-timed-editions'
import { sheetApproval } from './0008-sheet-approval'
import { houseStyles } from './0009-house-styles'
import { people } from './0010-people'
import { placements } from './0011-placements'
import { audience } from './0012-audience'
import { channelKeys } from './0013-channel-keys'
import { fourEyes } from './0014-four-eyes'
import { closedDoors } from './0015-closed-doors'
import { meters } from './0016-meters'
import { waysIn } from './0017-ways-in'
import { lostFactors } from './0018-lost-factors'
import { checklist } from './0019-checklist'
import { folders } from './0020-folders'
import { neverLive } from './0021-never-live'

/** A change to the tables: SQL and nothing else, so that it does the same for ever, whatever becomes of our code and data. */
export interface Migration {
  readonly name: string
  readonly sql: string
}

/** Every change to the tables, in order. Never edited after release; a new change is a new entry. */
export const migrations: readonly Migration[] = [
  { name: '0001-first-tables', sql: firstTables },
  { name: '0002-rate-sheets', sql: rateSheets },
  { name: '0003-hand-overs', sql: handOvers },
  { name: '0004-house-style-of-calculators', sql: houseStyleOfCalculators },
  { name: '0005-record', sql: record },
  { name: '0006-approval', sql: approval },
  { name: '0007-timed-editions', sql: timedEditions },
  { name: '0008-sheet-approval', sql: sheetApproval },
  { name: '0009-house-styles', sql: houseStyles },
  { name: '0010-people', sql: people },
  { name: '0011-placements', sql: placements },
  { name: '0012-audience', sql: audience },
  { name: '0013-channel-keys', sql: channelKeys },
  { name: '0014-four-eyes', sql: fourEyes },
  { name: '0015-closed-doors', sql: closedDoors },
  { name: '0016-meters', sql: meters },
  { name: '0017-ways-in', sql: waysIn },
  { name: '0018-lost-factors', sql: lostFactors },
  { name: '0019-checklist', sql: checklist },
  { name: '0020-folders', sql: folders },
  { name: '0021-never-live', sql: neverLive },
]
