import type { Readout, Said } from '@vivid/core/evaluate'
import type { Figures } from './language'

/** A result as the visitor reads it: a large figure and a plain sentence that says what it means. */
export interface ReadoutText {
  readonly figure: string
  readonly sentence: string
}

/** A sentence in the figures' language, or in the main one where it has not been translated. */
export function sentenceText(said: Said, figures: Figures, main: string): string {
  const pieces = said[figures.locale]?.length ? said[figures.locale] : said[main]
  return (pieces ?? [])
    .map((piece) =>
      typeof piece === 'string'
        ? piece
        : piece.unit === 'money'
          ? figures.money(piece.money)
          : figures.value(piece),
    )
    .join('')
}

/** The words of a readout: its figure and its sentence; empty where it has none. */
export function readoutText(readout: Readout, figures: Figures, main: string): ReadoutText {
  switch (readout.shows) {
    case 'figure': {
      const { value } = readout
      const figure =
        value.unit === 'money'
          ? figures.money(value.money)
          : value.unit === 'date'
            ? figures.month(value.date)
            : figures.value(value)
      return { figure, sentence: sentenceText(readout.sentence, figures, main) }
    }
    case 'meter':
      return {
        figure: readout.total.unit === 'money' ? figures.money(readout.total.money) : '',
        sentence: sentenceText(readout.sentence, figures, main),
      }
    case 'sentence':
      return { figure: '', sentence: sentenceText(readout.sentence, figures, main) }
    case 'payment':
      return {
        figure: figures.money(readout.row.payment),
        sentence: readout.row.date ? figures.date(readout.row.date) : '',
      }
    case 'chart':
    case 'schedule':
    case 'ladder':
    case 'comparison':
    case 'explanation':
    case 'assumptions':
    case 'actions':
    case 'whatIf':
      return { figure: '', sentence: '' }
  }
}
