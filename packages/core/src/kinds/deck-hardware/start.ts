import type { CatalogueEntry } from './catalogue'
import { metalsCheck } from './metals'
import { plateFor } from './remedies'
import { SCHEMA_VERSION, parseDesign, type Design } from './design'
import type { Spot } from '../../boat/place'

/** A guard line is pushed outboard, on whichever side it stands. */
const outboard = (load: Design['load'], yMm: number): Design['load'] =>
  load.basis === 'person' && load.kind === 'guard' && yMm < 0 ? { ...load, side: 'port' } : load

/** What a family is usually asked to carry; the fitter changes it, and nothing is forbidden. */
function usualLoad(entry: CatalogueEntry): Design['load'] {
  const arc = { azimuthDeg: { from: -90, to: 90, step: 30 }, elevationDeg: { from: 0, to: 30, step: 15 } }
  const height = entry.base.bodyHeightMm
  switch (entry.family) {
    case 'cleat':
      return {
        basis: 'line',
        line: 'polyester-3',
        diameterMm: entry.units === 'inch' ? 9.525 : 12,
        share: 0.5,
        heightMm: Math.round(height * 0.65),
        sweep: arc,
      }
    case 'bitt':
      return {
        basis: 'line',
        line: 'polyester-3',
        diameterMm: 14,
        share: 0.5,
        heightMm: Math.round(height * 0.6),
        sweep: arc,
      }
    case 'towing-post':
      return {
        basis: 'line',
        line: 'polyester-3',
        diameterMm: 18,
        share: 0.5,
        heightMm: Math.round(height * 0.7),
        sweep: { azimuthDeg: { from: -60, to: 60, step: 30 }, elevationDeg: { from: 0, to: 20, step: 20 } },
      }
    case 'tether-point':
      return { basis: 'person', kind: 'tether', heightMm: height }
    case 'handrail':
      return { basis: 'person', kind: 'handhold', heightMm: height }
    case 'ladder-step':
      return { basis: 'person', kind: 'step', heightMm: height }
    case 'lifting-point':
      return { basis: 'lifting', massKg: 2600, legs: 4, legAngleDeg: 30, heightMm: height }
    case 'mast-step':
      return { basis: 'mast-step', rightingMomentNm: 4000, halfBeamM: 1.2 }
    case 'fairlead':
      return { basis: 'turned-line', tensionN: 6000, deflectionDeg: 60, heightMm: Math.round(height * 0.6) }
    case 'track':
      return {
        basis: 'rated',
        ratedN: entry.ratedN ?? 3000,
        heightMm: height,
        elevationDeg: 45,
        azimuthDeg: 90,
      }
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
  const design = parseDesign({
    schemaVersion: SCHEMA_VERSION,
    name,
    family: entry.family,
    catalogueId: entry.id,
    place: {
      zone: spot.zone,
      xMm: spot.xMm,
      yMm: spot.yMm,
      zMm: spot.zMm,
      edgeMm: spot.edgeMm,
      belowWaterline: spot.belowWaterline,
      measuredFrom: spot.measuredFrom ?? [],
    },
    structure: spot.structure,
    measured: spot.measured,
    duty: spot.duty,
    dutyReason: null,
    load: outboard(usualLoad(entry), spot.yMm),
    base: entry.base,
    bolts: entry.bolts,
    sizes: entry.sizes,
    bolt: {
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
    },
    plate:
      spot.structure.kind === 'metal'
        ? null
        : entry.family === 'track'
          ? null
          : { material: 'g10', ...plateFor(bare, 40), thicknessMm: 8, bedGapMm: 1 },
    core: {
      school: cored ? 'bore-fill' : 'none',
      boreMm: null,
      undercutMm: null,
      insert: null,
      chamferMm: 1.5,
      torn: false,
      lightLoad: false,
    },
    bedding: {
      sealant: spot.belowWaterline ? 'pu-medium' : 'butyl',
      tightening: 'once',
      serviceAgainYears: 10,
      movementMm: 0,
      sunlight: false,
      fuelOrSolvent: false,
      toBePainted: false,
      baseFace: entry.face,
      deckFace: spot.structure.kind === 'metal' ? 'aluminium' : 'gelcoat',
      beadMm: null,
      tempC: 12,
      humidityPct: 65,
    },
    pipeMm: entry.pipeMm ?? null,
    doubler:
      spot.structure.kind === 'metal' &&
      ['towing-post', 'lifting-point', 'doubler', 'bitt', 'winch', 'foot-plate'].includes(entry.family)
        ? {
            ...doublerFor(entry),
            thicknessMm: Math.ceil(spot.structure.thicknessMm * 1.5),
            weldMm: spot.structure.thicknessMm,
          }
        : null,
  })
  // Metals that would eat each other are kept apart from the start; the fitter may think otherwise.
  const metals = metalsCheck(design)
  return metals && metals.verdict !== 'holds'
    ? { ...design, isolation: { sleeve: true, washer: true, sealant: true } }
    : design
}

/** A first doubler: past the base by half its size, in tens of millimetres. */
const doublerFor = (e: CatalogueEntry) => {
  const [l, w] =
    'diameterMm' in e.base ? [e.base.diameterMm, e.base.diameterMm] : [e.base.lengthMm, e.base.widthMm]
  return { lengthMm: Math.ceil((1.5 * l) / 10) * 10, widthMm: Math.ceil((1.5 * w) / 10) * 10 }
}

/** Reads a design from outside: upgraded, then validated whole. */
