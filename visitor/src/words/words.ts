import type { ComparisonRow, ScheduleColumn } from '@vivid/core/evaluate'

/** The page's own words in one language; those of a calculator come with it. */
export interface Words {
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
  readonly year: string
  readonly payment: string
  readonly number: string
  readonly start: string
  readonly whereItGoes: string
  readonly asTable: string
  readonly chartOf: (label: string) => string
  readonly openYear: (year: number, payments: string) => string
  readonly from: (least: string) => string
  readonly worksOutTo: (value: string) => string
  readonly slider: (label: string) => string
  readonly months: string
  readonly columns: Readonly<Record<ScheduleColumn, string>>
  readonly rows: Readonly<Record<ComparisonRow, string>>
  readonly differs: string
  readonly rate: string
  readonly length: string
  readonly extra: string
  readonly amount: string
  readonly monthlyPayment: string
  readonly ratesFrom: (name: string, date: string) => string
  readonly print: string
  readonly csv: string
  readonly showAll: (rows: number) => string
}
