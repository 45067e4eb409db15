import { describe, expect, it } from 'vitest'
import { withChange } from '../src/base/change'
import { catalogueEntry } from '../src/kinds/deck-hardware/catalogue'
import type { Design } from '../src/kinds/deck-hardware/design'
import { judge } from '../src/kinds/deck-hardware/judge'
import { startDesign } from '../src/kinds/deck-hardware/start'
import type { Structure } from '../src/base/materials/structure'

/**
 * What has a direction of its own on the deck, judged under a load from anywhere: as bad as the worst of all
 * its directions judged one by one.
 */
const on = (id: string, structure: Structure, change: Record<string, unknown>): Design =>
  withChange(
    startDesign(
      catalogueEntry(id)!,
      {
        zone: 'deck',
        xMm: 900,
        yMm: -600,
        zMm: 1500,
        edgeMm: 150,
        belowWaterline: false,
        structure,
        measured: [],
        duty: 'coastal',
      },
      id,
    ),
    change,
  )
const STEP = 15
const swept = (d: Design, az: [number, number], el: [number, number]) =>
  withChange(d, {
    'load.sweep': {
      azimuthDeg: { from: az[0], to: az[1], step: STEP },
      elevationDeg: { from: el[0], to: el[1], step: STEP },
    },
  })
const use = (d: Design, id: string) => judge(d).checks.find((c) => c.id === id)!.utilisation!
function worstOfEach(d: Design, id: string): number {
  let worst = 0
  for (let az = 0; az < 360; az += STEP)
    for (let el = 0; el <= 90; el += STEP) worst = Math.max(worst, use(swept(d, [az, az], [el, el]), id))
  return worst
}
const load = { basis: 'rated', ratedN: 2500, pointMm: { x: 12, y: 8, z: 40 } }
const timber = (grainDeg: number): Structure => ({
  kind: 'timber',
  timber: 'softwood',
  thicknessMm: 25,
  grainDeg,
})
const metal: Structure = { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 6 }
const welded = (lengthMm: number, widthMm: number) => ({
  load,
  doubler: { lengthMm, widthMm, thicknessMm: 6, weldMm: 4 },
})

describe('the worst of all directions', () => {
  it.each<[string, string, Structure, Record<string, unknown>, string]>([
    ['timber, the grain along', 'HG-C250', timber(0), { load }, 'bearing'],
    ['timber, the grain askew', 'HG-C250', timber(35), { load }, 'bearing'],
    ['timber, the fitting turned', 'HG-W200', timber(70), { load, headingDeg: 20 }, 'bearing'],
    ['timber, three bolts round', 'HG-TP70', timber(20), { load }, 'bearing'],
    ['a long doubler', 'HG-C250', metal, welded(400, 90), 'doubler-weld'],
    ['a doubler across', 'HG-C250', metal, welded(90, 400), 'doubler-weld'],
    ['a long doubler under a disc', 'HG-TP70', metal, welded(500, 120), 'doubler-weld'],
  ])('%s', (_, id, structure, change, check) => {
    const d = on(id, structure, change)
    const whole = use(swept(d, [0, 360 - STEP], [0, 90]), check)
    expect(whole).toBeGreaterThan(0)
    expect(whole / worstOfEach(d, check)).toBeCloseTo(1, 6)
  })
})
