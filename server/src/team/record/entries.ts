import type { Person, RecordAct } from '@vivid/contract'
import { mainTitle, type CalculatorDocument, type RateSheet } from '@vivid/core'
import type { NewEntry } from './record-store'

/** Somebody who is nobody at the desk: a command, or a start. */
export const outsider = (name: string): Who => ({ id: '00000000-0000-0000-0000-000000000000', name })

type Who = Pick<Person, 'id' | 'name'>

/** Something done to a calculator, under the name its draft has at the time. */
export const calculatorEntry = (
  act: RecordAct,
  { id, draft }: { readonly id: string; readonly draft: CalculatorDocument },
  person: Who,
  details: NewEntry['details'] = {},
): NewEntry => ({ act, of: 'calculator', id, subject: mainTitle(draft), details, person })

/** Something done to a rate sheet, with the days its versions take effect. */
export const sheetEntry = (
  act: RecordAct,
  { id, name, versions }: RateSheet,
  person: Who,
  details: NewEntry['details'] = {},
): NewEntry => ({
  act,
  of: 'rateSheet',
  id,
  subject: name,
  details: { versions: versions.map(({ from }) => from).join(', '), ...details },
  person,
})
