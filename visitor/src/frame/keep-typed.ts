type Field = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement

/**
 * Keeps what was done on a page that the server drew before its scripts came: what was typed and chosen, and where the
 * cursor stands. Returns what puts it back once the scripts have taken over, as if it were done then.
 */
export function keepTyped(page: HTMLElement): () => void {
  const fields = [...page.querySelectorAll<Field>('input, select, textarea')]
  const changed = fields.filter(isChanged).map((field) => ({ place: placeOf(field), value: field.value }))
  const opened = page.querySelectorAll('details[open]')
  const active = document.activeElement
  const focused = active && page.contains(active) ? placeOf(active) : undefined
  return () => {
    for (const { place, value } of changed) {
      const field = page.querySelector<Field>(place)
      if (field) put(field, value)
    }
    for (const one of opened) one.dispatchEvent(new Event('toggle'))
    const field = focused === undefined ? null : page.querySelector<HTMLElement>(focused)
    if (field && field !== document.activeElement) field.focus()
  }
}

function put(field: Field, value: string): void {
  if (isOneOfSome(field)) field.checked = true
  else field.value = value
  for (const event of ['input', 'change']) field.dispatchEvent(new Event(event, { bubbles: true }))
  if (field !== document.activeElement) field.dispatchEvent(new FocusEvent('blur'))
}

const isOneOfSome = (field: Element): field is HTMLInputElement =>
  field instanceof HTMLInputElement && field.type === 'radio'

/** Where a control is found again when the page was drawn anew. */
const placeOf = (field: Element): string =>
  isOneOfSome(field)
    ? `[name="${CSS.escape(field.name)}"][value="${CSS.escape(field.value)}"]`
    : field.id
      ? `#${CSS.escape(field.id)}`
      : `[aria-label="${CSS.escape(field.ariaLabel ?? '')}"]`

/** Compared with what a browser makes of what was drawn: a slider stands on one of its steps, whatever its value says. */
function isChanged(field: Field): boolean {
  if (isOneOfSome(field)) return field.checked && !field.defaultChecked
  const drawn = document.createElement('template')
  drawn.innerHTML = field.outerHTML
  return field.value !== (drawn.content.firstElementChild as Field).value
}
