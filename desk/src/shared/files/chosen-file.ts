/** The file that was chosen where an event comes from. The same one may be chosen again. */
export function chosenFile({ target }: Event): File | undefined {
  if (!(target instanceof HTMLInputElement)) return undefined
  const [file] = target.files ?? []
  target.value = ''
  return file
}
