import dayjs from 'dayjs'
import { readingOf } from '../instruments/stand-ins'
import { AngleReading, Reading, Zone, ZoneLayer } from '../models'

const boatId = 'fulmars-reach'
const who = 'Isa Rendall'
const STAND = {
  seed: 7,
  boatId,
  role: 'reference' as const,
  station: '',
  side: 'starboard' as const,
  axis: 'across' as const,
  aboutMm: 9.5,
}
type Clock = () => Date
type Zones = Map<string, number>
/** One reading every two minutes from nine on. */
function morning(): Clock {
  let minute = 0
  return () =>
    dayjs()
      .subtract(41, 'day')
      .hour(9)
      .minute(0)
      .second(0)
      .millisecond(0)
      .add(minute++ * 2, 'minute')
      .toDate()
}

async function seedMoisture(zones: Zones, at: Clock) {
  const spots: [string, number, number][] = [
    ...[700, 1000, 1300, 1600, 2000, 2500].flatMap((x): [string, number, number][] =>
      [-500, 0, 300, 600, 800].filter((y) => Math.abs(y) < 300 + 0.42 * x).map((y) => ['foredeck', x, y]),
    ),
    ...[8200, 8650, 9150, 9700, 10300].flatMap((x): [string, number, number][] =>
      [-1300, -1000, -700, -300, 300, 900].map((y) => ['working-deck', x, y]),
    ),
  ]
  // On the bottom and the topsides the second figure is the height over the waterline.
  for (const xMm of [2600, 4200, 5800, 7400, 9000])
    for (const zMm of [-420, -220, 500]) spots.push([zMm < 0 ? 'bottom' : 'topsides', xMm, zMm])
  for (const [code, xMm, yMm] of spots) {
    const r = readingOf('moisture', { ...STAND, xMm, yMm }, 1, at())
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
}

async function seedTapsAndPlugs(zones: Zones, at: Clock) {
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
}

async function seedThickness(zones: Zones, at: Clock) {
  const zoneId = zones.get('foredeck')!
  for (const [xMm, yMm, layers] of [
    [1500, -300, [4.1, 12]],
    [2400, 400, [3.9, 12]],
  ] as const)
    for (const [layerSeq, value] of layers.entries())
      await Reading.create({
        boatId,
        zoneId,
        kind: 'thickness',
        way: 'probe',
        layerSeq,
        xMm,
        yMm,
        value,
        who,
        takenAt: at(),
      })
  for (const [seq, spreadMm] of [0.2, 0].entries())
    await ZoneLayer.update(
      { spreadMm, readingCount: 2, measuredBy: 'drilled probe' },
      { where: { zoneId, seq } },
    )
}

type Role = 'reference' | 'trim' | 'station' | 'recheck'
interface Station {
  station: string
  side: 'port' | 'starboard'
}
function angle(at: Clock, role: Role, n: number, more?: Station) {
  const { station = '', side = 'starboard' } = more ?? {}
  const r = readingOf('level', { ...STAND, xMm: 0, yMm: 0, role, station, side }, n, at())
  return {
    boatId,
    role,
    degrees: r.value,
    instrument: r.instrument,
    who,
    takenAt: new Date(r.at),
    ...(role === 'station' ? { station, side, axis: 'across' as const, leanDeg: 0 } : {}),
    ...(role === 'recheck' ? { afterCount: 4 } : {}),
  }
}
const seedAngles = (at: Clock) =>
  AngleReading.bulkCreate([
    ...[1, 2, 3, 4].map((n) => angle(at, 'reference', n)),
    ...[1, 2, 3].map((n) => angle(at, 'trim', n)),
    ...['Stanchion 1', 'Stanchion 2'].flatMap((station) =>
      (['port', 'starboard'] as const).flatMap((side) =>
        [1, 2, 3].map((n) => angle(at, 'station', n, { station, side })),
      ),
    ),
    ...[11, 12, 13].map((n) => angle(at, 'recheck', n)),
  ])

/**
 * The survey's morning: moisture where it was looked for, two plugs, taps, and the level laid on what was
 * built level.
 */
export async function seedSurvey() {
  const zones: Zones = new Map((await Zone.findAll({ where: { boatId } })).map((z) => [z.code, z.id]))
  const at = morning()
  await seedMoisture(zones, at)
  await seedTapsAndPlugs(zones, at)
  await seedThickness(zones, at)
  await seedAngles(at)
}
