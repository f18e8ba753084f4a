import type { FontName, StyleColour } from '@vivid/contract'

export const colourWords: Readonly<Record<StyleColour, string>> = {
  ink: 'Text',
  inkSoft: 'Softer text',
  paper: 'Behind the questions',
  card: 'Behind the figures',
  line: 'Lines of fields',
  lineSoft: 'Fine lines',
  accent: 'Accent',
  accentSoft: 'Soft accent',
  onAccent: 'Text on the accent',
  error: 'What is wrong',
  principal: 'Principal',
  interest: 'Interest',
  part2: 'Third part',
  part3: 'Fourth part',
  part4: 'Fifth part',
  part5: 'Sixth part',
}

/** Colours that belong together, as they are edited. */
export const colourGroups: readonly { readonly name: string; readonly colours: readonly StyleColour[] }[] = [
  { name: 'Page', colours: ['ink', 'inkSoft', 'paper', 'card', 'line', 'lineSoft'] },
  { name: 'Accent and warnings', colours: ['accent', 'accentSoft', 'onAccent', 'error'] },
  { name: 'Meter', colours: ['principal', 'interest', 'part2', 'part3', 'part4', 'part5'] },
]

export const fontWords: Readonly<Record<FontName, string>> = {
  figtree: 'Figtree',
  bricolage: 'Bricolage Grotesque',
  rubik: 'Rubik',
  sourceSerif: 'Source Serif 4',
  system: 'the visitor’s own system',
}
