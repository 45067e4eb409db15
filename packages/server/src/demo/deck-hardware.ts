import dayjs from 'dayjs'
import { solverChecks } from '@north-tide/core/solver'
import { kindNamed } from '@north-tide/core/kinds'
import {
  catalogueEntry,
  LIFE_STATES,
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
  type Design,
  type LifeState,
} from '@north-tide/core'
import { Boat, Fitting, WorkLog, LifeEvent, Lot, Penetration } from '../models'
import type { Account } from '../services/access'
import { blank } from '../services/life'
import { aroundIn, snapshotOf } from '../services/snapshot'
import { judgeOn, stored } from '../services/verdict'
import { recordFitting } from '../services/work'
import { zonesOf } from '../services/zones'

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
const LADDER = LIFE_STATES.slice(0, LIFE_STATES.indexOf('in-service') + 1)

/** Fittings on deck, some of them sized, worked on and recorded. */
export async function seedDeckHardware(fitter: Account) {
  for (const w of WANTED) await seedFitting(w, fitter)
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
  if (w.life) await seedLife(f.id, design, w.life, fitter)
}
/** The holes of a fitting up to where its life stands. */
async function seedLife(fittingId: string, design: Design, life: LifeState, fitter: Account) {
  const started = dayjs().subtract(24, 'day')
  await recordFitting(fitter, fittingId, started.toDate())
  const epoxy = await Lot.findOne({ where: { code: 'TC-EP-2201' } })
  const tape = await Lot.findOne({ where: { code: 'TC-B20-114' } })
  const solid = design.structure.kind !== 'sandwich'
  const steps = LADDER.slice(1, LADDER.indexOf(life) + 1).filter((s) => s !== 'core-sealed' || !solid)
  for (const p of await Penetration.findAll({ where: { fittingId }, order: [['number', 'ASC']] })) {
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
  await seedTicks(fittingId, design, life, fitter, (i) => started.add((i + 1) * 2.5, 'day').toDate(), steps)
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
