import bidiFactory from 'bidi-js'
import { DIRECTION_MARKS, isRightToLeft } from '@vivid/contract/wording'

const bidi = bidiFactory()

const DIRECTION_MARK = new RegExp(DIRECTION_MARKS.source)

/** Letters that are written from right to left. */
const TURNED = /[\p{Script=Hebrew}\p{Script=Arabic}]/u

/** A word, a space or a sign of a text: what is read from right to left has an odd level, what stands within that the next higher. */
export interface Run {
  readonly text: string
  readonly level: number
}

/** The level of a text as a whole. */
export const levelOf = (language: string): 0 | 1 => (isRightToLeft(language) ? 1 : 0)

/**
 * A text in runs of one level, in the order they are read (Unicode Bidirectional Algorithm, UAX #9): lines are broken
 * before they are put in the order they stand in. A text with one direction in a language with the same is no runs.
 */
export function runsOf(text: string, language: string): string | Run[] {
  const isTurned = isRightToLeft(language)
  if (!isTurned && !TURNED.test(text)) return text.replace(DIRECTION_MARKS, '')
  const { levels } = bidi.getEmbeddingLevels(text, isTurned ? 'rtl' : 'ltr')
  const runs: { text: string; level: number; isSign: boolean }[] = []
  let at = 0
  for (const character of text) {
    const level = levels[at] ?? levelOf(language)
    at += character.length
    // The marks have done their work, and are no signs a font has.
    if (DIRECTION_MARK.test(character)) continue
    const last = runs.at(-1)
    const isTurnedSign = level % 2 === 1 && SIGN.test(character)
    const isSign = isTurnedSign || /\s/.test(character)
    const stands = isTurnedSign ? (bidi.getMirroredCharacter(character) ?? character) : character
    if (last && !last.isSign && !isSign && last.level === level) last.text += stands
    else runs.push({ text: stands, level, isSign })
  }
  return runs
}

/** What fonts do not turn: it stands alone from right to left, and brackets face the other way. */
const SIGN = /[\p{P}\p{S}]/u

/**
 * What stands in a line, from left to right, from the order it is read in (rules L1 and L2): spaces at its end are of the
 * level of the whole; then, from the highest level down to the lowest odd one, every run at that level or above is turned
 * round. Within a run the letters keep their own order: the font turns them.
 */
export function inOrderOfLine<R extends Run>(line: readonly R[], whole: 0 | 1): R[] {
  const lastWord = line.map(({ text }) => /\S/.test(text)).lastIndexOf(true)
  const levels = new Map(line.map((run, at) => [run, at > lastWord ? whole : run.level]))
  const levelIn = (run: R | undefined) => (run && levels.get(run)) ?? -1
  const ordered = [...line]
  for (let level = Math.max(0, ...levels.values()); level >= 1; level--) {
    for (let start = 0; start < ordered.length; start++) {
      if (levelIn(ordered[start]) < level) continue
      let end = start
      while (levelIn(ordered[end + 1]) >= level) end++
      ordered.splice(start, end - start + 1, ...ordered.slice(start, end + 1).reverse())
      start = end
    }
  }
  return ordered
}

/** The pieces of a text of one line as they stand on paper, from left to right. */
export function inVisualOrder(text: string, language: string): string[] {
  const runs = runsOf(text, language)
  if (typeof runs === 'string') return [runs]
  return inOrderOfLine(runs, levelOf(language)).map((run) => run.text)
}

/** A name that somebody gave, kept from turning what stands beside it (UAX #9, isolates). */
export const isolated = (name: string): string => `\u2068${name}\u2069`
