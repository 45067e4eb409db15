import { CORE_STEP_TEXT } from '../../chapters/deck/core-plug'
import { SIZES } from '../../base/materials/fasteners'
import { formatVolume } from '../../base/quantity/format'
import type { Step } from '../step'
import { insertMm } from './hold'
import { all, BOND_LOOKS, hoursSaid, minutesFor, potSaid, type Work } from './steps-work'

/** What must be true before the drill, each on record. */
const beforeDrilling = ({ d }: Work): string[] => [
  'no wire, tank, pipe, beam or liner stands behind any hole; batteries are off',
  'the template was checked from both sides, and it points the right way',
  'a stop is on the drill, and what catches the swarf is in place',
  ...(d.structure.kind === 'sandwich' ? ['the core is known here, wet or dry'] : []),
]
const WET: Record<string, string> = {
  'wet-recore':
    'Wet core first: cut one skin back to where the core is dry, take it out, lay new core and skin. Nothing is drilled for the fitting before.',
  'wet-dry-out':
    'Wet core first: open it, dry it under warmth and dry air for weeks, and read it again: within 5 of the dry reference before it is closed.',
  'wet-insert':
    'Wet core: cut it out under the whole base for the insert, and look at the cut edge: where it is dark or soft, cut on.',
}

/** Behind, the old one out, wet core, template; on metal the doubler, before anything is drilled. */
export function lookSteps(w: Work): void {
  const { d, add } = w
  const rebed = d.job === 'rebed'
  // Its old life ends as its bead is broken; what comes after is a new round of work on the same holes.
  if (rebed) oldOut(w)
  add(
    'survey',
    'Look behind: wires, tanks, beams, reach for the nuts. Measure the deck from a drilled plug if it is an estimate.',
    {
      gate: true,
      caution: 'Batteries off; know what is behind.',
      tools: ['lamp', 'mirror', 'rule', 'moisture meter', 'phone for a photo'],
    },
  )
  if (d.replaces && !rebed) oldOut(w)
  if (d.schools.wet && WET[d.schools.wet])
    add('wet-core', WET[d.schools.wet]!, {
      gate: true,
      minutes: 120,
      tools: ['moisture meter', 'saw', 'lamp'],
    })
  if (!rebed)
    add('template', 'Tape the template on, check it from both sides, mark the centres.', {
      tools: ['template', 'tape', 'centre punch', 'rule'],
    })
  if (w.welded) doubler(w)
  add('ready-drill', 'Last look before the drill. A hole cannot be undone.', {
    gate: true,
    asks: ['looks'],
    looks: beforeDrilling(w),
  })
  if (rebed) return
  add('pilot', 'Drill one pilot and measure through it before the rest.', {
    tools: ['drill', '3 mm bit', 'depth gauge', 'a stick with a mark where no rule goes in'],
    alone: 'A bit left standing in the pilot is found from the other side.',
  })
}
function oldOut({ d, add }: Work): void {
  add(
    'old-out',
    `Take ${d.replaces ?? d.name} off: mark which way it stood, hold the heads, turn the nuts off from inside; cut its bead all round with a wire or a thin blade, and lift it evenly. What will not come is warmed, never levered against the deck.`,
    {
      minutes: 45,
      hands: 2,
      alone: 'A spanner taped to the head turns itself against a block.',
      tools: ['spanners', 'thin blade or wire', 'warm air', 'scraper'],
      caution: 'Warm air, no flame: old bedding smokes.',
      ...(d.job === 'rebed' ? { anew: true, records: all('marked') } : {}),
    },
  )
  add(
    'old-look',
    d.job === 'rebed'
      ? 'Scrape deck and base bright and look at each hole: its edge, its size both ways, whether the core in it is dark, soft or wet, and at the base for cracks. What is oval or wet is bored over and filled; the bolts are not used again.'
      : 'Scrape the deck to bright gelcoat or metal and look at each old hole: its edge, its size both ways, and whether the core in it is dark, soft or wet.',
    {
      minutes: 20,
      tools: ['scraper', 'lamp', 'moisture meter', 'rule'],
      ...(d.job === 'rebed' ? { records: all('drilled') } : {}),
    },
  )
}
/** Grinding back the paint and setting up; a decimetre of weld both run and dressed. */
const WELD_MINUTES = 30
const WELD_MINUTES_DM = 6
function doubler({ d, add, mm }: Work): void {
  if (!d.doubler) return
  const { lengthMm, widthMm, thicknessMm, weldMm } = d.doubler
  add(
    'doubler-make',
    `Cut the doubler of the deck\u2019s own metal, ${mm(lengthMm)} by ${mm(widthMm)} by ${mm(thicknessMm)}, round its corners, and roll it to the deck.`,
    { minutes: 45, tools: ['saw', 'file', 'grinder'] },
  )
  add(
    'weld-doubler',
    `Grind paint and rust off and weld the doubler all round, ${mm(weldMm)}, before anything is drilled: the heat would draw the holes. What lies behind is looked at, and a watch is kept for an hour after.`,
    {
      hands: 2,
      gate: true,
      minutes: WELD_MINUTES + (WELD_MINUTES_DM * 2 * (lengthMm + widthMm)) / 100,
      caution: 'Fire: foam, paint and wires behind the plate. Somebody with an extinguisher stays.',
      tools: ['grinder', 'extinguisher', 'wet cloths'],
    },
  )
}

/** Threads that are there before the bolt comes: cut, pressed or cast, and tried before the bead. */
export function holdSteps(w: Work): void {
  const { d, add, mm } = w
  const { tapDrillMm } = SIZES[d.bolt.size]!
  const what = d.plate ? 'plate' : 'deck'
  if (d.hold.way === 'tapped')
    add(
      'tap',
      `Drill the ${what} ${mm(tapDrillMm)} square to its face, by the deck\u2019s own holes, and tap it ${d.bolt.size}: half a turn on, a quarter back, oil on metal; chips out. Try each bolt to the bottom by hand.`,
      {
        gate: true,
        minutes: minutesFor(10, 8, w.holes),
        tools: ['tap and wrench', `drill ${mm(tapDrillMm)}`, 'guide block', 'oil'],
        caution: 'A broken tap stays in the boat: never force it.',
      },
    )
  if (d.hold.way === 'plastic')
    add(
      'tap-plastic',
      `Drill the block ${mm(tapDrillMm)}, slowly, cooled with water, and tap it ${d.bolt.size} by hand, chips out every turn; no oil, no alcohol, no threadlocker. Round its edges, and try each screw to the bottom by hand.`,
      {
        gate: true,
        minutes: minutesFor(15, 8, w.holes),
        tools: ['plastic drill', 'tap and wrench', 'water', 'guide block'],
        caution: 'Plastic cracks from a nick: no sharp edge, no force.',
      },
    )
  if (d.hold.way === 'press-in')
    add(
      'press-in',
      `Drill the ${what} to the maker\u2019s figure for an insert of ${mm(insertMm(d))} and press it in from the far side, flush; try each bolt by hand. It is in before the plate goes in.`,
      {
        gate: true,
        minutes: minutesFor(10, 6, w.holes),
        tools: ['drill', 'press or bolt and washers', 'depth gauge'],
      },
    )
  if (d.hold.way === 'bonded')
    add(
      'bond-inserts',
      `Grind the inserts, ${mm(insertMm(d))} outside, wipe them and their holes; wax the bolts; bond them in with filled epoxy, flush, hung from the waxed bolts through the ${what}\u2019s template until it is hard.`,
      {
        gate: true,
        minutes: minutesFor(20, 6, w.holes),
        asks: ['looks', 'lot', 'air', 'dew'],
        looks: BOND_LOOKS('each insert and its hole').slice(0, 1),
        lot: 'epoxy',
        caution: 'Gloves, air; wax in every thread.',
        tools: ['cups', 'filler', 'syringe', 'wax', 'gloves'],
      },
    )
}
/** How a nut goes into the fill, where that is what holds. */
const caught = (w: Work) =>
  w.d.hold.way === 'nut-in-epoxy'
    ? ' First hang a nut in each hole on a waxed bolt with a washer on top, its thread stopped with wax below; it is cast in, and the bolt backed out when it is hard.'
    : ''
const FIRST_CUT = ['bore', 'drill']
/** The wall is closed against water by the last of these that the school has. */
const SEALS = ['fill', 'bond-insert', 'seal-wall']
const TOOLS: Record<string, string[]> = {
  bore: ['drill', 'hole saw', 'stop', 'vacuum'],
  drill: ['drill', 'sharp bit', 'scrap of wood behind it', 'vacuum'],
  reef: ['bent nail or hook in the drill', 'vacuum', 'lamp'],
  tape: ['tape', 'card'],
  'wet-out': ['cups', 'sticks', 'acid brush', 'gloves'],
  fill: ['cups', 'sticks', 'syringe', 'filler', 'gloves', 'cloths'],
  redrill: ['drill', 'sharp bit', 'vacuum'],
  'cut-out': ['multi-tool or router', 'rule', 'vacuum', 'chisel'],
  'bond-insert': ['cups', 'filler', 'notched spreader', 'weights', 'gloves'],
  relaminate: ['grinder', 'shears', 'roller', 'peel ply', 'gloves'],
  'seal-wall': ['acid brush', 'cups', 'gloves'],
  chamfer: ['countersink'],
}
const EACH: Record<string, [number, number]> = {
  bore: [10, 8],
  drill: [5, 5],
  reef: [5, 8],
  tape: [2, 2],
  'wet-out': [5, 2],
  fill: [15, 4],
  redrill: [5, 4],
  'cut-out': [60, 0],
  'bond-insert': [45, 0],
  relaminate: [90, 0],
  'seal-wall': [5, 3],
  chamfer: [2, 1],
}
function sized(w: Work, id: string): string {
  const { j, mm, holeMm, d } = w
  if (id === 'bore' && j.core?.boreMm) return ` Bore ${mm(j.core.boreMm)}.`
  if (id === 'reef' && j.core?.undercutMm) return ` ${mm(j.core.undercutMm)} all round.`
  if (id === 'redrill' || id === 'drill') return ` ${mm(holeMm)}.`
  if (id === 'fill' && j.core)
    return ` ${formatVolume(j.core.fillEachMl, w.units)} a hole; one that takes twice that means wet or torn core.${caught(w)} ${potSaid(w, 'plug')}.`
  if (id === 'bond-insert') {
    const what = d.core.insertMaterial === 'epoxy-plug' ? 'a block of filled epoxy' : 'high-density foam'
    return ` The blank is ${what}; faces ground and wiped, core edge sealed first. ${potSaid(w, 'insert')}.`
  }
  if (id === 'relaminate' && j.skinAgain)
    return ` ${j.skinAgain.plies} ${j.skinAgain.plies === 1 ? 'ply' : 'plies'} of ${j.skinAgain.cloth.replace('-', ' ')}, the largest last. ${potSaid(w, 'skin')}.`
  return ''
}
/** What is under the deck is dry, clean and warm before it is closed for good. */
const CORE_LOOKS = [
  'the core is pale, dry and firm all round the cut, and reads within 5 of the dry reference',
  'dust is out, with a vacuum, not blown in; the cut was wiped and has flashed off',
  'the underside is taped tight, so that nothing runs out below',
]
const cureOf = (w: Work) => {
  const use = w.d.core.school === 'insert' ? (w.pot('skin') ? 'skin' : 'insert') : 'plug'
  return w.pot(use)?.sandH ?? null
}
function one(
  w: Work,
  id: string,
  text: string,
  at: { first: boolean; finish: boolean; last: boolean },
): void {
  const more: Partial<Step> = { tools: TOOLS[id] ?? [] }
  const [once, each] = EACH[id] ?? [0, 0]
  if (id !== 'cure') more.minutes = minutesFor(once, each, w.holes)
  if (at.finish || at.first) Object.assign(more, { gate: true, asks: ['size'], sizeOf: 'bolt' })
  if (at.first) more.records = { bolt: ['drilled'] }
  if (SEALS.includes(id))
    Object.assign(more, {
      gate: true,
      asks: ['looks', 'lot', 'air', 'dew'],
      looks: CORE_LOOKS.slice(0, id === 'fill' ? 3 : 2),
      lot: 'epoxy',
      ...(id === 'bond-insert' ? {} : { records: { bolt: ['core-sealed'] } }),
    })
  const h = cureOf(w)
  if (id === 'cure') {
    Object.assign(more, { gate: true, waitH: h })
    if (h !== null) text += ` ${hoursSaid(h)} at ${w.day}.`
  }
  if (at.last)
    Object.assign(more, { records: { bolt: ['drilled', 'core-sealed'] }, from: 'core-bond-insert' })
  w.add(`core-${id}`, `${text}${sized(w, id)}`, more)
}
/** Drilled, sealed by its school, cured, drilled again; the pipe's hole beside them. */
export function holeSteps(w: Work): void {
  const { d, j } = w
  const steps = j.core?.steps ?? [{ id: 'drill', text: CORE_STEP_TEXT.drill! }]
  const finish = steps.some((s) => s.id === 'redrill') ? 'redrill' : 'drill'
  const sealed = steps.some((s) => SEALS.includes(s.id))
  // Under an insert the fitting's holes are drilled through what was sealed before: one tick says both.
  const drillsLast = steps.findIndex((s) => SEALS.includes(s.id)) < steps.findIndex((s) => s.id === 'drill')
  for (const s of steps)
    one(w, s.id, s.text, {
      first: FIRST_CUT.includes(s.id) && !(drillsLast && sealed),
      finish: s.id === finish,
      last: drillsLast && sealed && s.id === 'drill',
    })
  if (!d.plate) holdSteps(w)
  if (d.pipeMm !== null) pipe(w)
}
/** A deck pipe's hole: cut, its core hooked back and filled, its edge sealed. */
function pipe({ d, j, add, mm, units }: Work): void {
  const cored = d.structure.kind === 'sandwich'
  add(
    'pipe-cut',
    `Cut the hole of the deck pipe, ${mm(d.pipeMm!)}, square through the deck, with a stop on the saw${cored ? '; hook the core back all round' : ''}.`,
    {
      gate: true,
      minutes: 30,
      asks: ['size'],
      sizeOf: 'pipe',
      records: { pipe: ['drilled'] },
      tools: ['drill', 'hole saw', ...(cored ? ['hook', 'vacuum'] : ['file'])],
      caution: 'Hole saws grab: two hands, feet firm.',
    },
  )
  if (cored)
    add(
      'pipe-seal',
      `Fill the ring round it with thickened epoxy from below, a waxed former in the hole: ${formatVolume(j.pipeFillMl, units)}; file it smooth when it is hard.`,
      {
        gate: true,
        minutes: 30,
        asks: ['looks', 'lot', 'air', 'dew'],
        looks: CORE_LOOKS.slice(0, 2),
        lot: 'epoxy',
        records: { pipe: ['core-sealed'] },
        tools: ['former, waxed', 'cups', 'filler', 'spatula', 'gloves'],
        caution: 'Gloves, air.',
      },
    )
  else if (d.structure.kind !== 'metal')
    add('pipe-seal', 'Seal its raw edge with two coats of unfilled epoxy.', {
      minutes: 10,
      tools: ['acid brush', 'cup', 'gloves'],
    })
}
