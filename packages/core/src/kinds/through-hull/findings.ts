import type { Verdict } from '../../base/verdict/check'
import { RISK_SAID as RISK, findingsOf, type FindingOf, type Risk } from '../findings'
import type { ThroughHullDesign } from './design'
import type { ThroughHullFamily } from './families'

export type Finding = FindingOf<ThroughHullFamily>
const valves: ThroughHullFamily[] = ['seacock', 'screwed-valve', 'sea-chest', 'welded-stub']
const hosed: ThroughHullFamily[] = [...valves, 'scupper', 'above-water']
export const FINDINGS: Finding[] = [
  {
    id: 'mixed-threads',
    title: 'Parallel thread in a taper valve, or two thread systems',
    risk: 'sinks',
    costs: 'Two or three turns hold it, and a thread root carries every side load: it cracks through there.',
    settle: 'Replace valve or fitting so that the pair is of one kind; five turns at least.',
    families: valves,
  },
  {
    id: 'yellow-brass',
    title: 'Yellow brass in the water',
    risk: 'sinks',
    costs: 'The zinc leaches out and what is left crumbles: pink under a scratch.',
    settle: 'Replace with DZR, gun-metal or composite. Until then it is suspect; do not launch on it.',
    families: 'all',
  },
  {
    id: 'plain-plastic',
    title: 'Plain plastic below the waterline',
    risk: 'sinks',
    costs: 'It creeps, is eaten by sun and fuel, and a kick takes it off.',
    settle: 'Replace with reinforced composite with its collar, or bronze.',
    families: 'all',
  },
  {
    id: 'soft-pad',
    title: 'Soft or wet wooden pad',
    risk: 'sinks',
    costs: 'Nothing holds the flange: bedding lets go when it is leaned on.',
    settle: 'Take it out; a bonded epoxy-glass pad.',
    families: 'all',
  },
  {
    id: 'seized',
    title: 'Handle seized or broken',
    risk: 'sinks',
    costs: 'When the hose goes it cannot be shut; what flooding says then happens.',
    settle: 'Free and grease it ashore, or replace. Tie a plug beside it today.',
    families: valves,
  },
  {
    id: 'no-load-path',
    title: 'No load path: valve hangs on the tail alone',
    risk: 'soon',
    costs: 'A kick bends the tail at the nut, where the thread is thinnest.',
    settle: 'A flange on a pad, or a shorter train; see the kick test.',
    families: valves,
  },
  {
    id: 'one-clip',
    title: 'One clip, or clips that overlap',
    risk: 'soon',
    costs: 'One rusted band is the only thing between the sea and the bilge.',
    settle: 'Two of 316 side by side on a barb long enough.',
    families: hosed,
  },
  {
    id: 'hose-hard',
    title: 'Hose hard, cracked or of the wrong kind',
    risk: 'soon',
    costs: 'It splits at the barb, behind the clip where nobody looks.',
    settle: 'Renew: five to seven years.',
    families: hosed,
  },
  {
    id: 'pink',
    title: 'Pink or powdery metal under a scratch',
    risk: 'sinks',
    costs: 'Dezincified: strength is gone through the wall.',
    settle: 'Replace. Hit it once with a small hammer ashore, not afloat.',
    families: 'all',
  },
  {
    id: 'weeps',
    title: 'Weeps at flange or tail',
    risk: 'soon',
    costs: 'The bedding is broken; a cored bottom drinks from here.',
    settle: 'Out and bed again; look at the core.',
    families: 'all',
  },
  {
    id: 'short-screws',
    title: 'Short screws instead of through-bolts',
    risk: 'soon',
    costs: 'A plug that is hit from outside takes them along.',
    settle: 'Through-bolt to a backing block.',
    families: ['drain-plug'],
  },
  {
    id: 'wire-open',
    title: 'Bonding wire green, loose or above 0.1 \u03a9',
    risk: 'watch',
    costs: 'The anode protects nothing behind it.',
    settle: 'Cut back, tinned wire of 4 mm\u00b2 or more, measure again.',
    families: 'all',
  },
  {
    id: 'no-plug',
    title: 'No soft plug tied beside it',
    risk: 'watch',
    costs: 'Minutes are lost looking for one.',
    settle: 'Tie one of the right taper there.',
    families: hosed,
  },
  {
    id: 'unreachable',
    title: 'Cannot be reached in a hurry',
    risk: 'soon',
    costs: 'The time to the floorboards goes by while lockers are emptied.',
    settle: 'Cut an access, or a remote handle.',
    families: valves,
  },
  {
    id: 'core-wet',
    title: 'Core wet round it',
    risk: 'soon',
    costs: 'The bottom loses its stiffness from the hole outwards.',
    settle: 'Out, dry, made solid over 1.5 flanges.',
    families: 'all',
  },
  {
    id: 'tube-gone',
    title: 'Bungs, plugs or o-rings missing',
    risk: 'soon',
    costs: 'An insert out for cleaning is an open hole.',
    settle: 'Renew, and keep a blank tied beside it.',
    families: ['transducer', 'drain-plug'],
  },
  {
    id: 'anode-gone',
    title: 'Anode under half',
    risk: 'watch',
    costs: 'From half on it protects less than it shows.',
    settle: 'Change it.',
    families: ['anode-stud'],
  },
]
export const findingsFor = (f: ThroughHullFamily) => findingsOf(FINDINGS, f)
/** What can sink her is said so. */
export const RISK_SAID: Record<Risk, string> = { ...RISK, sinks: 'can sink her: do not launch on it' }

/** What figures say by themselves, offered to be ticked. */
export function seenInFigures(
  d: ThroughHullDesign,
  j: {
    joints: { codes: string[] }[]
    checks: { id: string; verdict: Verdict }[]
    placing: { id: string; state: string }[]
  },
): string[] {
  const out: string[] = []
  const codes = j.joints.flatMap((x) => x.codes)
  const short = (id: string) => j.checks.some((c) => c.id === id && c.verdict === 'short')
  if (codes.includes('binds-in-taper') || codes.includes('system')) out.push('mixed-threads')
  if ([d.skin, d.valve, d.tail].some((p) => p?.material === 'brass')) out.push('yellow-brass')
  if (d.place.zMm < 0 && [d.skin, d.valve, d.tail].some((p) => p?.material === 'plastic'))
    out.push('plain-plastic')
  if (codes.includes('clips')) out.push('one-clip')
  if (d.plug && !d.plug.throughBolted) out.push('short-screws')
  if (d.valve && d.hold.method === 'nut' && short('kick-tail-bending')) out.push('no-load-path')
  if (short('bond-path')) out.push('wire-open')
  if (d.valve && j.placing.some((q) => q.id === 'reach' && q.state === 'look')) out.push('unreachable')
  if (d.hose && !d.hose.belowRated && d.place.zMm < 0) out.push('hose-hard')
  return out
}

export interface TaperPlug {
  advised: 'recondition' | 'replace'
  because: string
  steps: string[]
}
/**
 * Typical limits: a pit deeper than a fifth of the wall, or a lapped band under six tenths of the way
 * round, is past mending.
 */
export const PIT_SHARE = 0.2
export const LEAST_CONTACT_PCT = 60
/**
 * A taper-plug seacock is lapped in again or replaced, by the depth of its pits and the band that shows
 * contact.
 */
export function taperPlugOf(r: { pitMm: number; wallMm: number; contactPct: number }): TaperPlug {
  const deep = r.pitMm > PIT_SHARE * r.wallMm + 1e-9
  const thin = r.contactPct < LEAST_CONTACT_PCT - 1e-9
  if (deep || thin)
    return {
      advised: 'replace',
      because: `${[deep ? `Pits of ${r.pitMm} mm in a wall of ${r.wallMm} mm go past a fifth of it` : '', thin ? `the lapped band touches ${r.contactPct} % of the way round, under ${LEAST_CONTACT_PCT} %` : ''].filter(Boolean).join('; ')}. Typical limits; the bench beside you decides.`,
      steps: ['Take it out whole and close or reuse the hole.', 'Fit a flanged seacock on a pad.'],
    }
  return {
    advised: 'recondition',
    because: `Pits of ${r.pitMm} mm in a wall of ${r.wallMm} mm and a band over ${r.contactPct} % of the way round can be lapped in. Typical limits.`,
    steps: [
      'Clean body and plug to bare metal; look for pink.',
      'Fill the pits, or leave those that do not cross the band.',
      'Lap with paste, quarter turns, lifting often, until the band is even all round.',
      'Wash every trace of paste out; grease for sea water.',
      'Set the nut so that it turns stiffly by hand.',
      'Prove it: flooded from outside and shut, the inside dry for ten minutes.',
    ],
  }
}
