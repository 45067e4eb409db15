import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runNamed } from '../src/chapters/registry'
import { CalcError } from '../src'

type Any = Record<string, never> & Record<string, unknown>
const run = <T = Any>(name: string, input: unknown) => runNamed(name, input) as T
const coord = fc.integer({ min: -300, max: 300 })
const force = fc.integer({ min: -20000, max: 20000 })
const spread = fc.uniqueArray(fc.record({ xMm: coord, yMm: coord }), {
  minLength: 3,
  maxLength: 9,
  selector: (p) => `${p.xMm},${p.yMm}`,
})
interface Group {
  centroidMm: { x: number; y: number }
  momentsNmm: { x: number; y: number; z: number }
  bolts: { axialN: number; tensionN: number; shearN: number; shearXN: number; shearYN: number }[]
  unresistedMomentNmm: number
  unresistedTwistNmm: number
  maxTensionN: number
}

describe('bolts in equilibrium', () => {
  it('whatever the pattern and the load, the bolts balance it when nothing is left unresisted', () => {
    fc.assert(
      fc.property(
        spread,
        force,
        force,
        force,
        coord,
        coord,
        fc.integer({ min: 0, max: 500 }),
        (bolts, x, y, z, px, py, pz) => {
          const g = run<Group>('bolt-group', { bolts, loadN: { x, y, z }, pointMm: { x: px, y: py, z: pz } })
          const d = bolts.map((b) => ({ x: b.xMm - g.centroidMm.x, y: b.yMm - g.centroidMm.y }))
          const sum = (f: (i: number) => number) => bolts.reduce((s, _, i) => s + f(i), 0)
          const scale = 1 + Math.abs(x) + Math.abs(y) + Math.abs(z)
          const near = (a: number, b: number, s: number) => Math.abs(a - b) <= 1e-7 * s
          const forces =
            near(
              sum((i) => g.bolts[i]!.axialN),
              z,
              scale,
            ) &&
            near(
              sum((i) => g.bolts[i]!.shearXN),
              x,
              scale,
            ) &&
            near(
              sum((i) => g.bolts[i]!.shearYN),
              y,
              scale,
            )
          const twist = near(
            sum((i) => d[i]!.x * g.bolts[i]!.shearYN - d[i]!.y * g.bolts[i]!.shearXN),
            g.momentsNmm.z,
            scale * 1000,
          )
          if (g.unresistedMomentNmm > 0) return forces && twist
          return (
            forces &&
            twist &&
            near(
              sum((i) => g.bolts[i]!.axialN * d[i]!.y),
              g.momentsNmm.x,
              scale * 1000,
            ) &&
            near(-sum((i) => g.bolts[i]!.axialN * d[i]!.x), g.momentsNmm.y, scale * 1000)
          )
        },
      ),
    )
  })
  it('a mirrored pattern under a mirrored load shares it the same way', () => {
    fc.assert(
      fc.property(spread, force, force, force, (bolts, x, y, z) => {
        const a = run<Group>('bolt-group', { bolts, loadN: { x, y, z }, pointMm: { x: 0, y: 0, z: 80 } })
        const b = run<Group>('bolt-group', {
          bolts: bolts.map((p) => ({ xMm: p.xMm, yMm: -p.yMm })),
          loadN: { x, y: -y, z },
          pointMm: { x: 0, y: 0, z: 80 },
        })
        return a.bolts.every(
          (s, i) =>
            Math.abs(s.axialN - b.bolts[i]!.axialN) < 1e-6 * (1 + Math.abs(s.axialN)) &&
            Math.abs(s.shearN - b.bolts[i]!.shearN) < 1e-6 * (1 + s.shearN),
        )
      }),
    )
  })
  it('a slanting row knows its own line', () => {
    const row = [0, 1, 2].map((i) => ({ xMm: 30 * i, yMm: 40 * i }))
    const about = run<Group>('bolt-group', {
      bolts: row,
      loadN: { x: 0, y: 0, z: 900 },
      pointMm: { x: 30 + 40, y: 40 - 30, z: 0 },
    })
    expect(about.unresistedMomentNmm).toBeCloseTo(900 * 50, 4)
    const along = run<Group>('bolt-group', {
      bolts: row,
      loadN: { x: 0, y: 0, z: 900 },
      pointMm: { x: 60, y: 80, z: 0 },
    })
    expect(along.unresistedMomentNmm).toBeCloseTo(0, 4)
    expect(along.bolts.map((b) => Math.round(b.axialN))).toEqual([-150, 300, 750])
  })
  it('one bolt resists neither moment nor twist', () => {
    const g = run<Group>('bolt-group', {
      bolts: [{ xMm: 5, yMm: 5 }],
      loadN: { x: 100, y: 0, z: 50 },
      pointMm: { x: 5, y: 15, z: 20 },
    })
    expect(g).toMatchObject({ unresistedMomentNmm: Math.hypot(500, 2000), unresistedTwistNmm: 1000 })
  })
})

const plate = (over: object = {}) => ({
  plate: { material: 'g10', lengthMm: 200, widthMm: 110, thicknessMm: 10 },
  bolt: { size: 'M8' },
  bolts: [
    { xMm: -60, yMm: -20, tensionN: 2000 },
    { xMm: 60, yMm: -20, tensionN: 2500 },
    { xMm: 60, yMm: 20, tensionN: 0 },
    { xMm: -60, yMm: 20, tensionN: 300 },
  ],
  ...over,
})
interface Plate {
  checks: { id: string; utilisation: number; verdict: string; demand: number }[]
  requiredThicknessMm: number
  suggested: { lengthMm: number; widthMm: number; thicknessMm: number } | null
}
describe('backing plates', () => {
  it('a thicker plate never raises its own stress', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 30, noNaN: true }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (t, more) => {
          const at = (thicknessMm: number) =>
            run<Plate>(
              'backing-plate',
              plate({ plate: { material: 'g10', lengthMm: 200, widthMm: 110, thicknessMm } }),
            )
          const [thin, thick] = [at(t), at(t + more)]
          return thin.checks.every((c, i) => thick.checks[i]!.utilisation <= c.utilisation + 1e-12)
        },
      ),
    )
  })
  it('at the required thickness the worst check is just used up', () => {
    const first = run<Plate>('backing-plate', plate())
    const again = run<Plate>(
      'backing-plate',
      plate({
        plate: { material: 'g10', lengthMm: 200, widthMm: 110, thicknessMm: first.requiredThicknessMm },
      }),
    )
    expect(Math.max(...again.checks.map((c) => c.utilisation))).toBeCloseTo(1, 9)
  })
  it('what it suggests holds up under its own checks', () => {
    const deck = {
      structure: {
        kind: 'sandwich',
        skin: { laminate: 'mat' },
        outerMm: 4,
        innerMm: 3,
        core: { material: 'pvc-80', thicknessMm: 15 },
      },
    }
    const s = run<Plate>('backing-plate', plate(deck)).suggested!
    const again = run<Plate>('backing-plate', plate({ ...deck, plate: { material: 'g10', ...s } }))
    expect(again.checks.every((c) => c.utilisation <= 1)).toBe(true)
    expect(s.lengthMm % 5).toBe(0)
  })
  it('plywood below the waterline is refused by material', () => {
    const p = run<Plate>(
      'backing-plate',
      plate({
        plate: { material: 'plywood', lengthMm: 200, widthMm: 110, thicknessMm: 20 },
        belowWaterline: true,
      }),
    )
    expect(p.checks.find((c) => c.id === 'material')).toMatchObject({ verdict: 'short', utilisation: null })
  })
})

describe('errors come with code and path', () => {
  it.each([
    [
      'bolt-group',
      { bolts: [{ xMm: 0, yMm: '0' }], loadN: { x: 0, y: 0, z: 1 } },
      'invalid-input',
      'bolts.0.yMm',
    ],
    [
      'joint-check',
      {
        structure: { kind: 'solid', skin: { laminate: 'woven', fibreFraction: 0.3 }, thicknessMm: 6 },
        bolt: { size: 'M8', grade: 'A4-70' },
        bolts: [{ xMm: 0, yMm: 0, tensionN: 1, shearN: 1 }],
      },
      'invalid-input',
      'structure.skin.fibreFraction',
    ],
    [
      'joint-check',
      {
        structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 6, core: {} },
        bolt: { size: 'M8', grade: 'A4-70' },
        bolts: [{ xMm: 0, yMm: 0, tensionN: 1, shearN: 1 }],
      },
      'invalid-input',
      'structure.core',
    ],
    [
      'joint-check',
      {
        structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 6 },
        plug: { areaEachMm2: 5 },
        bolt: { size: 'M8', grade: 'A4-70' },
        bolts: [{ xMm: 0, yMm: 0, tensionN: 1, shearN: 1 }],
      },
      'invalid-input',
      'plug',
    ],
    [
      'joint-check',
      {
        structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 6 },
        bolt: { size: 'M8', grade: 'A4-70' },
        bolts: [0, 0].map(() => ({ xMm: 1, yMm: 1, tensionN: 1, shearN: 1 })),
      },
      'bolts-coincide',
      'bolts.1',
    ],
    [
      'joint-check',
      {
        structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 6 },
        plate: { diameterMm: 8 },
        bolt: { size: 'M8', grade: 'A4-70' },
        bolts: [{ xMm: 0, yMm: 0, tensionN: 1, shearN: 1 }],
      },
      'footprint-too-small',
      'plate',
    ],
    [
      'joint-check',
      {
        structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 6 },
        plate: { lengthMm: 80, widthMm: -1 },
        bolt: { size: 'M8', grade: 'A4-70' },
        bolts: [{ xMm: 0, yMm: 0, tensionN: 1, shearN: 1 }],
      },
      'invalid-input',
      'plate.widthMm',
    ],
    [
      'grip-stack',
      { size: 'M20', head: 'hex', nut: 'hex', layers: [{ name: 'block', thicknessMm: 400 }] },
      'no-stock-length',
      'layers',
    ],
    [
      'grip-stack',
      { size: 'M8', head: 'hex', nut: 'hex', headAngleDeg: 90, layers: [{ name: 'base', thicknessMm: 4 }] },
      'invalid-input',
      'headAngleDeg',
    ],
    [
      'design-load',
      { basis: 'lifting', massKg: 500, legs: 1, legAngleDeg: 10 },
      'invalid-input',
      'legAngleDeg',
    ],
    ['design-load', { basis: 'line' }, 'invalid-input', 'breakingN'],
    ['design-load', { basis: 'rated', ratedN: 5, areaM2: 3 }, 'invalid-input', 'areaM2'],
    [
      'design-load',
      { basis: 'rated', ratedN: 5, sweep: { azimuthDeg: { from: 10, to: 0, step: 5 } } },
      'invalid-input',
      'sweep.azimuthDeg.to',
    ],
    [
      'design-load',
      { basis: 'rated', ratedN: 5, sweep: { azimuthDeg: { from: 0, to: 360, step: 0.001 } } },
      'invalid-input',
      'sweep',
    ],
    [
      'core-plug',
      { school: 'reef', holeMm: 9, outerSkinMm: 8, coreMm: 0, innerSkinMm: 0, core: 'none' },
      'no-core',
      'school',
    ],
    [
      'core-plug',
      { school: 'insert', holeMm: 9, outerSkinMm: 4, coreMm: 12, innerSkinMm: 3, core: 'balsa-150' },
      'invalid-input',
      'insert',
    ],
    [
      'core-plug',
      { school: 'bore-fill', holeMm: 75, outerSkinMm: 4, coreMm: 12, innerSkinMm: 3, core: 'balsa-150' },
      'bore-too-small',
      'boreMm',
    ],
    [
      'sealant-choice',
      { place: 'above', joint: 'deck-hardware', faces: ['gelcoat'] },
      'invalid-input',
      'faces',
    ],
    [
      'sealant-quantity',
      { kind: 'tube', contactAreaMm2: 10, perimeterMm: 10, holes: 2 },
      'invalid-input',
      'holeDiameterMm',
    ],
    ['line-strength', { line: 'chain', diameterMm: 1e200, grade: 30 }, 'invalid-input', 'diameterMm'],
    ['line-strength', null, 'invalid-input', ''],
  ])('%s %j', (name, input, code, path) => {
    let error: unknown
    try {
      run(name, input)
    } catch (e) {
      error = e
    }
    expect(error).toBeInstanceOf(CalcError)
    expect({ code: (error as CalcError).code, path: (error as CalcError).path }).toEqual({ code, path })
  })
  it('never lets NaN or Infinity out, however absurd the figures', () => {
    const odd = fc.constantFrom(1e-300, 1e-9, 1, 1e9, 1e300)
    fc.assert(
      fc.property(odd, odd, odd, (a, b, c) => {
        try {
          JSON.stringify(
            run(
              'backing-plate',
              plate({ plate: { material: 'g10', lengthMm: a, widthMm: b, thicknessMm: c } }),
            ),
          )
        } catch (e) {
          if (!(e instanceof CalcError)) throw e
        }
        return true
      }),
      { numRuns: 125 },
    )
  })
})

it('a calculator on its own offers remedies that it has judged itself', () => {
  const input = plate({ plate: { material: 'g10', lengthMm: 200, widthMm: 110, thicknessMm: 3 } })
  const thin = run<{
    checks: {
      id: string
      utilisation: number
      verdict: string
      remedies: { change: Record<string, number>; utilisation: number; verdict: string }[]
    }[]
  }>('backing-plate', input)
  const span = thin.checks.find((c) => c.id === 'plate-span')!
  expect(span.verdict).toBe('short')
  expect(span.remedies.length).toBeGreaterThan(0)
  for (const r of span.remedies) {
    const again = run<typeof thin>(
      'backing-plate',
      plate({
        plate: { material: 'g10', lengthMm: 200, widthMm: 110, thicknessMm: r.change['plate.thicknessMm'] },
      }),
    )
    expect(again.checks.find((c) => c.id === 'plate-span')!.utilisation).toBe(r.utilisation)
  }
})

describe('sealants', () => {
  const ask = (over: object) =>
    run<{ best: string | null; choices: { id: string; score: number; verdict: string }[] }>(
      'sealant-choice',
      { place: 'above', joint: 'deck-hardware', faces: ['stainless', 'gelcoat'], ...over },
    )
  it('a fits always stands before a fits-with-care, and that before a refused', () => {
    const order = ['fits', 'fits-with-care', 'refused']
    for (const sunlight of [true, false])
      for (const movementMm of [0, 0.3, 1])
        for (const load of ['none', 'some', 'structural'])
          expect(ask({ sunlight, movementMm, load }).choices.map((c) => order.indexOf(c.verdict))).toEqual(
            ask({ sunlight, movementMm, load })
              .choices.map((c) => order.indexOf(c.verdict))
              .sort(),
          )
  })
  it('nothing is best when everything is refused', () => {
    expect(ask({ tempC: -20 }).best).toBeNull()
  })
})
