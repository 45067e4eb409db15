import { epoxyBatchOf } from '../../chapters/bedding/epoxy-batch'
import { GRADES, SIZES } from '../../base/materials/fasteners'
import { PLATES } from '../../base/materials/plates'
import { sealant } from '../../base/materials/sealants'
import { part, partSaid, sparesFor, type Part, type Said } from '../part'
import type { Design } from './design'
import type { Judgement } from './judgement'

/** What one pot of filled epoxy is mixed from: 2 : 1 by volume, 15 % left in the cup (4.5). */
const BATCH = { wasteFraction: 0.15, ratio: 2, workingMinutes: 15, resinGPerMl: 1.15, hardenerGPerMl: 0.98 }

type Grip = Judgement['grips'][number]
const stockSaid = (grip: Grip['grip']) =>
  grip === null ? 'no stock length' : grip.lengthInch === null ? `${grip.lengthMm}` : `${grip.lengthInch} in`

function bolts(d: Design, j: Judgement): Part[] {
  const lengths = [...new Set(j.grips.map((g) => stockSaid(g.grip)))]
  const several = lengths.length > 1
  return (several ? lengths : [stockSaid(j.grip)]).map((length) => {
    const groups = several ? j.grips.filter((g) => stockSaid(g.grip) === length) : j.grips
    const mine = several ? groups.flatMap((g) => g.bolts) : d.bolts.map((_, i) => i)
    const grip = (several ? groups[0]!.grip : j.grip) ?? null
    return part('bolt', `Bolt, ${d.bolt.head}, ${GRADES[d.bolt.grade].title}`, {
      material: d.bolt.grade,
      dimensions: {
        diameterMm: SIZES[d.bolt.size]!.diameterMm,
        ...(grip ? { lengthMm: grip.lengthMm } : {}),
      },
      size: [`${d.bolt.size} \u00d7 ${length}`],
      quantity: mine.length,
      spare: sparesFor(mine.length),
      note: [
        `${j.grip?.threading === 'part' ? 'part-threaded' : 'fully threaded'}${several ? `; for bolt ${mine.map((b) => b + 1).join(', ')}` : ''}`,
      ],
    })
  })
}

function nutsAndWashers(d: Design, j: Judgement): Part[] {
  const n = d.bolts.length
  const size = SIZES[d.bolt.size]!
  const washer = (kind: string, where: string) => {
    const { diameterMm } = kind === 'large' ? size.largeWasher : size.plainWasher
    return part('washer', `Washer, ${kind}, under the ${where}`, {
      material: d.bolt.grade,
      dimensions: { diameterMm },
      size: [{ mm: diameterMm }],
      quantity: n,
      spare: sparesFor(n),
    })
  }
  const each = d.bolt.nut === 'double-hex' ? 2 : 1
  const out = [
    part('nut', `Nut, ${d.bolt.nut.replace('-', ' ')}`, {
      material: d.bolt.grade,
      dimensions: { diameterMm: size.diameterMm },
      size: [d.bolt.size],
      quantity: each * n,
      spare: each * sparesFor(n),
      note: j.preload.galling ? ['paste on the thread: this metal galls'] : [],
    }),
    washer(d.bolt.nutWasher, 'nut'),
  ]
  if (d.bolt.headWasher !== 'none' && d.bolt.head !== 'countersunk')
    out.push(washer(d.bolt.headWasher, 'head'))
  return out
}

function plates(d: Design, j: Judgement): Part[] {
  const out: Part[] = []
  if (d.plate && j.plate) {
    const { lengthMm, widthMm, thicknessMm, sheets } = d.plate
    const note: Said = [
      d.plate.outline ? 'clipped as drawn, ' : '',
      'corners rounded ',
      { mm: j.plate.cornerRadiusMm },
      ...(j.plate.bevelMm ? [', edge bevelled ', { mm: j.plate.bevelMm }] : []),
      ', ',
      { kg: j.plate.massKg },
    ]
    out.push(
      part('backing-plate', `Backing plate, ${PLATES[d.plate.material].title}`, {
        material: d.plate.material,
        dimensions: { lengthMm, widthMm, thicknessMm: thicknessMm / sheets },
        size: [{ mm: lengthMm }, ' \u00d7 ', { mm: widthMm }, ' \u00d7 ', { mm: thicknessMm / sheets }],
        unit: sheets === 2 ? 'pair-of-sheets' : 'piece',
        note,
      }),
    )
  }
  if (d.doubler && d.structure.kind === 'metal') {
    const { lengthMm, widthMm, thicknessMm, weldMm } = d.doubler
    out.push(
      part('doubler', 'Doubler, of the deck\u2019s own metal', {
        material: d.structure.metal,
        dimensions: { lengthMm, widthMm, thicknessMm },
        size: [{ mm: lengthMm }, ' \u00d7 ', { mm: widthMm }, ' \u00d7 ', { mm: thicknessMm }],
        note: ['corners rounded, welded all round ', { mm: weldMm }],
      }),
    )
  }
  return out
}

function isolation(d: Design, j: Judgement): Part[] {
  const n = d.bolts.length
  const diameterMm = SIZES[d.bolt.size]!.diameterMm
  const gripMm = j.grip?.gripMm ?? 0
  const out: Part[] = []
  if (d.isolation.sleeve)
    out.push(
      part('sleeve', 'Isolating sleeve', {
        dimensions: { diameterMm, lengthMm: gripMm },
        size: [`for ${d.bolt.size}, `, { mm: gripMm }, ' long'],
        quantity: n,
        spare: sparesFor(n),
        note: ['in the hole, so that thread and deck never touch'],
      }),
    )
  if (d.isolation.washer)
    out.push(
      part('isolating-washer', 'Isolating washer', {
        dimensions: { diameterMm },
        size: [`for ${d.bolt.size}`],
        quantity: 2 * n,
        spare: 2 * sparesFor(n),
        note: ['under head and nut'],
      }),
    )
  return out
}

const pads = (d: Design): Part[] =>
  [...new Set(d.padsMm.filter((p) => p > 0))].map((thicknessMm) => {
    const mine = d.padsMm.flatMap((x, i) => (x === thicknessMm ? [i + 1] : []))
    return part('pad', 'Pad under the base', {
      dimensions: { thicknessMm },
      size: [{ mm: thicknessMm }, ' high'],
      quantity: mine.length,
      note: [`for bolt ${mine.join(', ')}`],
    })
  })

function epoxy(d: Design, j: Judgement): Part[] {
  const neededMl = (j.core?.fillTotalMl ?? 0) + (j.plate?.bedMl ?? 0)
  if (neededMl <= 0) return []
  const tempC = Math.max(-20, Math.min(60, d.bedding.tempC))
  const batch = epoxyBatchOf({ ...BATCH, neededMl, tempC, use: 'peanut-butter', onePot: false })
  return [
    part('epoxy', 'Epoxy, mixed', {
      material: 'epoxy',
      dimensions: { volumeMl: batch.mixedMl },
      size: [{ ml: batch.mixedMl }],
      quantity: batch.batches,
      unit: 'pot',
      note: [
        batch.hardener
          ? `${batch.hardener} hardener at ${d.bedding.tempC} \u00b0C, ${Math.round(batch.potLifeMin!)} min in the pot`
          : 'too cold for any hardener',
      ],
    }),
    part('filler', 'Filler, fumed silica and fibre', {
      dimensions: { massG: batch.fillerG },
      size: [{ g: batch.fillerG }],
      unit: 'none',
      note: ['to the stiffness of peanut butter; never a low-density filler in a plug'],
    }),
  ]
}

function bedding(d: Design, j: Judgement): Part[] {
  const q = j.quantity
  if (!d.bedding.sealant || !q) return []
  if (q.tapeM > 0)
    return [
      part('butyl-tape', 'Butyl tape, 20 mm', {
        material: 'butyl',
        dimensions: { lengthM: q.tapeM, volumeMl: q.volumeMl },
        size: [{ m: q.tapeM }],
        unit: 'none',
        note: [{ ml: q.volumeMl }],
      }),
    ]
  const large = q.volumeMl > 100
  return [
    part('sealant', `Sealant, ${sealant(d.bedding.sealant).title}`, {
      material: d.bedding.sealant,
      dimensions: { volumeMl: q.volumeMl },
      size: [{ ml: q.volumeMl }],
      quantity: large ? q.tubes300 : q.tubes100,
      unit: large ? 'tube-300' : 'tube-100',
      note: ['an opened tube lasts a day or two'],
    }),
  ]
}

/** What has to be bought or made; fasteners with a tenth to spare, at least one (11.2). */
export const partsOf = (d: Design, j: Judgement): Part[] => [
  ...bolts(d, j),
  ...nutsAndWashers(d, j),
  ...plates(d, j),
  ...isolation(d, j),
  ...pads(d),
  ...epoxy(d, j),
  ...bedding(d, j),
  part('hands', 'Nitrile gloves, cloths, masking tape', {
    unit: 'none',
    note: ['gloves changed between resin and sealant'],
  }),
]

const STACK = ['bolt', 'nut', 'washer', 'sleeve', 'isolating-washer', 'backing-plate']
/** What was bought, as one line a part: compared when the stack has moved since. */
export const boltsWanted = (d: Design, j: Judgement): string =>
  partsOf(d, j)
    .filter((p) => STACK.includes(p.key))
    .map((p) => {
      const said = partSaid(p, 'metric')
      return `${said.count.split(' ')[0]} ${said.what} ${said.size}`
    })
    .join('; ')
