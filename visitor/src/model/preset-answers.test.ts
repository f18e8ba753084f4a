import { expect, test } from 'vitest'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { compile, starters } from '@vivid/core'
import { presetAnswers } from './preset-answers'

await fetchAllLanguages()
const document = starters.find(({ id }) => id === 'mortgage-payment')?.make()
if (!document) throw new Error('no such starter')
const { program } = compile(document, [])
const preset = (query: string, language = 'en-CA') =>
  presetAnswers(program, new URLSearchParams(query), language)

test('answers in an address are read as they are typed, in the language of the page', () => {
  expect(
    preset('homePrice=412,600&downPayment=20%25&term=25 years 6 months&rate=4.64&frequency=weekly'),
  ).toEqual({
    homePrice: 412_600_00,
    downPayment: { percent: '20' },
    term: { years: 25, months: 6 },
    rate: '4.64',
    frequency: 'weekly',
  })
  expect(preset('homePrice=412 600,50&rate=4,64&term=25 ans', 'fr-CA')).toEqual({
    homePrice: 412_600_50,
    rate: '4.64',
    term: { years: 25, months: 0 },
  })
})

test('what cannot be read and what is not asked is left out', () => {
  expect(preset('homePrice=a lot&rate=&colour=red&lang=fr')).toEqual({})
})
