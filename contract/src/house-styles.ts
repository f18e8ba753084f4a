import { z } from 'zod'
import type { HouseStyle } from './visitor'
import { Revision } from './bounds'
import { contrast } from './contrast'
import { darkSide, onDarkSide } from './dark-side'

/** The letters that ship with the product: name and CSS family. All but the system's have Latin; Rubik adds Hebrew. */
export const fonts = {
  figtree: "'Figtree Variable', 'Rubik Variable', system-ui, sans-serif",
  bricolage: "'Bricolage Grotesque Variable', 'Rubik Variable', system-ui, sans-serif",
  rubik: "'Rubik Variable', system-ui, sans-serif",
  sourceSerif: "'Source Serif 4 Variable', Georgia, serif",
  system: 'system-ui, sans-serif',
} as const satisfies Record<string, string>
export type FontName = keyof typeof fonts
export const fontNames = Object.keys(fonts) as [FontName, ...FontName[]]

/** Each colour of a style and the custom property the visitor page draws with. */
export const styleColours = {
  ink: '--ink',
  inkSoft: '--ink-soft',
  paper: '--paper',
  card: '--card',
  line: '--line',
  lineSoft: '--line-soft',
  accent: '--accent',
  accentSoft: '--accent-soft',
  onAccent: '--on-accent',
  error: '--error',
  principal: '--principal',
  interest: '--interest',
  part2: '--part-2',
  part3: '--part-3',
  part4: '--part-4',
  part5: '--part-5',
} as const satisfies Record<string, `--${string}`>
export type StyleColour = keyof typeof styleColours
export const styleColourNames = Object.keys(styleColours) as StyleColour[]

export const densities = { compact: '0.8', normal: '1', roomy: '1.25' } as const
export type Density = keyof typeof densities

/** What a new calculator wears, and one whose style is gone. */
export const FIRST_STYLE = 'larkmoor'

/** Bytes of a logo's file: it comes with every page. */
export const MOST_LOGO_BYTES = 16 * 1024
export const LogoShape = z.strictObject({
  image: z
    .string()
    .max(MOST_LOGO_BYTES * 1.4)
    .regex(/^data:image\/(png|svg\+xml);base64,[A-Za-z0-9+/]+=*$/, 'a PNG or SVG image'),
  alt: z.string().trim().min(1).max(120),
  width: z.int().min(1).max(2000),
  height: z.int().min(1).max(2000),
})
/** What a lender may word otherwise; that each phrase is one, and has its figures, is checked where it is kept. */
export const OwnWordsShape = z
  .record(
    z.string().regex(/^[a-z]{2}$/, 'the two letters of a language'),
    z
      .record(z.string().max(100), z.string().max(600))
      .refine((phrases) => Object.keys(phrases).length <= 800, 'at most 800 phrases'),
  )
  .refine((words) => Object.keys(words).length <= 12, 'at most 12 languages')
/** A house style as it is kept with an edition: custom properties by name, the logo, and the lender's words. */
export const StyleShape = z
  .object({ logo: LogoShape.optional(), words: OwnWordsShape.optional() })
  .catchall(z.string())
/** The same, known to have custom properties only. */
export const ResolvedStyle = StyleShape as unknown as z.ZodType<HouseStyle>

const colour = z.string().regex(/^#[0-9a-f]{6}$/, 'a colour like "#5b2a86"')

const colours = z.strictObject(
  Object.fromEntries(styleColourNames.map((name) => [name, colour])) as Record<StyleColour, typeof colour>,
)

/** A lender's looks, as they are chosen. */
export const StyleChoices = z.strictObject({
  scheme: z.enum(['light', 'dark']),
  colours,
  /** For browsers whose owners prefer dark pages: colours in place of those that follow from the light ones. */
  darkColours: colours.partial().optional(),
  display: z.enum(fontNames),
  text: z.enum(fontNames),
  /** Pixels. */
  corner: z.int().min(0).max(24),
  density: z.enum(Object.keys(densities) as [Density, ...Density[]]),
  logo: LogoShape.optional(),
  words: OwnWordsShape.optional(),
})
export type StyleChoices = z.infer<typeof StyleChoices>

/** The custom properties an edition freezes. */
export const resolveStyle = ({
  scheme,
  colours,
  darkColours = {},
  display,
  text,
  corner,
  density,
  logo,
  words,
}: StyleChoices): HouseStyle => ({
  ...(scheme === 'dark' && { '--scheme': 'dark' }),
  ...Object.fromEntries(styleColourNames.map((name) => [styleColours[name], colours[name]])),
  ...Object.fromEntries(
    Object.entries(darkColours).map(([name, value]) => [
      onDarkSide(styleColours[name as StyleColour]),
      value,
    ]),
  ),
  '--corner': `${corner}px`,
  '--density': densities[density],
  '--display': fonts[display],
  '--text': fonts[text],
  ...(logo && { logo }),
  ...(words && Object.keys(words).length > 0 && { words }),
})

/** What has to stand out from what, and by how much (WCAG 2.2: 4.5 for text, 3 for shapes). */
const pairs: readonly (readonly [StyleColour, StyleColour, least: number])[] = [
  ['ink', 'card', 4.5],
  ['ink', 'paper', 4.5],
  ['inkSoft', 'card', 4.5],
  ['inkSoft', 'paper', 4.5],
  ['accent', 'card', 4.5],
  ['accent', 'paper', 4.5],
  ['accent', 'accentSoft', 4.5],
  ['ink', 'accentSoft', 4.5],
  ['onAccent', 'accent', 4.5],
  ['error', 'card', 4.5],
  ['error', 'paper', 4.5],
  ['line', 'card', 3],
  ['line', 'paper', 3],
  ['principal', 'card', 3],
  ['interest', 'card', 3],
  ['part2', 'card', 3],
  ['part3', 'card', 3],
  ['part4', 'card', 3],
  ['part5', 'card', 3],
]

/** Two colours of a style that are too alike; `ratio` is rounded down to a hundredth, so that it never flatters. */
export interface ContrastFault {
  /** As it was chosen, or for browsers whose owners prefer dark pages. */
  readonly side: 'light' | 'dark'
  readonly of: StyleColour
  readonly on: StyleColour
  readonly ratio: number
  readonly least: number
}

/** The colours of a style's dark side: chosen, or following from the light ones; a dark style has no other side. */
export function darkColoursOf(choices: StyleChoices): StyleChoices['colours'] {
  const style = darkSide(resolveStyle(choices))
  return Object.fromEntries(
    styleColourNames.map((name) => [name, style[styleColours[name]] ?? choices.colours[name]]),
  ) as StyleChoices['colours']
}

/** What cannot be told apart on either side. */
export const contrastFaults = (choices: StyleChoices): ContrastFault[] => [
  ...faultsOf(choices.colours, 'light'),
  ...(choices.scheme === 'dark' ? [] : faultsOf(darkColoursOf(choices), 'dark')),
]

const faultsOf = (colours: StyleChoices['colours'], side: ContrastFault['side']): ContrastFault[] =>
  pairs.flatMap(([of, on, least]) => {
    const exact = contrast(colours[of], colours[on])
    return exact >= least ? [] : [{ side, of, on, ratio: Math.floor(exact * 100) / 100, least }]
  })

/** A house style as the desk lists it. */
export const StyleListed = z.strictObject({
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'small letters, digits and hyphens'),
  name: z.string().trim().min(1).max(80),
  choices: StyleChoices,
  /** Goes up by one with every save. */
  revision: z.int(),
  lastEditedBy: z.string().nullable(),
  lastEditedAt: z.iso.datetime(),
  /** The calculators that wear it. */
  wornBy: z.array(z.strictObject({ id: z.uuid(), title: z.string(), slug: z.string() })),
})
export type StyleListed = z.infer<typeof StyleListed>

/** Saves a style on top of a revision; 0: it is new. */
export const SaveStyle = z.strictObject({
  revision: Revision,
  id: StyleListed.shape.id,
  name: StyleListed.shape.name,
  choices: StyleChoices,
})
export type SaveStyle = z.infer<typeof SaveStyle>
