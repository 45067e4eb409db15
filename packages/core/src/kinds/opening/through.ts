import { formatLength, type Units } from '../../base/quantity/format'
import type { OpeningDesign } from './design'
import { sizeSaid } from './outline'

const layersSaid = ({ structure: s }: OpeningDesign, mm: (v: number) => string) =>
  s.kind === 'sandwich'
    ? `outer skin ${mm(s.outerMm)}, core ${mm(s.core.thicknessMm)}, inner skin ${mm(s.innerMm)}`
    : mm(s.thicknessMm)
/** What a cut-out goes through, as the register keeps it. */
export function throughSaid(d: OpeningDesign, units: Units): string {
  const mm = (v: number) => formatLength(v, units)
  return `${sizeSaid(d.outline, mm)}, through ${layersSaid(d, mm)}`
}
export const bulkheadSaid = (d: OpeningDesign, units: Units): string =>
  `bulkhead, ${layersSaid(d, (v) => formatLength(v, units))}`
