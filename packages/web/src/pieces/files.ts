/** The files just picked. The field is emptied, so that the same file, mended, can be picked again. */
export function pickedFiles(e: Event): File[] {
  const input = e.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  return files
}
export const pickedFile = (e: Event): File | undefined => pickedFiles(e)[0]

/** What a JSON file holds, or a sentence of which file could not be read and what is accepted. */
export async function readJson(file: File, accepted: string): Promise<unknown> {
  const text = await file.text()
  try {
    return JSON.parse(text)
  } catch {
    throw new Error(`“${file.name}” is no JSON; ${accepted} is accepted`)
  }
}
