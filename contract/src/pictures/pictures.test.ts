import fc from 'fast-check'
import { beforeAll, describe, expect, test } from 'vitest'
import { compile, createEvaluator, readMoment, starters } from '@vivid/core'
import { nastyTexts } from '../formats/nasty-texts'
import { createFigures, fetchAllLanguages, figuresFor } from '../wording'
import { balancePicture } from './balance-picture'
import { limitsPicture } from './limits-picture'
import { widthOf, type Look } from './look'
import { yearsPicture } from './years-picture'
import { drawingOf, picturedBalance, picturedLimits, picturedRefinance, picturedYears } from './pictured'

beforeAll(() => fetchAllLanguages())
const TODAY = '2026-11-25'
const look = (more: Partial<Look> = {}): Look => ({
  width: 640,
  height: 250,
  fontSize: 13,
  font: 'inherit',
  knowsPaintOrder: true,
  isRtl: false,
  colours: {
    ink: '#000',
    soft: '#666',
    line: '#ddd',
    ground: '#fff',
    fill: '#eef',
    parts: ['#1', '#2', '#3', '#4'],
  },
  ...more,
})
const numbersIn = (svg: string) =>
  [...svg.matchAll(/ (?:x|x1|x2|y|y1|y2|width|height)="([^"]*)"/g)].map(([, n]) => Number(n))

function chartsOf(id: string, language: string, answers = {}) {
  const starter = starters.find((one) => one.id === id)
  const today = readMoment(`${TODAY}T12:00`)
  if (!starter || !today) throw new Error(id)
  const { program } = compile(starter.make(), starter.sheets)
  const evaluation = createEvaluator(program)(answers, { today, sheets: starter.sheets })
  const figures = figuresFor(program, language)
  return evaluation.readouts.flatMap((readout) => {
    const step = program.steps.find((one) => one.step.id === readout.id)?.step
    if (readout.shows !== 'chart' || step?.kind !== 'readout' || step.shows !== 'chart') return []
    return [{ readout, step, evaluation, program, figures }]
  })
}

describe.each(['en-CA', 'fr-CA', 'he-IL'])('the pictures of every starter in %s', (language) => {
  test.each([280, 640, 1100])('stand within their edges at %i pixels, and say what they show', (width) => {
    let drawn = 0
    for (const { id } of starters)
      for (const { readout, step, evaluation, program, figures } of chartsOf(id, language)) {
        const size = look({ width, isRtl: language === 'he-IL' })
        const drawing = drawingOf(readout, step, evaluation, program, TODAY, figures)
        const svg = drawing?.draw(size)
        if (svg === undefined) continue
        drawn++
        for (const n of numbersIn(svg)) {
          expect([id, Number.isFinite(n)]).toEqual([id, true])
          expect([id, n]).toEqual([id, Math.min(Math.max(n, -1), width + 1)])
        }
        const sentence = drawing?.sentence ?? ''
        expect([id, sentence]).toEqual([id, expect.stringMatching(/\d/)])
        expect(sentence).not.toMatch(/undefined|NaN/)
      }
    expect(drawn).toBeGreaterThan(13)
  })
})

test('what is owed begins with the loan and ends with its last payment, or with what is left', () => {
  const [chart] = chartsOf('vessel-loan', 'en-CA', { balloon: 20_000_00 })
  if (!chart) throw new Error('no chart')
  const { step, evaluation, program, figures } = chart
  const found = picturedBalance(step, evaluation, program, TODAY, figures)
  const [line] = found?.drawn.lines ?? []
  expect(line?.points[0]).toEqual({ years: 0, owed: 56_740_00 })
  expect(line?.points.at(-1)?.owed).toBe(20_000_00)
  expect(line?.points.at(-1)?.years).toBeCloseTo(7, 1)
  expect(line?.end).toBe('November 2033: $20,000 still owed')
  expect(found?.sentence).toContain('still $20,000 in November 2033')
})

test('the parts of a year are what is paid in it', () => {
  const chart = chartsOf('mortgage-payment', 'en-CA').find(({ readout }) => readout.chart === 'yearly')
  if (chart?.readout.chart !== 'yearly') throw new Error('no chart')
  const { drawn } = picturedYears(chart.readout, undefined, chart.figures)
  for (const [i, { parts }] of drawn.years.entries())
    expect(parts.reduce((sum, part) => sum + part, 0)).toBe(chart.readout.years[i]?.paid)
})

test('a refinancing is two lines with the month the costs are won back and the one the visitor leaves in', () => {
  const shownFor = (answers = {}) => {
    const [chart] = chartsOf('refinance', 'en-CA', answers)
    if (chart?.readout.chart !== 'refinance') throw new Error('no chart')
    const found = picturedRefinance(chart.readout, chart.figures)
    if (!found) throw new Error('no picture')
    return found
  }
  const { drawn, sentence } = shownFor()
  expect(drawn.lines.map(({ name }) => name)).toEqual(['as it is', 'the new loan'])
  expect(drawn.lines.map(({ points }) => points[0])).toEqual(
    Array.from({ length: 2 }, () => ({ years: 0, owed: 238_000_00 })),
  )
  expect(drawn.lines.map(({ points }) => points.at(-1)?.owed)).toEqual([0, 0])
  expect(drawn.marks).toEqual([
    { years: 11 / 12, said: 'costs won back' },
    { years: 7, said: 'you leave' },
  ])
  // 238,000 at 6.35 % / 12, less 1,712 a month, and at 4.79 % / 12, less 1,543.22 a month, after 84 months.
  expect(sentence).toBe(
    'The costs are won back after 11 months. When you leave after 7 years you owe $178,938.25 instead of $190,285.55.',
  )
  const never = shownFor({ newRate: '9' })
  expect(never.drawn.marks?.map(({ said }) => said)).toEqual(['you leave'])
  expect(never.sentence).toMatch(/^The costs are never won back\./)
  expect(shownFor({ stay: { years: 40, months: 0 } }).drawn.marks?.map(({ said }) => said)).toEqual([
    'costs won back',
  ])
})

test('what income allows is two bars with their limits, and says which decides', () => {
  const [chart] = chartsOf('affordability', 'en-CA')
  if (chart?.readout.chart !== 'limits') throw new Error('no chart')
  expect(chart.readout.shares.map(({ of, limit, decides }) => [of, limit, decides])).toEqual([
    ['housing', '39', true],
    ['debts', '44', false],
  ])
  const found = picturedLimits(chart.readout, chart.figures)
  expect(found?.sentence).toBe(
    'Housing costs take 39% of income, of at most 39%: this decides. All debts take 42.12% of income, of at most 44%.',
  )
  const svg = limitsPicture(found?.drawn ?? { bars: [] }, look())
  expect(svg).toContain('Housing costs: 39% of at most 39%')
  expect(svg.match(/this decides/g)).toHaveLength(1)
  // With more other debts these decide.
  const [other] = chartsOf('affordability', 'en-CA', { debts: 900_00 })
  expect(other?.readout.chart === 'limits' && other.readout.shares.map(({ decides }) => decides)).toEqual([
    false,
    true,
  ])
})

test('whatever a loan is called, the picture stays a picture', () => {
  const line = (name: string) => ({
    name,
    end: name,
    points: [
      { years: 0, owed: 5 },
      { years: 1, owed: 0 },
    ],
  })
  for (const text of nastyTexts) {
    const svg = balancePicture(
      {
        lines: [line(text), line(text)],
        isTried: true,
        gap: text,
        now: text,
        inYears: () => text,
        short: () => text,
      },
      look(),
    )
    expect(svg.match(/<(?!\/?(svg|text|path|line)\b)/g)).toBeNull()
    expect(svg.split('<svg').length).toBe(2)
  }
})

test('a text whose pieces stand in an order of their own is a piece of text each, whatever it says', () => {
  for (const text of nastyTexts) {
    const drawn = { years: [{ year: 2026, parts: [5] }], names: [text], short: () => text }
    const svg = yearsPicture(drawn, look({ isRtl: true, inOrder: (said) => [said, ' ', '1'] }))
    expect(svg.match(/<(?!\/?(svg|text|tspan|rect|line)\b)/g)).toBeNull()
    expect(svg.split('<tspan> </tspan><tspan>1</tspan></text>').length).toBeGreaterThan(2)
  }
})

test('any balances are drawn (300)', () => {
  const figures = createFigures('en-CA', 'CAD')
  const points = fc.array(
    fc.record({
      years: fc.double({ min: 0, max: 100, noNaN: true }),
      owed: fc.integer({ min: 0, max: 4e15 }),
    }),
    { minLength: 1, maxLength: 40 },
  )
  fc.assert(
    fc.property(points, fc.boolean(), fc.integer({ min: 200, max: 1500 }), (some, isRtl, width) => {
      const drawn = {
        lines: [{ name: '', end: '', points: some }],
        isTried: false,
        gap: '',
        now: 'now',
        inYears: String,
        short: figures.moneyCompact,
      }
      expect(numbersIn(balancePicture(drawn, look({ width, isRtl }))).every(Number.isFinite)).toBe(true)
    }),
    { numRuns: 300 },
  )
})

test('what is tried says its day alone where its name leaves no room above the lines', () => {
  const straight = (name: string, years: number) => ({
    name,
    end: String(2026 + years),
    points: [
      { years: 0, owed: 100 },
      { years, owed: 0 },
    ],
  })
  const lines = [straight('as agreed', 25), straight('$250 extra with every payment', 16)]
  const drawnAt = (width: number, isTried: boolean) =>
    balancePicture(
      { lines, isTried, gap: '9 years sooner', now: 'now', inYears: String, short: String },
      look({ width }),
    )
  expect(drawnAt(1000, true)).toContain('>$250 extra with every payment, 2042<')
  expect(drawnAt(340, true)).toContain('>2042<')
  // Loans beside one another are told apart by their names.
  expect(drawnAt(340, false)).toContain('>$250 extra with every payment, 2042<')
})

test('no flag stands on a line or on another flag, however loans end and wherever there is room for it', () => {
  const size = { fontSize: 13, height: 250 }
  /** Paid off evenly, or the faster the later. */
  const loan = fc.record({
    years: fc.integer({ min: 2, max: 40 }),
    owed: fc.integer({ min: 1_000_00, max: 900_000_00 }),
    bend: fc.constantFrom(1, 0.5, 0.3),
    name: fc.constantFrom('', 'as agreed', 'with what is tried'),
  })
  const loans = fc.array(loan, { minLength: 1, maxLength: 4 })
  fc.assert(
    fc.property(loans, fc.boolean(), fc.integer({ min: 300, max: 1100 }), (some, isRtl, width) => {
      const lines = some.map(({ years, owed, bend, name }) => ({
        name,
        end: `October ${2026 + years}`,
        points: Array.from({ length: years + 1 }, (_, n) => ({
          years: n,
          owed: owed * (1 - n / years) ** bend,
        })),
      }))
      const svg = balancePicture(
        { lines, isTried: false, gap: '', now: 'now', inYears: String, short: String },
        look({ ...size, width, isRtl }),
      )
      const flags = [
        ...svg.matchAll(
          /<text x="([^"]*)" y="([^"]*)" text-anchor="(\w+)"[^>]*font-weight="bold"[^>]*>([^<]*)</g,
        ),
      ].map(([, x, y, anchor, text = '']) => {
        const wide = widthOf(text, size)
        const left = anchor === 'end' ? Number(x) - wide : Number(x)
        return { left, right: left + wide, y: Number(y) }
      })
      const drawn = [...svg.matchAll(/<path d="M([^"]*)" fill="none"/g)].map(([, d = '']) =>
        d.split('L').map((place) => place.split(',').map(Number) as [number, number]),
      )
      expect([flags.length, drawn.length]).toEqual([lines.length, lines.length])
      for (const [i, flag] of flags.entries()) {
        const next = flags[i + 1]
        if (next) expect(next.y - flag.y).toBeGreaterThan(size.fontSize)
        // As high as it can be, a flag may have to stand on a line: the words are edged.
        if (flag.y < size.fontSize * (2 + 1.5 * i)) continue
        const under = drawn.flat().filter(([x]) => x > flag.left && x < flag.right)
        for (const [, y] of under) expect(y).toBeGreaterThan(flag.y)
      }
    }),
    { numRuns: 300 },
  )
})

test.each([[false], [true]])('words about limits stand on no bar, from right to left: %s', (isRtl) => {
  const bars = [
    { share: 39, limit: 39, said: 'Housing', decides: 'this decides' },
    { share: 5, limit: 44, said: 'All debts', decides: '' },
    { share: 2, limit: 3, said: 'Other', decides: 'this decides too' },
  ]
  const size = look({ width: 280, isRtl })
  const svg = limitsPicture({ bars }, size)
  const rows = (tag: string, height: (attributes: string) => number) =>
    [...svg.matchAll(new RegExp(`<${tag}([^>]*)>`, 'g'))].map(([, attributes = '']) => {
      const y = Number(/ y="([^"]*)"/.exec(attributes)?.[1])
      return [y, y + height(attributes)] as const
    })
  const drawn = rows('rect', (attributes) => Number(/ height="([^"]*)"/.exec(attributes)?.[1]))
  // A text stands on its line: what is above it is nearly its size, what is below a quarter of that.
  const words = rows('text', () => size.fontSize * 0.25).map(
    ([y, below]) => [y - size.fontSize * 0.8, below] as const,
  )
  expect([drawn.length, words.length]).toEqual([6, 5])
  for (const [top, bottom] of words)
    expect(drawn.filter(([from, to]) => from < bottom && to > top)).toEqual([])
  for (const [, bottom] of words)
    expect(bottom).toBeLessThanOrEqual(Number(/ height="([^"]*)"/.exec(svg)?.[1]))
})

test('where what draws does not paint edges first, each edge is a text of its own beneath its words', () => {
  const bars = [{ share: 39, limit: 39, said: 'Housing <b>', decides: 'this decides' }]
  const textsIn = (svg: string) =>
    [...svg.matchAll(/<text([^>]*)>([^<]*)<\/text>/g)].map(([, how = '', said]) => ({ how, said }))
  const screen = textsIn(limitsPicture({ bars }, look()))
  const paper = textsIn(limitsPicture({ bars }, look({ knowsPaintOrder: false })))
  expect(screen.map(({ said }) => said)).toEqual(['Housing &lt;b&gt;', 'this decides'])
  expect(screen.every(({ how }) => how.includes('paint-order="stroke"'))).toBe(true)
  expect(paper.map(({ said }) => said)).toEqual(screen.flatMap(({ said }) => [said, said]))
  for (const [at, { how }] of paper.entries())
    expect([at, how.includes('stroke='), / fill="([^"]*)"/.exec(how)?.[1]]).toEqual(
      at % 2 === 0 ? [at, true, '#fff'] : [at, false, '#000'],
    )
})

test('names of parts stand beside the amounts and within the picture, from either side, over any years', () => {
  const years = fc.array(
    fc.record({ first: fc.integer({ min: 1, max: 9e6 }), second: fc.integer({ min: 1, max: 9e6 }) }),
    { minLength: 1, maxLength: 40 },
  )
  const figures = createFigures('en-CA', 'CAD')
  fc.assert(
    fc.property(years, fc.boolean(), fc.integer({ min: 280, max: 1100 }), (some, isRtl, width) => {
      const size = look({ width, isRtl })
      const drawn = {
        years: some.map(({ first, second }, i) => ({ year: 2026 + i, parts: [first, second] })),
        names: ['principal', 'interest'],
        short: figures.moneyCompact,
      }
      const texts = [...yearsPicture(drawn, size).matchAll(/<text([^>]*)>([^<]*)</g)].map(
        ([, attributes = '', text = '']) => {
          const x = Number(/ x="([^"]*)"/.exec(attributes)?.[1])
          const anchor = /text-anchor="(\w+)"/.exec(attributes)?.[1]
          const wide = widthOf(text, size)
          const left = anchor === 'start' ? x : anchor === 'end' ? x - wide : x - wide / 2
          return { text, left, right: left + wide }
        },
      )
      const amounts = texts.filter(({ text }) => text.startsWith('$'))
      for (const name of texts.filter(({ text }) => drawn.names.includes(text))) {
        expect(name.left).toBeGreaterThanOrEqual(0)
        expect(name.right).toBeLessThanOrEqual(width)
        for (const amount of amounts)
          expect([name, amount, name.left < amount.right && name.right > amount.left]).toEqual([
            name,
            amount,
            false,
          ])
      }
    }),
    { numRuns: 300 },
  )
})
