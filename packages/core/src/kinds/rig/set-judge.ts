import { answerOf } from '../../base/calculator/calculator'
import { daySaid } from '../../base/quantity/day'
import { governing, inWords, say, unproven, worstVerdict, type Check } from '../../base/verdict/check'
import { alignment } from '../../chapters/making/alignment'
import { bondLap } from '../../chapters/repair/bond-lap'
import { foundChecks } from '../findings'
import { tallyOf } from '../tally'
import { columnChecks } from './column'
import type { SetIn, Sight } from './design'
import { RIG_FINDINGS } from './findings'
import { glueBond, glueChecks, glueOf } from './glue'
import type { Aligned, RigJudgement } from './judgement'
import { rigMetals } from './metals'

const SOURCE = 'chapter 8.2'
/** Tabs stand out 50 mm each side of the corner, and 25 more a ply (chapter 8.1). */
const FIRST_MM = 50
const STAGGER_MM = 25
const LEAST_FILLET_MM = 10
const ARC = 206_265

const pourOf = ({ recess }: SetIn['set']) =>
  recess && {
    areaMm2: Math.max(1, recess.lengthMm * recess.widthMm - recess.takenMm2),
    depthMm: recess.depthMm,
    hardener: recess.hardener,
  }
/** @throws CalcError where the three screws stand in line */
function aligned(d: SetIn, s: Sight, beforeArcSec: number | null): Aligned | null {
  const { jig, shaft } = d.set
  if (!jig) return null
  return answerOf(alignment, {
    readings: s.readings,
    readingMm: s.readingMm,
    ...(beforeArcSec === null ? {} : { beforeArcSec }),
    jig: { screws: jig.screws, pitchMm: jig.pitchMm, leverMm: jig.leverMm },
    ...(shaft
      ? {
          shaft: {
            diameterMm: shaft.diameterMm,
            spanMm: shaft.spanMm,
            ...(shaft.bearingMm === null ? {} : { bearingMm: shaft.bearingMm }),
          },
        }
      : {}),
  })
}
/** Lifts and pots follow from the pocket alone, whether anybody has looked along it or not. */
function pourAlone({ set }: SetIn): Aligned['pour'] {
  const pour = pourOf(set)
  if (!pour) return null
  const anyJig = { screws: ANY_SCREWS, pitchMm: 1 }
  return answerOf(alignment, { readings: [{ atMm: 1000, dxMm: 0, dyMm: 0 }], jig: anyJig, pour }).pour
}
const ANY_SCREWS = [
  { xMm: 0, yMm: 100 },
  { xMm: -87, yMm: -50 },
  { xMm: 87, yMm: -50 },
]
const TITLES: Record<string, [string, string]> = {
  tilt: ['align-tilt', 'Bore in line with the shaft'],
  offset: ['align-offset', 'Bore on the shaft\u2019s line'],
  'tilt-after': ['align-after', 'In line once the screws are turned'],
}
const said = (c: Check): string =>
  c.because ||
  (c.demand === null || c.capacity === null
    ? ''
    : `${say(c.demand)} ${c.unit} against ${say(c.capacity)} ${c.unit}.`)
/** Millimetres to the metre say more than arc-seconds to whoever holds a level. */
const lean = (arcSec: number) =>
  `${say(Math.round(arcSec))} arc-seconds, ${say((1000 * arcSec) / ARC)} mm to the metre`
function alignChecks(d: SetIn, all: Aligned[]): Check[] {
  const shape = { id: 'align-sighted', title: 'Sighted, and again', unit: '', source: SOURCE }
  const { jig, sights, shaft } = d.set
  if (!jig)
    return shaft
      ? [
          inWords({
            ...shape,
            verdict: 'short',
            because:
              'A strut by square and rule alone is out of line: a three-point jig, and a sight along its bore.',
          }),
        ]
      : []
  const now = all.at(-1)
  if (!now)
    return [
      unproven({
        ...shape,
        because: 'Nobody has sighted along it yet: one look as it stands, one after the screws are turned.',
      }),
    ]
  const first = all[0]!
  const last = sights.at(-1)!
  const once = sights.length < 2
  return [
    inWords({
      ...shape,
      verdict: once ? 'tight' : 'holds',
      because: once
        ? `Sighted once, by ${last.by} on ${daySaid(last.date)}: ${lean(now.tiltArcSec.total)}. Checked twice before it is poured.`
        : `Sighted ${sights.length} times: ${lean(first.tiltArcSec.total)} as it was found, ${lean(now.tiltArcSec.total)} now, by ${last.by} on ${daySaid(last.date)}.`,
    }),
    ...now.checks.map((c) => {
      const [id, title] = TITLES[c.id] ?? [c.id, c.title]
      return { ...c, id, title, because: said(c) }
    }),
  ]
}
function pourCheck(d: SetIn, pour: Aligned['pour']): Check[] {
  const { recess } = d.set
  if (!recess) return []
  const shape = { id: 'pour', title: 'Poured in lifts', unit: '', source: SOURCE }
  if (recess.takenMm2 >= recess.lengthMm * recess.widthMm)
    return [
      inWords({
        ...shape,
        verdict: 'short',
        because: 'The foot fills its whole pocket: no room is left for the epoxy that holds it.',
      }),
    ]
  if (!pour) return []
  const hot = recess.hardener === 'fast'
  return [
    inWords({
      ...shape,
      verdict: hot ? 'tight' : 'holds',
      because: `${say(Math.round(pour.volumeMl))} ml in ${pour.lifts} lift${pour.lifts > 1 ? 's' : ''}, ${pour.potsPerLift} pot${pour.potsPerLift > 1 ? 's' : ''} each${hot ? '. A fast mix gets hot in a pocket: a slow one gives the same in fewer lifts' : ''}.`,
    }),
  ]
}
/** Each ply runs further out than the one under it. */
const pliesOf = ({ tabs }: SetIn['set']): number[] =>
  tabs ? Array.from({ length: tabs.plies }, (_, i) => FIRST_MM + STAGGER_MM * i) : []
function tabChecks(d: SetIn, bond: RigJudgement['bond']): Check[] {
  const { tabs, loadN } = d.set
  if (!tabs)
    return d.set.recess || d.set.glue
      ? []
      : [
          inWords({
            id: 'tabs',
            title: 'Tabbed to the hull',
            unit: '',
            source: 'chapter 8.1',
            verdict: 'short',
            because: 'Nothing holds it: neither a pocket of epoxy nor tabs.',
          }),
        ]
  const thick = tabs.plies * tabs.plyMm
  const least = Math.max(LEAST_FILLET_MM, 3 * thick)
  const out = pliesOf(d.set).at(-1)!
  return [
    ...(bond?.checks ??
      (loadN === null && d.family !== 'compression'
        ? [
            unproven({
              id: 'bond-shear',
              title: 'Bond of the tabs',
              unit: 'MPa',
              source: 'chapter 8.1',
              because: 'Nobody has said what it carries.',
            }),
          ]
        : [])),
    inWords({
      id: 'tab-fillet',
      title: 'Fillet under the tabs',
      unit: '',
      source: 'chapter 8.1',
      verdict: tabs.filletMm < least ? 'short' : 'holds',
      because: `${say(tabs.filletMm)} mm under ${say(thick)} mm of tabs; ${say(least)} mm is the least, ten or three times the tabs.`,
    }),
    inWords({
      id: 'tab-stagger',
      title: 'Plies staggered',
      unit: '',
      source: 'chapter 8.1',
      verdict: tabs.widthMm < out ? 'tight' : 'holds',
      because: `${tabs.plies} plies, the first ${FIRST_MM} mm out and ${STAGGER_MM} more each: ${say(out)} mm on the hull, ${say(tabs.widthMm)} mm are there.`,
    }),
  ]
}
const tabBond = ({ set, duty, family }: SetIn) =>
  // What presses on a post goes straight down: its tabs hold the foot in its place, and no more.
  set.tabs && set.loadN !== null && family !== 'compression'
    ? answerOf(bondLap, {
        loadN: set.loadN,
        lengthMm: set.tabs.widthMm,
        widthMm: set.tabs.lengthMm,
        kind: 'tape',
        sides: set.tabs.sides,
        e1t1NPerMm: set.tabs.ownNPerMm,
        e2t2NPerMm: set.tabs.tabNPerMm,
        gMPa: set.tabs.gMPa,
        glueMm: set.tabs.glueMm,
        ...(set.tabs.bond === null ? {} : { bond: set.tabs.bond }),
        duty,
      })
    : null

/** A strut, a post or a knee judged whole: its line, what is poured round it, what tabs it to the hull. */
export function judgeSetIn(d: SetIn): RigJudgement {
  const before = d.set.sights[0] ? aligned(d, d.set.sights[0], null) : null
  const all = d.set.sights.flatMap(
    (s, i) => aligned(d, s, i > 0 && before ? before.tiltArcSec.total : null) ?? [],
  )
  const pour = pourAlone(d)
  const bond = d.set.glue ? glueBond(d, d.set.glue) : tabBond(d)
  const checks: Check[] = [
    ...alignChecks(d, all),
    ...pourCheck(d, pour),
    ...tabChecks(d, bond),
    ...columnChecks(d),
    ...glueChecks(d, bond),
    ...rigMetals(d),
    ...foundChecks(RIG_FINDINGS, d.findings, 'chapter 8'),
  ]
  return {
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)?.id ?? null,
    checks,
    counts: tallyOf(checks),
    plate: null,
    bond,
    creep: null,
    moved: [],
    sealant: null,
    ways: [],
    set: {
      sights: all,
      now: all.at(-1) ?? null,
      pour,
      pliesMm: pliesOf(d.set),
      glue: d.set.glue && glueOf(d, d.set.glue),
    },
  }
}
