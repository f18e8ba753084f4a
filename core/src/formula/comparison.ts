import { alike, clash } from './alike'
import { Fault, itemsOf, typedAt, unreadable, type Checking } from './checking'
import type { Comparison, Expression } from './expression'
import type { Typed } from './fit'
import type { SyntaxNode } from './syntax'
import { YES_NO } from './unit'

/** Comparisons, `between` and `in`: two parts of one unit, yes or no. */
export function comparison(checking: Checking, node: SyntaxNode): Typed {
  const made = (expression: Expression) => typedAt(node, expression, YES_NO)
  const [left, operator, ...rest] = node.children
  if (!left || !operator) throw unreadable(node)
  if (operator.name === 'between') {
    const [low, , high] = rest
    if (!low || !high) throw unreadable(node)
    return made({
      op: 'and',
      a: compare(checking, '>=', left, low, node),
      b: compare(checking, '<=', left, high, node),
    })
  }
  if (operator.name === 'in') {
    const tests = rest.filter(({ name }) => name !== '(' && name !== ')' && name !== ',')
    const all = tests.flatMap((test) => membership(checking, left, test, node))
    const [one, ...more] = all
    if (!one) throw unreadable(node)
    return made(more.reduce<Expression>((a, b) => ({ op: 'or', a, b }), one))
  }
  const right = rest[0]
  if (!right) throw unreadable(node)
  return made(compare(checking, operator.text as Comparison, left, right, node))
}

/** `x in [1..5]`, `x in ("a", "b")`. */
function membership(checking: Checking, left: SyntaxNode, test: SyntaxNode, node: SyntaxNode): Expression[] {
  if (
    test.name === 'PositiveUnaryTests' ||
    test.name === 'PositiveUnaryTest' ||
    test.name === 'SimplePositiveUnaryTest'
  )
    return test.children
      .filter(({ name }) => name !== ',')
      .flatMap((child) => membership(checking, left, child, node))
  if (test.name === 'Interval') {
    const [open, low, , high, close] = test.children
    if (!open || !low || !high || !close) throw unreadable(test)
    return [
      {
        op: 'and',
        a: compare(checking, open.text === '[' ? '>=' : '>', left, low, node),
        b: compare(checking, close.text === ']' ? '<=' : '<', left, high, node),
      },
    ]
  }
  if (test.name === 'List') return itemsOf(test).map((item) => compare(checking, '=', left, item, node))
  return [compare(checking, '=', left, test, node)]
}

function compare(
  checking: Checking,
  how: Comparison,
  left: SyntaxNode,
  right: SyntaxNode,
  node: SyntaxNode,
): Expression {
  const [a, b] = alike(checking, how, checking.type(left), checking.type(right), node)
  const isOrdered =
    a.unit.is !== 'yesNo' &&
    a.unit.is !== 'text' &&
    a.unit.is !== 'frequency' &&
    a.unit.is !== 'figures' &&
    a.unit.is !== 'list'
  if (a.unit.is === 'figures' || a.unit.is === 'list' || (!isOrdered && how !== '=' && how !== '!='))
    throw new Fault(clash(how, a, b), node)
  return { op: 'compare', how, a: a.expression, b: b.expression }
}
