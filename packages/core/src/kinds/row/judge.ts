import { answerOf } from '../../base/calculator/calculator'
import { check, governing, inWords, say, unproven, worstVerdict, type Check } from '../../base/verdict/check'
import { chooseSealant } from '../../chapters/bedding/sealant-choice'
import { oldHoles } from '../../chapters/layout/old-holes'
import { stripBend } from '../../chapters/making/strip-bend'
import { foundChecks } from '../findings'
import type { Around } from '../kind'
import { sealantCheck } from '../sealant-check'
import { tallyOf } from '../tally'
import type { RowDesign } from './design'
import { ROW_FINDINGS } from './findings'
import type { Member, RowJudgement } from './judgement'
import { takenBy, takenChecks } from './neighbours'
import { along, lengthOf } from '../path'
import { keepoutsOf, layoutOf, type Layout } from './layout'
import { THICK_MM, type Keepout } from './line'
import { rowPairChecks } from './pair'

const SOURCE = 'chapter 10.1'

const BLOCKED = {
  keepout: (name: string | null, by: number | null) =>
    `${name ?? 'One thing'} is in the way: ${say(by ?? 0)} mm less of it and the row comes out.`,
  keepouts: () => 'Several things together are in the way; no one of them alone would free it.',
  limits: () => 'Between the least and the most pitch no row fits this length, whatever is in the way.',
}
/** Pitches as uneven as this share of what was wanted are seen by an eye along the rail: typical. */
const EVEN_SHARE = 0.15
/** What was kept off by a width that nobody measured is said: the row may stand on it. */
function widthCheck(keepouts: Keepout[]): Check[] {
  const names = [...new Set(keepouts.filter((k) => k.guessed).map((k) => k.name.toLowerCase()))]
  if (!names.length) return []
  const made = inWords({
    id: 'row-widths',
    title: 'Width of what is kept off',
    unit: 'mm',
    source: SOURCE,
    verdict: 'tight',
    because: `Nobody has measured how wide ${names.slice(0, 4).join(', ')}${names.length > 4 ? ` and ${names.length - 4} more` : ''} ${names.length > 1 ? 'are' : 'is'}: ${THICK_MM} mm are taken. Measure before the first hole, tabbing and all.`,
  })
  return [{ ...made, assumed: [`${THICK_MM} mm of width`] }]
}
function layoutChecks(d: RowDesign, l: Layout): Check[] {
  const fits = { id: 'row-fits', title: 'The row comes out', unit: '', source: SOURCE }
  if (l.blocked)
    return [
      inWords({
        ...fits,
        verdict: 'short',
        because: BLOCKED[l.blocked.reason](l.blocked.name, l.blocked.byMm),
      }),
    ]
  const spread = Math.max(...l.pitches) - Math.min(...l.pitches)
  return [
    inWords({
      ...fits,
      verdict: 'holds',
      because: `${l.count} of them, ${say(Math.min(...l.pitches))} mm to ${say(Math.max(...l.pitches))} mm apart; ${say(d.pitch.wantedMm)} mm was wanted.`,
    }),
    check({
      id: 'row-even',
      title: 'Evenly shared out',
      demand: spread,
      capacity: EVEN_SHARE * d.pitch.wantedMm,
      unit: 'mm',
      source: 'typical',
      verdict: spread <= EVEN_SHARE * d.pitch.wantedMm ? 'holds' : 'tight',
      because: `The widest and the narrowest are ${say(spread)} mm different; over ${say(EVEN_SHARE * d.pitch.wantedMm)} mm an eye sees it.`,
    }),
  ]
}
const NEAR_MM = 80
const MOST_OLD = 60
const SAID: Record<string, string> = {
  'breaks-in': 'the new hole breaks into it: close it first and let it cure, or shift the row',
  'cuts-plug': 'the new bore cuts its edge: fill it first',
  web: 'what is left between them is thin: close it first',
  swallowed: 'the new hole takes it away: nothing to close',
  clear: 'clear of it',
}
/** Old holes near the places of the row: none of them is forgotten because a strip covers it. */
function crossedOf(d: RowDesign, l: Layout, holes: Around['holes']): RowJudgement['crossed'] {
  if (d.memberId !== null || !l.positions.length) return []
  const near = holes
    .filter((h) => h.state !== 'closed')
    .map((h) => ({ h, at: along(d.path, h) }))
    .filter((x) => x.at.offMm < NEAR_MM)
    .sort((a, b) => a.at.sMm - b.at.sMm)
    .slice(0, MOST_OLD)
  return near.flatMap(({ h, at }) => {
    const i = l.positions.reduce(
      (best, p, k) => (Math.abs(p.sMm - at.sMm) < Math.abs(l.positions[best]!.sMm - at.sMm) ? k : best),
      0,
    )
    const p = l.positions[i]!
    if (Math.abs(p.sMm - at.sMm) > NEAR_MM) return []
    const out = answerOf(oldHoles, {
      pattern: [{ xMm: p.sMm, yMm: 0 }],
      holeMm: d.bolt.holeMm,
      boltMm: d.bolt.diameterMm,
      metal: d.structure.kind === 'metal',
      old: [{ xMm: at.sMm, yMm: at.offMm, diameterMm: h.diameterMm ?? d.bolt.holeMm }],
      shiftMm: 0,
      turnDeg: 0,
    }).old[0]!
    if (out.status === 'clear') return []
    return [
      {
        label: h.label,
        at: i + 1,
        gapMm: out.gapMm,
        said: SAID[out.status]!,
        verdict: out.status === 'swallowed' ? ('holds' as const) : ('short' as const),
      },
    ]
  })
}
function crossedChecks(crossed: RowJudgement['crossed']): Check[] {
  const bad = crossed.filter((c) => c.verdict === 'short')
  if (!bad.length) return []
  const named = bad.slice(0, 4).map((c) => `${c.label} at number ${c.at}`)
  const more = bad.length > named.length ? `, and ${bad.length - named.length} more` : ''
  return [
    inWords({
      id: 'row-old-holes',
      title: 'Clear of old holes',
      unit: '',
      source: 'chapter 18.6',
      verdict: 'short',
      because: `It comes too near to ${named.join(', ')}${more}: close those first, or shift the row.`,
    }),
  ]
}
const stripOf = (d: RowDesign, l: Layout): RowJudgement['strip'] => {
  if (!d.strip || l.count < 3 || (!d.strip.easy && !d.strip.edge)) return null
  const { widthMm, thicknessMm, material, easy, edge, boltTensionN, stockMm } = d.strip
  return answerOf(stripBend, {
    widthMm,
    thicknessMm,
    material,
    ...(easy ? { easy } : {}),
    ...(edge ? { edge } : {}),
    bolts: l.count,
    pitchMm: l.meanPitchMm!,
    ...(boltTensionN === null ? {} : { boltTensionN }),
    mostPitchMm: d.pitch.mostMm,
    stockMm,
    duty: d.duty,
  })
}
function stripChecks(d: RowDesign, strip: RowJudgement['strip']): Check[] {
  if (!d.strip) return []
  if (!strip)
    return [
      unproven({
        id: 'strake-set',
        title: 'The strip lies to the hull',
        unit: 'MPa',
        source: 'chapter 15.5',
        because:
          'The hull\u2019s curve under it was not measured: a chord and its rise, the easy way and edgewise.',
      }),
    ]
  return strip.checks.map((c) => ({ ...c, id: `strake-${c.id}` }))
}

const OFF_MM = 2
/** Those that stand there, in their order along the line, each against its place. */
function membersOf(d: RowDesign, l: Layout, around: Pick<Around, 'members'>): Member[] {
  const all = (around.members ?? [])
    .map((m) => ({ m, sMm: along(d.path, m.design.place).sMm }))
    .sort((a, b) => a.sMm - b.sMm)
  return all.map(({ m, sMm }, i) => ({
    id: m.id,
    name: m.name,
    verdict: m.verdict ?? 'unproven',
    sMm,
    offMm: l.positions[i] ? sMm - l.positions[i]!.sMm : null,
  }))
}
function memberChecks(d: RowDesign, l: Layout, members: Member[]): Check[] {
  if (d.memberId === null || l.blocked) return []
  const set = { id: 'members-set', title: 'Each stands where the row has it', unit: '', source: SOURCE }
  const off = members.filter((m) => m.offMm === null || Math.abs(m.offMm) > OFF_MM)
  const first =
    members.length < l.count
      ? unproven({ ...set, because: `${members.length} of ${l.count} are set out on the boat.` })
      : inWords({
          ...set,
          verdict: off.length ? 'tight' : 'holds',
          because: off.length
            ? `${off.length} ${off.length === 1 ? 'stands' : 'stand'} elsewhere than the row has them now: ${off[0]!.name}${off.length > 1 ? ' and others' : ''}.`
            : `All ${l.count} stand in their places.`,
        })
  if (!members.length) return [first]
  const worst = worstVerdict(members.map((m) => m.verdict))
  const those = members.filter((m) => m.verdict === worst)
  const hold = { id: 'members-hold', title: 'Each holds by itself', unit: '', source: 'their own benches' }
  return [
    first,
    inWords({
      ...hold,
      verdict: worst,
      because:
        worst === 'holds'
          ? `All ${members.length} hold.`
          : `${those.length} of ${members.length} ${worst === 'unproven' ? 'are not proved' : `are ${worst}`}, ${those[0]!.name} first.`,
    }),
  ]
}
const sealantFor = (d: RowDesign) =>
  d.memberId === null
    ? chooseSealant({
        joint: 'deck-hardware',
        place: d.place.belowWaterline ? 'below' : 'above',
        faces: ['stainless', d.bedding.face],
        gapMm: 2,
        movementMm: d.strip ? 1 : 0.5,
        sunlight: true,
        fuelOrSolvent: false,
        toBePainted: false,
        tempC: d.tempC,
        humidityPct: d.humidityPct,
        load: 'none',
      })
    : null

/** Places, pitches, what crosses it, whether a strip lies, and how those hold that stand there. */
export function judgeRow(
  d: RowDesign,
  a: Pick<Around, 'parts' | 'holes' | 'members' | 'others'>,
): RowJudgement {
  const own = new Set((a.members ?? []).map((m) => m.id))
  const keepouts = keepoutsOf(d, a, (o) => own.has(o.id))
  const layout = layoutOf(d, keepouts)
  const strip = stripOf(d, layout)
  const sealant = sealantFor(d)
  const crossed = crossedOf(d, layout, a.holes)
  const members = membersOf(d, layout, a)
  const taken = takenBy(d, layout.positions, a)
  const checks: Check[] = [
    ...layoutChecks(d, layout),
    ...widthCheck(keepouts),
    ...crossedChecks(crossed),
    ...takenChecks(taken),
    ...rowPairChecks(d, layout, a),
    ...stripChecks(d, strip),
    ...memberChecks(d, layout, members),
    ...(sealant ? [sealantCheck('row-bed', 'Bedding under it', d.bedding.sealant, sealant)] : []),
    ...foundChecks(ROW_FINDINGS, d.findings, SOURCE),
  ]
  return {
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)?.id ?? null,
    checks,
    counts: tallyOf(checks),
    lengthMm: lengthOf(d.path),
    keepouts,
    layout,
    strip,
    sealant,
    crossed,
    taken,
    members,
  }
}
