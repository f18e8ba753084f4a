import { editionImpact, readMoment, type AsServed, type Sample, type SampleCompared } from '@vivid/core'

/** What visitors have and would have, at a minute ("2026-11-25T09:41"). The answer is all `SampleCompared`. */
export interface FiguresRequest {
  readonly before: AsServed
  readonly after: AsServed
  readonly samples: readonly Sample[]
  readonly now: string
}

self.onmessage = ({ data: { before, after, samples, now } }: MessageEvent<FiguresRequest>) => {
  const today = readMoment(now)
  if (!today) throw new Error(`${now} is no minute`)
  const compared: SampleCompared[] = editionImpact(before, after, samples, today)
  self.postMessage(compared)
}
