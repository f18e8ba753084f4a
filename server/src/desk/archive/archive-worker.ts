import { parentPort, workerData } from 'node:worker_threads'
import pino from 'pino'
import { connect } from '../../platform/database/connection'
import { takeOut } from './take-out'

/** Takes everything out in a thread of its own, on a connection of its own; a piece at a time, when it is asked for the next. */
const port = parentPort
if (!port) throw new Error('the archive is made in a worker')
const database = connect(workerData as string, pino({ level: 'silent' }), 1)
const pieces = takeOut(database)
port.on('message', () => {
  void pieces.next().then(
    async ({ value, done }) => {
      if (!done) return port.postMessage(value)
      await database.close()
      port.postMessage(null)
      port.close()
    },
    // What goes wrong ends the worker with it, and so the download.
    (error: unknown) => setImmediate(() => Promise.reject(error)),
  )
})
