import { chooseSealant, type SealantChoice } from '../../chapters/bedding/sealant-choice'
import { sealantQuantityOf, type SealantQuantity } from '../../chapters/bedding/sealant-quantity'
import type { CorePlugOutput } from '../../chapters/deck/core-plug'
import { areaOf, perimeterOf } from '../../base/geometry/outline'
import { SIZES } from '../../base/materials/fasteners'
import { sealant as sealantRow } from '../../base/materials/sealants'
import { fullThickness } from '../../base/materials/structure'
import { yardSealants, type YardValue } from '../../base/materials/yard'
import { inWords, unproven, type Check, type Verdict } from '../../base/verdict/check'
import type { Design } from './design'
import type { Told } from './judgement'
import { beadOf, openMm2, planOfBase } from './plans'

export function sealantsFor(d: Design, yard: YardValue[], { ranked }: Told): SealantChoice {
  const before = ranked.get(d.bedding)
  if (before && before.below === d.place.belowWaterline && before.yard === yard) return before.choice
  const own = yardSealants(yard)
  const choice = chooseSealant({
    place: d.place.belowWaterline ? 'below' : 'above',
    joint: 'deck-hardware',
    faces: [d.bedding.baseFace, d.bedding.deckFace],
    serviceAgainYears: d.bedding.serviceAgainYears ?? undefined,
    movementMm: d.bedding.movementMm,
    gapMm: beadOf(d),
    sunlight: d.bedding.sunlight,
    fuelOrSolvent: d.bedding.fuelOrSolvent,
    toBePainted: d.bedding.toBePainted,
    load: 'none',
    tempC: d.bedding.tempC,
    humidityPct: d.bedding.humidityPct,
    ...(own.measured.length ? { measured: own.measured } : {}),
  })
  ranked.set(d.bedding, { below: d.place.belowWaterline, yard, choice })
  return choice
}

export function sealantCheck(d: Design, choice: SealantChoice): Check {
  const shape = { id: 'sealant', title: 'Sealant for this joint', unit: '', source: 'chapter 4.1' }
  if (!d.bedding.sealant) return unproven({ ...shape, because: 'No sealant is chosen yet.' })
  const mine = choice.choices.find((c) => c.id === d.bedding.sealant)!
  const title = sealantRow(mine.id).title
  const verdict: Verdict = mine.verdict === 'refused' ? 'short' : mine.verdict === 'fits' ? 'holds' : 'tight'
  const why = mine.reasons
    .filter((r) => r.effect === (mine.verdict === 'refused' ? 'refuse' : 'care'))
    .map((r) => r.text)
    .join(' ')
  const better =
    choice.best && choice.best !== mine.id ? ` ${sealantRow(choice.best).title} ranks first here.` : ''
  return inWords({
    ...shape,
    verdict,
    because:
      verdict === 'holds'
        ? `${title} fits this joint.${better}`
        : `${title}: ${why}${verdict === 'short' ? better : ''}`,
  })
}

export function quantityOf(d: Design, core: CorePlugOutput | null): SealantQuantity | null {
  if (!d.bedding.sealant) return null
  const size = SIZES[d.bolt.size]!
  const base = planOfBase(d.base)
  const n = d.bolts.length
  return sealantQuantityOf({
    kind: d.bedding.sealant === 'butyl' ? 'tape' : 'tube',
    contactAreaMm2: Math.max(0, areaOf(base) - n * (Math.PI / 4) * size.clearanceMm ** 2 - openMm2(d)),
    perimeterMm: perimeterOf(base),
    beadMm: beadOf(d),
    holes: n,
    holeDiameterMm: size.clearanceMm,
    boltDiameterMm: size.diameterMm,
    sealedDepthMm: fullThickness(d.structure),
    chamferMl: core?.chamfer?.volumeEachMl ?? 0,
    tapeWidthMm: 20,
    wasteFraction: 0.3,
  })
}
