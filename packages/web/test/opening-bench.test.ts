import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opening, OPENING_CATALOGUE, type OpeningDesign } from '@north-tide/core/opening'
import { withChange, type Check } from '@north-tide/core'
import OpeningGiven from '../src/kinds/opening/OpeningGiven.vue'
import OpeningTray from '../src/kinds/opening/OpeningTray.vue'
import BenchVerdicts from '../src/pieces/BenchVerdicts.vue'
import { useOpening } from '../src/state/opening'
import { aboard, FOREDECK, shown } from './deck-hands'
import { NoWorker, remediesHere } from './remedies-hands'
import { soon } from './soon'

/** The worker of the remedies is played by what runs in it. */
vi.mock('comlink', () => ({
  proxy: (f: unknown) => f,
  wrap: () => ({ solve: () => new Promise(() => undefined), ...remediesHere }),
}))
vi.stubGlobal('Worker', NoWorker)

/** The bench of an opening: what is asked, what follows from it, and what is kept. */
const hatch = (change: Record<string, unknown> = {}, id = 'CL-H52'): OpeningDesign => {
  const spot = {
    zone: 'foredeck',
    xMm: 1500,
    yMm: 0,
    zMm: 1600,
    structure: {
      kind: 'sandwich',
      skin: { laminate: 'mat' },
      outerMm: 4,
      innerMm: 3,
      core: { material: 'balsa-150', thicknessMm: 12 },
    },
    measured: ['outerMm', 'coreMm'],
    edgeMm: null,
    belowWaterline: false,
    duty: 'coastal',
    zones: [FOREDECK],
  }
  return withChange(
    opening.start(
      OPENING_CATALOGUE.find((e) => e.id === id)!,
      spot as never,
      'Hatch',
    ),
    change,
  )
}
const open = (design: OpeningDesign) => ({
  id: 'o1',
  kind: 'opening',
  boatId: 'b',
  name: design.name,
  version: 1,
  design,
  log: [],
  flags: [],
  stale: null,
  planEdgeMm: null,
  holes: [],
  others: [],
  heelDeg: null,
  replacedBy: null,
})
let calls: ReturnType<typeof aboard>
/** A page of the tray is a file of its own, and what would help is worked out beside. */
async function onBench(design = hatch()) {
  calls = aboard({
    '/fittings/o1': (body: unknown) =>
      body ? { ...open(design), ...(body as object), version: 2 } : open(design),
  })
  const bench = useOpening()
  await bench.open('o1')
  return bench
}
beforeEach(() => vi.useRealTimers())

describe('what is given of an opening', () => {
  it('a figure goes into the design where it stands, and is sent', async () => {
    const bench = await onBench()
    const p = await shown(OpeningGiven)
    await p.by('Corner radius').setValue('45')
    expect(bench.design!.outline).toMatchObject({ cornerMm: 45 })
    await bench.flush()
    expect(calls.sent('PUT', '/fittings/o1')).toMatchObject({
      version: 1,
      design: { outline: { cornerMm: 45 } },
    })
  })
  it('what cannot be read is refused beside it and changes nothing', async () => {
    const bench = await onBench()
    const p = await shown(OpeningGiven)
    await p.by('Flange').setValue('wide')
    await p.by('Flange').trigger('blur')
    expect(p.w.findAll('[role=alert]').some((a) => a.text().includes('wide'))).toBe(true)
    expect(bench.design!.frame.flangeMm).toBe(32)
  })
  it('a ring is given where there is none', async () => {
    const bench = await onBench()
    const p = await shown(OpeningGiven)
    await p.button('Give it a ring').trigger('click')
    expect(bench.design!.ring).toMatchObject({ material: 'plywood', widthMm: 34 })
  })
  it('one that is taken away comes back with undo', async () => {
    const ring = { material: 'timber', widthMm: 40, thicknessMm: 20 }
    const bench = await onBench(hatch({ ring }))
    const p = await shown(OpeningGiven)
    await p.button('Without a ring').trigger('click')
    expect(bench.design!.ring).toBeNull()
    bench.undo()
    expect(bench.design!.ring).toEqual(ring)
  })
  it('a maker\u2019s proof stands before the sum', async () => {
    const bench = await onBench()
    const p = await shown(OpeningGiven)
    await p.by('Its maker proves').setValue('tested to 40 kPa')
    const ids = bench.judgement!.checks.map((c: Check) => c.id)
    expect(ids).toContain('pane-proof')
    expect(ids).not.toContain('pane-bending')
  })
  it('a round port asks how far across it is, and has no pane to stand on', async () => {
    await onBench(hatch({}, 'CL-I15'))
    const p = await shown(OpeningGiven)
    expect((p.by('Across').element as HTMLInputElement).value).toBe('150')
    expect(p.w.text()).toContain('It opens')
  })
  it('a frame that cannot be set out says so at its field, and the last picture stays', async () => {
    const bench = await onBench()
    const before = bench.judgement
    bench.change({ 'frame.pitchMm': 20 })
    expect(bench.problem?.path).toBe('frame.pitchMm')
    expect(bench.judgement).toBe(before)
    expect(bench.drawings.map((d) => d.id)).toEqual(['plan', 'inside', 'edge'])
  })
})

describe('what has no frame', () => {
  const PLY = { kind: 'timber', timber: 'plywood', thicknessMm: 18 }
  const gland = (change: Record<string, unknown> = {}) => hatch({ structure: PLY, ...change }, 'BS-G32')
  it('a gland asks for its cables by name, and takes another', async () => {
    const bench = await onBench(gland())
    const p = await shown(OpeningGiven)
    await p.by('Cable 1').setValue('anchor camera')
    await p.button('Another cable').trigger('click')
    expect(bench.design!.gland!.glands[0]!.cables).toEqual([
      { name: 'anchor camera', odMm: 13, line: 'cable' },
      { name: 'cable', odMm: 6, line: 'cable' },
    ])
    await p.button('One cable less').trigger('click')
    expect(bench.design!.gland!.glands[0]!.cables).toHaveLength(1)
  })
  it('a second gland stands beside the first, and can be taken away again', async () => {
    const bench = await onBench(gland())
    const p = await shown(OpeningGiven)
    await p.button('Another gland').trigger('click')
    expect(bench.design!.gland!.glands.map((g) => g.yMm)).toEqual([0, 80])
    expect(p.w.text()).toContain('Gland 2')
    await p.button('Without this gland').trigger('click')
    expect(bench.design!.gland!.glands).toHaveLength(1)
  })
  it('cables that no gland takes are told at the gland, and nothing that was typed is lost', async () => {
    const bench = await onBench(gland())
    bench.change({ 'gland.glands.0.size': null, 'gland.glands.0.cables.0.odMm': 60 })
    const p = await shown(OpeningGiven)
    expect(p.w.find('[role=alert]').text()).toContain('No one gland takes all of these cables')
    expect(bench.design!.gland!.glands[0]!.cables[0]!.odMm).toBe(60)
  })
  it('it has no sealant to choose, a prism has', async () => {
    await onBench(gland())
    expect((await shown(OpeningTray, { tab: 'Work' })).w.text()).not.toContain('Sealant')
    await onBench(hatch({}, 'CL-D25'))
    expect((await shown(OpeningTray, { tab: 'Sealant' })).w.text()).toContain('Glass in its pocket')
  })
  it('a prism asks for its ledge and its solid, not for screws', async () => {
    await onBench(hatch({}, 'CL-D25'))
    const p = await shown(OpeningGiven)
    expect((p.by('Solid outside it').element as HTMLInputElement).value).toBe('25')
    expect(p.w.text()).not.toContain('No further apart')
  })
  it('a bin may fill with water', async () => {
    const bench = await onBench(hatch({}, 'CL-B40'))
    const p = await shown(OpeningGiven)
    await p.button('It may fill with water').trigger('click')
    expect(bench.design!.bin!.contents).toEqual({ kind: 'water', fill: 1 })
    expect((p.by('Filled with water').element as HTMLInputElement).value).toBe('1')
  })
})

describe('what follows', () => {
  it('the verdicts stand worst first, and a remedy is one press', async () => {
    const bench = await onBench(hatch({ 'outline.cornerMm': 10 }))
    await soon(() =>
      expect(bench.judgement!.checks.flatMap((c: Check) => c.remedies).length).toBeGreaterThan(0),
    )
    const p = await shown(BenchVerdicts, { bench })
    const corner = p.w.find('[data-check="corner-radius"]')
    expect(corner.text()).toContain('Short')
    await corner
      .findAll('button')
      .find((b) => b.text().includes('corners of 50 mm'))!
      .trigger('click')
    expect(bench.design!.outline).toMatchObject({ cornerMm: 50 })
  })
  it('a sealant is taken from the ranked list; the refused ones cannot be', async () => {
    const bench = await onBench(hatch({}, 'CL-P60F'))
    const p = await shown(OpeningTray, { tab: 'Sealant' })
    const refused = p.w.findAll('li.refused')
    expect(refused.length).toBeGreaterThan(0)
    for (const r of refused) expect(r.find('button').exists()).toBe(false)
    await p.w.findAll('section')[1]!.find('button').trigger('click')
    expect(bench.design!.bedding.sealant).not.toBe('hybrid')
  })
  it('templates come as files at full size, with the corner saws in the list', async () => {
    await onBench()
    const p = await shown(OpeningTray, { tab: 'Templates' })
    await soon(() => {
      const links = p.w.findAll('a').map((a) => a.attributes('href'))
      expect(links).toContain('/api/fittings/o1/template.dxf?what=cut-out&units=metric')
    })
    expect(p.w.findAll('tbody tr').filter((r) => r.text().startsWith('corner'))).toHaveLength(4)
  })
  it('what is found wrong with one that is there counts', async () => {
    const bench = await onBench()
    const p = await shown(OpeningTray, { tab: 'Survey' })
    const crack = await soon(
      () => p.w.findAll('label').find((l) => l.text().includes('Pane cracked')) ?? Promise.reject(),
    )
    await crack.find('input').setValue(true)
    expect(bench.design!.findings).toEqual(['cracked'])
    expect(bench.judgement!.checks.find((c: Check) => c.id === 'found-cracked')!.verdict).toBe('short')
  })
})
