import type { LoanTerms, Question, WhatIf, WhatIfName } from '@vivid/core/evaluate'
import { isUnreadable, paymentAfter, readTyped } from '@vivid/contract/wording'
import type { Trying } from './use-beside'

/** What a field of a what-if asks, as a question that its text is read for. */
export const askedIn = (offer: WhatIfName): Question =>
  ({ asks: offer === 'rate' ? 'percent' : 'money', per: null }) as unknown as Question

export interface TriedRead {
  /** Undefined where nothing is tried, or something typed cannot be read. */
  readonly whatIf: WhatIf | undefined
  /** Fields whose text is no answer. */
  readonly unread: readonly WhatIfName[]
}

/** Reads what is being tried, all at once. */
export function readTrying(
  { texts, years }: Trying,
  offers: readonly WhatIfName[],
  terms: Pick<LoanTerms, 'frequency'>,
  place: Parameters<typeof readTyped>[3],
): TriedRead {
  const read = (offer: WhatIfName) =>
    offers.includes(offer) ? readTyped(askedIn(offer), texts[offer], 'money', place) : null
  const isNone = (offer: WhatIfName, answer: unknown) =>
    isUnreadable(answer) || (offer !== 'rate' && answer !== null && Number(answer) <= 0)
  const unread = offers.filter((offer) => isNone(offer, read(offer)))
  const amount = (offer: 'extra' | 'yearlyExtra' | 'lumpSum' | 'payment') =>
    read(offer) as WhatIf['extra'] | null
  const [extra, yearlyExtra] = [amount('extra'), amount('yearlyExtra')]
  const [sum, payment, rate] = [amount('lumpSum'), amount('payment'), read('rate')]
  const whatIf: WhatIf = {
    ...(extra !== null && { extra }),
    ...(yearlyExtra !== null && { yearlyExtra }),
    ...(sum !== null &&
      sum !== undefined && { lumpSum: { amount: sum, withPayment: paymentAfter(years, terms) } }),
    ...(typeof rate === 'string' && { annualRate: rate }),
    ...(payment !== null && { payment }),
  }
  const isTried = unread.length === 0 && Object.keys(whatIf).length > 0
  return { whatIf: isTried ? whatIf : undefined, unread }
}
