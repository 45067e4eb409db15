import { moistureCureOf } from '../../chapters/bedding/moisture-cure'
import { sealant } from '../../base/materials/sealants'
import { formatTorque } from '../../base/quantity/format'
import { isBlind } from './hold'
import { all, minutesFor, type Work } from './steps-work'

/** What must be true before the bead, each on record. */
const beforeBedding = ({ d }: Work): string[] => [
  isBlind(d)
    ? 'dry fitted: every bolt ran in by hand to where it clamps'
    : 'dry fitted: every bolt went in and two threads show through each nut',
  'gun, spare nozzle, cloths, gloves and spanners lie within reach',
  'both faces were wiped minutes ago, and nobody has touched them since',
  ...(d.plate ? ['the plate is bonded or lies ready below, the right way round'] : []),
]
/** When butyl is snugged again, hours after the first: it goes on creeping out for days; an estimate. */
export const RESNUG = {
  day: { id: 'resnug-day', hours: 24, said: 'the next day' },
  week: { id: 'resnug-week', hours: 168, said: 'after a week' },
} as const
const RIM_PATH_MM = 5

/** Butyl is thinned by the very solvent that the face is wiped with: it has to be gone first. */
const wiped = (w: Work): string => {
  const s = sealant(w.d.bedding.sealant!)
  if (s.family === 'butyl')
    return `Wipe both faces with ${s.cleans} and let it flash off, a quarter of an hour and no smell left: what stays under the tape dissolves it. From then on keep solvents and fuel away.`
  return `Wipe both faces with ${s.cleans}, minutes before.${s.keepAway ? ` Keep away: ${s.keepAway}.` : ''}`
}
/** Hours until fillet and collar have cured; null where nothing cures by moisture, or nobody can tell. */
function rimOf({ d }: Work): { hours: number | null; because: string } | null {
  const { sealant: id, humidityPct, tempC } = d.bedding
  if (!id || !sealant(id).moistureCure || humidityPct <= 0) return null
  const r = moistureCureOf({ chemistry: id, pathMm: RIM_PATH_MM, tempC, humidityPct })
  return { hours: r.days === null ? null : r.days * 24, because: r.because }
}
function cure(w: Work): void {
  const rim = rimOf(w)
  if (!rim) return
  w.add(
    'cure',
    rim.hours === null
      ? rim.because
      : `Leave it: fillet and collar cure in ${(rim.hours / 24).toFixed(1)} days at ${w.day}; the middle takes far longer.`,
    { gate: true, waitH: rim.hours, records: all('cured') },
  )
}
function beadSaid({ d }: Work): string {
  const tape = d.bedding.sealant === 'butyl'
  const where =
    d.schools.bead === 'bead-on-structure'
      ? 'on the structure, where one sees that it is unbroken'
      : 'on the fitting'
  const laid = tape
    ? `Bed the deck side: tape over the whole base, edge to edge without a gap, ${where}, and a turn of it round each bolt under its head`
    : `Bed the deck side, the bead laid ${where}: round the base and a ring round each bolt`
  const inside =
    d.schools.inside === 'seal-inside'
      ? 'A thin bead inside under the plate\u2019s edge too; a leak will then not show there.'
      : 'The inside stays dry, so that a leak shows.'
  return `${laid}. ${inside}`
}
const limitSaid = ({ preload }: Work['j']) =>
  !preload.limitedByDeck
    ? ''
    : preload.limitedBy === 'hold'
      ? ', all that its thread holds with a tenth in hand'
      : ', all that deck and plate can bear'
/** What the wrench is set to, in words; what has to be read first goes before it. */
function torqueSaid({ d, j, units }: Work): string {
  const { runDownNm, preloadTorqueNm, torqueNm, cautions } = j.preload
  if (cautions.includes('measure-run-down'))
    return 'to a torque that nobody knows before the nut\u2019s run-down is read at the dry fit: by the table it may be past what bolt or deck bear'
  const apart =
    runDownNm > 0
      ? `, of which ${formatTorque(runDownNm, units)} ${d.bolt.runDownNm === null ? 'at most ' : ''}run the locking nut down and ${formatTorque(preloadTorqueNm, units)} clamp`
      : ''
  const over = cautions.includes('prevailing-over-preload')
    ? '. More of it runs the nut down than clamps, so that the wrench says next to nothing: count the turns from contact, or take two plain nuts'
    : ''
  return `${formatTorque(torqueNm, units)}${limitSaid(j)}${apart}${over}`
}
function snug(w: Work): void {
  const { d, j } = w
  const unknown = j.preload.cautions.includes('measure-run-down')
  const once = d.bedding.tightening === 'once'
  w.add(
    'snug',
    `${isBlind(d) ? 'Turn the bolts crosswise, a little each, for the seal turns with them: ' : 'Hold the bolt still and turn the nut: '}${once ? 'in one go' : 'snug'} to even squeeze-out, ${torqueSaid(w)}.${j.preload.galling ? ' Paste on the thread.' : ''}`,
    {
      hands: isBlind(d) ? 1 : 2,
      gate: true,
      minutes: minutesFor(5, 3, w.holes),
      asks: ['torque'],
      torqueNm: unknown ? null : Math.round(10 * j.preload.torqueNm) / 10,
      alone: isBlind(d) ? '' : 'A spanner taped to the head, or a wedge under it, holds it from below.',
      tools: ['torque wrench', 'spanners', 'socket with extension', 'cloths'],
    },
  )
  snugAgain(w, 'day')
}
/** Tape creeps out for days: a turn the next day, before the hose, and one after a week, afloat or not. */
export function snugAgain(w: Work, when: keyof typeof RESNUG): void {
  if (w.d.bedding.sealant !== 'butyl') return
  const r = RESNUG[when]
  w.add(r.id, `Snug it again ${r.said}, the nut alone, to the same torque: the tape has crept out.`, {
    hands: 2,
    minutes: minutesFor(5, 1, w.holes),
    alone: 'The bedding is dry to the touch: it holds the head by now.',
    after: { step: 'snug', hours: r.hours, what: 'The tape' },
    afloat: when === 'week',
    tools: ['torque wrench', 'plastic blade'],
  })
}
/** Wiped, bedded, snugged, cured, and turned once more where the school says so. */
export function bedSteps(w: Work): void {
  const { d, add } = w
  if (!d.bedding.sealant) return
  add('wipe', `${wiped(w)} Last look before the bead.`, {
    gate: true,
    asks: ['looks'],
    looks: beforeBedding(w),
    tools: ['clean cloths', 'wiping fluid', 'gloves'],
    caution: 'Solvent: air, no flame; cloths are spread flat to dry.',
  })
  add('bed', beadSaid(w), {
    gate: true,
    minutes: minutesFor(10, 3, w.holes),
    records: all('bedded'),
    asks: ['lot', 'air'],
    lot: d.bedding.sealant,
    tools: d.bedding.sealant === 'butyl' ? ['knife', 'gloves'] : ['gun', 'spare nozzle', 'cloths', 'gloves'],
  })
  snug(w)
  cure(w)
  if (d.bedding.tightening !== 'two-step' || d.bedding.sealant === 'butyl') return
  const rim = rimOf(w)
  add('tighten', 'When the bead is a gasket, a last part-turn on the nut only.', {
    hands: 2,
    minutes: minutesFor(5, 1, w.holes),
    tools: ['torque wrench', 'spanners'],
    alone: 'The bead holds the head by now: the nut alone is turned.',
    ...(rim?.hours ? { after: { step: 'bed', hours: rim.hours, what: 'The bead' } } : {}),
  })
}
