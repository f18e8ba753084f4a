import { defineStore } from 'pinia'
import { nextTick, ref } from 'vue'

/** The line for the calculator's own title, languages and words. */
export const PAGE_LINE = 'page'

/** Which line of the tape is open, and which is chosen; how other parts of the desk go to a line. */
export const useTape = defineStore('tape', () => {
  const openLine = ref<string>()
  const chosen = ref<string>()

  async function focusLine(id: string): Promise<void> {
    await nextTick()
    const line = document.getElementById(`line-${id}`)
    line?.focus()
    line?.scrollIntoView({ block: 'center' })
  }

  return {
    openLine,
    chosen,
    focusLine,
    /** Opens a line, or closes it; what is opened is brought into sight with its editor. */
    toggle(id: string): void {
      openLine.value = openLine.value === id ? undefined : id
      if (openLine.value === undefined) return
      void nextTick(() => {
        const editor = document.getElementById(`editor-${id}`)
        const pane = editor?.closest('.tape-pane')
        if (!editor || !pane) return
        const hidden = editor.getBoundingClientRect().bottom - pane.getBoundingClientRect().bottom
        const room =
          document.getElementById(`line-${id}`)!.getBoundingClientRect().top -
          pane.getBoundingClientRect().top
        if (hidden > 0) pane.scrollBy({ top: Math.min(hidden + 8, room) })
      })
    },
    /** Opens a line and goes there; with a field, to that very field. */
    async goTo(id: string, field?: string): Promise<void> {
      openLine.value = id
      await focusLine(id)
      if (field === undefined) return
      const place = document.querySelector<HTMLElement>(`[data-field="${CSS.escape(`${id}.${field}`)}"]`)
      const target = place?.querySelector<HTMLElement>('.cm-content, input, textarea, select') ?? place
      target?.focus()
      place?.scrollIntoView({ block: 'center' })
    },
    closeAll(): void {
      openLine.value = undefined
      chosen.value = undefined
    },
  }
})
