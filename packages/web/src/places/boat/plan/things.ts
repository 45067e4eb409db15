import type { BoatPicture } from '../../../types'

/** Parts of the boat of one kind. */
export const partsOf = (boat: BoatPicture, ...kinds: string[]) =>
  kinds.flatMap((kind) => boat.parts.filter((p) => p.kind === kind))
/** How large a fitting is on the map, and how round its corners. */
export const sizeOf = (f: BoatPicture['fittings'][number]) =>
  'diameterMm' in f.base
    ? { l: f.base.diameterMm, w: f.base.diameterMm, r: f.base.diameterMm / 2 }
    : { l: f.base.lengthMm, w: f.base.widthMm, r: 12 }
/** The hatching of a deck by how it is reached from inside. */
export const REACH_MARK: Record<string, string> = {
  open: 'reach-open',
  'one-arm': 'reach-arm',
  none: 'reach-none',
  unknown: 'reach-unknown',
}
