import type { ComparisonRow, LoanColumn, PayOffPlan, ScheduleColumn } from '@vivid/core/evaluate'

/** Figures the words of a what-if are put around, already in the locale's digits. */
export interface WhatIfSaid {
  /** What each payment would be; empty where it stays. */
  readonly payment: string
  /** "2 years 8 months"; empty where the end stays. */
  readonly time: string
  readonly isSooner: boolean
  /** The interest it differs by; empty where that stays. */
  readonly money: string
  readonly isLess: boolean
  /** Whether nothing is left to be paid at once. */
  readonly isRepaid: boolean
}

/** The interest of a year. */
export interface YearSaid {
  readonly year: string
  readonly interest: string
}

/**
 * The visitor page's own words in one language; those of a calculator come with it, and what only the server says (files,
 * notices) is in `ServedWords`.
 */
export interface PageWords {
  readonly results: string
  readonly questions: string
  readonly notYet: string
  readonly startAgain: string
  readonly workOut: string
  readonly outOfDate: string
  readonly inMoney: string
  readonly inPercent: string
  readonly optional: string
  readonly choose: string
  readonly yes: string
  readonly no: string
  readonly language: string
  readonly copy: (what: string) => string
  readonly copied: string
  /** Asks what a word of the trade means. */
  readonly whatMeans: (word: string) => string
  /** Above what happens once a visitor has their figures. */
  readonly nextSteps: string

  readonly year: string
  readonly number: string
  readonly whereItGoes: string
  readonly asTable: string
  readonly chartOf: (label: string) => string
  readonly openYear: (year: number, payments: string) => string
  readonly from: (least: string) => string
  /** Said before the two or three answers a typed text could mean. */
  readonly whichMeant: string
  readonly worksOutTo: (value: string) => string
  readonly slider: (label: string) => string
  readonly columns: Readonly<Record<ScheduleColumn, string>>
  readonly rows: Readonly<Record<ComparisonRow, string>>
  /** Which of loans side by side is lowest by payment, by cost, or by both. */
  readonly lowestPayment: (label: string, amount: string) => string
  readonly lowestCost: (label: string, amount: string) => string
  readonly lowestBoth: (label: string) => string
  readonly lowestUntilLeaving: (label: string, amount: string) => string
  /** For whom another loan costs least. */
  readonly staysLonger: (time: string, label: string) => string
  readonly leavesSooner: (time: string, label: string) => string
  /** Told of the cell of a ladder that is the visitor's own. */
  readonly yours: string
  readonly differs: string
  readonly rate: string
  readonly length: string
  readonly extra: string
  readonly amount: string
  readonly downPayment: string
  readonly ratesFrom: (name: string, date: string) => string
  readonly findPayment: string
  readonly find: string
  readonly paymentNumber: (number: string, date: string) => string
  readonly paymentsRange: (first: string, last: string) => string

  /** Said where a part of the page broke, or could not be fetched. */
  readonly partFailed: string
  readonly partMissing: string
  readonly tryAgain: string

  readonly print: string
  readonly csv: string
  readonly xlsx: string
  readonly pdf: string
  readonly calendar: string
  readonly fewDates: string
  readonly csvComma: string
  readonly share: string
  readonly link: string
  readonly linkCopied: string
  readonly linkHere: string
  readonly making: string
  readonly fileFailed: string
  readonly keptThen: (day: string, figure: string) => string
  readonly ratesSince: (names: string) => string
  readonly calculatorSince: string
  /** A link nothing of which could be read, some answers of which, and one with more than is asked. */
  readonly linkUnreadable: string
  readonly linkNotAll: (questions: string) => string
  readonly linkMore: string
  /** Questions a page was to begin otherwise with, where that is not allowed any more. */
  readonly beginsAsUsual: (questions: string) => string

  /** What pictures show, in a sentence. */
  readonly picture: {
    readonly left: (amount: string) => string
    /** `half` is empty where half of it is still owed at the end; `left` where nothing is. */
    readonly balanceSays: (said: { owed: string; half: string; end: string; left: string }) => string
    readonly yearsSay: (first: YearSaid, last: YearSaid) => string
    readonly refinance: {
      readonly next: string
      readonly wonBack: string
      readonly leaves: string
      /** `wonBack` is empty where that never comes; `stay` where the visitor does not leave before the end. */
      readonly says: (said: { wonBack: string; stay: string; kept: string; next: string }) => string
    }
    readonly limits: Readonly<Record<'housing' | 'debts', string>> & {
      /** "39% of at most 44%" */
      readonly of: (share: string, limit: string) => string
      readonly decides: string
      readonly share: string
      readonly limit: string
      readonly says: (of: 'housing' | 'debts', share: string, limit: string, decides: boolean) => string
    }
  }

  readonly whatIf: {
    /** How much the end differs: "2 years 8 months sooner". */
    readonly gap: (time: string, isSooner: boolean) => string
    readonly extraAmount: string
    readonly yearlyAmount: string
    readonly lumpAmount: string
    readonly lumpWhen: string
    readonly now: string
    readonly inYears: (length: string) => string
    readonly newRate: string
    readonly newPayment: string
    readonly keep: string
    /** Said on the button once it stands beside. */
    readonly isKept: string
    /** Asks for a name of one's own for what was kept. */
    readonly nameIt: (label: string) => string
    readonly remove: (label: string) => string
    readonly asItIs: string
    /** Column heads of what was kept beside. */
    readonly named: {
      readonly extra: (amount: string) => string
      readonly yearlyExtra: (amount: string) => string
      readonly lumpSum: (amount: string, when: string) => string
      readonly rate: (rate: string) => string
      readonly payment: (amount: string) => string
    }
    readonly says: (said: WhatIfSaid) => string
    readonly full: string
  }

  /** A list of loans, and how they are paid off together. */
  readonly loans: {
    readonly columns: Readonly<Record<LoanColumn, string>>
    /** "Loan 2": one that has no name. */
    readonly one: (number: string) => string
    readonly add: string
    readonly remove: (loan: string) => string
    readonly earlier: (loan: string) => string
    readonly later: (loan: string) => string
    readonly orders: Readonly<Record<PayOffPlan['by'], string>>
    readonly rows: Readonly<Record<'end' | 'interest' | 'saved' | 'paid', string>>
    /** When a loan ends. */
    readonly endOf: (loan: string) => string
    /** Marks the order the figures are of. */
    readonly yours: string
    /** `order` saves the most; `sooner` is empty where the end is the same. */
    readonly saysBest: (said: { order: string; saved: string; sooner: string }) => string
    /** Where every order comes to the same. */
    readonly saysSame: (said: { saved: string; sooner: string }) => string
    /** Said of one loan, or where nothing is to be saved. */
    readonly saysNothing: string
  }

  readonly handOver: {
    readonly open: string
    readonly intro: (lender: string) => string
    readonly name: string
    readonly reach: string
    readonly reachHelp: string
    readonly message: string
    readonly consent: (lender: string) => string
    readonly send: string
    readonly cancel: string
    readonly sent: (lender: string) => string
    readonly failed: string
    readonly nameMissing: string
    readonly reachMissing: string
    readonly consentMissing: string
  }
}
