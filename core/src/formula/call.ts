import { alike } from './alike'
import { Fault, typedAt, unreadable, type Checking } from './checking'
import type { Expression } from './expression'
import type { Typed } from './fit'
import { builtIns, builtInNamed } from './functions'
import type { BuiltIn } from './functions/function'
import { CONVERSION, conversionTo } from './functions/often'
import { nearest } from './nearest'
import { plainName, type SyntaxNode } from './syntax'
import { BARE, YES_NO, type Unit } from './unit'

/** A call of a built-in function: its arguments placed and typed, and what it gives. */
export function call(checking: Checking, node: SyntaxNode): Typed {
  const [callee, ...rest] = node.children
  if (!callee) throw unreadable(node)
  const name = plainName(callee.text)
  const made = (expression: Expression, unit: Unit) => typedAt(node, expression, unit)
  if (name === 'not') {
    const [inner] = argumentNodes(rest)
    if (!inner) throw new Fault({ code: 'ARGUMENT_MISSING', function: 'not', name: 'condition' }, node)
    return made({ op: 'not', a: checking.wanted(inner.node, { is: 'yesNo' }).expression }, YES_NO)
  }
  const builtIn = builtInNamed(name)
  if (!builtIn) {
    const near = nearest(
      name,
      builtIns.map((one) => one.name),
    )
    throw new Fault({ code: 'FUNCTION_UNKNOWN', name: callee.text, near }, callee)
  }
  const args = argumentsOf(checking, builtIn, argumentNodes(rest), node)
  return resultOf(builtIn, args, made)
}

function argumentsOf(
  checking: Checking,
  builtIn: BuiltIn,
  nodes: readonly ArgumentNode[],
  node: SyntaxNode,
): (Typed | undefined)[] {
  const { parameters, many, name } = builtIn
  const placed: (Typed | undefined)[] = parameters.map(() => undefined)
  let next = 0
  for (const { label, node: argument } of nodes) {
    const at =
      label === undefined ? next++ : parameters.findIndex((one) => one.name === plainName(label.text))
    if (at === -1 && label)
      throw new Fault(
        {
          code: 'ARGUMENT_UNKNOWN',
          function: name,
          name: label.text,
          names: parameters.map((one) => one.name),
        },
        label,
      )
    const parameter = parameters[at] ?? (many ? parameters.at(-1) : undefined)
    if (!parameter)
      throw new Fault({ code: 'ARGUMENTS_TOO_MANY', function: name, most: parameters.length }, argument)
    placed[at] = checking.wanted(argument, parameter.takes, parameter.name)
  }
  const missing = parameters.find((one, i) => !one.optional && placed[i] === undefined)
  if (missing) throw new Fault({ code: 'ARGUMENT_MISSING', function: name, name: missing.name }, node)
  return builtIn.same ? allAlike(checking, placed) : placed
}

function allAlike(checking: Checking, args: (Typed | undefined)[]): (Typed | undefined)[] {
  const given = args.filter((arg) => arg !== undefined)
  const model = given.find(({ unit }) => unit.is !== 'bare') ?? given[0]
  return args.map((arg) =>
    arg && model && arg !== model ? alike(checking, 'same', model, arg, arg)[1] : arg,
  )
}

function resultOf(
  builtIn: BuiltIn,
  args: readonly (Typed | undefined)[],
  made: (expression: Expression, unit: Unit) => Typed,
): Typed {
  const [first] = args
  const to = conversionTo(builtIn.name)
  if (to && first) return made(conversion(builtIn.name, first, args[1], to), { is: 'money', per: to })
  const expression: Expression = {
    op: 'call',
    name: builtIn.name,
    args: args.map((arg) => arg?.expression ?? null),
  }
  const sameUnit = args.find((arg) => arg && arg.unit.is !== 'bare')?.unit ?? first?.unit ?? BARE
  const { gives } = builtIn
  if (gives === 'same') return made(expression, sameUnit)
  if (gives === 'item') return made(expression, first?.unit.is === 'list' ? first.unit.of : BARE)
  return made(expression, typeof gives === 'function' ? gives(args.map((arg) => arg?.unit)) : gives)
}

/** `per month(x)`: what x comes to a month, from how often it recurs. */
function conversion(name: string, amount: Typed, frequency: Typed | undefined, to: string): Expression {
  const from = amount.unit.is === 'money' ? amount.unit.per : undefined
  const needsFrequency = from === 'payment' || to === 'payment'
  if (from === undefined || (needsFrequency && from !== to && !frequency))
    throw new Fault({ code: 'PERIOD_NEEDED', function: name, text: amount.text }, amount)
  return {
    op: 'call',
    name: CONVERSION,
    args: [
      amount.expression,
      { op: 'text', value: from },
      { op: 'text', value: to },
      frequency?.expression ?? null,
    ],
  }
}

interface ArgumentNode {
  readonly label: SyntaxNode | undefined
  readonly node: SyntaxNode
}

function argumentNodes(nodes: readonly SyntaxNode[]): ArgumentNode[] {
  const parameters = nodes.find(({ name }) => name === 'PositionalParameters' || name === 'NamedParameters')
  if (!parameters) return []
  return parameters.children.flatMap((child): ArgumentNode[] => {
    if (child.name !== 'NamedParameter') return child.name === ',' ? [] : [{ label: undefined, node: child }]
    const [label, ...values] = child.children
    const node = values.find(({ name }) => name !== ':')
    return node ? [{ label, node }] : []
  })
}
