import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { LogLine } from '@north-tide/core'
import { throughHullSteps, judgeThroughHull, type ThroughHullDesign } from '@north-tide/core/through-hull'
import { ApiRefusal } from '../src/api'
import { useFlood } from '../src/state/flood'
import { useSession } from '../src/state/session'
import FloodPlanEditor from '../src/kinds/through-hull/FloodPlanEditor.vue'
import TickForm from '../src/pieces/TickForm.vue'
import { AROUND, atTheBench, fit, opened, type Opening } from './hull-hands'
import { fieldOf } from './pick'

/** What is asked when a step is ticked, and what is sent: each thing said once. */
beforeEach(atTheBench)
// A save that comes after its test still meets the stand-in, never a real address.
afterEach(() => vi.clearAllMocks())

interface Before {
  design: ThroughHullDesign
  log: LogLine[]
}
async function form(
  step: string,
  { design, log }: Before = { design: fit({ 'bedding.pad': 'epoxy-filled' }), log: [] },
  more: Opening = {},
) {
  const throughHull = await opened(design, { log, ...more })
  const act = vi.spyOn(throughHull, 'act').mockResolvedValue({} as never)
  const steps = throughHullSteps(design, judgeThroughHull(design, AROUND), 'metric')
  const w = mount(TickForm, {
    props: { bench: throughHull, step: steps.find((s) => s.id === step)! },
    attachTo: document.body,
  })
  await flushPromises()
  const by = (label: string) => {
    const l = w.findAll('label').find((x) => x.text().startsWith(label))!
    return fieldOf(w, l.find('input').exists() ? l.find('input') : w.find(`[id="${l.attributes('for')}"]`))
  }
  return {
    w,
    act,
    by,
    gates: () => w.findAll('.gates li').map((l) => l.text()),
    sent: () => act.mock.calls.at(-1)?.[2] as Record<string, unknown>,
    send: () => w.find('form').trigger('submit'),
  }
}
/** Everything before a step, ticked long ago. */
const after = (step: string, change: Record<string, unknown> = {}): Before => {
  const design = fit({ 'bedding.pad': 'epoxy-filled', ...change })
  const steps = throughHullSteps(design, judgeThroughHull(design, AROUND), 'metric')
  const before = steps.slice(
    0,
    steps.findIndex((s) => s.id === step),
  )
  return {
    design,
    log: before.map((s) => ({
      kind: 'tick',
      step: s.id,
      value: null,
      note: '',
      who: 'x',
      at: '2026-01-01T08:00:00.000Z',
    })),
  }
}

describe('the form of a step', () => {
  it('asks for the lot and the day of a bond, the right kind of lot only, and names what stands before it as one types', async () => {
    const f = await form('pad-bond', after('pad-bond'))
    expect(f.by('Lot').titles()).toEqual([
      'no lot named',
      'E-1 Epoxy, until 1 Jan 2031',
      'E-0 Epoxy, old, until 1 Jan 2020 (past)',
    ])
    expect(f.gates()).toEqual([expect.stringContaining('No lot of epoxy is named')])
    await f.by('Lot').setValue('4')
    expect(f.gates()).toEqual([expect.stringContaining('E-0 went past its date')])
    expect(f.w.find('.act.main').attributes('disabled')).toBeDefined()
    await f.by('Lot').setValue('3')
    expect(f.gates()).toEqual([])
    await f.by('Surface temperature').setValue('16')
    await f.by('Humidity').setValue('55')
    await f.send()
    expect(f.sent()).toMatchObject({
      step: 'pad-bond',
      lotId: 3,
      tempC: 16,
      humidityPct: 55,
      reason: '',
      wet: false,
    })
    await flushPromises()
    expect(f.w.emitted('done')).toHaveLength(1)
  })
  it('a gate is passed with a reason, by a fitter; an apprentice is told to leave it', async () => {
    const f = await form('launch')
    expect(f.gates()[0]).toContain('must exist')
    await f.by('Why it is passed over').setValue('done last week')
    await f.send()
    expect(f.sent()).toMatchObject({ step: 'launch', reason: 'done last week' })
    useSession().account = { role: 'apprentice', boats: {} } as never
    await f.w.vm.$nextTick()
    expect(f.w.text()).toContain('a fitter passes a gate')
    expect(f.w.find('.act.main').attributes('disabled')).toBeDefined()
  })
  it('a gate that only the register knows is shown when it answers, and goes when what it is about changes', async () => {
    const f = await form('bore-record', after('bore-record'))
    f.act.mockRejectedValueOnce(
      new ApiRefusal(409, {
        code: 'gate',
        message: 'x',
        gates: [{ id: 'no-size', text: 'The size it was drilled to is not given.' }],
      }),
    )
    await f.by('Bored to').setValue('')
    await f.send()
    await flushPromises()
    expect(f.gates()).toEqual(['The size it was drilled to is not given.'])
    await f.by('Bored to').setValue('34')
    expect(f.gates()).toEqual([])
    await f.send()
    expect(f.sent()).toMatchObject({ sizeMm: 34, reason: '' })
  })
  it('any other refusal is said, and what was typed stays, also over a reload', async () => {
    const f = await form('bore-record', after('bore-record'))
    await f.by('Note').setValue('saw wandered')
    f.act.mockRejectedValueOnce(new ApiRefusal(409, { code: 'ticked', message: 'It is ticked already' }))
    await f.send()
    await flushPromises()
    expect(f.w.find('[role=alert]').text()).toBe('It is ticked already')
    f.w.unmount()
    const again = await form('bore-record', after('bore-record'))
    expect((again.by('Note').element as HTMLInputElement).value).toBe('saw wandered')
  })
  it('what nobody has measured is asked at its step, and the cradle taken out before one\u2019s eyes', async () => {
    const f = await form('angle', after('angle', { 'hull.angleMeasured': false }), { heelDeg: -0.4 })
    expect(f.gates()).toEqual([expect.stringContaining('No level has been laid here')])
    await f.by('The level shows').setValue('17.4')
    expect(f.gates()).toEqual([])
    // To starboard a heel to port lifts her side, so that it shows too much by as much.
    expect(f.w.find('[data-test=deadrise]').text()).toContain('17.0\u00b0')
    await f.send()
    expect(f.sent()).toMatchObject({ step: 'angle', shownDeg: 17.4, reason: '' })
    const blind = await form('angle', after('angle', { 'hull.angleMeasured': false }))
    await blind.by('The level shows').setValue('17.4')
    expect(blind.gates()).toEqual([expect.stringContaining('own heel is not known')])
  })
  it('hull and handle likewise', async () => {
    const hull = await form('survey', after('survey', { 'hull.measured': false }))
    await hull.by('Hull, through the pilot').setValue('13.4')
    await hull.send()
    expect(hull.sent()).toMatchObject({ hullMm: 13.4 })
    // Its pad is drilled: before, it goes on at any angle and nothing is read.
    const handle = await form('clock', after('clock', { existing: true }))
    expect(handle.gates()).toEqual([expect.stringContaining('Where the handle stops')])
    await handle.by('Handle stops at').setValue('205')
    await handle.send()
    expect(handle.sent()).toMatchObject({ stopsDeg: 205, reason: '' })
  })
  it('a last look goes on when each point has been looked at, and keeps its ticks over a reload', async () => {
    const f = await form('ready-bore', after('ready-bore'))
    const boxes = f.w.findAll('.looks input')
    for (const box of boxes.slice(1)) await box.setValue(true)
    expect(f.gates()).toEqual([
      expect.stringMatching(/^Not seen to yet: its place is measured from two things/),
    ])
    f.w.unmount()
    const again = await form('ready-bore', after('ready-bore'))
    expect(again.w.findAll('.looks input').map((b) => (b.element as HTMLInputElement).checked)).toEqual(
      boxes.map((_, i) => i > 0),
    )
    await again.w.find('.looks input').setValue(true)
    expect(again.gates()).toEqual([])
    await again.send()
    expect((again.sent().looked as string[]).length).toBe(boxes.length)
  })
  it('the look at the squeeze-out has its photos at hand, once its hole has a record', async () => {
    const bare = await form('line', after('line'))
    expect(bare.w.text()).toContain('has no place to go')
    const f = await form('line', after('line'), { holes: [{ id: 7, label: 'P-007' }] })
    expect(f.w.find('[aria-label=Photos] img').attributes('alt')).toBe('squeeze-out aft')
    expect(f.gates()).toEqual([])
    await f.send()
    expect(f.sent()).toMatchObject({ step: 'line' })
  })
  it('a look is dry or wet, in words', async () => {
    const f = await form('watch-now', after('watch-now'))
    const [dry, wet] = f.w.findAll('.acts button')
    expect([dry!.attributes('disabled'), wet!.attributes('disabled')]).toEqual(['', ''])
    await f.by('What was seen').setValue('a drop aft')
    await wet!.trigger('click')
    expect(f.sent()).toMatchObject({ wet: true, note: 'a drop aft' })
  })
})

describe('the boat\u2019s water', () => {
  const plan = {
    compartments: [
      { id: 'a', title: 'Fore', fromXMm: 0, toXMm: 3000, areaM2: 3, floorZMm: -350 },
      { id: 'b', title: 'Main', fromXMm: 3000, toXMm: 9000, areaM2: 9, floorZMm: -480 },
    ],
    doors: [{ a: 'a', b: 'b', title: 'Limber', open: true, sillZMm: -340, areaCm2: 20 }],
    pumps: [{ compartment: 'b', title: 'Bilge', ratedLpm: 100, derate: 0.5, startZMm: -400 }],
    marks: [{ compartment: 'b', name: 'Sole', zMm: -250 }],
  }
  async function editor() {
    vi.mocked(fetch).mockImplementationOnce(
      async () => new Response(JSON.stringify({ plan, version: 2, estimated: false, updatedBy: 'x' })),
    )
    const flood = useFlood()
    await flood.open('b')
    const w = mount(FloodPlanEditor, {
      props: { compartment: 'b' },
      global: { stubs: { ConflictDialog: true } },
    })
    const press = (name: string) =>
      w
        .findAll('button')
        .find((b) => b.text() === name || b.attributes('aria-label') === name)!
        .trigger('click')
    return { flood, w, press }
  }
  it('doors, pumps and marks are added where the fitting stands, and taken away again', async () => {
    const { flood, press } = await editor()
    for (const what of ['Add a door or pipe', 'Add a pump', 'Add a mark']) await press(what)
    expect(flood.plan!.doors[1]).toMatchObject({ a: 'b', b: 'a', open: false, sillZMm: -330 })
    expect(flood.plan!.pumps[1]).toMatchObject({ compartment: 'b', derate: 0.5, startZMm: -430 })
    expect(flood.plan!.marks[1]).toMatchObject({ compartment: 'b', zMm: -240 })
    await press('Remove Limber')
    await press('Remove Sole')
    expect([flood.plan!.doors.map((d) => d.title), flood.plan!.marks.map((m) => m.name)]).toEqual([
      ['Door'],
      ['Mark'],
    ])
  })
  it('a compartment goes with what stands in it, and comes back whole with undo', async () => {
    const { flood, press, w } = await editor()
    await press('Remove Main, its doors, pumps and marks')
    expect(flood.plan).toMatchObject({ doors: [], pumps: [], marks: [] })
    expect(w.text()).toContain('to the stern at')
    expect(w.text()).toContain('nothing divides it')
    await press('Undo, the boat\u2019s water')
    expect(flood.plan).toEqual(plan)
  })
  it('saves itself under its version, and is read only for an owner', async () => {
    vi.useFakeTimers()
    try {
      const { flood, press, w } = await editor()
      await press('Add a mark')
      // What the tests before still had to save may go out now, too: only what this one saves counts.
      vi.mocked(fetch).mockClear()
      await vi.advanceTimersByTimeAsync(600)
      const put = vi
        .mocked(fetch)
        .mock.calls.findLast(([, o]) => o?.method === 'PUT' && /"Sole".*"Mark"/.test(String(o.body)))!
      expect(put[0]).toBe('/api/boats/b/flooding')
      expect(JSON.parse(put[1]!.body as string)).toMatchObject({
        version: 2,
        plan: { marks: [{ name: 'Sole' }, { name: 'Mark' }] },
      })
      useSession().account = { role: 'owner', boats: {} } as never
      await w.vm.$nextTick()
      expect(w.findAll('button').some((b) => b.text().startsWith('Add'))).toBe(false)
      expect(
        w
          .findAll('input')
          .every((i) => i.attributes('disabled') !== undefined || i.attributes('readonly') !== undefined),
      ).toBe(true)
      expect(flood.readOnly).toBe(true)
    } finally {
      vi.useRealTimers()
    }
  })
})
