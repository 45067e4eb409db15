import dayjs from 'dayjs'
import { Boat, Fitter, Fitting, Hold, SheetStock } from '../models'
import type { Account } from '../services/access'
import { seedLooks } from './looks'
import { seedShelf } from './shelf'
import { forecastBySimulation } from '../services/weather'
import { firstPlan } from '../services/plan-job'

/**
 * The weeks of the invented yard: three who work, one of them on three days; a late part, paint of the
 * decks, a cold spell in the forecast, and the plan that was made of it.
 */
const DAY: [string, string][] = [
  ['08:00', '12:00'],
  ['13:00', '17:00'],
]
const on = (...days: string[]) => Object.fromEntries(days.map((d) => [d, DAY]))
const FITTERS = [
  { name: 'Tam Corrigall', hours: on('mon', 'tue', 'wed', 'thu', 'fri') },
  { name: 'Jo Linklater', hours: on('mon', 'tue', 'wed', 'thu', 'fri') },
  { name: 'Erla Marwick', hours: on('tue', 'wed', 'thu') },
]
const day = (n: number) => dayjs().add(n, 'day').format('YYYY-MM-DD')
/** Wednesday of week 15 is today; the paint is a hold from the Monday to the Friday of week 18 */
const PAINT = { from: 19, to: 23 }
const DECKS = ['foredeck', 'side-port', 'side-stbd', 'side-port-edge', 'side-stbd-edge', 'working-deck']

const stock = (
  kind: 'sheet' | 'offcut',
  material: string,
  thicknessMm: number,
  widthMm: number,
  heightMm: number,
) => ({ kind, material, thicknessMm, widthMm, heightMm, whereItIs: 'rack by the saw' })
const SHEETS = [
  stock('sheet', 'g10', 10, 1000, 600),
  stock('offcut', 'g10', 10, 420, 300),
  stock('offcut', 'g10', 6, 380, 260),
  stock('sheet', 'al-5083', 8, 500, 400),
  stock('sheet', 'plywood', 18, 1220, 1220),
]
export async function seedWeeks(who: Account): Promise<void> {
  for (const [i, f] of FITTERS.entries())
    await Fitter.create({
      ...f,
      away: i === 1 ? [{ from: day(8), to: day(9), why: 'day release' }] : [],
    })
  const named = async (name: RegExp) =>
    (await Fitting.findAll({ where: { boatId: 'fulmars-reach' }, order: [['name', 'ASC']] })).find((f) =>
      name.test(f.name),
    )
  const boat = await Boat.findByPk('fulmars-reach')
  if (!boat) return
  const said = { boatId: boat.id, madeBy: who.name, zones: null, fittingId: null }
  const intake = await named(/lab intake|intake, lab|lab.*intake/i)
  const pane = await named(/portlight, port/i)
  const late = [
    intake && {
      fittingId: intake.id!,
      by: 'part' as const,
      what: 'The composite valve is nine days late',
      from: 'fit' as const,
      since: day(-6),
      until: day(9),
      meanwhile: 'The old valve stays shut and plugged; not to be launched with it',
    },
    pane && {
      fittingId: pane.id!,
      by: 'part' as const,
      what: 'The panes are four days late',
      from: 'fit' as const,
      since: day(-1),
      until: day(4),
    },
  ].filter((h) => h !== undefined)
  for (const h of late) await Hold.create({ ...said, ...h })
  await Hold.create({
    ...said,
    zones: DECKS,
    by: 'paint',
    what: 'Paint of the decks',
    from: 'bed',
    since: day(0),
    until: day(PAINT.to),
    meanwhile: `The painter has the decks from ${dayjs().add(PAINT.from, 'day').format('D MMM')}; drill, seal and fit dry before`,
  })
  for (const sheet of SHEETS) await SheetStock.create(sheet)
  await seedShelf(who.name)
  await seedLooks()
  await forecastBySimulation(who)
  await firstPlan(who)
}
