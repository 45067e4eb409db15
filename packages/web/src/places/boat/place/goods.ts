import { FAMILY_TITLES, formatForce, formatLength, type CatalogueEntry, type Units } from '@north-tide/core'
import { CLOSURE_CATALOGUE, CLOSURE_FAMILY } from '@north-tide/core/closure'
import { OPENING_CATALOGUE, OPENING_FAMILY, sizeSaid } from '@north-tide/core/opening'
import { RIG_CATALOGUE, RIG_FAMILY } from '@north-tide/core/rig'
import { ROW_CATALOGUE, ROW_FAMILY } from '@north-tide/core/row'
import { THROUGH_HULL_CATALOGUE, THROUGH_HULL_FAMILY, USE_TITLES } from '@north-tide/core/through-hull'

/** Where a fitting goes: how it is asked, an example to search by, and what to try where nothing fits. */
export const WAYS = {
  deck: {
    title: 'on deck, roof, coaming or transom',
    example: 'mooring cleat, stanchion, HG-C250 …',
    tries: 'cleat, bitt, stanchion, pad-eye, winch, foot plate, block',
  },
  hull: {
    title: 'through the hull',
    example: 'seacock, transducer, MV-S114 …',
    tries: 'seacock, composite, sea chest, scupper, transducer, garboard, anode',
  },
  opening: {
    title: 'an opening: hatch, portlight, lid',
    example: 'hatch, portlight, CL-H52 …',
    tries: 'hatch, portlight, lid, inspection port, cover, ventilator',
  },
  rig: {
    title: 'the rig: chainplate, strap; strut, post, knee; a bonded plate',
    example: 'chainplate, stem, BS-K6 …',
    tries: 'chainplate on a knee, outside, bonded, stem, strut, post, knee',
  },
  row: {
    title: 'a row along an edge: stanchions, track, strake',
    example: 'stanchions, handrail, strake, HG-ROW-S25 …',
    tries: 'stanchions, brackets, handrail, track, strake',
  },
  closure: {
    title: 'closing: old holes, a leaking joint; a block made in house',
    example: 'hole, several, torn, CX-1 …',
    tries: 'hole, several, torn',
  },
} as const
export type Way = keyof typeof WAYS

/** One entry of a catalogue, of whatever kind. */
export interface Goods {
  id: string
  title: string
  maker: string
  /** in which its figures are round */
  units: Units | null
  /** what it is, for whoever searches by it */
  what: string
  /** how it is held or how large it is, beside its number */
  held: string
  bolts: { xMm: number; yMm: number }[]
}
type Listed = Omit<Goods, 'what' | 'held' | 'bolts' | 'units'> & Partial<Pick<Goods, 'units'>>
const goods = (c: Listed, what: string, held: string, bolts: Goods['bolts'] = []): Goods => ({
  id: c.id,
  title: c.title,
  maker: c.maker,
  units: c.units ?? null,
  what,
  held,
  bolts,
})

const LISTS: Record<Way, (units: Units, deck: CatalogueEntry[]) => Goods[]> = {
  deck: (_, deck) =>
    deck.map((c) =>
      goods(c, FAMILY_TITLES[c.family], `${c.bolts.length} × ${c.sizes.join(' or ')}`, c.bolts),
    ),
  hull: () =>
    THROUGH_HULL_CATALOGUE.map((c) => {
      const family = THROUGH_HULL_FAMILY[c.family].title
      return goods(c, `${family} ${USE_TITLES[c.use]}`, family)
    }),
  opening: (units) =>
    OPENING_CATALOGUE.map((c) =>
      goods(
        c,
        OPENING_FAMILY[c.family].title,
        sizeSaid(c.outline, (v) => formatLength(v, units)),
      ),
    ),
  rig: (units) =>
    RIG_CATALOGUE.map((c) =>
      goods(c, RIG_FAMILY[c.family].title, c.set ? '' : formatForce(c.breakingN, units)),
    ),
  row: (units) =>
    ROW_CATALOGUE.map((c) =>
      goods(c, ROW_FAMILY[c.family].title, `about ${formatLength(c.pitch.wantedMm, units)} apart`),
    ),
  closure: () => CLOSURE_CATALOGUE.map((c) => goods(c, CLOSURE_FAMILY[c.family].title, '')),
}
/** All that can go there; `deck`: the catalogue of deck hardware, the yard's own among it. */
export const goodsFor = (way: Way, units: Units, deck: CatalogueEntry[]): Goods[] => LISTS[way](units, deck)

/** Those in which every word is found, be it of one or of many; those in the boat’s own units come first. */
export function foundAmong(all: Goods[], words: string, units: Units): Goods[] {
  const asked = words.toLowerCase().split(/\s+/).filter(Boolean)
  const said = (c: Goods) => `${c.id} ${c.title} ${c.what} ${c.maker}`.toLowerCase()
  return all
    .filter((c) => asked.every((w) => said(c).includes(w) || said(c).includes(w.replace(/s$/, ''))))
    .sort((a, b) => Number(b.units === units) - Number(a.units === units))
}
