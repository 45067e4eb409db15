import { CORES, type CoreId } from './cores'
import { laminateProperties, type LaminateId } from './laminates'
import type { Structure } from './structure'

/** A value that the yard measured itself, in place of the table's estimate. */
export interface YardValue {
  kind: 'core' | 'laminate'
  material: string
  field: string
  value: number
  reason: string
  measuredBy: string
}
export const YARD_FIELDS = {
  core: { compressiveMPa: 'crushing strength', shearMPa: 'shear strength', eMPa: 'stiffness through the thickness' },
  laminate: { bearingMPa: 'bearing strength', inPlaneShearMPa: 'in-plane shear strength', punchingMPa: 'punching strength', throughMPa: 'strength through the thickness' },
} as const

/** Which checks lean on a value. */
const COUNTS: Record<string, (id: string) => boolean> = {
  'core.compressiveMPa': (id) => /^crush-.*-core$/.test(id), 'core.shearMPa': (id) => id === 'punching-core', 'core.eMPa': (id) => /^crush-.*-(core|plug)$/.test(id),
  'laminate.bearingMPa': (id) => id === 'bearing', 'laminate.inPlaneShearMPa': (id) => id === 'shear-out', 'laminate.punchingMPa': (id) => id === 'punching-skin', 'laminate.throughMPa': (id) => id === 'crush-plate' || id === 'crush-base',
}

export interface Replaced {
  /** said beside every check that it counts in */
  text: string
  counts: (checkId: string) => boolean
}

/** The structure with the yard's values where the design has none of its own, and what was replaced. */
export function withYardValues(s: Structure, values: YardValue[]): { structure: Structure; replaced: Replaced[] } {
  if (!values.length || s.kind === 'metal' || s.kind === 'timber') return { structure: s, replaced: [] }
  const replaced: Replaced[] = []
  const own = (kind: 'core' | 'laminate', material: string, given: object, table: object) => {
    const out: Record<string, number> = {}
    for (const v of values) {
      const names = YARD_FIELDS[kind] as Record<string, string>
      if (v.kind !== kind || v.material !== material || !names[v.field] || (given as Record<string, unknown>)[v.field] !== undefined) continue
      out[v.field] = v.value
      replaced.push({ text: `The yard\u2019s own ${kind} ${names[v.field]} of ${v.value} MPa (${v.measuredBy}) stands for the table\u2019s ${Number((table as Record<string, number>)[v.field]!.toPrecision(3))} MPa.`, counts: COUNTS[`${kind}.${v.field}`]! })
    }
    return out
  }
  const skin = { ...s.skin, ...own('laminate', s.skin.laminate, s.skin, laminateProperties(s.skin.laminate as LaminateId, s.skin.fibreFraction)) }
  if (s.kind === 'solid') return { structure: { ...s, skin }, replaced }
  return { structure: { ...s, skin, core: { ...s.core, ...own('core', s.core.material, s.core, CORES[s.core.material as CoreId]) } }, replaced }
}
