import { expect, test } from 'vitest'
import type { CheckedFormula } from '@vivid/core'
import { readAsSentence } from './read-as-sentence'

test.each<[NonNullable<CheckedFormula['readAs']>, string]>([
  [{ unit: { is: 'money' }, value: '6000050' }, 'Taken as an amount: 60,000.50.'],
  [{ unit: { is: 'percent' }, value: '4.5' }, 'Taken as a percentage: 4.5 %.'],
  [{ unit: { is: 'term' }, value: '306' }, 'Taken as a length of time: 25 years 6 months.'],
  [{ unit: { is: 'frequency' }, value: 'biweekly' }, 'Taken as a payment frequency: every two weeks.'],
  [{ unit: { is: 'number' }, value: '4.5' }, 'Taken as a number: 4.5.'],
])('%j is “%s”', (readAs, sentence) => expect(readAsSentence(readAs, 2)).toBe(sentence))
