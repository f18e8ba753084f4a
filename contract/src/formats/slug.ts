/** Letters an address may have. */
const LONGEST = 60

/**
 * The part of an address that names something, made from its title: "Floating home" is "floating-home"; small letters,
 * digits and hyphens, up to 60, and none of those taken. `otherwise`: where the title has no letter of those.
 */
export function slugOf(title: string, taken: ReadonlySet<string>, otherwise = 'calculator'): string {
  const words = title
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-/, '')
  const within = (most: number) => words.slice(0, most).replace(/-$/, '') || otherwise
  if (!taken.has(within(LONGEST))) return within(LONGEST)
  for (let number = 2; ; number++) {
    const next = `${within(LONGEST - `-${number}`.length)}-${number}`
    if (!taken.has(next)) return next
  }
}
