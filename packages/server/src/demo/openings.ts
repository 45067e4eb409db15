import type { Account } from '../services/access'
import { copyFitting } from '../services/copies'
import { recordFitting } from '../services/work'
import { put, type Placed } from './placed'

const MAIN = 'fulmars-reach'
const CLUB = 'pipit'
const HATCH: Placed = [
  MAIN,
  { catalogueId: 'CL-H52', name: 'Escape hatch', xMm: 1550, yMm: 0 },
  { 'pane.proof': 'tested to 40 kPa on this frame', offcutMm: 19.1 },
]
/** Its pane is thin for the topsides: green water, and nobody has worked it out yet. */
const LIGHT: Placed = [
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
]
const PRISM: Placed = [MAIN, { catalogueId: 'CL-D25', name: 'Prism over the bunk', xMm: 2300, yMm: -520 }]

const cable = (name: string, odMm: number) => ({ name, odMm })
const gland = (yMm: number, cables: object[]) => ({
  size: null,
  cables,
  yMm,
  zMm: 0,
  edgeMm: 160,
  threadMm: 40,
  boreMm: null,
})
const WANTED: Placed[] = [
  // The hold's own lid stands in thin laminate; its ring is still to be made.
  [
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
  ],
  [
    CLUB,
    { catalogueId: 'CL-I6I', name: 'Inspection port, buoyancy tank', xMm: 6150, yMm: 0 },
    { sea: 'cockpit', 'pane.underfoot': false },
  ],
  [
    MAIN,
    {
      catalogueId: 'BS-G32',
      name: 'Cables through the collision bulkhead',
      xMm: 1900,
      yMm: -420,
      zMm: 760,
      zone: 'collision-bulkhead',
    },
    {
      'gland.glands': [
        gland(0, [cable('navigation lights', 6), cable('anchor camera', 8)]),
        gland(90, [cable('windlass remote', 11)]),
        gland(180, [cable('bow sounder', 14)]),
      ],
      'gland.floodZMm': 210,
      'gland.behind': { lengthMm: 1900, widthMm: 850, heightMm: 1100 },
    },
  ],
  [
    CLUB,
    { catalogueId: 'CL-B40', name: 'Bin under the foredeck', xMm: 1750, yMm: 0 },
    { 'bin.contents': { kind: 'water', fill: 1 } },
  ],
]

/** The boats' openings (chapter 13), in different states; two are short for reasons that can be seen. */
export async function seedOpenings(fitter: Account): Promise<void> {
  await recordFitting(fitter, await put(fitter, HATCH))
  const light = await put(fitter, LIGHT)
  await copyFitting(fitter, light, { mirror: true, name: 'Wet-lab portlight, port' })
  await recordFitting(fitter, await put(fitter, PRISM))
  for (const p of WANTED) await put(fitter, p)
}
