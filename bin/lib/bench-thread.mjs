import { parentPort, workerData } from 'node:worker_threads'

// What is timed in a thread that does nothing else, as in the product: what else was worked out before
// leaves its mark on how the same functions are compiled, and on the heap they share.
const timed = await import(workerData.compiled)
const took = {}
for (const name of workerData.names) took[name] = timed[name]()
parentPort.postMessage(took)
