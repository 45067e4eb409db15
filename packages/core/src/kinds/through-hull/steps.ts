import { cautionsFor, type Caution } from '../../trade/cautions'
import { SIZES } from '../../base/materials/fasteners'
import { sealant } from '../../base/materials/sealants'
import { formatLength, formatVolume, type Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import { stepList, type Step } from '../step'
import { NO_WORK, type WorkState } from '../work'
import { THREAD_WAY_TITLES } from './thread-ways'
import { THROUGH_HULL_FAMILY } from './families'
import { throughHullBolts, boltsSaid } from './bolts'
import { dryOn, turnSaid } from './dial'
import type { ThroughHullJudgement } from './judgement'
import { baseOf, plumb } from './seat'
import type { ThroughHullDesign } from './design'
import { lastLook } from './last-look'

/** Under this it is drilled, not sawn. */
const SMALL_MM = 20
/**
 * The order of the trade for this family: dry fit, trim, clock; bond the pad and let it cure; seal, fit;
 * prove afloat; exercise for ever (chapter 5).
 */
export function throughHullSteps(
  d: ThroughHullDesign,
  j: ThroughHullJudgement,
  units: Units,
  state: WorkState = NO_WORK,
): Step[] {
  const { add, done } = stepList()
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const info = THROUGH_HULL_FAMILY[d.family]
  const s = j.stack
  const below = d.place.zMm < 0
  const bore = s?.holeMm ?? d.boredMm ?? d.skin.holeMm
  add('must', `Ask once more whether this hole must exist; the placing aid\u2019s answers are on record.`, {
    gate: true,
  })
  add(
    'survey',
    'Look inside and out: what is behind, how thick, sound or wet. Drill a pilot from inside, measure the hull through it, keep the plug.',
    {
      gate: true,
      asks: d.hull.measured ? [] : ['hull'],
      caution: 'Batteries off; know what is behind: tanks, wires, people.',
    },
  )
  // Flat because nobody has looked is as much a guess as any other angle.
  if (j.tilt.deg > 0 || !d.hull.angleMeasured)
    add(
      'angle',
      `Take the deadrise with the level, cradle corrected; ${say(j.tilt.deg)}\u00b0 now stands in the design${d.hull.angleMeasured ? ', measured' : ', not measured'}.`,
      { gate: !d.hull.angleMeasured || !!state.ticks['angle'], asks: d.hull.angleMeasured ? [] : ['angle'] },
    )
  if (d.family === 'welded-stub')
    add('stub-make', 'Have the stub turned of the hull\u2019s own metal, the doubler rolled to the plate.')
  add('ready-bore', 'Last look before the saw. The hole cannot be undone.', {
    gate: true,
    asks: ['looks'],
    looks: lastLook(d, 'bore', bore < SMALL_MM),
  })
  if (d.family === 'welded-stub') {
    add(
      'bore',
      `Cut the hole, ${mm(bore)}, to the stub with a gap for the root; round every corner of the doubler.`,
      { caution: 'Sparks and swarf: nothing that burns behind, eyes and ears covered.' },
    )
    add('bore-record', 'Record the hole as cut, with its size, and hang the sign: nobody launches.', {
      gate: true,
      records: { bore: ['drilled'] },
      asks: ['size'],
      sizeOf: 'bore',
    })
    add(
      'weld',
      'Weld inside and out, by a welder who holds the paper for it; tanks and wires behind looked at, a watch kept for an hour.',
      {
        hands: 2,
        gate: true,
        records: { bore: ['dry-fitted', 'bedded'] },
        caution: 'Fire: foam, paint and wires behind the plate. Somebody with an extinguisher stays.',
      },
    )
    add('dye', 'Dye test the weld from inside; no mark outside.', {
      gate: true,
      records: { bore: ['proved'] },
      asks: ['proof'],
    })
  } else {
    add(
      'bore',
      bore < SMALL_MM
        ? `Drill ${mm(bore)} square to the hull, the pilot first; masking tape outside keeps the skin from breaking out.`
        : `Bore ${mm(bore)} ${d.wedge.blocks !== 'none' ? 'along the plumb line, guided by the wedge as a jig' : 'square to the hull'}: from outside to half, then from inside, so that no skin tears.`,
      {
        hands: 1,
        alone:
          'A pilot from inside comes out where it should; a screw in the pilot is found outside with a magnet.',
        caution: `${bore < SMALL_MM ? '' : 'Hole saws grab: two hands, feet firm. '}The open hole goes on the board by the ladder.`,
      },
    )
    add('bore-record', 'Record the hole as drilled, with its size, and hang the sign: nobody launches.', {
      gate: true,
      records: { bore: ['drilled'] },
      asks: ['size'],
      sizeOf: 'bore',
    })
  }
  if (d.hull.kind === 'cored')
    add('solid', `Make the core solid over ${mm(1.5 * d.skin.flangeMm)} round the hole, tapered 12:1.`, {
      gate: true,
      waitH: 24,
      records: { bore: ['core-sealed'] },
      asks: ['lot', 'air'],
      lot: 'epoxy',
    })
  if (j.wedge)
    add(
      'wedge',
      `Cut the wedge block${d.wedge.blocks === 'both' ? 's' : ''}: ${say(j.wedge.saw.angleDeg)}\u00b0, ${(['outside', 'inside'] as const).flatMap((side) => (j.wedges[side] ? [`${side} thick ${mm(j.wedges[side]!.thickMm)}, thin ${mm(j.wedges[side]!.thinMm)}, from stock of ${mm(j.wedges[side]!.saw.stockMm)}`] : [])).join('; ')}; lay the 1:1 templates on both faces. Coat all raw faces with epoxy.`,
    )
  if (d.pad)
    add(
      'pad-make',
      `Cut the pad, ${mm(d.pad.diameterMm)} across, ${mm(d.pad.thicknessMm)} thick; bore it with the hull${d.plug?.choke ? ', the choke hole in it to the figure of the flooding' : ''}; round its edge.`,
    )
  if (d.family !== 'welded-stub')
    add(
      'dry',
      `Dry fit the whole stack.${s ? ` Check stick ${mm(s.stickMm[0]!)} to ${mm(s.stickMm[1]!)} beside the tail${s.trimMm > 0 ? `; trim ${mm(s.trimMm)} off, so that ${mm(s.cutLengthMm)} stay, and dress the thread with the nut on it` : '; no trim'}.` : ''}`,
      {
        hands: 2,
        alone:
          'Tape the fitting from outside with two crossed strips over a slip of card, or a strut from the ground; then go inside.',
        gate: true,
        records: { bore: ['dry-fitted'] },
      },
    )
  if (j.clock)
    add(
      'clock',
      `${dryOn(d)} and read where the handle points${d.clock.measuredDeg === null ? '.' : `: ${say(d.clock.measuredDeg)}\u00b0. ${turnSaid(d, j, units)}`}`,
      {
        gate: true,
        asks: d.clock.measuredDeg === null ? ['stops'] : [],
        alone: 'A line of tape across flange and hull outside says the same when one is alone inside.',
      },
    )
  const bolts = d.hold.method === 'through' && d.family !== 'welded-stub' ? throughHullBolts(d).length : 0
  if (bolts)
    add(
      'bolt-holes',
      `Through the flange as a jig, drill ${bolts} holes of ${mm(SIZES[d.hold.size]!.clearanceMm)} right through, countersunk outside for flush heads; bolts in dry${j.bolts.length ? `: ${boltsSaid(d, j.bolts, mm)}` : ''}.`,
      {
        gate: true,
        records: { bolt: ['drilled', 'dry-fitted'] },
        alone: 'One bolt in the first hole keeps the flange from turning for the others.',
      },
    )
  if (d.transducer)
    add(
      'arrow',
      `Mark where the arrow points: ${d.transducer.arrow === 'keel' ? 'to the keel' : 'forward'}. It is looked at again when it is bedded.`,
      { gate: true },
    )
  const last = j.sealants.find((q) => q.place === 'flange')
  const seat = j.sealants.find((q) => q.place === 'tail')
  const pad = j.sealants.find((q) => q.place === 'pad')
  let padH: number | null = null
  const bonds = [
    ...(j.pots.wedgeMl > 0 ? [j.wedges.outside && j.wedges.inside ? 'the wedges' : 'the wedge'] : []),
    ...(d.pad && pad?.chosen ? ['the pad'] : []),
  ].join(' and ')
  if (bonds) {
    // Wedges are bonded with epoxy whatever holds the pad.
    const lot = pad?.chosen ?? 'epoxy-filled'
    const epoxy = lot === 'epoxy-filled'
    const hours = [
      ...(j.pots.bond ? [j.pots.bond.sandH] : []),
      ...(pad && !epoxy ? [pad.rimDays === null ? null : pad.rimDays * 24] : []),
    ]
    padH = hours.some((h) => h === null) ? null : Math.max(0, ...hours.map((h) => h!))
    const ml = [
      pad?.chosen && pad.quantity
        ? `${sealant(pad.chosen).title}, ${formatVolume(pad.quantity.volumeMl + (epoxy ? j.pots.wedgeMl : 0), units)}`
        : '',
      j.pots.wedgeMl > 0 && !(epoxy && pad)
        ? `${sealant('epoxy-filled').title} under the wedge${j.wedges.outside && j.wedges.inside ? 's' : ''}, ${formatVolume(j.pots.wedgeMl, units)}`
        : '',
    ]
      .filter(Boolean)
      .join('; ')
    add(
      'pad-bond',
      `Grind, wipe, and bond ${bonds}: ${ml}${j.pots.bond?.hardener ? `; ${j.pots.bond.hardener} hardener, ${Math.round(j.pots.bond.potLifeMin!)} min in the pot` : ''}. ${d.plug ? 'The bolts, waxed, hold it down.' : 'The tail, waxed, centres it; the nut pulls it down.'}`,
      {
        gate: true,
        alone: `${d.plug ? 'Waxed bolts' : 'Waxed tail and nut'} clamp it: nobody has to hold it.`,
        caution: 'Gloves, air; no alcohol on skin. Wax and tape on every thread that must come apart.',
        waitH: padH,
        asks: ['lot', 'air'],
        lot,
      },
    )
  }
  if (d.family !== 'welded-stub')
    add('dew', 'Readings: surface, air, humidity; 3 K over the dew point. Last wipe minutes before.', {
      gate: true,
      asks: ['air'],
      after:
        padH === null
          ? null
          : { step: 'pad-bond', hours: padH, what: d.pad ? 'The pad\u2019s bond' : 'The wedges\u2019 bond' },
    })
  if (last?.chosen) {
    const s2 = sealant(last.chosen)
    add(
      'ready-bed',
      `Last look before the bead.${last.chosen === 'epoxy-filled' ? ' What is set in epoxy never comes out whole.' : ' From here the clock runs.'}`,
      { gate: true, asks: ['looks'], looks: lastLook(d, 'bed', false) },
    )
    add(
      'bed',
      `Wipe with ${s2.cleans}. Bead ${d.family === 'transducer' ? 'on the fitting, cable led first' : 'on the fitting'}, a ring round the hole too; mask the rim; in from outside with a small turn; ${d.plug ? 'bolts through the block, nuts drawn up in turn' : d.valve && d.valve.kind !== 'screwed' && d.hold.method !== 'nut' ? 'seacock on its bedded flange' : 'nut on'} to an even squeeze-out all round, inside and out.${last.chosen === 'epoxy-filled' ? ' Set in epoxy: it never comes out whole.' : ''}`,
      {
        hands: 2,
        gate: true,
        alone: `Bead on the fitting, rim masked, taped and strutted from outside; then go in and turn the nut${d.plug ? 's, never the bolts' : ', never the head'}.`,
        caution: s2.keepAway ? `Keep away: ${s2.keepAway}.` : '',
        records: { bore: ['bedded'], bolt: ['bedded'] },
        asks: ['lot', 'air'],
        lot: last.chosen,
      },
    )
    if (seat?.chosen && seat.chosen !== last.chosen)
      add(
        'seat',
        `Under the seacock\u2019s flange it is ${sealant(seat.chosen).title}: clean with ${sealant(seat.chosen).cleans}, its own lot on record.`,
        { gate: true, asks: ['lot'], lot: seat.chosen },
      )
    if (j.pots.set?.gelMin != null)
      add(
        'gel',
        `The valve goes on when the epoxy has gelled: ${Math.round(j.pots.set.gelMin)} min at ${say(d.bedding.tempC)} \u00b0C. Before that it would shift what has been set.`,
        {
          gate: true,
          waitH: j.pots.set.gelMin / 60,
          after: { step: 'bed', hours: j.pots.set.gelMin / 60, what: 'The epoxy\u2019s gel' },
        },
      )
    add(
      'line',
      'Look: one unbroken line of squeeze-out all round, inside and outside, with a photo. Clean it off.',
      { gate: true, asks: ['photo'] },
    )
    add(
      'cure',
      `Leave it until rim and collar have cured${last.rimDays === null ? '' : `: ${last.rimDays.toFixed(1)} days`}.`,
      {
        gate: true,
        waitH: last.rimDays === null ? (j.pots.set?.sandH ?? null) : last.rimDays * 24,
        records: { bore: ['cured'], bolt: ['cured'] },
      },
    )
  }
  if (d.valve && d.tail)
    add(
      'tail',
      `Tail in with ${THREAD_WAY_TITLES[d.bedding.thread]} on the thread${j.threads.some((t) => t.seal === 'face') ? ', its face clean' : ''}, five turns at least; two spanners, so that the valve does not turn.`,
    )
  if (info.hose && d.hose)
    add(
      'hose',
      `Hose on to the end of the barb, ${d.hose.clips} clips side by side, screws away from each other, bands clear of the end. Tug it.`,
      { gate: below },
    )
  if (d.plug)
    add(
      'plug',
      `Plug in hand-tight on its own washer, its spare tied inside${d.plug.choke ? '; the choke hole in the block is free, its size on record' : ''}.`,
      { gate: true },
    )
  if (d.family === 'anode-stud')
    add(
      'wire',
      'Wire to what it protects, tinned, 4 mm\u00b2 or more (8.4 mm\u00b2 where a rule asks); 0.1 \u03a9 or less by meter.',
      { gate: true, asks: ['ohm'] },
    )
  else if (d.metals.school === 'bond-all' && below && j.checks.some((c) => c.id === 'bond-path'))
    add(
      'bond',
      'Bonding wire on, tinned, 4 mm\u00b2 or more; meter from fitting to anode: 0.1 \u03a9 or less.',
      { gate: true, asks: ['ohm'] },
    )
  if (info.valve)
    add(
      'swing',
      'Swing the handle open and shut, ten times; mark open. A soft plug of the right taper is tied beside it.',
      { gate: true },
    )
  if (d.drain)
    add(
      'prove-dry',
      `Fill to ${mm(d.drain.waterMm)} and time it: ${j.drain ? `${Math.round(j.drain.timeS)} s by figures` : ''}.`,
      { gate: true, records: { bore: ['proved'], bolt: ['proved'] }, asks: ['proof'] },
    )
  else if (!below)
    add('prove-dry', 'Hose from outside, low to high, the inside watched dry with chalk.', {
      gate: true,
      records: { bore: ['proved'], bolt: ['proved'] },
      asks: ['proof'],
    })
  add(
    'record',
    'Look through its record in the register: sizes, lots, orientation, trimmed length, tests, photos.',
    { gate: true, ...(below ? {} : { records: { bore: ['in-service'], bolt: ['in-service'] } }) },
  )
  if (below) {
    add(
      'launch',
      `Bilge pump proven, soft plugs at hand${info.valve ? ', valve shut' : d.plug ? ', drain plug in' : ''}. Lower until it is just awash and stop.`,
      {
        hands: 2,
        gate: true,
        caution: 'Nobody leaves her in the slings until every new fitting has been looked at.',
      },
    )
    for (const [id, when, h] of [
      ['watch-now', 'At once', 0],
      ['watch-10', 'After 10 minutes', 1 / 6],
      ['watch-60', 'After an hour', 1],
      ['watch-day', 'After a day', 24],
      ['watch-week', 'After a week', 168],
    ] as const)
      add(id, `${when}: look and feel round ${d.name}, dry tissue all round; note it.`, {
        gate: true,
        waitH: h,
        asks: ['seen'],
        after: h > 0 ? { step: 'launch', hours: h, what: 'The water' } : null,
        ...(id === 'watch-60'
          ? { records: { bore: ['proved'], bolt: ['proved'] } }
          : id === 'watch-week'
            ? { records: { bore: ['in-service'], bolt: ['in-service'] } }
            : {}),
      })
  }
  if (info.valve) add('exercise', 'From then on: exercised every month in use, shut when leaving.')
  return done()
}
export const WATCH_STEPS = ['watch-now', 'watch-10', 'watch-60', 'watch-day', 'watch-week'] as const

export function throughHullCautions(d: ThroughHullDesign): Caution[] {
  const tags = ['drill', 'locker']
  if (d.place.zMm < 0) tags.push('below')
  if (d.pad || d.wedge.blocks !== 'none') tags.push('resin', 'grind')
  if (d.bedding.flange) tags.push('solvent')
  if (d.family === 'anode-stud' || d.metals.anode) tags.push('bonding')
  return cautionsFor(tags)
}
/** How it stands, in one line for the register. */
export function throughHullOrientation(d: ThroughHullDesign, j: ThroughHullJudgement): string {
  return [
    j.clock
      ? `handle open at ${say(d.clock.wantedDeg)}\u00b0 (0 aft, 90 to starboard, seen from inside), shut at ${say(d.clock.wantedDeg + d.valve!.sweepDeg)}\u00b0`
      : '',
    d.transducer
      ? `arrow ${d.transducer.arrow === 'keel' ? 'to the keel' : 'forward'}, element ${say(j.tiltElement?.tiltDeg ?? 0)}\u00b0`
      : '',
    plumb(d)
      ? `plumb, wedges thick side ${say(j.wedge?.outsideThickAtDeg ?? 0)}\u00b0 outside`
      : `square to a hull of ${say(j.tilt.deg)}\u00b0`,
    d.hold.method === 'nut'
      ? 'held by its nut'
      : `${d.hold.bolts} ${d.hold.size} ${d.hold.method === 'through' ? 'through the hull' : 'into the pad'}, flange ${say(baseOf(d))} mm`,
  ]
    .filter(Boolean)
    .join('; ')
}
