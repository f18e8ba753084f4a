import type { CalculatorDocument } from '../document/document'

/** The document with one language's texts under another's name: `fr-CA` for France becomes `fr-FR`. */
export const renameLanguage = (document: CalculatorDocument, from: string, to: string): CalculatorDocument =>
  changeLanguage(document, from, to)

/** The document without a language and its texts; the last one stays. */
export const removeLanguage = (document: CalculatorDocument, language: string): CalculatorDocument =>
  document.languages.length > 1 ? changeLanguage(document, language, undefined) : document

function changeLanguage(
  document: CalculatorDocument,
  from: string,
  to: string | undefined,
): CalculatorDocument {
  const languages = document.languages.flatMap((one) => (one === from ? (to ?? []) : [one]))
  return { ...(withKey(document, from, to) as CalculatorDocument), languages: [...new Set(languages)] }
}

/** Languages are keys of texts and of nothing else: a step's identifier has no hyphen. */
function withKey(value: unknown, from: string, to: string | undefined): unknown {
  if (Array.isArray(value)) return value.map((item) => withKey(item, from, to))
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, inner]) =>
      key === from ? (to === undefined ? [] : [[to, inner]]) : [[key, withKey(inner, from, to)]],
    ),
  )
}
