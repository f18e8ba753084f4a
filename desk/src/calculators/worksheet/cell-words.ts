import type { CellPart, CellUnit, ShownCell } from '@vivid/worksheet'

/** What a cell is for, as the legend and its mark say it. */
export const partWords: Readonly<Record<CellPart, { readonly mark: string; readonly words: string }>> = {
  asked: { mark: '?', words: 'visitors answer' },
  typed: { mark: '', words: 'stays as it is' },
  working: { mark: '·', words: 'worked out' },
  result: { mark: '→', words: 'comes out' },
  row: { mark: '≡', words: 'row of a schedule' },
  words: { mark: '', words: 'words' },
  leftOut: { mark: '×', words: 'left out' },
}

export const unitWords: Readonly<Record<CellUnit, string>> = {
  money: 'an amount',
  percent: 'a percentage, typed as a fraction',
  percentNumber: 'a percentage, typed as its number',
  years: 'a length in years',
  months: 'a length in months',
  payments: 'a number of payments',
  number: 'a number',
  choice: 'a choice',
  yesNo: 'yes or no',
  date: 'a date',
}

/** A typed value as visitors would read it in this unit. */
export function readAs({ shown }: Pick<ShownCell, 'shown'>, unit: CellUnit, currency: string): string {
  const value = Number(
    shown
      .replace(/[^\d.%−-]/g, '')
      .replace('−', '-')
      .replace('%', ''),
  )
  const figure = shown.includes('%') ? value / 100 : value
  const digits = (number: number) => number.toLocaleString('en', { maximumFractionDigits: 6 })
  switch (unit) {
    case 'percent':
      return `${digits(figure * 100)} %`
    case 'percentNumber':
      return `${digits(figure)} %`
    case 'money':
      return figure.toLocaleString('en', { style: 'currency', currency })
    case 'years':
      return `${digits(figure)} years`
    case 'months':
      return `${digits(figure)} months`
    case 'payments':
      return `${digits(figure)} payments`
    case 'number':
    case 'choice':
    case 'yesNo':
    case 'date':
      return shown
  }
}
