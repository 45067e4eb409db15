import { unproven, type Check } from '../../base/verdict/check'
import type { Design } from './design'

export const UNSEEN = ['plate', 'plug', 'washer'] as const
export type Unseen = (typeof UNSEEN)[number]
export const UNSEEN_TITLES: Record<Unseen, string> = {
  plate: 'the backing plate',
  plug: 'how the core is kept dry',
  washer: 'the washers',
}
/** What may lie out of sight on this deck: only a core has a plug. */
export const unseenHere = (d: Design): Unseen[] =>
  d.unseen.filter((u) => u !== 'plug' || d.structure.kind === 'sandwich')

/** One that nobody has looked behind is drawn as it is guessed, and proves nothing. */
export function unseenCheck(d: Design): Check | null {
  const list = unseenHere(d)
  if (!list.length) return null
  return unproven({
    id: 'unseen',
    title: 'What is behind it',
    unit: '',
    source: 'chapter 18.7',
    because: `Nobody has seen ${list.map((u) => UNSEEN_TITLES[u]).join(', ')}: what stands here for it is a guess. Under Survey stands between which loads it is good; a look inside settles it.`,
  })
}
