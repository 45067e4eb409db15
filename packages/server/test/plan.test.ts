import dayjs from 'dayjs'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { rowsOfPlan, vessels, type PlanChanges, type WeatherStrip } from '@north-tide/core'
import type { PlanView } from '../src/services/plan'
import type { PlanJobShown } from '../src/services/plan-job'
import { Someone, startYard, type Yard } from './harness'
import { pdfWords } from './pdf-words'

/** The weeks of a yard: planned by a job, kept, offered anew when something happened, moved by hand. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
let manager: Someone
let apprentice: Someone
const F = '/api/boats/fulmars-reach'
const P = '/api/boats/pipit'
const WORN = /Worn bolts of the rudder gudgeon/
/** a small boat, planned in a moment */
const PIPIT = { boats: ['pipit'] }
let named: (name: RegExp) => string
beforeAll(async () => {
  ;({ app, fitter, owner, apprentice } = await startYard('the_plan'))
  manager = await new Someone(app.base).signIn('manager')
  type Boat = { fittings: { id: string; name: string }[] }
  const both = await Promise.all([F, P].map((url) => fitter.ask<Boat>('GET', url)))
  const all = both.flatMap((b) => b.body.fittings)
  named = (name) => all.find((f) => name.test(f.name))!.id
}, 240_000)
afterAll(() => app.stop())

const view = async (who = fitter) => (await who.ask<PlanView>('GET', '/api/plan')).body
/** Asks for a plan and waits for the end of its job. */
async function asked(body: object = PIPIT): Promise<PlanJobShown> {
  const { body: job } = await fitter.ask<PlanJobShown>('POST', '/api/plan/jobs', body)
  let now = job
  await expect
    .poll(
      async () => {
        now = (await fitter.ask<PlanJobShown>('GET', `/api/plan/jobs/${job.id}`)).body
        return now.state
      },
      { timeout: 120_000, interval: 50 },
    )
    .not.toMatch(/waiting|working/)
  return now
}
/** The offer, taken. */
async function taken(body: object = PIPIT): Promise<PlanView> {
  const job = await asked(body)
  expect(job).toMatchObject({ state: 'done', said: '' })
  return (await fitter.ask<PlanView>('POST', `/api/plan/offers/${job.planId}/take`)).body
}
const kept = async () => (await view()).kept!
const stepsOf = (v: PlanView) => v.kept!.plan.days.flatMap((d) => d.steps)

describe('the plan that the demo has', () => {
  it('is of days with who, where and what, within the hours of each, and nobody is in two places', async () => {
    const v = await view()
    const hours = new Map(v.kept!.ask.fitters.map((f) => [f.name, f.hoursByDay]))
    const steps = stepsOf(v)
    expect(steps.length).toBeGreaterThan(100)
    expect(new Set(steps.map((s) => s.boatId)).size).toBeGreaterThan(1)
    for (const s of steps)
      for (const w of s.who) {
        const on =
          hours.get(w)![s.start.slice(0, 10)] ??
          hours.get(w)![['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'][dayjs(s.start).day()]!] ??
          []
        expect(
          on.some(([a]) => s.start.slice(11) >= a),
          `${s.start} ${w}`,
        ).toBe(true)
      }
    for (const name of hours.keys()) {
      const mine = steps.filter((s) => s.who.includes(name)).sort((a, b) => a.start.localeCompare(b.start))
      for (let i = 1; i < mine.length; i++) expect(mine[i]!.start >= mine[i - 1]!.end).toBe(true)
    }
  })
  it('bonds on none of the cold days of the forecast, and beds on no deck before its paint', async () => {
    const v = await view()
    expect(v.weather!.source).toBe('a simulated service')
    expect(v.kept!.ask.badDays.length).toBeGreaterThan(0)
    for (const s of stepsOf(v))
      if (s.needsSurface) expect(v.kept!.ask.badDays).not.toContain(s.start.slice(0, 10))
    const paint = v.holds.find((h) => h.by === 'paint')!
    const held = v.kept!.plan.held.filter((h) => h.by === 'paint')
    expect(held).toMatchObject([{ holdId: paint.id, since: paint.since }])
    expect(held[0]!.others.length).toBeGreaterThan(3)
  })
  it('says how full the week is, and the day of the launch at even odds and at nine in ten', async () => {
    const { week, launch } = await kept()
    expect(week!.fitters.map((f) => f.id)).toContain('Erla Marwick')
    expect(week!.launch!.p50 <= week!.launch!.p90).toBe(true)
    expect(week!.launch!.probability).not.toBeNull()
    expect(launch.map((l) => l.boat)).toContain('Fulmar\u2019s Reach')
  })
  it('an owner sees the work on his own boat, and neither the hours nor an offer', async () => {
    const v = await view(owner)
    expect(new Set(stepsOf(v).map((s) => s.boatId))).toEqual(new Set(['fulmars-reach']))
    expect([v.fitters, v.own, v.offer, v.kept!.week]).toEqual([[], [], null, null])
    expect(v.may).toEqual({ plan: false, hours: false })
    expect(v.kept!.ask.boats).toEqual(['fulmars-reach'])
    // Where the plan begins may be eight o’clock; the hours of anybody are not in it.
    expect(JSON.stringify({ ...v.kept!.ask, start: '' })).not.toContain('08:00')
  })
})

describe('a plan anew', () => {
  it('is offered beside the old one, says what moves and why, and moves nothing by itself', async () => {
    const before = await taken()
    await fitter.ask('POST', `${P}/holds`, {
      fittingId: named(WORN),
      by: 'part',
      what: 'The cloth is late',
      until: dayjs().add(12, 'day').format('YYYY-MM-DD'),
    })
    const v = await view()
    expect(v.causes).toMatchObject([
      { what: expect.stringContaining('The cloth is late: until'), boatId: 'pipit' },
    ])
    expect(v.kept!.plan).toEqual(before.kept!.plan)
    await asked()
    const offered = await view()
    expect(offered.kept!.plan).toEqual(before.kept!.plan)
    const mine = offered.offer!.changes!.moved.filter((m) => m.fittingId === named(WORN))
    expect(mine.length).toBeGreaterThan(0)
    for (const m of mine) expect(m.why).toContain('The cloth is late')
    expect(mine.some((m) => m.hours !== null && m.hours > 24)).toBe(true)
    expect(offered.offerCauses).toEqual([])
    const after = (await fitter.ask<PlanView>('POST', `/api/plan/offers/${offered.offer!.id}/take`)).body
    expect(after.causes).toEqual([])
    const back = (await fitter.ask<PlanView>('POST', '/api/plan/undo', { planId: after.kept!.id })).body
    expect(back.kept!.plan).toEqual(before.kept!.plan)
  })
  it('a part that came is a cause; what was ended is ended once', async () => {
    await taken()
    const h = (await view()).holds.find((x) => x.what === 'The cloth is late')!
    const end = { version: h.version, ended: true }
    expect((await fitter.ask('PUT', `/api/holds/${h.id}`, end)).status).toBe(200)
    expect((await fitter.ask('PUT', `/api/holds/${h.id}`, end)).status).toBe(409)
    expect((await view()).causes.map((c) => c.what)).toEqual(['The cloth is late: over'])
  })
  it('a tick is a cause, and what is begun stays where it is', async () => {
    const id = named(WORN)
    await fitter.ask('POST', `/api/fittings/${id}/begin`, { step: 'survey' })
    expect((await fitter.ask('POST', `/api/fittings/${id}/begin`, { step: 'survey' })).status).toBe(409)
    expect((await fitter.ask('POST', `/api/fittings/${id}/begin`, { step: 'nothing' })).status).toBe(404)
    const v = await taken()
    const begun = rowsOfPlan(v.kept!.plan).get(`${id} survey`)!
    expect(begun).toMatchObject({ fixed: 'begun', who: ['Tam Corrigall'] })
    await fitter.ask('POST', `/api/fittings/${id}/tick`, {
      step: 'survey',
      reason: 'in the test',
      minutes: 33,
    })
    expect((await view()).causes.map((c) => c.what)).toContain(
      'Worn bolts of the rudder gudgeon: 1 step ticked',
    )
    const after = await taken()
    expect(rowsOfPlan(after.kept!.plan).has(`${id} survey`)).toBe(false)
  })
  it('only of some fittings, of one boat, from a day on', async () => {
    const job = await asked({
      boats: ['pipit'],
      from: dayjs().add(30, 'day').format('YYYY-MM-DD'),
    })
    expect(job.state).toBe('done')
    const { offer } = await view()
    const steps = offer!.plan.days.flatMap((d) => d.steps)
    expect(new Set(steps.map((s) => s.boatId))).toEqual(new Set(['pipit']))
    expect(steps[0]!.start >= dayjs().add(30, 'day').format('YYYY-MM-DD')).toBe(true)
    expect((await fitter.ask('DELETE', `/api/plan/offers/${offer!.id}`)).status).toBe(200)
    expect((await view()).offer).toBeNull()
  })
  it('puts no bond off where nothing is saved by it, and may be asked not to', async () => {
    const offered = async (join: boolean) => {
      await asked({ ...PIPIT, join })
      return (await view()).offer!
    }
    const [apart, joined] = [await offered(false), await offered(true)]
    expect([apart.ask.join, joined.ask.join]).toEqual([false, true])
    const n = (o: typeof apart) => Object.values(vessels(o.plan.days)).reduce((x, y) => x + y)
    const said = joined.plan.days.flatMap((d) => d.steps).filter((s) => s.joined)
    expect(said.length > 0).toBe(n(joined) < n(apart))
    expect(joined.plan.finish).toBe(apart.plan.finish)
    await fitter.ask('DELETE', `/api/plan/offers/${joined.id}`)
  })
  it('is stopped when nobody wants it', async () => {
    const { body: job } = await fitter.ask<PlanJobShown>('POST', '/api/plan/jobs', {})
    const stopped = (await fitter.ask<PlanJobShown>('DELETE', `/api/plan/jobs/${job.id}`)).body
    expect(stopped).toMatchObject({ state: 'cancelled', said: 'stopped by Tam Corrigall' })
    expect((await view()).job).toBeNull()
    expect((await view()).offer).toBeNull()
  })
  it('asked for again takes the place of what is at work; one that a page asks for takes nobody’s', async () => {
    const ask = async (body: object) => (await fitter.ask<PlanJobShown>('POST', '/api/plan/jobs', body)).body
    const first = await ask({})
    const second = await ask({ boats: ['pipit'] })
    const third = await ask({ byItself: true })
    expect(third.id).toBe(second.id)
    const ended = async (id: string) => {
      const { body } = await fitter.ask<PlanJobShown>('GET', `/api/plan/jobs/${id}`)
      return body.state
    }
    await vi.waitUntil(async () => (await ended(second.id)) === 'done', { timeout: 120_000 })
    expect(await ended(first.id)).toBe('cancelled')
    const offer = (await view()).offer!
    expect(offer.ask.boats).toEqual(['pipit'])
    await fitter.ask('DELETE', `/api/plan/offers/${offer.id}`)
  })
  it.each([
    [{ boats: ['nowhere'] }, 'failed', /no boat/],
    [{ boats: ['pipit'], fittings: [] }, 'done', /^$/],
  ])('%j ends as %s', async (body, state, said) => {
    const job = await asked(body)
    expect(job.state).toBe(state)
    expect(job.said).toMatch(said)
  })
  it.each([
    [{ boats: [] }, 'boats'],
    [{ from: 'tomorrow' }, 'from'],
    [{ cover: 'umbrella' }, 'cover'],
    [{ launchDays: [] }, 'launchDays'],
  ])('%j is refused at %s', async (body, path) => {
    const r = await fitter.ask<{ error: { path: string } }>('POST', '/api/plan/jobs', body)
    expect([r.status, r.body.error.path]).toEqual([400, path])
  })
})

describe('a step moved', () => {
  it('goes to another day and stays there; refused where the rules do not allow it; taken back', async () => {
    const v = await taken()
    const steps = stepsOf(v)
    const of = (id: string) => steps.filter((s) => s.fittingId === id)
    const last = steps.find(
      (s) => of(s.fittingId).length > 2 && s === of(s.fittingId).at(-1) && !s.needsSurface,
    )!
    const first = of(last.fittingId)[0]!
    const to = dayjs(last.start).add(7, 'day').format('YYYY-MM-DD')
    const planId = v.kept!.id
    const move = (more: object) =>
      fitter.ask<PlanView & { moved: PlanChanges; error: { message: string; path: string } }>(
        'POST',
        '/api/plan/moves',
        { planId, fittingId: last.fittingId, step: last.step, ...more },
      )
    const early = await move({ day: dayjs().subtract(1, 'day').format('YYYY-MM-DD') })
    expect([early.status, early.body.error.message]).toEqual([409, 'It cannot go there: that day has passed'])
    const stranger = await move({ day: to, who: ['Nobody'] })
    expect([stranger.status, stranger.body.error.path]).toEqual([409, 'who'])
    const moved = await move({ day: to })
    expect(moved.status, JSON.stringify(moved.body.error)).toBe(200)
    const key = `${last.fittingId} ${last.step}`
    expect(rowsOfPlan(moved.body.kept!.plan).get(key)).toMatchObject({ fixed: 'pinned' })
    expect(rowsOfPlan(moved.body.kept!.plan).get(key)!.start.slice(0, 10)).toBe(to)
    expect(moved.body.moved.moved.find((m) => m.key === key)!.why).toBe('it was put there by hand')
    expect((await move({ day: to })).status).toBe(409)
    // It stays where it was put when all is planned anew.
    const anew = await taken()
    expect(rowsOfPlan(anew.kept!.plan).get(key)!.start.slice(0, 10)).toBe(to)
    expect(first.start <= last.start).toBe(true)
    const free = await fitter.ask<PlanView>('POST', '/api/plan/moves', {
      planId: anew.kept!.id,
      fittingId: last.fittingId,
      step: last.step,
      release: true,
    })
    expect(rowsOfPlan(free.body.kept!.plan).get(key)!.fixed).toBeNull()
    const back = await fitter.ask<PlanView>('POST', '/api/plan/undo', { planId: free.body.kept!.id })
    expect(rowsOfPlan(back.body.kept!.plan).get(key)!.fixed).toBe('pinned')
  })
})

describe('to carry', () => {
  it('goes out as a table, as a calendar, and as the sheet of a day', async () => {
    const csv = await fitter.ask<string>('GET', '/api/plan.csv?boat=pipit')
    expect(csv.text.split('\n')[0]).toBe('day,start,end,who,boat,where,fitting,step,cures until,in the bag')
    expect(csv.text).not.toContain('Fulmar')
    const ics = await fitter.ask<string>('GET', '/api/plan.ics')
    expect(ics.text).toMatch(/BEGIN:VCALENDAR[\s\S]*BEGIN:VEVENT[\s\S]*END:VCALENDAR/)
    const { plan } = await kept()
    const day = plan.days.find((d) => d.bag.length > 0)!
    const pdf = await fetch(`${app.base}/api/plan/day.pdf?day=${day.day}`, {
      headers: { cookie: fitter.cookie },
    })
    const words = await pdfWords(new Uint8Array(await pdf.arrayBuffer()))
    expect(words).toContain(dayjs(day.day).format('dddd D MMMM'))
    expect(words).toContain(day.steps[0]!.fitting)
    expect(words).toContain('In the bag')
    expect((await fitter.ask('GET', '/api/plan/day.pdf?day=1999-01-01')).status).toBe(404)
  })
  it('a calendar asks by a secret address, gets what its owner may see, and nothing once it was revoked', async () => {
    await taken({
      boats: ['fulmars-reach', 'pipit'],
      fittings: [named(/Closing the old rail/), named(/Oval hole/)],
    })
    const made = await owner.ask<{ id: number; path: string }>('POST', '/api/feeds', {
      title: 'My boat',
      what: 'plan',
    })
    expect(made.status).toBe(201)
    const read = () => fetch(`${app.base}${made.body.path}`)
    const text = await (await read()).text()
    expect(text).toContain('BEGIN:VEVENT')
    expect(text).not.toContain('LOCATION:Pipit')
    const looks = await owner.ask<{ path: string }>('POST', '/api/feeds', {
      title: 'Looks',
      what: 'watch',
      boatId: 'fulmars-reach',
    })
    const due = await (await fetch(`${app.base}${looks.body.path}`)).text()
    // A calendar's lines are folded.
    expect(due.replace(/\r\n /g, '')).toContain('Open and shut the valve')
    const list = await owner.ask<{ feeds: object[] }>('GET', '/api/feeds')
    expect(JSON.stringify(list.body)).not.toContain(made.body.path.split('/').at(-1)!.slice(0, 12))
    expect((await fitter.ask('DELETE', `/api/feeds/${made.body.id}`)).status).toBe(404)
    expect((await owner.ask('DELETE', `/api/feeds/${made.body.id}`)).status).toBe(200)
    expect((await read()).status).toBe(404)
    expect(
      (await owner.ask('POST', '/api/feeds', { title: 'x', what: 'plan', boatId: 'pipit' })).status,
    ).toBe(403)
  })
})

describe('who works, what holds, the weather', () => {
  it('hours are kept by the manager; a version that is not that any more is refused', async () => {
    const f = (await view()).fitters[0]!
    const body = { name: f.name, hours: f.hours, away: f.away, version: f.version }
    expect((await fitter.ask('PUT', `/api/fitters/${f.id}`, body)).status).toBe(403)
    const away = [{ from: '2031-01-05', to: '2031-01-01', why: '' }]
    const bad = await manager.ask<{ error: { path: string } }>('PUT', `/api/fitters/${f.id}`, {
      ...body,
      away,
    })
    expect([bad.status, bad.body.error.path]).toEqual([400, 'away.0.to'])
    expect((await manager.ask('PUT', `/api/fitters/${f.id}`, body)).status).toBe(200)
    expect((await manager.ask('PUT', `/api/fitters/${f.id}`, body)).status).toBe(409)
    expect((await view()).causes.map((c) => c.what)).toContain(`the hours of ${f.name} were changed`)
    const twice = await manager.ask('POST', '/api/fitters', { name: f.name, hours: {} })
    expect(twice.status).toBe(409)
    const made = await manager.ask<{ fitters: { id: number; name: string }[] }>('POST', '/api/fitters', {
      name: 'Ola Firth',
      hours: { sat: [['08:00', '12:00']] },
    })
    const id = made.body.fitters.at(-1)!.id
    expect((await manager.ask('DELETE', `/api/fitters/${id}`)).status).toBe(200)
  })
  it.each([
    [{ by: 'part', what: '' }, 400, 'what'],
    [{ by: 'moon', what: 'x' }, 400, 'by'],
    [{ by: 'part', what: 'x', until: '1999-01-01' }, 400, 'until'],
    [{ by: 'part', what: 'x', fittingId: 'f1' }, 400, 'fittingId'],
    [{ by: 'paint', what: 'x', zones: ['nowhere'] }, 400, 'zones'],
  ])('a hold %j is refused at its place', async (body, status, path) => {
    const r = await apprentice.ask<{ error: { path: string } }>('POST', `${F}/holds`, body)
    expect([r.status, r.body.error.path]).toEqual([status, path])
  })
  it('a forecast comes as a table, all of it or none, and a reading counts before it', async () => {
    const at = (h: number) => dayjs().add(h, 'hour').format('YYYY-MM-DDTHH:00')
    const row = (h: number, air: string) => `${at(h)},${air},70,3,0,0.2`
    const head = 'at,airC,humidityPct,windMs,rainMm,sun'
    const send = (csv: string) =>
      fitter.ask<{ hours: number; error: { path: string; message: string } }>('POST', '/api/weather/csv', {
        csv,
      })
    const bad = await send([head, row(0, '8'), row(1, 'warm')].join('\n'))
    expect([bad.status, bad.body.error.path]).toEqual([400, 'csv'])
    expect(bad.body.error.message).toContain('line 3')
    expect((await view()).weather!.source).toBe('a simulated service')
    expect((await send([head, row(0, '8'), row(0, '9')].join('\n'))).body.error.message).toContain('twice')
    const good = await send([head, ...Array.from({ length: 48 }, (_, i) => row(i, '8.5'))].join('\n'))
    expect(good.body.hours).toBe(48)
    await apprentice.ask('POST', '/api/weather/readings', { at: at(1), airC: 3.5, humidityPct: 80 })
    const { weather } = await view()
    expect(weather!.source).toBe('a file')
    expect(weather!.hours.slice(0, 3).map((h) => [h.airC, h.measured])).toEqual([
      [8.5, false],
      [3.5, true],
      [8.5, false],
    ])
    // What holds work up is read first: the page says three and counts the rest.
    expect((await view()).causes[0]!.what).toBe('the weather was told anew')
    const asked = { cover: 'tent', heat: { from: at(3), to: at(6), targetC: 15, areaM2: 10 } }
    const strip = (await apprentice.ask<WeatherStrip>('POST', '/api/weather/windows', asked)).body
    expect(strip.works.map((w) => w.id)).toContain('aloft')
    expect(strip.heat!.peakW).toBeCloseTo(6 * 10 * 6.5, 6)
    const far = { heat: { ...asked.heat, to: dayjs().add(30, 'day').format('YYYY-MM-DDTHH:00') } }
    const refused = await fitter.ask('POST', '/api/weather/windows', far)
    expect([refused.status, refused.body.error.path]).toEqual([400, 'heat'])
  })
})

describe('the yard\u2019s own minutes', () => {
  it('take the place of the typical ones after five of a kind, and not before', async () => {
    const b = (await fitter.ask<{ fittings: { id: string; kind: string }[] }>('GET', F)).body
    const decks = b.fittings.filter((f) => f.kind === 'deck-hardware').map((f) => f.id)
    const open: string[] = []
    for (const id of decks) {
      const r = await fitter.ask('POST', `/api/fittings/${id}/tick`, {
        step: 'survey',
        reason: 'in the test',
        minutes: 71,
      })
      if (r.status === 200) open.push(id)
      if (open.length === 5) break
    }
    expect(open).toHaveLength(5)
    const own = (await view()).own.find((o) => o.kind === 'deck-hardware' && o.step === 'survey')!
    expect(own).toMatchObject({ minutes: 71, times: 5 })
    const v = await taken()
    const left = stepsOf(v).filter((s) => s.kind === 'deck-hardware' && s.step === 'survey')
    for (const s of left) expect(s.minutes).toBe(71)
    // One taken back leaves four: the typical ones stand again.
    await fitter.ask('POST', `/api/fittings/${open[0]}/tick/survey/back`, { reason: 'misread' })
    expect((await view()).own.find((o) => o.kind === 'deck-hardware' && o.step === 'survey')!.times).toBe(4)
  })
})

it('bonds that can share a pot and beddings that can share a tube are joined, and said', async () => {
  await taken({ boats: ['fulmars-reach', 'pipit'] })
  const { plan } = await kept()
  const pots = plan.days.flatMap((d) => d.pots ?? [])
  const tubes = plan.days.flatMap((d) => d.tubes ?? [])
  expect(pots.length).toBeGreaterThan(3)
  expect(
    [...pots, ...tubes].some((p) => p.for.length > 1),
    JSON.stringify(pots),
  ).toBe(true)
  expect(tubes.length).toBeGreaterThan(0)
  for (const d of plan.days)
    for (const p of [...(d.pots ?? []), ...(d.tubes ?? [])])
      for (const f of p.for) expect(d.steps.map((s) => s.fittingId)).toContain(f.fittingId)
  const v = await view(owner)
  const mine = new Set(stepsOf(v).map((s) => s.fittingId))
  for (const d of v.kept!.plan.days)
    for (const p of d.pots ?? []) for (const f of p.for) expect(mine.has(f.fittingId)).toBe(true)
})
