import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { sealant } from '../../base/materials/sealants'
import { skinHoursAt, skinRate } from '../bedding/moisture-cure'
import { Tubes, doubtful, testWould } from './tubes'
import { MIXED_MIN, tubeInput, type Job, type TubeInput } from './tube-shape'

const maybe = z.string().nullable()
const output = z.object({
  jobs: z.array(
    z.object({
      id: z.string(),
      day: z.string(),
      workMinutes: z.number(),
      perSession: z.number(),
      sessions: z.number(),
      needMl: z.number(),
      shortMl: z.number(),
      lots: z.array(z.string()),
      codes: z.array(z.string()),
    }),
  ),
  tubes: z.array(
    z.object({
      lot: maybe,
      tube: z.number(),
      chemistry: z.string(),
      colour: maybe,
      openedDay: z.string(),
      goodUntil: z.string(),
      draws: z.array(z.object({ job: z.string(), ml: z.number() })),
      leftMl: z.number(),
    }),
  ),
  openedTubes: z.number(),
  buy: z.array(z.object({ chemistry: z.string(), colour: maybe, tubes: z.number(), firstDay: z.string() })),
  nozzles: z.array(z.object({ chemistry: z.string(), count: z.number() })),
  lots: z.array(
    z.object({ lot: z.string(), code: z.enum(['failed-test', 'used', 'test-first', 'not-needed']) }),
  ),
  wasteMl: z.number(),
})
type Output = z.output<typeof output>

const USUAL = { tempC: 18, humidityPct: 60 }
const GRAIN = 1e-6
/** Under this a second gun lies ready. */
const SPARE_GUN_MIN = 15

interface Session {
  workMinutes: number
  perSession: number
  sessions: number
  needMl: number
  codes: string[]
}
/** How many fittings one bead of working time does, and what the nozzles keep. */
function sessionOf(v: TubeInput, j: Job): Session {
  const day = v.days.find((d) => d.day === j.day) ?? USUAL
  const mixed = MIXED_MIN[j.chemistry]
  const workMinutes =
    mixed === undefined
      ? 60 * skinHoursAt(skinRate(j.chemistry, day.tempC, day.humidityPct)!)
      : mixed * 2 ** ((25 - day.tempC) / 10)
  const fits = Math.floor(workMinutes / j.minutesEach + GRAIN)
  const perSession = Math.max(1, fits)
  const sessions = Math.ceil(j.fittings / perSession - GRAIN)
  const [cold, hot] = sealant(j.chemistry).applyC
  return {
    workMinutes,
    perSession,
    sessions,
    needMl: j.ml + (mixed === undefined ? 0 : sessions * v.nozzleMl),
    codes: [
      ...(mixed !== undefined && workMinutes < SPARE_GUN_MIN - GRAIN ? ['spare-gun'] : []),
      ...(day.tempC < cold - GRAIN ? ['too-cold'] : []),
      ...(day.tempC > hot + GRAIN ? ['too-hot'] : []),
      ...(fits < 1 ? ['too-slow'] : []),
    ],
  }
}

function nozzlesOf(v: TubeInput, sessions: Map<string, Session>): Output['nozzles'] {
  const mixed = [...new Set(v.jobs.map((j) => j.chemistry))].filter((c) => MIXED_MIN[c] !== undefined)
  return mixed.map((chemistry) => {
    const mine = v.jobs.filter((j) => j.chemistry === chemistry).map((j) => sessions.get(j.id)!)
    const spare = mine.some((s) => s.codes.includes('spare-gun')) ? 1 : 0
    return { chemistry, count: mine.reduce((n, s) => n + s.sessions, spare) }
  })
}
function lotsOf(v: TubeInput, store: Tubes, shortJobs: Job[]): Output['lots'] {
  return v.lots.map((l) => {
    const used = store.drawn.some((t) => t.lot === l)
    const would = store.leftOf(l) > GRAIN && shortJobs.some((j) => testWould(l, j))
    const code = l.test?.ok === false ? 'failed-test' : used ? 'used' : would ? 'test-first' : 'not-needed'
    return { lot: l.id, code } as const
  })
}

export const tubePlan = defineCalculator({
  name: 'tube-plan',
  title: 'Tubes by bedding day',
  chapter: '17.3',
  words: ['tubes', 'cartridges', 'bedding day', 'lots', 'expiry', 'nozzles', 'buy sealant'],
  input: tubeInput,
  output,
  run: (v) => {
    const sessions = new Map(v.jobs.map((j) => [j.id, sessionOf(v, j)]))
    const store = new Tubes(v)
    const inTurn = v.jobs
      .map((j, i) => ({ j, i }))
      .sort((a, b) => (a.j.day < b.j.day ? -1 : a.j.day > b.j.day ? 1 : 0) || a.i - b.i)
    const drawn = new Map(inTurn.map(({ j }) => [j.id, store.draw(j, sessions.get(j.id)!.needMl)]))
    const shortOf = (j: Job) => drawn.get(j.id)!.reduce((s, d) => (d.tube.lot ? s : s + d.ml), 0)
    const shortJobs = v.jobs.filter((j) => shortOf(j) > GRAIN)
    return {
      jobs: v.jobs.map((j) => {
        const { codes, ...session } = sessions.get(j.id)!
        const draws = drawn.get(j.id)!
        const lots = draws.flatMap((d) => (d.tube.lot ? [d.tube.lot] : []))
        return {
          id: j.id,
          day: j.day,
          ...session,
          shortMl: shortOf(j),
          lots: [...new Set(lots.map((l) => l.id))],
          codes: [
            ...codes,
            ...(shortJobs.includes(j) ? ['short'] : []),
            ...(lots.some((l) => doubtful(l, j.day)) ? ['tested-lot'] : []),
          ].sort(),
        }
      }),
      tubes: store.drawn.map((t) => ({ ...t, lot: t.lot?.id ?? null })),
      openedTubes: store.opened,
      buy: store.buy,
      nozzles: nozzlesOf(v, sessions),
      lots: lotsOf(v, store, shortJobs),
      wasteMl: store.drawn.reduce((s, t) => s + t.leftMl, 0),
    }
  },
})
