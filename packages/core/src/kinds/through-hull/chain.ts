import { answerOf } from '../../base/calculator/calculator'
import { threadFit, threadName } from '../../chapters/hull/thread-fit'
import { say, sentence, type Check, type Verdict } from '../../base/verdict/check'
import { THROUGH_HULL_FAMILY } from './families'
import { plain } from './plain'
import type { ThroughHullDesign, Valve } from './design'

/** One joint of the train from the skin fitting to the hose, as it is checked before anything is ordered. */
export interface Joint {
  id: 'skin-valve' | 'valve-tail' | 'skin-tail' | 'tail-hose'
  title: string
  from: string
  to: string
  verdict: Verdict
  codes: string[]
  because: string
  /** turns engaged and needed; null where nothing is screwed */
  turns: number | null
  seal: 'face' | 'thread' | 'clips' | null
}
const CLIP_GAP_MM = 5
const HOSE_SLACK_MM = 0.5
const RIM_MM = 4

function screwed(
  id: Joint['id'],
  title: string,
  from: string,
  to: string,
  external: NonNullable<ThroughHullDesign['skin']['thread']>,
  internal: Valve['inlet'],
  engagedMm: number,
): Joint {
  const r = answerOf(threadFit, { external, internal, engagedMm })
  return {
    id,
    title,
    from: `${from}: ${threadName(external.family, external.size)}`,
    to: `${to}: ${threadName(internal.family, internal.size, true)}, ${say(internal.depthMm)} mm deep`,
    verdict: r.verdict,
    codes: r.codes,
    because: r.because,
    turns: r.turns,
    seal: r.seal,
  }
}

type Thread = NonNullable<ThroughHullDesign['skin']['thread']>
type Tail = NonNullable<ThroughHullDesign['tail']>
type Hose = NonNullable<ThroughHullDesign['hose']>

/** A tail on a fitting without a valve turns over its thread, so the pair is the other way round. */
function unionJoint(skin: { title: string; thread: Thread }, tail: Tail): Joint {
  const same =
    skin.thread.size === tail.thread.size &&
    skin.thread.family.startsWith('bsp') === tail.thread.family.startsWith('bsp')
  return {
    id: 'skin-tail',
    title: 'Hose tail on skin fitting',
    from: `${skin.title}: ${threadName(skin.thread.family, skin.thread.size)}`,
    to: `${tail.title}: ${tail.thread.size}, by its union nut`,
    verdict: same ? 'holds' : 'short',
    codes: same ? [] : ['size'],
    because: same
      ? 'The union nut of the tail goes on the fitting\u2019s thread and seals on its face.'
      : `${skin.thread.size} and ${tail.thread.size} are of different size or system.`,
    turns: null,
    seal: same ? 'face' : null,
  }
}

const clipsSaid = (n: number) => `${n} clip${n === 1 ? '' : 's'}`
interface Fault {
  code: string
  why: string
}
/** What is wrong between a hose and its barb. */
function hoseFaults(hose: Hose, tail: Tail, below: boolean): Fault[] {
  const out: Fault[] = []
  const apart = Math.abs(hose.boreMm - tail.barbMm)
  if (apart > HOSE_SLACK_MM + 1e-9)
    out.push({
      code: 'bore',
      why:
        `a ${say(hose.boreMm)} mm hose on a ${say(tail.barbMm)} mm barb is ${say(apart)} mm off; ` +
        `${HOSE_SLACK_MM} mm is the most`,
    })
  const wanted = below ? 2 : 1
  if (hose.clips < wanted) {
    const there = hose.clips === 0 ? 'no clip' : clipsSaid(hose.clips)
    const asked = below ? 'two on every joint below the waterline' : 'one at least'
    out.push({ code: 'clips', why: `${there}; ${asked}` })
  }
  const bands = Math.max(hose.clips, wanted)
  const room = bands * hose.bandMm + (bands - 1) * CLIP_GAP_MM + RIM_MM
  if (room > tail.barbLengthMm + 1e-9)
    out.push({
      code: 'short-barb',
      why:
        `the barb is ${say(tail.barbLengthMm)} mm long and ${bands} bands of ${say(hose.bandMm)} mm ` +
        `side by side want ${say(room)} mm`,
    })
  if (below && !hose.belowRated)
    out.push({ code: 'hose-kind', why: 'this hose is not of a kind for below the waterline' })
  return out
}
function hoseJoint(hose: Hose, tail: Tail, below: boolean): Joint {
  const faults = hoseFaults(hose, tail, below)
  return {
    id: 'tail-hose',
    title: 'Hose on its tail',
    from: `${tail.title}: barb ${say(tail.barbMm)} mm, ${say(tail.barbLengthMm)} mm long`,
    to: `hose ${say(hose.boreMm)} mm, ${clipsSaid(hose.clips)}`,
    verdict: faults.length ? 'short' : 'holds',
    codes: faults.map((f) => f.code).sort(),
    because: faults.length
      ? `${sentence(faults.map((f) => f.why).join('; '))}.`
      : `${clipsSaid(hose.clips)}, bands clear of each other, bore and barb agree.`,
    turns: null,
    seal: 'clips',
  }
}

/**
 * Every joint by thread family, size, engagement and bore. `standingMm` is what stands of the tail above
 * nut or pad, after trimming.
 */
export function chainOf(d: ThroughHullDesign, standingMm: number): Joint[] {
  const { skin, valve, tail, hose } = d
  const out: Joint[] = []
  if (skin.thread && valve)
    out.push(
      screwed(
        'skin-valve',
        'Skin fitting into valve',
        skin.title,
        valve.title,
        skin.thread,
        valve.inlet,
        Math.max(0.1, valve.engagedMm ?? standingMm),
      ),
    )
  if (valve && tail)
    out.push(
      screwed(
        'valve-tail',
        'Hose tail into valve',
        tail.title,
        valve.title,
        tail.thread,
        valve.outlet,
        tail.engagedMm ?? valve.outlet.depthMm,
      ),
    )
  if (!valve && tail && skin.thread) out.push(unionJoint({ title: skin.title, thread: skin.thread }, tail))
  if (hose && tail) out.push(hoseJoint(hose, tail, d.place.zMm < 0))
  return out
}

export const chainChecks = (d: ThroughHullDesign, joints: Joint[]): Check[] => [
  ...joints.map((j) => plain(`joint-${j.id}`, j.title, j.verdict, j.because, 'chapter 5.1')),
  ...(THROUGH_HULL_FAMILY[d.family].hose && (!d.tail || !d.hose) && d.family !== 'above-water'
    ? [
        plain(
          'joint-missing',
          'Hose and tail',
          'unproven',
          'No tail or hose is chosen yet: the chain ends in the air.',
          'chapter 5.1',
        ),
      ]
    : []),
]
/** What would be ordered, as one line a part. */
export const orderList = (d: ThroughHullDesign): string =>
  [d.skin, d.valve, d.tail]
    .filter((p) => p !== null)
    .map((p) => `1 ${p.title}${p.id ? ` (${p.id})` : ''}`)
    .concat(d.hose ? [`hose ${say(d.hose.boreMm)} mm, ${d.hose.clips} clips`] : [])
    .join('; ')
/**
 * Lengths that are found out too late when the hull is open: a tail that does not reach, a pack too thin
 * or too thick for its fitting.
 */
export const ORDER_LENGTHS = ['tail-length', 'total-least', 'total-most', 'bolt-length']
export const lengthsOf = (checks: Check[]): Check[] => checks.filter((c) => ORDER_LENGTHS.includes(c.id))
/** What forbids an order without a reason on record: a joint, or a length, that is short. */
export const orderBlocked = (j: {
  joints: Joint[]
  checks: Check[]
}): { id: string; title: string; because: string; codes: string[] }[] => [
  ...j.joints.filter((x) => x.verdict === 'short'),
  ...lengthsOf(j.checks)
    .filter((c) => c.verdict === 'short')
    .map((c) => ({ id: c.id, title: c.title, because: c.because, codes: [] })),
]
