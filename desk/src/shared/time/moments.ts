const day = new Intl.DateTimeFormat('en-CA', { day: 'numeric', month: 'short', year: 'numeric' })
const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** The day of a moment, as the desk says it: "Nov 3, 2026". */
export const dayOf = (iso: string): string => day.format(new Date(iso))

/** A moment in full: "Nov 3, 2026, 09:00". */
export const momentOf = (moment: Date): string => `${day.format(moment)}, ${time.format(moment)}`

/** When something happened: the time today, "14:02", and the day before that. */
export const whenOf = (moment: Date): string =>
  moment.toDateString() === new Date().toDateString() ? time.format(moment) : day.format(moment)
