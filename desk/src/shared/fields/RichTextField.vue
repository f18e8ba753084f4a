<script setup lang="ts">
import StarterKit from '@tiptap/starter-kit'
import { Editor, EditorContent } from '@tiptap/vue-3'
import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { mainLanguage, RichText, type RichTexts } from '@vivid/core'
import { languageName } from './language-name'

/** A text with emphasis, links and lists, in every language of the calculator: one at a time, missing ones marked. */
const props = defineProps<{
  id: string
  label: string
  texts: RichTexts
  languages: readonly string[]
  field: string
}>()
const emit = defineEmits<{ change: [texts: RichTexts] }>()

const language = ref(mainLanguage(props))
const editor = shallowRef<Editor>()
const EMPTY: RichText = { type: 'doc', content: [] }

function open(): void {
  editor.value?.destroy()
  const own = language.value
  editor.value = new Editor({
    content: props.texts[own] ?? EMPTY,
    extensions: [
      StarterKit.configure({
        blockquote: false,
        code: false,
        codeBlock: false,
        heading: false,
        horizontalRule: false,
        strike: false,
        underline: false,
        link: {
          openOnClick: false,
          protocols: ['https', 'mailto', 'tel'],
          HTMLAttributes: { target: null, rel: null, class: null },
        },
      }),
    ],
    editorProps: {
      attributes: {
        'aria-label': `${props.label}, ${languageName(own)}`,
        id: props.id,
        role: 'textbox',
        'aria-multiline': 'true',
      },
    },
    onUpdate: ({ editor: now }) => {
      // Only what the document's schema knows is passed on; anything pasted beyond it falls away.
      const parsed = RichText.safeParse(withoutExtras(now.getJSON()))
      if (parsed.success) emit('change', { ...props.texts, [own]: parsed.data })
    },
  })
}

/** The editor's own tree carries attributes the document has no use for. */
function withoutExtras(node: unknown): unknown {
  if (Array.isArray(node)) return node.map(withoutExtras)
  if (typeof node !== 'object' || node === null) return node
  const { type, text, content, marks, attrs } = node as Record<string, unknown>
  const href = (attrs as { href?: unknown } | undefined)?.href
  return {
    type,
    ...(text === undefined ? {} : { text }),
    ...(content === undefined ? {} : { content: withoutExtras(content) }),
    ...(marks === undefined ? {} : { marks: withoutExtras(marks) }),
    ...(type === 'link' ? { attrs: { href } } : {}),
    ...(type === 'doc' && content === undefined ? { content: [] } : {}),
  }
}

const isMissing = (one: string, at: number) =>
  at > 0 && !props.texts[one]?.content.length && Boolean(props.texts[mainLanguage(props)]?.content.length)

watch(language, open, { immediate: true })
watch(
  () => props.texts[language.value],
  (text) => {
    const now = editor.value
    if (
      now &&
      !now.isFocused &&
      JSON.stringify(withoutExtras(now.getJSON())) !== JSON.stringify(text ?? EMPTY)
    )
      now.commands.setContent(text ?? EMPTY, { emitUpdate: false })
  },
)
onBeforeUnmount(() => editor.value?.destroy())

function link(): void {
  const href = window.prompt('Where does the link go? (https://…)', 'https://')
  if (href && /^(https:\/\/|mailto:|tel:)./.test(href)) editor.value?.chain().focus().setLink({ href }).run()
}
</script>

<template>
  <div class="rich-field" :data-field="field">
    <div class="top">
      <span class="group-label">{{ label }}</span>
      <span class="tools">
        <button
          type="button"
          aria-label="Bold"
          :aria-pressed="editor?.isActive('bold') ?? false"
          @click="editor?.chain().focus().toggleBold().run()"
        >
          <b>B</b>
        </button>
        <button
          type="button"
          aria-label="Italic"
          :aria-pressed="editor?.isActive('italic') ?? false"
          @click="editor?.chain().focus().toggleItalic().run()"
        >
          <i>I</i>
        </button>
        <button
          type="button"
          aria-label="List"
          :aria-pressed="editor?.isActive('bulletList') ?? false"
          @click="editor?.chain().focus().toggleBulletList().run()"
        >
          •–
        </button>
        <button
          type="button"
          aria-label="Link"
          :aria-pressed="editor?.isActive('link') ?? false"
          @click="link"
        >
          link
        </button>
      </span>
      <span v-if="languages.length > 1" class="languages" role="group" :aria-label="`${label}, language`">
        <button
          v-for="(one, i) in languages"
          :key="one"
          type="button"
          :aria-pressed="one === language"
          :class="{ missing: isMissing(one, i) }"
          :title="isMissing(one, i) ? `not yet in ${languageName(one)}` : languageName(one)"
          @click="language = one"
        >
          {{ one.slice(0, 2) }}<span v-if="isMissing(one, i)" aria-hidden="true"> ●</span>
        </button>
      </span>
    </div>
    <EditorContent v-if="editor" :editor="editor" class="rich-editor" />
  </div>
</template>

<style scoped>
.top {
  display: flex;
  align-items: end;
  gap: 12px;
  margin-bottom: 3px;
}
.languages,
.tools {
  display: flex;
  gap: 2px;
}
.languages {
  margin-left: auto;
}
.tools button,
.languages button {
  min-width: 30px;
  min-height: 26px;
  padding: 0 7px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: none;
  font-size: 13px;
  cursor: pointer;
}
.languages button {
  text-transform: uppercase;
  font-weight: 600;
}
.tools button:hover,
.languages button:hover {
  border-color: var(--control-line);
}
button[aria-pressed='true'] {
  background: #e5dbf0;
}
.missing {
  color: var(--sun-text);
}
.rich-editor :deep(.ProseMirror) {
  min-height: 62px;
  padding: 7px 11px;
  border: 1px solid var(--control-line);
  border-radius: 7px;
  background: var(--card);
}
.rich-editor :deep(.ProseMirror:focus-visible) {
  outline: 3px solid var(--plum);
  outline-offset: 1px;
}
.rich-editor :deep(p) {
  margin: 0 0 4px;
}
.rich-editor :deep(ul) {
  margin: 0;
  padding-left: 20px;
}
</style>
