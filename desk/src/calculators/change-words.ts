import type { CalculatorDocument, CalculatorStep } from '@vivid/core'
import { createFigures, textOfAnswer } from '@vivid/contract/wording'
import { compoundingWords } from './tape/step-clause'

const fieldWords: Record<string, string> = {
  title: 'title',
  introduction: 'introduction',
  disclosure: 'assumptions',
  lender: 'lender',
  currency: 'currency',
  locale: 'locale',
  name: 'name on the tape',
  label: 'label',
  help: 'help',
  default: 'default',
  least: 'least',
  most: 'most',
  step: 'step',
  slider: 'slider',
  options: 'choices',
  compounding: 'compounding',
  order: 'order of the steps',
  sample: 'sample visitor',
}

/** Where a change is, in the author's words: "Home price, most". */
export function placeWords(
  place: { step: string | undefined; field: string },
  document: CalculatorDocument,
): string {
  const name = document.steps.find(({ id }) => id === place.step)?.name
  const field = fieldWords[place.field] ?? place.field
  return name === undefined ? capitalised(field) : `${name}, ${field}`
}

/** A field's value in words: amounts, percentages and lengths as they are typed. */
export function valueWords(
  value: unknown,
  place: { step: string | undefined; field: string },
  document: CalculatorDocument,
): string {
  const step = document.steps.find(({ id }) => id === place.step)
  if (value === undefined || value === null) return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (place.field === 'compounding')
    return compoundingWords[value as keyof typeof compoundingWords] ?? String(value)
  const figures = createFigures(document.locale, document.currency)
  if (place.field === 'options' && Array.isArray(value))
    return value.map((option) => figures.every(option)).join('; ')
  if (step?.kind === 'question' && isAnswer(place.field, step)) {
    const text = textOfAnswer(step, value, figures)
    return step.asks === 'frequency' ? figures.every(value as 'monthly') : text
  }
  return typeof value === 'string' ? value || 'nothing' : JSON.stringify(value)
}

const isAnswer = (field: string, step: CalculatorStep) =>
  ['default', 'least', 'most', 'step', 'sample'].includes(field) && field in { ...step, sample: true }

const capitalised = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
