import { surfaceWindowOf } from '../../chapters/bedding/surface-window'
import { cautionsFor, type Caution } from '../../trade/cautions'
import { SIZES } from '../../base/materials/fasteners'
import { sealant, type SealantId } from '../../base/materials/sealants'
import { formatLength, formatTemperature, formatVolume, type Units } from '../../base/quantity/format'
import { lotGates, utcMinute, type Gate, type LifeState, type LotFacts } from '../../boat/life'
import { say, sentence } from '../../base/verdict/check'
import { threadName } from '../../chapters/hull/thread-fit'
import { THREAD_WAY_TITLES } from './thread-ways'
import { THROUGH_HULL_FAMILY } from './families'
import { POT_TITLES } from './bed'
import { throughHullBolts, boltsSaid } from './bolts'
import { dryOn, turnSaid } from './dial'
import { BOND_OHM, baseOf, plumb, type ThroughHullJudgement, type ThroughHullLog } from './judge'
import type { ThroughHullDesign } from './design'
import { lastLook } from './last-look'

export interface ThroughHullStep {
  id: string
  text: string
  hands: 1 | 2
  /** must be ticked before what comes after it may start */
  gate: boolean
  /** how one person does it */
  alone: string
  caution: string
  /** elapsed hours that nobody is needed for */
  waitH: number | null
  /** what its tick writes into the life of the hole, and of the bolts' holes (chapter 11.3) */
  records: LifeState[]
  boltRecords: LifeState[]
  /**
   * what the tick asks for: the size, the lot, temperature and humidity, how it was proved, what was seen,
   * what was measured of hull and handle
   */
  asks: StepAsk[]
  /** what is looked through before something that cannot be undone, each to be ticked */
  looks: string[]
  /** what the lot that is named has to be */
  lot: SealantId | 'epoxy' | null
  /** no earlier than so many hours after another step, and why */
  after: { step: string; hours: number; what: string } | null
}
export type StepAsk =
  'size' | 'lot' | 'air' | 'proof' | 'seen' | 'ohm' | 'hull' | 'angle' | 'stops' | 'looks' | 'photo'
export interface ThroughHullPart {
  what: string
  size: string
  count: string
  note: string
}

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
): ThroughHullStep[] {
  const out: ThroughHullStep[] = []
  const add = (id: string, text: string, more: Partial<ThroughHullStep> = {}) =>
    out.push({
      id,
      text,
      hands: 1,
      gate: false,
      alone: '',
      caution: '',
      waitH: null,
      records: [],
      boltRecords: [],
      asks: [],
      looks: [],
      lot: null,
      after: null,
      ...more,
    })
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
      { gate: !d.hull.angleMeasured || !!d.ticks['angle'], asks: d.hull.angleMeasured ? [] : ['angle'] },
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
      records: ['drilled'],
      asks: ['size'],
    })
    add(
      'weld',
      'Weld inside and out, by a welder who holds the paper for it; tanks and wires behind looked at, a watch kept for an hour.',
      {
        hands: 2,
        gate: true,
        records: ['dry fitted', 'bedded'],
        caution: 'Fire: foam, paint and wires behind the plate. Somebody with an extinguisher stays.',
      },
    )
    add('dye', 'Dye test the weld from inside; no mark outside.', {
      gate: true,
      records: ['proved'],
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
      records: ['drilled'],
      asks: ['size'],
    })
  }
  if (d.hull.kind === 'cored')
    add('solid', `Make the core solid over ${mm(1.5 * d.skin.flangeMm)} round the hole, tapered 12:1.`, {
      gate: true,
      waitH: 24,
      records: ['core sealed'],
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
        records: ['dry fitted'],
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
        boltRecords: ['drilled', 'dry fitted'],
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
        records: ['bedded'],
        boltRecords: ['bedded'],
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
        records: ['cured'],
        boltRecords: ['cured'],
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
      { gate: true, records: ['proved'], boltRecords: ['proved'], asks: ['proof'] },
    )
  else if (!below)
    add('prove-dry', 'Hose from outside, low to high, the inside watched dry with chalk.', {
      gate: true,
      records: ['proved'],
      boltRecords: ['proved'],
      asks: ['proof'],
    })
  add(
    'record',
    'Look through its record in the register: sizes, lots, orientation, trimmed length, tests, photos.',
    { gate: true, ...(below ? {} : { records: ['in service'], boltRecords: ['in service'] }) },
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
          ? { records: ['proved'], boltRecords: ['proved'] }
          : id === 'watch-week'
            ? { records: ['in service'], boltRecords: ['in service'] }
            : {}),
      })
  }
  if (info.valve) add('exercise', 'From then on: exercised every month in use, shut when leaving.')
  return out
}
export const WATCH_STEPS = ['watch-now', 'watch-10', 'watch-60', 'watch-day', 'watch-week'] as const

/** The first gate before a step that is not ticked; null where the way is free. */
export function gateBefore(
  steps: ThroughHullStep[],
  id: string,
  ticks: ThroughHullDesign['ticks'],
): ThroughHullStep | null {
  const at = steps.findIndex((s) => s.id === id)
  return steps.slice(0, at).find((s) => s.gate && !ticks[s.id]) ?? null
}

/** What somebody says when he ticks a step. */
export interface StepFacts {
  /** milliseconds since 1970 */
  at: number
  lot: LotFacts | null
  /** of the surface */
  tempC: number | null
  airC: number | null
  humidityPct: number | null
  /** by meter, now or the last time that one was on it */
  ohm?: number | null
  /** measured through the pilot */
  hullMm?: number | null
  /** what the level shows across the bottom, outboard up, and the cradle's own heel */
  shownDeg?: number | null
  heelDeg?: number | null
  /** where the handle stops, dry fitted */
  stopsDeg?: number | null
  /** what of the last look was ticked */
  looked?: string[]
}
/**
 * What stands in the way of ticking a step, besides what the register itself asks of a hole's life: a gate
 * before it, time that has not passed, a surface that takes no bond, a lot that cannot be traced.
 */
export function stepGates(
  steps: ThroughHullStep[],
  id: string,
  ticks: ThroughHullDesign['ticks'],
  facts: StepFacts,
): Gate[] {
  const s = steps.find((x) => x.id === id)
  if (!s) return []
  const out: Gate[] = []
  const before = gateBefore(steps, id, ticks)
  if (before) out.push({ id: before.id, text: `Before this: ${before.text}` })
  const since = s.after && ticks[s.after.step]
  if (s.after && since) {
    const ready = Date.parse(since.at) + s.after.hours * 3_600_000
    if (facts.at + 1000 < ready)
      out.push({
        id: 'too-early',
        text: `${s.after.what} needs ${say(s.after.hours)} h: until ${utcMinute(ready)} UTC.`,
      })
  }
  if (id === 'dew') {
    if (facts.tempC === null || facts.airC === null || !facts.humidityPct)
      out.push({
        id: 'no-reading',
        text: 'Surface, air and humidity are not all given, so nobody can tell whether dew lies on it.',
      })
    else {
      const w = surfaceWindowOf({
        airC: facts.airC,
        humidityPct: facts.humidityPct,
        surfaceC: facts.tempC,
        minimumC: 5,
        trend: 'steady',
      })
      if (w.verdict === 'short') out.push({ id: 'dew-point', text: w.because })
    }
  }
  if (s.asks.includes('ohm')) {
    if (facts.ohm == null)
      out.push({ id: 'no-meter', text: 'No meter has been on it, so nobody can tell whether it is bonded.' })
    else if (facts.ohm > BOND_OHM + 1e-9)
      out.push({
        id: 'bond-high',
        text: `${say(facts.ohm)} \u03a9 by meter; up to ${BOND_OHM} \u03a9 counts as bonded.`,
      })
  }
  if (s.asks.includes('hull') && facts.hullMm == null)
    out.push({
      id: 'not-measured',
      text: 'How thick the hull is here has not been measured; an estimate stands in the design.',
    })
  if (s.asks.includes('angle')) {
    if (facts.shownDeg == null)
      out.push({
        id: 'no-level',
        text: 'No level has been laid here; the deadrise in the design is an estimate.',
      })
    else if (facts.heelDeg == null)
      out.push({
        id: 'no-heel',
        text: 'The cradle\u2019s own heel is not known: lay the level on three surfaces that were built level first, under Angles of the boat.',
      })
  }
  if (s.asks.includes('stops') && facts.stopsDeg == null)
    out.push({
      id: 'not-read',
      text: 'Where the handle stops has not been read, so nobody can tell what to turn.',
    })
  const missing = s.looks.filter((l) => !(facts.looked ?? []).includes(l))
  if (missing.length) out.push({ id: 'not-looked', text: `Not seen to yet: ${missing.join('; ')}.` })
  // Where a life event is written the register asks for the lot itself.
  if (s.lot && !s.records.length)
    out.push(
      ...lotGates(
        facts,
        s.lot === 'epoxy' || s.lot === 'epoxy-filled' ? 'epoxy' : 'sealant',
        s.lot === 'epoxy' || s.lot === 'epoxy-filled' ? null : s.lot,
      ),
    )
  return out
}

/** Everything to buy or make, counted. */
export function throughHullParts(
  d: ThroughHullDesign,
  j: ThroughHullJudgement,
  units: Units,
): ThroughHullPart[] {
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const out: ThroughHullPart[] = [
    {
      what: d.skin.title,
      size: `${mm(d.skin.tailMm)} tail`,
      count: '1',
      note: j.stack && j.stack.trimMm > 0 ? `trimmed to ${mm(j.stack.cutLengthMm)}` : '',
    },
  ]
  if (d.valve)
    out.push({
      what: d.valve.title,
      size: `${threadName(d.valve.inlet.family, d.valve.inlet.size, true)}`,
      count: '1',
      note: d.valve.kind === 'screwed' ? '' : `flange ${mm(d.valve.flangeMm)}`,
    })
  if (d.tail)
    out.push({
      what: d.tail.title,
      size: `${threadName(d.tail.thread.family, d.tail.thread.size)}`,
      count: '1',
      note: `barb ${mm(d.tail.barbMm)} by ${mm(d.tail.barbLengthMm)}`,
    })
  if (d.hose)
    out.push(
      {
        what: d.hose.belowRated ? 'Hose, rated for below the waterline' : 'Hose',
        size: mm(d.hose.boreMm),
        count: 'by length',
        note: '',
      },
      {
        what: 'Hose clip, 316',
        size: `for ${mm(d.hose.boreMm)} hose`,
        count: `${d.hose.clips} + 1`,
        note: `band ${mm(d.hose.bandMm)}`,
      },
    )
  if (d.pad)
    out.push({
      what: `Pad, ${d.pad.material === 'g10' ? 'epoxy-glass sheet' : d.pad.material.replace('-', ' ')}`,
      size: `${mm(d.pad.diameterMm)} by ${mm(d.pad.thicknessMm)}`,
      count: '1',
      note: '',
    })
  for (const side of ['outside', 'inside'] as const) {
    const w = j.wedges[side]
    if (w)
      out.push({
        what: `Wedge block, ${side}`,
        size: `${mm(w.saw.outlineMm[0]!)} across, ${mm(w.thinMm)} to ${mm(w.thickMm)}`,
        count: '1',
        note: `${say(w.saw.angleDeg)}\u00b0, stock ${mm(w.saw.stockMm)}, or ${w.saw.layers} plies of cloth`,
      })
  }
  for (const g of j.bolts)
    out.push({
      what:
        d.hold.method === 'through'
          ? 'Bolt through the hull, flush head, nut and washer'
          : 'Bolt into the pad',
      size:
        g.lengthMm === null
          ? `${d.hold.size}, ${mm(Math.ceil(g.requiredMm))}, no stock length`
          : `${d.hold.size} \u00d7 ${mm(g.lengthMm)}`,
      count: `${g.bolts.length} + 1`,
      note: `${d.hold.grade}${d.hold.method === 'insert' && d.hold.insertMm ? `, in inserts of ${mm(d.hold.insertMm)}` : ''}`,
    })
  // What is epoxy is bought as resin and hardener, and counted in its pots.
  for (const s of j.sealants)
    if (s.chosen && s.chosen !== 'epoxy-filled' && s.quantity)
      out.push({
        what: `${sealant(s.chosen).title}: ${s.title.toLowerCase()}`,
        size: formatVolume(s.quantity.volumeMl, units),
        count: `${s.quantity.volumeMl > 100 ? `${s.quantity.tubes300} of 300 ml` : `${s.quantity.tubes100} of 100 ml`}`,
        note: `bead ${mm(s.beadMm)}`,
      })
  for (const k of ['bond', 'set'] as const) {
    const pot = j.pots[k]
    if (pot)
      out.push({
        what: POT_TITLES[k],
        size: formatVolume(pot.ml, units),
        count: `${pot.batches} pot${pot.batches > 1 ? 's' : ''}`,
        note: pot.hardener
          ? `mixed; ${pot.hardener} hardener, gels in ${Math.round(pot.gelMin!)} min; ${pot.fillerG.toFixed(0)} g of filler`
          : 'too cold for any hardener',
      })
  }
  if (d.hull.kind === 'cored')
    out.push({
      what: 'Epoxy, cloth and insert for the solid ring in the core',
      size: `${mm(1.5 * d.skin.flangeMm)} across`,
      count: '1',
      note: 'by what the core is and how thick: quick sum \u201cKeeping water out of the core\u201d',
    })
  if (j.threads.length && d.bedding.thread !== 'none')
    out.push({
      what: `${sentence(THREAD_WAY_TITLES[d.bedding.thread])}`,
      size: d.bedding.thread === 'ptfe' ? mm(j.threads.reduce((t, q) => t + q.tapeMm, 0)) : '',
      count: '1',
      note: `${j.threads.length} joint${j.threads.length > 1 ? 's' : ''}${j.threads.some((t) => t.plastic) && d.bedding.thread === 'paste' ? ', made for plastic' : ''}`,
    })
  if (THROUGH_HULL_FAMILY[d.family].hose)
    out.push({
      what: 'Tapered soft plug, tied beside it',
      size: `${mm(0.6 * d.skin.boreMm)} to ${mm(1.2 * d.skin.boreMm)}`,
      count: '1',
      note: '',
    })
  if (d.family === 'anode-stud' || j.checks.some((c) => c.id === 'bond-path'))
    out.push({
      what: 'Bonding wire, tinned, and its two lugs',
      size: '4 mm\u00b2',
      count: 'by length',
      note: '8.4 mm\u00b2 where a rule asks',
    })
  if (d.metals.anode && j.anode)
    out.push({
      what: `Anode, ${d.metals.anode.alloy}`,
      size: `${say(d.metals.anode.pieceKg)} kg`,
      count: String(j.anode.pieces ?? 1),
      note: `${say(j.anode.massKg)} kg needed`,
    })
  out.push({
    what: 'Nitrile gloves, cloths, masking tape, check stick',
    size: '',
    count: '',
    note: 'gloves changed between resin and sealant',
  })
  return out
}

/** A line of the log, in words. */
export const logSaid = (l: ThroughHullLog, units: Units): string => {
  const what =
    l.kind === 'bond'
      ? `bond path ${l.value} \u03a9`
      : l.kind === 'anode'
        ? `anode ${l.value} % left`
        : l.kind === 'decision'
          ? 'decided'
          : l.step
            ? `${l.kind === 'look' ? 'looked at' : 'step'} ${l.step}`
            : l.kind
  const given = [
    l.sizeMm == null ? '' : formatLength(l.sizeMm, units),
    l.lot ? `lot ${l.lot}` : '',
    l.tempC == null ? '' : formatTemperature(l.tempC, units),
    l.humidityPct == null ? '' : `${l.humidityPct} %`,
  ]
    .filter(Boolean)
    .join(', ')
  return [given ? `${what}, ${given}` : what, l.note].filter(Boolean).join(': ')
}
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
