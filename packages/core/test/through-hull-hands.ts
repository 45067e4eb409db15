import { withChange } from '../src'
import { belowEntry, judgeBelow, parseBelow, startBelow, type BelowAround, type BelowDesign } from '../src/kinds/through-hull'

export const NOBODY: BelowAround = { zones: [], parts: [], holes: [], others: [] }
export const HULL: BelowDesign['hull'] = { kind: 'solid', thicknessMm: 14, measured: true, how: 'plug', deadriseDeg: 17, slopeDeg: 0, angleMeasured: true, solidMm: null }
export const fit = (id: string, change: Record<string, unknown> = {}, hull: Partial<BelowDesign['hull']> = {}): BelowDesign =>
  parseBelow(withChange(startBelow(belowEntry(id)!, { place: { zone: 'bottom', xMm: 5000, yMm: 400, zMm: -420, measuredFrom: [] }, hull: { ...HULL, ...hull }, duty: 'coastal' }, id), change))
export const judge = (d: BelowDesign, around: Partial<BelowAround> = {}) => judgeBelow(d, { ...NOBODY, ...around })
export const verdict = (d: BelowDesign, id: string, around: Partial<BelowAround> = {}) => judge(d, around).checks.find((c) => c.id === id)?.verdict
export const neighbour = (d: BelowDesign, place: Partial<BelowDesign['place']>, name = 'Neighbour') => ({ id: 'n', name, design: { ...d, name, place: { ...d.place, ...place } } })
export const finite = (v: unknown): boolean => (typeof v === 'number' ? Number.isFinite(v) : v && typeof v === 'object' ? Object.values(v).every(finite) : true)
