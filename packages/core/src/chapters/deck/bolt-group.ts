import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { pointSchema, vectorSchema, workingSchema } from '../../base/schema/schema'
import { step } from '../../base/verdict/check'

const input = z.strictObject({
  bolts: z.array(pointSchema).min(1),
  loadN: vectorSchema,
  pointMm: vectorSchema.default({ x: 0, y: 0, z: 0 }),
})
const output = z.object({
  centroidMm: z.object({ x: z.number(), y: z.number() }),
  momentsNmm: vectorSchema,
  bolts: z.array(
    z.object({
      axialN: z.number(),
      tensionN: z.number(),
      shearN: z.number(),
      shearXN: z.number(),
      shearYN: z.number(),
    }),
  ),
  maxTensionN: z.number(),
  maxShearN: z.number(),
  unresistedMomentNmm: z.number(),
  unresistedTwistNmm: z.number(),
  working: workingSchema,
})
type Vector = { x: number; y: number; z: number }
export type BoltGroup = z.infer<typeof output>

/** What each bolt carries, without the words to it. */
export type BoltShares = Omit<BoltGroup, 'working'>
type Own = { x: number; y: number }

/** About the pattern\u2019s own line, or where its bolts stand in one place, nothing resists a moment. */
function patternOf(bolts: { xMm: number; yMm: number }[]) {
  const n = bolts.length
  const cx = bolts.reduce((s, b) => s + b.xMm, 0) / n
  const cy = bolts.reduce((s, b) => s + b.yMm, 0) / n
  const d: Own[] = bolts.map((b) => ({ x: b.xMm - cx, y: b.yMm - cy }))
  let [Ixx, Iyy, Ixy] = [0, 0, 0]
  for (const { x, y } of d) {
    Ixx += y * y
    Iyy += x * x
    Ixy += x * y
  }
  const J = Ixx + Iyy
  const D = Ixx * Iyy - Ixy * Ixy
  const point = J <= 1e-9
  return { n, cx, cy, d, Ixx, Iyy, Ixy, J, D, point, line: !point && D <= 1e-9 * J * J }
}
/** What pulls each bolt by the moments, and the moment that nothing resists. */
function pullBy({ d, Ixx, Iyy, Ixy, D, point, line }: ReturnType<typeof patternOf>) {
  if (point)
    return (Mx: number, My: number) => ({ pull: (_o: Own) => 0, unresistedMomentNmm: Math.hypot(Mx, My) })
  if (!line)
    return (Mx: number, My: number) => {
      const alpha = (-My * Ixx - Mx * Ixy) / D
      const beta = (Mx * Iyy + My * Ixy) / D
      return { pull: (o: Own) => alpha * o.x + beta * o.y, unresistedMomentNmm: 0 }
    }
  // Principal direction of the row: its unit vector comes from the larger half of the inertia.
  const angle = 0.5 * Math.atan2(2 * Ixy, Iyy - Ixx)
  const u = { x: Math.cos(angle), y: Math.sin(angle) }
  if (Math.abs(u.x) < 1e-12) u.x = 0
  if (Math.abs(u.y) < 1e-12) u.y = 0
  const s2 = d.reduce((s, o) => s + (o.x * u.x + o.y * u.y) ** 2, 0)
  return (Mx: number, My: number) => {
    const gamma = (Mx * u.y - My * u.x) / s2
    return {
      pull: (o: Own) => gamma * (o.x * u.x + o.y * u.y),
      unresistedMomentNmm: Math.abs(Mx * u.x + My * u.y),
    }
  }
}

/**
 * Equal bolts, elastic about their centroid (chapter 3.2), asked under one load after another. Positive axial
 * is tension; forces are those the bolts must carry, in the load's own sense.
 */
export function sharingAmong(bolts: { xMm: number; yMm: number }[]): (F: Vector, p: Vector) => BoltShares {
  const pattern = patternOf(bolts)
  const { n, cx, cy, d, J, point } = pattern
  const by = pullBy(pattern)
  return (F, p) => {
    const Mx = (p.y - cy) * F.z - p.z * F.y
    const My = p.z * F.x - (p.x - cx) * F.z
    const Mz = (p.x - cx) * F.y - (p.y - cy) * F.x
    const { pull, unresistedMomentNmm } = by(Mx, My)
    const twist = point ? 0 : Mz / J
    let maxTensionN = 0
    let maxShearN = 0
    const shares = d.map((o) => {
      const axialN = F.z / n + pull(o)
      const shearXN = F.x / n - twist * o.y
      const shearYN = F.y / n + twist * o.x
      const tensionN = Math.max(0, axialN)
      const shearN = Math.sqrt(shearXN * shearXN + shearYN * shearYN)
      maxTensionN = Math.max(maxTensionN, tensionN)
      maxShearN = Math.max(maxShearN, shearN)
      return { axialN, tensionN, shearN, shearXN, shearYN }
    })
    return {
      centroidMm: { x: cx, y: cy },
      momentsNmm: { x: Mx, y: My, z: Mz },
      bolts: shares,
      maxTensionN,
      maxShearN,
      unresistedMomentNmm,
      unresistedTwistNmm: point ? Math.abs(Mz) : 0,
    }
  }
}
/** The same under one load. */
export const shareAmong = (bolts: { xMm: number; yMm: number }[], F: Vector, p: Vector): BoltShares =>
  sharingAmong(bolts)(F, p)

function withWorking(bolts: { xMm: number; yMm: number }[], F: Vector, p: Vector): BoltGroup {
  const g = shareAmong(bolts, F, p)
  const { x: Mx, y: My, z: Mz } = g.momentsNmm
  return {
    ...g,
    working: [
      step('n', 'bolts', '', bolts.length, ''),
      step('Mx', 'moment about x at the centroid', '(py\u2212cy)\u00b7Fz \u2212 pz\u00b7Fy', Mx, 'N\u00b7mm'),
      step('My', 'moment about y at the centroid', 'pz\u00b7Fx \u2212 (px\u2212cx)\u00b7Fz', My, 'N\u00b7mm'),
      step('Mz', 'twist in the plane', '(px\u2212cx)\u00b7Fy \u2212 (py\u2212cy)\u00b7Fx', Mz, 'N\u00b7mm'),
      step('J', 'polar sum', '\u03a3(dx\u00b2 + dy\u00b2)', patternOf(bolts).J, 'mm\u00b2'),
      step('T', 'greatest pull of a bolt', 'Fz/n + \u03b1\u00b7dx + \u03b2\u00b7dy', g.maxTensionN, 'N'),
      step('V', 'greatest shear of a bolt', '\u221a(Vx\u00b2 + Vy\u00b2)', g.maxShearN, 'N'),
    ],
  }
}

export const boltGroup = defineCalculator({
  name: 'bolt-group',
  title: 'How bolts share a load',
  chapter: '3.2',
  words: ['pattern', 'share', 'pull', 'shear', 'moment', 'lever', 'twist'],
  input,
  output,
  run: (v) => withWorking(v.bolts, v.loadN, v.pointMm),
})
