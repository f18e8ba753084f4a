import type { LoanColumn, OwedLoanAnswer, Question } from '@vivid/core/evaluate'

/** The columns of a list of loans, in the order they are written and asked. */
export const loanColumns = ['name', 'owed', 'rate', 'payment'] as const satisfies readonly LoanColumn[]
export type LoanFigure = Exclude<LoanColumn, 'name'>

/** Between the columns of a loan that is written in a line; a name has none in it. */
export const BETWEEN_COLUMNS = ';'

const asked = { kind: 'question', label: {}, help: {}, required: true, shownWhen: '' } as const
const amount = {
  ...asked,
  asks: 'money',
  per: null,
  default: null,
  least: 0,
  most: 0,
  step: 1,
  slider: false,
  usual: null,
} as const

/** What is read in each column, as a question of its own. */
export const cellQuestions: Readonly<Record<LoanFigure, Question>> = {
  owed: { ...amount, id: 'owed', name: 'owed' },
  rate: {
    ...asked,
    id: 'rate',
    name: 'rate',
    asks: 'percent',
    default: null,
    least: '0',
    most: '0',
    step: '1',
    slider: false,
  },
  payment: { ...amount, id: 'payment', name: 'payment' },
}

/** The cells of a written list, a loan a line; one without a name may leave its column out. */
export const cellsOf = (text: string): string[][] =>
  text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => line.split(BETWEEN_COLUMNS).map((cell) => cell.trim()))
    .map((cells) => (cells.length === 3 ? ['', ...cells] : cells))

/** A written list from its cells: what would part them is left out of a name. */
export const textOfCells = (rows: readonly (readonly string[])[]): string =>
  rows
    .map((cells) => cells.map((cell) => cell.replace(/[;\n\r]/g, ',')).join(`${BETWEEN_COLUMNS} `))
    .join('\n')

/** Whether a list that was read has a cell that is empty or could not be read: it is no answer yet. */
export const hasGaps = (answer: unknown): boolean =>
  Array.isArray(answer) &&
  (answer as readonly (Partial<LoanAsRead> | null)[]).some((loan) =>
    [loan?.owed, loan?.rate, loan?.payment].some((cell) => typeof cell === 'object'),
  )

/** A loan on the way to an answer: what could not be read stays as it was typed, what is not there yet is null. */
export type LoanAsRead = { readonly name: string } & {
  readonly [C in LoanFigure]: OwedLoanAnswer[C] | null | { readonly unreadable: string }
}
