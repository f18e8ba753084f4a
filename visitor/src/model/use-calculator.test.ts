// @vitest-environment happy-dom
import fc from 'fast-check'
import { computed, effectScope, nextTick, shallowRef } from 'vue'
import { expect, test } from 'vitest'
import { fetchAllLanguages, isUnreadable, readTyped } from '@vivid/contract/wording'
import {
  compile,
  createEvaluator,
  inCurrency,
  starters,
  type CalculatorDocument,
  type Question,
} from '@vivid/core'
import { further } from '@vivid/core/further'
import { afterPaint } from './after-paint'
import type { CalculatorSource } from './calculator-source'
import { momentOf } from './moment-of'
import { useCalculator } from './use-calculator'

await fetchAllLanguages()
const TODAY = '2026-11-25'

/** A visitor's calculator made from a starter, as the page begins. */
function opened(
  starter: string,
  change = (document: CalculatorDocument): CalculatorDocument => document,
  language = 'en-CA',
) {
  const document = starters.find(({ id }) => id === starter)?.make()
  if (!document) throw new Error(`no starter ${starter}`)
  const { program } = compile(change(document), [])
  const given = { program, answers: {}, today: TODAY, sheets: [], language, further }
  const source = shallowRef<CalculatorSource>({ ...given, trade: undefined })
  const scope = effectScope()
  const calculator = scope.run(() => useCalculator(computed(() => source.value)))
  if (!calculator) throw new Error('no calculator')
  const question = (id: string): Question => {
    const found = calculator.questions.value.find((one) => one.id === id)
    if (!found) throw new Error(`no question ${id}`)
    return found
  }
  const type = (id: string, text: string) => void calculator.type(question(id), { text, caret: text.length })
  return { calculator, source, question, type, close: () => scope.stop() }
}
const onButton = (document: CalculatorDocument): CalculatorDocument => ({ ...document, results: 'onButton' })

/** Until the figures have followed what was typed. */
const followed = async () => {
  await nextTick()
  await afterPaint()
  await afterPaint()
}
const paymentOf = ({ calculator }: ReturnType<typeof opened>) => calculator.headline.value?.value

test.each(starters.map(({ id }) => id))(
  '%s begins without a problem, whatever its amounts are written with',
  (starter) => {
    for (const currency of ['CAD', 'SEK', 'JPY', 'KWD'] as const)
      for (const language of ['en-CA', 'fr-CA', 'he-IL']) {
        const { calculator, close } = opened(starter, (document) => inCurrency(document, currency), language)
        expect([currency, language, calculator.problems.value]).toEqual([currency, language, []])
        expect(calculator.results.value?.readouts.length).toBeGreaterThan(0)
        close()
      }
  },
)

test('typed letter by letter, or pasted over another, a number is read as it is (600)', () => {
  const whole = fc.integer({ min: 0, max: 9_999_999 })
  const number = fc.oneof(
    whole.map(String),
    fc.tuple(whole, fc.constantFrom('.', ','), fc.stringMatching(/^\d{1,4}$/)).map((parts) => parts.join('')),
    whole.map((one) => one.toLocaleString('en-CA')),
  )
  const text = fc.tuple(number, fc.constantFrom('', '%', ' %', '$', 'k')).map((parts) => parts.join(''))
  for (const language of ['en-CA', 'fr-CA']) {
    const { calculator, question, close } = opened('mortgage-payment', undefined, language)
    const place = { locale: language, currency: 'CAD' } as const
    fc.assert(
      fc.property(
        text,
        fc.constantFrom('homePrice', 'downPayment', 'rate'),
        fc.constantFrom('money' as const, 'percent' as const),
        fc.boolean(),
        (typed, id, unit, isPasted) => {
          const asked = question(id)
          calculator.units[id] = unit
          calculator.setAnswer(asked, null)
          calculator.units[id] = unit
          let shown = ''
          if (isPasted) {
            calculator.type(asked, { text: '61,890', caret: 6 })
            shown = calculator.type(asked, { text: typed, caret: typed.length }).text
          } else
            for (const letter of typed) {
              const next = { text: shown + letter, caret: shown.length + 1 }
              shown = calculator.type(asked, next).text
            }
          const meant = (said: string) => {
            const answer = readTyped(asked, said, unit, place)
            return isUnreadable(answer) ? answer.couldBe : answer
          }
          expect([typed, unit, shown, meant(shown)]).toEqual([typed, unit, shown, meant(typed)])
        },
      ),
      { numRuns: 300 },
    )
    close()
  }
})

test('what is typed stands in its field at once; figures follow once that is painted', async () => {
  const page = opened('mortgage-payment')
  const before = paymentOf(page)
  page.type('homePrice', '$612,345')
  await nextTick()
  expect(page.calculator.texts.homePrice).toBe('$612,345')
  expect(paymentOf(page)).toEqual(before)
  await followed()
  expect(paymentOf(page)).not.toEqual(before)
  expect(page.calculator.answers.value.homePrice).toBe(612_345_00)
})

test('of what is typed quickly the last is followed', async () => {
  const page = opened('mortgage-payment')
  for (const text of ['$6', '$61', '$612', '$612,345']) {
    page.type('homePrice', text)
    await nextTick()
  }
  await followed()
  expect(page.calculator.answers.value.homePrice).toBe(612_345_00)
})

test('whoever asks for the figures gets those of what is typed by then', async () => {
  const page = opened('mortgage-payment', onButton)
  page.type('homePrice', '$612,345')
  expect(page.calculator.workOut()).toBeUndefined()
  expect(page.calculator.shownAnswers.value.homePrice).toBe(612_345_00)
  expect(page.calculator.isOutOfDate.value).toBe(false)
  page.type('homePrice', '$512,345')
  expect(page.calculator.isOutOfDate.value).toBe(true)
  await followed()
  expect(page.calculator.shownAnswers.value.homePrice).toBe(612_345_00)
})

test('a wrong answer is pointed at as soon as the figures are asked for, and they stay as they were', () => {
  const page = opened('mortgage-payment', onButton)
  page.calculator.workOut()
  const { shownAnswers } = page.calculator
  const before = shownAnswers.value
  page.type('rate', 'a lot')
  expect(page.calculator.workOut()).toBe('rate')
  expect(shownAnswers.value).toBe(before)
})

test('a share is switched to what it comes to of the whole as it is typed by then', () => {
  const page = opened('mortgage-payment')
  page.type('homePrice', '$600,000')
  page.type('downPayment', '20')
  page.calculator.switchUnit(page.question('downPayment'), 'money')
  expect(page.calculator.texts.downPayment).toBe('$120,000')
})

test('another language reads what was typed a moment before in the one it was typed in', async () => {
  const page = opened('mortgage-payment')
  page.type('homePrice', '$612,345.50')
  page.source.value = { ...page.source.value, language: 'fr-CA' }
  await nextTick()
  expect(page.calculator.answers.value.homePrice).toBe(612_345_50)
})

test('whatever is typed, however fast: once it rests the figures are those of the answers', async () => {
  const texts = fc.constantFrom('', '$412,600', '7.5', '25 years', '1250,50', 'nothing', '20%', '0', '98.5k')
  const act = fc.record({ at: fc.nat(30), text: texts, rests: fc.constantFrom('no', 'tick', 'painted') })
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom(...starters.map(({ id }) => id)),
      fc.array(act, { maxLength: 6 }),
      async (starter, acts) => {
        const { calculator, close } = opened(starter)
        for (const { at, text, rests } of acts) {
          const asked = calculator.questions.value.filter(({ asks }) => asks !== 'loans')
          const one = asked[at % asked.length]
          if (one) calculator.type(one, { text, caret: text.length })
          if (rests !== 'no') await nextTick()
          if (rests === 'painted') await afterPaint()
        }
        await followed()
        expect(calculator.answers.value).toBe(calculator.typedAnswers.value)
        const afresh = createEvaluator(calculator.program.value)
        const { values, problems } = afresh(calculator.typedAnswers.value, {
          today: momentOf(TODAY),
          sheets: [],
        })
        expect(calculator.evaluation.value.values).toEqual(values)
        expect(calculator.evaluation.value.problems).toEqual(problems)
        close()
      },
    ),
    { numRuns: 60 },
  )
})
