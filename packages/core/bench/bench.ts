import { CATALOGUE, judgeWhole, sizeIt, startDesign, type Design } from '../src'

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

const deck = { kind: 'sandwich', skin: { laminate: 'mat' }, outerMm: 4, innerMm: 3, core: { material: 'balsa-150', thicknessMm: 12 } } as const
export const fittings: Design[] = CATALOGUE.map((c) => startDesign(c, { zone: 'foredeck', xMm: 900, yMm: -640, zMm: 1600, edgeMm: 120, belowWaterline: false, structure: deck, measured: [], duty: 'coastal' }, c.title))

/** A new design object each time, as after a keystroke, so that nothing kept from the last one helps. */
export function judging() {
  const fresh = Array.from({ length: 1100 }, (_, i) => structuredClone(fittings[i % fittings.length]!))
  return timed(fresh.length, (i) => void judgeWhole(structuredClone(fresh[i]!), 'metric'))
}
export const sizing = () => timed(fittings.length, (i) => void sizeIt(fittings[i % fittings.length]!), 2)
