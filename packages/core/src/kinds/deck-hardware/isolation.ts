import { isolationOf, type Isolation } from '../../chapters/fastener/tightening'
import { formatLength, type Units } from '../../base/quantity/format'
import type { Design } from './design'

const WALL_MM = 1
export const ISOLATED = { sleeve: true, washer: true, sealant: true }
/** Paste alone: it slows the cell and keeps water out of it, and does not count as isolated. */
export const PASTED = { sleeve: false, washer: false, sealant: true }

/** Under a countersunk head no sleeve can be built: the cone itself touches. */
export const sleeveFits = (d: Pick<Design, 'bolt'>) => d.bolt.head !== 'countersunk'
/** What a fitter would ask for where metals have to be kept apart (2.5). */
export const bestIsolation = (d: Pick<Design, 'bolt'>) => (sleeveFits(d) ? ISOLATED : PASTED)
/** What of the isolation that is asked for can be built; only that counts. */
export const builtIsolation = (d: Pick<Design, 'bolt' | 'isolation'>): Design['isolation'] =>
  sleeveFits(d) ? d.isolation : { ...d.isolation, sleeve: false, washer: false }

/** Isolated as well as it can be under a head that no sleeve goes under. */
export const asPasted = (d: Pick<Design, 'bolt' | 'isolation'>) => !sleeveFits(d) && builtIsolation(d).sealant
/** Sizes of sleeve, hole in the casting and washer; null where nothing keeps the metals apart. */
export function isolationParts(d: Design): Isolation | null {
  const built = builtIsolation(d)
  if (!built.sleeve && !built.washer && !built.sealant) return null
  return isolationOf(d.bolt.size, {
    by: built.sleeve ? 'sleeve' : 'paste',
    head: d.bolt.head,
    wallMm: WALL_MM,
  })
}

/** As a step says it; empty where nothing keeps the metals apart. */
export function isolationSaid(d: Design, units: Units): string {
  const built = builtIsolation(d)
  const parts = isolationParts(d)
  if (!parts) return ''
  const mm = (v: number) => formatLength(v, units)
  const asked = d.isolation.sleeve && !built.sleeve
  const no = asked ? ' No sleeve can stand under a countersunk head: its cone touches the casting.' : ''
  if (parts.by === 'paste')
    return `Keep water out from between the metals: isolating paste on the whole shank, the thread and under the head, bedding all round the hole.${no} It slows what one metal does to the other and does not stop it: look at it every year.`
  const kept = [
    `a sleeve of ${mm(parts.sleeveMm![0])} by ${mm(parts.sleeveMm![1])} in the hole, the casting\u2019s opened to ${mm(parts.holeMm!)} for it`,
    built.washer ? `an isolating washer of at least ${mm(parts.washerMm!)} under head and nut` : '',
    built.sealant ? 'sealant or paste in the hole and under the head' : '',
  ].filter(Boolean)
  return `Keep the metals apart: ${kept.join(', ')}${kept.length === 3 ? '' : '; with less than all three it still bridges'}.`
}
