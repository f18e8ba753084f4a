import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { calculatorJsonSchema } from './calculator-json-schema'

test('docs/calculator.schema.json is the schema as it stands', () => {
  const published = JSON.parse(
    readFileSync(new URL('../../docs/calculator.schema.json', import.meta.url), 'utf8'),
  ) as unknown
  expect(published).toEqual(JSON.parse(JSON.stringify(calculatorJsonSchema())))
})
