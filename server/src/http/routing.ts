import type { Request, RequestHandler, Router } from 'express'
import { AppError } from './app-error'

type Method = 'get' | 'post' | 'put' | 'delete'

/** Mounts the handlers of one address, and refuses its other methods by name. */
export function route(
  router: Router,
  path: string,
  handlers: Partial<Record<Method, RequestHandler[]>>,
): void {
  const methods = Object.keys(handlers) as Method[]
  for (const method of methods) router[method](path, ...(handlers[method] ?? []))
  const allowed = methods.map((method) => method.toUpperCase()).join(', ')
  router.all(path, (req) => {
    if (req.method === 'OPTIONS' || req.method === 'HEAD') throw new AppError('ADDRESS_UNKNOWN')
    throw new AppError('METHOD_NOT_ALLOWED', {
      details: { allowed, method: req.method },
      headers: { allow: allowed },
    })
  })
}

/** A named part of the address. */
export function param(req: Request, name: string): string {
  const value = req.params[name]
  return typeof value === 'string' ? value : ''
}
