import type { FileKind } from '@vivid/contract'
import type { ShownFigures } from '../shown-figures'
import { paymentsCalendar } from './payments-calendar'
import { resultsPdf } from './results-pdf'
import { scheduleWorkbook } from './schedule-workbook'

/** A file of a visitor's figures: its media type, the ending of its name, and how it is made. */
export const files: Readonly<
  Record<
    FileKind,
    {
      readonly type: string
      readonly ending: string
      readonly make: (shown: ShownFigures) => Promise<Buffer>
    }
  >
> = {
  pdf: { type: 'application/pdf', ending: 'pdf', make: resultsPdf },
  xlsx: {
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    ending: 'xlsx',
    make: scheduleWorkbook,
  },
  calendar: { type: 'text/calendar; charset=utf-8', ending: 'ics', make: paymentsCalendar },
}
