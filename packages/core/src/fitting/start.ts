import { CalcError } from '../errors'
import { parseInput } from '../calculator'
import type { CatalogueEntry } from '../catalogue'
import type { Structure } from '../materials/structure'
import type { Duty } from '../verdict/factors'
import type { Measure } from '../survey/where'
import { plateFor } from './remedies'
import { SCHEMA_VERSION, designSchema, upgradeDesign, type Design, type Measurable } from './design'

export interface Spot {
  zone: string | null
  xMm: number
  yMm: number
  zMm: number
  edgeMm: number | null
  belowWaterline: boolean
  structure: Structure
  measured: Measurable[]
  duty: Duty
  measuredFrom?: Measure[]
}

/** What a family is usually asked to carry; the fitter changes it, and nothing is forbidden. */
function usualLoad(entry: CatalogueEntry): Design['load'] {
  const arc = { azimuthDeg: { from: -90, to: 90, step: 30 }, elevationDeg: { from: 0, to: 30, step: 15 } }
  const height = entry.base.bodyHeightMm
  switch (entry.family) {
    case 'cleat':
      return { basis: 'line', line: 'polyester-3', diameterMm: entry.units === 'inch' ? 9.525 : 12, share: 0.5, heightMm: Math.round(height * 0.65), sweep: arc }
    case 'bitt':
      return { basis: 'line', line: 'polyester-3', diameterMm: 14, share: 0.5, heightMm: Math.round(height * 0.6), sweep: arc }
    case 'stanchion':
      return { basis: 'person', kind: 'guard', heightMm: 610 }
    case 'block':
      return { basis: 'turned-line', tensionN: 3200, deflectionDeg: 120, elevationDeg: 30, heightMm: height }
    default:
      return { basis: 'rated', ratedN: entry.ratedN ?? 5000, heightMm: Math.round(height / 2), sweep: arc }
  }
}

/** A first design of a catalogue fitting at a spot: usual choices, every one of them open to change. */
export function startDesign(entry: CatalogueEntry, spot: Spot, name: string): Design {
  const cored = spot.structure.kind === 'sandwich'
  const size = entry.sizes[entry.sizes.length - 1]!
  const bare = { bolts: entry.bolts, bolt: { size }, sizes: entry.sizes } as Design
  return parseDesign({
    schemaVersion: SCHEMA_VERSION, name, family: entry.family, catalogueId: entry.id,
    place: { zone: spot.zone, xMm: spot.xMm, yMm: spot.yMm, zMm: spot.zMm, edgeMm: spot.edgeMm, belowWaterline: spot.belowWaterline, measuredFrom: spot.measuredFrom ?? [] },
    structure: spot.structure, measured: spot.measured, duty: spot.duty, dutyReason: null, load: usualLoad(entry), base: entry.base, bolts: entry.bolts, sizes: entry.sizes,
    bolt: { size, grade: 'A4-70', head: entry.head, headWasher: entry.head === 'countersunk' ? 'none' : 'plain', nut: 'locking', nutWasher: 'plain', partThreaded: false, threadsInShear: true, paste: true, torqueNm: null },
    plate: spot.structure.kind === 'metal' ? null : { material: 'g10', ...plateFor(bare, 40), thicknessMm: 8, bedGapMm: 1 },
    core: { school: cored ? 'bore-fill' : 'none', boreMm: null, undercutMm: null, insert: null, chamferMm: 1.5, torn: false, lightLoad: false },
    bedding: {
      sealant: spot.belowWaterline ? 'pu-medium' : 'butyl', tightening: 'once', serviceAgainYears: 10, movementMm: 0, sunlight: false, fuelOrSolvent: false, toBePainted: false,
      baseFace: entry.face, deckFace: spot.structure.kind === 'metal' ? 'aluminium' : 'gelcoat', beadMm: null, tempC: 12, humidityPct: 65,
    },
  })
}

/** Reads a design from outside: upgraded, then validated whole. */
export function parseDesign(raw: unknown): Design {
  const version = raw !== null && typeof raw === 'object' ? (raw as { schemaVersion?: unknown }).schemaVersion : undefined
  if (typeof version === 'number' && version > SCHEMA_VERSION) throw new CalcError('newer-version', 'schemaVersion', `This design is of version ${version}; version ${SCHEMA_VERSION} is the newest read here`)
  return parseInput(designSchema, upgradeDesign(raw)) as Design
}
