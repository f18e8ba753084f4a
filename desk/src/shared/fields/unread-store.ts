import { defineStore } from 'pinia'
import { reactive } from 'vue'

/** What was typed and could not be read, by field: it stays there when its line is closed and opened again. */
export const useUnread = defineStore('unread', () => {
  const texts = reactive<Record<string, string>>({})
  return {
    texts,
    set(field: string, text: string | undefined): void {
      if (text === undefined) delete texts[field]
      else texts[field] = text
    },
  }
})
