import type { BoatPart, BoatZone } from '../../boat/spot'
import type { DeckPatch, deckPatchInput } from '../../chapters/plate/deck-patch'
import type { z } from 'zod'
import { boundsOf } from '../../base/geometry/outline'
import { CORES } from '../../base/materials/cores'
import { SIZES } from '../../base/materials/fasteners'
import { DECK_METALS, TIMBERS, laminateProperties } from '../../base/materials/laminates'
import { PLATES } from '../../base/materials/plates'
import { check, governing, say, worstVerdict, type Check, type Verdict } from '../../base/verdict/check'
import { factorsOf } from './guess'
import { tallyOf } from '../tally'
import type { Design } from './design'
import type { Field, Room } from './field'
import type { Judgement } from './judgement'
import { planOfPlate } from './plans'

export type PatchInput = z.input<typeof deckPatchInput>
export type { Field, Room } from './field'

const USUAL_FIELD_MM = 310
const CLEAR_MM = 5
const across = (p: BoatPart) => (p.kind === 'beam' || p.kind === 'bulkhead') && Math.abs(p.x1Mm - p.x0Mm) <= 2
const along = (p: BoatPart) =>
  (p.kind === 'longitudinal' || p.kind === 'bulkhead') &&
  Math.abs(p.y1Mm - p.y0Mm) <= 2 &&
  Math.abs(p.x1Mm - p.x0Mm) > 2

/** Base and plate together. */
const footprint = (d: Design) => {
  const b = boundsOf(
    'diameterMm' in d.base
      ? { diameterMm: d.base.diameterMm }
      : { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm },
  )
  const p = d.plate ? boundsOf(planOfPlate(d.plate)) : b
  return {
    minX: Math.min(b.minX, p.minX),
    maxX: Math.max(b.maxX, p.maxX),
    minY: Math.min(b.minY, p.minY),
    maxY: Math.max(b.maxY, p.maxY),
  }
}

/** The nearest stiffeners all round that do not run under the fitting, and those that do. */
export function fieldAround(d: Design, zone: BoatZone | null, parts: BoatPart[]): Field {
  const f = footprint(d)
  const { xMm, yMm } = d.place
  const under: Field['under'] = []
  const assumed: string[] = []
  const edges =
    zone && (zone.face === 'deck' || zone.face === 'roof') ? boundsOf({ outline: zone.outline }) : null
  const side = (
    members: { at: number; name: string }[],
    least: number,
    most: number,
    low: number | undefined,
    high: number | undefined,
    axis: 'x' | 'y',
    what: string,
  ): [number, number] => {
    for (const m of members) if (m.at > least && m.at < most) under.push({ axis, atMm: m.at, title: m.name })
    const below = members.filter((m) => m.at <= least).map((m) => m.at)
    const above = members.filter((m) => m.at >= most).map((m) => m.at)
    const from = (found: number[], edge: number | undefined, limit: number, sign: -1 | 1, name: string) => {
      if (found.length) return sign < 0 ? Math.max(...found) : Math.min(...found)
      const e = edge ?? NaN
      if (Number.isFinite(e) && sign * (e - limit) > 0) return e
      assumed.push(name)
      return limit + sign * USUAL_FIELD_MM
    }
    return [from(below, low, least, -1, `${what} one side`), from(above, high, most, 1, `${what} other side`)]
  }
  const xs = parts
    .filter(across)
    .map((p) => ({ at: p.x0Mm - xMm, name: `${p.title.toLowerCase()} at x ${Math.round(p.x0Mm)}` }))
  const ys = parts
    .filter((p) => along(p) && xMm > Math.min(p.x0Mm, p.x1Mm) && xMm < Math.max(p.x0Mm, p.x1Mm))
    .map((p) => ({ at: p.y0Mm - yMm, name: `${p.title.toLowerCase()} at y ${Math.round(p.y0Mm)}` }))
  const [minX, maxX] = side(
    xs,
    f.minX - CLEAR_MM,
    f.maxX + CLEAR_MM,
    edges ? edges.minX - xMm : undefined,
    edges ? edges.maxX - xMm : undefined,
    'x',
    'beam',
  )
  const [minY, maxY] = side(
    ys,
    f.minY - CLEAR_MM,
    f.maxY + CLEAR_MM,
    edges ? edges.minY - yMm : undefined,
    edges ? edges.maxY - yMm : undefined,
    'y',
    'longitudinal',
  )
  return { minX, maxX, minY, maxY, under, assumed }
}

/**
 * Clear space for a plate: up to the nearest member past the bolts, less half its width. Null where
 * nothing is in the way.
 */
export function roomAround(d: Design, parts: BoatPart[]): Room | null {
  const bolts = boundsOf({ outline: [...d.bolts, ...d.bolts, ...d.bolts] })
  const { xMm, yMm } = d.place
  const room = { minX: -1e6, maxX: 1e6, minY: -1e6, maxY: 1e6 }
  const take = (at: number, half: number, low: 'minX' | 'minY', high: 'maxX' | 'maxY') => {
    if (at <= bolts[low]) room[low] = Math.max(room[low], at + half)
    else if (at >= bolts[high]) room[high] = Math.min(room[high], at - half)
  }
  for (const p of parts) {
    const half = (p.widthMm ?? 40) / 2 + CLEAR_MM
    if (
      (across(p) || (p.kind === 'knee' && Math.abs(p.x1Mm - p.x0Mm) <= 2)) &&
      (Math.abs(p.y1Mm - p.y0Mm) <= 2 ||
        (yMm > Math.min(p.y0Mm, p.y1Mm) - 200 && yMm < Math.max(p.y0Mm, p.y1Mm) + 200))
    )
      take(p.x0Mm - xMm, half, 'minX', 'maxX')
    if (along(p) && xMm > Math.min(p.x0Mm, p.x1Mm) && xMm < Math.max(p.x0Mm, p.x1Mm))
      take(p.y0Mm - yMm, half, 'minY', 'maxY')
  }
  return Math.max(Math.abs(room.minX), Math.abs(room.maxX), Math.abs(room.minY), Math.abs(room.maxY)) < 1e6 ||
    Object.values(room).some((v) => Math.abs(v) < 1e6)
    ? room
    : null
}

const BASE_E: Record<string, number> = { stainless: 193000, aluminium: 70000, bronze: 105000, steel: 205000 }
/**
 * Elements a side, before lines are added at every edge: the readings off the edges move by under a tenth
 * beyond it, and it follows a hand.
 */
const MESH = 20
const square = (side: number) => ({ lengthMm: side, widthMm: side })

/**
 * The governing direction as forces on the fitting's own field of deck: each bolt's pull on its washer,
 * the deck's push under the pressed side.
 */
export function patchFor(d: Design, j: Judgement, field: Field, withPlate = true, mesh = MESH): PatchInput {
  const [x, y] = [-field.minX, -field.minY]
  const a = field.maxX - field.minX
  const b = field.maxY - field.minY
  const size = SIZES[d.bolt.size]!
  const washer = (d.bolt.nutWasher === 'large' ? size.largeWasher : size.plainWasher).diameterMm * 0.886
  const inside = (at: number, half: number, most: number) => Math.min(most - half, Math.max(half, at))
  const loads = j.worst.bolts.flatMap((s, i) =>
    s.tensionN > 1
      ? [
          {
            xMm: inside(x + d.bolts[i]!.xMm, washer / 2, a),
            yMm: inside(y + d.bolts[i]!.yMm, washer / 2, b),
            ...square(washer),
            forceN: s.tensionN,
          },
        ]
      : [],
  )
  const c = j.worst.contact
  // What stands under it takes the push; the deck is not bent by it.
  const carried = d.under !== null && d.under.kind !== 'nothing' && j.worst.direction.outN < 0
  if (c?.centre && c.deckForceN > 1 && !carried) {
    const base = boundsOf(
      'diameterMm' in d.base
        ? { diameterMm: d.base.diameterMm }
        : { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm },
    )
    const whole = c.contactFraction > ALL_PRESSED
    const side = Math.max(
      8,
      0.5 *
        Math.sqrt(Math.max(0.05, c.contactFraction)) *
        Math.min(base.maxX - base.minX, base.maxY - base.minY),
    )
    loads.push({
      xMm: inside(x + c.centre.xMm, side / 2, a),
      yMm: inside(y + c.centre.yMm, side / 2, b),
      ...(whole ? { lengthMm: base.maxX - base.minX, widthMm: base.maxY - base.minY } : square(side)),
      forceN: -c.deckForceN,
    })
  }
  const s = d.structure
  const p = d.plate ? boundsOf(planOfPlate(d.plate)) : null
  const laminate =
    s.kind === 'sandwich' || s.kind === 'solid'
      ? laminateProperties(s.skin.laminate, s.skin.fibreFraction)
      : null
  const t = (s.kind === 'sandwich' ? 0 : s.thicknessMm) + (d.doubler && s.kind === 'metal' ? 0 : 0)
  return {
    panel: { aMm: a, bMm: b },
    edges: { x0: 'simple', x1: 'simple', y0: 'simple', y1: 'simple' },
    layup:
      s.kind === 'sandwich'
        ? {
            kind: 'sandwich',
            outerMm: s.outerMm,
            coreMm: s.core.thicknessMm,
            innerMm: s.innerMm,
            eMPa: laminate!.eMPa,
            nu: 0.3,
            coreGMPa: CORES[s.core.material].gMPa,
          }
        : {
            kind: 'solid',
            tMm: t,
            eMPa:
              s.kind === 'solid'
                ? laminate!.eMPa
                : s.kind === 'metal'
                  ? DECK_METALS[s.metal].eMPa
                  : TIMBERS[s.timber].eMPa,
            nu: 0.3,
          },
    loads,
    pressureMPa: 0,
    ...(withPlate && d.plate && p
      ? {
          backingPlate: {
            xMm: x + (p.minX + p.maxX) / 2,
            yMm: y + (p.minY + p.maxY) / 2,
            lengthMm: p.maxX - p.minX,
            widthMm: p.maxY - p.minY,
            tMm: d.plate.thicknessMm,
            eMPa: PLATES[d.plate.material].eMPa,
            nu: 0.3,
            bonded: d.plate.bonded,
          },
        }
      : {}),
    ...(d.doubler && s.kind === 'metal'
      ? {
          basePlate: {
            xMm: x,
            yMm: y,
            lengthMm: Math.min(d.doubler.lengthMm, 1.9 * Math.min(x, a - x)),
            widthMm: Math.min(d.doubler.widthMm, 1.9 * Math.min(y, b - y)),
            tMm: d.doubler.thicknessMm,
            eMPa: DECK_METALS[s.metal].eMPa,
            nu: 0.3,
            bonded: true,
          },
        }
      : baseOf(d, x, y, a, b)),
    supports: field.under.map((m) => ({ axis: m.axis, atMm: m.atMm + (m.axis === 'x' ? x : y) })),
    mesh: { nx: mesh, ny: mesh },
    fields: true,
    ...(s.kind === 'sandwich'
      ? {
          strengths: {
            skinMPa: laminate!.tensileMPa,
            coreShearMPa: s.core.shearMPa ?? CORES[s.core.material].shearMPa,
            duty: d.duty,
            factors: { metal: factorsOf(d).metal, laminate: factorsOf(d).laminate, core: factorsOf(d).core },
          },
        }
      : {}),
  }
}
function baseOf(d: Design, x: number, y: number, a: number, b: number) {
  const e = BASE_E[d.bedding.baseFace]
  if (!e) return {}
  const o = boundsOf(
    'diameterMm' in d.base
      ? { diameterMm: d.base.diameterMm * 0.886 }
      : { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm },
  )
  return {
    basePlate: {
      xMm: x,
      yMm: y,
      lengthMm: Math.min(o.maxX - o.minX, 1.98 * Math.min(x, a - x)),
      widthMm: Math.min(o.maxY - o.minY, 1.98 * Math.min(y, b - y)),
      tMm: d.base.thicknessMm,
      eMPa: e,
      nu: 0.3,
      bonded: false,
    },
  }
}

export interface Beside {
  title: string
  solver: number
  hand: number
  /** which to believe, and why; null where they agree within a quarter */
  believe: string | null
}
export interface SpreadSaid {
  checks: Check[]
  beside: Beside[]
  verdict: Verdict
  /** where the solver finds short what the hand checks hold; null where it does not */
  warning: string | null
}
const QUARTER = 0.25
/**
 * Stress is read one deck's thickness away from the edge of an added plate, as at a weld's toe: nearer, it
 * is as sharp as the mesh is fine, while bevel, rounded corners and filler spread the real step over about
 * that width.
 */
const TOE = 1

/** The greatest of a field outside the strip along the edges of base and plate, with where it stands. */
function readOff(
  input: PatchInput,
  f: NonNullable<DeckPatch['fields']>,
  grids: number[][][],
): { value: number; xMm: number; yMm: number } {
  const l = input.layup
  const strip = TOE * (l.kind === 'sandwich' ? l.outerMm + l.coreMm + l.innerMm : l.tMm)
  const plates = [input.backingPlate, input.basePlate].filter((p) => p !== undefined)
  const nearEdge = (x: number, y: number) =>
    plates.some((p) => {
      const [dx, dy] = [Math.abs(x - p.xMm) - p.lengthMm / 2, Math.abs(y - p.yMm) - p.widthMm / 2]
      return (
        (dx <= 0 && dy <= 0 ? Math.min(-dx, -dy) : Math.hypot(Math.max(dx, 0), Math.max(dy, 0))) <
        strip * (1 - 1e-9)
      )
    })
  let best = { value: 0, xMm: 0, yMm: 0 }
  f.yMm.forEach((y, j) =>
    f.xMm.forEach((x, i) => {
      for (const g of grids)
        if (Math.abs(g[j]![i]!) > Math.abs(best.value) && !nearEdge(x, y))
          best = { value: g[j]![i]!, xMm: x, yMm: y }
    }),
  )
  return best
}
const strengthOf = (d: Design): { capacity: number; factor: number } => {
  const s = d.structure
  if (s.kind === 'metal') return { capacity: DECK_METALS[s.metal].yieldMPa, factor: factorsOf(d).metal }
  return {
    capacity:
      s.kind === 'timber'
        ? TIMBERS[s.timber].bearingMPa
        : laminateProperties(s.skin.laminate, s.skin.fibreFraction).tensileMPa,
    factor: factorsOf(d).laminate,
  }
}
/**
 * Past this part of its span a deck no longer answers in proportion, and a linear picture only says that
 * it bends far too much.
 */
const LINEAR = 1

/** The solver's peaks as checks, and beside the hand formulas. The patch is to carry its fields. */
export function spreadSaid(
  d: Design,
  j: Judgement,
  patch: DeckPatch,
  field: Field,
  input: PatchInput,
): SpreadSaid {
  const s = d.structure
  const f = patch.fields!
  const { capacity, factor } = strengthOf(d)
  const where = (p: { xMm: number; yMm: number }) =>
    `at ${say(Math.round(p.xMm + field.minX))} aft, ${say(Math.round(p.yMm + field.minY))} to starboard of the middle`
  const thick =
    input.layup.kind === 'sandwich'
      ? input.layup.outerMm + input.layup.coreMm + input.layup.innerMm
      : input.layup.tMm
  const far =
    Math.abs(patch.maxDeflectionMm) > LINEAR * thick
      ? ` It bends ${say(Math.abs(patch.maxDeflectionMm))} mm, more than its own thickness: past where the figures are in proportion.`
      : ''
  const leans = field.assumed.length ? ['the field\u2019s edges: no stiffener is drawn'] : []
  const skin = (id: string, title: string, grid: number[][]) => {
    const p = readOff(input, f, [grid])
    const what =
      s.kind === 'sandwich'
        ? `${say(Math.abs(p.value))} MPa of ${p.value < 0 ? 'compression' : 'tension'}`
        : `The deck bends to ${say(Math.abs(p.value))} MPa`
    return {
      ...check({
        id,
        title: `${title}, plate solver`,
        unit: 'MPa',
        source: 'chapter 3.7',
        demand: Math.abs(p.value),
        capacity,
        factor,
        because: `${what} ${where(p)}; ${say(capacity)} MPa with a factor of ${factor}.${far}`,
      }),
      assumed: leans,
    }
  }
  const checks: Check[] = []
  if (s.kind === 'sandwich') {
    checks.push(
      skin('spread-skin-outer', 'Bending of the outer skin', f.outerMPa),
      skin('spread-skin-inner', 'Bending of the inner skin', f.innerMPa),
    )
    const core = s.core.shearMPa ?? CORES[s.core.material].shearMPa
    const p = readOff(input, f, [f.shearMPa])
    const cf = factorsOf(d).core
    checks.push({
      ...check({
        id: 'spread-core-shear',
        title: 'Core shear, plate solver',
        unit: 'MPa',
        source: 'chapter 3.7',
        demand: p.value,
        capacity: core,
        factor: cf,
        because: `${say(p.value)} MPa ${where(p)}; ${say(core)} MPa with a factor of ${cf}.`,
      }),
      assumed: leans,
    })
  } else {
    const [o, i] = [readOff(input, f, [f.outerMPa]), readOff(input, f, [f.innerMPa])]
    checks.push(
      skin(
        'spread-skin',
        s.kind === 'metal' ? 'Bending of the plating' : 'Bending of the deck',
        Math.abs(o.value) > Math.abs(i.value) ? f.outerMPa : f.innerMPa,
      ),
    )
  }
  const hand = j.checks.find((c) => c.id === 'punching-core')
  const mine = checks.find((c) => c.id === 'spread-core-shear')
  const beside: Beside[] = []
  if (hand?.utilisation != null && mine?.utilisation != null) {
    const [h, m] = [hand.utilisation, mine.utilisation]
    const apart = Math.abs(m - h) / Math.max(h, 1e-9)
    beside.push({
      title: 'Core shear',
      solver: m,
      hand: h,
      believe:
        apart <= QUARTER
          ? null
          : m > h
            ? 'Believe the solver: the pull is not spread evenly round the plate. One corner or one bolt takes most of it, or a beam stands near and draws it.'
            : 'Believe the solver for what the core sees, and keep the hand formula for the design: it leaves out that skins and base carry part of the pull in bending, so it is on the safe side.',
    })
  }
  const verdict = checks.some((c) => c.verdict === 'short')
    ? 'short'
    : checks.some((c) => c.verdict === 'tight')
      ? 'tight'
      : 'holds'
  const bending = checks.filter((c) => c.verdict === 'short' && c.id !== 'spread-core-shear')
  return {
    checks,
    beside,
    verdict,
    warning: bending.length
      ? `${bending.map((c) => c.title.replace(', plate solver', '').toLowerCase()).join(' and ')} ${bending.length > 1 ? 'are' : 'is'} past what is allowed, and no hand check sees that: believe the solver here. A larger or bonded plate, a place over a beam, a doubler or a smaller load brings it down.`
      : null,
  }
}

/** A base that lies on all of its plan presses with all of it. */
const ALL_PRESSED = 0.999

/**
 * A judgement with the solver's checks among its own. What the deck bends to under a push is the solver's to
 * say where it was asked (18.2).
 */
export function withSolver(j: Judgement, said: Pick<SpreadSaid, 'checks'>): Judgement {
  const asked = said.checks.some((c) => c.id.startsWith('spread-skin') && c.demand !== null)
  const own = asked ? j.checks.filter((c) => c.id !== 'skin-bending') : j.checks
  const checks = [...own, ...said.checks]
  const verdict = worstVerdict(checks.map((c) => c.verdict))
  return { ...j, checks, verdict, governing: governing(checks)?.id ?? null, counts: tallyOf(checks) }
}
