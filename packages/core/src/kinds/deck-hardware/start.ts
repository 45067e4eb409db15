import { stockThickness, type Stock } from '../../base/materials/plates'
import type { CatalogueEntry } from './catalogue'
import { SIZES } from '../../base/materials/fasteners'
import { easyBoreMm } from '../../chapters/deck/core-plug'
import { startingLoad } from './guess'
import { bestIsolation } from './isolation'
import { metalsCheck } from './metals'
import { plateFor } from './remedies'
import { SCHEMA_VERSION, parseDesign, type Design } from './design'
import type { Spot } from '../../boat/place'

/**
 * The bolt the casting is drilled for: the largest that passes its holes and whose neighbours stand far
 * enough off.
 */
export function drilledFor(
  entry: Pick<CatalogueEntry, 'bolts' | 'sizes'> & { bolt?: { size: string } },
  metal: boolean,
): string {
  const gap = Math.min(
    ...entry.bolts.flatMap((a, i) =>
      entry.bolts.slice(0, i).map((b) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)),
    ),
  )
  const least = metal ? 2.5 : 3
  return (
    entry.sizes.findLast((s) => least * SIZES[s]!.diameterMm <= gap + 1e-9) ??
    entry.sizes[0] ??
    entry.bolt!.size
  )
}

const INCH = 25.4
/**
 * The sheet that one starts with: by the rule of thumb a bolt thick, for the larger bolts of an inch shop;
 * what holds with less is found by Size it.
 */
const firstSheet = (size: string, stock: Stock) =>
  stock === 'inch'
    ? {
        thicknessMm: stockThickness(Math.max((3 / 8) * INCH, SIZES[size]!.diameterMm), stock)!,
        bedGapMm: INCH / 16,
      }
    : { thicknessMm: 8, bedGapMm: 1 }
type Sheet = Design['stock']
const isMetal = (spot: Spot) => spot.structure.kind === 'metal'

function startingPlate(entry: CatalogueEntry, spot: Spot, size: string, stock: Sheet) {
  if (isMetal(spot) || entry.family === 'track') return null
  const bare = { bolts: entry.bolts, bolt: { size }, sizes: entry.sizes, stock } as Design
  return { material: 'g10', ...plateFor(bare, 40), ...firstSheet(size, stock) }
}
const startingCore = ({ structure }: Spot, size: string, stock: Sheet) => ({
  school: structure.kind === 'sandwich' ? 'bore-fill' : 'none',
  boreMm:
    structure.kind === 'sandwich' ? easyBoreMm(structure.core.material, SIZES[size]!.clearanceMm) : null,
  undercutMm: null,
  insert: null,
  chamferMm: stock === 'inch' ? INCH / 16 : 1.5,
  torn: false,
  lightLoad: false,
})
const startingBolt = (entry: CatalogueEntry, size: string) => ({
  size,
  grade: 'A4-70',
  head: entry.head,
  headWasher: entry.head === 'countersunk' ? 'none' : 'plain',
  nut: 'locking',
  nutWasher: entry.family === 'track' ? 'large' : 'plain',
  partThreaded: false,
  threadsInShear: true,
  paste: true,
  torqueNm: null,
})
const startingBedding = (entry: CatalogueEntry, spot: Spot) => ({
  sealant: spot.belowWaterline ? 'pu-medium' : 'butyl',
  tightening: 'once',
  serviceAgainYears: 10,
  movementMm: 0,
  sunlight: false,
  fuelOrSolvent: false,
  toBePainted: false,
  baseFace: entry.face,
  deckFace: isMetal(spot) ? 'aluminium' : 'gelcoat',
  beadMm: null,
  tempC: 12,
  humidityPct: 65,
})
const DOUBLED = ['towing-post', 'lifting-point', 'doubler', 'bitt', 'winch', 'foot-plate']
const startingDoubler = (entry: CatalogueEntry, { structure }: Spot) =>
  structure.kind === 'metal' && DOUBLED.includes(entry.family)
    ? {
        ...doublerFor(entry),
        thicknessMm: Math.ceil(structure.thicknessMm * 1.5),
        weldMm: structure.thicknessMm,
      }
    : null

/** A first design of a catalogue fitting at a spot: usual choices, every one of them open to change. */
export function startDesign(entry: CatalogueEntry, spot: Spot, name: string): Design {
  const size = drilledFor(entry, isMetal(spot))
  const { load, guesses } = startingLoad(entry, spot)
  const stock = spot.boat?.units === 'inch' || SIZES[size]!.system === 'inch' ? 'inch' : 'metric'
  const { zone, xMm, yMm, zMm, edgeMm, belowWaterline } = spot
  const design = parseDesign({
    schemaVersion: SCHEMA_VERSION,
    name,
    family: entry.family,
    catalogueId: entry.id,
    place: { zone, xMm, yMm, zMm, edgeMm, belowWaterline, measuredFrom: spot.measuredFrom ?? [] },
    structure: spot.structure,
    measured: spot.measured,
    duty: spot.duty,
    dutyReason: null,
    load,
    guesses,
    base: entry.base,
    bolts: entry.bolts,
    sizes: entry.sizes,
    stock,
    bolt: startingBolt(entry, size),
    plate: startingPlate(entry, spot, size, stock),
    core: startingCore(spot, size, stock),
    bedding: startingBedding(entry, spot),
    pipeMm: entry.pipeMm ?? null,
    doubler: startingDoubler(entry, spot),
  })
  // Metals that would eat each other are kept apart from the start; the fitter may think otherwise.
  const metals = metalsCheck(design)
  return metals && metals.verdict !== 'holds' ? { ...design, isolation: bestIsolation(design) } : design
}

/** A first doubler: past the base by half its size, in tens of millimetres. */
const doublerFor = (e: CatalogueEntry) => {
  const [l, w] =
    'diameterMm' in e.base ? [e.base.diameterMm, e.base.diameterMm] : [e.base.lengthMm, e.base.widthMm]
  return { lengthMm: Math.ceil((1.5 * l) / 10) * 10, widthMm: Math.ceil((1.5 * w) / 10) * 10 }
}

/** Reads a design from outside: upgraded, then validated whole. */
