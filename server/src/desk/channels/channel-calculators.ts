import type { ChannelCalculator } from '@vivid/contract'
import { frequencyNames, mainText, mainTitle, type Answers, type Program, type Question } from '@vivid/core'
import type { Live } from '../../live/live'

/** The live calculators as another channel asks them, each with an example that works as it is. */
export function channelCalculators(live: Live, samplesOf: ReadonlyMap<string, Answers>): ChannelCalculator[] {
  return live.all().map(({ slug, content: { program } }) => ({
    slug,
    title: mainTitle(program),
    languages: [...program.languages],
    questions: questionsOf(program).map((question) => ({
      id: question.id,
      label: mainText(question.label, program.languages) || question.name,
      form: formOf(question),
      required: question.required,
    })),
    example: { ...samplesOf.get(slug) },
  }))
}

const questionsOf = ({ steps }: Program) =>
  steps.flatMap(({ step }) => (step.kind === 'question' ? [step] : []))

/** How an answer is written in JSON. */
function formOf(question: Question): string {
  switch (question.asks) {
    case 'money':
      return 'whole minor units (cents), like 41260000'
    case 'percent':
      return 'percent as text, like "4.64"'
    case 'share':
      return '{ "money": 6189000 } in minor units, or { "percent": "15" }'
    case 'number':
      return 'a number, like 12'
    case 'term':
      return '{ "years": 25, "months": 0 }'
    case 'choice':
      return `one of ${question.options.map(({ name }) => `"${name}"`).join(', ')}`
    case 'frequency':
      return `one of ${frequencyNames.map((name) => `"${name}"`).join(', ')}`
    case 'yesNo':
      return 'true or false'
    case 'loans':
      return '[{ "name": "Card", "owed": 420000, "rate": "18.9", "payment": 12000 }, …]: what is owed and paid a month in minor units'
    case 'date':
      return 'a date, like "2026-11-25"'
  }
}
