import { z } from 'zod'
import { CORE_IDS } from '../../base/materials/cores'
import { positive } from '../../base/schema/schema'

/** What fills the core under a fitting: round each hole, or all that lies there (chapter 3.4). */
export const plugSchema = z.union([
  z.strictObject({
    material: z.enum(CORE_IDS).default('epoxy-plug'),
    areaEachMm2: positive(),
    /** through the outer skin too (bored and filled), or between the skins only (reefed) */
    bored: z.boolean().default(true),
  }),
  z.strictObject({ material: z.enum(CORE_IDS), whole: z.literal(true) }),
])
export type Plug = z.output<typeof plugSchema>
