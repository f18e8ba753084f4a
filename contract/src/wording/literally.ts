/** The source of a regular expression that finds words as they are written, with any white space between them. */
export const literally = (word: string): string =>
  word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/\s+/g, '\\s+')
