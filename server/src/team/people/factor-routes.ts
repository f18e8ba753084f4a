import { Router, type Request } from 'express'
import { AddPasskey, ConfirmTotp } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import { parseOrThrow } from '../../platform/http/parse'
import { param } from '../../platform/http/routing'
import { whereIs, type Passkeys } from './passkeys'
import type { SecondFactors } from './second-factors'
import { whoIs } from './who-is'

/** A person's own second factors, `/api/me/factors…`. Each change asks for a proof first (`http/access`). */
export function factorRoutes(
  factors: SecondFactors,
  passkeys: Passkeys,
  publicUrl: string | undefined,
): Router {
  const router = Router()
  const where = (req: Request) => whereIs(req, publicUrl)
  router.get('/me/factors', async (_req, res) => void res.json(await factors.state(whoIs(res))))
  router.post('/me/factors/totp', (_req, res) => void res.json(factors.begin(whoIs(res))))
  router.put('/me/factors/totp', async (req, res) => {
    const { secret, code } = parseOrThrow(ConfirmTotp, req.body)
    res.json({ codes: await factors.confirm(whoIs(res), secret, code) })
  })
  router.delete('/me/factors/totp', async (_req, res) => {
    await factors.removeTotp(whoIs(res))
    res.json(await factors.state(whoIs(res)))
  })
  router.post('/me/factors/recovery', async (_req, res) => {
    res.json({ codes: await factors.recoveryAnew(whoIs(res)) })
  })
  router.post('/me/factors/passkeys/options', async (req, res) => {
    const options = await passkeys.beginAdding(whoIs(res), where(req))
    req.session.challenge = options.challenge
    res.json(options)
  })
  router.post('/me/factors/passkeys', async (req, res) => {
    const { name, response } = parseOrThrow(AddPasskey, req.body)
    const { challenge } = req.session
    req.session.challenge = undefined
    if (!challenge) throw new AppError('PASSKEY_REFUSED')
    await passkeys.add(whoIs(res), name, response, challenge, where(req))
    res.status(201).json(await factors.state(whoIs(res)))
  })
  router.delete('/me/factors/passkeys/:id', async (req, res) => {
    await passkeys.remove(whoIs(res), param(req, 'id'))
    res.json(await factors.state(whoIs(res)))
  })
  return router
}
