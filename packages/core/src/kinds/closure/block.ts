import { answerOf } from '../../base/calculator/calculator'
import { CLOTHS } from '../../base/materials/cloths'
import { formatLength, formatVolume, type Units } from '../../base/quantity/format'
import { say, unproven, type Check } from '../../base/verdict/check'
import { layupBlock } from '../../chapters/making/layup-block'
import { part, type Part } from '../part'
import { stepList, type Step } from '../step'
import type { Block, BlockWay, ClosureDesign } from './design'
import { bare } from './joint'
import type { ClosureJudgement, MadeWay } from './judgement'

const OWN: Record<string, string> = { warmth: 'cures-here' }
const TITLES: Record<BlockWay, string> = {
  laid: 'Laid up from cloth',
  cast: 'Cast in a mould',
  sheets: 'Glued from sheet',
}
const tapered = (b: Block) => b.thinMm !== null && b.thinMm < b.thickMm
type Made = NonNullable<ClosureJudgement['block']>['made']
function waysOf(b: Block, made: Made): MadeWay[] {
  const { laid, cast, sheets } = made
  const n = (k: number, one: string) => `${k} ${one}${k === 1 ? '' : 's'}`
  return [
    {
      way: 'laid',
      title: TITLES.laid,
      workHours: laid.workHours,
      elapsedHours: laid.elapsedHours,
      because: `${laid.plies} plies in ${n(laid.lifts, 'lift')}; strongest, and ${say(Math.round(laid.wastedMl))} ml of it is planed or sawn away.`,
    },
    {
      way: 'cast',
      title: TITLES.cast,
      workHours: cast.workHours,
      elapsedHours: cast.elapsedHours,
      because: `${say(Math.round(cast.volumeMl))} ml in ${n(cast.pots, 'pot')} and ${n(cast.lifts, 'lift')}; a mould, release, and no fibre: for pressure, not for bending.`,
    },
    sheets
      ? {
          way: 'sheets',
          title: TITLES.sheets,
          workHours: sheets.workHours,
          elapsedHours: sheets.workHours,
          because: `${sheets.sheetsMm.map(say).join(' + ')} mm, ${say(sheets.overMm)} mm over${tapered(b) ? '; its taper is sawn and planed after' : ''}.`,
        }
      : {
          way: 'sheets',
          title: TITLES.sheets,
          workHours: null,
          elapsedHours: null,
          because: 'Six sheets of what is on the shelf do not make it.',
        },
  ]
}
export function judgeBlock(d: ClosureDesign, b: Block, found: Check[]): ClosureJudgement {
  const { way, thinMm, ...given } = b
  const made = answerOf(layupBlock, {
    ...given,
    ...(thinMm === null ? {} : { thinMm }),
    cloth: d.cloth,
    tempC: Math.max(-20, d.tempC),
  })
  const ways = waysOf(b, made)
  const own = ways.find((w) => w.way === way)!
  const checks: Check[] = [
    ...made.checks.map((c) => ({ ...c, id: OWN[c.id] ?? c.id })),
    ...(own.workHours === null
      ? [
          unproven({
            id: 'sheets',
            title: 'Sheets on the shelf',
            unit: '',
            source: 'chapter 15.6',
            because: own.because,
          }),
        ]
      : []),
    ...found,
  ]
  return bare(checks, {
    clothG: way === 'laid' ? made.laid.clothG : 0,
    resinG: way === 'laid' ? made.laid.resinG : 0,
    plugMl: way === 'cast' ? made.cast.volumeMl : 0,
    workHours: own.workHours ?? 0,
    block: { made, ways },
  })
}
const RELEASE = ['release film or wax', 'flat board', 'weights']
function shaped(
  b: Block,
  sawDeg: number,
  add: ReturnType<typeof stepList>['add'],
  mm: (v: number) => string,
) {
  if (tapered(b))
    add(
      'block-taper',
      `Saw the taper at ${say(Math.round(sawDeg * 10) / 10)}\u00b0 and plane it: ${mm(b.thickMm)} to ${mm(b.thinMm!)} over ${mm(b.lengthMm)}.`,
      {
        gate: true,
        minutes: 60,
        tools: ['band saw or plane', 'bevel', 'mask'],
        caution: 'Hold the thick end; never saw towards a hand.',
      },
    )
  add(
    'block-trim',
    `Trim to ${mm(b.lengthMm)} by ${mm(b.widthMm)}, round the corners, and break every edge. Seal cut edges with epoxy.`,
    {
      gate: true,
      minutes: 20,
      asks: ['looks'],
      looks: [
        'its thickness was measured at all four corners',
        'no dry cloth and no bubble shows at an edge',
      ],
      tools: ['saw', 'file', 'callipers', 'mask'],
    },
  )
}
type Add = ReturnType<typeof stepList>['add']
/** Board, mould or sheets, released before anything is wetted. */
function mould(b: Block, made: Made, add: Add, mm: (v: number) => string): void {
  const blank = `${mm(b.lengthMm + 2 * b.trimMm)} by ${mm(b.widthMm + 2 * b.trimMm)}`
  if (b.way === 'cast')
    return add(
      'block-mould',
      `Make a mould of ${blank}, ${mm(b.thickMm)} deep, level, sealed in the corners with wax; release all of it twice.`,
      {
        gate: true,
        minutes: 45,
        asks: ['looks'],
        looks: ['it holds water', 'every face is waxed and polished off'],
        tools: ['melamine board', 'screws', 'wax', 'level'],
      },
    )
  if (b.way === 'laid')
    return add(
      'block-mould',
      `A flat board of more than ${blank}, waxed or under release film; cut ${made.laid.plies} plies and number them.`,
      { gate: true, minutes: 30, tools: [...RELEASE, 'shears'] },
    )
  add(
    'block-mould',
    `Cut the sheets to ${blank}, grind both faces of each dull, and dust them off; board and weights under film.`,
    {
      gate: true,
      minutes: 30,
      asks: ['looks'],
      looks: ['no gloss is left on any face that is glued'],
      tools: [...RELEASE, 'saw', 'grinder', 'extraction'],
      caution: 'Dust of glass: P3 mask.',
    },
  )
}
const plural = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`
function makeSaid(b: Block, made: Made, mm: (v: number) => string, units: Units): string {
  const wait = `${say(Math.round(made.waitMin))} minutes between two`
  if (b.way === 'laid')
    return `Lay ${made.laid.perLift} plies a lift, ${plural(made.laid.lifts, 'lift')}, ${wait}; ${Math.round(made.laid.resinG)} g of resin. Press out, then film, board and weight.`
  if (b.way === 'cast')
    return `Pour ${formatVolume(made.cast.volumeMl, units)} in ${plural(made.cast.lifts, 'lift')}, ${plural(made.cast.pots, 'pot')}; ${wait}.`
  const sheets = made.sheets ? made.sheets.sheetsMm.map((t) => mm(t)).join(' on ') : 'the sheets'
  return `Glue ${sheets}, ${formatVolume(made.sheets?.glueMl ?? 0, units)} of thickened epoxy between them; weigh it down until an even line comes out all round.`
}
/** Of the work, what goes into mixing, laying and waiting by it; the rest is before and after. */
const AT_THE_POT = 0.6
/** Mould and release first, then lift by lift, off the mould, to its shape. */
export function blockSteps(d: ClosureDesign, j: ClosureJudgement, units: Units): Step[] {
  const { add, done } = stepList()
  const b = d.block!
  const { made } = j.block!
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  mould(b, made, add, mm)
  add('block-make', makeSaid(b, made, mm, units), {
    gate: true,
    asks: ['looks', 'lot', 'air'],
    lot: 'epoxy',
    looks: ['mould and film are released', 'what is needed lies cut and in order'],
    minutes: Math.round(j.workHours * 60 * AT_THE_POT),
    tools: ['cups', 'roller', 'gloves', 'weights'],
    caution: 'Gloves, air; a thick lift gets hot: it goes outside, and the next waits.',
  })
  add(
    'block-off',
    'Off the board when it is hard to the nail; wash the blush off with water before anything is glued to it.',
    { gate: true, after: { step: 'block-make', hours: 24, what: 'the block' }, minutes: 10 },
  )
  shaped(b, made.sawDeg, add, mm)
  add('record', 'On record: what it is made of, thickness at the corners, lot, and where it goes.', {
    gate: true,
  })
  return done()
}
export function blockParts(d: ClosureDesign, j: ClosureJudgement): Part[] {
  const b = d.block!
  const { made } = j.block!
  const [long, wide] = [b.lengthMm + 2 * b.trimMm, b.widthMm + 2 * b.trimMm]
  const release = part('release', 'Release film or wax', { unit: 'none' })
  if (b.way === 'laid')
    return [
      part('cloth', CLOTHS[d.cloth].title, {
        material: d.cloth,
        dimensions: { massG: Math.round(made.laid.clothG) },
        size: [{ g: made.laid.clothG }],
        unit: 'none',
        note: [`${made.laid.plies} plies`],
      }),
      part('resin', 'Epoxy for the cloth', {
        material: 'epoxy',
        dimensions: { volumeMl: Math.round(made.laid.resinG / 1.1) },
        size: [{ ml: made.laid.resinG / 1.1 }],
        unit: 'none',
      }),
      release,
    ]
  if (b.way === 'cast')
    return [
      part('filler', 'Filled epoxy to cast', {
        material: 'epoxy',
        dimensions: { volumeMl: Math.round(made.cast.volumeMl) },
        size: [{ ml: made.cast.volumeMl }],
        quantity: made.cast.pots,
        unit: 'pot',
      }),
      part('mould', 'Mould of melamine board', { unit: 'none' }),
      release,
    ]
  return [
    ...(made.sheets?.sheetsMm ?? []).map((t) =>
      part('sheet', 'Epoxy-glass sheet', {
        material: 'epoxy-glass',
        dimensions: { lengthMm: long, widthMm: wide, thicknessMm: t },
        size: [{ mmRound: long }, ' by ', { mmRound: wide }, ' by ', { mm: t }],
      }),
    ),
    part('filler', 'Thickened epoxy between the sheets', {
      material: 'epoxy',
      dimensions: { volumeMl: Math.round(made.sheets?.glueMl ?? 0) },
      size: [{ ml: made.sheets?.glueMl ?? 0 }],
      unit: 'none',
    }),
    release,
  ]
}
export const blockCard = (d: ClosureDesign, j: ClosureJudgement, units: Units) => {
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const b = d.block!
  return [
    {
      title: 'Block',
      lines: [
        `${mm(b.lengthMm)} by ${mm(b.widthMm)}, ${mm(b.thickMm)}${tapered(b) ? ` to ${mm(b.thinMm!)}` : ''} thick`,
        j.block!.ways.find((w) => w.way === b.way)!.title.toLowerCase(),
      ],
    },
    {
      title: 'Side by side',
      lines: j.block!.ways.map(
        (w) =>
          `${w.title}: ${w.workHours === null ? 'cannot be' : `${say(Math.round(w.workHours * 10) / 10)} h of work`}`,
      ),
    },
  ]
}
