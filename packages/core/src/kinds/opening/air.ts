import { areaOf } from '../../base/geometry/outline'
import { inWords, say, type Check } from '../../base/verdict/check'
import type { OpeningDesign } from './design'
import type { OpeningFamily } from './families'
import { outlineAt } from './outline'

const SOURCE = 'chapter 6.4'
/** What airs a space is compared by: a round ventilator of this size is known to everybody. */
const VENT_MM = 100
/** Under them lies a locker or a hold that has no other air. */
const LIDS: readonly OpeningFamily[] = ['flush-lid', 'ledge-lid', 'cover']
/** Their lid lies in a rebate that holds water. */
export const REBATED: readonly OpeningFamily[] = ['flush-lid', 'ledge-lid']
/** Commonly fitted, and ours where practice differs: one each side, as a boat heels both ways. */
export const DRAINS = { count: 2, diameterMm: 10 } as const

const many = (d: OpeningDesign): number =>
  areaOf({ outline: outlineAt(d.outline, 0).map((p) => ({ xMm: p.x, yMm: p.y })) }) /
  areaOf({ diameterMm: VENT_MM })
const asMany = (d: OpeningDesign): string => {
  const n = many(d)
  if (n < 1.5) return `about ${Math.round(n * 100)} % of a round ventilator of ${VENT_MM} mm`
  return `as much as ${Math.round(n)} round ventilators of ${VENT_MM} mm`
}
const said = (d: OpeningDesign): string => {
  if (d.family === 'ventilator')
    return `It airs the space under way too, ${asMany(d)}. Baffles keep spray out and not a sea: its plug or deck plate lies to hand and goes in before heavy weather.`
  if (d.family === 'watertight-door')
    return 'Shut, it stops the air as well: the space on each side has ventilation of its own that can be closed. A notice on both faces says that it is shut at sea.'
  if (LIDS.includes(d.family))
    return 'Shut, it gives what lies under it no air: a vent of its own, or it is opened in harbour. Gas bottles are stowed in a locker that drains overboard by rules of its own, not under this.'
  return `Open, it airs the space ${asMany(d)}; shut at sea, not at all: something else airs it then.`
}
/** What it does for the air of the space; a pane that is fixed, a bin, a prism and a gland do nothing. */
function airCheck(d: OpeningDesign): Check | null {
  if (!d.lid && d.family !== 'ventilator') return null
  const tooMuch = d.family === 'ventilator' && d.keeps === 'watertight'
  return inWords({
    id: 'air',
    title: 'Ventilation',
    unit: '',
    source: SOURCE,
    verdict: tooMuch ? 'tight' : 'holds',
    because: `${tooMuch ? 'A ventilator is weathertight at the best, and watertight only under its plug. ' : ''}${said(d)}`,
  })
}
function drainCheck(d: OpeningDesign): Check | null {
  if (!d.lid || !REBATED.includes(d.family)) return null
  const shape = { id: 'lid-drains', title: 'Drains of the rebate', unit: '', source: SOURCE }
  const { drains } = d.lid
  const asked = `${DRAINS.count} of ${DRAINS.diameterMm} mm at the low corners, led over the side`
  if (!drains)
    return inWords({
      ...shape,
      verdict: 'tight',
      because: `Water stands in the rebate round its gasket: ${asked}, are commonly fitted.`,
    })
  const few = drains.count < DRAINS.count || drains.diameterMm < DRAINS.diameterMm
  return inWords({
    ...shape,
    verdict: few ? 'tight' : 'holds',
    because: few
      ? `${drains.count} of ${say(drains.diameterMm)} mm: one serves one heel only, and a small one stops with a leaf. ${asked[0]!.toUpperCase()}${asked.slice(1)}, are commonly fitted.`
      : `${drains.count} of ${say(drains.diameterMm)} mm at the low corners, led over the side, and clear of leaves.`,
  })
}
export const airChecks = (d: OpeningDesign): Check[] => [airCheck(d), drainCheck(d)].filter((c) => c !== null)
