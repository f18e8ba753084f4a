import bidiFactory from 'bidi-js'
import { DIRECTION_MARKS, isRightToLeft } from '@vivid/contract/wording'

const bidi = bidiFactory()

/** Characters to a line where a right-to-left text has to be broken before it is set. */
const LINE = 88

/**
 * A text as pieces in the order they stand on paper, left to right, for a typesetter that knows only that direction
 * (Unicode Bidirectional Algorithm, UAX #9). Within a piece the letters keep their own order: the font turns them.
 * Left-to-right languages are one piece. Lines are broken here, since their words are already in place.
 */
export function inVisualOrder(text: string, language: string): string | { text: string }[] {
  if (!isRightToLeft(language)) return text.replace(DIRECTION_MARKS, '')
  return linesOf(text).flatMap((line, i) => [...(i > 0 ? [{ text: '\n' }] : []), ...piecesOf(line)])
}

function piecesOf(line: string): { text: string }[] {
  const { levels } = bidi.getEmbeddingLevels(line, 'rtl')
  const tokens = tokensOf(line, levels)
  const highest = Math.max(0, ...tokens.map(({ level }) => level))
  // Rule L2: from the highest level down to the lowest odd one, every run at that level or above is turned round.
  for (let level = highest; level >= 1; level--) {
    for (let start = 0; start < tokens.length; start++) {
      if ((tokens[start]?.level ?? 0) < level) continue
      let end = start
      while ((tokens[end + 1]?.level ?? 0) >= level) end++
      tokens.splice(start, end - start + 1, ...tokens.slice(start, end + 1).reverse())
      start = end
    }
  }
  // The marks have done their work, and are no signs a font has.
  return tokens
    .map(({ text, level }) => ({ text: text.replace(DIRECTION_MARKS, ''), level }))
    .filter(({ text }) => text !== '')
    .map(({ text, level }) => ({ text: level % 2 === 1 ? mirrored(text) : text }))
}

interface Token {
  text: string
  readonly level: number
}

/** Words and spaces, each of one level. */
function tokensOf(line: string, levels: Uint8Array): Token[] {
  const tokens: Token[] = []
  for (const [at, character] of [...line].entries()) {
    const level = levels[at] ?? 1
    const last = tokens.at(-1)
    const isSpace = /\s/.test(character)
    if (last && last.level === level && !isSpace && last.text !== NO_BREAK) last.text += character
    else tokens.push({ text: isSpace ? NO_BREAK : character, level })
  }
  return tokens
}
const NO_BREAK = '\u00a0'

/** Brackets face the other way; letters are left to the font. */
const mirrored = (text: string) =>
  /^[\p{P}\p{S}\s]+$/u.test(text)
    ? [...text].map((one) => bidi.getMirroredCharacter(one) ?? one).join('')
    : text

function linesOf(text: string): string[] {
  const lines: string[] = []
  for (const paragraph of text.split('\n')) {
    let line = ''
    for (const word of paragraph.split(' ')) {
      if (line !== '' && line.length + word.length + 1 > LINE) {
        lines.push(line)
        line = word
      } else line = line === '' ? word : `${line} ${word}`
    }
    lines.push(line)
  }
  return lines
}
