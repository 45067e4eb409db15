/** What a JSON file holds, or a sentence of which file could not be read and what is accepted. */
export async function readJson(file: File, accepted: string): Promise<unknown> {
  const text = await file.text()
  try {
    return JSON.parse(text)
  } catch {
    throw new Error(`“${file.name}” is no JSON; ${accepted} is accepted`)
  }
}
