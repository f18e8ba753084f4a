import { mainLanguage, textIn, type CalculatorDocument, type TrialFailure } from '@vivid/core'
import { createFigures, problemSentence, textOfAnswer, type Figures } from './wording'

/** What fails for some visitor, and the answers that do it, in the author's words. */
export function trialSentence(
  { trial, failure }: Pick<TrialFailure, 'trial' | 'failure'>,
  document: CalculatorDocument,
): string {
  const main = mainLanguage(document)
  const figures = createFigures(main, document.currency)
  const who =
    trial.changed === undefined
      ? `for the sample visitor “${trial.sample}”`
      : `with ${saidAnswer(trial.changed, document, main, figures)}`
  const step = document.steps.find(({ id }) => id === failure.field)?.name ?? failure.field
  if (failure.code === 'PARTS_DIFFER')
    return `${who}, the parts of “${step}” come to ${figures.money(failure.sum)} and not to ${figures.money(failure.whole)}, or recur otherwise.`
  return `${who}, “${step}” cannot be worked out. ${problemSentence(failure, figures)}`
}

function saidAnswer(
  { question, answer }: { readonly question: string; readonly answer: unknown },
  document: CalculatorDocument,
  main: string,
  figures: Figures,
): string {
  const asked = document.steps.find(({ id }) => id === question)
  if (asked?.kind !== 'question') return question
  const label = textIn(asked.label, main, main) || asked.name
  return `“${label}” answered ${textOfAnswer(asked, answer, figures) || JSON.stringify(answer)}`
}
