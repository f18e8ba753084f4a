import type { RateSheet } from '../document/sheets'

/** Premiums added to the loan, percent of it, by loan-to-value: the sheet of the starter with an added premium. */
export const addedPremiums: RateSheet = {
  id: 'insurance-premiums',
  name: 'Insurance premiums',
  keys: [{ id: 'loanToValue', name: 'Loan to value', unit: 'percent', match: 'upTo' }],
  gives: 'percent',
  versions: [
    {
      from: '2026-01-01',
      rows: [
        { keys: ['80'], value: '0' },
        { keys: ['85'], value: '2.80' },
        { keys: ['90'], value: '3.10' },
        { keys: ['95'], value: '4.00' },
      ],
    },
  ],
}

/** Monthly mortgage insurance, percent of the loan a year, by loan-to-value and credit band. */
export const monthlyPremiums: RateSheet = {
  id: 'insurance-by-credit',
  name: 'Mortgage insurance by credit band',
  keys: [
    { id: 'loanToValue', name: 'Loan to value', unit: 'percent', match: 'upTo' },
    { id: 'credit', name: 'Credit band', unit: 'text', match: 'exact' },
  ],
  gives: 'percent',
  versions: [
    {
      from: '2026-01-01',
      rows: (
        [
          ['80', ['0', '0', '0', '0']],
          ['85', ['0.19', '0.25', '0.38', '0.62']],
          ['90', ['0.28', '0.38', '0.58', '0.94']],
          ['95', ['0.38', '0.53', '0.81', '1.31']],
        ] as const
      ).flatMap(([upTo, rates]) =>
        (['excellent', 'good', 'fair', 'building'] as const).map((band, i) => ({
          keys: [upTo, band],
          value: rates[i] ?? '0',
        })),
      ),
    },
  ],
}
