import { createHash } from 'node:crypto'
import ical, { ICalCalendarMethod, ICalEventTransparency } from 'ical-generator'
import { plainLine } from '@vivid/contract/formats'
import { servedWords } from '@vivid/contract/wording'
import { textIn, type Ledger } from '@vivid/core'
import type { ShownFigures } from '../figures/shown-figures'

/** The payments of a loan as all-day entries (RFC 5545): each on its day, with its own amount. */
export const paymentsCalendar = (shown: ShownFigures): Promise<Buffer> => calendarOf(shown, () => true)

/** Only the days that matter: the first and the last payment, and each that is another amount than the one before. */
export const fewDatesCalendar = (shown: ShownFigures): Promise<Buffer> =>
  calendarOf(shown, (number, { firstNumber, lastNumber, at }) => {
    if (number === firstNumber || number === lastNumber) return true
    return at(number).payment !== at(number - 1).payment
  })

type Dates = Pick<Ledger, 'firstNumber' | 'lastNumber' | 'at'>

async function calendarOf(
  shown: ShownFigures,
  has: (number: number, dates: Dates) => boolean,
): Promise<Buffer> {
  const { program, language, main, words, figures } = shown
  const served = servedWords(language, program.words)
  const { ledger } = shown
  if (!ledger) throw new Error('a schedule is kept of a loan only')
  const calendar = ical({
    name: plainLine([textIn(program.title, language, main), shown.ledgerName].filter(Boolean).join(' · ')),
    prodId: {
      company: plainLine(program.lender).replace(/\/+/g, ' '),
      product: 'payments',
      language: language.slice(0, 2).toUpperCase(),
    },
    method: ICalCalendarMethod.PUBLISH,
  })
  const name = nameOf(shown, ledger)
  const { firstNumber, lastNumber } = ledger
  const dates: Dates = { firstNumber, lastNumber, at: (number) => ledger.at(number) }
  for (let number = ledger.firstNumber; number <= ledger.lastNumber; number++) {
    const { date, payment, closing } = ledger.at(number)
    if (!date || !has(number, dates)) continue
    calendar.createEvent({
      // The same figures give the same entries: taking the calendar in twice changes nothing.
      id: `${name}-${number}@payments.invalid`,
      start: new Date(`${date}T00:00:00Z`),
      stamp: new Date(`${shown.on}T00:00:00Z`),
      timezone: 'UTC',
      allDay: true,
      // A day to pay is not a day to be busy.
      transparency: ICalEventTransparency.TRANSPARENT,
      summary: plainLine(served.calendarEntry(figures.money(payment))),
      description: `${words.paymentNumber(figures.count(number), '')}. ${words.columns.balance}: ${figures.money(closing)}. ${served.illustration}`,
    })
  }
  if (ledger.totals.balloon > 0 && ledger.endsOn)
    calendar.createEvent({
      id: `${name}-balloon@payments.invalid`,
      start: new Date(`${ledger.endsOn}T00:00:00Z`),
      stamp: new Date(`${shown.on}T00:00:00Z`),
      timezone: 'UTC',
      allDay: true,
      transparency: ICalEventTransparency.TRANSPARENT,
      summary: plainLine(served.balloonEntry(figures.money(ledger.totals.balloon))),
      description: served.illustration,
    })
  return Buffer.from(calendar.toString())
}

const nameOf = ({ calculator }: ShownFigures, { payment, count, endsOn }: Ledger) =>
  createHash('sha256')
    .update(JSON.stringify([calculator.sha256, payment, count, endsOn]))
    .digest('hex')
    .slice(0, 20)
