import { CalcError } from '../../base/errors'
import { distanceToSegment, insidePolygon, type Point } from '../../base/geometry/outline'
import { check, inWords, say, sentence, unproven, type Check } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { limit } from '../../chapters/making/limits'
import { bendingStrength, thickOf } from '../../chapters/plate/boat-layup'
import { NotPositive } from '../../chapters/plate/fronts'
import { solvePatch, type PatchAnswer } from '../../chapters/plate/patch-solver'
import type { OpeningDesign } from './design'
import { coreShearMPa, type WeakQuestion } from './weakened'

const SOURCE = 'chapter 3.7'
/** Of a deck that is past its allowance without the hole: by so much more with it is not the hole's doing. */
const NO_WORSE = 1.1
/** As a lid underfoot (chapter 6.3). */
const UNDERFOOT = 100

/** The deck with the hole or without: its fields on the mesh, and what is read of them. */
export interface WeakSide {
  title: string
  xMm: number[]
  yMm: number[]
  deflectionMm: number[][]
  outerMPa: number[][]
  innerMPa: number[][]
  shearMPa: number[][]
  skin: Peak
  core: Peak
  /** at the foot, under the foot alone */
  footMm: number
}
interface Peak {
  value: number
  xMm: number
  yMm: number
}
export interface Weakened {
  checks: Check[]
  cut: WeakSide | null
  uncut: WeakSide | null
  question: WeakQuestion
}

const toOutline = (o: Point[], p: Point) =>
  Math.min(...o.map((a, i) => distanceToSegment(p, a, o[(i + 1) % o.length]!)))
/**
 * The greatest outside the strip along the edges of cut and ring, a deck's thickness wide: nearer, it is as
 * sharp as the mesh is fine, as at the edge of a plate.
 */
function peakOf(s: PatchAnswer, fields: Float64Array[], edges: Point[][], strip: number): Peak {
  const [hole] = edges
  let best: Peak = { value: 0, xMm: 0, yMm: 0 }
  s.y.forEach((yMm, j) =>
    s.x.forEach((xMm, i) => {
      const value = fields.reduce((m, f) => {
        const v = f[j * s.x.length + i]!
        return Math.abs(v) > Math.abs(m) ? v : m
      }, 0)
      if (Math.abs(value) <= Math.abs(best.value)) return
      const at = { xMm, yMm }
      if (hole && insidePolygon(hole, at)) return
      if (edges.some((e) => toOutline(e, at) < strip * (1 - 1e-9))) return
      best = { value, xMm, yMm }
    }),
  )
  return best
}
function sideOf(title: string, q: WeakQuestion, which: 'cut' | 'uncut'): WeakSide {
  const problem = q[which]
  const s = solvePatch({ ...problem, loadsAlone: true })
  // Both are read clear of the same edges, so that like stands beside like.
  const edges = [q.cut.cut!.outline, ...(q.cut.cut!.ring ? [q.cut.cut!.ring.outline] : [])]
  const strip = thickOf(problem.layup)
  const rows = (f: Float64Array) =>
    Array.from(s.y, (_, j) => Array.from(f.subarray(j * s.x.length, (j + 1) * s.x.length)))
  const near = (list: Float64Array, v: number) =>
    list.reduce((b, x, i) => (Math.abs(x - v) < Math.abs(list[b]! - v) ? i : b), 0)
  return {
    title,
    xMm: Array.from(s.x),
    yMm: Array.from(s.y),
    deflectionMm: rows(s.deflection),
    outerMPa: rows(s.outer),
    innerMPa: rows(s.inner),
    shearMPa: rows(s.shear),
    skin: peakOf(s, [s.outer, s.inner], edges, strip),
    core: peakOf(s, [s.shear], edges, strip),
    footMm: Math.abs(s.alone![near(s.y, q.footAt.yMm) * s.x.length + near(s.x, q.footAt.xMm)]!),
  }
}

interface Read {
  d: OpeningDesign
  q: WeakQuestion
  cut: WeakSide
  uncut: WeakSide
}
const leansOn = ({ q }: Read) => [
  '5 kPa over the deck',
  ...(q.field.assumed.length ? ['the field\u2019s edges: no stiffener is drawn'] : []),
]
const whereSaid = ({ q }: Read, p: Peak) => {
  const [x, y] = [Math.round(p.xMm + q.field.minX), Math.round(p.yMm + q.field.minY)]
  return `${say(Math.abs(x))} ${x < 0 ? 'forward' : 'aft'} and ${say(Math.abs(y))} to ${y < 0 ? 'port' : 'starboard'} of its middle`
}
/** With the hole against what the deck bears, and beside what it sees without. */
function besideUncut(
  r: Read,
  parts: { id: string; title: string; what: string; capacity: number; factor: number },
  peaks: { cut: Peak; uncut: Peak },
): Check {
  const [demand, before] = [Math.abs(peaks.cut.value), Math.abs(peaks.uncut.value)]
  const allowed = parts.capacity / parts.factor
  const past = demand > allowed * (1 + 1e-9)
  const alone = before > allowed && demand <= NO_WORSE * before
  const times = demand / Math.max(before, 1e-9)
  const members = r.q.cutThrough.length
    ? ` It goes through ${r.q.cutThrough.join(' and ')}, which then carries nothing.`
    : ''
  const said = alone
    ? ' The deck alone is past it too: no fault of the hole, and what stiffens it may not all be drawn.'
    : past
      ? ' A ring, a rounder corner, another place between the members, or carlins bring it down.'
      : ''
  const made = check({
    id: parts.id,
    title: `${parts.title}, plate solver`,
    unit: 'MPa',
    source: SOURCE,
    demand,
    capacity: parts.capacity,
    factor: parts.factor,
    ...(past ? { verdict: alone ? ('tight' as const) : ('short' as const) } : {}),
    because: `${say(demand)} MPa ${parts.what} ${whereSaid(r, peaks.cut)}, under ${say(r.q.cut.pressureMPa * 1000)} kPa over the field and a foot beside it; ${say(before)} MPa at most without the hole${before > 0 ? `, ${say(times)} times as much` : ''}. ${say(parts.capacity)} MPa with a factor of ${parts.factor}.${members}${said}`,
  })
  return { ...made, assumed: leansOn(r) }
}
function footCheck(r: Read): Check {
  const { q, cut, uncut } = r
  const span = Math.min(q.cut.aMm, q.cut.bMm)
  const capacity = span / UNDERFOOT
  const shape = {
    id: 'cut-foot',
    title: 'Deck under a foot beside it, plate solver',
    unit: 'mm',
    source: SOURCE,
  }
  const said = `${say(cut.footMm)} mm under a foot beside the hole, ${say(uncut.footMm)} mm at the same place without it; a hundredth of ${say(Math.round(span))} mm between members is the most`
  const soft = uncut.footMm > capacity
  const made = soft
    ? inWords({
        ...shape,
        verdict: cut.footMm <= NO_WORSE * uncut.footMm ? 'holds' : 'tight',
        because: `${said}: it is as soft without the hole.`,
      })
    : { ...limit({ ...shape, demand: cut.footMm, capacity }), because: `${said}.` }
  // The foot stands there alone: no sea is leaned on.
  return { ...made, assumed: leansOn(r).slice(1) }
}
function checksOf(r: Read): Check[] {
  const f = factorsFor(r.d.duty)
  const { capacity, of } = bendingStrength(r.d.structure)
  const shear = coreShearMPa(r.d)
  return [
    besideUncut(
      r,
      {
        id: 'cut-skin',
        title: r.d.structure.kind === 'sandwich' ? 'Skins round the cut' : 'Deck round the cut',
        what: r.d.structure.kind === 'sandwich' ? 'in a skin' : 'at a face',
        capacity,
        factor: f[of],
      },
      { cut: r.cut.skin, uncut: r.uncut.skin },
    ),
    ...(shear === null
      ? []
      : [
          besideUncut(
            r,
            {
              id: 'cut-core',
              title: 'Core round the cut',
              what: 'of shear',
              capacity: shear,
              factor: f.core,
            },
            { cut: r.cut.core, uncut: r.uncut.core },
          ),
        ]),
    footCheck(r),
  ]
}

/** Past its own thickness a deck no longer answers in proportion, and what the solver says is no figure. */
function outOfProportion(r: Read): Check[] | null {
  const bent = Math.max(...r.uncut.deflectionMm.flat().map(Math.abs))
  const thick = thickOf(r.q.cut.layup)
  if (bent <= thick) return null
  const [a, b] = [r.q.cut.aMm, r.q.cut.bMm].map((v) => say(Math.round(v)))
  const because = `A panel of ${a} by ${b} mm with nothing that stiffens it would bend ${say(bent)} mm under ${say(r.q.cut.pressureMPa * 1000)} kPa and a foot, hole or no hole: more than its own thickness, past where the figures are in proportion. Draw what stiffens it here.`
  return [
    unproven({
      id: 'cut-skin',
      title: 'Deck round the cut, plate solver',
      unit: 'MPa',
      source: SOURCE,
      because,
    }),
  ]
}

/** The deck round the opening, solved with it and without; what cannot be solved is unproven. */
export function solveWeakened(
  d: OpeningDesign,
  q: WeakQuestion,
  tick?: (part: number) => boolean | void,
): Weakened {
  try {
    const cut = sideOf('with the hole', q, 'cut')
    tick?.(0.6)
    const uncut = sideOf('without it', q, 'uncut')
    tick?.(1)
    const read = { d, q, cut, uncut }
    return { checks: outOfProportion(read) ?? checksOf(read), cut, uncut, question: q }
  } catch (error) {
    if (!(error instanceof CalcError) && !(error instanceof NotPositive)) throw error
    const why = sentence(error.message || 'these stiffnesses lie too far apart')
    return {
      checks: [
        unproven({
          id: 'cut-unsolved',
          title: 'Deck round the cut, plate solver',
          unit: 'MPa',
          source: SOURCE,
          because: `The plate solver could not be asked: ${why}.`,
        }),
      ],
      cut: null,
      uncut: null,
      question: q,
    }
  }
}
