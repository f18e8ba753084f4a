import type { Question } from '../document/questions'
import type { Period, FigureSource } from '../../formula/unit'
import type { Stop } from '../../formula/computed'
import type { Ledger } from '../../loan/ledger'
import type { LedgerRow, LedgerYear } from '../../loan/ledger-rows'
import type { PayOffOrder } from '../../lending/pay-off'
import type { LoanTerms } from '../../loan/loan-terms'
import type { Minor } from '../../money/minor'
import type { Frequency } from '../../rates/frequency'
import type { Refusal } from '../../guards/refusal'
import type { OwedLoanAnswer, TermLength } from '../document/document-shapes'
import type { Texts } from '../document/texts'
import type { ActionName, ComparisonRow, ScheduleColumn, WhatIfName } from '../document/steps'

/**
 * A value with its unit: what a step comes to for the answers at hand. `exact` is there where a value was not rounded:
 * the same in plain decimals (money in whole units), to 12 significant digits behind what is shown.
 */
export type Value =
  | {
      readonly unit: 'money'
      readonly money: Minor
      readonly per?: Period
      /** For an amount per payment: how often the payment is made. */
      readonly every?: Frequency
      readonly exact?: string
    }
  | { readonly unit: 'percent'; readonly percent: string }
  | ShareValue
  | { readonly unit: 'number'; readonly number: string }
  | { readonly unit: 'count'; readonly count: string }
  | ({ readonly unit: 'term' } & TermLength)
  | { readonly unit: 'date'; readonly date: string }
  | { readonly unit: 'yesNo'; readonly yes: boolean }
  /** A text; `option` names the choice whose option it is. */
  | { readonly unit: 'text'; readonly text: string; readonly option?: string }
  | { readonly unit: 'frequency'; readonly frequency: Frequency }
  | { readonly unit: 'list'; readonly items: readonly Value[] }
  | LoanValue
  /** The loans of a list, as they were answered. */
  | { readonly unit: 'loans'; readonly loans: readonly OwedLoanAnswer[] }
  /** A composite step: its figures by name; those that do not exist here are left out. */
  | {
      readonly unit: 'figures'
      readonly of: FigureSource
      readonly main?: Value
      readonly figures: Readonly<Record<string, Value>>
    }

/** A part of another amount, known both ways; `typed` says which of the two was answered. */
export interface ShareValue {
  readonly unit: 'share'
  readonly money: Minor
  /** Percent of the whole, rounded to two decimals where the amount was answered. */
  readonly percent: string
  readonly typed: 'money' | 'percent'
}

/** A loan worked out; nothing to borrow is a principal and a count of 0. */
export interface LoanValue {
  readonly unit: 'loan'
  readonly principal: Minor
  readonly payment: Minor
  readonly count: number
}

/** What is wrong with an answer, or with what follows from it. The sentence is made elsewhere. */
export type Problem =
  | { readonly code: 'ANSWER_UNKNOWN'; readonly field: string }
  | { readonly code: 'ANSWER_MISSING'; readonly field: string; readonly at?: LoanCell }
  | {
      readonly code: 'ANSWER_UNREADABLE'
      readonly field: string
      readonly wanted: AnswerKind
      readonly at?: LoanCell
    }
  | {
      readonly code: 'ANSWER_BELOW_LEAST'
      readonly field: string
      readonly least: Value
      /** Of a part of another amount: how much more it takes. */
      readonly missing?: Value
      readonly at?: LoanCell
    }
  | {
      readonly code: 'ANSWER_ABOVE_MOST'
      readonly field: string
      readonly most: Value
      readonly at?: LoanCell
    }
  | { readonly code: 'LOANS_TOO_FEW' | 'LOANS_TOO_MANY'; readonly field: string; readonly count: number }
  /** A loan whose payment does not cover its interest is never repaid; `least` would. */
  | {
      readonly code: 'LOAN_NEVER_REPAID'
      readonly field: string
      readonly least: Value
      readonly at: LoanCell
    }
  | { readonly code: 'ANSWER_NOT_AN_OPTION'; readonly field: string; readonly options: readonly string[] }
  | { readonly code: 'SHARE_ABOVE_WHOLE'; readonly field: string; readonly whole: Value }
  /** A step that could not be worked out from these answers; `name` is the step's own. */
  | { readonly code: 'LOAN_REFUSED'; readonly field: string; readonly refusal: Refusal }
  | { readonly code: 'STEP_STOPPED'; readonly field: string; readonly stop: Stop }

/** Where in a list of loans something is: the loan's place, from 0, and what of it. */
export interface LoanCell {
  readonly loan: number
  /** What it is called; empty where it has no name. */
  readonly name: string
  readonly of: LoanColumn
}
export type LoanColumn = keyof OwedLoanAnswer

export type AnswerKind =
  'money' | 'percent' | 'share' | 'number' | 'term' | 'choice' | 'yesNo' | 'date' | 'frequency' | 'loans'

/** Something that is allowed and has to be said: asked or told, never refused. */
export type Doubt =
  /** An amount that looks like another period's. */
  | {
      readonly code: 'PERIOD_DOUBTED'
      readonly field: string
      readonly per: Period
      /** The period the amount would fit. */
      readonly fits: Period
      readonly value: Value
    }
  /** What a yearly limit keeps from being paid of a loan's extras. */
  | { readonly code: 'EXTRAS_CUT'; readonly field: string; readonly value: Value }
  /** The last payment of a loan, where it is more than twice the one before: what the others leave is paid with it. */
  | { readonly code: 'LAST_PAYMENT_LARGE'; readonly field: string; readonly value: Value }

/** A sentence in each language, its formulas worked out. */
export type Said = Readonly<Record<string, readonly (string | Value)[]>>

/** One part of a meter; `at` counts the parts of the step, whose labels it has. */
export interface Part {
  readonly at: number
  readonly value: Value
}

export interface ComparedColumn {
  /** Counts the loans of the comparison step, whose labels it has. */
  readonly at: number
  readonly payment: Minor
  readonly paymentWithInsurance: Minor
  readonly payments: number
  readonly endDate: string | undefined
  readonly totalInterest: Minor
  readonly totalInsurance: Minor
  /** With each payment, and added to the loan. */
  readonly totalFees: Minor
  /** Still owed when the term ends. */
  readonly balloon: Minor
  /** All that is paid: payments, premiums, fees with them, and the balloon. */
  readonly totalPaid: Minor
  readonly costOfBorrowing: Minor
  /** What of the extras a yearly limit keeps from being paid. */
  readonly extrasNotPaid: Minor
  /** The last payment, where it is more than twice the one before; else nothing. */
  readonly largeLastPayment: Minor
  /** Interest, premiums and fees against the first column. */
  readonly difference: number
  /** Until the visitor leaves, where it is said how long they stay: all that is paid, what is owed then, and both less what was in hand. */
  readonly paidUntilLeaving?: Minor
  readonly owedAtLeaving?: Minor
  readonly costUntilLeaving?: Minor
}

/** The stay, in months, up to which one loan of a comparison costs least, and after which another does; columns by place. */
export interface Turn {
  readonly after: number
  readonly before: number
  readonly then: number
  /** How long the visitor means to stay. */
  readonly stay: number
}

export interface Rung {
  readonly rate: string | undefined
  readonly length: TermLength | undefined
  readonly amount: Minor | undefined
  /** What is borrowed, over down payments. */
  readonly principal?: Minor
  readonly payment: Minor
  readonly payments: number
  readonly endDate: string | undefined
  readonly totalInterest: Minor
  /** Over answers: the answer, and whether it is the visitor's own. */
  readonly answer?: Value
  readonly isOwn?: boolean
}

/** An answer that is not possible here, or with which there is no loan, and why. */
export interface RefusedRung {
  readonly answer: Value
  readonly problem: Problem
}

/** What the visitor sees, as figures; the words are made elsewhere. */
export type Readout =
  | {
      readonly shows: 'figure'
      readonly id: string
      readonly headline: boolean
      readonly value: Value
      readonly parts: readonly Part[]
      readonly sentence: Said
    }
  | {
      readonly shows: 'meter'
      readonly id: string
      readonly parts: readonly Part[]
      readonly total: Value
      readonly sentence: Said
    }
  | { readonly shows: 'sentence'; readonly id: string; readonly sentence: Said }
  | {
      readonly shows: 'chart'
      readonly id: string
      readonly chart: 'balance'
      readonly lines: readonly BalanceLine[]
    }
  | {
      readonly shows: 'chart'
      readonly id: string
      readonly chart: 'yearly'
      readonly years: readonly LedgerYear[]
    }
  | ({ readonly shows: 'chart'; readonly id: string; readonly chart: 'ladder' } & LadderFigures)
  | ({ readonly shows: 'chart'; readonly id: string; readonly chart: 'refinance' } & RefinanceLines)
  | {
      readonly shows: 'chart'
      readonly id: string
      readonly chart: 'limits'
      /** Housing costs and all debts: what they take of income, and may take, in percent; those that decide. */
      readonly shares: readonly {
        readonly of: 'housing' | 'debts'
        readonly share: string
        readonly limit: string
        readonly decides: boolean
      }[]
    }
  | {
      readonly shows: 'schedule'
      readonly id: string
      readonly loan: string
      readonly by: 'year' | 'payment'
      readonly columns: readonly ScheduleColumn[]
      readonly years: readonly LedgerYear[]
    }
  | ({ readonly shows: 'ladder'; readonly id: string } & LadderFigures)
  | {
      readonly shows: 'comparison'
      readonly id: string
      readonly comparison: string
      readonly rows: readonly ComparisonRow[]
      readonly columns: readonly ComparedColumn[]
      readonly turn?: Turn | undefined
    }
  | ({ readonly shows: 'payOff'; readonly id: string } & PayOffFigures)
  | { readonly shows: 'payment'; readonly id: string; readonly number: number; readonly row: LedgerRow }
  | {
      readonly shows: 'explanation'
      readonly id: string
      readonly lines: readonly { readonly step: string; readonly value: Value }[]
    }
  | {
      readonly shows: 'assumptions'
      readonly id: string
      readonly rates: readonly { readonly step: string; readonly effective: string }[]
    }
  | { readonly shows: 'actions'; readonly id: string; readonly actions: readonly ActionName[] }
  | {
      readonly shows: 'whatIf'
      readonly id: string
      readonly loan: string
      readonly offers: readonly WhatIfName[]
    }

/** Several loans paid off together, in each order beside each other. */
export interface PayOffFigures {
  readonly payOff: string
  /** What the loans are called, in the order of the list; empty where one has no name. */
  readonly names: readonly string[]
  /** The order the plan takes, and the one that saves most. */
  readonly order: PayOffOrder
  readonly best: PayOffOrder
  /** Each loan with its own payment only, then the orders. */
  readonly plans: readonly PayOffPlan[]
}

export interface PayOffPlan {
  readonly by: PayOffOrder | 'asAgreed'
  readonly months: number
  readonly endsOn: string | undefined
  readonly interest: Minor
  readonly paid: Minor
  /** Interest less than as agreed. */
  readonly saved: Minor
  /** For each loan of the list: months to its last payment, and its day. */
  readonly ends: readonly { readonly months: number; readonly endsOn: string | undefined }[]
}

export interface LadderFigures {
  readonly ladder: string
  readonly over: 'rates' | 'terms' | 'extras' | 'amounts' | 'downPayments' | 'ratesByTerms' | 'answer'
  readonly rungs: readonly Rung[]
  /** Over answers: what is asked, and the answers that lead to no rung. */
  readonly asked?: Texts
  readonly refused?: readonly RefusedRung[]
}

/** The balance of a loan that is kept and of the one in its place, and the months that matter, counted from now. */
export interface RefinanceLines {
  /** The loan as it is, then the new one: each twelfth payment and the last. */
  readonly lines: readonly {
    readonly points: readonly { readonly month: number; readonly owed: Minor }[]
    readonly endsOn: string | undefined
  }[]
  /** When the interest saved has reached the costs; undefined: never. */
  readonly wonBackAfter: number | undefined
  /** When the visitor means to leave, and what is owed then on either loan; undefined: not before both end. */
  readonly stay: { readonly months: number; readonly owed: readonly Minor[] } | undefined
}

/** What is owed at the end of each year, from the start; `at` counts the loans of the readout. */
export interface BalanceLine {
  readonly at: number
  readonly balances: readonly { readonly year: number; readonly balance: Minor }[]
}

export interface Evaluation {
  /** The value of each step that could be worked out, by step. */
  readonly values: Readonly<Record<string, Value>>
  readonly readouts: readonly Readout[]
  readonly problems: readonly Problem[]
  readonly doubts: readonly Doubt[]
  /** Questions and readouts whose condition does not hold. */
  readonly hidden: ReadonlySet<string>
  /** Questions that formulas narrow as the answers are, with the range they have now, by step. */
  readonly narrowed: ReadonlyMap<string, Question>
  /** The ledger of each loan that borrows anything, by step. */
  readonly ledgers: ReadonlyMap<string, Ledger>
  /** The terms of each of these loans, for what would come of others. */
  readonly terms: ReadonlyMap<string, LoanTerms>
}
