import { Router } from 'express'
import { MakeKey } from '@vivid/contract'
import type { CalculatorsStore } from '../../authoring/calculators/calculators-store'
import { parseOrThrow } from '../../platform/http/parse'
import { idParam } from '../../platform/http/routing'
import { whoIs } from '../../team/people/who-is'
import type { Live } from '../../live/live'
import { channelCalculators } from './channel-calculators'
import type { KeysService } from './keys-service'

/** `/api/channels`, behind a session: what other channels can ask, and the keys they ask with. */
export function channelRoutes(keys: KeysService, live: Live, calculators: CalculatorsStore): Router {
  const router = Router()
  router.get('/calculators', async (_req, res) => {
    res.json(channelCalculators(live, await calculators.firstAnswers()))
  })
  router.get('/keys', async (_req, res) => void res.json(await keys.listed()))
  router.post('/keys', async (req, res) => {
    res.status(201).json(await keys.make(parseOrThrow(MakeKey, req.body), whoIs(res)))
  })
  router.delete('/keys/:id', async (req, res) => {
    res.json(await keys.withdraw(idParam(req, 'KEY_UNKNOWN'), whoIs(res)))
  })
  return router
}
