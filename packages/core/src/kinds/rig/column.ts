import { strengthOf } from '../../chapters/rig/chainplate'
import { check, inWords, say, unproven, type Check } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import type { RIG_METALS, SetIn } from './design'

/** Young's moduli, MPa; typical of their metal. */
const E_MPA: Record<(typeof RIG_METALS)[number], number> = {
  'ss-316': 193_000,
  'ss-316-drawn': 193_000,
  'A4-70': 193_000,
  'A4-80': 193_000,
  'duplex-2205': 200_000,
  'silicon-bronze': 105_000,
  'al-6061': 69_000,
  'titanium-6al4v': 114_000,
}
const SOURCE = 'Euler and Rankine'
type Column = NonNullable<SetIn['set']['column']>
/**
 * What a straight tube, free to turn at both ends, stands up under, N (Rankine): 1/P is the sum of 1/Euler
 * and 1/(area by yield). Between the two it is on the safe side of either.
 */
export function standsUnder(c: Pick<Column, 'outsideMm' | 'wallMm' | 'lengthMm' | 'grade'>): number {
  const d1 = Math.max(0, c.outsideMm - 2 * c.wallMm)
  const area = (Math.PI / 4) * (c.outsideMm ** 2 - d1 ** 2)
  const inertia = (Math.PI / 64) * (c.outsideMm ** 4 - d1 ** 4)
  const buckles = (Math.PI ** 2 * E_MPA[c.grade] * inertia) / c.lengthMm ** 2
  return 1 / (1 / buckles + 1 / (area * strengthOf(c.grade)[0]))
}
const shape = (id: string, title: string, unit: string) => ({ id, title, unit, source: SOURCE })
/** A post under a mast: that it does not buckle, and that what it stands on bears it. */
export function columnChecks(d: SetIn): Check[] {
  const { column: c, loadN } = d.set
  if (!c)
    return d.family === 'compression'
      ? [
          unproven({
            ...shape('column', 'Stands up under the mast', 'N'),
            because: 'Nobody has measured its tube: outside, wall and length.',
          }),
        ]
      : []
  if (c.wallMm * 2 > c.outsideMm)
    return [
      inWords({
        ...shape('column', 'Stands up under the mast', ''),
        verdict: 'short',
        because: `A wall of ${say(c.wallMm)} mm is more than half of ${say(c.outsideMm)} mm: measure it again.`,
      }),
    ]
  const stands = standsUnder(c)
  if (loadN === null)
    return [
      unproven({
        ...shape('column', 'Stands up under the mast', 'N'),
        capacity: stands / factorsFor(d.duty).metal,
        because: 'Nobody has said what the mast presses with: the load of a mast step is a quick sum.',
      }),
    ]
  const foot = shape('column-foot', 'What its foot presses on', 'MPa')
  return [
    check({
      ...shape('column', 'Stands up under the mast', 'N'),
      demand: loadN,
      capacity: stands,
      factor: factorsFor(d.duty).metal,
      because: `A straight tube of ${say(c.outsideMm)} by ${say(c.wallMm)} mm, ${say(c.lengthMm)} mm long and free to turn at its ends; a bow of a few millimetres takes much of it.`,
    }),
    c.footMPa === null
      ? unproven({
          ...foot,
          because: `${say(loadN / c.footMm2)} MPa under the whole of it; nobody has said what lies there.`,
        })
      : check({
          ...foot,
          demand: loadN / c.footMm2,
          capacity: c.footMPa,
          factor: factorsFor(d.duty).laminate,
          because: 'The load over the whole of its foot: a foot that rocks presses on one edge.',
        }),
  ]
}
