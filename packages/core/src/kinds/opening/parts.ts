import { GLAZING } from '../../base/materials/glazing'
import { sealant } from '../../base/materials/sealants'
import type { Units } from '../../base/quantity/format'
import { part, partSaid, sparesFor, type Part } from '../part'
import { OPENING_CATALOGUE } from './catalogue'
import type { OpeningDesign } from './design'
import { sealantMlOf } from './pocket'
import { OPENING_FAMILY } from './families'
import type { OpeningJudgement } from './judgement'
import { flangeBounds, sizeAt } from './outline'

const mm = (v: number) => ({ mmRound: v })
const TUBE_ML = 300
const RING_TITLE = {
  plywood: 'Plywood ring, sealed',
  timber: 'Timber ring',
  'glass-sheet': 'Ring of glass sheet',
}
const by = (lengthMm: number, widthMm: number) => [mm(lengthMm), ' by ', mm(widthMm)]

/** Glands with their inserts, and a blank for every way that stays empty. */
function glandParts(d: OpeningDesign, { glanded }: OpeningJudgement): Part[] {
  if (!glanded || !d.gland) return []
  const bodies = glanded.glands.map((g, i) =>
    part(`gland-${i + 1}`, `Cable gland ${g.size} with lock nut and insert`, {
      material: 'nylon',
      dimensions: { holeMm: g.holeMm, ways: g.ways, leastMm: g.leastMm, mostMm: g.mostMm },
      size: [`${g.ways} \u00d7 `, { mm: g.leastMm }, ' to ', { mm: g.mostMm }],
      note: [d.gland!.glands[i]!.cables.map((c) => c.name).join(', ')],
    }),
  )
  return glanded.spareWays
    ? [...bodies, part('blank', 'Blank for a spare way', { quantity: glanded.spareWays })]
    : bodies
}

/** What keeps it shut and tight. */
function lidParts(d: OpeningDesign, j: OpeningJudgement): Part[] {
  const out: Part[] = []
  if (d.lid?.latch)
    out.push(
      part('latch', `Latch, ${d.lid.latch.replace('-', ' ')}`, {
        quantity: d.lid.latches * (d.lid.back === 'latches' ? 2 : 1),
      }),
    )
  if (d.lid?.gasket)
    out.push(
      part(
        'gasket',
        `Gasket, ${d.lid.gasket === 'hollow' ? 'hollow seal' : d.lid.gasket.replace('-', ', ')}`,
        {
          dimensions: { lengthMm: Math.round(j.edge.perimeterMm) },
          size: [{ m: j.edge.perimeterMm / 1000 }],
          note: ['in one piece'],
        },
      ),
    )
  return out
}

function bought(d: OpeningDesign, j: OpeningJudgement): Part[] {
  if (d.gland) return glandParts(d, j)
  const known = OPENING_CATALOGUE.find((e) => e.id === d.catalogueId)
  // The glass of a prism is bought by its flange.
  const s = sizeAt(d.outline, d.prism ? d.frame.flangeMm : 0)
  const out = [
    part('frame', known ? known.title : `Frame of the ${OPENING_FAMILY[d.family].title}`, {
      dimensions: { lengthMm: s.lengthMm, widthMm: s.widthMm, flangeMm: d.frame.flangeMm },
      size: by(s.lengthMm, s.widthMm),
      note: known ? [known.id] : [],
    }),
  ]
  if (d.pane && !d.prism) {
    const b = flangeBounds(d)
    const seat = 2 * d.pane.seatMm
    const [l, w] =
      d.pane.beadMm === null ? [s.lengthMm + seat, s.widthMm + seat] : [b.maxX - b.minX, b.maxY - b.minY]
    out.push(
      part('pane', `${d.lid ? 'Lid or pane' : 'Pane'}, ${GLAZING[d.pane.material].title}`, {
        material: d.pane.material,
        dimensions: { lengthMm: l, widthMm: w, thicknessMm: d.pane.thicknessMm },
        size: [...by(l, w), ' by ', { mm: d.pane.thicknessMm }],
        note: j.pane?.stockMm ? ['needs ', mm(j.pane.requiredMm)] : [],
      }),
    )
  }
  if (d.frame.hold !== 'bond' && j.edge.screwCount > 0)
    out.push(
      part(
        d.frame.hold === 'bolts' ? 'bolt' : 'screw',
        d.frame.hold === 'bolts' ? 'Bolt with nut and washer' : 'Screw, pan head',
        {
          material: 'A4-70',
          dimensions: { diameterMm: d.frame.screwMm },
          size: [{ mm: d.frame.screwMm }],
          quantity: j.edge.screwCount,
          spare: sparesFor(j.edge.screwCount),
        },
      ),
    )
  return [...out, ...lidParts(d, j)]
}
const SOLID_TITLE = { base: 'Sheet under the glass', ring: 'Sheet round the glass' }
/** The sheets that the solid of a prism is glued up from, as they are cut. */
function solidParts({ pocket }: OpeningJudgement): Part[] {
  return (pocket?.pieces ?? []).map((p, i) =>
    part(`solid-${i + 1}`, SOLID_TITLE[p.part], {
      material: 'glass-sheet',
      dimensions: { lengthMm: p.lengthMm, widthMm: p.widthMm, thicknessMm: p.thicknessMm },
      size: [...by(p.lengthMm, p.widthMm), ' by ', { mm: p.thicknessMm }],
      quantity: p.count,
      note: p.part === 'base' ? ['with the opening cut in it'] : [],
    }),
  )
}
function made(d: OpeningDesign, j: OpeningJudgement): Part[] {
  if (d.prism) return solidParts(j)
  if (d.gland) return []
  const carlins = d.carlin
    ? [
        part('carlin', 'Carlin, timber', {
          quantity: 2,
          dimensions: { widthMm: d.carlin.widthMm, depthMm: d.carlin.depthMm },
          size: by(d.carlin.widthMm, d.carlin.depthMm),
          note: ['from member to member; measured there'],
        }),
      ]
    : []
  if (!d.ring) return carlins
  const s = sizeAt(d.outline, d.ring.widthMm)
  return [
    ...carlins,
    part('ring', RING_TITLE[d.ring.material], {
      material: d.ring.material,
      dimensions: {
        lengthMm: s.lengthMm,
        widthMm: s.widthMm,
        ringMm: d.ring.widthMm,
        thicknessMm: d.ring.thicknessMm,
      },
      size: [...by(s.lengthMm, s.widthMm), ' by ', { mm: d.ring.thicknessMm }],
      note: ['ring ', mm(d.ring.widthMm), ' wide'],
    }),
  ]
}
const EPOXY_FOR = (d: OpeningDesign) => {
  if (d.prism) return 'Epoxy that sets the solid'
  return d.gland ? 'Epoxy that lines the holes' : 'Epoxy that closes the core'
}
function consumed(d: OpeningDesign, j: OpeningJudgement): Part[] {
  const out: Part[] = []
  if (j.pot)
    out.push(
      part('epoxy', EPOXY_FOR(d), {
        material: 'epoxy',
        dimensions: { volumeMl: j.pot.ml },
        size: [{ ml: j.pot.ml }],
        quantity: j.pot.batches,
        unit: 'pot',
        note: j.pot.hardener ? ['mixed; ', j.pot.hardener, ' hardener'] : ['mixed'],
      }),
    )
  if (d.bedding.sealant && d.bedding.sealant !== 'butyl')
    out.push(
      part('sealant', sealant(d.bedding.sealant).title, {
        material: d.bedding.sealant,
        dimensions: { volumeMl: sealantMlOf(j) },
        size: [{ ml: sealantMlOf(j) }],
        quantity: Math.max(1, Math.ceil(sealantMlOf(j) / TUBE_ML)),
        unit: 'tube-300',
      }),
    )
  if (d.bedding.sealant === 'butyl')
    out.push(
      part('sealant', sealant('butyl').title, {
        material: 'butyl',
        dimensions: { lengthMm: Math.round(j.edge.flangePerimeterMm) },
        size: [{ m: (1.3 * j.edge.flangePerimeterMm) / 1000 }],
      }),
    )
  return [...out, part('cloths', 'Masking tape and cloths', { unit: 'none' })]
}
export const openingParts = (d: OpeningDesign, j: OpeningJudgement): Part[] => [
  ...bought(d, j),
  ...made(d, j),
  ...consumed(d, j),
]
/** A pane of the fitter's own making is cut as well: one that no maker sells with its frame. */
const cutHere = (d: OpeningDesign, j: OpeningJudgement): Part[] => [
  ...made(d, j),
  ...(d.catalogueId === null ? bought(d, j).filter((p) => p.key === 'pane') : []),
]
/** What is cut in the shop, one line a piece, as it is taken to the saw. */
export const cuttingList = (d: OpeningDesign, j: OpeningJudgement, units: Units): string[] =>
  cutHere(d, j).map((p) => {
    const { what, size, count, note } = partSaid(p, units)
    return `${count || '1'} \u00d7 ${what}, ${size}${note ? `; ${note}` : ''}`
  })
/** What would be ordered, in words that are compared when the design has changed since. */
export const openingOrder = (d: OpeningDesign, j: OpeningJudgement): string =>
  [...bought(d, j), ...made(d, j)]
    .map((p) =>
      `${p.quantity ?? 1} ${p.title} ${Object.values(p.dimensions)
        .map((v) => Math.round(v))
        .join(' x ')}`.trim(),
    )
    .join('; ')
