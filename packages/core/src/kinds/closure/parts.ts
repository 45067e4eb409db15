import { CLOTHS } from '../../base/materials/cloths'
import { part, type Part } from '../part'
import { blockParts } from './block'
import type { ClosureDesign } from './design'
import { jointParts } from './joint'
import type { ClosureJudgement } from './judgement'

const RESIN_G_ML = 1.1
const RESIN_TITLE = {
  epoxy: 'Epoxy for the cloth',
  vinylester: 'Vinylester resin',
  polyester: 'Polyester resin',
}
/** Cloth by the piece, resin by the pot, what fills the core, and what goes over it. */
export function closureParts(d: ClosureDesign, j: ClosureJudgement): Part[] {
  if (d.joint) return jointParts(d, j)
  if (d.block) return blockParts(d, j)
  const out: Part[] = []
  if (j.clothG > 0) {
    out.push(
      part('cloth', CLOTHS[d.cloth].title, {
        material: d.cloth,
        dimensions: { massG: Math.round(j.clothG) },
        size: [{ g: j.clothG }],
        unit: 'none',
        note: [`${j.patches.flatMap((p) => p.skins).reduce((n, s) => n + s.plies.length, 0)} pieces`],
      }),
      part('resin', RESIN_TITLE[d.resin], {
        material: d.resin,
        dimensions: { volumeMl: Math.round(j.resinG / RESIN_G_ML) },
        size: [{ ml: j.resinG / RESIN_G_ML }],
        quantity: j.pot?.batches ?? 1,
        unit: j.pot ? 'pot' : 'none',
        note: j.pot?.hardener ? ['mixed; ', j.pot.hardener, ' hardener'] : ['mixed'],
      }),
      part('peel-ply', 'Peel ply', { unit: 'none' }),
    )
  }
  if (j.plugPot)
    out.push(
      part(
        'filler',
        d.way === 'fill' ? 'Thickened epoxy for the holes' : 'Thickened epoxy between the skins',
        {
          material: 'epoxy',
          dimensions: { volumeMl: j.plugPot.ml },
          size: [{ ml: j.plugPot.ml }],
          quantity: j.plugPot.batches,
          unit: 'pot',
        },
      ),
    )
  const backing = j.patches.flatMap((p) => p.skins).filter((s) => s.backingDiscMm !== null)
  if (backing.length)
    out.push(
      part('backing', 'Backing disc, one ply', {
        material: d.cloth,
        dimensions: { diameterMm: Math.max(...backing.map((s) => s.backingDiscMm!)) },
        size: [{ mmRound: Math.max(...backing.map((s) => s.backingDiscMm!)) }],
        quantity: backing.length,
      }),
    )
  out.push(part('fairing', 'Fairing filler', { unit: 'none' }))
  if (d.place.belowWaterline)
    out.push(
      part('barrier', 'Epoxy barrier coat, three coats or more', { material: 'epoxy', unit: 'none' }),
      part('antifouling', 'Antifouling', { unit: 'none' }),
    )
  return out
}
