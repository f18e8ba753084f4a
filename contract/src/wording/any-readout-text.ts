import type { Readout } from '@vivid/core/evaluate'
import type { Figures } from './language'
import { payOffSaid } from './pay-off-table'
import { figureText, sentenceText, type ReadoutText } from './readout-text'

/** The words of a readout: its figure and its sentence; empty where it has none. */
export function readoutText(readout: Readout, figures: Figures, main: string): ReadoutText {
  switch (readout.shows) {
    case 'figure':
    case 'meter':
      return figureText(readout, figures, main)
    case 'sentence':
      return { figure: '', sentence: sentenceText(readout.sentence, figures, main) }
    case 'payment':
      return {
        figure: figures.money(readout.row.payment),
        sentence: readout.row.date ? figures.date(readout.row.date) : '',
      }
    case 'payOff':
      return { figure: '', sentence: payOffSaid(readout, figures) }
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
