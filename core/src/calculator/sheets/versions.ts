import type { RateSheet } from '../document/sheets'

type Start = Pick<RateSheet['versions'][number], 'from' | 'at'>

/** The minute a version takes effect, "2026-11-25T09:00", in the lender's time. Such texts sort as the moments do. */
export const startOf = ({ from, at = '00:00' }: Start): string => `${from}T${at}`

/** The sheet as it is known at a minute ("2026-11-25T09:00"): without what has not begun. */
export const begunBy = (sheet: RateSheet, minute: string): RateSheet => ({
  ...sheet,
  versions: sheet.versions.filter((version) => startOf(version) <= minute),
})

/** The last version that has begun at a minute ("2026-11-25T09:00"). */
export const inForce = (sheet: RateSheet, minute: string): RateSheet['versions'][number] | undefined =>
  sheet.versions
    .filter((version) => startOf(version) <= minute)
    .reduce<RateSheet['versions'][number] | undefined>(
      (last, one) => (last && startOf(last) > startOf(one) ? last : one),
      undefined,
    )
