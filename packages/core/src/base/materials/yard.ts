import { CORES, type CoreId } from './cores'
import { LAMINATES, laminateProperties, type LaminateId } from './laminates'
import { LINES, type RopeId } from './lines'
import { PLATES, type PlateId } from './plates'
import { SEALANTS, type SealantId } from './sealants'
import { structureSchema, type Structure } from './structure'

/** A value that the yard measured itself, in place of the table's estimate. */
export interface YardValue {
  kind: YardKind
  material: string
  field: string
  value: number
  reason: string
  measuredBy: string
  /** counts its changes, so that two do not overwrite each other */
  version?: number
}
/** What can be replaced, of each table, with its unit. */
export const YARD_FIELDS = {
  core: {
    compressiveMPa: 'crushing strength',
    shearMPa: 'shear strength',
    eMPa: 'stiffness through the thickness',
  },
  laminate: {
    bearingMPa: 'bearing strength',
    inPlaneShearMPa: 'in-plane shear strength',
    punchingMPa: 'punching strength',
    throughMPa: 'strength through the thickness',
  },
  plate: { strengthMPa: 'bending strength or yield', eMPa: 'stiffness' },
  sealant: { bondMPa: 'bond strength', movement: 'movement, as a part of the bead' },
  line: { newtonPerMm2: 'breaking strength over the square of its diameter' },
} as const
export type YardKind = keyof typeof YARD_FIELDS
export const YARD_KINDS = Object.keys(YARD_FIELDS) as [YardKind, ...YardKind[]]
export const yardUnit = (field: string) =>
  field === 'movement' ? '' : field === 'newtonPerMm2' ? 'N/mm\u00b2' : 'MPa'
export const YARD_TABLES: Record<YardKind, Record<string, { title: string }>> = {
  core: CORES,
  laminate: LAMINATES,
  plate: PLATES,
  sealant: SEALANTS,
  line: LINES,
}

/** What the table says of a field that may be replaced. */
export const tableValue = (kind: YardKind, material: string, field: string): number =>
  (kind === 'laminate'
    ? laminateProperties(material as LaminateId)
    : (YARD_TABLES[kind][material] as object))[field as never] as number

/** Which checks lean on a value; the choice of a sealant and a load lean on theirs whole. */
const COUNTS: Record<string, (id: string) => boolean> = {
  'core.compressiveMPa': (id) => /^crush-.*-core$/.test(id),
  'core.shearMPa': (id) => id === 'punching-core',
  'core.eMPa': (id) => /^crush-.*-(core|plug)$/.test(id),
  'laminate.bearingMPa': (id) => id === 'bearing',
  'laminate.inPlaneShearMPa': (id) => id === 'shear-out',
  'laminate.punchingMPa': (id) => id === 'punching-skin',
  'laminate.throughMPa': (id) => id === 'crush-plate' || id === 'crush-base',
  'plate.strengthMPa': (id) => id === 'plate-overhang' || id === 'plate-span',
  'plate.eMPa': (id) => id === 'plate-stiffness',
  'sealant.bondMPa': (id) => id === 'sealant',
  'sealant.movement': (id) => id === 'sealant',
  'line.newtonPerMm2': (id) =>
    ['bolt', 'bearing', 'shear-out'].includes(id) ||
    id.startsWith('punching') ||
    id.startsWith('crush-base') ||
    id.startsWith('plate-'),
}

export interface Replaced {
  /** said beside every check that it counts in */
  text: string
  counts: (checkId: string) => boolean
}

const shown = (n: number) => Number(n.toPrecision(3))

/**
 * The yard's fields of one material that the input does not give itself; what they replace is put in
 * `replaced`.
 */
function own(
  values: YardValue[],
  kind: YardKind,
  material: string,
  given: object,
  replaced: Replaced[],
  table: (field: string) => number = (f) => tableValue(kind, material, f),
): Record<string, number> {
  const out: Record<string, number> = {}
  for (const v of values) {
    const names = YARD_FIELDS[kind] as Record<string, string>
    if (
      v.kind !== kind ||
      v.material !== material ||
      !names[v.field] ||
      (given as Record<string, unknown>)[v.field] !== undefined
    )
      continue
    out[v.field] = v.value
    const unit = yardUnit(v.field)
    const title = kind === 'core' || kind === 'laminate' ? '' : `, ${YARD_TABLES[kind][material]!.title},`
    replaced.push({
      text: `The yard\u2019s own ${kind} ${names[v.field]}${title} of ${v.value}${unit && ` ${unit}`} (${v.measuredBy}) stands for the table\u2019s ${shown(table(v.field))}${unit && ` ${unit}`}.`,
      counts: COUNTS[`${kind}.${v.field}`]!,
    })
  }
  return out
}

/** The structure with the yard's values where the design has none of its own, and what was replaced. */
export function withYardValues(
  s: Structure,
  values: YardValue[],
): { structure: Structure; replaced: Replaced[] } {
  if (!values.length || s.kind === 'metal' || s.kind === 'timber') return { structure: s, replaced: [] }
  const replaced: Replaced[] = []
  const table = laminateProperties(s.skin.laminate as LaminateId, s.skin.fibreFraction) as unknown as Record<
    string,
    number
  >
  const skin = { ...s.skin, ...own(values, 'laminate', s.skin.laminate, s.skin, replaced, (f) => table[f]!) }
  if (s.kind === 'solid') return { structure: { ...s, skin }, replaced }
  return {
    structure: {
      ...s,
      skin,
      core: { ...s.core, ...own(values, 'core', s.core.material as CoreId, s.core, replaced) },
    },
    replaced,
  }
}

/** Strength and stiffness of a plate material that the yard measured. */
export function yardPlate(
  material: PlateId,
  values: YardValue[],
): { row: { strengthMPa?: number; eMPa?: number }; replaced: Replaced[] } {
  const replaced: Replaced[] = []
  return { row: own(values, 'plate', material, {}, replaced), replaced }
}

/** What the yard measured of a rope or wire, where the load stands on its size. */
export function yardLine<T extends object>(load: T, values: YardValue[]): { load: T; replaced: Replaced[] } {
  const l = load as { line?: string; breakingN?: number }
  if (!l.line || l.line === 'chain' || l.breakingN !== undefined || !values.some((v) => v.kind === 'line'))
    return { load, replaced: [] }
  const replaced: Replaced[] = []
  return { load: { ...load, ...own(values, 'line', l.line as RopeId, load, replaced) }, replaced }
}

export type SealantMeasured = { sealant: SealantId; bondMPa?: number; movement?: number }
/** What the yard measured of sealants, as the choice takes it. */
export function yardSealants(values: YardValue[]): {
  measured: SealantMeasured[]
  replaced: (Replaced & { sealant: SealantId })[]
} {
  const measured: SealantMeasured[] = []
  const said: (Replaced & { sealant: SealantId })[] = []
  for (const id of new Set(values.filter((v) => v.kind === 'sealant').map((v) => v.material as SealantId))) {
    const replaced: Replaced[] = []
    measured.push({ sealant: id, ...own(values, 'sealant', id, {}, replaced) })
    said.push(...replaced.map((r) => ({ ...r, sealant: id })))
  }
  return { measured, replaced: said }
}

/**
 * One calculator's input with every value of the yard's own that it does not give itself, and what was
 * replaced in words.
 */
export function inputWithYard(
  name: string,
  input: Record<string, unknown>,
  values: YardValue[],
): { input: Record<string, unknown>; replaced: string[] } {
  if (!values.length) return { input, replaced: [] }
  const out = { ...input }
  const said: Replaced[] = []
  const known = structureSchema.safeParse(input.structure)
  if (known.success) {
    const s = withYardValues(known.data, values)
    if (s.replaced.length) out.structure = s.structure
    said.push(...s.replaced)
  }
  const plate = input.plate as { material?: string } | undefined
  if (name === 'backing-plate' && plate?.material && plate.material in PLATES) {
    const p = yardPlate(plate.material as PlateId, values)
    out.plate = { ...p.row, ...plate }
    said.push(...p.replaced)
  }
  if (
    (name === 'line-strength' || name === 'design-load') &&
    typeof input.line === 'string' &&
    input.line in LINES
  ) {
    const l = yardLine(input, values)
    Object.assign(out, l.load)
    said.push(...l.replaced)
  }
  if (name === 'sealant-choice' && input.measured === undefined) {
    const s = yardSealants(values)
    if (s.measured.length) out.measured = s.measured
    said.push(...s.replaced)
  }
  if (name === 'panel-growth' && typeof input.sealant === 'string' && input.movement === undefined) {
    const s = yardSealants(values)
    const mine = s.measured.find((m) => m.sealant === input.sealant)
    if (mine?.movement !== undefined) {
      out.movement = mine.movement
      said.push(...s.replaced.filter((r) => r.sealant === input.sealant && r.text.includes('movement')))
    }
  }
  return { input: out, replaced: said.map((r) => r.text) }
}
