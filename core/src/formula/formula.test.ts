import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { Decimal } from '../money/decimal'
import { check, ledger, run, said } from '../testing/formulas'
import { Stopped } from './computed'
import { builtIns } from './functions'
import { COUNT, DATE, MONEY, moneyPer, NUMBER, PERCENT, TERM, type Unit } from './unit'

/** Each function with a call, the unit it gives and what it comes to; figures worked out by hand or from the ledger. */
const calls: readonly (readonly [function_: string, text: string, unit: Unit, value: string])[] = [
  ['min', 'min(home price, 300000)', MONEY, '30000000'],
  ['max', 'max(1, 2.5, factor)', NUMBER, '2.5'],
  ['sum', 'sum([100, home price])', MONEY, '41270000'],
  ['mean', 'mean([4, rate, 5])', PERCENT, '4.54666666667'],
  ['count', 'count([1, 2, 3])', NUMBER, '3'],
  ['abs', 'abs(down payment - home price)', MONEY, '35071000'],
  ['round', 'round(home price, 1000)', MONEY, '41300000'],
  ['round up', 'round up(factor)', NUMBER, '2'],
  ['round down', 'round down(rate, 0.25)', PERCENT, '4.5'],
  ['percent of', 'percent of(down payment, home price)', PERCENT, '15'],
  ['as percent', 'as percent(down payment / home price)', PERCENT, '15'],
  ['as money', 'as money(factor)', MONEY, '150'],
  ['as number', 'as number(share)', NUMBER, '0.15'],
  ['yearly', 'yearly(1200)', moneyPer('year'), '120000'],
  ['half yearly', 'half yearly(600)', moneyPer('halfYear'), '60000'],
  ['quarterly', 'quarterly(300)', moneyPer('quarter'), '30000'],
  ['monthly', 'monthly(100)', moneyPer('month'), '10000'],
  ['weekly', 'weekly(100)', moneyPer('week'), '10000'],
  ['per year', 'per year(dues)', moneyPer('year'), '108000'],
  ['per month', 'per month(home insurance) + dues', moneyPer('month'), '19000'],
  ['per week', 'per week(home insurance)', moneyPer('week'), '2307.69230769'],
  ['per payment', 'per payment(home insurance, how often)', moneyPer('payment'), '4615.38461538'],
  ['once', 'once(home insurance)', MONEY, '120000'],
  ['years', 'years(2.5)', TERM, '30'],
  ['months', 'months(18) + term', TERM, '318'],
  ['in years', 'in years(term)', NUMBER, '25'],
  ['in months', 'in months(term)', NUMBER, '300'],
  ['payments in', 'payments in(term, how often)', COUNT, '650'],
  ['length of', 'length of(payments made)', TERM, '36'],
  ['payments a year', 'payments a year(how often)', COUNT, '26'],
  ['today', 'today() + years(1)', DATE, '2027-11-25'],
  ['year of', 'year of(first day)', NUMBER, '2026'],
  ['time until', 'time until(first day, date("2028-01-24"))', TERM, '13'],
  ['days between', 'days between(first day, date("2028-01-24"))', NUMBER, '425'],
  ['balance after', 'balance after(loan: the loan, payments: 36)', MONEY, String(ledger.balanceAfter(36))],
  ['interest to', 'interest to(loan: the loan, years: 5)', MONEY, String(ledger.interestTo(60))],
  ['principal to', 'principal to(the loan)', MONEY, '12000000'],
  ['insurance to', 'insurance to(the loan, 12)', MONEY, '0'],
  // Five years of 1,332.25 a month.
  ['paid until', 'paid until(the loan, 5)', MONEY, '7993500'],
  ['cost until', 'cost until(loan: the loan, years: 5)', MONEY, String(ledger.interestTo(60))],
  ['interest of payment', 'interest of payment(the loan, 1)', MONEY, '60000'],
  ['principal of payment', 'principal of payment(the loan, 1)', MONEY, String(ledger.at(1).principal)],
  ['amount of payment', 'amount of payment(the loan, 120)', MONEY, String(ledger.lastPayment)],
  ['extra of payment', 'extra of payment(the loan, 3)', MONEY, '0'],
  ['date of payment', 'date of payment(the loan, 3)', DATE, '2027-02-25'],
  // 1,332.25 for 120,000 at 6 % over 120 months, from any annuity table; unrounded.
  ['level payment', 'level payment(120000, 6, 120)', moneyPer('payment'), '133224.602330'],
  ['rate per payment', 'rate per payment(rate, "monthly")', PERCENT, '0.386666666667'],
  ['effective rate', 'effective rate(rate, 2)', PERCENT, '4.693824'],
  // From a printed table of logarithms.
  ['log', 'log(10)', NUMBER, '2.30258509299'],
  ['annual percentage rate', 'round(annual percentage rate(the loan), 0.01)', PERCENT, '6'],
  // (1 + 0.06/12)^12 − 1
  [
    'annual percentage rate of charge',
    'round(annual percentage rate of charge(the loan), 0.01)',
    PERCENT,
    '6.17',
  ],
  ['payments to repay', 'payments to repay(amount: 1250, rate: 0, payment: 100)', NUMBER, '12.5'],
  ['minimum down payment', 'minimum down payment(600000, [500000], [5, 10])', MONEY, '3500000'],
]

test('every function is in the table', () => {
  expect(new Set(calls.map(([name]) => name))).toEqual(new Set(builtIns.map(({ name }) => name)))
})

test.each(calls)('%s: %s', (_, text, unit, value) => {
  expect(check(text).problems).toEqual([])
  expect(check(text).formula?.unit).toEqual(unit)
  // A decimal that ends in zeros is written without them.
  expect(Number.isNaN(Number(value)) ? said(run(text)) : Number(said(run(text)))).toEqual(
    Number.isNaN(Number(value)) ? value : Number(value),
  )
})

test.each<[string, string]>([
  ['home price - down payment', '35071000'],
  ['home price * share', '6189000'],
  ['share * home price', '6189000'],
  ['home price / share', '275066666.667'],
  ['down payment / home price', '0.15'],
  ['rate + 0.25', '4.89'],
  ['2 * 3 + 4 ** 2', '22'],
  ['-down payment', '-6189000'],
  ['if share > 10 and insured then 1 else 2', '1'],
  ['if credit band = "fair" then rate else rate + 1', '5.64'],
  ['if how often = "every two weeks" then 26 else 12', '26'],
  ['payments a year(if insured then "weekly" else if share > 10 then "monthly" else "yearly")', '52'],
  ['sum(for k in 1..4 return k * k)', '30'],
  ['sum(for k in 3..3 return factor * k)', '4.5'],
  ['count(for k in 1..2000 return k)', '2000'],
  ['if share in [5..15] then 1 else 0', '1'],
  ['if share in (15..20] then 1 else 0', '0'],
  ['if share between 5 and 15 then 1 else 0', '1'],
  ['if credit band in ("fair", "good") then 1 else 0', '1'],
  ['if not(insured) then 1 else 0', '0'],
  ['the loan.payment * the loan.payments', '0'],
  ['dues * term', '2700000'],
  ['first day - months(1)', '2026-10-25'],
  ['Home Price - DOWN  payment', '35071000'],
  ['payments made * dues', '324000'],
  ['share * share', '2.25'],
  ['term * share', '45'],
])('%s is %s', (text, value) => {
  expect(said(run(text))).toBe(value)
})

test('0.1 + 0.2 is 0.3, and a tie is a tie', () => {
  expect(said(run('if 0.1 + 0.2 = 0.3 then 1 else 0'))).toBe('1')
  expect(said(run('round(1.005, 0.01)'))).toBe('1.01')
  expect(said(run('if home price / 3 * 3 = home price then 1 else 0'))).toBe('1')
})

describe('every clash of units is refused, at its place, with the mend', () => {
  test.each<[string, string, string | undefined]>([
    ['home price + rate', 'UNITS_CLASH', undefined],
    ['home price + term', 'UNITS_CLASH', undefined],
    ['home price * down payment', 'UNITS_CLASH', undefined],
    ['home price + factor', 'UNITS_CLASH', 'as money(factor)'],
    ['rate + factor', 'UNITS_CLASH', 'as percent(factor)'],
    ['term + 5', 'UNITS_CLASH', 'years(5)'],
    ['term + payments made', 'UNITS_CLASH', 'payments in(term)'],
    ['if term > payments made then 1 else 2', 'UNITS_CLASH', 'payments in(term)'],
    ['if term > 5 then 1 else 2', 'UNITS_CLASH', 'years(5)'],
    ['if insured then home price else rate', 'UNITS_CLASH', undefined],
    ['if home price > rate then 1 else 2', 'UNITS_CLASH', undefined],
    ['if credit band > "good" then 1 else 2', 'UNITS_CLASH', undefined],
    ['if credit band = 3 then 1 else 2', 'UNITS_CLASH', undefined],
    ['if how often = "daily" then 1 else 2', 'UNITS_CLASH', undefined],
    ['first day + 3', 'UNITS_CLASH', undefined],
    ['first day + first day', 'UNITS_CLASH', undefined],
    ['term * term', 'UNITS_CLASH', undefined],
    ['rate / home price', 'UNITS_CLASH', undefined],
    ['5 / term', 'UNITS_CLASH', undefined],
    ['term ** 2', 'UNITS_CLASH', undefined],
    ['[home price, rate]', 'UNITS_CLASH', undefined],
    ['min(home price, rate)', 'UNITS_CLASH', undefined],
    ['the loan + 1', 'UNITS_CLASH', undefined],
    ['if the loan = the loan then 1 else 2', 'UNITS_CLASH', undefined],
    ['home insurance + dues', 'PERIODS_DIFFER', 'per year(dues)'],
    ['home price + dues', 'PERIODS_DIFFER', 'per month(yearly(home price))'],
    ['the loan.payment + dues', 'PERIODS_DIFFER', 'per month(the loan.payment, frequency)'],
    ['if dues > home insurance then 1 else 2', 'PERIODS_DIFFER', 'per month(home insurance)'],
    ['dues / home insurance', 'UNITS_CLASH', undefined],
    ['balance after(loan: the loan, payments: term)', 'UNIT_NOT_WANTED', 'payments in(term)'],
    ['interest of payment(the loan, years(2))', 'UNIT_NOT_WANTED', 'payments in(years(2))'],
    ['payments in(5)', 'UNIT_NOT_WANTED', 'years(5)'],
    ['years(term)', 'UNIT_NOT_WANTED', 'in years(term)'],
    ['as percent(rate)', 'UNIT_NOT_WANTED', 'as number(rate)'],
    ['per month(home price)', 'PERIOD_NEEDED', undefined],
    ['per month(the loan.payment)', 'PERIOD_NEEDED', undefined],
    ['yearly(rate)', 'UNIT_NOT_WANTED', undefined],
    ['not(rate)', 'UNIT_NOT_WANTED', undefined],
    ['rate and insured', 'UNIT_NOT_WANTED', undefined],
    ['if rate then 1 else 2', 'UNIT_NOT_WANTED', undefined],
    ['balance after(home price, 3)', 'UNIT_NOT_WANTED', undefined],
    ['years(insured)', 'UNIT_NOT_WANTED', undefined],
    ['sum(home price)', 'UNIT_NOT_WANTED', undefined],
    ['payments a year("daily")', 'UNIT_NOT_WANTED', undefined],
  ])('%s', (text, code, mend) => {
    const { formula, problems } = check(text)
    expect(formula).toBeUndefined()
    expect(problems).toMatchObject([mend === undefined ? { code } : { code, mend }])
  })
})

test.each<[string, string, number, number]>([
  ['home prize - 3', 'NAME_UNKNOWN', 0, 10],
  ['2 * (home price - savings)', 'NAME_UNKNOWN', 18, 25],
  ['the loan.paymint', 'FIGURE_UNKNOWN', 9, 16],
  ['rate.value', 'FIGURE_UNKNOWN', 5, 10],
  ['maxx(1, 2)', 'FUNCTION_UNKNOWN', 0, 4],
  ['balance after(loan: the loan, months: 5)', 'ARGUMENT_UNKNOWN', 30, 36],
  ['1 + balance after(years: 5)', 'ARGUMENT_MISSING', 4, 27],
  ['years(1, 2)', 'ARGUMENTS_TOO_MANY', 9, 10],
  ['1 + term * ', 'FORMULA_UNREADABLE', 11, 11],
  ['(1 + 2', 'FORMULA_UNREADABLE', 6, 6],
  ['', 'FORMULA_EMPTY', 0, 0],
  ['for i in [1, 2] return i', 'UNIT_NOT_WANTED', 0, 24],
  ['some i in [1, 2] satisfies i > 1', 'FEEL_NOT_SUPPORTED', 0, 32],
  ['1 + null', 'FEEL_NOT_SUPPORTED', 4, 8],
  ['if credit band = "godo" then 1 else 2', 'OPTION_UNKNOWN', 17, 23],
  ['date("2026-02-30")', 'DATE_UNREADABLE', 0, 18],
  ['years(1) + min(rate, payments in(3))', 'UNIT_NOT_WANTED', 33, 34],
])('%s is told at the spot', (text, code, from, to) => {
  expect(check(text).problems).toMatchObject([{ code, from, to }])
})

test('a name nearly right is suggested', () => {
  expect(check('home prize * 2').problems).toMatchObject([{ near: 'home price' }])
  expect(check('mxx(1, 2)').problems).toMatchObject([{ near: 'max' }])
})

test('a slip that is allowed draws a question and does not stop', () => {
  expect(check('rate / 12')).toMatchObject({
    formula: { unit: PERCENT },
    problems: [{ code: 'DIVIDED_BY_HAND', by: '12' }],
  })
  expect(check('if share > 0.8 then 1 else 2')).toMatchObject({
    problems: [{ code: 'PERCENT_SO_SMALL', instead: '80', from: 11, to: 14 }],
  })
  expect(check('home price * 12').problems).toEqual([])
})

test.each<[string, string]>([
  ['home price / (rate - rate)', 'DIVIDED_BY_ZERO'],
  ['percent of(home price, home price - home price)', 'DIVIDED_BY_ZERO'],
  ['(factor - factor) ** (0 - 1)', 'DIVIDED_BY_ZERO'],
  ['(0 - factor) ** 0.5', 'DIVIDED_BY_ZERO'],
  ['10 ** 9999', 'TOO_LARGE'],
  ['(10 ** 99) * (10 ** 99)', 'TOO_LARGE'],
  ['interest of payment(the loan, 121)', 'NO_FIGURE'],
  ['interest of payment(the loan, factor)', 'NOT_WHOLE'],
  ['effective rate(rate, 0)', 'NOT_WHOLE'],
  ['log(0)', 'DIVIDED_BY_ZERO'],
  ['log(0 - 1)', 'DIVIDED_BY_ZERO'],
  ['effective rate(-rate, 2)', 'REFUSED'],
  ['minimum down payment(600000, [500000], [5])', 'REFUSED'],
  ['today() + years(9000)', 'TOO_LARGE'],
])('%s stops with %s', (text, code) => {
  try {
    run(text)
    expect.unreachable()
  } catch (error) {
    expect(error).toBeInstanceOf(Stopped)
    expect((error as Stopped).stop.code).toBe(code)
  }
})

test('hostile texts are answered, and in bounded time', () => {
  const hostile = [
    '('.repeat(2000),
    '-'.repeat(1999),
    'if '.repeat(600),
    '['.repeat(999) + ']'.repeat(999),
    '1+'.repeat(999) + '1',
    'a.'.repeat(900) + 'a',
    '"'.repeat(1001),
    'max('.repeat(400),
    '\u0000\uffff@#€',
    'x'.repeat(5_000_000),
    'constructor + __proto__',
    'the loan.constructor',
    'the loan.__proto__',
  ]
  for (const text of hostile) expect(check(text).problems.length).toBeGreaterThan(0)
  fc.assert(
    fc.property(fc.string({ maxLength: 60, unit: 'grapheme' }), (text) => {
      const { formula, problems } = check(text)
      return formula !== undefined || problems.length > 0
    }),
    { numRuns: 500 },
  )
})

test('whatever the numbers, a formula of sums gives what whole cents give', () => {
  const cents = fc.integer({ min: 0, max: 1_000_000_00 })
  fc.assert(
    fc.property(fc.array(cents, { minLength: 1, maxLength: 12 }), (amounts) => {
      const text = amounts.map((amount) => new Decimal(amount).div(100).toFixed()).join(' + ')
      const total = amounts.reduce((sum, amount) => sum + amount, 0)
      return said(run(text, { is: 'money' })) === String(total)
    }),
    { numRuns: 200 },
  )
})

test.each([
  ['for k in 1..2001 return k', 'FEEL_NOT_SUPPORTED'],
  ['for k in 5..1 return k', 'FEEL_NOT_SUPPORTED'],
  ['for k in 1.5..3 return k', 'FEEL_NOT_SUPPORTED'],
  ['for k in 1..factor return k', 'FEEL_NOT_SUPPORTED'],
  ['payments a year(if insured then "weekly" else "daily")', 'UNIT_NOT_WANTED'],
])('%s is refused', (text, code) => {
  expect(check(text).problems).toMatchObject([{ code }])
})
