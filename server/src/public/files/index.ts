import type { FileKind } from '@vivid/contract'

/** What a file of a visitor's figures is: its media type, the ending of its name, and whether it is of a loan. */
export const files: Readonly<
  Record<FileKind, { readonly type: string; readonly ending: string; readonly needsLoan: boolean }>
> = {
  pdf: { type: 'application/pdf', ending: 'pdf', needsLoan: false },
  xlsx: {
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    ending: 'xlsx',
    needsLoan: true,
  },
  calendar: { type: 'text/calendar; charset=utf-8', ending: 'ics', needsLoan: true },
}
