import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CalcError, allFinite } from '../src'
import { CALCULATORS } from '../src/chapters/registry'
import { run } from './whole-core-hands'

it('the core holds every calculator of the reference', () => {
  expect(CALCULATORS.map((c) => c.name).sort()).toEqual(
    'alignment angle-survey anode-life backing-plate base-contact bin-hang bolt-group bond-lap chainplate cockpit-drain compartment core-plug deck-patch design-load epoxy-batch epoxy-day fastener fastener-order first-guess flooding galvanic-pair gland good-for grip-stack hole-closure joint-check labour-week layup-block leak-rate leak-trace lid-hold line-strength moisture-cure nest old-holes opening-edge panel panel-growth passport-facts plan prism-pocket push-through seacock-load sealant-choice sealant-quantity spacing strip-bend surface-window tape-seal tapped thread-fit through-hull-stack transducer-tilt trend tube-plan valve-clocking watch-due weather-windows wedge-block'.split(
      ' ',
    ),
  )
})

describe('a base that can only push', () => {
  interface Contact {
    bolts: { tensionN: number }[]
    sumTensionN: number
    deckForceN: number
    toePressureMPa: number
    contactFraction: number
    maxTensionN: number
  }
  const square = [
    { xMm: -33, yMm: -23 },
    { xMm: 33, yMm: -23 },
    { xMm: 33, yMm: 23 },
    { xMm: -33, yMm: 23 },
  ]
  const base = (over: object) =>
    run<Contact>('base-contact', {
      base: { lengthMm: 90, widthMm: 70 },
      bolts: square,
      bolt: { stiffnessNPerMm: 120000 },
      bedMPaPerMm: 200,
      ...over,
    })
  it('pull less push is the load, whatever it is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -3000, max: 3000 }),
        fc.integer({ min: -3000, max: 3000 }),
        fc.integer({ min: -8000, max: 8000 }),
        fc.integer({ min: 0, max: 600 }),
        fc.integer({ min: 0, max: 4000 }),
        (x, y, z, h, preloadN) => {
          const c = base({ loadN: { x, y, z }, pointMm: { x: 0, y: 0, z: h }, preloadN })
          return (
            Math.abs(c.sumTensionN - c.deckForceN - z) <=
              1e-4 * (1 + Math.abs(x) + Math.abs(y) + Math.abs(z) + preloadN) &&
            c.contactFraction >= -1e-12 &&
            c.contactFraction <= 1 + 1e-9
          )
        },
      ),
      { numRuns: 120 },
    )
  })
  it('a mirrored load is borne by the mirrored bolts', () => {
    const a = base({ loadN: { x: 0, y: 700, z: 300 }, pointMm: { x: 0, y: 0, z: 500 } })
    const b = base({ loadN: { x: 0, y: -700, z: 300 }, pointMm: { x: 0, y: 0, z: 500 } })
    expect(a.bolts[0]!.tensionN).toBeCloseTo(b.bolts[3]!.tensionN, 4)
    expect(a.bolts[2]!.tensionN).toBeCloseTo(b.bolts[1]!.tensionN, 4)
  })
  it('a disc and a many-times-turned lever: the pull does not depend on where one starts to count', () => {
    const ring = (turn: number) =>
      Array.from({ length: 8 }, (_, i) => ({
        xMm: 60 * Math.cos(turn + (i * Math.PI) / 4),
        yMm: 60 * Math.sin(turn + (i * Math.PI) / 4),
      }))
    const at = (turn: number) =>
      run<Contact>('base-contact', {
        base: { diameterMm: 160 },
        bolts: ring(turn),
        bolt: { stiffnessNPerMm: 120000 },
        bedMPaPerMm: 80,
        loadN: { x: 2000 * Math.cos(turn), y: 2000 * Math.sin(turn), z: 0 },
        pointMm: { x: 0, y: 0, z: 150 },
      }).maxTensionN
    expect(at(0.7)).toBeCloseTo(at(0), 3)
  })
})

describe('flooding', () => {
  interface Flood {
    series: { tMin: number; levelMm: number; inLpm: number; outLpm: number }[]
    equilibriumMm: number | null
    marks: { atMin: number | null }[]
  }
  const flood = (over: object) =>
    run<Flood>('flooding', { holeMm: 38, depthMm: 450, areaM2: 6, hours: 3, ...over })
  it('what came in less what went out is what stands there, as near as 61 points tell', () => {
    const f = flood({ hours: 0.5, pumps: [{ ratedLpm: 60, startMm: 80 }] })
    let stored = 0
    for (let i = 1; i < f.series.length; i++)
      stored +=
        ((f.series[i]!.tMin - f.series[i - 1]!.tMin) *
          (f.series[i]!.inLpm - f.series[i]!.outLpm + f.series[i - 1]!.inLpm - f.series[i - 1]!.outLpm)) /
        2
    expect(stored / (6 * f.series.at(-1)!.levelMm)).toBeCloseTo(1, 2)
  })
  it('a pump that starts at the waterline or over it holds nothing: the water rises to it', () => {
    for (const startMm of [450, 451, 900]) {
      const f = flood({ hours: 72, pumps: [{ ratedLpm: 200, startMm }] })
      expect(f.equilibriumMm).toBeNull()
      expect(f.series.at(-1)).toMatchObject({ levelMm: 450, inLpm: 0, outLpm: 0 })
    }
    expect(flood({ pumps: [{ ratedLpm: 200, startMm: 449 }] }).equilibriumMm).toBeGreaterThanOrEqual(449)
  })
  it('a deeper hole never floods slower, a bigger pump never lets it rise further', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 900 }), fc.integer({ min: 1, max: 300 }), (depth, more) => {
        const at = (d: number) =>
          flood({ depthMm: d, marks: [{ name: 'sole', levelMm: 60 }] }).marks[0]!.atMin
        const [a, b] = [at(depth), at(depth + more)]
        return a === null || (b !== null && b <= a + 1e-9)
      }),
    )
    expect(flood({ pumps: [{ ratedLpm: 200, startMm: 50 }] }).equilibriumMm!).toBeLessThanOrEqual(
      flood({ pumps: [{ ratedLpm: 120, startMm: 50 }] }).equilibriumMm!,
    )
  })
  it('agrees with small steps in time', () => {
    const curve = [
      { levelMm: -100, volumeM3: 0 },
      { levelMm: 50, volumeM3: 0.4 },
      { levelMm: 300, volumeM3: 2 },
    ]
    const f = flood({ areaM2: undefined, curve, pumps: [{ ratedLpm: 100, startMm: 20 }], hours: 1 })
    const K = 0.6 * (Math.PI / 4) * 0.038 ** 2 * Math.sqrt(2 * 9.80665)
    const level = (V: number) => (V < 0.4 ? -0.1 + (V / 0.4) * 0.15 : 0.05 + ((V - 0.4) / 1.6) * 0.25)
    let V = 0
    for (let t = 0; t < 3600; t += 0.05)
      V +=
        0.05 *
        (K * Math.sqrt(Math.max(0, 0.45 - Math.max(0, level(V)))) - (level(V) >= 0.02 ? 50 / 60000 : 0))
    expect(f.series.at(-1)!.levelMm).toBeCloseTo(level(V) * 1000, 0)
  })
})

describe('handles, wedges, metals', () => {
  it('a turned world is clocked the same way', () => {
    const turn = (d: number) => {
      const [c, s] = [Math.cos((d * Math.PI) / 180), Math.sin((d * Math.PI) / 180)]
      const spin = (x: number, y: number) => [c * x - s * y, s * x + c * y] as const
      const [x1Mm, y1Mm] = spin(90, -200)
      const [x2Mm, y2Mm] = spin(90, 200)
      return run<{ freeWanted: number[][]; bestDeg: number }>('valve-clocking', {
        measuredDeg: 20 + d,
        wantedDeg: 5 + d,
        flangeMm: 82,
        pitchMm: 2.3,
        handleMm: 120,
        obstacles: [{ x1Mm, y1Mm, x2Mm, y2Mm }],
      })
    }
    expect(turn(100).bestDeg - turn(0).bestDeg).toBeCloseTo(100, 6)
    expect(turn(100).freeWanted[0]![1]! - turn(100).freeWanted[0]![0]!).toBeCloseTo(
      turn(0).freeWanted[0]![1]! - turn(0).freeWanted[0]![0]!,
      6,
    )
  })
  it('an obstacle through the axis leaves nothing free', () => {
    expect(
      run<{ freeWanted: unknown[]; bestDeg: null }>('valve-clocking', {
        measuredDeg: 0,
        wantedDeg: 90,
        flangeMm: 80,
        pitchMm: 2,
        handleMm: 100,
        obstacles: [{ x1Mm: -10, y1Mm: -10, x2Mm: 10, y2Mm: 10 }],
      }),
    ).toMatchObject({ freeWanted: [], bestDeg: null })
  })
  it('a pair of metals is the same pair the other way round', () => {
    const ids = ['ss-316', 'al-5083', 'silicon-bronze', 'carbon', 'titanium', 'zinc']
    for (const a of ids)
      for (const b of ids)
        for (const place of ['immersed', 'splash', 'dry']) {
          const one = run<{ verdict: string; loserMetal: string | null }>('galvanic-pair', {
            a,
            b,
            place,
            areaRatioAToB: 20,
          })
          const two = run<{ verdict: string; loserMetal: string | null }>('galvanic-pair', {
            a: b,
            b: a,
            place,
            areaRatioAToB: 1 / 20,
          })
          expect([one.verdict, one.loserMetal]).toEqual([two.verdict, two.loserMetal])
        }
  })
})

it('absurd but finite inputs end in a named error or a finite answer', () => {
  const odd = [1e-300, 1e-12, 1e12, 1e150, 1e300]
  for (const a of odd)
    for (const b of odd) {
      for (const [name, input] of [
        ['flooding', { holeMm: a, depthMm: b, areaM2: a, pumps: [{ ratedLpm: b, startMm: 0 }] }],
        [
          'panel',
          {
            shape: 'rect',
            lengthMm: a,
            widthMm: b,
            material: 'cast-acrylic',
            pressureKPa: 1,
            support: 'clamped',
          },
        ],
        ['hole-closure', { holeMm: a, thicknessMm: b }],
        [
          'base-contact',
          {
            base: { diameterMm: a },
            bolts: [{ xMm: 0, yMm: 0 }],
            bolt: { stiffnessNPerMm: b },
            bedMPaPerMm: b,
            loadN: { x: a, y: b, z: 1 },
          },
        ],
        ['wedge-block', { deadriseDeg: 79.9, baseMm: a, holeMm: b, hullMm: a }],
        ['opening-edge', { outline: { kind: 'rect', lengthMm: a, widthMm: b }, core: 'none', coreMm: 0 }],
        [
          'deck-patch',
          {
            panel: { aMm: a, bMm: b },
            edges: { x0: 'simple', x1: 'simple', y0: 'simple', y1: 'simple' },
            layup: { kind: 'solid', tMm: a, eMPa: b },
            pressureMPa: a,
            mesh: { nx: 8, ny: 8 },
          },
        ],
        [
          'bond-lap',
          {
            loadN: a,
            lengthMm: b,
            widthMm: a,
            e1t1NPerMm: b,
            e2t2NPerMm: a,
            gMPa: b,
            glueMm: a,
            bond: 'primary',
          },
        ],
      ] as const) {
        try {
          expect(allFinite(run(name, input)), name).toBe(true)
        } catch (e) {
          if (!(e instanceof CalcError)) throw new Error(`${name} ${a} ${b}: ${String(e)}`, { cause: e })
        }
      }
    }
})
