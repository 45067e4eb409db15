import type { OpeningDesign } from './design'

/** One change of the design, in words. */
export interface Way {
  change: Record<string, unknown>
  said: string
}
const AS_IT_IS: Way = { change: {}, said: '' }
const both = (a: Way, b: Way): Way => ({
  change: { ...a.change, ...b.change },
  said: [a.said, b.said].filter(Boolean).join(', '),
})
const times = (list: Way[], more: Way[]): Way[] => list.flatMap((a) => more.map((b) => both(a, b)))

const CORNERS = [30, 40, 50, 60, 75]
function cornerWays({ outline: o }: OpeningDesign): Way[] {
  if (o.kind !== 'rect') return [AS_IT_IS]
  const most = Math.min(o.lengthMm, o.widthMm) / 2
  return [
    AS_IT_IS,
    ...CORNERS.filter((r) => r > o.cornerMm && r <= most).map((r) => ({
      change: { 'outline.cornerMm': r },
      said: `corners of ${r} mm`,
    })),
  ]
}
const RINGS = [
  { material: 'plywood', thicknessMm: 12, said: 'a ring of plywood' },
  { material: 'plywood', thicknessMm: 18, said: 'a ring of thick plywood' },
  { material: 'glass-sheet', thicknessMm: 10, said: 'a ring of glass sheet' },
] as const
function holdWays(d: OpeningDesign): Way[] {
  const widthMm = 4 * d.frame.screwMm + 14
  const out: Way[] = [
    AS_IT_IS,
    ...RINGS.map(({ said, ...r }) => ({ change: { ring: { ...r, widthMm } }, said })),
  ]
  if (!d.bin) out.push({ change: { 'frame.hold': 'bolts' }, said: 'bolts' })
  if (d.structure.kind === 'sandwich') {
    const rakeMm = Math.ceil(Math.max(12, d.frame.flangeMm - d.frame.insetMm + d.frame.screwMm))
    const change = { 'core.filled': true, 'core.rakeMm': rakeMm }
    out.push({ change, said: `core raked ${rakeMm} mm and filled` })
  }
  return out
}
const pitchWays = (d: OpeningDesign): Way[] => [
  AS_IT_IS,
  ...[130, 100, 80]
    .filter((p) => d.frame.hold !== 'bond' && p < d.frame.pitchMm)
    .map((p) => ({ change: { 'frame.pitchMm': p }, said: `a screw every ${p} mm` })),
]
/** What can be done about the edge: corners, ring, bolts, rake, pitch. */
export const edgeWays = (d: OpeningDesign): Way[] =>
  d.gland || d.prism ? [AS_IT_IS] : times(times(cornerWays(d), holdWays(d)), pitchWays(d))

const STOCK = [5, 6, 8, 10, 12, 15, 20]
/** Thicker from stock; the glass of a prism is what it is. */
function paneWays({ pane, prism }: OpeningDesign): Way[] {
  if (!pane || pane.proof || prism) return [AS_IT_IS]
  return [
    AS_IT_IS,
    ...STOCK.filter((t) => t > pane.thicknessMm).map((t) => ({
      change: { 'pane.thicknessMm': t },
      said: `pane or lid ${t} mm`,
    })),
  ]
}
function beadWays({ pane }: OpeningDesign): Way[] {
  const bead = pane?.beadMm ?? null
  if (bead === null) return [AS_IT_IS]
  return [
    AS_IT_IS,
    ...[4, 5, 6, 8]
      .filter((b) => b > bead)
      .map((b) => ({ change: { 'pane.beadMm': b }, said: `bead ${b} mm` })),
  ]
}
function lidWays({ lid }: OpeningDesign): Way[] {
  if (!lid) return [AS_IT_IS]
  const latches = [AS_IT_IS, ...[2, 3, 4, 6, 8].filter((n) => n > lid.latches).map(latchWay)]
  const rims: Way[] = [
    AS_IT_IS,
    ...(lid.rim === 'none' ? [{ change: { 'lid.rim': 'light' }, said: 'a light rim' }] : []),
    ...(lid.rim === 'stiff' ? [] : [{ change: { 'lid.rim': 'stiff' }, said: 'a stiff rim' }]),
  ]
  const shut: Way[] = lid.gasket
    ? [AS_IT_IS]
    : [{ change: { 'lid.gasket': 'hollow' }, said: 'a hollow gasket' }]
  return times(times(latches, rims), shut)
}
const latchWay = (n: number): Way => ({ change: { 'lid.latches': n }, said: `${n} latches` })
/** What can be done about what closes it: pane from stock, bead, latches, rim, gasket. */
export const closingWays = (d: OpeningDesign): Way[] => times(times(paneWays(d), beadWays(d)), lidWays(d))
