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

type Stack = { holeMm: number; totalMm: number } | null
type Load = 'none' | 'some' | 'structural'
const HULL_FACE: Record<ThroughHullDesign['hull']['kind'], string> = {
  solid: 'laminate',
  cored: 'laminate',
  aluminium: 'aluminium',
  steel: 'steel',
  timber: 'wood',
}
const boreOf = (d: ThroughHullDesign, stack: Stack) => stack?.holeMm ?? d.boredMm ?? d.skin.holeMm

function choose(
  d: ThroughHullDesign,
  joint: string,
  faces: [string, string],
  load: Load,
  gapMm: number,
  sunlight = false,
): SealantChoice {
  const { zMm } = d.place
  const { tempC, humidityPct, serviceAgainYears } = d.bedding
  return chooseSealant({
    place: zMm < 0 ? 'below' : zMm < 300 ? 'waterline' : 'above',
    tempC,
    humidityPct,
    ...(serviceAgainYears === null ? {} : { serviceAgainYears }),
    joint,
    faces,
    load,
    gapMm,
    movementMm: 0,
    sunlight,
    fuelOrSolvent: false,
    toBePainted: false,
  } as never)
}

/** Between two tight faces moisture comes from the edge only, as far as the hole (4.3). */
function cureDays(d: ThroughHullDesign, stack: Stack, id: SealantId | null, diameterMm: number) {
  const cure = (pathMm: number) =>
    id && pathMm > 0 && sealant(id).moistureCure && d.bedding.humidityPct > 0
      ? moistureCureOf({ chemistry: id, pathMm, tempC: d.bedding.tempC, humidityPct: d.bedding.humidityPct })
          .days
      : null
  return { rimDays: cure(RIM_PATH_MM), middleDays: cure((diameterMm - boreOf(d, stack)) / 2) }
}

function quantityOf(
  d: ThroughHullDesign,
  stack: Stack,
  id: SealantId | null,
  of: { diameterMm: number; beadMm: number; collar: boolean },
): SealantQuantity | null {
  if (id === null) return null
  const bore = boreOf(d, stack)
  const tail = d.skin.tailOdMm
  return sealantQuantityOf({
    kind: id === 'butyl' ? 'tape' : 'tube',
    contactAreaMm2: Math.max(0, (Math.PI / 4) * (of.diameterMm ** 2 - bore ** 2)),
    perimeterMm: Math.PI * of.diameterMm,
    beadMm: of.beadMm,
    filletMm: 3,
    holes: of.collar && tail !== null && bore > tail ? 1 : 0,
    holeDiameterMm: bore,
    boltDiameterMm: tail ?? bore,
    sealedDepthMm: stack?.totalMm ?? d.hull.thicknessMm,
    chamferMl: 0,
    tapeWidthMm: 20,
    wasteFraction: 0.3,
  })
}

function flangeBedded(d: ThroughHullDesign, stack: Stack): Bedded {
  const transducer = d.family === 'transducer'
  const chosen = d.bedding.flange
  const of = { diameterMm: d.skin.flangeMm, beadMm: d.beddingMm, collar: true }
  return {
    place: 'flange',
    title: transducer ? 'Transducer in the hull' : 'Skin fitting in the hull',
    choice: choose(
      d,
      transducer ? 'transducer' : 'through-hull',
      [BODY_FACE[d.skin.material], HULL_FACE[d.hull.kind]],
      'some',
      d.beddingMm,
      d.place.zMm >= 0,
    ),
    chosen,
    quantity: quantityOf(d, stack, chosen, of),
    beadMm: d.beddingMm,
    ...cureDays(d, stack, chosen, of.diameterMm),
  }
}

function padBedded(d: ThroughHullDesign, stack: Stack, pad: NonNullable<ThroughHullDesign['pad']>): Bedded {
  const chosen = d.bedding.pad
  const of = { diameterMm: pad.diameterMm, beadMm: PAD_BEAD_MM, collar: false }
  const faces: [string, string] = [PAD_FACE[pad.material], HULL_FACE[d.hull.kind]]
  return {
    place: 'pad',
    title: 'Pad\u2019s bond to the hull',
    choice: choose(d, 'structural-bond', faces, 'structural', PAD_BEAD_MM),
    chosen,
    quantity: quantityOf(d, stack, chosen, of),
    beadMm: PAD_BEAD_MM,
    ...cureDays(d, stack, chosen, of.diameterMm),
  }
}

function tailBedded(
  d: ThroughHullDesign,
  stack: Stack,
  valve: NonNullable<ThroughHullDesign['valve']>,
): Bedded {
  const chosen = d.bedding.tail
  const of = { diameterMm: valve.flangeMm, beadMm: FLANGE_BEAD_MM, collar: false }
  // A laminate pad and a wedge are epoxy on their face.
  const under = d.pad
    ? PAD_FACE[d.pad.material]
    : d.wedge.blocks !== 'none'
      ? 'epoxy'
      : HULL_FACE[d.hull.kind]
  return {
    place: 'tail',
    title: 'Seacock\u2019s flange on its pad',
    choice: choose(
      d,
      'seacock-flange',
      [BODY_FACE[valve.material], d.pad && under === 'laminate' ? 'epoxy' : under],
      'some',
      FLANGE_BEAD_MM,
    ),
    chosen,
    quantity: quantityOf(d, stack, chosen, of),
    beadMm: FLANGE_BEAD_MM,
    ...cureDays(d, stack, chosen, of.diameterMm),
  }
}

/** Every joint that is bedded or bonded: what suits it, what is chosen, how much, and until when. */
export const sealantsOf = (d: ThroughHullDesign, stack: Stack): Bedded[] => [
  ...(d.family === 'welded-stub' ? [] : [flangeBedded(d, stack)]),
  ...(d.pad ? [padBedded(d, stack, d.pad)] : []),
  ...(d.valve && d.valve.kind !== 'screwed' ? [tailBedded(d, stack, d.valve)] : []),
]
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
