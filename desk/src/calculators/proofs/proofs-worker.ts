import { compile, runProofs, type CalculatorDocument, type ProofResult, type RateSheet } from '@vivid/core'

/** What the desk asks of the worker: run all proofs of this document. A later request takes the place of an earlier one. */
export interface ProofsRequest {
  readonly run: number
  readonly document: CalculatorDocument
  readonly sheets: readonly RateSheet[]
}
/** What the worker answers, after each proof. */
export interface ProofsProgress {
  readonly run: number
  readonly results: readonly ProofResult[]
  readonly of: number
}

let latest = 0

/** Lets a newer request in between two proofs. */
const breathe = () => new Promise((done) => setTimeout(done))

self.onmessage = async ({ data }: MessageEvent<ProofsRequest>) => {
  const { run, document, sheets } = data
  latest = run
  const compiled = compile(document, sheets)
  const results: ProofResult[] = []
  let told = 0
  for (const result of runProofs(compiled, sheets)) {
    results.push(result)
    if (Date.now() - told > 50) {
      told = Date.now()
      tell()
      await breathe()
      if (latest !== run) return
    }
  }
  tell()

  function tell(): void {
    const progress: ProofsProgress = { run, results, of: document.proofs.length }
    self.postMessage(progress)
  }
}
