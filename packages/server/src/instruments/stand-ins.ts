import type { InstrumentReading } from '@north-tide/core'
import { dayCurve } from './day'

/**
 * Small stand-ins for the yard's instruments, each repeating from its seed. Everything they send is marked
 * simulated.
 */
export const INSTRUMENTS = {
  level: { name: 'Digital level', unit: '\u00b0' },
  moisture: { name: 'Moisture meter', unit: '' },
  hygrometer: { name: 'Thermo-hygrometer with surface probe', unit: '' },
  ultrasonic: { name: 'Ultrasonic thickness gauge', unit: 'mm' },
} as const
/** A switch at the handle of a valve, simulated: the same all day. */
export const valveSwitch = (valve: string, day: string): 'open' | 'shut' =>
  uniform(valve, day, 'switch') < 0.6 ? 'shut' : 'open'
export type InstrumentKind = keyof typeof INSTRUMENTS

function mix(...parts: (string | number)[]): number {
  let h = 2166136261
  for (const c of parts.join('|')) h = Math.imul(h ^ c.charCodeAt(0), 16777619) >>> 0
  h = Math.imul(h ^ (h >>> 15), 2246822507) >>> 0
  h = Math.imul(h ^ (h >>> 13), 3266489909) >>> 0
  return (h ^ (h >>> 16)) >>> 0
}
const uniform = (...parts: (string | number)[]) => mix(...parts) / 2 ** 32
/** About normal, from three uniforms. */
const noise = (...parts: (string | number)[]) =>
  (uniform(...parts, 'a') + uniform(...parts, 'b') + uniform(...parts, 'c') - 1.5) * 2

export interface Asked {
  seed: number
  boatId: string
  /** of the spot under the probe */
  xMm: number
  yMm: number
  /** level: what it is laid on */
  role: 'reference' | 'trim' | 'station' | 'recheck' | 'hull'
  station: string
  side: 'port' | 'starboard'
  axis: 'across' | 'along'
  /** ultrasonic: what the zone is believed to be */
  aboutMm: number
  /** level on the bottom: the deadrise that it is believed to have */
  aboutDeg?: number
}

const round = (v: number, step: number) => Number((Math.round(v / step) * step).toFixed(3))
/** The demo boat lies as chapter 13 says; any other has a cradle of its own. */
const lie = (boatId: string) =>
  boatId.startsWith('fulmars-reach')
    ? { heel: -0.4, trim: 0.7 }
    : { heel: round(noise(boatId, 'heel'), 0.1), trim: round(noise(boatId, 'trim'), 0.1) }
const WET: Record<string, [x: number, y: number, r: number, most: number][]> = {
  'fulmars-reach': [
    [1150, 610, 300, 19],
    [9150, -840, 520, 22],
  ],
}

function level(a: Asked, n: number): number {
  const { heel, trim } = lie(a.boatId)
  const still = 0.06 * noise(a.seed, 'level', a.role, a.station, a.side, a.axis, n)
  // Across the bottom, outboard up: the hull's own angle, near what it is believed to be, as the cradle
  // lets it show.
  if (a.role === 'hull')
    return round(
      (a.aboutDeg ?? 0) +
        0.8 * (uniform(a.boatId, Math.round(a.xMm / 200), 'deadrise') - 0.5) -
        (a.side === 'starboard' ? heel : -heel) +
        still,
      0.05,
    )
  if (a.role === 'trim') return round(trim + still, 0.05)
  if (a.role !== 'station') return round(heel + still, 0.05)
  if (a.axis === 'along') return round(trim + 3 * (uniform(a.boatId, a.station, 'along') - 0.5) + still, 0.05)
  const own = 2 + 5 * uniform(a.boatId, a.station, 'across') + 0.4 * noise(a.boatId, a.station, a.side)
  return round(own + (a.side === 'starboard' ? heel : -heel) + still, 0.05)
}
function moisture(a: Asked, n: number): number {
  const spots = WET[a.boatId] ?? [
    [1500 + 2000 * uniform(a.boatId, 'wx'), 600 * noise(a.boatId, 'wy'), 280, 14] as const,
  ]
  const over = spots.reduce(
    (m, [x, y, r, most]) => Math.max(m, most * Math.exp(-(((a.xMm - x) ** 2 + (a.yMm - y) ** 2) / r ** 2))),
    0,
  )
  return round(
    Math.max(0, 14 + over + 0.8 * noise(a.seed, 'moisture', Math.round(a.xMm), Math.round(a.yMm), n)),
    0.5,
  )
}
const ultrasonic = (a: Asked, n: number) =>
  round(
    Math.max(
      0.5,
      a.aboutMm * (1 + 0.03 * noise(a.boatId, Math.round(a.xMm / 50), Math.round(a.yMm / 50))) +
        0.08 * noise(a.seed, 'ut', n),
    ),
    0.1,
  )

/** The n-th reading of an instrument; the clock is the caller's. */
export function readingOf(kind: InstrumentKind, a: Asked, n: number, at: Date): InstrumentReading {
  const base = {
    n,
    instrument: `${INSTRUMENTS[kind].name}, simulated`,
    simulated: true as const,
    at: at.toISOString(),
    unit: INSTRUMENTS[kind].unit,
  }
  if (kind === 'level') return { ...base, value: level(a, n) }
  if (kind === 'moisture') return { ...base, value: moisture(a, n) }
  if (kind === 'ultrasonic') return { ...base, value: ultrasonic(a, n) }
  const curve = dayCurve(at.getFullYear() * 1000 + at.getMonth() * 40 + at.getDate())
  const now = curve[Math.floor((at.getHours() * 60 + at.getMinutes()) / 10)] ?? curve[0]!
  const s = {
    airC: round(now.airC + 0.1 * noise(a.seed, 'air', n), 0.1),
    humidityPct: round(now.humidityPct + 0.6 * noise(a.seed, 'rh', n), 0.5),
    surfaceC: round(now.surfaceC + 0.15 * noise(a.seed, 'surface', n), 0.1),
  }
  return { ...base, value: s.surfaceC, ...s }
}
