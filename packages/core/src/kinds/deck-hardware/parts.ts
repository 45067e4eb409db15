import { HOSTS } from '../../chapters/fastener/thread-hosts'
import { CLOTHS } from '../../base/materials/cloths'
import { GRADES, SIZES } from '../../base/materials/fasteners'
import { PLATES } from '../../base/materials/plates'
import { sealant } from '../../base/materials/sealants'
import { part, partSaid, sparesFor, type Part, type Said } from '../part'
import type { Design } from './design'
import { insertMm, isBlind } from './hold'
import { builtIsolation, isolationParts } from './isolation'
import { stockSaid } from './grip'
import { insertOf } from './joint'
import type { Judgement } from './judgement'
import { areaOf } from '../../base/geometry/outline'
import { planOfBase } from './plans'
import { POT_USES } from './pots'

type Grip = Judgement['grips'][number]
const lengthSaid = (grip: Grip['grip']) => (grip === null ? 'no stock length' : stockSaid(grip))

function bolts(d: Design, j: Judgement): Part[] {
  const lengths = [...new Set(j.grips.map((g) => lengthSaid(g.grip)))]
  const several = lengths.length > 1
  return (several ? lengths : [lengthSaid(j.grip)]).map((length) => {
    const groups = several ? j.grips.filter((g) => lengthSaid(g.grip) === length) : j.grips
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

/** What holds the bolts where no nut does. */
function threads(d: Design): Part[] {
  const n = d.bolts.length
  const { diameterMm, tapDrillMm, hexNutMm } = SIZES[d.bolt.size]!
  if (d.hold.way === 'tapped')
    return [
      part('tap', 'Tap, with its drill', {
        dimensions: { diameterMm, drillMm: tapDrillMm },
        size: [d.bolt.size, ', drill ', { mm: tapDrillMm }],
      }),
    ]
  if (d.hold.way === 'plastic')
    return d.hold.block
      ? [
          part('plastic-block', `Block of ${HOSTS[d.hold.block.material].title}`, {
            material: d.hold.block.material,
            dimensions: { thicknessMm: d.hold.block.thicknessMm },
            size: [{ mm: d.hold.block.thicknessMm }, ' thick'],
          }),
          part('tap', 'Tap, with its drill', {
            dimensions: { diameterMm, drillMm: tapDrillMm },
            size: [d.bolt.size, ', drill ', { mm: tapDrillMm }],
          }),
        ]
      : []
  if (d.hold.way === 'nut-in-epoxy')
    return [
      part('nut', 'Nut, to be cast in', {
        material: d.bolt.grade,
        dimensions: { diameterMm, heightMm: hexNutMm },
        size: [d.bolt.size],
        quantity: n,
        spare: sparesFor(n),
        note: ['roughened outside; its thread and the bolt waxed'],
      }),
    ]
  const outer = insertMm(d)
  return [
    part(
      'threaded-insert',
      d.hold.way === 'bonded' ? 'Threaded insert, bonded in' : 'Threaded insert, pressed in',
      {
        dimensions: { diameterMm: outer },
        size: [d.bolt.size, ', ', { mm: outer }, ' outside'],
        quantity: n,
        spare: sparesFor(n),
      },
    ),
  ]
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
  if (isBlind(d))
    return [
      ...threads(d),
      ...(d.bolt.headWasher !== 'none' && d.bolt.head !== 'countersunk'
        ? [washer(d.bolt.headWasher, 'head')]
        : []),
    ]
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
  const sizes = isolationParts(d)
  const built = builtIsolation(d)
  if (!sizes) return []
  const gripMm = j.grip?.gripMm ?? 0
  const out: Part[] = []
  if (sizes.sleeveMm)
    out.push(
      part('sleeve', 'Isolating sleeve', {
        dimensions: { diameterMm: sizes.sleeveMm[1], lengthMm: gripMm },
        size: [{ mm: sizes.sleeveMm[0] }, ' by ', { mm: sizes.sleeveMm[1] }, ', ', { mm: gripMm }, ' long'],
        quantity: n,
        spare: sparesFor(n),
        note: ['the hole in the casting opened to ', { mm: sizes.holeMm! }, ' for it'],
      }),
    )
  if (built.washer)
    out.push(
      part('isolating-washer', 'Isolating washer', {
        dimensions: { diameterMm: sizes.washerMm ?? 0 },
        size:
          sizes.washerMm === null ? [`for ${d.bolt.size}`] : ['at least ', { mm: sizes.washerMm }, ' across'],
        quantity: 2 * n,
        spare: 2 * sparesFor(n),
        note: ['under head and nut'],
      }),
    )
  if (sizes.by === 'paste')
    out.push(
      part('isolating-paste', 'Isolating paste', {
        unit: 'none',
        note: ['on shank and thread and under the head'],
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

/** Each mixed apart, for it is used on another day than the one before. */
function epoxy(d: Design, j: Judgement): Part[] {
  if (!j.pots.length) return []
  const filler = j.pots.reduce((t, p) => t + p.pot.fillerG, 0)
  return [
    ...j.pots.map(({ use, pot }) =>
      part('epoxy', POT_USES[use], {
        material: 'epoxy',
        dimensions: { volumeMl: pot.ml },
        size: [{ ml: pot.ml }],
        quantity: pot.batches,
        unit: 'pot',
        note: [
          pot.hardener
            ? `mixed; ${pot.hardener} hardener at ${d.bedding.tempC} \u00b0C, ${Math.round(pot.potLifeMin!)} min in the pot`
            : 'too cold for any hardener',
        ],
      }),
    ),
    part('filler', 'Filler, fumed silica and fibre', {
      dimensions: { massG: filler },
      size: [{ g: filler }],
      unit: 'none',
      note: ['as stiff as each pot wants it; never a low-density filler in a plug'],
    }),
  ]
}

/** What takes the place of the core, the cloth laid over it, and the pipe that goes through. */
function inTheDeck(d: Design, j: Judgement): Part[] {
  const out: Part[] = []
  const s = d.structure
  if (s.kind === 'sandwich' && j.core && j.core.insertVolumeMl > 0) {
    const { lengthMm, widthMm } = insertOf(d)
    out.push(
      part(
        'insert',
        d.core.insertMaterial === 'epoxy-plug' ? 'Insert, cast of filled epoxy' : 'Insert, high-density foam',
        {
          material: d.core.insertMaterial,
          dimensions: { lengthMm, widthMm, thicknessMm: s.core.thicknessMm },
          size: [{ mm: lengthMm }, ' \u00d7 ', { mm: widthMm }, ' \u00d7 ', { mm: s.core.thicknessMm }],
          note: ['cut to fit the hole, faces ground'],
        },
      ),
    )
  }
  if (j.skinAgain)
    out.push(
      part('cloth', `Glass cloth, ${CLOTHS[j.skinAgain.cloth].title}`, {
        material: j.skinAgain.cloth,
        dimensions: { massG: j.skinAgain.clothG },
        size: [{ g: j.skinAgain.clothG }],
        quantity: j.skinAgain.plies,
        unit: 'ply',
        note: ['the outer skin laid again, feathered out by twelve thicknesses'],
      }),
    )
  if (d.pipeMm !== null)
    out.push(
      part('deck-pipe', 'Deck pipe, with its flange', {
        dimensions: { diameterMm: d.pipeMm },
        size: ['for a hole of ', { mm: d.pipeMm }],
      }),
    )
  return out
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
        note: [
          { ml: q.volumeMl },
          '; or sheet of the same thickness, ',
          { mm2: areaOf(planOfBase(d.base)) },
          ', and tape for the bolts',
        ],
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
  ...inTheDeck(d, j),
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
