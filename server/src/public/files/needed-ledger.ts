import type { Ledger } from '@vivid/core'
import { AppError } from '../../http/app-error'
import type { ShownFigures } from '../shown-figures'

/** The loan a schedule is kept of; refuses where nothing is borrowed. */
export function neededLedger({ ledger, calculator }: ShownFigures): Ledger {
  if (!ledger) throw new AppError('NOTHING_BORROWED', { details: { calculator: calculator.slug } })
  return ledger
}
