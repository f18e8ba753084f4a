import type { Program } from '@vivid/core'

/** The language asked for, if the calculator speaks it: exactly, or in another country's kind; else its main one. */
export function languageFor({ languages }: Program, asked: string | undefined): string {
  const exact = languages.find((language) => language.toLowerCase() === asked?.toLowerCase())
  const kin = languages.find((language) => asked && language.slice(0, 2) === asked.slice(0, 2).toLowerCase())
  return exact ?? kin ?? languages[0] ?? 'en-CA'
}
