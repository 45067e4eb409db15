import { z } from 'zod'
import { parseInput, planFitter, WEEKDAYS, type PlanFitter, type YardFitter } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Fitter, User } from '../models'
import { must, type Account } from './access'
import { MOST_VERSION, stale } from './saving'

/** Who works in the yard, with the hours of each weekday and the days away. */
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'a time of day as 07:30 is accepted')
const stretch = z
  .tuple([clock, clock])
  .refine(([a, b]) => a < b, { message: 'A stretch of work ends after it begins' })
const ofDay = z
  .array(stretch)
  .max(4)
  .refine((all) => all.every((s, i) => i === 0 || s[0] >= all[i - 1]![1]), {
    message: 'Stretches of one day come one after another',
  })
const away = z
  .strictObject({ from: z.iso.date(), to: z.iso.date(), why: z.string().trim().max(80).default('') })
  .refine((a) => a.to >= a.from, { message: 'The last day away is not before the first', path: ['to'] })
const saving = z.strictObject({
  name: z.string().trim().min(1).max(80),
  hours: z.partialRecord(z.enum(WEEKDAYS), ofDay),
  away: z.array(away).max(60).default([]),
})
const changing = saving.extend({ version: z.number().int().positive().max(MOST_VERSION) })

const shown = (f: Fitter) => ({
  id: f.id,
  name: f.name,
  hours: f.hours,
  away: f.away,
  version: f.version,
})
export type ShownFitter = ReturnType<typeof shown>
export async function listFitters(): Promise<ShownFitter[]> {
  return (await Fitter.findAll({ order: [['id', 'ASC']] })).map(shown)
}
async function free(name: string, but?: number) {
  const there = await Fitter.findOne({ where: { name } })
  if (there && there.id !== but)
    throw new ApiError(409, 'exists', `There is a fitter ${name} already`, 'name')
}
export async function addFitter(who: Account, body: unknown) {
  must(who, 'hours')
  const f = parseInput(saving, body)
  await free(f.name)
  await Fitter.create(f)
  return listFitters()
}
async function fitterOf(id: number): Promise<Fitter> {
  const f = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await Fitter.findByPk(id) : null
  if (!f) throw notFound('fitter')
  return f
}
export async function changeFitter(who: Account, id: number, body: unknown) {
  must(who, 'hours')
  const { version, ...f } = parseInput(changing, body)
  await fitterOf(id)
  await free(f.name, id)
  const [n] = await Fitter.update(
    { ...f, version: version + 1, changedAt: new Date() },
    { where: { id, version } },
  )
  if (!n) {
    const now = await fitterOf(id)
    throw stale('those hours', { version: now.version! }, version, shown(now))
  }
  return listFitters()
}
/** Somebody who left the yard: what he did stays in the records under his name. */
export async function removeFitter(who: Account, id: number) {
  must(who, 'hours')
  await (await fitterOf(id)).destroy()
  return listFitters()
}

const USUAL: YardFitter['hours'] = Object.fromEntries(
  ['mon', 'tue', 'wed', 'thu', 'fri'].map((d) => [
    d,
    [
      ['08:00', '12:00'],
      ['13:00', '17:00'],
    ],
  ]),
)
/**
 * Those who are planned with. Where nobody's hours were set, the yard's accounts are taken at usual hours,
 * and `guessed` says so.
 */
export async function planFitters(): Promise<{ fitters: PlanFitter[]; guessed: boolean }> {
  const own = await Fitter.findAll({ order: [['id', 'ASC']] })
  if (own.length)
    return {
      fitters: own.map((f) => planFitter({ name: f.name, hours: f.hours, away: f.away! })),
      guessed: false,
    }
  const people = await User.findAll({ where: { role: ['fitter', 'apprentice'] }, order: [['id', 'ASC']] })
  const names = people.length ? people.map((p) => p.name) : ['one fitter']
  return { fitters: names.map((name) => planFitter({ name, hours: USUAL, away: [] })), guessed: true }
}
