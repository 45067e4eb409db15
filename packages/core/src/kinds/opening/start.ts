import type { Structure } from '../../base/materials/structure'
import type { KindSpot } from '../kind'
import type { OpeningEntry } from './catalogue'
import { OPENING_VERSION, openingSchema, type OpeningDesign } from './design'
import { OPENING_FAMILY, type SeaPlace } from './families'
import { pocketOf } from './pocket'

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
/** What holds the side where others have their hinge: a ledge, grooves, dogs all round. */
const BACK: Partial<Record<OpeningEntry['family'], 'ledge' | 'latches'>> = {
  'ledge-lid': 'ledge',
  cover: 'latches',
  'companionway-board': 'ledge',
}
function lidOf(e: OpeningEntry): OpeningDesign['lid'] {
  if (!e.lid) return null
  const loose = e.family === 'cover' || e.family === 'ledge-lid' || e.family === 'companionway-board'
  return {
    massKg: e.lid.massKg,
    back: BACK[e.family] ?? 'hinge',
    hingeSide: 'forward',
    latches: e.lid.latches,
    latch: e.lid.latch,
    gasket: 'hollow',
    rim: RIMMED[e.family] ?? 'none',
    windKn: loose ? 60 : null,
    stops: e.family === 'cover' ? { clearanceMm: 3, overlapMm: 20 } : null,
    stepMm: e.family === 'cover' ? 12 : null,
    drains: null,
    headMm: null,
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

/** A first cable, to be named; the store's sizes follow once the cables are known. */
const FIRST_CABLE = { name: 'cable', odMm: 8, line: 'cable' as const }
const glandOf = ({ gland }: OpeningEntry): OpeningDesign['gland'] =>
  gland
    ? {
        glands: gland.sizes.map((size, i) => ({
          size,
          cables: [{ ...FIRST_CABLE, odMm: size === 'M32' ? 13 : 12 }],
          yMm: i * 80,
          zMm: 0,
          edgeMm: null,
          threadMm: gland.threadMm,
          boreMm: null,
        })),
        floodZMm: null,
        wrenchMm: 10,
        behind: null,
      }
    : null
const binOf = ({ bin }: OpeningEntry): OpeningDesign['bin'] =>
  bin
    ? {
        ...bin,
        contents: { kind: 'gear', massKg: 20 },
        bonded: true,
        surface: 'secondary-polyester',
        liftMinutes: 5,
        minutesPerScrew: 1,
      }
    : null
/** What it is bedded or bonded in, until somebody thinks otherwise. */
function sealantOf(e: OpeningEntry): OpeningDesign['bedding']['sealant'] {
  if (e.gland) return null
  if (e.bin) return 'pu-permanent'
  return e.prism ? 'polysulfide' : 'hybrid'
}

/** A first design: thin single skins get their ring, cores are raked and filled, estimates stay estimates. */
export function startOpening(e: OpeningEntry, spot: KindSpot, name: string): OpeningDesign {
  const s = spot.structure
  const thin = s.kind !== 'sandwich' && s.thicknessMm < THIN_MM
  // A solid and a lining close the core of a prism and a gland.
  const cored = s.kind === 'sandwich' && !e.prism && !e.gland
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
    frame: {
      ...e.frame,
      hold: e.prism || e.gland ? 'bond' : 'screws',
      pitchMm: PITCH[OPENING_FAMILY[e.family].frame],
    },
    core: { filled: cored, rakeMm: cored ? rakeFor(e) : null },
    ring:
      thin && !e.gland ? { material: 'plywood', widthMm: 4 * e.frame.screwMm + 14, thicknessMm: 12 } : null,
    cutMemberMm2: 0,
    carlin: null,
    pane: paneOf(e),
    lid: lidOf(e),
    prism: e.prism ?? null,
    bin: binOf(e),
    gland: glandOf(e),
    keeps: OPENING_FAMILY[e.family].keeps,
    sea: seaOf(spot),
    sillMm: null,
    bedding: {
      sealant: sealantOf(e),
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
  return flush(openingSchema.parse(d))
}
/** A bed thicker than this is no bed; the ledge is built up instead. */
const MOST_BED_MM = 4
/** A prism starts on the bed that brings it flush, where there is one. */
function flush(d: OpeningDesign): OpeningDesign {
  const pocket = pocketOf(d)
  const bed = pocket?.rim === 'flush' ? null : (pocket?.flushBeddingMm ?? null)
  if (bed === null || bed > MOST_BED_MM) return d
  return { ...d, bedding: { ...d.bedding, beadMm: Math.round(bed * 10) / 10 } }
}
/** Deep enough that the screws of the flange stand in the fill. */
const rakeFor = (e: OpeningEntry) =>
  Math.max(12, Math.ceil(e.frame.flangeMm - e.frame.insetMm + e.frame.screwMm))
