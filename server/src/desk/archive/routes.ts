import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Router } from 'express'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import { whoIs } from '../../team/people/who-is'
import type { RecordStore } from '../../team/record/record-store'

/** `/api/archive`, behind a session: everything in one file, made as it is sent. That it is taken is put on record first. */
export function archiveRoutes(
  database: Sequelize,
  record: RecordStore,
  log: Logger,
  takeOut: () => AsyncIterable<Uint8Array>,
): Router {
  const router = Router()
  router.get('/', async (_req, res) => {
    const person = whoIs(res)
    await database.transaction((transaction) =>
      record.append(
        {
          act: 'archiveTaken',
          of: 'installation',
          id: 'installation',
          subject: 'everything',
          details: {},
          person,
        },
        transaction,
      ),
    )
    log.info({ person: person.id }, 'an archive was taken')
    res.set('content-disposition', 'attachment; filename="vivid-meter-archive.zip"').type('application/zip')
    // Whoever goes away meanwhile ends the taking out too.
    await pipeline(Readable.from(takeOut()), res)
  })
  return router
}
