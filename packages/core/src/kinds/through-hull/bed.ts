import { potOf, worstPot, WORKING_MIN, type Pot } from '../../chapters/bedding/pot'
import { moistureCureOf } from '../../chapters/bedding/moisture-cure'
import { chooseSealant, type SealantChoice } from '../../chapters/bedding/sealant-choice'
import { sealantQuantityOf, type SealantQuantity } from '../../chapters/bedding/sealant-quantity'
import { sealant, type SealantId } from '../../base/materials/sealants'
import { unproven, type Check } from '../../base/verdict/check'
import { BODY_FACE } from './families'
import type { ThroughHullDesign } from './design'
import { plain } from './plain'

/** One joint of the stack that is bedded or bonded. */
export interface Bedded {
  place: 'flange' | 'pad' | 'tail'
  title: string
  choice: SealantChoice
  chosen: SealantId | null
  quantity: SealantQuantity | null
  beadMm: number
  /** fillet and collar; the middle of a wide flange takes far longer. Null where nothing cures by moisture */
  rimDays: number | null
  middleDays: number | null
}
const RIM_PATH_MM = 5
const PAD_BEAD_MM = 1.5
const FLANGE_BEAD_MM = 1
const PAD_FACE: Record<NonNullable<ThroughHullDesign['pad']>['material'], string> = {
  g10: 'laminate',
  'glass-epoxy': 'laminate',
  plywood: 'wood',
  composite: 'nylon',
}

/** Every joint that is bedded or bonded: what suits it, what is chosen, how much, and until when. */
export function sealantsOf(
  d: ThroughHullDesign,
  stack: { holeMm: number; totalMm: number } | null,
): Bedded[] {
  const face = BODY_FACE[d.skin.material]
  const hull =
    d.hull.kind === 'aluminium'
      ? 'aluminium'
      : d.hull.kind === 'steel'
        ? 'steel'
        : d.hull.kind === 'timber'
          ? 'wood'
          : 'laminate'
  const where = d.place.zMm < 0 ? 'below' : d.place.zMm < 300 ? 'waterline' : 'above'
  const common = {
    place: where,
    tempC: d.bedding.tempC,
    humidityPct: d.bedding.humidityPct,
    ...(d.bedding.serviceAgainYears === null ? {} : { serviceAgainYears: d.bedding.serviceAgainYears }),
  } as const
  const choose = (
    joint: string,
    faces: [string, string],
    load: 'none' | 'some' | 'structural',
    gapMm: number,
    sunlight = false,
  ) =>
    chooseSealant({
      ...common,
      joint,
      faces,
      load,
      gapMm,
      movementMm: 0,
      sunlight,
      fuelOrSolvent: false,
      toBePainted: false,
    } as never)
  const bore = stack?.holeMm ?? d.boredMm ?? d.skin.holeMm
  const cure = (id: SealantId | null, pathMm: number) =>
    id && pathMm > 0 && sealant(id).moistureCure && d.bedding.humidityPct > 0
      ? moistureCureOf({ chemistry: id, pathMm, tempC: d.bedding.tempC, humidityPct: d.bedding.humidityPct })
          .days
      : null
  // Between two tight faces moisture comes from the edge only, as far as the hole (4.3).
  const days = (id: SealantId | null, diameterMm: number) => ({
    rimDays: cure(id, RIM_PATH_MM),
    middleDays: cure(id, (diameterMm - bore) / 2),
  })
  const quantity = (id: SealantId | null, diameterMm: number, beadMm: number, collar: boolean) =>
    id === null
      ? null
      : sealantQuantityOf({
          kind: id === 'butyl' ? 'tape' : 'tube',
          contactAreaMm2: Math.max(0, (Math.PI / 4) * (diameterMm ** 2 - bore ** 2)),
          perimeterMm: Math.PI * diameterMm,
          beadMm,
          filletMm: 3,
          holes: collar && d.skin.tailOdMm !== null && bore > d.skin.tailOdMm ? 1 : 0,
          holeDiameterMm: bore,
          boltDiameterMm: d.skin.tailOdMm ?? bore,
          sealedDepthMm: stack?.totalMm ?? d.hull.thicknessMm,
          chamferMl: 0,
          tapeWidthMm: 20,
          wasteFraction: 0.3,
        })
  const out: Bedded[] = []
  const f = d.bedding
  if (d.family !== 'welded-stub')
    out.push({
      place: 'flange',
      title: d.family === 'transducer' ? 'Transducer in the hull' : 'Skin fitting in the hull',
      choice: choose(
        d.family === 'transducer' ? 'transducer' : 'through-hull',
        [face, hull],
        'some',
        d.beddingMm,
        d.place.zMm >= 0,
      ),
      chosen: f.flange,
      quantity: quantity(f.flange, d.skin.flangeMm, d.beddingMm, true),
      beadMm: d.beddingMm,
      ...days(f.flange, d.skin.flangeMm),
    })
  if (d.pad)
    out.push({
      place: 'pad',
      title: 'Pad\u2019s bond to the hull',
      choice: choose('structural-bond', [PAD_FACE[d.pad.material], hull], 'structural', PAD_BEAD_MM),
      chosen: f.pad,
      quantity: quantity(f.pad, d.pad.diameterMm, PAD_BEAD_MM, false),
      beadMm: PAD_BEAD_MM,
      ...days(f.pad, d.pad.diameterMm),
    })
  if (d.valve && d.valve.kind !== 'screwed')
    out.push({
      place: 'tail',
      title: 'Seacock\u2019s flange on its pad',
      choice: choose(
        'seacock-flange',
        [
          BODY_FACE[d.valve.material],
          d.pad && PAD_FACE[d.pad.material] !== 'laminate'
            ? PAD_FACE[d.pad.material]
            : d.pad || d.wedge.blocks !== 'none'
              ? 'epoxy'
              : hull,
        ],
        'some',
        FLANGE_BEAD_MM,
      ),
      chosen: f.tail,
      quantity: quantity(f.tail, d.valve.flangeMm, FLANGE_BEAD_MM, false),
      beadMm: FLANGE_BEAD_MM,
      ...days(f.tail, d.valve.flangeMm),
    })
  return out
}
export function sealantCheck(s: Bedded): Check {
  const id = `sealant-${s.place}`
  if (!s.chosen)
    return unproven({
      id,
      title: s.title,
      unit: '',
      source: 'chapter 4.1',
      because: 'No sealant or adhesive is chosen yet.',
    })
  const mine = s.choice.choices.find((c) => c.id === s.chosen)!
  const why = mine.reasons
    .filter((r) => r.effect !== 'note')
    .map((r) => r.text)
    .join(' ')
  const better =
    s.choice.best && s.choice.best !== s.chosen ? ` ${sealant(s.choice.best).title} ranks first here.` : ''
  return plain(
    id,
    s.title,
    mine.verdict === 'refused' ? 'short' : mine.verdict === 'fits' ? 'holds' : 'tight',
    mine.verdict === 'fits'
      ? `${sealant(s.chosen).title} fits.${better}`
      : `${sealant(s.chosen).title}: ${why}${mine.verdict === 'refused' ? better : ''}`,
    'chapter 4.1',
  )
}

/** One occasion on which epoxy is mixed. */
/** Pad and wedges are bonded first and cure; what is set in epoxy is mixed for when it goes in. */
export interface Pots {
  bond: Pot | null
  set: Pot | null
  /** of the bond, what holds the wedges */
  wedgeMl: number
}
export const POT_TITLES = { bond: 'Epoxy that bonds pad and wedges', set: 'Epoxy that it is set in' } as const
export function potsOf(
  d: ThroughHullDesign,
  sealants: Bedded[],
  wedges: {
    outside: { saw: { outlineMm: number[] } } | null
    inside: { saw: { outlineMm: number[] } } | null
  },
): Pots {
  const ml = (pad: boolean) =>
    sealants
      .filter((s) => (s.place === 'pad') === pad && s.chosen === 'epoxy-filled')
      .reduce((t, s) => t + (s.quantity?.volumeMl ?? 0), 0)
  const bore = d.boredMm ?? d.skin.holeMm
  const wedgeMl = [wedges.outside, wedges.inside].reduce((t, w) => {
    if (!w) return t
    const across = w.saw.outlineMm[0]!
    return (
      t +
      sealantQuantityOf({
        kind: 'tube',
        contactAreaMm2: Math.max(0, (Math.PI / 4) * (across ** 2 - bore ** 2)),
        perimeterMm: Math.PI * across,
        beadMm: PAD_BEAD_MM,
        filletMm: 3,
        holes: 0,
        chamferMl: 0,
        tapeWidthMm: 20,
        wasteFraction: 0.3,
      }).volumeMl
    )
  }, 0)
  const pot = (neededMl: number) => potOf(neededMl, d.bedding, 'mayonnaise')
  return { bond: pot(ml(true) + wedgeMl), set: pot(ml(false)), wedgeMl }
}
/** The day’s epoxy: the worse of its pots. */
export function potCheck(pots: Pots): Check | null {
  const there = (['bond', 'set'] as const).flatMap((k) => (pots[k] ? [{ k, pot: pots[k]! }] : []))
  const worst = worstPot(there)
  return (
    worst && {
      ...plain(
        'epoxy-mix',
        'Epoxy for the day',
        worst.pot.verdict,
        `${there.length > 1 ? `${POT_TITLES[worst.k]}: ` : ''}${worst.pot.because}`,
        'chapter 4.5',
      ),
      assumed: [`${WORKING_MIN} minutes of work`],
    }
  )
}
