import { NotTaken, withParts, type Formula } from './formula'

/** The most parts a formula may have once what it names is written out where it is used. */
const MOST_PARTS = 2_000

/** LET(name, formula, …, formula) as its last formula, with what it names written out. A later one may use those before it. */
export function writtenOut(args: readonly Formula[]): Formula {
  const named = new Map<string, { readonly of: Formula; readonly parts: number }>()
  const inPlace = (of: Formula): Formula =>
    of.is === 'name' ? (named.get(of.name)?.of ?? of) : withParts(of, inPlace)
  const partsIn = (of: Formula): number => {
    if (of.is === 'name') return named.get(of.name)?.parts ?? 1
    let parts = 1
    withParts(of, (part) => {
      parts += partsIn(part)
      return part
    })
    return parts
  }
  const whole = (of: Formula) => {
    const parts = partsIn(of)
    if (parts > MOST_PARTS) throw new NotTaken('written out it is longer than a formula may be')
    return { of: inPlace(of), parts }
  }
  const last = args.at(-1)
  if (!last || args.length < 3 || args.length % 2 === 0)
    throw new NotTaken('it names something without saying what')
  for (let i = 0; i < args.length - 1; i += 2) {
    const [name, of] = args.slice(i, i + 2)
    if (name?.is !== 'name' || !of) throw new NotTaken('it names something without saying what')
    named.set(name.name, whole(of))
  }
  return whole(last).of
}
