import type { Design } from './design'

const TUBE_BEAD_MM = 1.5
const TAPE_BEAD_MM = 2
export const beadOf = (d: Design) =>
  d.bedding.beadMm ?? (d.bedding.sealant === 'butyl' ? TAPE_BEAD_MM : TUBE_BEAD_MM)
/** Between two sheets that are clamped while they cure; an estimate. */
export const GLUE_LINE_MM = 0.5
/** The plan of what stands on the deck. */
export const planOfBase = (b: Design['base']) =>
  'diameterMm' in b ? { diameterMm: b.diameterMm } : { lengthMm: b.lengthMm, widthMm: b.widthMm }

/** What a deck pipe or a shaft takes out of base and plate: nothing presses there. */
export const openMm2 = (d: Design) => (d.pipeMm === null ? 0 : (Math.PI / 4) * d.pipeMm ** 2)
/** The plate's plan: the rectangle, or the polygon it was clipped to. */
export const planOfPlate = (p: NonNullable<Design['plate']>) =>
  p.outline ? { outline: p.outline } : { lengthMm: p.lengthMm, widthMm: p.widthMm }
/**
 * Mean thickness of the bed: under a crowned deck a flat plate touches at its ends, and two thirds of the
 * rise l\u00b2/(8R) stand open on average.
 */
export const bedMean = (p: NonNullable<Design['plate']>) =>
  p.bedGapMm + (p.crownRadiusMm ? ((2 / 3) * p.lengthMm ** 2) / (8 * p.crownRadiusMm) : 0)
