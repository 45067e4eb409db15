import { TaskFilePart } from '../models'
import type { Put } from '../zip-stream'

/** What a task made, by parts: a passport with a yard's photos is no single value of a database. */
const PART_BYTES = 4 * 1024 * 1024
/** Takes a file as it is made; `end` keeps what is left of it. */
export async function fileOf(taskId: string): Promise<{ put: Put; end: () => Promise<void> }> {
  // Of a try that was given up nothing is left.
  await TaskFilePart.destroy({ where: { taskId } })
  let held: Uint8Array[] = []
  let size = 0
  let seq = 0
  async function keep() {
    if (!size) return
    const bytes = Buffer.concat(held)
    held = []
    size = 0
    // Bound as it is: through the model it would go as hexadecimal words, twice as long.
    await TaskFilePart.sequelize!.query('INSERT INTO task_files (task_id, seq, bytes) VALUES ($1, $2, $3)', {
      bind: [taskId, seq++, bytes],
    })
  }
  return {
    put: async (bytes) => {
      held.push(bytes)
      size += bytes.length
      if (size >= PART_BYTES) await keep()
    },
    end: keep,
  }
}
/** One part after another, as whoever reads them is ready for it. */
export async function* partsOf(taskId: string): AsyncIterable<Buffer> {
  for (let seq = 0; ; seq++) {
    const part = await TaskFilePart.findOne({ where: { taskId, seq } })
    if (!part) return
    yield part.bytes
  }
}
