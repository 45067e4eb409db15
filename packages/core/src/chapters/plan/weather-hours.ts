import { sealant, type SealantId } from '../../base/materials/sealants'
import { HARDENERS } from '../bedding/epoxy-batch'
import { skinHoursAt, skinRate } from '../bedding/moisture-cure'
import { dewPoint } from '../bedding/surface-window'
import type { Weather, Work } from './weather-shape'

/** What each hour does to a surface, and which works it allows (chapter 17.5). */
export interface Felt {
  at: string
  surfaceC: number
  dewPointC: number
  marginK: number
  airC: number
  humidityPct: number
  windMs: number
  rainMm: number
  /** in the open, whatever the cover */
  outside: { windMs: number; rainMm: number }
  falling: boolean
}
const GRAIN = 1e-6
/** How far the sun warms a surface in still air, K; estimates. */
const SUN_K = { light: 8, medium: 14, dark: 22 }
const SKY_K = 4
const FALL_K = 0.5

export function feltOf(v: Weather): Felt[] {
  const surface = (h: Weather['hours'][number]) => {
    if (v.cover !== 'open') return h.airC
    if (h.sun > 0) return h.airC + (SUN_K[v.colour] * h.sun) / (1 + h.windMs / 5)
    return h.airC - (SKY_K * (1 - h.cloud)) / (1 + h.windMs / 2)
  }
  return v.hours.map((h, i) => {
    const surfaceC = surface(h)
    const dewPointC = dewPoint(h.airC, h.humidityPct)
    return {
      at: h.at,
      surfaceC,
      dewPointC,
      marginK: surfaceC - dewPointC,
      airC: h.airC,
      humidityPct: h.humidityPct,
      windMs: v.cover === 'tent' ? 0 : h.windMs,
      rainMm: v.cover === 'open' ? h.rainMm : 0,
      outside: { windMs: h.windMs, rainMm: h.rainMm },
      falling: i > 0 && surface(v.hours[i - 1]!) - surfaceC > FALL_K + GRAIN,
    }
  })
}

/** Works that only the wind and the rain stop, and the wind that stops them, m/s. */
const WIND = { grind: 8, aloft: 7, ladder: 10 } as const
const PAINT = { coldC: 10, hotC: 35, humidPct: 85, windMs: 5, afterHours: 6 }
const EPOXY_AFTER = 8
const MIXED_AFTER = 4
const LEAST_K = 3
const FALLING_K = 6
export const isWindy = (w: Work): w is Extract<Work, { kind: 'grind' | 'aloft' | 'ladder' }> => w.kind in WIND
export const windLimit = (w: Extract<Work, { kind: keyof typeof WIND }>) => w.maxWindMs ?? WIND[w.kind]

function marginCodes(h: Felt): string[] {
  if (h.marginK < LEAST_K - GRAIN) return ['dew-point']
  return h.falling && h.marginK < FALLING_K - GRAIN ? ['falling'] : []
}
/** The surface that a work asks for. */
function range(w: Exclude<Work, { kind: keyof typeof WIND }>): [number, number] {
  if (w.kind === 'paint') return [w.minC ?? PAINT.coldC, PAINT.hotC]
  if (w.kind === 'epoxy') return [w.minC ?? HARDENERS[w.hardener].lowestC, Infinity]
  const [cold, hot] = sealant(w.chemistry).applyC
  return [w.minC ?? cold, hot]
}
/** Hours after it in which it must not rain: what mixes sets by itself, butyl never has to. */
function bondAfter(id: SealantId, h: Felt): number {
  if (id === 'butyl') return 0
  const rate = skinRate(id, h.airC, h.humidityPct)
  return rate === null ? MIXED_AFTER : Math.ceil(skinHoursAt(rate) - GRAIN)
}
function afterOf(w: Exclude<Work, { kind: keyof typeof WIND }>, h: Felt): number {
  if (w.afterHours !== undefined) return w.afterHours
  if (w.kind === 'paint') return PAINT.afterHours
  return w.kind === 'epoxy' ? EPOXY_AFTER : bondAfter(w.chemistry, h)
}

/** Why an hour will not do; empty: it will. */
export function codesOf(w: Work, felt: Felt[], i: number): string[] {
  const h = felt[i]!
  if (isWindy(w))
    return [
      ...(h.outside.rainMm > 0 ? ['rain'] : []),
      ...(h.outside.windMs > windLimit(w) + GRAIN ? ['wind'] : []),
    ]
  const [cold, hot] = range(w)
  const n = afterOf(w, h)
  const after = felt.slice(i + 1, i + 1 + n)
  const paint = w.kind === 'paint'
  return [
    ...(w.kind === 'epoxy' && after.some((x) => x.surfaceC < cold - GRAIN) ? ['cold-after'] : []),
    ...marginCodes(h),
    ...(after.length < n ? ['forecast-ends'] : []),
    ...(paint && h.humidityPct > PAINT.humidPct + GRAIN ? ['humid'] : []),
    ...(h.rainMm > 0 ? ['rain'] : []),
    ...(after.some((x) => x.rainMm > 0) ? ['rain-after'] : []),
    ...(h.surfaceC < cold - GRAIN ? ['too-cold'] : []),
    ...(h.surfaceC > hot + GRAIN ? ['too-hot'] : []),
    ...(paint && h.windMs > (w.maxWindMs ?? PAINT.windMs) + GRAIN ? ['wind'] : []),
  ].sort()
}
