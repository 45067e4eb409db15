import { describe, expect, it } from 'vitest'
import {
  bestOffer,
  costOf,
  fastenerQuestion,
  goesBack,
  itemText,
  itemTextsOf,
  orderDraft,
  part,
  shelfWanted,
  spareParts,
  stripAnswer,
  stripQuestion,
  type FastenerAnswer,
  type FastenerNeed,
  type Offer,
  type OrderJob,
  type ShelfRow,
  type WeatherAnswer,
  type WeatherHour,
} from '../src'
import { runNamed } from '../src/chapters/registry'

/** The whole order: what is here goes first, what is over lies on the shelf, nothing is counted twice. */
const need = (more: Partial<FastenerNeed> = {}): FastenerNeed => ({
  size: 'M8',
  grade: 'A4-70',
  head: 'hex',
  lengthMm: 50,
  threading: 'full',
  gripMm: 30,
  mayTrim: true,
  count: 4,
  nut: 'locking',
  washers: { head: 'none', nut: 'plain' },
  ...more,
})
const job = (id: string, more: Partial<OrderJob> = {}): OrderJob => ({
  fittingId: id,
  kind: 'deck-hardware',
  name: `Fitting ${id}`,
  boatId: 'b',
  boat: 'Boat',
  buying: 'to-buy',
  parts: [part('bolt', 'Bolt', { quantity: 4, spare: 1 })],
  needs: [need()],
  stops: [],
  ...more,
})
const bolt = (lengthMm: number) =>
  ({ kind: 'bolt', size: 'M8', grade: 'A4-70', head: 'hex', lengthMm, threading: 'full' }) as const
const row = (id: number, item: ShelfRow['item'], count: number, more: Partial<ShelfRow> = {}): ShelfRow => ({
  id,
  kind: item ? 'fastener' : 'part',
  text: item ? itemText(item) : 'Split pin',
  item,
  count,
  state: 'new',
  whereItIs: '',
  ...more,
})
const offer = (id: number, maker: string, item: Offer['item'], packs: Offer['packs'], text = ''): Offer => ({
  id,
  maker,
  text: item ? itemText(item) : text,
  item,
  packs,
  leadDays: 3,
})
const draft = (jobs: OrderJob[], shelf: ShelfRow[] = [], offers: Offer[] = [], without: string[] = []) => {
  const q = fastenerQuestion(jobs, shelf, offers)
  return orderDraft(jobs, shelf, offers, [], q && (runNamed('fastener-order', q) as FastenerAnswer), without)
}
const BOLT = 'bolt M8x50 hex A4-70'

describe('the whole order', () => {
  it('says a need in the words of the counter', () => {
    expect(itemTextsOf(need({ washers: { head: 'large', nut: 'large' } }))).toEqual([
      [BOLT, 4],
      ['nut M8 locking A4-70', 4],
      ['washer M8 large A4-70', 8],
    ])
    expect(itemTextsOf(need({ nut: 'none', washers: { head: 'none', nut: 'none' } }))).toEqual([[BOLT, 4]])
  })
  it('takes what is on the shelf first, from row after row, and buys the rest with its spare', () => {
    const shelf = [row(1, bolt(50), 3), row(2, bolt(50), 2)]
    const d = draft([job('a'), job('b')], shelf)
    const taken = d.taken.filter((t) => t.text === BOLT)
    expect(taken.map((t) => [t.shelfId, t.fittingId, t.count])).toEqual([
      [1, 'a', 3],
      [2, 'a', 1],
      [2, 'b', 1],
    ])
    // eight are asked for, five are here; one is spare
    expect(d.lines.find((l) => l.text === BOLT)).toMatchObject({ pieces: 4, leftover: 1, maker: '' })
    expect(d.fittings.map((f) => f.state)).toEqual(['ordered', 'ordered'])
  })
  it('one length longer goes in where none of the right one is left, and says so', () => {
    const d = draft(
      [job('a')],
      [row(1, bolt(55), 9), row(2, { kind: 'nut', type: 'locking', size: 'M8', grade: 'A4-70' }, 9)],
    )
    expect(d.taken.find((t) => t.shelfId === 1)).toMatchObject({
      text: 'bolt M8x55 hex A4-70',
      count: 4,
      instead: expect.stringContaining(BOLT),
    })
  })
  it.each([
    ['unsure', bolt(50), 'nobody is sure of it'],
    [
      'used',
      { kind: 'nut', type: 'locking', size: 'M8', grade: 'A4-70' } as const,
      'a locking nut holds once',
    ],
  ] as const)('%s pieces are set aside', (state, item, why) => {
    const d = draft([job('a')], [row(1, item, 9, { state })])
    expect(d.setAside).toEqual([{ text: itemText(item), count: 9, why }])
    expect(d.taken).toEqual([])
  })
  it('everything that is wanted is taken, bought, or named: no piece is lost, none counted twice', () => {
    for (const have of [0, 1, 4, 5, 9, 40]) {
      const d = draft([job('a'), job('b')], [row(1, bolt(50), have)])
      const taken = d.taken.filter((t) => t.text === BOLT).reduce((s, t) => s + t.count, 0)
      const line = d.lines.find((l) => l.text === BOLT)
      const bought = line?.for.reduce((s, f) => s + f.count, 0) ?? 0
      expect(taken).toBeLessThanOrEqual(have)
      expect(taken + bought).toBe(8)
    }
  })
  it('a part that is no fastener is known by its words; two lines of one maker are two lines', () => {
    const pin = part('split-pin', 'Split pin', { spare: 1 })
    const d = draft(
      [job('a', { needs: [], parts: [pin, part('hands', 'Gloves', { unit: 'none' })] })],
      [row(1, null, 1)],
      [offer(1, 'One', null, [{ n: 10, priceCents: 90 }], 'Split pin')],
    )
    expect(d.taken).toMatchObject([{ text: 'Split pin', count: 1 }])
    expect(d.lines).toMatchObject([
      { text: 'Split pin', maker: 'One', pieces: 10, leftover: 9, costCents: 90 },
    ])
    expect(d.byEye).toEqual(['Gloves'])
  })
  it('sealant is bought in tubes for all together, and none that is here', () => {
    const seal = (ml: number) =>
      part('sealant', 'Sealant', {
        material: 'polysulfide',
        dimensions: { volumeMl: ml },
        quantity: 1,
        unit: 'tube-300',
      })
    const jobs = ['a', 'b', 'c'].map((id) => job(id, { needs: [], parts: [seal(180)] }))
    const tubes = (ml: number) =>
      orderDraft(jobs, [], [], ml ? [{ chemistry: 'polysulfide', ml }] : [], null).lines[0]
    expect(tubes(0)).toMatchObject({ pieces: 2, lot: true, leftover: 0 })
    expect(tubes(240)).toMatchObject({ pieces: 1 })
    expect(tubes(540)).toBeUndefined()
  })
  it('epoxy is bought in packs with what stays in each pot, and none that is here', () => {
    const pot = (ml: number) =>
      part('epoxy', 'Epoxy', { material: 'epoxy', dimensions: { volumeMl: ml }, quantity: 1, unit: 'pot' })
    const jobs = ['a', 'b', 'c'].map((id) => job(id, { needs: [], parts: [pot(300)] }))
    const packs = (ml: number) =>
      orderDraft(jobs, [], [], ml ? [{ chemistry: 'epoxy', ml }] : [], null).lines[0]
    // 3 x 300 x 1.15 = 1035 ml, by hand.
    expect(packs(0)).toMatchObject({ pieces: 2, lot: true, text: expect.stringMatching(/^Epoxy, resin/) })
    expect(packs(0)!.for.map((f) => f.fittingId)).toEqual(['a', 'b', 'c'])
    expect(packs(36)).toMatchObject({ pieces: 1 })
    expect(packs(1035)).toBeUndefined()
    // A little pot loses 5 ml all the same: 20 x (10 + 5) = 300.
    const many = [job('d', { needs: [], parts: Array.from({ length: 20 }, () => pot(10)) })]
    const here = (ml: number) => orderDraft(many, [], [], [{ chemistry: 'epoxy', ml }], null).lines
    expect([here(299).length, here(300).length]).toEqual([1, 0])
  })
  it('warns of metric and inch threads in one fitting, by its name', () => {
    const inch = need({ size: '5/16-18', lengthInch: 2 })
    delete inch.lengthMm
    const d = draft([job('a', { needs: [need(), inch] })])
    expect(d.warnings.some((w) => w.startsWith('Fitting a has metric and inch'))).toBe(true)
    expect(d.warnings.some((w) => w.includes('look alike'))).toBe(true)
  })
  it('a line that is left out is on no list, and the others stay', () => {
    const with_ = draft([job('a')]).lines.length
    expect(draft([job('a')], [], [], [BOLT]).lines).toHaveLength(with_ - 1)
  })
  it('of several makers the one whose best pack costs least a piece', () => {
    const [dear, cheap] = [
      { id: 1, packs: [{ n: 1, priceCents: 50 }] },
      {
        id: 2,
        packs: [
          { n: 1, priceCents: 90 },
          { n: 10, priceCents: 400 },
        ],
      },
    ]
    expect(bestOffer([dear!, cheap!])).toBe(cheap)
    expect(bestOffer([])).toBeNull()
  })
})

describe('what fits what is here', () => {
  const bag = { fittingId: 'a', text: BOLT, count: 5 }
  it('pieces that are wanted no more find whoever wants just those', () => {
    const longer = job('a', { buying: 'bought', needs: [need({ lengthMm: 60 })] })
    const [s, ...more] = spareParts([longer, job('b'), job('c', { needs: [need({ lengthMm: 70 })] })], [bag])
    expect(more).toEqual([])
    expect(s).toMatchObject({ text: BOLT, count: 5, fitting: 'Fitting a' })
    expect(s!.fits.map((f) => f.name)).toEqual(['Fitting b'])
  })
  it('what is wanted is not spare; what was put back is not in the bag', () => {
    const j = job('a', { buying: 'bought' })
    expect(spareParts([j], [{ ...bag, count: 4 }])).toEqual([])
    expect(spareParts([j], [bag, { ...bag, count: -1 }])).toEqual([])
    expect(spareParts([j], [bag])).toMatchObject([{ count: 1, fits: [] }])
  })
  it('a joint that is short after it was ordered goes back to its maker', () => {
    const stops = [
      { id: 'joint-tail-valve', title: 'Hose tail into valve', because: 'two systems' },
      { id: 'kick', title: 'Kick', because: 'too much' },
    ]
    expect(goesBack([job('a', { buying: 'ordered', stops })]).map((b) => b.what)).toEqual([
      'Hose tail into valve',
    ])
    expect(goesBack([job('a', { stops })])).toEqual([])
  })
  it('says which rows of the shelf open work wants', () => {
    const shelf = [row(1, bolt(50), 3), row(2, bolt(100), 3)]
    expect(shelfWanted([job('a')], shelf)).toEqual([{ shelfId: 1, names: ['Fitting a'] }])
  })
})

describe('what it costs', () => {
  const steps = [
    { id: 'bore', minutes: 30, hands: 1 },
    { id: 'bed', minutes: 60, hands: 2 },
  ] as never
  const offers = [
    offer(1, 'One', bolt(50), [
      { n: 1, priceCents: 100 },
      { n: 10, priceCents: 500 },
    ]),
  ]
  it('counts pieces at the least price, hours of each hand, and marks what is estimated', () => {
    const c = costOf({ ...job('a', { parts: [] }), steps, took: {} }, offers, 6000)
    expect(c).toMatchObject({
      partsCents: 200,
      minutes: 150,
      labourCents: 15000,
      totalCents: 15200,
      estimated: true,
    })
    expect(c.unpriced).toEqual(['nut M8 locking A4-70', 'washer M8 plain A4-70'])
  })
  it('minutes that were taken go before those that were planned', () => {
    const c = costOf({ ...job('a', { needs: [], parts: [] }), steps, took: { bore: 20, bed: 70 } }, [], 6000)
    expect(c).toMatchObject({ minutes: 160, takenMinutes: 160, estimated: false })
  })
  it('without a price of an hour only the parts are summed', () => {
    expect(costOf({ ...job('a'), steps, took: {} }, offers, null)).toMatchObject({
      labourCents: null,
      totalCents: 200,
    })
  })
})

describe('hours to work in', () => {
  const hour = (at: string, more: Partial<WeatherHour> = {}): WeatherHour => ({
    at,
    airC: 18,
    humidityPct: 55,
    windMs: 2,
    rainMm: 0,
    sun: 0.3,
    cloud: 0.5,
    measured: false,
    ...more,
  })
  const day = (d: string, more: (h: number) => Partial<WeatherHour>) =>
    Array.from({ length: 24 }, (_, h) => hour(`${d}T${String(h).padStart(2, '0')}:00`, more(h)))
  const strip = (hours: WeatherHour[], heat?: object) =>
    stripAnswer(
      runNamed(
        'weather-windows',
        stripQuestion(hours, 'open', ['polysulfide', 'butyl'], heat),
      ) as WeatherAnswer,
    )
  const warm = [
    ...day('2027-05-03', () => ({})),
    ...day('2027-05-04', (h) => (h < 13 ? { airC: -4, sun: 0 } : {})),
  ]
  it('names each work once, butyl not, with its windows a day', () => {
    const s = strip(warm)
    expect(s.works.map((w) => w.id)).toEqual(['polysulfide', 'epoxy', 'paint', 'aloft'])
    const [first] = s.works[0]!.days
    expect(first).toMatchObject({ day: '2027-05-03', windows: [{ from: '08:00', to: '17:00' }], why: '' })
  })
  it('a day without a window says what stands most in the way', () => {
    const frost = [...day('2027-05-03', () => ({ airC: -6, sun: 0 })), ...day('2027-05-04', () => ({}))]
    expect(strip(frost).works[0]!.days[0]).toMatchObject({ windows: [], why: 'too cold' })
  })
  it('heat is worked out for the hours asked, and an open flame is refused in words', () => {
    const ask = { from: '2027-05-04T08:00', to: '2027-05-04T12:00', targetC: 15, areaM2: 10 }
    expect(strip(warm).heat).toBeNull()
    const h = strip(warm, ask).heat!
    // one film, 10 m2, 19 K over the air outside
    expect(h.peakW).toBeCloseTo(6 * 10 * 19, 6)
    expect(strip(warm, { ...ask, heater: 'open-flame' }).heat).toMatchObject({
      verdict: 'short',
      codes: ['open-flame'],
    })
  })
})
