import {
  actionNames,
  mainLanguage,
  whatIfNames,
  type CalculatorDocument,
  type CalculatorStep,
  type Evaluation,
  type ReadoutOf,
  type ReadoutStep,
} from '@vivid/core'
import { readoutText, type Figures } from '@vivid/contract/wording'
import { optionWords } from './option-words'

type Shows = ReadoutStep['shows']
type Readout = Evaluation['readouts'][number]

/** What the desk knows of a kind of readout. Its settings are in `ReadoutEditor.vue`. */
interface ReadoutKind<S extends Shows> {
  /** How it is offered, and what it is called until its author says otherwise. */
  readonly title: string
  readonly says: string
  readonly label: string
  readonly make: (document: CalculatorDocument) => Omit<ReadoutOf<S>, 'id' | 'name' | keyof Shown>
  /** What it shows, in one clause. */
  readonly clause: (step: ReadoutOf<S>, nameOf: (id: string) => string, label: string) => string
  /** What it comes to for the sample visitor, in a few words. */
  readonly value: (readout: Extract<Readout, { shows: S }>, figures: Figures) => string
}
type Shown = Pick<ReadoutStep, 'kind' | 'label' | 'help' | 'shownWhen'>

const firstOf = (document: CalculatorDocument, kind: CalculatorStep['kind']) =>
  document.steps.find((step) => step.kind === kind)?.id ?? ''
const lines = (n: number): string => (n === 1 ? '1 line' : `${n} lines`)
const figure = (readout: Readout, figures: Figures) => readoutText(readout, figures, figures.locale).figure
const shown = () => 'shown'

/** In the order they are offered. */
const readoutKinds: { readonly [S in Shows]: ReadoutKind<S> } = {
  figure: {
    title: 'Figure',
    says: 'a figure, its sentence, and its parts if you like',
    label: 'Result',
    make: () => ({ shows: 'figure', value: '', headline: false, parts: [], sentence: {} }),
    clause: ({ headline, parts, value }) =>
      `${headline ? 'large figure' : 'figure'}${parts.length ? ' with its meter' : ''}: ${value || 'nothing yet'}`,
    value: figure,
  },
  meter: {
    title: 'Meter',
    says: 'amounts that make a whole',
    label: 'What it is made of',
    make: (document) => ({
      shows: 'meter',
      parts: [{ label: { [mainLanguage(document)]: 'part' }, amount: '' }],
      sentence: {},
    }),
    clause: ({ parts }) => `meter of ${parts.length} parts`,
    value: figure,
  },
  sentence: {
    title: 'Sentence',
    says: 'words with values in them',
    label: 'In short',
    make: () => ({ shows: 'sentence', sentence: {} }),
    clause: () => 'sentence',
    value: shown,
  },
  chart: {
    title: 'Chart',
    says: 'balances, years or a ladder',
    label: 'Over time',
    make: (document) => ({
      shows: 'chart',
      chart: 'balance',
      loans: document.steps
        .filter(({ kind }) => kind === 'loan')
        .slice(0, 2)
        .map(({ id, name }) => ({ loan: id, label: { [mainLanguage(document)]: name } })),
      ladder: null,
    }),
    clause: ({ chart, of }, nameOf) =>
      ({
        balance: 'balance over time',
        yearly: 'interest and principal by year',
        ladder: 'ladder',
        refinance: `the loan kept and the new one of ${nameOf(of ?? '')}`,
        limits: `what income allows in ${nameOf(of ?? '')}`,
      })[chart],
    value: (readout) => {
      switch (readout.chart) {
        case 'balance':
        case 'refinance':
          return lines(readout.lines.length)
        case 'yearly':
          return `${readout.years.length} years`
        case 'ladder':
          return `${readout.rungs.length} rungs`
        case 'limits':
          return `${readout.shares.length} limits`
      }
    },
  },
  schedule: {
    title: 'Schedule',
    says: 'by year or by payment',
    label: 'Year by year',
    make: (document) => ({
      shows: 'schedule',
      loan: firstOf(document, 'loan'),
      by: 'year',
      columns: ['principal', 'interest', 'balance'],
    }),
    clause: ({ loan, by }, nameOf) => `of ${nameOf(loan)}, ${optionWords.by[by]}`,
    value: ({ years }, figures) => `${figures.count(years.at(-1)?.to ?? 0)} payments`,
  },
  ladder: {
    title: 'Ladder',
    says: 'as a table',
    label: 'At a glance',
    make: (document) => ({ shows: 'ladder', ladder: firstOf(document, 'ladder') }),
    clause: ({ ladder }, nameOf) => `table of ${nameOf(ladder)}`,
    value: ({ rungs }) => `${rungs.length} rungs`,
  },
  comparison: {
    title: 'Comparison',
    says: 'loans side by side',
    label: 'Side by side',
    make: (document) => ({
      shows: 'comparison',
      comparison: firstOf(document, 'comparison'),
      rows: ['payment', 'totalInterest', 'endDate', 'difference'],
    }),
    clause: ({ comparison }, nameOf) => `${nameOf(comparison)} side by side`,
    value: ({ columns }) => `${columns.length} loans`,
  },
  payOff: {
    title: 'Several loans paid off',
    says: 'the orders side by side',
    label: 'In which order',
    make: (document) => ({ shows: 'payOff', payOff: firstOf(document, 'payOff') }),
    clause: ({ payOff }, nameOf) => `the orders of ${nameOf(payOff)} side by side`,
    value: ({ best, plans }, figures) => {
      const saved = plans.find(({ by }) => by === best)?.saved ?? 0
      return `${figures.words.page.loans.orders[best].toLowerCase()} saves ${figures.money(saved)}`
    },
  },
  payment: {
    title: 'One payment',
    says: 'payment number k taken apart',
    label: 'One payment',
    make: (document) => ({ shows: 'payment', loan: firstOf(document, 'loan'), number: '1' }),
    clause: ({ number, loan }, nameOf) => `payment ${number} of ${nameOf(loan)} taken apart`,
    value: figure,
  },
  explanation: {
    title: 'Explanation',
    says: 'how it was worked out',
    label: 'How this was worked out',
    make: () => ({ shows: 'explanation' }),
    clause: () => 'the workings that are shown',
    value: (readout) => lines(readout.lines.length),
  },
  assumptions: {
    title: 'Assumptions',
    says: 'what it supposes and leaves out',
    label: 'What this assumes',
    make: () => ({ shows: 'assumptions', text: {} }),
    clause: (_step, _nameOf, label) => label.toLowerCase(),
    value: shown,
  },
  whatIf: {
    title: 'What if',
    says: 'the visitor changes one thing',
    label: 'What if',
    make: (document) => ({
      shows: 'whatIf',
      loan: firstOf(document, 'loan'),
      offers: [...whatIfNames],
    }),
    clause: ({ offers, loan }, nameOf) => `${offers.length} things to change about ${nameOf(loan)}`,
    value: shown,
  },
  actions: {
    title: 'Actions',
    says: 'keep it, print, hand over',
    label: 'Keep your figures',
    make: () => ({ shows: 'actions', actions: [...actionNames] }),
    clause: ({ actions }) => `${actions.length} actions`,
    value: shown,
  },
}

export const readoutKindNames = Object.keys(readoutKinds) as Shows[]

/** The compiler does not see that a step and the kind found by it are of one kind. */
export const readoutKind = <S extends Shows>(shows: S): ReadoutKind<S> => readoutKinds[shows]
