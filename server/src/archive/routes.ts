import { Router } from 'express'
import type { Logger } from 'pino'
import type { Sequelize } from 'sequelize'
import { whoIs } from '../people/who-is'
import type { RecordStore } from '../record/record-store'
import { takeOut } from './take-out'

/** `/api/archive`, behind a session: everything in one file. That it was taken is put on record, after it. */
export function archiveRoutes(database: Sequelize, record: RecordStore, log: Logger): Router {
  const router = Router()
  router.get('/', async (_req, res) => {
    const archive = await takeOut(database)
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
    res
      .set('content-disposition', 'attachment; filename="vivid-meter-archive.zip"')
      .type('application/zip')
      .send(Buffer.from(archive))
  })
  return router
}
