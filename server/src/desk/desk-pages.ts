import { resolve } from 'node:path'
import express, { Router, type RequestHandler } from 'express'
import { packedFiles } from '../platform/http/packed-files'

const contentSecurity = [
  "default-src 'self'",
  "script-src 'self'",
  // Ant Design writes its styles into the page while it runs.
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data:",
  "font-src 'self'",
  "connect-src 'self'",
  "frame-src 'self'",
  "frame-ancestors 'none'",
  "base-uri 'none'",
  "form-action 'self'",
  "object-src 'none'",
].join('; ')

/** The team's application, `/desk/…`: one page that finds its own way, and its files. */
export function deskPages(deskFolder: string): Router {
  const router = Router()
  router.get('/', (_req, res) => res.redirect('/desk'))
  router.use('/desk/assets', packedFiles(resolve(deskFolder, 'assets'), { immutable: true, maxAge: '1y' }))
  const page: RequestHandler = (_req, res) => {
    res.set({ 'cache-control': 'no-cache', 'content-security-policy': contentSecurity })
    res.sendFile('index.html', { root: deskFolder })
  }
  // Under whatever name it is asked for, the page comes with its policy.
  router.get('/desk/index.html', page)
  router.use('/desk', express.static(deskFolder, { index: false, redirect: false }))
  router.get('/desk{/*path}', page)
  return router
}
