import { answerOf } from '../../base/calculator/calculator'
import { galvanicPair } from '../../chapters/galvanic/galvanic-pair'
import { SIZES } from '../../base/materials/fasteners'
import { COPPER_ALLOYS, POTENTIALS } from '../../base/materials/potentials'
import { rank, sentence, type Check, type Verdict } from '../../base/verdict/check'
import { BODY_METAL, BODY_TITLES, type BodyMaterial } from './families'
import type { ThroughHullDesign } from './design'
import type { ThroughHullAround } from './placing'
import { plain } from './plain'

/** One pair of metals in the stack. */
export interface MetalLine {
  between: string
  a: string
  b: string
  place: 'immersed' | 'splash' | 'dry'
  deltaV: number
  loser: string | null
  verdict: Verdict
  because: string
}
const OF_GRADE: Record<string, string> = {
  'A2-70': 'ss-304',
  'A4-70': 'ss-316',
  'A4-80': 'ss-316',
  'duplex-2205': 'duplex-2205',
  'steel-8.8': 'mild-steel',
  'brass-CW614N': 'brass',
  'silicon-bronze': 'silicon-bronze',
  'nickel-copper-400': 'nickel-copper-400',
}

/** The metals of one stack against each other, against the hull, and the schools of 5.2. */
export function metalChecks(
  d: ThroughHullDesign,
  around: Pick<ThroughHullAround, 'others'>,
): { checks: Check[]; lines: MetalLine[]; needsBond: boolean } {
  const checks: Check[] = []
  const below = d.place.zMm < 0
  const bodies: { what: string; material: BodyMaterial }[] = [
    { what: 'skin fitting', material: d.skin.material },
    ...(d.valve ? [{ what: 'valve', material: d.valve.material }] : []),
    ...(d.tail ? [{ what: 'hose tail', material: d.tail.material }] : []),
  ]
  for (const m of [...new Set(bodies.map((b) => b.material))]) {
    const which = bodies
      .filter((b) => b.material === m)
      .map((b) => b.what)
      .join(' and ')
    if (m === 'brass')
      checks.push(
        plain(
          'school-brass',
          'Yellow brass in sea water',
          'short',
          `The ${which} is yellow brass: its zinc leaches out and it crumbles. Never in sea water.`,
          'chapter 5.2',
        ),
      )
    if (m === 'plastic' && below)
      checks.push(
        plain(
          'school-plastic',
          'Plain plastic below the waterline',
          'short',
          `The ${which} is plain plastic: never below the waterline.`,
          'chapter 5.2',
        ),
      )
    if (m === 'stainless' && below)
      checks.push(
        plain(
          'school-stainless',
          'Stainless where water stands',
          'tight',
          `The ${which} is 316: only where moving water floods it and it can be looked at, for it pits unseen in a crevice.`,
          'chapter 5.2',
        ),
      )
    if (
      m === 'composite' &&
      d.valve &&
      below &&
      d.skin.material === 'composite' &&
      d.skin.collarMm === 0 &&
      d.family === 'seacock'
    )
      checks.push(
        plain(
          'school-collar',
          'Load collar of the composite fitting',
          'short',
          'Reinforced nylon passes its strength test only with its load collar, and none is in the stack.',
          'chapter 5.2',
        ),
      )
  }
  if (d.hull.kind === 'aluminium' && below) {
    const copper = bodies.filter((b) => COPPER_ALLOYS.includes(BODY_METAL[b.material] ?? ''))
    checks.push(
      plain(
        'hull-metal',
        'On an aluminium hull',
        copper.length ? 'short' : 'holds',
        copper.length
          ? `${copper.map((b) => b.what).join(' and ')} of ${BODY_TITLES[copper[0]!.material]} on aluminium: never, whatever the insulation. A welded stub, or isolated composite.`
          : 'Welded stub or composite: no copper alloy touches the hull\u2019s water.',
        'chapter 5.2',
      ),
    )
  }
  interface Metal {
    what: string
    metal: string
    areaMm2: number
    wet: boolean
  }
  const flange = (Math.PI / 4) * d.skin.flangeMm ** 2
  const metals: Metal[] = bodies.flatMap((b) => {
    const metal = BODY_METAL[b.material]
    return metal
      ? [{ what: b.what, metal, areaMm2: b.what === 'hose tail' ? flange / 2 : flange, wet: below }]
      : []
  })
  const bolt = d.hold.method === 'nut' ? undefined : OF_GRADE[d.hold.grade]
  if (bolt && (d.valve || d.family === 'drain-plug'))
    metals.push({
      what: 'bolts',
      metal: bolt,
      areaMm2: d.hold.bolts * (Math.PI / 4) * (1.8 * SIZES[d.hold.size]!.diameterMm) ** 2,
      wet: below && d.hold.method === 'through',
    })
  if (d.hull.kind === 'aluminium' || d.hull.kind === 'steel')
    metals.push({
      what: 'hull',
      metal: d.hull.kind === 'aluminium' ? 'al-5083' : 'mild-steel',
      areaMm2: 1e6,
      wet: below,
    })
  const lines: MetalLine[] = []
  // The bonding wire lands on the body over the bilge water, its lug tinned and kept dry.
  const wired =
    below && d.metals.school === 'bond-all' ? metals.find((m) => m.what === 'skin fitting') : undefined
  if (wired && d.hull.kind !== 'aluminium') {
    const p = answerOf(galvanicPair, { a: wired.metal, b: 'copper', place: 'dry' })
    if (wired.metal !== 'copper')
      lines.push({
        between: 'skin fitting and bonding wire',
        a: wired.metal,
        b: 'copper',
        place: 'dry',
        deltaV: p.deltaV,
        loser: p.loserMetal,
        verdict: p.verdict,
        because: p.because,
      })
  }
  for (let i = 0; i < metals.length; i++)
    for (let j = i + 1; j < metals.length; j++) {
      const [a, b] = [metals[i]!, metals[j]!]
      if (a.metal === b.metal) continue
      const place = a.wet && b.wet ? 'immersed' : below ? 'splash' : d.place.zMm < 300 ? 'splash' : 'dry'
      const p = answerOf(galvanicPair, {
        a: a.metal,
        b: b.metal,
        place,
        areaRatioAToB: Math.min(1e6, Math.max(1e-6, a.areaMm2 / b.areaMm2)),
        isolation: { sleeve: d.metals.isolated, washer: d.metals.isolated, sealant: d.metals.isolated },
      })
      lines.push({
        between: `${a.what} and ${b.what}`,
        a: a.metal,
        b: b.metal,
        place,
        deltaV: p.deltaV,
        loser: p.loserMetal,
        verdict: p.verdict,
        because: p.because,
      })
    }
  if (lines.length || metals.length > 1) {
    const worst = lines.reduce<MetalLine | null>(
      (m, l) => (!m || rank(l.verdict) < rank(m.verdict) ? l : m),
      null,
    )
    checks.push(
      worst
        ? plain(
            'pairs',
            'Metals in the stack',
            worst.verdict,
            `${sentence(worst.between)} (${POTENTIALS[worst.a]!.title}, ${POTENTIALS[worst.b]!.title}): ${worst.because}`,
            'chapter 7.1',
          )
        : plain(
            'pairs',
            'Metals in the stack',
            'holds',
            `All of ${POTENTIALS[metals[0]!.metal]!.title}.`,
            'chapter 7.1',
          ),
    )
  }
  const mine = below ? BODY_METAL[d.skin.material] : null
  const strangers = mine
    ? around.others.filter(
        (o) =>
          o.design.place.zMm < 0 &&
          BODY_METAL[o.design.skin.material] &&
          BODY_METAL[o.design.skin.material] !== mine,
      )
    : []
  if (strangers.length)
    checks.push(
      plain(
        'one-metal',
        'One metal for one hull',
        'tight',
        `${strangers
          .slice(0, 3)
          .map((o) => `${o.name} (${POTENTIALS[BODY_METAL[o.design.skin.material]!]!.title})`)
          .join(
            ', ',
          )} stand${strangers.length > 1 ? '' : 's'} in the same water as this ${POTENTIALS[mine!]!.title}: one hull keeps to one metal where it can.`,
        'chapter 5.2',
      ),
    )
  return {
    checks,
    lines,
    needsBond: below && d.metals.school === 'bond-all' && metals.length > 0 && d.hull.kind !== 'aluminium',
  }
}
