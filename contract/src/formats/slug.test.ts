import fc from 'fast-check'
import { expect, test } from 'vitest'
import { RateSheet } from '@vivid/core'
import { slugOf } from './slug'

test.each([
  ['Floating home', 'floating-home'],
  ['  ÅÉÎ — 100% ', 'aei-100'],
  ['Prêts à flot', 'prets-a-flot'],
  ['漢字', 'calculator'],
  ['x'.repeat(200), 'x'.repeat(60)],
])('the title "%s" makes the address "%s"', (title, slug) => {
  expect(slugOf(title, new Set())).toBe(slug)
})

test('whatever the title, the address is one, and no other’s', () => {
  const isAddress = (slug: string) => RateSheet.shape.id.safeParse(slug).success
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 90 }), (title) => {
      const taken = new Set<string>()
      for (let n = 0; n < 12; n++) {
        const slug = slugOf(title, taken, 'new-sheet')
        expect([slug, isAddress(slug), taken.has(slug)]).toEqual([slug, true, false])
        expect(slug).not.toMatch(/-$/)
        taken.add(slug)
      }
    }),
  )
})
