import { describe, expect, it } from 'vitest'
import { ALONE, withChange, type Structure } from '../src'
import { opening, OPENING_CATALOGUE, sizeOpening, type OpeningDesign } from '../src/kinds/opening'
import { beyondSizing } from '../src/kinds/opening/size-it'
import { BALSA } from './deck-hands'

/** Sizing an opening: what holds, at what weight and work, and what has to give when nothing does. */
const THIN: Structure = { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 3 }
const made = (id: string, structure: Structure, more: Record<string, unknown> = {}): OpeningDesign => {
  const spot = {
    zone: null,
    xMm: 1800,
    yMm: 0,
    zMm: 1600,
    structure,
    measured: ['outerMm', 'thicknessMm'],
    edgeMm: null,
    belowWaterline: false,
    duty: 'coastal' as const,
    zones: [],
  }
  const entry = OPENING_CATALOGUE.find((e) => e.id === id)!
  return withChange(opening.start(entry, spot as never, entry.title), more)
}
const decks = { cored: BALSA, thin: THIN }

describe('property: what is proposed holds when it is judged whole, for every entry on either deck', () => {
  it.each(OPENING_CATALOGUE.flatMap((e) => Object.keys(decks).map((deck) => [e.id, deck] as const)))(
    '%s on a %s deck',
    (id, deck) => {
      const d = made(id, decks[deck as keyof typeof decks])
      const p = sizeOpening(d, ALONE)
      expect(p.found).toBe(p.choices.length > 0)
      for (const c of p.choices) {
        const short = opening
          .judge(c.design, ALONE)
          .checks.filter((x) => x.verdict === 'short' && !beyondSizing(x.id))
        expect(short.map((x) => x.id)).toEqual([])
        expect(c.massKg).toBeGreaterThanOrEqual(0)
        expect(c.hours).toBeGreaterThan(0)
      }
      if (!p.found) expect(p.because).toContain(p.remaining[0]!.title)
    },
  )
})

it('of the best few each is better than those before it in something, and says at what', () => {
  const p = sizeOpening(made('CL-P42', BALSA), ALONE)
  expect(p.choices.map((c) => c.title)).toEqual(['as it is', 'corners of 75 mm'])
  expect(p.choices[1]!.hours).toBeLessThan(p.choices[0]!.hours)
  expect(p.choices[1]!.bestAt).toContain('least work')
})
it('a lid that gives under a foot gets a thicker one from stock', () => {
  const p = sizeOpening(made('CL-F45', BALSA), ALONE)
  expect(p.choices[0]!.title).toBe('pane or lid 15 mm')
  expect(p.choices[0]!.massKg).toBeGreaterThan(p.massBeforeKg)
})
it('without a ring in thin laminate one is found', () => {
  const p = sizeOpening(made('CL-V10', THIN, { ring: null }), ALONE)
  expect(p.choices[0]!.design.ring).not.toBeNull()
  expect(p.choices[0]!.title).toContain('a ring of')
})
it('what holds already stays as it is', () => {
  const p = sizeOpening(made('CL-V10', BALSA), ALONE)
  expect([p.choices[0]!.title, p.choices[0]!.design]).toEqual(['as it is', made('CL-V10', BALSA)])
})
it('a pane that no stock is stiff enough for says so, and its maker\u2019s proof lets it pass', () => {
  const d = made('CL-C70', BALSA)
  const p = sizeOpening(d, ALONE)
  expect([p.found, p.because.includes('Pane or lid, stiff enough')]).toEqual([false, true])
  expect(sizeOpening(withChange(d, { 'pane.proof': 'tested at 30 kPa' }), ALONE).found).toBe(true)
})
it('places and readings are left to the fitter, and named', () => {
  const p = sizeOpening(made('CL-V10', BALSA), ALONE)
  expect(p.remaining.map((r) => r.verdict)).toContain('unproven')
  expect(p.remaining.map((r) => r.title)).toContain('Clear of beams and stringers')
})

it('what holds by hand and weakens the deck too far is no proposal, and says so', () => {
  const weak = {
    id: 'cut-skin',
    title: 'Skins round the cut',
    verdict: 'short',
    because: 'too much',
  } as never
  const p = sizeOpening(made('CL-P42', BALSA), ALONE, () => [weak])
  expect(p.found).toBe(false)
  expect(p.because).toContain('weaken the deck round them too far')
  expect(p.remaining).toEqual([{ title: 'Skins round the cut', because: 'too much', verdict: 'short' }])
  const one = sizeOpening(made('CL-P42', BALSA), ALONE, (d) =>
    d.outline.kind === 'rect' && d.outline.cornerMm === 75 ? [] : [weak],
  )
  expect(one.choices.map((c) => c.title)).toEqual(['corners of 75 mm'])
})
