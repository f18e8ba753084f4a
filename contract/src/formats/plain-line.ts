/** A text as one line without controls, for formats that end a field at the end of a line. */
export const plainLine = (text: string): string => text.replace(/[\p{Cc}\u2028\u2029]+/gu, ' ').trim()

/** A text without the characters that XML 1.0 cannot hold. */
export const xmlText = (text: string): string =>
  // eslint-disable-next-line no-control-regex -- they are what it is about
  text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
