/** Percentiles of a run in milliseconds, after the engine has warmed up. */
export function timed(times: number, run: (i: number) => void, warm = Math.min(200, times)) {
  for (let i = 0; i < warm; i++) run(i)
  const ms = Array.from({ length: times }, (_, i) => {
    const t = performance.now()
    run(i)
    return performance.now() - t
  }).sort((a, b) => a - b)
  const at = (q: number) => ms[Math.min(ms.length - 1, Math.floor(q * ms.length))]!
  return { p50: at(0.5), p95: at(0.95), most: ms.at(-1)! }
}
