import { unproven, type Draft } from '../../base/verdict/check'
import type { Design } from './design'

/** Which estimates a check leans on, in words a fitter knows. */
function estimatesOf(d: Design): string[] {
  if (d.structure.kind === 'sandwich') {
    const names: ['outerMm' | 'coreMm' | 'innerMm', string][] = [
      ['outerMm', 'outer skin thickness'],
      ['coreMm', 'core thickness'],
      ['innerMm', 'inner skin thickness'],
    ]
    return names.filter(([k]) => !d.measured.includes(k)).map(([, name]) => name)
  }
  return d.measured.includes('thicknessMm') ? [] : ['thickness']
}
/** Checks that the load alone sets. */
const LEANS_ON_LOAD = [
  'bolt',
  'bearing',
  'plug-hold',
  'plate-',
  'shear-out',
  'punching',
  'crush',
  'doubler-weld',
  'push-',
  'skin-bending',
  'beam-',
  'post-',
  'foot',
]
const LEANS_ON_DECK = [
  'push-',
  'skin-bending',
  'bearing',
  'shear-out',
  'punching',
  'crush',
  'core-dry',
  'bolt-length',
]

/** Off every surface that is surveyed the deck is a guess, and whatever follows from it. */
export const unsurveyed = () =>
  unproven({
    id: 'surface',
    title: 'What it stands on',
    unit: '',
    source: 'the survey',
    because:
      'No surface of the boat is surveyed here, so what the deck is made of is a guess. Give the surface its layers, or say why this fitting keeps a deck of its own.',
  })

/** By what a check is called: whether it leans on the load, and on the deck. */
const known = new Map<string, { load: boolean; deck: boolean }>()
function leansOf(id: string) {
  let leans = known.get(id)
  if (!leans) {
    const starts = (ids: string[]) => ids.some((k) => id.startsWith(k))
    leans = { load: id !== 'bolt-length' && starts(LEANS_ON_LOAD), deck: starts(LEANS_ON_DECK) }
    known.set(id, leans)
  }
  return leans
}
/** Each check with the guesses and estimates that it leans on. */
export function leaning(d: Design, guessed: string[]): (c: Draft) => Draft {
  const estimates = estimatesOf(d)
  return (c) => {
    const { load, deck } = leansOf(c.id)
    const assumed = [...(load ? guessed : []), ...(deck ? estimates : [])]
    return assumed.length ? { ...c, assumed: [...c.assumed, ...assumed] } : c
  }
}
