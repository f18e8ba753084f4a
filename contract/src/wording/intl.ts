/** Remembers what is made for a locale, or a currency of it: making one of these takes longer than using it a hundred times. */
export function perLocale<T>(make: (locale: string) => T): (locale: string) => T {
  const made = new Map<string, T>()
  return (locale) => {
    const known = made.get(locale)
    if (known !== undefined) return known
    const fresh = make(locale)
    made.set(locale, fresh)
    return fresh
  }
}

export const pluralRules = perLocale((locale) => new Intl.PluralRules(locale))
export const plainNumbers = perLocale((locale) => new Intl.NumberFormat(locale))
export const wholeNumbers = perLocale((locale) => new Intl.NumberFormat(locale, { maximumFractionDigits: 0 }))

/** The sign before decimals in a locale. */
export const decimalMarkOf = perLocale(
  (locale) =>
    plainNumbers(locale)
      .formatToParts(1.5)
      .find((part) => part.type === 'decimal')?.value ?? '.',
)

/** The sign between groups of digits in a locale: a comma, a point, or a space. */
export const groupMarkOf = perLocale(
  (locale) =>
    plainNumbers(locale)
      .formatToParts(10_000_000)
      .find((part) => part.type === 'group')?.value ?? ' ',
)
