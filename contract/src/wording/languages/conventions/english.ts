import type { Conventions } from '../../convention-words'

export const englishConventions: Conventions = {
  compounds: (times) =>
    ({
      0: 'The rate compounds with every payment.',
      1: 'The rate compounds every year.',
      2: 'The rate compounds every half-year.',
      4: 'The rate compounds every quarter.',
      12: 'The rate compounds every month.',
      365: 'The rate compounds every day.',
    })[times] ?? `The rate compounds ${times} times a year.`,
  rateStays: 'The rate stays the same to the end.',
  rateChanges: 'The rate changes on the days named.',
  days: {
    equal: () => 'Interest counts equal periods, however many days they have.',
    thirty: (year) => `Interest counts 30 days for each month of a ${year}-day year.`,
    actual: (year) => `Interest counts the days between payments, in a ${year}-day year.`,
  },
  firstPayment: (date) => `The first payment falls on ${date}.`,
  nextPayment: (date) => `The next payment falls on ${date}.`,
  atStart: 'Payments fall at the start of each period.',
  rounded: {
    nearest: 'Payments are rounded to the nearest cent; the last one settles what is left.',
    up: 'Payments are rounded up; the last one settles what is left.',
    down: 'Payments are rounded down; the last one settles what is left.',
  },
  accelerated: {
    2: 'Accelerated: half of a monthly payment every two weeks, which is one monthly payment more a year.',
    4: 'Accelerated: a quarter of a monthly payment every week, which is one monthly payment more a year.',
  },
  grace: {
    none: (payments) => `For the first ${payments} nothing is paid and no interest is charged.`,
    paid: (payments) => `For the first ${payments} only the interest is paid.`,
    addedSimple: (payments) => `Interest of the first ${payments} is added to the loan at their end.`,
    addedCompound: (payments) => `Interest of the first ${payments} joins the loan each time.`,
  },
  extras: {
    shorten: 'What is paid on top comes off at once: payments stay as they are, and the loan ends sooner.',
    lower: 'What is paid on top comes off at once: the loan ends when it would have, and payments fall.',
  },
  leftOut: {
    both: 'The loan’s own payments are principal and interest: no insurance and no fees are in them.',
    insurance: 'No insurance is in the loan’s own payments.',
    fees: 'No fees are in the loan’s own payments.',
  },
  monthly: 'Payments are monthly.',
  rollsOn:
    'What a loan leaves free once it is paid off goes to the next, so the same is paid each month until the end.',
}
