import type { Request, RequestHandler, Router } from 'express'
import { OrdinalText, type ErrorCode } from '@vivid/contract'
import { AppError } from './app-error'

type Method = 'get' | 'post' | 'put' | 'delete'

/** Mounts the handlers of one address; `http/access` refuses its other methods by name. */
export function route(
  router: Router,
  path: string,
  handlers: Partial<Record<Method, RequestHandler[]>>,
): void {
  const methods = Object.keys(handlers) as Method[]
  for (const method of methods) router[method](path, ...(handlers[method] ?? []))
}

/** A named part of the address. */
export function param(req: Request, name: string): string {
  const value = req.params[name]
  return typeof value === 'string' ? value : ''
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** A named part of the address that is an id of ours; what is none names nothing here. */
export function idParam(req: Request, unknown: ErrorCode): string {
  const id = param(req, 'id')
  if (!UUID.test(id)) throw new AppError(unknown)
  return id
}

/** A number in the address, of an edition; undefined where it is none. */
export function numberParam(req: Request): number | undefined {
  const parsed = OrdinalText.safeParse(param(req, 'number'))
  return parsed.success ? parsed.data : undefined
}
