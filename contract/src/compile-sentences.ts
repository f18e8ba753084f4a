import type { CalculatorDocument, CompileProblem, FormulaProblem } from '@vivid/core'
import { periodWord, unitWords, wantedWords } from './unit-words'

type Sentences = { [C in CompileProblem['code']]: (problem: Extract<CompileProblem, { code: C }>) => string }

const name = (text: string) => `“${text}”`
const mended = (mend: string | undefined) => (mend === undefined ? '.' : `: write ${name(mend)}.`)
const orMeant = (near: string | undefined) => (near === undefined ? '.' : `; did you mean ${name(near)}?`)
const listed = (names: readonly string[]) => names.map(name).join(', ')

const operations: Readonly<Record<string, string>> = {
  '+': 'be added',
  '-': 'be subtracted',
  '*': 'be multiplied',
  '/': 'be divided',
  '^': 'be raised to a power',
  if: 'be the two outcomes of one choice',
  list: 'stand in one list',
  same: 'go together here',
}

/** What people write beside figures, and how it is said inside a formula. */
const signsToMend: readonly (readonly [sign: RegExp, mend: string])[] = [
  [/^%$/, 'Inside a formula, “%” is left out: multiply by “0.2” for 20 %, compare a rate with “5” for 5 %.'],
  [/^\p{Sc}$/u, 'Inside a formula, an amount is written without its sign: “60000”.'],
  [/^,\d+$/, 'Inside a formula, a number has no comma: “60000”, or “4.5” with a point.'],
  [/^(years?|months?)$/i, 'Inside a formula, a length of time is written “years(5)” or “months(6)”.'],
]

const formulaSentences: {
  [C in FormulaProblem['code']]: (problem: Extract<FormulaProblem, { code: C }>) => string
} = {
  FORMULA_EMPTY: () => 'Nothing is written here yet; a value or a formula is needed.',
  FORMULA_UNREADABLE: ({ text }) =>
    text === ''
      ? 'The formula breaks off here; something has to follow.'
      : text === ':'
        ? 'Name all arguments of a function, or none of them.'
        : (signsToMend.find(([sign]) => sign.test(text))?.[1] ?? `This cannot be read at ${name(text)}.`),
  NUMBER_TWO_WAYS: ({ text, readings }) =>
    `${name(text)} can be read in two ways: write ${readings.map(name).join(' or ')}.`,
  FORMULA_TOO_DEEP: () => 'This formula is too long or nested too deeply; split it into named workings.',
  FEEL_NOT_SUPPORTED: ({ what }) => `${name(what)} is not available in calculators.`,
  NAME_UNKNOWN: ({ name: unknown, near }) => `Nothing is called ${name(unknown)}${orMeant(near)}`,
  NAME_HAS_NO_VALUE: ({ name: of }) => `${name(of)} has no value yet: mend that step first.`,
  FIGURE_UNKNOWN: ({ name: of, of: owner, figures }) =>
    figures.length === 0
      ? `${name(owner)} is a single value; nothing follows it with a point.`
      : `${name(owner)} has no figure ${name(of)}. It has: ${listed(figures)}.`,
  FUNCTION_UNKNOWN: ({ name: of, near }) => `There is no function ${name(of)}${orMeant(near)}`,
  ARGUMENT_UNKNOWN: ({ function: of, name: argument, names }) =>
    `${name(of)} has no argument ${name(argument)}. It takes: ${listed(names)}.`,
  ARGUMENT_MISSING: ({ function: of, name: argument }) => `${name(of)} still needs its ${name(argument)}.`,
  ARGUMENTS_TOO_MANY: ({ function: of, most }) =>
    most === 0
      ? `${name(of)} takes nothing between its brackets.`
      : `${name(of)} takes no more than ${most} here.`,
  UNIT_NOT_WANTED: ({ text, got, wanted, place, mend }) =>
    `${name(text)} is ${unitWords(got)}; ${place === undefined ? 'this place' : name(place)} wants ${wantedWords(wanted)}${mended(mend)}`,
  UNITS_CLASH: ({ how, a, b, unitA, unitB, mend }) =>
    `${name(a)} is ${unitWords(unitA)} and ${name(b)} ${unitWords(unitB)}: they cannot ${operations[how] ?? 'be compared'}${mend === undefined ? '.' : `. Write ${name(mend)}.`}`,
  PERIODS_DIFFER: ({ a, b, perA, perB, mend }) =>
    b === ''
      ? `${name(a)} is an amount ${periodWord(perA)}; here one ${periodWord(perB)} is wanted${mended(mend)}`
      : `${name(a)} is an amount ${periodWord(perA)} and ${name(b)} one ${periodWord(perB)}${mended(mend)}`,
  OPTION_UNKNOWN: ({ text, options }) => `${name(text)} is none of the options: ${listed(options)}.`,
  ITEM_NAME_TAKEN: ({ name: of }) =>
    `${name(of)} already stands for something else; give the items another name, like “for one in …”.`,
  DATE_UNREADABLE: ({ text }) => `${name(text)} is not a day; write it like 2026-11-25.`,
  PERIOD_NEEDED: ({ function: of, text }) =>
    `${name(of)} has to know how often ${name(text)} recurs: say so with “monthly(…)” or “yearly(…)”, or give the payment frequency.`,
  DIVIDED_BY_HAND: ({ text, by, unit }) =>
    unit.is === 'percent'
      ? `${name(text)} is a yearly rate and is given as such; is ${by} here on purpose?`
      : `${name(text)} already says how often it recurs; is ${by} here on purpose, or “per month(…)” meant?`,
  PERCENT_SO_SMALL: ({ text, instead }) =>
    `${name(text)} means ${text} %. Is ${instead} % meant? Then write ${name(instead)}.`,
}

const decapital = (sentence: string) => `${sentence.charAt(0).toLowerCase()}${sentence.slice(1)}`

const settingNames: Readonly<Record<string, string>> = {
  'terms.frequency': 'the payment frequency',
  'terms.term': 'the length',
  'terms.payments': 'the number of payments',
  'terms.payment': 'the given payment',
  'terms.initialRepayment': 'the initial repayment',
  'terms.gracePayments': 'the time at the start',
  'terms.gracePayment': 'what is paid in the time at the start',
  'terms.gracePaid': 'whether the interest of that time is paid',
  'terms.insuranceYearly': 'the yearly insurance',
  'terms.insuranceUntil': 'where insurance ends',
  'terms.insuranceValue': 'the insured value',
  'options.compounding': 'the compounding',
  'options.due': 'payments at the start of the period',
  'options.dayCount': 'the day count',
  'options.onExtra': 'what follows from an extra',
  'options.graceInterest': 'the interest of the time at the start',
  'options.insuranceBase': 'what the yearly insurance is of',
  every: 'how often the extra is paid',
  at: 'when the extra is paid',
  from: 'the extra’s beginning',
  until: 'the extra’s end',
  keep: 'what a rate change keeps',
}
/** A setting of a loan in the author's words; of a list's entry by its last part. */
const settingWords = (field: string): string =>
  settingNames[field] ?? settingNames[field.split('.').at(-1) ?? ''] ?? name(field)

const sentences: Sentences = {
  ...formulaSentences,
  ID_TAKEN: () => 'Another step has the same identifier.',
  NAME_TAKEN: () => 'Another step has this name already; give it one of its own.',
  NAME_NOT_USABLE: ({ word, instead }) =>
    `${name(word)} cannot be part of a name that formulas use; try ${name(instead)}.`,
  REFERENCE_UNKNOWN: () => 'This step takes a value from one that is no longer there; choose another.',
  REFERENCE_OF_WRONG_KIND: () => 'This step takes a value from one of another kind; choose another.',
  LEAST_ABOVE_MOST: () => 'The least is above the most; lower the one or raise the other.',
  DEFAULT_OUT_OF_RANGE: () => 'The default lies outside of what the question allows.',
  DEFAULT_NEEDED: () =>
    'A choice or date that can be hidden or left empty needs a default, which it then counts as.',
  STEP_ZERO: () => 'The step must be above zero.',
  OPTION_TWICE: ({ option }) => `The option ${name(option)} is there twice.`,
  OPTION_VALUE_MISSING: ({ option }) => `The option ${name(option)} needs a value.`,
  NO_QUESTION: () => 'A calculator needs at least one question.',
  NO_READOUT: () => 'A calculator needs at least one readout.',
  STAY_NEEDED: () => 'Say in the comparison how long the visitor stays, or leave out the rows until then.',
  TOO_FEW_LOANS: () => 'Choose the loans to be shown: a comparison needs two, a chart one.',
  LENGTH_NEEDED: () =>
    'Say how long the loan runs: a length of time, a number of payments, or the payment itself.',
  TERM_AND_PAYMENT: () =>
    'Both a length and a payment are given: the payment governs, and the length follows from it.',
  SETTINGS_DO_NOT_MIX: ({ other, says }) =>
    `This does not go with ${settingWords(other)}: ${decapital(says)}`,
  SETTING_NEEDED: ({ other, says }) => `This says nothing without ${settingWords(other)}: ${decapital(says)}`,
  CIRCLE: ({ names }) =>
    `${names.map(name).join(' uses ')} uses ${name(names[0] ?? '')}: a value cannot rest on itself.`,
  SHEET_NOT_CHOSEN: () => 'Choose the rate sheet to look this up in.',
  SHEET_UNKNOWN: () => 'The rate sheet of this look-up is not here; choose another or load it.',
  SHEET_KEY_MISSING: ({ key }) => `Say by which value ${name(key)} is looked up.`,
  LABEL_MISSING: () => 'Visitors need a text here in the calculator’s main language.',
  TEXT_NOT_TRANSLATED: ({ language }) =>
    `Not yet translated for ${language}; the main language is shown there.`,
  NOT_USED: () => 'Nothing uses this value.',
  RUNGS_ALIKE: () =>
    'The loan does not rest on this answer, so every line of the ladder would be the same: choose another question.',
  CHANGES_NOTHING: () => 'Nothing that visitors see depends on this answer.',
  HIDDEN_COUNTS: () =>
    'A loan rests on this answer. While it is hidden it counts as its default: say so, or let it count as nothing.',
  NEVER_SHOWN: () => 'The condition never holds: no visitor will see this.',
}

/** What is wrong in a draft and how to mend it, in the author's words, for where it stands beside its step. */
export const compileSentence = <C extends CompileProblem['code']>(
  problem: Extract<CompileProblem, { code: C }>,
): string => (sentences[problem.code as C] as (p: typeof problem) => string)(problem)

/** The same with the step named. */
export function compileSentenceWithPlace(problem: CompileProblem, document: CalculatorDocument): string {
  const step = document.steps.find(({ id }) => id === problem.step)?.name
  return step === undefined ? compileSentence(problem) : `${step}: ${compileSentence(problem)}`
}
