/**
 * The one typed answer to input that cannot be worked with. It is a value, never thrown: `code` says what,
 * `field` says where, `details` carry the numbers a helpful sentence needs.
 */
export type RefusalCode =
  | 'NOT_A_NUMBER'
  | 'AMOUNT_NOT_POSITIVE'
  | 'AMOUNT_NEGATIVE'
  | 'AMOUNT_TOO_LARGE'
  | 'RATE_UNREADABLE'
  | 'RATE_NEGATIVE'
  | 'RATE_TOO_HIGH'
  | 'COMPOUNDING_UNKNOWN'
  | 'FREQUENCY_UNKNOWN'
  | 'TERM_NOT_POSITIVE'
  | 'TERM_TOO_LONG'
  | 'TERM_OR_PAYMENT_NEEDED'
  | 'PAYMENT_TOO_SMALL'
  | 'BALLOON_TOO_LARGE'
  | 'DATE_UNREADABLE'
  | 'DATE_NEEDED'
  | 'DATES_REVERSED'
  | 'OUT_OF_RANGE'
  | 'WINDOW_REVERSED'
  | 'LIES_BEHIND'
  | 'LIES_AHEAD'
  | 'TERM_NEEDED'
  | 'TERMS_DO_NOT_MIX'
  | 'NO_ANSWER'
  | 'TABLE_INVALID'
  | 'OPTION_UNKNOWN'

export interface Refusal {
  readonly ok: false
  readonly code: RefusalCode
  readonly field: string
  readonly details: Readonly<Record<string, number | string>>
}

export type Checked<T> = { readonly ok: true; readonly value: T } | Refusal

export const refuse = (code: RefusalCode, field: string, details: Refusal['details'] = {}): Refusal => ({
  ok: false,
  code,
  field,
  details,
})

export const accept = <T>(value: T): Checked<T> => ({ ok: true, value })
