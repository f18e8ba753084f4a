import { plainName, type CalculatorDocument, type Scope, type StepOf, type Unit } from '@vivid/core'

type Terms = StepOf<'loan'>['terms']

/** What a new loan's terms are of, and how they are called. */
const fitting: readonly {
  readonly term: keyof Terms
  readonly says: string
  readonly fits: (unit: Unit) => boolean
}[] = [
  { term: 'principal', says: 'amount', fits: (unit) => unit.is === 'money' && unit.per === undefined },
  { term: 'annualRate', says: 'rate', fits: ({ is }) => is === 'percent' },
  { term: 'term', says: 'length', fits: ({ is }) => is === 'term' },
  { term: 'frequency', says: 'frequency', fits: ({ is }) => is === 'frequency' },
]

export interface TakenOver {
  readonly terms: Partial<Terms>
  /** "the amount from “price”, the rate from “rate”" */
  readonly says: string
}

/** The terms a new loan can take from the values there are: each where exactly one fits. Undefined: none. */
export function takenOver({ steps }: CalculatorDocument, scope: Scope): TakenOver | undefined {
  const found = fitting.flatMap(({ term, says, fits }) => {
    const names = steps.flatMap(({ name }) => {
      const unit = scope.steps.get(plainName(name))?.unit
      return unit && fits(unit) ? [name] : []
    })
    const [only] = names
    return only !== undefined && names.length === 1 ? [{ term, says, name: only }] : []
  })
  if (found.length === 0) return undefined
  return {
    terms: Object.fromEntries(found.map(({ term, name }) => [term, name])),
    says: found.map(({ says, name }) => `the ${says} from “${name}”`).join(', '),
  }
}
