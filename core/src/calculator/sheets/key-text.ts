import { Decimal } from '../../money/decimal'

/** A plain decimal as a sheet's cells have it; here without the schema, which stays out of the visitor's browser. */
export const isDecimalText = (text: string): boolean => /^-?\d{1,16}(\.\d{1,12})?$/.test(text)

/** A text as people mean it: without spaces around it, one between words, no capitals, one way to write each letter. */
export const plainKey = (text: string): string =>
  text.normalize('NFKC').trim().replace(/\s+/g, ' ').toLowerCase()

/** One way to write each key, so that 80 and 80.0, or Good and good, are the same. */
export const keyText = (text: string): string =>
  isDecimalText(text.trim()) ? new Decimal(text.trim()).toFixed() : plainKey(text)
export const keysText = (keys: readonly string[]): string => keys.map(keyText).join('|')
