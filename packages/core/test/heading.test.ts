import { describe, expect, it } from 'vitest'
import {
  ALONE,
  boltsOnBoat,
  cornersOnBoat,
  fieldAround,
  goodForHere,
  judge,
  moveOver,
  overOld,
  patchFor,
  roomAround,
  shifted,
  type BoatPart,
  type Design,
} from '../src'
import { deckHardware } from '../src/kinds/deck-hardware/kind'
import { questionFor, solveSpread } from '../src/kinds/deck-hardware/solver'
import { deckPatchOf, deckPatchInput } from '../src/chapters/plate/deck-patch'
import { deckFit } from './deck-hands'

/** A cleat whose line comes from the boat's own direction, whichever way the casting stands. */
const cleat = (headingDeg = 0, azimuthDeg = 90): Design => ({
  ...deckFit('HG-C250'),
  headingDeg,
  load: {
    basis: 'rated',
    ratedN: 9000,
    azimuthOf: 'boat',
    azimuthDeg,
    elevationDeg: 10,
    pointMm: { x: 0, y: 0, z: 60 },
  },
})
const beam = (x: number): BoatPart => ({
  id: x,
  kind: 'beam',
  title: 'Deck beam',
  x0Mm: x,
  x1Mm: x,
  y0Mm: -1500,
  y1Mm: 1500,
  widthMm: 40,
})
const most = (d: Design) => Math.max(...judge(d).worst.bolts.map((b) => b.tensionN))

describe('a casting that stands askew on the deck', () => {
  it('bores its holes where they are on the boat', () => {
    const d = cleat(90)
    const holes = deckHardware.penetrations(d, judge(d), 'metric')
    d.bolts.forEach((b, i) => {
      expect(holes[i]!.xMm).toBeCloseTo(d.place.xMm - b.yMm, 9)
      expect(holes[i]!.yMm).toBeCloseTo(d.place.yMm + b.xMm, 9)
    })
  })
  it.each([15, 30, 90, -45, 180])('turned by %s its holes keep their distances and its middle', (deg) => {
    const [was, now] = [boltsOnBoat(cleat(0)), boltsOnBoat(cleat(deg))]
    was.forEach((p, i) => {
      expect(Math.hypot(now[i]!.xMm, now[i]!.yMm)).toBeCloseTo(Math.hypot(p.xMm, p.yMm), 9)
      const turned = Math.atan2(now[i]!.yMm, now[i]!.xMm) - Math.atan2(p.yMm, p.xMm)
      expect(Math.cos(turned)).toBeCloseTo(Math.cos((deg * Math.PI) / 180), 9)
      expect(Math.sin(turned)).toBeCloseTo(Math.sin((deg * Math.PI) / 180), 9)
    })
  })
  it('is pried by a line across it less when it is turned to lie along the line', () => {
    const across = most(cleat(0, 90))
    const along = most(cleat(90, 90))
    expect(along).toBeLessThan(0.8 * across)
    // Turned with its line nothing has changed for the bolts.
    expect(along).toBeCloseTo(most(cleat(0, 0)), 3)
  })
  it('leaves a load alone that is given as the casting has it', () => {
    const own = (deg: number): Design => {
      const d = cleat(deg)
      return { ...d, load: { ...d.load, azimuthOf: 'fitting' } as Design['load'] }
    }
    expect(most(own(40))).toBeCloseTo(most(own(0)), 6)
  })
  it('takes its outline on the map with it', () => {
    const d = cleat(30)
    const [a, b] = deckHardware.footprint(d)
    const angle = (Math.atan2(b!.yMm - a!.yMm, b!.xMm - a!.xMm) * 180) / Math.PI
    expect(angle).toBeCloseTo(30, 9)
  })
  it('turned over the centreline it points the other way, and back again it is the same', () => {
    const once = deckHardware.copy!(cleat(25), { mirror: true, xMm: 0, yMm: 0, name: 'other' }, [])
    expect(once.headingDeg).toBe(-25)
    const twice = deckHardware.copy!(once, { mirror: true, xMm: 0, yMm: 0, name: 'back' }, [])
    expect(boltsOnBoat(twice)).toEqual(boltsOnBoat(cleat(25)))
  })
  it('measures its distance to the edge anew when it is turned, and keeps how its place was found', () => {
    const d: Design = {
      ...cleat(0),
      place: {
        ...cleat(0).place,
        edgeMm: 77,
        measuredFrom: [{ from: 'bow', mm: 4000 }] as unknown as Design['place']['measuredFrom'],
      },
    }
    const { design } = shifted(d, [], { xMm: d.place.xMm, yMm: d.place.yMm, headingDeg: 90 })
    expect(design.headingDeg).toBe(90)
    expect(design.place.edgeMm).toBeNull()
    expect(design.place.measuredFrom).toEqual(d.place.measuredFrom)
  })
  it('says of an old hole the same, whichever way boat and casting are turned together', () => {
    const here = { label: 'P-001', diameterMm: 8, acrossMm: null, directionDeg: null, state: 'open' }
    const row = { ...here, zoneCode: 'side deck', withdrawnWhy: null }
    const hole = (xMm: number, yMm: number) => ({ ...row, xMm: 4000 + xMm, yMm: 900 + yMm })
    const [straight, turned] = [cleat(0), cleat(90)]
    const a = overOld(straight, judge(straight), [hole(60, 12)] as never)!
    const b = overOld(turned, judge(turned), [hole(-12, 60)] as never)!
    expect(b.out.old[0]!.status).toBe(a.out.old[0]!.status)
    const [ma, mb] = [moveOver(straight, a), moveOver(turned, b)]
    expect(ma === null).toBe(mb === null)
    if (ma && mb) {
      expect(mb.xMm - 4000).toBeCloseTo(-(ma.yMm - 900), 6)
      expect(mb.yMm - 900).toBeCloseTo(ma.xMm - 4000, 6)
    }
  })
  it('says what it is good for in the boat\u2019s directions', () => {
    const [a, b] = [cleat(0), cleat(90)].map((d) => goodForHere(d, judge(d)))
    expect(b!.headingDeg).toBe(90)
    expect(b!.out.least.worst!.loadN).toBeCloseTo(a!.out.least.worst!.loadN, 3)
  })
})

describe('the plate solver under a casting that stands askew', () => {
  const parts = [beam(3700), beam(4300)]
  const asked = (d: Design) => {
    const q = questionFor(d, judge(d), null, parts)
    return { q, solved: solveSpread(d, judge(d), q) }
  }
  it('keeps the deck between its beams, and turns what lies on it', () => {
    const d = cleat(90)
    const f = fieldAround(d, null, parts)
    expect([f.minX, f.maxX]).toEqual([-300, 300])
    const input = patchFor(d, judge(d), f)
    expect(input.backingPlate!.turnDeg).toBe(90)
    expect(input.backingPlate!.lengthMm).toBe(d.plate!.lengthMm)
  })
  it('turned a quarter gives what the turned rectangle gives', () => {
    const base = deckPatchInput.parse({
      panel: { aMm: 400, bMm: 400 },
      edges: { x0: 'simple', x1: 'simple', y0: 'simple', y1: 'simple' },
      layup: { kind: 'solid', tMm: 8, eMPa: 12000 },
      loads: [{ xMm: 200, yMm: 200, lengthMm: 20, widthMm: 20, forceN: 1000 }],
      mesh: { nx: 20, ny: 20 },
    })
    const plate = { xMm: 200, yMm: 200, tMm: 6, eMPa: 70000, nu: 0.3, bonded: false }
    const lying = deckPatchOf({ ...base, backingPlate: { ...plate, lengthMm: 80, widthMm: 160 } })
    const turned = deckPatchOf({
      ...base,
      backingPlate: { ...plate, lengthMm: 160, widthMm: 80, turnDeg: 90 },
    })
    expect(turned.maxDeflectionMm).toBeCloseTo(lying.maxDeflectionMm, 9)
    expect(turned.outerSkin.stressMPa).toBeCloseTo(lying.outerSkin.stressMPa, 6)
  })
  it.each([10, 30, 45, 60])(
    'at %s degrees carries all of the load, and bends between both quarters',
    (deg) => {
      const bend = (h: number) => asked(cleat(h, 0)).solved.patch!
      const [a, b, c] = [bend(0), bend(deg), bend(90)].map((p) => Math.abs(p.maxDeflectionMm))
      const low = Math.min(a!, c!)
      const high = Math.max(a!, c!)
      expect(b!).toBeGreaterThan(0.75 * low)
      expect(b!).toBeLessThan(1.25 * high)
      const { q, solved } = asked(cleat(deg, 0))
      const total = q.input.loads!.reduce((sum, l) => sum + l.forceN, 0)
      expect(solved.patch!.totalReactionN).toBeCloseTo(-total, 0)
      expect(solved.said.checks.map((k) => k.id)).toContain('spread-core-shear')
    },
  )
  it('offers a plate the room that is there on the casting\u2019s own axes, and askew never more', () => {
    const straight = roomAround(cleat(0), parts)!
    expect([straight.minX, straight.maxX]).toEqual([-275, 275])
    const quarter = roomAround(cleat(90), parts)!
    expect([quarter.minY, quarter.maxY]).toEqual([-275, 275])
    const askew = roomAround(cleat(30), parts)!
    const reach = cornersOnBoat({ headingDeg: 30 }, askew).map((p) => Math.abs(p.xMm))
    expect(Math.max(...reach)).toBeLessThanOrEqual(275 + 1e-9)
  })
  it('judges it whole with nothing around it too', () => {
    expect(deckHardware.judge(cleat(37), ALONE).checks.length).toBeGreaterThan(5)
  })
})
