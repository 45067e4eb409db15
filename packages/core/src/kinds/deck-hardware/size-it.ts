import { easyBoreMm } from '../../chapters/deck/core-plug'
import { formatUse } from '../../base/quantity/format'
import { STOCK_THICKNESS, PLATES, stockThickness, type PlateId } from '../../base/materials/plates'
import { GRADES, SIZES } from '../../base/materials/fasteners'
import { CORES, HOLE_SAWS } from '../../base/materials/cores'
import type { YardValue } from '../../base/materials/yard'
import { areaOf, type Point } from '../../base/geometry/outline'
import { say, type Check, type Verdict } from '../../base/verdict/check'
import { withChange } from '../../base/change'
import { type Design } from './design'
import { judge } from './judge'
import { Memo, type Judgement } from './judgement'
import { planOfPlate } from './plans'
import { plateFor, sizesFor, tryJudge } from './remedies'
import { withSolver, type Room } from './spread'

export interface Change {
  path: string
  label: string
  from: string
  to: string
  why: string
}
/** One way of doing it in which every check that can be sized holds. */
export interface SizeChoice {
  design: Design
  title: string
  changes: Change[]
  massKg: number
  cost: 'low' | 'middle' | 'high'
  /** plate, bed, washer, nut and thread, below the deck */
  underDeckMm: number
  holes: number
  hours: number
  governing: string
  utilisation: number | null
  /** what it is best at among those shown */
  bestAt: string[]
}
export interface Proposal {
  found: boolean
  tried: number
  design: Design | null
  changes: Change[]
  massKg: number | null
  massBeforeKg: number
  verdict: Verdict
  governing: string | null
  because: string
  /** checks that no design could help, which stay as they are: short only when nothing was found */
  remaining: { title: string; verdict: Verdict; because: string }[]
  /** the best few, lightest first; empty when nothing passes */
  choices: SizeChoice[]
}

/**
 * What the sizing can change; the rest (edge, spacing of the casting's holes, sealant) it leaves to the
 * fitter.
 */
const BEYOND = [
  'surface',
  'edge-distance',
  'spacing',
  'sealant',
  'sling-angle',
  'lever',
  'metals',
  'doubler-weld',
]
/** What a push asks of the deck and of what stands under it: no bolt and no plate helps there. */
const PUSHED = [
  'push-punching',
  'push-crush-over',
  'skin-bending',
  'under',
  'beam-',
  'bulkhead-',
  'post-',
  'foot',
]
const beyond = (id: string) => BEYOND.includes(id) || PUSHED.some((p) => id.startsWith(p))
const STEEL = 7.9e-6

/** Bolts with nuts and washers, and the plate: what the choice adds in weight. */
export function massOf(d: Design, j: Judgement | null): number {
  const s = SIZES[d.bolt.size]!
  const washer = d.bolt.nutWasher === 'large' ? s.largeWasher : s.plainWasher
  const stack = j?.grip?.lengthMm ?? 40
  const each =
    (Math.PI / 4) * s.diameterMm ** 2 * (stack + 2.2 * s.diameterMm) * STEEL +
    (Math.PI / 4) * (washer.diameterMm ** 2 - s.clearanceMm ** 2) * washer.thicknessMm * STEEL
  const plate = d.plate
    ? areaOf(planOfPlate(d.plate)) * d.plate.thicknessMm * PLATES[d.plate.material].densityKgM3 * 1e-9
    : 0
  return d.bolts.length * each + plate
}

/** Relative prices of a kilogram in stock, and minutes of work; typical, only to rank by. */
const PRICE: Record<PlateId, number> = {
  g10: 32,
  'glass-epoxy': 14,
  'al-5083': 12,
  'al-6061': 12,
  'ss-316': 18,
  plywood: 5,
  plastic: 8,
}
const PLATE_MINUTES: Record<PlateId, number> = {
  g10: 35,
  'glass-epoxy': 60,
  'al-5083': 45,
  'al-6061': 45,
  'ss-316': 80,
  plywood: 25,
  plastic: 20,
}
const SCHOOL_MINUTES: Record<Design['core']['school'], { once: number; hole: number }> = {
  'bore-fill': { once: 20, hole: 22 },
  reef: { once: 20, hole: 28 },
  insert: { once: 240, hole: 6 },
  'seal-wall': { once: 10, hole: 9 },
  none: { once: 0, hole: 6 },
}
const COST_CLASS = [12, 30]
const START_MINUTES = 45
const BED_MINUTES = 8

export function hoursOf(d: Design): number {
  const s = SCHOOL_MINUTES[d.core.school]
  return (
    (START_MINUTES +
      s.once +
      d.bolts.length * (s.hole + BED_MINUTES) +
      (d.plate
        ? PLATE_MINUTES[d.plate.material] + (d.plate.bonded ? 20 : 0) + (d.plate.sheets === 2 ? 25 : 0)
        : 0)) /
    60
  )
}
function costOf(d: Design): SizeChoice['cost'] {
  const plate = d.plate
    ? areaOf(planOfPlate(d.plate)) *
      d.plate.thicknessMm *
      PLATES[d.plate.material].densityKgM3 *
      1e-9 *
      PRICE[d.plate.material]
    : 0
  const bolts =
    d.bolts.length * (SIZES[d.bolt.size]!.diameterMm / 10) ** 2 * (d.bolt.grade === 'A4-80' ? 2.6 : 1.8)
  const index = plate + bolts + (d.core.school === 'insert' ? 14 : 2)
  return index <= COST_CLASS[0]! ? 'low' : index <= COST_CLASS[1]! ? 'middle' : 'high'
}
export function underDeckOf(d: Design, j: Judgement): number {
  const s = SIZES[d.bolt.size]!
  const washer = (d.bolt.nutWasher === 'large' ? s.largeWasher : s.plainWasher).thicknessMm
  const end = j.grip ? j.grip.lengthMm - j.grip.gripMm : 2 * s.hexNutMm
  return (d.plate ? d.plate.thicknessMm + d.plate.bedGapMm : 0) + washer + Math.max(0, end)
}

/** First with a tenth in hand; where nothing has that, whatever is not short. */
type Level = 'holds' | 'tight'
const good = (v: Verdict, level: Level) => v === 'holds' || (level === 'tight' && v === 'tight')
const acceptable = (checks: Check[], untouchable: Set<string>, level: Level) =>
  checks.every((c) => good(c.verdict, level) || beyond(c.id) || untouchable.has(c.id))
const PLATE_BLIND = ['bolt', 'bearing', 'shear-out']
/** Checks that thickness alone does not help. */
const THICK_BLIND = (id: string) => id.startsWith('punching') || id.startsWith('crush')
const REACHES = [25, 30, 35, 40, 50, 60, 80, 100, 130]
const AT_090 = 1 / Math.sqrt(0.9)

/**
 * Bores worth trying: the least that leaves its wall, and larger plugs that take the crush off the core,
 * as far as the bolts stand apart.
 */
function boresFor(d: Design, sizeId: string): (number | null)[] {
  const least = boreFor(d, sizeId)
  if (least === null) return [null]
  const apart = d.bolts.flatMap((a, i) =>
    d.bolts.slice(i + 1).map((b) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)),
  )
  const most = Math.min(64, 0.8 * Math.min(Infinity, ...apart))
  return [
    least,
    ...[1.3, 1.7, 2.2]
      .map((k) => HOLE_SAWS.find((s) => s >= k * least))
      .filter((s): s is (typeof HOLE_SAWS)[number] => s !== undefined && s <= most),
  ]
}

/** The bore the school asks for, or the next saw where that leaves the least wall and no more. */
function boreFor(d: Design, sizeId: string): number | null {
  if (d.structure.kind !== 'sandwich') return null
  return easyBoreMm(d.structure.core.material, SIZES[sizeId]!.clearanceMm)
}

/** The rectangle as far as there is room for it; a polygon only where something cuts into it. */
export function clipped(p: { lengthMm: number; widthMm: number }, room: Room | null): Point[] | null {
  if (!room) return null
  const [x0, x1, y0, y1] = [
    Math.max(-p.lengthMm / 2, room.minX),
    Math.min(p.lengthMm / 2, room.maxX),
    Math.max(-p.widthMm / 2, room.minY),
    Math.min(p.widthMm / 2, room.maxY),
  ]
  if (x0 === -p.lengthMm / 2 && x1 === p.lengthMm / 2 && y0 === -p.widthMm / 2 && y1 === p.widthMm / 2)
    return null
  if (!(x1 > x0) || !(y1 > y0)) return null
  return [
    { xMm: x0, yMm: y0 },
    { xMm: x1, yMm: y0 },
    { xMm: x1, yMm: y1 },
    { xMm: x0, yMm: y1 },
  ]
}

const shown = (d: Design) =>
  d.plate
    ? `${d.plate.lengthMm} \u00d7 ${d.plate.widthMm} \u00d7 ${d.plate.thicknessMm} mm ${PLATES[d.plate.material].title}${d.plate.outline ? ', clipped' : ''}`
    : 'none, washers only'

function changesOf(from: Design, to: Design, before: Judgement | null): Change[] {
  const bad = (ids: string[]) =>
    before?.checks
      .filter((c) => ids.some((i) => c.id.startsWith(i)) && (c.verdict === 'short' || c.verdict === 'tight'))
      .map((c) => c.because)[0]
  const out: Change[] = []
  const add = (
    path: string,
    label: string,
    a: string,
    b: string,
    ids: string[],
    otherwise = 'Lighter, and every check still holds.',
  ) => {
    if (a !== b) out.push({ path, label, from: a, to: b, why: bad(ids) ?? otherwise })
  }
  add('bolt.size', 'Bolt', from.bolt.size, to.bolt.size, ['bolt', 'bearing', 'spacing', 'shear-out'])
  add('bolt.grade', 'Grade', from.bolt.grade, to.bolt.grade, ['bolt'])
  add('plate', 'Backing plate', shown(from), shown(to), ['plate', 'punching', 'crush-plate', 'material'])
  add('bolt.nutWasher', 'Washers under the nuts', from.bolt.nutWasher, to.bolt.nutWasher, [
    'punching',
    'crush-plate',
  ])
  const core = (d: Design) =>
    d.core.school === 'insert'
      ? d.core.insertMaterial === 'epoxy-plug'
        ? 'solid insert'
        : 'high-density insert'
      : d.core.school
  add('core.school', 'Core', core(from), core(to), ['core-dry', 'crush', 'punching-core'])
  const iso = (d: Design) =>
    d.isolation.sleeve && d.isolation.washer && d.isolation.sealant
      ? 'sleeve, washer, sealant'
      : 'not isolated'
  add(
    'isolation',
    'Metals',
    iso(from),
    iso(to),
    ['metals'],
    'Aluminium and stainless do not touch: sleeve, washer and sealant, all three.',
  )
  const bore = (d: Design) =>
    d.core.school !== 'bore-fill' ? '' : d.core.boreMm === null ? 'least' : `${d.core.boreMm} mm`
  if (to.core.school === 'bore-fill' && from.core.school === 'bore-fill')
    add('core.boreMm', 'Bore', bore(from), bore(to), ['core-dry'])
  return out
}

interface Found {
  design: Design
  mass: number
  judgement: Judgement
}
const ISOLATED = { sleeve: true, washer: true, sealant: true }

/**
 * What the plate solver finds of a design that the hand checks let through. It is slow beside them, so
 * only the best few are asked about.
 */
export type AskSolver = (d: Design, j: Judgement) => Check[]
/** While nothing has passed; once something has, two more for the others of the best few. */
const MOST_ASKED = 5
const MOST_AFTER = 1
/** Where the best so far bends the deck so much too far, a few tries are enough to say so. */
const HOPELESS = 1.8
const FEW_ASKED = 5
/** Larger and thicker by as much as the deck bends too far: for a little one step, for much three. */
function grown(d: Design, from: Design, room: Room | null, utilisation: number): Design | null {
  const p = from.plate
  if (!p) return null
  const steps = utilisation <= 1.05 ? 1 : utilisation <= 1.3 ? 2 : 3
  const reaches = REACHES.filter((r) => plateFor(d, r).lengthMm > p.lengthMm * 1.05)
  const thicker = STOCK_THICKNESS.filter((t) => t > p.thicknessMm)
  const [reach, thicknessMm] = [
    reaches[Math.min(steps, reaches.length) - 1],
    thicker[Math.min(steps, thicker.length) - 1],
  ]
  if (reach === undefined || thicknessMm === undefined) return null
  const plan = plateFor(d, reach)
  return withChange(from, { plate: { ...p, ...plan, thicknessMm, outline: clipped(plan, room) } })
}

/**
 * The best few designs of this fitting in which every check holds, searched over bolt sizes, grades,
 * plates (clipped to the room there is) and core schools; what is shown was asked of the plate solver too,
 * where there is one.
 */
export function sizeIt(
  d: Design,
  yard?: YardValue[],
  room: Room | null = null,
  ask: AskSolver | null = null,
): Proposal {
  const memo = new Memo()
  const before = tryJudge(d, yard, memo)
  const massBeforeKg = massOf(d, before)
  const untouchable = new Set(BEYOND)
  const cored = d.structure.kind === 'sandwich'
  const rots = d.structure.kind === 'sandwich' && CORES[d.structure.core.material].rots
  const first: Design['core']['school'] =
    cored && (d.core.school === 'none' || (d.core.school === 'seal-wall' && rots))
      ? 'bore-fill'
      : d.core.school
  const schools = cored ? [...new Set([first, 'bore-fill' as const, 'insert' as const])] : [d.core.school]
  const inserts = (school: Design['core']['school']) =>
    school === 'insert' ? (['insert-250', 'epoxy-plug'] as const) : [d.core.insertMaterial]
  const grades = [...new Set([d.bolt.grade, ...(d.bolt.grade === 'A4-70' ? (['A4-80'] as const) : [])])]
  const materials = d.place.belowWaterline
    ? (['g10', 'ss-316'] as const)
    : (['g10', 'al-6061', 'ss-316'] as const)
  const bedGapMm = d.plate?.bedGapMm ?? 1
  let tried = 0
  let nearest: { worst: number; j: Judgement } | null = null
  const best = new Map<string, Found>()
  let level: Level = 'holds'
  const look = (key: string, o: Design) => {
    tried++
    const j = tryJudge(o, yard, memo)
    if (!j) return null
    if (acceptable(j.checks, untouchable, level)) {
      const mass = massOf(o, j)
      const had = best.get(key)
      if (!had || mass < had.mass) best.set(key, { design: o, mass, judgement: j })
      return { j, ok: true }
    }
    const worst = j.checks
      .filter((c) => !untouchable.has(c.id))
      .reduce((m, c) => Math.max(m, c.utilisation ?? (c.verdict === 'short' ? 9 : 0)), 0)
    if (!nearest || worst < nearest.worst) nearest = { worst, j }
    return { j, ok: false }
  }
  const search = () => {
    for (const school of schools)
      for (const size of sizesFor(d))
        for (const bore of school === 'bore-fill' ? boresFor(d, size) : [null])
          for (const insertMaterial of inserts(school)) {
            const core =
              school === 'bore-fill'
                ? { 'core.school': school, 'core.boreMm': bore }
                : school === 'insert'
                  ? { 'core.school': school, 'core.boreMm': null, 'core.insertMaterial': insertMaterial }
                  : school === d.core.school
                    ? {}
                    : { 'core.school': school, 'core.boreMm': null }
            for (const grade of grades) {
              const bolted = withChange(d, {
                'bolt.size': size,
                'bolt.grade': grade,
                'bolt.nutWasher': 'large',
                plate: null,
                ...core,
              })
              const bare = look(`${school}${insertMaterial}|none`, bolted)
              // What no plate can help is found out once for the size and grade.
              if (bare?.j.checks.some((c) => PLATE_BLIND.includes(c.id) && !good(c.verdict, level))) continue
              for (const material of materials) {
                const key = `${school}${insertMaterial}|${material}`
                for (const reach of REACHES) {
                  const plan = plateFor(d, reach)
                  const plate = (thicknessMm: number): Design =>
                    withChange(bolted, {
                      'bolt.nutWasher': 'plain',
                      plate: {
                        material,
                        ...plan,
                        thicknessMm,
                        bedGapMm,
                        outline: clipped(plan, room),
                        sheets: 1,
                        bonded: d.plate?.bonded ?? true,
                        crownRadiusMm: d.plate?.crownRadiusMm ?? null,
                      },
                      ...(material === 'al-6061' ? { isolation: ISOLATED } : {}),
                    })
                  const had = best.get(key)
                  if (had && massOf(plate(STOCK_THICKNESS[0]!), null) > had.mass) break
                  // One look says how thick it has to be; thickness alone helps neither punching nor crush.
                  const probe = look(key, plate(STOCK_THICKNESS[3]!))
                  if (
                    !probe?.j.plate ||
                    probe.j.checks.some((c) => THICK_BLIND(c.id) && !good(c.verdict, level))
                  )
                    continue
                  const t = stockThickness(
                    probe.j.plate.requiredThicknessMm * (level === 'holds' ? AT_090 : 1),
                  )
                  if (t === null) continue
                  const thicker = STOCK_THICKNESS.filter((x) => x >= t).slice(0, 2)
                  let ok = false
                  for (const thicknessMm of thicker) if (!ok && look(key, plate(thicknessMm))?.ok) ok = true
                  if (ok) break
                }
              }
            }
          }
  }
  search()
  if (!best.size) {
    level = 'tight'
    search()
  }
  const proven = [...best.values()]
    .flatMap((f) => {
      // A search looks at the deciding directions only: what is shown was judged in all of them.
      const j = judge(f.design, false, yard, memo)
      return acceptable(j.checks, untouchable, level)
        ? [{ ...f, judgement: j, mass: massOf(f.design, j) }]
        : []
    })
    .sort(
      (a, b) =>
        Number(a.design.core.school !== first) - Number(b.design.core.school !== first) || a.mass - b.mass,
    )
  let refused: Check | null = null
  let asked = 0
  const nearly: Found[] = []
  /** What the solver says to one: the design if it passes, else how far past it is. */
  const solve = (f: Found): Found | number => {
    asked++
    const judgement = withSolver(f.judgement, { checks: ask!(f.design, f.judgement) })
    if (acceptable(judgement.checks, untouchable, level)) return { ...f, judgement }
    if (acceptable(judgement.checks, untouchable, 'tight')) nearly.push({ ...f, judgement })
    const bad = judgement.checks
      .filter((c) => c.id.startsWith('spread-'))
      .reduce((a, b) => ((b.utilisation ?? 0) > (a.utilisation ?? 0) ? b : a))
    if (!refused || (bad.utilisation ?? 0) < (refused.utilisation ?? 0)) refused = bad
    return bad.utilisation ?? 9
  }
  const few = unbeaten(proven)
  const held: Found[] = []
  let bareBends = false
  const most = () =>
    held.length ? MOST_ASKED + MOST_AFTER : (refused?.utilisation ?? 0) > HOPELESS ? FEW_ASKED : MOST_ASKED
  let grew: { plan: { lengthMm: number; widthMm: number }; thicker: number } | null = null
  /** What one plate had to grow to is where the next begins. */
  const learnt = (f: Found): Found => {
    const p = f.design.plate
    if (!grew || !p || p.lengthMm >= grew.plan.lengthMm) return f
    const thicknessMm = STOCK_THICKNESS.find((t) => t >= p.thicknessMm * grew!.thicker)
    if (thicknessMm === undefined) return f
    const larger = withChange(f.design, {
      plate: { ...p, ...grew.plan, thicknessMm, outline: clipped(grew.plan, room) },
    })
    const quick = tryJudge(larger, yard, memo)
    const whole =
      quick && acceptable(quick.checks, untouchable, level) ? judge(larger, false, yard, memo) : null
    return whole ? { design: larger, mass: massOf(larger, whole), judgement: whole } : f
  }
  // Those that others beat are asked about only while nothing has passed: what is heavier or dearer may
  // bend less.
  for (const f of ask === null ? [] : [...few, ...proven.filter((f) => !few.includes(f))]) {
    if (asked >= most() || (held.length && !few.includes(f))) break
    // Washers alone spread nothing: where one such design bends the deck too far, they all do.
    if (!f.design.plate && bareBends) continue
    let now: Found | null = learnt(f)
    while (now && asked < most()) {
      const said: Found | number = solve(now)
      if (typeof said !== 'number') {
        held.push(said)
        if (said.design.plate && f.design.plate && said.design !== f.design)
          grew ??= {
            plan: { lengthMm: said.design.plate.lengthMm, widthMm: said.design.plate.widthMm },
            thicker: said.design.plate.thicknessMm / f.design.plate.thicknessMm,
          }
        break
      }
      if (!now.design.plate) bareBends = true
      const larger: Design | null = grown(d, now.design, room, said)
      const quick = larger ? tryJudge(larger, yard, memo) : null
      const whole =
        larger && quick && acceptable(quick.checks, untouchable, level)
          ? judge(larger, false, yard, memo)
          : null
      now = larger && whole ? { design: larger, mass: massOf(larger, whole), judgement: whole } : null
    }
  }
  if (ask === null) held.push(...proven)
  if (!held.length && nearly.length) {
    level = 'tight'
    held.push(...nearly)
  }
  held.sort(
    (a, b) =>
      Number(a.design.core.school !== first) - Number(b.design.core.school !== first) || a.mass - b.mass,
  )
  const top = held[0]
  if (!top && refused !== null) {
    const bad: Check = refused
    return {
      found: false,
      tried,
      design: null,
      changes: [],
      massKg: null,
      massBeforeKg,
      verdict: 'short',
      governing: bad.id,
      choices: [],
      remaining: [{ title: bad.title, verdict: bad.verdict, because: bad.because }],
      because: `Nothing passes: designs that hold by every hand check still bend the deck too far, \u201c${bad.title.toLowerCase()}\u201d at ${formatUse(bad.utilisation)} at best of ${asked} that the solver was asked about. A place over a beam, a doubler, a larger plate than was tried or a smaller load has to give.`,
    }
  }
  if (!top) {
    const n = nearest as { worst: number; j: Judgement } | null
    const blocking =
      (n?.j ?? before)?.checks.filter(
        (c) => !untouchable.has(c.id) && c.verdict !== 'holds' && (n || PLATE_BLIND.includes(c.id)),
      ) ?? []
    return {
      found: false,
      tried,
      design: null,
      changes: [],
      massKg: null,
      massBeforeKg,
      verdict: before?.verdict ?? 'short',
      governing: before?.governing ?? null,
      choices: [],
      remaining: blocking.map((c) => ({ title: c.title, verdict: c.verdict, because: c.because })),
      because: blocking.length
        ? `Nothing passes: ${tried ? `of ${tried} designs tried, the nearest still fails at` : 'no bolt size or grade that fits these holes gets past'} \u201c${blocking[0]!.title}\u201d. A smaller load, more bolts, or another place has to give.`
        : `Nothing passes: none of ${tried} designs can be built with this pattern.`,
    }
  }
  const j = top.judgement
  // What no size can help is settled first: nothing that any check calls short is proposed.
  const whatever = j.checks.filter((c) => c.verdict === 'short')
  if (whatever.length)
    return {
      found: false,
      tried,
      design: null,
      changes: [],
      massKg: null,
      massBeforeKg,
      verdict: 'short',
      governing: whatever[0]!.id,
      choices: [],
      remaining: whatever.map((c) => ({ title: c.title, verdict: c.verdict, because: c.because })),
      because: `Nothing passes: whatever the size, ${whatever.map((c) => `\u201c${c.title.toLowerCase()}\u201d`).join(' and ')} stay${whatever.length > 1 ? '' : 's'} short. Settle that first; the rest can then be sized.`,
    }
  return {
    found: true,
    tried,
    design: top.design,
    changes: changesOf(d, top.design, before),
    massKg: top.mass,
    massBeforeKg,
    verdict: j.verdict,
    governing: j.governing,
    remaining: j.checks
      .filter((c) => c.verdict !== 'holds')
      .map((c) => ({ title: c.title, verdict: c.verdict, because: c.because })),
    because:
      level === 'tight'
        ? `Nothing holds with a tenth in hand; the lightest of ${tried} designs tried that is not short anywhere: ${say(top.mass)} kg of bolts and plate. A smaller load or a larger base would ease it.`
        : `The lightest of ${tried} designs tried in which every check that can be sized holds: ${say(top.mass)} kg of bolts and plate.`,
    choices: choicesOf(d, held, before),
  }
}

const MOST_CHOICES = 6
const COST = { low: 0, middle: 1, high: 2 }
interface Weighed {
  mass: number
  cost: SizeChoice['cost']
  underDeckMm: number
  hours: number
}
const beats = (a: Weighed, b: Weighed) =>
  a.mass <= b.mass &&
  COST[a.cost] <= COST[b.cost] &&
  a.underDeckMm <= b.underDeckMm &&
  a.hours <= b.hours &&
  (a.mass < b.mass || COST[a.cost] < COST[b.cost] || a.underDeckMm < b.underDeckMm || a.hours < b.hours)
/** Those that no other beats in everything; the first stays. */
function unbeaten(all: Found[]): Found[] {
  const weighed = all.map((f) => ({
    f,
    mass: f.mass,
    cost: costOf(f.design),
    underDeckMm: underDeckOf(f.design, f.judgement),
    hours: hoursOf(f.design),
  }))
  return weighed
    .filter((c, i) => i === 0 || !weighed.some((o) => o !== c && beats(o, c)))
    .slice(0, MOST_CHOICES)
    .map((w) => w.f)
}
/** The table of those, with what each is best at. */
function choicesOf(d: Design, proven: Found[], before: Judgement | null): SizeChoice[] {
  const kept = unbeaten(proven).map((f): SizeChoice => {
    const used = f.judgement.checks
      .filter((c) => c.utilisation !== null)
      .reduce<Check | null>((m, c) => (!m || c.utilisation! > m.utilisation! ? c : m), null)
    const plate = f.design.plate
    return {
      design: f.design,
      title: `${f.design.bolt.size} ${GRADES[f.design.bolt.grade].title}, ${plate ? `${plate.thicknessMm} mm ${PLATES[plate.material].title}` : 'large washers'}${f.design.core.school === d.core.school ? '' : f.design.core.school === 'insert' ? (f.design.core.insertMaterial === 'epoxy-plug' ? ', solid insert' : ', insert') : `, ${f.design.core.school.replace('-', ' and ')}`}`,
      changes: changesOf(d, f.design, before),
      massKg: f.mass,
      cost: costOf(f.design),
      underDeckMm: underDeckOf(f.design, f.judgement),
      holes: f.design.bolts.length,
      hours: hoursOf(f.design),
      governing: used?.title ?? '',
      utilisation: used?.utilisation ?? null,
      bestAt: [],
    }
  })
  const mark = (what: string, of: (c: SizeChoice) => number) => {
    const least = Math.min(...kept.map(of))
    for (const c of kept) if (of(c) === least) c.bestAt.push(what)
  }
  if (kept.length > 1) {
    mark('lightest', (c) => c.massKg)
    mark('thinnest under the deck', (c) => c.underDeckMm)
    mark('least work', (c) => c.hours)
  }
  return kept
}
