/**
 * The order of entries where both may have changed it: mine, with what they added where they put it, without what either
 * removed; what both left is where mine has it.
 */
export function joinedOrder(
  base: readonly string[],
  mine: readonly string[],
  theirs: readonly string[],
): string[] {
  // Where only they moved things, theirs is the order.
  const kept = (list: readonly string[]) =>
    list.filter((id) => mine.includes(id) && theirs.includes(id) && base.includes(id))
  const iMoved = kept(mine).join('/') !== kept(base).join('/')
  const [first, second] = iMoved ? [mine, theirs] : [theirs, mine]
  const joined = first.filter((id) => second.includes(id) || !base.includes(id))
  return withThoseOf(joined, second, (id) => !base.includes(id))
}

/** A list with the entries of another that it lacks and `wanted` names, each behind its neighbour there. */
export function withThoseOf(
  list: readonly string[],
  other: readonly string[],
  wanted: (id: string) => boolean,
): string[] {
  const whole = [...list]
  for (const [index, id] of other.entries()) {
    if (!wanted(id) || whole.includes(id)) continue
    const before = other.slice(0, index).reverse()
    const after = before.find((one) => whole.includes(one))
    whole.splice(after === undefined ? 0 : whole.indexOf(after) + 1, 0, id)
  }
  return whole
}
