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

interface Body {
  what: string
  material: BodyMaterial
}
interface Metal {
  what: string
  metal: string
  areaMm2: number
  wet: boolean
}
const isBelow = (d: ThroughHullDesign) => d.place.zMm < 0
const school = (id: string, title: string, verdict: Verdict, because: string) =>
  plain(id, title, verdict, because, 'chapter 5.2')

/** What the schools of 5.2 say to one material of the stack. */
function schoolChecks(d: ThroughHullDesign, m: BodyMaterial, which: string): Check[] {
  const below = isBelow(d)
  if (m === 'brass')
    return [
      school(
        'school-brass',
        'Yellow brass in sea water',
        'short',
        `The ${which} is yellow brass: its zinc leaches out and it crumbles. Never in sea water.`,
      ),
    ]
  if (m === 'plastic' && below)
    return [
      school(
        'school-plastic',
        'Plain plastic below the waterline',
        'short',
        `The ${which} is plain plastic: never below the waterline.`,
      ),
    ]
  if (m === 'stainless' && below)
    return [
      school(
        'school-stainless',
        'Stainless where water stands',
        'tight',
        `The ${which} is 316: only where moving water floods it and it can be looked at, for it pits ` +
          'unseen in a crevice.',
      ),
    ]
  const bare = d.skin.material === 'composite' && d.skin.collarMm === 0 && d.family === 'seacock'
  if (m === 'composite' && d.valve && below && bare)
    return [
      school(
        'school-collar',
        'Load collar of the composite fitting',
        'short',
        'Reinforced nylon passes its strength test only with its load collar, and none is in the stack.',
      ),
    ]
  return []
}

/** Copper alloys on an aluminium hull. */
function hullMetalCheck(bodies: Body[]): Check {
  const copper = bodies.filter((b) => COPPER_ALLOYS.includes(BODY_METAL[b.material] ?? ''))
  return school(
    'hull-metal',
    'On an aluminium hull',
    copper.length ? 'short' : 'holds',
    copper.length
      ? `${copper.map((b) => b.what).join(' and ')} of ${BODY_TITLES[copper[0]!.material]} on aluminium: ` +
          'never, whatever the insulation. A welded stub, or isolated composite.'
      : 'Welded stub or composite: no copper alloy touches the hull\u2019s water.',
  )
}

/** Every metal of the stack with the area that it shows to the others. */
function metalsOf(d: ThroughHullDesign, bodies: Body[]): Metal[] {
  const below = isBelow(d)
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
  return metals
}

/** The bonding wire lands on the body over the bilge water, its lug tinned and kept dry. */
function wireLine(d: ThroughHullDesign, metals: Metal[]): MetalLine[] {
  const wired =
    isBelow(d) && d.metals.school === 'bond-all' ? metals.find((m) => m.what === 'skin fitting') : undefined
  if (!wired || d.hull.kind === 'aluminium' || wired.metal === 'copper') return []
  const p = answerOf(galvanicPair, { a: wired.metal, b: 'copper', place: 'dry' })
  return [
    {
      between: 'skin fitting and bonding wire',
      a: wired.metal,
      b: 'copper',
      place: 'dry',
      deltaV: p.deltaV,
      loser: p.loserMetal,
      verdict: p.verdict,
      because: p.because,
    },
  ]
}
function pairLine(d: ThroughHullDesign, a: Metal, b: Metal): MetalLine {
  const damp = isBelow(d) || d.place.zMm < 300
  const place = a.wet && b.wet ? 'immersed' : damp ? 'splash' : 'dry'
  const p = answerOf(galvanicPair, {
    a: a.metal,
    b: b.metal,
    place,
    areaRatioAToB: Math.min(1e6, Math.max(1e-6, a.areaMm2 / b.areaMm2)),
    isolation: { sleeve: d.metals.isolated, washer: d.metals.isolated, sealant: d.metals.isolated },
  })
  return {
    between: `${a.what} and ${b.what}`,
    a: a.metal,
    b: b.metal,
    place,
    deltaV: p.deltaV,
    loser: p.loserMetal,
    verdict: p.verdict,
    because: p.because,
  }
}

/** The worst pair stands for the stack. */
function pairsCheck(lines: MetalLine[], metals: Metal[]): Check[] {
  if (!lines.length && metals.length <= 1) return []
  const worst = lines.reduce<MetalLine | null>(
    (m, l) => (!m || rank(l.verdict) < rank(m.verdict) ? l : m),
    null,
  )
  const titled = (metal: string) => POTENTIALS[metal]!.title
  const because = worst
    ? `${sentence(worst.between)} (${titled(worst.a)}, ${titled(worst.b)}): ${worst.because}`
    : `All of ${titled(metals[0]!.metal)}.`
  return [plain('pairs', 'Metals in the stack', worst?.verdict ?? 'holds', because, 'chapter 7.1')]
}

/** Fittings of another metal in the same water. */
function oneMetalCheck(d: ThroughHullDesign, others: ThroughHullAround['others']): Check[] {
  const mine = isBelow(d) ? BODY_METAL[d.skin.material] : null
  if (!mine) return []
  const strangers = others.flatMap((o) => {
    const metal = BODY_METAL[o.design.skin.material]
    return isBelow(o.design) && metal && metal !== mine ? [{ name: o.name, metal }] : []
  })
  if (!strangers.length) return []
  const named = strangers.slice(0, 3).map((o) => `${o.name} (${POTENTIALS[o.metal]!.title})`)
  const stand = `stand${strangers.length > 1 ? '' : 's'}`
  return [
    school(
      'one-metal',
      'One metal for one hull',
      'tight',
      `${named.join(', ')} ${stand} in the same water as this ${POTENTIALS[mine]!.title}: ` +
        'one hull keeps to one metal where it can.',
    ),
  ]
}

/** The metals of one stack against each other, against the hull, and the schools of 5.2. */
export function metalChecks(
  d: ThroughHullDesign,
  around: Pick<ThroughHullAround, 'others'>,
): { checks: Check[]; lines: MetalLine[]; needsBond: boolean } {
  const below = isBelow(d)
  const bodies: Body[] = [
    { what: 'skin fitting', material: d.skin.material },
    ...(d.valve ? [{ what: 'valve', material: d.valve.material }] : []),
    ...(d.tail ? [{ what: 'hose tail', material: d.tail.material }] : []),
  ]
  const named = (m: BodyMaterial) =>
    bodies
      .filter((b) => b.material === m)
      .map((b) => b.what)
      .join(' and ')
  const metals = metalsOf(d, bodies)
  const lines = [
    ...wireLine(d, metals),
    ...metals.flatMap((a, i) =>
      metals
        .slice(i + 1)
        .filter((b) => b.metal !== a.metal)
        .map((b) => pairLine(d, a, b)),
    ),
  ]
  return {
    checks: [
      ...[...new Set(bodies.map((b) => b.material))].flatMap((m) => schoolChecks(d, m, named(m))),
      ...(d.hull.kind === 'aluminium' && below ? [hullMetalCheck(bodies)] : []),
      ...pairsCheck(lines, metals),
      ...oneMetalCheck(d, around.others),
    ],
    lines,
    needsBond: below && d.metals.school === 'bond-all' && metals.length > 0 && d.hull.kind !== 'aluminium',
  }
}
