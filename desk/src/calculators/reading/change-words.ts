import type { CalculatorDocument, Change, LoanOptions } from '@vivid/core'
import { languageName } from '../../shared/fields/language-name'
import { loanOptionWords } from '../tape/option-words'
import { termWords } from '../tape/term-words'
import { fieldWords } from './field-words'
import { fieldOfWhole, wordsApart } from './value-words'

type Place = Pick<Change, 'of' | 'id' | 'field'>

/** Where a change is, in the author's words: "home price, most"; "the loan, balloon"; "title in Canadian French". */
export function placeWords(
  { of, id, field }: Place,
  document: CalculatorDocument,
  ...others: readonly unknown[]
): string {
  if (field === '') return capitalised(wholeName({ of, id }, document, others))
  const [first = '', second] = field.split('.')
  const owner =
    of === 'document' ? undefined : (listOf(of, document).find((one) => one.id === id)?.name ?? id)
  return capitalised([owner, detailWords(first, second, id, document)].filter(Boolean).join(', '))
}

const listOf = (of: Exclude<Place['of'], 'document'>, { steps, samples, proofs }: CalculatorDocument) => {
  const list: readonly { id: string; name: string }[] = { step: steps, sample: samples, proof: proofs }[of]
  return list
}

/** The name of a whole step, sample visitor or proof, also of one that one of them removed. */
function wholeName(
  { of, id }: Pick<Place, 'of' | 'id'>,
  document: CalculatorDocument,
  others: readonly unknown[],
): string {
  if (of === 'document') return 'the whole draft'
  const named = listOf(of, document).find((one) => one.id === id)?.name
  return named ?? others.map((one) => fieldOfWhole(one, 'name')).find(Boolean) ?? id ?? ''
}

function detailWords(
  first: string,
  second: string | undefined,
  id: string | undefined,
  { steps }: CalculatorDocument,
): string {
  const field = fieldWords[first as keyof typeof fieldWords] ?? first
  if (second === undefined) return field
  if (/^[a-z]{2}-[A-Z]{2}$/.test(second)) return `${field} in ${languageName(second)}`
  const nameOf = (step: string | undefined) => steps.find((one) => one.id === step)
  switch (first) {
    case 'terms':
      return termWords[nameOf(id)?.kind ?? '']?.[second]?.[0].toLowerCase() ?? second
    case 'options':
      return second === 'compounding'
        ? fieldWords.compounding
        : (loanOptionWords[second as keyof LoanOptions]?.label.toLowerCase() ?? second)
    case 'answers':
      return `answer to ${nameOf(second)?.name ?? second}`
    default:
      // A column of a rate sheet, by its identifier.
      return `${field} ${wordsApart(second)}`
  }
}

const capitalised = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
