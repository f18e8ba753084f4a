import type { ServedWords } from '../../served-words'

export const englishServed: ServedWords = {
  balloonEntry: (amount) => `Still owed on the loan, due: ${amount}`,
  scheduleOf: (label) => `Schedule of ${label}`,
  calendarEntry: (amount) => `Loan payment ${amount}`,
  madeOn: (day, edition) => `Worked out on ${day}, edition ${edition} of the calculator.`,
  pageOf: (page, pages) => `Page ${page} of ${pages}`,
  illustration: 'An illustration, not an offer.',
  notices: {
    takenDown: {
      title: 'This calculator is not offered at the moment',
      text: 'The figures it showed may no longer hold. Ask the lender what applies today.',
    },
    unknown: {
      title: 'There is no calculator at this address',
      text: 'The link may be mistyped or out of date. The lender’s website has the current ones.',
    },
    notStarted: (lender) =>
      `The calculator could not be fetched. Load the page again in a moment; the people at ${lender} can also work your figures out with you.`,
    noScript: (lender) =>
      `This calculator works your figures out in the browser and needs JavaScript for it. Without it, the people at ${lender} will work them out with you.`,
  },
}
