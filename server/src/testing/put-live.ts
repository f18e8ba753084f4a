import type { CalculatorOpened } from '@vivid/contract'
import { demoChecklist } from '../demo/demo-checklist'
import type { TestClient } from './test-server'

/** Sent by one person and put live by another, with everything ticked; throws where either is refused. */
export async function putLive(
  author: TestClient,
  approver: TestClient,
  { id, revision }: Pick<CalculatorOpened, 'id' | 'revision'>,
): Promise<CalculatorOpened> {
  const sent = await author.ask('POST', `/api/calculators/${id}/send`, { revision })
  const approved = await approver.ask<CalculatorOpened>('POST', `/api/calculators/${id}/approve`, {
    revision,
    checked: demoChecklist,
  })
  if (sent.status !== 200 || approved.status !== 200)
    throw new Error(
      `it did not go live: ${JSON.stringify([sent, approved].map(({ body }) => body)).slice(-500)}`,
    )
  return approved.body
}
