import { describe, expect, it } from 'vitest'
import {
  EXAMPLES,
  YARD_FIELDS,
  YARD_TABLES,
  catalogueEntry,
  inputWithYard,
  judge,
  startDesign,
  tableValue,
  withChange,
  yardUnit,
  type Check,
  type Design,
  type YardKind,
  type YardValue,
} from '../src'
import { CALCULATORS, runNamed } from '../src/chapters/registry'

const deck = {
  kind: 'sandwich',
  skin: { laminate: 'mat' },
  outerMm: 4,
  innerMm: 3,
  core: { material: 'balsa-150', thicknessMm: 12 },
} as const
const design = (change: Record<string, unknown> = {}): Design =>
  withChange(
    startDesign(
      catalogueEntry('HG-C250')!,
      {
        zone: 'foredeck',
        xMm: 900,
        yMm: -640,
        zMm: 1600,
        edgeMm: 120,
        belowWaterline: false,
        structure: deck,
        measured: [],
        duty: 'coastal',
      },
      'cleat',
    ),
    change,
  )
const value = (kind: YardKind, material: string, field: string, v: number): YardValue => ({
  kind,
  material,
  field,
  value: v,
  reason: 'pulled on the bench',
  measuredBy: 'Tam',
})
const of = (d: Design, values: YardValue[], id: string) =>
  judge(d, false, values).checks.find((c) => c.id === id)!

describe('the yard\u2019s own values on the bench', () => {
  it('half the strength of a plate doubles what its bending uses, and is said there and nowhere else', () => {
    const d = design()
    const own = [value('plate', 'g10', 'strengthMPa', tableValue('plate', 'g10', 'strengthMPa') / 2)]
    const given = { ...d, bolt: { ...d.bolt, torqueNm: 5 } }
    expect(
      of(given, own, 'plate-overhang').utilisation! / of(given, [], 'plate-overhang').utilisation!,
    ).toBeCloseTo(2, 9)
    expect(of(given, own, 'plate-overhang').because).toContain('stands for the table\u2019s 340 MPa')
    expect(
      judge(given, false, own)
        .checks.filter((c) => c.because.includes('yard'))
        .map((c) => c.id)
        .sort(),
    ).toEqual(['plate-overhang', 'plate-span'])
  })
  it('a line that breaks at half its table load halves the load, and the estimate is no longer called one', () => {
    const d = design({ load: { basis: 'line', line: 'nylon-3', diameterMm: 14 } })
    const [table, own] = [judge(d), judge(d, false, [value('line', 'nylon-3', 'newtonPerMm2', 100)])]
    expect(own.load.loadN).toBeCloseTo(table.load.loadN / 2, 6)
    expect(table.assumed).toContain('load: breakingN')
    expect(own.assumed).not.toContain('load: breakingN')
    expect(own.checks.find((c) => c.id === 'bolt')!.because).toContain('three-strand nylon')
  })
  it('a maker\u2019s breaking strength given beside the line is left alone', () => {
    const d = design({ load: { basis: 'line', line: 'nylon-3', diameterMm: 14, breakingN: 30000 } })
    expect(judge(d, false, [value('line', 'nylon-3', 'newtonPerMm2', 100)]).load.loadN).toBe(
      judge(d).load.loadN,
    )
  })
  it('a sealant that the yard found stiff is refused where it moves, and only said where it is the one chosen', () => {
    const d = design({ 'bedding.sealant': 'polysulfide', 'bedding.movementMm': 0.3, 'bedding.beadMm': 1.5 })
    const own = [value('sealant', 'polysulfide', 'movement', 0.05)]
    expect(of(d, [], 'sealant').verdict).toBe('holds')
    expect(of(d, own, 'sealant').verdict).toBe('short')
    expect(of(d, own, 'sealant').because).toContain('0.05')
    expect(of(design({ 'bedding.sealant': 'hybrid' }), own, 'sealant').because).not.toContain('yard')
  })
})

describe('the yard\u2019s own values in quick sums', () => {
  it.each([
    [
      'line-strength',
      { line: 'nylon-3', diameterMm: 12 },
      value('line', 'nylon-3', 'newtonPerMm2', 100),
      (a: Record<string, unknown>) => a.breakingN,
      14400,
    ],
    [
      'panel-growth',
      { material: 'cast-acrylic', lengthMm: 800, widthMm: 400, screwMm: 5, sealant: 'polysulfide' },
      value('sealant', 'polysulfide', 'movement', 0.125),
      (a: Record<string, unknown>) => Number(a.beadLeastMm) / Number(a.growthMm),
      8,
    ],
  ] as const)('%s', (name, input, v, read, expected) => {
    const own = inputWithYard(name, input, [v])
    expect(read(runNamed(name, own.input) as Record<string, unknown>)).toBeCloseTo(expected, 9)
    expect(own.replaced).toHaveLength(1)
  })
  it('what the input gives itself wins', () => {
    expect(
      inputWithYard('line-strength', { line: 'nylon-3', diameterMm: 12, newtonPerMm2: 150 }, [
        value('line', 'nylon-3', 'newtonPerMm2', 100),
      ]).replaced,
    ).toEqual([])
  })
  it.each(
    (Object.keys(YARD_FIELDS) as YardKind[]).flatMap((k) =>
      Object.keys(YARD_TABLES[k]).flatMap((m) => Object.keys(YARD_FIELDS[k]).map((f) => [k, m, f] as const)),
    ),
  )('%s %s %s has a table value to replace, and a unit', (k, m, f) => {
    expect(Number.isFinite(tableValue(k, m, f))).toBe(true)
    expect(typeof yardUnit(f)).toBe('string')
  })
})

/** One input for each calculator that offers remedies, with something short or tight in it. */
const WEAK: [string, Record<string, unknown>][] = [
  ['cockpit-drain', { areaM2: 3, waterMm: 300, drains: 1, drainMm: 25 }],
  [
    'bond-lap',
    {
      loadN: 2500,
      lengthMm: 20,
      widthMm: 50,
      e1t1NPerMm: 60000,
      e2t2NPerMm: 60000,
      gMPa: 800,
      glueMm: 1,
      bond: 'secondary-epoxy',
    },
  ],
  [
    'chainplate',
    {
      breakingN: 60000,
      plate: { thicknessMm: 6, widthMm: 40, holeMm: 16, endMm: 20, grade: 'duplex-2205' },
      pin: { diameterMm: 14, grade: 'ss-316-drawn' },
    },
  ],
  [
    'panel',
    {
      shape: 'rect',
      lengthMm: 600,
      widthMm: 500,
      thicknessMm: 5,
      material: 'cast-acrylic',
      place: 'foredeck',
    },
  ],
  [
    'panel-growth',
    {
      material: 'cast-acrylic',
      lengthMm: 1500,
      widthMm: 400,
      screwMm: 5,
      movement: 0.25,
      beadMm: 1,
      edgeMm: 10,
    },
  ],
  [
    'opening-edge',
    {
      outline: { kind: 'rect', lengthMm: 500, widthMm: 500, cornerMm: 10 },
      core: 'none',
      coreMm: 0,
      pitchMm: 300,
    },
  ],
  [
    'seacock-load',
    {
      method: 'through',
      heightMm: 300,
      flangeMm: 90,
      boltCircleMm: 70,
      bolts: 3,
      size: 'M6',
      grade: 'A4-70',
      padMm: 10,
      hullMm: 8,
    },
  ],
  [
    'through-hull-stack',
    {
      hullMm: 10,
      padMm: 5,
      fitting: {
        tailMm: 80,
        tailOdMm: 48,
        holeMm: 50,
        flangeMm: 90,
        leastTotalMm: 25,
        windowMm: [3, 8],
        nutMm: 12,
      },
    },
  ],
  ['wedge-block', { deadriseDeg: 17, baseMm: 90, thinMm: 3, holeMm: 50, hullMm: 12 }],
  ['hole-closure', { holeMm: 30, thicknessMm: 8, gapToNextMm: 70 }],
  ['design-load', { basis: 'lifting', massKg: 3000, legs: 4, legAngleDeg: 65 }],
]
describe('remedies of calculators called alone', () => {
  it.each(WEAK)('%s: what is offered helps, when it is really done', (name, input) => {
    const calc = CALCULATORS.find((c) => c.name === name)!
    const checks = (runNamed(name, input) as { checks: Check[] }).checks
    const offered = checks.flatMap((c) => c.remedies.map((r) => ({ c, r })))
    expect(offered.length).toBeGreaterThan(0)
    const order = ['short', 'unproven', 'tight', 'holds']
    for (const { c, r } of offered) {
      const after = (
        calc.run(calc.input.parse(withChange(input, r.change))) as { checks: Check[] }
      ).checks.find((x) => x.id === c.id)!
      expect(after.verdict).toBe(r.verdict)
      expect(order.indexOf(after.verdict)).toBeGreaterThan(order.indexOf(c.verdict))
      expect(after.utilisation).toBe(r.utilisation)
    }
  })
  it('every example of a sum still answers', () => {
    for (const [name, input] of Object.entries(EXAMPLES))
      if (!['deck-patch', 'plan'].includes(name)) expect(runNamed(name, input)).toBeTruthy()
  })
})
