import type { Answers } from '@vivid/core/evaluate'
import type { FileKind, HandOverDetails } from '@vivid/contract/visitor'
import type { Beside } from '../model/carried'
import type { LivePage } from '../model/calculator-source'

/** What the figures on the page follow from: the server works the same out again, to the cent. */
export interface AsShown {
  readonly answers: Answers
  readonly beside: Beside
  readonly language: string
  readonly edition: number
  /** The day the page was served for. */
  readonly on: string
  /** When the newest rate on the page took effect. */
  readonly ratesFrom?: string
}

/** A file of the figures, made by the server from the same edition. Throws where it could not be made. */
export async function fetchFile({ slug }: LivePage, kind: FileKind, shown: AsShown): Promise<Blob> {
  return (await post(`/api/public/calculators/${slug}/files/${kind}`, shown)).blob()
}

/** Hands the figures over to the lender's people. Throws where it could not be sent. */
export async function handOver({ slug }: LivePage, shown: AsShown, details: HandOverDetails): Promise<void> {
  await post(`/api/public/calculators/${slug}/hand-overs`, { ...shown, ...details })
}

async function post(path: string, body: object): Promise<Response> {
  const response = await fetch(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    credentials: 'omit',
  })
  if (!response.ok) throw new Error(`the server answered ${response.status}`)
  return response
}
