/** What stands in the field, or is chosen, where an event comes from. */
export function entered({ target }: Event): string {
  const isField =
    target instanceof HTMLInputElement ||
    target instanceof HTMLSelectElement ||
    target instanceof HTMLTextAreaElement
  return isField ? target.value : ''
}
