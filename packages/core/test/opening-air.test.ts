import { describe, expect, it } from 'vitest'
import { judgedWithRemedies } from '../src/kinds/registry'
import { opening, openingMoved, openingOnBoat } from '../src/kinds/opening'
import { box, check, on, openingFit, part, zone } from './opening-hands'

/** What hangs over an opening, the air it gives, the water in its rebate and against its door. */
describe('what hangs over it', () => {
  const roof = (zMm: number) => zone('roof', { code: 'roof', title: 'Wheelhouse roof', zMm, stacking: 2 })
  it.each([
    ['open sky', [], 'holds', 'No deck or roof is drawn over it'],
    ['a roof high enough', [roof(2400)], 'holds', '800 mm over it hangs wheelhouse roof; it opens under it'],
    // 520 wide stands 520 high: asin(260 / 520) is 30 degrees.
    ['a roof half as high as the lid', [roof(1860)], 'tight', 'opens to 30\u00b0'],
    ['its own deck at the crown', [roof(1640)], 'holds', 'No deck or roof'],
    ['one beside it', [zone('roof', { zMm: 1860, outline: box(4000, 5000, -500, 500) })], 'holds', 'No deck'],
  ])('%s', (_, over, verdict, words) => {
    const c = check(openingFit('CL-H52'), 'room-above', on({ zones: [zone('deck'), ...over] }))!
    expect(c.verdict).toBe(verdict)
    expect(c.because).toContain(words)
  })
  it('what is lifted out is tilted', () => {
    const c = check(openingFit('CL-C70'), 'room-above', on({ zones: [zone('deck'), roof(1680)] }))!
    expect([c.verdict, c.because]).toEqual([
      'tight',
      '80 mm over it hangs wheelhouse roof: to lift it out and tilt it, 100 mm are asked for.',
    ])
  })
  it('is not asked of what does not open', () => {
    expect(check(openingFit('CL-D25'), 'room-above', on({}))).toBeUndefined()
  })
})
describe('a pair', () => {
  const port = { 'place.yMm': -900 }
  const beside = (more: Record<string, unknown> = {}, y = 900) => {
    const design = openingFit('CL-H52', { 'place.yMm': y, ...more })
    const twin = { id: 't', kind: 'opening', name: 'Hatch, starboard', design }
    return check(openingFit('CL-H52', port), 'room-pair', on({ others: [twin] }))
  }
  it.each([
    ['alike', {}, 'holds', 'it is a pair, each measure within 5 mm'],
    ['off by what nobody sees', { 'place.xMm': 1995.5 }, 'holds', 'it is a pair'],
    [
      'further aft and further out',
      { 'place.xMm': 1988, 'place.yMm': 890 },
      'tight',
      '12 mm further aft, 10 mm further out',
    ],
    ['lower', { 'place.zMm': 1640 }, 'tight', 'it is 40 mm lower'],
    ['another size', { 'outline.lengthMm': 500 }, 'tight', 'it is 20 mm longer'],
  ])('%s', (_, more, verdict, words) => {
    expect(beside(more)!.verdict).toBe(verdict)
    expect(beside(more)!.because).toContain(words)
  })
  it('is none on one side, of another family, or far along the boat', () => {
    expect(beside({}, -900)).toBeUndefined()
    expect(beside({ family: 'flush-lid' })).toBeUndefined()
    expect(beside({ 'place.xMm': 3000 })).toBeUndefined()
  })
})
describe('air', () => {
  it('an open hatch is said in ventilators, by its own outline', () => {
    const round = openingFit('CL-H52', { outline: { kind: 'circle', diameterMm: 500 } })
    expect(check(round, 'air', on({}))!.because).toContain('as much as 25 round ventilators of 100 mm')
    const square = openingFit('CL-H52', {
      outline: { kind: 'rect', lengthMm: 500, widthMm: 500, cornerMm: 0 },
    })
    expect(check(square, 'air', on({}))!.because).toContain('as much as 32 round ventilators')
  })
  it.each([
    ['CL-D13', 'Shut, it stops the air as well'],
    ['CL-C70', 'Shut, it gives what lies under it no air'],
  ])('%s', (id, words) => {
    expect(check(openingFit(id), 'air', on({}))).toMatchObject({ verdict: 'holds' })
    expect(check(openingFit(id), 'air', on({}))!.because).toContain(words)
  })
  it('a fixed pane, a prism and a bin do nothing for it; a ventilator is no watertight thing', () => {
    for (const id of ['CL-D25', 'CL-B40']) expect(check(openingFit(id), 'air', on({}))).toBeUndefined()
    const vent = { family: 'ventilator' as const, lid: null }
    expect(check(openingFit('CL-H52', { ...vent, keeps: 'weathertight' }), 'air', on({}))!.verdict).toBe(
      'holds',
    )
    expect(check(openingFit('CL-H52', { ...vent, keeps: 'watertight' }), 'air', on({}))!.verdict).toBe(
      'tight',
    )
  })
})
describe('drains of a rebate', () => {
  const lid = (drains: unknown) => openingFit('CL-H52', { family: 'flush-lid', 'lid.drains': drains })
  it.each([
    [null, 'tight', 'Water stands in the rebate'],
    [{ count: 1, diameterMm: 12 }, 'tight', 'one serves one heel only'],
    [{ count: 2, diameterMm: 6 }, 'tight', '2 of 6 mm'],
    [{ count: 2, diameterMm: 10 }, 'holds', '2 of 10 mm at the low corners'],
  ])('%j', (drains, verdict, words) => {
    const c = check(lid(drains), 'lid-drains', on({}))!
    expect(c.verdict).toBe(verdict)
    expect(c.because).toContain(words)
  })
  it('are proposed where there are none, and a hatch that stands proud has no rebate', () => {
    const j = judgedWithRemedies(opening as never, lid(null) as never, on({}))
    const drains = j.checks.find((c) => c.id === 'lid-drains')!
    expect(drains.remedies.map((r) => [r.text, r.verdict])).toEqual([['drains, 2 of 10 mm', 'holds']])
    expect(check(openingFit('CL-H52'), 'lid-drains', on({}))).toBeUndefined()
  })
})
describe('a door against water', () => {
  const door = (more: Record<string, unknown> = {}) => openingFit('CL-D13', more)
  const keeps = (more?: Record<string, unknown>) => check(door(more), 'keeps-out', on({}))!
  it('nobody has said how high it would stand', () => {
    expect(keeps()).toMatchObject({ verdict: 'unproven' })
    expect(keeps().because).toContain('the head over its middle')
  })
  it('its dogs carry the head: water of 1 m over 1300 by 600 and the strip of its gasket', () => {
    const j = opening.judge(door({ 'lid.headMm': 1000, 'pane.seatMm': 0 }), on({}))
    const pressed = (1025 * 9.80665 * 1 * 1.3 * 0.6) as number
    const own = j.held!.shutN!
    // Its weight hangs on its hinges; the sum of a lid takes it off, and is on the safe side without.
    expect(j.held!.liftN! - own).toBeGreaterThan(0.9 * pressed)
    expect(j.held!.liftN! - own).toBeLessThanOrEqual(pressed + 1e-6)
    expect(j.checks.find((c) => c.id === 'lid-inverted')).toBeUndefined()
  })
  it('is for its maker to prove, and the more head the more is asked', () => {
    const used = [500, 1500].map(
      (headMm) => check(door({ 'lid.headMm': headMm }), 'lid-latch', on({}))!.utilisation!,
    )
    expect(used[0]).toBeLessThan(used[1]!)
    const strong = { 'lid.headMm': 300, 'lid.rim': 'stiff', 'lid.latches': 12 }
    expect(keeps(strong).verdict).toBe('tight')
    expect(keeps({ ...strong, 'pane.proof': 'tested under 2 m' })).toMatchObject({ verdict: 'holds' })
  })
})
describe('on its picture and its card', () => {
  const cable = part({ kind: 'cable', title: 'Bow light cable', x0Mm: 300, x1Mm: 6000, y0Mm: 90, y1Mm: 90 })
  it('a cable under the cut is drawn where it lies, with a grip that moves the opening', () => {
    const d = openingFit('CL-H52')
    const j = opening.judge(d, on({ parts: [cable] }))
    const grip = opening.drawings(d, j, 'metric')[0]!.drawing.handles!.find((h) => h.label.includes('cable'))!
    expect(grip).toMatchObject({
      path: 'place.yMm',
      label: 'bow light cable, under the cut',
      at: { y: 90 },
      per: -1,
    })
  })
  it('a beam beside it is drawn at its face', () => {
    const d = openingFit('CL-H52')
    const j = opening.judge(d, on({ parts: [part({ x0Mm: 2400, x1Mm: 2400, widthMm: 40 })] }))
    expect(j.clear[0]).toMatchObject({ side: 'aft', freeMm: 120, fromMiddleMm: 380 })
  })
  it('what is cut in the shop is listed piece by piece', () => {
    const d = openingFit('CL-H52', {
      ring: { material: 'plywood', widthMm: 40, thicknessMm: 12 },
      carlin: { widthMm: 30, depthMm: 60 },
    })
    const j = opening.judge(d, on({}))
    const list = opening.card(d, j, on({})).find((b) => b.title === 'Cutting list')!
    expect(list.lines).toEqual([
      '2 \u00d7 Carlin, timber, 30 mm by 60 mm; from member to member; measured there',
      '1 \u00d7 Plywood ring, sealed, 600 mm by 600 mm by 12 mm; ring 40 mm wide',
    ])
  })
})
describe('put where it was measured', () => {
  it('keeps what it was measured from, and takes the layup that is there', () => {
    const from = { axis: 'along', from: 'stem', fromMm: 0, mm: 2500, inside: null } as const
    const to = openingMoved(openingFit('CL-H52'), [zone('deck')], { xMm: 2500, yMm: 40 }, [from])
    expect(to.change.place).toMatchObject({ xMm: 2500, yMm: 40, measuredFrom: [from] })
    expect(openingMoved(openingFit('CL-H52'), [zone('deck')], { xMm: 2600 }).change.place).toMatchObject({
      measuredFrom: [],
    })
  })
})
describe('on the boat round it', () => {
  const around = {
    parts: [
      part({ x0Mm: 2400, x1Mm: 2400, widthMm: 40 }),
      part({ kind: 'cable', title: 'Far cable', x0Mm: 9000, x1Mm: 9500, y0Mm: 0, y1Mm: 10 }),
      part({ kind: 'wet', title: 'Wet core', x0Mm: 1900, x1Mm: 2100, y0Mm: -50, y1Mm: 50 }),
    ],
    fittings: [
      { id: 'a', name: 'Cleat', outline: box(2500, 2600, 300, 350) },
      { id: 'b', name: 'Far cleat', outline: box(8500, 8600, 300, 350) },
    ],
    holes: [{ label: 'P-012', xMm: 2300, yMm: -400, diameterMm: 30 }],
  }
  const shown = (heading = 0) => {
    const d = openingFit('CL-H52', { headingDeg: heading })
    return openingOnBoat(d, opening.judge(d, on({ parts: around.parts })), around, 'metric')
  }
  it('shows what is near, leaves out what is far, and says the room that is left', () => {
    const words = JSON.stringify(shown().shapes)
    for (const w of ['deck beam', 'P-012', 'Cleat']) expect(words).toContain(w)
    for (const w of ['far cable', 'Far cleat', 'wet core']) expect(words).not.toContain(w)
    expect(shown().title).toBe('Bow left, starboard up: 120 mm aft clears the deck beam.')
  })
  it.each([0, 30, 80, -100])('turned %d degrees, its grip turns it by what it is moved', (heading) => {
    const grip = shown(heading).handles!.find((h) => h.path === 'headingDeg')!
    const to = shown(heading + 0.1).handles!.find((h) => h.path === 'headingDeg')!
    const moved = grip.axis === 'x' ? to.at.x - grip.at.x : to.at.y - grip.at.y
    expect(grip.value).toBe(heading)
    expect(moved * grip.per).toBeCloseTo(0.1, 3)
  })
})
describe('a pipe through a bulkhead', () => {
  const line = (kind: string) => {
    const cables = [{ name: 'bilge hose', odMm: 14, line: kind }]
    const glands = [{ size: null, cables, yMm: 0, zMm: 0, edgeMm: null, threadMm: null, boreMm: null }]
    return check(openingFit('BS-G32', { 'gland.glands': glands }), 'gland-pipes', on({}))
  }
  it.each([
    ['pipe-open', 'short', 'open at both ends'],
    ['pipe-valved', 'holds', 'is shut from above'],
    ['pipe-closed', 'holds', 'a closed run'],
  ])('%s', (kind, verdict, words) => {
    expect(line(kind)).toMatchObject({ verdict })
    expect(line(kind)!.because).toContain(words)
  })
  it('a cable is none', () => expect(line('cable')).toBeUndefined())
})
