import type { Duty, PartKind, Point, Units, Rig } from '@north-tide/core'
import { box, fullDeck, halfBreadth, poly, sideStrip } from './outlines'

/** The invented yard's boats (chapter 13). All made up. */
export interface DemoBoat {
  id: string
  name: string
  kind: string
  lengthMm: number
  beamMm: number
  displacementKg: number
  duty: Duty
  units: Units
  hullMaterial: string
  note: string
  isMain: boolean
  rig: Rig | null
  /** x aft of the stem, half-breadth, sheer height, keel height, mm */
  stations: [number, number, number, number][]
  zones: DemoZone[]
  parts: [
    kind: PartKind,
    title: string,
    x0: number,
    y0: number,
    x1: number,
    y1: number,
    belowMm?: number | null,
    depthMm?: number | null,
    widthMm?: number | null,
  ][]
}
export interface DemoZone {
  code: string
  title: string
  face: 'deck' | 'roof' | 'topsides' | 'bottom' | 'bulkhead'
  kind: 'sandwich' | 'solid' | 'metal' | 'timber'
  zMm: number
  stacking?: number
  reachKind?: 'open' | 'one-arm' | 'none'
  atXMm?: number
  reach?: string
  state?: string
  /** of a bottom, by station */
  deadrise?: [xMm: number, deg: number][]
  outline: Point[]
  layers: [material: string, thicknessMm: number, measured: boolean, by?: string][]
}

const F: [number, number, number, number][] = [
  [0, 20, 1720, 1500],
  [300, 420, 1695, 700],
  [700, 745, 1665, 120],
  [1200, 1055, 1630, -330],
  [1900, 1370, 1585, -470],
  [3000, 1670, 1525, -540],
  [4500, 1815, 1460, -590],
  [6000, 1850, 1420, -600],
  [8000, 1840, 1390, -560],
  [10000, 1745, 1375, -470],
  [11300, 1640, 1370, -380],
  [11800, 1590, 1370, -340],
]
const P: [number, number, number, number][] = [
  [0, 15, 720, 500],
  [600, 420, 690, 40],
  [1500, 760, 650, -160],
  [2800, 1010, 610, -220],
  [4200, 1060, 590, -220],
  [5600, 960, 585, -170],
  [6400, 860, 585, -120],
]
const T: [number, number, number, number][] = [
  [0, 700, 1080, 560],
  [500, 1040, 1040, -60],
  [1400, 1240, 990, -320],
  [3000, 1300, 930, -380],
  [5500, 1300, 900, -380],
  [8100, 1260, 890, -330],
]

const sandwich = (
  outer: number,
  core: string,
  coreMm: number,
  inner: number,
  measured: [boolean, boolean, boolean],
): DemoZone['layers'] => [
  ['mat', outer, measured[0], measured[0] ? 'drilled plug' : ''],
  [core, coreMm, measured[1], measured[1] ? 'drilled plug' : ''],
  ['mat', inner, measured[2], measured[2] ? 'drilled plug' : ''],
]
const roofHalf = 940

export const DEMO_BOATS: DemoBoat[] = [
  {
    id: 'fulmars-reach',
    name: 'Fulmar\u2019s Reach',
    kind: 'harbour survey launch, fitting out for seabird ringing and coast research',
    lengthMm: 11800,
    beamMm: 3700,
    displacementKg: 9400,
    duty: 'coastal',
    units: 'metric',
    hullMaterial: 'laminate, cored decks',
    note: 'On the hard, bow up 0.7\u00b0, heeled 0.4\u00b0 to port.',
    isMain: true,
    rig: 'steadying',
    stations: F,
    zones: [
      {
        code: 'foredeck',
        title: 'Foredeck',
        face: 'deck',
        kind: 'sandwich',
        zMm: 1620,
        reach: 'through the fore peak, one arm',
        reachKind: 'one-arm',
        state: 'wet patch near x 1150, starboard 610',
        outline: fullDeck(F, 300, 3100),
        layers: sandwich(4, 'balsa-150', 12, 3, [true, true, false]),
      },
      {
        code: 'side-port-edge',
        title: 'Side deck edge, port',
        face: 'deck',
        kind: 'solid',
        zMm: 1440,
        outline: sideStrip(F, 3100, 7400, -1, (x) => halfBreadth(F, x) - 90, 0),
        layers: [['mat', 9.5, true, 'ultrasonic']],
      },
      {
        code: 'side-stbd-edge',
        title: 'Side deck edge, starboard',
        face: 'deck',
        kind: 'solid',
        zMm: 1440,
        outline: sideStrip(F, 3100, 7400, 1, (x) => halfBreadth(F, x) - 90, 0),
        layers: [['mat', 9.5, true, 'ultrasonic']],
      },
      {
        code: 'side-port',
        title: 'Side deck, port',
        face: 'deck',
        kind: 'sandwich',
        zMm: 1440,
        reach: 'behind the locker back, two arms',
        reachKind: 'open',
        outline: sideStrip(F, 3100, 7400, -1, () => roofHalf, 90),
        layers: sandwich(4, 'balsa-150', 12, 3, [true, false, false]),
      },
      {
        code: 'side-stbd',
        title: 'Side deck, starboard',
        face: 'deck',
        kind: 'sandwich',
        zMm: 1440,
        reach: 'behind the liner: none without cutting it',
        reachKind: 'none',
        outline: sideStrip(F, 3100, 7400, 1, () => roofHalf, 90),
        layers: sandwich(4, 'balsa-150', 12, 3, [true, false, false]),
      },
      {
        code: 'working-deck',
        title: 'Working deck',
        face: 'deck',
        kind: 'sandwich',
        zMm: 1150,
        reach: 'from the lazarette, crawling',
        reachKind: 'one-arm',
        state: 'wet round the old net-hauler\u2019s holes',
        outline: fullDeck(F, 7400, 11300, 60),
        layers: sandwich(5, 'balsa-150', 19, 4, [true, true, true]),
      },
      {
        code: 'roof',
        title: 'Wheelhouse roof',
        face: 'roof',
        kind: 'sandwich',
        zMm: 2700,
        stacking: 1,
        reach: 'behind the headliner',
        reachKind: 'one-arm',
        outline: poly(
          [3300, -760],
          [3300, 760],
          [3620, roofHalf],
          [7200, roofHalf],
          [7200, -roofHalf],
          [3620, -roofHalf],
        ),
        layers: sandwich(3, 'pvc-130', 15, 2.5, [false, false, false]),
      },
      {
        code: 'topsides',
        title: 'Topsides',
        face: 'topsides',
        kind: 'solid',
        zMm: 700,
        outline: box(1200, 300, 11800, 1300),
        layers: [['woven', 9, true, 'ultrasonic']],
      },
      {
        code: 'bottom',
        title: 'Bottom',
        face: 'bottom',
        kind: 'solid',
        zMm: -400,
        deadrise: [
          [6500, 17],
          [11800, 12],
        ],
        outline: box(1200, -560, 11800, 0),
        layers: [['woven', 14, true, 'drilled plug']],
      },
      {
        code: 'collision-bulkhead',
        title: 'Collision bulkhead',
        face: 'bulkhead',
        kind: 'timber',
        zMm: 600,
        state: 'to be made watertight',
        atXMm: 1900,
        reach: 'from both sides',
        reachKind: 'open',
        outline: poly(
          [-1250, 1500],
          [-1250, 500],
          [-700, -150],
          [0, -380],
          [700, -150],
          [1250, 500],
          [1250, 1500],
        ),
        layers: [['plywood', 18, true, 'rule']],
      },
    ],
    parts: [
      ...Array.from(
        { length: 18 },
        (_, i) =>
          ['beam', 'deck beam', 620 * (i + 1), -1, 620 * (i + 1), 1] as [
            PartKind,
            string,
            number,
            number,
            number,
            number,
          ],
      ),
      ['longitudinal', 'longitudinal', 300, 750, 11300, 750],
      ['longitudinal', 'longitudinal', 300, -750, 11300, -750],
      ['bulkhead', 'Collision bulkhead', 1900, -1370, 1900, 1370],
      ['tank', 'Fuel tank', 5600, -560, 7000, 560, 620, 480],
      ['headliner', 'Headliner', 3350, -900, 7150, 900, 35],
      ['liner', 'Side liner', 3100, 1000, 7400, 1780, 60],
      ['cable', 'Cable to the bow light', 300, 180, 3300, 420, 25],
      ['knee', 'Knee under the bitt', 1240, 300, 1240, 780, null, 180, 18],
    ],
  },
  {
    id: 'pipit',
    name: 'Pipit',
    kind: 'open day-sailing boat of a youth club',
    lengthMm: 6400,
    beamMm: 2120,
    displacementKg: 780,
    duty: 'sheltered',
    units: 'inch',
    hullMaterial: 'laminate, plywood-cored deck',
    note: '',
    isMain: false,
    rig: 'sloop',
    stations: P,
    zones: [
      {
        code: 'foredeck',
        title: 'Foredeck',
        face: 'deck',
        kind: 'sandwich',
        zMm: 660,
        reach: 'from the cuddy',
        outline: fullDeck(P, 200, 2400),
        layers: sandwich(4.7625, 'plywood', 12.7, 3.175, [true, true, true]),
      },
      {
        code: 'side-port',
        title: 'Side deck, port',
        face: 'deck',
        kind: 'sandwich',
        zMm: 600,
        outline: sideStrip(P, 2400, 5900, -1, (x) => halfBreadth(P, x) - 380, 0),
        layers: sandwich(4.7625, 'plywood', 12.7, 3.175, [true, true, true]),
      },
      {
        code: 'side-stbd',
        title: 'Side deck, starboard',
        face: 'deck',
        kind: 'sandwich',
        zMm: 600,
        outline: sideStrip(P, 2400, 5900, 1, (x) => halfBreadth(P, x) - 380, 0),
        layers: sandwich(4.7625, 'plywood', 12.7, 3.175, [true, false, false]),
      },
      {
        code: 'after-deck',
        title: 'After deck',
        face: 'deck',
        kind: 'sandwich',
        zMm: 585,
        outline: fullDeck(P, 5900, 6400),
        layers: sandwich(4.7625, 'plywood', 12.7, 3.175, [false, false, false]),
      },
    ],
    parts: [
      ['beam', 'deck beam', 1200, -1, 1200, 1],
      ['beam', 'deck beam', 2400, -1, 2400, 1],
      ['tank', 'Buoyancy tank', 300, -500, 2300, 500],
    ],
  },
  {
    id: 'tarn-runner',
    name: 'Tarn Runner',
    kind: 'aluminium shellfish-farm workboat',
    lengthMm: 8100,
    beamMm: 2600,
    displacementKg: 2600,
    duty: 'coastal',
    units: 'metric',
    hullMaterial: 'aluminium 5083',
    note: '',
    isMain: false,
    rig: null,
    stations: T,
    zones: [
      {
        code: 'deck',
        title: 'Deck',
        face: 'deck',
        kind: 'metal',
        zMm: 900,
        reach: 'from the hold',
        outline: fullDeck(T, 0, 8100),
        layers: [['aluminium-5083', 4, true, 'ultrasonic']],
      },
      {
        code: 'sides',
        title: 'Sides',
        face: 'topsides',
        kind: 'metal',
        zMm: 500,
        outline: box(500, 0, 8100, 850),
        layers: [['aluminium-5083', 5, true, 'ultrasonic']],
      },
      {
        code: 'bottom',
        title: 'Bottom',
        face: 'bottom',
        kind: 'metal',
        zMm: -300,
        deadrise: [[4500, 8]],
        outline: box(500, -380, 8100, 0),
        layers: [['aluminium-5083', 6, true, 'ultrasonic']],
      },
    ],
    parts: [
      ...Array.from(
        { length: 12 },
        (_, i) =>
          ['beam', 'frame', 620 * (i + 1), -1, 620 * (i + 1), 1] as [
            PartKind,
            string,
            number,
            number,
            number,
            number,
          ],
      ),
      ['longitudinal', 'stringer', 300, 600, 8000, 600],
      ['longitudinal', 'stringer', 300, -600, 8000, -600],
    ],
  },
]
