import { answerOf } from '../../base/calculator/calculator'
import { sealant } from '../../base/materials/sealants'
import { inWords, say, unproven, type Check } from '../../base/verdict/check'
import { chooseSealant } from '../../chapters/bedding/sealant-choice'
import { lidHold } from '../../chapters/making/lid-hold'
import { panelGrowth } from '../../chapters/opening/panel-growth'
import { panel } from '../../chapters/opening/panel'
import type { OpeningDesign } from './design'
import { SILLED, SILL_MM } from './families'
import type { Edge, Grown, Held, Paned } from './judgement'
import { clearSpan, flangeBounds, sizeAt } from './outline'

const FOOT_MM = 100
const PLASTIC = ['cast-acrylic', 'polycarbonate']
const shortOf = (s: ReturnType<typeof clearSpan>) =>
  s.shape === 'circle' ? s.diameterMm : Math.min(s.lengthMm, s.widthMm)

/** Pane or lid under green water and a foot; null where nothing closes it. */
export function paneOf(d: OpeningDesign): Paned | null {
  if (!d.pane) return null
  const span = clearSpan(d)
  const foot = d.pane.underfoot && shortOf(span) > FOOT_MM
  return answerOf(panel, {
    ...span,
    thicknessMm: d.pane.thicknessMm,
    material: d.pane.material,
    ...(d.lid?.headMm == null ? { place: d.sea } : { pressureKPa: headKPa(d.lid.headMm) }),
    ...(foot ? { patch: {} } : {}),
    support: d.pane.clamped ? 'clamped' : 'simply-supported',
    duty: d.duty,
  })
}
const renamed = (c: Check, id: string, title: string): Check => ({ ...c, id, title })
/** Past half its thickness a pane stretches as well as bends, and is stiffer than the sum says. */
const stretched = (p: Paned, c: Check): Check =>
  p.largeDeflection
    ? {
        ...c,
        because: `${c.because} It gives more than half its thickness: the sum overstates both, and a maker\u2019s proof goes before it.`,
      }
    : c
/** What its maker proves stands before the sum, which is said beside it. */
function provedCheck(p: Paned, proof: string): Check {
  const most = Math.max(...p.checks.map((c) => c.utilisation ?? 0))
  return inWords({
    id: 'pane-proof',
    title: 'Pane or lid, by its maker',
    unit: '',
    source: 'the maker',
    verdict: 'holds',
    because: `Its maker proves it for such a place: ${proof}. By thin-plate theory it would be used to ${most.toFixed(2)}.`,
    assumed: ['the maker\u2019s proof'],
  })
}
export const paneChecks = (p: Paned | null, proof: string | null): Check[] => {
  if (p && proof) return [provedCheck(p, proof)]
  return (p?.checks ?? []).map((c) =>
    c.id === 'bending'
      ? renamed(stretched(p!, c), 'pane-bending', 'Pane or lid, bending')
      : renamed(stretched(p!, c), 'pane-deflection', 'Pane or lid, stiff enough'),
  )
}

/** A plastic pane that is screwed or lies on a bead grows with the day. */
export function growthOf(d: OpeningDesign, e: Edge): Grown | null {
  if (!d.pane || !PLASTIC.includes(d.pane.material) || (!d.pane.screws && d.pane.beadMm === null)) return null
  const b = flangeBounds(d)
  const moves = d.pane.sealant !== null && sealant(d.pane.sealant).movement > 0
  return answerOf(panelGrowth, {
    material: d.pane.material,
    structure: d.structure.kind === 'metal' ? 'aluminium' : 'laminate',
    lengthMm: b.maxX - b.minX,
    widthMm: b.maxY - b.minY,
    screwMm: d.pane.screws?.screwMm ?? d.frame.screwMm,
    ...(d.pane.screws && e.screws.length ? { holesMm: e.screws.map((s) => ({ x: s.xMm, y: s.yMm })) } : {}),
    ...(moves ? { sealant: d.pane.sealant } : {}),
    ...(d.pane.screws ? { edgeMm: d.pane.screws.edgeMm } : {}),
    ...(d.pane.beadMm === null ? {} : { beadMm: d.pane.beadMm }),
  })
}
export const growthChecks = (g: Grown | null): Check[] =>
  (g?.checks ?? []).map((c) =>
    c.id === 'bead'
      ? renamed(c, 'pane-bead', 'Bead as thick as the pane grows')
      : renamed(c, 'pane-holes', 'Holes in the pane to its edge'),
  )

/** Bending stiffness of a rim of aluminium, about 20 by 12 and 30 by 20 hollow, N mm2; estimates. */
const RIM_EI = { none: 0, light: 1.4e8, stiff: 9e8 } as const
/** Pressure of a head of sea water, kPa. */
const headKPa = (mm: number) => (1025 * 9.80665 * (mm / 1000)) / 1000
/** What would take it off its seat: a head of water from the other side, or the wind. */
function liftOf({ lid }: OpeningDesign): { liftKPa?: number; windKn?: number } {
  if (lid?.headMm != null) return { liftKPa: headKPa(lid.headMm) }
  return lid?.windKn ? { windKn: lid.windKn } : {}
}
/** A hinged or loose lid: shut, lifted by the wind, upside down. */
export function heldOf(d: OpeningDesign): Held | null {
  const { lid, pane } = d
  if (!lid) return null
  const s = sizeAt(d.outline, Math.max(0, d.pane?.seatMm ?? 0))
  return answerOf(lidHold, {
    lengthMm: s.lengthMm,
    widthMm: s.widthMm,
    massKg: lid.massKg,
    back: lid.back,
    latches: { count: lid.latches, ...(lid.latch ? { kind: lid.latch } : {}) },
    ...(lid.gasket ? { gasket: { kind: lid.gasket } } : {}),
    ...(pane
      ? {
          lid: {
            material: pane.material,
            thicknessMm: pane.thicknessMm,
            frameEiNmm2: RIM_EI[lid.rim],
          },
        }
      : {}),
    ...liftOf(d),
    // A door stands upright: upside down its weight lies on its hinges as before.
    inverted: d.family !== 'watertight-door',
    ...(lid.stops ? { stops: lid.stops } : {}),
    ...(lid.stepMm === null ? {} : { stepMm: lid.stepMm }),
    duty: d.duty,
  })
}
const LID: Record<string, string> = {
  latch: 'lid-latch',
  inverted: 'lid-inverted',
  gasket: 'lid-gasket',
  slide: 'lid-slide',
  trip: 'lid-trip',
}
const lidSaid = (c: Check) =>
  c.because ||
  (c.demand === null || c.capacity === null
    ? c.title
    : `${say(c.demand)} ${c.unit} against ${say(c.capacity)} ${c.unit}${c.factor === 1 ? '' : ` with a factor of ${say(c.factor)}`}.`)
export const lidChecks = (h: Held | null): Check[] =>
  (h?.checks ?? []).map((c) => ({ ...c, id: LID[c.id] ?? `lid-${c.id}`, because: lidSaid(c) }))

/** What stands between it and the water that comes first (chapter 6.4). */
export function sillCheck(d: OpeningDesign): Check | null {
  if (!SILLED.includes(d.family) && d.sillMm === null) return null
  const shape = { id: 'sill', title: 'Sill high enough', unit: 'mm', source: 'commonly asked' }
  const least = SILL_MM[d.duty]
  if (d.sillMm === null)
    return unproven({
      ...shape,
      because: `Its sill is not given: ${least} mm over what floods first, the cockpit or the deck, is commonly asked.`,
    })
  return {
    ...inWords({
      ...shape,
      verdict: d.sillMm < least ? 'short' : 'holds',
      because: `${say(d.sillMm)} mm over what floods first; ${least} mm is commonly asked.${d.sillMm < least ? ' A fixed lower board, or a higher sill.' : ''}`,
    }),
    assumed: ['the height of a sill that is commonly asked'],
  }
}

/** A door is as tight as its dogs keep it against the water that would press it off its seat. */
function doorCheck(
  d: OpeningDesign,
  h: Held,
  shape: { id: string; title: string; unit: string; source: string },
) {
  const { headMm } = d.lid!
  if (headMm === null)
    return unproven({
      ...shape,
      because:
        'Nobody has said how high water would stand against it: the head over its middle, on the side that presses it off its seat.',
    })
  const proof = d.pane?.proof ?? null
  const dogs = `${h.latchCount} dogs and its hinges hold ${say(h.liftN! / 1000)} kN of a head of ${say(headMm)} mm, and ${say(h.leftMm ?? 0)} mm are left on its gasket`
  return inWords({
    ...shape,
    verdict: proof ? 'holds' : 'tight',
    because: proof
      ? `Its maker proves it: ${proof}. ${dogs}.`
      : `${dogs}. That is worked out: a door is proved by a hose on its seal, and by its maker for a head.`,
  })
}

/** What it has to keep out, and what says that it does (chapter 6.4). */
export function keepsCheck(d: OpeningDesign, h: Held | null): Check | null {
  if (d.keeps === 'neither') return null
  const shape = {
    id: 'keeps-out',
    title: d.keeps === 'watertight' ? 'Watertight' : 'Weathertight',
    unit: '',
    source: 'chapter 6.4',
  }
  if (!h)
    return inWords({
      ...shape,
      verdict: 'holds',
      because:
        d.family === 'inspection-port'
          ? 'It is as tight as its thread, its seal and its bedding, and that is proved by the hose.'
          : 'It does not open: it is as tight as its bedding, and that is proved by the hose.',
    })
  if (!d.lid!.gasket)
    return inWords({
      ...shape,
      verdict: 'short',
      because: 'Without a gasket water comes past its edge: a strip all round, pressed by the latches.',
    })
  if (h.weathertight === null)
    return unproven({
      ...shape,
      because: 'What the lid is made of is not given, so nobody knows how it bends.',
    })
  if (!h.weathertight)
    return inWords({
      ...shape,
      verdict: 'short',
      because: `Between its latches the gasket is left with ${say(h.leftMm!)} mm: more latches, or a stiffer edge.`,
    })
  if (d.family === 'watertight-door') return doorCheck(d, h, shape)
  return d.keeps === 'watertight'
    ? inWords({
        ...shape,
        verdict: 'tight',
        because: 'A latched lid is weathertight; watertight under a head of water is for the maker to prove.',
      })
    : inWords({
        ...shape,
        verdict: 'holds',
        because: 'Its gasket is pressed all round, between the latches too.',
      })
}

const FACE_OF: Record<string, string> = {
  'cast-acrylic': 'acrylic',
  polycarbonate: 'polycarbonate',
  'toughened-glass': 'glass',
  plywood: 'wood',
  'glass-laminate': 'laminate',
}
export function sealantsOf(d: OpeningDesign, g: Grown | null) {
  const b = d.bedding
  const common = {
    place: d.place.belowWaterline ? ('below' as const) : ('above' as const),
    ...(b.serviceAgainYears === null ? {} : { serviceAgainYears: b.serviceAgainYears }),
    sunlight: b.sunlight,
    fuelOrSolvent: false,
    toBePainted: b.toBePainted,
    tempC: b.tempC,
    humidityPct: b.humidityPct,
    load: 'none' as const,
  }
  const frame = chooseSealant({
    ...common,
    joint: 'hatch-frame',
    faces: [d.frame.face, b.deckFace],
    gapMm: b.beadMm,
    movementMm: 0,
  })
  const face = d.pane && FACE_OF[d.pane.material]
  const pane =
    d.pane && d.pane.beadMm !== null && face
      ? chooseSealant({
          ...common,
          joint: 'portlight-lens',
          faces: [face, d.pane.seatMm >= 0 ? b.deckFace : d.frame.face] as never,
          gapMm: d.pane.beadMm,
          movementMm: g?.growthMm ?? 0,
        })
      : null
  return { frame, pane }
}
/** Of a screwed pane: how much larger its holes are than the screws. */
export const holeSaid = (d: OpeningDesign, g: Grown | null): string | null =>
  d.pane?.screws && g ? `holes ${say(g.holeMm)} mm for screws of ${say(d.pane.screws.screwMm)} mm` : null
