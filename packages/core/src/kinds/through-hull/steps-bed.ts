import { tighteningOf } from '../../chapters/fastener/tightening'
import { SIZES } from '../../base/materials/fasteners'
import { sealant } from '../../base/materials/sealants'
import { formatTorque } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { lastLook } from './last-look'
import type { Work } from './steps-work'

/** Dew, last look, bead, and until when it is left alone. */
export function bedSteps(w: Work, padH: number | null): void {
  const { d, add, welded, j } = w
  if (welded) return
  add('dew', 'Readings: surface, air, humidity; 3 K over the dew point. Last wipe minutes before.', {
    gate: true,
    asks: ['air', 'dew'],
    after:
      padH === null
        ? null
        : { step: 'pad-bond', hours: padH, what: d.pad ? 'The pad\u2019s bond' : 'The wedges\u2019 bond' },
  })
  const last = j.sealants.find((q) => q.place === 'flange')
  if (!last?.chosen) return
  const epoxy = last.chosen === 'epoxy-filled'
  add(
    'ready-bed',
    `Last look before the bead.${epoxy ? ' What is set in epoxy never comes out whole.' : ' From here the clock runs.'}`,
    { gate: true, asks: ['looks'], looks: lastLook(d, 'bed', false) },
  )
  bead(w, last.chosen)
  const seat = j.sealants.find((q) => q.place === 'tail')
  if (seat?.chosen && seat.chosen !== last.chosen)
    add(
      'seat',
      `Under the seacock\u2019s flange it is ${sealant(seat.chosen).title}: clean with ${sealant(seat.chosen).cleans}, its own lot on record.`,
      { gate: true, asks: ['lot'], lot: seat.chosen },
    )
  gelAndCure(w, last.rimDays)
}
function bead({ d, add, flanged }: Work, chosen: Parameters<typeof sealant>[0]): void {
  const s = sealant(chosen)
  const drawn = d.plug
    ? 'bolts through the block, nuts drawn up in turn'
    : flanged && d.hold.method !== 'nut'
      ? 'seacock on its bedded flange'
      : 'nut on'
  add(
    'bed',
    `Wipe with ${s.cleans}. Bead ${d.family === 'transducer' ? 'on the fitting, cable led first' : 'on the fitting'}, a ring round the hole too; mask the rim; in from outside with a small turn; ${drawn} to an even squeeze-out all round, inside and out.${chosen === 'epoxy-filled' ? ' Set in epoxy: it never comes out whole.' : ''}`,
    {
      hands: 2,
      gate: true,
      alone: `Bead on the fitting, rim masked, taped and strutted from outside; then go in and turn the nut${d.plug ? 's, never the bolts' : ', never the head'}.`,
      caution: s.keepAway ? `Keep away: ${s.keepAway}.` : '',
      records: { bore: ['bedded'], bolt: ['bedded'] },
      asks: ['lot', 'air'],
      lot: chosen,
    },
  )
}
function gelAndCure(w: Work, rimDays: number | null): void {
  const { d, j, add } = w
  const gelMin = j.pots.set?.gelMin
  if (gelMin != null)
    add(
      'gel',
      `The valve goes on when the epoxy has gelled: ${Math.round(gelMin)} min at ${say(d.bedding.tempC)} \u00b0C. Before that it would shift what has been set.`,
      {
        gate: true,
        waitH: gelMin / 60,
        after: { step: 'bed', hours: gelMin / 60, what: 'The epoxy\u2019s gel' },
      },
    )
  add(
    'line',
    'Look: one unbroken line of squeeze-out all round, inside and outside, with a photo. Clean it off.',
    {
      gate: true,
      asks: ['photo'],
    },
  )
  add(
    'cure',
    `Leave it until rim and collar have cured${rimDays === null ? '' : `: ${rimDays.toFixed(1)} days`}.`,
    {
      gate: true,
      waitH: rimDays === null ? (j.pots.set?.sandH ?? null) : rimDays * 24,
      records: { bore: ['cured'], bolt: ['cured'] },
    },
  )
  boltTorque(w)
}

const IN_HAND = 0.9
/** No more than the threads in the pad bear with a tenth in hand. */
function boltTorque({ d, j, add, units, flanged }: Work): void {
  if (!flanged || d.hold.method === 'nut') return
  const pull = j.kick?.checks.find((c) => c.id === 'thread-pull-out')
  const outerMm = d.hold.insertMm ?? SIZES[d.hold.size]!.diameterMm
  const lengthMm = d.hold.engagedMm ?? d.pad?.thicknessMm ?? 0
  const holdsN = pull?.capacity == null ? null : pull.capacity * Math.PI * outerMm * lengthMm
  const limit = holdsN === null ? null : (IN_HAND * holdsN) / factorsFor(d.duty).laminate
  const t = tighteningOf({
    size: d.hold.size,
    grade: d.hold.grade,
    paste: true,
    nut: 'hex',
    prevailingNm: null,
    torqueNm: null,
    deckLimitN: limit,
  })
  const torqueNm = Math.floor(10 * t.torqueNm) / 10
  if (!(torqueNm > 0)) return
  add(
    'bolt-torque',
    `Draw the bolts up crosswise, paste on their threads, to ${formatTorque(torqueNm, units)}${t.preloadN === limit ? ': the threads in the pad bear no more' : ''}.`,
    { asks: ['torque'], torqueNm },
  )
}
