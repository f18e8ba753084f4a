import type { CalculatorDocument, CalculatorStep } from '@vivid/core'
import { shareOf, minor } from '@vivid/core'
import type { Figures } from '@vivid/contract/wording'

type Compounding = Extract<CalculatorStep, { kind: 'loan' }>['compounding']

export const compoundingWords: Record<`${Compounding}`, string> = {
  perPayment: 'compounding with each payment',
  1: 'yearly compounding',
  2: 'half-yearly compounding',
  4: 'quarterly compounding',
  12: 'monthly compounding',
  365: 'daily compounding',
}

const readoutClauses: Record<Extract<CalculatorStep, { kind: 'readout' }>['shows'], string> = {
  payment: 'large figure with its meter and sentence',
  totalInterest: 'figure and sentence',
  endDate: 'figure and sentence',
  schedule: 'by year, opening to each payment',
}

/** What a step does, in one clause. */
export function stepClause(step: CalculatorStep, document: CalculatorDocument, figures: Figures): string {
  const nameOf = (id: string) => document.steps.find((other) => other.id === id)?.name ?? 'a missing step'
  if (step.kind === 'readout') return readoutClauses[step.shows]
  if (step.kind === 'loan') {
    return `${nameOf(step.price)} less ${nameOf(step.downPayment)}, ${compoundingWords[step.compounding]}`
  }
  switch (step.asks) {
    case 'money':
      return `money, from ${figures.moneyShort(step.least)} to ${figures.moneyShort(step.most)}`
    case 'percent':
      return `percent, from ${figures.percent(step.least)} to ${figures.percent(step.most)}`
    case 'share': {
      const least = shareOf(step.least, minor(0))
      return `money or percent of ${nameOf(step.of)}, at least ${least.typed === 'percent' ? figures.percent(least.percent) : figures.moneyShort(least.money)}`
    }
    case 'term':
      return `years and months, from ${figures.term(step.least)} to ${figures.term(step.most)}`
    case 'frequency':
      return `one of ${step.options.length} choices`
  }
}
