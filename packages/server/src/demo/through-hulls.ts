import dayjs from 'dayjs'
import { VALVES } from '@north-tide/core/through-hull'
import { Penetration } from '../models'
import type { Account } from '../services/access'
import { saveFloodPlan } from '../services/flooding'
import { logFitting, recordFitting } from '../services/work'
import { put, type Placed } from './placed'

const F = 'fulmars-reach'
const answers = {
  slings: 'slings at frames 3 and 9, said by the hoist',
  reach: 'under the lab\u2019s floorboard, one hand',
}
const conditions = {
  'bedding.airC': 14,
  'bedding.surfaceC': 13,
  'bedding.humidityPct': 60,
  'bedding.tempC': 13,
  'bedding.takenAt': dayjs().subtract(2, 'day').toISOString(),
}
const wedge = { 'hull.angleMeasured': true, asks: answers }
// The store\u2019s one 3/4 valve has an American taper thread; the order check is what finds it.
const wrong = VALVES.find((v) => v.id === 'MV-BN34')!

const WANTED: Placed[] = [
  [
    F,
    {
      catalogueId: 'MV-S114',
      name: 'Wet-lab intake',
      xMm: 7190,
      yMm: 430,
      zMm: -430,
      zone: 'bottom',
      use: 'lab-intake',
    },
    {
      ...wedge,
      ...conditions,
      'clock.obstacles': [{ x1Mm: -200, y1Mm: 90, x2Mm: 260, y2Mm: 90, what: 'floor of the lab' }],
      'clock.wantedDeg': 0,
      'clock.measuredDeg': 0,
      'hold.method': 'through',
      flowLpm: 30,
    },
  ],
  [
    F,
    {
      catalogueId: 'MV-K112',
      name: 'Wet-lab overboard drain',
      xMm: 7260,
      yMm: 660,
      zMm: -180,
      zone: 'bottom',
      use: 'sink-drain',
    },
    {
      'bedding.flange': 'epoxy-filled',
      'bedding.tail': 'epoxy-filled',
      'wedge.blocks': 'none',
      ...conditions,
    },
  ],
  [
    F,
    {
      catalogueId: 'MV-B34',
      name: 'Deck-wash intake, renewed',
      xMm: 3600,
      yMm: 380,
      zMm: -450,
      zone: 'bottom',
      use: 'deck-wash',
    },
    { valve: wrong },
  ],
  [
    F,
    {
      catalogueId: 'MV-E55',
      name: 'Echo-sounder',
      xMm: 4700,
      yMm: 320,
      zMm: -480,
      zone: 'bottom',
      use: 'instrument',
    },
    { 'hull.angleMeasured': true, ...conditions },
  ],
  [
    F,
    {
      catalogueId: 'MV-E90',
      name: 'Current profiler',
      xMm: 5400,
      yMm: -300,
      zMm: -480,
      zone: 'bottom',
      use: 'instrument',
    },
    {
      'wedge.blocks': 'both',
      'skin.id': null,
      'skin.title': 'Profiler, bronze housing, long tail',
      'skin.tailMm': 140,
      'skin.greatestTotalMm': 130,
    },
  ],
  [
    F,
    {
      catalogueId: 'MV-G25',
      name: 'Garboard drain',
      xMm: 10900,
      yMm: 90,
      zMm: -330,
      zone: 'bottom',
      use: 'drain',
      deadriseDeg: 12,
    },
    { 'plug.grounds': true },
  ],
  [
    'tarn-runner',
    {
      catalogueId: 'MV-W114',
      name: 'Sea-water intake',
      xMm: 5600,
      yMm: 350,
      zMm: -280,
      zone: 'bottom',
      use: 'engine-intake',
      deadriseDeg: 8,
    },
  ],
  [
    'pipit',
    {
      catalogueId: 'MV-G20T',
      name: 'Drain socket, transom',
      xMm: 6350,
      yMm: 0,
      zMm: 60,
      use: 'drain',
      deadriseDeg: 0,
    },
    { 'plug.grounds': true, 'metals.isolated': true },
  ],
]
/** In the hole that was found with its seized cock. */
const engineIntake = (holeId: number): Placed => [
  F,
  { catalogueId: 'MV-B114', holeId, use: 'engine-intake' },
  {
    valve: VALVES.find((v) => v.id === 'MV-BT114')!,
    pad: null,
    'hose.clips': 1,
    findings: ['mixed-threads', 'yellow-brass', 'seized', 'one-clip'],
  },
]
const ANODE_STUD: Placed = [
  F,
  {
    catalogueId: 'MV-A10',
    name: 'Anode stud, shaft',
    xMm: 10300,
    yMm: 150,
    zMm: -380,
    zone: 'bottom',
    use: 'protection',
    deadriseDeg: 12,
  },
  {
    'stud.clearOfBilge': true,
    'stud.spannerRoom': true,
    'stud.protects': 'shaft and propeller',
    'metals.anode': { alloy: 'zinc', wettedM2: 0.35, finish: 'bare-bronze', years: 1, pieceKg: 1.2 },
  },
]

const FLOOD_PLAN = {
  compartments: [
    { id: 'fore', title: 'Fore peak', fromXMm: 0, toXMm: 1900, areaM2: 1.6, floorZMm: -330 },
    { id: 'main', title: 'Cabin and engine', fromXMm: 1900, toXMm: 7400, areaM2: 9.5, floorZMm: -480 },
    { id: 'lazarette', title: 'Lazarette', fromXMm: 7400, toXMm: 11800, areaM2: 7.8, floorZMm: -400 },
  ],
  doors: [
    {
      a: 'fore',
      b: 'main',
      title: 'Limber in the collision bulkhead',
      open: true,
      sillZMm: -320,
      areaCm2: 20,
    },
    { a: 'main', b: 'lazarette', title: 'Shaft tunnel', open: false, sillZMm: -380, areaCm2: 120 },
  ],
  pumps: [
    { compartment: 'main', title: 'Bilge pump, engine', ratedLpm: 120, derate: 0.5, startZMm: -420 },
    { compartment: 'lazarette', title: 'Bilge pump, aft', ratedLpm: 60, derate: 0.5, startZMm: -350 },
  ],
  marks: [
    { compartment: 'main', name: 'Cabin sole', zMm: -250 },
    { compartment: 'main', name: 'Batteries', zMm: -150 },
    { compartment: 'lazarette', name: 'Steering gear', zMm: -200 },
  ],
}

/**
 * What goes through the hulls: the work wanted, what was found, and what a boat is for water that comes
 * in.
 */
export async function seedThroughHulls(fitter: Account) {
  const engine = (await Penetration.findOne({ where: { boatId: F, whatFor: 'Engine intake' } }))!
  const [before, after] = [WANTED.slice(0, 3), WANTED.slice(3)]
  for (const p of [...before, engineIntake(engine.id), ...after]) await put(fitter, p)
  const stud = await put(fitter, ANODE_STUD)
  await logFitting(fitter, stud, { kind: 'bond', value: 0.06, note: 'stud to shaft, brush clean' })
  await recordFitting(fitter, stud)
  await saveFloodPlan(fitter, F, { version: 0, plan: FLOOD_PLAN })
}
