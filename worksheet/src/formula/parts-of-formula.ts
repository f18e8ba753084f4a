import type { Formula } from './formula'

/** What a formula takes apart into, itself first; what it looks up in is left alone. */
export function partsOfFormula(of: Formula): Formula[] {
  switch (of.is) {
    case 'minus':
    case 'percent':
      return [of, ...partsOfFormula(of.of)]
    case 'binary':
      return [of, ...partsOfFormula(of.a), ...partsOfFormula(of.b)]
    case 'call':
      return [of, ...of.args.flatMap(partsOfFormula)]
    default:
      return [of]
  }
}
