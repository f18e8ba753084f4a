import { describe, expect, test } from 'vitest'
import { CalculatorDocument } from '../document/document'
import { paragraphs } from '../document/version-1'
import { ownThingsOf, settled, stillToMakeOwn } from './own-things'
import { starters } from '.'

const begun = (id: string): CalculatorDocument => {
  const starter = starters.find((one) => one.id === id)
  if (!starter) throw new Error(`there is no starter ${id}`)
  return CalculatorDocument.parse({ ...starter.make(), begunFrom: { starter: id, settled: [] } })
}

describe('what a lender makes its own', () => {
  test.each(starters.map(({ id }) => id))('%s: all of it is there to do at first', (id) => {
    const document = begun(id)
    expect(stillToMakeOwn(document)).toEqual(ownThingsOf(document))
    expect(ownThingsOf(document)).toEqual(expect.arrayContaining(['currency', 'languages', 'words']))
  })

  const document = begun('insured-purchase')
  test.each<[string, CalculatorDocument]>([
    ['currency', { ...document, currency: 'GBP' }],
    ['languages', { ...document, languages: [...document.languages, 'en-GB'] }],
    ['words', { ...document, disclosure: { 'en-CA': paragraphs('Ours.') } }],
    [
      'conventions',
      {
        ...document,
        steps: document.steps.map((step) =>
          step.kind === 'loan' ? { ...step, options: { ...step.options, compounding: 12 } } : step,
        ),
      },
    ],
    [
      'rates',
      {
        ...document,
        steps: document.steps.map((step) =>
          step.kind === 'question' && step.asks === 'percent' ? { ...step, default: '7.77' } : step,
        ),
      },
    ],
  ])('%s ticks itself off once it is changed, and nothing else does', (thing, changed) => {
    expect(stillToMakeOwn(changed)).toEqual(stillToMakeOwn(document).filter((one) => one !== thing))
  })

  test('what is said to be right as it is is done; a calculator that began otherwise has nothing to do', () => {
    expect(stillToMakeOwn(settled(document, ['rates', 'words']))).toEqual([
      'currency',
      'languages',
      'conventions',
    ])
    const { begunFrom: _, ...loose } = document
    expect(stillToMakeOwn(loose)).toEqual([])
    expect(settled(loose, ['rates'])).toBe(loose)
    expect(stillToMakeOwn({ ...document, begunFrom: { starter: 'gone', settled: [] } })).toEqual([])
  })
})
