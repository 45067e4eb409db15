import { describe, expect, it } from 'vitest'
import {
  CATALOGUE,
  QUESTIONS,
  fieldAround,
  judge,
  massOf,
  patchFor,
  refusedHere,
  ruleBeside,
  sizeIt,
  spreadSaid,
  stepsOf,
  takeWet,
  withChange,
  withHabits,
  withSolver,
  rank,
  type Design,
} from '../src'
import { deckPatchInput, deckPatchOf } from '../src/chapters/plate/deck-patch'
import { questionFor, solverChecks } from '../src/kinds/deck-hardware/solver'
import { BALSA } from './deck-hands'
import { METAL, beams, fit, zone } from './bench-hands'

describe('spread', () => {
  const d = fit('HG-C250', BALSA, { 'place.yMm': -525 })
  const field = fieldAround(d, zone, beams)
  it('lies between the stiffeners that do not run under the fitting', () => {
    expect([field.minX, field.maxX, field.minY, field.maxY]).toEqual([-310, 310, -225, 225])
    expect(fieldAround(withChange(d, { 'place.xMm': 1240 }), zone, beams).under).toEqual([
      { axis: 'x', atMm: 0, title: 'deck beam at x 1240' },
    ])
    expect(fieldAround(d, null, []).assumed).toHaveLength(4)
  })
  it('hands on all that pulls and all that the deck pushes back, and the plate takes the deflection down', () => {
    const j = judge(d)
    const input = patchFor(d, j, field)
    const sum = input.loads!.reduce((s, l) => s + l.forceN, 0)
    expect(sum).toBeCloseTo(j.worst.direction.outN, 0)
    const small = (i: typeof input) => deckPatchOf(deckPatchInput.parse({ ...i, mesh: { nx: 16, ny: 16 } }))
    const [plate, bare] = [small(input), small(patchFor(d, j, field, false))]
    expect(plate.totalReactionN).toBeCloseTo(-sum, 0)
    expect(Math.abs(plate.maxDeflectionMm)).toBeLessThan(Math.abs(bare.maxDeflectionMm))
    const said = spreadSaid(d, j, plate, field, input)
    expect(said.checks.map((c) => c.id)).toEqual([
      'spread-skin-outer',
      'spread-skin-inner',
      'spread-core-shear',
    ])
    // Ten times the pull bends the skins past what they may: only the solver sees it, and says so.
    const hard = small({ ...input, loads: input.loads!.map((l) => ({ ...l, forceN: 10 * l.forceN })) })
    expect(spreadSaid(d, j, hard, field, input).warning).toContain('no hand check sees that')
    const soft = small({ ...input, loads: input.loads!.map((l) => ({ ...l, forceN: 0.05 * l.forceN })) })
    expect(spreadSaid(d, j, soft, field, input)).toMatchObject({ warning: null, verdict: 'holds' })
    const b = said.beside[0]!
    expect(b.believe === null).toBe(Math.abs(b.solver - b.hand) / b.hand <= 0.25)
  })
  it('judges the plating of a metal deck on its yield', () => {
    const m = fit('HG-LP90', METAL)
    const j = judge(m)
    const f = fieldAround(m, null, beams)
    const input = patchFor(m, j, f, true, 12)
    const patch = deckPatchOf(deckPatchInput.parse(input))
    expect(spreadSaid(m, j, patch, f, input).checks.map((c) => c.id)).toEqual(['spread-skin'])
  })
  it('reads stress off the edges of the plate, so that a finer mesh hardly moves it, and not at them, where it does', () => {
    const j = judge(d)
    const read = (n: number) => {
      const input = patchFor(d, j, field, true, n)
      const patch = deckPatchOf(deckPatchInput.parse(input))
      return {
        off: spreadSaid(d, j, patch, field, input).checks[0]!.demand!,
        at: Math.abs(patch.outerSkin.stressMPa),
      }
    }
    const [coarse, fine] = [read(24), read(64)]
    expect(Math.abs(fine.off / coarse.off - 1)).toBeLessThan(0.12)
    expect(fine.off).toBeLessThan(fine.at)
  })
  it('is held by a member that runs under it: less deflection, and the members and edges carry the whole pull', () => {
    const over = withChange(d, { 'place.xMm': 1240 })
    const j = judge(over)
    const f = fieldAround(over, zone, beams)
    const input = patchFor(over, j, f, true, 16)
    const [held, left] = [
      deckPatchOf(deckPatchInput.parse(input)),
      deckPatchOf(deckPatchInput.parse({ ...input, supports: [] })),
    ]
    expect(Math.abs(held.maxDeflectionMm)).toBeLessThan(0.5 * Math.abs(left.maxDeflectionMm))
    expect(held.totalReactionN).toBeCloseTo(left.totalReactionN, 0)
    expect(() =>
      deckPatchOf(deckPatchInput.parse({ ...input, supports: [{ axis: 'x', atMm: 1e4 }] })),
    ).toThrow(/panel/)
  })
  it('two spans over a stiff member bend as clamped beams that lean on each other', () => {
    // A long strip under even pressure over two spans: the middle reaction takes 10/8 of q\u00b7l
    // (Clapeyron), so each edge 3/8.
    const strip = deckPatchInput.parse({
      panel: { aMm: 800, bMm: 4000 },
      edges: { x0: 'simple', x1: 'simple', y0: 'free', y1: 'free' },
      layup: { kind: 'solid', tMm: 8, eMPa: 10000, nu: 0 },
      pressureMPa: 0.001,
      supports: [{ axis: 'x', atMm: 400 }],
      mesh: { nx: 40, ny: 10 },
      fields: true,
    })
    const p = deckPatchOf(strip)
    const l = 400
    const w = (0.0054 * 0.001 * l ** 4) / ((10000 * 8 ** 3) / 12)
    expect(p.maxDeflectionMm / w).toBeCloseTo(1, 1)
    expect(p.totalReactionN).toBeCloseTo(-0.001 * 800 * 4000, 0)
  })
})

describe('the solver in the verdict', () => {
  it('a judgement with the solver\u2019s checks is no better than the worst of both', () => {
    // A small boat: her weight is borne by every hand check.
    const m = fit('HG-LP90', METAL, { 'load.massKg': 2600 })
    const j = judge(m)
    const both = withSolver(j, { checks: solverChecks(null, beams)(m, j) })
    expect(both.checks).toHaveLength(j.checks.length + 1)
    expect(rank(both.verdict)).toBeLessThanOrEqual(rank(j.verdict))
    // Lifted in the middle of unsupported 4 mm plating it is short, though every hand check holds.
    expect(j.verdict).not.toBe('short')
    expect(both).toMatchObject({ verdict: 'short', governing: 'spread-skin' })
  })
  it('the same design has the same question, and a beam nearer by asks another', () => {
    const c = fit('HG-C250')
    const j = judge(c)
    const nearer = beams.map((b) => ({ ...b, x0Mm: b.x0Mm + 40, x1Mm: b.x1Mm + 40 }))
    expect(questionFor(structuredClone(c), judge(structuredClone(c)), null, beams).key).toBe(
      questionFor(c, j, null, beams).key,
    )
    expect(questionFor(c, j, null, nearer).key).not.toBe(questionFor(c, j, null, beams).key)
  })
  it.each(
    CATALOGUE.filter((c) => ['cleat', 'stanchion', 'winch', 'pad-eye'].includes(c.family)).map((c) => c.id),
  )('Size it proposes nothing for %s that the solver calls short', (id) => {
    const ask = solverChecks(null, beams)
    const p = sizeIt(fit(id), undefined, null, ask)
    if (!p.found) expect(p.because).toMatch(/^Nothing passes/)
    for (const c of p.choices)
      expect(ask(c.design, judge(c.design)).map((k) => k.verdict)).not.toContain('short')
    expect(p.choices.length > 0).toBe(p.found)
  })
})

describe('size it, the best few', () => {
  it('proposes nothing that any check calls short: a place too near an edge is settled first', () => {
    const p = sizeIt(fit('HG-C250', undefined, { 'place.edgeMm': 12 }))
    expect(p).toMatchObject({ found: false, choices: [], design: null })
    expect(p.because).toMatch(/^Nothing passes: .* the nearest still fails at /)
    expect(p.remaining.map((r) => r.verdict)).toEqual(p.remaining.map(() => 'short'))
  })
  it.each(['HG-C250', 'HG-B160', 'HG-W200', 'HG-LP90', 'HG-TR4I'])(
    '%s: none that any check calls short, lightest first in its school, no one beaten in everything',
    (id) => {
      const p = sizeIt(fit(id))
      expect(p.found).toBe(true)
      for (const c of p.choices) {
        const j = judge(c.design)
        expect(
          j.checks.filter(
            (k) => k.verdict === 'short' && !['edge-distance', 'spacing', 'sealant'].includes(k.id),
          ),
          c.title,
        ).toEqual([])
        expect(c.massKg).toBeCloseTo(massOf(c.design, j), 9)
        expect(c.hours).toBeGreaterThan(0)
      }
      const cost = { low: 0, middle: 1, high: 2 }
      for (const a of p.choices.slice(1))
        for (const b of p.choices)
          if (a !== b)
            expect(
              b.massKg < a.massKg &&
                cost[b.cost] <= cost[a.cost] &&
                b.underDeckMm <= a.underDeckMm &&
                b.hours <= a.hours,
            ).toBe(false)
    },
  )
})

describe('schools', () => {
  const d = fit('HG-C250')
  it('each answer to each question changes the design or is refused with a reason, and can be told again', () => {
    for (const q of QUESTIONS)
      for (const s of q.schools) {
        const why = refusedHere(s, d)
        if (why) expect(why.length).toBeGreaterThan(10)
        else expect(q.of(withChange(d, q.take(s, d)))).toBe(s)
      }
  })
  it('the yard\u2019s habit is taken where it may be and left where it is refused', () => {
    expect(withHabits(d, { bedding: 'tube', tightening: 'two-step', core: 'seal-wall' })).toMatchObject({
      bedding: { tightening: 'two-step' },
      core: { school: 'bore-fill' },
    })
    expect(withHabits(fit('HG-LP90', METAL), { core: 'insert' }).core.school).toBe('none')
  })
  it('a wet core is a decision of its own, and stands first in the steps', () => {
    for (const id of ['wet-insert', 'wet-recore', 'wet-dry-out'] as const) {
      const x = withChange(d, takeWet(id))
      expect(stepsOf(x, judge(x), 'metric')[1]!.id).toBe('wet-core')
      expect(x.core.school).toBe(id === 'wet-insert' ? 'insert' : d.core.school)
    }
    expect(stepsOf(d, judge(d), 'metric').map((s) => s.id)).not.toContain('wet-core')
  })
  it('a school changes the steps', () => {
    const text = (x: Design) =>
      stepsOf(x, judge(x), 'metric')
        .map((s) => s.text)
        .join(' ')
    expect(text(withChange(d, { 'schools.inside': 'seal-inside' }))).toContain('will then not show')
    expect(text(withChange(d, { 'bedding.sealant': 'hybrid', 'bedding.tightening': 'two-step' }))).toContain(
      'last part-turn',
    )
    expect(text(d)).not.toContain('last part-turn')
  })
  it('the rule of thumb makes its plate, and the difference is explained', () => {
    const rule = withChange(d, QUESTIONS.find((q) => q.id === 'plate')!.take('rule', d))
    expect(judge(rule).plate!.rule).toMatchObject({ thicknessMet: true, reachMet: true })
    expect(ruleBeside(d, judge(d), 'metric')!.why.length).toBeGreaterThan(20)
  })
})
