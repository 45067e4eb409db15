import { formatLength, type Units } from '../../base/quantity/format'
import { stepList, type Step } from '../step'
import type { LifeState } from '../../boat/life'
import type { Chainplate } from './design'
import type { RigJudgement } from './judgement'
import { RIG_FAMILY } from './families'

/** What its holes are: the slot, and where its bolts go through the topside, each of these too. */
const both = (d: Chainplate, ...states: LifeState[]) => ({
  ...(d.slot ? { slot: states } : {}),
  ...(RIG_FAMILY[d.family].throughHull && d.bolts ? { bolt: states } : {}),
})
interface Work {
  d: Chainplate
  j: RigJudgement
  add: ReturnType<typeof stepList>['add']
  mm: (v: number) => string
}
function looked({ d, add }: Work): void {
  // A drogue\u2019s strap holds no mast.
  if (!d.drogue)
    add(
      'support',
      'Hold the mast with halyards to strong points on this side, two of them, before the shroud is slacked.',
      {
        gate: true,
        hands: 2,
        minutes: 30,
        asks: ['looks'],
        looks: ['two halyards hold the mast', 'nobody stands under it'],
        caution: 'Never load a suspect chainplate; the mast is supported before a shroud comes off.',
        tools: ['halyards', 'shackles'],
        alone: 'Not alone.',
      },
    )
  add(
    'draw',
    'Draw the plate and look at it at deck level and at the pin: dye or a strong lens, a magnet, a file at any pit.',
    {
      gate: true,
      minutes: 45,
      asks: ['looks'],
      looks: ['no crack, no pit, no brown at deck level', 'its hole is round'],
      tools: ['dye', 'lens', 'lamp', 'spanners'],
    },
  )
}
function slotted({ d, add, mm }: Work): void {
  if (d.slot) {
    add(
      'slot-cut',
      `Open the slot to ${mm(d.slot.lengthMm)} by ${mm(d.slot.widthMm)}: 1 to 2 mm free all round the plate.`,
      {
        gate: true,
        minutes: 40,
        asks: ['size'],
        sizeOf: 'slot',
        records: both(d, 'drilled'),
        tools: ['drill', 'saw', 'file', 'extraction'],
        caution: 'Know what is behind.',
      },
    )
    if (d.structure.kind === 'sandwich')
      add(
        'core-fill',
        'Take the core out round the slot, 25 mm, dry it, and fill it solid with thickened epoxy.',
        {
          gate: true,
          minutes: 40,
          asks: ['looks', 'lot', 'air', 'dew'],
          looks: ['the core is dry and sound to the end of the cut'],
          lot: 'epoxy',
          records: { slot: ['core-sealed'] },
          tools: ['cups', 'filler', 'spatula', 'gloves'],
          caution: 'Gloves, air.',
        },
      )
  }
}
function held({ d, add, mm }: Work): void {
  if (d.bond)
    add(
      'knee-bond',
      `Grind plate and knee to bright, wash, and lay the tapes over a fillet: ${mm(d.bond.lengthMm)} by ${mm(d.bond.widthMm)}${d.bond.sides === 2 ? ', both sides' : ''}, wet on wet.`,
      {
        gate: true,
        minutes: 90,
        asks: ['looks', 'lot', 'air', 'dew'],
        looks: ['the old bond is ground off, not laid over', 'faces are ground, washed and dry'],
        lot: 'epoxy',
        tools: ['grinder', 'tapes', 'cups', 'roller', 'gloves'],
        caution: 'Dust and resin: mask, gloves, air.',
      },
    )
  add(
    'dry-fit',
    `Set it in dry${d.bolts ? `, and bolt it through ${d.bolts.points.length} holes of ${mm(d.bolts.holeMm)}` : ''}: along the wire, within 2\u00b0.`,
    {
      gate: true,
      minutes: 60,
      records: {
        ...both(d, 'dry-fitted'),
        ...(RIG_FAMILY[d.family].throughHull && d.bolts
          ? { bolt: ['drilled', 'dry-fitted'] as LifeState[] }
          : {}),
      },
      ...(RIG_FAMILY[d.family].throughHull && d.bolts ? { asks: ['size' as const], sizeOf: 'bolt' } : {}),
      tools: ['drill', 'spanners', 'straight edge', 'torque wrench'],
    },
  )
}
function bedded({ d, add }: Work): void {
  add(
    'bed',
    d.slot
      ? 'Bed the cover on an unbroken bead, its screws snug; the plate itself stays dry, the load path is never bedded.'
      : 'Bed the plate at its edge and round each bolt; metal lies on the hull where the load goes.',
    {
      gate: true,
      minutes: 30,
      asks: [...(d.slot?.cover ? (['looks'] as const) : []), 'lot', 'air', 'dew'],
      looks: d.slot?.cover ? ['the cover lies its right way round: bevel up, its slot along the plate'] : [],
      lot: d.slot?.sealant ?? null,
      records: both(d, 'bedded'),
      tools: ['gun', 'cloths', 'tape'],
    },
  )
  add('cure', 'Leave it until the bead has cured at its edge.', {
    gate: true,
    records: d.slot?.sealant === 'butyl' || !d.slot?.sealant ? {} : both(d, 'cured'),
  })
}
/** Nobody tries a drogue in the yard: it is pulled by a winch or a tackle, and measured. */
function strapProved({ d, add }: Work): void {
  add('pin', 'Pin in and secured; lead the leg to it and see that it pulls along the strap, chafe gear on.', {
    gate: true,
    minutes: 20,
    tools: ['split pins', 'tape', 'chafe gear'],
  })
  add('first-look', 'Scribe a mark beside it and write down how it stands: the first look.', {
    tools: ['scriber', 'callipers'],
  })
  add(
    'prove',
    'Pull on it with a tackle and a load cell, as far as the yard allows; hose it, and measure again: nothing moved, nothing came in.',
    {
      gate: true,
      hands: 2,
      minutes: 60,
      asks: ['proof'],
      records: both(d, 'proved'),
      caution: 'Nobody in line with the pull; the other end is as strong.',
      tools: ['tackle', 'load cell', 'hose', 'callipers'],
    },
  )
}
function proved(w: Work): void {
  if (w.d.drogue) strapProved(w)
  else wireProved(w)
  w.add(
    'record',
    w.j.moved.length
      ? 'On record: what had moved, why, what was done, and what proved it.'
      : 'On record: plate, pin, bolts, bedding, and its height over the mark.',
    {
      gate: true,
      records: both(w.d, 'in-service'),
    },
  )
}
function wireProved({ d, add }: Work): void {
  add('pin', 'Pin in, split pin opened and taped; tune the shroud in steps, port and starboard by turns.', {
    gate: true,
    minutes: 40,
    tools: ['split pins', 'tape', 'tension gauge'],
  })
  add('first-look', 'Scribe a mark beside it and write down how high it stands: the first look.', {
    tools: ['scriber', 'callipers'],
  })
  add(
    'prove',
    'Sail her with load on it in a steady wind, both tacks, then measure again and hose the deck: nothing moved, nothing came in.',
    {
      gate: true,
      hands: 2,
      minutes: 60,
      asks: ['proof'],
      records: both(d, 'proved'),
      tools: ['callipers', 'hose'],
    },
  )
}
/** The mast is held before a shroud comes off, the plate is looked at, the load path stays dry. */
export function chainplateSteps(d: Chainplate, j: RigJudgement, units: Units): Step[] {
  const { add, done } = stepList()
  const w: Work = { d, j, add, mm: (v) => formatLength(Math.round(v * 10) / 10, units) }
  looked(w)
  slotted(w)
  held(w)
  bedded(w)
  proved(w)
  return done()
}
