import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runNamed } from '../src/chapters/registry'
import { choosePacks } from '../src/chapters/stores/packs'

/** What must be true of cutting, ordering, mixing and bedding days, whatever is put in. */
const run = <T>(name: string, input: unknown) => runNamed(name, input) as T

interface Nest {
  placements: {
    part: string
    copy: number
    stock: string
    unit: number
    xMm: number
    yMm: number
    angleDeg: number
  }[]
  sheets: number
  cost: number
  unplaced: { count: number }[]
  baseline: { unplaced: number; cost: number; sheets: number }
  boundSheets: number
  units: { kept: { xMm: number; yMm: number; widthMm: number; heightMm: number }[]; wasteAreaMm2: number }[]
}
const rect = (id: string, widthMm: number, heightMm: number, count = 1, more = {}) => ({
  id,
  material: 'g10',
  thicknessMm: 10,
  shape: 'rect',
  widthMm,
  heightMm,
  count,
  ...more,
})
const sheet = (id: string, widthMm: number, heightMm: number, more = {}) => ({
  id,
  kind: 'sheet',
  material: 'g10',
  thicknessMm: 10,
  widthMm,
  heightMm,
  ...more,
})

describe('cutting from sheets and offcuts', () => {
  const sizes = fc.array(
    fc.tuple(
      fc.integer({ min: 60, max: 700 }),
      fc.integer({ min: 60, max: 500 }),
      fc.integer({ min: 1, max: 3 }),
    ),
    { minLength: 1, maxLength: 6 },
  )
  it('nothing overlaps, nothing leaves its sheet, and it is never worse than the plain way', () => {
    fc.assert(
      fc.property(sizes, (list) => {
        const parts = list.map(([w, h, n], i) => rect(`p${i}`, w, h, n))
        const n = run<Nest>('nest', {
          parts,
          stock: [sheet('full', 1220, 610, { count: 4 }), sheet('bit', 500, 300, { kind: 'offcut' })],
        })
        const boxes = n.placements.map((p) => {
          const of = parts.find((x) => x.id === p.part)!
          const [w, h] = p.angleDeg === 90 ? [of.heightMm, of.widthMm] : [of.widthMm, of.heightMm]
          return { ...p, w, h }
        })
        for (const b of boxes) {
          const [W, H] = b.stock === 'full' ? [1220, 610] : [500, 300]
          expect(b.xMm).toBeGreaterThanOrEqual(5)
          expect(b.xMm + b.w).toBeLessThanOrEqual(W - 5 + 1e-6)
          expect(b.yMm + b.h).toBeLessThanOrEqual(H - 5 + 1e-6)
        }
        boxes.forEach((a, i) =>
          boxes.slice(i + 1).forEach((b) => {
            if (a.stock !== b.stock || a.unit !== b.unit) return
            const dx = Math.max(b.xMm - a.xMm - a.w, a.xMm - b.xMm - b.w)
            const dy = Math.max(b.yMm - a.yMm - a.h, a.yMm - b.yMm - b.h)
            expect(Math.max(dx, dy)).toBeGreaterThanOrEqual(5 - 1e-6)
          }),
        )
        const left = n.unplaced.reduce((s, u) => s + u.count, 0)
        expect(left + n.placements.length).toBe(list.reduce((s, [, , c]) => s + c, 0))
        expect(left).toBeLessThanOrEqual(n.baseline.unplaced)
        if (left === n.baseline.unplaced) expect(n.cost).toBeLessThanOrEqual(n.baseline.cost + 1e-9)
        for (const u of n.units) expect(u.wasteAreaMm2).toBeGreaterThanOrEqual(-1e-6)
      }),
      { numRuns: 60 },
    )
  })
  it('a few rectangles find the sheet that holds them all, whatever order they come in', () => {
    // Five about a middle: no guillotine cut makes it.
    const wheel = [rect('a', 300, 200, 2), rect('b', 200, 300, 2), rect('c', 100, 100)]
    const n = run<Nest>('nest', {
      parts: wheel,
      stock: [sheet('s', 510, 510, { count: 3 })],
      kerfMm: 0,
      marginMm: 5,
    })
    expect(n).toMatchObject({ sheets: 1, unplaced: [], boundSheets: 1 })
    expect(n.placements).toHaveLength(5)
  })
  it('a single plate leaves the largest piece that it can', () => {
    const n = run<Nest>('nest', { parts: [rect('p', 300, 200)], stock: [sheet('s', 1000, 600)] })
    // Standing up it leaves 790 \u00d7 600 beside it; lying down only 690 \u00d7 600.
    expect(n.placements[0]!.angleDeg).toBe(90)
    expect(n.units[0]!.kept[0]).toMatchObject({ widthMm: 790, heightMm: 600 })
  })
  it('two hundred copies are all laid out', () => {
    const n = run<Nest>('nest', {
      parts: [rect('a', 110, 70, 90), rect('b', 180, 60, 70), rect('c', 65, 65, 40)],
      stock: [sheet('s', 1220, 610)],
    })
    expect(n.unplaced).toEqual([])
  })
  it.each([
    [
      [
        { xMm: 0, yMm: 0 },
        { xMm: 10, yMm: 10 },
        { xMm: 10, yMm: 0 },
        { xMm: 0, yMm: 10 },
      ],
    ],
    [
      [
        { xMm: 0, yMm: 0 },
        { xMm: 10, yMm: 0 },
        { xMm: 20, yMm: 0 },
      ],
    ],
  ])('an outline that crosses itself is refused: %#', (points) => {
    expect(() =>
      run('nest', {
        parts: [{ id: 'x', material: 'g10', thicknessMm: 5, shape: 'polygon', points }],
        stock: [sheet('s', 500, 500)],
      }),
    ).toThrow(expect.objectContaining({ code: 'not-simple', path: 'parts.0.points' }))
  })
})

describe('packs of fasteners', () => {
  const packs = fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 3 })
  it('enough, and no cheaper way among all small ones', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 80 }), packs, fc.integer({ min: 1, max: 9 }), (count, ns, k) => {
        const offered = ns.map((n, i) => ({ n, priceCents: 10 * n + k * 7 * (i + 1) }))
        const b = choosePacks(count, offered, 'cost')
        expect(b.pieces).toBeGreaterThanOrEqual(count)
        expect(b.packs.reduce((s, p) => s + p.n * p.packs, 0)).toBe(b.pieces)
        let least = Infinity
        const go = (i: number, pieces: number, cost: number) => {
          if (pieces >= count) least = Math.min(least, cost)
          else if (i < offered.length)
            for (let q = 0; q <= Math.ceil(count / offered[i]!.n); q++)
              go(i + 1, pieces + q * offered[i]!.n, cost + q * offered[i]!.priceCents)
        }
        go(0, 0, 0)
        expect(b.costCents).toBe(least)
      }),
      { numRuns: 60 },
    )
  })
  it('with the other aim, the fewest left over', () => {
    const offered = [
      { n: 10, priceCents: 100 },
      { n: 7, priceCents: 300 },
    ]
    expect(choosePacks(14, offered, 'cost')).toMatchObject({ pieces: 20, costCents: 200 })
    expect(choosePacks(14, offered, 'leftovers')).toMatchObject({ pieces: 14, costCents: 600 })
  })
})

describe('a part-threaded bolt one length longer', () => {
  const order = (gripMm?: number) =>
    run<{ assigned: { from: string; as: string | null; trim: boolean }[] }>('fastener-order', {
      needs: [
        {
          fitting: 'cleat',
          size: 'M8',
          grade: 'A4-70',
          head: 'hex',
          lengthMm: 60,
          threading: 'part',
          count: 2,
          nut: 'none',
          ...(gripMm === undefined ? {} : { gripMm }),
        },
      ],
      onHand: [
        { kind: 'bolt', size: 'M8', grade: 'A4-70', head: 'hex', lengthMm: 65, threading: 'part', count: 4 },
      ],
    }).assigned[0]!
  it('stands in only where the grip passes its plain shank', () => {
    // 65 mm has 22 of thread: 43 plain.
    expect(order(50)).toMatchObject({ from: 'on-hand', as: 'bolt M8x65 hex A4-70 part', trim: true })
    expect(order(40)).toMatchObject({ from: 'short', as: null })
    expect(order()).toMatchObject({ from: 'short', as: null })
  })
})

describe('a day of pots', () => {
  it('a pot is never past its life or over its size, and every job is mixed whole', () => {
    const job = fc.record({
      neededMl: fc.integer({ min: 5, max: 400 }),
      workMinutes: fc.integer({ min: 2, max: 60 }),
      use: fc.constantFrom('syrup', 'mayonnaise'),
    })
    fc.assert(
      fc.property(
        fc.array(job, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 6, max: 30 }),
        (jobs, tempC) => {
          const d = run<{
            pots: {
              mixedMl: number
              utilisation: number
              parts: { job: string; ml: number }[]
              start: string
              end: string
            }[]
          }>('epoxy-day', {
            start: '2031-04-14T08:00',
            end: '2031-04-14T17:00',
            tempC,
            ratio: 2,
            jobs: jobs.map((j, i) => ({ id: `j${i}`, ...j })),
          })
          for (const p of d.pots) {
            expect(p.mixedMl).toBeLessThanOrEqual(150 + 1e-6)
            expect(p.utilisation).toBeLessThanOrEqual(1 + 1e-6)
          }
          d.pots.forEach((p, i) => i > 0 && expect(p.start).toBe(d.pots[i - 1]!.end))
          jobs.forEach((j, i) =>
            expect(
              d.pots.flatMap((p) => p.parts).reduce((s, x) => (x.job === `j${i}` ? s + x.ml : s), 0),
            ).toBeCloseTo(j.neededMl, 6),
          )
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('tubes by bedding day', () => {
  it('what is drawn is what is needed, and no tube gives more than it holds', () => {
    const job = fc.record({
      day: fc.integer({ min: 1, max: 9 }).map((d) => `2031-04-0${d}`),
      chemistry: fc.constantFrom('hybrid', 'polysulfide', 'methacrylate'),
      ml: fc.integer({ min: 5, max: 500 }),
    })
    fc.assert(
      fc.property(fc.array(job, { minLength: 1, maxLength: 8 }), (jobs) => {
        const t = run<{
          jobs: { id: string; needMl: number; shortMl: number }[]
          tubes: {
            lot: string | null
            draws: { job: string; ml: number }[]
            leftMl: number
            openedDay: string
            goodUntil: string
          }[]
          wasteMl: number
        }>('tube-plan', {
          jobs: jobs.map((j, i) => ({ id: `j${i}`, ...j })),
          lots: [
            { id: 'H', chemistry: 'hybrid', sizeMl: 300, count: 2, expiry: '2031-09-30' },
            { id: 'old', chemistry: 'polysulfide', sizeMl: 300, expiry: '2031-01-01' },
          ],
        })
        for (const j of t.jobs) {
          const drawn = t.tubes.flatMap((x) => x.draws).filter((d) => d.job === j.id)
          expect(drawn.reduce((s, d) => s + d.ml, 0)).toBeCloseTo(j.needMl, 6)
          const day = jobs[Number(j.id.slice(1))]!.day
          for (const x of t.tubes.filter((q) => q.draws.some((d) => d.job === j.id))) {
            expect(x.openedDay <= day && x.goodUntil >= day).toBe(true)
            expect(x.lot).not.toBe('old')
          }
        }
        for (const x of t.tubes) {
          expect(x.leftMl).toBeGreaterThanOrEqual(-1e-6)
          expect(x.draws.reduce((s, d) => s + d.ml, x.leftMl)).toBeCloseTo(300, 6)
        }
      }),
      { numRuns: 60 },
    )
  })
})

describe('the launch', () => {
  const launch = (target?: string) =>
    run<{ launch: { p50: string; p90: string; probability: number | null } }>('labour-week', {
      from: '2031-04-14',
      fitters: [{ id: 'Mara', hoursByDay: { mon: [['08:00', '16:00']], wed: [['08:00', '16:00']] } }],
      chain: {
        start: '2031-04-14T08:00',
        steps: [{ step: 'bore', who: ['Mara'], minutes: [60, 400, 900], cureHours: 12 }],
      },
      ...(target === undefined ? {} : { target }),
    }).launch
  it('nine in ten is never sooner than an even chance, and a later day is never less likely', () => {
    const l = launch()
    expect(l.p90 >= l.p50).toBe(true)
    expect(l.probability).toBeNull()
    const days = ['2031-04-14', '2031-04-15', '2031-04-17', '2031-04-25']
    const chances = days.map((d) => launch(d).probability!)
    expect(chances).toEqual([...chances].sort((a, b) => a - b))
    expect(chances[0]).toBe(0)
    expect(chances.at(-1)).toBeGreaterThan(0.99)
  })
  it('what nobody works on is never done', () => {
    expect(() =>
      run('labour-week', {
        from: '2031-04-14',
        fitters: [{ id: 'Mara', hoursByDay: {} }],
        chain: { start: '2031-04-14T08:00', steps: [{ step: 'x', who: ['Mara'], minutes: [1, 2, 3] }] },
      }),
    ).toThrow(expect.objectContaining({ code: 'no-slot', path: 'chain.steps' }))
  })
})

describe('a leak', () => {
  const drip = { xMm: 2000, yMm: 500, zMm: 800 }
  const candidate = (id: string, xMm: number, more = {}) => ({
    id,
    kind: 'stanchion',
    place: 'deck',
    xMm,
    yMm: 600,
    zMm: 1000,
    ...more,
  })
  interface Trace {
    ranked: { id: string; probability: number; pathMm: number | null }[]
  }
  const trace = (more = {}) =>
    run<Trace>('leak-trace', {
      drip,
      when: 'rain',
      today: '2031-04-14',
      candidates: [candidate('near', 1900), candidate('far', 900)],
      ...more,
    })
  const of = (t: Trace, id: string) => t.ranked.find((r) => r.id === id)!
  it('chances add up to one; the nearer of two alike leads', () => {
    const t = trace()
    expect(t.ranked.reduce((s, r) => s + r.probability, 0)).toBeCloseTo(1, 9)
    expect(t.ranked.findIndex((r) => r.id === 'near')).toBeLessThan(t.ranked.findIndex((r) => r.id === 'far'))
  })
  it('a dry hose on one never raises it, and water goes round a beam by its nearer end', () => {
    const dry = trace({ tests: [{ kind: 'hose', on: ['near'], minutes: 15, wet: false }] })
    expect(of(dry, 'near').probability).toBeLessThan(of(trace(), 'near').probability)
    const dammed = trace({ dams: [{ x1Mm: 1950, y1Mm: 0, x2Mm: 1950, y2Mm: 700 }] })
    expect(of(dammed, 'near').pathMm!).toBeGreaterThan(of(trace(), 'near').pathMm!)
    const beside = trace({ dams: [{ x1Mm: 3950, y1Mm: 0, x2Mm: 3950, y2Mm: 700 }] })
    expect(of(beside, 'near').pathMm).toBe(of(trace(), 'near').pathMm)
  })
})
