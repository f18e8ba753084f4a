import {
  mainLanguage,
  plainText,
  RichText,
  textIn,
  type CalculatorDocument,
  type CalculatorStep,
  type Change,
  type LoanOptions,
  type OwnMeaning,
  type OwnThing,
  type Proof,
  type QuestionOf,
  type StepOf,
} from '@vivid/core'
import { createFigures, textOfAnswer, type Figures } from '@vivid/contract/wording'
import { languageName } from '../../shared/fields/language-name'
import { nameOnTape } from '../tape/loans-there'
import { loanOptionWords, optionWords } from '../tape/option-words'

interface Around {
  readonly document: CalculatorDocument
  readonly step: CalculatorStep | undefined
  readonly figures: Figures
}
type Said = (value: never, around: Around) => string
type Extra = NonNullable<StepOf<'loan'>['extras']>[number]
type RateChange = NonNullable<StepOf<'loan'>['rateChanges']>[number]

/** "payOff" as "pay off": what has no other words. */
export const wordsApart = (name: string): string => name.replace(/([A-Z])/g, ' $1').toLowerCase()
const saidBy = (words: Readonly<Record<string, string>>) => (value: string) => words[value] ?? value
const each =
  (said: Said): Said =>
  (values: readonly unknown[], around) =>
    values.map((one) => said(one as never, around)).join('; ')
const onTape: Said = (id: string, { document }) => nameOnTape(document, id)
const inMain = (texts: Readonly<Record<string, string>>, { document }: Around) =>
  textIn(texts, mainLanguage(document), mainLanguage(document))
const labelled: Said = ({ loan, label }: { loan: string; label: Record<string, string> }, around) =>
  [nameOnTape(around.document, loan), quoted(inMain(label, around))].filter(Boolean).join(' ')
const quoted = (text: string) => (text ? `“${text}”` : '')

function optionSaid(
  option: string | QuestionOf<'choice'>['options'][number],
  { figures, step, ...around }: Around,
): string {
  if (typeof option === 'string') return figures.every(option as 'monthly')
  const given = step?.kind === 'question' && step.asks === 'choice' ? step.gives : 'name'
  const value = given !== 'name' && option.value !== null ? valueOfOption(given, option.value, figures) : ''
  return [option.name, quoted(inMain(option.label, { figures, step, ...around })), value]
    .filter(Boolean)
    .join(' ')
}

function valueOfOption(given: string, value: unknown, figures: Figures): string {
  if (given === 'money') return figures.money(Number(value))
  if (given === 'percent') return figures.percent(String(value))
  return given === 'term'
    ? figures.term(value as { years: number; months: number })
    : figures.count(Number(value))
}

const extraSaid = ({ amount, every, at, from, until }: Extra) =>
  [
    `${amount} ${optionWords.every[every]}`,
    at && `at ${at}`,
    from && `from ${from}`,
    until && `until ${until}`,
  ]
    .filter(Boolean)
    .join(', ')
const rateChangeSaid = ({ fromPayment, annualRate, keep }: RateChange) =>
  `${annualRate} from payment ${fromPayment}, keeping ${optionWords.keep[keep]}`

const expectedSaid = ({ of, figure, tolerance }: Proof['expected'][number]) => {
  const figures = Array.isArray(figure) ? figure.join(', ') : figure
  return `${of} = ${figures}${Number(tolerance) === 0 ? '' : ` ± ${tolerance}`}`
}

/** What stands in a field that has words of its own, by the field. */
const saidIn: Readonly<Record<string, Said>> = {
  languages: each(languageName),
  results: saidBy(optionWords.results),
  meanings: each(
    ({ word, meaning }: OwnMeaning, around) => `${inMain(word, around)}: ${inMain(meaning, around)}`,
  ),
  begunFrom: ({ settled }: { settled: readonly OwnThing[] }) => settled.join(', ') || 'nothing yet',
  per: saidBy(optionWords.per),
  usual: ({ least, most }: { least: number; most: number }, { figures }) =>
    `from ${figures.moneyShort(least)} to ${figures.moneyShort(most)}`,
  counts: saidBy(optionWords.counts),
  precision: saidBy(optionWords.precision),
  whenHidden: saidBy(optionWords.whenHidden),
  gives: saidBy(optionWords.gives),
  options: each(optionSaid),
  unit: saidBy(optionWords.unit),
  rounding: ({ how, to }: { how: 'nearest' | 'up' | 'down'; to: string }) =>
    `${optionWords.rounded[how]} ${to}`,
  compounding: (value: string | number) => saidBy(optionWords.compounding)(String(value)),
  extras: each(extraSaid),
  rateChanges: each(rateChangeSaid),
  find: (value: string, { step }) =>
    saidBy(step?.kind === 'affordability' ? optionWords.affordable : optionWords.find)(value),
  over: saidBy(optionWords.over),
  chart: saidBy(optionWords.chart),
  by: saidBy(optionWords.by),
  columns: each(saidBy(optionWords.columns)),
  rows: each(saidBy(optionWords.rows)),
  actions: each(saidBy(optionWords.actions)),
  offers: each(saidBy(optionWords.offers)),
  parts: each(({ label, amount }: { label: Record<string, string>; amount: string }, around) =>
    [inMain(label, around), amount].filter(Boolean).join(': '),
  ),
  loans: (value: string | readonly never[], around) =>
    typeof value === 'string' ? onTape(value as never, around) : each(labelled)(value as never, around),
  ...Object.fromEntries(
    ['as', 'of', 'loan', 'ladder', 'question', 'comparison', 'payOff'].map((field) => [field, onTape]),
  ),
  ...Object.fromEntries(['kind', 'asks', 'shows'].map((field) => [field, wordsApart])),
  expected: each(expectedSaid),
  mostOwed: (value: number, { figures }) => figures.moneyShort(value),
  mostRate: (value: string, { figures }) => figures.percent(value),
}

/** A field's value in words: amounts, percentages and lengths as they are typed, and what is chosen as it is offered. */
export function valueWords(
  value: unknown,
  { of, id, field }: Pick<Change, 'of' | 'id' | 'field'>,
  document: CalculatorDocument,
): string {
  if (field === '') return wholeWords(value, of)
  if (value === undefined || value === null || value === '\u0000record') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  const [first = '', second = ''] = field.split('.')
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
  if (first === 'options' && second)
    return saidBy(loanOptionWords[second as keyof LoanOptions]?.choices ?? {})(String(value))
  const said =
    second === '' && field in saidIn
      ? saidIn[field]?.(value as never, { document, step, figures })
      : undefined
  return (said ?? String(value)) || 'nothing'
}

/** What became of a whole step, sample visitor or proof: gone, or what it is now. */
function wholeWords(whole: unknown, of: Change['of']): string {
  if (of === 'document') return 'as it is here'
  if (whole === undefined) return 'removed'
  const kind = ['shows', 'asks', 'kind'].map((field) => fieldOfWhole(whole, field)).find(Boolean)
  return kind ? `kept with its changes (${wordsApart(kind)})` : 'kept with its changes'
}

/** A field of a whole item, which stands by its full key. */
export const fieldOfWhole = (whole: unknown, field: string): string | undefined =>
  typeof whole === 'object' && whole !== null
    ? Object.entries(whole).flatMap(([key, value]) =>
        key.split('/').slice(2).join('/') === field ? [String(value)] : [],
      )[0]
    : undefined

/** The steps (or samples, or proofs) by name; those that are gone by their identifier. */
const listed = (ids: readonly string[], list: string, document: CalculatorDocument) => {
  const all: readonly { id: string; name: string }[] = document[list as 'steps']
  return ids.map((id) => all.find((one) => one.id === id)?.name ?? id).join(', ') || 'none'
}

const isAnswer = (field: string, step: CalculatorStep) =>
  ['default', 'least', 'most', 'step', 'answers'].includes(field) && (field in step || field === 'answers')
