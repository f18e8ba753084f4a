/** Asks the person for a file and reads it as text; undefined where none was chosen. */
export function readTextFile(accept: string): Promise<string | undefined> {
  const input = document.createElement('input')
  input.type = 'file'
  input.accept = accept
  return new Promise((done) => {
    input.onchange = () => void (input.files?.[0]?.text().then(done) ?? done(undefined))
    input.oncancel = () => done(undefined)
    input.click()
  })
}

/** Offers a text to the person as a file. */
export const saveTextFile = (text: string, name: string, type: string): void =>
  saveBlob(new Blob([text], { type }), name)

/** Offers any content to the person as a file. */
export function saveBlob(content: Blob, name: string): void {
  const address = URL.createObjectURL(content)
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  URL.revokeObjectURL(address)
}
