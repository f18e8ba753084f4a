import { expect, test } from 'vitest'
import { figuresOf, figureSources } from '@vivid/core'
import { figureWords } from './figure-words'

test.each(figureSources)('every figure of a %s is said in words, and no other', (source) => {
  expect(Object.keys(figureWords[source]).sort()).toEqual(Object.keys(figuresOf[source]).sort())
})
