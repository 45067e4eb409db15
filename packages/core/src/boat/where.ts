import { z } from 'zod'
import { tand } from '../base/geometry/outline'
import { parseAngle, parseLength, type Units } from '../base/quantity/parse'
import { formatLength } from '../base/quantity/format'

/**
 * One thing that a fitter measured: from what, which way, how far. What the reference stood at is kept, so
 * that the place can be worked out again.
 */
export const measureSchema = z.strictObject({
  axis: z.enum(['along', 'across', 'edge']),
  /** 'stem', 'centreline', 'port edge', 'starboard edge', a hole's label or the name of a bulkhead */
  from: z.string().min(1).max(120),
  /** of the reference, x or y; null for an edge, whose breadth depends on x */
  fromMm: z.number().nullable(),
  /** aft, to starboard, or in from the edge; negative the other way */
  mm: z.number(),
  /** taken inside: hull thickness and flare correct it */
  inside: z
    .strictObject({ thicknessMm: z.number().positive(), flareDeg: z.number().min(-80).max(80) })
    .nullable(),
})
export type Measure = z.infer<typeof measureSchema>

export interface Reference {
  name: string
  xMm: number
  /** null for a bulkhead, which has no single y */
  yMm: number | null
}
export interface Hullside {
  halfBreadthAt: (xMm: number) => number
}

/** Half-breadth of the deck edge between stations, mm. */
export function halfBreadthOf(stations: { xMm: number; halfBreadthMm: number }[]): Hullside {
  return {
    halfBreadthAt: (x) => {
      if (stations.length < 2) return stations[0]?.halfBreadthMm ?? 0
      const i = Math.min(
        stations.length - 1,
        Math.max(
          1,
          stations.findIndex((s) => s.xMm >= x) === -1
            ? stations.length - 1
            : stations.findIndex((s) => s.xMm >= x),
        ),
      )
      const [a, b] = [stations[i - 1]!, stations[i]!]
      return a.halfBreadthMm + ((b.halfBreadthMm - a.halfBreadthMm) * (x - a.xMm)) / (b.xMm - a.xMm)
    },
  }
}

export const AGREE_MM = 5
export interface Choice {
  /** into the measures */
  index: number
  text: string
  mm: number
}
export interface Placed {
  xMm: number | null
  yMm: number | null
  /**
   * along or across, where two measurements stand further apart than 5 mm and nobody has said which to
   * believe
   */
  conflicts: { axis: 'x' | 'y'; apartMm: number; choices: Choice[] }[]
  working: string[]
}

/** "412 aft of P-012" and its kind. */
export function measureSaid(m: Measure, units: Units): string {
  const size = formatLength(Math.abs(m.mm), units)
  const way =
    m.axis === 'along'
      ? `${m.mm >= 0 ? 'aft' : 'forward'} of ${m.from}`
      : m.axis === 'across'
        ? `to ${m.mm >= 0 ? 'starboard' : 'port'} of ${m.from}`
        : `in from the ${m.from}`
  return `${size} ${way}${m.inside ? `, inside, hull ${formatLength(m.inside.thicknessMm, units)}, flare ${m.inside.flareDeg}\u00b0` : ''}`
}

/**
 * y outside from y inside: the same hole bridges both, and the hull between them leans out by
 * t\u00b7tan(flare) (chapter 10.1).
 */
export const outsideOf = (yInside: number, thicknessMm: number, flareDeg: number) =>
  yInside + (yInside < 0 ? -1 : 1) * thicknessMm * tand(flareDeg)

/**
 * Where a point is, from what was measured. Of several that agree within 5 mm the mean is taken; of those
 * that do not, the believed one.
 */
export function placeFrom(
  measures: Measure[],
  hull: Hullside,
  believe: { x?: number | undefined; y?: number | undefined } = {},
): Placed {
  const working: string[] = []
  const settle = (
    axis: 'x' | 'y',
    choices: Choice[],
  ): { mm: number | null; conflict: Placed['conflicts'] } => {
    if (!choices.length) return { mm: null, conflict: [] }
    const apartMm = Math.max(...choices.map((c) => c.mm)) - Math.min(...choices.map((c) => c.mm))
    const believed = choices.find((c) => c.index === believe[axis])
    if (apartMm > AGREE_MM && !believed) return { mm: null, conflict: [{ axis, apartMm, choices }] }
    const mm = believed ? believed.mm : choices.reduce((s, c) => s + c.mm, 0) / choices.length
    for (const c of choices)
      working.push(
        `${c.text} gives ${axis} ${Math.round(c.mm * 10) / 10} mm${believed && c !== believed ? ', not believed' : ''}`,
      )
    return { mm, conflict: [] }
  }
  const xs = measures.flatMap((m, index): Choice[] =>
    m.axis === 'along' ? [{ index, text: measureSaid(m, 'metric'), mm: (m.fromMm ?? 0) + m.mm }] : [],
  )
  const x = settle('x', xs)
  const outer = (m: Measure, y: number) =>
    m.inside ? outsideOf(y, m.inside.thicknessMm, m.inside.flareDeg) : y
  const ys = measures.flatMap((m, index): Choice[] => {
    const text = measureSaid(m, 'metric')
    if (m.axis === 'across') return [{ index, text, mm: outer(m, (m.fromMm ?? 0) + m.mm) }]
    if (m.axis === 'edge' && x.mm !== null)
      return [
        {
          index,
          text,
          mm: outer(m, (m.from.startsWith('port') ? -1 : 1) * (hull.halfBreadthAt(x.mm) - m.mm)),
        },
      ]
    return []
  })
  const y = settle('y', ys)
  return { xMm: x.mm, yMm: y.mm, conflicts: [...x.conflict, ...y.conflict], working }
}

export type ReadMeasures = { ok: true; measures: Measure[] } | { ok: false; message: string }

const number = (text: string, units: Units) => parseLength(text.trim(), units)
/**
 * More inches than this from an edge were rather meant as millimetres, in a boat that is measured in them.
 */
const MOST_INCHES = 24
/**
 * "2 in from the edge" is two inches on any boat: the word stands behind a bare figure. "95 mm in from",
 * "95 inboard of" and "95 from" say it without.
 */
function fromEdge(text: string, word: string, units: Units): ReturnType<typeof parseLength> {
  const bare = /^[\d.,/\s-]+$/.test(text.trim())
  if (word !== 'in' || !bare) return number(text, units)
  const r = number(`${text.trim()} in`, units)
  if (!r.ok || units === 'inch' || r.value <= MOST_INCHES * 25.4) return r
  return {
    ok: false,
    message: `"${text.trim()} in" is ${Math.round(r.value)} mm; write "${text.trim()} mm in from" or "${text.trim()} inches in from" the edge`,
  }
}

type Side = 'port' | 'starboard'
type Refusal = { ok: false; message: string }
/** What has been read of the clauses so far. */
interface Reading {
  measures: Measure[]
  side: Side | null
  hull: number | null
  flare: number | null
  inside: boolean
}
interface Clauses {
  references: Reference[]
  units: Units
  so: Reading
}
const refusal = (message: string): Refusal => ({ ok: false, message })
const HOW = 'write as: 412 aft of P-012, 95 mm in from the port edge'
const known = (name: string) =>
  `"${name}" is not known here; a hole as P-012, the stem, the centreline or a bulkhead by its name is`
const find = ({ references }: Clauses, name: string) => {
  const plain = name
    .toLowerCase()
    .replace(/^(the|hole)\s+/, '')
    .trim()
  return references.find((r) => r.name.toLowerCase() === plain)
}

/** `inside`, `hull 9`, `flare 12`: the clause before it was measured there. Null where it is none of them. */
function insideClause(c: string, { so, units }: Clauses): Refusal | 'read' | null {
  if (/^(from\s+)?inside$/i.test(c)) {
    so.inside = true
    return 'read'
  }
  const said = /^(hull|flare)\s+(.*)$/i.exec(c)
  if (!said) return null
  const hull = said[1]!.toLowerCase() === 'hull'
  const r = hull ? number(said[2]!, units) : parseAngle(said[2]!)
  if (!r.ok) return r
  if (hull) so.hull = r.value
  else so.flare = r.value
  so.inside = true
  return 'read'
}
const EDGE =
  /^(.+?)\s+(in\s+from|inboard\s+(?:of|from)|from)\s+(?:the\s+)?(?:(port|starboard|stbd)\s+)?(?:deck\s+)?edge$/i
function edgeClause(c: string, { so, units }: Clauses): Refusal | 'read' | null {
  const edge = EDGE.exec(c)
  if (!edge) return null
  const r = fromEdge(edge[1]!, edge[2]!.toLowerCase().split(/\s/)[0]!, units)
  if (!r.ok) return r
  const given = edge[3] && (edge[3].toLowerCase() === 'port' ? 'port' : 'starboard')
  so.measures.push({
    axis: 'edge',
    from: given ? `${given} edge` : 'edge',
    fromMm: null,
    mm: r.value,
    inside: null,
  })
  return 'read'
}
function alongClause(c: string, clauses: Clauses): Refusal | 'read' | null {
  const along = /^(.+?)\s+(aft|forward|fwd)\s+of\s+(.+)$/i.exec(c)
  if (!along) return null
  const { so, units } = clauses
  const r = number(along[1]!, units)
  if (!r.ok) return r
  const stem = /^(the\s+)?stem$/i.test(along[3]!)
  const ref = stem ? { name: 'stem', xMm: 0, yMm: 0 } : find(clauses, along[3]!)
  if (!ref) return refusal(known(along[3]!))
  if (ref.yMm) so.side ??= ref.yMm < 0 ? 'port' : 'starboard'
  so.measures.push({
    axis: 'along',
    from: ref.name,
    fromMm: ref.xMm,
    mm: along[2]!.toLowerCase() === 'aft' ? r.value : -r.value,
    inside: null,
  })
  return 'read'
}
function acrossClause(c: string, clauses: Clauses): Refusal | 'read' | null {
  const across = /^(.+?)\s+(?:to\s+)?(port|starboard|stbd)(?:\s+of\s+(.+))?$/i.exec(c)
  if (!across) return null
  const r = number(across[1]!, clauses.units)
  if (!r.ok) return r
  const name = across[3] ?? 'centreline'
  const centre = /^(the\s+)?cent(re|er)\s?line$/i.test(name)
  const ref = centre ? { name: 'centreline', xMm: 0, yMm: 0 } : find(clauses, name)
  if (!ref) return refusal(known(name))
  if (ref.yMm === null)
    return refusal(`${ref.name} runs across the boat; measure from a hole or the centreline`)
  clauses.so.measures.push({
    axis: 'across',
    from: ref.name,
    fromMm: ref.yMm,
    mm: across[2]!.toLowerCase() === 'port' ? -r.value : r.value,
    inside: null,
  })
  return 'read'
}

/** Which edge, and what was measured inside; then whether the place is whole. */
function settled({ measures, side, inside, hull, flare }: Reading): ReadMeasures {
  if (!measures.length) return refusal(`Nothing is measured yet; ${HOW}`)
  if (inside && (hull === null || flare === null))
    return refusal('Measured inside: add the hull and its flare, as: inside, hull 9, flare 12')
  for (const m of measures) {
    if (m.from === 'edge') {
      if (!side) return refusal('Which edge? Write: in from the port edge, or from the starboard edge')
      m.from = `${side} edge`
    }
    if (inside && m.axis !== 'along') m.inside = { thicknessMm: hull!, flareDeg: flare! }
  }
  if (!measures.some((m) => m.axis === 'along'))
    return refusal('How far along the boat? Add for example: 412 aft of P-012')
  if (!measures.some((m) => m.axis !== 'along'))
    return refusal(
      'How far across? Add for example: 95 mm in from the port edge, or 640 to port of the centreline',
    )
  return { ok: true, measures }
}

const CLAUSES = [insideClause, edgeClause, alongClause, acrossClause]
/**
 * Reads what a fitter says: `412 aft of P-012, 95 mm in from the edge`. Clauses are parted by commas;
 * `inside, hull 9, flare 12` belongs to the clause before it.
 */
export function readMeasures(text: string, references: Reference[], units: Units): ReadMeasures {
  const so: Reading = { measures: [], side: null, hull: null, flare: null, inside: false }
  const clauses: Clauses = { references, units, so }
  const list = text
    .split(/[,;]+/)
    .map((c) => c.trim())
    .filter(Boolean)
  for (const c of list) {
    let read: Refusal | 'read' | null = null
    for (const clause of CLAUSES) {
      read = clause(c, clauses)
      if (read) break
    }
    if (!read) return refusal(`"${c}" cannot be read; ${HOW}`)
    if (read !== 'read') return read
  }
  return settled(so)
}
