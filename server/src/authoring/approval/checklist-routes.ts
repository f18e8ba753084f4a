import { Router } from 'express'
import { SaveChecklist } from '@vivid/contract'
import { parseOrThrow } from '../../platform/http/parse'
import { whoIs } from '../../team/people/who-is'
import type { ChecklistService } from './checklist'

/** `/api/checklist`, behind a session. */
export function checklistRoutes(checklist: ChecklistService): Router {
  const router = Router()
  router.get('/', async (_req, res) => void res.json(await checklist.listed()))
  router.put('/', async (req, res) => {
    res.json(await checklist.save(parseOrThrow(SaveChecklist, req.body), whoIs(res)))
  })
  return router
}
