import { SIZES } from '../../base/materials/fasteners'
import { sealant, type SealantId } from '../../base/materials/sealants'
import { formatVolume } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import { boltsSaid, throughHullBolts } from './bolts'
import { dryOn, turnSaid } from './dial'
import type { Work } from './steps-work'

/** Pad made, everything together once, handle turned, bolts through, element tried. */
export function fitSteps(w: Work): void {
  const { d, add, mm, welded } = w
  if (d.pad)
    add(
      'pad-make',
      `Cut the pad, ${mm(d.pad.diameterMm)} across, ${mm(d.pad.thicknessMm)} thick; bore it with the hull; round its edge. It is not bonded yet.`,
    )
  if (d.plug?.choke)
    add(
      'choke',
      `Drill the choke hole in the block on the bench, ${d.plug.chokeMm === null ? 'to the figure of the flooding' : mm(d.plug.chokeMm)} and no larger, before the block is bonded; its size goes on record.`,
    )
  if (!welded) dryFit(w)
  clocked(w)
  boltHoles(w)
  if (d.pad && w.flanged && d.hold.method === 'insert')
    add(
      'pad-drill',
      `Mark the bolts off the clocked seacock on the pad; drill it on the bench, set the ${d.hold.bolts} inserts from the underside in filled epoxy, faces flush, and let them cure before the pad is bonded.`,
      { minutes: 40, caution: 'Gloves, air; wax in every thread.' },
    )
  if (d.transducer) {
    add(
      'try',
      'Plug it in and try it in a bucket of water: one that is dead is known before it is bedded, not after.',
    )
    add(
      'arrow',
      `Mark where the arrow points: ${d.transducer.arrow === 'keel' ? 'to the keel' : 'forward'}. It is looked at again when it is bedded.`,
      { gate: true },
    )
  }
}
function dryFit({ d, j, add, mm }: Work): void {
  const s = j.stack
  const stick = s ? ` Check stick ${mm(s.stickMm[0]!)} to ${mm(s.stickMm[1]!)} beside the tail` : ''
  const trim = s
    ? s.trimMm > 0
      ? `; trim ${mm(s.trimMm)} off, so that ${mm(s.cutLengthMm)} stay, and dress the thread with the nut on it.`
      : '; no trim.'
    : ''
  const collar =
    d.skin.collarMm > 0 ? ' The load collar is in it, or the fitting is not what was tested.' : ''
  add('dry', `Dry fit the whole stack.${stick}${trim}${collar}`, {
    hands: 2,
    alone:
      'Tape the fitting from outside with two crossed strips over a slip of card, or a strut from the ground; then go inside.',
    gate: true,
    records: { bore: ['dry-fitted'] },
  })
}
function clocked({ d, j, add, units, flanged }: Work): void {
  if (!j.clock) return
  if (flanged && !j.clock.positions.length)
    return add(
      'clock',
      `${dryOn(d)}, turn the handle to where it is wanted, ${say(j.clock.bestDeg ?? d.clock.wantedDeg)}\u00b0, and mark the bolts off the flange: the pad is not drilled, so any angle will do.`,
      { gate: true },
    )
  add(
    'clock',
    `${dryOn(d)} and read where the handle points${d.clock.measuredDeg === null ? '.' : `: ${say(d.clock.measuredDeg)}\u00b0. ${turnSaid(d, j, units)}`}`,
    {
      gate: true,
      asks: d.clock.measuredDeg === null ? ['stops'] : [],
      alone: 'A line of tape across flange and hull outside says the same when one is alone inside.',
    },
  )
}
function boltHoles({ d, j, add, mm, welded }: Work): void {
  const bolts = d.hold.method === 'through' && !welded ? throughHullBolts(d).length : 0
  if (!bolts) return
  add(
    'bolt-holes',
    `Through the flange as a jig, drill ${bolts} holes of ${mm(SIZES[d.hold.size]!.clearanceMm)} right through, countersunk outside for flush heads; bolts in dry${j.bolts.length ? `: ${boltsSaid(d, j.bolts, mm)}` : ''}.`,
    {
      gate: true,
      records: { bolt: ['drilled', 'dry-fitted'] },
      alone: 'One bolt in the first hole keeps the flange from turning for the others.',
    },
  )
}

type Bond = { pad: Work['j']['sealants'][number] | undefined; wedges: string; lot: SealantId }
/** Hours until all that is bonded is hard; null where nobody can tell. */
function hardHours({ j }: Work, { pad, lot }: Bond): number | null {
  const other = pad && lot !== 'epoxy-filled'
  const hours = [
    ...(j.pots.bond ? [j.pots.bond.sandH] : []),
    ...(other ? [pad.rimDays === null ? null : pad.rimDays * 24] : []),
  ]
  return hours.some((h) => h === null) ? null : Math.max(0, ...hours.map((h) => h!))
}
function mixedSaid({ j, units }: Work, { pad, wedges, lot }: Bond): string {
  const epoxy = lot === 'epoxy-filled'
  const own = pad?.quantity ? pad.quantity.volumeMl + (epoxy ? j.pots.wedgeMl : 0) : 0
  const ml = [
    pad?.chosen && pad.quantity ? `${sealant(pad.chosen).title}, ${formatVolume(own, units)}` : '',
    j.pots.wedgeMl > 0 && !(epoxy && pad)
      ? `${sealant('epoxy-filled').title} under ${wedges}, ${formatVolume(j.pots.wedgeMl, units)}`
      : '',
  ].filter(Boolean)
  const pot = j.pots.bond?.hardener
    ? `; ${j.pots.bond.hardener} hardener, ${Math.round(j.pots.bond.potLifeMin!)} min in the pot`
    : ''
  return `${ml.join('; ')}${pot}`
}
/** Pad and wedges bonded, after all that is drilled in them; gives the hours until they are hard. */
export function bondSteps(w: Work): number | null {
  const { d, j, add } = w
  const pad = j.sealants.find((q) => q.place === 'pad')
  const wedges = j.wedges.outside && j.wedges.inside ? 'the wedges' : 'the wedge'
  const bonded = [...(j.pots.wedgeMl > 0 ? [wedges] : []), ...(d.pad && pad?.chosen ? ['the pad'] : [])]
  if (!bonded.length) return null
  // Wedges are bonded with epoxy whatever holds the pad.
  const bond = { pad, wedges, lot: pad?.chosen ?? ('epoxy-filled' as const) }
  const padH = hardHours(w, bond)
  const held = d.plug
    ? 'The bolts, waxed, hold it down.'
    : 'The tail, waxed, centres it; the nut pulls it down.'
  add('pad-bond', `Grind, wash, wipe, and bond ${bonded.join(' and ')}: ${mixedSaid(w, bond)}. ${held}`, {
    gate: true,
    alone: `${d.plug ? 'Waxed bolts' : 'Waxed tail and nut'} clamp it: nobody has to hold it.`,
    caution: 'Gloves, air; no alcohol on skin. Wax and tape on every thread that must come apart.',
    waitH: padH,
    asks: ['lot', 'air'],
    lot: bond.lot,
  })
  return padH
}
