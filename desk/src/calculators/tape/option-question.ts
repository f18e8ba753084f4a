import type { Question, QuestionOf } from '@vivid/core'

/** The values of a choice's options are typed, and said, as answers to a question of the unit the choice gives. */
export function questionOfOption(step: QuestionOf<'choice'>): Question | undefined {
  const own = {
    kind: 'question' as const,
    id: step.id,
    name: step.name,
    label: step.label,
    help: {},
    required: true,
    shownWhen: '',
    default: null,
    slider: false,
  }
  const million = 1_000_000_000
  switch (step.gives) {
    case 'money':
      return { ...own, asks: 'money' as const, per: null, least: 0, most: million, step: 1, usual: null }
    case 'percent':
      return { ...own, asks: 'percent' as const, least: '0', most: '1000', step: '1' }
    case 'number':
      return {
        ...own,
        asks: 'number' as const,
        counts: 'things' as const,
        least: -million,
        most: million,
        step: 1,
      }
    case 'term':
      return {
        ...own,
        asks: 'term' as const,
        least: { years: 0, months: 0 },
        most: { years: 100, months: 0 },
        step: { years: 0, months: 1 },
      }
    case 'name':
      return undefined
  }
}
