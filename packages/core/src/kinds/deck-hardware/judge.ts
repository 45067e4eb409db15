import { chooseSealant, type SealantChoice } from '../../chapters/bedding/sealant-choice'
import { sealantQuantityOf, type SealantQuantity } from '../../chapters/bedding/sealant-quantity'
import { corePlugOf, type CorePlugOutput } from '../../chapters/deck/core-plug'
import { BOND_MPA } from '../../chapters/deck/bearing'
import { jointChecks, jointSnug, type JointInput } from '../../chapters/deck/joint-check'
import type { Plug } from '../../chapters/deck/footprint'
import { CalcError } from '../../base/errors'
import { boltCapacities, galls } from '../../chapters/fastener/fastener'
import { tighteningOf, type Tightening } from '../../chapters/fastener/tightening'
import { gripStackOf } from '../../chapters/fastener/grip-stack'
import { areaOf, boundsOf, contains, perimeterOf } from '../../base/geometry/outline'
import { formatUse } from '../../base/quantity/format'
import { SIZES } from '../../base/materials/fasteners'
import { sealant as sealantRow } from '../../base/materials/sealants'
import { fullThickness } from '../../base/materials/structure'
import { withYardValues, yardLine, yardPlate, yardSealants, type YardValue } from '../../base/materials/yard'
import { backingPlateOf, type PlateOutput } from '../../chapters/plate/backing-plate'
import {
  check,
  governing,
  inWords,
  rank,
  say,
  unproven,
  worstVerdict,
  type Check,
  type Verdict,
} from '../../base/verdict/check'
import { designLoadOf, type LoadDirection } from '../../chapters/load/design-load'
import type { Design } from './design'
import { pushChecks, pushOf, type Panel } from './pushed'
import { factorsOf, guessesLeft } from './guess'
import { gripAbout, shareLoads, type CaseShared, type Hands, type Shared } from './loads'
import { byGrain, weldCheck, withDoubler } from './metal-deck'
import { metalsCheck } from './metals'
import { foundChecks } from '../findings'
import { DECK_FINDINGS } from './findings'
import { tallyOf } from '../tally'

export interface BoltShare {
  tensionN: number
  shearN: number
  /** of the bolt's own strength in that direction, factor in */
  utilisation: number
}
export interface Judgement {
  verdict: Verdict
  governing: string | null
  checks: Check[]
  load: ReturnType<typeof designLoadOf>
  directions: number
  swept: boolean
  /** the direction in which the worst-used bolt is worst used, and what each bolt then carries */
  worst: {
    caseName: string
    direction: LoadDirection
    bolts: BoltShare[]
    pushN: number
    contact: Shared['resting']
    handMaxTensionN: number
    maxTensionN: number
  }
  /** each load case with what governs it */
  cases: {
    name: string
    loadN: number
    directions: number
    swept: boolean
    contact: boolean
    utilisation: number | null
    verdict: Verdict
    governing: string | null
  }[]
  /** why the governing case governs, in words; empty with one case */
  caseSaid: string
  /** bolts by the length they need, where pads or an uneven deck part them */
  grips: { bolts: number[]; extraMm: number; grip: ReturnType<typeof gripStackOf> | null }[]
  /** mostTorqueNm: the greatest that yields no bolt and crushes nothing */
  preload: {
    preloadN: number
    /** what clamps, what a locking nut takes before that, and their sum, which the wrench is set to */
    preloadTorqueNm: number
    runDownNm: number
    torqueNm: number
    mostTorqueNm: number
    limitedByDeck: boolean
    /** which check a greater one would bring over 0.90; null where the bolt itself is the limit */
    limitedBy: string | null
    cautions: Tightening['cautions']
    galling: boolean
  }
  grip: ReturnType<typeof gripStackOf> | null
  gripLayers: { name: string; thicknessMm: number }[]
  plate: PlateOutput | null
  core: CorePlugOutput | null
  sealant: SealantChoice
  quantity: SealantQuantity | null
  counts: Record<Verdict, number>
  assumed: string[]
}

const TUBE_BEAD_MM = 1.5
const TAPE_BEAD_MM = 2
export const beadOf = (d: Design) =>
  d.bedding.beadMm ?? (d.bedding.sealant === 'butyl' ? TAPE_BEAD_MM : TUBE_BEAD_MM)
const plan = (b: Design['base']) =>
  'diameterMm' in b ? { diameterMm: b.diameterMm } : { lengthMm: b.lengthMm, widthMm: b.widthMm }

export function coreOutput(d: Design, crushed: boolean): CorePlugOutput | null {
  const s = d.structure
  const cored = s.kind === 'sandwich'
  if (!cored) return null
  const hole = SIZES[d.bolt.size]!.clearanceMm
  const b = boundsOf(plan(d.base))
  const insert = d.core.insert ?? { lengthMm: b.maxX - b.minX + 40, widthMm: b.maxY - b.minY + 40, bedMm: 1 }
  return corePlugOf({
    school: d.core.school,
    holeMm: hole,
    boreMm: d.core.boreMm ?? undefined,
    undercutMm: d.core.undercutMm ?? undefined,
    outerSkinMm: s.outerMm,
    coreMm: s.core.thicknessMm,
    innerSkinMm: s.innerMm,
    core: s.core.material,
    holes: d.bolts.length,
    torn: d.core.torn,
    insert: d.core.school === 'insert' ? insert : undefined,
    lightLoad: d.core.lightLoad,
    crushed,
    chamferMm: d.core.chamferMm ?? undefined,
    duty: d.duty,
  })
}

function plugOf(d: Design, core: CorePlugOutput | null): Plug | undefined {
  if (!core || core.plugAreaMm2 <= 0) return undefined
  return d.core.school === 'insert'
    ? { material: d.core.insertMaterial, whole: true }
    : { material: 'epoxy-plug', areaEachMm2: core.plugAreaMm2, bored: d.core.school !== 'reef' }
}

const jointInput = (d: Design, plug: Plug | undefined, preloadN: number, s: Shared): JointInput => ({
  duty: d.duty,
  factors: factorsOf(d),
  structure: withDoubler(d),
  bolt: {
    size: d.bolt.size,
    grade: d.bolt.grade,
    threadsInShear: d.bolt.threadsInShear,
    preloadN,
    gripMm: gripAbout(d),
  },
  bolts: d.bolts.map((b, i) => ({
    ...b,
    tensionN: s.bolts[i]!.tensionN,
    shearN: s.bolts[i]!.shearN,
  })),
  edgeMm: d.place.edgeMm ?? undefined,
  plate: d.plate ? { ...planOfPlate(d.plate), bonded: bondedTo(d) } : undefined,
  washer: d.bolt.nutWasher,
  plug,
  // A track's field is that under its car; what presses there is judged, not spread over all its length.
  base:
    s.field && d.family !== 'track'
      ? { ...plan(d.base), field: s.field }
      : { ...plan(d.base), pushN: s.pushN, toePressureMPa: s.stripMPa },
})
/** The plate as one that bears with the deck: bonded, of a sheet that bonds, and to no metal. */
function bondedTo(d: Design) {
  const p = d.plate
  if (!p?.bonded || p.material === 'plastic' || d.structure.kind === 'metal') return undefined
  return { material: p.material, thicknessMm: p.thicknessMm, bondMPa: BOND_MPA }
}

/**
 * Without the deck behind it the plate's own bending is judged and nothing is suggested, which is all that
 * a search needs.
 */
function plateOutput(
  d: Design,
  plug: Plug | undefined,
  preloadN: number,
  s: Pick<Shared, 'bolts'>,
  withDeck: boolean,
  own: { strengthMPa?: number; eMPa?: number },
): PlateOutput | null {
  if (!d.plate) return null
  const { material, thicknessMm } = d.plate
  return backingPlateOf({
    duty: d.duty,
    factors: factorsOf(d),
    plate: { ...planOfPlate(d.plate), material, thicknessMm, ...own },
    bolts: d.bolts.map((b, i) => ({ ...b, tensionN: s.bolts[i]!.tensionN })),
    bolt: { size: d.bolt.size, preloadN },
    washer: d.bolt.nutWasher,
    structural: true,
    belowWaterline: d.place.belowWaterline,
    bedGapMm: bedMean(d.plate),
    ...(withDeck ? { structure: d.structure, plug } : {}),
  })
}

/** The plate's plan: the rectangle, or the polygon it was clipped to. */
export const planOfPlate = (p: NonNullable<Design['plate']>) =>
  p.outline ? { outline: p.outline } : { lengthMm: p.lengthMm, widthMm: p.widthMm }
/**
 * Mean thickness of the bed: under a crowned deck a flat plate touches at its ends, and two thirds of the
 * rise l\u00b2/(8R) stand open on average.
 */
export const bedMean = (p: NonNullable<Design['plate']>) =>
  p.bedGapMm + (p.crownRadiusMm ? ((2 / 3) * p.lengthMm ** 2) / (8 * p.crownRadiusMm) : 0)

const PLATE_ONLY = ['plate-overhang', 'plate-span', 'plate-stiffness', 'material']

/**
 * The snug pull of a bolt that deck and plate bear under every load, and which check stops more (3.4,
 * 3.5).
 */
interface DeckLimit {
  preloadN: number
  limitedBy: string | null
}
function deckLimit(
  d: Design,
  plug: Plug | undefined,
  own: { strengthMPa?: number; eMPa?: number },
  decisive: Shared[],
): DeckLimit {
  const of = (s: Shared): DeckLimit[] => {
    const plate = plateOutput(d, plug, 0, s, false, own)?.snug
    return [
      jointSnug(jointInput(d, plug, 0, s)),
      ...(plate && plate.preloadN !== null ? [{ ...plate, preloadN: plate.preloadN }] : []),
    ]
  }
  return decisive.flatMap(of).reduce((a, b) => (b.preloadN < a.preloadN ? b : a))
}
/** A torque that a wrench is set to, N·m: rounded down, so that no check is short by it. */
const TORQUE_STEP_NM = 0.1
function tighten(d: Design, limit: DeckLimit): Tightening {
  const given = {
    size: d.bolt.size,
    grade: d.bolt.grade,
    paste: d.bolt.paste,
    nut: d.bolt.nut,
    prevailingNm: d.bolt.runDownNm,
    torqueNm: d.bolt.torqueNm,
    deckLimitN: limit.limitedBy === null ? null : limit.preloadN,
  }
  const t = tighteningOf(given)
  if (d.bolt.torqueNm !== null) return t
  const torqueNm = Math.floor(t.preloadTorqueNm / TORQUE_STEP_NM + 1e-9) * TORQUE_STEP_NM
  const part = t.preloadTorqueNm > 0 ? torqueNm / t.preloadTorqueNm : 0
  return { ...t, preloadTorqueNm: torqueNm, torqueNm: torqueNm + t.prevailingNm, preloadN: t.preloadN * part }
}

const worse = (a: Check, b: Check) =>
  rank(b.verdict) < rank(a.verdict) ||
  (b.verdict === a.verdict && (b.utilisation ?? -1) > (a.utilisation ?? -1))
    ? b
    : a
const directionSaid = (x: LoadDirection) =>
  `${say(x.azimuthDeg)}\u00b0 round, ${say(x.elevationDeg)}\u00b0 up`

function leverCheck(s: Shared, loadN: number): Check | null {
  const m = Math.max(s.unresistedMomentNmm, s.unresistedTwistNmm)
  if (m <= 1e-6 * Math.max(1, loadN)) return null
  return unproven({
    id: 'lever',
    title: 'Lever on the pattern',
    unit: 'N\u00b7mm',
    source: 'chapter 3.2',
    because: `${say(m / 1000)} N\u00b7m turn the fitting about its own line of bolts, which cannot resist it, and no rest of the base on the deck was found. Spread the bolts across the load.`,
  })
}

function coreCheck(core: CorePlugOutput): Check {
  const shape = {
    id: 'core-dry',
    title: 'Core kept dry',
    unit: 'mm',
    source: 'chapter 3.6',
    because: core.because,
    working: core.working,
  }
  if (core.wallMm === null || core.wallLeastMm === null) return inWords({ ...shape, verdict: core.verdict })
  return check({ ...shape, demand: core.wallLeastMm, capacity: core.wallMm, verdict: core.verdict })
}

export function gripLayersOf(d: Design): { name: string; thicknessMm: number }[] {
  const s = d.structure
  const deck =
    s.kind === 'sandwich'
      ? [
          { name: 'outer skin', thicknessMm: s.outerMm },
          {
            name:
              d.core.school === 'insert'
                ? 'insert'
                : d.core.school === 'bore-fill' || d.core.school === 'reef'
                  ? 'core plug'
                  : 'core',
            thicknessMm: s.core.thicknessMm,
          },
          { name: 'inner skin', thicknessMm: s.innerMm },
        ]
      : [
          {
            name: s.kind === 'solid' ? 'laminate' : s.kind === 'metal' ? 'plating' : 'timber',
            thicknessMm: s.thicknessMm,
          },
        ]
  return [
    { name: 'base', thicknessMm: d.base.thicknessMm },
    { name: 'bedding', thicknessMm: beadOf(d) },
    ...(d.doubler && s.kind === 'metal' ? [{ name: 'doubler', thicknessMm: d.doubler.thicknessMm }] : []),
    ...deck,
    ...(d.plate && d.plate.bedGapMm > 0 ? [{ name: 'filler bed', thicknessMm: d.plate.bedGapMm }] : []),
    ...(d.plate ? [{ name: 'backing plate', thicknessMm: d.plate.thicknessMm }] : []),
  ]
}

/** Each bolt's own stack: where pads or the deck differ from bolt to bolt, so do the bolts. */
function gripsOf(
  d: Design,
): { bolts: number[]; extraMm: number; grip: ReturnType<typeof gripStackOf> | null; gripCheck: Check }[] {
  const layers = gripLayersOf(d)
  const groups = new Map<string, { bolts: number[]; padMm: number; unevenMm: number }>()
  d.bolts.forEach((_, i) => {
    const [padMm, unevenMm] = [d.padsMm[i] ?? 0, d.unevenMm[i] ?? 0]
    const key = `${padMm}|${unevenMm}`
    const g = groups.get(key) ?? { bolts: [], padMm, unevenMm }
    g.bolts.push(i)
    groups.set(key, g)
  })
  return [...groups.values()].map((g) => {
    const own = [
      ...(g.padMm > 0 ? [{ name: 'pad', thicknessMm: g.padMm }] : []),
      ...layers.map((l) =>
        g.unevenMm !== 0 && l.name === layers.find((x) => !['base', 'bedding'].includes(x.name))?.name
          ? { ...l, thicknessMm: Math.max(0.1, l.thicknessMm + g.unevenMm) }
          : l,
      ),
    ]
    const base = own.findIndex((l) => l.name === 'base')
    const ordered = base > 0 ? [own[base]!, ...own.filter((_, i) => i !== base)] : own
    const r = gripOf(d, ordered)
    const which =
      groups.size > 1 ? `Bolt${g.bolts.length > 1 ? 's' : ''} ${g.bolts.map((b) => b + 1).join(', ')}: ` : ''
    return {
      bolts: g.bolts,
      extraMm: g.padMm + g.unevenMm,
      grip: r.grip,
      gripCheck: which ? { ...r.gripCheck, because: which + r.gripCheck.because } : r.gripCheck,
    }
  })
}

/** Which case governs, and by what. */
function caseSaid(cases: Judgement['cases'], checks: Check[]): string {
  if (cases.length < 2) return ''
  const top = cases.reduce((a, b) =>
    rank(b.verdict) < rank(a.verdict) ||
    (b.verdict === a.verdict && (b.utilisation ?? -1) > (a.utilisation ?? -1))
      ? b
      : a,
  )
  const title = checks.find((c) => c.id === top.governing)?.title.toLowerCase() ?? ''
  const others = cases
    .filter((c) => c !== top)
    .map((c) => `${c.name} ${c.utilisation === null ? c.verdict : formatUse(c.utilisation)}`)
  return `\u201c${top.name}\u201d governs, by ${title}${top.utilisation === null ? '' : ` at ${formatUse(top.utilisation)}`}; beside it ${others.join(', ')}.`
}

function gripOf(
  d: Design,
  layers: { name: string; thicknessMm: number }[],
): { grip: ReturnType<typeof gripStackOf> | null; gripCheck: Check } {
  const shape = { id: 'bolt-length', title: 'Bolt long enough', unit: 'mm', source: 'chapter 2.4' }
  const sunk = d.bolt.head === 'countersunk'
  try {
    const grip = gripStackOf({
      size: d.bolt.size,
      head: d.bolt.head,
      washers: { head: sunk ? 'none' : d.bolt.headWasher, nut: d.bolt.nutWasher },
      nut: d.bolt.nut,
      layers,
      partThreaded: d.bolt.partThreaded,
      protrusionPitches: 2,
    })
    const verdict: Verdict = !grip.headFits
      ? 'short'
      : d.bolt.partThreaded && !grip.shankFits
        ? 'tight'
        : 'holds'
    const length =
      grip.lengthInch === null
        ? `${d.bolt.size} \u00d7 ${grip.lengthMm}`
        : `${d.bolt.size} \u00d7 ${grip.lengthInch} in`
    const because = !grip.headFits
      ? `The countersunk head is ${say(grip.headDepthMm)} mm deep and the base only ${say(layers[0]!.thicknessMm)} mm: it does not fit.`
      : verdict === 'tight'
        ? `${length}: its plain shank of ${say(grip.shankMm)} mm is not shorter than the grip; take a fully threaded bolt.`
        : `Grip ${say(grip.gripMm)} mm, nut and thread through it: ${say(grip.requiredMm)} mm. ${length} is the shortest in stock${grip.trim ? `; trim ${say(grip.surplusMm)} mm and dress the thread` : ''}.`
    // A stock length is always nearly used up: a utilisation would only mislead.
    return {
      grip,
      gripCheck: {
        ...check({
          ...shape,
          demand: grip.requiredMm,
          capacity: grip.lengthMm,
          verdict,
          because,
          working: grip.working,
        }),
        utilisation: null,
      },
    }
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    return { grip: null, gripCheck: inWords({ ...shape, verdict: 'short', because: `${error.message}.` }) }
  }
}

/**
 * What one asker was told before: kept by whoever asks again and again, never by the judging itself, which
 * is the same whether it is asked first or last.
 */
export class Memo {
  /** `panel`: the deck between its stiffeners, where the boat is known */
  constructor(readonly panel: Panel | null = null) {}
  readonly hands: Hands = new WeakMap()
  /** the ranking depends on the bedding and the place alone, and a search changes neither */
  readonly ranked = new WeakMap<
    Design['bedding'],
    { below: boolean; yard: YardValue[]; choice: SealantChoice }
  >()
}

function sealantsFor(d: Design, yard: YardValue[], { ranked }: Memo): SealantChoice {
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

function sealantCheck(d: Design, choice: SealantChoice): Check {
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

/** Which estimates a check leans on, in words a fitter knows. */
function estimatesOf(d: Design): string[] {
  if (d.structure.kind === 'sandwich') {
    const names: ['outerMm' | 'coreMm' | 'innerMm', string][] = [
      ['outerMm', 'outer skin thickness'],
      ['coreMm', 'core thickness'],
      ['innerMm', 'inner skin thickness'],
    ]
    return names.filter(([k]) => !d.measured.includes(k)).map(([, name]) => name)
  }
  return d.measured.includes('thicknessMm') ? [] : ['thickness']
}
/** Checks that the load alone sets. */
const LEANS_ON_LOAD = [
  'bolt',
  'bearing',
  'plug-hold',
  'plate-',
  'shear-out',
  'punching',
  'crush',
  'doubler-weld',
  'push-',
  'skin-bending',
  'beam-',
  'post-',
  'foot',
]
const LEANS_ON_DECK = [
  'push-',
  'skin-bending',
  'bearing',
  'shear-out',
  'punching',
  'crush',
  'core-dry',
  'bolt-length',
]

/** Off every surface that is surveyed the deck is a guess, and whatever follows from it. */
const unsurveyed = () =>
  unproven({
    id: 'surface',
    title: 'What it stands on',
    unit: '',
    source: 'the survey',
    because:
      'No surface of the boat is surveyed here, so what the deck is made of is a guess. Give the surface its layers, or say why this fitting keeps a deck of its own.',
  })

/** One array for all calls without any, so that what is kept by it is found again. */
const NO_VALUES: YardValue[] = []

/**
 * Judges a fitting whole, without remedies: pure, and fast enough to run on every keystroke. `lean` leaves
 * out the suggested plate.
 */
export function judge(
  asked: Design,
  lean = false,
  yard: YardValue[] = NO_VALUES,
  memo = new Memo(),
): Judgement {
  const inDeck = withYardValues(asked.structure, yard)
  const inLoad = yardLine(asked.load, yard)
  const d =
    inDeck.replaced.length || inLoad.replaced.length
      ? { ...asked, structure: inDeck.structure, load: inLoad.load }
      : asked
  const inPlate = d.plate ? yardPlate(d.plate.material, yard) : { row: {}, replaced: [] }
  const replaced = [
    ...inDeck.replaced,
    ...inLoad.replaced,
    ...inPlate.replaced,
    ...yardSealants(yard).replaced.filter((r) => r.sealant === d.bedding.sealant),
  ]
  if (d.plate) {
    const rect = planOfPlate(d.plate)
    d.bolts.forEach((b, i) => {
      if (!contains(rect, b))
        throw new CalcError(
          'bolt-outside-plate',
          'plate',
          `Bolt ${i + 1} at ${say(b.xMm)}, ${say(b.yMm)} mm does not stand inside a plate of ${say(d.plate!.lengthMm)} \u00d7 ${say(d.plate!.widthMm)} mm${d.plate!.outline ? ' as it is clipped' : ''}`,
        )
    })
  }
  d.bolts.forEach((b, i) => {
    if (!contains(plan(d.base), b))
      throw new CalcError(
        'bolt-outside-base',
        `bolts.${i}`,
        `Bolt ${i + 1} at ${say(b.xMm)}, ${say(b.yMm)} mm does not stand inside the base`,
      )
  })
  const caps = boltCapacities(d.bolt.size, d.bolt.grade, d.bolt.threadsInShear)
  const plug = plugOf(d, coreOutput(d, false))
  // What a bolt may be pulled to follows from the load: first what the load alone does, then the torque.
  const idle = shareLoads(d, 0, lean, memo.hands)
  const limit = deckLimit(
    d,
    plug,
    inPlate.row,
    idle.flatMap((c) => c.decisive),
  )
  const tight = tighten(d, limit)
  const { preloadN } = tight
  const shared = shareLoads(d, preloadN, lean, memo.hands)
  const { load, swept } = shared[0]!
  const count = shared.reduce((n, c) => n + c.count, 0)
  const decisive = shared.flatMap((c) => c.decisive)
  const many = shared.length > 1

  const byId = new Map<string, Check>()
  const byCase = new Map<CaseShared, Check[]>()
  const put = (c: Check, from?: CaseShared, direction?: LoadDirection) => {
    const where = [
      from && many ? `Case \u201c${from.name}\u201d` : '',
      direction && from && from.count > 1 && c.demand !== null && c.boltIndex !== undefined
        ? `worst of ${from.count} directions: ${directionSaid(direction)}`
        : '',
    ]
      .filter(Boolean)
      .join(', ')
    const said = where ? { ...c, because: `${c.because} ${where[0]!.toUpperCase()}${where.slice(1)}.` } : c
    if (from) byCase.set(from, [...(byCase.get(from) ?? []), said])
    const before = byId.get(c.id)
    byId.set(c.id, before ? worse(before, said) : said)
  }
  // Plate bending grows with the sum of max(pull, preload) alone.
  const pressed = (s: Shared) => s.bolts.reduce((m, b) => m + Math.max(b.tensionN, preloadN), 0)
  for (const k of tight.checks) put(k)
  for (const c of shared) {
    for (const k of c.load.checks) put(k, c)
    for (const s of c.decisive) {
      for (const k of jointChecks(jointInput(d, plug, preloadN, s))) put(byGrain(k, d, s), c, s.direction)
      const lever = leverCheck(s, c.load.loadN)
      if (lever) put(lever, c)
      const weld = weldCheck(d, s, c.load.pointMm)
      if (weld) put(weld, c)
    }
    if (many)
      for (const k of plateOutput(
        d,
        plug,
        preloadN,
        c.decisive.reduce((a, b) => (pressed(b) > pressed(a) ? b : a)),
        false,
        inPlate.row,
      )?.checks ?? [])
        if (PLATE_ONLY.includes(k.id)) put(k, c)
  }
  const plate = plateOutput(
    d,
    plug,
    preloadN,
    decisive.reduce((a, b) => (pressed(b) > pressed(a) ? b : a)),
    !lean,
    inPlate.row,
  )
  const push = { pushN: pushOf(shared), plug, panel: memo.panel, factors: factorsOf(d) }
  for (const c of pushChecks(d, push)) put(c)
  if (!many) for (const c of plate?.checks ?? []) if (PLATE_ONLY.includes(c.id)) put(c)
  const crushed = [...byId.values()].some(
    (c) => c.id.startsWith('crush') && c.id.endsWith('core') && c.verdict === 'short',
  )
  const core = coreOutput(d, crushed)
  if (core) put(coreCheck(core))
  const gripLayers = gripLayersOf(d)
  const grips = gripsOf(d)
  const { grip, gripCheck } = grips.reduce((a, b) =>
    worse(a.gripCheck, b.gripCheck) === b.gripCheck && a.gripCheck.verdict !== b.gripCheck.verdict
      ? b
      : (b.grip?.lengthMm ?? 0) > (a.grip?.lengthMm ?? 0) && a.gripCheck.verdict === b.gripCheck.verdict
        ? b
        : a,
  )
  put(gripCheck)
  if (d.place.zone === null && d.structureReason === null) put(unsurveyed())
  const metals = metalsCheck(d)
  if (metals) put(metals)
  const choice = sealantsFor(d, yard, memo)
  put(sealantCheck(d, choice))
  for (const c of foundChecks(DECK_FINDINGS, d.findings, 'chapter 14')) put(c)

  const estimates = estimatesOf(d)
  const guessed = guessesLeft(d)
  const saidOf = (c: Check) =>
    replaced
      .filter((r) => r.counts(c.id))
      .map((r) => ` ${r.text}`)
      .join('')
  const checks = [...byId.values()]
    .map((c) => (replaced.length ? { ...c, because: c.because + saidOf(c) } : c))
    .map((c) =>
      guessed.length && c.id !== 'bolt-length' && LEANS_ON_LOAD.some((k) => c.id.startsWith(k))
        ? { ...c, assumed: [...c.assumed, ...guessed] }
        : c,
    )
    .map((c) =>
      estimates.length && LEANS_ON_DECK.some((k) => c.id.startsWith(k))
        ? { ...c, assumed: [...c.assumed, ...estimates] }
        : c,
    )
  const use = (x: Shared) =>
    x.bolts.reduce((m, b) => Math.max(m, Math.hypot(b.tensionN / caps.tensionN, b.shearN / caps.shearN)), 0)
  const worstShared = decisive.reduce((a, b) => (use(b) > use(a) * (1 + 1e-12) ? b : a))
  const cases = shared.map((c) => {
    const mine = byCase.get(c) ?? []
    const top = governing(mine)
    return {
      name: c.name,
      loadN: c.load.loadN,
      directions: c.count,
      swept: c.swept,
      contact: c.contact,
      utilisation: top?.utilisation ?? null,
      verdict: worstVerdict(mine.map((k) => k.verdict)),
      governing: top?.id ?? null,
    }
  })
  const factorOf = (checks.find((c) => c.id === 'bolt') ?? checks[0]!).factor
  return {
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)?.id ?? null,
    checks,
    load,
    directions: count,
    swept,
    cases,
    caseSaid: caseSaid(cases, checks),
    grips: grips.map(({ bolts, extraMm, grip: g }) => ({ bolts, extraMm, grip: g })),
    worst: {
      caseName: worstShared.caseName,
      direction: worstShared.direction,
      pushN: worstShared.pushN,
      contact: worstShared.resting,
      handMaxTensionN: worstShared.hand.maxTensionN,
      maxTensionN: worstShared.maxTensionN,
      bolts: worstShared.bolts.map((b) => ({
        tensionN: b.tensionN,
        shearN: b.shearN,
        utilisation: factorOf * Math.hypot(b.tensionN / caps.tensionN, b.shearN / caps.shearN),
      })),
    },
    preload: {
      preloadN,
      preloadTorqueNm: tight.preloadTorqueNm,
      runDownNm: tight.prevailingNm,
      torqueNm: tight.torqueNm,
      mostTorqueNm: tight.mostTorqueNm,
      limitedByDeck: d.bolt.torqueNm === null && limit.limitedBy !== null,
      limitedBy: d.bolt.torqueNm === null ? limit.limitedBy : null,
      cautions: tight.cautions,
      galling: galls(d.bolt.grade),
    },
    grip,
    gripLayers,
    plate,
    core,
    sealant: choice,
    quantity: quantityOf(d, core),
    counts: tallyOf(checks),
    assumed: [
      ...new Set([
        ...(guessed.length ? guessed : shared.flatMap((c) => c.load.assumed.map((a) => `load: ${a}`))),
        ...checks.flatMap((c) => c.assumed),
      ]),
    ],
  }
}

function quantityOf(d: Design, core: CorePlugOutput | null): SealantQuantity | null {
  if (!d.bedding.sealant) return null
  const size = SIZES[d.bolt.size]!
  const base = plan(d.base)
  const n = d.bolts.length
  return sealantQuantityOf({
    kind: d.bedding.sealant === 'butyl' ? 'tape' : 'tube',
    contactAreaMm2: Math.max(0, areaOf(base) - n * (Math.PI / 4) * size.clearanceMm ** 2),
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
