import { EditionSeen, SentSeen, type CalculatorOpened, type HouseStyle } from '@vivid/contract'
import type { AsServed, CalculatorDocument, Compiled, RateSheet } from '@vivid/core'
import { request } from '../../shared/api/request'
import { localToday } from '../../shared/time/local-today'

/** A page as visitors have it or would have it: what is worked out, with which rates, and how it looks. */
export interface ReadPage extends AsServed {
  readonly style: HouseStyle
}

/** What is read before something goes live. */
export interface Reading {
  /** Undefined: visitors never had it. */
  readonly before:
    | (ReadPage & {
        readonly edition: number
        readonly document: CalculatorDocument
        readonly sheetsThen: readonly RateSheet[]
      })
    | undefined
  /** What was sent, as it was frozen; of a draft that was not sent, as it stands. */
  readonly after: ReadPage
}

/** The edition visitors have, or had until it was taken down. */
export const liveBefore = ({ liveEdition, lastLiveEdition }: CalculatorOpened): number | null =>
  liveEdition ?? lastLiveEdition

/** Fetches both pages; `draft` stands for what was not sent. */
export async function readingOf(
  calculator: CalculatorOpened,
  draft: { readonly compiled: Compiled; readonly sheets: readonly RateSheet[] },
): Promise<Reading> {
  const { id, state } = calculator
  const number = liveBefore(calculator)
  const edition = (on = '') => request(EditionSeen, 'GET', `/calculators/${id}/editions/${number}${on}`)
  const [now, then, sent] = await Promise.all([
    number === null ? undefined : edition(`?on=${localToday()}`),
    number === null ? undefined : edition(),
    state === 'sent' ? request(SentSeen, 'GET', `/calculators/${id}/sent`) : undefined,
  ])
  return {
    before: now &&
      then && {
        edition: now.number,
        document: now.document,
        program: now.program,
        style: now.style,
        sheets: now.sheets,
        sheetsThen: then.sheets,
      },
    after: sent ?? {
      program: draft.compiled.program,
      sheets: draft.sheets.filter(({ id }) => draft.compiled.program.sheets.includes(id)),
      style: calculator.style,
    },
  }
}
