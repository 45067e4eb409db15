import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CalcError, allFinite } from '../src'
import { CALCULATORS, runNamed } from '../src/chapters/registry'
import { deckPatchInput, deckPatchOf } from '../src/chapters/plate/deck-patch'
import { Cancelled } from '../src/chapters/plate/multifrontal'

const run = <T>(name: string, input: unknown) => runNamed(name, input) as T
const refusal = (name: string, input: unknown) => {
  try {
    run(name, input)
  } catch (e) {
    if (e instanceof CalcError) return { code: e.code, path: e.path }
    throw e
  }
  return null
}

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

describe('a plan', () => {
  const WEEK = Object.fromEntries(
    ['mon', 'tue', 'wed', 'thu', 'fri'].map((d) => [
      d,
      [
        ['08:00', '10:00'],
        ['11:00', '13:00'],
      ],
    ]),
  )
  const minute = (t: string) => Date.parse(`${t}:00Z`) / 60000
  interface Plan {
    rows: { step: string; start: string; end: string; cureEnd: string; who: string[] }[]
    finish: string
    criticalPath: string[]
  }
  const step = fc.record({
    minutes: fc.constantFrom(0, 30, 60, 90, 120),
    cureHours: fc.constantFrom(0, 0, 1, 5),
    hands: fc.constantFrom(1, 1, 2),
    after: fc.integer({ min: 0, max: 15 }),
    afterWork: fc.integer({ min: 0, max: 15 }),
    split: fc.boolean(),
  })
  const instance = fc.array(step, { minLength: 1, maxLength: 4 })
  const build = (
    steps: {
      minutes: number
      cureHours: number
      hands: number
      after: number
      afterWork: number
      split: boolean
    }[],
  ) => ({
    start: '2031-04-14T08:00',
    fitters: [
      { id: 'a', hoursByDay: WEEK },
      {
        id: 'b',
        hoursByDay: {
          ...WEEK,
          mon: [
            ['08:00', '09:00'],
            ['11:00', '13:00'],
          ],
        },
      },
    ],
    steps: steps.map((s, i) => ({
      id: `s${i}`,
      minutes: s.minutes,
      cureHours: s.cureHours,
      hands: s.hands,
      split: s.split,
      after: steps.flatMap((_, k) =>
        k < i && s.after & (1 << k) && !(s.afterWork & (1 << k)) ? [`s${k}`] : [],
      ),
      afterWork: steps.flatMap((_, k) => (k < i && s.afterWork & (1 << k) ? [`s${k}`] : [])),
    })),
  })
  const works = (hours: Record<string, string[][]>, t: number) => {
    const d = new Date(t * 60000)
    const m = d.getUTCHours() * 60 + d.getUTCMinutes()
    return (hours[['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'][d.getUTCDay()]!] ?? []).some(
      ([a, b]) => m >= Number(a!.slice(0, 2)) * 60 && m < Number(b!.slice(0, 2)) * 60,
    )
  }
  it('keeps every rule, and no order of the steps ends sooner', () => {
    fc.assert(
      fc.property(instance, (raw) => {
        const input = build(raw)
        const p = run<Plan>('plan', input)
        const row = new Map(p.rows.map((r) => [r.step, r]))
        for (const s of input.steps) {
          const r = row.get(s.id)!
          for (const a of s.after) if (minute(r.start) < minute(row.get(a)!.cureEnd)) return false
          for (const a of s.afterWork) if (minute(r.start) < minute(row.get(a)!.end)) return false
          if (s.minutes && new Set(r.who).size !== s.hands) return false
          for (const o of p.rows)
            if (
              o.step !== r.step &&
              o.who.some((w) => r.who.includes(w)) &&
              minute(o.start) < minute(r.end) &&
              minute(o.end) > minute(r.start)
            )
              return false
        }
        // By hand: every order and choice of hands, each step put at the first half hour where it can be
        // done.
        let least = Infinity
        const hours = input.fitters.map((f) => f.hoursByDay as Record<string, string[][]>)
        const at = new Map<string, { start: number; end: number; cureEnd: number; who: number[] }>()
        const go = () => {
          if (at.size === input.steps.length)
            return void (least = Math.min(least, ...[Math.max(...[...at.values()].map((x) => x.cureEnd))]))
          for (const s of input.steps) {
            if (at.has(s.id) || [...s.after, ...s.afterWork].some((a) => !at.has(a))) continue
            const ready = Math.max(
              minute(input.start),
              ...s.after.map((a) => at.get(a)!.cureEnd),
              ...s.afterWork.map((a) => at.get(a)!.end),
            )
            for (const who of s.minutes === 0 ? [[]] : s.hands === 2 ? [[0, 1]] : [[0], [1]]) {
              let found: { start: number; end: number } | null =
                s.minutes === 0 ? { start: ready, end: ready } : null
              for (let t = Math.ceil(ready / 30) * 30; !found; t += 30) {
                if (!who.every((w) => works(hours[w]!, t))) continue
                let left = s.minutes
                let e = t
                while (left > 0) {
                  if (who.every((w) => works(hours[w]!, e))) left -= 30
                  else if (!s.split) break
                  e += 30
                }
                if (left > 0) continue
                if (
                  [...at.values()].some(
                    (o) => o.end > o.start && o.who.some((w) => who.includes(w)) && o.start < e && o.end > t,
                  )
                )
                  continue
                found = { start: t, end: e }
              }
              at.set(s.id, { ...found, cureEnd: found.end + s.cureHours * 60, who })
              go()
              at.delete(s.id)
            }
          }
        }
        go()
        return minute(p.finish) === least
      }),
      { numRuns: 60 },
    )
  })
  it('the critical path starts where nothing else holds it, and ends at the finish', () => {
    const p = run<Plan>(
      'plan',
      build([
        { minutes: 60, cureHours: 5, hands: 1, after: 0, afterWork: 0, split: false },
        { minutes: 30, cureHours: 0, hands: 1, after: 1, afterWork: 0, split: false },
      ]),
    )
    expect(p.criticalPath).toEqual(['s0', 's1'])
  })
  it('200 steps and three fitters are planned, and keep the rules', () => {
    const steps = Array.from({ length: 200 }, (_, i) => ({
      id: `s${i}`,
      minutes: 20 + ((i * 37) % 80),
      cureHours: (i * 13) % 7 === 0 ? 12 : 0,
      hands: i % 9 === 0 ? 2 : 1,
      after: i > 2 && i % 3 === 0 ? [`s${i - 3}`] : [],
      needs: i % 5 === 0 ? ['surface'] : [],
    }))
    const p = run<Plan>('plan', {
      start: '2031-04-14T08:00',
      steps,
      fitters: ['a', 'b', 'c'].map((id) => ({ id, hoursByDay: WEEK })),
    })
    expect(p.rows).toHaveLength(200)
    const busy = new Map<string, [number, number][]>()
    for (const r of p.rows)
      for (const w of r.who) busy.set(w, [...(busy.get(w) ?? []), [minute(r.start), minute(r.end)]])
    for (const spans of busy.values())
      spans
        .sort((a, b) => a[0] - b[0])
        .forEach(([a], i) => i > 0 && expect(a).toBeGreaterThanOrEqual(spans[i - 1]![1]))
  })
  it.each([
    [{ steps: [{ id: 'a', minutes: 10, after: ['x'] }] }, 'unknown-step', 'steps'],
    [{ steps: [{ id: 'a', minutes: 10, hands: 2, who: ['a'] }] }, 'too-few-hands', 'steps'],
    [{ steps: [{ id: 'a', minutes: 300 }] }, 'no-slot', 'steps'],
    [
      {
        steps: [
          { id: 'a', minutes: 1 },
          { id: 'a', minutes: 1 },
        ],
      },
      'invalid-input',
      'steps',
    ],
    [{ start: '2031-02-30T08:00' }, 'invalid-input', 'start'],
    [{ holds: [{ step: 'z', until: null }] }, 'unknown-step', 'holds'],
  ])('%j is refused', (over, code, path) =>
    expect(
      refusal('plan', {
        ...build([{ minutes: 30, cureHours: 0, hands: 1, after: 0, afterWork: 0, split: false }]),
        ...over,
      }),
    ).toEqual({ code, path }),
  )
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
