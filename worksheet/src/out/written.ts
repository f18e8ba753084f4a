import { Decimal } from '@vivid/core'

/**
 * A formula of a worksheet, and how many times it is what it stands for: an amount is kept in cents and written in its currency, so
 * that a cell of 12.50 is a hundredth of its value.
 */
export interface Written {
  readonly text: string
  readonly times: Decimal
}

/** What cannot be a formula of a worksheet, and why; its value is written instead. */
export class NotWritten extends Error {}

export const written = (text: string, times: Decimal | number = 1): Written => ({
  text,
  times: new Decimal(times),
})

export const literal = (value: Decimal | string): string => {
  const text = new Decimal(value).toFixed()
  return text.startsWith('-') ? `(${text})` : text
}

/** The same as it stands for, so many times over. */
export function as({ text, times }: Written, wanted: Decimal | number): string {
  const factor = times.div(wanted)
  if (factor.equals(1)) return text
  const plain = Number(text)
  if (text !== '' && Number.isFinite(plain)) return literal(new Decimal(text).times(factor))
  return factor.greaterThan(1)
    ? `${text}*${literal(factor)}`
    : `${text}/${literal(new Decimal(1).div(factor))}`
}

/** In brackets, where it is more than a name or a number. */
export const inBrackets = (text: string): string =>
  /^[\w.!$']+$|^\([^()]*\)$/.test(text) ? text : `(${text})`

/** Several that have to be of one size: that of the first that is no number by itself. */
export function alike(all: readonly Written[]): { texts: string[]; times: Decimal } {
  const sized = all.find(({ text }) => !Number.isFinite(Number(text))) ?? all[0]
  const times = sized?.times ?? new Decimal(1)
  return { texts: all.map((one) => as(one, times)), times }
}
