import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jointChecks, jointUnder, standing } from '../src/chapters/deck/joint-parts'
import { jointSnug } from '../src/chapters/deck/joint-snug'
import type { JointInput } from '../src/chapters/deck/joint-input'

/** Only loads under which a check can be worst are asked; it comes out as if all had been. */
const AT = [
  { xMm: -60, yMm: -25 },
  { xMm: 60, yMm: -25 },
  { xMm: 60, yMm: 25 },
  { xMm: -60, yMm: 25 },
]
const force = fc.double({ min: 0, max: 9000, noNaN: true })
const load = fc.record({
  pulls: fc.tuple(force, force, force, force),
  shears: fc.tuple(force, force, force, force),
  pushN: force,
  toe: fc.double({ min: 0, max: 5, noNaN: true }),
})
const joint = fc.record({
  plated: fc.constantFrom('plate', 'bonded', 'washers'),
  deck: fc.constantFrom('sandwich', 'solid', 'timber', 'metal'),
  edgeMm: fc.constantFrom(undefined, 40, 200),
  preloadN: fc.constantFrom(0, 900, 6000),
  withBase: fc.boolean(),
})
const DECKS = {
  sandwich: {
    kind: 'sandwich',
    skin: { laminate: 'mat' },
    outerMm: 4,
    innerMm: 3,
    core: { material: 'balsa-150', thicknessMm: 12 },
  },
  solid: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 9 },
  timber: { kind: 'timber', timber: 'plywood', thicknessMm: 18 },
  metal: { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 5 },
} as const
type Load = typeof load extends fc.Arbitrary<infer L> ? L : never
type Joint = typeof joint extends fc.Arbitrary<infer J> ? J : never
function inputOf(j: Joint, l: Load): JointInput {
  const bonded = j.plated === 'bonded' && j.deck !== 'metal'
  return {
    duty: 'coastal',
    structure: DECKS[j.deck],
    bolt: { size: 'M8', grade: 'A4-70', threadsInShear: true, preloadN: j.preloadN, gripMm: 40 },
    bolts: AT.map((b, i) => ({ ...b, tensionN: l.pulls[i]!, shearN: l.shears[i]! })),
    edgeMm: j.edgeMm,
    plate:
      j.plated === 'washers'
        ? undefined
        : {
            lengthMm: 240,
            widthMm: 150,
            ...(bonded ? { bonded: { material: 'g10', thicknessMm: 8, bondMPa: 12 } } : {}),
          },
    washer: 'large',
    plug: j.deck === 'sandwich' ? { material: 'epoxy-plug', areaEachMm2: 200, bored: true } : undefined,
    base: j.withBase ? { lengthMm: 180, widthMm: 90, pushN: l.pushN, toePressureMPa: l.toe } : undefined,
  }
}
const ofEach = (all: { id: string; utilisation: number | null }[]) => {
  const worst = new Map<string, number>()
  for (const c of all)
    worst.set(c.id, Math.max(worst.get(c.id) ?? -1, c.utilisation ?? Number.POSITIVE_INFINITY))
  return worst
}

describe('a joint under many loads', () => {
  it('comes to the same, check for check and in the same order, as each load asked by itself', () => {
    fc.assert(
      fc.property(joint, fc.array(load, { minLength: 1, maxLength: 7 }), (j, loads) => {
        const inputs = loads.map((l) => inputOf(j, l))
        const asked: { id: string; utilisation: number | null }[] = []
        jointUnder(inputs, standing(inputs[0]!), j.preloadN, false, (c) => asked.push(c))
        const each = ofEach(inputs.flatMap((v) => jointChecks(v)))
        expect([...ofEach(asked).keys()]).toEqual([...each.keys()])
        for (const [id, used] of ofEach(asked)) expect(used, id).toBeCloseTo(each.get(id)!, 9)
      }),
      { numRuns: 300 },
    )
  })
  it('lets its bolts be pulled until some crush comes to 0.90, and no further', () => {
    fc.assert(
      fc.property(joint, load, (j, l) => {
        const v = inputOf(j, l)
        const { preloadN, limitedBy } = jointSnug(standing(v))(v)
        const crush = (N: number) =>
          jointChecks({ ...v, bolt: { ...v.bolt, preloadN: N } }).filter(
            (c) => c.id.startsWith('crush') && c.utilisation !== null,
          )
        const idle = new Map(crush(0).map((c) => [c.id, c.utilisation!]))
        for (const c of crush(preloadN))
          expect(c.utilisation!, c.id).toBeLessThanOrEqual(Math.max(0.9, idle.get(c.id)!) + 1e-6)
        if (limitedBy !== null) {
          const more = crush(preloadN * 1.01 + 10).find((c) => c.id === limitedBy)!
          expect(more.utilisation!).toBeGreaterThan(0.9 - 1e-6)
        }
      }),
      { numRuns: 300 },
    )
  })
})
