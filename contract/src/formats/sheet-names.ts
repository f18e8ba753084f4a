const MOST = 31

/**
 * Names for the sheets of one workbook (ISO/IEC 29500), in their order: of at most 31 characters, none of them `[ ] * ? : / \`
 * or a control, no apostrophe at an end, none that applications keep for themselves, and no two alike but for capitals.
 */
export function sheetNames(titles: readonly string[]): string[] {
  const taken = new Set(['history'])
  return titles.map((title) => {
    const plain = cut(
      title
        .replace(/[[\]*?:/\\\p{Cc}]/gu, ' ')
        .replace(/\s+/g, ' ')
        .trim(),
      MOST,
    ).replace(/^'+|'+$/g, '')
    const name = plain.trim() || 'Sheet'
    let free = name
    for (let n = 2; taken.has(free.toLowerCase()); n++)
      free = `${cut(name, MOST - String(n).length - 1)} ${n}`
    taken.add(free.toLowerCase())
    return free
  })
}

/** At most so many UTF-16 units, with no character cut in half. */
function cut(text: string, most: number): string {
  let kept = ''
  for (const character of text) {
    if (kept.length + character.length > most) break
    kept += character
  }
  return kept
}
