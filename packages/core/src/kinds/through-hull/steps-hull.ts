import { say } from '../../base/verdict/check'
import type { WorkState } from '../work'
import { lastLook } from './last-look'
import { SMALL_MM, type Work } from './steps-work'

/** Hours until a core that was filled may be bored through; an estimate, its lot and day decide. */
const SOLID_H = 24

/** Must it exist, what is there, how does it slope, and the old one out. */
export function lookSteps(w: Work, state: WorkState): void {
  const { d, j, add } = w
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
  if (d.replaces) oldOut(w)
  if (d.hull.kind === 'cored') makeSolid(w)
}
/** What stood there comes out without taking the hull along. */
function oldOut({ d, add }: Work): void {
  add(
    'old-out',
    `Take ${d.replaces} out: hose and clips off, valve off its tail, nut off. Cut the bead all round with a wire or a thin blade and warm it; drive the tail out from inside on a block of wood. One that will not come is cut lengthwise in two places, never levered against the hull.`,
    {
      minutes: 60,
      alone: 'A threaded rod through it with a cup of pipe outside draws it out from inside.',
      caution: 'Warm air, no flame: old bedding and antifouling smoke, and the smoke is poison.',
    },
  )
  add(
    'old-look',
    'Clean the hole to bright laminate; measure it both ways; look at its edge: dark, soft or wet is dried and made good before anything new goes in.',
    { minutes: 30 },
  )
}
/** A cored bottom is solid and cured before anybody bores through it. */
function makeSolid({ d, add, mm }: Work): void {
  add(
    'solid',
    `Make the core solid over ${mm(1.5 * d.skin.flangeMm)} round the hole, tapered 12:1, and let it cure: only then is it bored.`,
    { gate: true, minutes: 120, waitH: SOLID_H, asks: ['lot', 'air'], lot: 'epoxy' },
  )
}
const bored = (w: Work, text: string) =>
  w.add('bore-record', text, {
    gate: true,
    // Bored through what was made solid before: one tick says both.
    records: { bore: w.d.hull.kind === 'cored' ? ['drilled', 'core-sealed'] : ['drilled'] },
    asks: ['size'],
    sizeOf: 'bore',
    ...(w.d.hull.kind === 'cored' ? { from: 'solid' } : {}),
  })
const readyToBore = ({ d, add, boreMm }: Work) =>
  add('ready-bore', 'Last look before the saw. The hole cannot be undone.', {
    gate: true,
    asks: ['looks'],
    looks: lastLook(d, 'bore', boreMm < SMALL_MM),
    after:
      d.hull.kind === 'cored'
        ? { step: 'solid', hours: SOLID_H, what: 'The core that was made solid' }
        : null,
  })

/** Bored through laminate or timber: by the wedge as a jig where there is one, and its edge sealed. */
export function boreSteps(w: Work): void {
  const { d, j, add, mm, boreMm } = w
  const small = boreMm < SMALL_MM
  if (j.wedge)
    add(
      'wedge',
      `Cut the wedge block${d.wedge.blocks === 'both' ? 's' : ''} first, for the bore goes by it: ${say(j.wedge.saw.angleDeg)}\u00b0, ${(['outside', 'inside'] as const).flatMap((side) => (j.wedges[side] ? [`${side} thick ${mm(j.wedges[side]!.thickMm)}, thin ${mm(j.wedges[side]!.thinMm)}, from stock of ${mm(j.wedges[side]!.saw.stockMm)}`] : [])).join('; ')}; lay the 1:1 templates on both faces. Coat all raw faces with epoxy.`,
    )
  readyToBore(w)
  add(
    'bore',
    small
      ? `Drill ${mm(boreMm)} square to the hull, the pilot first; masking tape outside keeps the skin from breaking out.`
      : `Bore ${mm(boreMm)} ${j.wedge ? 'along the plumb line, guided by the wedge as a jig' : 'square to the hull'}: from outside to half, then from inside, so that no skin tears.`,
    {
      alone:
        'A pilot from inside comes out where it should; a screw in the pilot is found outside with a magnet.',
      caution: `${small ? '' : 'Hole saws grab: two hands, feet firm. '}The open hole goes on the board by the ladder.`,
    },
  )
  bored(w, 'Record the hole as drilled, with its size, and hang the sign: nobody launches.')
  if (d.hull.kind !== 'aluminium' && d.hull.kind !== 'steel')
    add(
      'edge',
      'Seal the raw edge of the cut with two coats of unfilled epoxy, the second on the first while it is tacky: bare fibres drink.',
      { minutes: 15 },
    )
}

/** A stub of the hull's own metal, welded in: it is neither bedded nor dry fitted. */
export function stubSteps(w: Work): void {
  const { add, mm, boreMm } = w
  add('stub-make', 'Have the stub turned of the hull\u2019s own metal, the doubler rolled to the plate.')
  readyToBore(w)
  add(
    'bore',
    `Cut the hole, ${mm(boreMm)}, to the stub with a gap for the root; round every corner of the doubler.`,
    { caution: 'Sparks and swarf: nothing that burns behind, eyes and ears covered.' },
  )
  bored(w, 'Record the hole as cut, with its size, and hang the sign: nobody launches.')
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
}
