import pino, { type DestinationStream, type Logger, type SerializedError } from 'pino'

/**
 * A log of JSON lines. Of an error it holds its kind, what it says, its code and where it came from, and the same of what
 * caused it: never what else hangs on it, as the statement of a database's error with everything that was in it.
 */
export const createLog = (destination: DestinationStream, level = 'info'): Logger =>
  pino({ level, serializers: { err: faultForLog } }, destination)

/** A log in a file, or on standard output. */
export function logTo(file: string | undefined): Logger {
  const destination = pino.destination(file ? { dest: file, sync: false, mode: 0o600 } : 1)
  // A log that cannot be written (a full disk) must not take the visitors' pages with it.
  destination.on('error', () => undefined)
  return createLog(destination)
}

const LONGEST_CAUSES = 4

function faultForLog(err: unknown, depth = 0): Partial<SerializedError> {
  if (!(err instanceof Error)) return { type: typeof err }
  const { cause, code } = err as Error & { code?: unknown }
  return {
    type: err.name,
    message: err.message,
    stack: err.stack,
    ...(typeof code === 'string' && { code }),
    ...(cause !== undefined && depth < LONGEST_CAUSES && { cause: faultForLog(cause, depth + 1) }),
  } as Partial<SerializedError>
}
