/** The page's own words; those of a calculator come with it. */
export const words = {
  results: 'Your figures',
  questions: 'Your answers',
  notYet: 'Your figures appear here once this is right:',
  startAgain: 'Start again',
  inMoney: 'as an amount',
  inPercent: 'as a percentage of the price',
  principal: 'off the loan',
  interest: 'interest',
  year: 'Year',
  payment: 'payment',
  stillOwed: 'still owed',
  whereItGoes: 'where the money goes',
  dueOn: 'Due on',
  openYear: (year: number, payments: number) =>
    `${year}, ${payments} ${payments === 1 ? 'payment' : 'payments'}`,
  borrowed: (amount: string) => `You borrow ${amount}.`,
  from: (least: string) => `at least ${least}`,
  worksOutTo: (value: string) => `that is ${value}`,
  firstPayment: (date: string) => `Worked out with a first payment on ${date}.`,
  slider: (label: string) => `${label}, by sliding`,
} as const
