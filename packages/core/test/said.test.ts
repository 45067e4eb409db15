import { describe, expect, it } from 'vitest'
import {
  boatMap,
  catalogueEntry,
  formatForce,
  formatLength,
  formatMass,
  formatQuantity,
  formatTemperature,
  formatTorque,
  formatUse,
  formatVolume,
  forceText,
  judge,
  judgeWhole,
  LIFE_STATES,
  ruleBeside,
  sayIn,
  staleAgainst,
  staleParts,
  startDesign,
  withChange,
  type BoatZone,
  type Design,
  type Structure,
} from '../src'
import { runNamed } from '../src/chapters/registry'

/** What is said to a reader: figures in his units, what has changed, what would help. */
describe('figures in the boat\u2019s units', () => {
  it.each([
    [formatForce(950, 'metric'), '950 N'],
    [formatForce(21120, 'metric'), '21.12 kN'],
    [formatForce(250000, 'metric'), '250.0 kN'],
    [formatForce(4448.22, 'inch'), '1\u202f000 lbf'],
    [forceText(4448.2216, 'inch'), '1000'],
    [forceText(950, 'metric'), '0.95'],
    [formatTorque(10, 'inch'), '7.4 lbf\u00b7ft'],
    [formatVolume(4.2, 'metric'), '4.2 ml'],
    [formatVolume(118.3, 'inch'), '4.0 US fl oz'],
    [formatMass(0.25, 'metric'), '250 g'],
    [formatMass(1.5, 'metric'), '1.50 kg'],
    [formatMass(1, 'inch'), '2.20 lb'],
    [formatTemperature(20, 'inch'), '68 \u00b0F'],
    [formatLength(0, 'inch'), '0 in'],
    [formatLength(-12.7, 'inch'), '-1/2 in'],
    [formatLength(1234.5, 'metric'), '1\u202f234.5 mm'],
    [formatQuantity(10, 'MPa', 'inch'), '1\u202f450 psi'],
    [formatQuantity(10.123, 'MPa', 'metric'), '10.1 MPa'],
    [formatQuantity(645.16, 'mm\u00b2', 'inch'), '1.000 in\u00b2'],
    [formatQuantity(112984.829, 'N\u00b7mm', 'inch'), '1\u202f000 lbf\u00b7in'],
    [formatQuantity(5, 'N\u00b7m', 'metric'), '5.0 N\u00b7m'],
    [formatQuantity(12, 'ml', 'metric'), '12 ml'],
    [formatQuantity(12.34, 'deg', 'metric'), '12.3\u00b0'],
    [formatQuantity(500, 'N', 'metric'), '500 N'],
    [formatQuantity(0.5, 'm/s', 'metric'), '0.5 m/s'],
    [formatQuantity(0.5, '', 'metric'), '0.5'],
    [formatUse(null), ''],
    [formatUse(12), 'over 10'],
    [formatUse(1.0004), '1.001'],
    [formatUse(0.9), '0.90'],
  ])('%s', (said, wanted) => expect(said).toBe(wanted))
  it('a sentence of the core is turned whole, and the size in a name is left', () => {
    expect(
      sayIn('M8 \u00d7 45: 25.4 \u00d7 50.8 mm at 20 \u00b0C, 100 MPa, 4448.2216 N, 1 kg.', 'inch'),
    ).toBe('M8 \u00d7 45: 1 \u00d7 2 in at 68 \u00b0F, 14\u202f504 psi, 1\u202f000 lbf, 2.20 lb.')
    expect(sayIn('12 mm', 'metric')).toBe('12 mm')
  })
})

const SANDWICH: Structure = {
  kind: 'sandwich',
  skin: { laminate: 'mat' },
  outerMm: 4,
  innerMm: 3,
  core: { material: 'balsa-150', thicknessMm: 12 },
}
const at = (structure: Structure) => ({
  zone: 'deck',
  xMm: 900,
  yMm: 0,
  zMm: 1000,
  edgeMm: 120,
  belowWaterline: false,
  structure,
  measured: [],
  duty: 'coastal' as const,
})
const fit = (id: string, change: Record<string, unknown> = {}, structure: Structure = SANDWICH): Design =>
  withChange(startDesign(catalogueEntry(id)!, at(structure), id), change)
const zone = (kind: BoatZone['kind'], layers: [string, number, boolean][]): BoatZone => ({
  code: 'deck',
  title: 'Deck',
  face: 'deck',
  kind,
  zMm: 1000,
  outline: [],
  stacking: 0,
  reach: '',
  state: '',
  layers: layers.map(([material, thicknessMm, measured]) => ({
    material,
    thicknessMm,
    measured,
    measuredBy: '',
  })),
})

describe('a deck that is otherwise than the design believes', () => {
  const same: [string, number, boolean][] = [
    ['mat', 4, false],
    ['balsa-150', 12, false],
    ['mat', 3, false],
  ]
  it.each<[string, BoatZone, RegExp | null]>([
    ['the same', zone('sandwich', same), null],
    ['a core of foam', zone('sandwich', [same[0]!, ['pvc-80', 12, false], same[2]!]), /mat over pvc 80 now/],
    [
      'a thinner core',
      zone('sandwich', [same[0]!, ['balsa-150', 9, true], same[2]!]),
      /core 12 mm is 9 mm now, measured/,
    ],
    [
      'the same, measured',
      zone('sandwich', [['mat', 4, true], same[1]!, same[2]!]),
      /outer skin 4 mm is measured now/,
    ],
    ['solid', zone('solid', [['mat', 12, false]]), /mat over balsa 150 is mat now/],
    ['metal', zone('metal', [['mild-steel', 5, false]]), /is mild steel now/],
    ['timber', zone('timber', [['softwood', 25, false]]), /is softwood now/],
  ])('%s', (_, z, words) => {
    const stale = staleAgainst(fit('HG-C200'), z)
    if (words === null) expect(stale).toBeNull()
    else expect(stale!.changes.join('; ')).toMatch(words)
  })
  it('a strength that the fitter gave stays with its material, and goes with another', () => {
    const own = fit('HG-C200', { 'structure.skin': { laminate: 'mat', bearingMPa: 222 } })
    const thinner = staleAgainst(own, zone('sandwich', [['mat', 5, true], same[1]!, same[2]!]))!
    expect(thinner.structure).toMatchObject({ outerMm: 5, skin: { bearingMPa: 222 } })
    const woven = staleAgainst(own, zone('sandwich', [['woven', 4, true], same[1]!, same[2]!]))!
    expect(woven.structure).toMatchObject({ skin: { laminate: 'woven' } })
    expect(JSON.stringify(woven.structure)).not.toContain('222')
  })
  it('is no matter off every zone, or where the fitting keeps a deck of its own', () => {
    expect(staleAgainst(fit('HG-C200'), null)).toBeNull()
    const kept = fit('HG-C200', { structureReason: 'a pad was laid in' })
    expect(staleAgainst(kept, zone('solid', [['mat', 12, true]]))).toBeNull()
  })
})

describe('what would help is offered, each judged', () => {
  it.each<[string, string, Record<string, unknown>, Structure, RegExp]>([
    [
      'bolt',
      'HG-C250',
      { 'bolt.size': 'M8', load: { basis: 'rated', ratedN: 32000 } },
      SANDWICH,
      /size-|grade-/,
    ],
    ['plate-span', 'HG-C250', { 'plate.thicknessMm': 3 }, SANDWICH, /^plate-/],
    ['core-dry', 'HG-C250', { 'core.boreMm': 12 }, SANDWICH, /^bore-|^core-/],
    ['tightening', 'HG-C250', { 'bolt.torqueNm': 200 }, SANDWICH, /^torque-/],
    [
      'metals',
      'HG-C250',
      { 'plate.material': 'al-6061', isolation: { sleeve: false, washer: false, sealant: false } },
      SANDWICH,
      /isolate/,
    ],
    ['sealant', 'HG-C250', { 'bedding.sealant': 'epoxy-filled' }, SANDWICH, /^sealant/],
    ['edge-distance', 'HG-C250', { 'place.edgeMm': 12 }, SANDWICH, /^edge|^size-/],
    [
      'punching-core',
      'HG-C250',
      { plate: null, 'bolt.nutWasher': 'plain', load: { basis: 'rated', ratedN: 20000, elevationDeg: 60 } },
      SANDWICH,
      /plate-add|washer-large|core-/,
    ],
    ['material', 'HG-C250', { 'plate.material': 'plastic' }, SANDWICH, /^plate-/],
  ])('%s of %s', (id, entry, change, structure, offered) => {
    const { judgement } = judgeWhole(fit(entry, change, structure), 'metric')
    const c = judgement.checks.find((x) => x.id === id)
    expect(c?.verdict, `${id} among ${judgement.checks.map((x) => x.id).join(' ')}`).not.toBe('holds')
    expect(c!.remedies.length, id).toBeGreaterThan(0)
    for (const r of c!.remedies) expect(r.id).toMatch(offered)
  })
})

describe('beside the calculation', () => {
  it.each([
    [{}, /^The rule knows the bolt/],
    [{ load: { basis: 'rated', ratedN: 300 } }, /^The rule knows the bolt/],
  ])('the rule of thumb says why it differs: %j', (change, words) => {
    const d = fit('HG-C250', change)
    expect(ruleBeside(d, judge(d), 'metric')!.why).toMatch(words)
  })
  it('is silent where there is no plate', () => {
    const d = fit('HG-C250', { plate: null })
    expect(ruleBeside(d, judge(d), 'metric')).toBeNull()
  })
  it('parts that were bought for another stack are named', () => {
    const d = fit('HG-C250')
    const j = judge(d)
    expect(staleParts({ bought: null }, d, j)).toBeNull()
    const bought = { at: '', by: '', what: 'something else' }
    expect(staleParts({ bought }, d, j)?.bought).toBe('something else')
    expect(staleParts({ bought: { ...bought, what: staleParts({ bought }, d, j)!.wanted } }, d, j)).toBeNull()
  })
})

describe('the map on paper', () => {
  const stations = [0, 3000, 6000].map((xMm) => ({
    xMm,
    halfBreadthMm: xMm === 0 ? 50 : 1200,
    sheerMm: 1000,
    keelMm: -400,
  }))
  const map = (units: 'metric' | 'inch', lengthMm = 6000) =>
    boatMap({
      name: 'Pipit',
      lengthMm,
      beamMm: 2400,
      stations,
      zones: [
        {
          ...zone('solid', [['mat', 9, true]]),
          outline: [
            { xMm: 0, yMm: -900 },
            { xMm: 5000, yMm: 0 },
            { xMm: 0, yMm: 900 },
          ],
        },
        { ...zone('solid', [['mat', 9, true]]), code: 'top', face: 'topsides' },
      ],
      parts: [
        { kind: 'beam', title: 'Beam', x0Mm: 2000, y0Mm: -1, x1Mm: 2000, y1Mm: 1 },
        { kind: 'bulkhead', title: 'Bulkhead', x0Mm: 3000, y0Mm: -500, x1Mm: 3000, y1Mm: 500 },
        { kind: 'longitudinal', title: 'Stringer', x0Mm: 0, y0Mm: 400, x1Mm: 5000, y1Mm: 400 },
        { kind: 'tank', title: 'Tank', x0Mm: 3000, y0Mm: -300, x1Mm: 4000, y1Mm: 300 },
        { kind: 'wet', title: 'Wet', x0Mm: 1000, y0Mm: -300, x1Mm: 1400, y1Mm: 0 },
      ],
      fittings: [
        {
          name: 'Cleat',
          xMm: 900,
          yMm: 0,
          outline: [
            { xMm: 800, yMm: -40 },
            { xMm: 1000, yMm: -40 },
            { xMm: 900, yMm: 40 },
          ],
        },
      ],
      holes: [
        ...LIFE_STATES.map((state, i) => ({
          label: `P-0${i}`,
          xMm: 1000 + 12 * i,
          yMm: 0,
          zMm: 900,
          diameterMm: 9,
          state,
          zoneCode: 'deck',
        })),
        {
          label: 'P-20',
          xMm: 4000,
          yMm: 300,
          zMm: -200,
          diameterMm: 44,
          state: 'in-service',
          zoneCode: null,
        },
        { label: 'P-21', xMm: 4200, yMm: 300, zMm: 300, diameterMm: 44, state: 'closed', zoneCode: 'top' },
      ],
      wet: {
        deck: [{ xMm: 1200, yMm: -100, excess: 20 } as never, { xMm: 1300, yMm: -100, excess: 1 } as never],
      },
      units,
    })
  it('shows every hole once with a sign of its own, and numbers that do not lie on each other', () => {
    const d = map('metric')
    const texts = d.shapes.flatMap((s) => (s.kind === 'text' ? [s] : []))
    expect(texts.filter((t) => t.text.startsWith('P-'))).toHaveLength(LIFE_STATES.length + 2)
    expect(d.shapes.filter((s) => s.kind === 'ring' && s.role === 'HOLES')).toHaveLength(
      LIFE_STATES.length + 2,
    )
    const numbers = texts.filter((t) => /^P-0/.test(t.text))
    for (const [i, a] of numbers.entries())
      for (const b of numbers.slice(i + 1))
        expect(Math.abs(a.at.x - b.at.x) + Math.abs(a.at.y - b.at.y), `${a.text} ${b.text}`).toBeGreaterThan(
          a.size / 2,
        )
    expect(texts.filter((t) => t.text === 'wet')).toHaveLength(1)
    // What is in the water stands in the profile, under the plan.
    expect(texts.find((t) => t.text === 'P-20')!.at.y).toBeLessThan(
      texts.find((t) => t.text === 'P-00')!.at.y,
    )
  })
  it.each([
    ['metric', 6000, 'm aft of the stem'],
    ['metric', 12000, 'm aft of the stem'],
    ['inch', 6000, 'ft aft of the stem'],
    ['inch', 12000, 'ft aft of the stem'],
  ] as const)('is ruled in %s for a boat of %i mm', (units, length, words) => {
    const texts = map(units, length).shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []))
    expect(texts).toContain(words)
  })
})

describe('threads in something, by every way', () => {
  const plate = { material: 'g10', thicknessMm: 12 }
  const base = { size: 'M8', grade: 'A4-70', tensionN: 1500, shearN: 800, edgeMm: 40 }
  interface Tapped {
    checks: { id: string; verdict: string }[]
    verdict: string
    cautions: string[]
    torqueNm: number
    assumed: string[]
  }
  const ask = (more: object) => runNamed('tapped', { ...base, ...more }) as Tapped
  it.each<[string, object, string[]]>([
    ['tapped', { kind: 'tapped', plate }, []],
    [
      'tapped in acrylic under a lasting load',
      { kind: 'tapped', plate: { material: 'cast-acrylic', thicknessMm: 15 }, lasting: true },
      ['creeps'],
    ],
    [
      'pressed into acrylic',
      { kind: 'press-in', plate: { material: 'cast-acrylic', thicknessMm: 15 }, insertMm: 12 },
      ['cracks', 'creeps'],
    ],
    [
      'polycarbonate',
      { kind: 'tapped', plate: { material: 'polycarbonate', thicknessMm: 15 } },
      ['creeps', 'no-threadlocker'],
    ],
    ['316 in 316', { kind: 'tapped', plate: { material: 'ss-316', thicknessMm: 10 } }, ['galling']],
    ['bonded', { kind: 'bonded', plate, insertMm: 14, pullMPa: 9 }, []],
    [
      'a nut in a core',
      { kind: 'nut-in-epoxy', coverMm: 6, plugMm: 30, plugLengthMm: 18, wall: 'balsa-150' },
      [],
    ],
    [
      'a nut in a laminate',
      { kind: 'nut-in-epoxy', coverMm: 6, plugMm: 30, plugLengthMm: 18, wall: 'laminate', nutMm: 13 },
      [],
    ],
  ])('%s', (_, input, cautions) => {
    const t = ask(input)
    expect([...t.cautions].sort()).toEqual(cautions)
    expect(t.torqueNm).toBeGreaterThan(0)
    expect(t.checks.map((c) => c.id)).toContain('edge-distance')
  })
  it('a torque of one\u2019s own is checked against thread and bolt; an edge that nobody gave is unproven', () => {
    const much = ask({ kind: 'tapped', plate, torqueNm: 60 })
    expect(much.checks.filter((c) => c.id.startsWith('tighten-')).map((c) => c.verdict)).toContain('short')
    const { edgeMm: _, ...without } = base
    const t = runNamed('tapped', { ...without, kind: 'tapped', plate }) as Tapped
    expect(t.checks.find((c) => c.id === 'edge-distance')!.verdict).toBe('unproven')
    expect(() => ask({ kind: 'tapped', plate, edgeMm: 3 })).toThrow(
      expect.objectContaining({ code: 'edge-in-hole', path: 'edgeMm' }),
    )
  })
  it.each([
    [{ kind: 'tapped', plate, engagedMm: 20 }, 'engagedMm'],
    [{ kind: 'tapped', plate, tapMm: 9 }, 'tapMm'],
    [{ kind: 'press-in', plate: { material: 'ss-316', thicknessMm: 10 }, insertMm: 12 }, 'plate'],
  ])('refuses %j', (input, path) => {
    expect(() => ask(input)).toThrow(
      expect.objectContaining({ path: expect.stringContaining(path) as string }),
    )
  })
})
