import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { BoatPlan } from '@north-tide/core'
import { startYard, type Someone, type Yard } from './harness'

/** The yard's days from the work that is open: in order, within hours, held by what holds it. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
interface Plan extends BoatPlan {
  hands: string[]
  jobs: { id: string; name: string; steps: number }[]
}
const F = '/api/boats/fulmars-reach'
let jobs: Plan['jobs']
let named: (name: RegExp) => string
beforeAll(async () => {
  ;({ app, fitter, owner } = await startYard('the_plan'))
  const b = (await fitter.ask<{ fittings: { id: string; name: string }[] }>('GET', F)).body
  named = (name) => b.fittings.find((f) => name.test(f.name))!.id
}, 60_000)
afterAll(() => app.stop())
const plan = async (query: string) => (await fitter.ask<Plan>('GET', `${F}/plan?${query}`)).body
const some = () => [named(/Closing the old rail/), named(/cleat, port bow/i)].join(',')

describe('the plan of a boat', () => {
  it('is of days with who, where and what, within the hours', async () => {
    const p = await plan(`from=2027-03-01&fittings=${some()}`)
    jobs = p.jobs
    expect(jobs.length).toBeGreaterThan(0)
    expect(p.hands).toHaveLength(2)
    for (const d of p.days)
      for (const s of d.steps) {
        expect(s.start.slice(0, 10)).toBe(d.day)
        expect(s.start.slice(11) >= '08:00' && s.end.slice(11) <= '17:00', `${s.start} to ${s.end}`).toBe(
          true,
        )
        expect(s.who.length).toBeGreaterThan(0)
        expect(new Date(`${d.day}T00:00Z`).getUTCDay()).not.toBe(0)
      }
    // nobody is in two places
    for (const hand of p.hands) {
      const mine = p.days.flatMap((d) => d.steps).filter((s) => s.who.includes(hand))
      mine.sort((a, b) => a.start.localeCompare(b.start))
      for (let i = 1; i < mine.length; i++) expect(mine[i]!.start >= mine[i - 1]!.end).toBe(true)
    }
  })
  it('keeps the order of each fitting, and a cure before what waits for it', async () => {
    const p = await plan(`from=2027-03-01&fittings=${named(/Closing the old rail/)}`)
    const steps = p.days.flatMap((d) => d.steps)
    const fill = steps.find((s) => s.step === 'core-fill')!
    const fair = steps.find((s) => s.step === 'fair')!
    expect(fill.cureEnd > fill.end).toBe(true)
    expect(fair.start >= fill.cureEnd).toBe(true)
    expect(p.days.flatMap((d) => d.cures).map((c) => c.text)).toContain(fill.text)
  })
  it('holds what is short, by name, and plans nothing of it', async () => {
    const id = named(/Closing the old net-hauler/)
    const p = await plan(`from=2027-03-01&fittings=${id}`)
    expect(p.days).toEqual([])
    expect(p.held).toMatchObject([{ fittingId: id, until: null, why: 'it is short: core round the hole' }])
    expect(p.notPlanned).toBeGreaterThan(5)
  })
  it('is later with one pair of hands than with two', async () => {
    const [one, two] = await Promise.all(
      [1, 2].map((n) => plan(`from=2027-03-01&hands=${n}&fittings=${some()}`)),
    )
    expect(one!.finish! >= two!.finish!).toBe(true)
  })
  it('goes on from what is ticked', async () => {
    const id = named(/Closing the old rail/)
    const before = (await plan(`from=2027-03-01&fittings=${id}`)).jobs[0]!.steps
    await fitter.ask('POST', `/api/fittings/${id}/tick`, { step: 'survey', reason: 'in the test' })
    expect((await plan(`from=2027-03-01&fittings=${id}`)).jobs[0]!.steps).toBe(before - 1)
  })
  it('goes out as a calendar and as a table', async () => {
    const ics = await fitter.ask<string>('GET', `${F}/plan.ics?from=2027-03-01&fittings=${some()}`)
    expect(ics.status).toBe(200)
    expect(ics.text).toMatch(/BEGIN:VCALENDAR[\s\S]*DTSTART:20270301T\d{6}\r?\n[\s\S]*END:VCALENDAR/)
    const csv = await fitter.ask<string>('GET', `${F}/plan.csv?from=2027-03-01&fittings=${some()}`)
    expect(csv.text.split('\n')[0]).toBe('day,start,end,who,where,fitting,step,cures until,in the bag')
  })
  it('all that is open on the boat is planned within its time', async () => {
    const t = performance.now()
    const p = await plan('from=2027-03-01')
    expect(p.days.length + p.held.length).toBeGreaterThan(3)
    expect(performance.now() - t).toBeLessThan(60_000)
  }, 90_000)
  it.each([
    ['hands=0', 'hands'],
    ['hands=99', 'hands'],
    ['from=tomorrow', 'from'],
    ['begin=17:00&end=08:00', 'end'],
  ])('%s is refused at %s', async (query, path) => {
    const r = await fitter.ask<{ error: { path: string } }>('GET', `${F}/plan?${query}`)
    expect(r.status).toBe(400)
    expect(r.body.error.path).toBe(path)
  })
  it('an owner sees it too; another boat that is none is said so', async () => {
    expect((await owner.ask('GET', `${F}/plan?fittings=${some()}`)).status).toBe(200)
    expect((await fitter.ask('GET', '/api/boats/nowhere/plan')).status).toBe(404)
  })
})

describe('the parts of a boat', () => {
  interface Parts {
    lines: { part: { title: string; quantity: number | null }; state: string; for: { name: string }[] }[]
    tools: { tool: string; fittings: number }[]
  }
  const parts = async () => (await fitter.ask<Parts>('GET', `${F}/parts`)).body
  it('are summed over fittings, and what is ordered moves to its own line', async () => {
    const before = await parts()
    expect(before.lines.length).toBeGreaterThan(20)
    expect(before.lines.some((l) => l.for.length > 1)).toBe(true)
    expect(before.tools.length).toBeGreaterThan(10)
    const id = named(/cleat, starboard quarter|cleat, port quarter/i)
    const mine = (p: Parts, state: string) =>
      p.lines.filter((l) => l.state === state && l.for.some((f) => /quarter/i.test(f.name))).length
    const ordered = await fitter.ask('POST', `/api/fittings/${id}/order`, { reason: 'as drawn' })
    expect(ordered.status, JSON.stringify(ordered.body)).toBeLessThan(300)
    const after = await parts()
    expect(mine(after, 'ordered')).toBeGreaterThan(mine(before, 'ordered'))
  })
  it('go out as a table with a line each, safe to open', async () => {
    const { text, status } = await fitter.ask('GET', `${F}/parts.csv`)
    expect(status).toBe(200)
    const [head, ...rows] = text.trim().split('\n')
    expect(head).toBe('state,what,size,material,quantity,spare,unit,for,note,may change')
    expect(rows.length).toBe((await parts()).lines.length)
    expect(rows.some((r) => /^[=+@]/.test(r))).toBe(false)
  })
  it('are of a boat that one may see', async () => {
    expect((await owner.ask('GET', '/api/boats/tarn-runner/parts')).status).toBe(403)
    expect((await fitter.ask('GET', '/api/boats/nobody/parts')).status).toBe(404)
  })
})
