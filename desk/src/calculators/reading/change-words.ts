import {
  mainLanguage,
  plainText,
  RichText,
  type CalculatorDocument,
  type CalculatorStep,
  type Change,
} from '@vivid/core'
import { createFigures, textOfAnswer } from '@vivid/contract/wording'
import { languageName } from '../../shared/fields/language-name'
import { compoundingWords, loanWords } from '../tape/term-words'

const fieldWords: Readonly<Record<string, string>> = {
  title: 'title',
  introduction: 'introduction',
  disclosure: 'words below the figures',
  contact: 'how the lender is reached',
  nextSteps: 'what happens next',
  meanings: 'words explained',
  lender: 'lender',
  currency: 'currency',
  languages: 'languages',
  results: 'when results show',
  begunFrom: 'what was made the lender’s own',
  steps: 'steps on the tape',
  samples: 'sample visitors',
  proofs: 'proofs',
  name: 'name',
  label: 'label',
  help: 'help',
  default: 'default',
  least: 'least',
  most: 'most',
  step: 'step',
  slider: 'slider',
  required: 'has to be answered',
  shownWhen: 'shown when',
  whenHidden: 'while hidden it counts as',
  leastBy: 'at least, by a formula',
  mostBy: 'at most, by a formula',
  per: 'how often the amount recurs',
  usual: 'what is usual',
  options: 'choices',
  formula: 'formula',
  rounding: 'rounding',
  unit: 'unit',
  note: 'note',
  shown: 'shown to visitors',
  sheet: 'rate sheet',
  keys: 'looked up by',
  as: 'the same as',
  extras: 'extra payments',
  rateChanges: 'rate changes',
  value: 'figure',
  sentence: 'sentence',
  parts: 'parts',
  headline: 'large figure',
  columns: 'columns',
  rows: 'rows',
  loans: 'loans',
  loan: 'loan',
  answers: 'answers',
  expected: 'expected figures',
  compounding: 'compounding',
  payOff: 'loans paid off',
  fewestLoans: 'loans at least',
  mostLoans: 'loans at most',
  mostOwed: 'owed on one at most',
  mostRate: 'rate at most',
}

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
    of === 'step'
      ? document.steps.find((step) => step.id === id)?.name
      : of === 'sample'
        ? document.samples.find((sample) => sample.id === id)?.name
        : document.proofs.find((proof) => proof.id === id)?.name
  const words = [owner ?? (of === 'document' ? undefined : id), detailWords(first, second, document)].filter(
    Boolean,
  )
  return capitalised(words.join(', '))
}

/** The name of a whole step, sample visitor or proof, also of one that one of them removed. */
function wholeName(
  { of, id }: Pick<Place, 'of' | 'id'>,
  document: CalculatorDocument,
  others: readonly unknown[],
): string {
  if (of === 'document') return 'the whole draft'
  const list = { step: document.steps, sample: document.samples, proof: document.proofs }[of]
  const named = list.find((one: { id: string }) => one.id === id)?.name
  return named ?? others.map((one) => fieldOfWhole(one, 'name')).find(Boolean) ?? id ?? ''
}

/** A field of a whole item, which stands by its full key. */
const fieldOfWhole = (whole: unknown, field: string): string | undefined =>
  typeof whole === 'object' && whole !== null
    ? Object.entries(whole).flatMap(([key, value]) =>
        key.split('/').slice(2).join('/') === field ? [String(value)] : [],
      )[0]
    : undefined

/** What became of a whole step, sample visitor or proof: gone, or what it is now. */
function wholeWords(whole: unknown, of: Place['of']): string {
  if (of === 'document') return 'as it is here'
  if (whole === undefined) return 'removed'
  const kind = ['shows', 'asks', 'kind'].map((field) => fieldOfWhole(whole, field)).find(Boolean)
  const words = kind?.replace(/([A-Z])/g, ' $1').toLowerCase()
  return words ? `kept with its changes (${words})` : 'kept with its changes'
}

function detailWords(first: string, second: string | undefined, document: CalculatorDocument): string {
  const field = fieldWords[first] ?? first
  if (second === undefined) return field
  if (/^[a-z]{2}-[A-Z]{2}$/.test(second)) return `${field} in ${languageName(second)}`
  if (first === 'terms') return loanWords[second as keyof typeof loanWords]?.[0].toLowerCase() ?? second
  if (first === 'answers')
    return `answer to ${document.steps.find((step) => step.id === second)?.name ?? second}`
  return fieldWords[second] ?? second
}

/** A field's value in words: amounts, percentages and lengths as they are typed. */
export function valueWords(value: unknown, { of, id, field }: Place, document: CalculatorDocument): string {
  if (field === '') return wholeWords(value, of)
  if (value === undefined || value === null || value === '\u0000record') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  const [first = '', second = ''] = field.split('.')
  if (second === 'compounding') return compoundingWords[String(value)] ?? String(value)
  if (of === 'document' && ['steps', 'samples', 'proofs'].includes(first))
    return listed(value as string[], first, document)
  const rich = RichText.safeParse(value)
  if (rich.success) return plainText(rich.data) || 'nothing'
  const figures = createFigures(mainLanguage(document), document.currency)
  const questionId = first === 'answers' ? second : of === 'step' ? id : undefined
  const step = document.steps.find((one) => one.id === questionId)
  if (step?.kind === 'question' && isAnswer(first, step)) {
    const text = textOfAnswer(step, value, figures)
    return step.asks === 'frequency' ? figures.every(value as 'monthly') : text
  }
  if (Array.isArray(value)) return value.map(itemWords).join('; ') || 'nothing'
  return typeof value === 'string' ? value || 'nothing' : itemWords(value)
}

/** The steps (or samples, or proofs) by name; those that are gone by their identifier. */
const listed = (ids: readonly string[], list: string, document: CalculatorDocument) => {
  const all: readonly { id: string; name: string }[] = document[list as 'steps']
  return ids.map((id) => all.find((one) => one.id === id)?.name ?? id).join(', ') || 'none'
}

const isAnswer = (field: string, step: CalculatorStep) =>
  ['default', 'least', 'most', 'step', 'answers'].includes(field) && (field in step || field === 'answers')

/** An entry of a list: its own words, without the marks of the file it is kept in. */
function itemWords(item: unknown): string {
  if (typeof item !== 'object' || item === null) return String(item)
  return Object.values(item)
    .flatMap((value) => (typeof value === 'object' && value !== null ? Object.values(value) : [value]))
    .filter((value) => value !== '' && value !== null)
    .join(', ')
}

const capitalised = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
