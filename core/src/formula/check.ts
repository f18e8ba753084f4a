import { Checker } from './checker'
import { Fault, type Scope } from './checking'
import type { Formula } from './expression'
import { usesOf } from './expression'
import { figuresOf } from './figures'
import { fit, type Typed } from './fit'
import { builtIns } from './functions'
import { plainFigure } from './plain-figure'
import type { FormulaFault, FormulaProblem } from './problem'
import { LONGEST_FORMULA, plainName, type NamesInScope, type SyntaxNode } from './syntax'
import type { FigureSource, Unit, Wanted } from './unit'

export interface CheckedFormula {
  readonly formula: Formula | undefined
  readonly problems: readonly FormulaProblem[]
  /** What a figure that is no formula was taken for: "$60,000", "18 years". In minor units, percent or months. */
  readonly readAs?: { readonly unit: Unit; readonly value: string }
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
export function checkFormula(text: string, wanted: Wanted, scope: Scope): CheckedFormula {
  const whole = { from: 0, to: text.length }
  const fail = (fault: FormulaFault, at: { from: number; to: number } = whole): CheckedFormula => ({
    formula: undefined,
    problems: [{ ...fault, from: at.from, to: at.to }],
  })
  if (text.trim() === '') return fail({ code: 'FORMULA_EMPTY' })
  if (text.length > LONGEST_FORMULA) return fail({ code: 'FORMULA_TOO_DEEP' })
  const plain = scope.steps.has(plainName(text)) ? undefined : plainFigure(text, wanted, scope.minorDigits)
  if (plain) return figureAlone(plain, wanted, scope, fail)
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
    const formula = { expression: typed.expression, unit: typed.unit, uses: usesOf(typed.expression) }
    const hadToBeRead = wanted.is === 'oneOf' && only.name === 'NumericLiteral'
    return { formula, problems: questions, ...(hadToBeRead ? readAs(typed) : {}) }
  } catch (error) {
    if (error instanceof Fault) return fail(error.fault, error.node)
    throw error
  }
}

function figureAlone(
  part: Typed | FormulaFault,
  wanted: Wanted,
  { minorDigits }: Scope,
  fail: (fault: FormulaFault) => CheckedFormula,
): CheckedFormula {
  if ('code' in part) return fail(part)
  const typed = fit(part, wanted, minorDigits)
  if ('code' in typed) return fail(typed)
  const { expression, unit } = typed
  return { formula: { expression, unit, uses: usesOf(expression) }, problems: [], ...readAs(typed) }
}

const readAs = ({ expression, unit }: Typed): Pick<CheckedFormula, 'readAs'> =>
  expression.op === 'number' || expression.op === 'text' ? { readAs: { unit, value: expression.value } } : {}

function findUnreadable(node: SyntaxNode): SyntaxNode | undefined {
  if (node.name === '⚠') return node
  for (const child of node.children) {
    const found = findUnreadable(child)
    if (found) return found
  }
  return undefined
}

const around = (text: string, { from, to }: SyntaxNode) => text.slice(from, Math.max(to, from + 1)).trim()
