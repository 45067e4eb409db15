import { seedOpenings } from './openings'
import dayjs from 'dayjs'
import { QueryTypes, type Sequelize } from 'sequelize'
import { solverChecks } from '@north-tide/core/solver'
import { kindNamed } from '@north-tide/core/kinds'
import { VALVES } from '@north-tide/core/through-hull'
import {
  catalogueEntry,
  roomAround,
  judge,
  sizeIt,
  statesFor,
  stepsOf,
  spotBoat,
  spotFor,
  startDesign,
  withChange,
  zoneAt,
  zoneCodeOf,
  type Design,
  type LifeState,
} from '@north-tide/core'
import { readingOf } from '../instruments/stand-ins'
import {
  AngleReading,
  Boat,
  BoatRole,
  Fitting,
  WorkLog,
  LifeEvent,
  Lot,
  Penetration,
  Reading,
  Station,
  StructurePart,
  User,
  Zone,
  ZoneLayer,
} from '../models'
import { zonesOf } from '../services/zones'
import { judgeOn, stored } from '../services/verdict'
import { place as placeFitting, saveFitting } from '../services/fittings'
import { logFitting, recordFitting } from '../services/work'
import { aroundIn, snapshotOf } from '../services/snapshot'
import { saveFloodPlan } from '../services/flooding'
import { blank } from '../services/life'
import { hashPassword } from '../services/password'
import type { Account } from '../services/access'
import { DEMO_BOATS } from './boats'

/** Accounts of the demo by role; the passwords are in the README, for this is a demo. */
export const DEMO_ACCOUNTS = [
  { login: 'manager', name: 'Isa Rendall', role: 'manager', password: 'tide-manager' },
  { login: 'fitter', name: 'Tam Corrigall', role: 'fitter', password: 'tide-fitter' },
  {
    login: 'apprentice',
    name: 'Jo Linklater',
    role: 'apprentice',
    password: 'tide-apprentice',
  },
  { login: 'owner', name: 'M. Halcro', role: 'owner', boat: 'fulmars-reach', password: 'tide-owner' },
  {
    login: 'surveyor',
    name: 'A. Ingsay',
    role: 'surveyor',
    boat: 'fulmars-reach',
    password: 'tide-surveyor',
  },
] as const

/** from the Wednesday of week 15 to the Saturday of week 22 */
const LAUNCH_IN_DAYS = 52
const days = (n: number) => dayjs().add(n, 'day').format('YYYY-MM-DD')
const LOTS = [
  {
    code: 'TC-B20-114',
    title: 'Butyl tape, 20 mm',
    chemistry: 'butyl',
    kind: 'sealant',
    openedOn: days(-30),
    expiresOn: days(900),
    storedHot: false,
    quantity: 11,
    unit: 'm',
  },
  {
    code: 'TC-PM-0387',
    title: 'Polyurethane, medium hold, 300 ml',
    chemistry: 'pu-medium',
    kind: 'sealant',
    openedOn: null,
    expiresOn: days(9),
    storedHot: false,
    quantity: 3,
    unit: 'tubes',
  },
  {
    code: 'TC-PM-0290',
    title: 'Polyurethane, medium hold, 300 ml',
    chemistry: 'pu-medium',
    kind: 'sealant',
    openedOn: days(-200),
    expiresOn: days(-41),
    storedHot: false,
    quantity: 1,
    unit: 'tube',
  },
  {
    code: 'TC-HY-0512',
    title: 'Silyl-modified polymer, 300 ml',
    chemistry: 'hybrid',
    kind: 'sealant',
    openedOn: null,
    expiresOn: days(260),
    storedHot: false,
    quantity: 6,
    unit: 'tubes',
  },
  {
    code: 'TC-PS-0066',
    title: 'Polysulfide, 300 ml',
    chemistry: 'polysulfide',
    kind: 'sealant',
    openedOn: null,
    expiresOn: days(120),
    storedHot: true,
    quantity: 2,
    unit: 'tubes',
  },
  {
    code: 'TC-EP-2201',
    title: 'Epoxy 2:1 with slow and fast hardener',
    chemistry: 'epoxy',
    kind: 'epoxy',
    openedOn: days(-12),
    expiresOn: days(320),
    storedHot: false,
    quantity: 4,
    unit: 'kg',
  },
  {
    code: 'TC-EP-2054',
    title: 'Epoxy 2:1, old drum',
    chemistry: 'epoxy',
    kind: 'epoxy',
    openedOn: days(-400),
    expiresOn: days(-20),
    storedHot: false,
    quantity: 1,
    unit: 'kg',
  },
] as const

interface Wanted {
  boat: string
  catalogue: string
  name: string
  x: number
  y: number
  change?: Record<string, unknown>
  /** sized before it is stored */
  sized?: boolean
  life?: LifeState
}
const WANTED: Wanted[] = [
  {
    boat: 'fulmars-reach',
    catalogue: 'HG-C250',
    name: 'Mooring cleat, port bow',
    x: 900,
    y: -640,
    change: { 'plate.thicknessMm': 6 },
  },
  {
    boat: 'fulmars-reach',
    catalogue: 'HG-B160',
    name: 'Towing and mooring bitt',
    x: 1180,
    y: 520,
    change: { 'core.torn': true },
  },
  {
    boat: 'fulmars-reach',
    catalogue: 'HG-C250',
    name: 'Mooring cleat, port quarter',
    x: 10940,
    y: -1380,
    sized: true,
    life: 'dry-fitted',
  },
  {
    boat: 'fulmars-reach',
    catalogue: 'HG-C250',
    name: 'Mooring cleat, starboard quarter',
    x: 10940,
    y: 1380,
    sized: true,
    life: 'in-service',
  },
  {
    boat: 'fulmars-reach',
    catalogue: 'HG-F220',
    name: 'Gallows foot plate, starboard',
    x: 9600,
    y: 640,
    sized: true,
    life: 'core-sealed',
  },
  {
    boat: 'fulmars-reach',
    catalogue: 'HG-W200',
    name: 'Sampling winch base',
    x: 8050,
    y: 0,
    change: { 'load.ratedN': 9000 },
    sized: true,
    life: 'marked',
  },
  {
    boat: 'fulmars-reach',
    catalogue: 'HG-S25',
    name: 'Stanchion 2, starboard',
    x: 4300,
    y: 1640,
    sized: true,
    life: 'bedded',
  },
  {
    boat: 'fulmars-reach',
    catalogue: 'HG-S25',
    name: 'Stanchion 3, starboard',
    x: 5280,
    y: 1660,
    sized: true,
    life: 'drilled',
  },
  { boat: 'fulmars-reach', catalogue: 'HG-P60', name: 'Tether point, wheelhouse roof', x: 4600, y: 420 },
  { boat: 'fulmars-reach', catalogue: 'HG-MS20', name: 'Steadying mast step', x: 5900, y: 0 },
  { boat: 'pipit', catalogue: 'HG-CC6', name: 'Cam-cleat pad, port', x: 3600, y: -820 },
  {
    boat: 'pipit',
    catalogue: 'HG-C6I',
    name: 'Foredeck cleat',
    x: 700,
    y: 0,
    change: { 'load.breakingN': 9000, 'load.line': undefined, 'load.diameterMm': undefined },
  },
  { boat: 'pipit', catalogue: 'HG-TR4I', name: 'Jib-sheet track, port', x: 3300, y: -760 },
  { boat: 'tarn-runner', catalogue: 'HG-TW90', name: 'Towing post', x: 5200, y: 0 },
  {
    boat: 'tarn-runner',
    catalogue: 'HG-LP90',
    name: 'Lifting point, port bow',
    x: 1860,
    y: -600,
    change: { doubler: { lengthMm: 300, widthMm: 300, thicknessMm: 8, weldMm: 4 } },
  },
  {
    boat: 'tarn-runner',
    catalogue: 'HG-LP90',
    name: 'Lifting point, starboard bow',
    x: 1860,
    y: 600,
    change: { doubler: { lengthMm: 300, widthMm: 300, thicknessMm: 8, weldMm: 4 } },
  },
]
/**
 * Found in the deck when the survey began: cut-off bolts of the net-hauler, rail holes, and what was
 * below.
 */
const FOUND: [
  whatFor: string,
  zone: string,
  x: number,
  y: number,
  z: number,
  d: number,
  state: LifeState,
  note: string,
][] = [
  [
    'Old net-hauler, hole 1',
    'Working deck',
    8650,
    -700,
    1150,
    13,
    'suspect',
    'wet to a knife point; bolt cut off flush',
  ],
  ['Old net-hauler, hole 2', 'Working deck', 8650, -980, 1150, 13, 'suspect', 'soft filler, unbonded'],
  ['Old net-hauler, hole 3', 'Working deck', 9220, -700, 1150, 13, 'suspect', 'core dark when probed'],
  ['Old net-hauler, hole 4', 'Working deck', 9220, -980, 1150, 14.5, 'suspect', 'oval, 14.5 by 12'],
  ['Old net-hauler, hole 5', 'Working deck', 9700, -840, 1150, 13, 'suspect', 'weeps after rain'],
  [
    'Old net-hauler, hole 6',
    'Working deck',
    8650,
    760,
    1150,
    13,
    'closed',
    'bevel 12:1, eight plies, faired',
  ],
  ['Old rail, hole 1', 'Side deck, port', 4020, -1600, 1440, 6.5, 'closed', 'bevel 12:1, filled and faired'],
  ['Old rail, hole 2', 'Side deck, port', 4640, -1640, 1440, 6.5, 'closed', 'bevel 12:1, filled and faired'],
  ['Old rail, hole 3', 'Side deck, port', 5260, -1650, 1440, 6.5, 'suspect', 'cut-off rivet, rust weep'],
  ['Old rail, hole 4', 'Side deck, port', 5880, -1655, 1440, 6.5, 'suspect', 'cut-off rivet'],
  ['Old rail, hole 5', 'Side deck, port', 6500, -1655, 1440, 6.5, 'suspect', 'filled with soft sealant'],
  ['Engine intake', 'Bottom', 6900, -420, -420, 43, 'suspect', 'handle seized; mixed threads at the valve'],
  ['Deck wash intake', 'Bottom', 3600, 380, -450, 33, 'in-service', 'found sound'],
  ['Echo-sounder, old', 'Bottom', 5100, 300, -480, 57, 'in-service', 'found sound'],
  ['Cockpit drain, port', 'Topsides', 8800, -1700, 260, 43, 'in-service', 'found sound'],
]
const LADDER: LifeState[] = [
  'marked',
  'drilled',
  'core-sealed',
  'dry-fitted',
  'bedded',
  'cured',
  'proved',
  'in-service',
]

const mark = (owner: Sequelize, value: 'loading' | 'loaded') =>
  owner.query(
    `INSERT INTO settings (key, value) VALUES ('demo', :value) ON CONFLICT (key) DO UPDATE SET value = EXCLUDED.value`,
    { replacements: { value } },
  )
/**
 * Takes away what a load that was killed left half done. Nobody has used it: no server answers before the
 * mark says that it is whole.
 */
async function clearHalfLoaded(owner: Sequelize): Promise<void> {
  const [row] = await owner.query<{ value: string }>(`SELECT value FROM settings WHERE key = 'demo'`, {
    type: QueryTypes.SELECT,
  })
  if (row?.value !== 'loading') return
  const tables = await owner.query<{ name: string }>(
    `SELECT relname AS name FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r' AND relname NOT IN ('migrations', 'settings', 'session', 'rate_hits')`,
    { type: QueryTypes.SELECT },
  )
  await owner.transaction(async (transaction) => {
    for (const t of INSERT_ONLY) await owner.query(`ALTER TABLE ${t} DISABLE TRIGGER USER`, { transaction })
    await owner.query(`TRUNCATE ${tables.map((t) => `"${t.name}"`).join(', ')} RESTART IDENTITY CASCADE`, {
      transaction,
    })
    for (const t of INSERT_ONLY) await owner.query(`ALTER TABLE ${t} ENABLE TRIGGER USER`, { transaction })
  })
}
const INSERT_ONLY = ['life_events', 'work_log', 'revisions']

/**
 * Loads the invented yard when the database is empty, whole or not at all; does nothing otherwise. `owner`
 * owns the tables.
 */
export async function seedDemo(db: Sequelize, owner: Sequelize = db): Promise<boolean> {
  await clearHalfLoaded(owner)
  if ((await Boat.count()) > 0) return false
  await mark(owner, 'loading')
  await db.transaction(async (transaction) => {
    for (const b of DEMO_BOATS) {
      await Boat.create(
        {
          id: b.id,
          name: b.name,
          kind: b.kind,
          lengthMm: b.lengthMm,
          beamMm: b.beamMm,
          displacementKg: b.displacementKg,
          duty: b.duty,
          units: b.units,
          hullMaterial: b.hullMaterial,
          note: b.note,
          isMain: b.isMain,
          rig: b.rig,
          launchOn: b.isMain ? days(LAUNCH_IN_DAYS) : null,
        },
        { transaction },
      )
      await Station.bulkCreate(
        b.stations.map(([xMm, halfBreadthMm, sheerMm, keelMm]) => ({
          boatId: b.id,
          xMm,
          halfBreadthMm,
          sheerMm,
          keelMm,
        })),
        { transaction },
      )
      for (const z of b.zones) {
        const zone = await Zone.create(
          {
            boatId: b.id,
            code: z.code,
            title: z.title,
            face: z.face,
            kind: z.kind,
            zMm: z.zMm,
            outlineX: z.outline.map((p) => p.xMm),
            outlineY: z.outline.map((p) => p.yMm),
            stacking: z.stacking ?? 0,
            reach: z.reach ?? '',
            reachKind: z.reachKind ?? 'unknown',
            atXMm: z.atXMm ?? null,
            state: z.state ?? '',
            deadriseX: (z.deadrise ?? []).map(([x]) => x),
            deadriseDeg: (z.deadrise ?? []).map(([, deg]) => deg),
          },
          { transaction },
        )
        await ZoneLayer.bulkCreate(
          z.layers.map(([material, thicknessMm, measured, by], seq) => ({
            zoneId: zone.id,
            seq,
            material,
            thicknessMm,
            measured,
            measuredBy: by ?? '',
          })),
          { transaction },
        )
      }
      await StructurePart.bulkCreate(
        b.parts.map(([kind, title, x0Mm, y0Mm, x1Mm, y1Mm, belowMm, depthMm, widthMm]) => ({
          boatId: b.id,
          kind,
          title,
          x0Mm,
          y0Mm,
          x1Mm,
          y1Mm,
          belowMm: belowMm ?? null,
          depthMm: depthMm ?? null,
          widthMm: widthMm ?? null,
        })),
        { transaction },
      )
    }
    for (const a of DEMO_ACCOUNTS) {
      const u = await User.create(
        {
          login: a.login,
          name: a.name,
          role: a.role,
          passwordHash: await hashPassword(a.password),
        },
        { transaction },
      )
      if ('boat' in a) await BoatRole.create({ userId: u.id, boatId: a.boat, role: a.role }, { transaction })
    }
    await Lot.bulkCreate(
      LOTS.map((l) => ({ ...l, testedOn: null })),
      { transaction },
    )
  })
  const fitter: Account = { id: 0, login: 'fitter', name: 'Tam Corrigall', role: 'fitter', boats: {} }
  await seedFound()
  await seedSurvey()
  for (const w of WANTED) await seedFitting(w, fitter)
  await seedThroughHull(fitter)
  await seedOpenings(fitter)
  await mark(owner, 'loaded')
  return true
}

async function seedFound() {
  const zones = await zonesOf('fulmars-reach')
  for (const [i, [whatFor, zone, xMm, yMm, zMm, diameterMm, state, note]] of FOUND.entries()) {
    const p = await Penetration.create({
      boatId: 'fulmars-reach',
      number: i + 1,
      fittingId: null,
      boltIndex: null,
      whatFor,
      zone: zoneCodeOf(zones, zone)!,
      xMm,
      yMm,
      zMm,
      diameterMm,
      through: 'as found',
      fastener: '',
      plate: '',
      coreSchool: 'none',
      sealant: null,
      belowWaterline: zMm < 0,
      found: true,
    })
    await LifeEvent.create({
      ...blank,
      penetrationId: p.id,
      seq: 1,
      state,
      note: `Age unknown. ${note}.`,
      evidence: state === 'closed' ? note : '',
      who: 'Isa Rendall',
      happenedAt: dayjs()
        .subtract(40 - i, 'day')
        .toDate(),
      sizeMm: diameterMm,
    })
  }
}

/**
 * The survey's morning: moisture where it was looked for, two plugs, taps, and the level laid on what was
 * built level.
 */
async function seedSurvey() {
  const boatId = 'fulmars-reach'
  const zones = new Map((await Zone.findAll({ where: { boatId } })).map((z) => [z.code, z.id]))
  const stand = {
    seed: 7,
    boatId,
    role: 'reference' as const,
    station: '',
    side: 'starboard' as const,
    axis: 'across' as const,
    aboutMm: 9.5,
  }
  let minute = 0
  const at = () =>
    dayjs()
      .subtract(41, 'day')
      .hour(9)
      .minute(0)
      .second(0)
      .millisecond(0)
      .add(minute++ * 2, 'minute')
      .toDate()
  const who = 'Isa Rendall'
  const spots: [string, number, number][] = [
    ...[700, 1000, 1300, 1600, 2000, 2500].flatMap((x): [string, number, number][] =>
      [-500, 0, 300, 600, 800].filter((y) => Math.abs(y) < 300 + 0.42 * x).map((y) => ['foredeck', x, y]),
    ),
    ...[8200, 8650, 9150, 9700, 10300].flatMap((x): [string, number, number][] =>
      [-1300, -1000, -700, -300, 300, 900].map((y) => ['working-deck', x, y]),
    ),
  ]
  for (const [code, xMm, yMm] of spots) {
    const r = readingOf('moisture', { ...stand, xMm, yMm }, 1, at())
    await Reading.create({
      boatId,
      zoneId: zones.get(code)!,
      kind: 'moisture',
      xMm,
      yMm,
      value: r.value,
      scaleMost: 100,
      dryReference: 14,
      instrument: r.instrument,
      who,
      takenAt: new Date(r.at),
    })
  }
  for (const [code, xMm, yMm, kind, finding, note] of [
    ['foredeck', 1150, 610, 'tap', 'dull', 'dull over a hand\u2019s breadth'],
    ['foredeck', 900, -640, 'tap', 'sound', ''],
    ['working-deck', 9150, -840, 'tap', 'crackling', 'crackles round all the old holes'],
    ['foredeck', 1150, 610, 'core', 'wet', 'dark, firm under the knife'],
    ['working-deck', 9150, -840, 'core', 'rotten', 'came out as paste'],
  ] as const)
    await Reading.create({
      boatId,
      zoneId: zones.get(code)!,
      kind,
      xMm,
      yMm,
      finding,
      note,
      who,
      takenAt: at(),
    })
  for (const [xMm, yMm, layers] of [
    [1500, -300, [4.1, 12]],
    [2400, 400, [3.9, 12]],
  ] as const)
    for (const [layerSeq, value] of layers.entries())
      await Reading.create({
        boatId,
        zoneId: zones.get('foredeck')!,
        kind: 'thickness',
        way: 'probe',
        layerSeq,
        xMm,
        yMm,
        value,
        who,
        takenAt: at(),
      })
  await ZoneLayer.update(
    { spreadMm: 0.2, readingCount: 2, measuredBy: 'drilled probe' },
    { where: { zoneId: zones.get('foredeck')!, seq: 0 } },
  )
  await ZoneLayer.update(
    { spreadMm: 0, readingCount: 2, measuredBy: 'drilled probe' },
    { where: { zoneId: zones.get('foredeck')!, seq: 1 } },
  )
  const angle = (
    role: 'reference' | 'trim' | 'station' | 'recheck',
    n: number,
    more: { station?: string; side?: 'port' | 'starboard' } = {},
  ) => {
    const r = readingOf(
      'level',
      { ...stand, xMm: 0, yMm: 0, role, station: more.station ?? '', side: more.side ?? 'starboard' },
      n,
      at(),
    )
    return {
      boatId,
      role,
      degrees: r.value,
      instrument: r.instrument,
      who,
      takenAt: new Date(r.at),
      ...(role === 'station'
        ? { station: more.station!, side: more.side!, axis: 'across' as const, leanDeg: 0 }
        : {}),
      ...(role === 'recheck' ? { afterCount: 4 } : {}),
    }
  }
  await AngleReading.bulkCreate([
    ...[1, 2, 3, 4].map((n) => angle('reference', n)),
    ...[1, 2, 3].map((n) => angle('trim', n)),
    ...['Stanchion 1', 'Stanchion 2'].flatMap((station) =>
      (['port', 'starboard'] as const).flatMap((side) =>
        [1, 2, 3].map((n) => angle('station', n, { station, side })),
      ),
    ),
    ...[11, 12, 13].map((n) => angle('recheck', n)),
  ])
}

async function seedFitting(w: Wanted, fitter: Account) {
  const entry = catalogueEntry(w.catalogue)!
  const boat = (await Boat.findByPk(w.boat))!
  const zone = zoneAt(await zonesOf(w.boat), { xMm: w.x, yMm: w.y })
  let design: Design = startDesign(
    entry,
    spotFor(zone, { xMm: w.x, yMm: w.y }, entry.bolts, boat.duty, spotBoat(boat)),
    w.name,
  )
  if (w.change) design = withChange(design, w.change)
  const snapshot = await snapshotOf(boat)
  const { parts } = snapshot
  if (w.sized)
    design = sizeIt(design, [], roomAround(design, parts), solverChecks(zone, parts)).design ?? design
  const v = await judgeOn(kindNamed('deck-hardware'), design, aroundIn(snapshot, null, []))
  const f = await Fitting.create({
    kind: 'deck-hardware',
    boatId: w.boat,
    name: design.name,
    design,
    ...stored(v),
    recordedAt: null,
    updatedBy: fitter.name,
  })
  if (!w.life) return
  const started = dayjs().subtract(24, 'day')
  await recordFitting(fitter, f.id, started.toDate())
  const epoxy = await Lot.findOne({ where: { code: 'TC-EP-2201' } })
  const tape = await Lot.findOne({ where: { code: 'TC-B20-114' } })
  const solid = design.structure.kind !== 'sandwich'
  const steps = LADDER.slice(1, LADDER.indexOf(w.life) + 1).filter((s) => s !== 'core-sealed' || !solid)
  for (const p of await Penetration.findAll({ where: { fittingId: f.id }, order: [['number', 'ASC']] })) {
    for (const [i, state] of steps.entries()) {
      await LifeEvent.create({
        ...blank,
        penetrationId: p.id,
        seq: i + 2,
        state,
        who: fitter.name,
        happenedAt: started.add((i + 1) * 2.5, 'day').toDate(),
        sizeMm: state === 'drilled' ? p.diameterMm : null,
        tempC: state === 'core-sealed' || state === 'bedded' ? 14 : null,
        humidityPct: state === 'bedded' ? 62 : null,
        lotId: state === 'core-sealed' ? epoxy!.id : state === 'bedded' ? tape!.id : null,
        evidence: state === 'proved' ? 'hose 10 min, low to high; chalk inside dry' : '',
        note: state === 'dry-fitted' ? 'taken off again until the paint is done' : '',
      })
    }
  }
  await seedTicks(f.id, design, w.life, fitter, (i) => started.add((i + 1) * 2.5, 'day').toDate(), steps)
}
/** The work says what the register says: each gate up to the last that wrote into the holes is ticked. */
async function seedTicks(
  fittingId: string,
  design: Design,
  life: LifeState,
  fitter: Account,
  day: (i: number) => Date,
  states: LifeState[],
) {
  const work = stepsOf(design, judge(design), 'metric')
  const last = work.findLastIndex((s) => statesFor(s, 'bolt 1').some((x) => states.includes(x)))
  let at = day(-1)
  const rows = work.slice(0, last + 1).flatMap((s) => {
    const i = states.findLastIndex((x) => statesFor(s, 'bolt 1').includes(x))
    if (i >= 0) at = day(i)
    return s.gate ? [{ fittingId, kind: 'tick' as const, step: s.id, who: fitter.name, at }] : []
  })
  if (life !== 'marked') await WorkLog.bulkCreate(rows)
}

const F = 'fulmars-reach'
/**
 * What goes through the hulls: the work wanted, what was found, and what a boat is for water that comes
 * in.
 */
async function seedThroughHull(fitter: Account) {
  const place = async (boat: string, body: Record<string, unknown>, change: Record<string, unknown> = {}) => {
    const made = await placeFitting(fitter, boat, body)
    const saved = Object.keys(change).length
      ? await saveFitting(fitter, made.id, {
          version: made.version,
          design: withChange(made.design, change),
        })
      : made
    return saved.id
  }
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
  // The store's one 3/4 valve has an American taper thread; the order check is what finds it.
  const wrong = VALVES.find((v) => v.id === 'MV-BN34')!
  await place(
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
  )
  await place(
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
  )
  await place(
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
  )
  const engine = await Penetration.findOne({ where: { boatId: F, whatFor: 'Engine intake' } })
  await place(
    F,
    { catalogueId: 'MV-B114', holeId: engine!.id, use: 'engine-intake' },
    {
      valve: VALVES.find((v) => v.id === 'MV-BT114')!,
      pad: null,
      'hose.clips': 1,
      findings: ['mixed-threads', 'yellow-brass', 'seized', 'one-clip'],
    },
  )
  await place(
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
  )
  await place(
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
  )
  await place(
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
  )
  const stud = await place(
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
  )
  await place('tarn-runner', {
    catalogueId: 'MV-W114',
    name: 'Sea-water intake',
    xMm: 5600,
    yMm: 350,
    zMm: -280,
    zone: 'bottom',
    use: 'engine-intake',
    deadriseDeg: 8,
  })
  await place(
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
  )
  await logFitting(fitter, stud, { kind: 'bond', value: 0.06, note: 'stud to shaft, brush clean' })
  await recordFitting(fitter, stud)
  await saveFloodPlan(fitter, F, {
    version: 0,
    plan: {
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
    },
  })
}
