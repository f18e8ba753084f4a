import pino from 'pino'
import type { Sequelize } from 'sequelize'
import { InvitePerson, type RecordVerified } from '@vivid/contract'
import { bringBack } from './desk/archive/bring-back'
import { takeOut } from './desk/archive/take-out'
import { connect } from './platform/database/connection'
import { createSeal, refuseOtherKeys } from './platform/database/seal'
import { createWork } from './platform/threads/pool'
import { taskRules } from './tasks'
import { createReader } from './platform/database/reader'
import { migrate } from './platform/database/migrate'
import { outsider } from './team/record/entries'
import { createRecordStore } from './team/record/record-store'
import { replaceSessionSecret } from './team/people/session-secrets'
import { createServices } from './services'
import { readSettings } from './settings'

/** What somebody with the database's address can do from a command line. The environment says which database. */

/** Works every hash of the record out again. */
export const verifyRecord = (env: NodeJS.ProcessEnv): Promise<RecordVerified> =>
  onDatabase(env, (database) => createRecordStore(database).verify())

/** Everything in one archive. */
export const takeArchiveOut = (env: NodeJS.ProcessEnv): Promise<Uint8Array> =>
  onDatabase(env, (database) => whole(takeOut(database)))

async function whole(pieces: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
  const all: Uint8Array[] = []
  for await (const piece of pieces) all.push(piece)
  return Buffer.concat(all)
}

/** An archive back into an empty database. */
export const bringArchiveBack = (env: NodeJS.ProcessEnv, archive: Uint8Array): Promise<void> =>
  onDatabase(env, (database) => bringBack(database, archive))

/** Invites somebody, or somebody again who is here already; the secret of their link. */
export const inviteByHand = (env: NodeJS.ProcessEnv, asked: unknown): Promise<string> =>
  onDatabase(env, async (database) => {
    const settings = readSettings(env, '.')
    const now = () => new Date()
    const reader = createReader(database, [], silent)
    const { people } = createServices({
      database,
      reader,
      seal: createSeal(settings.sealKeys),
      work: nothingToWorkOut,
      now,
      lender: settings.lender,
      log: silent,
      demo: settings.demo,
      mail: undefined,
      deskUrl: () => '',
    })
    return people.linkByHand(InvitePerson.parse(asked), outsider('whoever runs the server'))
  })

/** Makes another secret to sign sessions with; nobody is signed out. */
export const replaceSecret = (env: NodeJS.ProcessEnv): Promise<void> =>
  onDatabase(env, async (database) => {
    const seal = createSeal(readSettings(env, '.').sealKeys)
    await refuseOtherKeys(database, seal)
    await replaceSessionSecret(database, seal)
  })

/** Nothing done by hand works figures out. */
const nowhere = () => Promise.reject(new Error('nothing is worked out from a command line'))
const nothingToWorkOut = createWork(taskRules, () => undefined, { visitors: nowhere, desk: nowhere })
const silent = pino({ level: 'silent' })

async function onDatabase<Result>(
  env: NodeJS.ProcessEnv,
  act: (database: Sequelize) => Promise<Result>,
): Promise<Result> {
  const database = connect(readSettings(env, '.').databaseUrl, silent)
  try {
    await migrate(database, silent)
    return await act(database)
  } finally {
    await database.close()
  }
}
