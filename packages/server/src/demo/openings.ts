import type { Account } from '../services/access'
import { copyFitting } from '../services/fittings'
import { recordFitting } from '../services/work'
import { put } from './placed'

const MAIN = 'fulmars-reach'
const CLUB = 'pipit'
/** The boats' openings (chapter 13), in different states; two are short for reasons that can be seen. */
export async function seedOpenings(fitter: Account): Promise<void> {
  const here = (boat: string, body: Record<string, unknown>, change: Record<string, unknown> = {}) =>
    put(fitter, [boat, body, change])
  const hatch = await here(
    MAIN,
    { catalogueId: 'CL-H52', name: 'Escape hatch', xMm: 1550, yMm: 0 },
    {
      'pane.proof': 'tested to 40 kPa on this frame',
      offcutMm: 19.1,
    },
  )
  await recordFitting(fitter, hatch)
  // The pane is thin for the topsides: green water, and nobody has worked it out yet.
  const light = await here(
    MAIN,
    {
      catalogueId: 'CL-P60F',
      name: 'Wet-lab portlight, starboard',
      xMm: 5600,
      yMm: 1790,
      zMm: 780,
      zone: 'topsides',
    },
    { 'pane.thicknessMm': 6, offcutMm: 9.1 },
  )
  await copyFitting(fitter, light, { mirror: true, name: 'Wet-lab portlight, port' })
  // The hold's own lid stands in thin laminate; its ring is still to be made.
  await here(
    MAIN,
    { catalogueId: 'CL-F45', name: 'Lid over the instrument hold', xMm: 10200, yMm: 0 },
    {
      structure: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 3.5 },
      structureReason: 'the hold\u2019s coaming is a single skin',
      'core.filled': false,
      'core.rakeMm': null,
      ring: null,
      sea: 'cockpit',
    },
  )
  await here(
    CLUB,
    { catalogueId: 'CL-I6I', name: 'Inspection port, buoyancy tank', xMm: 6150, yMm: 0 },
    { sea: 'cockpit', 'pane.underfoot': false },
  )
}
