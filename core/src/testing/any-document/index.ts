import fc from 'fast-check'
import type { CalculatorDocument } from '../../calculator/document/document'
import type { Question } from '../../calculator/document/questions'
import type { RateSheet } from '../../calculator/document/sheets'
import { frequencyNames } from '../../rates/frequency'
import { label, questions } from './questions'
import { steps } from './steps'
import { dates, flags, lengths, once, percents, present, rarely, texts, yearly } from './any-terms'

/*
 * Whole documents that an author could have written, with every kind of step and terms in any mix, most of them
 * senseless: they are compiled, worked out and shown, and nothing may throw.
 */

const sheetOf = (gives: RateSheet['gives']): RateSheet => ({
  id: 'rates',
  name: 'Rates',
  keys: [{ id: 'band', name: 'Band', unit: 'text', match: 'exact' }],
  gives,
  versions: [{ from: '2026-01-01', rows: [{ keys: ['good'], value: '4.5' }] }],
})
export const anySheets: readonly RateSheet[] = [sheetOf('percent')]

/** Questions that are now and then hidden, with and without a word about what they count as then. */
const hideable = fc.array(
  fc.record({
    shownWhen: fc.oneof({ arbitrary: texts(''), weight: 19 }, { arbitrary: flags, weight: 1 }),
    whenHidden: rarely(fc.constantFrom('default' as const, 'nothing' as const)),
  }),
  { minLength: questions.length, maxLength: questions.length },
)
/** Bounds of some of them from other answers. */
const narrowing = fc.record({
  income: fc.record({ leastBy: rarely(yearly) }),
  rate: fc.record({ mostBy: rarely(percents) }),
  down: fc.record({ leastBy: rarely(fc.oneof(once, percents)), mostBy: rarely(percents) }),
  term: fc.record({ mostBy: rarely(lengths) }),
  day: fc.record({ leastBy: rarely(dates) }),
})
const anyQuestions = fc.tuple(hideable, narrowing).map(([hiding, bounds]) =>
  questions.map(
    (question, i): Question =>
      ({
        ...question,
        ...(present({ ...hiding[i], ...bounds[question.id as keyof typeof bounds] }) as object),
      }) as Question,
  ),
)

export const anyDocument: fc.Arbitrary<CalculatorDocument> = fc
  .tuple(anyQuestions, steps)
  .map(([asked, made]) => ({
    version: 2,
    title: label,
    currency: 'CAD',
    languages: ['en-CA', 'fr-CA'],
    lender: 'Larkmoor Mutual',
    results: 'live',
    introduction: {},
    disclosure: {},
    meanings: [{ id: 'own', word: label, meaning: label }],
    steps: [...asked, ...made],
    samples: [{ id: 'one', name: 'one', answers: {} }],
    proofs: [],
  }))

const given = <T>(usual: readonly T[], wild: readonly unknown[]) =>
  fc.oneof(
    { arbitrary: fc.constant<unknown>(undefined), weight: 6 },
    { arbitrary: fc.constantFrom<unknown>(...usual), weight: 5 },
    { arbitrary: fc.constantFrom<unknown>(...wild), weight: 1 },
  )

/** Answers as visitors give them, and now and then as nobody does. */
export const anyAnswers: fc.Arbitrary<Record<string, unknown>> = fc
  .record({
    price: given([99, 412_600_00, 9_999_999_99], [0, 1, 1e13, null, 'x', -1]),
    income: given([90_000_00, 12_345_67], [0, 1e13]),
    debts: given([1_00, 2_000_00], [0, 1, 1e13]),
    rate: given(['0.001', '4.64', '19.99', '0'], ['100', '1000', 'five']),
    down: given(
      [{ percent: '0' }, { percent: '15' }, { money: 1 }],
      [{ percent: '100' }, { money: 400_000_00 }, [[[]]]],
    ),
    k: given([1, 67, 300], [0, 20_000, 1_000_000]),
    things: given([0, 1, 3], [-1000, -1, 1000]),
    term: given(
      [
        { years: 0, months: 1 },
        { years: 5, months: 7 },
      ],
      [
        { years: 0, months: 0 },
        { years: 100, months: 0 },
      ],
    ),
    often: given(frequencyNames, ['hourly']),
    day: given(['2026-11-25', '2027-03-31', '2031-02-28'], ['2026-11-24', '1900-01-01', '9999-12-31']),
    sure: given([true, false], ['yes']),
    band: given(['good'], ['fair']),
  })
  .map((answers) => present(answers))
