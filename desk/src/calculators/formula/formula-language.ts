import { autocompletion, snippet, type Completion, type CompletionSource } from '@codemirror/autocomplete'
import { feel } from '@bpmn-io/lang-feel'
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language'
import type { Extension } from '@codemirror/state'
import { EditorView } from '@codemirror/view'
import { tags } from '@lezer/highlight'
import { builtIns, figuresOf, type BuiltIn, type Scope } from '@vivid/core'
import { unitWords, wantedWords } from '@vivid/contract'

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

/** After a point: the figures of the loan or other composite value before it. */
const figureCompletions =
  ({ steps }: Scope): CompletionSource =>
  (context) => {
    const typed = context.matchBefore(/[\p{L}\p{N}' ]+\.[\p{L} ]*$/u)
    if (!typed) return null
    const point = typed.text.lastIndexOf('.')
    const words = typed.text.slice(0, point).trim().toLowerCase()
    const owner = [...steps.keys()]
      .filter((name) => words.endsWith(name))
      .sort((a, b) => b.length - a.length)[0]
    const unit = owner === undefined ? undefined : steps.get(owner)?.unit
    if (unit?.is !== 'figures') return null
    return {
      from: typed.from + point + 1,
      options: Object.entries(figuresOf[unit.of]).map(([label, of]) => ({ label, detail: unitWords(of) })),
      validFor: /^[\p{L} ]*$/u,
    }
  }

const nameCompletions =
  ({ steps }: Scope): CompletionSource =>
  (context) => {
    const typed = context.matchBefore(/[\p{L}][\p{L}\p{N}' ]*$/u)
    if (!typed && !context.explicit) return null
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
