<script setup lang="ts">
import { closeBrackets, closeCompletion, completionStatus } from '@codemirror/autocomplete'
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands'
import { setDiagnostics, type Diagnostic } from '@codemirror/lint'
import { Compartment, EditorState, Prec } from '@codemirror/state'
import { EditorView, keymap, placeholder } from '@codemirror/view'
import { computed, onBeforeUnmount, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import { checkFormula, isGentle, type FormulaProblem, type Scope, type Wanted } from '@vivid/core'
import { compileSentence, readAsSentence, wantedWords } from '@vivid/contract'
import { formulaLanguage } from './formula-language'
import GuidedInsert from './GuidedInsert.vue'
import ReadBack from './ReadBack.vue'

/** A formula as it is typed: completion, highlighting, problems underlined at their place and said below. */
const props = defineProps<{
  id: string
  label: string
  value: string
  scope: Scope
  takes: Wanted
  /** What an empty field means; none: something has to be written. */
  emptyMeans?: string
  /** Identifies the field for those who are sent to it: `step.path`. */
  field: string
  /** One line, without the guided insertion and the sentence. */
  small?: boolean
}>()
const emit = defineEmits<{ change: [text: string] }>()

const host = useTemplateRef<HTMLElement>('host')
const view = shallowRef<EditorView>()
const language = new Compartment()

const checked = computed(() =>
  props.value.trim() === '' && props.emptyMeans !== undefined
    ? undefined
    : checkFormula(props.value, props.takes, props.scope),
)
const problems = computed<readonly FormulaProblem[]>(() => checked.value?.problems ?? [])
const takenAs = computed(() => {
  const readAs = checked.value?.readAs
  return readAs && readAsSentence(readAs, props.scope.minorDigits)
})

const diagnosticOf = (problem: FormulaProblem): Diagnostic => {
  const length = view.value?.state.doc.length ?? 0
  const from = Math.min(problem.from, length)
  return {
    from: from === length && length > 0 ? from - 1 : from,
    to: Math.min(Math.max(problem.to, from + 1), length),
    severity: isGentle(problem) ? 'warning' : 'error',
    message: compileSentence({ ...problem, step: undefined, field: '' }),
  }
}

/** Closes what is offered and takes nothing of it: Tab goes on, as everywhere. */
function leaveCompletion(editor: EditorView): boolean {
  closeCompletion(editor)
  return false
}

/** Puts a text where the caret is, in place of what is selected. */
function insert(text: string): void {
  const editor = view.value
  if (!editor) return
  editor.dispatch(editor.state.replaceSelection(text))
  editor.focus()
}

onMounted(() => {
  if (!host.value) return
  view.value = new EditorView({
    parent: host.value,
    state: EditorState.create({
      doc: props.value,
      extensions: [
        history(),
        closeBrackets(),
        // Enter ends nothing here: a formula may go over several lines; Tab goes on to the next field.
        Prec.highest(keymap.of([{ key: 'Tab', run: leaveCompletion }])),
        keymap.of([...defaultKeymap, ...historyKeymap]),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({ 'aria-labelledby': `${props.id}-label`, id: props.id }),
        placeholder(props.emptyMeans ?? wantedWords(props.takes)),
        language.of(formulaLanguage(props.scope)),
        EditorView.updateListener.of((update) => {
          const text = update.state.doc.toString()
          if (update.docChanged && text !== props.value) emit('change', text)
          // What is offered a moment after the field was left would lie over the next one.
          if (!update.view.hasFocus && completionStatus(update.state) !== null)
            queueMicrotask(() => closeCompletion(update.view))
        }),
      ],
    }),
  })
})
onBeforeUnmount(() => view.value?.destroy())

watch(
  () => props.value,
  (value) => {
    const editor = view.value
    if (!editor || editor.state.doc.toString() === value) return
    editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: value } })
  },
)
watch(
  () => Object.keys(props.scope.reader.names).join(),
  () => view.value?.dispatch({ effects: language.reconfigure(formulaLanguage(props.scope)) }),
)
watch(
  [problems, view],
  ([found, editor]) => editor?.dispatch(setDiagnostics(editor.state, found.map(diagnosticOf))),
  {
    flush: 'post',
  },
)
</script>

<template>
  <div class="formula-field" :class="{ small }" :data-field="field">
    <span :id="`${id}-label`" class="group-label" @click="view?.focus()">{{ label }}</span>
    <div ref="host" class="formula" :class="{ bad: problems.some((one) => !isGentle(one)) }"></div>
    <p
      v-for="problem in problems"
      :key="problem.code"
      class="field-problem"
      :class="{ gentle: isGentle(problem) }"
      :role="isGentle(problem) ? 'status' : 'alert'"
    >
      {{ compileSentence({ ...problem, step: undefined, field: '' }) }}
    </p>
    <p v-if="takenAs" class="taken-as soft" role="status">{{ takenAs }}</p>
    <template v-if="!small">
      <GuidedInsert :id="id" :scope="scope" @insert="insert" />
      <ReadBack :text="value" :takes="takes" :scope="scope" />
    </template>
  </div>
</template>

<style>
.formula {
  border: 1px solid var(--control-line);
  border-radius: 7px;
  background: var(--card);
}
.formula.bad {
  border-color: var(--red-text);
}
.formula .cm-editor.cm-focused {
  outline: 3px solid var(--plum);
  outline-offset: 1px;
  border-radius: 7px;
}
.formula .cm-content {
  padding: 7px 0;
  font:
    500 14px/1.5 ui-monospace,
    'DejaVu Sans Mono',
    monospace;
}
.formula .cm-line {
  padding: 0 10px;
}
.formula .cm-placeholder {
  color: var(--ink-soft);
  font-family: var(--text);
  font-weight: 400;
}
.taken-as {
  margin: 2px 0 0;
  font-size: 14px;
}
.field-problem.gentle {
  color: var(--sun-text);
}
</style>
