import type { SealantId } from '../../base/materials/sealants'
import { withRemedies, type Try } from '../remedies'
import type { LogLine } from '../work'
import type { ThroughHullDesign } from './design'
import { skinsWith, tailsWith, valvesWith, type OwnGoods } from './own-goods'
import { judgeThroughHull } from './judge'
import type { ThroughHullJudgement } from './judgement'
import type { ThroughHullAround } from './placing'
import { THREAD_WAYS, THREAD_WAY_TITLES } from './thread-ways'

const PADS = [10, 12, 15, 18, 20, 25, 30]
/** The nearest free direction in whole degrees: at the end of a free range the next inside it. */
function wholeDegree({ clock }: ThroughHullJudgement): number | null {
  const best = clock?.bestDeg
  if (best == null) return null
  const within = (deg: number) =>
    clock!.freeWanted.some(([from, to]) => [deg, deg + 360].some((x) => x >= from! && x <= to!))
  return [Math.round(best), Math.ceil(best), Math.floor(best)].find(within) ?? Math.round(best)
}

/** Changes worth judging for what does not hold, the likeliest first. */
export function throughHullTries(d: ThroughHullDesign, j: ThroughHullJudgement, own: OwnGoods[]): Try[] {
  const [SKINS, VALVES, TAILS] = [skinsWith(own), valvesWith(own), tailsWith(own)]
  const out: Try[] = []
  const add = (id: string, text: string, change: Record<string, unknown>, helps: string[]) =>
    out.push({ id, text, change, helps: helps.map((h) => `${h}*`) })
  if (d.pad) {
    for (const t of PADS.filter((t) => t > d.pad!.thicknessMm).slice(0, 3))
      add(`pad-${t}`, `a pad of ${t} mm`, { 'pad.thicknessMm': t }, ['total-least', 'kick'])
    for (const t of PADS.filter((t) => t < d.pad!.thicknessMm).slice(-2))
      add(`pad-${t}`, `a pad of ${t} mm`, { 'pad.thicknessMm': t }, ['tail-length', 'total-most'])
    add(
      'pad-wide',
      `a pad of ${d.pad.diameterMm + 40} mm across`,
      { 'pad.diameterMm': d.pad.diameterMm + 40 },
      ['kick-bond', 'pad-size'],
    )
    if (d.pad.material === 'plywood')
      add('pad-glass', 'an epoxy-glass pad', { 'pad.material': 'g10' }, ['pad-material'])
  }
  if (d.hold.method !== 'through' && d.valve?.boltCircleMm)
    add('through', 'bolts through the hull', { 'hold.method': 'through' }, ['kick'])
  if (d.hold.bolts < 6 && d.hold.method !== 'nut')
    add('bolts', `${d.hold.bolts + 1} bolts`, { 'hold.bolts': d.hold.bolts + 1 }, ['kick'])
  if (d.hold.method === 'nut' && d.valve && d.skin.thread) {
    const v = VALVES.find(
      (x) => x.kind === 'flanged' && x.material === d.valve!.material && x.inlet.size === d.skin.thread!.size,
    )
    if (v)
      add(
        'flanged',
        `a flanged seacock on a pad (${v.id})`,
        {
          valve: v,
          'hold.method': 'through',
          'skin.nutMm': 0,
          'skin.windowMm': [16, 20],
          pad: d.pad ?? { material: 'g10', thicknessMm: 20, diameterMm: v.flangeMm + 40, bondMPa: 12 },
        },
        ['kick'],
      )
  }
  if (d.wedge.blocks !== 'both')
    add('wedge-both', 'a wedge each side, so that the faces are parallel', { 'wedge.blocks': 'both' }, [
      'seat',
      'beam-tilt',
      'lean',
    ])
  if (d.wedge.blocks !== 'none')
    add('wedge-none', 'square to the hull, without wedges', { 'wedge.blocks': 'none' }, [
      'seat',
      'tail-length',
      'wedge-tilt',
      'total-most',
    ])
  if (d.wedge.thinMm < 5) add('thin', 'a thin side of 5 mm', { 'wedge.thinMm': 5 }, ['wedge-thin'])
  if (d.boredMm !== null && d.boredMm !== d.skin.holeMm)
    add('hole', 'the hole filled and bored again to the catalogue\u2019s', { boredMm: null }, [
      'hole-clearance',
    ])
  if (d.skin.thread) {
    const longer = SKINS.find(
      (s) =>
        s.material === d.skin.material && s.thread?.size === d.skin.thread!.size && s.tailMm > d.skin.tailMm,
    )
    if (longer)
      add(
        'longer',
        `a longer tail (${longer.id})`,
        { skin: { ...longer, nutMm: d.skin.nutMm, windowMm: d.skin.windowMm } },
        ['tail-length'],
      )
  }
  if (d.valve && d.skin.thread) {
    for (const v of VALVES.filter(
      (x) =>
        x.inlet.size === d.skin.thread!.size &&
        x.material === (d.skin.material === 'composite' ? 'composite' : 'bronze') &&
        x.kind === (d.valve!.kind === 'screwed' ? 'screwed' : 'flanged') &&
        x.inlet.family === 'bspp',
    ).slice(0, 1))
      if (v.id !== d.valve.id)
        add('valve', `${v.title} (${v.id})`, { valve: v }, [
          'joint-skin-valve',
          'joint-valve-tail',
          'school-brass',
          'pairs',
        ])
    for (const t of TAILS.filter(
      (x) =>
        x.thread.size === d.valve!.outlet.size && x.material === d.valve!.material && x.barbLengthMm > 40,
    ).slice(0, 1))
      if (t.id !== d.tail?.id && t.bendDeg === (d.tail?.bendDeg ?? 0))
        add('tail', `${t.title} (${t.id})`, { tail: t, ...(d.hose ? { 'hose.boreMm': t.barbMm } : {}) }, [
          'joint-valve-tail',
          'joint-tail-hose',
          'joint-missing',
          'pairs',
        ])
  }
  if (d.hose && d.hose.clips < 2) add('clips', 'two clips', { 'hose.clips': 2 }, ['joint-tail-hose'])
  if (d.hose && d.tail && d.hose.boreMm !== d.tail.barbMm)
    add('hose', `a hose of ${d.tail.barbMm} mm`, { 'hose.boreMm': d.tail.barbMm }, ['joint-tail-hose'])
  if (d.hose && !d.hose.belowRated)
    add('hose-kind', 'hose rated for below the waterline', { 'hose.belowRated': true }, ['joint-tail-hose'])
  const best = wholeDegree(j)
  if (best !== null && Math.abs(best - d.clock.wantedDeg) > 0.5)
    add(
      'turn',
      `the handle open at ${best}\u00b0`,
      { 'clock.wantedDeg': best },
      d.valve!.kind === 'screwed' ? ['handle-swing'] : ['handle-swing', 'clocked'],
    )
  for (const s of j.sealants)
    if (s.choice.best && s.choice.best !== s.chosen)
      add(
        `sealant-${s.place}`,
        `${s.choice.best.replaceAll('-', ' ')} for it`,
        { [`bedding.${s.place}`]: s.choice.best satisfies SealantId },
        [`sealant-${s.place}`],
      )
  for (const way of THREAD_WAYS.filter((w) => w !== d.bedding.thread && w !== 'none'))
    add(`thread-${way}`, `${THREAD_WAY_TITLES[way]} on the threads`, { 'bedding.thread': way }, [
      'sealant-thread',
    ])
  if (!d.metals.isolated)
    add('isolate', 'sleeve, washer and sealant between the metals', { 'metals.isolated': true }, ['pairs'])
  if (d.hold.method !== 'nut' && d.hold.grade !== 'silicon-bronze' && d.skin.material === 'bronze')
    add('bronze-bolts', 'bolts of silicon bronze', { 'hold.grade': 'silicon-bronze' }, ['pairs'])
  if (d.bedding.hardener)
    add('hardener', 'the hardener that suits the day', { 'bedding.hardener': null }, ['epoxy-mix'])
  if (d.plug && !d.plug.throughBolted)
    add('plug-bolts', 'through-bolts to a block', { 'plug.throughBolted': true, 'plug.block': true }, [
      'plug-held',
    ])
  return out
}
/** Where a check does not hold, changes that would help it, each judged whole before it is offered. */
export const throughHullWithRemedies = (
  d: ThroughHullDesign,
  j: ThroughHullJudgement,
  around: ThroughHullAround,
  log: LogLine[] = [],
): ThroughHullJudgement =>
  withRemedies(d, j, throughHullTries(d, j, around.goods ?? []), (changed) =>
    judgeThroughHull(changed, around, log),
  )
