import { sealant } from '../../base/materials/sealants'
import { say } from '../../base/verdict/check'
import { part, type Part } from '../part'
import { RIG_CATALOGUE } from './catalogue'
import type { SetIn } from './design'
import { RIG_FAMILY } from './families'
import type { RigJudgement } from './judgement'

/** A gun that jams or a nozzle that sets ends the day: of each there is one to spare. */
const glueParts = (d: SetIn, j: RigJudgement): Part[] =>
  d.set.glue && j.set?.glue
    ? [
        part('adhesive', sealant(d.set.glue.adhesive).title, {
          material: d.set.glue.adhesive,
          dimensions: { volumeMl: j.set.glue.volumeMl },
          size: [{ ml: j.set.glue.volumeMl }],
          unit: 'tube-100',
          quantity: Math.ceil(j.set.glue.volumeMl / 100),
          spare: 1,
          note: ['all of one lot, tested'],
        }),
        part('gun', 'Gun for two-part cartridges', { spare: 1, note: ['a spare in reach'] }),
        part('nozzle', 'Mixing nozzle', {
          spare: 1,
          note: ['a spare in reach; one that has set is thrown away'],
        }),
        part('clamp', 'Clamps or props', { unit: 'none' }),
      ]
    : []
/** What is set in, what is poured round it, and the plies that tab it. */
export function setParts(d: SetIn, j: RigJudgement): Part[] {
  const known = RIG_CATALOGUE.find((e) => e.id === d.catalogueId)
  const { tabs, jig } = d.set
  const pour = j.set?.pour
  const ply = (outMm: number, i: number) =>
    part(`ply-${i + 1}`, `Ply ${i + 1} of the tabs`, {
      material: 'glass',
      dimensions: { lengthMm: tabs!.lengthMm, widthMm: 2 * outMm },
      size: [{ mmRound: tabs!.lengthMm }, ' by ', { mmRound: 2 * outMm }],
      quantity: tabs!.sides,
      unit: 'ply',
      note: ['half on the foot, half on the hull'],
    })
  return [
    part('set', known?.title ?? RIG_FAMILY[d.family].title, { note: known ? [known.id] : [] }),
    ...(jig
      ? [part('jig', 'Three-point jig with screws', { note: ['screws of ', `${say(jig.pitchMm)} mm pitch`] })]
      : []),
    ...(pour
      ? [
          part('epoxy', 'Filled epoxy that sets it', {
            material: 'epoxy',
            dimensions: { volumeMl: pour.volumeMl },
            size: [{ ml: pour.volumeMl }],
            quantity: pour.pots,
            unit: 'pot',
          }),
        ]
      : []),
    ...(j.set?.pliesMm ?? []).map(ply),
    ...glueParts(d, j),
  ]
}
