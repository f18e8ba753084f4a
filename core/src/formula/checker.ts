import { readIsoDate } from '../dates/plain-date'
import { alike, askAboutSmall } from './alike'
import { typeArithmetic } from './arithmetic'
import { call } from './call'
import { Fault, itemsOf, typedAt, unreadable, type Checking, type Scope } from './checking'
import { comparison } from './comparison'
import type { Arithmetic, Expression } from './expression'
import { figuresOf } from './figures'
import { fit, inUnit, type Typed } from './fit'
import { MOST_COUNTED } from './limits'
import { nearest } from './nearest'
import type { FormulaFault, FormulaProblem } from './problem'
import { plainName, type SyntaxNode } from './syntax'
import { BARE, DATE, NUMBER, TEXT, YES_NO, type Unit, type Wanted } from './unit'

/** Finds the names of a formula's parts, and what each part comes to. */
export class Checker implements Checking {
  /** What the lists that are gone through have, by the names of their items. */
  private readonly items = new Map<string, Unit>()

  constructor(
    readonly scope: Scope,
    private readonly questions: FormulaProblem[],
  ) {}

  ask(question: FormulaProblem): void {
    this.questions.push(question)
  }

  wanted(node: SyntaxNode, wanted: Wanted, place?: string): Typed {
    return this.fitted(this.type(node), wanted, place)
  }

  private fitted(part: Typed, wanted: Wanted, place?: string): Typed {
    const result = fit(part, wanted, this.scope.minorDigits, place)
    if ('code' in result) throw new Fault(result, part)
    if (part.unit.is === 'bare' && result.unit.is === 'percent' && !isOftenSmall(wanted))
      askAboutSmall(this, part)
    return result
  }

  type(node: SyntaxNode): Typed {
    const made = (expression: Expression, unit: Unit) => typedAt(node, expression, unit)
    const [first, , third] = node.children
    switch (node.name) {
      case 'ParenthesizedExpression': {
        const inner = node.children.find(({ name }) => name !== '(' && name !== ')')
        if (!inner) throw unreadable(node)
        const { expression, unit } = this.type(inner)
        return made(expression, unit)
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
        return comparison(this, node)
      case 'Conjunction':
      case 'Disjunction': {
        if (!first || !third) throw unreadable(node)
        const [a, b] = [this.wanted(first, { is: 'yesNo' }), this.wanted(third, { is: 'yesNo' })]
        const op = node.name === 'Conjunction' ? 'and' : 'or'
        return made({ op, a: a.expression, b: b.expression }, YES_NO)
      }
      case 'IfExpression':
        return this.choice(node)
      case 'List':
        return this.list(node)
      case 'ForExpression':
        return this.each(node)
      case 'FunctionInvocation':
        return call(this, node)
      default:
        throw new Fault({ code: 'FEEL_NOT_SUPPORTED', what: node.text.slice(0, 40) }, node)
    }
  }

  private date(node: SyntaxNode, quoted: string): string {
    const text = unquoted(quoted)
    if (!readIsoDate(text)) throw new Fault({ code: 'DATE_UNREADABLE', text }, node)
    return text
  }

  /** `for x in list return …`: what each item of a list comes to. */
  private each(node: SyntaxNode): Typed {
    const [, iterations, , body] = node.children
    const [iteration, second] = iterations?.children ?? []
    const [name, , context] = iteration?.children ?? []
    const [source, isCounted] = context?.children ?? []
    if (!body || !name || !context || !source) throw unreadable(node)
    if (second) throw new Fault({ code: 'FEEL_NOT_SUPPORTED', what: node.text.slice(0, 40) }, node)
    const list = isCounted ? this.counted(context) : this.type(source)
    const unit = unitOfItems(list.unit)
    if (!unit) throw new Fault(wantsList(list), source)
    const item = plainName(name.text)
    if (this.scope.steps.has(item) || this.items.has(item))
      throw new Fault({ code: 'ITEM_NAME_TAKEN', name: name.text }, name)
    this.items.set(item, unit)
    const each = inUnit(this.wanted(body, { is: 'amount' }), NUMBER, this.scope.minorDigits)
    this.items.delete(item)
    return typedAt(
      node,
      { op: 'each', item, list: list.expression, body: each.expression },
      { is: 'list', of: each.unit },
    )
  }

  /** `1..360`: the whole numbers between two that are written. */
  private counted(node: SyntaxNode): Typed {
    const [from, to] = [node.children[0], node.children[2]].map((end) =>
      end?.name === 'NumericLiteral' ? Number(end.text) : NaN,
    )
    const count = (to ?? NaN) - (from ?? NaN) + 1
    if (!Number.isInteger(from) || !Number.isInteger(to) || count < 1 || count > MOST_COUNTED)
      throw new Fault({ code: 'FEEL_NOT_SUPPORTED', what: node.text.slice(0, 40) }, node)
    const items = Array.from({ length: count }, (_, i) => ({
      op: 'number' as const,
      value: String((from ?? 0) + i),
    }))
    return typedAt(node, { op: 'list', items }, { is: 'list', of: NUMBER })
  }

  private name(node: SyntaxNode): Typed {
    const item = this.items.get(plainName(node.text))
    if (item) return typedAt(node, { op: 'item', name: plainName(node.text) }, item)
    const found = this.scope.steps.get(plainName(node.text))
    if (!found) {
      const near = nearest(plainName(node.text), [...this.scope.steps.keys()])
      throw new Fault({ code: 'NAME_UNKNOWN', name: node.text, near }, node)
    }
    if (!found.unit) throw new Fault({ code: 'NAME_HAS_NO_VALUE', name: node.text }, node)
    return typedAt(node, { op: 'step', id: found.id }, found.unit)
  }

  private path(node: SyntaxNode): Typed {
    const [owner, , name] = node.children
    if (!owner || !name) throw unreadable(node)
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
    const full: Expression | undefined =
      expression.op === 'item'
        ? { ...expression, of: figure }
        : expression.op === 'step'
          ? { op: 'figure' as const, id: expression.id, of: figure }
          : expression.op === 'figure'
            ? { ...expression, of: `${expression.of}.${figure}` }
            : undefined
    if (!full) throw new Fault({ code: 'FEEL_NOT_SUPPORTED', what: node.text }, node)
    return typedAt(node, full, unit)
  }

  private arithmetic(node: SyntaxNode): Typed {
    const operator = node.children.findIndex(({ name }) => name === 'ArithOp')
    const how = (node.children[operator]?.text ?? '').replace('**', '^')
    if (operator === 0) return this.negated(node)
    const [left, right] = [node.children[operator - 1], node.children[operator + 1]]
    if (!left || !right) throw unreadable(node)
    const [a, b] = [this.type(left), this.type(right)]
    const result = typeArithmetic(how as Arithmetic, a, b, this.scope.minorDigits)
    if ('code' in result) throw new Fault(result, node)
    if (result.question) this.ask({ ...result.question, from: node.from, to: node.to })
    return typedAt(node, result.expression, result.unit)
  }

  private negated(node: SyntaxNode): Typed {
    const inner = node.children[1]
    if (!inner) throw unreadable(node)
    const part = this.fitted(this.type(inner), { is: 'amount' })
    const minus = { op: 'number', value: '-1' } as const
    return {
      ...part,
      expression: { op: 'arithmetic', how: '*', a: minus, b: part.expression },
      text: node.text,
    }
  }

  private choice(node: SyntaxNode): Typed {
    const parts = node.children.filter(({ name }) => name !== 'if' && name !== 'then' && name !== 'else')
    const [condition, yes, no] = parts
    if (!condition || !yes || !no) throw unreadable(node)
    const when = this.wanted(condition, { is: 'yesNo' })
    const [a, b] = alike(this, 'if', this.type(yes), this.type(no), node)
    return typedAt(node, { op: 'if', when: when.expression, then: a.expression, else: b.expression }, a.unit)
  }

  private list(node: SyntaxNode): Typed {
    const items = itemsOf(node).map((item) => this.type(item))
    const [first, ...rest] = items
    const together: Typed[] = first ? [first] : []
    for (const item of rest) {
      const [a, b] = alike(this, 'list', together[0] ?? item, item, item)
      together[0] = a
      together.push(b)
    }
    const unit = together.find(({ unit }) => unit.is !== 'bare')?.unit ?? together[0]?.unit ?? BARE
    const same = together.map((item) => inUnit(item, unit, this.scope.minorDigits))
    return typedAt(
      node,
      { op: 'list', items: same.map(({ expression }) => expression) },
      { is: 'list', of: unit },
    )
  }
}

/** The unit of a list's items; a list of loans has loans. */
function unitOfItems(unit: Unit): Unit | undefined {
  if (unit.is === 'list') return unit.of
  return unit.is === 'figures' && unit.of === 'loans' ? { is: 'figures', of: 'oneOfLoans' } : undefined
}

const wantsList = ({ text, unit }: Typed): FormulaFault => ({
  code: 'UNIT_NOT_WANTED',
  text,
  got: unit,
  wanted: { is: 'list', of: { is: 'amount' } },
  place: undefined,
  mend: undefined,
})

const isOftenSmall = (wanted: Wanted) => wanted.is === 'percent' && wanted.often === 'small'

const numberIn = (text: string) => text.replace(/\s+/g, '').replace(/^\./, '0.').replace(/^-\./, '-0.')

const unquoted = (text: string): string => {
  const inner = text.trim().replace(/^"|"$/g, '')
  return inner.replace(/\\(["\\])/g, '$1')
}
