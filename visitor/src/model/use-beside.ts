import { reactive } from 'vue'
import type { WhatIfName } from '@vivid/core/evaluate'
import type { KeptWhatIf } from '@vivid/contract/wording'
import type { Beside } from './carried'

/** What stands in the fields of a what-if. */
export interface Trying {
  readonly texts: Record<WhatIfName, string>
  /** When the lump sum is paid, in years from now. */
  years: number
}

/** What visitors try and keep beside their loan, by the readout it is tried in; it outlives the readout. */
export function useBeside() {
  const beside = reactive<Record<string, readonly KeptWhatIf[]>>({})
  const trying = reactive<Record<string, Trying>>({})
  return {
    beside,
    /** What is being tried in a readout. */
    tryingIn(readout: string): Trying {
      trying[readout] ??= {
        texts: { extra: '', yearlyExtra: '', lumpSum: '', rate: '', payment: '' },
        years: 0,
      }
      return trying[readout]
    },
    putBeside: (readout: string, kept: readonly KeptWhatIf[]) => void (beside[readout] = kept),
    begin(kept: Beside): void {
      for (const id of Object.keys(beside)) delete beside[id]
      for (const id of Object.keys(trying)) delete trying[id]
      Object.assign(beside, kept)
    },
  }
}
