import {
  askFormulas,
  checkFormula,
  readMoment,
  type Answers,
  type AskedFormula,
  type Program,
  type RateSheet,
  type Scope,
  type SyntaxNode,
  type Value,
  type Wanted,
} from '@vivid/core'
import type { Figures } from '@vivid/contract/wording'

/** What a formula is read back for: a program, a sample visitor's answers, the day and the rates. */
export interface ReadBackFor {
  readonly program: Program
  readonly scope: Scope
  readonly answers: Answers
  /** The minute, "2026-11-25T09:41". */
  readonly now: string
  readonly sheets: readonly RateSheet[]
  readonly figures: Figures
}

const operators: Readonly<Record<string, string>> = {
  '+': 'plus',
  '-': 'less',
  '*': 'times',
  '/': 'divided by',
  '**': 'to the power of',
  '=': 'is',
  '!=': 'is not',
  '<': 'is below',
  '<=': 'is at most',
  '>': 'is above',
  '>=': 'is at least',
  if: 'when',
  else: 'otherwise',
}

/** A formula as a sentence with this sample's figures: "home price ($412,600) less down payment ($61,890) is $350,710". */
export function readBack(text: string, takes: Wanted, given: ReadBackFor): string | undefined {
  const { formula } = checkFormula(text, takes, given.scope)
  const today = readMoment(given.now)
  const root = formula && given.scope.reader.parse(text)
  if (!formula || !root || !today) return undefined
  const named = namedParts(root)
  const parts = named.map(
    (node): AskedFormula | undefined => checkFormula(node.text, { is: 'shown' }, given.scope).formula,
  )
  const { values } = askFormulas(given.program, [formula, ...parts], given.answers, {
    today,
    sheets: given.sheets,
  })
  const said = new Map(named.map((node, i) => [node, values[i + 1]] as const))
  const words = sayNode(root, text, said, given.figures).replace(/\s+/g, ' ').trim()
  const whole = values[0]
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}${whole ? ` gives ${sayValue(whole, given.figures)}` : ', which has no value for this visitor'}.`
}

/** The names and figures a formula takes values from. */
function namedParts(node: SyntaxNode): SyntaxNode[] {
  if (node.name === 'PathExpression' || node.name === 'VariableName') return [node]
  if (node.name === 'FunctionInvocation') return node.children.slice(1).flatMap(namedParts)
  return node.children.flatMap(namedParts)
}

type SaidParts = ReadonlyMap<SyntaxNode, Value | undefined>

function sayNode(node: SyntaxNode, text: string, said: SaidParts, figures: Figures): string {
  if (said.has(node)) {
    const value = said.get(node)
    return value ? `${node.text} (${sayValue(value, figures)})` : node.text
  }
  const operator = node.children.length === 0 ? operators[node.text] : undefined
  if (operator) return ` ${operator} `
  if (node.children.length === 0) return node.text
  // What lies between the children (spaces, commas) is kept as it was typed.
  let at = node.from
  const pieces = node.children.map((child) => {
    const between = text.slice(at, child.from)
    at = child.to
    return between + sayNode(child, text, said, figures)
  })
  return pieces.join('') + text.slice(at, node.to)
}

const sayValue = (value: Value, figures: Figures): string =>
  value.unit === 'money'
    ? `${figures.money(value.money)}${value.per ? ` ${value.every ? figures.every(value.every) : figures.per(value.per)}` : ''}`
    : figures.value(value)
