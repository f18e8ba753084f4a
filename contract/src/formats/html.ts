const escapes: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
}

/** Text for HTML, as content or between quotation marks in an attribute. */
export const htmlText = (text: string): string => text.replace(/[&<>"']/g, (sign) => escapes[sign] ?? sign)

/** JSON that can stand inside a script element, whatever text it holds. */
export const scriptJson = (value: unknown): string =>
  JSON.stringify(value).replace(
    /[<>&\u2028\u2029]/g,
    (sign) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`,
  )
