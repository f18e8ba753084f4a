import type { Cell } from '../book/book'
import { NotTaken, type Formula } from '../formula/formula'
import { figure, text, type Code } from './code'
import { typedIn } from './table'

/** What is asked of a cell so that it counts: "=", "!=", "<" … and what it is held against. */
export interface Criterion {
  readonly sign: string
  readonly against: Code
}

const SIGN = /^(<=|>=|<>|=|<|>)?(.*)$/s
const FIGURE = /^\s*(-?\d+(?:\.\d+)?)(%?)\s*$/
const DAY = /^\d+[-/.]\d+[-/.]\d+$/

/** A criterion as it is written: 5, "fees", ">=5", ">="&B3. OASIS OpenFormula 1.3, 4.11.8. */
export function criterionOf(of: Formula, go: (of: Formula) => Code): Criterion {
  if (of.is === 'binary' && of.how === '&' && of.a.is === 'text') {
    const against = go(of.b)
    const [, sign, rest] = SIGN.exec(of.a.text) ?? []
    if (sign && rest === '') return against.gives === 'text' ? said(sign, against) : held(sign, against)
  }
  const code = go(of)
  return code.gives === 'text' ? said('=', code) : held('=', code)
}

/** A text may have its sign within it, and a figure behind that. */
function said(before: string, code: Code): Criterion {
  const written = typedIn(code)
  if (typeof written !== 'string') {
    if (!code.oneOf || code.oneOf.some((one) => SIGN.exec(one)?.[1] ?? isPattern(one)))
      throw new NotTaken('what it seeks is a text that is worked out')
    return held(before, code)
  }
  const [, sign = before, rest = ''] = SIGN.exec(written) ?? []
  const [, digits, percent] = FIGURE.exec(rest) ?? []
  if (digits !== undefined) return held(sign, figure(Number(digits) / (percent ? 100 : 1)))
  if (rest === '') throw new NotTaken('it seeks cells in which nothing stands')
  if (isPattern(rest)) throw new NotTaken('it seeks texts that are like a pattern')
  if (DAY.test(rest))
    throw new NotTaken('it seeks a day that is written as a text; a cell with a date can be taken')
  return held(sign, text(rest))
}
const isPattern = (one: string): boolean => /[*?~]/.test(one)

function held(sign: string, against: Code): Criterion {
  if (against.gives === 'text' && !['=', '<>'].includes(sign))
    throw new NotTaken('it sorts texts in the order of an alphabet')
  return { sign: sign === '<>' ? '!=' : sign, against }
}

/** Whether a cell meets a criterion: known as it stands, or a condition. Only "not equal" holds for an empty cell, or one of another kind. */
export function meets(cell: Cell | undefined, code: Code, { sign, against }: Criterion): boolean | string {
  const isEmpty = cell?.value === undefined && cell?.formula === undefined
  if (isEmpty || code.gives !== against.gives) return sign === '!='
  const [one, other] = [code, against].map(typedIn)
  // Capitals do not matter.
  if (typeof one === 'string' && typeof other === 'string')
    return (one.toLowerCase() === other.toLowerCase()) === (sign === '=')
  return `${code.text} ${sign} ${against.text}`
}
