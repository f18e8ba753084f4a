import { describe, expect, test } from 'vitest'
import { TODAY, withSteps } from '../../testing/test-document'
import oldDocument from '../../testing/document-version-1.json'
import { compile, stoppingProblems } from '../compile/compile'
import { openProgram } from '../compile/open-program'
import { inCurrency } from './currency'
import { openDocument } from '../document/open'
import { duplicateStep, freeId, freeName, removeStep, renameOption, renameStep, usersOf } from './edit'
import { evaluate } from '../evaluate/evaluate'
import { removeLanguage, renameLanguage } from './languages'
import { choice, figure, t, working } from '../starters/build'
import { insuredPurchase } from '../starters/insured-purchase'
import { mortgagePayment } from '../starters/mortgage-payment'
import { addedPremiums } from '../starters/sheets'

describe('renaming a value', () => {
  const document = {
    ...withSteps(
      working('a', 'a', 'Home  Price * 2 + max(home price, 1)'),
      figure('f', 'f', t('F', 'F'), 'a', t('{home price} and "home price"', '{HOME PRICE / 2}')),
    ),
  }
  const renamed = renameStep(document, 'homePrice', 'price of the boat')
  const step = (id: string) => renamed.steps.find((one) => one.id === id)

  test('renames it in every formula, sentence and proof, and nowhere else', () => {
    expect(step('homePrice')).toMatchObject({ name: 'price of the boat', label: { 'en-CA': 'Home price' } })
    expect(step('a')).toMatchObject({ formula: 'price of the boat * 2 + max(price of the boat, 1)' })
    expect(step('f')).toMatchObject({
      sentence: { 'en-CA': '{price of the boat} and "home price"', 'fr-CA': '{price of the boat / 2}' },
    })
    expect(step('loan')).toMatchObject({ terms: { principal: 'price of the boat - down payment' } })
    expect(renameStep(renamed, 'loan', 'my loan').proofs[0]?.expected[0]?.of).toBe('my loan.payment')
  })
  test('changes no figure, and back again gives back the document', () => {
    const figures = (of: typeof document) => evaluate(compile(of).program, {}, { today: TODAY, sheets: [] })
    expect(figures(renamed).values).toEqual(figures(document).values)
    expect(stoppingProblems(compile(renamed))).toEqual([])
    const back = renameStep(renameStep(mortgagePayment(), 'loan', 'x y'), 'loan', 'the loan')
    expect(back).toEqual(mortgagePayment())
  })
  test('to a name that formulas cannot take leaves the formulas alone', () => {
    const odd = renameStep(mortgagePayment(), 'rate', 'rate if any')
    expect(odd.steps.find(({ id }) => id === 'loan')).toMatchObject({ terms: { annualRate: 'rate' } })
  })
})

test('who uses a value is said before it is removed, and its answers go with it', () => {
  const document = {
    ...mortgagePayment(),
    samples: [{ id: 's', name: 's', answers: { rate: '5', homePrice: 1 } }],
  }
  expect(usersOf(document, 'loan')).toMatchObject({ proofs: 2 })
  expect(usersOf(document, 'rate').steps.map(({ id }) => id)).toEqual(['loan'])
  const removed = removeStep(document, 'rate')
  expect(removed.samples[0]?.answers).toEqual({ homePrice: 1 })
  expect(compile(removed).problems).toContainEqual(
    expect.objectContaining({ code: 'NAME_UNKNOWN', step: 'loan', field: 'terms.annualRate' }),
  )
})

test('a copy has a name and identifier of its own', () => {
  const { document, id } = duplicateStep(mortgagePayment(), 'rate')
  expect(document.steps.slice(3, 5).map((step) => [step.id, step.name])).toEqual([
    ['rate', 'rate'],
    ['rate2', 'rate 2'],
  ])
  expect(id).toBe('rate2')
  expect([
    freeId([], 'Prix d’achat'),
    freeId([{ id: 'homePrice' }], 'Home price'),
    freeId([], '5 %'),
  ]).toEqual(['prixDachat', 'homePrice2', 'step5'])
  expect(freeName(mortgagePayment().steps, 'RATE')).toBe('RATE 2')
})

test('a renamed option keeps its place as default and answer', () => {
  const document = {
    ...withSteps(
      choice('c', 'c', t('c', 'c'), {
        gives: 'name',
        options: [{ name: 'a', label: {}, value: null }],
        default: 'a',
      }),
    ),
    samples: [{ id: 's', name: 's', answers: { c: 'a' } }],
  }
  const renamed = renameOption(document, 'c', 'a', 'b')
  expect(renamed.steps.find(({ id }) => id === 'c')).toMatchObject({ default: 'b', options: [{ name: 'b' }] })
  expect(renamed.samples[0]?.answers).toEqual({ c: 'b' })
})

test('another currency keeps the amounts people read, whatever its minor digits', () => {
  const yen = inCurrency(mortgagePayment(), 'JPY')
  expect(yen.steps[0]).toMatchObject({ default: 412_600, least: 60_000, step: 1_000 })
  expect(inCurrency(yen, 'CAD')).toEqual(mortgagePayment())
  expect(inCurrency(mortgagePayment(), 'KWD').proofs[1]?.answers).toMatchObject({
    homePrice: 500_000_000,
    downPayment: { money: 100_000_000 },
  })
})

test('a language can be renamed and removed with all its texts; the last one stays', () => {
  const french = renameLanguage(mortgagePayment(), 'fr-CA', 'fr-FR')
  expect(JSON.stringify(french)).not.toContain('fr-CA')
  expect(french.languages).toEqual(['en-CA', 'fr-FR'])
  const only = removeLanguage(french, 'en-CA')
  expect([only.languages, JSON.stringify(only).includes('en-CA')]).toEqual([['fr-FR'], false])
  expect(removeLanguage(only, 'fr-FR')).toEqual(only)
})

describe('a document of the first version', () => {
  const opened = openDocument(oldDocument)
  if (!opened.ok) throw new Error(`${opened.field}: ${opened.what}`)
  const { document } = opened

  test('opens, compiles, and gives the same figures as its successor', () => {
    const compiled = compile(document)
    expect(stoppingProblems(compiled)).toEqual([])
    const answers = { homePrice: 412_600_00, downPayment: { percent: '15' }, frequency: 'biweekly' }
    const around = { today: TODAY, sheets: [] }
    const [old, now] = [
      evaluate(compiled.program, answers, around),
      evaluate(compile(mortgagePayment()).program, answers, around),
    ]
    expect(old.values.loan).toEqual(now.values.loan)
    expect(old.readouts.slice(0, 4).map(({ shows }) => shows)).toEqual([
      'figure',
      'figure',
      'figure',
      'schedule',
    ])
  })
  test('keeps its texts, its sample visitor and what had a name that formulas cannot take', () => {
    expect(document.title).toEqual({ 'en-CA': 'Mortgage payment' })
    expect(document.samples).toEqual([
      {
        id: 'sample',
        name: 'a visitor who changes nothing',
        answers: { rate: '5.1', downPayment: { percent: '20' } },
      },
    ])
    // “Pay every” holds a word of the formula language.
    expect(document.steps.find(({ id }) => id === 'frequency')?.name).toBe('Pay')
  })
  test('is read anew from an edition that froze it', () => {
    const { sample: _, ...frozen } = oldDocument
    expect(openProgram({ ...frozen, minorDigits: 2 }).steps).toHaveLength(10)
    const now = compile(insuredPurchase(), [addedPremiums]).program
    expect(openProgram(now)).toBe(now)
  })
  test('with a fault in it is refused with the place', () => {
    expect(
      openDocument({ ...oldDocument, steps: [{ ...oldDocument.steps[0], least: 'low' }] }),
    ).toMatchObject({ ok: false, field: 'steps.0.least' })
    expect(openDocument({ ...oldDocument, version: 3 })).toMatchObject({ ok: false, field: 'version' })
  })
})

test('an option that is renamed is followed in every formula that compares its choice with it', () => {
  const document = withSteps(
    choice('band', 'credit band', t('Band', 'Bande'), {
      gives: 'name',
      options: ['good', 'fair'].map((name) => ({ name, label: {}, value: null })),
      default: 'good',
    }),
    working('w', 'w', 'if credit band = "good" and "good" != credit band then 1 else 2'),
    working('v', 'v', 'if rate > 3 then "good" else "fair"'),
  )
  const renamed = renameOption(document, 'band', 'good', 'very good')
  const formula = (id: string) => {
    const step = renamed.steps.find((one) => one.id === id)
    return step?.kind === 'working' ? step.formula : undefined
  }
  expect(formula('w')).toBe('if credit band = "very good" and "very good" != credit band then 1 else 2')
  expect(formula('v')).toBe('if rate > 3 then "good" else "fair"')
})
