import { answerOf } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { boundsOf } from '../../base/geometry/outline'
import { SIZES, STOCK_LENGTHS_IN, STOCK_LENGTHS_MM } from '../../base/materials/fasteners'
import { PLATES } from '../../base/materials/plates'
import type { CoreId } from '../../base/materials/cores'
import { inWords, say, unproven, type Check } from '../../base/verdict/check'
import { leastBoreMm } from '../../chapters/deck/core-plug'
import { tappedThread } from '../../chapters/fastener/tapped'
import type { HostId } from '../../chapters/fastener/thread-hosts'
import type { Design } from './design'
import { factorsOf } from './guess'
import type { Shared } from './shared'
import { planOfPlate } from './plans'

/** How a bolt is held: by a nut behind, or by threads that are there before it comes, fixed from above. */
export const HOLD_WAYS = {
  through: 'nuts behind',
  tapped: 'threads tapped in the plate',
  'press-in': 'inserts pressed into the plate',
  bonded: 'inserts bonded in',
  'nut-in-epoxy': 'nuts caught in epoxy',
  plastic: 'screws into a plastic block',
} as const
export type HoldWay = keyof typeof HOLD_WAYS
export const HOLD_SAID: Record<HoldWay, string> = {
  through: 'Somebody holds the nut from inside. The strongest, and the one that can be looked at.',
  tapped: 'A plate goes in behind once, bonded, and is tapped from above: no hand behind ever again.',
  'press-in': 'A threaded insert is pressed in from the far side of the plate before it goes in.',
  bonded: 'A threaded insert is set in epoxy in a hole of its own: light work, as good as its bond.',
  'nut-in-epoxy':
    'A nut on a waxed bolt is cast into the plug that fills the core: fixed from above for ever.',
  plastic:
    'Threads cut in a block of polycarbonate or acrylic behind it, for light work: plastic creeps, and counts by half.',
}
export const isBlind = (d: Pick<Design, 'hold'>) => d.hold.way !== 'through'

const OF_PLATE: Partial<Record<string, HostId>> = {
  g10: 'g10',
  'glass-epoxy': 'glass-epoxy',
  'al-5083': 'al-5083',
  'al-6061': 'al-6061',
  'ss-316': 'ss-316',
  plywood: 'plywood',
}
interface Stands {
  material: HostId
  thicknessMm: number
  /** from the worst bolt to the edge of what its thread stands in; null where nobody has measured it */
  edgeMm: number | null
  title: string
}
/** What the threads stand in: the plate, or a deck without a core; null where there is nothing. */
export function hostOf(d: Design): Stands | null {
  const plate = d.plate
  if (plate) {
    const material = OF_PLATE[plate.material]
    const b = boundsOf(planOfPlate(plate))
    const edges = d.bolts.map((p) => Math.min(p.xMm - b.minX, b.maxX - p.xMm, p.yMm - b.minY, b.maxY - p.yMm))
    return material
      ? { material, thicknessMm: plate.thicknessMm, edgeMm: Math.min(...edges), title: 'the plate' }
      : null
  }
  const s = d.structure
  if (s.kind === 'sandwich') return null
  const material =
    s.kind === 'metal'
      ? s.metal === 'mild-steel'
        ? 'mild-steel'
        : 'al-5083'
      : s.kind === 'timber'
        ? 'plywood'
        : 'glass-epoxy'
  const thicknessMm = s.thicknessMm + (s.kind === 'metal' && d.doubler ? d.doubler.thicknessMm : 0)
  return { material, thicknessMm, edgeMm: d.place.edgeMm, title: 'the deck' }
}

/** Outside of a threaded insert where none was given: half as wide again as its bolt. */
export const insertMm = (d: Design) => d.hold.insertMm ?? 1.5 * SIZES[d.bolt.size]!.diameterMm
const NUT_WIDE = 1.6
/** The plug that a nut is cast in is what is bored; null where no bore is filled. */
const plugOfNut = (d: Design, core: CoreId): number | null =>
  d.core.school === 'bore-fill' ? (d.core.boreMm ?? leastBoreMm(core, SIZES[d.bolt.size]!.clearanceMm)) : null

type Asked = { input: Record<string, unknown> } | { because: string }
/** A nut that is cast into the plug of the core. */
function nutAsked(d: Design, common: Record<string, unknown>): Asked {
  const s = d.structure
  if (s.kind !== 'sandwich') return { because: 'Without a core there is no plug to cast a nut into.' }
  if (d.plate)
    return { because: 'The bolts end in the core: a plate behind them does nothing. Leave it out.' }
  const plugMm = plugOfNut(d, s.core.material)
  if (plugMm === null || plugMm <= NUT_WIDE * SIZES[d.bolt.size]!.diameterMm)
    return {
      because: 'A nut is cast into a bore that is filled and wider than the nut: bore over, and wider.',
    }
  const nut = SIZES[d.bolt.size]!.hexNutMm
  const plugLengthMm = s.outerMm + s.core.thicknessMm
  if (plugLengthMm <= nut + 1)
    return { because: `A nut of ${say(nut)} mm does not stand in a plug ${say(plugLengthMm)} mm deep.` }
  return {
    input: {
      ...common,
      coverMm: plugLengthMm - nut,
      plugMm,
      plugLengthMm,
      wall: s.core.material,
      ...(d.place.edgeMm === null ? {} : { edgeMm: d.place.edgeMm }),
    },
  }
}
const engaged = (d: Design) => (d.hold.engagedMm === null ? {} : { engagedMm: d.hold.engagedMm })
/** Screws in a block of plastic: what pulls day after day makes it creep, and is never a passing load. */
function plasticAsked(d: Design, common: Record<string, unknown>): Asked {
  const { block } = d.hold
  if (!block) return { because: 'Say of what plastic the block behind it is, and how thick.' }
  if (d.plate)
    return { because: 'The screws end in the block: a plate behind them does nothing. Leave it out.' }
  return { input: { ...common, kind: 'tapped', plate: block, lasting: true, ...engaged(d) } }
}
/** What the calculator is asked, and why it cannot be; the pull and shear are put in by whoever asks. */
function asked(d: Design): Asked {
  const { way } = d.hold
  const common = {
    kind: way,
    size: d.bolt.size,
    grade: d.bolt.grade,
    duty: d.duty,
    factors: factorsOf(d),
    threadsInShear: d.bolt.threadsInShear,
    paste: d.bolt.paste,
  }
  if (way === 'nut-in-epoxy') return nutAsked(d, common)
  if (way === 'plastic') return plasticAsked(d, common)
  const host = hostOf(d)
  if (!host)
    return {
      because: d.plate
        ? `${PLATES[d.plate.material].title} holds no thread.`
        : 'A cored deck has nothing that a thread would hold in: put a plate behind it, or cast nuts into the core.',
    }
  const plate = { material: host.material, thicknessMm: host.thicknessMm }
  const edge = host.edgeMm === null ? {} : { edgeMm: host.edgeMm }
  if (way === 'tapped') return { input: { ...common, plate, ...edge, ...engaged(d) } }
  return { input: { ...common, plate, ...edge, insertMm: insertMm(d) } }
}
type Answer = ReturnType<typeof tappedThread.run>
/** What the threads hold; null where a nut does, or where nothing can be worked out. */
export function heldBy(d: Design, tensionN = 0, shearN = 0): Answer | null {
  if (!isBlind(d)) return null
  const a = asked(d)
  if ('because' in a) return null
  try {
    return answerOf(tappedThread, { ...a.input, tensionN, shearN })
  } catch (error) {
    // The check says it in words.
    if (error instanceof CalcError) return null
    throw error
  }
}
/** The most that a bolt may be drawn to before its thread has less than a tenth in hand. */
export const holdLimitN = (d: Design): number | null => heldBy(d)?.preloadN ?? null

const HELD_TITLES: Partial<Record<string, [string, string]>> = {
  bearing: ['hold-bearing', 'Thread or insert on the wall of its hole'],
  'edge-distance': ['hold-edge', 'Thread to the edge of what it stands in'],
}
/** Checks of what holds the bolts instead of nuts, for one direction of the load. */
export function holdChecks(d: Design, s: Shared): Check[] {
  if (!isBlind(d)) return []
  const shape = { id: 'hold', title: 'What the bolts are held by', unit: '', source: 'chapter 18.5' }
  const a = asked(d)
  if ('because' in a) return [unproven({ ...shape, because: a.because })]
  const worst = s.bolts.reduce((m, b, i) => (b.tensionN > s.bolts[m]!.tensionN ? i : m), 0)
  const { tensionN, shearN } = s.bolts[worst]!
  try {
    return answerOf(tappedThread, { ...a.input, tensionN, shearN })
      .checks.filter((c) => c.id !== 'bolt')
      .map((c) => {
        const named = HELD_TITLES[c.id]
        return { ...c, boltIndex: worst, ...(named ? { id: named[0], title: named[1] } : {}) }
      })
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    return [inWords({ ...shape, verdict: 'short', because: `${error.message}.` })]
  }
}

/** Thread that the bolt goes into past what it clamps, mm. */
export const engagedMm = (d: Design): number => {
  if (d.hold.way === 'nut-in-epoxy') return SIZES[d.bolt.size]!.hexNutMm
  if (d.hold.way === 'plastic') return d.hold.engagedMm ?? d.hold.block?.thicknessMm ?? 0
  return d.hold.way === 'tapped' && d.hold.engagedMm !== null
    ? d.hold.engagedMm
    : (hostOf(d)?.thicknessMm ?? 0)
}
/** The shortest stock length that fills its thread, with the same in inches where it is bought so. */
export function stockLength(
  size: string,
  requiredMm: number,
): { lengthMm: number; lengthInch: number | null } | null {
  if (SIZES[size]!.system === 'metric') {
    const lengthMm = STOCK_LENGTHS_MM.find((l) => l >= requiredMm - 1e-6)
    return lengthMm === undefined ? null : { lengthMm, lengthInch: null }
  }
  const inch = STOCK_LENGTHS_IN.find((l) => l * 25.4 >= requiredMm - 1e-6)
  return inch === undefined ? null : { lengthMm: inch * 25.4, lengthInch: inch }
}
