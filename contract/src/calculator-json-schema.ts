import { z } from 'zod'
import { CalculatorDocument } from '@vivid/core'

/** The calculator document as JSON Schema (draft 2020-12), for those who read or write calculators outside the desk. */
export const calculatorJsonSchema = (): object => ({
  ...z.toJSONSchema(CalculatorDocument, { unrepresentable: 'any', io: 'input' }),
  title: 'Vivid Meter calculator document, version 2',
})
