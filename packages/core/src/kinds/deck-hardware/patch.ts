import type { DeckPatch, deckPatchInput } from '../../chapters/plate/deck-patch'
import type { z } from 'zod'
import { boundsOf, type Point } from '../../base/geometry/outline'
import { layupOf } from '../../chapters/plate/boat-layup'
import { CORES } from '../../base/materials/cores'
import { SIZES } from '../../base/materials/fasteners'
import { DECK_METALS, laminateProperties } from '../../base/materials/laminates'
import { PLATES } from '../../base/materials/plates'
import { factorsOf } from './guess'
import type { Design } from './design'
import type { Field } from '../../boat/field'
import type { Judgement } from './judgement'
import { planOfBase, planOfPlate } from './plans'
import { cosSin, toBoat } from '../../base/geometry/turn'

export type PatchInput = z.input<typeof deckPatchInput>
export type PatchFields = NonNullable<DeckPatch['fields']>
type Patch = NonNullable<PatchInput['loads']>[number]

const BASE_E: Record<string, number> = { stainless: 193000, aluminium: 70000, bronze: 105000, steel: 205000 }
/**
 * Elements a side, before lines are added at every edge: the readings off the edges move by under a tenth
 * beyond it, and it follows a hand.
 */
const MESH = 20
/** Of a casting that stands askew: its edges run across the elements, and are followed by smaller ones. */
const MESH_ASKEW = 36
/** A base that lies on all of its plan presses with all of it. */
const ALL_PRESSED = 0.999
/** A disc as the square of its area. */
const SQUARED = 0.886
const square = (side: number) => ({ lengthMm: side, widthMm: side })

/** The panel with the fitting's middle in it; what lies on it is turned as the fitting is. */
interface Panel {
  d: Design
  x: number
  y: number
  a: number
  b: number
}
const panelFor = (d: Design, field: Field): Panel => ({
  d,
  x: -field.minX,
  y: -field.minY,
  a: field.maxX - field.minX,
  b: field.maxY - field.minY,
})
const onPanel = (n: Panel, p: Point): Point => {
  const q = toBoat(n.d, p)
  return { xMm: n.x + q.xMm, yMm: n.y + q.yMm }
}
const turnOf = (d: Design) => (d.headingDeg === 0 ? {} : { turnDeg: d.headingDeg })
const inside = (at: number, half: number, most: number) => Math.min(most - half, Math.max(half, at))
/** A small square that lies on the panel whole. */
const spotOn = (n: Panel, p: Point, side: number, forceN: number): Patch => {
  const q = onPanel(n, p)
  return {
    xMm: inside(q.xMm, side / 2, n.a),
    yMm: inside(q.yMm, side / 2, n.b),
    ...square(side),
    forceN,
  }
}
/** A rectangle about the fitting's middle, made smaller where the panel is. */
function aboutMiddle(n: Panel, l: number, w: number, most: number) {
  const [roomX, roomY] = [most * Math.min(n.x, n.a - n.x), most * Math.min(n.y, n.b - n.y)]
  if (n.d.headingDeg === 0)
    return { xMm: n.x, yMm: n.y, lengthMm: Math.min(l, roomX), widthMm: Math.min(w, roomY) }
  const [c, s] = cosSin(n.d.headingDeg).map(Math.abs) as [number, number]
  const k = Math.min(1, roomX / (l * c + w * s), roomY / (l * s + w * c))
  return { xMm: n.x, yMm: n.y, lengthMm: k * l, widthMm: k * w, ...turnOf(n.d) }
}

/** Each bolt's pull on its washer, and the deck's push under the pressed side. */
function loadsOn(n: Panel, j: Judgement): Patch[] {
  const { d } = n
  const size = SIZES[d.bolt.size]!
  const washer = (d.bolt.nutWasher === 'large' ? size.largeWasher : size.plainWasher).diameterMm * SQUARED
  const loads = j.worst.bolts.flatMap((s, i) =>
    s.tensionN > 1 ? [spotOn(n, d.bolts[i]!, washer, s.tensionN)] : [],
  )
  const c = j.worst.contact
  // What stands under it takes the push; the deck is not bent by it.
  const carried = d.under !== null && d.under.kind !== 'nothing' && j.worst.direction.outN < 0
  if (!c?.centre || c.deckForceN <= 1 || carried) return loads
  const b = boundsOf(planOfBase(d.base))
  const [l, w] = [b.maxX - b.minX, b.maxY - b.minY]
  const side = Math.max(8, 0.5 * Math.sqrt(Math.max(0.05, c.contactFraction)) * Math.min(l, w))
  const spot = spotOn(n, c.centre, side, -c.deckForceN)
  const whole = c.contactFraction > ALL_PRESSED
  return [...loads, whole ? { ...spot, lengthMm: l, widthMm: w, ...turnOf(d) } : spot]
}

function backingOn(n: Panel): Pick<PatchInput, 'backingPlate'> {
  const { plate } = n.d
  if (!plate) return {}
  const p = boundsOf(planOfPlate(plate))
  return {
    backingPlate: {
      ...onPanel(n, { xMm: (p.minX + p.maxX) / 2, yMm: (p.minY + p.maxY) / 2 }),
      lengthMm: p.maxX - p.minX,
      widthMm: p.maxY - p.minY,
      ...turnOf(n.d),
      tMm: plate.thicknessMm,
      eMPa: PLATES[plate.material].eMPa,
      nu: 0.3,
      bonded: plate.bonded,
    },
  }
}
/** What lies on the deck and stiffens it: a welded doubler, or a metal base that is only bolted down. */
function baseOn(n: Panel): Pick<PatchInput, 'basePlate'> {
  const { d } = n
  if (d.doubler && d.structure.kind === 'metal')
    return {
      basePlate: {
        ...aboutMiddle(n, d.doubler.lengthMm, d.doubler.widthMm, 1.9),
        tMm: d.doubler.thicknessMm,
        eMPa: DECK_METALS[d.structure.metal].eMPa,
        nu: 0.3,
        bonded: true,
      },
    }
  const eMPa = BASE_E[d.bedding.baseFace]
  if (!eMPa) return {}
  const o = boundsOf(
    'diameterMm' in d.base ? { diameterMm: d.base.diameterMm * SQUARED } : planOfBase(d.base),
  )
  return {
    basePlate: {
      ...aboutMiddle(n, o.maxX - o.minX, o.maxY - o.minY, 1.98),
      tMm: d.base.thicknessMm,
      eMPa,
      nu: 0.3,
      bonded: false,
    },
  }
}
function strengthsOf(d: Design): Pick<PatchInput, 'strengths'> {
  const s = d.structure
  if (s.kind !== 'sandwich') return {}
  const { metal, laminate, core } = factorsOf(d)
  return {
    strengths: {
      skinMPa: laminateProperties(s.skin.laminate, s.skin.fibreFraction).tensileMPa,
      coreShearMPa: s.core.shearMPa ?? CORES[s.core.material].shearMPa,
      duty: d.duty,
      factors: { metal, laminate, core },
    },
  }
}

/**
 * The governing direction as forces on the fitting's own field of deck. The panel lies along and across the
 * boat, between its stiffeners; the fitting on it is turned by its heading.
 */
export function patchFor(
  d: Design,
  j: Judgement,
  field: Field,
  withPlate = true,
  mesh = cosSin(d.headingDeg).includes(0) ? MESH : MESH_ASKEW,
): PatchInput {
  const n = panelFor(d, field)
  return {
    panel: { aMm: n.a, bMm: n.b },
    edges: { x0: 'simple', x1: 'simple', y0: 'simple', y1: 'simple' },
    layup: layupOf(d.structure),
    loads: loadsOn(n, j),
    pressureMPa: 0,
    ...(withPlate ? backingOn(n) : {}),
    ...baseOn(n),
    supports: field.under.map((m) => ({ axis: m.axis, atMm: m.atMm + (m.axis === 'x' ? n.x : n.y) })),
    mesh: { nx: mesh, ny: mesh },
    fields: true,
    ...strengthsOf(d),
  }
}
