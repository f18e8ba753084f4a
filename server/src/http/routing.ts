import type { Request, RequestHandler, Router } from 'express'

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
