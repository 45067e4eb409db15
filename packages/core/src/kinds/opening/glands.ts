import { answerOf } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { fullThickness } from '../../base/materials/structure'
import { inWords, rank, say, type Check } from '../../base/verdict/check'
import { cableGland } from '../../chapters/making/gland'
import type { Try } from '../kind'
import { behindSaid } from './bulkhead'
import type { OpeningDesign } from './design'
import type { Behind, Glanded } from './judgement'

type Asked = NonNullable<OpeningDesign['gland']>
/** What the hole is bored over in: a bulkhead of plywood drinks at its edge like a core. */
const coreOfBulkhead = ({ structure: s }: OpeningDesign) => {
  if (s.kind === 'sandwich') return s.core.material
  return s.kind === 'timber' ? ('plywood' as const) : ('none' as const)
}
/** The calculator's field, as the design has it. */
const pathOf = (path: string) => `gland.${path.replace('cablesMm', 'cables')}`

/** @throws CalcError at the gland of the design that takes no such cables */
export function glandedOf(d: OpeningDesign): Glanded | null {
  const { gland } = d
  if (!gland) return null
  const core = coreOfBulkhead(d)
  try {
    return answerOf(cableGland, {
      bulkheadMm: fullThickness(d.structure),
      core,
      ...(gland.floodZMm === null ? {} : { floodZMm: gland.floodZMm }),
      wrenchMm: gland.wrenchMm,
      glands: gland.glands.map((g) => ({
        ...(g.size === null ? {} : { size: g.size }),
        cablesMm: g.cables.map((c) => c.odMm),
        yMm: g.yMm,
        zMm: d.place.zMm + g.zMm,
        ...(g.edgeMm === null ? {} : { edgeMm: g.edgeMm }),
        ...(g.threadMm === null ? {} : { threadMm: g.threadMm }),
        ...(g.boreMm === null || core === 'none' ? {} : { boreMm: g.boreMm }),
      })),
    })
  } catch (error) {
    if (error instanceof CalcError) throw new CalcError(error.code, pathOf(error.path), error.message)
    throw error
  }
}
/** Of each check the gland that does worst speaks for all of them. */
function worstOf(all: Glanded, id: string): { c: Check; i: number } | null {
  let worst: { c: Check; i: number } | null = null
  all.glands.forEach((g, i) => {
    const c = g.checks.find((x) => x.id === id)
    if (c && (!worst || rank(c.verdict) < rank(worst.c.verdict))) worst = { c, i }
  })
  return worst
}
function cablesCheck({ glands }: Asked, all: Glanded): Check {
  const said = all.glands.map((g, i) => {
    const names = glands[i]!.cables.map((c, k) => {
      const v = g.cables[k]!.verdict
      return `${c.name} ${say(c.odMm)}${v === 'holds' ? '' : v === 'tight' ? ' at the end of it' : ' outside it'}`
    })
    return `gland ${i + 1}, ${g.size} for ${say(g.leastMm)} to ${say(g.mostMm)} mm: ${names.join(', ')}`
  })
  const verdicts = all.glands.flatMap((g) => g.cables.map((c) => c.verdict))
  const verdict = verdicts.includes('short') ? 'short' : verdicts.includes('tight') ? 'tight' : 'holds'
  return inWords({
    id: 'gland-cables',
    title: 'Cables held by their inserts',
    unit: 'mm',
    source: 'chapter 15.4',
    verdict,
    because: `${said.join('; ')}.`.replace(/^g/, 'G'),
  })
}
/** Whatever is tight round a pipe, water goes through one that is open at both its ends. */
function pipesCheck({ glands }: Asked): Check | null {
  const pipes = glands.flatMap((g) => g.cables).filter((c) => c.line !== 'cable')
  if (!pipes.length) return null
  const named = (line: string) =>
    pipes
      .filter((c) => c.line === line)
      .map((c) => c.name)
      .join(', ')
  const [open, valved, closed] = [named('pipe-open'), named('pipe-valved'), named('pipe-closed')]
  const said = [
    ...(open
      ? [
          `${open} is open at both ends: a valve on the bulkhead that is shut from above, or it ends over the flood level`,
        ]
      : []),
    ...(valved
      ? [
          `${valved}: its valve stands on the bulkhead, is shut from above, and is on the list of what is shut`,
        ]
      : []),
    ...(closed ? [`${closed}: a closed run, tight to its pressure on both sides`] : []),
  ]
  return inWords({
    id: 'gland-pipes',
    title: 'Water through the pipes themselves',
    unit: '',
    source: 'chapter 6.5',
    verdict: open ? 'short' : 'holds',
    because: `${said.join('; ')}.`.replace(/^./, (c) => c.toUpperCase()),
  })
}
function spareCheck(all: Glanded): Check {
  const n = all.spareWays
  return inWords({
    id: 'keeps-out',
    title: 'Watertight',
    unit: '',
    source: 'chapter 15.4',
    verdict: 'holds',
    because: n
      ? `${n} spare way${n > 1 ? 's' : ''}: each gets its blank, or it is a hole in the bulkhead.`
      : 'Every way has its cable, and every cable its own insert.',
  })
}
const AND: Record<string, (c: Check, b: Behind | null) => string> = {
  height: (c, b) =>
    `${say(c.capacity!)} mm over where it floods to; ${say(c.demand!)} mm is the least.${behindSaid(b)}`,
  wall: (c) => `${say(c.capacity!)} mm of epoxy round the hole; ${say(c.demand!)} mm is the least.`,
  edge: (c) => `${say(c.capacity!)} mm to tabbing or beam; nut and wrench want ${say(c.demand!)} mm.`,
  thread: (c) => `A thread of ${say(c.capacity!)} mm; bulkhead and nut want ${say(c.demand!)} mm.`,
}
export function glandChecks(d: OpeningDesign, all: Glanded | null, b: Behind | null): Check[] {
  if (!all || !d.gland) return []
  const many = all.glands.length > 1
  const each = ['wall', 'height', 'edge', 'thread'].flatMap((id) => {
    const w = worstOf(all, id)
    if (!w) return []
    const said =
      w.c.verdict === 'unproven' || w.c.capacity === null
        ? `${w.c.because}${id === 'height' ? behindSaid(b) : ''}`
        : AND[id]!(w.c, b)
    return [{ ...w.c, id: `gland-${id}`, because: many ? `Gland ${w.i + 1}: ${said}` : said }]
  })
  const spacing = all.checks.map((c) => ({
    ...c,
    id: 'gland-spacing',
    because: `The closest two stand ${say(c.capacity!)} mm apart; ${say(c.demand!)} mm is the least.`,
  }))
  const pipes = pipesCheck(d.gland)
  return [cablesCheck(d.gland, all), ...each, ...spacing, ...(pipes ? [pipes] : []), spareCheck(all)]
}

/** Higher, and further from what stands beside it. */
export function glandTries(d: OpeningDesign, all: Glanded | null): Try[] {
  const { gland } = d
  if (!all || !gland) return []
  const height = worstOf(all, 'height')?.c
  if (!height || height.verdict !== 'short' || height.capacity === null) return []
  const up = Math.ceil((height.demand! - height.capacity) / 5) * 5
  return [
    {
      id: `gland-up-${up}`,
      text: `${up} mm higher`,
      change: { 'place.zMm': d.place.zMm + up },
      helps: ['gland-height'],
    },
  ]
}
