import { formatLength, formatVolume, type Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import { stepList, type Records, type Step } from '../step'
import { layMinutes } from './batches'
import { blockSteps } from './block'
import type { ClosureDesign } from './design'
import { jointSteps } from './joint'
import { layupSaid } from './judge'
import type { ClosureJudgement } from './judgement'
import { fairMinutes, grindMinutes, washMinutes } from './minutes'

interface Work {
  d: ClosureDesign
  j: ClosureJudgement
  units: Units
  add: ReturnType<typeof stepList>['add']
  mm: (v: number) => string
}
const CLOSED: Records = { old: ['closed'] }
const GRIND_TOOLS = ['grinder with a soft pad', 'extraction', 'mask', 'depth gauge']

function before({ d, j, add }: Work): void {
  const many = d.holes.length > 1
  add(
    'survey',
    `Look behind ${many ? 'each hole' : 'it'}: wires, tanks, lining. Tap and read the panel round ${many ? 'them' : 'it'}, and number ${many ? 'them' : 'it'} with a pen.`,
    { gate: true, tools: ['lamp', 'moisture meter', 'pen'], caution: 'Batteries off; know what is behind.' },
  )
  if (j.cautions.some((c) => c.id === 'surveyor'))
    add('must', 'A surveyor or shipwright has seen it, and what was said is written down.', { gate: true })
  add(
    'wash',
    'Wash with soap and water, then wipe with solvent, clean side of the cloth every time: before grinding, or wax is ground in.',
    {
      minutes: washMinutes(j.patches),
      tools: ['soap', 'cloths', 'solvent'],
      caution: 'No flame; air moving.',
    },
  )
  if (d.structure.kind === 'sandwich')
    add(
      'wet-core',
      'Take out what is wet of the core, warm it, and read it until it is as dry as sound core beside it.',
      {
        gate: true,
        asks: ['looks'],
        looks: ['the meter reads as beside it, on three days'],
        tools: ['hook or router bit', 'warm air', 'moisture meter'],
      },
    )
}
function grinding({ d, j, add, mm }: Work): void {
  if (d.way === 'fill')
    return add('grind', 'Countersink each hole from both faces, roughen its wall, and wipe it out.', {
      gate: true,
      minutes: 5 * d.holes.length,
      tools: ['countersink', 'round file', 'solvent'],
    })
  const far = d.access !== 'both' && d.structure.kind === 'sandwich'
  add('ready-grind', 'Last look before the grinder.', {
    gate: true,
    asks: ['looks'],
    looks: [
      'the line to grind to is drawn, and lies on sound panel all round',
      'what is near is covered, and the air is drawn off',
    ],
  })
  const first = j.patches[0]!
  const from = d.access === 'inside' ? 'inside' : 'outside'
  add(
    'grind',
    far
      ? `Cut the ${d.access === 'outside' ? 'outer' : 'inner'} skin and the core back to ${mm(Math.round(first.skins[0]!.holeMm))}, then bevel both skins ${say(j.ratio)}:1, from the ${from}.`
      : `Grind the bevel ${say(j.ratio)}:1 to the line, ${mm(Math.round(first.reachMm))} past the hole${first.skins.some((s) => s.plies.some((p) => p.side === 'inside')) ? ', outside and inside' : `, from the ${from}`}; the edge of the hole ends sharp, not stepped.`,
    {
      gate: true,
      minutes: grindMinutes(j.patches),
      tools: GRIND_TOOLS,
      caution: 'Dust of glass and old paint: extraction, P3 mask, skin covered.',
    },
  )
}
function laying(w: Work): void {
  const { d, j, add, mm, units } = w
  const pot = j.pot ?? j.plugPot
  const lay = {
    gate: true,
    asks: ['looks', 'lot', 'air', 'dew'] as Step['asks'],
    lot: d.resin === 'epoxy' || d.way === 'fill' ? ('epoxy' as const) : null,
    waitH: pot?.sandH ?? null,
    tools: ['cups', 'brush and roller', 'gloves', 'peel ply', 'scissors'],
    caution: 'Gloves, air; hot pots go outside.',
  }
  if (d.way === 'fill')
    return add(
      'core-fill',
      `Tape the far side, wet the wall with unfilled epoxy, fill with ${formatVolume(j.plugMl, units)} of thickened epoxy, proud by a hair.`,
      { ...lay, minutes: 8 * d.holes.length, looks: ['each hole is clean, dry and wetted out'] },
    )
  if (j.patches.some((p) => p.skins.some((s) => s.backingDiscMm !== null)))
    add(
      'backing',
      'Bond the backing disc from the side that is reached: folded through, or held by a wire and a stick, until it has set.',
      {
        gate: true,
        minutes: 20 * j.patches.length,
        waitH: pot?.sandH ?? null,
        tools: ['wire', 'stick', 'gloves'],
      },
    )
  if (d.structure.kind === 'sandwich')
    add(
      'core-fill',
      `Make it solid between the skins: ${formatVolume(j.plugMl, units)} of thickened epoxy, in lifts of 10 mm at most.`,
      {
        gate: true,
        minutes: 20 * j.patches.length,
        tools: ['cups', 'filler', 'spatula', 'gloves'],
      },
    )
  const rows = j.patches[0]!.skins.map((s) => layupSaid(d, j.ratio, s, mm)).join('; ')
  add(
    'lay',
    `Wet out the ground face, then lay the plies: ${rows}. Each pressed out before the next, all in one go.${potsSaid(d, j)}`,
    {
      ...lay,
      minutes: Math.round(j.patches.reduce((n, p) => n + layMinutes(p), 15)),
      looks: ['the plies are cut, numbered and laid out', 'the face is ground, wiped and dry'],
    },
  )
}
/** Which holes go into which pot, where there are several. */
export function potsSaid(d: ClosureDesign, j: ClosureJudgement): string {
  const all = j.batches ?? []
  if (all.length < 2) return ''
  const named = (patch: number) =>
    j.patches[patch]!.holes.map((h) => d.holes[h]!.label ?? `hole ${h + 1}`).join(' and ')
  return ` Pot by pot, those that reach farthest first: ${all.map((b, i) => `${i + 1}. ${b.patches.map(named).join(', ')}${b.pots > 1 ? `, in ${b.pots} pots` : ''}`).join('; ')}.`
}
function finishing({ d, j, add }: Work): void {
  const pot = j.pot ?? j.plugPot
  add(
    'fair',
    'Peel, wash the blush off with water, sand, fair, and sand again: a batten finds what the eye does not.',
    {
      after: pot?.sandH
        ? { step: d.way === 'fill' ? 'core-fill' : 'lay', hours: pot.sandH, what: 'The laminate' }
        : null,
      minutes: fairMinutes(j.patches),
      tools: ['water', 'long board', 'fairing filler', 'mask'],
    },
  )
  if (d.place.belowWaterline)
    add(
      'barrier',
      'Barrier coats of epoxy, at least 0.25 mm in three coats or more, each within the time that its maker gives; then antifouling.',
      {
        gate: true,
        minutes: 45,
        tools: ['roller', 'wet-film gauge', 'gloves'],
      },
    )
  else
    add(
      'finish',
      d.resin === 'epoxy'
        ? 'Paint it, or gelcoat over a tie coat: gelcoat by itself does not cure on epoxy. Bilge paint inside.'
        : 'Gelcoat or paint; bilge paint inside.',
      {
        minutes: 45,
        tools: ['roller or brush', 'masking tape'],
      },
    )
  add('sound', 'Tap the patch all over with a coin: it sounds as the panel beside it, nowhere dull.', {
    tools: ['coin'],
  })
  add(
    'record',
    'On record: how each hole was closed: bevel, cloth, plies, lot, and a photo before and after.',
    {
      gate: true,
      asks: ['proof'],
      records: CLOSED,
    },
  )
}

/** The trade's order: looked at, washed before it is ground, dry, bevelled, laid up, faired, on record. */
export function closureSteps(d: ClosureDesign, j: ClosureJudgement, units: Units): Step[] {
  if (d.joint) return jointSteps(d, j, units)
  if (d.block) return blockSteps(d, j, units)
  const { add, done } = stepList()
  const w: Work = { d, j, units, add, mm: (v) => formatLength(Math.round(v * 10) / 10, units) }
  before(w)
  grinding(w)
  laying(w)
  finishing(w)
  return done()
}
