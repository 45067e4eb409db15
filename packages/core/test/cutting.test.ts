import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { runNamed } from '../src/chapters/registry'
import { part, type Part } from '../src/kinds/part'
import { NO_WORK } from '../src/kinds/work'
import {
  cutAnswer,
  cutDrawing,
  cutQuestion,
  cutsOf,
  KERF_MM,
  sheetSaid,
  type CutPlan,
  type SheetOnHand,
} from '../src/planning/cutting'

const plate = (lengthMm: number, widthMm: number, more: Partial<Part> = {}) =>
  part('backing-plate', 'Backing plate', {
    material: 'g10',
    dimensions: { lengthMm, widthMm, thicknessMm: 10 },
    ...more,
  })
const job = (id: string, parts: Part[]) => ({
  fittingId: id,
  kind: 'deck-hardware',
  name: `Cleat ${id}`,
  boatId: 'b',
  boat: 'Gull',
  zoneId: null,
  zone: 'Foredeck',
  verdict: 'holds' as const,
  short: '',
  steps: [],
  work: NO_WORK,
  parts,
})
const sheet = (id: number, more: Partial<SheetOnHand> = {}): SheetOnHand => ({
  id,
  kind: 'sheet',
  material: 'g10',
  thicknessMm: 10,
  widthMm: 1000,
  heightMm: 600,
  grain: 'none',
  count: 1,
  whereItIs: '',
  ...more,
})
const planOf = (jobs: ReturnType<typeof job>[], stock: SheetOnHand[]): CutPlan => {
  const cuts = cutsOf(jobs)
  return cutAnswer(cuts, stock, runNamed('nest', cutQuestion(cuts, stock)) as Parameters<typeof cutAnswer>[2])
}

describe('what is cut from sheet', () => {
  it('is plates, pads and doublers with their count; bolts and cast inserts are not', () => {
    const pad = part('pad', 'Pad', { material: 'g10', dimensions: { diameterMm: 170, thicknessMm: 10 } })
    const bolt = part('bolt', 'Bolt', { material: 'A4-70', dimensions: { diameterMm: 8, lengthMm: 50 } })
    const cast = part('insert', 'Insert', {
      material: 'epoxy-plug',
      dimensions: { lengthMm: 100, widthMm: 100, thicknessMm: 12 },
    })
    const metal = part('doubler', 'Doubler', {
      material: 'aluminium-5083',
      dimensions: { lengthMm: 400, widthMm: 400, thicknessMm: 6 },
    })
    const cuts = cutsOf([job('f1', [plate(200, 120, { quantity: 2 }), pad, bolt, cast, metal])])
    expect(cuts.map((c) => [c.title, c.count, c.round, c.material])).toEqual([
      ['Backing plate', 2, false, 'g10'],
      ['Pad', 1, true, 'g10'],
      ['Doubler', 1, false, 'al-5083'],
    ])
  })
  it('comes from offcuts first, and what is left of a sheet is kept', () => {
    const p = planOf(
      [job('f1', [plate(200, 120)])],
      [sheet(1), sheet(2, { kind: 'offcut', widthMm: 420, heightMm: 300 })],
    )
    expect(p).toMatchObject({ sheetsUsed: 0, offcutsUsed: 1, unplaced: [] })
    expect(p.sheets[0]!.stock.id).toBe(2)
    expect(p.sheets[0]!.kept.length).toBeGreaterThan(0)
  })
  it.each([
    ['no sheet of this material and thickness is here', [sheet(1, { thicknessMm: 6 })]],
    ['larger than any sheet of its kind here', [sheet(1, { widthMm: 150, heightMm: 100 })]],
    ['no sheet of this material and thickness is here', [sheet(1, { count: 0 })]],
  ])('what does not come out says why: %s', (why, stock) => {
    expect(planOf([job('f1', [plate(200, 120)])], stock).unplaced).toMatchObject([{ count: 1, why }])
  })
  it('is drawn with a number for each piece and what is kept, within the sheet', () => {
    const p = planOf([job('f1', [plate(300, 200), plate(120, 40)])], [sheet(1)])
    const d = cutDrawing(p.sheets[0]!, 'metric')
    expect(d.title).toContain(sheetSaid('g10'))
    expect(d.shapes.filter((s) => 'role' in s && s.role === 'piece')).toHaveLength(2)
    const texts = d.shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []))
    expect(texts).toContain('1: 300 mm by 200 mm')
    expect(texts).toContain('2')
    expect(texts.some((t) => t.startsWith('keep '))).toBe(true)
  })
  it('property: no two pieces come nearer than the saw takes, and none leaves its sheet', () => {
    const size = fc.integer({ min: 30, max: 260 })
    fc.assert(
      fc.property(fc.array(fc.tuple(size, size), { minLength: 1, maxLength: 14 }), (sizes) => {
        const p = planOf(
          [
            job(
              'f1',
              sizes.map(([a, b]) => plate(a, b)),
            ),
          ],
          [sheet(1, { count: 9 })],
        )
        for (const s of p.sheets) {
          const boxes = s.places.map((x) => {
            const [w, h] = x.turned ? [x.cut.heightMm, x.cut.widthMm] : [x.cut.widthMm, x.cut.heightMm]
            return { x0: x.xMm, y0: x.yMm, x1: x.xMm + w, y1: x.yMm + h }
          })
          for (const [i, a] of boxes.entries()) {
            expect(Math.min(a.x0, a.y0)).toBeGreaterThanOrEqual(KERF_MM - 1e-6)
            expect(a.x1).toBeLessThanOrEqual(1000 - KERF_MM + 1e-6)
            expect(a.y1).toBeLessThanOrEqual(600 - KERF_MM + 1e-6)
            for (const b of boxes.slice(i + 1)) {
              const gap = Math.max(b.x0 - a.x1, a.x0 - b.x1, b.y0 - a.y1, a.y0 - b.y1)
              expect(gap).toBeGreaterThanOrEqual(KERF_MM - 1e-6)
            }
          }
        }
      }),
      { numRuns: 25 },
    )
  })
})
