import type { Structure } from '../../base/materials/structure'
import type { KindSpot } from '../kind'
import type { OpeningEntry } from './catalogue'
import { OPENING_VERSION, openingSchema, type OpeningDesign } from './design'
import { OPENING_FAMILY, type SeaPlace } from './families'

/** A little less than the most, so that a tenth is in hand. */
const PITCH = { hatch: 130, glazing: 85 } as const
const THIN_MM = 5
const USUAL_DAY = { tempC: 15, humidityPct: 65 }

/** Where green water comes from here, by the zone that it stands in; an estimate. */
function seaOf(spot: KindSpot): SeaPlace {
  const zone = spot.zones.find((z) => z.code === spot.zone)
  if (!zone) return 'foredeck'
  if (zone.face === 'topsides') return 'topside'
  if (zone.face === 'roof') return 'coachroof'
  const words = `${zone.code} ${zone.title}`.toLowerCase()
  if (words.includes('fore')) return 'foredeck'
  return words.includes('side') ? 'side-deck' : 'cockpit'
}
const faceOf = (s: Structure): OpeningDesign['bedding']['deckFace'] => {
  if (s.kind === 'metal') return s.metal === 'mild-steel' ? 'steel' : 'aluminium'
  return s.kind === 'timber' ? 'wood' : 'gelcoat'
}
/** Plates of plastic lie on a bead that has to move; what is carried in a frame does not. */
const onBead = (e: OpeningEntry) => e.pane !== null && e.family === 'portlight-fixed'

const RIMMED: Partial<Record<OpeningEntry['family'], 'light' | 'stiff'>> = {
  'deck-hatch': 'stiff',
  'portlight-opening': 'light',
}
function lidOf(e: OpeningEntry): OpeningDesign['lid'] {
  if (!e.lid) return null
  const loose = e.family === 'cover' || e.family === 'ledge-lid'
  return {
    massKg: e.lid.massKg,
    back: e.family === 'ledge-lid' ? 'ledge' : e.family === 'cover' ? 'latches' : 'hinge',
    latches: e.lid.latches,
    latch: e.lid.latch,
    gasket: 'hollow',
    rim: RIMMED[e.family] ?? 'none',
    windKn: loose ? 60 : null,
    stops: e.family === 'cover' ? { clearanceMm: 3, overlapMm: 20 } : null,
    stepMm: e.family === 'cover' ? 12 : null,
  }
}
function paneOf(e: OpeningEntry): OpeningDesign['pane'] {
  if (!e.pane) return null
  return {
    ...e.pane,
    underfoot: OPENING_FAMILY[e.family].underfoot,
    clamped: false,
    screws: onBead(e) ? { screwMm: e.frame.screwMm, edgeMm: e.frame.insetMm } : null,
    beadMm: onBead(e) ? 4 : null,
    sealant: onBead(e) ? 'silicone-neutral' : null,
    proof: null,
  }
}

/** A first design: thin single skins get their ring, cores are raked and filled, estimates stay estimates. */
export function startOpening(e: OpeningEntry, spot: KindSpot, name: string): OpeningDesign {
  const s = spot.structure
  const thin = s.kind !== 'sandwich' && s.thicknessMm < THIN_MM
  const d: OpeningDesign = {
    schemaVersion: OPENING_VERSION,
    name,
    family: e.family,
    catalogueId: e.id,
    place: {
      zone: spot.zone,
      xMm: spot.xMm,
      yMm: spot.yMm,
      zMm: spot.zMm,
      belowWaterline: spot.belowWaterline,
      measuredFrom: spot.measuredFrom ?? [],
    },
    headingDeg: 0,
    structure: s,
    structureReason: null,
    measured: spot.measured,
    duty: spot.duty,
    dutyReason: null,
    outline: e.outline,
    frame: { ...e.frame, hold: 'screws', pitchMm: PITCH[OPENING_FAMILY[e.family].frame] },
    core: { filled: s.kind === 'sandwich', rakeMm: s.kind === 'sandwich' ? rakeFor(e) : null },
    ring: thin ? { material: 'plywood', widthMm: 4 * e.frame.screwMm + 14, thicknessMm: 12 } : null,
    cutMemberMm2: 0,
    pane: paneOf(e),
    lid: lidOf(e),
    keeps: OPENING_FAMILY[e.family].keeps,
    sea: seaOf(spot),
    sillMm: null,
    bedding: {
      sealant: 'hybrid',
      beadMm: 1.5,
      filletMm: 3,
      serviceAgainYears: null,
      sunlight: true,
      toBePainted: false,
      deckFace: faceOf(s),
      ...USUAL_DAY,
    },
    offcutMm: null,
    existing: false,
    findings: [],
    replaces: null,
  }
  // In the order in which its schema has its fields, as it will be read back.
  return openingSchema.parse(d)
}
/** Deep enough that the screws of the flange stand in the fill. */
const rakeFor = (e: OpeningEntry) =>
  Math.max(12, Math.ceil(e.frame.flangeMm - e.frame.insetMm + e.frame.screwMm))
