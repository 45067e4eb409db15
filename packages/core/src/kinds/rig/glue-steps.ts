import { sealant } from '../../base/materials/sealants'
import { say } from '../../base/verdict/check'
import type { stepList } from '../step'
import type { SetIn } from './design'
import type { SetJudgement } from './judgement'

/** A fast adhesive allows no second thought: all of it is done dry once, by the clock. */
export function glued(
  d: SetIn,
  set: SetJudgement,
  add: ReturnType<typeof stepList>['add'],
  ml: (v: number) => string,
): void {
  const { glue: g } = d.set
  if (!g || !set.glue) return
  const minutes = Math.floor(set.glue.workingMin * 10) / 10
  add('glue-ready', 'Grind plate and face to bright, vacuum, wipe dry; mark its outline with tape.', {
    gate: true,
    minutes: 40,
    asks: ['looks'],
    looks: [
      'no gloss is left on either face',
      'wiped, and dry to the touch',
      'tape stands round its outline',
    ],
    tools: ['grinder', 'extraction', 'wipe', 'tape'],
    caution: 'Dust: mask, eyes and ears.',
  })
  add(
    'dry-run',
    `Do all of it dry, by the clock: gun in hand, plate up, clamps on. It has to fit in ${say(minutes)} minutes; write down what it took.`,
    {
      gate: true,
      hands: 2,
      minutes: 20,
      asks: ['looks'],
      looks: [
        'the plate goes up and stays',
        'every clamp or prop stood in its place',
        'the helper knows the order',
      ],
      tools: ['clock', 'clamps or props', 'gun, empty'],
    },
  )
  add(
    'test-bead',
    'Squeeze a bead of this lot onto a scrap: it goes hard in its time, or the lot stays in the store.',
    {
      gate: true,
      minutes: 30,
      asks: ['lot', 'looks'],
      lot: g.adhesive,
      looks: ['the bead has gone hard', 'it did so in the time that it says'],
      tools: ['gun', 'nozzle', 'scrap of the same laminate'],
    },
  )
  pressed(g, set.glue.volumeMl, minutes, add, ml)
}
function pressed(
  g: NonNullable<SetIn['set']['glue']>,
  volumeMl: number,
  minutes: number,
  add: ReturnType<typeof stepList>['add'],
  ml: (v: number) => string,
): void {
  add(
    'glue-start',
    `Throw the first hand\u2019s length of the bead away, then begin: ${ml(volumeMl)} of ${sealant(g.adhesive).title}. Tick as the first good bead lies: the clock runs from here.`,
    {
      gate: true,
      hands: 2,
      minutes: 5,
      asks: ['lot', 'air', 'looks'],
      lot: g.adhesive,
      looks: ['the spare gun and the spare nozzle lie in reach', 'two people stand ready'],
      clock: { minutes, what: 'the plate is pressed home' },
      tools: ['gun', 'spare gun', 'nozzle', 'spare nozzle', 'gloves', 'cloths'],
      caution: 'Gloves and air: these vapours sensitise.',
    },
  )
  add(
    'glue-press',
    'Press it home, clamp it, and look all round: an unbroken bead squeezed out, then cut off clean.',
    {
      gate: true,
      hands: 2,
      minutes: 10,
      asks: ['looks', 'photo'],
      looks: ['an unbroken bead came out all round', 'it was pressed home before the clock ran out'],
      caution: 'What was not pressed home in time comes off again, all of it.',
      tools: ['clamps or props', 'scraper'],
    },
  )
  add('glue-cure', 'Nothing loads it until it has cured hard.', {
    gate: true,
    after: { step: 'glue-press', hours: g.adhesive === 'methacrylate' ? 4 : 24, what: 'the bond' },
  })
}
