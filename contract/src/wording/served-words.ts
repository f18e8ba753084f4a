/** What only the server says, in one language: in the files it makes, and where a page cannot be shown. */
export interface ServedWords {
  /** What is left of a loan when its payments end, and falls due then. */
  readonly balloonEntry: (amount: string) => string
  /** Whose schedule a file has, where the page shows several loans. */
  readonly scheduleOf: (label: string) => string
  readonly calendarEntry: (amount: string) => string
  readonly madeOn: (day: string, edition: number) => string
  readonly pageOf: (page: number, pages: number) => string
  readonly illustration: string
  readonly notices: {
    readonly takenDown: { readonly title: string; readonly text: string }
    readonly unknown: { readonly title: string; readonly text: string }
    /** Where the page's script did not arrive, however often it was asked for. */
    readonly notStarted: (lender: string) => string
    readonly noScript: (lender: string) => string
  }
}
