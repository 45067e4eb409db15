import { answerOf } from '../../base/calculator/calculator'
import { daySaid } from '../../base/quantity/day'
import {
  check,
  governing,
  inWords,
  say,
  unproven,
  worstVerdict,
  type Check,
  type Verdict,
} from '../../base/verdict/check'
import { chooseSealant } from '../../chapters/bedding/sealant-choice'
import { bondLap } from '../../chapters/repair/bond-lap'
import { chainplate } from '../../chapters/rig/chainplate'
import { foundChecks } from '../findings'
import type { Around } from '../kind'
import { sealantCheck } from '../sealant-check'
import { tallyOf } from '../tally'
import type { Chainplate } from './design'
import { DRAW_YEARS } from './families'
import { rigMetals } from './metals'
import { creepOf, movedOf } from './moved'
import { drogueSaid, pullOf } from './pull'
import { RIG_FINDINGS } from './findings'
import type { RigJudgement, Way } from './judgement'

/** Checks that other kinds have by the same name, of something else. */
const OWN_ID: Record<string, string> = { bearing: 'pin-bearing', 'shear-out': 'eye-shear-out' }
const SOURCE = 'chapter 9'
const STEEL_E = 193_000
const SLOT_MM = { least: 1, most: 2 }

function plateOf(d: Chainplate) {
  const { hull } = d
  return answerOf(chainplate, {
    breakingN: pullOf(d),
    plate: d.plate,
    pin: d.pin,
    misalignDeg: d.wire.misalignDeg,
    leverMm: d.wire.leverMm,
    inPlaneDeg: d.wire.inPlaneDeg,
    ...(d.bolts ? { bolts: d.bolts } : {}),
    ...(d.bolts && hull
      ? {
          hull: {
            thicknessMm: hull.thicknessMm,
            edgeMm: hull.edgeMm,
            ...(hull.bearingMPa === null ? {} : { bearingMPa: hull.bearingMPa }),
            ...(hull.shearMPa === null ? {} : { shearMPa: hull.shearMPa }),
          },
        }
      : {}),
    duty: d.duty,
  })
}
const bondOf = (d: Chainplate) =>
  d.bond &&
  answerOf(bondLap, {
    loadN: pullOf(d),
    lengthMm: d.bond.lengthMm,
    widthMm: d.bond.widthMm,
    kind: 'tape',
    sides: d.bond.sides,
    e1t1NPerMm: d.bond.kneeNPerMm,
    e2t2NPerMm: STEEL_E * d.plate.thicknessMm,
    gMPa: d.bond.gMPa,
    glueMm: d.bond.glueMm,
    ...(d.bond.bond === null ? {} : { bond: d.bond.bond }),
    duty: d.duty,
  })
function movedChecks(d: Chainplate, moved: string[], creep: ReturnType<typeof creepOf>): Check[] {
  const shape = { id: 'moved', title: 'Stands where it stood', unit: '', source: 'chapter 9.4' }
  if (moved.length)
    return [
      inWords({
        ...shape,
        verdict: d.provedAfter?.trim() ? 'tight' : 'short',
        because: d.provedAfter?.trim()
          ? `It had moved (${moved.join('; ')}) and was proved since: ${d.provedAfter}`
          : `Do not sail on it: ${moved.join('; ')}. Slack the shroud, support the mast, look at its twin and its neighbours.`,
      }),
    ]
  if (!creep)
    return d.existing
      ? [
          unproven({
            ...shape,
            because:
              'Nobody has measured its height over a mark yet; without a first look nothing is seen to move.',
          }),
        ]
      : []
  return [
    inWords({
      ...shape,
      verdict: creep.verdict === 'tight' ? 'tight' : 'holds',
      because: `${say(creep.value)} mm over its mark, last looked at on ${daySaid(d.creep.at(-1)!.date)}; the next look is due on ${daySaid(creep.nextLook)}.`,
    }),
  ]
}
/** A bond that has moved carries nothing, whatever its sum says. */
function bondChecks(bond: ReturnType<typeof bondOf>, moved: boolean): Check[] {
  if (!bond) return []
  const own = bond.checks[0]!
  if (!moved || own.verdict === 'unproven') return [own]
  return [
    {
      ...own,
      verdict: 'short',
      utilisation: null,
      because: 'It has moved: a bond that has moved carries nothing, and is not counted.',
    },
  ]
}
function slotChecks(d: Chainplate): Check[] {
  const s = d.slot
  if (!s) return []
  const play = Math.min((s.widthMm - d.plate.thicknessMm) / 2, (s.lengthMm - d.plate.widthMm) / 2)
  const clear: Verdict =
    play < 0 ? 'short' : play < SLOT_MM.least - 1e-9 ? 'short' : play > 2 * SLOT_MM.most ? 'tight' : 'holds'
  const solid =
    d.structure.kind !== 'sandwich' || s.filled
      ? []
      : [
          inWords({
            id: 'slot-solid',
            title: 'Solid round the slot',
            unit: '',
            source: 'chapter 9.3',
            verdict: 'short',
            because: 'The core is open at the slot: cut it back and fill it solid before the cover goes on.',
          }),
        ]
  return [
    inWords({
      id: 'slot',
      title: 'Room in the slot',
      unit: '',
      source: 'chapter 9.3',
      verdict: clear,
      because: `${say(play)} mm each side; ${SLOT_MM.least} to ${SLOT_MM.most} mm is asked, so that the deck takes no load.`,
    }),
    ...solid,
    inWords({
      id: 'slot-cover',
      title: 'Cover over the slot',
      unit: '',
      source: 'chapter 9.3',
      verdict: s.cover ? 'holds' : 'short',
      because: s.cover
        ? 'A cover plate on a bedding that moves; the plate itself is never bedded.'
        : 'Sealant in the slot alone is torn by the plate: a cover plate over it, bedded in something that moves.',
    }),
  ]
}
/** Whole years between two days; by the calendar, as a fitter counts. */
function yearsSince(day: string, today: string): number {
  const [a, b] = [day, today].map((x) => Date.parse(`${x.slice(0, 10)}T00:00:00Z`)) as [number, number]
  return (b - a) / (365.25 * 86_400_000)
}
function drawnCheck(d: Chainplate, today: string): Check[] {
  if (!d.existing && d.drawnOn === null) return []
  const years = DRAW_YEARS[d.duty]
  const shape = { id: 'drawn', title: 'Drawn and looked at', unit: 'years', source: 'chapter 9.4' }
  if (d.drawnOn === null)
    return [
      unproven({
        ...shape,
        capacity: years,
        because: `Nobody knows when it was last drawn. ${years} years is the most for ${d.duty} duty: crevices hide at deck level.`,
      }),
    ]
  const gone = Math.max(0, yearsSince(d.drawnOn, today))
  return [
    check({
      ...shape,
      demand: gone,
      capacity: years,
      because: `Drawn on ${daySaid(d.drawnOn)}, ${say(Math.floor(gone))} years ago; ${years} is the most for ${d.duty} duty.`,
    }),
  ]
}
function temporaryCheck(d: Chainplate, today: string): Check[] {
  const t = d.temporary
  if (!t) return []
  const over = today !== '' && t.until < today
  return [
    inWords({
      id: 'temporary',
      title: 'Temporary repair',
      unit: '',
      source: SOURCE,
      verdict: over ? 'short' : 'tight',
      because: `${t.what}, good for ${t.goodFor} until ${daySaid(t.until)}${over ? ': that has passed' : ''}; then ${t.then}.${t.notMeanwhile ? ` Not meanwhile: ${t.notMeanwhile}.` : ''}`,
    }),
  ]
}
const sealantFor = (d: Chainplate) =>
  d.slot &&
  chooseSealant({
    joint: 'chainplate-cover',
    place: 'above',
    faces: ['stainless', d.slot.face],
    gapMm: 2,
    movementMm: 1,
    sunlight: true,
    fuelOrSolvent: false,
    toBePainted: false,
    tempC: d.tempC,
    humidityPct: d.humidityPct,
    load: 'none',
  })

/** The two ways that stand open beside the design, each by its own sum. */
function waysOf(
  d: Chainplate,
  plate: NonNullable<RigJudgement['plate']>,
  bond: RigJudgement['bond'],
  moved: boolean,
): Way[] {
  const ways: Way[] = [
    {
      id: 'as-drawn',
      title: 'As it is drawn',
      verdict: plate.verdict,
      utilisation: plate.utilisation,
      because: d.bolts ? 'Plate, pin and bolts; no share is given to a bond.' : 'Plate and pin alone.',
    },
  ]
  if (bond)
    ways.push({
      id: 'bond',
      title: 'The bond made anew',
      verdict: bond.verdict,
      utilisation: bond.utilisation,
      because: moved
        ? 'Ground off, washed, and laid up in epoxy as if new; what is there now counts for nothing.'
        : 'As it stands, by its own area.',
    })
  if (!d.bolts) {
    const wide = d.plate.widthMm
    const strap = answerOf(chainplate, {
      breakingN: pullOf(d),
      plate: d.plate,
      pin: d.pin,
      misalignDeg: d.wire.misalignDeg,
      leverMm: d.wire.leverMm,
      inPlaneDeg: 0,
      bolts: {
        points: Array.from({ length: 5 }, (_, i) => ({ xMm: 90 + i * wide, yMm: 0 })),
        diameterMm: 12,
        holeMm: 13,
        grade: 'A4-80',
      },
      duty: d.duty,
    })
    ways.push({
      id: 'strap',
      title: 'A strap outside, through-bolted',
      verdict: strap.verdict,
      utilisation: strap.utilisation,
      because: 'Five bolts of 12 mm through the topside; its laminate has to be measured for the bearing.',
    })
  }
  return ways
}

/** One chainplate judged whole, on a day. */
export function judgeChainplate(d: Chainplate, a: Pick<Around, 'today'>): RigJudgement {
  const today = a.today ?? d.drawnOn ?? ''
  const plate = plateOf(d)
  const bond = bondOf(d)
  const creep = creepOf(d)
  const moved = movedOf(d, creep)
  const sealant = sealantFor(d)
  const checks: Check[] = [
    ...movedChecks(d, moved, creep),
    ...temporaryCheck(d, today),
    ...drogueSaid(d),
    ...plate.checks.map((c) => ({
      ...c,
      id: OWN_ID[c.id] ?? c.id,
      because: d.drogue ? c.because.replace('the wire\u2019s strength', 'what the leg pulls') : c.because,
    })),
    ...bondChecks(bond, moved.length > 0),
    ...slotChecks(d),
    ...(d.slot && sealant
      ? [sealantCheck('sealant-cover', 'Bedding of the cover', d.slot.sealant, sealant)]
      : []),
    ...rigMetals(d),
    ...drawnCheck(d, today),
    ...foundChecks(RIG_FINDINGS, d.findings, SOURCE),
  ]
  return {
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    // Whatever else is short: one that has moved is not sailed on.
    governing: moved.length && !d.provedAfter?.trim() ? 'moved' : (governing(checks)?.id ?? null),
    checks,
    counts: tallyOf(checks),
    plate,
    bond,
    creep,
    moved,
    sealant,
    ways: waysOf(d, plate, bond, moved.length > 0),
    set: null,
  }
}
