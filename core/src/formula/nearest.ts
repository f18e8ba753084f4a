/** The name nearest to what was typed, where one is near enough to have been meant. */
export function nearest(typed: string, names: readonly string[]): string | undefined {
  const best = names
    .map((name) => ({ name, distance: editDistance(typed, name.toLowerCase()) }))
    .sort((a, b) => a.distance - b.distance)[0]
  return best && best.distance <= Math.max(2, typed.length / 3) ? best.name : undefined
}

/** Edits (insert, delete, replace) between two words: the dynamic programme of Wagner and Fischer. */
function editDistance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j)
  for (let i = 1; i <= a.length; i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++)
      next[j] = Math.min(
        (row[j] ?? 0) + 1,
        (next[j - 1] ?? 0) + 1,
        (row[j - 1] ?? 0) + (a[i - 1] === b[j - 1] ? 0 : 1),
      )
    row = next
  }
  return row[b.length] ?? 0
}
