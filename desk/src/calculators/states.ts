import type { CalculatorState } from '@vivid/contract'

/** A state in words, with a shape so that colour is never the only sign. */
export interface StateLook {
  readonly words: string
  readonly shape: '○' | '◐' | '●' | '◆' | '□'
  readonly tone: 'calm' | 'waiting' | 'good' | 'off'
}

export const stateLooks: Record<CalculatorState, StateLook> = {
  draft: { words: 'Draft', shape: '○', tone: 'calm' },
  sent: { words: 'Waiting for approval', shape: '◆', tone: 'waiting' },
  live: { words: 'Live', shape: '●', tone: 'good' },
  liveWithChanges: { words: 'Live, draft has changes', shape: '◐', tone: 'good' },
  takenDown: { words: 'Taken down', shape: '□', tone: 'off' },
}
