import { GRADES, SIZES, type GradeId } from '../../base/materials/fasteners'
import { check, say, step, type Check, type Working } from '../../base/verdict/check'

/**
 * How tight a bolt is set, what its nut takes before it clamps, and what a given torque does to it
 * (chapter 2.3).
 */
export const NUTS = ['hex', 'locking', 'all-metal', 'double-hex'] as const
export type Nut = (typeof NUTS)[number]
/** Nut factor K: dry, or with paste. */
export const nutFactor = (paste: boolean) => (paste ? 0.16 : 0.2)
/** Part of the yield that a snug bolt through a bedded joint is set to. */
const SNUG = 0.4
/** Turning twists the bolt as it pulls it: this much less than the yield is left for the pull. */
const TWIST = 1.25
/** The greatest pull by any torque: 0.90 of As·Rp/1.25. */
const MOST_PULL = 0.72
/** The greatest torque that a new locking nut may take to run down, N·m; an estimate until it is measured. */
const RUN_DOWN_NM: Record<string, number> = {
  M4: 0.9,
  M5: 1.6,
  M6: 3.0,
  M8: 6.0,
  M10: 10.5,
  M12: 15.5,
  M16: 32,
  M20: 54,
  '#10-24': 2.0,
  '1/4-20': 3.4,
  '5/16-18': 6.8,
  '3/8-16': 9.0,
  '7/16-14': 11.3,
  '1/2-13': 17,
  '5/8-11': 34,
  '3/4-10': 45,
}
export const isLocking = (nut: Nut) => nut === 'locking' || nut === 'all-metal'

export interface TighteningInput {
  size: string
  grade: GradeId
  paste: boolean
  nut: Nut
  /** measured: what the nut takes to run down; null where nobody has */
  prevailingNm: number | null
  /** what the wrench was or will be set to; null: the snug torque is worked out */
  torqueNm: number | null
  /** the greatest preload that deck and plate bear at 0.90; null where nothing limits it */
  deckLimitN: number | null
}
export interface Tightening {
  preloadN: number
  /** K·d·Fi: what clamps */
  preloadTorqueNm: number
  /** what the nut takes before it clamps anything; 0 for a plain nut */
  prevailingNm: number
  /** what the wrench is set to */
  torqueNm: number
  /** what the bolt would be pulled by, were the nut to run free */
  preloadMostN: number
  mostTorqueNm: number
  cautions: ('measure-run-down' | 'prevailing-over-preload' | 'run-down-estimate')[]
  assumed: 'prevailingNm'[]
  checks: Check[]
  working: Working
}

function givenChecks(v: TighteningInput, yieldsN: number, mostN: number): Check[] {
  const out = [
    check({
      id: 'tightening',
      title: 'Tightening does not yield the bolt',
      unit: 'N',
      source: 'chapter 2.3',
      demand: mostN,
      capacity: yieldsN,
      factor: TWIST,
      because: `${say(v.torqueNm!)} N·m pull the ${v.size} ${v.grade} by up to ${say(mostN)} N; it yields at ${say(yieldsN)} N, and turning twists it as it pulls.`,
    }),
  ]
  if (v.deckLimitN !== null)
    out.push(
      check({
        id: 'deck',
        title: 'Tightening does not crush deck or plate',
        unit: 'N',
        source: 'chapter 2.3',
        demand: mostN,
        capacity: v.deckLimitN / 0.9,
        because: `${say(v.torqueNm!)} N·m press the deck by up to ${say(mostN)} N a bolt; it bears ${say(v.deckLimitN / 0.9)} N.`,
      }),
    )
  return out
}

export function tighteningOf(v: TighteningInput): Tightening {
  const size = SIZES[v.size]!
  const yieldsN = size.stressAreaMm2 * GRADES[v.grade].proofMPa
  const perN = (nutFactor(v.paste) * size.diameterMm) / 1000
  const fromTable = isLocking(v.nut) && v.prevailingNm === null
  const prevailingNm = isLocking(v.nut) ? (v.prevailingNm ?? RUN_DOWN_NM[v.size]!) : 0
  const limitN = v.deckLimitN ?? Infinity
  const preloadN =
    v.torqueNm === null ? Math.min(SNUG * yieldsN, limitN) : Math.max(0, (v.torqueNm - prevailingNm) / perN)
  const torqueNm = v.torqueNm ?? perN * preloadN + prevailingNm
  const preloadMostN = fromTable ? torqueNm / perN : preloadN
  const past = preloadMostN * TWIST > yieldsN * (1 + 1e-9) || preloadMostN > (limitN / 0.9) * (1 + 1e-9)
  const cautions: Tightening['cautions'] = []
  if (fromTable && past) cautions.push('measure-run-down')
  if (prevailingNm > perN * preloadN) cautions.push('prevailing-over-preload')
  if (fromTable) cautions.push('run-down-estimate')
  return {
    preloadN,
    preloadTorqueNm: perN * preloadN,
    prevailingNm,
    torqueNm,
    preloadMostN,
    cautions,
    assumed: fromTable ? ['prevailingNm'] : [],
    mostTorqueNm: perN * Math.min(MOST_PULL * yieldsN, limitN) + (fromTable ? 0 : prevailingNm),
    checks: v.torqueNm === null ? [] : givenChecks(v, yieldsN, preloadMostN),
    working: [
      step(
        'Fi',
        v.torqueNm === null ? 'snug preload through a bedded joint' : 'preload by the torque',
        v.torqueNm !== null
          ? '(M − run-down)/(K·d)'
          : v.deckLimitN === null
            ? '0.4·As·Rp'
            : 'min(0.4·As·Rp, deck limit)',
        preloadN,
        'N',
      ),
      ...(prevailingNm > 0
        ? [
            step(
              'Mr',
              fromTable ? 'run-down of a new locking nut, at most' : 'run-down as measured',
              '',
              prevailingNm,
              'N·m',
            ),
          ]
        : []),
      step(
        'M',
        'torque to set',
        `${nutFactor(v.paste)}·d·Fi${prevailingNm > 0 ? ' + run-down' : ''}`,
        torqueNm,
        'N·m',
      ),
    ],
  }
}

export interface Isolation {
  by: 'sleeve' | 'paste'
  /** inner and outer ø */
  sleeveMm: [number, number] | null
  holeMm: number | null
  /** the casting's hole has to be opened */
  drill: boolean
  washerMm: number | null
}
const NOTHING_TO_BUILD = { by: 'paste', sleeveMm: null, holeMm: null, drill: false, washerMm: null } as const
/**
 * Isolation that can be built (chapter 2.5): a sleeve in a plain hole, or paste, which is all that a
 * countersunk head allows.
 */
export function isolationOf(
  size: string,
  p: { by: 'sleeve' | 'paste'; head: string; baseHoleMm?: number | undefined; wallMm: number },
): Isolation {
  if (p.by === 'paste' || p.head === 'countersunk') return { ...NOTHING_TO_BUILD }
  const s = SIZES[size]!
  const inner = s.diameterMm + 0.2
  const outer = inner + 2 * p.wallMm
  const grain = s.system === 'metric' ? 0.5 : 25.4 / 64
  const holeMm = Math.ceil((outer + 0.3) / grain - 1e-9) * grain
  return {
    by: 'sleeve',
    sleeveMm: [inner, outer],
    holeMm,
    drill: p.baseHoleMm === undefined || p.baseHoleMm < holeMm - 1e-9,
    washerMm: Math.max(s.plainWasher.diameterMm, holeMm + 4),
  }
}
