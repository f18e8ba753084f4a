/**
 * What the phrases take that are functions. `text`: always there. `maybe`: empty where there is none. `flag`: yes or no.
 * `among`: one of a few. `fields`: what an object has, named "of field" where there are several objects.
 */
export type Taken =
  | string
  | { readonly maybe: string }
  | { readonly flag: string }
  | { readonly among: string; readonly of: readonly (string | number)[] }
  | { readonly fields: readonly Exclude<Taken, { fields: unknown }>[]; readonly of?: string }

/** A phrase that is a function: its arguments in order, and which of its variants come to the same. */
export interface Takes {
  readonly takes: readonly Taken[]
  /** Leaves out of what is chosen what makes no difference beside the rest. */
  readonly narrow?: (chosen: ReadonlySet<string>) => readonly string[]
}

const without = (chosen: ReadonlySet<string>, ...names: readonly string[]) =>
  [...chosen].filter((name) => !names.includes(name))

const label: Takes = { takes: ['label'] }
const labelAndAmount: Takes = { takes: ['label', 'amount'] }
const amount: Takes = { takes: ['amount'] }
const questions: Takes = { takes: ['questions'] }
const lender: Takes = { takes: ['lender'] }
const loan: Takes = { takes: ['loan'] }
const payments: Takes = { takes: ['payments'] }
const year: Takes = { takes: ['year'] }
const date: Takes = { takes: ['date'] }
const least: Takes = { takes: ['least'] }
const most: Takes = { takes: ['most'] }
const count: Takes = { takes: ['count'] }

/** The phrases of a page that take something, by where they stand in `Language`. */
export const pageTakes: Readonly<Record<string, Takes>> = {
  'examples.money': amount,
  'examples.percent': { takes: ['percent'] },
  'examples.share': { takes: ['amount', 'percent'] },
  'examples.term': { takes: ['term'] },
  shareInFull: { takes: ['amount', 'percent'] },
  'problems.unknown': { takes: ['field'] },
  'problems.unreadable': { takes: ['example'] },
  'problems.belowLeast': { takes: ['least', { maybe: 'missing' }] },
  'problems.aboveMost': most,
  'problems.notAnOption': { takes: ['options'] },
  'problems.aboveWhole': { takes: ['whole'] },
  'problems.loansTooFew': count,
  'problems.loansTooMany': count,
  'problems.neverRepaid': least,
  'refusals.paymentTooSmall': least,
  'refusals.repaysTooLittle': least,
  'refusals.repaidAtOnce': most,
  'refusals.aboveAllBands': most,
  'stops.noRateFor': { takes: ['keys'] },
  'stops.noFigure': { takes: ['figure'] },
  'stops.notWhole': { takes: ['what'] },
  periodDoubted: { takes: ['value', 'per', 'fits'] },
  extrasCut: { takes: ['value'] },
  lastPaymentLarge: { takes: ['value'] },
  'page.copy': { takes: ['what'] },
  'page.whatMeans': { takes: ['word'] },
  'page.chartOf': label,
  'page.openYear': { takes: ['year', 'payments'] },
  'page.from': least,
  'page.worksOutTo': { takes: ['value'] },
  'page.slider': label,
  'page.lowestPayment': labelAndAmount,
  'page.lowestCost': labelAndAmount,
  'page.lowestBoth': label,
  'page.lowestUntilLeaving': labelAndAmount,
  'page.staysLonger': { takes: ['time', 'label'] },
  'page.leavesSooner': { takes: ['time', 'label'] },
  'page.ratesFrom': { takes: ['name', 'date'] },
  'page.paymentNumber': { takes: ['number', { maybe: 'date' }] },
  'page.paymentsRange': { takes: ['first', 'last'] },
  'page.keptThen': { takes: ['day', 'figure'] },
  'page.ratesSince': { takes: ['names'] },
  'page.linkNotAll': questions,
  'page.beginsAsUsual': questions,
  'page.picture.left': amount,
  'page.picture.balanceSays': {
    takes: [{ fields: ['owed', { maybe: 'half' }, 'end', { maybe: 'left' }] }],
  },
  'page.picture.yearsSay': {
    takes: [
      { fields: ['year', 'interest'], of: 'first' },
      { fields: ['year', 'interest'], of: 'last' },
    ],
  },
  'page.picture.refinance.says': {
    takes: [{ fields: [{ maybe: 'wonBack' }, { maybe: 'stay' }, 'kept', 'next'] }],
  },
  'page.picture.limits.of': { takes: ['share', 'limit'] },
  'page.picture.limits.says': {
    takes: [{ among: 'of', of: ['housing', 'debts'] }, 'share', 'limit', { flag: 'decides' }],
  },
  'page.whatIf.gap': { takes: ['time', { flag: 'isSooner' }] },
  'page.whatIf.inYears': { takes: ['length'] },
  'page.whatIf.nameIt': label,
  'page.whatIf.remove': label,
  'page.whatIf.named.extra': amount,
  'page.whatIf.named.yearlyExtra': amount,
  'page.whatIf.named.lumpSum': { takes: ['amount', 'when'] },
  'page.whatIf.named.rate': { takes: ['rate'] },
  'page.whatIf.named.payment': amount,
  'page.whatIf.says': {
    takes: [
      {
        fields: [
          { maybe: 'payment' },
          { maybe: 'time' },
          { flag: 'isSooner' },
          { maybe: 'money' },
          { flag: 'isLess' },
          { flag: 'isRepaid' },
        ],
      },
    ],
    narrow: (chosen) => {
      if (chosen.has('isRepaid')) return without(chosen, 'payment', 'time', 'isSooner', 'isLess')
      return without(
        chosen,
        ...(chosen.has('time') ? [] : ['isSooner']),
        ...(chosen.has('money') ? [] : ['isLess']),
      )
    },
  },
  'page.loans.one': { takes: ['number'] },
  'page.loans.remove': loan,
  'page.loans.earlier': loan,
  'page.loans.later': loan,
  'page.loans.endOf': loan,
  'page.loans.saysBest': { takes: [{ fields: ['order', 'saved', { maybe: 'sooner' }] }] },
  'page.loans.saysSame': { takes: [{ fields: ['saved', { maybe: 'sooner' }] }] },
  'page.handOver.intro': lender,
  'page.handOver.consent': lender,
  'page.handOver.sent': lender,
}

/** Those of `ServedWords`. */
export const servedTakes: Readonly<Record<string, Takes>> = {
  balloonEntry: amount,
  scheduleOf: label,
  calendarEntry: amount,
  madeOn: { takes: ['day', 'edition'] },
  pageOf: { takes: ['page', 'pages'] },
  'notices.notStarted': lender,
  'notices.noScript': lender,
}

/** Those of `Conventions`. */
export const conventionTakes: Readonly<Record<string, Takes>> = {
  compounds: { takes: [{ among: 'times', of: [0, 1, 2, 4, 12, 365] }] },
  'days.equal': { takes: [] },
  'days.thirty': year,
  'days.actual': year,
  firstPayment: date,
  nextPayment: date,
  'grace.none': payments,
  'grace.paid': payments,
  'grace.addedSimple': payments,
  'grace.addedCompound': payments,
}

/** Those of `TradeWords`. */
export const tradeTakes: Readonly<Record<string, Takes>> = {
  'principal.means': {
    takes: [{ fields: [{ maybe: 'borrowed' }, { maybe: 'off' }] }],
    narrow: (chosen) => (chosen.has('borrowed') ? [...chosen] : without(chosen, 'off')),
  },
  'amortization.means': { takes: [{ fields: [{ maybe: 'payments' }] }] },
  'balloon.means': { takes: [{ fields: [{ maybe: 'balloon' }] }] },
  'accelerated.means': { takes: [{ fields: [{ maybe: 'moreAYear' }] }] },
  'compounding.means': {
    takes: [{ fields: [{ maybe: 'rate' }, { maybe: 'effective' }] }],
    narrow: (chosen) => (chosen.size === 2 ? [...chosen] : []),
  },
  'premium.means': { takes: [{ fields: [{ maybe: 'premium' }] }] },
  'qualifyingRate.means': { takes: [{ fields: [{ maybe: 'atQualifying' }] }] },
  'lumpSum.means': { takes: [] },
  'annualPercentageRate.means': { takes: [] },
  'grossIncome.means': { takes: [] },
  'loanToValue.means': { takes: [{ fields: [{ maybe: 'share' }] }] },
  'interestOnly.means': { takes: [] },
}
