import { formatLength, formatVolume, type Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import { stepList, type Step } from '../step'
import { glued } from './glue-steps'
import type { SetIn } from './design'
import type { RigJudgement, SetJudgement } from './judgement'

interface Work {
  d: SetIn
  set: SetJudgement
  add: ReturnType<typeof stepList>['add']
  mm: (v: number) => string
  ml: (v: number) => string
}
const turnSaid = (t: number) =>
  t === 0
    ? 'stays'
    : `${Math.abs(t)} turn${Math.abs(t) === 1 ? '' : 's'} ${t > 0 ? 'towards the target' : 'away from it'}`
function sighted({ d, set, add }: Work): void {
  const { jig, shaft } = d.set
  if (!jig) return
  add(
    'jig-set',
    `Hang it in its three-point jig, screws of ${say(jig.pitchMm)} mm pitch, and stretch the line: ${shaft ? 'through the stern bearing, both ends marked' : 'from the step above, plumb'}.`,
    { gate: true, hands: 2, minutes: 90, tools: ['jig', 'target', 'camera, laser or wire', 'rule'] },
  )
  add('sight', 'Sight along it at two distances and write both offsets down, as it stands: the first look.', {
    gate: true,
    minutes: 20,
    asks: ['looks'],
    looks: ['both readings are written down', 'the boat lies as it floats, or the sag is known'],
    tools: ['camera, laser or wire', 'rule'],
  })
  add(
    'jig-turn',
    set.now
      ? `Turn the jig's screws, one reading at a time: ${set.now.turnsRounded.map((t, i) => `screw ${i + 1} ${turnSaid(t)}`).join(', ')}. Then sight again.`
      : 'Turn the jig\u2019s screws by what the reading gives, one reading at a time, and sight again.',
    { minutes: 30, tools: ['spanners'] },
  )
  add('sight-again', 'Sight again before anything is poured: what is set now stays.', {
    gate: true,
    minutes: 20,
    asks: ['looks', 'photo'],
    looks: ['sighted twice, and within its limits', 'nothing has moved since the screws were turned'],
    caution: 'What is poured out of line is cut out again.',
  })
}
function poured({ d, set, add, mm, ml }: Work): void {
  const { recess } = d.set
  if (!recess) return
  add(
    'pocket',
    `Grind pocket and foot, wash, dam the low side; the pocket is ${mm(recess.lengthMm)} by ${mm(recess.widthMm)}, ${mm(recess.depthMm)} deep.`,
    {
      gate: true,
      minutes: 60,
      asks: ['looks'],
      looks: ['ground to sound laminate, washed and dry', 'the dam holds water'],
      records: { pocket: ['drilled', 'dry-fitted'] },
      tools: ['grinder', 'wash', 'tape', 'dam'],
      caution: 'Dust: mask, eyes and ears.',
    },
  )
  const p = set.pour
  add(
    'pour',
    p
      ? `Pour filled epoxy in ${p.lifts} lift${p.lifts > 1 ? 's' : ''}, ${p.potsPerLift} pot${p.potsPerLift > 1 ? 's' : ''} each, ${ml(p.volumeMl)} in all; each lift goes off before the next.`
      : 'Pour filled epoxy in lifts; each goes off before the next.',
    {
      gate: true,
      hands: 2,
      minutes: 30 * (p?.lifts ?? 1),
      asks: ['lot', 'air', 'dew'],
      lot: 'epoxy',
      records: { pocket: ['bedded'] },
      tools: ['cups', 'filler', 'syringe', 'gloves'],
      caution: 'A deep pour gets hot: pots go outside, and nothing is hurried with a fast hardener.',
    },
  )
  add('jig-off', 'Leave the jig on until the pour has cured hard, then take it off and sight once more.', {
    gate: true,
    asks: ['looks'],
    looks: ['the last sighting is written down'],
    records: { pocket: ['cured'] },
    after: { step: 'pour', hours: 24, what: 'the pour' },
  })
}
function tabbed({ d, set, add, mm }: Work): void {
  const { tabs } = d.set
  if (!tabs) return
  add(
    'tab-ready',
    `Grind hull and foot ${mm(set.pliesMm.at(-1)! + 25)} out from the corner to clean laminate; vacuum, wash, dry. Peel off by hand whatever lifts.`,
    {
      gate: true,
      minutes: 60,
      asks: ['looks'],
      looks: ['no gloss is left', 'what lifted by hand is off', 'washed before it was ground, and dry'],
      tools: ['grinder', 'extraction', 'wash', 'cloths'],
      caution: 'Dust: mask, eyes and ears.',
    },
  )
  add(
    'tab-fillet',
    `Fillet of thickened epoxy, ${mm(tabs.filletMm)} round, in every corner that is tabbed.`,
    {
      gate: true,
      minutes: 30,
      asks: ['lot', 'air', 'dew'],
      lot: 'epoxy',
      tools: ['cups', 'filler', 'fillet stick', 'gloves'],
    },
  )
  add(
    'tab-plies',
    `Lay ${tabs.plies} plies${tabs.sides === 2 ? ' each side' : ''}, the smallest first: ${set.pliesMm.map((v) => mm(v)).join(', ')} out. All wet on wet, on the fillet while it is green; later, it is ground and washed again.`,
    {
      gate: true,
      hands: 2,
      minutes: 20 * tabs.plies,
      from: 'tab-fillet',
      tools: ['cloth, cut and numbered', 'roller', 'shears', 'gloves'],
      caution: 'Resin: gloves, air.',
    },
  )
  add('tab-cure', 'Leave it to cure; no load on it meanwhile.', {
    gate: true,
    after: { step: 'tab-plies', hours: 24, what: 'the tabs' },
  })
}
/** A post under a mast goes up with the mast held, plumb, and takes its load in steps. */
function stood({ d, add, mm }: Work): void {
  const c = d.set.column
  if (d.family !== 'compression') return
  add(
    'post-mast',
    'Slack the rig evenly and take the mast\u2019s weight off: by a crane, or by jacks under the deck beside it.',
    {
      gate: true,
      hands: 2,
      minutes: 60,
      asks: ['looks'],
      looks: [
        'the mast cannot lean or fall',
        'nobody stands under it',
        'the deck has come up to where it belongs',
      ],
      caution: 'Never take a post out from under a mast that presses on it.',
      tools: ['jacks', 'timbers', 'rule'],
      alone: 'Not alone.',
    },
  )
  add(
    'post-fit',
    `Cut it to length between deck and foot as the deck stands without the mast${c ? `, about ${mm(c.lengthMm)}` : ''}; both ends square, the foot flat all over.`,
    {
      gate: true,
      minutes: 90,
      asks: ['looks'],
      looks: ['plumb both ways', 'no light under the foot or over the head'],
      tools: ['rule', 'level', 'saw', 'file'],
    },
  )
}
/** Sighted twice before anything is poured; poured in lifts; tabbed wet on wet. */
export function setSteps(d: SetIn, j: RigJudgement, units: Units): Step[] {
  const { add, done } = stepList()
  const w: Work = {
    d,
    set: j.set!,
    add,
    mm: (v) => formatLength(Math.round(v * 10) / 10, units),
    ml: (v) => formatVolume(v, units),
  }
  stood(w)
  sighted(w)
  poured(w)
  tabbed(w)
  glued(d, j.set!, add, w.ml)
  add(
    'prove',
    d.set.shaft
      ? 'Turn the shaft by hand through a whole turn: the same drag all round. Again afloat, as she takes her shape there.'
      : 'Bring the load on in steps, and look at every corner: no white line, no sound.',
    { gate: true, minutes: 30, asks: ['proof'], records: { pocket: ['proved'] } },
  )
  add('record', 'On record: arc-seconds before and after, what was poured, plies and lots.', {
    gate: true,
    records: { pocket: ['in-service'] },
  })
  return done()
}
