import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  CATALOGUE,
  catalogueEntry,
  formatUse,
  judge,
  judgeWhole,
  startDesign,
  withChange,
  type Design,
  type Structure,
} from '../src'
import { runNamed } from '../src/chapters/registry'
import { ALONE } from '../src'
import { deckHardware } from '../src/kinds/deck-hardware/kind'
import { judgedWithRemedies } from '../src/kinds/registry'
import { Memo } from '../src/kinds/deck-hardware/judgement'
import { parseDesign } from '../src/kinds/deck-hardware/design'

/** What pushes on a deck is judged, and what stands under it is asked for. */
const ROOF: Structure = {
  kind: 'sandwich',
  skin: { laminate: 'mat' },
  outerMm: 3,
  innerMm: 2.5,
  core: { material: 'pvc-130', thicknessMm: 15 },
}
const FULMAR = { displacementKg: 9400, beamM: 3.7, rig: 'steadying' as const }
const on = (id: string, structure: Structure, change: Record<string, unknown> = {}): Design =>
  withChange(
    startDesign(
      catalogueEntry(id)!,
      {
        zone: null,
        xMm: 4600,
        yMm: 0,
        zMm: 2900,
        edgeMm: 300,
        belowWaterline: false,
        structure,
        measured: [],
        duty: 'coastal',
        boat: FULMAR,
      },
      'a step',
    ),
    change,
  )
const PANEL = new Memo({ lengthMm: 620, widthMm: 500 })
const check = (d: Design, id: string) => judge(d, false, undefined, PANEL).checks.find((c) => c.id === id)
const POST = {
  kind: 'post',
  material: 'al-6061',
  lengthMm: 1750,
  section: { outerMm: 60, wallMm: 3 },
  ends: 'pinned',
  head: { lengthMm: 150, widthMm: 120 },
  foot: {
    structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 14 },
    footprint: { lengthMm: 150, widthMm: 150 },
  },
}

describe('a mast step on the wheelhouse roof', () => {
  it('is short by hand: the roof bends under it far past what its skins bear', () => {
    const d = on('HG-MS20', ROOF)
    expect(check(d, 'skin-bending')!.verdict).toBe('short')
    expect(check(d, 'skin-bending')!.utilisation!).toBeGreaterThan(2)
    expect(check(d, 'push-punching-core')!.verdict).toBe('short')
  })
  it('is unproven on the strongest deck until somebody names what stands under it', () => {
    const thick: Structure = { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 40 }
    const j = judge(on('HG-MS20', thick), false, undefined, PANEL)
    expect(j.checks.filter((c) => c.verdict === 'short')).toEqual([])
    expect(j.checks.find((c) => c.id === 'under')).toMatchObject({ verdict: 'unproven', utilisation: null })
    const nothing = judge(on('HG-MS20', thick, { under: { kind: 'nothing' } }), false, undefined, PANEL)
    expect(nothing.checks.find((c) => c.id === 'under')!.verdict).toBe('tight')
  })
  it('on a post down to the bottom it is the post that is judged, and the roof no longer bends', () => {
    const d = on('HG-MS20', ROOF, { under: POST, 'core.school': 'insert' })
    const ids = judge(d, false, undefined, PANEL).checks.map((c) => c.id)
    expect(ids).toEqual(expect.arrayContaining(['push-crush-over-plug', 'post-buckling', 'foot-crush']))
    for (const gone of ['skin-bending', 'push-punching-core', 'under']) expect(ids).not.toContain(gone)
    expect(check(d, 'post-buckling')!.verdict).toBe('holds')
  })
  it('a post that stands on nobody knows what is unproven at its foot', () => {
    const { foot: _, ...bare } = POST
    expect(check(on('HG-MS20', ROOF, { under: bare }), 'foot')!.verdict).toBe('unproven')
  })
  it('its push goes to the plate solver as one press over all of its base', () => {
    const d = on('HG-MS20', ROOF)
    const contact = judge(d).worst.contact!
    expect(contact.deckForceN).toBeCloseTo(judge(d).load.loadN, 3)
    expect(contact.contactFraction).toBeCloseTo(1, 9)
  })
  it('what stands under it is drawn in the section', () => {
    const drawn = (under: unknown) =>
      judgeWhole(on('HG-MS20', ROOF, { under }), 'metric').section.shapes.filter(
        (s) => s.kind === 'area' && s.role === 'under',
      )
    expect(drawn(null)).toEqual([])
    expect(drawn(POST)).toHaveLength(1)
    expect(
      drawn({ kind: 'bulkhead', material: 'plywood', thicknessMm: 18, heightMm: 900, contactMm: 150 }),
    ).toHaveLength(1)
  })
  it('a design that was kept before anybody asked is one of which nobody has said', () => {
    const { under: _u, guesses: _g, ...before } = on('HG-MS20', ROOF)
    expect(parseDesign(before)).toMatchObject({ under: null, guesses: [] })
  })
})

describe('what only pulls is not asked', () => {
  it.each(['HG-C250', 'HG-P60', 'HG-S25'])('%s has no check of a push', (id) => {
    const ids = judge(on(id, ROOF)).checks.map((c) => c.id)
    expect(ids.filter((i) => i.startsWith('push-') || i === 'under' || i === 'skin-bending')).toEqual([])
  })
  it('a ladder step is pushed and pulled: judged for both', () => {
    const ids = judge(on('HG-LD30', ROOF)).checks.map((c) => c.id)
    expect(ids).toEqual(expect.arrayContaining(['punching-core', 'bolt']))
  })
})

describe('push-through in general', () => {
  const of = (over: object) =>
    runNamed('push-through', {
      structure: ROOF,
      base: { lengthMm: 200, widthMm: 160 },
      pushN: 9000,
      panel: { lengthMm: 620, widthMm: 500 },
      ...over,
    }) as { checks: { id: string; utilisation: number | null }[] }
  const use = (o: ReturnType<typeof of>, id: string) => o.checks.find((c) => c.id === id)!.utilisation!
  it('all of it grows in proportion to the push', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 50_000 }), (pushN) => {
        const [one, two] = [of({ pushN }), of({ pushN: 2 * pushN })]
        return one.checks.every(
          (c) => Math.abs(use(two, c.id) - 2 * c.utilisation!) < 1e-9 * (1 + c.utilisation!),
        )
      }),
      { numRuns: 60 },
    )
  })
  it('a larger base, a thicker core and a smaller panel each bend the deck less', () => {
    const now = use(of({}), 'skin-bending')
    expect(use(of({ base: { lengthMm: 260, widthMm: 200 } }), 'skin-bending')).toBeLessThan(now)
    const thick = { ...ROOF, core: { material: 'pvc-130', thicknessMm: 25 } }
    expect(use(of({ structure: thick }), 'skin-bending')).toBeLessThan(now)
    expect(use(of({ panel: { lengthMm: 620, widthMm: 350 } }), 'skin-bending')).toBeLessThan(now)
  })
  it('a longer post buckles sooner, and one with its ends built in later', () => {
    const post = (more: object) => use(of({ under: { ...POST, ...more } }), 'post-buckling')
    expect(post({ lengthMm: 2600 })).toBeGreaterThan(post({}))
    expect(post({ ends: 'fixed' })).toBeLessThan(post({}))
    expect(post({ ends: 'free' })).toBeGreaterThan(post({}))
  })
})

describe('honest figures', () => {
  it.each([
    [0.8949, '0.89'],
    [0.9, '0.90'],
    [0.9004, '0.901'],
    [0.95, '0.95'],
    [1, '1.00'],
    [1.0001, '1.001'],
    [1.004, '1.004'],
    [1.006, '1.01'],
    [12.3, 'over 10'],
    [null, ''],
  ])('%s is shown as "%s": just enough is never mistaken for not enough', (u, said) =>
    expect(formatUse(u)).toBe(said),
  )
  it('the saw that a fitting starts with leaves more wall than is asked, not just enough', () => {
    for (const e of CATALOGUE) {
      const core = judge(on(e.id, ROOF)).checks.find((c) => c.id === 'core-dry')!
      expect([e.id, core.verdict]).toEqual([e.id, 'holds'])
    }
  })
  it('off every surveyed surface the verdict is unproven, unless somebody says why it keeps a deck of its own', () => {
    const thick: Structure = { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 20 }
    expect(judge(on('HG-P60', thick))).toMatchObject({ verdict: 'unproven', governing: 'surface' })
    expect(judge(on('HG-P60', thick, { structureReason: 'a pad of her own' })).verdict).toBe('holds')
  })
})

describe('what would carry a push', () => {
  const BEAM = { kind: 'beam', material: 'softwood', widthMm: 45, heightMm: 40, spanMm: 600, contactMm: 60 }
  const offered = (d: Design, id: string) =>
    deckHardware.tries(d, deckHardware.judge(d, ALONE), ALONE).filter((t) => t.helps.includes(id))
  it('nothing stands under it: beams and posts are offered, each judged for what it gives', () => {
    const d = on('HG-MS20', ROOF)
    expect(judge(d).checks.find((c) => c.id === 'push-punching-core')!.verdict).toBe('short')
    const ids = offered(d, 'push-punching-core').map((t) => t.id)
    expect(ids).toEqual(expect.arrayContaining(['under-beam-70', 'under-beam-120', 'under-post-60']))
    const j = judgedWithRemedies(deckHardware, d, ALONE)
    const shown = j.checks.find((c) => c.id === 'push-punching-core')!.remedies!
    expect(shown.length).toBeGreaterThan(0)
  })
  it('a beam that bends is made deeper, a slender post stiffer, a small rest longer', () => {
    expect(offered(on('HG-MS20', ROOF, { under: BEAM }), 'beam-bending').map((t) => t.text)).toContain(
      'the beam 50 mm high',
    )
    const rod = { ...POST, section: { diameterMm: 20 }, lengthMm: 2500 }
    expect(offered(on('HG-MS20', ROOF, { under: rod }), 'post-buckling').map((t) => t.id)).toEqual([
      'post-60',
      'post-76',
      'post-90',
    ])
    const rest = offered(on('HG-MS20', ROOF, { under: BEAM }), 'push-crush-over-core').map((t) => t.id)
    expect(rest).toEqual(['contact-90', 'contact-120', 'contact-180'])
  })
})
