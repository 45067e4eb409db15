import { lifeSaid } from '@north-tide/core'
import type { ExportedHole } from './services/register'

type Exported = ExportedHole[]
const UNIT: Record<string, string> = { bond: 'ohm', anode: '% left' }

/** Columns of the register as a table. */
export const HOLE_FIELDS = [
  'label',
  'whatFor',
  'state',
  'since',
  'who',
  'zone',
  'xMm',
  'yMm',
  'zMm',
  'diameterMm',
  'sizesMm',
  'lots',
  'tests',
  'through',
  'fastener',
  'plate',
  'coreSchool',
  'sealant',
  'belowWaterline',
  'found',
  'foundKind',
  'acrossMm',
  'directionDeg',
  'measuredFrom',
  'gatesPassed',
  'withdrawnWhy',
]
export const EVENT_FIELDS = [
  'label',
  'whatFor',
  'at',
  'who',
  'what',
  'sizeMm',
  'lot',
  'tempC',
  'humidityPct',
  'value',
  'unit',
  'evidence',
  'note',
  'gatesPassed',
  'gateReason',
  'corrects',
]

/** One line a hole, with what of its life fits into a cell: every size, every lot, every test. */
export const summed = (holes: Exported) =>
  holes.map(({ events, log, ...hole }) => {
    const live = events.filter((e) => !events.some((c) => c.corrects === e.seq))
    return {
      ...hole,
      state: lifeSaid(hole.state),
      sizesMm: live.flatMap((e) => (e.sizeMm === null ? [] : [e.sizeMm])).join('; '),
      lots: [
        ...live.flatMap((e) => (e.lot ? [`${lifeSaid(e.state)} ${e.lot}`] : [])),
        ...log.flatMap((l) =>
          l.lot && !live.some((e) => e.lot === l.lot && e.at === l.at)
            ? [`${l.step || l.kind} ${l.lot}`]
            : [],
        ),
      ].join('; '),
      tests: [
        ...live.flatMap((e) => (e.state === 'proved' && e.evidence ? [e.evidence] : [])),
        ...log.flatMap((l) =>
          l.value === null ? [] : [`${l.kind} ${l.value} ${UNIT[l.kind] ?? ''} on ${l.at.slice(0, 10)}`],
        ),
      ].join('; '),
    }
  })

/**
 * One line for everything that happened to every hole: its life, and the ticks, orders, readings and looks
 * of what stands in it.
 */
export const happenings = (holes: Exported) =>
  holes.flatMap(({ label, whatFor, events, log }) =>
    [
      ...events.map((e) => ({
        label,
        whatFor,
        at: e.at,
        who: e.who,
        what: lifeSaid(e.state),
        sizeMm: e.sizeMm,
        lot: e.lot,
        tempC: e.tempC,
        humidityPct: e.humidityPct,
        value: null as number | null,
        unit: '',
        evidence: e.evidence,
        note: e.note,
        gatesPassed: e.gatesPassed.join(' '),
        gateReason: e.gateReason ?? '',
        corrects: e.corrects,
      })),
      ...log.map((l) => ({
        label,
        whatFor,
        at: l.at,
        who: l.who,
        what: `${l.step ? `${l.kind} ${l.step}` : l.kind}${l.undoes ? ', taken back' : ''}`,
        sizeMm: l.sizeMm ?? null,
        lot: l.lot ?? null,
        tempC: l.tempC ?? null,
        humidityPct: l.humidityPct ?? null,
        value: l.value,
        unit: UNIT[l.kind] ?? '',
        evidence: '',
        note: l.note,
        gatesPassed: '',
        gateReason: '',
        corrects: null,
      })),
    ].sort((a, b) => a.at.localeCompare(b.at)),
  )
