import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { reactive, ref } from 'vue'
import type { Units } from '@north-tide/core'
import OutlineForm from '../src/places/boat/survey/OutlineForm.vue'
import PartForm from '../src/places/boat/survey/PartForm.vue'
import ReadingsPage from '../src/places/boat/survey/ReadingsPage.vue'
import ZoneForm from '../src/places/boat/survey/ZoneForm.vue'
import YardValues from '../src/places/reference/YardValues.vue'
import SignIn from '../src/places/sign-in/SignIn.vue'
import OwnHardware from '../src/places/stores/OwnHardware.vue'
import { typedLengths } from '../src/pieces/typed-lengths'
import { useSession } from '../src/state/session'
import { BOAT, FOREDECK, aboard, refusal, shown } from './deck-hands'

vi.mock('comlink', () => ({ proxy: (f: unknown) => f, wrap: () => ({ wetMap: async () => null }) }))
vi.stubGlobal(
  'Worker',
  class {
    terminate() {}
  },
)
beforeEach(() => void aboard())
afterEach(() => vi.clearAllMocks())
const ZONE = {
  ...FOREDECK,
  id: 4,
  version: 2,
  reachKind: 'one-arm',
  layers: FOREDECK.layers.map((l) => ({ ...l, spreadMm: null, count: 0 })),
  outline: [
    { xMm: 300.7, yMm: -1200 },
    { xMm: 3100, yMm: -1200.25 },
    { xMm: 3100, yMm: 1200 },
  ],
}
const job = { id: 'j', total: 0, done: 0, turned: 0, running: false, solverLeft: 0 }

describe('lengths typed into a table', () => {
  const table = (units = ref<Units>('inch')) => {
    const rows = reactive([{ x: '', y: '' }])
    return {
      rows,
      units,
      ...typedLengths(
        () => units.value,
        () => rows,
        ['x', 'y'],
      ),
    }
  }
  it.each([12, -1200.25, 300.7, 0, -0.4, 3175])(
    'one of %f mm that nobody touched comes back as it was, in inches too',
    (mm) => {
      const t = table()
      expect(t.read(t.text(mm))).toBe(mm)
    },
  )
  it('what is typed is read in the yard\u2019s units, to port with a minus, with whatever unit a hand writes', () => {
    const t = table()
    for (const [typed, mm] of [
      ['12', 304.8],
      ['-3/4', -19.05],
      ['\u2212 1 1/2', -38.1],
      ['-5\' 4"', -1625.6],
      ['40 cm', 400],
    ] as const)
      expect(t.read(typed)).toBeCloseTo(mm, 9)
    expect(t.read('far')).toBeNull()
  })
  it('turning the units turns what was typed, and leaves what cannot be read', () => {
    const t = table(ref<Units>('metric'))
    Object.assign(t.rows[0]!, { x: '-304.8', y: 'somewhere' })
    t.units.value = 'inch'
    expect(t.rows[0]).toEqual({ x: '-12', y: 'somewhere' })
    t.units.value = 'metric'
    expect(t.read(t.rows[0]!.x)).toBeCloseTo(-304.8, 9)
  })
})

describe('a zone', () => {
  it('kept without a touch it is sent as it was, to the hundredth, in an inch yard too', async () => {
    const s = aboard({ '/boats/b/zones/4': { zones: [ZONE], job } }, { units: 'inch', zones: [ZONE] })
    const p = await shown(ZoneForm, { boat: { ...BOAT, units: 'inch', beamMm: 2400 }, zone: ZONE, may: true })
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(s.sent('PUT', '/zones/4')).toMatchObject({ version: 2, outline: ZONE.outline })
  })
  it('a corner that cannot be read is named, and nothing is sent', async () => {
    const s = aboard({}, { zones: [ZONE] })
    const p = await shown(ZoneForm, { boat: { ...BOAT, beamMm: 2400 }, zone: ZONE, may: true })
    await p.w.find('[aria-label="Corner 2, x, aft"]').setValue('far aft')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.w.find('[role=alert]').text()).toContain('Corner 2: \u201cfar aft\u201d')
    expect(s.calls.some((c) => c.method === 'PUT')).toBe(false)
  })
  it('another build has its own layers; a refused one is told at its field', async () => {
    aboard({
      '/boats/b/zones': () =>
        refusal(400, {
          code: 'invalid-input',
          path: 'layers.0.thicknessMm',
          message: '900 was given; up to 500 is accepted',
        }),
    })
    const p = await shown(ZoneForm, { boat: { ...BOAT, beamMm: 2400 }, zone: null, may: true })
    await p.by('Build').setValue('metal')
    expect(p.w.findAll('fieldset.layer')).toHaveLength(1)
    await p.by('Name').setValue('Roof')
    await p.by('Thick').setValue('900')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.w.find('fieldset.layer [role=alert]').text()).toContain('900 was given')
    expect((p.by('Name').element as HTMLInputElement).value).toBe('Roof')
  })
})

describe('the outline', () => {
  const boat = {
    ...BOAT,
    stations: [
      { xMm: 0, halfBreadthMm: 10.3, sheerMm: 1700, keelMm: 200 },
      { xMm: 9000, halfBreadthMm: 1200, sheerMm: 1500, keelMm: -350 },
    ],
  }
  it('goes back as it came, keel below the water with its minus', async () => {
    const s = aboard({ '/boats/b/stations': {} }, { units: 'inch' })
    const p = await shown(OutlineForm, { boat, may: true })
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(s.sent('PUT', '/stations')).toEqual({ stations: boat.stations })
  })
})

describe('a part of the structure', () => {
  it('takes the usual name of its kind until somebody gives it one', async () => {
    const s = aboard({ '/boats/b/structure': { job } })
    const p = await shown(PartForm, { boat: BOAT, part: null, may: true })
    await p.by('Kind').setValue('sling')
    expect((p.by('Name').element as HTMLInputElement).value).not.toBe('deck beam')
    await p.by('Name').setValue('Sling aft')
    await p.by('Kind').setValue('bunk')
    expect((p.by('Name').element as HTMLInputElement).value).toBe('Sling aft')
    await p.by('From x, aft').setValue('6.2m')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(s.sent('POST', '/structure')).toMatchObject({ kind: 'bunk', title: 'Sling aft', x0Mm: 6200 })
  })
})

describe('readings', () => {
  it('each kind asks its own figures and sends no others', async () => {
    const s = aboard({ '/boats/b/readings': { readings: [], job: null } })
    const p = await shown(ReadingsPage)
    await p.by('Reading').setValue('31')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(s.sent('POST', '/readings')).toMatchObject({
      kind: 'moisture',
      zone: 'foredeck',
      value: 31,
      dryReference: 14,
      scaleMost: 100,
    })
    expect(p.w.find('[role=status]').text()).toContain('Kept at')
    await p.by('What').setValue('tap')
    await p.by('It sounds').setValue('dull')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    const tap = s.sent('POST', '/readings')!
    expect(tap).toMatchObject({ kind: 'tap', finding: 'dull' })
    expect(tap).not.toHaveProperty('value')
    await p.by('What').setValue('thickness')
    await p.by('outer skin').setValue('5/32"')
    await p.by('core').setValue('12.2')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(
      (s.sent('POST', '/readings')!.layers as { layer: number; thicknessMm: number }[]).map((l) => [
        l.layer,
        Math.round(l.thicknessMm * 100) / 100,
      ]),
    ).toEqual([
      [0, 3.97],
      [1, 12.2],
    ])
  })
})

describe('the yard\u2019s own values', () => {
  it('want a figure and how it was measured; an apprentice is not asked', async () => {
    const s = aboard({ '/yard-values': [] })
    const p = await shown(YardValues)
    expect(p.button('Use our value').attributes('disabled')).toBeDefined()
    await p.by('Measured').setValue('1.9')
    await p.by('How it was measured').setValue('three discs in the press')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(s.sent('PUT', '/yard-values')).toEqual({
      kind: 'core',
      material: 'balsa-150',
      field: 'shearMPa',
      value: 1.9,
      reason: 'three discs in the press',
      version: 0,
    })
    useSession().account = { role: 'apprentice', boats: {} } as never
    await p.w.vm.$nextTick()
    expect(p.w.find('form').exists()).toBe(false)
  })
})

describe('own hardware', () => {
  it('is drawn once with its holes, and goes into the list under its number', async () => {
    const s = aboard({ '/catalogue': [], '/hardware': {}, '/habits': {}, '/goods': [], '/yard-values': [] })
    const p = await shown(OwnHardware)
    await p.w
      .findAll('button')
      .find((b) => /draw|new|add/i.test(b.text()))!
      .trigger('click')
    await p.by('Number').setValue('SQ-12')
    await p.by('What it is').setValue('Fairlead of the yard')
    await p.w.find('.sizes input').setValue(true)
    await p.w.find('[aria-label="Hole 1, x"]').setValue('-35')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(s.sent('PUT', '/hardware')).toMatchObject({ id: 'SQ-12', title: 'Fairlead of the yard' })
    expect((s.sent('PUT', '/hardware')!.bolts as { xMm: number }[])[0]!.xMm).toBe(-35)
    expect(p.w.find('[role=status]').text()).toContain('SQ-12 is in the list')
  })

  const cleat = {
    ...{ id: 'SQ-9', title: 'Cleat of the yard', maker: 'the yard', family: 'mooring-cleat', face: 'bronze' },
    ...{ base: { lengthMm: 120, widthMm: 40, thicknessMm: 8, bodyHeightMm: 50 }, outline: [], own: true },
    ...{ bolts: [{ xMm: 0, yMm: 0 }], sizes: ['M8'], head: 'hex', ratedN: null, units: 'metric', version: 3 },
  }
  const there = () =>
    aboard({ '/catalogue': [cleat], '/hardware': {}, '/habits': {}, '/goods': [], '/yard-values': [] })
  const press = async (p: Awaited<ReturnType<typeof shown>>, words: string) => {
    await p.button(words).trigger('click')
    await flushPromises()
  }
  it('is put back whole after it was taken away', async () => {
    const s = there()
    const p = await shown(OwnHardware)
    await flushPromises()
    await press(p, 'take away')
    expect(p.w.text()).toContain('SQ-9, Cleat of the yard, was taken away')
    await press(p, 'Put it back')
    const { own: _own, ...sent } = cleat
    expect(s.sent('PUT', '/hardware')).toEqual({ ...sent, pipeMm: null, version: 0 })
    expect(p.w.find('[role=status]').text()).toBe('SQ-9 is in the list again.')
  })
  it('keeps what was typed when another is begun, until that is thrown away', async () => {
    there()
    const p = await shown(OwnHardware)
    await flushPromises()
    await press(p, 'change')
    const title = () => (p.by('What it is').element as HTMLInputElement).value
    expect(title()).toBe('Cleat of the yard')
    await press(p, 'Draw a new one')
    expect(title()).toBe('')
    await p.by('What it is').setValue('Half a name')
    await press(p, 'change')
    expect(title()).toBe('Half a name')
    await press(p, 'Start afresh')
    await press(p, 'change')
    expect(title()).toBe('Cleat of the yard')
  })
})

describe('the door', () => {
  it('says why nobody came in, and keeps the login', async () => {
    aboard({ '/session': () => refusal(401, { code: 'sign-in', message: 'Login or password is wrong' }) })
    useSession().account = null
    const p = await shown(SignIn)
    await p.by('Login').setValue('fitter')
    await p.by('Password').setValue('nope')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.w.find('[role=alert]').text()).toContain('Login or password is wrong')
    expect((p.by('Login').element as HTMLInputElement).value).toBe('fitter')
  })
  it('leads to where one wanted to go, never out of the house', async () => {
    aboard({ '/session': { account: { role: 'fitter', name: 'Tam' }, demo: false } })
    const p = await shown(SignIn)
    const go = vi.spyOn(p.router, 'push')
    await p.router.replace('/?to=//elsewhere.example')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(go).toHaveBeenLastCalledWith('/boat')
    await p.router.replace('/?to=/register/7')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(go).toHaveBeenLastCalledWith('/register/7')
  })
})
