import { SIZES } from '../../base/materials/fasteners'
import { sealant } from '../../base/materials/sealants'
import { threadName } from '../../chapters/hull/thread-fit'
import { say, sentence } from '../../base/verdict/check'
import { part, type Part, type Said } from '../part'
import { POT_TITLES } from './bed'
import type { ThroughHullDesign } from './design'
import { THROUGH_HULL_FAMILY } from './families'
import type { ThroughHullJudgement } from './judgement'
import { THREAD_WAY_TITLES } from './thread-ways'

type D = ThroughHullDesign
type J = ThroughHullJudgement
const mm = (v: number) => ({ mmRound: v })

function train(d: D, j: J): Part[] {
  const out = [
    part('skin-fitting', d.skin.title, {
      material: d.skin.material,
      dimensions: { tailMm: d.skin.tailMm, boreMm: d.skin.boreMm, flangeMm: d.skin.flangeMm },
      size: [mm(d.skin.tailMm), ' tail'],
      note: j.stack && j.stack.trimMm > 0 ? ['trimmed to ', mm(j.stack.cutLengthMm)] : [],
    }),
  ]
  if (d.valve)
    out.push(
      part('valve', d.valve.title, {
        material: d.valve.material,
        dimensions: { boreMm: d.valve.boreMm, flangeMm: d.valve.flangeMm },
        size: [threadName(d.valve.inlet.family, d.valve.inlet.size, true)],
        note: d.valve.kind === 'screwed' ? [] : ['flange ', mm(d.valve.flangeMm)],
      }),
    )
  if (d.tail)
    out.push(
      part('hose-tail', d.tail.title, {
        material: d.tail.material,
        dimensions: { barbMm: d.tail.barbMm, barbLengthMm: d.tail.barbLengthMm },
        size: [threadName(d.tail.thread.family, d.tail.thread.size)],
        note: ['barb ', mm(d.tail.barbMm), ' by ', mm(d.tail.barbLengthMm)],
      }),
    )
  return out
}

const hose = (d: D): Part[] =>
  d.hose === null
    ? []
    : [
        part('hose', d.hose.belowRated ? 'Hose, rated for below the waterline' : 'Hose', {
          dimensions: { boreMm: d.hose.boreMm },
          size: [mm(d.hose.boreMm)],
          quantity: null,
          unit: 'length',
        }),
        part('hose-clip', 'Hose clip, 316', {
          material: 'ss-316',
          dimensions: { boreMm: d.hose.boreMm, bandMm: d.hose.bandMm },
          size: ['for ', mm(d.hose.boreMm), ' hose'],
          quantity: d.hose.clips,
          spare: 1,
          note: ['band ', mm(d.hose.bandMm)],
        }),
      ]

function blocks(d: D, j: J): Part[] {
  const out: Part[] = []
  if (d.pad)
    out.push(
      part(
        'pad',
        `Pad, ${d.pad.material === 'g10' ? 'epoxy-glass sheet' : d.pad.material.replace('-', ' ')}`,
        {
          material: d.pad.material,
          dimensions: { diameterMm: d.pad.diameterMm, thicknessMm: d.pad.thicknessMm },
          size: [mm(d.pad.diameterMm), ' by ', mm(d.pad.thicknessMm)],
        },
      ),
    )
  for (const side of ['outside', 'inside'] as const) {
    const w = j.wedges[side]
    if (w)
      out.push(
        part('wedge', `Wedge block, ${side}`, {
          dimensions: { acrossMm: w.saw.outlineMm[0]!, thinMm: w.thinMm, thickMm: w.thickMm },
          size: [mm(w.saw.outlineMm[0]!), ' across, ', mm(w.thinMm), ' to ', mm(w.thickMm)],
          note: [
            `${say(w.saw.angleDeg)}\u00b0, stock `,
            mm(w.saw.stockMm),
            `, or ${w.saw.layers} plies of cloth`,
          ],
        }),
      )
  }
  return out
}

const bolts = (d: D, j: J): Part[] =>
  j.bolts.map((g) => {
    const insert: Said =
      d.hold.method === 'insert' && d.hold.insertMm ? [', in inserts of ', mm(d.hold.insertMm)] : []
    return part(
      'bolt',
      d.hold.method === 'through' ? 'Bolt through the hull, flush head, nut and washer' : 'Bolt into the pad',
      {
        material: d.hold.grade,
        dimensions: {
          diameterMm: SIZES[d.hold.size]!.diameterMm,
          ...(g.lengthMm === null ? {} : { lengthMm: g.lengthMm }),
        },
        size:
          g.lengthMm === null
            ? [`${d.hold.size}, `, mm(Math.ceil(g.requiredMm)), ', no stock length']
            : [`${d.hold.size} \u00d7 `, mm(g.lengthMm)],
        quantity: g.bolts.length,
        spare: 1,
        note: [d.hold.grade, ...insert],
      },
    )
  })

/** What is epoxy is bought as resin and hardener, and counted in its pots. */
function bedding(d: D, j: J): Part[] {
  const out: Part[] = []
  for (const s of j.sealants)
    if (s.chosen && s.chosen !== 'epoxy-filled' && s.quantity) {
      const large = s.quantity.volumeMl > 100
      out.push(
        part('sealant', `${sealant(s.chosen).title}: ${s.title.toLowerCase()}`, {
          material: s.chosen,
          dimensions: { volumeMl: s.quantity.volumeMl },
          size: [{ ml: s.quantity.volumeMl }],
          quantity: large ? s.quantity.tubes300 : s.quantity.tubes100,
          unit: large ? 'tube-300' : 'tube-100',
          note: ['bead ', mm(s.beadMm)],
        }),
      )
    }
  for (const k of ['bond', 'set'] as const) {
    const pot = j.pots[k]
    if (pot)
      out.push(
        part('epoxy', POT_TITLES[k], {
          material: 'epoxy',
          dimensions: { volumeMl: pot.ml },
          size: [{ ml: pot.ml }],
          quantity: pot.batches,
          unit: 'pot',
          note: [
            pot.hardener
              ? `mixed; ${pot.hardener} hardener, gels in ${Math.round(pot.gelMin!)} min; ${pot.fillerG.toFixed(0)} g of filler`
              : 'too cold for any hardener',
          ],
        }),
      )
  }
  if (d.hull.kind === 'cored')
    out.push(
      part('solid-ring', 'Epoxy, cloth and insert for the solid ring in the core', {
        dimensions: { acrossMm: 1.5 * d.skin.flangeMm },
        size: [mm(1.5 * d.skin.flangeMm), ' across'],
        note: ['by what the core is and how thick: quick sum \u201cKeeping water out of the core\u201d'],
      }),
    )
  return out
}

function beside(d: D, j: J): Part[] {
  const out: Part[] = []
  if (j.threads.length && d.bedding.thread !== 'none') {
    const tapeMm = j.threads.reduce((t, q) => t + q.tapeMm, 0)
    const plastic = j.threads.some((t) => t.plastic) && d.bedding.thread === 'paste'
    out.push(
      part('thread-seal', sentence(THREAD_WAY_TITLES[d.bedding.thread]), {
        material: d.bedding.thread,
        dimensions: d.bedding.thread === 'ptfe' ? { lengthMm: tapeMm } : {},
        size: d.bedding.thread === 'ptfe' ? [mm(tapeMm)] : [],
        note: [
          `${j.threads.length} joint${j.threads.length > 1 ? 's' : ''}${plastic ? ', made for plastic' : ''}`,
        ],
      }),
    )
  }
  if (THROUGH_HULL_FAMILY[d.family].hose)
    out.push(
      part('soft-plug', 'Tapered soft plug, tied beside it', {
        dimensions: { leastMm: 0.6 * d.skin.boreMm, mostMm: 1.2 * d.skin.boreMm },
        size: [mm(0.6 * d.skin.boreMm), ' to ', mm(1.2 * d.skin.boreMm)],
      }),
    )
  if (d.family === 'anode-stud' || j.checks.some((c) => c.id === 'bond-path'))
    out.push(
      part('bonding-wire', 'Bonding wire, tinned, and its two lugs', {
        dimensions: { areaMm2: 4 },
        size: ['4 mm\u00b2'],
        quantity: null,
        unit: 'length',
        note: ['8.4 mm\u00b2 where a rule asks'],
      }),
    )
  if (d.metals.anode && j.anode)
    out.push(
      part('anode', `Anode, ${d.metals.anode.alloy}`, {
        material: d.metals.anode.alloy,
        dimensions: { massG: 1000 * d.metals.anode.pieceKg },
        size: [`${say(d.metals.anode.pieceKg)} kg`],
        quantity: j.anode.pieces ?? 1,
        note: [`${say(j.anode.massKg)} kg needed`],
      }),
    )
  return out
}

/** Everything to buy or make for a fitting through the hull, counted (11.2). */
export const throughHullParts = (d: D, j: J): Part[] => [
  ...train(d, j),
  ...hose(d),
  ...blocks(d, j),
  ...bolts(d, j),
  ...bedding(d, j),
  ...beside(d, j),
  part('hands', 'Nitrile gloves, cloths, masking tape, check stick', {
    unit: 'none',
    note: ['gloves changed between resin and sealant'],
  }),
]
