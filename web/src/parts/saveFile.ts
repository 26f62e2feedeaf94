/** Has the browser save bytes under a name. */
export function saveFile(bytes: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(bytes)
  link.download = name
  link.click()
  // The browser reads it a moment later.
  setTimeout(() => URL.revokeObjectURL(link.href), 1000)
}
