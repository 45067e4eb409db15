import { describe, expect, it } from 'vitest'
import { ALONE, withChange, type Around, type Structure } from '../src'
import { solvePatch, type PatchProblem } from '../src/chapters/plate/patch-solver'
import { opening, weakQuestion, weakWhyNot, type OpeningDesign } from '../src/kinds/opening'
import { solveSlow } from '../src/kinds/registry/slow'
import { solveWeakened } from '../src/kinds/opening/weakened-said'
import { BALSA } from './deck-hands'
import { box, openingFit, part, zone } from './opening-hands'

/** The deck round a hole, by the plate solver. */
const LAYUP = { kind: 'solid', tMm: 12, eMPa: 14000, nu: 0.3 } as const
const panel = (more: Partial<PatchProblem>): PatchProblem => ({
  aMm: 1000,
  bMm: 800,
  edges: { x0: 'simple', x1: 'simple', y0: 'simple', y1: 'simple' },
  layup: LAYUP,
  loads: [],
  pressureMPa: 0.005,
  nx: 24,
  ny: 24,
  ...more,
})
const most = (f: Float64Array) => f.reduce((m, v) => Math.max(m, Math.abs(v)), 0)

describe('a panel with a hole', () => {
  it('cut right across is the panel that is left, with a free edge', () => {
    const cut = solvePatch(panel({ cut: { outline: box(600, 1001, -1, 801) }, nx: 48 }))
    const left = solvePatch(
      panel({ aMm: 600, edges: { x0: 'simple', x1: 'free', y0: 'simple', y1: 'simple' }, nx: 48 }),
    )
    const there = (s: typeof cut) => most(s.deflection)
    expect(Math.abs(there(cut) / there(left) - 1)).toBeLessThan(0.02)
    expect(cut.totalReactionN / left.totalReactionN).toBeCloseTo(1, 2)
  })
  it('bends the more the wider it is, and the less with a ring; what lies in it is carried by its edge', () => {
    const bent = [50, 200, 400].map((w) =>
      most(solvePatch(panel({ cut: { outline: box(500 - w / 2, 500 + w / 2, 300, 500) } })).deflection),
    )
    const whole = most(solvePatch(panel({})).deflection)
    expect(bent[0]! / whole).toBeGreaterThan(0.95)
    expect(bent[1]).toBeLessThan(bent[2]!)
    const outline = box(300, 700, 300, 500)
    const ring = { outline: box(240, 760, 240, 560), tMm: 18, eMPa: 8000, nu: 0.3, bonded: true }
    const ringed = solvePatch(panel({ cut: { outline, ring } }))
    expect(most(ringed.deflection)).toBeLessThan(0.75 * bent[2]!)
    const rim = { outline: box(275, 725, 275, 525), forceN: 0.005 * 400 * 200 }
    const carried = solvePatch(panel({ cut: { outline, rim } }))
    expect(Math.abs(carried.totalReactionN)).toBeCloseTo(0.005 * 1000 * 800, 0)
  })
  it('is the same turned a quarter', () => {
    const along = solvePatch(panel({ cut: { outline: box(400, 800, 300, 450) } }))
    const across = solvePatch(panel({ aMm: 800, bMm: 1000, cut: { outline: box(300, 450, 400, 800) } }))
    expect(most(along.deflection)).toBeCloseTo(most(across.deflection), 6)
    expect(most(along.outer)).toBeCloseTo(most(across.outer), 4)
  })
  it('under its loads alone it bends less than with the sea on it as well', () => {
    const loads = [{ xMm: 500, yMm: 560, lengthMm: 80, widthMm: 80, forceN: 1000 }]
    const s = solvePatch(panel({ loads, loadsAlone: true, cut: { outline: box(300, 700, 300, 500) } }))
    const dry = solvePatch(panel({ loads, pressureMPa: 0, cut: { outline: box(300, 700, 300, 500) } }))
    expect(most(s.alone!)).toBeCloseTo(most(dry.deflection), 9)
    expect(most(s.alone!)).toBeLessThan(most(s.deflection))
    expect(dry.alone).toBeNull()
  })
})

const stringer = (y: number) =>
  part({ kind: 'longitudinal', title: 'Carlin', x0Mm: 300, x1Mm: 6000, y0Mm: y, y1Mm: y })
const FRAMED: Around = {
  ...ALONE,
  zones: [zone('deck')],
  parts: [part({ x0Mm: 1500, x1Mm: 1500 }), part({ x0Mm: 2500, x1Mm: 2500 }), stringer(420), stringer(-420)],
}
const THIN: Structure = { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 3 }
const made = (id: string, structure?: Structure, change?: Record<string, unknown>) =>
  openingFit(id, change, structure)
const solved = (d: OpeningDesign, a: Around = FRAMED) => solveWeakened(d, weakQuestion(d, a)!)
const found = (w: ReturnType<typeof solved>, id: string) => w.checks.find((c) => c.id === id)!

describe('an opening in its deck', () => {
  it('is solved between its members, with the hole and without, and read clear of its edge', () => {
    const w = solved(made('CL-H52'))
    expect(w.question.field).toMatchObject({ minX: -500, maxX: 500, minY: -420, maxY: 420, assumed: [] })
    expect(w.checks.map((c) => c.id)).toEqual(['cut-skin', 'cut-core', 'cut-foot'])
    expect(found(w, 'cut-skin').demand).toBeGreaterThan(Math.abs(w.uncut!.skin.value))
    expect(w.cut!.footMm).toBeGreaterThan(w.uncut!.footMm)
    // Of both faces: either may be the worse one.
    const faces = [w.cut!.outerMPa, w.cut!.innerMPa]
    const atEdge = Math.max(...faces.flat(2).map(Math.abs))
    expect(found(w, 'cut-skin').demand).toBeLessThan(atEdge)
    expect(found(w, 'cut-skin').because).toMatch(/without the hole, [\d.]+ times as much/)
  })
  it('a ring takes strain from the edge; a member that is cut counts for nothing, and is named', () => {
    const [plain, ringed] = [
      solved(made('CL-H52')),
      solved(made('CL-H52', BALSA, { ring: { material: 'plywood', widthMm: 60, thicknessMm: 18 } })),
    ]
    expect(ringed.cut!.footMm).toBeLessThan(plain.cut!.footMm)
    const through = { ...FRAMED, parts: [...FRAMED.parts, part({ x0Mm: 2100, x1Mm: 2100 })] }
    const w = solved(made('CL-H52'), through)
    expect(w.question.cutThrough).toEqual(['deck beam at x 2100'])
    expect(w.question.cut.supports).toEqual([])
    expect(w.question.uncut.supports).toHaveLength(1)
    expect(found(w, 'cut-skin').because).toContain(
      'It goes through deck beam at x 2100, which then carries nothing',
    )
  })
  it('a panel with nothing under it is no figure, and says what is missing', () => {
    const w = solved(made('CL-L60', THIN), { ...FRAMED, parts: [] })
    expect(w.checks.map((c) => [c.id, c.verdict])).toEqual([['cut-skin', 'unproven']])
    expect(w.checks[0]!.because).toContain('Draw what stiffens it here')
  })
  it('is not asked where nothing is weakened, or nothing is known of the frames', () => {
    expect(weakWhyNot(made('CL-D25'), FRAMED)).toContain('closes the panel again')
    expect(weakWhyNot(made('CL-H52'), { ...FRAMED, zones: [] })).toContain('No known surface')
    expect(weakWhyNot(made('CL-H52'), { ...FRAMED, zones: [zone('topsides')] })).toContain('decks and roofs')
    const small = withChange(made('CL-V10'), { outline: { kind: 'circle', diameterMm: 70 } })
    expect(weakQuestion(small, FRAMED)).toBeNull()
    expect(weakWhyNot(small, FRAMED)).toContain('less than a tenth')
  })
  it('goes into the verdict by the contract of kinds, and a heavier sea of checks changes it', () => {
    const d = made('CL-H52')
    const j = opening.judge(d, FRAMED)
    const question = opening.slow!(d, j, FRAMED)!
    const checks = solveSlow({ kind: 'opening', design: d, judgement: j, question })
    const whole = opening.withSlow!(j, { checks })
    expect(whole.checks).toHaveLength(j.checks.length + 3)
    const short = { ...checks[0]!, verdict: 'short' as const, utilisation: 99 }
    expect(opening.withSlow!(j, { checks: [short] })).toMatchObject({
      verdict: 'short',
      governing: 'cut-skin',
    })
    expect(opening.slow!(withChange(d, { name: 'Another' }), j, FRAMED)!.key).toBe(question.key)
    expect(opening.slow!(withChange(d, { 'outline.cornerMm': 80 }), j, FRAMED)!.key).not.toBe(question.key)
  })
})
