import { BSP, NP } from '../../chapters/hull/thread-fit'
import { worstVerdict, type Verdict } from '../../base/verdict/check'
import type { Joint } from './chain'
import type { ThroughHullDesign } from './design'
import { THREAD_WAYS, type ThreadWay } from './thread-ways'

/**
 * What keeps the threads of the train tight (5.1: a taper pair seals on its thread, a parallel pair on its
 * face, bond or flange).
 */
export interface ThreadSeal {
  joint: Joint['id']
  title: string
  seal: 'face' | 'thread'
  plastic: boolean
  ways: { way: ThreadWay; verdict: Verdict; because: string }[]
  /** tape that goes on it, mm */
  tapeMm: number
}
/** Layers of tape on a pipe thread; typical. */
const WRAPS = 8
const THREAD: Record<ThreadWay, [Verdict, string]> = {
  ptfe: [
    'holds',
    'A taper pair seals on its thread: tape fills what metal leaves open, wound with the thread, the first turn left bare.',
  ],
  paste: ['holds', 'A taper pair seals on its thread, and paste fills what metal leaves open.'],
  hemp: ['holds', 'A taper pair seals on its thread; hemp swells in it, and paste keeps it from rotting.'],
  none: [
    'short',
    'A taper pair seals on its thread and nothing is on it: water finds the way round the helix.',
  ],
}
const FACE: Record<ThreadWay, [Verdict, string]> = {
  ptfe: [
    'tight',
    'A parallel pair does not seal on its thread: tape only keeps it from galling. A washer or a bead on the face has to do it; paste fills the thread as well.',
  ],
  paste: [
    'holds',
    'A parallel pair seals on its face, and paste that stays in the thread is the second line.',
  ],
  hemp: ['holds', 'A parallel pair seals on its face, and hemp in paste fills the thread behind it.'],
  none: [
    'tight',
    'A parallel pair seals on its face alone: a flat washer or an unbroken bead there, and look again after an hour.',
  ],
}
const SPLITS: [Verdict, string] = ['short', 'Hemp swells and splits a moulded thread.']
const PLASTIC_PASTE = ' One that is made for plastic: others craze it.'

/**
 * Joints that are screwed and fit each other; a flanged seacock’s own thread is sealed by its bedded
 * flange.
 */
export function threadSeals(d: ThroughHullDesign, joints: Joint[]): ThreadSeal[] {
  return joints.flatMap((j): ThreadSeal[] => {
    if (j.seal !== 'face' && j.seal !== 'thread') return []
    if (j.id === 'skin-valve' && d.valve && d.valve.kind !== 'screwed') return []
    const seal = j.seal
    const bodies =
      j.id === 'skin-valve'
        ? [d.skin.material, d.valve?.material]
        : j.id === 'valve-tail'
          ? [d.valve?.material, d.tail?.material]
          : [d.skin.material, d.tail?.material]
    const plastic = bodies.some((m) => m === 'composite' || m === 'plastic')
    const ways = THREAD_WAYS.map((way) => {
      const [verdict, because] = plastic && way === 'hemp' ? SPLITS : (seal === 'thread' ? THREAD : FACE)[way]
      return { way, verdict, because: `${because}${plastic && way === 'paste' ? PLASTIC_PASTE : ''}` }
    })
    const outer = (j.id === 'skin-valve' ? d.skin.thread : d.tail!.thread)!
    return [
      {
        joint: j.id,
        title: j.title,
        seal,
        plastic,
        ways,
        tapeMm: WRAPS * Math.PI * (outer.family.startsWith('np') ? NP : BSP)[outer.size][1],
      },
    ]
  })
}
export function threadVerdict(
  seals: ThreadSeal[],
  way: ThreadWay,
): { verdict: Verdict; because: string } | null {
  if (!seals.length) return null
  const mine = seals.map((s) => ({ title: s.title, ...s.ways.find((w) => w.way === way)! }))
  const verdict = worstVerdict(mine.map((m) => m.verdict))
  const said = mine.filter((m) => m.verdict === verdict)
  return { verdict, because: `${said.map((m) => m.title).join(', ')}: ${said[0]!.because}` }
}
