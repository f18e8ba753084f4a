import { expect, test } from 'vitest'
import * as core from './index'
import * as light from './evaluate'

test('the public names of the core', () => {
  expect(Object.keys(core).sort()).toEqual([
    'AnswerShape',
    'CalculatorDocument',
    'Decimal',
    'amortize',
    'changesBetween',
    'compile',
    'currencies',
    'effectiveAnnualRate',
    'evaluate',
    'frequencies',
    'frequencyNames',
    'isoDate',
    'levelPayment',
    'mergeDocuments',
    'minor',
    'minorDigitsOf',
    'periodicRate',
    'readIsoDate',
    'readoutKinds',
    'shareOf',
    'starters',
  ])
})

test('the light door for visitors', () => {
  expect(Object.keys(light).sort()).toEqual([
    'evaluate',
    'frequencies',
    'minorDigitsOf',
    'readIsoDate',
    'shareOf',
  ])
})
