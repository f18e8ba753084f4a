import { frequencies, type Frequency } from '../../rates/frequency'
import { pairRules } from '../../loan/pair-rules'
import { reasonOf } from '../../loan/term-pairs'
import type { GivenTerms } from '../../loan/loan-terms'
import type { StepOf } from '../document/steps'
import type { CompileProblem } from './compile-problem'

type LoanStep = StepOf<'loan'>

/** Two settings of a loan step that mean nothing together, or of which the first needs the second. */
interface Mix {
  readonly holds: 'refused' | 'needed'
  readonly fields: readonly [string, string]
  readonly says: string
}

/** What a loan's settings say together before any figure is known: each mix is a problem beside both of them. */
export function loanMixProblems(step: LoanStep): CompileProblem[] {
  const mixes = [...stepMixes(step), ...ledgerMixes(step)]
  return mixes.flatMap(({ holds, fields: [a, b], says }): CompileProblem[] => {
    const problem = (field: string, other: string): CompileProblem => ({
      code: holds === 'refused' ? 'SETTINGS_DO_NOT_MIX' : 'SETTING_NEEDED',
      step: step.id,
      field,
      other,
      says,
    })
    return holds === 'refused' ? [problem(a, b), problem(b, a)] : [problem(a, b)]
  })
}

/** Pairs of a step's own: ways to say one thing twice, and what says nothing alone. */
function stepMixes({ terms, options }: LoanStep): Mix[] {
  const has = (field: keyof LoanStep['terms']) => terms[field] !== undefined && terms[field].trim() !== ''
  const mix = (is: boolean, holds: Mix['holds'], a: string, b: string, says: string): Mix[] =>
    is ? [{ holds, fields: [a, b], says }] : []
  const needs = (field: keyof LoanStep['terms'], other: keyof LoanStep['terms'], says: string) =>
    mix(has(field) && !has(other), 'needed', `terms.${field}`, `terms.${other}`, says)
  return [
    ...mix(
      has('payment') && has('initialRepayment'),
      'refused',
      'terms.payment',
      'terms.initialRepayment',
      'Each says what is paid.',
    ),
    ...mix(
      has('term') && has('payments'),
      'refused',
      'terms.term',
      'terms.payments',
      'Each says how long the loan runs.',
    ),
    ...mix(
      options.graceInterest !== undefined && !has('gracePayments'),
      'needed',
      'options.graceInterest',
      'terms.gracePayments',
      'Without a number of payments there is no such time.',
    ),
    ...needs('gracePayment', 'gracePayments', 'Without a number of payments there is no such time.'),
    ...needs('gracePaid', 'gracePayments', 'Without a number of payments there is no such time.'),
    ...needs('insuranceUntil', 'insuranceValue', 'A share of the value needs the value.'),
    ...needs('insuranceValue', 'insuranceUntil', 'The value only says when premiums end.'),
  ]
}

/** The ledger's own table, asked with made-up figures in place of those that nobody knows yet. */
function ledgerMixes(step: LoanStep): Mix[] {
  const shape = shapeOf(step)
  return pairRules.flatMap((rule): Mix[] => {
    const pair = rule.broken(shape)
    if (!pair) return []
    const [a, b] = pair
    return [{ holds: rule.holds, fields: [fieldOf(a, step), fieldOf(b, step)], says: reasonOf(rule) }]
  })
}

function shapeOf({ terms, options, extras, rateChanges }: LoanStep): GivenTerms {
  const has = (field: keyof LoanStep['terms']) => terms[field] !== undefined && terms[field].trim() !== ''
  const lowers = options.onExtra === 'lower'
  const hasGrace = has('gracePayments')
  return {
    principal: 100_000_00,
    annualRate: '5',
    frequency: literalFrequency(terms.frequency ?? ''),
    ...(has('term') || has('payments') ? { term: { payments: 240 } } : {}),
    ...(has('payment') || has('initialRepayment') ? { payment: 1_000_00 } : {}),
    ...(has('balloon') ? { balloon: 1 } : {}),
    ...(options.compounding === undefined ? {} : { compounding: options.compounding }),
    ...(options.due === undefined ? {} : { due: options.due }),
    ...(options.dayCount === undefined ? {} : { dayCount: options.dayCount }),
    ...(options.onExtra === undefined ? {} : { onExtra: options.onExtra }),
    // What visitors may try lowers the payment too, also where nothing extra is agreed on.
    extras: [
      ...(extras ?? []).map(({ every, at, from, until }) => ({
        amount: 1,
        every,
        ...(at.trim() === '' ? {} : { at: 1 }),
        ...(from.trim() === '' ? {} : { from: 2 }),
        ...(until.trim() === '' ? {} : { until: 3 }),
      })),
      ...(lowers ? [{ amount: 1, every: 'payment' as const }] : []),
    ],
    rateChanges: (rateChanges ?? []).map(({ keep }, i) => ({ fromPayment: i + 2, annualRate: '5', keep })),
    ...(hasGrace
      ? {
          grace: {
            payments: 1,
            interest: options.graceInterest ?? 'paid',
            ...(has('gracePayment') ? { payment: 1 } : {}),
          },
        }
      : {}),
    insurance: {
      ...(has('insuranceYearly') ? { yearlyPercent: '1' } : {}),
      ...(options.insuranceBase === undefined ? {} : { base: options.insuranceBase }),
      ...(has('insuranceUntil') ? { untilLoanToValue: '80', value: 1 } : {}),
    },
  }
}

/** A frequency written as such; one that follows from an answer is tried with each before sending. */
function literalFrequency(formula: string): Frequency {
  const text = formula.trim().replace(/^"|"$/g, '')
  return Object.hasOwn(frequencies, text) ? (text as Frequency) : 'monthly'
}

/** Where a setting of the ledger stands in the step. */
function fieldOf(setting: string, { terms }: LoanStep): string {
  const fields: Readonly<Record<string, string>> = {
    compounding: 'options.compounding',
    due: 'options.due',
    dayCount: 'options.dayCount',
    onExtra: 'options.onExtra',
    frequency: 'terms.frequency',
    payment: terms.payment === undefined ? 'terms.initialRepayment' : 'terms.payment',
    grace: 'terms.gracePayments',
    'grace.payment': 'terms.gracePayment',
    'grace.interest': 'options.graceInterest',
    'insurance.base': 'options.insuranceBase',
    'insurance.yearlyPercent': 'terms.insuranceYearly',
    'insurance.untilLoanToValue': 'terms.insuranceUntil',
  }
  return fields[setting] ?? setting
}
