import { randomBytes } from 'node:crypto'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { createSeal, SealBroken } from './seal'

const [one, two] = [randomBytes(32), randomBytes(32)]

describe('a seal', () => {
  test('opens what it closed, whatever it is, and never closes the same text the same way', () => {
    const seal = createSeal([one])
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), fc.string(), (secret, use) => {
        const kept = seal.close(secret, use)
        expect(seal.open(kept, use)).toBe(secret)
        expect(seal.close(secret, use)).not.toBe(kept)
      }),
    )
  })

  test('does not open for another use, with another key, or with any byte changed', () => {
    const seal = createSeal([one])
    const kept = seal.close('a secret', 'codes of Ada')
    expect(() => seal.open(kept, 'codes of Abe')).toThrow(SealBroken)
    expect(() => createSeal([two]).open(kept, 'codes of Ada')).toThrow(SealBroken)
    expect(() => seal.open('sealed:', 'codes of Ada')).toThrow(SealBroken)
    const bytes = Buffer.from(kept.slice('sealed:'.length), 'base64url')
    bytes.forEach((byte, i) => {
      const tampered = Buffer.from(bytes)
      tampered[i] = byte ^ 1
      expect(() => seal.open(`sealed:${tampered.toString('base64url')}`, 'codes of Ada')).toThrow(SealBroken)
    })
  })

  test('opens with an earlier key that stands behind the new one, and what was kept before there was one', () => {
    const kept = createSeal([one]).close('a secret', 'x')
    expect(createSeal([two, one]).open(kept, 'x')).toBe('a secret')
    expect(() => createSeal([one]).open(createSeal([two, one]).close('a secret', 'x'), 'x')).toThrow(
      SealBroken,
    )
    expect(createSeal([one]).open('JBSWY3DPEHPK3PXP', 'x')).toBe('JBSWY3DPEHPK3PXP')
  })
})
