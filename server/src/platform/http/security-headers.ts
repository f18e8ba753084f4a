import helmet from 'helmet'
import type { RequestHandler } from 'express'

/** What no page and no answer of ours has a use for. */
const PERMISSIONS = ['camera', 'geolocation', 'microphone', 'payment', 'usb']
  .map((feature) => `${feature}=()`)
  .join(', ')

/**
 * What every answer carries. Nothing may be loaded, framed or run from it: a page that may more says so itself. Behind TLS
 * (a public address that begins with https) browsers are told to come by TLS only.
 */
export function securityHeaders(publicUrl: string | undefined): RequestHandler[] {
  return [
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          frameAncestors: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
        },
      },
      strictTransportSecurity: publicUrl?.startsWith('https://')
        ? { maxAge: 365 * 24 * 60 * 60, includeSubDomains: false }
        : false,
    }),
    (_req, res, next) => {
      res.set('permissions-policy', PERMISSIONS)
      next()
    },
  ]
}
