import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { CATALOGUE, catalogueEntry, spotFor, startDesign, type Design } from '@north-tide/core'
import CompareView from '../src/kinds/deck-hardware/CompareView.vue'
import GivenColumn from '../src/kinds/deck-hardware/GivenColumn.vue'
import MakeView from '../src/kinds/deck-hardware/MakeView.vue'
import SchoolsView from '../src/kinds/deck-hardware/SchoolsView.vue'
import VerdictColumn from '../src/kinds/deck-hardware/VerdictColumn.vue'
import { useSession } from '../src/state/session'
import { aboard, deck, onBench } from './deck-hands'
import { estimated, firstList } from './pick'
import { NoWorker, remediesHere } from './remedies-hands'
import { soon } from './soon'

// The solver's worker never answers here: what is looked at is what the bench does by itself.
vi.mock('comlink', () => ({
  proxy: (f: unknown) => f,
  wrap: () => ({ solve: () => new Promise(() => undefined), wetMap: async () => null, ...remediesHere }),
}))
vi.stubGlobal('Worker', NoWorker)
beforeEach(() => void aboard())
afterEach(() => vi.clearAllMocks())
const cleat = CATALOGUE.find((c) => c.family === 'cleat')!.id
const check = (
  b: {
    whole: {
      judgement: { checks: { id: string; verdict: string; assumed: string[]; utilisation: number | null }[] }
    } | null
  },
  id: string,
) => b.whole!.judgement.checks.find((c) => c.id === id)!

describe('what is given', () => {
  it('a layer that is measured stops being an estimate, and the checks that leant on it say so no more', async () => {
    const p = await onBench(GivenColumn, deck({}, cleat))
    const box = p.by('Inner skin is measured')
    expect((box.element as HTMLInputElement).checked).toBe(false)
    expect(estimated(p.by(/^Inner skin$/))).toBe(true)
    await box.setValue(true)
    expect(p.bench.design!.measured).toContain('innerMm')
    expect(estimated(p.by(/^Inner skin$/))).toBe(false)
  })
  it('without a plate there are washers; one that is taken reaches past the bolts', async () => {
    const p = await onBench(GivenColumn, deck({ plate: null }, cleat))
    await p.by('Material').setValue('g10')
    const { plate, bolts } = p.bench.design!
    expect(plate!.lengthMm).toBeGreaterThanOrEqual(2 * Math.max(...bolts.map((b) => Math.abs(b.xMm))) + 80)
    expect(plate!.widthMm).toBeGreaterThanOrEqual(2 * Math.max(...bolts.map((b) => Math.abs(b.yMm))) + 80)
    await p.by('Material').setValue('none')
    expect(p.bench.design!.plate).toBeNull()
  })
  it('another kind of deck brings its own way of keeping water out, and what was measured of the old one is forgotten', async () => {
    const p = await onBench(GivenColumn, deck({ measured: ['outerMm'] }, cleat))
    await p.by('Made as').setValue('solid')
    expect(p.bench.design).toMatchObject({
      structure: { kind: 'solid', thicknessMm: 7 },
      measured: [],
      core: { school: 'none' },
    })
    await p.by('Made as').setValue('sandwich')
    expect(p.bench.design!.core.school).toBe('bore-fill')
  })
  it('a load that acts beside the middle pries: a point is given in place of a height, and goes back to one', async () => {
    const p = await onBench(GivenColumn, deck({}, cleat))
    const height = p.bench.design!.load.pointMm!.z
    const pulls = () => p.bench.whole!.judgement.worst.maxTensionN
    const before = pulls()
    await p.by('ahead of its middle').setValue('120')
    await p.by('ahead of its middle').trigger('blur')
    expect(p.bench.design!.load).toMatchObject({ pointMm: { x: 120, y: 0, z: height } })
    expect(p.bench.design!.load.heightMm).toBeUndefined()
    expect(pulls()).toBeGreaterThan(before)
    await p.by('ahead of its middle').setValue('0')
    await p.by('ahead of its middle').trigger('blur')
    expect(p.bench.design!.load).toMatchObject({ heightMm: height })
    expect(p.bench.design!.load.pointMm).toBeUndefined()
    expect(pulls()).toBe(before)
  })
  it('one who leans on a rail leans to a side; on a step there is none', async () => {
    const p = await onBench(GivenColumn, deck({ load: { basis: 'person', kind: 'guard', count: 1 } }, cleat))
    await p.by('Leans out to').setValue('port')
    expect(p.bench.design!.load).toMatchObject({ kind: 'guard', side: 'port' })
    await p.by('Doing').setValue('step')
    expect(p.bench.design!.load).toMatchObject({ kind: 'step' })
    expect('side' in p.bench.design!.load).toBe(false)
  })
  it('a countersunk head wants no washer under it', async () => {
    const p = await onBench(GivenColumn, deck({}, cleat))
    await p.by('Head').setValue('countersunk')
    expect(p.bench.design!.bolt).toMatchObject({ head: 'countersunk', headWasher: 'none' })
  })
  it('a figure that cannot be read is refused beside it; the drawing stays on the last that could', async () => {
    const p = await onBench(GivenColumn, deck({}, cleat))
    const before = p.bench.whole
    await p.by('Plate thickness').setValue('thick')
    await p.by('Plate thickness').trigger('blur')
    expect(p.w.findAll('[role=alert]').some((a) => a.text().includes('thick'))).toBe(true)
    expect(p.bench.whole).toBe(before)
  })
})

describe('loads', () => {
  it('another basis asks its own fields and keeps where the load acts', async () => {
    const p = await onBench(GivenColumn, deck({ 'load.heightMm': 70 }, cleat))
    await p.by('Basis').setValue('rated')
    expect(p.bench.design!.load).toMatchObject({ basis: 'rated', heightMm: 70 })
    await p.by('Rated load').setValue('8 kN')
    expect(p.bench.design!.load).toMatchObject({ ratedN: 8000 })
    await p.by('Basis').setValue('person')
    expect(p.w.findAll('label').some((l) => l.text().startsWith('Rated load'))).toBe(false)
    expect(p.bench.design!.load).toMatchObject({ basis: 'person', heightMm: 70 })
  })
  it('cases are added, named, judged each, and the worst is said', async () => {
    const p = await onBench(GivenColumn, deck({ load: { basis: 'rated', ratedN: 2000 } }, cleat))
    await p.button('add a case').trigger('click')
    expect(p.bench.design!.cases).toHaveLength(1)
    await p.by('Rated load').setValue('30 kN')
    expect([
      (p.bench.design!.load as { ratedN: number }).ratedN,
      (p.bench.design!.cases[0]!.load as { ratedN: number }).ratedN,
    ]).toEqual([2000, 30_000])
    await p.by('Name of this case').setValue('Towed off')
    await p.by('Name of this case').trigger('blur')
    expect(p.bench.whole!.judgement.caseSaid).toContain('Towed off')
    await p.button('take it away').trigger('click')
    expect(p.bench.design!.cases).toEqual([])
  })
  it('an arc is judged at its worst', async () => {
    const p = await onBench(GivenColumn, deck({ load: { basis: 'rated', ratedN: 6000 } }, cleat))
    const one = p.bench.whole!.judgement.directions
    await p.by('from an arc, the worst judged').setValue(true)
    expect(p.bench.whole!.judgement.directions).toBeGreaterThan(one)
    await p.by('from an arc, the worst judged').setValue(false)
    expect(p.bench.design!.load.sweep).toBeUndefined()
  })
})

describe('verdicts', () => {
  it('the worst come first, and a remedy does what it says, with undo', async () => {
    const p = await onBench(
      VerdictColumn,
      deck(
        { load: { basis: 'rated', ratedN: 12_000, heightMm: 40, azimuthDeg: 90 }, 'plate.thicknessMm': 3 },
        cleat,
      ),
      { picked: null },
    )
    const order = p.w.findAll('[data-check]').map((l) => l.attributes('data-verdict'))
    const rank = ['short', 'unproven', 'tight', 'holds']
    expect(order.map((v) => rank.indexOf(v!))).toEqual(
      order.map((v) => rank.indexOf(v!)).sort((a, b) => a - b),
    )
    // They follow when the hand rests.
    await soon(() => expect(p.w.find('.remedy').exists()).toBe(true))
    const mended = p.w.findAll('[data-check]').find((l) => l.find('.remedy').exists())!
    const id = mended.attributes('data-check')!
    const promised = mended.find('.remedy').text()
    const before = check(p.bench, id).utilisation!
    await mended.find('.remedy').trigger('click')
    const after = check(p.bench, id)
    expect(after.utilisation ?? 0).toBeLessThan(before)
    if (after.utilisation !== null) expect(promised).toContain(after.utilisation.toFixed(2))
    p.bench.undo()
    expect(check(p.bench, id).utilisation).toBe(before)
  })
  it('an owner is offered no remedy', async () => {
    useSession().account = { role: 'owner', boats: {} } as never
    const p = await onBench(VerdictColumn, deck({ 'plate.thicknessMm': 3 }, cleat), { picked: null })
    expect(p.w.findAll('.remedy')).toHaveLength(0)
  })
})

describe('schools', () => {
  const of = (
    p: { w: { findAll: (q: string) => { attributes: (n: string) => string | undefined }[] } },
    q: string,
  ) =>
    p.w.findAll('section').find((s) => s.attributes('aria-label') === q)! as unknown as {
      findAll: (q: string) => {
        setValue: (v?: unknown) => Promise<void>
        attributes: (n: string) => string | undefined
        element: HTMLInputElement
      }[]
      text: () => string
    }
  it('taking one changes the design; one that is refused here says why and cannot be taken', async () => {
    const p = await onBench(SchoolsView, deck({ 'core.school': 'bore-fill' }, cleat))
    const core = of(p, 'Keeping water out of the core')
    await core.findAll('input')[1]!.setValue(true)
    expect(p.bench.design!.core.school).toBe('reef')
    const refused = core.findAll('input').filter((i) => i.attributes('disabled') !== undefined)
    expect(refused).toHaveLength(2)
    expect(core.text()).toContain('rots: a sealed wall is not enough')
  })
  it('tape and tube change the sealant, and the plate of the rule is stock', async () => {
    const p = await onBench(SchoolsView, deck({}, cleat))
    const bed = of(p, 'Bedding deck hardware').findAll('input')
    await bed[0]!.setValue(true)
    expect(p.bench.design!.bedding.sealant).toBe('butyl')
    const plate = of(p, 'Backing plate').findAll('input')
    await plate[1]!.setValue(true)
    expect(p.bench.design!.schools.plate).toBe('rule')
    expect([3, 4, 5, 6, 8, 10, 12, 15, 18, 20, 25]).toContain(p.bench.design!.plate!.thicknessMm)
  })
})

describe('templates', () => {
  it('the files name what is shown; a fitting without a plate has only its pattern', async () => {
    const p = await onBench(MakeView, deck({}, cleat))
    await p.by('Template').setValue('plate')
    await p.by('seen from inside').setValue(true)
    for (const a of p.w.findAll('.links a')) expect(a.attributes('href')).toMatch(/what=plate.*inside=yes/)
    p.bench.change({ plate: null })
    await p.w.vm.$nextTick()
    expect(firstList(p.w)).toContainEqual(expect.objectContaining({ value: 'plate', disabled: true }))
    expect(p.w.findAll('.links a')[0]!.attributes('href')).toContain('what=pattern')
  })
  it('every bolt has its line in the schedule', async () => {
    const d = deck({}, cleat)
    const p = await onBench(MakeView, d)
    expect(p.w.findAll('table[aria-label="Drill schedule"] tbody tr')).toHaveLength(d.bolts.length)
  })
})

describe('side by side', () => {
  it('what differs from how it was opened is named, figure by figure', async () => {
    const p = await onBench(CompareView, deck({ 'plate.thicknessMm': 8 }, cleat))
    expect(p.w.find('table[aria-label="What differs"] tbody').text()).toBe('Nothing: they are the same.')
    p.bench.change({ 'plate.thicknessMm': 12 })
    await flushPromises()
    expect(p.w.findAll('table[aria-label="What differs"] tbody tr').map((r) => r.text())).toEqual([
      expect.stringMatching(/plate, thickness.*12 mm.*8 mm/),
    ])
  })
  it('a copy to the other side is asked of the server, and its bench opened; a refusal is said', async () => {
    const server = aboard({ '/fittings/f/copy': { id: 'g' } })
    const p = await onBench(CompareView, deck({}, cleat))
    const go = vi.spyOn(p.router, 'push')
    await p.button(/mirrored/).trigger('click')
    await flushPromises()
    expect(server.sent('POST', '/fittings/f/copy')).toEqual({ mirror: true })
    expect(go).toHaveBeenCalledWith('/bench/g')
    vi.mocked(fetch).mockImplementationOnce(
      async () =>
        new Response(
          JSON.stringify({ error: { code: 'invalid-input', message: 'It stands on the centreline' } }),
          { status: 400 },
        ),
    )
    await p.button('Copy there').trigger('click')
    await flushPromises()
    expect(p.w.find('[role=alert]').text()).toContain('centreline')
  })
})

it('every fitting of the catalogue can be given, judged and cut without a figure that is none', async () => {
  for (const e of CATALOGUE) {
    aboard()
    const d: Design = startDesign(
      catalogueEntry(e.id)!,
      spotFor(null, { xMm: 1500, yMm: -500 }, e.bolts, 'coastal'),
      e.title,
    )
    const p = await onBench(GivenColumn, d)
    expect([e.id, /NaN|undefined|Infinity/.test(p.w.text())]).toEqual([e.id, false])
    expect(p.bench.whole!.judgement.checks.length).toBeGreaterThan(3)
    p.w.unmount()
  }
})
