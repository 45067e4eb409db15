import {
  ALONE,
  CATALOGUE,
  fieldAround,
  judge,
  judgeWhole,
  Memo,
  patchFor,
  sizeIt,
  startDesign,
  Told,
  withChange,
  type Design,
} from '../src'
import { solverChecks } from '../src/kinds/deck-hardware/solver'
import { opening, OPENING_CATALOGUE, weakQuestion } from '../src/kinds/opening'
import { solveWeakened } from '../src/kinds/opening/weakened-said'
import {
  throughHullEntry,
  throughHullWithRemedies,
  floodAll,
  judgeThroughHull,
  startThroughHull,
} from '../src/kinds/through-hull'
import { runNamed } from '../src/chapters/registry'
import { factorGrid } from '../src/chapters/plate/multifrontal'
import { addPlate, sectionOf } from '../src/chapters/plate/section'
import { timed } from './timed'

export { rowDragged, rowOfMany } from './rows'
export { nestOfMany, planOfWeeks } from './weeks'

const deck = {
  kind: 'sandwich',
  skin: { laminate: 'mat' },
  outerMm: 4,
  innerMm: 3,
  core: { material: 'balsa-150', thicknessMm: 12 },
} as const
export const fittings: Design[] = CATALOGUE.map((c) =>
  startDesign(
    c,
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
    c.title,
  ),
)

/** A new design object each time, as after a keystroke, so that nothing kept from the last one helps. */
export function judging() {
  const fresh = Array.from({ length: 1100 }, (_, i) => structuredClone(fittings[i % fittings.length]!))
  return timed(fresh.length, (i) => void judgeWhole(structuredClone(fresh[i]!), 'metric'))
}
/** What a key waits for: the checks, without what would help and without drawings. */
export function checksAlone() {
  const fresh = Array.from({ length: 1100 }, (_, i) => structuredClone(fittings[i % fittings.length]!))
  return timed(fresh.length, (i) => void judge(fresh[i]!))
}
/** What a hand turns on the bench, in turn: most leave the load and the pattern as they were. */
const KEYS: ((i: number) => Record<string, unknown>)[] = [
  (i) => ({ 'plate.thicknessMm': 4 + (i % 9) }),
  (i) => ({ 'bolt.torqueNm': 3 + (i % 7) }),
  (i) => ({ 'load.heightMm': 10 + (i % 60) }),
  (i) => ({ 'bedding.tempC': 10 + (i % 12) }),
  (i) => ({ 'bolt.size': i % 2 ? 'M8' : 'M10' }),
  (i) => ({ headingDeg: (i * 5) % 90 }),
]
/** The same as a bench asks it: of a fitting that was judged at the key before. */
export function checksAfterKey() {
  const open = fittings.map((d) => ({ d, told: new Told() }))
  const keyed = (i: number) => {
    const here = open[i % open.length]!
    const change = KEYS[Math.floor(i / open.length) % KEYS.length]!(i)
    if (!('plate.thicknessMm' in change) || here.d.plate) here.d = withChange(here.d, change)
    void judge(here.d, false, undefined, new Memo(null, here.told.goOnTo(here.d)))
  }
  return timed(1100, keyed)
}
const beams = [620, 1240].map((x) => ({
  kind: 'beam' as const,
  title: 'beam',
  x0Mm: x,
  y0Mm: -1,
  x1Mm: x,
  y1Mm: 1,
}))
/** With the plate solver asked about the best few, as on the bench. */
export const sizing = () =>
  timed(
    fittings.length,
    (i) => void sizeIt(fittings[i % fittings.length]!, undefined, null, solverChecks(null, beams)),
    2,
  )

/** The plate solver on a stanchion's own field, as the bench asks for it after a changed figure. */
export function spreading() {
  const d = fittings.find((f) => f.family === 'stanchion')!
  const field = fieldAround(d, null, beams)
  return timed(
    7,
    (i) => {
      const changed = withChange(d, { 'plate.thicknessMm': 6 + i })
      runNamed('deck-patch', patchFor(changed, judge(changed), field))
    },
    2,
  )
}

/**
 * One fitting through the hull judged whole, and with its remedies; a day of flooding over three
 * compartments with a door open.
 */
const below = startThroughHull(
  throughHullEntry('MV-S114')!,
  {
    place: { zone: 'bottom', xMm: 5000, yMm: 400, zMm: -420, measuredFrom: [] },
    hull: {
      kind: 'solid',
      thicknessMm: 14,
      measured: true,
      how: '',
      deadriseDeg: 17,
      slopeDeg: 0,
      angleMeasured: true,
      solidMm: null,
    },
    duty: 'coastal',
  },
  'Intake',
)
const nobody = { zones: [], parts: [], holes: [], others: [] }
const judgedThrough = (i: number) =>
  void judgeThroughHull(withChange(below, { 'pad.thicknessMm': 12 + (i % 12) }), nobody)
/** The first of a page: the engine has compiled little of it. */
export const throughAtFirst = () => timed(200, judgedThrough, 0)
export const through = () => timed(600, judgedThrough, 1200)
export const throughRemedies = () =>
  timed(600, (i) => {
    const d = withChange(below, { 'pad.diameterMm': 120 + (i % 60) })
    throughHullWithRemedies(d, judgeThroughHull(d, nobody), nobody)
  })
/** One hatch judged whole, its pane another each time, so that nothing is remembered. */
const hatch = opening.start(
  OPENING_CATALOGUE.find((e) => e.id === 'CL-H52')!,
  {
    zone: null,
    xMm: 2000,
    yMm: 0,
    zMm: 1600,
    structure: {
      kind: 'sandwich',
      skin: { laminate: 'mat' },
      outerMm: 4,
      innerMm: 3,
      core: { material: 'balsa-150', thicknessMm: 12 },
    },
    measured: [],
    edgeMm: null,
    belowWaterline: false,
    duty: 'coastal',
    zones: [],
  },
  'Hatch',
)
export const openings = () =>
  timed(
    200,
    (i) => void opening.judge(withChange(hatch, { 'pane.thicknessMm': 8 + (i % 40) / 10 }), ALONE),
    40,
  )
const FRAMED = {
  ...ALONE,
  zones: [
    {
      ...{ code: 'deck', title: 'Deck', face: 'deck', kind: 'sandwich' as const, zMm: 1600 },
      outline: [
        { xMm: 0, yMm: -2000 },
        { xMm: 9000, yMm: -2000 },
        { xMm: 9000, yMm: 2000 },
        { xMm: 0, yMm: 2000 },
      ],
      ...{ stacking: 1, reach: '', state: '', layers: [] },
    },
  ],
}
/** The deck round a hatch solved, with the hole and without. */
export const weakenedDeck = () =>
  timed(
    9,
    (i) => {
      const place = { ...hatch.place, zone: 'deck', xMm: 3000, yMm: 0 }
      const d = withChange(hatch, { place, 'outline.cornerMm': 40 + i })
      void solveWeakened(d, weakQuestion(d, FRAMED)!)
    },
    2,
  )
export const floodDay = () =>
  timed(
    9,
    (i) =>
      void floodAll({
        compartments: [0, 1, 2].map((k) => ({
          id: `c${k}`,
          title: 'Space',
          fromXMm: k,
          toXMm: k + 1,
          areaM2: 4 + k,
          floorZMm: -450,
        })),
        doors: [
          { a: 'c0', b: 'c1', title: '', open: true, sillZMm: -400, areaCm2: 80 },
          { a: 'c1', b: 'c2', title: '', open: true, sillZMm: -350, areaCm2: 120 },
        ],
        pumps: [{ compartment: 'c1', title: '', ratedLpm: 100, derate: 0.5, startZMm: -400 }],
        marks: [{ compartment: 'c2', name: 'sole', zMm: -200 }],
        holes: [{ compartment: 'c0', name: '', diameterMm: 32 + i, zMm: -430 }],
        hours: 24,
      }),
    2,
  )

const week = Object.fromEntries(
  ['mon', 'tue', 'wed', 'thu', 'fri'].map((d) => [
    d,
    [
      ['08:00', '12:00'],
      ['13:00', '17:00'],
    ],
  ]),
)
/** The heavy calculators, each with the aim it is held to, in ms. */
export const HEAVY: { what: string; aim: number; times: number; run: () => void }[] = [
  {
    what: 'spacing: 12 m edge, 14 fittings, 10 keep-outs',
    aim: 100,
    times: 7,
    run: () =>
      void runNamed('spacing', {
        path: [
          { xMm: 0, yMm: 0, zMm: 0 },
          { xMm: 12000, yMm: 0, zMm: 0 },
        ],
        fromMm: 0,
        toMm: 12000,
        footprintMm: 100,
        pitch: { leastMm: 700, wantedMm: 923, mostMm: 1150 },
        count: 14,
        keepouts: Array.from({ length: 10 }, (_, i) => ({
          fromMm: 700 + i * 1130,
          toMm: 780 + i * 1130,
          name: `frame ${i}`,
          marginMm: 10,
        })),
      }),
  },
  {
    what: 'plan: 200 steps, 3 fitters',
    aim: 2000,
    times: 3,
    run: () =>
      void runNamed('plan', {
        start: '2031-04-14T08:00',
        steps: Array.from({ length: 200 }, (_, i) => ({
          id: `s${i}`,
          minutes: 20 + ((i * 37) % 80),
          cureHours: i % 7 === 0 ? 12 : 0,
          hands: i % 9 === 0 ? 2 : 1,
          after: i > 2 && i % 3 === 0 ? [`s${i - 3}`] : [],
          needs: i % 5 === 0 ? ['surface'] : [],
        })),
        fitters: ['a', 'b', 'c'].map((id) => ({ id, hoursByDay: week })),
        holds: [
          { step: 's40', until: '2031-04-18' },
          { step: 's90', until: '2031-04-21' },
        ],
      }),
  },
  {
    what: 'flooding: 24 h, two pumps',
    aim: 200,
    times: 9,
    run: () =>
      void runNamed('flooding', {
        holeMm: 38,
        depthMm: 450,
        areaM2: 6,
        hours: 24,
        pumps: [
          { ratedLpm: 60, startMm: 30 },
          { ratedLpm: 90, startMm: 90 },
        ],
        marks: [{ name: 'sole', levelMm: 150 }],
      }),
  },
  {
    what: 'base-contact: sweep of 36 directions',
    aim: 100,
    times: 9,
    run: () => {
      for (let az = 0; az < 360; az += 10)
        runNamed('base-contact', {
          base: { lengthMm: 240, widthMm: 160 },
          bolts: [
            [-95, -55],
            [95, -55],
            [95, 55],
            [-95, 55],
          ].map(([xMm, yMm]) => ({ xMm, yMm })),
          bolt: { size: 'M12', grade: 'A4-70', gripMm: 45 },
          bedMPaPerMm: 180,
          loadN: {
            x: 9000 * Math.cos((az * Math.PI) / 180),
            y: 9000 * Math.sin((az * Math.PI) / 180),
            z: 1500,
          },
          pointMm: { x: 0, y: 0, z: 140 },
        })
    },
  },
]

const sandwich = {
  kind: 'sandwich',
  outerMm: 4,
  coreMm: 12,
  innerMm: 3,
  eMPa: 6500,
  nu: 0.3,
  coreGMPa: 150,
} as const
const pulled = (n: number) => ({
  panel: { aMm: 620, bMm: 500 },
  edges: { x0: 'simple', x1: 'simple', y0: 'simple', y1: 'simple' },
  layup: sandwich,
  loads: [{ xMm: 300, yMm: 240, lengthMm: 150, widthMm: 70, forceN: 6000 }],
  mesh: { nx: n, ny: n },
})
export const patchOf = (n: number) =>
  runNamed('deck-patch', pulled(n)) as { mesh: { nx: number; ny: number } }

/** One system, solved by our fronts and by the sparse LU of a general mathematics package. */
export function sameMatrix(n: number) {
  const dofs = 5
  const across = n + 1
  const s = sectionOf(sandwich)
  const ke = new Float64Array(400)
  addPlate(ke, dofs, 1, 620 / n, 500 / n, s.membrane!)
  addPlate(ke, dofs, 3, 620 / n, 500 / n, s.own)
  const held = new Uint8Array(across * across * dofs)
  for (let j = 0; j <= n; j++)
    for (let i = 0; i <= n; i++)
      if (i === 0 || j === 0 || i === n || j === n)
        held.fill(1, (j * across + i) * dofs, (j * across + i) * dofs + dofs)
  const rhs = Float64Array.from(held, (h, k) => (h || k % dofs ? 0 : 1))
  const entries = () => {
    const rows = new Map<number, Map<number, number>>()
    const put = (r: number, c: number, v: number) => {
      const row = rows.get(r) ?? rows.set(r, new Map()).get(r)!
      row.set(c, (row.get(c) ?? 0) + v)
    }
    for (let j = 0; j < n; j++)
      for (let i = 0; i < n; i++) {
        const at = [
          j * across + i,
          j * across + i + 1,
          (j + 1) * across + i + 1,
          (j + 1) * across + i,
        ].flatMap((c) => Array.from({ length: dofs }, (_, d) => c * dofs + d))
        for (let r = 0; r < 20; r++)
          for (let c = 0; c < 20; c++)
            if (!held[at[r]!] && !held[at[c]!]) put(at[r]!, at[c]!, ke[r * 20 + c]!)
      }
    held.forEach((h, k) => h && put(k, k, 1))
    return rows
  }
  return {
    unknowns: rhs.length,
    rhs,
    entries,
    ours: () => factorGrid({ nx: n, ny: n, dofs, element: () => ke, held }).solve(rhs),
  }
}
