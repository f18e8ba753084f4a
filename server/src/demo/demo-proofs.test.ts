import { compile, runProofs } from '@vivid/core'
import { expect, test } from 'vitest'
import { demoCalculators } from './demo-calculators'
import { demoSheets } from './demo-sheets'

test.each(
  demoCalculators.map(
    ({ slug, draft, editions }) => [slug, [draft, ...editions.map(({ document }) => document)]] as const,
  ),
)('%s: what visitors have or have had is proven by known answers, and all agree', (slug, documents) => {
  for (const document of documents) {
    const results = [...runProofs(compile(document, demoSheets), demoSheets)]
    expect(results.filter(({ agrees }) => !agrees)).toEqual([])
    // Its rate is still to be agreed on.
    expect(results.length > 0).toBe(slug !== 'lock-keepers-cottage')
  }
})
