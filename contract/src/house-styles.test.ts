import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { contrast } from './contrast'
import { darkSide } from './dark-side'
import { contrastFaults, resolveStyle, StyleChoices, styleColourNames, styleColours } from './house-styles'

const black = '#000000'
const white = '#ffffff'
const plain: StyleChoices = {
  scheme: 'light',
  colours: Object.fromEntries(
    styleColourNames.map((name) => [
      name,
      ['paper', 'card', 'accentSoft', 'onAccent'].includes(name) ? white : black,
    ]),
  ) as StyleChoices['colours'],
  display: 'rubik',
  text: 'system',
  corner: 4,
  density: 'roomy',
}

describe('a style', () => {
  test('comes to one custom property for each colour, and those for letters, corners and room', () => {
    const style = resolveStyle(plain)
    for (const name of styleColourNames) expect(style[styleColours[name]]).toBe(plain.colours[name])
    expect(style).toMatchObject({ '--corner': '4px', '--density': '1.25', '--text': 'system-ui, sans-serif' })
    expect(style['--scheme']).toBeUndefined()
    expect(resolveStyle({ ...plain, scheme: 'dark' })['--scheme']).toBe('dark')
  })

  test.each<[string, object]>([
    ['a colour that is none', { colours: { ...plain.colours, ink: 'plum' } }],
    ['a colour that is more than one', { colours: { ...plain.colours, ink: '#000000;}body{display:none' } }],
    ['letters that do not ship', { text: 'comic' }],
    ['corners beyond what a page can draw', { corner: 500 }],
    ['a field nobody knows', { script: 'alert(1)' }],
  ])('with %s is none', (_, change) =>
    expect(StyleChoices.safeParse({ ...plain, ...change }).success).toBe(false),
  )
})

describe('contrast', () => {
  test('black on white has no fault; each colour that is made pale is named, on every ground it stands on', () => {
    expect(contrastFaults(plain)).toEqual([])
    const pale = { ...plain, colours: { ...plain.colours, inkSoft: '#aaaaaa' } }
    expect(contrastFaults(pale)).toEqual([
      { side: 'light', of: 'inkSoft', on: 'card', ratio: 2.32, least: 4.5 },
      { side: 'light', of: 'inkSoft', on: 'paper', ratio: 2.32, least: 4.5 },
    ])
  })

  test('a ratio just below what is needed is not rounded up to it', () => {
    // #777777 on white is 4.478 to 1.
    const near = { ...plain, colours: { ...plain.colours, ink: '#777777' } }
    expect(contrastFaults(near)[0]).toMatchObject({ of: 'ink', ratio: 4.47 })
  })

  test('lies between 1 and 21, and is the same both ways (any two colours)', () => {
    const colour = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`)
    fc.assert(
      fc.property(colour, colour, (a, b) => {
        const ratio = contrast(a, b)
        expect(ratio).toBeGreaterThanOrEqual(1)
        expect(ratio).toBeLessThanOrEqual(21)
        expect(contrast(b, a)).toBe(ratio)
      }),
    )
  })
})

describe('the dark side of a style', () => {
  const colour = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`)
  const choicesOf = (style: ReturnType<typeof resolveStyle>): StyleChoices => ({
    ...plain,
    colours: Object.fromEntries(
      styleColourNames.map((name) => [name, style[styleColours[name]]]),
    ) as StyleChoices['colours'],
  })
  test('can be read and told apart whatever the light one’s colours are (500)', () => {
    fc.assert(
      fc.property(fc.array(colour, { minLength: 16, maxLength: 16 }), (some) => {
        const colours = Object.fromEntries(
          styleColourNames.map((name, i) => [name, some[i]]),
        ) as StyleChoices['colours']
        const dark = darkSide(resolveStyle({ ...plain, colours }))
        expect(contrastFaults(choicesOf(dark))).toEqual([])
        expect(dark['--scheme']).toBe('dark')
      }),
      { numRuns: 500 },
    )
  })
  test('has the colours that were chosen for it, and those are measured too', () => {
    const chosen = { ...plain, darkColours: { accent: '#ffd166' } }
    expect(darkSide(resolveStyle(chosen))).toEqual({
      ...darkSide(resolveStyle(plain)),
      '--accent': '#ffd166',
    })
    expect(darkSide(resolveStyle(plain))).not.toHaveProperty('--dark-accent')
    expect(resolveStyle(chosen)['--accent']).toBe(plain.colours.accent)
    const unread = { ...plain, darkColours: { ink: '#202020' } }
    expect(contrastFaults(unread).map(({ side, of, on }) => [side, of, on])).toContainEqual([
      'dark',
      'ink',
      'card',
    ])
    expect(contrastFaults({ ...unread, scheme: 'dark' })).toEqual(
      contrastFaults({ ...plain, scheme: 'dark' }),
    )
  })
  test('keeps the hue, and leaves a style alone that is dark already', () => {
    const red = resolveStyle({ ...plain, colours: { ...plain.colours, accent: '#aa0000' } })
    expect(darkSide(red)['--accent']).toMatch(/^#f[0-9a-f]([0-9a-f]{2})\1$/)
    const dark = resolveStyle({ ...plain, scheme: 'dark' })
    expect(darkSide(dark)).toBe(dark)
  })
})
