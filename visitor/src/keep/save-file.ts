/** Offers a file to the visitor. */
export function saveFile(content: Blob, name: string, doc: Document = document): void {
  const address = URL.createObjectURL(content)
  const link = doc.createElement('a')
  link.href = address
  link.download = name
  link.click()
  URL.revokeObjectURL(address)
}
