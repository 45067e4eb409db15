import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { deckPatchInput, deckPatchOf } from '../src/chapters/plate/deck-patch'
import { Cancelled } from '../src/chapters/plate/multifrontal'
import { refusal, run } from './whole-core-hands'

describe('the plate solver', () => {
  const patch = (over: object) =>
    deckPatchOf(
      deckPatchInput.parse({
        panel: { aMm: 500, bMm: 500 },
        edges: { x0: 'simple', x1: 'simple', y0: 'simple', y1: 'simple' },
        layup: { kind: 'solid', tMm: 5, eMPa: 10000 },
        ...over,
      }),
    )
  const D = (10000 * 125) / 12 / 0.91
  const clamped = { x0: 'clamped', x1: 'clamped', y0: 'clamped', y1: 'clamped' }
  const point = { loads: [{ xMm: 250, yMm: 250, lengthMm: 10, widthMm: 10, forceN: 100 }] }
  it.each([
    ['uniform, simply supported', { pressureMPa: 0.002 }, (0.00406 * 0.002 * 500 ** 4) / D],
    ['uniform, clamped', { pressureMPa: 0.002, edges: clamped }, (0.00126 * 0.002 * 500 ** 4) / D],
    ['point, simply supported', point, (0.0116 * 100 * 500 ** 2) / D],
    ['point, clamped', { ...point, edges: clamped }, (0.0056 * 100 * 500 ** 2) / D],
  ])('%s, within 1 %% of the reference', (_, over, w) =>
    expect(Math.abs(patch(over).maxDeflectionMm / w - 1)).toBeLessThan(0.01),
  )
  it('a sandwich agrees with Navier\u2019s series over its two plates, within 1 %', () => {
    const layup = { kind: 'sandwich', outerMm: 3, coreMm: 20, innerMm: 2, eMPa: 12000, nu: 0.3, coreGMPa: 30 }
    const [E, t1, t2, tc] = [12000 / 0.91, 3, 2, 20]
    const d = tc + (t1 + t2) / 2
    const plates = [
      { D: (E * t1 * t2 * d * d) / (t1 + t2), S: (30 * d * d) / tc },
      { D: (E * (t1 ** 3 + t2 ** 3)) / 12, S: (5 / 6) * (12000 / 2.6) * (t1 + t2) },
    ]
    let w = 0
    for (let m = 1; m < 60; m += 2)
      for (let n = 1; n < 60; n += 2) {
        const k2 = Math.PI ** 2 * ((m / 600) ** 2 + (n / 400) ** 2)
        const stiff = plates.reduce((s, p) => s + 1 / (1 / (p.D * k2 * k2) + 1 / (p.S * k2)), 0)
        w += (((16 * 0.01) / (Math.PI ** 2 * m * n)) * ((m + n) % 4 === 2 ? 1 : -1)) / stiff
      }
    expect(
      patch({ panel: { aMm: 600, bMm: 400 }, layup, pressureMPa: 0.01 }).maxDeflectionMm / w,
    ).toBeCloseTo(1, 2)
  })
  it('the edges push back exactly what is put on', () => {
    const p = patch({
      pressureMPa: -0.003,
      loads: [{ xMm: 100, yMm: 380, lengthMm: 60, widthMm: 40, forceN: 900 }],
      edges: { x0: 'clamped', x1: 'free', y0: 'simple', y1: 'simple' },
      mesh: { nx: 20, ny: 20 },
    })
    expect(p.totalReactionN).toBeCloseTo(0.003 * 250000 - 900, 4)
  })
  it('mirrored input, mirrored output', () => {
    const at = (x: number) =>
      patch({
        loads: [{ xMm: x, yMm: 200, lengthMm: 60, widthMm: 40, forceN: 900 }],
        mesh: { nx: 24, ny: 24 },
      })
    expect(at(350).maxDeflectionMm).toBeCloseTo(at(150).maxDeflectionMm, 8)
    expect(at(350).deflectionAt.xMm).toBeCloseTo(500 - at(150).deflectionAt.xMm, 6)
  })
  it('a thicker backing plate never lets the deck bend more', () => {
    const at = (tMm: number) =>
      patch({
        ...point,
        backingPlate: { xMm: 250, yMm: 250, lengthMm: 160, widthMm: 120, tMm, eMPa: 18600, bonded: true },
        mesh: { nx: 20, ny: 20 },
      }).maxDeflectionMm
    expect(at(12)).toBeLessThan(at(8))
    expect(at(8)).toBeLessThan(at(4))
  })
  it('reports progress and can be cancelled', () => {
    const heard: number[] = []
    const input = deckPatchInput.parse({
      panel: { aMm: 500, bMm: 500 },
      edges: clamped,
      layup: { kind: 'solid', tMm: 5, eMPa: 10000 },
      pressureMPa: 0.001,
    })
    deckPatchOf(input, (p) => void heard.push(p))
    expect(heard.length).toBeGreaterThan(20)
    expect(heard).toEqual([...heard].sort((a, b) => a - b))
    expect(() => deckPatchOf(input, (p) => p < 0.5)).toThrow(Cancelled)
  })
  it('refuses a panel that nothing holds', () =>
    expect(
      refusal('deck-patch', {
        panel: { aMm: 500, bMm: 500 },
        edges: { x0: 'simple', x1: 'free', y0: 'free', y1: 'free' },
        layup: { kind: 'solid', tMm: 5, eMPa: 10000 },
      }),
    ).toEqual({ code: 'unsupported-panel', path: 'edges' }))
})

describe('a row set out', () => {
  interface Row {
    count: number
    positions: { sMm: number }[]
    pitches: number[]
    blocked: { reason: string; byMm: number | null } | null
    offWantedMm: number | null
  }
  const line = [
    { xMm: 0, yMm: 0, zMm: 0 },
    { xMm: 60, yMm: 0, zMm: 0 },
  ]
  const small = fc.record({
    to: fc.integer({ min: 12, max: 40 }),
    least: fc.integer({ min: 3, max: 6 }),
    wide: fc.integer({ min: 0, max: 6 }),
    off: fc.integer({ min: 0, max: 6 }),
    tol: fc.integer({ min: 0, max: 4 }),
    free: fc.boolean(),
    keep: fc.array(fc.tuple(fc.integer({ min: 0, max: 38 }), fc.integer({ min: 1, max: 5 })), {
      maxLength: 3,
    }),
  })
  it('is the first of the most even among all there are', () => {
    fc.assert(
      fc.property(small, (c) => {
        const most = c.least + c.wide
        const wanted = Math.min(most, c.least + c.off)
        const keepouts = c.keep.map(([a, l]) => ({ fromMm: a, toMm: a + l, name: 'k' }))
        const r = run<Row>('spacing', {
          path: line,
          fromMm: 0,
          toMm: c.to,
          footprintMm: 2,
          pitch: { leastMm: c.least, wantedMm: wanted, mostMm: most },
          ends: c.free ? 'free' : 'fixed',
          endToleranceMm: c.tol,
          keepouts,
        })
        const open = (s: number) => keepouts.every((k) => s + 1 <= k.fromMm || s - 1 >= k.toMm)
        const tol = c.free ? c.tol : 0
        let best: { J: number; row: number[] } | null = null
        const extend = (row: number[]) => {
          const s = row.at(-1)!
          if (row.length > 1 && s >= c.to - tol) {
            const J = row.slice(1).reduce((t, x, i) => t + (x - row[i]! - wanted) ** 2, 0)
            const better =
              !best ||
              J * (best.row.length - 1) < best.J * (row.length - 1) ||
              (J * (best.row.length - 1) === best.J * (row.length - 1) && row.length < best.row.length)
            if (better) best = { J, row }
          }
          for (let p = c.least; p <= most && s + p <= c.to; p++) if (open(s + p)) extend([...row, s + p])
        }
        for (let s = 0; s <= tol; s++) if (open(s)) extend([s])
        const b = best as { row: number[] } | null
        return b
          ? JSON.stringify(r.positions.map((p) => p.sMm)) === JSON.stringify(b.row)
          : r.blocked !== null
      }),
      { numRuns: 150 },
    )
  })
})

describe('openings and panes', () => {
  interface Edge {
    offsetAreaMm2: number
    screws: { xMm: number; yMm: number }[]
    pitchMostMm: number
    flangePerimeterMm: number
  }
  const L = [
    { xMm: 0, yMm: 0 },
    { xMm: 400, yMm: 0 },
    { xMm: 400, yMm: 200 },
    { xMm: 200, yMm: 200 },
    { xMm: 200, yMm: 400 },
    { xMm: 0, yMm: 400 },
  ]
  const edge = (points: object[], over: object = {}) =>
    run<Edge>('opening-edge', {
      outline: { kind: 'polygon', points },
      core: 'balsa-150',
      coreMm: 12,
      ...over,
    })
  it('an inward corner counts nothing twice', () => {
    const r = 12
    expect(edge(L).offsetAreaMm2).toBeCloseTo(1600 * r + (5 * Math.PI * r * r) / 4 - r * r, 6)
  })
  it('a square given as points is the square given as a rectangle', () => {
    const sq = [
      { xMm: -200, yMm: -200 },
      { xMm: 200, yMm: -200 },
      { xMm: 200, yMm: 200 },
      { xMm: -200, yMm: 200 },
    ]
    const a = edge(sq)
    const b = run<Edge>('opening-edge', {
      outline: { kind: 'rect', lengthMm: 400, widthMm: 400 },
      core: 'balsa-150',
      coreMm: 12,
    })
    expect(a.offsetAreaMm2).toBeCloseTo(b.offsetAreaMm2, 6)
    expect(a.screws).toHaveLength(b.screws.length)
    expect(edge([...sq].reverse()).screws).toHaveLength(b.screws.length)
  })
  it('a slot so narrow that its own offset meets is still counted once', () => {
    const U = [
      { xMm: 0, yMm: 0 },
      { xMm: 300, yMm: 0 },
      { xMm: 300, yMm: 200 },
      { xMm: 160, yMm: 200 },
      { xMm: 160, yMm: 100 },
      { xMm: 140, yMm: 100 },
      { xMm: 140, yMm: 200 },
      { xMm: 0, yMm: 200 },
    ]
    const r = 12
    // The slot of 20 by 100 is filled whole, the rest as if it were not there but for the cap over its mouth.
    const got = edge(U, { rakeMm: r }).offsetAreaMm2
    const outer = (300 + 200 + 300 + 200) * r + Math.PI * r * r
    expect(got).toBeGreaterThan(outer + 20 * 100 - 80)
    expect(got).toBeLessThan(outer + 20 * 100 + 1)
  })
  it('no gap along the screw line is over the pitch', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 900 }),
        fc.integer({ min: 100, max: 900 }),
        fc.integer({ min: 0, max: 50 }),
        fc.integer({ min: 40, max: 200 }),
        (l, w, R, pitchMm) =>
          run<Edge>('opening-edge', {
            outline: { kind: 'rect', lengthMm: l, widthMm: w, cornerMm: R },
            core: 'none',
            coreMm: 0,
            pitchMm,
          }).pitchMostMm <=
          pitchMm + 1e-6,
      ),
    )
  })
  it('a clamped rectangle agrees with the plate solver at thin proportions, within 2 %', () => {
    const pane = run<{ deflectionMm: number; stressMPa: number }>('panel', {
      shape: 'rect',
      lengthMm: 600,
      widthMm: 400,
      material: 'cast-acrylic',
      poisson: 0.3,
      pressureKPa: 1,
      support: 'clamped',
      thicknessMm: 4,
    })
    const solved = deckPatchOf(
      deckPatchInput.parse({
        panel: { aMm: 600, bMm: 400 },
        edges: { x0: 'clamped', x1: 'clamped', y0: 'clamped', y1: 'clamped' },
        layup: { kind: 'solid', tMm: 4, eMPa: 3100, nu: 0.3 },
        pressureMPa: 0.001,
      }),
    )
    expect(pane.deflectionMm / solved.maxDeflectionMm).toBeCloseTo(1, 1)
    expect(Math.abs(pane.deflectionMm / solved.maxDeflectionMm - 1)).toBeLessThan(0.02)
    expect(Math.abs(pane.stressMPa / Math.abs(solved.outerSkin.stressMPa) - 1)).toBeLessThan(0.04)
  })
})
