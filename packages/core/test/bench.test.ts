import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  CATALOGUE,
  FAMILY,
  FAMILY_TITLES,
  boltsWanted,
  boundsOf,
  clipped,
  judge,
  judgeWhole,
  nestCount,
  partSaid,
  partsOf,
  planOfPlate,
  roomAround,
  sizeIt,
  staleParts,
  stepsOf,
  withChange,
  type Structure,
} from '../src'
import { grainBearing } from '../src/kinds/deck-hardware/own-ways'
import { BALSA } from './deck-hands'
import { METAL, beams, fit } from './bench-hands'

describe('families', () => {
  it('every family has a fitting in the catalogue, its own bases and something particular', () => {
    for (const f of Object.keys(FAMILY_TITLES)) {
      expect(
        CATALOGUE.some((c) => c.family === f),
        f,
      ).toBe(true)
      expect(FAMILY[f as keyof typeof FAMILY].bases.length).toBeGreaterThan(1)
      expect(FAMILY[f as keyof typeof FAMILY].particular.length).toBeGreaterThan(20)
    }
  })
  it.each(CATALOGUE.map((c) => c.id))(
    '%s is judged and drawn on balsa, metal and timber, in both units, with every figure finite',
    (id) => {
      for (const s of [
        BALSA,
        METAL,
        { kind: 'timber', timber: 'softwood', thicknessMm: 22, grainDeg: 0 } as Structure,
        { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 9 } as Structure,
      ]) {
        const w = judgeWhole(fit(id, s), 'inch')
        expect(JSON.stringify(w)).not.toMatch(/NaN|Infinity/)
        expect(w.judgement.checks.length).toBeGreaterThan(5)
        for (const drawing of [w.section, w.pattern]) {
          const { minX, maxX, minY, maxY } = drawing.bounds
          for (const q of drawing.shapes)
            if (q.kind === 'area')
              for (const p of q.points)
                expect(
                  p.x >= minX - 1 && p.x <= maxX + 1 && p.y >= minY - 1 && p.y <= maxY + 1,
                  `${id} ${q.role}`,
                ).toBe(true)
        }
      }
    },
  )
  it('a metal deck has no core checks, a weld check where there is a doubler, and metals kept apart', () => {
    const j = judge(fit('HG-LP90', METAL))
    expect(j.checks.map((c) => c.id).filter((id) => /core|crush/.test(id))).toEqual([])
    expect(j.checks.map((c) => c.id)).toEqual(expect.arrayContaining(['doubler-weld', 'metals']))
    expect(
      judge(fit('HG-LP90', METAL, { isolation: { sleeve: true, washer: true, sealant: false } })).checks.find(
        (c) => c.id === 'metals',
      )!.verdict,
    ).not.toBe('holds')
  })
  it('a track hangs on the three bolts beside the car, not on the whole row', () => {
    const j = judge(fit('HG-TR10'))
    expect(j.worst.bolts.filter((b) => b.shearN > 0 || b.tensionN > 0)).toHaveLength(3)
    const short = judge(
      fit('HG-TR10', BALSA, {
        bolts: fit('HG-TR10')
          .bolts.slice(3, 6)
          .map((b) => ({ ...b, xMm: b.xMm + 50 })),
        'base.lengthMm': 300,
      }),
    )
    expect(short.worst.bolts.reduce((s, b) => s + b.shearN, 0)).toBeCloseTo(
      j.worst.bolts.reduce((s, b) => s + b.shearN, 0),
      0,
    )
  })
})

describe('a base that bears on the deck', () => {
  it('is in equilibrium with its load in every family with a lever', () => {
    for (const id of ['HG-S25', 'HG-B160', 'HG-W200', 'HG-TW90']) {
      const d = fit(id)
      const j = judge(d)
      const c = j.worst.contact!
      const pull = j.worst.bolts.reduce((s, b) => s + b.tensionN, 0)
      expect(pull - c.deckForceN).toBeCloseTo(j.worst.direction.outN, 2)
      const h = j.load.heightMm
      expect(
        j.worst.bolts.reduce((s, b, i) => s + b.tensionN * d.bolts[i]!.xMm, 0) - c.deckForceN * c.centre!.xMm,
      ).toBeCloseTo(-h * j.worst.direction.alongN, 0)
      expect(c.contactFraction).toBeGreaterThan(0)
      expect(c.contactFraction).toBeLessThanOrEqual(1)
    }
  })
  it('a higher load never pulls less', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 800 }), fc.integer({ min: 1, max: 400 }), (h, more) => {
        const at = (heightMm: number) =>
          judge(fit('HG-S25', BALSA, { load: { basis: 'person', kind: 'guard', heightMm } })).worst
            .maxTensionN
        expect(at(h + more)).toBeGreaterThanOrEqual(at(h) - 1e-6)
      }),
      { numRuns: 12 },
    )
  })
  it('mirrored loads mirror the shares', () => {
    const at = (azimuthDeg: number) =>
      judge(
        fit('HG-C250', BALSA, {
          load: { basis: 'rated', ratedN: 6000, azimuthDeg, elevationDeg: 10, heightMm: 40 },
        }),
      ).worst.bolts.map((b) => b.tensionN)
    const [a, b] = [at(60), at(-60)]
    // The pattern's bolts run round: 1 and 4, 2 and 3 are each other's mirror over the centreline.
    expect([a[3], a[2], a[1], a[0]].map((v) => v!.toFixed(3))).toEqual(b.map((v) => v.toFixed(3)))
  })
})

describe('load cases', () => {
  const two = fit('HG-C250', BALSA, {
    caseName: 'Mooring',
    cases: [
      { name: 'Towed', load: { basis: 'rated', ratedN: 90000, heightMm: 40, azimuthDeg: 0 } },
      { name: 'Fender', load: { basis: 'rated', ratedN: 500, heightMm: 40 } },
    ],
  })
  it('each is judged by itself, the worst of each check counts, and the governing case is said', () => {
    const j = judge(two)
    expect(j.cases.map((c) => c.name)).toEqual(['Mooring', 'Towed', 'Fender'])
    expect(j.caseSaid).toContain('\u201cTowed\u201d governs')
    expect(j.checks.find((c) => c.id === 'bearing')!.because).toContain('Case \u201cTowed\u201d')
    const alone = judge(withChange(two, { cases: [], load: two.cases[0]!.load }))
    expect(j.checks.find((c) => c.id === 'bolt')!.utilisation).toBeCloseTo(
      alone.checks.find((c) => c.id === 'bolt')!.utilisation!,
      9,
    )
  })
  it('a case more never makes a check better', () => {
    const [one, more] = [judge(withChange(two, { cases: [] })), judge(two)]
    for (const c of one.checks)
      if (c.utilisation !== null)
        expect(more.checks.find((k) => k.id === c.id)!.utilisation!).toBeGreaterThanOrEqual(
          c.utilisation - 1e-9,
        )
  })
})

describe('timber', () => {
  it('bears less across the grain, and Hankinson joins the two ends', () => {
    expect(grainBearing('softwood', 0)).toBeCloseTo(25, 9)
    expect(grainBearing('softwood', 90)).toBeCloseTo(25 * 0.45, 9)
    for (let a = 0; a < 90; a += 5)
      expect(grainBearing('softwood', a + 5)).toBeLessThan(grainBearing('softwood', a))
  })
  it('a pull along the grain uses less of it than the same pull across', () => {
    const at = (azimuthDeg: number) =>
      judge(
        fit(
          'HG-BK40',
          { kind: 'timber', timber: 'softwood', thicknessMm: 25, grainDeg: 0 },
          { load: { basis: 'rated', ratedN: 1500, azimuthDeg } },
        ),
      ).checks.find((c) => c.id === 'bearing')!
    expect(at(90).utilisation! / at(0).utilisation!).toBeCloseTo(1 / 0.45, 3)
    expect(at(90).assumed).toContain('acrossGrain')
  })
})

describe('each bolt\u2019s own stack', () => {
  it('pads and an uneven deck part the bolts by length, in the parts list too', () => {
    const d = fit('HG-WL10', BALSA, { padsMm: [0, 0, 25, 25], unevenMm: [0, 6, 0, 0] })
    const j = judge(d)
    expect(j.grips.map((g) => g.bolts)).toEqual([[0], [1], [2, 3]])
    expect(j.grips[2]!.grip!.gripMm - j.grips[0]!.grip!.gripMm).toBeCloseTo(25, 9)
    expect(j.grips[1]!.grip!.gripMm - j.grips[0]!.grip!.gripMm).toBeCloseTo(6, 9)
    const bolts = partsOf(d, j)
      .map((p) => partSaid(p, 'metric'))
      .filter((p) => p.what.startsWith('Bolt'))
    expect(bolts.length).toBeGreaterThan(1)
    expect(bolts.map((b) => b.note).join()).toContain('for bolt 3, 4')
  })
  it('parts that were bought go stale when the stack moves, and are right again when it moves back', () => {
    const d = fit('HG-C250')
    const bought = { what: boltsWanted(d, judge(d)), at: '2031-04-14', by: 'Tam' }
    expect(staleParts({ bought: null }, d, judge(d))).toBeNull()
    expect(staleParts({ bought }, d, judge(d))).toBeNull()
    const thicker = withChange(d, { 'plate.thicknessMm': 20 })
    expect(staleParts({ bought }, thicker, judge(thicker))!.wanted).not.toBe(bought.what)
    expect(staleParts({ bought }, withChange(thicker, { 'plate.thicknessMm': 8 }), judge(d))).toBeNull()
  })
})

describe('plates as made', () => {
  it('a plate is clipped to the room between beams, and judged with its real area', () => {
    const d = fit('HG-C250', BALSA, { 'plate.widthMm': 400 })
    const room = roomAround(d, beams)!
    const outline = clipped(d.plate!, room)!
    expect(boundsOf({ outline })).toMatchObject({ minY: -85, maxY: 200 })
    const clip = judge(withChange(d, { 'plate.outline': outline }))
    expect(clip.plate!.massKg).toBeLessThan(judge(d).plate!.massKg)
    expect(clipped({ lengthMm: 100, widthMm: 100 }, room)).toBeNull()
    expect(clipped(d.plate!, null)).toBeNull()
  })
  it('sizing keeps every plate clear of the longitudinal', () => {
    const d = fit('HG-B160', BALSA, { 'place.yMm': -600 })
    const room = roomAround(d, beams)
    const p = sizeIt(d, undefined, room)
    for (const c of p.choices)
      if (c.design.plate)
        expect(boundsOf(planOfPlate(c.design.plate)).minY).toBeGreaterThanOrEqual(room!.minY - 1e-9)
  })
  it('a crowned deck takes more filler, two sheets and a loose plate change the parts and steps', () => {
    const d = fit('HG-C250')
    expect(judge(withChange(d, { 'plate.crownRadiusMm': 3000 })).plate!.bedMl).toBeGreaterThan(
      judge(d).plate!.bedMl,
    )
    const two = withChange(d, { 'plate.sheets': 2, 'plate.bonded': false })
    expect(
      partsOf(two, judge(two))
        .map((p) => partSaid(p, 'metric'))
        .find((p) => p.what.startsWith('Backing'))!.count,
    ).toContain('bonded into one')
    expect(stepsOf(two, judge(two), 'metric').map((s) => s.id)).toContain('plate-dry')
  })
  it.each([
    [{ lengthMm: 190, widthMm: 120 }, { lengthMm: 600, widthMm: 300 }, 6],
    [{ lengthMm: 700, widthMm: 100 }, { lengthMm: 600, widthMm: 300 }, 0],
    [{ lengthMm: 290, widthMm: 590 }, { lengthMm: 600, widthMm: 300 }, 1],
  ])('%j from %j: %d', (plate, sheet, n) => expect(nestCount(plate, sheet)).toBe(n))
})
