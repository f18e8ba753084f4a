import { parser, trackVariables } from '@bpmn-io/lezer-feel'

/** A node of the parsed text: FEEL's own name for it, its place, and its children. */
export interface SyntaxNode {
  readonly name: string
  readonly from: number
  readonly to: number
  readonly text: string
  readonly children: readonly SyntaxNode[]
}

/** A formula is at most this long. */
export const LONGEST_FORMULA = 2_000
const DEEPEST = 60

/** The names FEEL has to know to read them as one: each step, with the figures it has. */
export type NamesInScope = Readonly<Record<string, Readonly<Record<string, unknown>> | number>>

/**
 * Reads a text as a FEEL expression (Decision Model and Notation, OMG). Undefined where it is nested too deeply;
 * what cannot be read is in the tree as a node named "⚠".
 */
export function parseFormula(text: string, names: NamesInScope): SyntaxNode | undefined {
  const tree = parser.configure({ contextTracker: trackVariables({ ...names }) }).parse(text)
  const cursor = tree.cursor()
  let tooDeep = false
  const read = (depth: number): SyntaxNode => {
    if (depth > DEEPEST) tooDeep = true
    const { name, from, to } = cursor
    const children: SyntaxNode[] = []
    if (!tooDeep && cursor.firstChild()) {
      do children.push(read(depth + 1))
      while (cursor.nextSibling())
      cursor.parent()
    }
    return { name, from, to, text: text.slice(from, to), children }
  }
  const root = read(0)
  return tooDeep ? undefined : root
}

/** Every place in a text where a name of a step stands, and the name. */
export function namesIn(text: string, names: NamesInScope): { from: number; to: number; name: string }[] {
  const found: { from: number; to: number; name: string }[] = []
  const visit = (node: SyntaxNode): void => {
    if (node.name === 'VariableName') found.push({ from: node.from, to: node.to, name: plainName(node.text) })
    node.children.forEach(visit)
  }
  const root = parseFormula(text, names)
  if (root) visit(root)
  return found
}

/** A name as it is compared: one space between words, no capitals. */
export const plainName = (text: string): string => text.trim().replace(/\s+/g, ' ').toLowerCase()

const RESERVED = new Set(
  'and between else every external false for function if in null or return satisfies some then true'.split(
    ' ',
  ),
)

/** Why a name cannot be used in formulas, with one that can; undefined where it can. */
export function nameFault(name: string): { readonly word: string; readonly instead: string } | undefined {
  const words = name.trim().split(/\s+/)
  const usable = words
    .map((word) => word.replace(/[^\p{L}\p{N}']/gu, ''))
    .filter((word) => word !== '' && !RESERVED.has(word.toLowerCase()))
    .join(' ')
  const instead = /^\p{L}/u.test(usable) ? usable : `value ${usable}`.trim()
  return instead === words.join(' ')
    ? undefined
    : { word: words.find((word) => !instead.split(' ').includes(word)) ?? name, instead }
}
