import { describe, expect, it } from 'vitest'
import { answerOf } from '../src/base/calculator/calculator'
import { boltStiffness } from '../src/chapters/deck/base-contact'
import { solveContact } from '../src/chapters/deck/contact'
import { seacockLoad } from '../src/chapters/hull/seacock-load'

/** Only directions that differ are asked: what comes out is what all of them would have said. */
const [FLANGE, CIRCLE, HEIGHT, PAD, HULL, LOAD] = [110, 86, 90, 20, 12, 1500]
const deg = Math.PI / 180

function everyWay(bolts: number): number {
  const grip = PAD + HULL
  const at = Array.from({ length: bolts }, (_, i) => ({
    xMm: (CIRCLE / 2) * Math.cos((360 / bolts) * i * deg),
    yMm: (CIRCLE / 2) * Math.sin((360 / bolts) * i * deg),
  }))
  const pulls = Array.from({ length: 36 }, (_, i) => {
    const found = solveContact({
      footing: { diameterMm: FLANGE },
      bolts: at,
      kb: boltStiffness('M8', 'A4-70', grip),
      k: 7000 / grip,
      preloadN: 0,
      Fz: 0,
      Mx: -HEIGHT * LOAD * Math.sin(10 * i * deg),
      My: HEIGHT * LOAD * Math.cos(10 * i * deg),
    })!
    return Math.max(...found.tensions)
  })
  return Math.max(...pulls)
}

describe('a kick on a flange from anywhere', () => {
  it.each([3, 4, 5, 6, 8])('of %i bolts pulls as much as the worst of all 36 directions', (bolts) => {
    const r = answerOf(seacockLoad, {
      ...{ heightMm: HEIGHT, method: 'through', duty: 'coastal', flangeMm: FLANGE, boltCircleMm: CIRCLE },
      ...{ bolts, size: 'M8', grade: 'A4-70', padMm: PAD, hullMm: HULL, loadN: LOAD },
    })
    expect(r.bolts!.maxTensionN).toBeCloseTo(everyWay(bolts), 6)
    expect(r.bolts!.tensionsN).toHaveLength(bolts)
    expect(Math.max(...r.bolts!.tensionsN)).toBeCloseTo(r.bolts!.maxTensionN, 9)
  })
  it('names the first of directions that are alike', () => {
    const of = (bolts: number) =>
      answerOf(seacockLoad, {
        ...{ heightMm: HEIGHT, method: 'through', duty: 'coastal', flangeMm: FLANGE, boltCircleMm: CIRCLE },
        ...{ bolts, size: 'M8', grade: 'A4-70', padMm: PAD, hullMm: HULL, loadN: LOAD },
      }).bolts!.worstAzimuthDeg
    for (const bolts of [3, 4, 6]) expect(of(bolts)).toBeLessThanOrEqual(180 / bolts)
  })
})
