import { answerOf } from '../../base/calculator/calculator'
import { sealant } from '../../base/materials/sealants'
import { fullThickness } from '../../base/materials/structure'
import { check, inWords, say, unproven, type Check } from '../../base/verdict/check'
import { BONDS, bondLap } from '../../chapters/repair/bond-lap'
import { MIXED_MIN } from '../../chapters/stores/tube-shape'
import type { SetIn } from './design'
import type { RigJudgement } from './judgement'

type Glue = NonNullable<SetIn['set']['glue']>
export const LAMINATE_E = 14_000
const WASTE = 1.25
const SOURCE = 'chapters 4.1, 8.1, 17.3'
/** How long it can be worked in the nozzle and on the plate, and how much is squeezed out. */
export const glueOf = (d: SetIn, g: Glue): { workingMin: number; volumeMl: number } => ({
  workingMin: MIXED_MIN[g.adhesive]! * 2 ** ((25 - d.tempC) / 10),
  volumeMl: (g.lengthMm * g.widthMm * g.lineMm * WASTE) / 1000,
})
/** What the bond carries in shear; the adhesive or what it stands on, whichever gives first. */
export const glueBond = (d: SetIn, g: Glue): RigJudgement['bond'] =>
  d.set.loadN === null
    ? null
    : answerOf(bondLap, {
        loadN: d.set.loadN,
        lengthMm: g.lengthMm,
        widthMm: g.widthMm,
        kind: 'lap',
        sides: 1,
        e1t1NPerMm: LAMINATE_E * Math.max(1, fullThickness(d.structure)),
        e2t2NPerMm: g.plateMPa * g.thicknessMm,
        gMPa: g.gMPa,
        glueMm: g.lineMm,
        ...(g.bond === null ? {} : { strengthMPa: Math.min(sealant(g.adhesive).bondMPa, BONDS[g.bond]) }),
        duty: d.duty,
      })
/** Minutes first: a dry run by the clock, the day's temperature, then what the bond carries. */
export function glueChecks(d: SetIn, bond: RigJudgement['bond']): Check[] {
  const g = d.set.glue
  if (!g) return []
  const { workingMin } = glueOf(d, g)
  const [least, most] = sealant(g.adhesive).applyC
  const warm = d.tempC >= least && d.tempC <= most
  const time = { id: 'glue-time', title: 'Pressed home in time', unit: 'min', source: SOURCE }
  return [
    g.dryRunMin === null
      ? unproven({
          ...time,
          capacity: workingMin,
          because: `Nobody has timed a dry run: ${say(workingMin)} min is all there is at ${say(d.tempC)} \u00b0C, from the first bead to the last clamp.`,
        })
      : check({
          ...time,
          demand: g.dryRunMin,
          capacity: workingMin,
          because: `The dry run took ${say(g.dryRunMin)} min of the ${say(workingMin)} min that there are at ${say(d.tempC)} \u00b0C.`,
        }),
    inWords({
      id: 'glue-warm',
      title: 'Warm enough, and not too warm',
      unit: '',
      source: SOURCE,
      verdict: warm ? 'holds' : 'short',
      because: `${say(d.tempC)} \u00b0C; ${sealant(g.adhesive).title} is worked from ${least} to ${most} \u00b0C.`,
    }),
    ...(bond?.checks ?? [
      unproven({
        id: 'bond-shear',
        title: 'Bond of the plate',
        unit: 'MPa',
        source: 'chapter 8.1',
        because: 'Nobody has said what it carries in shear; bolts that clamp it carry the rest.',
      }),
    ]),
  ]
}
