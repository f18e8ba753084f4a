import { expect, test } from 'vitest'
import { fetchAllLanguages } from '@vivid/contract/wording'
import { compile, starters } from '@vivid/core'
import { further } from '@vivid/core/further'
import { momentOf } from './moment-of'
import { presetAnswers } from './preset-answers'

await fetchAllLanguages()
const document = starters.find(({ id }) => id === 'mortgage-payment')?.make()
if (!document) throw new Error('no such starter')
const { program } = compile(document, [])
const around = { today: momentOf('2026-11-25'), sheets: [] }
const preset = (query: string, language = 'en-CA') =>
  presetAnswers(program, new URLSearchParams(query), language, around, further)

test('answers in an address are read as they are typed, in the language of the page', () => {
  expect(
    preset('homePrice=412,600&downPayment=20%25&term=25 years 6 months&rate=4.64&frequency=weekly'),
  ).toEqual({
    answers: {
      homePrice: 412_600_00,
      downPayment: { percent: '20' },
      term: { years: 25, months: 6 },
      rate: '4.64',
      frequency: 'weekly',
    },
    refused: [],
  })
  expect(preset('homePrice=412 600,50&rate=4,64&term=25 ans', 'fr-CA').answers).toEqual({
    homePrice: 412_600_50,
    rate: '4.64',
    term: { years: 25, months: 0 },
  })
})

test('a placement’s answers are plain text and mean the same in every language', () => {
  const query = 'placement=5a1c&homePrice=412600.50&rate=4.625&term=25 years&downPayment=CAD 90000.00'
  for (const language of ['en-CA', 'fr-CA', 'de-DE', 'es-ES', 'he-IL'])
    expect(preset(query, language), language).toEqual({
      answers: {
        homePrice: 412_600_50,
        rate: '4.625',
        term: { years: 25, months: 0 },
        downPayment: { money: 90_000_00 },
      },
      refused: [],
    })
})

test('what is not asked is passed over', () => {
  expect(preset('rate=&colour=red&lang=fr')).toEqual({ answers: {}, refused: [] })
})

test.each([
  ['no amount', 'homePrice=a lot', ['homePrice']],
  ['beyond the range', 'homePrice=1', ['homePrice']],
  ['a frequency that is not offered', 'frequency=hourly', ['frequency']],
  ['several, one of which is right', 'rate=400&term=900 years&homePrice=500000', ['rate', 'term']],
])('%s is left out and named, and the page begins without a problem', (_, query, refused) => {
  const { answers, refused: named } = preset(query)
  expect([...named].sort()).toEqual([...refused].sort())
  for (const id of refused) expect(answers).not.toHaveProperty(id)
  expect(Object.keys(answers)).toEqual(query.includes('500000') ? ['homePrice'] : [])
})
