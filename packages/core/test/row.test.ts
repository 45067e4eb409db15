import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { withChange } from '../src/base/change'
import { calculate } from '../src/base/calculator/calculator'
import { spacing } from '../src/chapters/layout/spacing'
import { stripBend } from '../src/chapters/making/strip-bend'
import { ALONE, type Around, type KindSpot, type Other } from '../src/kinds/kind'
import { judgedWithRemedies } from '../src/kinds/registry'
import type { RowDesign } from '../src/kinds/row/design'
import { bendsFrom, bentAt } from '../src/kinds/row/bends'
import { along, edgePath, lengthOf, outlineRun } from '../src/kinds/path'
import { mapKeepouts } from '../src/kinds/row/line'
import { row } from '../src/kinds/row/kind'

const SPOT: KindSpot = {
  zone: 'side-deck',
  xMm: 3000,
  yMm: -1400,
  zMm: 1200,
  structure: {
    kind: 'sandwich',
    skin: { laminate: 'mat' },
    outerMm: 3.5,
    innerMm: 2.5,
    core: { material: 'balsa-150', thicknessMm: 15 },
  },
  measured: [],
  edgeMm: null,
  belowWaterline: false,
  duty: 'coastal',
  zones: [],
}
const start = (id: string, more: Record<string, unknown> = {}): RowDesign =>
  row.schema.parse(
    withChange(
      row.start(
        row.catalogue.find((e) => e.id === id)!,
        SPOT,
        'Row',
      ),
      more,
    ),
  )
const judge = (d: RowDesign, around: Partial<Around> = {}) => row.judge(d, { ...ALONE, ...around })
const of = (d: RowDesign, id: string, around: Partial<Around> = {}) =>
  judge(d, around).checks.find((c) => c.id === id)
const STATIONS = [0, 3000, 6000, 9000].map((xMm, i) => ({
  xMm,
  halfBreadthMm: [0, 1200, 1500, 1300][i]!,
  sheerMm: 1000 + 50 * i,
}))
const bulkhead = (xMm: number, widthMm = 20) => ({
  kind: 'bulkhead' as const,
  title: `Bulkhead at ${xMm}`,
  x0Mm: xMm,
  y0Mm: -1,
  x1Mm: xMm,
  y1Mm: 1,
  widthMm,
})

describe('the line', () => {
  it('along the deck\u2019s edge stands so far in from it, on its side, at the sheer', () => {
    const path = edgePath(STATIONS, 'port', 3000, 6000, 60)
    expect(path[0]).toEqual({ xMm: 3000, yMm: -1140, zMm: 1050 })
    expect(path.at(-1)).toEqual({ xMm: 6000, yMm: -1440, zMm: 1100 })
    expect(edgePath(STATIONS, 'starboard', 3000, 6000, 60)).toEqual(path.map((p) => ({ ...p, yMm: -p.yMm })))
    expect(lengthOf(path)).toBeCloseTo(Math.hypot(3000, 300, 50), 0)
  })
  it('a width that nobody measured is a guess, and is said where the row is kept off by it', () => {
    const d = start('HG-ROW-S25')
    const [x] = d.path
    const guessed = { ...bulkhead(x!.xMm + 400), widthMm: null, title: 'Frame 3' }
    const c = of(d, 'row-widths', { parts: [guessed] })!
    expect([c.verdict, c.because]).toEqual([
      'tight',
      expect.stringContaining('how wide frame 3 is: 30 mm are taken'),
    ])
    expect(of(d, 'row-widths', { parts: [bulkhead(x!.xMm + 400)] })).toBeUndefined()
    expect(of(d, 'row-widths', { parts: [{ ...guessed, x0Mm: -900, x1Mm: -900 }] })).toBeUndefined()
  })
  it('knows where on it a place lies, and how far off', () => {
    const path = [0, 1000, 2000].map((xMm) => ({ xMm, yMm: 100, zMm: 0 }))
    expect(along(path, { xMm: 1400, yMm: 130 })).toEqual({ sMm: 1400, offMm: 30 })
    expect(along(path, { xMm: -50, yMm: 100 })).toEqual({ sMm: 0, offMm: 50 })
  })
  it('what of the map crosses it is kept off where it does, and only there', () => {
    const path = [0, 4000].map((xMm) => ({ xMm, yMm: -1000, zMm: 0 }))
    const knee = { ...bulkhead(900, 30), kind: 'knee' as const, title: 'Knee', y0Mm: -1200, y1Mm: -800 }
    const other = { ...knee, title: 'Knee to starboard', y0Mm: 800, y1Mm: 1200 }
    const cable = { ...knee, kind: 'cable' as const, title: 'Cable' }
    const kept = mapKeepouts(path, [bulkhead(2000), knee, other, cable], 10)
    expect(kept.map((k) => k.name)).toEqual(['Bulkhead at 2000', 'Knee'])
    expect(kept[0]!.fromMm).toBeLessThanOrEqual(1990)
    expect(kept[0]!.toMm).toBeGreaterThanOrEqual(2010)
    expect(kept[0]!.toMm - kept[0]!.fromMm).toBeLessThan(40)
    // Wherever it lies between two samples, no millimetre of it is left out.
    for (let x = 1000; x < 1012; x++) {
      const [k] = mapKeepouts(path, [bulkhead(x, 3)], 0)
      expect([x, k!.fromMm <= x - 1.5, k!.toMm >= x + 1.5]).toEqual([x, true, true])
    }
  })
})

describe('bends', () => {
  const station = (id: string, side: 'port' | 'starboard', bracketDeg: number, more: object = {}) => ({
    id,
    side,
    axis: 'across' as const,
    readingDeg: 0,
    trueDeg: 0,
    bracketDeg,
    flags: [],
    flagged: false,
    ...more,
  })
  it('are taken from the survey by number and side; a doubted one is left out and named', () => {
    const stations = [
      station('Stanchion 1', 'port', 93.27),
      station('2', 'port', 92, { flagged: true, flags: ['moved'] }),
      station('P4', 'port', 91.04),
      station('Stanchion 3', 'starboard', 88),
      station('Stanchion 3', 'port', 80, { axis: 'along' }),
    ]
    const got = bendsFrom({ place: { yMm: -900 } }, 4, stations)
    expect(got.bends).toEqual([
      { at: 1, deg: 93.3 },
      { at: 4, deg: 91 },
    ])
    expect(got.said).toBe('2 of 4 taken from the survey, port; doubted there and left out: 2; not read: 3.')
    expect(bendsFrom({ place: { yMm: 900 } }, 3, stations).bends).toEqual([{ at: 3, deg: 88 }])
  })
  it('by hand one is set, changed and taken away, and the card says it', () => {
    const one = bentAt([], 2, 91.5)
    expect(bentAt(one, 1, 92)).toEqual([
      { at: 1, deg: 92 },
      { at: 2, deg: 91.5 },
    ])
    expect(bentAt(one, 2, null)).toEqual([])
    const d = start('HG-ROW-S25', { bends: one })
    const lines = row.card(d, judge(d), ALONE).flatMap((b) => b.lines)
    expect(lines.find((l) => l.startsWith('2:'))).toContain('bend to 91.5\u00b0')
  })
})
describe('where each stands', () => {
  it.each(['HG-ROW-S25', 'HG-ROW-BK40', 'HG-ROW-RS30'])('%s: as the calculator says', (id) => {
    const d = start(id)
    const out = calculate(spacing, {
      path: d.path,
      fromMm: d.fromMm,
      toMm: d.toMm,
      footprintMm: d.footprintMm,
      pitch: d.pitch,
    })
    expect(judge(d).layout.positions).toEqual(out.positions)
  })
  it('a track\u2019s own holes are kept to the tenth: 4 in is 101.6 mm, over the whole of it', () => {
    const { positions } = judge(start('HG-ROW-TR4I')).layout
    positions.forEach((p, i) => {
      expect(p.sMm - positions[0]!.sMm).toBeCloseTo(101.6 * i, 9)
      expect(p.xMm - positions[0]!.xMm).toBeCloseTo(101.6 * i, 9)
    })
    expect(positions.length).toBeGreaterThan(8)
  })
  it('a bulkhead moves them, and they still keep off it and within the pitches', () => {
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 3200 }), fc.integer({ min: 0, max: 60 }), (at, margin) => {
        const d = start('HG-ROW-S25', { mapMarginMm: margin })
        const j = judge(d, { parts: [bulkhead(3000 + at)] })
        if (j.layout.blocked) return
        for (const p of j.layout.positions)
          for (const k of j.keepouts)
            expect(
              p.sMm + d.footprintMm / 2 <= k.fromMm - margin || p.sMm - d.footprintMm / 2 >= k.toMm + margin,
            ).toBe(true)
        for (const p of j.layout.pitches) expect(p >= d.pitch.leastMm && p <= d.pitch.mostMm).toBe(true)
      }),
      { numRuns: 40 },
    )
  })
  it('where nothing fits it says what is in the way, and a remedy frees it', () => {
    const d = start('HG-ROW-S25', {
      keepouts: [{ name: 'Gate', fromMm: 0, toMm: 60, marginMm: 0 }],
    })
    const j = judgedWithRemedies(row, d, ALONE)
    const fits = j.checks.find((c) => c.id === 'row-fits')!
    expect([fits.verdict, fits.because]).toEqual(['short', expect.stringContaining('Gate')])
    expect(fits.remedies.map((r) => r.id)).toContain('ends-free')
    expect(row.penetrations(d, j as never, 'metric')).toEqual([])
    expect(row.steps(d, j as never, 'metric', {} as never)).toEqual([])
  })
})

it('a row that is longer than its line is refused at its end', () =>
  expect(() => judge(start('HG-ROW-TR4I', { toMm: 2000 }))).toThrow(
    /2000 was given; the line is 915 mm long/,
  ))

describe('old holes are not forgotten', () => {
  const hole = (xMm: number, state = 'suspect') => ({
    label: `P-${xMm}`,
    xMm,
    yMm: -1400,
    diameterMm: 6,
    state,
  })
  const d = start('HG-ROW-TR10')
  const second = judge(d).layout.positions[1]!.xMm
  it('one that a new hole breaks into is named, with the number it lies at', () => {
    const j = judge(d, { holes: [hole(second + 6)] })
    expect(j.crossed.map((c) => [c.label, c.at])).toEqual([[`P-${second + 6}`, 2]])
    expect(of(d, 'row-old-holes', { holes: [hole(second + 6)] })!.verdict).toBe('short')
  })
  it.each([
    ['closed', hole(second + 6, 'closed')],
    ['half a pitch away', hole(second + 50)],
    ['in the same place, taken away whole', { ...hole(second), diameterMm: 4 }],
  ])('one that is %s is nothing to settle', (_why, h) =>
    expect(of(d, 'row-old-holes', { holes: [h] })).toBeUndefined(),
  )
})

describe('a strip', () => {
  it('lies or does not as its calculator says', () => {
    const d = start('HG-ROW-RS30')
    const j = judge(d)
    const out = calculate(stripBend, {
      widthMm: 30,
      thicknessMm: 6,
      material: 'ss-316',
      easy: d.strip!.easy!,
      bolts: j.layout.count,
      pitchMm: j.layout.meanPitchMm!,
      mostPitchMm: d.pitch.mostMm,
    })
    for (const c of out.checks)
      expect(j.checks.find((x) => x.id === `strake-${c.id}`)!.utilisation).toBe(c.utilisation)
  })
  it('whose hull nobody measured is unproven', () =>
    expect(of(start('HG-ROW-RS30', { 'strip.easy': null }), 'strake-set')!.verdict).toBe('unproven'))
})

describe('its members', () => {
  const d = start('HG-ROW-S25')
  const places = row.groups!(d, judge(d))!.places
  const member = (i: number, dx = 0, verdict: Other['verdict'] = 'holds'): Other => ({
    id: `m${i}`,
    kind: 'deck-hardware',
    name: `Stanchion ${i + 1}`,
    design: { place: { ...places[i]!, xMm: places[i]!.xMm + dx, zone: null } } as never,
    verdict,
  })
  const all = places.map((_, i) => member(i))
  it('are asked for as long as some are missing', () => {
    expect(of(d, 'members-set')!.because).toContain(`0 of ${places.length}`)
    expect(of(d, 'members-set', { members: all.slice(1) })!.verdict).toBe('unproven')
  })
  it('stand where the row has them, or it says which does not', () => {
    expect(of(d, 'members-set', { members: all })!.verdict).toBe('holds')
    const off = [member(0, 12), ...all.slice(1)]
    expect(of(d, 'members-set', { members: off })!.because).toContain('Stanchion 1')
  })
  it('it is as good as the worst of them', () => {
    const weak = [...all.slice(0, -1), member(places.length - 1, 0, 'short')]
    expect(judge(d, { members: weak }).verdict).toBe('short')
    expect(of(d, 'members-hold', { members: weak })!.because).toContain(`Stanchion ${places.length}`)
  })
  it('turned as the line runs', () => {
    const path = edgePath(STATIONS, 'port', 3000, 6000, 60)
    const edge = start('HG-ROW-S25', { path, toMm: 2900, ends: 'free' })
    for (const p of row.groups!(edge, judge(edge))!.places) expect(p.headingDeg).toBeCloseTo(-5.7, 0)
  })
})

it('its schedule is its places, from the first end and on the boat, with each bend', () => {
  const d = start('HG-ROW-S25', { bends: [{ at: 2, deg: 96 }] })
  const j = judge(d)
  const rows = row.schedule!(d, j)
  expect(rows.map((r) => r.number)).toEqual(j.layout.positions.map((_, i) => i + 1))
  expect(rows[0]).toMatchObject({ fromFirstEndMm: j.layout.positions[0]!.sMm - d.fromMm, bendDeg: null })
  expect(rows[1]).toMatchObject({ bendDeg: 96, xMm: j.layout.positions[1]!.xMm, fitting: '' })
})
describe('on what is there already', () => {
  const d = start('HG-ROW-S25')
  const at = judge(d).layout.positions
  const other = (i: number, more: Partial<Other> = {}): Other => {
    const { xMm, yMm } = at[i]!
    const corner = (x: number, y: number) => ({ xMm: xMm + x, yMm: yMm + y })
    const outline = [corner(-60, -40), corner(60, -40), corner(60, 40), corner(-60, 40)]
    const design = { place: { zone: 'side-deck', xMm, yMm, zMm: d.place.zMm } } as never
    return { id: `o${i}`, kind: 'deck-hardware', name: `Cleat ${i + 1}`, design, outline, ...more }
  }
  it('is kept off by itself, by the clearance that the map\u2019s parts have', () => {
    const around = { others: [other(1)] }
    expect(of(d, 'row-neighbours', around)).toBeUndefined()
    const j = judge(d, around)
    const kept = j.keepouts.find((k) => k.name === 'Cleat 2')!
    expect(kept).toMatchObject({ byMap: true, marginMm: d.mapMarginMm })
    for (const p of j.layout.positions)
      expect(Math.abs(p.xMm - at[1]!.xMm)).toBeGreaterThanOrEqual(60 + d.mapMarginMm! + d.footprintMm / 2)
  })
  it('a fitting abreast of the line, farther than half a length, takes nothing of it', () => {
    const o = other(1)
    const aside = (by: number) => o.outline!.map((p) => ({ ...p, yMm: p.yMm + by }))
    const names = (by: number) =>
      judge(d, { others: [{ ...o, outline: aside(by) }] }).keepouts.map((k) => k.name)
    expect(names(40 + d.footprintMm / 2 + 1)).not.toContain('Cleat 2')
    expect(names(40 + d.footprintMm / 2 - 1)).toContain('Cleat 2')
  })
  it.each([
    ['one that stands there already', { existing: true }],
    ['one that is to miss nothing of the map', { mapMarginMm: null }],
  ])('%s says which number comes down on what, and a press keeps that stretch off', (_, change) => {
    const d = start('HG-ROW-S25', change)
    const around = { others: [other(1)] }
    expect(of(d, 'row-neighbours', around)).toMatchObject({ verdict: 'short' })
    expect(of(d, 'row-neighbours', around)!.because).toContain('number 2 on Cleat 2')
    const j = judgedWithRemedies(row as never, d as never, { ...ALONE, ...around })
    const keep = j.checks.find((c) => c.id === 'row-neighbours')!.remedies[0]!
    expect(keep.text).toBe('keep Cleat 2 off')
    const moved = withChange(d, keep.change) as RowDesign
    expect(moved.keepouts.at(-1)).toMatchObject({ name: 'Cleat 2', marginMm: 10 })
    expect(of(moved, 'row-neighbours', around)).toBeUndefined()
  })
  it.each([
    ['its own member', {}, true],
    ['another deck', { design: { place: { zMm: d.place.zMm + 900 } } as never }, false],
    ['a hole that is closed', { kind: 'closure' }, false],
    ['nothing that is known of its size', { outline: [] }, false],
  ])('%s is in nobody\u2019s way', (_, more, member) => {
    const o = other(1, more)
    expect(of(d, 'row-neighbours', { others: [o], ...(member ? { members: [o] } : {}) })).toBeUndefined()
  })
})

describe('a run of an outline', () => {
  const box = [
    { xMm: 0, yMm: 0 },
    { xMm: 1000, yMm: 0 },
    { xMm: 1000, yMm: 500 },
    { xMm: 0, yMm: 500 },
  ]
  it('goes round corners in the outline\u2019s order, inside it whichever way it is drawn', () => {
    const run = outlineRun(box, 0, 2, 50)
    expect(run).toEqual([
      { xMm: 0, yMm: 50 },
      { xMm: 950, yMm: 50 },
      { xMm: 950, yMm: 500 },
    ])
    const other = outlineRun([...box].reverse(), 0, 2, 50)
    expect(other[1]).toEqual({ xMm: 950, yMm: 450 })
  })
  it('from the last corner on to the first, and once all round', () => {
    expect(outlineRun(box, 3, 0, 0)).toEqual([box[3], box[0]])
    expect(outlineRun(box, 1, 1, 0)).toHaveLength(5)
  })
})

describe('a pair, port and starboard', () => {
  const port = withChange(row.start(row.catalogue[0]!, { ...SPOT, yMm: -1500 }, 'Port'), {
    path: [
      { xMm: 3000, yMm: -1500, zMm: 1200 },
      { xMm: 8000, yMm: -1600, zMm: 1200 },
    ],
    toMm: 5000,
  }) as RowDesign
  const other = (d: RowDesign) => ({ id: 'o', kind: 'row', name: d.name, design: d as never })
  const pair = (d: RowDesign, there: RowDesign[]) =>
    row.judge(d, { ...ALONE, others: there.map(other) }).checks.find((c) => c.id === 'row-pair')
  const starboard = row.copy!(port, { mirror: true, xMm: 0, yMm: 0, name: 'Starboard' }, [])
  it('that is mirrored agrees, and one by itself says nothing', () => {
    expect(pair(port, [])).toBeUndefined()
    expect(pair(port, [starboard])).toMatchObject({ verdict: 'holds' })
  })
  it('that stands further aft, or has one more, is said with its measure', () => {
    const aft = withChange(starboard, {
      path: starboard.path.map((p) => ({ ...p, xMm: p.xMm + 30 })),
    }) as RowDesign
    expect(pair(port, [aft])).toMatchObject({ verdict: 'tight' })
    expect(pair(port, [aft])!.because).toContain('30 mm further forward than that of Starboard')
    const more = withChange(starboard, { 'pitch.wantedMm': 900 }) as RowDesign
    expect(pair(port, [more])!.because).toMatch(/Starboard has \d where this has \d/)
  })
  it('two rows on one side, or far from abreast, are no pair', () => {
    const far = withChange(starboard, {
      path: starboard.path.map((p) => ({ ...p, xMm: p.xMm + 4000 })),
    }) as RowDesign
    expect(pair(port, [port, far])).toBeUndefined()
  })
})
