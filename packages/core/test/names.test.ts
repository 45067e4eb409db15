import { describe, expect, it } from 'vitest'
import {
  ALONE,
  CATALOGUE,
  CHECK_NAMES,
  NO_WORK,
  STEP_NAMES,
  checkNamed,
  stepNamed,
  withChange,
  type Design,
} from '../src'
import { deckHardware } from '../src/kinds/deck-hardware/kind'
import { DECK_FINDINGS } from '../src/kinds/deck-hardware/findings'
import { OPENING_FINDINGS } from '../src/kinds/opening/findings'
import { opening } from '../src/kinds/opening/kind'
import { throughHull } from '../src/kinds/through-hull/kind'
import { FINDINGS } from '../src/kinds/through-hull/findings'
import { BALSA, deckFit } from './deck-hands'

/** Lists and logs call checks and steps by their names, never by ids. */
const METAL = { kind: 'metal' as const, metal: 'aluminium-5083' as const, thicknessMm: 5 }
const SOLID = { kind: 'solid' as const, skin: { laminate: 'mat' as const }, thicknessMm: 9 }
const WAYS: Record<string, unknown>[] = [
  {},
  { plate: null },
  { 'hold.way': 'tapped' },
  { 'hold.way': 'bonded' },
  { plate: null, 'hold.way': 'nut-in-epoxy' },
  { plate: null, 'hold.way': 'plastic', 'hold.block': { material: 'polycarbonate', thicknessMm: 20 } },
  { 'bolt.torqueNm': 30, 'place.zone': null, 'place.edgeMm': null },
  { 'core.school': 'insert', 'core.boreMm': null, existing: true, unseen: ['plate'] },
  {
    'plate.sheets': 2,
    replaces: 'Old one',
    'bedding.toBePainted': true,
    'bedding.sealant': 'hybrid',
    'bedding.tightening': 'two-step',
  },
]
const deck: Design[] = CATALOGUE.flatMap((e) =>
  [BALSA, SOLID, METAL].flatMap((s) =>
    WAYS.filter((w) => !('core.school' in w) || s === BALSA).map((w) => {
      const d = deckFit(e.id, s)
      return withChange(
        d,
        d.plate ? w : Object.fromEntries(Object.entries(w).filter(([k]) => !k.startsWith('plate.'))),
      )
    }),
  ),
)
const hulls = throughHull.catalogue.flatMap((e) =>
  [-400, 200].flatMap((zMm) =>
    (
      [
        {},
        { 'wedge.blocks': 'both' },
        { 'hold.method': 'through' },
        { 'bedding.flange': 'epoxy-filled' },
        { 'hull.kind': 'aluminium' },
      ] as Record<string, unknown>[]
    ).map((w) => {
      const spot = {
        zone: 'bottom',
        xMm: 5000,
        yMm: 400,
        zMm,
        structure: BALSA,
        measured: [],
        edgeMm: null,
        belowWaterline: zMm < 0,
        duty: 'coastal' as const,
        zones: [],
      }
      return withChange(throughHull.start(e, spot, e.id), w)
    }),
  ),
)
const openings = opening.catalogue.flatMap((e) =>
  [BALSA, SOLID, METAL, { ...SOLID, thicknessMm: 3 }].flatMap((structure) =>
    (
      [
        {},
        { 'frame.hold': 'bolts', 'bedding.toBePainted': true },
        { 'core.filled': false, cutMemberMm2: 1200, findings: ['leaks'] },
      ] as Record<string, unknown>[]
    ).map((w) => {
      const spot = {
        zone: null,
        xMm: 4000,
        yMm: 400,
        zMm: 900,
        structure,
        measured: [],
        edgeMm: null,
        belowWaterline: false,
        duty: 'coastal' as const,
        zones: [],
      }
      return withChange(opening.start(e, spot, e.id), w)
    }),
  ),
)
const judged = [
  ...openings.map((d) => ({
    id: d.name,
    j: opening.judge(d, ALONE),
    steps: () => opening.steps(d, opening.judge(d, ALONE), 'metric', NO_WORK),
  })),
  ...deck.map((d) => ({
    id: d.catalogueId,
    j: deckHardware.judge(d, ALONE),
    steps: () => deckHardware.steps(d, deckHardware.judge(d, ALONE), 'metric', NO_WORK),
  })),
  ...hulls.map((d) => ({
    id: d.name,
    j: throughHull.judge(d, ALONE),
    steps: () => throughHull.steps(d, throughHull.judge(d, ALONE), 'metric', NO_WORK),
  })),
]

describe('names', () => {
  it('every check that either kind makes has one', () => {
    const without = new Set(
      judged.flatMap(({ j }) => j.checks.map((c) => c.id)).filter((id) => !CHECK_NAMES[id]),
    )
    expect([...without]).toEqual([])
  })
  it('every finding that counts as a check has one', () => {
    for (const f of [...DECK_FINDINGS, ...FINDINGS, ...OPENING_FINDINGS])
      expect(CHECK_NAMES[`found-${f.id}`], f.id).toBe(f.title)
  })
  it('every step that is ticked has one', () => {
    const some = judged.filter((_, i) => i % 3 === 0)
    const without = new Set(some.flatMap((x) => x.steps().map((s) => s.id)).filter((id) => !STEP_NAMES[id]))
    expect([...without]).toEqual([])
  })
  it('none is an id in disguise, and one that nobody knows is said in its own words', () => {
    for (const [id, name] of Object.entries({ ...CHECK_NAMES, ...STEP_NAMES })) {
      expect(name, id).toMatch(/^\S.*\S$/)
      expect(name, id).not.toMatch(/[a-z][A-Z]|_|\b[a-z]+-[a-z]+-[a-z]+\b(?<!squeeze-out)/)
    }
    expect([checkNamed('no-such-thing'), stepNamed('no-such-thing')]).toEqual([
      'no such thing',
      'no such thing',
    ])
    expect(checkNamed('punching-core')).toBe(CHECK_NAMES['punching-core'])
  })
})
