/** Steps in an order in which each comes after what it takes values from, and the circles that have none. */
export interface Order {
  readonly order: readonly string[]
  /** Each circle as the steps in it, in the order they use each other. */
  readonly circles: readonly (readonly string[])[]
}

/** Depth-first, without recursion: a document may be one long chain. */
export function orderOf(uses: ReadonlyMap<string, readonly string[]>): Order {
  const state = new Map<string, 'open' | 'done'>()
  const order: string[] = []
  const circles: string[][] = []
  for (const start of uses.keys()) {
    if (state.has(start)) continue
    const path: { id: string; next: number }[] = [{ id: start, next: 0 }]
    state.set(start, 'open')
    for (let top = path.at(-1); top; top = path.at(-1)) {
      const used = uses.get(top.id)?.[top.next++]
      if (used === undefined) {
        state.set(top.id, 'done')
        order.push(top.id)
        path.pop()
      } else if (state.get(used) === 'open') {
        circles.push(path.slice(path.findIndex(({ id }) => id === used)).map(({ id }) => id))
      } else if (!state.has(used) && uses.has(used)) {
        state.set(used, 'open')
        path.push({ id: used, next: 0 })
      }
    }
  }
  return { order, circles }
}
