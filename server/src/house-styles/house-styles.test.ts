import { describe, expect, test } from 'vitest'
import { houseStyleNamed, houseStyles } from './house-styles'
import { colourOnPaper } from './on-paper'

/** Relative luminance and contrast ratio, WCAG 2.2. */
function luminance(colour: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const part = parseInt(colour.slice(at, at + 2), 16) / 255
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4
  })
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}
function contrast(a: string, b: string): number {
  const [dark = 0, light = 0] = [luminance(a), luminance(b)].sort((x, y) => x - y)
  return (light + 0.05) / (dark + 0.05)
}

describe.each(Object.entries(houseStyles))('%s', (_, style) => {
  test.each([
    ['--ink', '--card', 4.5],
    ['--ink', '--paper', 4.5],
    ['--ink-soft', '--card', 4.5],
    ['--ink-soft', '--paper', 4.5],
    ['--accent', '--card', 4.5],
    ['--accent', '--paper', 4.5],
    ['--on-accent', '--accent', 4.5],
    ['--accent', '--accent-soft', 4.5],
    ['--error', '--card', 4.5],
    ['--error', '--paper', 4.5],
    ['--line', '--card', 3],
    ['--line', '--paper', 3],
    ['--principal', '--card', 3],
    ['--interest', '--card', 3],
    ['--part-2', '--card', 3],
    ['--part-3', '--card', 3],
    ['--part-4', '--card', 3],
    ['--part-5', '--card', 3],
  ] as const)('%s on %s has at least %f to 1', (a, b, least) =>
    expect(contrast(style[a] ?? '', style[b] ?? '')).toBeGreaterThanOrEqual(least),
  )

  test.each(['--ink', '--ink-soft', '--accent'] as const)('%s can be read on paper', (name) =>
    expect(contrast(colourOnPaper(style, name), '#ffffff')).toBeGreaterThanOrEqual(4.5),
  )
})

test('an unknown style is the lender’s own', () => {
  expect(houseStyleNamed('constructor')).toBe(houseStyles.larkmoor)
})
