import type { CalculatorDocument, Proof } from '@vivid/core'

/** One expected figure of a proof that is another now: for the record, as its author wrote both. */
export interface ProofChanged {
  /** The proof's name. */
  readonly proof: string
  /** The formula whose figure is expected. */
  readonly figure: string
  readonly before: string
  /** "nothing" where it is no longer expected. */
  readonly after: string
}

/** What earlier proofs expected and do not expect any more; new proofs change nothing. */
export function proofsChanged(before: CalculatorDocument, after: CalculatorDocument): ProofChanged[] {
  return before.proofs.flatMap((proof) => {
    const now = after.proofs.find(({ id }) => id === proof.id)
    return proof.expected.flatMap((line) => {
      const [said, saidNow] = [inWords(line), inWords(now?.expected.find(({ of }) => of === line.of))]
      return said === saidNow ? [] : [{ proof: proof.name, figure: line.of, before: said, after: saidNow }]
    })
  })
}

const inWords = (line: Proof['expected'][number] | undefined): string => {
  if (!line) return 'nothing'
  const figure = Array.isArray(line.figure) ? line.figure.join('; ') : line.figure
  return Number(line.tolerance) === 0 ? figure : `${figure} ± ${line.tolerance}`
}
