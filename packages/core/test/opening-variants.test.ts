import { describe, expect, it } from 'vitest'
import {
  ALONE,
  LIFE_STATES,
  NO_WORK,
  partSaid,
  statesFor,
  withChange,
  type Around,
  type BoatPart,
  type BoatZone,
  type Structure,
} from '../src'
import type { Drawing } from '../src/drawing/shapes'
import { judgedWithRemedies } from '../src/kinds/registry'
import { opening as kind, OPENING_CATALOGUE, type OpeningDesign } from '../src/kinds/opening'
import { BALSA } from './deck-hands'

/** Openings of every family on every kind of boat, built in every way: no figure that is shown is none. */
const DECKS: Record<string, Structure> = {
  cored: BALSA,
  foam: {
    kind: 'sandwich',
    skin: { laminate: 'woven' },
    outerMm: 2,
    innerMm: 1.5,
    core: { material: 'pvc-80', thicknessMm: 15 },
  },
  thin: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 3 },
  solid: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 12 },
  aluminium: { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 5 },
  steel: { kind: 'metal', metal: 'mild-steel', thicknessMm: 4 },
  timber: { kind: 'timber', timber: 'softwood', thicknessMm: 25 } as unknown as Structure,
}
const ring = { material: 'glass-sheet', widthMm: 40, thicknessMm: 10 }
const PENTAGON = [
  { xMm: -200, yMm: -150 },
  { xMm: 180, yMm: -160 },
  { xMm: 240, yMm: 20 },
  { xMm: 60, yMm: 190 },
  { xMm: -190, yMm: 150 },
]
const WAYS: Record<string, Record<string, unknown>> = {
  'as it starts': {},
  'bolted through, with a ring': { 'frame.hold': 'bolts', ring, cutMemberMm2: 300 },
  'bonded alone, open core, painted': {
    'frame.hold': 'bond',
    'core.filled': false,
    'core.rakeMm': null,
    'bedding.toBePainted': true,
  },
  'askew, off the middle': { headingDeg: 30, 'place.yMm': 320 },
  'a quarter turn': { headingDeg: 90 },
  'nobody has chosen a sealant': { 'bedding.sealant': null },
  'on tape, in frost': { 'bedding.sealant': 'butyl', 'bedding.tempC': -5, 'bedding.humidityPct': 0 },
  'below the water, watertight': { 'place.belowWaterline': true, 'place.zMm': -200, keeps: 'watertight' },
  'found, and wrong in every way': {
    existing: true,
    findings: ['leaks', 'soft-edge', 'crazed', 'cracked', 'corner-crack', 'gasket-set', 'latch-loose'],
    replaces: 'The old one',
  },
  'an outline of its own': { outline: { kind: 'polygon', points: PENTAGON }, keeps: 'neither' },
  'nobody has measured the deck': { measured: [], offcutMm: null, duty: 'ocean' },
}
const LIDS: Record<string, Record<string, unknown>> = {
  'no gasket': { 'lid.gasket': null },
  'a firm strip, a light rim, latches unknown': {
    'lid.gasket': 'strip-firm',
    'lid.rim': 'light',
    'lid.latch': null,
  },
  'in a gale, latched both sides, with stops': {
    'lid.windKn': 70,
    'lid.back': 'latches',
    'lid.stops': { clearanceMm: 4, overlapMm: 6 },
    'lid.stepMm': 14,
  },
  'no pane in it': { pane: null },
  watertight: { keeps: 'watertight', 'lid.latches': 8, 'lid.rim': 'stiff' },
}
const PANES: Record<string, Record<string, unknown>> = {
  'on a bead, screwed, of polycarbonate': {
    'pane.material': 'polycarbonate',
    'pane.beadMm': 5,
    'pane.sealant': 'silicone-neutral',
    'pane.screws': { screwMm: 4, edgeMm: 14 },
  },
  'on a bead of what cannot move': { 'pane.beadMm': 3, 'pane.sealant': 'epoxy-filled' },
  'of glass, clamped': { 'pane.material': 'toughened-glass', 'pane.clamped': true },
  'proved by its maker': { 'pane.proof': 'tested to 30 kPa' },
}
const DECK: BoatZone = {
  code: 'foredeck',
  title: 'Foredeck',
  face: 'deck',
  kind: 'sandwich',
  zMm: 1600,
  outline: [
    { xMm: 300, yMm: -1800 },
    { xMm: 6000, yMm: -1800 },
    { xMm: 6000, yMm: 1800 },
    { xMm: 300, yMm: 1800 },
  ],
  stacking: 1,
  reach: '',
  state: '',
  layers: [],
}
const SIDE: BoatZone = {
  ...DECK,
  code: 'topsides',
  title: 'Topsides',
  face: 'topsides',
  outline: [
    { xMm: 300, yMm: 0 },
    { xMm: 9000, yMm: 0 },
    { xMm: 9000, yMm: 2600 },
    { xMm: 300, yMm: 2600 },
  ],
}
const part = (more: Partial<BoatPart>): BoatPart => ({
  id: 1,
  kind: 'beam',
  title: 'Beam',
  x0Mm: 1500,
  x1Mm: 1500,
  y0Mm: -1,
  y1Mm: 1,
  ...more,
})
const PARTS = [
  part({}),
  part({ x0Mm: 2500, x1Mm: 2500, widthMm: 30 }),
  part({ kind: 'longitudinal', title: 'Stringer', x0Mm: 300, x1Mm: 6000, y0Mm: 420, y1Mm: 420 }),
  part({ kind: 'knee', title: 'Knee', x0Mm: 2300, x1Mm: 2300, y0Mm: 900, y1Mm: 1400 }),
  part({ kind: 'cable', title: 'Cable', x0Mm: 300, x1Mm: 6000, y0Mm: 0, y1Mm: 0 }),
]
const AROUND: Record<string, Around> = {
  'on deck between members': { ...ALONE, zones: [DECK], parts: PARTS },
  'nothing known round it': ALONE,
}
const started = (id: string, structure: Structure, zone: BoatZone | null = DECK): OpeningDesign => {
  const spot = {
    zone: zone?.code ?? null,
    xMm: 2000,
    yMm: 0,
    zMm: 1500,
    structure,
    measured: ['thicknessMm'],
    edgeMm: null,
    belowWaterline: false,
    duty: 'coastal',
    zones: zone ? [zone] : [],
  }
  return kind.start(
    OPENING_CATALOGUE.find((e) => e.id === id)!,
    spot as never,
    `${id}, tried`,
  )
}
const bad = (v: unknown, path = ''): string[] =>
  typeof v === 'number'
    ? Number.isFinite(v)
      ? []
      : [path]
    : v !== null && typeof v === 'object'
      ? Object.entries(v).flatMap(([k, x]) => bad(x, `${path}.${k}`))
      : []

const inside = (b: Drawing['bounds'], p: { x: number; y: number }) =>
  p.x >= b.minX - 1e-6 && p.x <= b.maxX + 1e-6 && p.y >= b.minY - 1e-6 && p.y <= b.maxY + 1e-6

/** All that a bench, a card and a shop are given of one: finite, in words, within its bounds. */
function wholeOf(d: OpeningDesign, a: Around) {
  const j = kind.judge(d, a)
  expect(bad(j)).toEqual([])
  expect(new Set(j.checks.map((c) => c.id)).size).toBe(j.checks.length)
  for (const c of j.checks) expect(c.because, c.id).toMatch(/^[A-Z\u201c0-9a-z].*\S$/s)
  for (const units of ['metric', 'inch'] as const) {
    const drawn = [
      ...kind.drawings(d, j, units).map((x) => x.drawing),
      ...kind.templates(d, j).flatMap((w) => [true, false].map((i) => kind.template(d, j, w, units, i))),
    ]
    const outside = drawn.flatMap((g) =>
      g.shapes
        .flatMap((s) => ('points' in s ? s.points : [s.at]))
        .filter((p) => !inside(g.bounds, p))
        .map((p) => `${g.title}: ${p.x}, ${p.y}`),
    )
    expect(outside).toEqual([])
    const words = [
      ...kind.steps(d, j, units, NO_WORK).map((s) => s.text),
      ...kind.parts(d, j).flatMap((p) => Object.values(partSaid(p, units))),
      ...kind.card(d, j, { ...a, units }).flatMap((b) => b.lines),
      kind.orderList!(d, j),
    ].join('\n')
    expect(words).not.toMatch(/NaN|undefined|null|Infinity|\[object/)
  }
  const states = kind.steps(d, j, 'metric', NO_WORK).flatMap((s) => statesFor(s, 'opening'))
  expect(states.map((x) => LIFE_STATES.indexOf(x))).toEqual(
    states.map((x) => LIFE_STATES.indexOf(x)).sort((x, y) => x - y),
  )
  expect(bad(kind.drill(d, j))).toEqual([])
  return j
}

describe.each(Object.entries(DECKS))('openings on a deck that is %s', (_, structure) => {
  it.each(Object.entries(WAYS))('%s: is told whole, for every family', (_w, change) => {
    for (const e of OPENING_CATALOGUE)
      for (const a of Object.values(AROUND)) wholeOf(withChange(started(e.id, structure), change), a)
  })
})
describe('what closes them', () => {
  const lidded = OPENING_CATALOGUE.filter((e) => e.lid)
  it.each(Object.entries(LIDS))('a lid: %s', (_, change) => {
    for (const e of lidded)
      wholeOf(withChange(started(e.id, BALSA), change), AROUND['nothing known round it']!)
  })
  it.each(Object.entries(PANES))('a pane %s', (_, change) => {
    for (const e of OPENING_CATALOGUE.filter((x) => x.pane))
      wholeOf(withChange(started(e.id, DECKS.solid!), change), AROUND['on deck between members']!)
  })
})
describe('where they stand', () => {
  it.each(['deck', 'roof', 'topsides', 'bulkhead'])(
    'on a %s the sea is guessed, and room is asked',
    (face) => {
      const zone = face === 'topsides' ? SIDE : { ...DECK, face, code: face, title: face }
      const d = started('CL-P60F', DECKS.solid!, zone)
      const j = wholeOf(d, { ...ALONE, zones: [zone], parts: PARTS })
      const flat = face === 'deck' || face === 'roof'
      expect(j.checks.some((c) => c.id === 'room-member')).toBe(flat)
      expect(d.sea).toBe(
        { deck: 'cockpit', roof: 'coachroof', topsides: 'topside', bulkhead: 'cockpit' }[face],
      )
    },
  )
  it('in the place of another it takes its outline, and a hole that is found is one that is there', () => {
    const old = started('CL-I15', BALSA)
    const d = kind.inPlaceOf!(started('CL-V10', BALSA), old)
    expect([d.outline, d.replaces]).toEqual([old.outline, old.name])
    expect(kind.placed!(d, { holeMm: 110 }).existing).toBe(true)
    expect(kind.placed!(d, {}).existing).toBe(false)
  })
  it('copied to the other side of the hull it keeps its side; on deck it asks what lies there', () => {
    const side = started('CL-P60F', DECKS.solid!, SIDE)
    const how = { mirror: true, xMm: 0, yMm: 0, name: 'twin' }
    const moved = { ...side, place: { ...side.place, yMm: 1500 } }
    expect(kind.copy!(moved, how, [SIDE, DECK]).place).toMatchObject({ zone: 'topsides', yMm: -1500 })
    const own = withChange(started('CL-H52', BALSA), {
      outline: { kind: 'polygon', points: PENTAGON },
      headingDeg: 20,
    })
    const twin = kind.copy!(own, { ...how, mirror: false, xMm: 90000, yMm: 0 }, [DECK])
    expect([twin.place.zone, twin.headingDeg]).toEqual([null, 20])
    const back = kind.copy!(own, how, [DECK])
    expect([back.headingDeg, (back.outline as { points: object[] }).points.length]).toEqual([-20, 5])
  })
  it('a deck measured anew is taken over where it is asked', () => {
    const zone: BoatZone = {
      ...DECK,
      layers: [
        { material: 'mat', thicknessMm: 5, measured: true, measuredBy: 'plug' },
        { material: 'balsa-150', thicknessMm: 12, measured: true, measuredBy: 'plug' },
        { material: 'mat', thicknessMm: 3, measured: true, measuredBy: 'plug' },
      ],
    }
    const d = started('CL-H52', BALSA)
    const changed = kind.changed!(d, [zone])!
    expect(changed.changes.join()).toContain('outer skin 4 mm is 5 mm now')
    expect(kind.asSurveyed!(d, [zone]).structure).toMatchObject({ outerMm: 5 })
    expect(kind.changed!(kind.asSurveyed!(d, [zone]), [zone])).toBeNull()
  })
  it('every remedy that is offered is judged, and gives what it says', () => {
    const wrong = { 'outline.cornerMm': 5, 'core.filled': false, 'pane.thicknessMm': 5, 'frame.pitchMm': 150 }
    const d = withChange(started('CL-H52', BALSA), { ...wrong, 'lid.rim': 'none', 'lid.gasket': null })
    const j = judgedWithRemedies(kind as never, d as never, AROUND['on deck between members']!)
    const offered = j.checks.flatMap((c) => c.remedies.map((r) => ({ c, r })))
    expect(offered.length).toBeGreaterThan(5)
    for (const { c, r } of offered) {
      const after = kind.judge(withChange(d, r.change), AROUND['on deck between members']!)
      expect(after.checks.find((x) => x.id === c.id)?.verdict ?? 'holds', r.text).toBe(r.verdict)
    }
  })
})
