import { createPinia, setActivePinia } from 'pinia'
import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { belowEntry, belowSteps, judgeBelow, parseBelow, startBelow, type BelowDesign } from '@north-tide/core/below'
import { withChange } from '@north-tide/core'
import { ApiRefusal } from '../src/api'
import { useBelow } from '../src/stores/below'
import { useBoats } from '../src/stores/boats'
import { useFlood } from '../src/stores/flood'
import { useSession } from '../src/stores/session'
import FloodPlanEditor from '../src/places/below/FloodPlanEditor.vue'
import TickForm from '../src/places/below/TickForm.vue'

/** What is asked when a step is ticked, and what is sent: each thing said once. */
const AROUND = { zones: [], parts: [], holes: [], others: [] }
const fit = (change: Record<string, unknown> = {}): BelowDesign =>
  parseBelow(withChange(startBelow(belowEntry('MV-S1')!, { place: { zone: 'Bottom', xMm: 5000, yMm: 400, zMm: -420, measuredFrom: [] }, hull: { kind: 'solid', thicknessMm: 14, measured: true, how: 'plug', deadriseDeg: 17, slopeDeg: 0, angleMeasured: true, solidMm: null }, duty: 'coastal' }, 'Intake'), change))
const LOTS = [
  { id: 3, code: 'E-1', title: 'Epoxy', chemistry: 'epoxy', kind: 'epoxy', openedOn: null, expiresOn: '2031-01-01', storedHot: false, onHand: '', testedOn: null, testNote: '' },
  { id: 4, code: 'E-0', title: 'Epoxy, old', chemistry: 'epoxy', kind: 'epoxy', openedOn: null, expiresOn: '2020-01-01', storedHot: false, onHand: '', testedOn: null, testNote: '' },
  { id: 5, code: 'S-1', title: 'Polysulfide', chemistry: 'polysulfide', kind: 'sealant', openedOn: null, expiresOn: '2031-01-01', storedHot: false, onHand: '', testedOn: null, testNote: '' },
]
const boat = { id: 'b', name: 'Boat', lengthMm: 9000, units: 'metric', zones: [], parts: [], holes: [], below: [] }
beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
  vi.stubGlobal('fetch', vi.fn(async (url: string) => new Response(JSON.stringify(String(url).endsWith('/lots') ? LOTS : {}))))
  useSession().account = { role: 'fitter', name: 'Tam' } as never
  useBoats().picture = boat as never
})
afterEach(() => vi.unstubAllGlobals())

/** A fitting as the store holds it once it is open. */
async function opened(design: BelowDesign) {
  const below = useBelow()
  vi.mocked(fetch).mockImplementationOnce(async () => new Response(JSON.stringify({ id: 'f', boatId: 'b', version: 1, design, updatedBy: '', others: [], log: [], holes: [], hullNow: null, replacedBy: null, recorded: false })))
  await below.open('f')
  return below
}
async function form(step: string, design = fit({ 'bedding.pad': 'epoxy-filled' })) {
  const below = await opened(design)
  const act = vi.spyOn(below, 'act').mockResolvedValue({} as never)
  const steps = belowSteps(design, judgeBelow(design, AROUND), 'metric')
  const w = mount(TickForm, { props: { step: steps.find((s) => s.id === step)! }, attachTo: document.body })
  await flushPromises()
  const by = (label: string) => {
    const l = w.findAll('label').find((x) => x.text().startsWith(label))!
    return l.find('input').exists() ? l.find('input') : w.find(`[id="${l.attributes('for')}"]`)
  }
  return { w, act, by, gates: () => w.findAll('.gates li').map((l) => l.text()), sent: () => act.mock.calls.at(-1)?.[2] as Record<string, unknown>, send: () => w.find('form').trigger('submit') }
}
/** Everything before a step, ticked long ago. */
const after = (step: string, change: Record<string, unknown> = {}) => {
  const d = fit({ 'bedding.pad': 'epoxy-filled', ...change })
  const steps = belowSteps(d, judgeBelow(d, AROUND), 'metric')
  return { ...d, ticks: Object.fromEntries(steps.slice(0, steps.findIndex((s) => s.id === step)).map((s) => [s.id, { at: '2026-01-01T08:00:00.000Z', by: 'x', note: '' }])) }
}

describe('the form of a step', () => {
  it('asks for the lot and the day of a bond, the right kind of lot only, and names what stands before it as one types', async () => {
    const f = await form('pad-bond', after('pad-bond'))
    expect(f.by('Lot').findAll('option').map((o) => o.text())).toEqual(['no lot named', 'E-1 Epoxy, until 2031-01-01', 'E-0 Epoxy, old, until 2020-01-01 (past)'])
    expect(f.gates()).toEqual([expect.stringContaining('No lot of epoxy is named')])
    await f.by('Lot').setValue('4')
    expect(f.gates()).toEqual([expect.stringContaining('E-0 went past its date')])
    expect(f.w.find('.act.main').attributes('disabled')).toBeDefined()
    await f.by('Lot').setValue('3')
    expect(f.gates()).toEqual([])
    await f.by('Surface temperature').setValue('16')
    await f.by('Humidity').setValue('55')
    await f.send()
    expect(f.sent()).toMatchObject({ step: 'pad-bond', lotId: 3, tempC: 16, humidityPct: 55, reason: '', wet: false })
    await flushPromises()
    expect(f.w.emitted('done')).toHaveLength(1)
  })
  it('a gate is passed with a reason, by a fitter; an apprentice is told to leave it', async () => {
    const f = await form('launch')
    expect(f.gates()[0]).toContain('must exist')
    await f.by('Why it is passed over').setValue('done last week')
    await f.send()
    expect(f.sent()).toMatchObject({ step: 'launch', reason: 'done last week' })
    useSession().account = { role: 'apprentice' } as never
    await f.w.vm.$nextTick()
    expect(f.w.text()).toContain('a fitter passes a gate')
    expect(f.w.find('.act.main').attributes('disabled')).toBeDefined()
  })
  it('a gate that only the register knows is shown when it answers, and goes when what it is about changes', async () => {
    const f = await form('bore-record', after('bore-record'))
    f.act.mockRejectedValueOnce(new ApiRefusal(409, { code: 'gate', message: 'x', gates: [{ id: 'no-size', text: 'The size it was drilled to is not given.' }] }))
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
    compartments: [{ id: 'a', title: 'Fore', fromXMm: 0, toXMm: 3000, areaM2: 3, floorZMm: -350 }, { id: 'b', title: 'Main', fromXMm: 3000, toXMm: 9000, areaM2: 9, floorZMm: -480 }],
    doors: [{ a: 'a', b: 'b', title: 'Limber', open: true, sillZMm: -340, areaCm2: 20 }], pumps: [{ compartment: 'b', title: 'Bilge', ratedLpm: 100, derate: 0.5, startZMm: -400 }], marks: [{ compartment: 'b', name: 'Sole', zMm: -250 }],
  }
  async function editor() {
    vi.mocked(fetch).mockImplementationOnce(async () => new Response(JSON.stringify({ plan, version: 2, estimated: false, updatedBy: 'x' })))
    const flood = useFlood()
    await flood.open('b')
    const w = mount(FloodPlanEditor, { props: { compartment: 'b' }, global: { stubs: { ConflictDialog: true } } })
    const press = (name: string) => w.findAll('button').find((b) => b.text() === name || b.attributes('aria-label') === name)!.trigger('click')
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
    expect([flood.plan!.doors.map((d) => d.title), flood.plan!.marks.map((m) => m.name)]).toEqual([['Door'], ['Mark']])
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
      await vi.advanceTimersByTimeAsync(600)
      const put = vi.mocked(fetch).mock.calls.find(([, o]) => o?.method === 'PUT')!
      expect(put[0]).toBe('/api/boats/b/flooding')
      expect(JSON.parse(put[1]!.body as string)).toMatchObject({ version: 2, plan: { marks: [{ name: 'Sole' }, { name: 'Mark' }] } })
      useSession().account = { role: 'owner' } as never
      await w.vm.$nextTick()
      expect(w.findAll('button').some((b) => b.text().startsWith('Add'))).toBe(false)
      expect(w.findAll('input').every((i) => i.attributes('disabled') !== undefined || i.attributes('readonly') !== undefined)).toBe(true)
      expect(flood.readOnly).toBe(true)
    } finally {
      vi.useRealTimers()
    }
  })
})
