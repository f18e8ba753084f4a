import {
  onDarkSide,
  propertiesOf,
  styleColours,
  type FontName,
  type HouseStyle,
  type OwnWords,
  type StyleColour,
} from '@vivid/contract'
import { languageName } from '../fields/language-name'

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

const otherWords: Readonly<Record<`--${string}`, string>> = {
  '--scheme': 'Light or dark',
  '--corner': 'Corners',
  '--density': 'Room around things',
  '--display': 'Letters of headings',
  '--text': 'Letters',
}
const propertyWords: Readonly<Record<string, string>> = {
  ...otherWords,
  ...Object.fromEntries(
    (Object.keys(styleColours) as StyleColour[]).flatMap((name) => [
      [styleColours[name], colourWords[name]],
      [onDarkSide(styleColours[name]), `${colourWords[name]}, on dark pages`],
    ]),
  ),
}

/** One thing in which two house styles differ; a colour as it stands in CSS. */
export interface StyleChange {
  readonly name: string
  readonly before: string | undefined
  readonly after: string | undefined
}

/** In what two house styles differ, in words. */
export function styleChanges(before: HouseStyle, after: HouseStyle): StyleChange[] {
  const names = [...new Set([...propertiesOf(after), ...propertiesOf(before)].map(([name]) => name))]
  const colours = names
    .filter((name) => before[name] !== after[name])
    .map((name) => ({ name: propertyWords[name] ?? name, before: before[name], after: after[name] }))
  const logo = { name: 'Logo', before: before.logo?.alt, after: after.logo?.alt }
  return [
    ...colours,
    ...(JSON.stringify(before.logo) === JSON.stringify(after.logo) ? [] : [logo]),
    ...wordChanges(before.words, after.words),
  ]
}

/** Phrases that are worded otherwise, each by its name. */
const wordChanges = (before: OwnWords = {}, after: OwnWords = {}): StyleChange[] =>
  [...new Set([...Object.keys(after), ...Object.keys(before)])].flatMap((letters) => {
    const [was, is] = [before[letters] ?? {}, after[letters] ?? {}]
    return [...new Set([...Object.keys(is), ...Object.keys(was)])]
      .filter((phrase) => was[phrase] !== is[phrase])
      .map((phrase) => ({
        name: `${languageName(letters)}, ${phrase}`,
        before: was[phrase] ?? 'as it is',
        after: is[phrase] ?? 'as it is',
      }))
  })
