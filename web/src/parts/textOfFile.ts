/**
 * The text of the file that was chosen in a file field, up to so many bytes; null where none was
 * chosen, or it is larger: then `refuse` is called, and the text that is there stays.
 */
export async function textOfFile(
  event: Event,
  most: number,
  refuse: () => void,
): Promise<string | null> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  // The same file may be chosen again once it was put right.
  input.value = ''
  if (!file) return null
  if (file.size > most) {
    refuse()
    return null
  }
  return file.text()
}
