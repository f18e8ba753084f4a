import { loanReference, refinanced, type CalculatorDocument } from '@vivid/core'

const whichWords = { old: 'the loan as it is', new: 'the new loan' } as const

/** Every loan that a step can be about: loan steps, and both loans of a refinancing. */
export const loansThere = ({ steps }: CalculatorDocument): { value: string; label: string }[] =>
  steps.flatMap((step) => {
    if (step.kind === 'loan') return [{ value: step.id, label: step.name }]
    return step.kind === 'refinance'
      ? refinanced.map((which) => ({
          value: `${step.id}.${which}`,
          label: `${step.name}: ${whichWords[which]}`,
        }))
      : []
  })

/** What a step, or a loan of a refinancing, is called on the tape. */
export function nameOnTape({ steps }: Pick<CalculatorDocument, 'steps'>, id: string): string {
  const { step, which } = loanReference(id)
  const name = steps.find((other) => other.id === step)?.name
  if (name === undefined) return 'a missing step'
  return which ? `${name}: ${whichWords[which]}` : name
}
