/** The day the server's tests take place on, and its moment. */
export const TODAY = { year: 2026, month: 11, day: 25 }
export const NOW = new Date(2026, 10, 25, 15, 30)
