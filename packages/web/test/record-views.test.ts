import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { holeLabel, type LifeState } from '@north-tide/core'
import HolePanel from '../src/places/register/HolePanel.vue'
import FoundHoles from '../src/places/boat/survey/FoundHoles.vue'
import AnglesPage from '../src/places/boat/survey/AnglesPage.vue'
import StoresPlace from '../src/places/stores/StoresPlace.vue'
import FindAnything from '../src/pieces/FindAnything.vue'
import { useSession } from '../src/state/session'
import { useSurvey } from '../src/state/survey'
import { aboard, refusal, shown } from './deck-hands'
import { soon } from './soon'

vi.mock('comlink', () => ({ proxy: (f: unknown) => f, wrap: () => ({ wetMap: async () => null }) }))
vi.stubGlobal(
  'Worker',
  class {
    terminate() {}
  },
)
beforeEach(() => void aboard())
afterEach(() => vi.clearAllMocks())

const LOT = {
  id: 3,
  code: 'E-1',
  title: 'Epoxy',
  chemistry: 'epoxy',
  kind: 'epoxy',
  openedOn: null,
  expiresOn: '2031-01-01',
  storedHot: false,
  quantity: null,
  unit: '',
  testedOn: null,
  testNote: '',
}
const TUBE = { ...LOT, id: 5, code: 'S-1', title: 'Hybrid', chemistry: 'hybrid', kind: 'sealant' }
const event = (seq: number, state: LifeState, more: object = {}) => ({
  seq,
  state,
  note: '',
  who: 'Tam',
  at: `2026-03-0${seq}T09:00:00Z`,
  sizeMm: null,
  lot: null,
  tempC: null,
  humidityPct: null,
  evidence: '',
  gatesPassed: [],
  gateReason: '',
  corrects: null,
  ...more,
})
const hole = (over: object = {}) => ({
  id: 7,
  boatId: 'b',
  label: holeLabel(7),
  number: 7,
  whatFor: 'Cleat, bolt 1',
  state: 'marked',
  zone: 'Foredeck',
  xMm: 1200,
  yMm: -400,
  zMm: 1600,
  diameterMm: 9,
  acrossMm: null,
  foundKind: '',
  measuredFrom: '',
  through: 'outer skin 4 mm',
  fastener: 'M8',
  plate: '',
  coreSchool: 'bore-fill',
  sealant: 'hybrid',
  found: false,
  fittingId: 'f',
  fittingKind: 'deck-hardware',
  part: 'bolt 1',
  belowWaterline: false,
  next: ['drilled', 'suspect', 'closed'],
  sizes: [],
  cure: null,
  log: [],
  events: [event(1, 'marked')],
  ...over,
})

describe('the record of a hole', () => {
  const open = async (over: object = {}, server: Parameters<typeof aboard>[0] = {}) => {
    const s = aboard({
      '/lots': [LOT, TUBE],
      '/penetrations/7': hole(over),
      '/penetrations/7/events': hole(over),
      ...server,
    })
    return { ...s, ...(await shown(HolePanel, { id: 7 })) }
  }
  it('offers what may come next, and writes its size with it', async () => {
    const p = await open(
      {},
      {
        '/penetrations/7/events': hole({
          state: 'drilled',
          events: [event(1, 'marked'), event(2, 'drilled', { sizeMm: 9.5 })],
          next: ['core-sealed'],
        }),
      },
    )
    expect(p.by('State').titles()).toEqual(['drilled', 'suspect', 'closed'])
    await p.by('Drilled to').setValue('9.5')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.sent('POST', '/penetrations/7/events')).toMatchObject({ state: 'drilled', sizeMm: 9.5 })
    expect(p.w.emitted('changed')).toHaveLength(1)
    expect(p.w.find('.events').text()).toContain('9.5 mm')
  })
  it('a gate stands with its reason; it is passed with one, and both stay', async () => {
    const p = await open(
      { state: 'drilled', next: ['core-sealed'] },
      {
        '/penetrations/7/events': () =>
          refusal(409, {
            code: 'gate',
            message: 'x',
            gates: [{ id: 'no-lot', text: 'No lot of epoxy is named.' }],
          }),
      },
    )
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.w.find('.gates').text()).toContain('No lot of epoxy is named.')
    expect(p.button('Pass the gate and record').attributes('disabled')).toBeDefined()
    await p.by('Reason to pass it').setValue('label lost, tube from the same box')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.sent('POST', '/penetrations/7/events')).toMatchObject({
      gateReason: 'label lost, tube from the same box',
    })
  })
  it('an apprentice records and passes no gate', async () => {
    useSession().account = { role: 'apprentice', boats: {} } as never
    const s = aboard({
      '/lots': [LOT],
      '/penetrations/7': hole({ state: 'drilled', next: ['core-sealed'] }),
      '/penetrations/7/events': () =>
        refusal(409, { code: 'gate', message: 'x', gates: [{ id: 'no-lot', text: 'No lot.' }] }),
    })
    useSession().account = { role: 'apprentice', boats: {} } as never
    const p = await shown(HolePanel, { id: 7 })
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.w.find('.gates').text()).toContain('a fitter passes the gate')
    expect(p.w.find('form .act.main').attributes('disabled')).toBeDefined()
    expect(s.calls.some((c) => c.method === 'POST')).toBe(true)
  })
  it('bedding asks for its lot, the right kind, and for the day', async () => {
    const p = await open({ state: 'dry-fitted', next: ['bedded'] })
    expect(p.by('Lot').titles()).toEqual(['no lot named', expect.stringContaining('S-1')])
    await p.by('Lot').setValue('5')
    await p.by('Surface temperature').setValue('65F')
    await p.by('Humidity').setValue('55')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    const sent = p.sent('POST', '/penetrations/7/events')!
    expect(sent).toMatchObject({ state: 'bedded', lotId: 5, humidityPct: 55 })
    expect(sent.tempC as number).toBeCloseTo(18.33, 2)
  })
  it('what was written wrong is corrected by one that names it; nothing is rubbed out', async () => {
    const p = await open({
      state: 'drilled',
      events: [event(1, 'marked'), event(2, 'drilled', { sizeMm: 90 })],
      next: ['core-sealed'],
    })
    await p.w
      .findAll('button')
      .find((b) => b.attributes('aria-label')?.startsWith('Correct drilled'))!
      .trigger('click')
    expect(p.w.find('form').text()).toContain('What was written stays on record')
    await p.by('Drilled to').setValue('9')
    expect(p.w.find('form .act.main').attributes('disabled')).toBeDefined()
    await p.by('What was wrong with it').setValue('a nought too many')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.sent('POST', '/penetrations/7/events')).toMatchObject({
      state: 'drilled',
      corrects: 2,
      sizeMm: 9,
      note: 'a nought too many',
    })
  })
  it('one that was corrected is struck through and cannot be corrected again', async () => {
    const p = await open({
      state: 'drilled',
      events: [
        event(1, 'marked'),
        event(2, 'drilled', { sizeMm: 90 }),
        event(3, 'drilled', { sizeMm: 9, corrects: 2 }),
      ],
    })
    const rows = p.w.findAll('.events li')
    expect(rows[1]!.classes()).toContain('gone')
    expect(rows[1]!.text()).toContain('corrected')
    expect(rows[1]!.find('button').exists()).toBe(false)
    expect(rows[2]!.text()).toContain('corrects drilled of')
  })
  it('what is typed survives a reload', async () => {
    const p = await open()
    await p.by('Note').setValue('rust weep aft')
    p.w.unmount()
    const kept = localStorage.getItem('north-tide:event:7')!
    const s = aboard({ '/penetrations/7': hole() })
    localStorage.setItem('north-tide:event:7', kept)
    const again = await shown(HolePanel, { id: 7 })
    expect((again.by('Note').element as HTMLInputElement).value).toBe('rust weep aft')
    expect(s.calls.some((c) => c.method === 'POST')).toBe(false)
  })
  it('an owner reads it and writes nothing', async () => {
    aboard({ '/penetrations/7': hole() })
    useSession().account = { role: 'owner', boats: {} } as never
    const p = await shown(HolePanel, { id: 7 })
    expect(p.w.find('form').exists()).toBe(false)
    expect(p.w.text()).toContain('P-007')
  })
})

describe('found holes in a row', () => {
  const found = (over: object = {}) => ({
    ...hole(),
    id: 9,
    label: 'P-009',
    found: true,
    foundKind: 'cut-off rivet',
    fittingId: null,
    xMm: 4000,
    yMm: -1600,
    diameterMm: 6.5,
    ...over,
  })
  it('enter keeps one and leaves what they have in common standing', async () => {
    const s = aboard({ '/boats/b/penetrations': found() })
    const p = await shown(FoundHoles)
    await p.by('Found').setValue('cut-off rivet')
    await p.by('or x, aft').setValue('4000')
    await p.by('y, to starboard').setValue('-1600')
    await p.by('Was for').setValue('old rail')
    await p.by('Note').setValue('rust weep')
    await p.w.find('form').trigger('keydown.enter')
    await flushPromises()
    expect(s.sent('POST', '/boats/b/penetrations')).toMatchObject({
      foundKind: 'cut-off rivet',
      whatFor: 'old rail',
      diameterMm: 6.5,
      xMm: 4000,
      yMm: -1600,
      note: 'rust weep',
    })
    expect([
      (p.by('Was for').element as HTMLInputElement).value,
      (p.by('Note').element as HTMLInputElement).value,
    ]).toEqual(['old rail', ''])
    expect(p.w.find('table').text()).toContain('P-009')
  })
  it('a neighbour within 50 mm is flagged as one patch', async () => {
    aboard(
      { '/boats/b/penetrations': found() },
      { holes: [{ ...found(), id: 4, label: 'P-004', xMm: 4030 }] },
    )
    const p = await shown(FoundHoles)
    await p.by('or x, aft').setValue('4000')
    await p.by('y, to starboard').setValue('-1600')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.w.find('table').text()).toContain('P-004 within 50 mm: one patch')
  })
  it('what the server refuses stands at its field, and everything typed stays', async () => {
    aboard({
      '/boats/b/penetrations': () =>
        refusal(400, {
          code: 'invalid-input',
          path: 'diameterMm',
          message: '900 was given; up to 500 is accepted',
        }),
    })
    const p = await shown(FoundHoles)
    await p.by('Size').setValue('900')
    await p.by('or x, aft').setValue('4000')
    await p.by('y, to starboard').setValue('0')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(p.w.find('[role=alert]').text()).toContain('900 was given')
    expect((p.by('Size').element as HTMLInputElement).value).toBe('900')
  })
})

describe('a found hole is kept where it was understood, and nowhere else', () => {
  it('nonsense, or no place at all, sends nothing and says why', async () => {
    const s = aboard({ '/boats/b/penetrations': hole() })
    const p = await shown(FoundHoles)
    await p.w.find('form').trigger('keydown.enter')
    expect(p.w.text()).toContain('Nothing was kept: say where it is')
    await p.by('Where').setValue('somewhere by the mast')
    await p.w.find('form').trigger('keydown.enter')
    await flushPromises()
    expect(p.w.text()).toContain('Nothing was kept: where it is could not be read')
    expect(p.w.text()).toContain('cannot be read; write as')
    expect(s.sent('POST', '/boats/b/penetrations')).toBeUndefined()
  })
  it('one that was kept by mistake is withdrawn with a reason', async () => {
    const s = aboard({
      '/boats/b/penetrations': { ...hole(), id: 9, label: 'P-009', found: true, xMm: 10, yMm: 0 },
      '/penetrations/9/withdraw': {},
    })
    const p = await shown(FoundHoles)
    await p.by('or x, aft').setValue('10')
    await p.by('y, to starboard').setValue('0')
    await p.w.find('form').trigger('submit')
    await flushPromises()
    await p.button('withdraw this hole …').trigger('click')
    expect(p.button('Withdraw').attributes('disabled')).toBeDefined()
    await p.by('Why is it withdrawn? It stays on record with this.').setValue('kept twice')
    await p.w.find('form.withdraw').trigger('submit')
    await flushPromises()
    expect(s.sent('POST', '/penetrations/9/withdraw')).toEqual({ why: 'kept twice' })
    expect(p.w.text()).toContain('Nothing entered in this sitting')
  })
})

describe('angles', () => {
  const row = (id: number, role: string, degrees: number) => ({
    id,
    role,
    station: '',
    side: null,
    axis: null,
    leanDeg: null,
    afterCount: null,
    degrees,
    instrument: '',
    who: 'Tam',
    takenAt: '2026-03-01T09:00:00Z',
  })
  const answer = {
    heelDeg: -0.4,
    spreadDeg: 0.05,
    flaggedReferences: [],
    trimDeg: 0.7,
    trimSpreadDeg: 0.05,
    flaggedTrimReferences: [],
    stations: [
      {
        id: 'Stanchion 1',
        side: 'port',
        axis: 'across',
        readingDeg: 4.2,
        trueDeg: 3.8,
        bracketDeg: 93.8,
        flags: ['few'],
        flagged: true,
      },
    ],
    pairs: [],
    rechecks: [],
  }
  it('a reading is kept with what the level was laid on; the cradle is said in words', async () => {
    const s = aboard({ '/boats/b/angles': { rows: [row(1, 'reference', -0.4)], answer, problem: null } })
    useSurvey().angles = { rows: [row(1, 'reference', -0.4)], answer, problem: null } as never
    const p = await shown(AnglesPage)
    expect(p.w.text()).toMatch(/Heel 0\.40° to port/)
    expect(p.w.text()).toContain('fewer than three readings')
    await p.by('On').setValue('station')
    await p.by('Station').setValue('Stanchion 2')
    await p.by('The level shows').setValue("3°30'")
    await p.w.find('form').trigger('submit')
    await flushPromises()
    expect(s.sent('POST', '/boats/b/angles')).toMatchObject({
      role: 'station',
      station: 'Stanchion 2',
      degrees: 3.5,
      axis: 'across',
    })
  })
})

describe('stores', () => {
  it('a lot past its date is said to be, and a test of it is recorded', async () => {
    const s = aboard({
      '/lots': [{ ...LOT, expiresOn: '2020-01-01', title: 'Epoxy, old' }, TUBE],
      '/hardware': [],
      '/lots/3/test': {},
    })
    const p = await shown(StoresPlace)
    expect(p.w.text()).toContain('Epoxy, old')
    expect(p.w.text().toLowerCase()).toMatch(/past|expired/)
    expect(s.calls.some((c) => c.url.endsWith('/lots'))).toBe(true)
  })
})

describe('find anything', () => {
  it('a hole by its number, a fitting by its name; enter goes there', async () => {
    aboard(
      {},
      {
        holes: [{ ...hole(), label: 'P-007' }],
        fittings: [{ id: 'f', name: 'Mooring cleat', verdict: 'holds' }],
        throughHulls: [{ id: 'h', kind: 'through-hull', name: 'Engine intake', verdict: 'short' }],
        others: [],
      },
    )
    const p = await shown(FindAnything)
    const go = vi.spyOn(p.router, 'push')
    const input = p.w.find('input')
    await input.setValue('engine')
    await soon(() => expect(p.w.text()).toContain('Engine intake'))
    await input.trigger('keydown', { key: 'Enter' })
    await flushPromises()
    expect(String(go.mock.calls[0]?.[0])).toContain('/through-hulls/h')
  })
})
