import dayjs from 'dayjs'
import { Fitting, Leak, Penetration, Reading, WorkLog, Zone } from '../models'

/**
 * Three years of looks on the survey boat: an anode every spring, a bond path that goes, valves moved with
 * gaps, moisture round the old net-hauler's holes, and a drip that nobody has traced yet.
 */
const BOAT = 'fulmars-reach'
const ago = (months: number) => dayjs().subtract(months, 'month').hour(10).minute(0).second(0).toDate()
interface More {
  value?: number
  note?: string
  data?: { about: string }
}
const log = (fittingId: string, kind: 'bond' | 'anode' | 'look', months: number, more: More) => ({
  fittingId,
  kind,
  step: '',
  value: null,
  note: '',
  undoes: false,
  who: 'Tam Corrigall',
  at: ago(months),
  ...more,
})
/** Months ago, and what was read: the shaft's bond slowly worse, its anode wasting and renewed. */
const BONDS = [
  [33, 0.021],
  [25, 0.034],
  [17, 0.047],
  [9, 0.055],
] as const
const ANODES = [
  [32, 84],
  [20, 81],
  [8, 78],
] as const
const MOVED = [31, 27, 26, 14, 5, 3]
const WET = [
  [30, 14],
  [18, 15],
  [7, 17],
] as const
export async function seedLooks(): Promise<void> {
  const named = (name: RegExp, all: Fitting[]) => all.find((f) => name.test(f.name))
  const fittings = await Fitting.findAll({ where: { boatId: BOAT }, order: [['name', 'ASC']] })
  const anode = named(/anode stud/i, fittings)
  const engine = named(/^engine intake$/i, fittings)
  const lines = [
    ...(anode
      ? [
          ...BONDS.map(([m, value]) => log(anode.id!, 'bond', m, { value })),
          ...ANODES.map(([m, value]) => log(anode.id!, 'anode', m, { value })),
        ]
      : []),
    ...(engine
      ? MOVED.map((m) =>
          log(engine.id!, 'look', m, { note: 'Open and shut the valve: done', data: { about: 'exercise' } }),
        )
      : []),
  ]
  await WorkLog.bulkCreate(lines)
  const hole = await Penetration.findOne({
    where: { boatId: BOAT, found: true, fittingId: null },
    order: [['number', 'ASC']],
  })
  const zone = hole && (await Zone.findOne({ where: { boatId: BOAT, code: 'working-deck' } }))
  if (hole && zone)
    await Reading.bulkCreate(
      WET.map(([m, value]) => ({
        boatId: BOAT,
        zoneId: zone.id,
        kind: 'moisture' as const,
        xMm: hole.xMm + 20,
        yMm: hole.yMm,
        value,
        scaleMost: 100,
        dryReference: 11,
        instrument: 'capacitance meter, simulated',
        who: 'Tam Corrigall',
        takenAt: ago(m),
      })),
    )
  const stanchion = named(/^stanchion 3, starboard/i, fittings) ?? named(/stanchion/i, fittings)
  if (!stanchion) return
  const { xMm, yMm, zMm } = (stanchion.design as { place: { xMm: number; yMm: number; zMm: number } }).place
  await Leak.create({
    boatId: BOAT,
    whereSeen: 'On the chart table',
    drip: {
      xMm: Math.round(xMm + 1300),
      yMm: Math.round(yMm - 700),
      zMm: Math.round(zMm - 260),
      when: 'rain',
      trimDeg: 0.6,
      heelDeg: 0,
      seen: {},
    },
    madeBy: 'Jo Linklater',
  })
}
