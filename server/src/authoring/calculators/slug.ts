/** The part of the address that names a calculator, made from its title: "Floating home" is "floating-home". */
export function slugOf(title: string, taken: ReadonlySet<string>): string {
  const words = title
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
  const plain = words.slice(0, 60).replace(/^-+|-+$/g, '') || 'calculator'
  if (!taken.has(plain)) return plain
  for (let number = 2; ; number++) if (!taken.has(`${plain}-${number}`)) return `${plain}-${number}`
}
