import { describe, expect, it } from 'vitest'
import {
  ALONE,
  CATALOGUE,
  LIFE_STATES,
  NO_WORK,
  boltInHole,
  partSaid,
  staleParts,
  stepTakes,
  withChange,
  type Design,
  type Structure,
} from '../src'
import { deckHardware as kind } from '../src/kinds/deck-hardware/kind'
import { judgedWithRemedies } from '../src/kinds/registry'
import { BALSA, deckFit } from './deck-hands'

/** Deck hardware on every kind of deck, built in every way: no figure that is shown is none. */
const skin = { laminate: 'woven' as const }
const DECKS: Record<string, Structure> = {
  cored: BALSA,
  'thin foam': {
    kind: 'sandwich',
    skin,
    outerMm: 1.5,
    innerMm: 1.2,
    core: { material: 'pvc-80', thicknessMm: 10 },
  },
  plywood: {
    kind: 'sandwich',
    skin,
    outerMm: 4.7625,
    innerMm: 3.175,
    core: { material: 'plywood', thicknessMm: 12.7 },
  },
  solid: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 9 },
  aluminium: { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 5 },
  steel: { kind: 'metal', metal: 'mild-steel', thicknessMm: 4 },
  timber: { kind: 'timber', timber: 'softwood', thicknessMm: 25 } as unknown as Structure,
}
const WAYS: Record<string, Record<string, unknown>> = {
  'as it starts': {},
  'no plate': { plate: null },
  'large washers, bolts part-threaded': { plate: null, 'bolt.nutWasher': 'large', 'bolt.partThreaded': true },
  'two nuts, no paste, a torque of his own': {
    'bolt.nut': 'double-hex',
    'bolt.paste': false,
    'bolt.torqueNm': 12,
  },
  'pads and an uneven deck': { padsMm: [0, 6], unevenMm: [0, 2.5] },
  'painted over, sealed inside, in two steps': {
    'bedding.toBePainted': true,
    'schools.inside': 'seal-inside',
    'schools.bead': 'bead-on-structure',
    'bedding.sealant': 'polysulfide',
    'bedding.tightening': 'two-step',
  },
  'nobody has chosen a sealant': { 'bedding.sealant': null },
  freezing: { 'bedding.tempC': -6, 'bedding.humidityPct': 0, 'bedding.sealant': 'pu-medium' },
  'a second load': {
    cases: [{ name: 'Aback', load: { basis: 'rated', ratedN: 900, elevationDeg: 45, azimuthDeg: 200 } }],
  },
  'found and never looked behind': {
    existing: true,
    unseen: ['plate', 'plug', 'washer'],
    findings: ['loose'],
  },
  'under the water': { 'place.belowWaterline': true, wetness: 'immersed', 'bedding.sealant': 'pu-permanent' },
}
const CORES: Record<string, Record<string, unknown>> = {
  reefed: { 'core.school': 'reef', 'core.boreMm': null, 'core.undercutMm': 8 },
  'with an insert': { 'core.school': 'insert', 'core.boreMm': null },
  'with a solid insert, drawn': {
    'core.school': 'insert',
    'core.boreMm': null,
    'core.insertMaterial': 'epoxy-plug',
    'core.insert': { lengthMm: 320, widthMm: 120, bedMm: 1 },
  },
  'wall sealed': { 'core.school': 'seal-wall', 'core.boreMm': null, 'core.lightLoad': true },
  'torn out': { 'core.torn': true, 'core.chamferMm': null },
}
const finite = (value: unknown, path = ''): string[] =>
  typeof value === 'number'
    ? Number.isFinite(value)
      ? []
      : [path]
    : value !== null && typeof value === 'object'
      ? Object.entries(value).flatMap(([k, v]) => finite(v, `${path}.${k}`))
      : []

function whole(d: Design) {
  const j = judgedWithRemedies(kind, d, ALONE) as ReturnType<typeof kind.judge>
  const said: unknown[] = [
    j,
    kind.penetrations(d, j, 'metric'),
    kind.footprint(d),
    kind.drill(d, j),
    kind.card(d, j, ALONE),
  ]
  for (const units of ['metric', 'inch'] as const) {
    const steps = kind.steps(d, j, units, NO_WORK)
    said.push(
      steps,
      kind.drawings(d, j, units),
      kind.parts(d, j).map((p) => partSaid(p, units)),
    )
    for (const what of kind.templates(d, j)) said.push(kind.template(d, j, what, units, true))
    for (const s of steps) {
      expect(s.text.trim(), s.id).not.toBe('')
      expect(stepTakes(s), s.id).not.toMatch(/NaN|undefined|null/)
      for (const states of Object.values(s.records))
        for (const x of states ?? []) expect(LIFE_STATES).toContain(x)
      for (const need of [...s.needs, ...(s.after ? [s.after.step] : [])])
        expect(
          steps.map((x) => x.id),
          `${s.id} waits for ${need}`,
        ).toContain(need)
    }
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length)
  }
  expect(finite(said)).toEqual([])
  expect(JSON.stringify(said)).not.toMatch(/undefined|\bNaN\b/)
  return j
}

describe.each(Object.entries(DECKS))('on %s', (deck, structure) => {
  const ways = Object.entries({ ...WAYS, ...(structure.kind === 'sandwich' ? CORES : {}) })
  it.each(ways)('%s', (way, change) => {
    for (const id of ['HG-C200', 'HG-WL10', 'HG-TR10']) {
      const d = withChange(deckFit(id, structure), change)
      const j = whole(d)
      expect(j.checks.length, `${id} on ${deck}, ${way}`).toBeGreaterThan(3)
    }
  })
})

describe('what is bought, and what fits a hole', () => {
  it('parts bought for another stack are stale, and those for this one are not', () => {
    const d = deckFit('HG-C250')
    const j = judgedWithRemedies(kind, d, ALONE) as ReturnType<typeof kind.judge>
    const what = kind.orderList!(d, j)
    expect(staleParts({ bought: { at: '', by: '', what } }, d, j)).toBeNull()
    expect(staleParts({ bought: null }, d, j)).toBeNull()
    const thicker = withChange(d, { 'plate.thicknessMm': 15 })
    const now = kind.judge(thicker, ALONE)
    expect(staleParts({ bought: { at: '', by: '', what } }, thicker, now)!.wanted).toContain('15 mm')
  })
  it('a hole that is wide takes the next bolt, where there is one', () => {
    const d = deckFit('HG-C250')
    expect(boltInHole(d, 9)).toMatchObject({ odMm: expect.any(Number) })
    for (const e of CATALOGUE)
      for (const mm of [4, 9, 14, 40]) expect(finite(boltInHole(deckFit(e.id), mm)), e.id).toEqual([])
  })
})

describe('an inch shop', () => {
  const d = deckFit('HG-C6I')
  it('cuts from its own rack, to quarters, and lays its bead to sixteenths', () => {
    expect(d.stock).toBe('inch')
    const inch = (mm: number) => mm / 25.4
    expect(inch(d.plate!.thicknessMm)).toBeCloseTo(3 / 8, 9)
    for (const mm of [d.plate!.lengthMm, d.plate!.widthMm])
      expect(4 * inch(mm)).toBeCloseTo(Math.round(4 * inch(mm)), 9)
    expect(inch(d.plate!.bedGapMm)).toBeCloseTo(1 / 16, 9)
  })
  it('a larger bolt gets its own plate, by the rule of thumb a bolt thick', () => {
    const start = (size: string) =>
      kind.start(
        { ...CATALOGUE.find((e) => e.id === 'HG-B160')!, sizes: [size] } as never,
        {
          zone: null,
          xMm: 0,
          yMm: 0,
          zMm: 0,
          edgeMm: null,
          structure: BALSA,
          measured: [],
          duty: 'coastal',
          belowWaterline: false,
          zones: [],
          boat: { displacementKg: 9000, beamM: 3, rig: null, units: 'inch' },
        },
        'bitt',
      ).plate!.thicknessMm / 25.4
    expect(start('5/8-11')).toBeCloseTo(5 / 8, 9)
    expect(start('3/4-10')).toBeCloseTo(3 / 4, 9)
  })
})

describe('a bolt over the counter', () => {
  it('is asked for in fractions of an inch, and what was bought before under decimals is the same bolt', () => {
    const d = deckFit('HG-C6I')
    const j = kind.judge(d, ALONE)
    const what = kind.orderList!(d, j)
    expect(what).toMatch(/1\/4-20 \u00d7 \d+( \d\/\d)? in/)
    const decimals = what.replace(
      /(\d+) (\d)\/(\d) in/g,
      (_, w: string, a: string, b: string) => `${Number(w) + Number(a) / Number(b)} in`,
    )
    expect(decimals).toMatch(/\d\.\d+ in/)
    expect(staleParts({ bought: { at: '', by: '', what: decimals } }, d, j)).toBeNull()
  })
})
