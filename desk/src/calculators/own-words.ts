import { mainLanguage, type CalculatorDocument, type OwnThing } from '@vivid/core'
import { languageName } from '../shared/fields/language-name'
import { PAGE_LINE } from './draft/tape-store'

/** What a lender makes its own, as it is asked for. */
export const ownWords: Readonly<Record<OwnThing, string>> = {
  currency: 'Currency and way of writing',
  languages: 'Languages',
  conventions: 'Conventions',
  rates: 'Rates',
  words: 'The lender’s words',
}

/** What a document has of it now, in a few words. */
export function ownSaid(thing: OwnThing, document: CalculatorDocument): string {
  const { currency, languages, steps } = document
  switch (thing) {
    case 'currency':
      return `${currency}, as in ${languageName(mainLanguage(document))}`
    case 'languages':
      return languages.map(languageName).join(', ')
    case 'conventions':
      return 'compounding, day count and rounding of its loan'
    case 'rates': {
      const asked = steps.filter((step) => step.kind === 'question' && step.asks === 'percent').length
      const sheets = steps.filter(({ kind }) => kind === 'lookUp').length
      return [
        asked > 0 && `what ${asked === 1 ? 'the percentage' : `${asked} percentages`} asked for begin with`,
        sheets > 0 && (sheets === 1 ? 'a rate sheet' : `${sheets} rate sheets`),
      ]
        .filter(Boolean)
        .join(', ')
    }
    case 'words':
      return 'what stands above and below the figures'
  }
}

/** Where on the tape it is made one's own: a line, and a field of it. */
export function ownPlace(thing: OwnThing, { steps }: CalculatorDocument): readonly [string, string?] {
  switch (thing) {
    case 'currency':
      return [PAGE_LINE, 'currency']
    case 'languages':
      return [PAGE_LINE, 'languages']
    case 'words':
      return [PAGE_LINE, 'introduction']
    case 'conventions':
      return [
        steps.find((step) => step.kind !== 'question' && ('options' in step || 'compounding' in step))?.id ??
          PAGE_LINE,
      ]
    case 'rates':
      return [
        steps.find((step) => step.kind === 'lookUp' || (step.kind === 'question' && step.asks === 'percent'))
          ?.id ?? PAGE_LINE,
      ]
  }
}
