import { readIsoDate } from '../dates/plain-date'
import type { MinorDigits } from '../money/currencies'
import type { Arithmetic, Comparison, Expression, Formula } from './expression'
import { usesOf } from './expression'
import { figuresOf } from './figures'
import { fit, inUnit, type Typed } from './fit'
import { builtIns, builtInNamed } from './functions'
import type { BuiltIn } from './functions/function'
import { conversionTo } from './functions/often'
import { nearest } from './nearest'
import { mendPeriods, mendUnits } from './mend'
import { typeArithmetic } from './arithmetic'
import type { FormulaFault, FormulaProblem } from './problem'
import { LONGEST_FORMULA, plainName, type FormulaReader, type NamesInScope, type SyntaxNode } from './syntax'
import {
  BARE,
  DATE,
  isSameUnit,
  NUMBER,
  TEXT,
  YES_NO,
  type FigureSource,
  type Unit,
  type Wanted,
} from './unit'

/** What the names in a formula stand for. A unit that is undefined: the step has a fault of its own. */
export interface Scope {
  readonly steps: ReadonlyMap<string, { readonly id: string; readonly unit: Unit | undefined }>
  readonly minorDigits: MinorDigits
  /** Reads texts among these names. */
  readonly reader: FormulaReader
}

export interface Checked {
  readonly formula: Formula | undefined
  readonly problems: readonly FormulaProblem[]
}

/** A fault on its way out of the checker; caught at the top, where it gets its place. */
class Fault extends Error {
  constructor(
    readonly fault: FormulaFault,
    readonly node: { readonly from: number; readonly to: number },
  ) {
    super(fault.code)
  }
}

/** The names the parser has to know: the functions, and the steps with the figures they have. */
export function namesInScope(
  steps: Iterable<readonly [name: string, figures: FigureSource | undefined]>,
): NamesInScope {
  const names: Record<string, Record<string, unknown> | number> = {}
  for (const { name } of builtIns) names[name] = 1
  for (const [name, source] of steps) names[name] = source ? nested(source) : 1
  return names
}

const nested = (source: FigureSource): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(figuresOf[source]).map(([name, unit]) => [
      name,
      unit.is === 'figures'
        ? Object.fromEntries(Object.keys(figuresOf[unit.of]).map((inner) => [inner, 1]))
        : 1,
    ]),
  )

/**
 * Reads a formula: parses it, finds its names, checks its units, and turns it into a tree to evaluate. The first
 * fault ends it; gentle questions come with a formula that can be used.
 */
export function checkFormula(text: string, wanted: Wanted, scope: Scope): Checked {
  const whole = { from: 0, to: text.length }
  const fail = (fault: FormulaFault, at: { from: number; to: number } = whole): Checked => ({
    formula: undefined,
    problems: [{ ...fault, from: at.from, to: at.to }],
  })
  if (text.trim() === '') return fail({ code: 'FORMULA_EMPTY' })
  if (text.length > LONGEST_FORMULA) return fail({ code: 'FORMULA_TOO_DEEP' })
  const root = scope.reader.parse(text)
  if (!root) return fail({ code: 'FORMULA_TOO_DEEP' })
  const unreadable = findUnreadable(root)
  if (unreadable) return fail({ code: 'FORMULA_UNREADABLE', text: around(text, unreadable) }, unreadable)
  const questions: FormulaProblem[] = []
  try {
    const [only] = root.children
    if (!only || root.children.length !== 1) return fail({ code: 'FORMULA_UNREADABLE', text })
    const checker = new Checker(scope, questions)
    const typed = checker.wanted(only, wanted)
    return {
      formula: { expression: typed.expression, unit: typed.unit, uses: usesOf(typed.expression) },
      problems: questions,
    }
  } catch (error) {
    if (error instanceof Fault) return fail(error.fault, error.node)
    throw error
  }
}

function findUnreadable(node: SyntaxNode): SyntaxNode | undefined {
  if (node.name === '⚠') return node
  for (const child of node.children) {
    const found = findUnreadable(child)
    if (found) return found
  }
  return undefined
}

const around = (text: string, { from, to }: SyntaxNode) => text.slice(from, Math.max(to, from + 1)).trim()

class Checker {
  constructor(
    private readonly scope: Scope,
    private readonly questions: FormulaProblem[],
  ) {}

  wanted(node: SyntaxNode, wanted: Wanted, place?: string): Typed {
    return this.fitted(this.type(node), wanted, place)
  }

  private fitted(part: Typed, wanted: Wanted, place?: string): Typed {
    const result = fit(part, wanted, this.scope.minorDigits, place)
    if ('code' in result) throw new Fault(result, part)
    if (part.unit.is === 'bare' && result.unit.is === 'percent') this.askAboutSmall(part)
    return result
  }

  private type(node: SyntaxNode): Typed {
    const made = (expression: Expression, unit: Unit): Typed => ({
      expression,
      unit,
      from: node.from,
      to: node.to,
      text: node.text,
    })
    const [first, , third] = node.children
    switch (node.name) {
      case 'ParenthesizedExpression': {
        const inner = node.children.find(({ name }) => name !== '(' && name !== ')')
        if (!inner) throw this.unreadable(node)
        return { ...this.type(inner), from: node.from, to: node.to, text: node.text }
      }
      case 'NumericLiteral':
        return made({ op: 'number', value: numberIn(node.text) }, BARE)
      case 'StringLiteral':
        return made({ op: 'text', value: unquoted(node.text) }, TEXT)
      case 'BooleanLiteral':
        return made({ op: 'yesNo', value: node.text === 'true' }, YES_NO)
      case 'DateTimeLiteral':
        return made({ op: 'text', value: this.date(node, /"[^"]*"/.exec(node.text)?.[0] ?? node.text) }, DATE)
      case 'VariableName':
        return this.name(node)
      case 'PathExpression':
        return this.path(node)
      case 'ArithmeticExpression':
        return this.arithmetic(node)
      case 'Comparison':
        return this.comparison(node)
      case 'Conjunction':
      case 'Disjunction': {
        if (!first || !third) throw this.unreadable(node)
        const [a, b] = [this.wanted(first, { is: 'yesNo' }), this.wanted(third, { is: 'yesNo' })]
        const op = node.name === 'Conjunction' ? 'and' : 'or'
        return made({ op, a: a.expression, b: b.expression }, YES_NO)
      }
      case 'IfExpression':
        return this.choice(node)
      case 'List':
        return this.list(node)
      case 'FunctionInvocation':
        return this.call(node)
      default:
        throw new Fault({ code: 'FEEL_NOT_SUPPORTED', what: node.text.slice(0, 40) }, node)
    }
  }

  private unreadable(node: SyntaxNode): Fault {
    return new Fault({ code: 'FORMULA_UNREADABLE', text: node.text }, node)
  }

  private date(node: SyntaxNode, quoted: string): string {
    const text = unquoted(quoted)
    if (!readIsoDate(text)) throw new Fault({ code: 'DATE_UNREADABLE', text }, node)
    return text
  }

  private name(node: SyntaxNode): Typed {
    const found = this.scope.steps.get(plainName(node.text))
    if (!found) {
      const near = nearest(plainName(node.text), [...this.scope.steps.keys()])
      throw new Fault({ code: 'NAME_UNKNOWN', name: node.text, near }, node)
    }
    if (!found.unit) throw new Fault({ code: 'NAME_HAS_NO_VALUE', name: node.text }, node)
    return {
      expression: { op: 'step', id: found.id },
      unit: found.unit,
      from: node.from,
      to: node.to,
      text: node.text,
    }
  }

  private path(node: SyntaxNode): Typed {
    const [owner, , name] = node.children
    if (!owner || !name) throw this.unreadable(node)
    const of = this.type(owner)
    if (of.unit.is !== 'figures')
      throw new Fault({ code: 'FIGURE_UNKNOWN', name: name.text, of: owner.text, figures: [] }, name)
    const figures = figuresOf[of.unit.of]
    const figure = plainName(name.text)
    const unit = Object.hasOwn(figures, figure) ? figures[figure] : undefined
    if (!unit)
      throw new Fault(
        { code: 'FIGURE_UNKNOWN', name: name.text, of: owner.text, figures: Object.keys(figures) },
        name,
      )
    const { expression } = of
    const full =
      expression.op === 'step'
        ? { op: 'figure' as const, id: expression.id, of: figure }
        : expression.op === 'figure'
          ? { ...expression, of: `${expression.of}.${figure}` }
          : undefined
    if (!full) throw new Fault({ code: 'FEEL_NOT_SUPPORTED', what: node.text }, node)
    return { expression: full, unit, from: node.from, to: node.to, text: node.text }
  }

  private arithmetic(node: SyntaxNode): Typed {
    const operator = node.children.findIndex(({ name }) => name === 'ArithOp')
    const how = (node.children[operator]?.text ?? '').replace('**', '^')
    if (operator === 0) return this.negated(node)
    const [left, right] = [node.children[operator - 1], node.children[operator + 1]]
    if (!left || !right) throw this.unreadable(node)
    const [a, b] = [this.type(left), this.type(right)]
    const result = typeArithmetic(how as Arithmetic, a, b, this.scope.minorDigits)
    if ('code' in result) throw new Fault(result, node)
    if (result.question) this.questions.push({ ...result.question, from: node.from, to: node.to })
    return { expression: result.expression, unit: result.unit, from: node.from, to: node.to, text: node.text }
  }

  private negated(node: SyntaxNode): Typed {
    const inner = node.children[1]
    if (!inner) throw this.unreadable(node)
    const part = this.fitted(this.type(inner), { is: 'amount' })
    const minus = { op: 'number', value: '-1' } as const
    return {
      ...part,
      expression: { op: 'arithmetic', how: '*', a: minus, b: part.expression },
      text: node.text,
    }
  }

  private comparison(node: SyntaxNode): Typed {
    const made = (expression: Expression): Typed => ({
      expression,
      unit: YES_NO,
      from: node.from,
      to: node.to,
      text: node.text,
    })
    const [left, operator, ...rest] = node.children
    if (!left || !operator) throw this.unreadable(node)
    if (operator.name === 'between') {
      const [low, , high] = rest
      if (!low || !high) throw this.unreadable(node)
      return made({
        op: 'and',
        a: this.compare('>=', left, low, node),
        b: this.compare('<=', left, high, node),
      })
    }
    if (operator.name === 'in') {
      const tests = rest.filter(({ name }) => name !== '(' && name !== ')' && name !== ',')
      const all = tests.flatMap((test) => this.membership(left, test, node))
      const [one, ...more] = all
      if (!one) throw this.unreadable(node)
      return made(more.reduce<Expression>((a, b) => ({ op: 'or', a, b }), one))
    }
    const right = rest[0]
    if (!right) throw this.unreadable(node)
    return made(this.compare(operator.text as Comparison, left, right, node))
  }

  /** `x in [1..5]`, `x in ("a", "b")`. */
  private membership(left: SyntaxNode, test: SyntaxNode, node: SyntaxNode): Expression[] {
    if (
      test.name === 'PositiveUnaryTests' ||
      test.name === 'PositiveUnaryTest' ||
      test.name === 'SimplePositiveUnaryTest'
    )
      return test.children
        .filter(({ name }) => name !== ',')
        .flatMap((child) => this.membership(left, child, node))
    if (test.name === 'Interval') {
      const [open, low, , high, close] = test.children
      if (!open || !low || !high || !close) throw this.unreadable(test)
      return [
        {
          op: 'and',
          a: this.compare(open.text === '[' ? '>=' : '>', left, low, node),
          b: this.compare(close.text === ']' ? '<=' : '<', left, high, node),
        },
      ]
    }
    if (test.name === 'List') return itemsOf(test).map((item) => this.compare('=', left, item, node))
    return [this.compare('=', left, test, node)]
  }

  private compare(how: Comparison, left: SyntaxNode, right: SyntaxNode, node: SyntaxNode): Expression {
    const [a, b] = this.alike(how, this.type(left), this.type(right), node)
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

  /** Two parts in one unit: a bare number takes the other's, a text must be one of the other's options. */
  private alike(
    how: Comparison | 'if' | 'list' | 'same',
    a: Typed,
    b: Typed,
    node: { from: number; to: number },
  ): [Typed, Typed] {
    const { minorDigits } = this.scope
    if (a.unit.is === 'bare' && b.unit.is === 'bare') return [a, b]
    if (a.unit.is === 'bare' && canBeBare(b.unit)) return [this.asOther(a, b.unit, how), b]
    if (b.unit.is === 'bare' && canBeBare(a.unit)) return [a, this.asOther(b, a.unit, how)]
    if (a.unit.is === 'frequency' || b.unit.is === 'frequency') {
      const [x, y] = [fit(a, { is: 'frequency' }, minorDigits), fit(b, { is: 'frequency' }, minorDigits)]
      if (!('code' in x) && !('code' in y)) return [x, y]
    }
    if (a.unit.is === 'text' && b.unit.is === 'text') {
      this.checkOption(a, b)
      this.checkOption(b, a)
      return [a, b]
    }
    if (isNumberLike(a.unit) && isNumberLike(b.unit))
      return [
        { ...a, unit: NUMBER },
        { ...b, unit: NUMBER },
      ]
    if (a.unit.is === 'money' && b.unit.is === 'money' && a.unit.per !== b.unit.per)
      throw new Fault(
        {
          code: 'PERIODS_DIFFER',
          a: a.text,
          b: b.text,
          perA: a.unit.per,
          perB: b.unit.per,
          mend: mendPeriods(a, b),
        },
        node,
      )
    if (!isSameUnit(a.unit, b.unit)) throw new Fault(clash(how, a, b), node)
    return [a, b]
  }

  private asOther(bare: Typed, unit: Unit, how: Comparison | 'if' | 'list' | 'same'): Typed {
    if (unit.is === 'percent' && how !== 'same' && how !== 'list') this.askAboutSmall(bare)
    return inUnit(bare, unit, this.scope.minorDigits)
  }

  /** 0.8 where a percentage stands is 0.8 %; it may well have been meant as 80 %. */
  private askAboutSmall({ expression, from, to, text }: Typed): void {
    if (expression.op !== 'number') return
    const value = Number(expression.value)
    if (value > 0 && value < 1 && !text.includes('('))
      this.questions.push({
        code: 'PERCENT_SO_SMALL',
        text,
        instead: String(Number((value * 100).toPrecision(12))),
        from,
        to,
      })
  }

  private checkOption(literal: Typed, other: Typed): void {
    const options = other.unit.is === 'text' ? other.unit.options : undefined
    if (!options || literal.expression.op !== 'text' || options.includes(literal.expression.value)) return
    throw new Fault({ code: 'OPTION_UNKNOWN', text: literal.expression.value, options }, literal)
  }

  private choice(node: SyntaxNode): Typed {
    const parts = node.children.filter(({ name }) => name !== 'if' && name !== 'then' && name !== 'else')
    const [condition, yes, no] = parts
    if (!condition || !yes || !no) throw this.unreadable(node)
    const when = this.wanted(condition, { is: 'yesNo' })
    const [a, b] = this.alike('if', this.type(yes), this.type(no), node)
    return {
      expression: { op: 'if', when: when.expression, then: a.expression, else: b.expression },
      unit: a.unit,
      from: node.from,
      to: node.to,
      text: node.text,
    }
  }

  private list(node: SyntaxNode): Typed {
    const items = itemsOf(node).map((item) => this.type(item))
    const [first, ...rest] = items
    const alike: Typed[] = first ? [first] : []
    for (const item of rest) {
      const [a, b] = this.alike('list', alike[0] ?? item, item, item)
      alike[0] = a
      alike.push(b)
    }
    const unit = alike.find(({ unit }) => unit.is !== 'bare')?.unit ?? alike[0]?.unit ?? BARE
    const same = alike.map((item) => inUnit(item, unit, this.scope.minorDigits))
    return {
      expression: { op: 'list', items: same.map(({ expression }) => expression) },
      unit: { is: 'list', of: unit },
      from: node.from,
      to: node.to,
      text: node.text,
    }
  }

  private call(node: SyntaxNode): Typed {
    const [callee, ...rest] = node.children
    if (!callee) throw this.unreadable(node)
    const name = plainName(callee.text)
    const made = (expression: Expression, unit: Unit): Typed => ({
      expression,
      unit,
      from: node.from,
      to: node.to,
      text: node.text,
    })
    if (name === 'not') {
      const [inner] = argumentNodes(rest)
      if (!inner) throw new Fault({ code: 'ARGUMENT_MISSING', function: 'not', name: 'condition' }, node)
      return made({ op: 'not', a: this.wanted(inner.node, { is: 'yesNo' }).expression }, YES_NO)
    }
    const builtIn = builtInNamed(name)
    if (!builtIn) {
      const near = nearest(
        name,
        builtIns.map((one) => one.name),
      )
      throw new Fault({ code: 'FUNCTION_UNKNOWN', name: callee.text, near }, callee)
    }
    const args = this.arguments(builtIn, argumentNodes(rest), node)
    return this.result(builtIn, args, made)
  }

  private arguments(
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
      placed[at] = this.wanted(argument, parameter.takes, parameter.name)
    }
    const missing = parameters.find((one, i) => !one.optional && placed[i] === undefined)
    if (missing) throw new Fault({ code: 'ARGUMENT_MISSING', function: name, name: missing.name }, node)
    return builtIn.same ? this.allAlike(placed) : placed
  }

  private allAlike(args: (Typed | undefined)[]): (Typed | undefined)[] {
    const given = args.filter((arg) => arg !== undefined)
    const model = given.find(({ unit }) => unit.is !== 'bare') ?? given[0]
    return args.map((arg) => (arg && model && arg !== model ? this.alike('same', model, arg, arg)[1] : arg))
  }

  private result(
    builtIn: BuiltIn,
    args: readonly (Typed | undefined)[],
    made: (expression: Expression, unit: Unit) => Typed,
  ): Typed {
    const [first] = args
    const to = conversionTo(builtIn.name)
    if (to && first) return made(this.conversion(builtIn.name, first, args[1], to), { is: 'money', per: to })
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
  private conversion(name: string, amount: Typed, frequency: Typed | undefined, to: string): Expression {
    const from = amount.unit.is === 'money' ? amount.unit.per : undefined
    const needsFrequency = from === 'payment' || to === 'payment'
    if (from === undefined || (needsFrequency && from !== to && !frequency))
      throw new Fault({ code: 'PERIOD_NEEDED', function: name, text: amount.text }, amount)
    return {
      op: 'call',
      name: 'convert period',
      args: [
        amount.expression,
        { op: 'text', value: from },
        { op: 'text', value: to },
        frequency?.expression ?? null,
      ],
    }
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

const itemsOf = (list: SyntaxNode) =>
  list.children.filter(({ name }) => name !== '[' && name !== ']' && name !== ',')
const isNumberLike = ({ is }: Unit) => is === 'number' || is === 'count' || is === 'bare'
const canBeBare = ({ is }: Unit) => is === 'money' || is === 'percent' || is === 'number' || is === 'count'
const numberIn = (text: string) => text.replace(/\s+/g, '').replace(/^\./, '0.').replace(/^-\./, '-0.')

const unquoted = (text: string): string => {
  const inner = text.trim().replace(/^"|"$/g, '')
  return inner.replace(/\\(["\\])/g, '$1')
}

const clash = (how: Comparison | 'if' | 'list' | 'same', a: Typed, b: Typed): FormulaFault => ({
  code: 'UNITS_CLASH',
  how,
  a: a.text,
  b: b.text,
  unitA: a.unit,
  unitB: b.unit,
  mend: mendUnits(a, b),
})
