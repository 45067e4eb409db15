import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { calculate } from '../src'
import { flooding } from '../src/chapters/hull/flooding'
import { seacockLoad } from '../src/chapters/hull/seacock-load'
import { valveClocking } from '../src/chapters/hull/valve-clocking'
import { wedgeBlock } from '../src/chapters/hull/wedge-block'
import { GRADES, SIZES } from '../src/base/materials/fasteners'

/** The same answers found another way, slowly: by trying, by adding up, by stepping through time. */
describe('a handle\u2019s free azimuths, by trying every one', () => {
  const turn = (d: number) => ((d % 360) + 360) % 360
  /** Points along an obstacle close enough together that none slips between two of them. */
  const dots = (o: { x1Mm: number; y1Mm: number; x2Mm: number; y2Mm: number }) =>
    Array.from(
      { length: 401 },
      (_, i) => [o.x1Mm + ((o.x2Mm - o.x1Mm) * i) / 400, o.y1Mm + ((o.y2Mm - o.y1Mm) * i) / 400] as const,
    )
  const segment = fc.record({
    x1Mm: fc.integer({ min: -260, max: 260 }),
    y1Mm: fc.integer({ min: -260, max: 260 }),
    x2Mm: fc.integer({ min: -260, max: 260 }),
    y2Mm: fc.integer({ min: -260, max: 260 }),
  })
  it('agrees within a degree of every edge, lever or tee, swung either way', () => {
    fc.assert(
      fc.property(
        fc.array(segment, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 60, max: 180 }),
        fc.constantFrom('lever' as const, 'tee' as const),
        fc.constantFrom(90, -90, 45, 180, -180),
        (obstacles, handleMm, handle, sweepDeg) => {
          const r = calculate(valveClocking, {
            measuredDeg: 0,
            wantedDeg: 0,
            flangeMm: 60,
            pitchMm: 2.31,
            handleMm,
            handle,
            sweepDeg,
            obstacles,
          })
          const R = handleMm + 15
          const near = obstacles.flatMap(dots).filter(([x, y]) => Math.hypot(x, y) <= R)
          // What runs through the stem is in every sweep.
          fc.pre(near.every(([x, y]) => Math.hypot(x, y) > 2))
          const blocked = (open: number, slack: number) =>
            near.some(([x, y]) => {
              const az = (Math.atan2(y, x) * 180) / Math.PI
              return (handle === 'tee' ? [0, 180] : [0]).some((arm) => {
                const from = open + arm + Math.min(0, sweepDeg)
                const off = turn(az - from + slack)
                return off <= Math.abs(sweepDeg) + 2 * slack
              })
            })
          for (let open = 0; open < 360; open += 1) {
            const free = r.freeWanted.some(
              ([a, b]) => b! - a! >= 360 || [open, open + 360].some((x) => x > a! && x < b!),
            )
            // Well clear of what is tried it must be free; where something surely stands in the way it must
            // not.
            if (!blocked(open, 1)) expect([open, free]).toEqual([open, true])
            if (blocked(open, -0.5)) expect([open, free]).toEqual([open, false])
          }
          for (const [a, b] of r.freeWanted)
            expect(a! >= 0 && a! < 360 && b! > a! && b! <= a! + 360).toBe(true)
          expect(r.freeWanted.map(([a]) => a!)).toEqual(r.freeWanted.map(([a]) => a!).sort((x, y) => x - y))
        },
      ),
      { numRuns: 60 },
    )
  })
  it('the best is the nearest that is free, and of two equally near the counter-clockwise one', () => {
    fc.assert(
      fc.property(
        fc.array(segment, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 0, max: 359 }),
        fc.constantFrom('screw' as const, 'flange' as const),
        (obstacles, measuredDeg, wantedDeg, base) => {
          const r = calculate(valveClocking, {
            measuredDeg,
            wantedDeg,
            flangeMm: 60,
            pitchMm: 2.31,
            handleMm: 110,
            base,
            obstacles,
          })
          const apart = (x: number) => Math.min(turn(x - wantedDeg), turn(wantedDeg - x))
          if (base === 'flange') {
            const free = r.positions.filter((p) => p.free).map((p) => p.azimuthDeg)
            expect(r.bestDeg === null).toBe(free.length === 0)
            for (const f of free) expect(apart(r.bestDeg!)).toBeLessThanOrEqual(apart(f) + 1e-6)
          } else if (r.sweepFree) expect(r.bestDeg).toBeCloseTo(wantedDeg, 9)
          else if (r.bestDeg === null) expect(r.freeWanted).toEqual([])
          else
            for (const end of r.freeWanted.flat())
              expect(apart(r.bestDeg)).toBeLessThanOrEqual(apart(end) + 1e-6)
        },
      ),
      { numRuns: 80 },
    )
    const both = calculate(valveClocking, {
      measuredDeg: 0,
      wantedDeg: 0,
      flangeMm: 60,
      pitchMm: 2.31,
      handleMm: 100,
      sweepDeg: 90,
      obstacles: [{ x1Mm: 50, y1Mm: 50, x2Mm: 60, y2Mm: 60 }],
    })
    // An obstacle at 45° blocks 315° to 45°: both ends are 45° off.
    expect(both.bestDeg).toBeCloseTo(45, 6)
    const through = calculate(valveClocking, {
      measuredDeg: 0,
      wantedDeg: 0,
      flangeMm: 60,
      pitchMm: 2.31,
      handleMm: 100,
      obstacles: [{ x1Mm: -9, y1Mm: 0, x2Mm: 400, y2Mm: 0 }],
    })
    expect([through.freeWanted, through.bestDeg, through.sweepFree]).toEqual([[], null, false])
  })
})

describe('a kick on a flange, by adding up the disc in small squares', () => {
  /**
   * Newton on the three motions of a rigid disc over a bed that only pushes, bolts that only pull; a
   * finite grid instead of exact segments.
   */
  function greatest(v: {
    heightMm: number
    loadN: number
    flangeMm: number
    circleMm: number
    n: number
    kb: number
    k: number
    az: number
  }) {
    const cells: [number, number, number][] = []
    const N = 160
    const h = v.flangeMm / N
    for (let i = 0; i < N; i++)
      for (let j = 0; j < N; j++) {
        const [x, y] = [(i + 0.5) * h - v.flangeMm / 2, (j + 0.5) * h - v.flangeMm / 2]
        if (Math.hypot(x, y) <= v.flangeMm / 2) cells.push([x, y, h * h])
      }
    const bolts = Array.from(
      { length: v.n },
      (_, i) =>
        [
          (v.circleMm / 2) * Math.cos((2 * Math.PI * i) / v.n),
          (v.circleMm / 2) * Math.sin((2 * Math.PI * i) / v.n),
        ] as const,
    )
    const a = (v.az * Math.PI) / 180
    const [Mx, My] = [-v.heightMm * v.loadN * Math.sin(a), v.heightMm * v.loadN * Math.cos(a)]
    let u = [0, Mx * 1e-9, My * 1e-9] as [number, number, number]
    const lift = (x: number, y: number, q = u) => q[0] + q[1] * y - q[2] * x
    for (let step = 0; step < 60; step++) {
      const g = [0, 0, 0]
      const H = [
        [0, 0, 0],
        [0, 0, 0],
        [0, 0, 0],
      ]
      const add = (x: number, y: number, s: number, d: number) => {
        const b = [1, y, -x]
        for (let r = 0; r < 3; r++) {
          g[r]! += s * d * b[r]!
          for (let c = 0; c < 3; c++) H[r]![c]! += s * b[r]! * b[c]!
        }
      }
      for (const [x, y, A] of cells) if (lift(x, y) < 0) add(x, y, v.k * A, lift(x, y))
      for (const [x, y] of bolts) if (lift(x, y) > 0) add(x, y, v.kb, lift(x, y))
      g[1]! -= Mx
      g[2]! -= My
      const du = solve(
        H,
        g.map((q) => -q),
      )
      u = [u[0] + du[0]!, u[1] + du[1]!, u[2] + du[2]!]
      if (Math.hypot(...du) < 1e-12) break
    }
    return Math.max(...bolts.map(([x, y]) => v.kb * Math.max(0, lift(x, y))))
  }
  const solve = (H: number[][], g: number[]) => {
    const m = H.map((r, i) => [
      ...r.map((x, j) => x + (i === j ? 1e-9 * Math.abs(H[i]![i]!) + 1e-12 : 0)),
      g[i]!,
    ])
    for (let i = 0; i < 3; i++) {
      const p = [i, i + 1, i + 2]
        .filter((r) => r < 3)
        .reduce((b, r) => (Math.abs(m[r]![i]!) > Math.abs(m[b]![i]!) ? r : b), i)
      ;[m[i], m[p]] = [m[p]!, m[i]!]
      for (let r = 0; r < 3; r++)
        if (r !== i) {
          const f = m[r]![i]! / m[i]![i]!
          for (let c = i; c < 4; c++) m[r]![c]! -= f * m[i]![c]!
        }
    }
    return m.map((r, i) => r[3]! / r[i]!)
  }
  it.each([
    [3, 'M8', 110, 86, 90, 20],
    [4, 'M8', 118, 92, 125, 18],
    [3, 'M10', 130, 104, 140, 25],
    [6, 'M6', 100, 78, 105, 15],
  ] as const)(
    '%i × %s on a flange of %i, circle %i, %i high, pad %i',
    (bolts, size, flangeMm, boltCircleMm, heightMm, padMm) => {
      const r = calculate(seacockLoad, {
        method: 'through',
        heightMm,
        flangeMm,
        boltCircleMm,
        bolts,
        size,
        grade: 'A4-70',
        padMm,
        hullMm: 14,
      }).bolts!
      const grip = padMm + 14
      const kb = (GRADES['A4-70'].eMPa * SIZES[size]!.stressAreaMm2) / (grip + 1.5 * SIZES[size]!.diameterMm)
      const byHand = (az: number) =>
        greatest({
          heightMm,
          loadN: 2224,
          flangeMm,
          circleMm: boltCircleMm,
          n: bolts,
          kb,
          k: 7000 / grip,
          az,
        })
      expect(byHand(r.worstAzimuthDeg) / r.maxTensionN).toBeCloseTo(1, 2)
      // No other of the directions that were tried pulls more.
      for (const az of [0, 20, 50, 90, 130, 180, 210, 270, 300, 340])
        expect(byHand(az)).toBeLessThanOrEqual(r.maxTensionN * 1.01)
    },
  )
})

describe('flooding, by stepping through time', () => {
  it('levels and marks agree to a millimetre and a tenth of a minute', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 12, max: 70 }),
        fc.integer({ min: 150, max: 900 }),
        fc.double({ min: 2, max: 12, noNaN: true }),
        fc.integer({ min: -120, max: 60 }),
        fc.array(
          fc.record({
            ratedLpm: fc.integer({ min: 20, max: 200 }),
            startMm: fc.integer({ min: -60, max: 200 }),
          }),
          { maxLength: 2 },
        ),
        (holeMm, depthMm, areaM2, floorMm, pumps) => {
          const marks = [{ name: 'sole', levelMm: Math.round(depthMm * 0.4) }]
          const r = calculate(flooding, { holeMm, depthMm, areaM2, floorMm, pumps, marks, hours: 1.5 })
          const K = 0.6 * (Math.PI / 4) * (holeMm / 1000) ** 2 * Math.sqrt(2 * 9.80665)
          let [L, t, at] = [floorMm / 1000, 0, floorMm >= marks[0]!.levelMm ? 0 : (null as number | null)]
          const dt = 0.25
          for (const s of r.series) {
            while (t < s.tMin * 60 - 1e-9) {
              const q = K * Math.sqrt(Math.max(0, depthMm / 1000 - Math.max(0, L)))
              const out = pumps
                .filter((p) => p.startMm / 1000 <= L + 1e-12)
                .reduce((sum, p) => sum + (p.ratedLpm * 0.5) / 60000, 0)
              // A pump that carries all that comes holds the level at its switch.
              const floor = Math.max(
                floorMm / 1000,
                ...pumps.map((p) => p.startMm / 1000).filter((x) => x <= L + 1e-9),
              )
              L = out >= q ? Math.max(floor, L + ((q - out) * dt) / areaM2) : L + ((q - out) * dt) / areaM2
              t += dt
              if (at === null && L * 1000 >= marks[0]!.levelMm) at = t / 60
            }
            expect(Math.abs(s.levelMm - L * 1000)).toBeLessThan(1.5)
          }
          const exact = r.marks[0]!.atMin
          if (exact !== null && at !== null) expect(Math.abs(exact - at)).toBeLessThan(0.2)
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('a wedge, by cutting it in slices', () => {
  it('its volume is what the slices add up to, and its faces part by the tilt', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: -20, max: 20 }),
        fc.integer({ min: 60, max: 220 }),
        fc.integer({ min: 5, max: 12 }),
        (deadriseDeg, slopeDeg, baseMm, thinMm) => {
          const w = calculate(wedgeBlock, {
            deadriseDeg,
            slopeDeg,
            baseMm,
            thinMm,
            holeMm: 40,
            hullMm: 14,
            wasteFraction: 0,
            blocks: 'inside',
          })
          const R = baseMm / 2 + 10
          const tan = Math.tan((w.tiltDeg * Math.PI) / 180)
          let volume = 0
          const n = 2000
          for (let i = 0; i < n; i++) {
            const x = -R + ((i + 0.5) * 2 * R) / n
            volume += 2 * Math.sqrt(Math.max(0, R * R - x * x)) * (thinMm + (x + R) * tan) * ((2 * R) / n)
          }
          expect(w.volumeMl).toBeCloseTo(volume / 1000, 0)
          expect(w.thickMm - w.thinMm).toBeCloseTo(2 * R * tan, 6)
          // The plane rises across by the deadrise and along by the slope.
          expect(tan * Math.cos((w.azimuthDeg * Math.PI) / 180)).toBeCloseTo(
            Math.tan((deadriseDeg * Math.PI) / 180),
            9,
          )
          expect(tan * Math.sin((w.azimuthDeg * Math.PI) / 180)).toBeCloseTo(
            Math.tan((slopeDeg * Math.PI) / 180),
            9,
          )
        },
      ),
      { numRuns: 60 },
    )
  })
})
