import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'

export type Put = (bytes: Uint8Array) => Promise<void>
/** A ZIP that is made as it is sent: never more of it in memory than one file. */
export function zipTo(put: Put) {
  let made: Uint8Array[] = []
  let broke: Error | null = null
  const zip = new Zip((error, bytes) => {
    if (error) broke = error
    else made.push(bytes)
  })
  async function flush() {
    if (broke) throw broke
    const now = made
    made = []
    for (const bytes of now) await put(bytes)
  }
  return {
    /** `packed`: it is small already, as a picture is, and goes in as it stands */
    async add(name: string, bytes: Uint8Array, packed = false) {
      const file = packed ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 })
      zip.add(file)
      file.push(bytes, true)
      await flush()
    },
    async end() {
      zip.end()
      await flush()
    },
  }
}
