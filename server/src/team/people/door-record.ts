import type { Sequelize } from 'sequelize'
import type { Person, RecordAct } from '@vivid/contract'
import { outsider } from '../record/entries'
import type { RecordStore } from '../record/record-store'

/** Comings and goings, and what changes about the way somebody comes in: by their id, since two may have one name. */
export type DoorAct = Extract<
  RecordAct,
  | 'signedIn'
  | 'signInFailed'
  | 'accountLocked'
  | 'secondFactorSet'
  | 'secondFactorRemoved'
  | 'recoveryUsed'
  | 'sessionEnded'
>
/** What somebody who is not known to be the person can cause again and again stands on record once in a while. */
const BY_STRANGERS: ReadonlySet<DoorAct> = new Set(['signInFailed', 'accountLocked'])

export interface DoorRecord {
  note(
    act: DoorAct,
    of: Pick<Person, 'id' | 'name'>,
    details?: Record<string, string>,
    by?: Pick<Person, 'id' | 'name'>,
  ): Promise<void>
}

export const createDoorRecord = (database: Sequelize, record: RecordStore): DoorRecord => ({
  note: (act, { id, name }, details = {}, by) => {
    const isStranger = BY_STRANGERS.has(act)
    const person = by ?? (isStranger ? outsider('somebody') : { id, name })
    const entry = { act, of: 'person' as const, id, subject: name, details, person }
    return database.transaction((transaction) =>
      isStranger ? record.appendChange(entry, transaction) : record.append(entry, transaction),
    )
  },
})
