import { sealant } from '../../base/materials/sealants'
import type { Try } from '../kind'
import type { RowDesign } from './design'
import { takenTries } from './neighbours'
import type { RowJudgement } from './judgement'

const FITS = ['row-fits', 'row-even']
function countTries(d: RowDesign, j: RowJudgement): Try[] {
  const n = d.count ?? j.layout.count
  const out: Try[] = []
  if (d.count !== null)
    out.push({
      id: 'count-free',
      text: 'as many as come out most even',
      change: { count: null },
      helps: FITS,
    })
  if (n > 2)
    for (const by of [1, -1])
      if (n + by >= 2)
        out.push({
          id: `count-${n + by}`,
          text: `${n + by} of them`,
          change: { count: n + by },
          helps: [...FITS, 'strake-gap'],
          group: 'count',
        })
  return out
}
function pitchTries(d: RowDesign, j: RowJudgement): Try[] {
  const { leastMm, wantedMm, mostMm } = d.pitch
  const out: Try[] = [
    {
      id: 'pitch-wider',
      text: 'limits a fifth wider each way',
      change: {
        'pitch.leastMm': Math.max(d.footprintMm, Math.round(leastMm * 0.8)),
        'pitch.mostMm': Math.round(mostMm * 1.2),
      },
      helps: FITS,
    },
  ]
  const best = j.strip?.bestPitchMm
  if (best && best !== wantedMm)
    out.push({
      id: `pitch-${best}`,
      text: `bolts about ${best} mm apart, as the strip asks`,
      change: {
        'pitch.wantedMm': best,
        'pitch.leastMm': Math.min(leastMm, best),
        'pitch.mostMm': Math.max(mostMm, best),
        count: null,
      },
      helps: ['strake-gap', 'strake-bolt'],
    })
  return out
}
/** Changes worth judging: another count, wider limits, free ends, a thinner strip, another bedding. */
export function rowTries(d: RowDesign, j: RowJudgement): Try[] {
  const out = [...countTries(d, j), ...pitchTries(d, j)]
  if (d.ends === 'fixed')
    out.push({ id: 'ends-free', text: 'ends that may move a little', change: { ends: 'free' }, helps: FITS })
  for (const by of [-20, -10, 10, 20])
    if (d.fromMm + by >= 0 && d.toMm + by <= j.lengthMm)
      out.push({
        id: `shift-${by}`,
        text: `the row ${Math.abs(by)} mm ${by < 0 ? 'towards its first end' : 'towards its last end'}`,
        change: { fromMm: d.fromMm + by, toMm: d.toMm + by },
        helps: ['row-old-holes', 'row-fits'],
        group: 'shift',
      })
  if (d.strip)
    for (const t of [3, 4, 5])
      if (t < d.strip.thicknessMm)
        out.push({
          id: `strip-${t}`,
          text: `a strip ${t} mm thick`,
          change: { 'strip.thicknessMm': t },
          helps: ['strake-set', 'strake-bolt'],
          group: 'strip',
        })
  for (const c of j.sealant?.choices.filter((x) => x.verdict === 'fits').slice(0, 2) ?? [])
    out.push({
      id: `bed-${c.id}`,
      text: sealant(c.id).title,
      change: { 'bedding.sealant': c.id },
      helps: ['row-bed'],
      group: 'bed',
    })
  return [...out, ...takenTries(d, j.taken)]
}
