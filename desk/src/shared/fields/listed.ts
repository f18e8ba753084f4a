const list = new Intl.ListFormat('en-CA', { type: 'conjunction' })

/** "Ines Okafor and Odile Marchetti" */
export const listed = (names: readonly string[]): string => list.format(names)
