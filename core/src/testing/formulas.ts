import { amortize } from '../loan/amortize'
import { Decimal, isDecimal } from '../money/decimal'
import { minor } from '../money/minor'
import { checkFormula, namesInScope } from '../formula/check'
import type { Scope } from '../formula/checking'
import type { Computed } from '../formula/computed'
import { evaluateExpression } from '../formula/evaluate-expression'
import { builtInNamed } from '../formula/functions'
import { createReader } from '../formula/syntax'
import {
  COUNT,
  DATE,
  FREQUENCY,
  LOAN,
  MONEY,
  moneyPer,
  NUMBER,
  PERCENT,
  TERM,
  YES_NO,
  type Unit,
  type Wanted,
} from '../formula/unit'

const terms = {
  principal: minor(120_000_00),
  annualRate: '6',
  frequency: 'monthly',
  term: { years: 10 },
  firstPayment: '2026-12-25',
} as const
const amortized = amortize(terms)
if (!amortized.ok) throw new Error(amortized.code)
/** 120,000.00 at 6 % over ten years, month by month. */
export const ledger = amortized

/** What formulas of the tests name, each with its unit and value. */
export const names: Record<string, readonly [Unit, Computed]> = {
  'home price': [MONEY, new Decimal(412_600_00)],
  'down payment': [MONEY, new Decimal(61_890_00)],
  rate: [PERCENT, new Decimal('4.64')],
  share: [PERCENT, new Decimal('15')],
  term: [TERM, new Decimal(300)],
  'how often': [FREQUENCY, 'biweekly'],
  factor: [NUMBER, new Decimal('1.5')],
  'payments made': [COUNT, new Decimal(36)],
  'home insurance': [moneyPer('year'), new Decimal(1_200_00)],
  dues: [moneyPer('month'), new Decimal(90_00)],
  'first day': [DATE, '2026-11-25'],
  insured: [YES_NO, true],
  'credit band': [{ is: 'text', options: ['good', 'fair'] }, 'good'],
  'the loan': [
    LOAN,
    {
      kind: 'loan',
      agreedOn: '2026-11-25',
      principal: minor(120_000_00),
      frequency: 'monthly',
      terms,
      ledger,
    },
  ],
}
export const scope: Scope = {
  steps: new Map(Object.entries(names).map(([name, [unit]]) => [name, { id: name, unit }])),
  minorDigits: 2,
  reader: createReader(
    namesInScope(
      Object.entries(names).map(([name, [unit]]) => [name, unit.is === 'figures' ? unit.of : undefined]),
    ),
  ),
}
export const check = (text: string, wanted: Wanted = { is: 'shown' }) => checkFormula(text, wanted, scope)

/** What a formula comes to; throws where it is not sound. */
export function run(text: string, wanted: Wanted = { is: 'shown' }): Computed {
  const { formula, problems } = check(text, wanted)
  if (!formula) throw new Error(`${text}: ${JSON.stringify(problems)}`)
  return evaluateExpression(formula.expression, {
    today: { year: 2026, month: 11, day: 25, time: '12:00' },
    functionNamed: builtInNamed,
    minorDigits: 2,
    valueOf: (id) => names[id]?.[1] ?? '',
    figureOf: (id, figure) =>
      id === 'the loan' && figure === 'payment' ? new Decimal(ledger.payment) : new Decimal(0),
  })
}

/** A value as text: decimals to 12 digits. */
export const said = (value: Computed): string =>
  isDecimal(value) ? value.toSignificantDigits(12).toFixed() : String(value)
