import { formatUse } from '../../base/quantity/format'
import { PLATES } from '../../base/materials/plates'
import { GRADES } from '../../base/materials/fasteners'
import { say, type Check, type Verdict } from '../../base/verdict/check'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { beats, costOf, hoursOf, massOf, underDeckOf, type CostClass } from './size-cost'
import type { Found } from './size-search'

export interface Change {
  path: string
  label: string
  from: string
  to: string
  why: string
}
/** One way of doing it in which no check that can be sized is short. */
export interface SizeChoice {
  design: Design
  title: string
  changes: Change[]
  /** bolts, plate or doubler, fill, insert and cloth */
  massKg: number
  cost: CostClass
  /** plate, bed, washer, nut and thread, below the deck */
  underDeckMm: number
  holes: number
  hours: number
  governing: string
  utilisation: number | null
  /** holds, or tight: less than a tenth in hand */
  verdict: Verdict
  /** what it is best at among those shown */
  bestAt: string[]
}

const plateSaid = (d: Design) =>
  d.plate
    ? `${d.plate.lengthMm} \u00d7 ${d.plate.widthMm} \u00d7 ${d.plate.thicknessMm} mm ${PLATES[d.plate.material].title}${d.plate.outline ? ', clipped' : ''}`
    : 'none, washers only'
const doublerSaid = (d: Design) =>
  d.doubler
    ? `${d.doubler.lengthMm} \u00d7 ${d.doubler.widthMm} \u00d7 ${d.doubler.thicknessMm} mm, weld ${d.doubler.weldMm} mm`
    : 'none'
const isolationSaid = ({ isolation: i }: Design) =>
  i.sleeve && i.washer && i.sealant ? 'sleeve, washer, sealant' : 'not isolated'
const SCHOOL_SAID: Record<Design['core']['school'], string> = {
  'bore-fill': 'bore over, fill, redrill',
  reef: 'hook the core back and fill',
  insert: 'high-density insert',
  'seal-wall': 'seal the wall',
  none: 'as it is',
}
const coreSaid = (d: Design) =>
  d.core.school === 'insert' && d.core.insertMaterial === 'epoxy-plug'
    ? 'solid insert'
    : SCHOOL_SAID[d.core.school]
const boreSaid = (d: Design) =>
  d.core.school !== 'bore-fill' ? '' : d.core.boreMm === null ? 'least' : `${d.core.boreMm} mm`

interface Row {
  path: string
  label: string
  said: (d: Design) => string
  /** checks that this may mend */
  mends: string[]
  why?: string
}
const ROWS: Row[] = [
  {
    path: 'bolt.size',
    label: 'Bolt',
    said: (d) => d.bolt.size,
    mends: ['bolt', 'bearing', 'spacing', 'shear-out'],
    why: 'What the casting is drilled for.',
  },
  { path: 'bolt.grade', label: 'Grade', said: (d) => d.bolt.grade, mends: ['bolt'] },
  {
    path: 'plate',
    label: 'Backing plate',
    said: plateSaid,
    mends: ['plate', 'punching', 'crush-plate', 'material'],
  },
  {
    path: 'doubler',
    label: 'Doubler',
    said: doublerSaid,
    mends: ['doubler', 'bearing', 'punching', 'shear-out', 'crush'],
  },
  {
    path: 'bolt.nutWasher',
    label: 'Washers under the nuts',
    said: (d) => d.bolt.nutWasher,
    mends: ['punching', 'crush-plate'],
    why: 'Under a plate plain ones do; without one they are large.',
  },
  { path: 'core.school', label: 'Core', said: coreSaid, mends: ['core-dry', 'crush', 'punching-core'] },
  {
    path: 'isolation',
    label: 'Metals',
    said: isolationSaid,
    mends: ['metals'],
    why: 'Aluminium and stainless do not touch: sleeve, washer and sealant, all three.',
  },
]
const BORE: Row = { path: 'core.boreMm', label: 'Bore', said: boreSaid, mends: ['core-dry', 'plug-hold'] }

/** What changes from one design to the other, and why: what it mends, or what it truly is better at. */
export function changesOf(from: Design, to: Found, before: Judgement | null): Change[] {
  const bad = (ids: string[]) =>
    before?.checks
      .filter((c) => ids.some((i) => c.id.startsWith(i)) && (c.verdict === 'short' || c.verdict === 'tight'))
      .map((c) => c.because)[0]
  const lighter = to.mass < massOf(from, before) * 0.99
  const quicker = before !== null && hoursOf(to.design, to.judgement) < hoursOf(from, before) - 0.05
  const better =
    lighter || quicker
      ? `${lighter ? (quicker ? 'Lighter and less work' : 'Lighter') : 'Less work'}, and no check is short.`
      : 'Part of this way of doing it.'
  const both = from.core.school === 'bore-fill' && to.design.core.school === 'bore-fill'
  return [...ROWS, ...(both ? [BORE] : [])]
    .map((r) => ({ r, a: r.said(from), b: r.said(to.design) }))
    .filter(({ a, b }) => a !== b)
    .map(({ r, a, b }) => ({
      path: r.path,
      label: r.label,
      from: a,
      to: b,
      why: bad(r.mends) ?? r.why ?? better,
    }))
}

const MOST_CHOICES = 6
/** Those that no other beats in everything; the first stays. */
export function unbeaten(all: Found[]): Found[] {
  const weighed = all.map((f) => ({
    f,
    mass: f.mass,
    cost: costOf(f.design),
    underDeckMm: underDeckOf(f.design, f.judgement),
    hours: hoursOf(f.design, f.judgement),
    tight: f.judgement.verdict === 'tight',
  }))
  return weighed
    .filter((c, i) => i === 0 || !weighed.some((o) => o !== c && (!o.tight || c.tight) && beats(o, c)))
    .slice(0, MOST_CHOICES)
    .map((w) => w.f)
}
function titleOf(d: Design, to: Design): string {
  const p = to.plate
  const behind = p
    ? `${p.thicknessMm} mm ${PLATES[p.material].title}`
    : to.doubler
      ? `${to.doubler.thicknessMm} mm doubler`
      : 'large washers'
  return `${to.bolt.size} ${GRADES[to.bolt.grade].title}, ${behind}${to.core.school === d.core.school ? '' : `, ${coreSaid(to)}`}`
}
/** The table of those, with what each is best at. */
export function choicesOf(d: Design, found: Found[], before: Judgement | null): SizeChoice[] {
  const kept = unbeaten(found).map((f): SizeChoice => {
    const used = f.judgement.checks
      .filter((c) => c.utilisation !== null)
      .reduce<Check | null>((m, c) => (!m || c.utilisation! > m.utilisation! ? c : m), null)
    return {
      design: f.design,
      title: titleOf(d, f.design),
      changes: changesOf(d, f, before),
      massKg: f.mass,
      cost: costOf(f.design),
      underDeckMm: underDeckOf(f.design, f.judgement),
      holes: f.design.bolts.length,
      hours: hoursOf(f.design, f.judgement),
      governing: used?.title ?? '',
      utilisation: used?.utilisation ?? null,
      verdict: (used?.utilisation ?? 0) > 0.9 ? 'tight' : 'holds',
      bestAt: [],
    }
  })
  const mark = (what: string, of: (c: SizeChoice) => number) => {
    const least = Math.min(...kept.map(of))
    for (const c of kept) if (of(c) === least) c.bestAt.push(what)
  }
  if (kept.length > 1) {
    mark('least work', (c) => c.hours)
    mark('lightest', (c) => c.massKg)
    mark('thinnest under the deck', (c) => c.underDeckMm)
  }
  return kept
}

/** What has to give, where designs that hold by hand still bend the deck too far. */
export const bendsSaid = (bad: Check, asked: number) =>
  `Nothing passes: designs that hold by every hand check still bend the deck too far, \u201c${bad.title.toLowerCase()}\u201d at ${formatUse(bad.utilisation)} at best of ${asked} that the solver was asked about. A place over a beam, a pad or a stiffener under it, a larger plate than was tried or a smaller load has to give.`
export const stuckSaid = (blocking: Check[], tried: number) =>
  blocking.length
    ? `Nothing passes: ${tried ? `of ${tried} designs tried, the nearest still fails at` : 'no bolt size or grade that fits these holes gets past'} \u201c${blocking[0]!.title}\u201d. A smaller load, more bolts, or another place has to give.`
    : `Nothing passes: none of ${tried} designs can be built with this pattern.`
export const foundSaid = (f: Found, tried: number, tight: boolean) =>
  `${tight ? 'Nothing holds with a tenth in hand; ' : ''}${tight ? 'the' : 'The'} least work of ${tried} designs tried ${tight ? 'that is not short anywhere' : 'in which every check that can be sized holds'}: ${say(hoursOf(f.design, f.judgement))} h, ${say(f.mass)} kg of bolts, plate and fill.${tight ? ' A smaller load or a larger base would ease it.' : ''}`
