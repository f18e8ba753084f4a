const names = new Intl.DisplayNames('en', { type: 'language' })

/** "Canadian French" for "fr-CA". */
export const languageName = (language: string): string => names.of(language) ?? language

/** Languages and countries a calculator may be offered in; any other can be typed. */
export const offeredLanguages = [
  'en-CA',
  'fr-CA',
  'en-GB',
  'en-US',
  'en-IN',
  'en-JP',
  'en-AU',
  'en-NZ',
  'fr-FR',
  'fr-CH',
  'de-DE',
  'de-AT',
  'es-ES',
  'es-MX',
  'he-IL',
] as const
