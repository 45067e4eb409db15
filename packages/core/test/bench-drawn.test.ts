import { describe, expect, it } from 'vitest'
import {
  drawSection,
  drillSchedule,
  judge,
  judgeWhole,
  metalPairs,
  mirrored,
  moved,
  spotFor,
  templateOf,
  toSvg,
} from '../src'
import { toDxf } from '../src/drawing/dxf'
import { BALSA } from './deck-hands'
import { METAL, fit, zone } from './bench-hands'

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
