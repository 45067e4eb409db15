import { z } from 'zod'
import { CORE_IDS } from '../../base/materials/cores'
import { positive } from '../../base/schema/schema'
import type { Plug } from './plug'

/** A plug told by how much of it stands under the base, or as all that lies there. */
export const wholePlugSchema = z.union([
  z.strictObject({ material: z.enum(CORE_IDS).default('epoxy-plug'), areaMm2: positive() }),
  z.strictObject({ material: z.enum(CORE_IDS), whole: z.literal(true) }),
])
export type WholePlug = z.output<typeof wholePlugSchema>
/** As the checks of a footprint take it. */
export const asPlug = (p: WholePlug | undefined): Plug | undefined =>
  !p || 'whole' in p ? p : { material: p.material, areaEachMm2: p.areaMm2, bored: true }
