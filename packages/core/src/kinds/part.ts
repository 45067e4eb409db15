import {
  formatFace,
  formatLength,
  formatMass,
  formatRun,
  formatVolume,
  type Units,
} from '../base/quantity/format'

/** A word, or a figure that is said in the units of whoever reads it. */
export type Piece =
  | string
  | { mm: number }
  | { mmRound: number }
  | { ml: number }
  | { kg: number }
  | { g: number }
  | { m: number }
  | { mm2: number }
export type Said = Piece[]

/** How a part is counted. */
export type PartUnit =
  'piece' | 'pot' | 'tube-300' | 'tube-100' | 'length' | 'none' | 'pair-of-sheets' | 'ply'

/** Something to buy or make: figures that can be added up and compared, never prose. */
export interface Part {
  /** what it is, whoever asks for it: bolt, nut, washer, sealant */
  key: string
  title: string
  material: string | null
  /** sizes in millimetres, millilitres or grams, by name */
  dimensions: Record<string, number>
  size: Said
  /** null where only the job says how much */
  quantity: number | null
  spare: number
  unit: PartUnit
  note: Said
}

const pieceSaid = (p: Piece, units: Units): string => {
  if (typeof p === 'string') return p
  if ('mm' in p) return formatLength(p.mm, units)
  if ('mmRound' in p) return formatLength(Math.round(p.mmRound * 10) / 10, units)
  if ('ml' in p) return formatVolume(p.ml, units)
  if ('kg' in p) return formatMass(p.kg, units)
  if ('g' in p) return units === 'inch' && p.g >= 100 ? formatMass(p.g / 1000, units) : `${p.g.toFixed(0)} g`
  if ('mm2' in p) return formatFace(p.mm2, units)
  return formatRun(p.m, units)
}
export const saidIn = (said: Said, units: Units): string => said.map((p) => pieceSaid(p, units)).join('')

function countSaid(p: Part): string {
  if (p.unit === 'length') return 'by length'
  if (p.quantity === null || p.unit === 'none') return ''
  if (p.unit === 'pair-of-sheets') return `${p.quantity * 2}, bonded into one`
  if (p.unit === 'tube-300') return `${p.quantity} of 300 ml`
  if (p.unit === 'tube-100') return `${p.quantity} of 100 ml`
  if (p.unit === 'ply') return `${p.quantity} ${p.quantity > 1 ? 'plies' : 'ply'}`
  if (p.unit === 'pot') return `${p.quantity} pot${p.quantity > 1 ? 's' : ''}`
  return p.spare ? `${p.quantity} + ${p.spare}` : `${p.quantity}`
}

export interface PartSaid {
  what: string
  size: string
  count: string
  note: string
}
/** A part in words, for a row of a list on screen or paper. */
export const partSaid = (p: Part, units: Units): PartSaid => ({
  what: p.title,
  size: saidIn(p.size, units),
  count: countSaid(p),
  note: saidIn(p.note, units),
})

/** A part with what is usual: one piece, nothing to spare, nothing to say. */
export const part = (key: string, title: string, more: Partial<Omit<Part, 'key' | 'title'>> = {}): Part => ({
  key,
  title,
  material: null,
  dimensions: {},
  size: [],
  quantity: 1,
  spare: 0,
  unit: 'piece',
  note: [],
  ...more,
})

/** A tenth to spare, and at least one. */
export const sparesFor = (n: number) => Math.max(1, Math.ceil(n * 0.1))

/** What two lists want together: the same key, sizes and material are one line. */
export function addedUp(parts: Part[]): Part[] {
  const out = new Map<string, Part>()
  for (const p of parts) {
    const id = JSON.stringify([p.key, p.title, p.material, p.unit, p.dimensions])
    const before = out.get(id)
    const sum = (a: number | null, b: number | null) => (a === null || b === null ? null : a + b)
    out.set(
      id,
      before
        ? { ...before, quantity: sum(before.quantity, p.quantity), spare: before.spare + p.spare, note: [] }
        : p,
    )
  }
  return [...out.values()]
}
