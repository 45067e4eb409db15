import { describe, expect, it } from 'vitest'
import {
  CATALOGUE,
  catalogueEntry,
  hoursOf,
  judge,
  massOf,
  sizeIt,
  stepsOf,
  startDesign,
  withChange,
  type Design,
  type Structure,
} from '../src'
import { SIZES } from '../src/base/materials/fasteners'
import { drilledFor } from '../src/kinds/deck-hardware/start'

/** What a fitter would build, and what he would not. */
const sandwich = (outerMm: number, coreMm: number, innerMm: number): Structure => ({
  kind: 'sandwich',
  skin: { laminate: 'mat' },
  outerMm,
  innerMm,
  core: { material: 'balsa-150', thicknessMm: coreMm },
})
const DECK = sandwich(4, 12, 3)
const METAL: Structure = { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 4 }
const TIMBER: Structure = { kind: 'timber', timber: 'plywood', thicknessMm: 18 }
const at = (structure: Structure) => ({
  zone: 'foredeck',
  xMm: 900,
  yMm: -640,
  zMm: 1600,
  edgeMm: 120,
  belowWaterline: false,
  structure,
  measured: [],
  duty: 'coastal' as const,
})
const fit = (id: string, structure = DECK, change: Record<string, unknown> = {}): Design =>
  withChange(startDesign(catalogueEntry(id)!, at(structure), id), change)

describe('Size it builds what a fitter would', () => {
  it.each(CATALOGUE.map((c) => c.id))(
    '%s: the bolt its casting is drilled for wherever one such design is not short',
    (id) => {
      const d = fit(id)
      const p = sizeIt(d)
      if (!p.found) return expect(p.because).toMatch(/^Nothing passes: /)
      const drilled = drilledFor(catalogueEntry(id)!, false)
      const another = p.choices.filter((c) => c.design.bolt.size !== drilled)
      if (!another.length) return
      // Another bolt only where none of the casting's own would do, whatever the plate.
      expect(sizeIt(withChange(d, { sizes: [drilled] })).found).toBe(false)
    },
  )
  it('a bolt thinner than the casting\u2019s holes is put right, and it says why', () => {
    const p = sizeIt(fit('HG-W200', DECK, { 'bolt.size': catalogueEntry('HG-W200')!.sizes[0] }))
    const bolt = p.changes.find((c) => c.path === 'bolt.size')!
    expect(bolt.to).toBe(drilledFor(catalogueEntry('HG-W200')!, false))
    expect(bolt.why).toBe('What the casting is drilled for.')
  })
  it.each(CATALOGUE.map((c) => c.id))('%s: no plate thicker than one and a half bolts', (id) => {
    for (const c of sizeIt(fit(id)).choices)
      expect(c.design.plate?.thicknessMm ?? 0, c.title).toBeLessThanOrEqual(
        1.5 * SIZES[c.design.bolt.size]!.diameterMm,
      )
  })
  it('a plate stays under a cleat that pulls; washers do where a tenth of that pulls', () => {
    const hard = sizeIt(fit('HG-C200'))
    expect(hard.choices.length).toBeGreaterThan(0)
    for (const c of hard.choices) expect(c.design.plate, c.title).not.toBeNull()
    const light = sizeIt(fit('HG-C200', sandwich(6, 19, 5), { load: { basis: 'rated', ratedN: 1000 } }))
    expect(light.choices.some((c) => c.design.plate === null)).toBe(true)
  })
  it('least work first within a school, and what holds before what is tight', () => {
    for (const id of ['HG-C250', 'HG-W200', 'HG-B160', 'HG-TW90']) {
      const { choices } = sizeIt(fit(id))
      const own = choices.filter((c) => c.verdict === 'holds' && c.design.core.school === 'bore-fill')
      expect(own.map((c) => c.hours)).toEqual(own.map((c) => c.hours).sort((a, b) => a - b))
      const ranks = choices.map((c) => Number(c.verdict === 'tight'))
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b))
    }
  })
  it('says lighter only of what is lighter, and less work only of what is less work', () => {
    for (const entry of CATALOGUE) {
      const d = fit(entry.id)
      for (const c of sizeIt(d).choices) {
        const words = c.changes.map((x) => x.why).join(' ')
        if (words.includes('Lighter')) expect(c.massKg, entry.id).toBeLessThan(massOf(d, judge(d)))
        if (/[Ll]ess work/.test(words)) expect(c.hours, entry.id).toBeLessThan(hoursOf(d, judge(d)))
      }
    }
  })
  it.each(['HG-C250', 'HG-S25', 'HG-T30'])('%s: its hours are those of the work that it will be', (id) => {
    for (const c of sizeIt(fit(id)).choices) {
      const minutes = stepsOf(c.design, judge(c.design), 'metric').reduce((sum, s) => sum + s.minutes, 0)
      expect(c.hours).toBeCloseTo(minutes / 60, 9)
    }
  })
  it('counts fill, insert and cloth in the weight', () => {
    const d = fit('HG-C250')
    const bored = withChange(d, { 'core.boreMm': 40 })
    expect(massOf(bored, judge(bored))).toBeGreaterThan(massOf(d, judge(d)) + 0.01)
    const solid = withChange(d, { 'core.school': 'insert', 'core.insertMaterial': 'epoxy-plug' })
    const foam = withChange(d, { 'core.school': 'insert', 'core.insertMaterial': 'insert-250' })
    expect(massOf(solid, judge(solid))).toBeGreaterThan(massOf(foam, judge(foam)) + 0.1)
  })
  it('offers bore and fill where only an insert has a tenth in hand, and calls it tight', () => {
    const foam: Structure = {
      kind: 'sandwich',
      skin: { laminate: 'mat' },
      outerMm: 3,
      innerMm: 2,
      core: { material: 'san-85', thicknessMm: 20 },
    }
    const { choices } = sizeIt(fit('HG-TP70', foam))
    expect(choices[0]).toMatchObject({ verdict: 'holds', design: { core: { school: 'insert' } } })
    const usual = choices.filter((c) => c.design.core.school === 'bore-fill')
    expect(usual.map((c) => c.verdict)).toEqual(usual.map(() => 'tight'))
    expect(usual.length).toBeGreaterThan(0)
    for (const c of usual) expect(judge(c.design).verdict).toBe('tight')
  })
  it('a metal deck gets a doubler, never a plate of sheet', () => {
    const d = fit('HG-C250', METAL, { load: { basis: 'rated', ratedN: 50000 } })
    expect(judge(d).verdict).toBe('short')
    const p = sizeIt(d)
    expect(p.found).toBe(true)
    for (const c of p.choices) {
      expect(c.design.plate).toBeNull()
      expect(c.design.doubler).not.toBeNull()
      expect(c.changes.map((x) => x.label)).toContain('Doubler')
    }
  })
  it('a timber deck may have a pad of plywood', () => {
    const materials = CATALOGUE.flatMap((c) => sizeIt(fit(c.id, TIMBER)).choices).map(
      (c) => c.design.plate?.material,
    )
    expect(materials).toContain('plywood')
  })
  it('names what has to give when nothing passes', () => {
    const p = sizeIt(fit('HG-C250', DECK, { load: { basis: 'rated', ratedN: 400000 } }))
    expect(p.because).toMatch(/A smaller load, more bolts, or another place has to give\.$/)
  })
})
