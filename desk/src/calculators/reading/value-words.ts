import {
  mainLanguage,
  plainText,
  RichText,
  textIn,
  type CalculatorDocument,
  type CalculatorStep,
  type Change,
  type Frequency,
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
import { questionOfOption } from '../tape/option-question'
import { loanOptionWords, optionWords } from '../tape/option-words'

interface Around {
  readonly document: CalculatorDocument
  readonly step: CalculatorStep | undefined
  readonly figures: Figures
}
type Said<Value> = (value: Value, around: Around) => string
type Texts = Readonly<Record<string, string>>
type Option = QuestionOf<'choice'>['options'][number]
type LoanNamed = StepOf<'comparison'>['loans'][number]
type Extra = NonNullable<StepOf<'loan'>['extras']>[number]
type RateChange = NonNullable<StepOf<'loan'>['rateChanges']>[number]

/** "payOff" as "pay off": what has no other words. */
export const wordsApart = (name: string): string => name.replace(/([A-Z])/g, ' $1').toLowerCase()
const saidBy = (words: Texts) => (value: string) => words[value] ?? value
const each =
  <Value>(said: Said<Value>): Said<readonly Value[]> =>
  (values, around) =>
    values.map((one) => said(one, around)).join('; ')
const onTape: Said<string> = (id, { document }) => nameOnTape(document, id)
const inMain: Said<Texts> = (texts, { document }) =>
  textIn(texts, mainLanguage(document), mainLanguage(document))
const quoted = (text: string) => (text ? `“${text}”` : '')
const inTurn = (...said: readonly string[]) => said.filter(Boolean).join(' ')
const labelled: Said<LoanNamed> = ({ loan, label }, around) =>
  inTurn(onTape(loan, around), quoted(inMain(label, around)))

const optionSaid: Said<Frequency | Option> = (option, around) => {
  const { figures, step } = around
  if (typeof option === 'string') return figures.every(option)
  const question = step?.kind === 'question' && step.asks === 'choice' ? questionOfOption(step) : undefined
  const value = question && option.value !== null ? textOfAnswer(question, option.value, figures) : ''
  return inTurn(option.name, quoted(inMain(option.label, around)), value)
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
const saidIn: Readonly<Record<string, Said<never>>> = {
  languages: each(languageName),
  results: saidBy(optionWords.results),
  meanings: each<OwnMeaning>(
    ({ word, meaning }, around) => `${inMain(word, around)}: ${inMain(meaning, around)}`,
  ),
  begunFrom: ({ settled }: { settled: readonly OwnThing[] }) => settled.join(', ') || 'nothing yet',
  per: saidBy(optionWords.per),
  usual: ({ least, most }: { least: number; most: number }, { figures }: Around) =>
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
  find: (value: string, { step }: Around) =>
    saidBy(step?.kind === 'affordability' ? optionWords.affordable : optionWords.find)(value),
  over: saidBy(optionWords.over),
  chart: saidBy(optionWords.chart),
  by: saidBy(optionWords.by),
  columns: each(saidBy(optionWords.columns)),
  rows: each(saidBy(optionWords.rows)),
  actions: each(saidBy(optionWords.actions)),
  offers: each(saidBy(optionWords.offers)),
  parts: each<{ label: Texts; amount: string }>(({ label, amount }, around) =>
    [inMain(label, around), amount].filter(Boolean).join(': '),
  ),
  loans: (value: string | readonly LoanNamed[], around: Around) =>
    typeof value === 'string' ? onTape(value, around) : each(labelled)(value, around),
  ...Object.fromEntries(
    ['as', 'of', 'loan', 'ladder', 'question', 'comparison', 'payOff'].map((field) => [field, onTape]),
  ),
  ...Object.fromEntries(['kind', 'asks', 'shows'].map((field) => [field, wordsApart])),
  expected: each(expectedSaid),
  mostOwed: (value: number, { figures }: Around) => figures.moneyShort(value),
  mostRate: (value: string, { figures }: Around) => figures.percent(value),
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
