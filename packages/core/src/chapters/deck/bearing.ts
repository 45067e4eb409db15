import type { Structure } from '../../base/materials/structure'
import { laminateProperties, TIMBERS } from '../../base/materials/laminates'
import { coreOf, loadedThickness, strengthsOf } from '../../base/materials/structure'
import { PLATES, type BondingPlateId } from '../../base/materials/plates'
import { draft, say, step, type Draft } from '../../base/verdict/check'
import type { FactorKind } from '../../base/verdict/factors'
import type { Plug } from './plug'

export interface Bonded {
  material: BondingPlateId
  thicknessMm: number
  bondMPa: number
}
interface Given {
  structure: Structure
  plug: Plug | undefined
  bonded: (Bonded & { areaMm2: number }) | undefined
  d: number
  holeMm: number
  /** of the worst bolt, and of all together */
  shearN: number
  sumShearN: number
  boltIndex: number
  factors: Record<FactorKind, number>
}
const SOURCE = 'chapter 3.4'
/** What bonds a reefed plug to the skins, and the plate where nothing else is said, MPa. */
export const BOND_MPA = 12

/** Stiffness of the skins in their plane, or of timber, MPa. */
function inPlane(s: Exclude<Structure, { kind: 'metal' }>): number {
  if (s.kind === 'timber') return TIMBERS[s.timber].eMPa
  return laminateProperties(s.skin.laminate, s.skin.fibreFraction).eMPa
}
/** What a bolt touches on its way through, and how the shear is shared among it by stiffness. */
function sharing(v: Given) {
  const metal = v.structure.kind === 'metal'
  const bored = v.plug && !('whole' in v.plug) && v.plug.bored
  const sandwich = v.structure.kind === 'sandwich' ? v.structure : null
  const ts = sandwich && bored ? sandwich.innerMm : loadedThickness(v.structure)
  const tp = !sandwich || !v.plug ? 0 : sandwich.core.thicknessMm + (bored ? sandwich.outerMm : 0)
  const El = v.structure.kind === 'metal' ? 1 : inPlane(v.structure)
  const Ep = v.plug ? coreOf({ material: v.plug.material, thicknessMm: 1 }).eMPa : 0
  const Eb = v.bonded ? PLATES[v.bonded.material].eMPa : 0
  const tb = v.bonded?.thicknessMm ?? 0
  return { metal, ts, tp, tb, El, Ep, Eb, S: El * ts + Ep * tp + (Eb * tb) / 2 }
}
type Shares = ReturnType<typeof sharing>

function skins(v: Given, k: Shares): Draft {
  const s = strengthsOf(v.structure)
  const factor = v.factors[s.factor]
  const demand = (v.shearN * k.El) / (v.d * k.S)
  const alone = k.tp === 0 && k.tb === 0
  return draft({
    id: 'bearing',
    title: k.metal ? 'Bearing on the plating' : 'Bearing on the skins',
    unit: 'MPa',
    source: SOURCE,
    demand,
    capacity: s.bearingMPa,
    factor,
    because: () =>
      `${say(v.shearN)} N press sideways on ${say(v.d)} \u00d7 ${say(k.ts)} mm${alone ? '' : `, of which the skins take ${say((100 * k.El * k.ts) / k.S)} %`}: ${say(demand)} MPa, against ${say(s.bearingMPa)} MPa with a factor of ${factor}.`,
    working: () => [
      step('V', 'greatest shear of a bolt', '', v.shearN, 'N'),
      step('t', v.structure.kind === 'sandwich' ? 'skins that bear' : 'thickness', '', k.ts, 'mm'),
      ...(alone
        ? []
        : [
            step(
              'S',
              'stiffness of all that it touches',
              'El\u00b7ts + Ep\u00b7tp + \u00bd\u00b7Eb\u00b7tb',
              k.S,
              'N/mm',
            ),
          ]),
      step('\u03c3', 'bearing', alone ? 'V/(d\u00b7t)' : 'V\u00b7El/(d\u00b7S)', demand, 'MPa'),
    ],
    assumed: s.assumed.filter((a) => a === 'bearingMPa'),
    boltIndex: v.boltIndex,
  })
}

function plugBears(v: Given, k: Shares, plug: Plug): Draft {
  const row = coreOf({ material: plug.material, thicknessMm: 1 })
  const demand = (v.shearN * k.Ep) / (v.d * k.S)
  return draft({
    id: 'bearing-plug',
    title: 'Bearing on the plug',
    unit: 'MPa',
    source: SOURCE,
    demand,
    capacity: row.compressiveMPa,
    factor: v.factors.core,
    because: () =>
      `The ${row.title} takes ${say((100 * k.Ep * k.tp) / k.S)} % of ${say(v.shearN)} N: ${say(demand)} MPa, against ${say(row.compressiveMPa)} MPa with a factor of ${v.factors.core}.`,
    working: () => [step('\u03c3', 'bearing on the plug', 'V\u00b7Ep/(d\u00b7S)', demand, 'MPa')],
    boltIndex: v.boltIndex,
  })
}

/**
 * What the plug took has to get into the skins: by its rim where it is bored through, by its bond where
 * not.
 */
function plugHolds(v: Given, k: Shares, plug: Extract<Plug, { areaEachMm2: number }>): Draft {
  const sandwich = v.structure as Extract<Structure, { kind: 'sandwich' }>
  const took = (v.shearN * k.Ep * k.tp) / k.S
  const parts = {
    id: 'plug-hold',
    title: 'The plug in its skins',
    unit: 'MPa',
    source: SOURCE,
    boltIndex: v.boltIndex,
  }
  if (plug.bored) {
    const s = strengthsOf(v.structure)
    const D = Math.sqrt((4 * plug.areaEachMm2) / Math.PI + v.holeMm ** 2)
    const demand = took / (D * sandwich.outerMm)
    return draft({
      ...parts,
      demand,
      capacity: s.bearingMPa,
      factor: v.factors.laminate,
      because: () =>
        `${say(took)} N go from a plug of ${say(D)} mm into ${say(sandwich.outerMm)} mm of outer skin: ${say(demand)} MPa, against ${say(s.bearingMPa)} MPa with a factor of ${v.factors.laminate}.`,
      working: () => [
        step('D', 'plug', '\u221a(4\u00b7A/\u03c0 + h\u00b2)', D, 'mm'),
        step('\u03c3', 'its rim on the outer skin', 'V\u00b7Ep\u00b7tp/(S\u00b7D\u00b7to)', demand, 'MPa'),
      ],
      assumed: s.assumed.filter((a) => a === 'bearingMPa'),
    })
  }
  const demand = took / (2 * plug.areaEachMm2)
  return draft({
    ...parts,
    demand,
    capacity: BOND_MPA,
    factor: v.factors.bond,
    because: () =>
      `${say(took)} N go from the plug into both skins over ${say(2 * plug.areaEachMm2)} mm\u00b2 of bond: ${say(demand)} MPa, against ${BOND_MPA} MPa with a factor of ${v.factors.bond}.`,
    working: () => [
      step('\u03c4', 'bond of plug and skins', 'V\u00b7Ep\u00b7tp/(S\u00b72\u00b7A)', demand, 'MPa'),
    ],
  })
}

function plateBears(v: Given, k: Shares, b: NonNullable<Given['bonded']>): Draft {
  const row = PLATES[b.material]
  const factor = row.kind === 'metal' ? v.factors.metal : v.factors.laminate
  const demand = (v.shearN * k.Eb) / (v.d * k.S)
  return draft({
    id: 'bearing-plate',
    title: 'Bearing on the bonded plate',
    unit: 'MPa',
    source: SOURCE,
    demand,
    capacity: row.bearingMPa!,
    factor,
    because: () =>
      `The plate takes ${say((50 * k.Eb * k.tb) / k.S)} % of ${say(v.shearN)} N: ${say(demand)} MPa, against ${say(row.bearingMPa!)} MPa with a factor of ${factor}.`,
    working: () => [step('\u03c3', 'bearing on the plate', 'V\u00b7Eb/(d\u00b7S)', demand, 'MPa')],
    assumed: ['plate.bearingMPa'],
    boltIndex: v.boltIndex,
  })
}

/** What all bolts together put into a bonded plate goes through its bond; nothing where none is bonded. */
export function bondCheck(v: Given): Draft[] {
  const b = v.bonded
  if (!b) return []
  const k = sharing(v)
  const bond = (v.sumShearN * k.Eb * k.tb) / (2 * k.S * b.areaMm2)
  return [
    draft({
      id: 'plate-bond',
      title: 'Bond of the plate',
      unit: 'MPa',
      source: SOURCE,
      demand: bond,
      capacity: b.bondMPa,
      factor: v.factors.bond,
      because: () =>
        `What the plate takes of ${say(v.sumShearN)} N goes into the deck over ${say(b.areaMm2)} mm\u00b2 of bond: ${say(bond)} MPa, against ${say(b.bondMPa)} MPa with a factor of ${v.factors.bond}.`,
      working: () => [
        step('\u03c4', 'bond of the plate', '\u03a3V\u00b7\u00bd\u00b7Eb\u00b7tb/(S\u00b7A)', bond, 'MPa'),
      ],
    }),
  ]
}

/** Bearing of the worst bolt on all that it touches, each part by its stiffness (chapter 3.4). */
export function bearingChecks(v: Given): Draft[] {
  const k = sharing(v)
  return [
    skins(v, k),
    ...(v.plug ? [plugBears(v, k, v.plug)] : []),
    ...(v.plug && !('whole' in v.plug) ? [plugHolds(v, k, v.plug)] : []),
    ...(v.bonded ? [plateBears(v, k, v.bonded)] : []),
  ]
}
