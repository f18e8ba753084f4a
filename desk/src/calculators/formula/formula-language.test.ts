import { CompletionContext, type CompletionResult } from '@codemirror/autocomplete'
import { EditorState } from '@codemirror/state'
import { expect, test } from 'vitest'
import { compile, starters } from '@vivid/core'
import { figureCompletions, nameCompletions } from './formula-language'

const document = starters.find(({ id }) => id === 'mortgage-payment')?.make()
if (!document) throw new Error('no such starter')
const { scope } = compile(document, [])
const loan = document.steps.find(({ kind }) => kind === 'loan')?.name ?? ''

function offered(typed: string): CompletionResult | null {
  const context = new CompletionContext(EditorState.create({ doc: typed }), typed.length, false)
  const results = [
    figureCompletions(scope)(context),
    nameCompletions(scope)(context),
  ] as (CompletionResult | null)[]
  const found = results.filter((one) => one !== null)
  expect(found.length).toBeLessThanOrEqual(1)
  return found[0] ?? null
}
const labels = (typed: string) => offered(typed)?.options.map(({ label }) => label) ?? []

test.each([`${loan}.`, `${loan}.pay`, `2 * ${loan}.`, `if home price > ${loan}.total`])(
  'after “%s” stand only the loan’s figures, the payment first, each with what it is',
  (typed) => {
    const { options = [], from } = offered(typed) ?? {}
    expect(from).toBe(typed.lastIndexOf('.') + 1)
    expect(options[0]).toMatchObject({
      label: 'payment',
      detail: 'an amount a payment',
      info: 'the regular payment',
    })
    expect(labels(typed)).not.toContain('home price')
    expect([...options].sort((a, b) => (b.boost ?? 0) - (a.boost ?? 0))).toEqual(options)
  },
)

test.each(['ho', `${loan}.payment + ho`, `if ${loan}.payment > 3 then ho`])(
  'after “%s” stand names and functions',
  (typed) => expect(labels(typed)).toEqual(expect.arrayContaining(['home price', 'round up'])),
)

test('after a point behind a single value, and in a plain number, nothing stands', () => {
  for (const typed of ['4.', '4.5']) expect(labels(typed)).toEqual([])
})
