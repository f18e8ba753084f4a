import {
  autocompletion,
  snippet,
  type Completion,
  type CompletionContext,
  type CompletionSource,
} from '@codemirror/autocomplete'
import { feel } from '@bpmn-io/lang-feel'
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language'
import type { Extension } from '@codemirror/state'
import { EditorView } from '@codemirror/view'
import { tags } from '@lezer/highlight'
import { builtIns, figuresOf, type BuiltIn, type Scope } from '@vivid/core'
import { figureWords, unitWords, wantedWords } from '@vivid/contract'

/** FEEL in the editor: its grammar with this calculator's names, highlighting, and completion with units. */
export function formulaLanguage(scope: Scope): Extension {
  return [
    feel({ context: scope.reader.names as Record<string, unknown>, completions: [] }),
    syntaxHighlighting(colours),
    looks,
    autocompletion({ override: [figureCompletions(scope), nameCompletions(scope)], icons: false }),
  ]
}

const colours = HighlightStyle.define([
  { tag: tags.keyword, color: '#5b2a86', fontWeight: '600' },
  { tag: tags.controlKeyword, color: '#5b2a86', fontWeight: '600' },
  { tag: tags.number, color: '#1d7a5f' },
  { tag: tags.string, color: '#1d7a5f' },
  { tag: tags.bool, color: '#1d7a5f' },
  { tag: tags.function(tags.variableName), color: '#b02a18' },
  { tag: tags.special(tags.variableName), color: '#b02a18' },
])

const looks = EditorView.theme({
  '.cm-tooltip.cm-tooltip-autocomplete': {
    border: '1px solid #d9c7ec',
    borderRadius: '7px',
    backgroundColor: '#fffdf9',
    boxShadow: '0 6px 20px rgb(32 20 51 / 18%)',
    overflow: 'hidden',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul': {
    fontFamily: 'var(--text)',
    fontSize: '14px',
    maxHeight: '220px',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li': { padding: '3px 10px' },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li[aria-selected]': {
    backgroundColor: '#f0e6fa',
    color: '#201433',
  },
  '.cm-completionDetail': { marginLeft: '14px', color: '#5f5673', fontStyle: 'normal' },
  '.cm-completionMatchedText': { textDecoration: 'none', fontWeight: '700' },
  '.cm-tooltip.cm-completionInfo': {
    fontFamily: 'var(--text)',
    fontSize: '14px',
    whiteSpace: 'pre-line',
    padding: '6px 10px',
  },
})

/** A path as it is typed: "the loan.pay", "the refinance.new loan.". */
const PATH = /[\p{L}\p{N}' ]+(?:\.[\p{L}\p{N}' ]+)*\.[\p{L} ]*$/u

/** The composite value whose figure is being typed, and how much of the figure stands there. */
function figureAt(context: CompletionContext, { steps }: Scope) {
  const [owner = '', ...path] = context.matchBefore(PATH)?.text.toLowerCase().split('.') ?? []
  const name = [...steps.keys()].filter((one) => owner.endsWith(one)).sort((a, b) => b.length - a.length)[0]
  let unit = name === undefined ? undefined : steps.get(name)?.unit
  for (const figure of path.slice(0, -1))
    unit = unit?.is === 'figures' ? figuresOf[unit.of][figure.trim()] : undefined
  const typed = path.at(-1)
  if (unit?.is !== 'figures' || typed === undefined) return undefined
  const { of } = unit
  return Object.keys(figuresOf[of]).some((figure) => figure.startsWith(typed)) ? { of, typed } : undefined
}

/** After a point: the figures of what stands before it, and nothing else; the ones most asked for first. */
export const figureCompletions =
  (scope: Scope): CompletionSource =>
  (context) => {
    const at = figureAt(context, scope)
    if (!at) return null
    const options = Object.entries(figureWords[at.of]).map(([label, info], place): Completion => {
      const unit = figuresOf[at.of][label]
      return { label, detail: unit ? unitWords(unit) : '', info, boost: -place }
    })
    return { from: context.pos - at.typed.length, options, validFor: /^[\p{L} ]*$/u }
  }

export const nameCompletions =
  (scope: Scope): CompletionSource =>
  (context) => {
    const { steps } = scope
    const typed = context.matchBefore(/[\p{L}][\p{L}\p{N}' ]*$/u)
    if (!typed && !context.explicit) return null
    if (figureAt(context, scope)) return null
    const names = [...steps].map(([label, { unit }]): Completion => ({
      label,
      detail: unit ? unitWords(unit) : 'has a fault',
      boost: 2,
      // A composite value goes on with one of its figures.
      ...(unit?.is === 'figures' ? { apply: `${label}.` } : {}),
    }))
    const from = typed
      ? startOfName(typed.from, typed.text, [...steps.keys(), ...builtIns.map(({ name }) => name)])
      : context.pos
    return { from, options: [...names, ...builtIns.map(functionCompletion), choiceCompletion] }
  }

/** Where the name that is being typed begins: after the last keyword before it. */
function startOfName(from: number, text: string, names: readonly string[]): number {
  const words = [...text.matchAll(/\S+/g)]
  for (const { index } of words) {
    const rest = text.slice(index).toLowerCase()
    if (names.some((name) => name.startsWith(rest))) return from + index
  }
  const last = words.at(-1)
  return from + (last?.index ?? 0)
}

const functionCompletion = (one: BuiltIn): Completion => ({
  label: one.name,
  detail: `(${one.parameters.map(({ name }) => name).join(', ')})`,
  info: one.parameters
    .map(({ name, takes, optional }) => `${name}: ${wantedWords(takes)}${optional ? ', if you like' : ''}`)
    .join('\n'),
  apply: snippet(
    `${one.name}(${one.parameters
      .filter(({ optional }) => !optional)
      .map(({ name }) => `\${${name}}`)
      .join(', ')})`,
  ),
})

const choiceCompletion: Completion = {
  label: 'if … then … else',
  detail: 'one of two outcomes',
  apply: snippet('if ${condition} then ${value} else ${other}'),
}
