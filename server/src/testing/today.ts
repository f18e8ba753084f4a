/** The day the server's tests take place on. */
export const TODAY = { year: 2026, month: 11, day: 25 }
