import { darkSide, propertiesOf, type HouseStyle } from '@vivid/contract'

/** What stands in a declaration and cannot end it: colours, lengths, names of letters. */
const PLAIN = /^[\w\s#.,'%-]*$/

/** A lender's looks as CSS, with their dark side for browsers whose owners prefer it. */
export const looksOf = (style: HouseStyle): string =>
  `html:root{${declarations(style)}}@media (prefers-color-scheme:dark){html:root{${declarations(darkSide(style))}}}`

const declarations = (style: HouseStyle): string =>
  propertiesOf(style)
    .filter(([name, value]) => /^--(?!dark-)[\w-]+$/.test(name) && PLAIN.test(value))
    .map(([name, value]) => `${name}:${value.replace(/^'[^']+ Variable'/, withThoseAtFirst)}`)
    .join(';')

/** Letters, and those a browser draws with until they have come (`letters-at-first.css`). */
const withThoseAtFirst = (family: string): string =>
  [family, ...['Arial', 'Roboto', 'DejaVu Sans'].map((own) => `${family.slice(0, -1)} as ${own}'`)].join()
