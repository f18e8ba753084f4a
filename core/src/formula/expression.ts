import type { Unit } from './unit'

export const arithmetic = ['+', '-', '*', '/', '^'] as const
export type Arithmetic = (typeof arithmetic)[number]
export const comparisons = ['=', '!=', '<', '<=', '>', '>='] as const
export type Comparison = (typeof comparisons)[number]

/**
 * A checked formula as a tree: plain data, frozen into an edition. Numbers are decimals in the unit's own scale:
 * money in minor units, percent in percent, terms in months.
 */
export type Expression =
  | { readonly op: 'number'; readonly value: string }
  | { readonly op: 'text'; readonly value: string }
  | { readonly op: 'yesNo'; readonly value: boolean }
  | { readonly op: 'step'; readonly id: string }
  | { readonly op: 'figure'; readonly id: string; readonly of: string }
  | { readonly op: 'list'; readonly items: readonly Expression[] }
  | { readonly op: 'call'; readonly name: string; readonly args: readonly (Expression | null)[] }
  | { readonly op: 'if'; readonly when: Expression; readonly then: Expression; readonly else: Expression }
  | { readonly op: 'and' | 'or'; readonly a: Expression; readonly b: Expression }
  | { readonly op: 'not'; readonly a: Expression }
  | { readonly op: 'compare'; readonly how: Comparison; readonly a: Expression; readonly b: Expression }
  | { readonly op: 'arithmetic'; readonly how: Arithmetic; readonly a: Expression; readonly b: Expression }
  /** What a list comes to, item by item; `item` names the one at hand, and of one of several loans a figure of it. */
  | { readonly op: 'each'; readonly item: string; readonly list: Expression; readonly body: Expression }
  | { readonly op: 'item'; readonly name: string; readonly of?: string }
  /** A date moved by months. */
  | { readonly op: 'later'; readonly date: Expression; readonly months: Expression; readonly back: boolean }

/** A formula that passed: its tree, what it gives, and the steps it takes values from. */
export interface Formula {
  readonly expression: Expression
  readonly unit: Unit
  readonly uses: readonly string[]
}

/** The steps an expression takes values from, each once. */
export function usesOf(expression: Expression): string[] {
  const found = new Set<string>()
  visit(expression)
  return [...found]

  function visit(node: Expression): void {
    switch (node.op) {
      case 'step':
      case 'figure':
        found.add(node.id)
        return
      case 'list':
        return node.items.forEach(visit)
      case 'call':
        return node.args.forEach((arg) => arg && visit(arg))
      case 'if':
        return [node.when, node.then, node.else].forEach(visit)
      case 'and':
      case 'or':
      case 'compare':
      case 'arithmetic':
        return [node.a, node.b].forEach(visit)
      case 'not':
        return visit(node.a)
      case 'each':
        return [node.list, node.body].forEach(visit)
      case 'later':
        return [node.date, node.months].forEach(visit)
      case 'number':
      case 'text':
      case 'yesNo':
      case 'item':
        return
    }
  }
}
