import {
  mainLanguage,
  freeId,
  freeName,
  type CalculatorDocument,
  type CalculatorStep,
  type Question,
  type ReadoutStep,
} from '@vivid/core'
import { readoutKind, readoutKindNames } from './readout-kinds'

/** The three parts of the tape, and which steps stand in each. */
export const parts = [
  { id: 'questions', title: 'Questions', says: 'what the visitor is asked' },
  { id: 'workings', title: 'Workings', says: 'what stays behind the page' },
  { id: 'readouts', title: 'Readouts', says: 'what the visitor sees' },
] as const
export type PartId = (typeof parts)[number]['id']

export const partOf = ({ kind }: CalculatorStep): PartId =>
  kind === 'question' || kind === 'section' ? 'questions' : kind === 'readout' ? 'readouts' : 'workings'

/** A kind of step that can be added: its name, and the step it makes. */
export interface StepKind {
  readonly id: string
  readonly part: PartId
  readonly title: string
  readonly says: string
  readonly make: (document: CalculatorDocument) => CalculatorStep
}

type WithoutIdentity<S> = S extends unknown ? Omit<S, 'id' | 'name'> : never

const kind = (
  id: string,
  part: PartId,
  title: string,
  says: string,
  name: string,
  fields: (document: CalculatorDocument, name: string) => WithoutIdentity<CalculatorStep>,
): StepKind => ({
  id,
  part,
  title,
  says,
  make: (document) => {
    const own = freeName(document.steps, name)
    return { ...fields(document, own), id: freeId(document.steps, own), name: own } as CalculatorStep
  },
})

/** What a question is called before its author says otherwise: its name, as a heading. */
export const labelFromName = (name: string): string => name.charAt(0).toUpperCase() + name.slice(1)

const asked = (document: CalculatorDocument, name: string) => ({
  kind: 'question' as const,
  label: { [mainLanguage(document)]: labelFromName(name) },
  help: {},
  required: true,
  shownWhen: '',
})
type AskedFields<A extends Question['asks']> = Omit<
  Extract<Question, { asks: A }>,
  'id' | 'name' | 'kind' | 'label' | 'help' | 'required' | 'shownWhen'
>
const question = <A extends Question['asks']>(
  asks: A,
  title: string,
  says: string,
  name: string,
  fields: (document: CalculatorDocument) => AskedFields<A>,
) =>
  kind(
    asks,
    'questions',
    title,
    says,
    name,
    (document, own) => ({ ...asked(document, own), ...fields(document) }) as WithoutIdentity<Question>,
  )

const firstOf = (document: CalculatorDocument, fits: (step: CalculatorStep) => boolean) =>
  document.steps.find(fits)?.id ?? ''
const firstLoan = (document: CalculatorDocument) => firstOf(document, ({ kind: of }) => of === 'loan')

const readout = (shows: ReadoutStep['shows']) => {
  const { title, says, label, make } = readoutKind(shows)
  return kind(
    `readout-${shows}`,
    'readouts',
    title,
    says,
    label.toLowerCase(),
    (document) =>
      ({
        kind: 'readout',
        label: { [mainLanguage(document)]: label },
        help: {},
        shownWhen: '',
        ...make(document),
      }) as WithoutIdentity<ReadoutStep>,
  )
}

export const stepKinds: readonly StepKind[] = [
  question<'money'>('money', 'Amount', 'money, once or recurring', 'amount', () => ({
    asks: 'money',
    per: null,
    default: 100_000_00,
    least: 0,
    most: 1_000_000_00,
    step: 1_000_00,
    slider: false,
    usual: null,
  })),
  question<'percent'>('percent', 'Percent', 'a rate or a share', 'rate', () => ({
    asks: 'percent',
    default: '5',
    least: '0',
    most: '25',
    step: '0.05',
    slider: false,
  })),
  question<'share'>('share', 'Amount or percent', 'of another amount', 'part', (document) => ({
    asks: 'share',
    of: firstOf(document, (step) => step.kind === 'question' && step.asks === 'money'),
    default: { percent: '20' },
    least: { percent: '0' },
    most: { percent: '100' },
    step: { percent: '1' },
  })),
  question<'number'>('number', 'Whole number', 'a count, or a number of payments', 'number', () => ({
    asks: 'number',
    counts: 'things',
    default: 1,
    least: 0,
    most: 100,
    step: 1,
    slider: false,
  })),
  question<'term'>('term', 'Length of time', 'years and months', 'term', () => ({
    asks: 'term',
    default: { years: 25, months: 0 },
    least: { years: 1, months: 0 },
    most: { years: 30, months: 0 },
    step: { years: 1, months: 0 },
  })),
  question<'choice'>(
    'choice',
    'Choice',
    'one of several, each with a value if you like',
    'choice',
    (document) => ({
      asks: 'choice',
      gives: 'name',
      options: ['first', 'second'].map((name) => ({
        name,
        label: { [mainLanguage(document)]: name },
        value: null,
      })),
      default: 'first',
    }),
  ),
  question<'yesNo'>('yesNo', 'Yes or no', 'two answers', 'yes or no answer', () => ({
    asks: 'yesNo',
    default: false,
  })),
  question<'date'>('date', 'Date', 'a day or a month', 'date', () => ({
    asks: 'date',
    precision: 'day',
    default: 'today',
    least: null,
    most: null,
  })),
  question<'frequency'>(
    'frequency',
    'Payment frequency',
    'how often it is paid',
    'payment frequency',
    () => ({
      asks: 'frequency',
      options: ['monthly', 'biweekly', 'weekly'],
      default: 'monthly',
    }),
  ),
  question<'loans'>('loans', 'Several loans', 'a list the visitor keeps', 'your loans', () => ({
    asks: 'loans',
    default: [
      { name: '', owed: 5_000_00, rate: '18', payment: 200_00 },
      { name: '', owed: 15_000_00, rate: '6', payment: 300_00 },
    ],
    fewestLoans: 1,
    mostLoans: 12,
    mostOwed: 1_000_000_00,
    mostRate: '60',
  })),
  kind('section', 'questions', 'Heading', 'groups the questions below it', 'heading', (document) => ({
    kind: 'section',
    label: { [mainLanguage(document)]: 'Heading' },
    help: {},
  })),

  kind('working', 'workings', 'Working', 'a value from a formula', 'working', () => ({
    kind: 'working',
    formula: '',
    unit: 'any',
    rounding: null,
    note: '',
    shown: false,
    label: {},
  })),
  kind('lookUp', 'workings', 'Look-up', 'a value from a rate sheet', 'looked up', () => ({
    kind: 'lookUp',
    sheet: '',
    keys: {},
    on: '',
  })),
  kind('loan', 'workings', 'Loan', 'terms in, every payment out', 'the loan', () => ({
    kind: 'loan',
    as: null,
    terms: { principal: '', annualRate: '', frequency: '"monthly"', term: '' },
    options: {},
    extras: null,
    rateChanges: null,
  })),
  kind('loanAs', 'workings', 'Loan as another, but …', 'only what differs', 'the other loan', (document) => ({
    kind: 'loan',
    as: firstLoan(document),
    terms: {},
    options: {},
    extras: null,
    rateChanges: null,
  })),
  kind('affordability', 'workings', 'Affordability', 'highest price, or income needed', 'the budget', () => ({
    kind: 'affordability',
    find: 'price',
    terms: { income: '', housingLimit: '39', debtLimit: '44', annualRate: '', term: '', downPayment: '' },
    compounding: 'perPayment',
  })),
  kind('refinance', 'workings', 'Refinance', 'keep a loan or replace it', 'the change', () => ({
    kind: 'refinance',
    terms: { balance: '', oldRate: '', oldPayment: '', newRate: '', newTerm: '' },
    compounding: 'perPayment',
  })),
  kind(
    'equity',
    'workings',
    'Equity',
    'value, balance and what is the owner’s',
    'your stake',
    (document) => ({
      kind: 'equity',
      loan: firstLoan(document),
      terms: { value: '', growth: '2', after: '5' },
    }),
  ),
  kind('aim', 'workings', 'Aim', 'works backwards from a wanted figure', 'the aim', (document) => ({
    kind: 'aim',
    find: 'amount',
    loan: firstLoan(document),
    terms: { payment: '' },
  })),
  kind('ladder', 'workings', 'Ladder', 'the same loan over a list', 'the ladder', (document) => ({
    kind: 'ladder',
    over: 'rates',
    loan: firstLoan(document),
    terms: { rates: '[4, 4.5, 5]' },
  })),
  kind(
    'comparison',
    'workings',
    'Comparison',
    'two to four loans side by side',
    'the comparison',
    (document) => ({
      kind: 'comparison',
      loans: document.steps
        .filter(({ kind: of }) => of === 'loan')
        .slice(0, 4)
        .map(({ id, name }) => ({ loan: id, label: { [mainLanguage(document)]: name } })),
    }),
  ),
  kind(
    'payOff',
    'workings',
    'Several loans paid off',
    'which one an extra should go to',
    'the plan',
    (document) => ({
      kind: 'payOff',
      loans: firstOf(document, (step) => step.kind === 'question' && step.asks === 'loans'),
      terms: {},
    }),
  ),
  ...readoutKindNames.map(readout),
]
