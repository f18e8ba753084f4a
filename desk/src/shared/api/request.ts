import type { z } from 'zod'
import { ErrorBody } from '@vivid/contract'
import { ApiError } from './api-error'

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'

/** Asks the server and checks its answer by the contract's schema. Throws an ApiError for a refusal. */
export async function request<Schema extends z.ZodType>(
  schema: Schema,
  method: Method,
  path: string,
  body?: unknown,
): Promise<z.infer<Schema>> {
  return schema.parse(await (await answered(method, path, body)).json())
}

/** Sends a form with a file in it; otherwise the same. */
export const requestWithFile = async <Schema extends z.ZodType>(
  schema: Schema,
  path: string,
  form: FormData,
): Promise<z.infer<Schema>> => schema.parse(await (await answered('POST', path, form)).json())

/** Asks for a file; otherwise the same. */
export const requestFile = async (path: string): Promise<Blob> =>
  (await answered('GET', path, undefined)).blob()

/** An answer that is no refusal. Where a proof of who one is is asked for first, it is asked of the person, and then again. */
async function answered(method: Method, path: string, body: unknown): Promise<Response> {
  const response = await send(method, path, body)
  if (response.ok) return response
  const error = await refusal(response)
  if (error.code === 'NOT_SIGNED_IN') whenSignedOut()
  if (error.code === 'PROOF_NEEDED' && (await whenProofNeeded())) return answered(method, path, body)
  throw error
}

let whenProofNeeded: () => Promise<boolean> = () => Promise.resolve(false)

/** What happens when the server asks who it is once more; whether it was proved. Set once, where the desk starts. */
export const onProofNeeded = (handler: () => Promise<boolean>): void => {
  whenProofNeeded = handler
}

let whenSignedOut: () => void = () => undefined

/** What happens when the server says that nobody is signed in (any more). Set once, where the desk starts. */
export const onSignedOut = (handler: () => void): void => {
  whenSignedOut = handler
}

async function send(method: Method, path: string, body: unknown): Promise<Response> {
  try {
    return await fetch(`/api${path}`, { method, ...sendable(body) })
  } catch {
    throw new ApiError(
      'OFFLINE',
      'The server cannot be reached. What you typed is kept here and sent when it is back.',
    )
  }
}

/** A form says itself what it is; all else is JSON. */
function sendable(body: unknown): Pick<RequestInit, 'body' | 'headers'> {
  if (body === undefined) return {}
  return body instanceof FormData
    ? { body }
    : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }
}

async function refusal(response: Response): Promise<ApiError> {
  const parsed = ErrorBody.safeParse(await response.json().catch(() => undefined))
  if (!parsed.success)
    return new ApiError('UNREADABLE', 'The server gave an answer that cannot be read. Try again shortly.')
  return new ApiError(parsed.data.code, parsed.data.sentence, parsed.data)
}
