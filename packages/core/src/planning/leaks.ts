import type { leakTrace } from '../chapters/watch/leak-trace'
import { ELSEWHERE } from '../chapters/watch/leak-shape'
import { SEALANT_IDS } from '../base/materials/sealants'
import type { Verdict } from '../base/verdict/check'
import type { BoatPart } from '../boat/spot'
import type { LifeState } from '../base/life-states'
import { niceLength, type Drawing, type Shape } from '../drawing/shapes'
import type { LeakSource } from '../kinds/kind'

/** Where a drip comes from (chapter 16.1): asked of all that stands in the boat, and said in words. */
type Input = Parameters<typeof leakTrace.run>[0]
export type LeakAnswer = ReturnType<typeof leakTrace.run>
export const DRIPS_WHEN = ['rain', 'hose', 'under-way', 'always'] as const
export type DripsWhen = (typeof DRIPS_WHEN)[number]
export const DRIPS_SAID: Record<DripsWhen, string> = {
  rain: 'when it rains',
  hose: 'when she is hosed down',
  'under-way': 'under way',
  always: 'always',
}
export const LEAK_TESTS = ['hose', 'flood', 'dye', 'tape'] as const
export type LeakTestKind = (typeof LEAK_TESTS)[number]
export const LEAK_TEST_SAID: Record<LeakTestKind, string> = {
  hose: 'hosed, low to high',
  flood: 'flooded',
  dye: 'dye put to it',
  tape: 'taped over, then water on all',
}
export interface Drip {
  xMm: number
  yMm: number
  zMm: number
  when: DripsWhen
  trimDeg: number
  heelDeg: number
  /** what is seen of each thing that water may come in by */
  seen: Record<string, { loose?: boolean | undefined; gap?: boolean | undefined }>
}
export interface LeakThing {
  id: string
  name: string
  kind: string | null
  place: 'deck' | 'topsides' | 'below'
  xMm: number
  yMm: number
  zMm: number
  chemistry: string | null
  bedded: string | null
  state: LifeState
  as: LeakSource
  loaded: boolean
  verdict: Verdict | null
}
export interface LeakTest {
  kind: LeakTestKind
  on: string[]
  minutes: number
  wet: boolean
  delayMin: number | null
}
const CHEMISTRY = new Set<string>(SEALANT_IDS)
const DAMS = ['beam', 'longitudinal', 'bulkhead']
/** Members under the deck that dam what runs along the liner: beams, longitudinals, bulkheads of the map. */
export const damsOf = (parts: BoatPart[]) =>
  parts
    .filter((p) => DAMS.includes(p.kind))
    .map((p) => ({ x1Mm: p.x0Mm, y1Mm: p.y0Mm, x2Mm: p.x1Mm, y2Mm: p.y1Mm }))
export function leakQuestion(
  d: Drip,
  things: LeakThing[],
  parts: BoatPart[],
  tests: LeakTest[],
  today: string,
): Input {
  const known = new Set(things.map((t) => t.id))
  return {
    drip: { xMm: d.xMm, yMm: d.yMm, zMm: d.zMm },
    when: d.when,
    today,
    trimDeg: d.trimDeg,
    heelDeg: d.heelDeg,
    dams: damsOf(parts),
    candidates: things.map((t) => ({
      id: t.id,
      kind: t.as,
      place: t.place,
      xMm: t.xMm,
      yMm: t.yMm,
      zMm: t.zMm,
      chemistry: t.chemistry && CHEMISTRY.has(t.chemistry) ? t.chemistry : 'unknown',
      ...(t.bedded && t.bedded <= today ? { bedded: t.bedded } : {}),
      state: t.state,
      loose: d.seen[t.id]?.loose ?? false,
      gap: d.seen[t.id]?.gap ?? false,
      loaded: t.loaded,
      ...(t.verdict ? { verdict: t.verdict } : {}),
    })),
    // What is taken off the boat since cannot be asked about any more.
    tests: tests
      .filter((t) => t.on.every((id) => known.has(id)))
      .map(({ delayMin, ...t }) => ({ ...t, ...(delayMin === null ? {} : { delayMin }) })),
  } as Input
}
/** A chance in words: nobody sails by a percentage of the third figure. */
export function chanceSaid(p: number): string {
  if (p > 0.9) return 'it is this'
  if (p >= 0.5) return 'most likely'
  if (p >= 0.2) return 'likely'
  if (p >= 0.05) return 'may be'
  if (p >= 0.02) return 'hardly'
  return 'ruled out'
}
export interface RankedLeak {
  id: string
  name: string
  kind: string | null
  probability: number
  said: string
  way: string
  /** what speaks for it and against, the strongest first */
  reasons: { text: string; for: boolean }[]
}
export interface LeakTraced {
  state: 'go-on' | 'found' | 'elsewhere'
  found: string | null
  ranked: RankedLeak[]
  next: null | {
    kind: 'hose' | 'dye'
    on: { id: string; name: string }[]
    minutes: number
    wetChance: number
    ifWet: { leads: string; said: string; rulesOut: string[] }
    ifDry: { leads: string; said: string; rulesOut: string[] }
  }
  tests: (LeakTest & { names: string[]; rulesOut: string[] })[]
  cautions: string[]
}
const WAY: Record<string, string> = {
  runs: 'Runs down to the drip.',
  level: 'Creeps along.',
  wicks: 'Would have to wick up.',
}
const ELSEWHERE_SAID = 'Something nobody listed'
const SHOWN = 12
export function leakAnswer(things: LeakThing[], tests: LeakTest[], out: LeakAnswer): LeakTraced {
  const by = new Map(things.map((t) => [t.id, t]))
  const name = (id: string) => (id === ELSEWHERE ? ELSEWHERE_SAID : (by.get(id)?.name ?? id))
  const outcome = (o: NonNullable<LeakAnswer['next']>['ifWet']) => ({
    leads: name(o.leads),
    said: chanceSaid(o.probability),
    rulesOut: o.rulesOut.map(name),
  })
  return {
    state: out.state,
    found: out.found,
    ranked: out.ranked.slice(0, SHOWN).map((r) => ({
      id: r.id,
      name: name(r.id),
      kind: by.get(r.id)?.kind ?? null,
      probability: r.probability,
      said: chanceSaid(r.probability),
      way: r.way ? WAY[r.way]! : '',
      reasons: [...r.reasons]
        .sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits))
        .map((x) => ({ text: x.text, for: x.bits > 0 })),
    })),
    next: out.next && {
      kind: out.next.kind,
      on: out.next.on.map((id) => ({ id, name: name(id) })),
      minutes: out.next.minutes,
      wetChance: out.next.wetChance,
      ifWet: outcome(out.next.ifWet),
      ifDry: outcome(out.next.ifDry),
    },
    tests: tests
      .filter((t) => t.on.every((id) => by.has(id)))
      .map((t, i) => ({
        ...t,
        names: t.on.map(name),
        rulesOut: (out.tests[i]?.rulesOut ?? []).map(name),
      })),
    cautions: out.cautions,
  }
}
const LEAST_R = 0.18
const LIKELY = 0.02
const POINTS = 24
/** A drop: a disc drawn out upwards. */
function drop(d: Drip, one: number, textMm: number): Shape[] {
  const r = 0.022 * one
  return [
    {
      kind: 'area',
      tone: 'hardware',
      role: 'drip',
      label: 'the drip',
      points: Array.from({ length: POINTS }, (_, i) => {
        const a = (2 * Math.PI * i) / POINTS
        const up = Math.sin(a) > 0
        return {
          x: d.xMm + r * Math.cos(a) * (up ? Math.cos(a) ** 2 : 1),
          y: d.yMm + r * (up ? 1.9 : 1) * Math.sin(a),
        }
      }),
    },
    {
      kind: 'text',
      at: { x: d.xMm, y: d.yMm - 0.06 * one },
      text: 'drip',
      size: textMm,
      anchor: 'middle',
      weight: 'strong',
    },
  ]
}
/** One place that it may come in by: a ring as large as its chance, its way to the drip, its name. */
function way(d: Drip, t: LeakThing, r: RankedLeak, first: boolean, one: number, textMm: number): Shape[] {
  const at = { x: t.xMm, y: t.yMm }
  const radius = (LEAST_R + Math.sqrt(r.probability)) * 0.06 * one
  return [
    { kind: 'path', weight: 'dimension', points: [at, { x: d.xMm, y: d.yMm }], role: 'way' },
    { kind: 'ring', at, r: radius, weight: first ? 'load' : 'outline', role: `candidate ${t.id}` },
    {
      kind: 'text',
      at: { x: at.x + radius + textMm * 0.4, y: at.y - textMm * 0.3 },
      text: `${t.name}: ${r.said}`,
      size: textMm,
      anchor: 'start',
      weight: first ? 'strong' : 'normal',
    },
  ]
}
/** Paths of water to the drip, what dams it, and a chance as the size of a ring and in words. */
export function leakDrawing(d: Drip, things: LeakThing[], parts: BoatPart[], ranked: RankedLeak[]): Drawing {
  const by = new Map(things.map((t) => [t.id, t]))
  const shown = ranked.flatMap((r) => {
    const t = by.get(r.id)
    return t && r.probability >= LIKELY ? [{ r, t }] : []
  })
  const pts = [{ x: d.xMm, y: d.yMm }, ...shown.map(({ t }) => ({ x: t.xMm, y: t.yMm }))]
  const [xs, ys] = [pts.map((p) => p.x), pts.map((p) => p.y)]
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const one = Math.max(300, x1 - x0, y1 - y0)
  const pad = 0.28 * one
  const bounds = { minX: x0 - pad, maxX: x1 + 1.6 * pad, minY: y0 - pad, maxY: y1 + pad }
  const textMm = one / 26
  const inside = (x: number, y: number) =>
    x >= bounds.minX && x <= bounds.maxX && y >= bounds.minY && y <= bounds.maxY
  const dams: Shape[] = damsOf(parts)
    .filter((m) => inside(m.x1Mm, m.y1Mm) || inside(m.x2Mm, m.y2Mm))
    .map((m) => ({
      kind: 'path',
      weight: 'hidden',
      role: 'dam',
      points: [
        { x: m.x1Mm, y: m.y1Mm },
        { x: m.x2Mm, y: m.y2Mm },
      ],
    }))
  const said = shown.map(({ r }) => `${r.name}, ${r.said}`).join('; ')
  return {
    title: 'Where the water may come from',
    description: `The drip, and ${shown.length} places it may come from: ${said}.`,
    bounds,
    shapes: [
      ...dams,
      ...shown.flatMap(({ r, t }, i) => way(d, t, r, i === 0, one, textMm)),
      ...drop(d, one, textMm),
    ],
    legend: [],
    textMm,
    scaleBarMm: niceLength(one / 4),
  }
}
