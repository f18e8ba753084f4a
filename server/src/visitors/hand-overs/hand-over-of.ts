import { labelSaid, readoutText, textOfAnswer } from '@vivid/contract/wording'
import { textIn, type Answers, type Readout } from '@vivid/core'
import { besideOf, type ShownFigures, type ShownInput } from '../figures/shown-figures'
import type { HandOverBody } from './hand-overs-store'

export interface HandOverPerson {
  readonly name: string
  readonly reach: string
  readonly message: string
}

export type HandOverInput = ShownInput & { readonly person: HandOverPerson }

/** What is passed on of a visitor's figures: what was asked, answered and shown, in their language. */
export function handOverOf(shown: ShownFigures, answers: Answers, person: HandOverPerson): HandOverBody {
  const { calculator, program, evaluation, figures, language, main, on } = shown
  /** With how often the amount recurs. */
  const labelled = (label: string, readout: Readout) =>
    readout.shows === 'figure' ? labelSaid(label, readout.value, figures) : label
  return {
    calculator: calculator.slug,
    title: textIn(program.title, language, main),
    edition: calculator.edition,
    language,
    on,
    ...person,
    answers: program.steps.flatMap(({ step }) => {
      if (step.kind !== 'question' || evaluation.hidden.has(step.id)) return []
      const value = evaluation.values[step.id]
      return [
        {
          question: textIn(step.label, language, main) || step.name,
          answer: value ? figures.value(value) : textOfAnswer(step, answers[step.id], figures),
        },
      ]
    }),
    figures: evaluation.readouts.flatMap((readout) => {
      const step = program.steps.find((one) => one.step.id === readout.id)?.step
      const { figure, sentence } = readoutText(readout, figures, main)
      if (readout.shows === 'whatIf')
        return (besideOf(shown, readout)?.kept ?? []).map(({ name, sentence: says, column }) => ({
          label: name,
          figure: column ? figures.money(column.payment) : '',
          sentence: says,
        }))
      return step?.kind === 'readout' && (figure || sentence)
        ? [{ label: labelled(textIn(step.label, language, main), readout), figure, sentence }]
        : []
    }),
  }
}
