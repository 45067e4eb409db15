import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  CATALOGUE,
  FAMILY,
  FAMILY_TITLES,
  QUESTIONS,
  boltsWanted,
  boundsOf,
  catalogueEntry,
  clipped,
  drawSection,
  drillSchedule,
  fieldAround,
  judge,
  judgeWhole,
  massOf,
  metalPairs,
  mirrored,
  moved,
  nestCount,
  partSaid,
  partsOf,
  patchFor,
  planOfPlate,
  refusedHere,
  roomAround,
  ruleBeside,
  sizeIt,
  spotFor,
  spreadSaid,
  staleParts,
  startDesign,
  stepsOf,
  takeWet,
  templateOf,
  toSvg,
  withChange,
  withHabits,
  withSolver,
  rank,
  type BoatPart,
  type BoatZone,
  type Design,
  type Structure,
} from '../src'
import { deckPatchInput, deckPatchOf } from '../src/chapters/plate/deck-patch'
import { grainBearing } from '../src/kinds/deck-hardware/own-ways'
import { questionFor, solverChecks } from '../src/kinds/deck-hardware/solver'
import { toDxf } from '../src/drawing/dxf'

const BALSA: Structure = {
  kind: 'sandwich',
  skin: { laminate: 'mat' },
  outerMm: 4,
  innerMm: 3,
  core: { material: 'balsa-150', thicknessMm: 12 },
}
const METAL: Structure = { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 4 }
const fit = (id: string, structure: Structure = BALSA, change: Record<string, unknown> = {}): Design =>
  withChange(
    startDesign(
      catalogueEntry(id)!,
      {
        zone: 'deck',
        xMm: 930,
        yMm: -640,
        zMm: 1600,
        edgeMm: 120,
        belowWaterline: false,
        structure,
        measured: [],
        duty: 'coastal',
      },
      catalogueEntry(id)!.title,
    ),
    change,
  )

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

const beams: BoatPart[] = [
  { kind: 'beam', title: 'deck beam', x0Mm: 620, y0Mm: -1, x1Mm: 620, y1Mm: 1 },
  { kind: 'beam', title: 'deck beam', x0Mm: 1240, y0Mm: -1, x1Mm: 1240, y1Mm: 1 },
  { kind: 'longitudinal', title: 'longitudinal', x0Mm: 0, y0Mm: -750, x1Mm: 3000, y1Mm: -750 },
  { kind: 'longitudinal', title: 'longitudinal', x0Mm: 0, y0Mm: -300, x1Mm: 3000, y1Mm: -300 },
]
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

describe('templates at full size', () => {
  it.each(['HG-C250', 'HG-W200', 'HG-WL10'])(
    '%s: every hole once in its place, at its own sizes, with a bar of 100 mm',
    (id) => {
      const d = fit(id)
      const j = judge(d)
      for (const what of ['pattern', 'plate'] as const) {
        const t = templateOf(d, j, what, 'metric')
        const rings = t.shapes.filter((s) => s.kind === 'ring' && s.role === 'DRILL')
        for (const r of drillSchedule(d, j))
          expect(
            rings.some(
              (q) =>
                q.kind === 'ring' &&
                Math.hypot(q.at.x - r.xMm, q.at.y - r.yMm) < 1e-9 &&
                Math.abs(q.r - r.finishMm / 2) < 1e-9,
            ),
          ).toBe(true)
        const bar = t.shapes.find(
          (s) =>
            s.kind === 'path' &&
            s.role === 'MARK' &&
            s.points.length === 2 &&
            Math.abs(s.points[1]!.x - s.points[0]!.x - 100) < 1e-9,
        )
        expect(bar).toBeTruthy()
        const dxf = toDxf(t, ['CUT', 'DRILL', 'MARK', 'TEXT'], (s) => s.role ?? null)
        expect(dxf.match(/\nCIRCLE\n/g)!.length).toBeGreaterThanOrEqual(2 * d.bolts.length)
        expect(toSvg(t)).toContain(`width="${Number((t.bounds.maxX - t.bounds.minX).toFixed(3))}mm"`)
      }
    },
  )
  it('seen from inside it is mirrored and says so', () => {
    const d = fit('HG-T30')
    const [out, inside] = [
      templateOf(d, judge(d), 'pattern', 'metric'),
      templateOf(d, judge(d), 'pattern', 'metric', true),
    ]
    const ys = (t: typeof out) => t.shapes.flatMap((s) => (s.kind === 'ring' ? [s.at.y] : []))
    expect(ys(inside)).toEqual(ys(out).map((y) => -y || 0))
    expect(inside.shapes.some((s) => s.kind === 'text' && s.text.includes('mirrored'))).toBe(true)
  })
})

const zone: BoatZone = {
  code: 'deck',
  title: 'Deck',
  face: 'deck',
  kind: 'sandwich',
  zMm: 1600,
  stacking: 0,
  reach: '',
  state: '',
  outline: [
    { xMm: 0, yMm: -1500 },
    { xMm: 3000, yMm: -1500 },
    { xMm: 3000, yMm: 1500 },
    { xMm: 0, yMm: 1500 },
  ],
  layers: [
    { material: 'mat', thicknessMm: 4, measured: true, measuredBy: '' },
    { material: 'balsa-150', thicknessMm: 12, measured: true, measuredBy: '' },
    { material: 'mat', thicknessMm: 3, measured: true, measuredBy: '' },
  ],
}
describe('spread', () => {
  const d = fit('HG-C250', BALSA, { 'place.yMm': -525 })
  const field = fieldAround(d, zone, beams)
  it('lies between the stiffeners that do not run under the fitting', () => {
    expect([field.minX, field.maxX, field.minY, field.maxY]).toEqual([-310, 310, -225, 225])
    expect(fieldAround(withChange(d, { 'place.xMm': 1240 }), zone, beams).under).toEqual([
      { axis: 'x', atMm: 0, title: 'deck beam at x 1240' },
    ])
    expect(fieldAround(d, null, []).assumed).toHaveLength(4)
  })
  it('hands on all that pulls and all that the deck pushes back, and the plate takes the deflection down', () => {
    const j = judge(d)
    const input = patchFor(d, j, field)
    const sum = input.loads!.reduce((s, l) => s + l.forceN, 0)
    expect(sum).toBeCloseTo(j.worst.direction.outN, 0)
    const small = (i: typeof input) => deckPatchOf(deckPatchInput.parse({ ...i, mesh: { nx: 16, ny: 16 } }))
    const [plate, bare] = [small(input), small(patchFor(d, j, field, false))]
    expect(plate.totalReactionN).toBeCloseTo(-sum, 0)
    expect(Math.abs(plate.maxDeflectionMm)).toBeLessThan(Math.abs(bare.maxDeflectionMm))
    const said = spreadSaid(d, j, plate, field, input)
    expect(said.checks.map((c) => c.id)).toEqual([
      'spread-skin-outer',
      'spread-skin-inner',
      'spread-core-shear',
    ])
    // Ten times the pull bends the skins past what they may: only the solver sees it, and says so.
    const hard = small({ ...input, loads: input.loads!.map((l) => ({ ...l, forceN: 10 * l.forceN })) })
    expect(spreadSaid(d, j, hard, field, input).warning).toContain('no hand check sees that')
    const soft = small({ ...input, loads: input.loads!.map((l) => ({ ...l, forceN: 0.05 * l.forceN })) })
    expect(spreadSaid(d, j, soft, field, input)).toMatchObject({ warning: null, verdict: 'holds' })
    const b = said.beside[0]!
    expect(b.believe === null).toBe(Math.abs(b.solver - b.hand) / b.hand <= 0.25)
  })
  it('judges the plating of a metal deck on its yield', () => {
    const m = fit('HG-LP90', METAL)
    const j = judge(m)
    const f = fieldAround(m, null, beams)
    const input = patchFor(m, j, f, true, 12)
    const patch = deckPatchOf(deckPatchInput.parse(input))
    expect(spreadSaid(m, j, patch, f, input).checks.map((c) => c.id)).toEqual(['spread-skin'])
  })
  it('reads stress off the edges of the plate, so that a finer mesh hardly moves it, and not at them, where it does', () => {
    const j = judge(d)
    const read = (n: number) => {
      const input = patchFor(d, j, field, true, n)
      const patch = deckPatchOf(deckPatchInput.parse(input))
      return {
        off: spreadSaid(d, j, patch, field, input).checks[0]!.demand!,
        at: Math.abs(patch.outerSkin.stressMPa),
      }
    }
    const [coarse, fine] = [read(24), read(64)]
    expect(Math.abs(fine.off / coarse.off - 1)).toBeLessThan(0.12)
    expect(fine.off).toBeLessThan(fine.at)
  })
  it('is held by a member that runs under it: less deflection, and the members and edges carry the whole pull', () => {
    const over = withChange(d, { 'place.xMm': 1240 })
    const j = judge(over)
    const f = fieldAround(over, zone, beams)
    const input = patchFor(over, j, f, true, 16)
    const [held, left] = [
      deckPatchOf(deckPatchInput.parse(input)),
      deckPatchOf(deckPatchInput.parse({ ...input, supports: [] })),
    ]
    expect(Math.abs(held.maxDeflectionMm)).toBeLessThan(0.5 * Math.abs(left.maxDeflectionMm))
    expect(held.totalReactionN).toBeCloseTo(left.totalReactionN, 0)
    expect(() =>
      deckPatchOf(deckPatchInput.parse({ ...input, supports: [{ axis: 'x', atMm: 1e4 }] })),
    ).toThrow(/panel/)
  })
  it('two spans over a stiff member bend as clamped beams that lean on each other', () => {
    // A long strip under even pressure over two spans: the middle reaction takes 10/8 of q\u00b7l
    // (Clapeyron), so each edge 3/8.
    const strip = deckPatchInput.parse({
      panel: { aMm: 800, bMm: 4000 },
      edges: { x0: 'simple', x1: 'simple', y0: 'free', y1: 'free' },
      layup: { kind: 'solid', tMm: 8, eMPa: 10000, nu: 0 },
      pressureMPa: 0.001,
      supports: [{ axis: 'x', atMm: 400 }],
      mesh: { nx: 40, ny: 10 },
      fields: true,
    })
    const p = deckPatchOf(strip)
    const l = 400
    const w = (0.0054 * 0.001 * l ** 4) / ((10000 * 8 ** 3) / 12)
    expect(p.maxDeflectionMm / w).toBeCloseTo(1, 1)
    expect(p.totalReactionN).toBeCloseTo(-0.001 * 800 * 4000, 0)
  })
})
describe('the solver in the verdict', () => {
  it('a judgement with the solver\u2019s checks is no better than the worst of both', () => {
    // A small boat: her weight is borne by every hand check.
    const m = fit('HG-LP90', METAL, { 'load.massKg': 2600 })
    const j = judge(m)
    const both = withSolver(j, { checks: solverChecks(null, beams)(m, j) })
    expect(both.checks).toHaveLength(j.checks.length + 1)
    expect(rank(both.verdict)).toBeLessThanOrEqual(rank(j.verdict))
    // Lifted in the middle of unsupported 4 mm plating it is short, though every hand check holds.
    expect(j.verdict).not.toBe('short')
    expect(both).toMatchObject({ verdict: 'short', governing: 'spread-skin' })
  })
  it('the same design has the same question, and a beam nearer by asks another', () => {
    const c = fit('HG-C250')
    const j = judge(c)
    const nearer = beams.map((b) => ({ ...b, x0Mm: b.x0Mm + 40, x1Mm: b.x1Mm + 40 }))
    expect(questionFor(structuredClone(c), judge(structuredClone(c)), null, beams).key).toBe(
      questionFor(c, j, null, beams).key,
    )
    expect(questionFor(c, j, null, nearer).key).not.toBe(questionFor(c, j, null, beams).key)
  })
  it.each(
    CATALOGUE.filter((c) => ['cleat', 'stanchion', 'winch', 'pad-eye'].includes(c.family)).map((c) => c.id),
  )('Size it proposes nothing for %s that the solver calls short', (id) => {
    const ask = solverChecks(null, beams)
    const p = sizeIt(fit(id), undefined, null, ask)
    if (!p.found) expect(p.because).toMatch(/^Nothing passes/)
    for (const c of p.choices)
      expect(ask(c.design, judge(c.design)).map((k) => k.verdict)).not.toContain('short')
    expect(p.choices.length > 0).toBe(p.found)
  })
})

describe('size it, the best few', () => {
  it('proposes nothing that any check calls short: a place too near an edge is settled first', () => {
    const p = sizeIt(fit('HG-C250', undefined, { 'place.edgeMm': 12 }))
    expect(p).toMatchObject({ found: false, choices: [], design: null })
    expect(p.because).toMatch(/^Nothing passes: .* the nearest still fails at /)
    expect(p.remaining.map((r) => r.verdict)).toEqual(p.remaining.map(() => 'short'))
  })
  it.each(['HG-C250', 'HG-B160', 'HG-W200', 'HG-LP90', 'HG-TR4I'])(
    '%s: none that any check calls short, lightest first in its school, no one beaten in everything',
    (id) => {
      const p = sizeIt(fit(id))
      expect(p.found).toBe(true)
      for (const c of p.choices) {
        const j = judge(c.design)
        expect(
          j.checks.filter(
            (k) => k.verdict === 'short' && !['edge-distance', 'spacing', 'sealant'].includes(k.id),
          ),
          c.title,
        ).toEqual([])
        expect(c.massKg).toBeCloseTo(massOf(c.design, j), 9)
        expect(c.hours).toBeGreaterThan(0)
      }
      const cost = { low: 0, middle: 1, high: 2 }
      for (const a of p.choices.slice(1))
        for (const b of p.choices)
          if (a !== b)
            expect(
              b.massKg < a.massKg &&
                cost[b.cost] <= cost[a.cost] &&
                b.underDeckMm <= a.underDeckMm &&
                b.hours <= a.hours,
            ).toBe(false)
    },
  )
})

describe('schools', () => {
  const d = fit('HG-C250')
  it('each answer to each question changes the design or is refused with a reason, and can be told again', () => {
    for (const q of QUESTIONS)
      for (const s of q.schools) {
        const why = refusedHere(s, d)
        if (why) expect(why.length).toBeGreaterThan(10)
        else expect(q.of(withChange(d, q.take(s, d)))).toBe(s)
      }
  })
  it('the yard\u2019s habit is taken where it may be and left where it is refused', () => {
    expect(withHabits(d, { bedding: 'tube', tightening: 'two-step', core: 'seal-wall' })).toMatchObject({
      bedding: { tightening: 'two-step' },
      core: { school: 'bore-fill' },
    })
    expect(withHabits(fit('HG-LP90', METAL), { core: 'insert' }).core.school).toBe('none')
  })
  it('a wet core is a decision of its own, and stands first in the steps', () => {
    for (const id of ['wet-insert', 'wet-recore', 'wet-dry-out'] as const) {
      const x = withChange(d, takeWet(id))
      expect(stepsOf(x, judge(x), 'metric')[1]!.id).toBe('wet-core')
      expect(x.core.school).toBe(id === 'wet-insert' ? 'insert' : d.core.school)
    }
    expect(stepsOf(d, judge(d), 'metric').map((s) => s.id)).not.toContain('wet-core')
  })
  it('a school changes the steps', () => {
    const text = (x: Design) =>
      stepsOf(x, judge(x), 'metric')
        .map((s) => s.text)
        .join(' ')
    expect(text(withChange(d, { 'schools.inside': 'seal-inside' }))).toContain('will then not show')
    expect(text(withChange(d, { 'bedding.sealant': 'hybrid', 'bedding.tightening': 'two-step' }))).toContain(
      'last part-turn',
    )
    expect(text(d)).not.toContain('last part-turn')
  })
  it('the rule of thumb makes its plate, and the difference is explained', () => {
    const rule = withChange(d, QUESTIONS.find((q) => q.id === 'plate')!.take('rule', d))
    expect(judge(rule).plate!.rule).toMatchObject({ thicknessMet: true, reachMet: true })
    expect(ruleBeside(d, judge(d), 'metric')!.why.length).toBeGreaterThan(20)
  })
})

describe('copies', () => {
  const zones = [
    zone,
    {
      ...zone,
      code: 'stbd',
      title: 'Starboard deck',
      stacking: 1,
      outline: [
        { xMm: 0, yMm: 200 },
        { xMm: 3000, yMm: 200 },
        { xMm: 3000, yMm: 1500 },
        { xMm: 0, yMm: 1500 },
      ],
      layers: [{ material: 'woven', thicknessMm: 9, measured: true, measuredBy: '' }],
      kind: 'solid' as const,
    },
  ]
  it('mirrored twice is the same fitting, and each stands on the deck that is there', () => {
    const d = {
      ...fit('HG-T30', BALSA, {
        load: {
          basis: 'rated',
          ratedN: 5000,
          azimuthDeg: 30,
          sweep: { azimuthDeg: { from: -20, to: 60, step: 20 } },
        },
      }),
      ...{},
    }
    const m = mirrored(d, zones, 'other')
    expect(m.place).toMatchObject({ yMm: 640, zone: 'stbd' })
    expect(m.structure.kind).toBe('solid')
    expect(m.core.school).toBe('none')
    expect(m.load.sweep!.azimuthDeg).toMatchObject({ from: -60, to: 20 })
    const back = mirrored(m, zones, d.name)
    expect(back.bolts).toEqual(d.bolts)
    expect(back.load).toEqual(d.load)
  })
  it('pulls as hard as its twin on the same deck', () => {
    const d = fit('HG-T30')
    const same = { ...mirrored(d, [zone], 'twin') }
    expect(judge({ ...same, structure: d.structure, measured: d.measured }).worst.maxTensionN).toBeCloseTo(
      judge(d).worst.maxTensionN,
      6,
    )
  })
  it('what was bought or measured for the first does not go with a copy', () => {
    const d = { ...fit('HG-C250'), unevenMm: [1, 0, 0, 0] }
    expect(moved(d, zones, { xMm: 2000, yMm: -500 }, 'copy')).toMatchObject({
      unevenMm: [],
      place: { xMm: 2000, yMm: -500, measuredFrom: [] },
    })
  })
})

describe('the drawing', () => {
  it('draws thin layers thicker only where it is asked, and says so; figures stay true', () => {
    const d = fit('HG-C250')
    const [true_, thick] = [drawSection(d, judge(d), 'metric'), drawSection(d, judge(d), 'metric', true)]
    expect(true_.title).toContain('true scale')
    expect(thick.title).toContain('drawn thicker')
    const words = (s: typeof thick) =>
      s.shapes.flatMap((x) => (x.kind === 'text' && x.role?.startsWith('structure') ? [x.text] : []))
    expect(words(thick)).toEqual(words(true_))
  })
  it('has a handle for every layer, the plate and the bore, each moving its own value', () => {
    const paths = drawSection(fit('HG-C250'), judge(fit('HG-C250')), 'metric').handles!.map((h) => h.path)
    expect(paths).toEqual(
      expect.arrayContaining([
        'structure.outerMm',
        'structure.core.thicknessMm',
        'structure.innerMm',
        'plate.thicknessMm',
        'plate.lengthMm',
        'core.boreMm',
      ]),
    )
  })
  it('shows the pressed side and the heel line where the base tips', () => {
    const w = judgeWhole(fit('HG-S25'), 'metric')
    expect(w.pattern.shapes.some((s) => s.role === 'heel line')).toBe(true)
    expect(w.pattern.shapes.some((s) => s.role === 'pressed')).toBe(true)
  })
  it('pairs of metals name what meets what', () => {
    expect(metalPairs(fit('HG-TR10')).map((p) => p.with)).toEqual(['fitting'])
    expect(metalPairs(fit('HG-LP90', METAL)).map((p) => p.with)).toEqual(['deck'])
    expect(spotFor(zone, { xMm: 100, yMm: 0 }, [], 'coastal').zone).toBe('deck')
  })
})
