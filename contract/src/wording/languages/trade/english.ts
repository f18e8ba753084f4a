import type { TradeWords } from '../../trade-words'

export const tradeWords: TradeWords = {
  principal: {
    words: ['principal'],
    means: ({ borrowed, off }) =>
      `What you borrow, without interest.${borrowed ? ` Here it is ${borrowed}${off ? `, and the next payment takes ${off} off it` : ''}.` : ''}`,
  },
  amortization: {
    words: ['amortisation period', 'amortization period', 'amortisation', 'amortization'],
    means: ({ payments }) =>
      `The time in which the loan is paid back to the last cent.${payments ? ` Here it takes ${payments}.` : ''}`,
  },
  balloon: {
    words: ['balloon payment', 'balloon'],
    means: ({ balloon }) =>
      `A part of the loan that regular payments leave, due all at once at the end.${balloon ? ` Here it is ${balloon}.` : ''}`,
  },
  accelerated: {
    words: ['accelerated'],
    means: ({ moreAYear }) =>
      `You pay half a monthly payment every two weeks, or a quarter of it every week: that makes thirteen monthly payments a year instead of twelve.${moreAYear ? ` Here you pay ${moreAYear} more a year, and finish sooner.` : ''}`,
  },
  compounding: {
    words: ['compounding', 'compounded', 'compounds', 'compound'],
    means: ({ rate, effective }) =>
      `Interest that is added to what is owed bears interest itself from then on; how often that happens makes a rate cost more.${rate && effective ? ` Here ${rate} comes to ${effective} in a year.` : ''}`,
  },
  premium: {
    words: ['mortgage insurance premium', 'insurance premium', 'premium'],
    means: ({ premium }) =>
      `The price of an insurance that pays the lender if you cannot.${premium ? ` Here ${premium} go with the next payment.` : ''}`,
  },
  qualifyingRate: {
    words: ['qualifying payment', 'qualifying rate'],
    means: ({ atQualifying }) =>
      `A rate above yours at which the lender tests whether you could still pay; you do not pay it.${atQualifying ? ` At that rate the payment would be ${atQualifying}.` : ''}`,
  },
  lumpSum: {
    words: ['lump sum'],
    means: () => 'An amount you pay once on top of your payments; all of it comes off what you owe.',
  },
  annualPercentageRate: {
    words: ['annual percentage rate', 'APR'],
    means: () =>
      'What the loan costs in a year with its fees, in percent of what you receive: it makes offers with different fees comparable.',
  },
  grossIncome: {
    words: ['gross income'],
    means: () => 'What you earn before taxes and deductions.',
  },
  loanToValue: {
    words: [
      'loan-to-value ratio',
      'loan-to value ratio',
      'loan to-value ratio',
      'loan to value ratio',
      'loan-to-value',
      'loan-to value',
      'loan to-value',
      'loan to value',
      'LTV',
    ],
    means: ({ share }) =>
      `What you borrow as a share of what the home is worth.${share ? ` Here it is ${share}.` : ''}`,
  },
  interestOnly: {
    words: ['interest-only', 'interest only'],
    means: () => 'You pay the interest alone for a while: what you owe does not fall in that time.',
  },
}
