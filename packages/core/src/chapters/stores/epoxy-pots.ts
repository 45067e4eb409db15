import { CalcError } from '../../base/errors'
import {
  HARDENER_IDS,
  HARDENERS,
  potLifeAt,
  pumpPair,
  sandHoursAt,
  type Hardener,
} from '../bedding/epoxy-batch'
import { minuteOf } from '../plan/clock'
import type { EpoxyDay, EpoxyJob, Part } from './epoxy-shape'

/** How much is mixed, with what, in which pots (chapter 17.4). */
const GRAIN = 1e-6
export interface Mixed {
  mixedMl: number
  resinMl: number
  hardenerMl: number
  strokes: { resin: number; hardener: number } | null
}
export type Mix = (neededMl: number) => Mixed
/** @throws CalcError pumps-off-ratio, pumps-too-large */
export function mixer(v: EpoxyDay): Mix {
  const wanted = (ml: number) => ml + Math.max(v.wasteFraction * ml, v.wasteMinMl)
  if (!v.pumps)
    return (ml) => {
      const mixedMl = wanted(ml)
      const resinMl = (mixedMl * v.ratio) / (v.ratio + 1)
      return { mixedMl, resinMl, hardenerMl: mixedMl - resinMl, strokes: null }
    }
  const { a, b } = pumpPair(v)
  const { resinStrokeMl, hardenerStrokeMl } = v.pumps
  const once = a * resinStrokeMl + b * hardenerStrokeMl
  const sets = (ml: number) => Math.max(1, Math.ceil(ml / once - GRAIN))
  if (sets(v.wasteMinMl) * once > v.potMaxMl + GRAIN)
    throw new CalcError(
      'pumps-too-large',
      'pumps',
      `One set of strokes is ${once} ml, and a pot holds ${v.potMaxMl} ml at most`,
    )
  return (ml) => {
    const k = sets(wanted(ml))
    const [resinMl, hardenerMl] = [k * a * resinStrokeMl, k * b * hardenerStrokeMl]
    return { mixedMl: resinMl + hardenerMl, resinMl, hardenerMl, strokes: { resin: k * a, hardener: k * b } }
  }
}

const tempOf = (v: EpoxyDay, j: EpoxyJob) => j.tempC ?? v.tempC
export const potLifeOf = (v: EpoxyDay, j: EpoxyJob, h: Hardener) => potLifeAt(h, tempOf(v, j))
export const tooCold = (v: EpoxyDay, j: EpoxyJob, h: Hardener) => tempOf(v, j) < HARDENERS[h].lowestC - GRAIN

/** The minute at which a cure that began then is ready; null if it never is. */
export function readyAt(v: EpoxyDay, j: EpoxyJob, h: Hardener, from: number): number | null {
  const changes = v.cure.map((c) => ({ at: minuteOf(c.from)!, tempC: c.tempC }))
  let at = from
  let left = 1
  for (let i = 0; ; i++) {
    const begun = changes.filter((c) => c.at <= at)
    const tempC = begun.at(-1)?.tempC ?? tempOf(v, j)
    const next = changes.find((c) => c.at > at)?.at ?? Infinity
    const perMinute = tempC < HARDENERS[h].lowestC - GRAIN ? 0 : 1 / (60 * sandHoursAt(h, tempC))
    if (perMinute > 0 && (next - at) * perMinute >= left - GRAIN * perMinute)
      return Math.ceil(at + left / perMinute - GRAIN)
    if (next === Infinity) return null
    left -= (next - at) * perMinute
    at = next
    if (i > changes.length) return null
  }
}

const MOST_PARTS = 200
/** Fewest equal parts that a pot holds and its pot life allows. */
export function partsOf(v: EpoxyDay, mix: Mix, j: EpoxyJob, h: Hardener): number {
  const life = potLifeOf(v, j, h)
  for (let n = 1; n <= MOST_PARTS; n++)
    if (mix(j.neededMl / n).mixedMl <= v.potMaxMl + GRAIN && j.workMinutes / n <= life + GRAIN) return n
  return MOST_PARTS + 1
}
/** The given one; else ready in time, then fewest pots, then the faster. */
export function hardenerFor(v: EpoxyDay, mix: Mix, j: EpoxyJob): Hardener | null {
  if (j.hardener) return j.hardener
  const inTime = (h: Hardener) => {
    if (!j.readyBy) return true
    const ready = readyAt(v, j, h, minuteOf(v.end)!)
    return ready !== null && ready <= minuteOf(j.readyBy)!
  }
  return (
    HARDENER_IDS.filter((h) => v.hardeners.includes(h) && !tooCold(v, j, h))
      .map((h, speed) => ({ h, late: Number(!inTime(h)), parts: partsOf(v, mix, j, h), speed }))
      .sort((a, b) => a.late - b.late || a.parts - b.parts || a.speed - b.speed)[0]?.h ?? null
  )
}

const EXACT_PARTS = 8
const sumOf = (parts: Part[], of: (p: Part) => number) => parts.reduce((s, p) => s + of(p), 0)
/** Parts of one stage, use and hardener, in as few pots as there may be. */
export function potsOf(v: EpoxyDay, mix: Mix, parts: Part[]): Part[][] {
  const fits = (pot: Part[]) => {
    const life = Math.min(...pot.map((p) => potLifeOf(v, p.job, p.hardener)))
    const ml = mix(sumOf(pot, (p) => p.ml)).mixedMl
    return ml <= v.potMaxMl + GRAIN && sumOf(pot, (p) => p.minutes) <= life + GRAIN
  }
  if (parts.length > EXACT_PARTS) return firstFit(parts, fits)
  let best: { pots: Part[][]; mixed: number } | null = null
  const pots: Part[][] = []
  // Pot numbers in dictionary order, so that the first of equals stays.
  const descend = (i: number) => {
    if (best && pots.length > best.pots.length) return
    if (i === parts.length) {
      const mixed = Math.round(1000 * mixedOf(pots, mix)) / 1000
      if (!best || pots.length < best.pots.length || mixed < best.mixed)
        best = { pots: pots.map((p) => [...p]), mixed }
      return
    }
    for (let k = 0; k <= pots.length; k++) {
      if (k === pots.length) pots.push([])
      pots[k]!.push(parts[i]!)
      if (pots[k]!.length === 1 || fits(pots[k]!)) descend(i + 1)
      pots[k]!.pop()
      if (!pots[k]!.length) {
        pots.splice(k, 1)
        break
      }
    }
  }
  descend(0)
  return best!.pots
}
const mixedOf = (pots: Part[][], mix: Mix) =>
  pots.reduce((s, pot) => s + mix(sumOf(pot, (p) => p.ml)).mixedMl, 0)
function firstFit(parts: Part[], fits: (pot: Part[]) => boolean): Part[][] {
  const pots: Part[][] = []
  for (const p of [...parts].sort((a, b) => b.ml - a.ml || a.index - b.index)) {
    const pot = pots.find((q) => fits([...q, p]))
    if (pot) pot.push(p)
    else pots.push([p])
  }
  return pots.map((pot) => pot.sort((a, b) => a.index - b.index))
}
