import { nextTick } from 'vue'

type Field = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement

/** What was typed, chosen and opened on a page that the server drew, before its scripts knew of it. */
export interface Typed {
  /** Puts it where it stood, with the cursor, once the scripts have drawn over it. Whoever types goes on. */
  restore(): void
  /** Tells the page of it, as it stands by then. */
  tell(): void
}

/** Keeps what was done in a part of the page, to be restored at once after the scripts took it over, and told when they are ready. */
export function keepTyped(part: Element): Typed {
  const fields = [...part.querySelectorAll<Field>('input, select, textarea')]
  const changed = fields.filter(isChanged).map((field) => ({ place: placeOf(field), value: field.value }))
  const opened = part.querySelectorAll('details[open]')
  const cursor = cursorIn(part)
  /** Drawn anew it is another element at the same place. */
  const find = <E extends Element>(place: string) => document.querySelector<E>(`#app ${place}`)
  return {
    restore() {
      for (const { place, value } of changed) {
        const field = find<Field>(place)
        if (field && isOneOfSome(field)) field.checked = true
        else if (field) field.value = value
      }
      const field = cursor && find<HTMLElement>(cursor.place)
      if (!field) return
      if (field !== document.activeElement) field.focus()
      if (isText(field)) field.setSelectionRange(cursor.from, cursor.to)
    },
    tell() {
      for (const { place } of changed) {
        const field = find<Field>(place)
        for (const event of ['input', 'change']) field?.dispatchEvent(new Event(event, { bubbles: true }))
        // Somebody who leaves a field does so after the page has taken in what was typed.
        if (field !== document.activeElement)
          void nextTick(() => field?.dispatchEvent(new FocusEvent('blur')))
      }
      for (const one of opened) one.dispatchEvent(new Event('toggle'))
    },
  }
}

function cursorIn(part: Element) {
  const field = document.activeElement
  if (!field || !part.contains(field)) return undefined
  const [from, to] = isText(field) ? [field.selectionStart ?? 0, field.selectionEnd ?? 0] : [0, 0]
  return { place: placeOf(field), from, to }
}

const isOneOfSome = (field: Element): field is HTMLInputElement =>
  field instanceof HTMLInputElement && field.type === 'radio'
const isText = (field: Element): field is HTMLInputElement =>
  field instanceof HTMLInputElement && field.type === 'text'

/** Where a control is found again when the page was drawn anew. */
const placeOf = (field: Element): string =>
  isOneOfSome(field)
    ? `[name="${CSS.escape(field.name)}"][value="${CSS.escape(field.value)}"]`
    : field.id
      ? `#${CSS.escape(field.id)}`
      : `[aria-label="${CSS.escape(field.getAttribute('aria-label') ?? '')}"]`

/** Compared with what a browser makes of what was drawn: a slider stands on one of its steps, whatever its value says. */
function isChanged(field: Field): boolean {
  if (isOneOfSome(field)) return field.checked && !field.defaultChecked
  const drawn = document.createElement('template')
  drawn.innerHTML = field.outerHTML
  return field.value !== (drawn.content.firstElementChild as Field).value
}
