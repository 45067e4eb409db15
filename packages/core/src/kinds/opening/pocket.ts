import { answerOf } from '../../base/calculator/calculator'
import { inWords, say, type Check } from '../../base/verdict/check'
import { prismPocket } from '../../chapters/making/prism-pocket'
import type { Try } from '../kind'
import type { OpeningDesign } from './design'
import type { OpeningJudgement, Pocket } from './judgement'
import { sizeAt } from './outline'

/** The glass flange lies past the cut-out by the frame's flange, all round. */
export const ledgeOf = (d: OpeningDesign) => d.frame.flangeMm
/** What the solid takes of the deck, past the cut-out. */
export const solidPast = (d: OpeningDesign) =>
  d.prism ? ledgeOf(d) + d.prism.sideMm + d.prism.bandMm : d.frame.flangeMm

/**
 * Pocket and solid of a prism or light set flush (chapter 15.2). Null where it is none, or where the deck
 * has no core to let a solid into.
 */
export function pocketOf(d: OpeningDesign): Pocket | null {
  const s = d.structure
  if (!d.prism || s.kind !== 'sandwich') return null
  const { lengthMm, widthMm } = sizeAt(d.outline, ledgeOf(d))
  return answerOf(prismPocket, {
    ...(d.outline.kind === 'circle'
      ? { shape: 'circle' as const, diameterMm: lengthMm }
      : { shape: 'rect' as const, lengthMm, widthMm }),
    flangeMm: d.frame.thicknessMm,
    ledgeMm: ledgeOf(d),
    sideMm: d.prism.sideMm,
    beddingMm: d.bedding.beadMm,
    outerMm: s.outerMm,
    coreMm: s.core.thicknessMm,
    innerMm: s.innerMm,
    bandMm: d.prism.bandMm,
    glueMm: d.prism.glueMm,
    edgeGapMm: d.prism.edgeGapMm,
    toleranceMm: d.prism.toleranceMm,
  })
}
export const sheetsSaid = (sheetsMm: number[]) =>
  sheetsMm.length ? `${sheetsMm.map((t) => say(t)).join(' + ')} mm` : 'no sheet'

function standSaid(p: Pocket): string {
  if (p.rim === 'below') return `lies ${say(-p.proudMm)} mm low and holds ${say(p.pondMl)} ml of water`
  return `stands ${say(Math.max(0, p.proudMm))} mm proud`
}
export function pocketChecks(d: OpeningDesign, p: Pocket | null): Check[] {
  if (!d.prism) return []
  if (!p)
    return [
      inWords({
        id: 'prism-flush',
        title: 'Flush with the deck',
        unit: 'mm',
        source: 'chapter 15.2',
        verdict: 'short',
        because: 'This deck has no core to let a solid into: set it on a frame over the deck.',
      }),
    ]
  const bed = p.flushBeddingMm === null ? '' : ` A bed of ${say(p.flushBeddingMm)} mm would bring it flush.`
  const because: Record<string, string> = {
    flush:
      `On a base of ${sheetsSaid(p.base.sheetsMm)} it ${standSaid(p)}; ` +
      `${say(d.prism.toleranceMm)} mm either way is flush.${p.rim === 'flush' ? '' : bed}`,
    remaining: `${say(p.remainingMm)} mm of solid and skin are left under the pocket; 4 mm is the least.`,
  }
  return p.checks.map((c) => ({ ...c, id: `prism-${c.id}`, because: because[c.id] ?? c.because }))
}

/** A bed that brings it flush. */
export function pocketTries(p: Pocket | null): Try[] {
  if (!p || p.flushBeddingMm === null || p.rim === 'flush') return []
  const beadMm = Math.round(p.flushBeddingMm * 10) / 10
  return [
    {
      id: `prism-bed-${beadMm}`,
      text: `bedding ${beadMm} mm thick`,
      change: { 'bedding.beadMm': beadMm },
      helps: ['prism-flush'],
    },
  ]
}

/** What the bead takes: under the flange and round the glass of a prism, under the frame of the others. */
export const sealantMlOf = (j: Pick<OpeningJudgement, 'edge' | 'pocket'>) =>
  j.pocket?.sealantMl ?? j.edge.sealantMl
