import { CalcError, invalid } from '../../base/errors'
import { areaOf, perimeterOf, type Outline } from '../../base/geometry/outline'
import { coreOf, loadedThickness, strengthsOf, type Structure } from '../../base/materials/structure'
import { draft, say, step, unproven, type Draft } from '../../base/verdict/check'
import type { FactorKind } from '../../base/verdict/factors'
import type { Plug } from './plug'
import { basePress, type Base, type BasePress } from './base-press'

export { plugSchema, type Plug } from './plug'
export interface FootBolt {
  tensionN: number
  preloadN: number
}
type Factors = Record<FactorKind, number>

export interface FootprintInput {
  structure: Structure
  plug?: Plug | undefined
  plate?: Outline | undefined
  washerMm: number
  holeMm: number
  /** a hole beside the bolts that nothing presses on */
  openMm2?: number | undefined
  bolts: FootBolt[]
  factors: Factors
}

const SOURCE = 'chapter 3.4, sandwich shear round a footprint'

/** A plug stands only where there is a core. */
export function refusePlugWithoutCore(structure: Structure | undefined, plug: Plug | undefined) {
  if (plug && structure?.kind !== 'sandwich')
    throw invalid('plug', 'A core plug was given, but this structure has no core; leave the plug out')
}

/** Core and plugs under one footprint share by stiffness: s is the plugs' part of the load. */
function sharing(
  structure: Extract<Structure, { kind: 'sandwich' }>,
  plug: Plug | undefined,
  areaMm2: number,
  plugs: number,
) {
  const core = coreOf(structure.core)
  const plugProps = plug ? coreOf({ material: plug.material, thicknessMm: structure.core.thicknessMm }) : null
  const Ap = !plug ? 0 : 'whole' in plug ? areaMm2 : Math.min(areaMm2, plugs * plug.areaEachMm2)
  const Ac = areaMm2 - Ap
  const s = plugProps ? (plugProps.eMPa * Ap) / (plugProps.eMPa * Ap + core.eMPa * Ac) : 0
  return { core, plugProps, Ap, Ac, s }
}

/**
 * Crush of what lies under a footprint: core and plugs of a sandwich, the full thickness of solid and
 * timber, nothing on metal.
 */
export function crushChecks(p: {
  where: 'plate' | 'base'
  what: string
  structure: Structure
  plug?: Plug | undefined
  areaMm2: number
  plugs: number
  pressN: number
  factors: Factors
  boltIndex?: number
}): Draft[] {
  const { structure, factors } = p
  const tag = p.boltIndex === undefined ? {} : { boltIndex: p.boltIndex }
  const under = `Under ${p.what} `
  if (structure.kind === 'metal') return []
  if (structure.kind !== 'sandwich') {
    const s = strengthsOf(structure)
    const demand = p.pressN / p.areaMm2
    return [
      draft({
        id: `crush-${p.where}`,
        title: `Crush under the ${p.where}`,
        unit: 'MPa',
        source: 'chapter 3.4',
        demand,
        capacity: s.throughMPa!,
        factor: factors.laminate,
        because: () =>
          `${under}${say(p.pressN)} N press on ${say(p.areaMm2)} mm\u00b2: ${say(demand)} MPa, against ${say(s.throughMPa!)} MPa through the thickness with a factor of ${factors.laminate}.`,
        working: () => [
          step('P', 'press', '', p.pressN, 'N'),
          step('A', 'area less the holes', '', p.areaMm2, 'mm\u00b2'),
          step('p', 'pressure', 'P/A', demand, 'MPa'),
        ],
        assumed: s.assumed.filter((a) => a === 'throughMPa'),
        ...tag,
      }),
    ]
  }
  const { core, plugProps, Ap, Ac, s } = sharing(structure, p.plug, p.areaMm2, p.plugs)
  const out: Draft[] = []
  const shareStep = step(
    's',
    'plugs\u2019 part of the load, by stiffness',
    'Ep\u00b7Ap/(Ep\u00b7Ap + Ec\u00b7Ac)',
    s,
    '',
  )
  if (Ac > 0) {
    const demand = ((1 - s) * p.pressN) / Ac
    out.push(
      draft({
        id: `crush-${p.where}-core`,
        title: `Core crush under the ${p.where}`,
        unit: 'MPa',
        source: 'chapter 3.4',
        demand,
        capacity: core.compressiveMPa,
        factor: factors.core,
        because: () =>
          `${under}${core.title} takes ${say(demand)} MPa; it crushes at ${say(core.compressiveMPa)} MPa and the factor is ${factors.core}.`,
        working: () => [
          step('P', 'press', '', p.pressN, 'N'),
          shareStep,
          step('Ac', 'core area under it', 'A \u2212 Ap', Ac, 'mm\u00b2'),
          step('p', 'pressure on the core', '(1\u2212s)\u00b7P/Ac', demand, 'MPa'),
        ],
        assumed: core.assumed.filter((a) => a !== 'core.shearMPa'),
        ...tag,
      }),
    )
  }
  if (plugProps && Ap > 0) {
    const demand = (s * p.pressN) / Ap
    out.push(
      draft({
        id: `crush-${p.where}-plug`,
        title: `Plug crush under the ${p.where}`,
        unit: 'MPa',
        source: 'chapter 3.4',
        demand,
        capacity: plugProps.compressiveMPa,
        factor: factors.core,
        because: () =>
          `${under}the ${plugProps.title} takes ${say(demand)} MPa; it crushes at ${say(plugProps.compressiveMPa)} MPa and the factor is ${factors.core}.`,
        working: () => [
          step('P', 'press', '', p.pressN, 'N'),
          shareStep,
          step('Ap', 'plug area under it', '', Ap, 'mm\u00b2'),
          step('p', 'pressure on the plugs', 's\u00b7P/Ap', demand, 'MPa'),
        ],
        assumed: [],
        ...tag,
      }),
    )
  }
  return out
}

function punchingChecks(
  p: FootprintInput,
  what: string,
  U: number,
  sumT: number,
  boltIndex?: number,
): Draft[] {
  const { structure, plug, factors } = p
  const s = strengthsOf(structure)
  const tag = boltIndex === undefined ? {} : { boltIndex }
  const out: Draft[] = []
  const start = [step('\u03a3T', 'pull', '', sumT, 'N'), step('U', `perimeter of ${what}`, '', U, 'mm')]
  if (structure.kind === 'sandwich') {
    const whole = plug && 'whole' in plug
    const core = coreOf(
      whole ? { material: plug.material, thicknessMm: structure.core.thicknessMm } : structure.core,
    )
    const depth = structure.core.thicknessMm + (structure.outerMm + structure.innerMm) / 2
    const demand = sumT / (U * depth)
    out.push(
      draft({
        id: 'punching-core',
        title: 'Core shear round the pull',
        unit: 'MPa',
        source: SOURCE,
        demand,
        capacity: core.shearMPa,
        factor: factors.core,
        because: () =>
          `${say(sumT)} N pull through ${say(U)} \u00d7 ${say(depth)} mm round ${what}: ${say(demand)} MPa in ${core.title}, which shears at ${say(core.shearMPa)} MPa; the factor is ${factors.core}.`,
        working: () => [
          ...start,
          step('h', 'depth between mid-skins', 'tc + (to+ti)/2', depth, 'mm'),
          step('\u03c4', 'core shear', '\u03a3T/(U\u00b7h)', demand, 'MPa'),
        ],
        assumed: core.assumed.filter((a) => a === 'core.shearMPa'),
        ...tag,
      }),
    )
  }
  // Only a plug makes both skins of a sandwich act with the plate.
  if (structure.kind !== 'sandwich' || plug) {
    const t = loadedThickness(structure)
    const demand = sumT / (U * t)
    out.push(
      draft({
        id: 'punching-skin',
        title: 'Punching of the skins',
        unit: 'MPa',
        source: 'chapter 3.4',
        demand,
        capacity: s.punchingMPa,
        factor: factors[s.factor],
        because: () =>
          `${say(sumT)} N pull through ${say(U)} \u00d7 ${say(t)} mm round ${what}: ${say(demand)} MPa, against ${say(s.punchingMPa)} MPa with a factor of ${factors[s.factor]}.`,
        working: () => [
          ...start,
          step('t', 'thickness that is punched', '', t, 'mm'),
          step('\u03c4', 'punching shear', '\u03a3T/(U\u00b7t)', demand, 'MPa'),
        ],
        assumed: s.assumed.filter((a) => a === 'punchingMPa'),
        ...tag,
      }),
    )
  }
  return out
}

/**
 * Punching and crush on the inside: under the plate as one, or with no plate under each washer alone, of
 * which the worst is shown.
 */
export const footprintChecks = (p: FootprintInput): Draft[] => footprint(p, punchingChecks, crushChecks)
/** What moves with the preload alone. */
export const footprintCrush = (p: FootprintInput): Draft[] => footprint(p, () => [], crushChecks)
/** What moves with the pull alone. */
export const footprintPunching = (p: FootprintInput): Draft[] => footprint(p, punchingChecks, () => [])
function footprint(p: FootprintInput, punching: typeof punchingChecks, crush: typeof crushChecks): Draft[] {
  const holeArea = (Math.PI / 4) * p.holeMm ** 2
  const press = (b: FootBolt) => Math.max(b.tensionN, b.preloadN)
  const n = p.bolts.length
  if (p.plate) {
    const areaMm2 = areaOf(p.plate) - n * holeArea - (p.openMm2 ?? 0)
    if (!(areaMm2 > 0))
      throw new CalcError(
        'footprint-too-small',
        'plate',
        'The holes leave nothing of this plate; a larger one is needed',
      )
    const sumT = p.bolts.reduce((s, b) => s + b.tensionN, 0)
    const pressN = p.bolts.reduce((s, b) => s + press(b), 0)
    return [
      ...punching(p, 'the plate', perimeterOf(p.plate), sumT),
      ...crush({
        where: 'plate',
        what: 'the plate',
        structure: p.structure,
        plug: p.plug,
        areaMm2,
        plugs: n,
        pressN,
        factors: p.factors,
      }),
    ]
  }
  const areaMm2 = (Math.PI / 4) * p.washerMm ** 2 - holeArea
  if (!(areaMm2 > 0))
    throw new CalcError(
      'footprint-too-small',
      'washerDiameterMm',
      `A washer of ${say(p.washerMm)} mm leaves nothing round a hole of ${say(p.holeMm)} mm`,
    )
  const U = Math.PI * p.washerMm
  let worst: Draft[] = []
  p.bolts.forEach((b, i) => {
    const mine = [
      ...punching(p, 'a washer', U, b.tensionN, i),
      ...crush({
        where: 'plate',
        what: 'a washer',
        structure: p.structure,
        plug: p.plug,
        areaMm2,
        plugs: 1,
        pressN: press(b),
        factors: p.factors,
        boltIndex: i,
      }),
    ]
    worst =
      i === 0
        ? mine
        : worst.map((w, k) =>
            (mine[k]!.utilisation ?? Infinity) > (w.utilisation ?? Infinity) ? mine[k]! : w,
          )
  })
  return worst
}

interface UnderBase {
  structure: Structure
  plug?: Plug | undefined
  holeMm: number
  openMm2?: number | undefined
  n: number
  factors: Factors
}
/** The base's area less the holes. */
function areaUnder(p: UnderBase, base: Outline): number {
  const areaMm2 = areaOf(base) - p.n * (Math.PI / 4) * p.holeMm ** 2 - (p.openMm2 ?? 0)
  if (areaMm2 > 0) return areaMm2
  throw new CalcError(
    'footprint-too-small',
    'base',
    'The holes leave nothing of this base; a larger one is needed',
  )
}
/**
 * How a base presses on what lies outside; null on metal and where the base is not known. `kb`: stiffness
 * of a bolt, N/mm; null where its grip is not known.
 */
export function pressUnder(p: UnderBase & { base?: Base | undefined; kb: number | null }): BasePress | null {
  if (p.structure.kind === 'metal' || !p.base) return null
  const { structure, plug, base, n, kb } = p
  return basePress({ structure, plug, base, areaMm2: areaUnder(p, base), n, kb })
}
/** Crush on the outside, under the fitting's base. */
export function baseCrush(p: UnderBase & { base?: Outline | undefined }, pressN: number | null): Draft[] {
  if (p.structure.kind === 'metal') return []
  const { structure, plug, factors, base } = p
  if (base && pressN !== null)
    return crushChecks({
      ...{ structure, plug, factors, pressN },
      where: 'base',
      what: 'the base',
      areaMm2: areaUnder(p, base),
      plugs: p.n,
    })
  const core = structure.kind === 'sandwich'
  return [
    unproven({
      id: core ? 'crush-base-core' : 'crush-base',
      title: core ? 'Core crush under the base' : 'Crush under the base',
      unit: 'MPa',
      source: 'chapter 3.4',
      factor: core ? factors.core : factors.laminate,
      because: 'The base\u2019s outline is not given, so what it presses on is not known.',
    }),
  ]
}
