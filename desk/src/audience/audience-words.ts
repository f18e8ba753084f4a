import type { AudienceEvent } from '@vivid/contract'

export const eventNames: readonly AudienceEvent[] = ['opened', 'changed', 'result', 'kept', 'handedOver']

export const eventWords: Readonly<Record<AudienceEvent, string>> = {
  opened: 'Opened',
  changed: 'Changed an answer',
  result: 'Saw their own figures',
  kept: 'Kept them',
  handedOver: 'Handed them over',
}

export const eventColours: Readonly<Record<AudienceEvent, string>> = {
  opened: '#cdb9e2',
  changed: '#5b2a86',
  result: '#1d7a5f',
  kept: '#c27c00',
  handedOver: '#e4402f',
}

/** A share of a whole, "61 %"; nothing of nothing is nothing. */
export const shareSaid = (part: number, whole: number): string =>
  whole === 0 ? '–' : `${Math.round((part / whole) * 100)} %`
