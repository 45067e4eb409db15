import { describe, expect, it } from 'vitest'
import { withChange } from '../src/base/change'
import { calculate } from '../src/base/calculator/calculator'
import { layupBlock } from '../src/chapters/making/layup-block'
import { tapeSeal } from '../src/chapters/making/tape-seal'
import { judgedWithRemedies } from '../src/kinds/registry'
import { ALONE } from '../src/kinds/kind'
import { NO_WORK } from '../src/kinds/work'
import { lengthOf } from '../src/kinds/path'
import { closure } from '../src/kinds/closure/kind'
import { HIRE_HOURS } from '../src/kinds/closure/hire'
import type { ClosureDesign } from '../src/kinds/closure/design'

const SPOT = {
  zone: 'deck',
  xMm: 5000,
  yMm: 1500,
  zMm: 1100,
  structure: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 9 },
  measured: ['thicknessMm'],
  edgeMm: null,
  belowWaterline: false,
  duty: 'coastal',
  zones: [],
}
const made = (id: string, change: Record<string, unknown> = {}): ClosureDesign => {
  const e = closure.catalogue.find((x) => x.id === id)!
  return closure.schema.parse(
    withChange(closure.start(e, SPOT as never, 'It'), { tempC: 20, ...change }),
  ) as ClosureDesign
}
const judge = (d: ClosureDesign) => closure.judge(d, ALONE)
const of = (d: ClosureDesign, id: string) => judge(d).checks.find((c) => c.id === id)
const steps = (d: ClosureDesign) => closure.steps(d, judge(d), 'metric', NO_WORK)
const inRow = (n: number, holeMm: (i: number) => number) =>
  Array.from({ length: n }, (_, i) => ({ label: null, dxMm: i * 700, dyMm: 0, holeMm: holeMm(i) }))

describe('several holes in pots', () => {
  const many = (n: number) => made('CX-N', { holes: inRow(n, (i) => 10 + 4 * i) })
  it('every patch is in one pot, those that reach farthest first, and no pot is over its size or its life', () => {
    const d = many(11)
    const j = judge(d)
    const all = j.batches!.flatMap((b) => b.patches)
    expect([...all].sort((a, b) => a - b)).toEqual(j.patches.map((_, i) => i))
    const reach = all.map((i) => j.patches[i]!.groundMm)
    expect(reach).toEqual([...reach].sort((a, b) => b - a))
    expect(j.batches!.length).toBeGreaterThan(1)
    for (const b of j.batches!) {
      expect((b.ml * 1.15) / b.pots).toBeLessThanOrEqual(150 + 1e-9)
      expect(b.minutes / b.pots).toBeLessThanOrEqual(j.pot!.potLifeMin! * 0.9 + 1e-9)
    }
    expect(steps(d).find((s) => s.id === 'lay')!.text).toContain('Pot by pot')
    expect(closure.card(d, j, ALONE).map((b) => b.title)).toContain('Pots')
  })
  it('one hole is one pot, and its step says nothing of pots', () => {
    const d = many(1)
    expect(judge(d).batches).toHaveLength(1)
    expect(steps(d).find((s) => s.id === 'lay')!.text).not.toContain('Pot by pot')
  })
  it('other resins are mixed by their maker', () => {
    expect(judge(made('CX-N', { resin: 'polyester', holes: inRow(3, () => 20) })).batches).toBeNull()
  })
  it('past three days of one fitter a yard is asked', () => {
    expect(of(many(3), 'hire')).toBeUndefined()
    const long = made('CX-N', { holes: inRow(26, () => 60) })
    expect(judge(long).workHours).toBeGreaterThan(HIRE_HOURS)
    expect(of(long, 'hire')!.verdict).toBe('tight')
  })
})
describe('a hull\u2013deck joint', () => {
  const line = [
    { xMm: 5000, yMm: 1500, zMm: 1100 },
    { xMm: 8000, yMm: 1600, zMm: 1050 },
  ]
  const joint = (change: Record<string, unknown> = {}) => made('CX-J', { 'joint.path': line, ...change })
  it('is what the calculator says of its run', () => {
    const d = joint({ 'joint.screws': 24 })
    const j = judge(d)
    const o = calculate(tapeSeal, {
      lengthMm: lengthOf(line),
      gapMm: 2,
      depthMm: 15,
      filletMm: 15,
      angleDeg: 90,
      tapesMm: [100, 150, 200],
      pieceMm: 2000,
      screws: 24,
      minutesEach: 2,
      hardener: 'slow',
      tempC: 20,
      cloth: 'biaxial-400',
    }) as unknown as { fillMl: number; minutes: { total: number }; pieces: number }
    expect(j.joint!.fillMl).toBeCloseTo(o.fillMl, 9)
    expect(j.workHours).toBeCloseTo(o.minutes.total / 60, 9)
    expect(j.patches).toEqual([])
    expect(closure.closes!(d)).toEqual([])
    expect(closure.penetrations(d, j, 'metric')).toEqual([])
  })
  it('is hosed before it is ground, and again after; screws are cut only where there are any', () => {
    const ids = steps(joint({ 'joint.screws': 24 })).map((s) => s.id)
    expect(ids).toEqual([
      'survey',
      'joint-clear',
      'joint-screws',
      'wash',
      'joint-grind',
      'joint-fill',
      'joint-tape',
      'cure',
      'leak-test',
      'record',
    ])
    expect(steps(joint()).map((s) => s.id)).not.toContain('joint-screws')
    const tape = steps(joint()).find((s) => s.id === 'joint-tape')!
    expect(tape.text).toContain('Wet on wet')
    expect(tape.from).toBe('joint-fill')
  })
  it('narrow tapes are short, and wider ones are offered that hold', () => {
    const d = joint({ 'joint.tapesMm': [60, 80] })
    expect(of(d, 'tape-stagger')!.verdict).toBe('short')
    const c = judgedWithRemedies(closure as never, d as never, ALONE).checks.find(
      (x) => x.id === 'tape-stagger',
    )!
    expect(c.remedies.some((r) => r.verdict === 'holds')).toBe(true)
    expect(of(joint({ access: 'outside' }), 'access')!.verdict).toBe('short')
    expect(of(joint({ tempC: 8 }), 'cures-here')!.verdict).toBe('short')
  })
  it('is refused without a run, and a run goes with no hole', () => {
    const d = joint()
    for (const wrong of [
      { ...d, joint: null },
      { ...d, family: 'hole' },
      { ...made('CX-1'), holes: [] },
    ])
      expect(closure.schema.safeParse(wrong).success).toBe(false)
  })
  it('has the stick that draws its fillet at full size', () => {
    const d = joint()
    expect(closure.templates(d, judge(d))).toEqual(['stick'])
    const xs = closure
      .template(d, judge(d), 'stick', 'metric', false)
      .shapes.flatMap((s) => (s.kind === 'path' && s.role === 'CUT' ? s.points.map((p) => p.y) : []))
    expect(Math.min(...xs)).toBeCloseTo(-15, 6)
  })
})
describe('a block made in house', () => {
  const block = (change: Record<string, unknown> = {}) => made('CX-B', change)
  it('stands side by side by the three ways, as the calculator says', () => {
    const d = block({ 'block.thinMm': 8 })
    const o = calculate(layupBlock, {
      lengthMm: 250,
      widthMm: 120,
      thickMm: 20,
      thinMm: 8,
      trimMm: 10,
      hardener: 'medium',
      tempC: 20,
      cloth: 'biaxial-400',
    }) as unknown as {
      laid: { workHours: number }
      cast: { workHours: number }
      sheets: { workHours: number }
    }
    expect(judge(d).block!.ways.map((w) => w.workHours)).toEqual([
      o.laid.workHours,
      o.cast.workHours,
      o.sheets.workHours,
    ])
    expect(judge(d).workHours).toBe(o.laid.workHours)
  })
  it.each([
    ['laid', 'cloth'],
    ['cast', 'mould'],
    ['sheets', 'sheet'],
  ])('%s has its own list and its own steps, with release before anything is wetted', (way, key) => {
    const d = block({ 'block.way': way })
    expect(closure.parts(d, judge(d)).map((p) => p.key)).toContain(key)
    const ids = steps(d).map((s) => s.id)
    expect(ids.indexOf('block-mould')).toBeLessThan(ids.indexOf('block-make'))
    expect(ids).not.toContain('block-taper')
    expect(steps(block({ 'block.way': way, 'block.thinMm': 8 })).map((s) => s.id)).toContain('block-taper')
  })
  it('a thin edge under 5 mm is short, and is mended at the same taper', () => {
    const d = block({ 'block.thinMm': 3 })
    expect(of(d, 'thin-edge')!.verdict).toBe('short')
    const c = judgedWithRemedies(closure as never, d as never, ALONE).checks.find(
      (x) => x.id === 'thin-edge',
    )!
    expect(c.remedies[0]!.change).toEqual({ 'block.thinMm': 5, 'block.thickMm': 22 })
    expect(() => judge(block({ 'block.thinMm': 30 }))).toThrow(/thin/)
  })
  it('six sheets that do not make it are said, and another way is offered', () => {
    const d = block({ 'block.way': 'sheets', 'block.thickMm': 90 })
    expect(of(d, 'sheets')).toMatchObject({ verdict: 'unproven' })
    expect(judge(d).block!.ways.find((w) => w.way === 'sheets')!.workHours).toBeNull()
  })
})
