import { say } from '../../base/verdict/check'
import { lifeGone } from './days'
import { KINDS, type LeakCandidate, type LeakInput } from './leak-shape'
import type { Way } from './leak-paths'

/** What speaks for and against a candidate before anything is tested; factors are estimates. */
export const STATES = {
  drilled: 20,
  'core-sealed': 20,
  'dry-fitted': 10,
  bedded: 2,
  cured: 1.2,
  proved: 0.5,
  'in-service': 1,
  suspect: 4,
  closed: 0.3,
} as const
const VERDICTS = { short: 2.5, unproven: 1.2, tight: 1, holds: 0.7 } as const
const PLACES = {
  rain: { deck: 1, topsides: 0.5, below: 0.02 },
  hose: { deck: 1, topsides: 0.7, below: 0.02 },
  'under-way': { deck: 1, topsides: 1.5, below: 1 },
  always: { deck: 0.1, topsides: 0.1, below: 3 },
} as const
const UNDATED = 2.5
const LOADED = { underWay: 2, else: 1.3 }

export interface Weight {
  code: string
  factor: number
  text: string
}

function age(v: LeakInput, c: LeakCandidate): Weight {
  if (c.bedded === undefined)
    return { code: 'age', factor: UNDATED, text: 'Nobody knows when it was bedded.' }
  const u = lifeGone(c.chemistry, c.bedded, v.today)
  return {
    code: 'age',
    factor: Math.min(6, 0.5 + 2 * u * u),
    text: `${say(100 * u)} % of the life of its bedding is gone.`,
  }
}
const WAY_SAID = {
  runs: (w: Way) => `It stands ${say(w.riseMm)} mm above the drip: water runs down to it.`,
  level: () => 'It stands level with the drip: water creeps along.',
  wicks: (w: Way) => `It stands ${say(-w.riseMm)} mm below the drip: water would have to wick up.`,
}

/** The factors of one candidate, in the order of the table. */
export function weightsOf(v: LeakInput, c: LeakCandidate, w: Way): Weight[] {
  const underWay = v.when === 'under-way'
  return [
    { code: 'kind', factor: KINDS[c.kind], text: `How often a ${c.kind.replaceAll('-', ' ')} leaks.` },
    age(v, c),
    {
      code: 'state',
      factor: STATES[c.state as keyof typeof STATES],
      text: `It is ${c.state.replaceAll('-', ' ')}.`,
    },
    { code: 'loose', factor: c.loose ? 3 : 1, text: 'It moves.' },
    { code: 'gap', factor: c.gap ? 2.5 : 1, text: 'A gap or a broken bead is seen.' },
    {
      code: 'verdict',
      factor: c.verdict === undefined ? 1 : VERDICTS[c.verdict],
      text: `Judged last, it was ${c.verdict ?? 'not judged'}.`,
    },
    {
      code: 'place',
      factor: PLACES[v.when][c.place],
      text: `It is ${c.place === 'below' ? 'below the waterline' : `on ${c.place === 'deck' ? 'deck' : 'the topsides'}`}, and it drips ${WHEN_SAID[v.when]}.`,
    },
    {
      code: 'load',
      factor: c.loaded ? (underWay ? LOADED.underWay : LOADED.else) : 1,
      text: 'It is loaded, which works its bedding.',
    },
    { code: 'way', factor: w.wayFactor, text: WAY_SAID[w.way](w) },
    { code: 'distance', factor: w.distanceFactor, text: `Water has ${say(w.pathMm)} mm to go.` },
  ]
}
const WHEN_SAID = {
  rain: 'in rain',
  hose: 'under the hose',
  'under-way': 'under way',
  always: 'always',
} as const
