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

const a = (id: string, text: string, change: Record<string, unknown>, helps: string[]): Try => ({
  id,
  text,
  change,
  helps: helps.map((h) => `${h}*`),
})
/** The change, where it applies. */
const when = (applies: unknown, change: () => Try | Try[]): Try[] => (applies ? [change()].flat() : [])

function padTries(d: ThroughHullDesign): Try[] {
  const { pad } = d
  if (!pad) return []
  const thick = (t: number, helps: string[]) =>
    a(`pad-${t}`, `a pad of ${t} mm`, { 'pad.thicknessMm': t }, helps)
  const wide = pad.diameterMm + 40
  return [
    ...PADS.filter((t) => t > pad.thicknessMm)
      .slice(0, 3)
      .map((t) => thick(t, ['total-least', 'kick'])),
    ...PADS.filter((t) => t < pad.thicknessMm)
      .slice(-2)
      .map((t) => thick(t, ['tail-length', 'total-most'])),
    a('pad-wide', `a pad of ${wide} mm across`, { 'pad.diameterMm': wide }, ['kick-bond', 'pad-size']),
    ...when(pad.material === 'plywood', () =>
      a('pad-glass', 'an epoxy-glass pad', { 'pad.material': 'g10' }, ['pad-material']),
    ),
  ]
}

/** How it is held against a kick. */
function holdTries(d: ThroughHullDesign, own: OwnGoods[]): Try[] {
  const { hold, valve, skin } = d
  const flanged =
    hold.method === 'nut' && valve && skin.thread
      ? valvesWith(own).find(
          (x) => x.kind === 'flanged' && x.material === valve.material && x.inlet.size === skin.thread!.size,
        )
      : undefined
  return [
    ...when(hold.method !== 'through' && valve?.boltCircleMm, () =>
      a('through', 'bolts through the hull', { 'hold.method': 'through' }, ['kick']),
    ),
    ...when(hold.bolts < 6 && hold.method !== 'nut', () =>
      a('bolts', `${hold.bolts + 1} bolts`, { 'hold.bolts': hold.bolts + 1 }, ['kick']),
    ),
    ...(flanged
      ? [
          a(
            'flanged',
            `a flanged seacock on a pad (${flanged.id})`,
            {
              valve: flanged,
              'hold.method': 'through',
              'skin.nutMm': 0,
              'skin.windowMm': [16, 20],
              pad: d.pad ?? {
                material: 'g10',
                thicknessMm: 20,
                diameterMm: flanged.flangeMm + 40,
                bondMPa: 12,
              },
            },
            ['kick'],
          ),
        ]
      : []),
  ]
}

const WITHOUT_WEDGES = ['seat', 'tail-length', 'wedge-tilt', 'total-most']
function seatTries(d: ThroughHullDesign): Try[] {
  const { wedge } = d
  return [
    ...when(wedge.blocks !== 'both', () =>
      a('wedge-both', 'a wedge each side, so that the faces are parallel', { 'wedge.blocks': 'both' }, [
        'seat',
        'beam-tilt',
        'lean',
      ]),
    ),
    ...when(wedge.blocks !== 'none', () =>
      a('wedge-none', 'square to the hull, without wedges', { 'wedge.blocks': 'none' }, WITHOUT_WEDGES),
    ),
    ...when(wedge.thinMm < 5, () => a('thin', 'a thin side of 5 mm', { 'wedge.thinMm': 5 }, ['wedge-thin'])),
    ...when(d.boredMm !== null && d.boredMm !== d.skin.holeMm, () =>
      a('hole', 'the hole filled and bored again to the catalogue\u2019s', { boredMm: null }, [
        'hole-clearance',
      ]),
    ),
  ]
}

function skinTries(d: ThroughHullDesign, own: OwnGoods[]): Try[] {
  const { skin } = d
  const longer = skin.thread
    ? skinsWith(own).find(
        (s) => s.material === skin.material && s.thread?.size === skin.thread!.size && s.tailMm > skin.tailMm,
      )
    : undefined
  if (!longer) return []
  const change = { skin: { ...longer, nutMm: skin.nutMm, windowMm: skin.windowMm } }
  return [a('longer', `a longer tail (${longer.id})`, change, ['tail-length'])]
}

/** Another valve or tail of the yard's or the catalogue's that goes on. */
function trainTries(d: ThroughHullDesign, own: OwnGoods[]): Try[] {
  const { valve, skin, tail } = d
  if (!valve || !skin.thread) return []
  const v = valvesWith(own).find(
    (x) =>
      x.inlet.size === skin.thread!.size &&
      x.material === (skin.material === 'composite' ? 'composite' : 'bronze') &&
      x.kind === (valve.kind === 'screwed' ? 'screwed' : 'flanged') &&
      x.inlet.family === 'bspp',
  )
  const t = tailsWith(own).find(
    (x) => x.thread.size === valve.outlet.size && x.material === valve.material && x.barbLengthMm > 40,
  )
  const fits = ['joint-skin-valve', 'joint-valve-tail', 'school-brass', 'pairs']
  const ends = ['joint-valve-tail', 'joint-tail-hose', 'joint-missing', 'pairs']
  return [
    ...(v && v.id !== valve.id ? [a('valve', `${v.title} (${v.id})`, { valve: v }, fits)] : []),
    ...(t && t.id !== tail?.id && t.bendDeg === (tail?.bendDeg ?? 0)
      ? [a('tail', `${t.title} (${t.id})`, { tail: t, ...(d.hose ? { 'hose.boreMm': t.barbMm } : {}) }, ends)]
      : []),
  ]
}

function hoseTries(d: ThroughHullDesign): Try[] {
  const { hose, tail } = d
  if (!hose) return []
  const helps = ['joint-tail-hose']
  return [
    ...when(hose.clips < 2, () => a('clips', 'two clips', { 'hose.clips': 2 }, helps)),
    ...(tail && hose.boreMm !== tail.barbMm
      ? [a('hose', `a hose of ${tail.barbMm} mm`, { 'hose.boreMm': tail.barbMm }, helps)]
      : []),
    ...when(!hose.belowRated, () =>
      a('hose-kind', 'hose rated for below the waterline', { 'hose.belowRated': true }, helps),
    ),
  ]
}

function turnTries(d: ThroughHullDesign, j: ThroughHullJudgement): Try[] {
  const best = wholeDegree(j)
  if (best === null || Math.abs(best - d.clock.wantedDeg) <= 0.5) return []
  const helps = d.valve!.kind === 'screwed' ? ['handle-swing'] : ['handle-swing', 'clocked']
  return [a('turn', `the handle open at ${best}\u00b0`, { 'clock.wantedDeg': best }, helps)]
}

function beddingTries(d: ThroughHullDesign, j: ThroughHullJudgement): Try[] {
  return [
    ...j.sealants.flatMap((s) =>
      s.choice.best && s.choice.best !== s.chosen
        ? [
            a(
              `sealant-${s.place}`,
              `${s.choice.best.replaceAll('-', ' ')} for it`,
              { [`bedding.${s.place}`]: s.choice.best satisfies SealantId },
              [`sealant-${s.place}`],
            ),
          ]
        : [],
    ),
    ...THREAD_WAYS.filter((w) => w !== d.bedding.thread && w !== 'none').map((way) =>
      a(`thread-${way}`, `${THREAD_WAY_TITLES[way]} on the threads`, { 'bedding.thread': way }, [
        'sealant-thread',
      ]),
    ),
  ]
}

function metalTries(d: ThroughHullDesign): Try[] {
  const { hold, skin } = d
  return [
    ...when(!d.metals.isolated, () =>
      a('isolate', 'sleeve, washer and sealant between the metals', { 'metals.isolated': true }, ['pairs']),
    ),
    ...when(hold.method !== 'nut' && hold.grade !== 'silicon-bronze' && skin.material === 'bronze', () =>
      a('bronze-bolts', 'bolts of silicon bronze', { 'hold.grade': 'silicon-bronze' }, ['pairs']),
    ),
  ]
}

/** Changes worth judging for what does not hold, the likeliest first. */
export function throughHullTries(d: ThroughHullDesign, j: ThroughHullJudgement, own: OwnGoods[]): Try[] {
  return [
    ...padTries(d),
    ...holdTries(d, own),
    ...seatTries(d),
    ...skinTries(d, own),
    ...trainTries(d, own),
    ...hoseTries(d),
    ...turnTries(d, j),
    ...beddingTries(d, j),
    ...metalTries(d),
    ...when(d.bedding.hardener, () =>
      a('hardener', 'the hardener that suits the day', { 'bedding.hardener': null }, ['epoxy-mix']),
    ),
    ...when(d.plug && !d.plug.throughBolted, () =>
      a('plug-bolts', 'through-bolts to a block', { 'plug.throughBolted': true, 'plug.block': true }, [
        'plug-held',
      ]),
    ),
  ]
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
