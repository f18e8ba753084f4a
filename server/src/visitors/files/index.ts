import type { FileKind } from '@vivid/contract'

/** What a file of a visitor's figures is: its media type, the ending of its name. */
export const files: Readonly<Record<FileKind, { readonly type: string; readonly ending: string }>> = {
  pdf: { type: 'application/pdf', ending: 'pdf' },
  xlsx: {
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    ending: 'xlsx',
  },
  calendar: { type: 'text/calendar; charset=utf-8', ending: 'ics' },
  fewDates: { type: 'text/calendar; charset=utf-8', ending: 'ics' },
}
