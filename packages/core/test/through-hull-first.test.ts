import { describe, expect, it } from 'vitest'
import {
  parseThroughHull,
  startThroughHull,
  throughHullEntry,
  throughHullSteps,
} from '../src/kinds/through-hull'
import { daysToFloat, rankedForLaunch } from '../src/kinds/through-hull/launch-bead'
import { chooseSealant } from '../src/chapters/bedding/sealant-choice'
import { HULL, fit, judge, verdict } from './through-hull-hands'

/** What a fitter starts with, and the order in which he works (18.1, 5.4\u20135.6). */
const first = (id: string, more: Partial<typeof HULL> = {}, daysToLaunch?: number | null) =>
  startThroughHull(
    throughHullEntry(id)!,
    {
      place: { zone: 'bottom', xMm: 5000, yMm: 400, zMm: -420, measuredFrom: [] },
      hull: { ...HULL, ...more },
      duty: 'coastal',
      daysToLaunch,
    },
    id,
  )
const ids = (id: string, change: Record<string, unknown> = {}, hull: Partial<typeof HULL> = {}) =>
  throughHullSteps(fit(id, change, hull), judge(fit(id, change, hull)), 'metric').map((s) => s.id)
const before = (all: string[], a: string, b: string) => {
  expect(all, `${a} and ${b}`).toEqual(expect.arrayContaining([a, b]))
  expect(all.indexOf(a), `${a} before ${b}`).toBeLessThan(all.indexOf(b))
}

describe('a first design', () => {
  it('stands square to the hull on a flat pad, however the hull slopes; wedges are asked for', () => {
    for (const deadriseDeg of [0, 8, 17, 24])
      expect(first('MV-S1', { deadriseDeg }).wedge.blocks).toBe('none')
  })
  it('is bedded in what is cured by the day she is launched, where that is known', () => {
    const chosen = (days: number | null) => first('MV-S1', {}, days).bedding.flange!
    expect(daysToFloat(chosen(4), 16, 65)!).toBeLessThanOrEqual(4)
    expect(daysToFloat(chosen(30), 16, 65)!).toBeLessThanOrEqual(30)
    // Three weeks of polysulfide are a choice, not where one starts with four days left.
    expect(daysToFloat('polysulfide', 16, 65)!).toBeGreaterThan(4)
    expect(chosen(4)).not.toBe('polysulfide')
  })
  it('those cured in time go before the late ones, in the order of the table within', () => {
    const choice = chooseSealant({
      place: 'below',
      joint: 'through-hull',
      faces: ['bronze', 'laminate'],
      load: 'some',
      tempC: 16,
      humidityPct: 65,
      gapMm: 1,
      movementMm: 0,
      sunlight: false,
      fuelOrSolvent: false,
      toBePainted: false,
    })
    const day = { tempC: 16, humidityPct: 65 }
    const ranked = rankedForLaunch(choice, { ...day, daysToLaunch: 6 })
    const late = ranked.map((id) => {
      const d = daysToFloat(id, 16, 65)
      return d === null || d > 6
    })
    expect(late).toEqual([...late].sort((a, b) => Number(a) - Number(b)))
    expect(rankedForLaunch(choice, { ...day, daysToLaunch: null })).toEqual(
      choice.choices.filter((c) => c.verdict !== 'refused').map((c) => c.id),
    )
  })
})

describe('judged as it is built', () => {
  it('a welded stub shows its tail, its thread and its weld in bending', () => {
    const d = fit('MV-W114', {}, { kind: 'aluminium', thicknessMm: 6 })
    const kick = judge(d).checks.filter((c) => c.id.startsWith('kick-'))
    expect(kick.map((c) => c.id)).toEqual(['kick-tail-bending', 'kick-thread-bending', 'kick-weld'])
    for (const c of kick) expect(c.utilisation, c.id).toBeGreaterThan(0)
    expect(kick.at(-1)!.assumed.join()).toContain('leg of the weld')
    expect(verdict(fit('MV-W114'), 'kick')).toBe('unproven')
  })
  it('a pad that is not drilled takes the flange at any angle; drilled, in as many positions as it has bolts', () => {
    const open = fit('MV-S1', { 'clock.wantedDeg': 37, 'clock.measuredDeg': 0 })
    expect(judge(open).clock).toMatchObject({ positions: [] })
    expect(verdict(open, 'clocked')).toBe('holds')
    const drilled = fit('MV-S1', { 'clock.wantedDeg': 37, 'clock.measuredDeg': 0, existing: true })
    expect(judge(drilled).clock!.positions).toHaveLength(drilled.hold.bolts)
    expect(verdict(drilled, 'clocked')).toBe('tight')
  })
  it('a wedge pulls the bond by its thick side', () => {
    const peel = (blocks: string) =>
      judge(fit('MV-S1', { 'hold.method': 'insert', 'wedge.blocks': blocks })).checks.find(
        (c) => c.id === 'kick-bond-peel',
      )!.demand!
    expect(peel('both')).toBeGreaterThan(peel('none'))
  })
})

describe('the order of the work', () => {
  it('a cored bottom is made solid and cured before it is bored, and one tick says both', () => {
    const all = ids('MV-S1', {}, { kind: 'cored' })
    before(all, 'solid', 'ready-bore')
    before(all, 'ready-bore', 'bore')
    const d = fit('MV-S1', {}, { kind: 'cored' })
    const steps = throughHullSteps(d, judge(d), 'metric')
    expect(steps.find((s) => s.id === 'bore-record')).toMatchObject({
      records: { bore: ['drilled', 'core-sealed'] },
      from: 'solid',
    })
    expect(steps.find((s) => s.id === 'ready-bore')!.after).toMatchObject({ step: 'solid' })
  })
  it('the wedge is cut before the bore that it guides; the edge is sealed after', () => {
    const all = ids('MV-S1', { 'wedge.blocks': 'both' })
    before(all, 'wedge', 'bore')
    before(all, 'bore', 'edge')
    expect(ids('MV-W114', {}, { kind: 'aluminium' })).not.toContain('edge')
  })
  it('the pad is drilled and has its inserts before it is bonded', () => {
    const all = ids('MV-S1', { 'hold.method': 'insert' })
    before(all, 'clock', 'pad-drill')
    before(all, 'pad-drill', 'pad-bond')
    before(all, 'pad-bond', 'bed')
  })
  it('the old one comes out first, and its hole is looked at', () => {
    const all = ids('MV-S1', { replaces: 'the old gate valve' })
    before(all, 'old-out', 'old-look')
    before(all, 'old-look', 'bore')
    expect(ids('MV-S1')).not.toContain('old-out')
  })
  it('a transducer is tried before it is bedded, and joints are looked at with the valve open, afloat', () => {
    before(ids('MV-E55'), 'try', 'bed')
    before(ids('MV-S1'), 'launch', 'joints')
  })
  it('no spanner goes on plastic, and its collar is in the stack', () => {
    const d = fit('MV-K1')
    const steps = throughHullSteps(d, judge(d), 'metric')
    const text = (id: string) => steps.find((s) => s.id === id)?.text ?? ''
    expect(text('tail')).toContain('no spanners on plastic')
    expect(text('dry').includes('load collar')).toBe(d.skin.collarMm > 0)
  })
  it('bolts are drawn up to what the threads in the pad bear', () => {
    const torque = (change: Record<string, unknown>) => {
      const d = fit('MV-S1', change)
      return throughHullSteps(d, judge(d), 'metric').find((s) => s.id === 'bolt-torque')?.torqueNm ?? null
    }
    const through = torque({ 'hold.method': 'through' })!
    expect(through).toBeGreaterThan(0)
    expect(torque({ 'hold.method': 'insert', 'hold.engagedMm': 1 })!).toBeLessThan(through)
    expect(torque({ 'hold.method': 'nut' })).toBeNull()
  })
  it('an anode is fitted where one is needed', () => {
    expect(ids('MV-A10')).toContain('anode')
    expect(ids('MV-S1')).not.toContain('anode')
  })
  it('opens again as it was written', () => {
    const d = first('MV-S1', {}, 5)
    expect(parseThroughHull(JSON.parse(JSON.stringify(d)))).toEqual(d)
  })
})
