import { describe, expect, it } from 'vitest'
import {
  CATALOGUE,
  CalcError,
  allFinite,
  catalogueEntry,
  fromFile,
  gatesFor,
  judge,
  judgeWhole,
  nextStates,
  parseDesign,
  partsOf,
  sizeIt,
  spotFor,
  startDesign,
  stepsOf,
  toFile,
  toSvg,
  todayLine,
  underPointer,
  withChange,
  zoneAt,
  flagsAt,
  type BoatPart,
  type BoatZone,
  type Design,
  type LifeFacts,
  type Structure,
} from '../src'
import { BALSA } from './deck-hands'

const spot = (structure: Structure = BALSA) => ({
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
const fit = (id: string, structure?: Structure, change: Record<string, unknown> = {}): Design =>
  withChange(startDesign(catalogueEntry(id)!, spot(structure), `a ${id}`), change)
const STRUCTURES: Structure[] = [
  BALSA,
  { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 9 },
  { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 4 },
  { kind: 'timber', timber: 'plywood', thicknessMm: 18 },
]

describe('every catalogue fitting on every kind of deck', () => {
  it.each(CATALOGUE.flatMap((c) => STRUCTURES.map((s) => [c.id, s] as const)))(
    '%s on %j is judged, drawn and explained',
    (id, structure) => {
      const w = judgeWhole(fit(id, structure), 'metric')
      expect(allFinite(w)).toBe(true)
      for (const c of w.judgement.checks) {
        expect(c.because, c.id).toMatch(/[a-z].*\.$/)
        for (const r of c.remedies)
          expect(r.utilisation === null || r.utilisation < c.utilisation!, `${c.id} ${r.id}`).toBe(true)
      }
      expect(toSvg(w.section)).not.toMatch(/NaN|Infinity|undefined/)
      expect(stepsOf(fit(id, structure), w.judgement, 'inch').length).toBeGreaterThan(6)
      expect(partsOf(fit(id, structure), w.judgement).length).toBeGreaterThan(3)
    },
  )
})

describe('judging', () => {
  it('judges the worst of an arc: no single direction of it is worse than the whole', () => {
    const d = fit('HG-C250')
    const arc = judge(d)
    const whole = new Map(arc.checks.map((c) => [c.id, c.utilisation ?? 0]))
    for (let az = -90; az <= 90; az += 30)
      for (let el = 0; el <= 30; el += 15) {
        const { sweep: _, ...load } = d.load
        // The same preload, so that only the direction differs.
        const one = judge(
          withChange(d, {
            load: { ...load, azimuthDeg: az, elevationDeg: el },
            'bolt.torqueNm': arc.preload.torqueNm,
          }),
        )
        for (const c of one.checks.filter((k) => k.source !== 'chapter 2.3'))
          expect(c.utilisation ?? 0, `${c.id} at ${az}, ${el}`).toBeLessThanOrEqual(whole.get(c.id)! + 1e-9)
      }
  })
  it('a load that may come from anywhere is swept without being asked', () => {
    const j = judge(withChange(fit('HG-P60'), { load: { basis: 'person', kind: 'tether' } }))
    expect(j.swept).toBe(true)
    expect(j.directions).toBeGreaterThan(100)
  })
  it('a row of bolts under a lever across it is held by the base bearing on the deck, and the hand check beside it is not believed', () => {
    const j = judge(
      withChange(fit('HG-C150'), { load: { basis: 'rated', ratedN: 400, azimuthDeg: 90, heightMm: 40 } }),
    )
    expect(j.checks.find((c) => c.id === 'lever')).toBeUndefined()
    expect(j.worst.contact!.contactFraction).toBeGreaterThan(0)
    expect(j.worst.maxTensionN).toBeGreaterThan(j.worst.handMaxTensionN)
    // Equilibrium of the lever: the bolts pull where the deck does not push.
    const pull = j.worst.bolts.reduce((s, b) => s + b.tensionN, 0)
    expect(pull).toBeCloseTo(j.worst.contact!.deckForceN, 3)
    expect(j.worst.contact!.deckForceN * Math.abs(j.worst.contact!.centre!.yMm)).toBeCloseTo(400 * 40, 0)
  })
  it('an edge that nobody measured is unproven', () => {
    const j = judge(withChange(fit('HG-S25'), { 'place.edgeMm': null }))
    expect(j.checks.filter((c) => c.verdict === 'unproven').map((c) => c.id)).toEqual([
      'edge-distance',
      'shear-out',
    ])
  })
  it('the snug torque is what deck and plate can bear, and less on a soft core with no plugs', () => {
    const hard = judge(
      fit('HG-C250', undefined, { plate: null, 'bolt.nutWasher': 'large', 'core.school': 'none' }),
    )
    const soft = judge(
      fit('HG-C250', { ...BALSA, core: { material: 'pvc-80', thicknessMm: 12 } } as Structure, {
        plate: null,
        'bolt.nutWasher': 'large',
        'core.school': 'none',
      }),
    )
    expect(soft.preload.limitedByDeck).toBe(true)
    expect(soft.preload.torqueNm).toBeLessThan(hard.preload.torqueNm)
  })
  it('a thickness that was not measured is named wherever it counts', () => {
    const j = judge(withChange(fit('HG-C250'), { measured: ['outerMm', 'coreMm'] }))
    expect(j.checks.find((c) => c.id === 'bearing')!.assumed).toContain('inner skin thickness')
    expect(
      judge(withChange(fit('HG-C250'), { measured: ['outerMm', 'coreMm', 'innerMm'] })).checks.find(
        (c) => c.id === 'bearing',
      )!.assumed,
    ).not.toContain('inner skin thickness')
  })
  it('a thicker plate moves the grip, the bolt length and the drawing', () => {
    const [a, b] = [
      judgeWhole(fit('HG-C250'), 'metric'),
      judgeWhole(withChange(fit('HG-C250'), { 'plate.thicknessMm': 20 }), 'metric'),
    ]
    expect(b.judgement.grip!.gripMm - a.judgement.grip!.gripMm).toBeCloseTo(12, 9)
    expect(b.judgement.grip!.lengthMm).toBeGreaterThan(a.judgement.grip!.lengthMm)
    expect(toSvg(b.section)).not.toBe(toSvg(a.section))
  })
  it('a plate that misses its bolts is refused by name', () => {
    expect(() => judge(withChange(fit('HG-C250'), { 'plate.lengthMm': 90 }))).toThrow(CalcError)
  })
  it('what a remedy promises is what its change gives', () => {
    const d = fit('HG-C250', undefined, { 'plate.thicknessMm': 5 })
    const w = judgeWhole(d, 'metric')
    const offered = w.judgement.checks.flatMap((c) => c.remedies.map((r) => ({ c, r })))
    expect(offered.length).toBeGreaterThan(2)
    for (const { c, r } of offered)
      expect(judge(withChange(d, r.change)).checks.find((x) => x.id === c.id)?.utilisation ?? null).toBe(
        r.utilisation,
      )
  })
})

it('a value of the yard\u2019s own is used, and said beside every check that it counts in and no other', () => {
  const own = [
    {
      kind: 'core' as const,
      material: 'balsa-150',
      field: 'shearMPa',
      value: 1.45,
      reason: 'coupon',
      measuredBy: 'Tam',
    },
  ]
  const [table, measured] = [judge(fit('HG-C250')), judge(fit('HG-C250'), false, own)]
  const of = (j: typeof table) => j.checks.find((c) => c.id === 'punching-core')!
  expect(of(measured).utilisation! / of(table).utilisation!).toBeCloseTo(2, 9)
  expect(of(measured).because).toContain(
    'own core shear strength of 1.45 MPa (Tam) stands for the table\u2019s 2.9 MPa',
  )
  expect(of(measured).assumed).not.toContain('core.shearMPa')
  expect(measured.checks.filter((c) => c.because.includes('yard')).map((c) => c.id)).toEqual([
    'punching-core',
  ])
})

describe('size it', () => {
  it.each(CATALOGUE.map((c) => c.id))(
    '%s: never proposes what a check calls short, or says that nothing passes',
    (id) => {
      const p = sizeIt(fit(id))
      if (p.found)
        expect(
          judge(p.design!).checks.filter(
            (c) => c.verdict === 'short' && !['edge-distance', 'spacing', 'sealant'].includes(c.id),
          ),
        ).toEqual([])
      else expect(p.because).toContain('Nothing passes')
    },
  )
  it('turns a short cleat into one that holds, and says what changed and why', () => {
    const d = fit('HG-C250', undefined, { 'plate.thicknessMm': 4 })
    expect(judge(d).verdict).toBe('short')
    const p = sizeIt(d)
    expect(judge(p.design!).verdict).toBe('holds')
    expect(p.changes.map((c) => c.label)).toContain('Backing plate')
    for (const c of p.changes) expect(c.why.length).toBeGreaterThan(10)
  })
  it('is content with what it proposed itself', () => {
    const first = sizeIt(fit('HG-C250')).design!
    expect(sizeIt(first).changes).toEqual([])
  })
  it('keeps within the holes of the casting', () => {
    expect(catalogueEntry('HG-C250')!.sizes).toContain(sizeIt(fit('HG-C250')).design!.bolt.size)
  })
  it('gives up honestly under a load that nothing bears', () => {
    const p = sizeIt(fit('HG-C250', undefined, { load: { basis: 'rated', ratedN: 400000 } }))
    expect(p.found).toBe(false)
    expect(p.remaining.length).toBeGreaterThan(0)
  })
})

describe('a design as a file', () => {
  it('reads back to the same verdicts', () => {
    for (const c of CATALOGUE) {
      const d = fit(c.id)
      expect(judge(fromFile(JSON.parse(JSON.stringify(toFile(d)))))).toEqual(judge(d))
    }
  })
  it.each([
    [{ ...fit('HG-C250'), schemaVersion: 9 }, 'newer-version', 'schemaVersion'],
    [{ ...fit('HG-C250'), colour: 'red' }, 'invalid-input', 'colour'],
    [withChange(fit('HG-C250'), { 'plate.thicknessMm': -3 }), 'invalid-input', 'plate.thicknessMm'],
    [withChange(fit('HG-C250'), { 'load.share': 3 }), 'invalid-input', 'load.share'],
    ['a string', 'invalid-input', ''],
  ])('refuses what it cannot read, with the place', (raw, code, path) => {
    let error: unknown
    try {
      parseDesign(raw)
    } catch (e) {
      error = e
    }
    expect(error).toMatchObject({ code, path })
  })
})

describe('the life of a hole', () => {
  const HOUR = 3_600_000
  const hole = { coreSchool: 'bore-fill', sealant: 'pu-medium', diameterMm: 11 }
  const lot = {
    code: 'L1',
    title: 'Polyurethane',
    chemistry: 'pu-medium',
    kind: 'sealant' as const,
    expiresOn: '2031-01-01',
    storedHot: false,
    testedOn: null,
  }
  const epoxy = { ...lot, code: 'E1', chemistry: 'epoxy', kind: 'epoxy' as const }
  const t0 = Date.parse('2026-04-01T08:00:00Z')
  const upTo = (n: number): LifeFacts[] =>
    (
      [
        { state: 'marked', at: t0 },
        { state: 'drilled', at: t0 + HOUR, sizeMm: 11 },
        { state: 'core-sealed', at: t0 + 2 * HOUR, tempC: 15, lot: epoxy },
        { state: 'dry-fitted', at: t0 + 90 * HOUR },
        { state: 'bedded', at: t0 + 100 * HOUR, tempC: 15, humidityPct: 60, lot },
        { state: 'cured', at: t0 + 400 * HOUR },
        { state: 'proved', at: t0 + 401 * HOUR, evidence: 'hose' },
      ] as LifeFacts[]
    ).slice(0, n)
  const ids = (n: number, event: LifeFacts, h = hole) => gatesFor(h, upTo(n), event).map((g) => g.id)
  it.each([
    [1, { state: 'drilled', at: t0 + HOUR }, ['no-size']],
    [1, { state: 'drilled', at: t0 + HOUR, sizeMm: 11 }, []],
    [2, { state: 'core-sealed', at: t0 + 2 * HOUR }, ['no-lot', 'no-temperature']],
    [2, { state: 'core-sealed', at: t0 + 2 * HOUR, lot, tempC: 15 }, ['wrong-lot']],
    [2, { state: 'dry-fitted', at: t0 + 3 * HOUR }, ['no-core-seal']],
    [3, { state: 'dry-fitted', at: t0 + 3 * HOUR }, ['cure-core']],
    [3, { state: 'dry-fitted', at: t0 + 60 * HOUR }, []],
    [
      4,
      {
        state: 'bedded',
        at: t0 + 100 * HOUR,
        lot: { ...lot, expiresOn: '2026-03-01' },
        tempC: 15,
        humidityPct: 60,
      },
      ['lot-expired'],
    ],
    [
      4,
      {
        state: 'bedded',
        at: t0 + 100 * HOUR,
        lot: { ...lot, expiresOn: '2026-03-01', testedOn: '2026-03-30' },
        tempC: 15,
        humidityPct: 60,
      },
      [],
    ],
    [
      4,
      {
        state: 'bedded',
        at: t0 + 100 * HOUR,
        lot: { ...lot, chemistry: 'hybrid' },
        tempC: 15,
        humidityPct: 60,
      },
      ['wrong-lot'],
    ],
    [5, { state: 'cured', at: t0 + 101 * HOUR }, ['cure-bedding']],
    [5, { state: 'cured', at: t0 + 400 * HOUR }, []],
    [6, { state: 'proved', at: t0 + 401 * HOUR }, ['no-leak-test']],
    [6, { state: 'in-service', at: t0 + 401 * HOUR }, ['no-proof']],
    [7, { state: 'in-service', at: t0 + 402 * HOUR }, []],
    [7, { state: 'suspect', at: t0 + 402 * HOUR }, ['no-note']],
    [7, { state: 'closed', at: t0 + 402 * HOUR }, ['no-repair']],
  ] as [number, LifeFacts, string[]][])('after %i steps %j meets %j', (n, event, wanted) =>
    expect(ids(n, event)).toEqual(wanted),
  )
  it('solid laminate has no core to seal', () => {
    expect(ids(2, { state: 'dry-fitted', at: t0 + 3 * HOUR }, { ...hole, coreSchool: 'none' })).toEqual([])
    expect(nextStates({ ...hole, coreSchool: 'none' }, upTo(2))[0]).toBe('dry-fitted')
  })
  it('butyl does not cure, so nothing waits for it', () =>
    expect(ids(5, { state: 'cured', at: t0 + 101 * HOUR }, { ...hole, sealant: 'butyl' })).toEqual([]))
})

describe('the boat under the pointer', () => {
  const square = (a: number) => [
    { xMm: -a, yMm: -a },
    { xMm: a, yMm: -a },
    { xMm: a, yMm: a },
    { xMm: -a, yMm: a },
  ]
  const zone = (title: string, a: number, stacking: number): BoatZone => ({
    code: title,
    title,
    face: 'deck',
    kind: 'sandwich',
    zMm: 0,
    outline: square(a),
    stacking,
    reach: '',
    state: '',
    layers: [
      { material: 'mat', thicknessMm: 4, measured: true, measuredBy: '' },
      { material: 'balsa-150', thicknessMm: 12, measured: false, measuredBy: '' },
      { material: 'mat', thicknessMm: 3, measured: false, measuredBy: '' },
    ],
  })
  const zones = [zone('deck', 1000, 0), zone('roof', 300, 1)]
  it('finds the topmost surface, and nothing off the boat', () => {
    expect(zoneAt(zones, { xMm: 0, yMm: 0 })?.title).toBe('roof')
    expect(zoneAt(zones, { xMm: 500, yMm: 0 })?.title).toBe('deck')
    expect(zoneAt(zones, { xMm: 5000, yMm: 0 })).toBeNull()
  })
  it('says what it is made of, with estimates marked', () => {
    expect(
      underPointer(
        {
          zones,
          parts: [{ kind: 'beam', title: 'beam', x0Mm: 540, y0Mm: -1, x1Mm: 540, y1Mm: 1 }],
          holes: [],
        },
        { xMm: 500, yMm: 0 },
        'metric',
      ).words,
    ).toBe('4 mm laminate, ~12 mm end-grain balsa 150, ~3 mm laminate. Beam 40 mm aft.')
  })
  it('measures the edge from the nearest bolt and marks only what was measured', () => {
    const s = spotFor(
      zones[0]!,
      { xMm: 800, yMm: 0 },
      [
        { xMm: 50, yMm: 0 },
        { xMm: -50, yMm: 0 },
      ],
      'ocean',
    )
    expect(s).toMatchObject({ edgeMm: 150, measured: ['outerMm'], duty: 'ocean' })
  })
  it('flags a beam, a neighbour and wet core', () => {
    const parts: BoatPart[] = [
      { kind: 'beam', title: 'beam', x0Mm: 520, y0Mm: -1, x1Mm: 520, y1Mm: 1 },
      { kind: 'wet', title: 'wet', x0Mm: 450, y0Mm: -50, x1Mm: 550, y1Mm: 50 },
    ]
    expect(
      flagsAt({ zones, parts, holes: [{ label: 'P-001', xMm: 530, yMm: 10 }] }, { xMm: 500, yMm: 0 }, [
        { xMm: 0, yMm: 0 },
      ]).map((f) => f.id),
    ).toEqual(['wet-core', 'beam', 'neighbour'])
  })
  it('says until when one may bond today', () => {
    const day = Array.from({ length: 24 }, (_, h) => ({
      minute: h * 60,
      airC: 12,
      humidityPct: h < 9 || h > 17 ? 97 : 55,
      surfaceC: 12,
    }))
    expect(todayLine(day, 10 * 60).line).toBe('Bond until about 18:00')
    expect(todayLine(day, 6 * 60).line).toBe('No bonding before about 09:00')
  })
})
