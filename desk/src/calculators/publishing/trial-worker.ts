import {
  compile,
  readMoment,
  tryOut,
  type CalculatorDocument,
  type RateSheet,
  type TrialFailure,
} from '@vivid/core'

/** A draft to be tried out, at a minute ("2026-11-25T09:41"). The answer is all `TrialFailure`s. */
export interface TrialRequest {
  readonly document: CalculatorDocument
  readonly sheets: readonly RateSheet[]
  readonly now: string
}

self.onmessage = ({ data: { document, sheets, now } }: MessageEvent<TrialRequest>) => {
  const today = readMoment(now)
  if (!today) throw new Error(`${now} is no minute`)
  const failures: TrialFailure[] = [...tryOut(document, compile(document, sheets).program, { today, sheets })]
  self.postMessage(failures)
}
