import { parser, trackVariables } from '@bpmn-io/lezer-feel'

/** A node of the parsed text: FEEL's own name for it, its place, and its children. */
export interface SyntaxNode {
  readonly name: string
  readonly from: number
  readonly to: number
  readonly text: string
  readonly children: readonly SyntaxNode[]
}

export { LONGEST_FORMULA } from './limits'
/** A sum of so many terms is as deep: each operation holds the one before. */
const DEEPEST = 200

/** The names FEEL has to know to read them as one: each step, with the figures it has. */
export type NamesInScope = Readonly<Record<string, Readonly<Record<string, unknown>> | number>>

/** Trees of texts that were parsed before, by text and the names that occur in it. */
export type ParsedBefore = Map<string, SyntaxNode | undefined>
const MOST_KEPT = 5_000

/** Reads formulas among the names they may use. */
export interface FormulaReader {
  readonly names: NamesInScope
  /** The tree of a text; undefined where it is nested too deeply. What cannot be read is a node named "⚠". */
  readonly parse: (text: string) => SyntaxNode | undefined
}

/**
 * Makes a reader of FEEL expressions (Decision Model and Notation, OMG). Handed the trees of an earlier reader, it
 * parses only what it has not seen: a text with the same names in it has the same tree.
 */
export function createReader(names: NamesInScope, before: ParsedBefore = new Map()): FormulaReader {
  const all = Object.keys(names)
  const own: ParsedBefore = new Map()
  return {
    names,
    parse(text) {
      if (own.has(text)) return own.get(text)
      const plain = plainName(text)
      const occurring = all.filter((name) => plain.includes(name))
      const key = `${text}\u0000${occurring.join('\u0000')}`
      const tree = before.has(key)
        ? before.get(key)
        : parse(text, Object.fromEntries(occurring.map((name) => [name, names[name]])))
      for (const kept of [before, own]) if (kept.size > MOST_KEPT) kept.clear()
      before.set(key, tree)
      own.set(text, tree)
      return tree
    },
  }
}

/** The parser goes as deep as the text does: how much of that a stack takes differs from moment to moment. */
function treeOf(text: string, names: Record<string, unknown>) {
  try {
    return parser.configure({ contextTracker: trackVariables(names) }).parse(text)
  } catch (error) {
    if (error instanceof RangeError) return undefined
    throw error
  }
}

function parse(text: string, names: Record<string, unknown>): SyntaxNode | undefined {
  const tree = treeOf(text, names)
  if (!tree) return undefined
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
export function namesIn(text: string, reader: FormulaReader): { from: number; to: number; name: string }[] {
  const found: { from: number; to: number; name: string }[] = []
  const visit = (node: SyntaxNode): void => {
    if (node.name === 'VariableName') found.push({ from: node.from, to: node.to, name: plainName(node.text) })
    node.children.forEach(visit)
  }
  const root = reader.parse(text)
  if (root) visit(root)
  return found
}

/** Every text in a formula that stands in one comparison, choice or list of arguments with a name, and its place. */
export function optionsIn(
  text: string,
  name: string,
  reader: FormulaReader,
): { from: number; to: number; option: string }[] {
  const found: { from: number; to: number; option: string }[] = []
  const visit = (node: SyntaxNode): void => {
    if (node.name === 'Comparison' && mentions(node, name))
      for (const { from, to, text: quoted } of textsIn(node))
        found.push({ from, to, option: quoted.replace(/^"|"$/g, '') })
    else node.children.forEach(visit)
  }
  const root = reader.parse(text)
  if (root) visit(root)
  return found
}

const mentions = (node: SyntaxNode, name: string): boolean =>
  (node.name === 'VariableName' && plainName(node.text) === name) ||
  node.children.some((child) => mentions(child, name))

const textsIn = (node: SyntaxNode): SyntaxNode[] =>
  node.name === 'StringLiteral' ? [node] : node.children.flatMap(textsIn)

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
