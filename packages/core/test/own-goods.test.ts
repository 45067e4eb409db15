import { describe, expect, it } from 'vitest'
import { withChange } from '../src'
import {
  SKINS,
  TAILS,
  VALVES,
  asMeasured,
  throughHullWithRemedies,
  goodsFromFile,
  goodsToFile,
  isListed,
  orderList,
  parseOwnGoods,
  skinsWith,
  tailsWith,
  valvesWith,
  type OwnGoods,
} from '../src/kinds/through-hull'
import { NOBODY, fit, judge } from './through-hull-hands'

const own = (over: object = {}): OwnGoods =>
  parseOwnGoods({
    kind: 'valve',
    part: {
      ...VALVES.find((v) => v.id === 'MV-B34')!,
      id: 'OWN-1',
      title: 'Ball valve of the harbour store',
      ...over,
    },
  })

describe('parts of a yard\u2019s own', () => {
  it.each([
    [{ id: '-dash' }, 'part.id'],
    [{ id: 'a b' }, 'part.id'],
    [{ id: 'x'.repeat(40) }, 'part.id'],
    [{ title: ' ' }, 'part.title'],
    [{ boreMm: 0 }, 'part.boreMm'],
    [{ sweepDeg: 0 }, 'part.sweepDeg'],
    [{ inlet: { family: 'metric', size: '3/4', depthMm: 18 } }, 'part.inlet.family'],
    [{ colour: 'red' }, 'part'],
  ])('%j is refused at %s', (over, path) =>
    expect(() => own(over)).toThrow(expect.objectContaining({ path: expect.stringContaining(path) })),
  )
  it('go out in a file and come in the same, each into its own list', () => {
    const goods = [
      own(),
      parseOwnGoods({ kind: 'tail', part: { ...TAILS[0]!, id: 'OWN-2' } }),
      parseOwnGoods({ kind: 'skin', part: { ...SKINS[0]!, id: 'OWN-3' } }),
    ]
    expect(goodsFromFile(JSON.parse(JSON.stringify(goodsToFile(goods))))).toEqual(goods)
    expect([skinsWith(goods), valvesWith(goods), tailsWith(goods)].map((l) => l.at(-1)!.id)).toEqual([
      'OWN-3',
      'OWN-1',
      'OWN-2',
    ])
    expect(() => goodsFromFile({ format: 'north-tide-hull-goods', version: 2, goods })).toThrow(
      expect.objectContaining({ path: 'version' }),
    )
    expect([isListed('MV-B34'), isListed('OWN-1')]).toEqual([true, false])
  })
  it('a part that is changed by hand loses its number once, and is not ordered by it', () => {
    const d = fit('MV-B34')
    const changed = withChange(d, asMeasured(d, 'valve', { 'inlet.depthMm': 15 }))
    expect(changed.valve).toMatchObject({
      id: null,
      inlet: { depthMm: 15 },
      title: `${d.valve!.title}, as measured`,
    })
    expect(orderList(changed)).not.toContain('MV-B34')
    expect(orderList(changed)).toContain('as measured')
    const twice = withChange(changed, asMeasured(changed, 'valve', { handleMm: 99 }))
    expect(twice.valve!.title).toBe(changed.valve!.title)
    const long = withChange(d, { 'valve.title': 'v'.repeat(120) })
    expect(withChange(long, asMeasured(long, 'valve', { handleMm: 99 })).valve!.title).toHaveLength(120)
  })
  it('what was measured is what the chain is judged by', () => {
    const d = fit('MV-B34')
    const joint = (depth: number) =>
      judge(withChange(d, asMeasured(d, 'valve', { 'inlet.depthMm': depth }))).checks.find(
        (c) => c.id === 'joint-skin-valve',
      )!.verdict
    expect([joint(24), joint(6)]).toEqual(['holds', 'short'])
  })
  it('a tail of the yard\u2019s own is offered where the list has none that mends the joint', () => {
    // No tail of the list is stainless: with a stainless valve only the yard's own can be.
    const d = fit('MV-S1', { 'valve.material': 'stainless', tail: null })
    const mine: OwnGoods = {
      kind: 'tail',
      part: {
        ...TAILS.find((t) => t.thread.size === '1')!,
        id: 'OWN-9',
        title: 'Stainless tail of the yard',
        material: 'stainless',
      },
    }
    const offers = (goods: OwnGoods[]) =>
      throughHullWithRemedies(d, judge(d), { ...NOBODY, goods })
        .checks.find((c) => c.id === 'joint-missing')!
        .remedies.map((r) => r.id)
    expect([offers([]), offers([mine])]).toEqual([[], ['tail']])
  })
})
