import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Router, type Request, type RequestHandler } from 'express'
import multer, { MulterError } from 'multer'
import type { Logger } from 'pino'
import { BringIn, MOST_ARCHIVE_BYTES } from '@vivid/contract'
import { sha256Of } from '../../authoring/approval/edition-content'
import { AppError } from '../../platform/http/app-error'
import { parseOrThrow } from '../../platform/http/parse'
import type { Elsewhere } from '../../platform/threads/task'
import { whoIs } from '../../team/people/who-is'
import { bringIn, type BringInDeps } from './bring-in'
import { compared, hereNow } from './compare'
import type { OpenedArchive } from './read-archive'

export interface ArchiveDeps extends BringInDeps {
  readonly log: Logger
  readonly takeOut: () => AsyncIterable<Uint8Array>
  readonly read: Elsewhere<{ readonly bytes: Uint8Array }, OpenedArchive>
}

/** `/api/archive`, behind a session: everything in one file, made as it is sent, and such a file brought in. */
export function archiveRoutes({ takeOut, read, log, ...deps }: ArchiveDeps): Router {
  const { database, record } = deps
  const router = Router()
  router.get('/', async (_req, res) => {
    const person = whoIs(res)
    // That it is taken is put on record first.
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

  const opened = (req: Request, who: string) => read({ bytes: bytesOf(req) }, { who, what: 'an archive' })
  router.post('/reading', sentFile, async (req, res) => {
    res.json(compared(await opened(req, whoIs(res).id), await hereNow(database)))
  })
  router.post('/contents', sentFile, async (req, res) => {
    const person = whoIs(res)
    const { choices: text } = (req.body ?? {}) as { choices?: unknown }
    const choices = parseOrThrow(BringIn, jsonOf(text))
    const archive = await opened(req, person.id)
    const brought = await bringIn(deps, { archive, sha256: sha256Of(bytesOf(req)), choices, person })
    log.info({ person: person.id, ...brought }, 'an archive was brought in')
    res.json(brought)
  })
  return router
}

const receive = multer({
  storage: multer.memoryStorage(),
  limits: { files: 1, fileSize: MOST_ARCHIVE_BYTES, fields: 1, fieldSize: 2 ** 20, parts: 2 },
}).single('archive')

/** A form with the file as `archive`, and what is chosen as JSON in `choices`. */
const sentFile: RequestHandler = (req, res, next) =>
  receive(req, res, (error: unknown) => {
    if (error === undefined || error === null) return next()
    const isLarge = error instanceof MulterError && error.code === 'LIMIT_FILE_SIZE'
    next(
      isLarge
        ? new AppError('BODY_TOO_LARGE', { details: { limit: `${MOST_ARCHIVE_BYTES / 2 ** 20} MB` } })
        : new AppError('REQUEST_INVALID', {
            details: { what: 'Send a form with the archive as its one file, “archive”.' },
            cause: error,
          }),
    )
  })

function bytesOf({ file }: Request): Uint8Array {
  if (file) return file.buffer
  throw new AppError('REQUEST_INVALID', {
    field: 'archive',
    details: { what: 'Send the archive as the file “archive” of a form.' },
  })
}

function jsonOf(text: unknown): unknown {
  try {
    return JSON.parse(String(text))
  } catch {
    return undefined
  }
}
