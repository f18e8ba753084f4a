import { CONVERSION } from '../../formula/functions/often'
import { lightNamed } from '../../formula/functions/light'
import type { Program } from '../program/program'
import { isNarrowing } from './question-state'

/** Whether a program has steps or functions that are worked out with more than a page has at first. */
export const needsFurther = ({ steps }: Program): boolean =>
  steps.some(
    ({ step, formulas }) =>
      furtherKinds.has(step.kind) ||
      (step.kind === 'question' && step.asks === 'loans') ||
      isNarrowing(formulas) ||
      callsFurther(JSON.stringify(formulas)),
  )

/** In an expression only functions have names. */
const callsFurther = (formulas: string): boolean =>
  [...formulas.matchAll(/"name":"([^"]+)"/g)].some(
    ([, name = '']) => name !== CONVERSION && !lightNamed(name),
  )

const furtherKinds: ReadonlySet<string> = new Set([
  'affordability',
  'refinance',
  'equity',
  'aim',
  'ladder',
  'comparison',
  'payOff',
])
