import { cautionsFor, type Caution } from '../../trade/cautions'
import type { Design } from './design'

/** What can hurt whoever fits it. */
export function cautionsOf(d: Design): Caution[] {
  const tags = ['drill', 'locker']
  if (d.structure.kind === 'sandwich' || d.plate) tags.push('resin', 'grind')
  if (d.bedding.sealant) tags.push('solvent')
  if (d.place.belowWaterline) tags.push('below')
  if (d.load.basis === 'lifting') tags.push('lifting')
  if (d.core.school === 'seal-wall') tags.push('seal-wall')
  return cautionsFor(tags)
}
