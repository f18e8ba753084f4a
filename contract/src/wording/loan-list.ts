import type { LoanColumn, OwedLoanAnswer, Question } from '@vivid/core/evaluate'

/** The columns of a list of loans, in the order they are written and asked. */
export const loanColumns = ['name', 'owed', 'rate', 'payment'] as const satisfies readonly LoanColumn[]
export type LoanFigure = Exclude<LoanColumn, 'name'>
export const loanFigures = ['owed', 'rate', 'payment'] as const satisfies readonly LoanFigure[]

/** Between the columns of a loan that is written in a line; a name has none in it. */
const BETWEEN_COLUMNS = ';'

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

/** One of several loans as it is written or typed. */
export type LoanText = Readonly<Record<LoanColumn, string>>

export const isBlank = (loan: LoanText): boolean => loanColumns.every((column) => loan[column].trim() === '')

/** The loans of a written list, one a line, which may leave out its name. `isList`: every line has as many columns as a loan. */
export function writtenLoans(text: string): { readonly isList: boolean; readonly loans: LoanText[] } {
  const lines = text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => line.split(BETWEEN_COLUMNS).map((cell) => cell.trim()))
    .map((cells) => (cells.length === loanFigures.length ? ['', ...cells] : cells))
  return {
    isList: lines.every(({ length }) => length === loanColumns.length),
    loans: lines.map(([name = '', owed = '', rate = '', ...rest]) => ({
      name,
      owed,
      rate,
      payment: rest.join(BETWEEN_COLUMNS),
    })),
  }
}

/** A list as it is written; what would part its columns or lines becomes a comma. */
export const listWritten = (loans: readonly LoanText[]): string =>
  loans
    .map((loan) =>
      loanColumns.map((column) => loan[column].replace(/[;\n\r]/g, ',')).join(`${BETWEEN_COLUMNS} `),
    )
    .join('\n')

/** Whether a list that was read has a cell that is empty or could not be read: it is no answer yet. */
export const hasGaps = (answer: unknown): boolean =>
  Array.isArray(answer) &&
  (answer as readonly (Partial<LoanAsRead> | null)[]).some((loan) =>
    loanFigures.some((figure) => typeof loan?.[figure] === 'object'),
  )

/** A loan on the way to an answer: what could not be read stays as it was typed, what is not there yet is null. */
export type LoanAsRead = { readonly name: string } & {
  readonly [C in LoanFigure]: OwedLoanAnswer[C] | null | { readonly unreadable: string }
}
