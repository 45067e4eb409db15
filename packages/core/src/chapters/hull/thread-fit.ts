import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { positive, verdictSchema } from '../../base/schema/schema'
import { verdictOf, worstVerdict, type Verdict } from '../../base/verdict/check'

export const THREAD_SIZES = ['1/2', '3/4', '1', '1 1/4', '1 1/2', '2'] as const
type Size = (typeof THREAD_SIZES)[number]
export type ThreadFamily = 'bspp' | 'bspt' | 'rp' | 'npt' | 'npsm'
/** Threads per inch and diameter in mm (chapter 5.1): BSP by major, NP by pipe diameter. */
export const BSP: Record<Size, [number, number]> = {
  '1/2': [14, 20.955],
  '3/4': [14, 26.441],
  '1': [11, 33.249],
  '1 1/4': [11, 41.91],
  '1 1/2': [11, 47.803],
  '2': [11, 59.614],
}
export const NP: Record<Size, [number, number]> = {
  '1/2': [14, 21.336],
  '3/4': [14, 26.67],
  '1': [11.5, 33.401],
  '1 1/4': [11.5, 42.164],
  '1 1/2': [11.5, 48.26],
  '2': [11.5, 60.325],
}
const american = (f: ThreadFamily) => f === 'npt' || f === 'npsm'
const taper = (f: ThreadFamily) => f === 'bspt' || f === 'npt'
const row = (f: ThreadFamily, s: Size) => (american(f) ? NP : BSP)[s]
const NEEDED_TURNS = 5
/** As it stands on the part: `G 1 1/4`, `Rc 3/4`, `NPT 1`. */
export const threadName = (family: ThreadFamily, size: string, inside = false): string =>
  `${{ bspp: 'G', bspt: inside ? 'Rc' : 'R', rp: 'Rp', npt: 'NPT', npsm: 'NPSM' }[family]} ${size}`

const size = z.enum(THREAD_SIZES)
const input = z.strictObject({
  external: z.strictObject({ family: z.enum(['bspp', 'bspt', 'npt', 'npsm']), size }),
  internal: z.strictObject({
    family: z.enum(['bspp', 'bspt', 'rp', 'npt', 'npsm']),
    size,
    depthMm: positive(),
  }),
  engagedMm: positive().optional(),
})
const output = z.object({
  verdict: verdictSchema,
  codes: z.array(z.string()),
  turns: z.number(),
  neededTurns: z.number(),
  utilisation: z.number(),
  pitchMm: z.number(),
  externalMm: z.number(),
  internalMm: z.number(),
  seal: z.enum(['face', 'thread']).nullable(),
  because: z.string(),
})

const WORDS: Record<string, string> = {
  system: 'the two are of different systems: angle and diameter differ, whatever the threads per inch',
  size: 'the sizes differ',
  'binds-in-taper':
    'a parallel thread in a taper binds after two or three turns, carries side load on a thread root and cracks there',
  'taper-in-parallel': 'a taper in this parallel thread may bottom or weep',
  bottoms: 'the tail stops on the seat before it is engaged',
  'few-turns': 'too few turns are engaged',
}

export const threadFit = defineCalculator({
  name: 'thread-fit',
  title: 'Do these pipe threads fit',
  chapter: '5.1',
  words: ['thread', 'BSP', 'NPT', 'valve', 'skin fitting', 'turns', 'wrong valve'],
  input,
  output,
  run: ({ external: e, internal: i, engagedMm }) => {
    const engaged = engagedMm ?? i.depthMm
    const [tpi, externalMm] = row(e.family, e.size)
    const internalMm = row(i.family, i.size)[1]
    const pitchMm = 25.4 / tpi
    const codes: string[] = []
    if (american(e.family) !== american(i.family)) codes.push('system')
    if (e.size !== i.size) codes.push('size')
    if (!codes.length && !taper(e.family) && taper(i.family)) codes.push('binds-in-taper')
    if (!codes.length && taper(e.family) && (i.family === 'bspp' || i.family === 'npsm'))
      codes.push('taper-in-parallel')
    const apart = codes.some((c) => c === 'system' || c === 'size' || c === 'binds-in-taper')
    if (engaged > i.depthMm) codes.push('bottoms')
    const turns = Math.min(engaged, i.depthMm) / pitchMm
    if (turns < NEEDED_TURNS) codes.push('few-turns')
    const utilisation = NEEDED_TURNS / turns
    const verdict = worstVerdict([
      verdictOf(utilisation),
      ...codes.map((c): Verdict => (c === 'taper-in-parallel' ? 'tight' : 'short')),
    ])
    const said = codes.map((c) => (c === 'size' ? `${e.size} is screwed into ${i.size}` : WORDS[c]!))
    return {
      verdict,
      codes: codes.sort(),
      turns,
      neededTurns: NEEDED_TURNS,
      utilisation,
      pitchMm,
      externalMm,
      internalMm,
      seal: apart ? null : taper(e.family) ? ('thread' as const) : ('face' as const),
      because: said.length
        ? `${threadName(e.family, e.size)} in ${threadName(i.family, i.size, true)}: ${said.join('; ')}.`
        : `${turns.toFixed(1)} turns are engaged; ${NEEDED_TURNS} are needed. It seals on the ${taper(e.family) ? 'thread, with tape or paste' : 'face'}.`,
    }
  },
})
