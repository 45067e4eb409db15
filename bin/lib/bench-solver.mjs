import { parentPort, workerData } from 'node:worker_threads'

// The plate solver in a thread that does nothing else, as the product asks it: what else was worked out
// before leaves its mark on how the same functions are compiled.
const { patchOf, timed } = await import(workerData)
const SIZES = [32, 40, 64, 96]
const took = SIZES.map((n) => {
  let mesh
  const t = timed(9, () => (mesh = patchOf(n).mesh), 3)
  return { n, mesh, p50: t.p50, most: t.most, memoryMB: process.memoryUsage().rss / 1e6 }
})
parentPort.postMessage(took)
