import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { LogLine } from '@north-tide/core'
import { VALVES } from '@north-tide/core/through-hull'
import { ApiRefusal } from '../src/api'
import { useBoats } from '../src/state/boats'
import { useSession } from '../src/state/session'
import ThroughHullGiven from '../src/kinds/through-hull/ThroughHullGiven.vue'
import PartsView from '../src/kinds/through-hull/PartsView.vue'
import BedView from '../src/kinds/through-hull/BedView.vue'
import ChainView from '../src/kinds/through-hull/ChainView.vue'
import CutView from '../src/kinds/through-hull/CutView.vue'
import DialView from '../src/kinds/through-hull/DialView.vue'
import KickView from '../src/kinds/through-hull/KickView.vue'
import MetalsView from '../src/kinds/through-hull/MetalsView.vue'
import PlacingView from '../src/kinds/through-hull/PlacingView.vue'
import SurveyView from '../src/kinds/through-hull/SurveyView.vue'
import WorkView from '../src/pieces/WorkView.vue'
import WrongHoleView from '../src/pieces/WrongHoleView.vue'
import { atTheBench, fit, page } from './hull-hands'
import { estimated, fieldOf } from './pick'

beforeEach(atTheBench)
// A save that comes after its test still meets the stand-in, never a real address.
afterEach(() => vi.clearAllMocks())
const wrong = () => fit({ valve: VALVES.find((v) => v.id === 'MV-BN34') }, 'MV-B34')
const line = (over: Partial<LogLine>): LogLine => ({
  kind: 'bond',
  value: null,
  note: '',
  who: 'Tam',
  at: '2026-03-01T12:00:00Z',
  ...over,
})

describe('the chain, before anything is ordered', () => {
  it('a short joint is not ordered without a reason, and the reason goes with it', async () => {
    const p = await page(ChainView, wrong())
    expect(p.w.find('[data-joint=skin-valve]').attributes('data-verdict')).toBe('short')
    expect(p.w.text()).toContain('G 3/4 in NPT 3/4')
    expect(p.button('Mark as ordered').attributes('disabled')).toBeDefined()
    await p.by('Reason').setValue('adapter in hand')
    await p.button('Mark as ordered').trigger('click')
    expect(p.act).toHaveBeenCalledWith('POST', 'order', { reason: 'adapter in hand' })
  })
  it('what the server says against it stands there, and the reason stays typed', async () => {
    const p = await page(ChainView, wrong())
    p.act.mockRejectedValueOnce(
      new ApiRefusal(403, { code: 'forbidden', message: 'An apprentice passes no gate' }),
    )
    await p.by('Reason').setValue('adapter in hand')
    await p.button('Mark as ordered').trigger('click')
    await flushPromises()
    expect(p.w.find('[role=alert]').text()).toBe('An apprentice passes no gate')
    expect((p.by('Reason').element as HTMLInputElement).value).toBe('adapter in hand')
  })
  it('an order is told with its day, and that the design has changed since', async () => {
    const p = await page(ChainView, fit(), {
      log: [line({ kind: 'order', at: '2026-03-02T09:00:00Z', data: { what: 'something else' } })],
    })
    expect(p.w.text()).toContain('Ordered on 2 Mar 2026 by Tam')
    expect(p.w.find('[role=status]').text()).toContain('ordered was something else')
    await p.button('Take the order back').trigger('click')
    expect(p.act).toHaveBeenCalledWith('DELETE', 'order', undefined)
  })
  it('a tail that does not reach is found before it is ordered, and a fitting without a chain can be ordered too', async () => {
    const p = await page(ChainView, fit({ 'skin.tailMm': 40 }, 'MV-S114'))
    expect(p.w.find('[data-length=tail-length]').attributes('data-verdict')).toBe('short')
    expect(p.button('Mark as ordered').attributes('disabled')).toBeDefined()
    const sounder = await page(ChainView, fit({}, 'MV-E55'))
    expect(sounder.w.text()).toContain('Nothing is screwed on to this one')
    await sounder.button('Mark as ordered').trigger('click')
    expect(sounder.act).toHaveBeenCalledWith('POST', 'order', { reason: '' })
  })
  it('an owner reads it and orders nothing', async () => {
    useSession().account = { role: 'owner', boats: {} } as never
    const p = await page(ChainView, fit())
    expect(p.w.findAll('button')).toHaveLength(0)
    expect(p.w.findAll('tr[data-verdict=holds]')).toHaveLength(3)
  })
})

describe('the placing aid', () => {
  it('asks what only the fitter knows, and takes the word as an answer', async () => {
    const p = await page(PlacingView, fit({ use: 'lab-intake' }))
    const slings = p.w.find('[data-ask=slings]')
    expect(slings.classes()).toContain('ask')
    await slings.find('input').setValue('said by the hoist')
    await slings.find('input').trigger('blur')
    expect(p.throughHull.design!.asks).toEqual({ slings: 'said by the hoist' })
    await p.w.vm.$nextTick()
    expect(p.w.find('[data-ask=slings] .word').text()).toBe('answered')
    await p.w.find('[data-ask=slings] input').setValue('  ')
    await p.w.find('[data-ask=slings] input').trigger('blur')
    expect(p.throughHull.design!.asks).toEqual({})
  })
})

describe('the dial', () => {
  it('what stands round the handle is measured, counts at once, and is taken away again', async () => {
    const p = await page(DialView, fit({ 'clock.measuredDeg': 0 }))
    await p.button('Add one').trigger('click')
    expect(p.throughHull.design!.clock.obstacles).toHaveLength(1)
    await p.by('From y').setValue('40')
    await p.by('To y').setValue('40')
    expect(p.throughHull.judgement!.checks.find((c) => c.id === 'handle-swing')!.verdict).toBe('short')
    await p.w
      .findAll('button')
      .find((b) => b.attributes('aria-label')?.startsWith('Take away'))!
      .trigger('click')
    expect(p.throughHull.judgement!.checks.find((c) => c.id === 'handle-swing')!.verdict).toBe('holds')
  })
  it('what the map has there is a question until it is ticked off', async () => {
    useBoats().picture = {
      ...useBoats().picture,
      parts: [{ kind: 'longitudinal', title: 'Longitudinal', x0Mm: 0, y0Mm: 450, x1Mm: 9000, y1Mm: 450 }],
    } as never
    const p = await page(DialView, fit())
    const box = p.w
      .findAll('label.tick')
      .find((l) => l.text() === 'longitudinal')!
      .find('input')
    expect((box.element as HTMLInputElement).checked).toBe(true)
    expect(p.throughHull.judgement!.checks.find((c) => c.id === 'handle-swing')!.verdict).toBe('unproven')
    await box.setValue(false)
    expect(p.throughHull.design!.clock.ignored).toEqual(['longitudinal'])
    expect(p.throughHull.judgement!.checks.find((c) => c.id === 'handle-swing')!.verdict).toBe('holds')
  })
})

describe('the kick', () => {
  it('shows the three ways beside each other, draws the worst, and takes the one that is chosen', async () => {
    const p = await page(KickView, fit({ 'hold.method': 'insert' }))
    expect(p.w.findAll('tr[data-method]').map((r) => r.attributes('data-method'))).toEqual([
      'through',
      'insert',
      'nut',
    ])
    expect(p.w.find('tr[data-method=insert]').text()).toContain('chosen')
    expect(p.w.find('figure svg').attributes('aria-label')).toMatch(/worst of 36 directions/)
    await p.by('Insert, outside').setValue('14')
    expect(p.throughHull.design!.hold.insertMm).toBe(14)
    await p.by('Pad\u2019s bond').setValue('9')
    expect(p.throughHull.design!.pad!.bondMPa).toBe(9)
    await p.w.find('tr[data-method=through] button').trigger('click')
    expect(p.throughHull.design!.hold.method).toBe('through')
  })
  it('a figure that makes no sense is refused beside its field, and the design stays', async () => {
    const p = await page(KickView, fit())
    await p.by('Pad diameter').setValue('wide')
    await p.by('Pad diameter').trigger('blur')
    expect(p.w.find('[role=alert]').text()).toContain('wide')
    expect(p.throughHull.design!.pad!.diameterMm).toBe(fit().pad!.diameterMm)
  })
})

describe('metals', () => {
  it('readings stand by the day they were read on, the last decides, and a date is projected', async () => {
    const p = await page(
      MetalsView,
      fit({ 'metals.anode': { alloy: 'zinc', wettedM2: 0.3, finish: 'bare-bronze', years: 1, pieceKg: 1 } }),
      {
        log: [
          line({ value: 0.4, at: '2026-04-01T12:00:00Z' }),
          line({ value: 0.05, at: '2026-02-01T12:00:00Z' }),
          line({ kind: 'anode', value: 100, at: '2026-01-01T12:00:00Z' }),
          line({ kind: 'anode', value: 80, at: '2026-03-02T12:00:00Z' }),
        ],
      },
    )
    expect(p.w.find('ul').text()).toMatch(/1 Apr 2026 0.4.*1 Feb 2026 0.05/)
    expect(p.throughHull.judgement!.checks.find((c) => c.id === 'bond-path')!.verdict).toBe('short')
    // 20 % in 60 days: half is reached 150 days after the first.
    expect(p.w.find('[data-test=projected]').text()).toContain('31 May 2026')
    await p.by('Read').setValue('0.06')
    await p.w.findAll('form')[0]!.trigger('submit')
    expect(p.act).toHaveBeenCalledWith('POST', 'log', { kind: 'bond', value: 0.06, note: '' })
  })
  it('one look gives no date, and says so', async () => {
    const p = await page(
      MetalsView,
      fit({ 'metals.anode': { alloy: 'zinc', wettedM2: 0.3, finish: 'bare-bronze', years: 1, pieceKg: 1 } }),
      { log: [line({ kind: 'anode', value: 90 })] },
    )
    expect(p.w.find('[data-test=projected]').text()).toContain('No date yet')
  })
})

describe('bedding', () => {
  it('chooses by joint, tells each pot by itself, and asks for an old reading again', async () => {
    const p = await page(
      BedView,
      fit(
        {
          'bedding.airC': 18,
          'bedding.surfaceC': 18,
          'bedding.humidityPct': 50,
          'bedding.takenAt': new Date(Date.now() - 3 * 3_600_000).toISOString(),
          'bedding.flange': 'epoxy-filled',
        },
        'MV-K1',
      ),
    )
    expect(p.w.find('.day').text()).toContain('Read again before the bead goes on')
    expect(p.w.findAll('.day h3').map((h) => h.text())).toEqual([
      'Today',
      'Epoxy that bonds pad and wedges',
      'Epoxy that it is set in',
      'Schools',
    ])
    expect(p.w.find('[data-test=gel]').text()).toMatch(/The valve goes on after \d+ min/)
    expect(p.w.find('.day').text()).toContain('It never comes out whole')
    await p.w
      .find('[data-joint=flange]')
      .findAll('button')
      .find((b) => b.text().startsWith('silyl-modified polymer, medium'))!
      .trigger('click')
    expect(p.throughHull.design!.bedding.flange).toBe('hybrid')
    await p.w.vm.$nextTick()
    expect(p.w.find('[data-test=gel]').exists()).toBe(false)
  })
  it('bronze has no epoxy among its schools', async () => {
    const p = await page(BedView, fit())
    expect(p.w.find('.day').text()).toContain('Bedded, never in epoxy')
    expect(p.w.find('.day').text()).not.toContain('Set in epoxy')
  })
})

describe('survey of one that is there', () => {
  it('findings cost what they cost; what the figures say is offered', async () => {
    const p = await page(SurveyView, fit({ existing: true, 'hose.clips': 1 }))
    expect(p.w.find('[role=status]').text()).toContain('one clip')
    await p.button('Tick it').trigger('click')
    expect(p.throughHull.design!.findings).toEqual(['one-clip'])
    await p.by(/^Handle seized/).setValue(true)
    expect(p.throughHull.judgement!.verdict).toBe('short')
    await p.w.vm.$nextTick()
    expect(p.w.text()).toContain('When the hose goes it cannot be shut')
  })
  it('a replacement is begun with what is chosen, and its bench opened', async () => {
    const p = await page(SurveyView, fit({ existing: true }))
    const replace = vi.spyOn(p.throughHull, 'replaceBy').mockResolvedValue('new-one')
    const go = vi.spyOn(p.router, 'push')
    await p.by(/^With/).setValue('MV-K1')
    await p.button('Begin its replacement').trigger('click')
    await flushPromises()
    expect(replace).toHaveBeenCalledWith('MV-K1')
    expect(go).toHaveBeenCalledWith('/through-hulls/new-one')
  })
  it('a plug is decided with its reason; a refusal stands beside it and loses nothing', async () => {
    const p = await page(
      SurveyView,
      fit({ existing: true, taperPlug: { pitMm: 2, wallMm: 5, contactPct: 80 } }, 'MV-P114'),
      { log: [line({ kind: 'decision', note: 'taper plug: replace; worn' })] },
    )
    expect(p.w.find('[data-test=taper]').text()).toContain('Replace it.')
    expect(p.w.text()).toContain('taper plug: replace; worn')
    p.act.mockRejectedValueOnce(new ApiRefusal(409, { code: 'gate', message: 'wants a reason' }))
    await p.button('Decide: lap it in').trigger('click')
    await flushPromises()
    expect(p.w.findAll('[role=alert]').map((a) => a.text())).toContain('wants a reason')
    await p.by('Why').setValue('one season')
    await p.button('Decide: lap it in').trigger('click')
    expect(p.act).toHaveBeenLastCalledWith('POST', 'decide', {
      decision: 'recondition',
      reason: 'one season',
    })
  })
})

describe('a wrong hole', () => {
  it('asks how wide before it says anything, then offers the ways out with their patch', async () => {
    const p = await page(WrongHoleView, fit())
    expect(p.w.find('[role=alert]').text()).toBe('Say how wide the hole is.')
    await p.by('Hole as it is').setValue('40')
    expect(p.w.findAll('[data-way]').map((l) => l.attributes('data-way'))).toEqual([
      'refill',
      'larger',
      'close',
    ])
    const plies = () => p.w.findAll('table[aria-label=Plies] tbody tr').length
    const before = plies()
    await p.by('Cloth').setValue('woven-200')
    expect(plies()).toBeGreaterThan(before)
    await p.by('Bevel, to one').setValue('6')
    expect(p.w.text()).toContain('12:1 is the least asked')
    expect(p.w.find('[data-way=refill]').text()).toContain('bevel 6:1')
    // Nothing is written while its hole has no record.
    expect(p.w.text()).toContain('not in the register yet')
    expect(p.w.findAll('[data-way] button')).toHaveLength(0)
  })
  it('what was decided goes into the record of its hole', async () => {
    const p = await page(WrongHoleView, fit({ boredMm: 40 }), { holes: [{ id: 7, label: 'P-007' }] })
    vi.mocked(fetch).mockClear()
    await p.button(/^Write .fill and bore again. in P-007/).trigger('click')
    await flushPromises()
    const sent = vi.mocked(fetch).mock.calls.find(([url]) => String(url).endsWith('/penetrations/7/events'))!
    expect(JSON.parse(sent[1]!.body as string)).toMatchObject({
      state: 'drilled',
      sizeMm: 40,
      note: expect.stringMatching(/^Hole too big, 40 mm: filled \(bevel 12:1/),
    })
  })
})

describe('the work', () => {
  it('a step that asks nothing is one press; one that asks opens its form; the last tick is taken back with a reason', async () => {
    const p = await page(WorkView, fit(), {
      log: [line({ kind: 'tick', step: 'must', at: '2026-01-01T08:00:00Z' })],
    })
    await p.w.find('[data-step=survey]').findAll('button')[0]!.trigger('click')
    expect(p.act).toHaveBeenCalledWith('POST', 'tick', { step: 'survey' })
    await p.w.find('[data-step=ready-bore]').findAll('button')[0]!.trigger('click')
    expect(p.w.find('[data-step=ready-bore] fieldset').exists()).toBe(true)
    await p.w
      .find('[data-step=must]')
      .findAll('button')
      .find((b) => b.text() === 'take back')!
      .trigger('click')
    const form = p.w.find('[data-step=must] form')
    expect(form.find('button').attributes('disabled')).toBeDefined()
    await form.find('input').setValue('asked the wrong question')
    await form.trigger('submit')
    expect(p.act).toHaveBeenLastCalledWith('POST', 'tick/must/back', { reason: 'asked the wrong question' })
  })
  it('an owner sees the work and ticks nothing', async () => {
    useSession().account = { role: 'owner', boats: {} } as never
    const p = await page(WorkView, fit())
    expect(p.w.findAll('.steps button')).toHaveLength(0)
    expect(p.w.findAll('.steps > li').length).toBeGreaterThan(15)
  })
})

describe('templates', () => {
  it('show the first that there is, and every file of the one chosen', async () => {
    const p = await page(CutView, fit({ 'wedge.blocks': 'none' }))
    const choice = p.by('Template')
    expect(choice.chosen()).toBe('pad')
    expect(p.w.findAll('.links a').every((a) => a.attributes('href')!.includes('what=pad'))).toBe(true)
    const wedged = await page(CutView, fit({ 'wedge.blocks': 'both' }))
    await wedged.by('Template').setValue('taper')
    expect(wedged.w.findAll('.links a').every((a) => a.attributes('href')!.includes('what=taper'))).toBe(true)
    const bare = await page(CutView, fit({}, 'MV-A10'))
    expect(bare.w.text()).toContain('nothing to cut by a template')
  })
})

describe('what is given', () => {
  it('another duty than the boat\u2019s asks why, and the reason stays with the fitting', async () => {
    const p = await page(ThroughHullGiven, fit())
    expect(p.w.text()).not.toContain('Why not the boat')
    await p.by('Duty').setValue('ocean')
    await p.by('Why not the boat\u2019s coastal').setValue('crosses with the survey in winter')
    await p.by('Why not the boat\u2019s coastal').trigger('blur')
    expect(p.throughHull.design).toMatchObject({
      duty: 'ocean',
      dutyReason: 'crosses with the survey in winter',
    })
  })
  it('a part that is chosen from the list keeps its number, one that is changed by hand loses it', async () => {
    const p = await page(ThroughHullGiven, fit())
    await p.by('Valve').setValue('MV-K1')
    expect(p.throughHull.design!.valve).toMatchObject({ id: 'MV-K1', material: 'composite' })
    await p.by('Handle').setValue('tee')
    expect(p.throughHull.design!.valve).toMatchObject({ id: null, handle: 'tee' })
    expect(p.throughHull.design!.valve!.title).toContain('as measured')
  })
  it('a thickness typed as a fraction is read as inches, one that is measured stops being an estimate', async () => {
    const p = await page(ThroughHullGiven, fit({ 'hull.measured': false }))
    await p.by('Thickness').setValue('9/16')
    await p.by('Thickness').trigger('blur')
    expect(p.throughHull.design!.hull.thicknessMm).toBeCloseTo(14.2875, 6)
    expect(estimated(p.by('Thickness'))).toBe(true)
    await p.by('Hull thickness measured').setValue(true)
    expect(estimated(p.by('Thickness'))).toBe(false)
    expect(p.throughHull.judgement!.checks.find((c) => c.id === 'total-least')!.assumed).toEqual([])
  })
  it('a chest\u2019s users are added once each, and feed its checks', async () => {
    const p = await page(ThroughHullGiven, fit({}, 'MV-X2'))
    const before = p.throughHull.design!.chest!.users.length
    const name = p.w.find('#chest-user')
    await name.setValue('fire pump')
    await name.element.closest('form')!.dispatchEvent(new Event('submit'))
    await p.w.vm.$nextTick()
    expect(p.throughHull.design!.chest!.users).toHaveLength(before + 1)
    await name.setValue('fire pump')
    expect(p.w.find('.another button').attributes('disabled')).toBeDefined()
    await p.by('For the fire pump').setValue('400')
    expect(p.throughHull.judgement!.checks.find((c) => c.id === 'chest-bore')!.verdict).toBe('short')
  })
  it('all of it is read only for an owner', async () => {
    useSession().account = { role: 'owner', boats: {} } as never
    const p = await page(ThroughHullGiven, fit())
    expect(
      p.w
        .findAll('input, select')
        .every((i) => i.attributes('disabled') !== undefined || i.attributes('readonly') !== undefined),
    ).toBe(true)
  })
})

describe('parts in the hand', () => {
  it('every figure of a part is typed as it is measured, and what follows is judged on it', async () => {
    const p = await page(PartsView, fit({}, 'MV-B34'))
    const valve = p.w.find('[data-part=valve]')
    const inside = (label: string) => {
      const l = valve.findAll('label').find((x) => x.text().startsWith(label))!
      return fieldOf(p.w, p.w.find(`[id="${l.attributes('for')}"]`))
    }
    await inside('Inlet depth').setValue('8')
    expect(p.throughHull.design!.valve).toMatchObject({ id: null, inlet: { depthMm: 8 } })
    // Eight millimetres of a thread of 14 to the inch are not five turns.
    expect(p.throughHull.judgement!.joints.find((j) => j.id === 'skin-valve')!.codes).toContain('few-turns')
    await inside('Inlet thread').setValue('npt')
    expect(p.throughHull.judgement!.joints.find((j) => j.id === 'skin-valve')!.codes).toContain('system')
  })
})
