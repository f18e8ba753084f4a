/** A key of another channel that holds. */
export interface KnownKey {
  readonly id: string
  readonly perMinute: number
  /** The addresses of the calculators it is for; null: all. */
  readonly calculators: readonly string[] | null
  /** The last day it holds, ISO; null: until it is withdrawn. */
  readonly endsOn: string | null
}

export interface KeysStored {
  all(): Promise<readonly (KnownKey & { readonly hash: string; readonly withdrawnAt: Date | null })[]>
}

/** The keys that were not withdrawn, by the hash of their secret. */
export function createLiveKeys(stored: KeysStored) {
  let keys = new Map<string, KnownKey>()
  return {
    byHash: (hash: string): KnownKey | undefined => keys.get(hash),
    async refresh(): Promise<void> {
      const all = await stored.all()
      keys = new Map(
        all.flatMap(({ hash, id, perMinute, calculators, endsOn, withdrawnAt }) =>
          withdrawnAt ? [] : [[hash, { id, perMinute, calculators, endsOn }]],
        ),
      )
    },
  }
}
