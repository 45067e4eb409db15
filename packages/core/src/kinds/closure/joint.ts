import { answerOf } from '../../base/calculator/calculator'
import { CLOTHS } from '../../base/materials/cloths'
import { formatLength, formatVolume, type Units } from '../../base/quantity/format'
import { governing, inWords, say, worstVerdict, type Check } from '../../base/verdict/check'
import { tapeSeal } from '../../chapters/making/tape-seal'
import { part, type Part } from '../part'
import { lengthOf } from '../path'
import { stepList, type Step } from '../step'
import { tallyOf } from '../tally'
import type { ClosureDesign, Joint } from './design'
import { hireCheck } from './hire'
import type { ClosureJudgement } from './judgement'

const RESIN_G_ML = 1.1
/** Checks of the calculator by names that other kinds do not use for something else. */
const OWN: Record<string, string> = {
  stagger: 'tape-stagger',
  reach: 'tape-reach',
  fillet: 'tab-fillet',
  pot: 'tape-pot',
  warmth: 'cures-here',
}
const NOTHING = {
  ratio: 0,
  patches: [],
  neighbour: null,
  plugMl: 0,
  pot: null,
  plugPot: null,
  cautions: [],
  batches: null,
  joint: null,
  block: null,
}
export const bare = (checks: Check[], more: Partial<ClosureJudgement>): ClosureJudgement => ({
  ...NOTHING,
  clothG: 0,
  resinG: 0,
  workHours: 0,
  ...more,
  verdict: worstVerdict(checks.map((c) => c.verdict)),
  governing: governing(checks)?.id ?? null,
  checks,
  counts: tallyOf(checks),
})
/** A run of the joint, judged whole. */
export function judgeJoint(d: ClosureDesign, joint: Joint, found: Check[]): ClosureJudgement {
  const { path, ...given } = joint
  const lengthMm = Math.max(1, lengthOf(path))
  const out = answerOf(tapeSeal, {
    ...given,
    lengthMm,
    cloth: d.cloth,
    tempC: Math.max(-20, d.tempC),
  })
  const workHours = out.minutes.total / 60
  const checks: Check[] = [
    ...out.checks.map((c) => ({ ...c, id: OWN[c.id] ?? c.id })),
    ...(d.access === 'outside'
      ? [
          inWords({
            id: 'access',
            title: 'Reached from inside',
            unit: '',
            source: 'chapter 15.7',
            verdict: 'short',
            because: 'Tapes are laid from inside: lining, lockers and what hangs there come out first.',
          }),
        ]
      : []),
    ...hireCheck(workHours),
    ...found,
  ]
  return bare(checks, {
    clothG: out.clothG,
    resinG: out.resinG,
    workHours,
    joint: { ...out, lengthMm },
  })
}
type Add = ReturnType<typeof stepList>['add']
function cleared(joint: Joint, o: NonNullable<ClosureJudgement['joint']>, add: Add) {
  add(
    'survey',
    'Hose it from outside, a metre at a time from the low end, somebody inside with a lamp: mark where it comes in.',
    {
      gate: true,
      hands: 2,
      minutes: 40,
      tools: ['hose', 'lamp', 'pen'],
      caution: 'Batteries off where water may run.',
    },
  )
  add(
    'joint-clear',
    'Take down lining and lockers along the run, and what hangs on the joint; label and bag it.',
    {
      gate: true,
      minutes: 60,
      asks: ['photo'],
      tools: ['drivers', 'bags', 'labels'],
    },
  )
  if (joint.screws > 0)
    add(
      'joint-screws',
      `Cut off ${joint.screws} screws flush inside; a guard over the wheel, and nothing that burns near.`,
      {
        gate: true,
        minutes: Math.round(o.minutes.screws),
        tools: ['cut-off wheel', 'guard', 'mask', 'extinguisher'],
        caution: 'Sparks: fuel, gas and lining out of the way; eyes and ears.',
      },
    )
}
function bright(o: NonNullable<ClosureJudgement['joint']>, add: Add, mm: (v: number) => string) {
  add(
    'wash',
    'Wash and wipe before grinding: what is there of sealant, silicone above all, is cut out and never ground in.',
    {
      gate: true,
      minutes: Math.max(10, Math.round(o.minutes.wash)),
      tools: ['knife', 'soap', 'solvent', 'cloths'],
      caution: 'Solvent below deck: air moving, no flame.',
    },
  )
  add(
    'joint-grind',
    `Grind both faces to clean laminate, ${mm(Math.round(o.grindWidthMm))} wide over all, ${mm(Math.round(o.lengthMm))} along.`,
    {
      gate: true,
      minutes: Math.round(o.minutes.grind),
      asks: ['looks'],
      looks: ['no gloss is left', 'dust is drawn off, and the faces are wiped'],
      tools: ['grinder with a soft pad', 'extraction', 'mask'],
      caution: 'Dust of glass overhead: P3 mask, hood, skin covered.',
    },
  )
}
/** Found by hose, cleared, cut, ground, filled and taped wet on wet; hosed again after. */
export function jointSteps(d: ClosureDesign, j: ClosureJudgement, units: Units): Step[] {
  const { add, done } = stepList()
  const joint = d.joint!
  const o = j.joint!
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  cleared(joint, o, add)
  bright(o, add, mm)
  add(
    'joint-fill',
    `Wet the faces, press ${formatVolume(o.fillMl, units)} of thickened epoxy into the gap in ${o.fillPots} pot${o.fillPots === 1 ? '' : 's'}, and draw the fillet with a stick of ${mm(joint.filletMm)}.`,
    {
      gate: true,
      minutes: Math.round(o.minutes.fill),
      asks: ['looks', 'lot', 'air', 'dew'],
      looks: ['the tapes are cut, numbered and rolled up', 'the stick runs clean along the corner'],
      lot: 'epoxy',
      tools: ['cups', 'filler', 'bag with a cut corner', 'fillet stick', 'gloves'],
      caution: 'Overhead: goggles, long sleeves, gloves; air moving.',
    },
  )
  add(
    'joint-tape',
    `Lay the tapes on the green fillet, ${joint.tapesMm.map(mm).join(', then ')} wide, ${o.pieces} piece${o.pieces === 1 ? '' : 's'} a layer, lapped 50 mm; ${o.tapePots} pot${o.tapePots === 1 ? '' : 's'}. Wet on wet, from the middle of the run outwards.`,
    {
      gate: true,
      hands: 2,
      minutes: Math.round(o.minutes.tape),
      from: 'joint-fill',
      tools: ['tapes', 'roller', 'brush', 'gloves', 'props'],
      caution: 'A tape that hangs down lets go: prop it until it holds.',
      alone: 'wet each tape out on a board, roll it up, and unroll it along the corner.',
    },
  )
  add('cure', 'Leave it until it is hard to the nail.', {
    gate: true,
    after: { step: 'joint-tape', hours: 24, what: 'the tapes' },
  })
  add(
    'leak-test',
    'Hose the run again from the low end up, as long as before; look inside after an hour too.',
    {
      gate: true,
      hands: 2,
      minutes: 40,
      asks: ['proof'],
      tools: ['hose', 'lamp', 'dry paper'],
    },
  )
  add('record', 'On record: the run, tapes, lots, what was cut off, and a photo before and after.', {
    gate: true,
  })
  return done()
}
export function jointParts(d: ClosureDesign, j: ClosureJudgement): Part[] {
  const o = j.joint!
  const tapeMl = o.resinG / RESIN_G_ML
  return [
    ...d.joint!.tapesMm.map((b, i) =>
      part(`tape-${i + 1}`, `Tape ${i + 1}, ${CLOTHS[d.cloth].title}`, {
        material: d.cloth,
        dimensions: { widthMm: b, lengthMm: Math.round(o.tapeM * 1000) },
        size: [{ mm: b }, ' wide, ', { m: o.tapeM }],
        unit: 'none',
        note: [o.pieces === 1 ? 'one piece' : `${o.pieces} pieces`],
      }),
    ),
    part('filler', 'Thickened epoxy for gap and fillet', {
      material: 'epoxy',
      dimensions: { volumeMl: Math.round(o.fillMl) },
      size: [{ ml: o.fillMl }],
      quantity: o.fillPots,
      unit: 'pot',
    }),
    part('resin', 'Epoxy for the tapes', {
      material: 'epoxy',
      dimensions: { volumeMl: Math.round(tapeMl) },
      size: [{ ml: tapeMl }],
      quantity: o.tapePots,
      unit: 'pot',
    }),
    part('gloves', 'Gloves, goggles, cloths', { unit: 'none' }),
  ]
}
export const jointCard = (d: ClosureDesign, j: ClosureJudgement, units: Units) => {
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const o = j.joint!
  return [
    {
      title: 'Run',
      lines: [
        `${mm(Math.round(o.lengthMm))} along the joint; fillet ${mm(d.joint!.filletMm)}`,
        `tapes ${d.joint!.tapesMm.map(mm).join(', ')} wide, ${o.pieces} pieces a layer`,
        `ground ${mm(Math.round(o.grindWidthMm))} wide`,
      ],
    },
    {
      title: 'Pots',
      lines: [
        `gap and fillet ${formatVolume(o.fillMl, units)} in ${o.fillPots}; tapes ${Math.round(o.resinG)} g in ${o.tapePots}`,
        `${say(Math.round(o.potLifeMin))} minutes each`,
      ],
    },
    { title: 'Hours', lines: [`about ${say(Math.round(j.workHours * 2) / 2)} hours of work`] },
  ]
}
