import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { openSync } from 'fontkit'

const require = createRequire(import.meta.url)
const font = (family: string, weight: string, name: string) =>
  join(dirname(require.resolve(`@expo-google-fonts/${family}/package.json`)), weight, `${name}.ttf`)
const face = (family: string, name: string) => {
  const normal = font(family, '400Regular', `${name}_400Regular`)
  const bold = font(family, '700Bold', `${name}_700Bold`)
  return { normal, bold, italics: normal, bolditalics: bold }
}

/** The fonts of a document; together they have Latin, Greek, Cyrillic, Hebrew and Arabic letters. */
export const fonts = {
  Figtree: face('figtree', 'Figtree'),
  SourceSerif: face('source-serif-4', 'SourceSerif4'),
  Rubik: face('rubik', 'Rubik'),
}
export type FontName = keyof typeof fonts
const names = Object.keys(fonts) as readonly FontName[]

const known = new Map<FontName, ReadonlySet<number>>()
/** The characters a font has signs for. */
function charactersOf(name: FontName): ReadonlySet<number> {
  const found = known.get(name)
  if (found) return found
  const file = openSync(fonts[name].normal)
  const characters = new Set('characterSet' in file ? file.characterSet : [])
  known.set(name, characters)
  return characters
}

/** What every font has: most texts are looked at no further. */
const IN_EVERY_FONT = /^[\s!-~\u00a0-\u00ff\u2013\u2014\u2018-\u201e\u2026\u20ac]*$/
const NEEDS_NO_SIGN = /[\s\p{Cc}\p{Cf}\p{M}]/u

export const hasSign = (name: FontName, character: string): boolean =>
  NEEDS_NO_SIGN.test(character) || charactersOf(name).has(character.codePointAt(0) ?? 0)

/** The font that has the most of a text's characters; the preferred one where others have no more. */
export function fontWithMost(text: string, preferred: FontName): FontName {
  if (IN_EVERY_FONT.test(text)) return preferred
  const count = (name: FontName) => [...text].filter((character) => hasSign(name, character)).length
  return names.reduce((best, name) => (count(name) > count(best) ? name : best), preferred)
}

/** A text in pieces of one font each, where the document's own lacks some of its characters. What none has stays in that. */
export function inFonts(text: string, own: FontName): string | { text: string; font: FontName }[] {
  if (IN_EVERY_FONT.test(text)) return text
  const pieces: { text: string; font: FontName }[] = []
  for (const character of text) {
    const last = pieces.at(-1)
    const goesOn = last && NEEDS_NO_SIGN.test(character)
    const font = goesOn ? last.font : ([own, ...names].find((name) => hasSign(name, character)) ?? own)
    if (last?.font === font) last.text += character
    else pieces.push({ text: character, font })
  }
  return pieces.every(({ font }) => font === own) ? text : pieces
}
