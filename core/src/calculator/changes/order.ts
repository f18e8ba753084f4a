/**
 * The order of entries where both may have changed it: mine, with what they added where they put it, without what either
 * removed; what both left is where mine has it.
 */
export function joinedOrder(before: unknown, mine: unknown, theirs: unknown): string[] {
  const [base, my, their] = [before, mine, theirs].map((list) => (list ?? []) as string[]) as [
    string[],
    string[],
    string[],
  ]
  // Where only they moved things, theirs is the order.
  const kept = (list: string[]) =>
    list.filter((id) => my.includes(id) && their.includes(id) && base.includes(id))
  const iMoved = kept(my).join('/') !== kept(base).join('/')
  const [first, second] = iMoved ? [my, their] : [their, my]
  const joined = first.filter((id) => second.includes(id) || !base.includes(id))
  for (const [index, id] of second.entries()) {
    if (base.includes(id) || joined.includes(id)) continue
    const after = second
      .slice(0, index)
      .reverse()
      .find((one) => joined.includes(one))
    joined.splice(after === undefined ? 0 : joined.indexOf(after) + 1, 0, id)
  }
  return joined
}
