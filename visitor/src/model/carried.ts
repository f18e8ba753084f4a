import type { Answers, Value } from '@vivid/core/evaluate'
import type { KeptWhatIf } from '@vivid/contract/wording'

/** What visitors keep beside their loan, by the readout it is tried in. */
export type Beside = Readonly<Record<string, readonly KeptWhatIf[]>>

/** What of a page stands behind the # of its address, which browsers keep to themselves. Nothing personal. */
export interface Carried {
  /** Answers; of a page that is being filled in also texts that could not be read, as `{ unreadable }`. */
  readonly answers: Answers
  readonly beside: Beside
  /** Whether the figures were asked for, where they wait for a button. */
  readonly isWorkedOut: boolean
  /** Of a link only: what it said when it was made. */
  readonly then?: Then | undefined
}

/** What a link said when it was made, and what it followed from. */
export interface Then {
  /** ISO date */
  readonly on: string
  readonly headline: Value | undefined
  readonly edition: number
  /** A mark of each rate sheet as it stood, by its address. */
  readonly rates: Readonly<Record<string, string>>
}

/** A link that was sent, and a page on the way: only a link says what was then. */
export const [LINK, PAGE] = ['kept', 'now'] as const

export const pageHash = (carried: Carried): string => `#${PAGE}=${encoded(JSON.stringify(carried))}`

/** Whether a hash is one of ours, whatever stands in it. */
export const carries = (hash: string): boolean => new RegExp(`^#(${LINK}|${PAGE})=`).test(hash)

export const encoded = (text: string) =>
  btoa(Array.from(new TextEncoder().encode(text), (byte) => String.fromCharCode(byte)).join(''))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '')
