import { expect, test } from 'vitest'
import { resolveStyle, type StyleChoices } from '@vivid/contract'
import { styleChanges } from './style-words'

const colours = Object.fromEntries(
  [
    ...['ink', 'inkSoft', 'paper', 'card', 'line', 'lineSoft', 'accent', 'accentSoft', 'onAccent', 'error'],
    ...['principal', 'interest', 'part2', 'part3', 'part4', 'part5'],
  ].map((name) => [name, '#112233']),
) as StyleChoices['colours']
const style: StyleChoices = {
  scheme: 'light',
  colours,
  display: 'figtree',
  text: 'figtree',
  corner: 8,
  density: 'normal',
}

test('two styles differ in what was chosen otherwise, in words', () => {
  const other = resolveStyle({
    ...style,
    colours: { ...colours, accent: '#5b2a86' },
    darkColours: { accent: '#c9a8ff' },
    corner: 2,
  })
  expect(styleChanges(resolveStyle(style), other)).toEqual([
    { name: 'Accent', before: '#112233', after: '#5b2a86' },
    { name: 'Accent, on dark pages', before: undefined, after: '#c9a8ff' },
    { name: 'Corners', before: '8px', after: '2px' },
  ])
  expect(styleChanges(other, other)).toEqual([])
})

test('everything a style can have has a name', () => {
  const whole = resolveStyle({ ...style, scheme: 'dark', darkColours: colours })
  expect(styleChanges({}, whole).map(({ name }) => name)).not.toContainEqual(expect.stringMatching(/^--/))
})
