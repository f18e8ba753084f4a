import { describe, expect, test } from 'vitest'
import { changed, TODAY, withSteps } from '../../testing/test-document'
import { CalculatorDocument, MOST_STEPS } from '../document/document'
import { openDocument } from '../document/open'
import { evaluate } from '../evaluate/evaluate'
import { money, t, working } from '../starters/build'
import { mortgagePayment } from '../starters/mortgage-payment'
import { compile, stoppingProblems } from './compile'
import { isGentle } from './compile-problem'

describe('circles', () => {
  const circle = withSteps(working('a', 'a', 'b + 1'), working('b', 'b', 'c * 2'), working('c', 'c', 'a - 1'))
  test('are named from end to end, once, and nothing else is blamed', () => {
    const problems = stoppingProblems(compile(circle))
    expect(problems).toEqual([{ code: 'CIRCLE', names: ['a', 'b', 'c'], step: 'a', field: 'formula' }])
  })
  test('leave everything else worked out', () => {
    const { program } = compile(circle)
    const { readouts, values } = evaluate(program, {}, { today: TODAY, sheets: [] })
    expect(readouts.map(({ shows }) => shows)).toEqual([
      'figure',
      'figure',
      'figure',
      'chart',
      'chart',
      'whatIf',
      'explanation',
      'schedule',
      'assumptions',
      'actions',
    ])
    expect([values.a, values.b, values.c]).toEqual([undefined, undefined, undefined])
  })
  test('of a condition on its own question are found too', () => {
    const { problems } = compile(changed('rate', { shownWhen: 'rate > 3' }))
    expect(problems).toContainEqual({ code: 'CIRCLE', names: ['rate'], step: 'rate', field: 'formula' })
  })
})

describe('hostile documents are refused or worked out in bounded time', () => {
  const within = (milliseconds: number, act: () => void) => {
    const started = performance.now()
    act()
    expect(performance.now() - started).toBeLessThan(milliseconds)
  }
  const chain = (count: number, formula: (i: number) => string): CalculatorDocument => ({
    ...mortgagePayment(),
    steps: [
      money('x0', 'x0', t('x', 'x'), { default: 1, least: 0, most: 2, step: 1 }),
      ...Array.from({ length: count }, (_, i) => working(`x${i + 1}`, `x${i + 1}`, formula(i))),
    ],
  })
  test('a chain of 199 workings, each twice the one before, ends where amounts end', () => {
    within(5_000, () => {
      const { program } = compile(chain(199, (i) => `x${i} + x${i}`))
      const { problems, values } = evaluate(program, {}, { today: TODAY, sheets: [] })
      expect(values.x40).toBeDefined()
      expect(problems[0]).toMatchObject({ code: 'STEP_STOPPED', stop: { code: 'TOO_LARGE' } })
    })
  })
  test('199 workings that all use each other are all circles', () => {
    within(20_000, () => {
      const names = Array.from({ length: 100 }, (_, i) => `x${i}`).join(' + ')
      const { problems } = compile(chain(199, () => names))
      expect(problems.some(({ code }) => code === 'CIRCLE')).toBe(true)
    })
  })
  test('giant lists and deep nesting are refused by name', () => {
    within(5_000, () => {
      const deep = `${'('.repeat(900)}1${')'.repeat(900)}`
      expect(compile(withSteps(working('w', 'w', deep))).problems).toContainEqual(
        expect.objectContaining({ code: 'FORMULA_TOO_DEEP', step: 'w' }),
      )
    })
  })
  test('more steps, longer formulas and 5 MB of text do not pass the schema', () => {
    within(5_000, () => {
      const document = mortgagePayment()
      const tooMany = {
        ...document,
        steps: Array.from({ length: MOST_STEPS + 1 }, (_, i) => working(`w${i}`, `w${i}`, '1')),
      }
      for (const hostile of [
        tooMany,
        withSteps(working('w', 'w', 'x'.repeat(5_000_000))),
        { ...document, title: { 'en-CA': 'x'.repeat(5_000_000) } },
        { ...document, steps: 'x'.repeat(5_000_000) },
        { ...document, extra: 1 },
        JSON.parse('{"version":2,"__proto__":{"steps":[]}}'),
        { version: 99 },
        [],
        null,
      ])
        expect(openDocument(hostile).ok).toBe(false)
    })
  })
})

test('a chain of workings that each use the next is compiled however deep each is nested', () => {
  const deep = (inner: string) => `${'('.repeat(150)}${inner}${')'.repeat(150)} + 1`
  const chain = Array.from({ length: 150 }, (_, i) =>
    working(`w${i}`, `w${i}`, deep(i === 149 ? '1' : `w${i + 1}`)),
  )
  const { problems, program } = compile(withSteps(...chain))
  expect(problems.filter((problem) => !isGentle(problem))).toEqual([])
  expect(evaluate(program, {}, { today: TODAY, sheets: [] }).values.w0).toEqual({
    unit: 'number',
    number: '151',
  })
})
