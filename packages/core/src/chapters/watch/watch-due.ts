import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { LIFE_STATES } from '../../base/life-states'
import { minuteOf, timeText } from '../plan/clock'
import {
  beddingYears,
  byId,
  CHEMISTRIES,
  dateField,
  dateOf,
  monthsOn,
  refuseFuture,
  refuser,
  refuseTwice,
  serial,
  timeField,
} from './days'

const GRADES = [
  'ss-316',
  'ss-316-drawn',
  'A2-70',
  'A4-70',
  'A4-80',
  'duplex-2205',
  'silicon-bronze',
  'al-6061',
  'titanium-6al4v',
] as const
const item = z.strictObject({
  id: z.string().min(1),
  place: z.enum(['deck', 'topsides', 'below']),
  state: z.enum(LIFE_STATES),
  inService: dateField.optional(),
  bedded: dateField.optional(),
  chemistry: z.enum(CHEMISTRIES).default('unknown'),
  cureEnds: timeField.optional(),
  lastLook: dateField.optional(),
  cored: z.boolean().default(false),
  lastMoisture: dateField.optional(),
  newFitting: z.boolean().default(false),
  looksDone: z.number().int().min(0).max(5).default(0),
  valve: z
    .strictObject({
      open: z.boolean(),
      lastMoved: dateField.optional(),
      cockpitDrain: z.boolean().default(false),
    })
    .optional(),
  hose: z.strictObject({ fitted: dateField.optional(), lastLook: dateField.optional() }).optional(),
  anode: z.strictObject({ lastLook: dateField.optional() }).optional(),
  chainplate: z
    .strictObject({ grade: z.enum(GRADES).default('ss-316'), lastDrawn: dateField.optional() })
    .optional(),
})
type Item = z.output<typeof item>
const input = z
  .strictObject({
    now: timeField,
    horizonDays: z.number().int().min(0).max(3660).default(90),
    earlyPercent: z.number().int().min(0).max(50).default(20),
    duty: z.enum(['sheltered', 'coastal', 'ocean']).default('coastal'),
    launch: timeField.optional(),
    items: z.array(item),
  })
  .superRefine((v, ctx) => {
    const refuse = refuser(ctx)
    const today = v.now.slice(0, 10)
    refuseTwice(v.items, 'items', refuse)
    v.items.forEach((it, i) => {
      const past = (date: string | undefined, ...path: string[]) =>
        refuseFuture(date, today, ['items', i, ...path], refuse)
      past(it.inService, 'inService')
      past(it.bedded, 'bedded')
      past(it.lastLook, 'lastLook')
      past(it.lastMoisture, 'lastMoisture')
      past(it.valve?.lastMoved, 'valve', 'lastMoved')
      past(it.hose?.fitted, 'hose', 'fitted')
      past(it.hose?.lastLook, 'hose', 'lastLook')
      past(it.anode?.lastLook, 'anode', 'lastLook')
      past(it.chainplate?.lastDrawn, 'chainplate', 'lastDrawn')
    })
  })
type Input = z.output<typeof input>

const SEVERITIES = ['stop', 'must', 'should'] as const
type Severity = (typeof SEVERITIES)[number]
const REASONS = ['open', 'uncured', 'unproven', 'suspect'] as const
const rowSchema = z.object({
  id: z.string(),
  task: z.string(),
  due: z.string(),
  at: z.string().nullable(),
  from: z.string(),
  to: z.string(),
  interval: z.object({ n: z.number(), unit: z.enum(['days', 'months']) }).nullable(),
  severity: z.enum(SEVERITIES),
  known: z.boolean(),
  overdue: z.boolean(),
  overdueDays: z.number(),
  why: z.string(),
})
type Due = z.output<typeof rowSchema>
const ids = z.array(z.string())
const output = z.object({
  rows: z.array(rowSchema),
  visits: z.array(
    z.object({ date: z.string(), tasks: z.array(z.object({ id: z.string(), task: z.string() })) }),
  ),
  leaving: z.object({ shut: ids, leaveOpen: ids, unwatched: ids }),
  launchable: z.boolean(),
  notLaunchable: z.array(z.object({ id: z.string(), reason: z.enum(REASONS) })),
  cautions: z.array(z.string()),
})

/** Minutes after the launch at which every new fitting is looked at. */
const LOOKS = [0, 10, 60, 1440, 7 * 1440]
const LOOK_WHEN = ['at once', 'after 10 minutes', 'after an hour', 'after a day', 'after a week']
/** Years between drawings of a chainplate, by what the boat is asked, in months. */
const DRAW_MONTHS = { ocean: 120, coastal: 180, sheltered: 240 }
const drawMonths = (duty: Input['duty'], grade: (typeof GRADES)[number]) =>
  DRAW_MONTHS[duty] * (grade === 'A2-70' ? 0.5 : grade === 'titanium-6al4v' ? 2 : 1)

interface Recurring {
  task: string
  asked: (it: Item) => boolean
  from: (it: Item) => string | undefined
  every: (it: Item, v: Input) => { n: number; unit: 'days' | 'months' }
  severity: (it: Item) => Severity
  why: string
  /** months after the count begins from which it may be done, in place of a share of the interval */
  earlyMonths?: number
}
const months = (n: number) => () => ({ n, unit: 'months' as const })
const must = (): Severity => 'must'
const should = (): Severity => 'should'
const RECURRING: Recurring[] = [
  {
    task: 'exercise',
    asked: (it) => !!it.valve,
    from: (it) => it.valve!.lastMoved ?? it.inService,
    every: months(1),
    severity: must,
    why: 'A valve that is never turned seizes.',
  },
  {
    task: 'anode',
    asked: (it) => !!it.anode,
    from: (it) => it.anode!.lastLook ?? it.inService,
    every: () => ({ n: 90, unit: 'days' }),
    severity: must,
    why: 'An anode is changed at half.',
  },
  {
    task: 'look',
    asked: () => true,
    from: (it) => it.lastLook ?? it.inService ?? it.bedded,
    every: months(12),
    severity: (it) => (it.place === 'below' ? 'must' : 'should'),
    why: 'A broken line of bedding lets the water in.',
  },
  {
    task: 'draw-plate',
    asked: (it) => !!it.chainplate,
    from: (it) => it.chainplate!.lastDrawn ?? it.inService,
    every: (it, v) => ({ n: drawMonths(v.duty, it.chainplate!.grade), unit: 'months' }),
    severity: must,
    why: 'Stainless pits unseen where the deck hides it.',
  },
  {
    task: 'hose-look',
    asked: (it) => !!it.hose,
    from: (it) => it.hose!.lastLook ?? it.hose!.fitted,
    every: months(12),
    severity: must,
    why: 'Hose and clips are looked at every year.',
  },
  {
    task: 'hose-renew',
    asked: (it) => !!it.hose,
    from: (it) => it.hose!.fitted,
    every: months(84),
    severity: must,
    why: 'A hose lasts five to seven years.',
    earlyMonths: 60,
  },
  {
    task: 'moisture',
    asked: (it) => it.cored,
    from: (it) => it.lastMoisture ?? it.inService,
    every: months(12),
    severity: should,
    why: 'A core is read once a year.',
  },
  {
    task: 'rebed',
    asked: (it) => it.bedded !== undefined,
    from: (it) => it.bedded,
    every: (it) => ({ n: 12 * beddingYears(it.chemistry), unit: 'months' }),
    severity: should,
    why: 'The life of this bedding is over.',
  },
]

interface Ranked extends Due {
  order: number
}
const today = (v: Input) => v.now.slice(0, 10)
/** Never late: today only where it is due, else from a part of the interval before it. */
function windowOf(v: Input, due: string, earliest: string): Pick<Due, 'from' | 'to'> {
  const now = today(v)
  if (due <= now) return { from: now, to: now }
  return { from: earliest < now ? now : earliest, to: due }
}
const late = (v: Input, due: string) => Math.max(0, serial(today(v)) - serial(due))

function recurring(v: Input, it: Item): Ranked[] {
  const now = today(v)
  return RECURRING.flatMap((r, i) => {
    if (!r.asked(it)) return []
    const counted = r.from(it)
    const interval = r.every(it, v)
    const ends = (from: string) =>
      interval.unit === 'months' ? monthsOn(from, interval.n) : dateOf(serial(from) + interval.n)
    const due = counted === undefined ? now : ends(counted)
    const span = counted === undefined ? 0 : serial(due) - serial(counted)
    const share = dateOf(serial(due) - Math.floor((v.earlyPercent * span) / 100))
    const earliest = r.earlyMonths && counted ? monthsOn(counted, r.earlyMonths) : share
    return [
      {
        id: it.id,
        task: r.task,
        due,
        at: null,
        ...windowOf(v, due, earliest),
        interval,
        severity: r.severity(it),
        known: counted !== undefined,
        overdue: due < now,
        overdueDays: late(v, due),
        why: counted === undefined ? `${r.why} Nobody has written down when it last was.` : r.why,
        order: 10 + i,
      },
    ]
  })
}
const watched = (v: Input, it: Item) =>
  v.launch !== undefined && it.place === 'below' && it.newFitting && it.looksDone < LOOKS.length
function launchLooks(v: Input, it: Item): Ranked[] {
  if (!watched(v, it)) return []
  return LOOKS.map((after, i) => ({ at: timeText(minuteOf(v.launch!)! + after), i }))
    .slice(it.looksDone)
    .map(({ at, i }) => {
      const due = at.slice(0, 10)
      return {
        id: it.id,
        task: `launch-${i + 1}`,
        due,
        at,
        ...windowOf(v, due, due),
        interval: null,
        severity: 'must' as const,
        known: true,
        overdue: at < v.now,
        overdueDays: late(v, due),
        why: `A new fitting below the waterline is looked at ${LOOK_WHEN[i]!}.`,
        order: 1 + i,
      }
    })
}
function suspectRow(v: Input, it: Item): Ranked[] {
  if (it.state !== 'suspect') return []
  const now = today(v)
  return [
    {
      id: it.id,
      task: 'suspect',
      due: now,
      at: null,
      from: now,
      to: now,
      interval: null,
      severity: 'stop',
      known: true,
      overdue: false,
      overdueDays: 0,
      why: 'Something looks wrong with it: settle that before she is used.',
      order: 0,
    },
  ]
}

/** Fewest days on which everything is done: go on the earliest last day, and do all that may be done. */
function visitsOf(rows: Due[]) {
  const out: { date: string; tasks: { id: string; task: string }[] }[] = []
  let left = rows
  while (left.length) {
    const date = left.reduce((a, r) => (r.to < a ? r.to : a), left[0]!.to)
    const now = left.filter((r) => r.from <= date && r.to >= date)
    out.push({ date, tasks: now.map(({ id, task }) => ({ id, task })) })
    left = left.filter((r) => !now.includes(r))
  }
  return out
}

const OPEN = ['drilled', 'core-sealed', 'dry-fitted']
function launchStop(v: Input, it: Item): (typeof REASONS)[number] | null {
  if (it.place !== 'below') return null
  if (OPEN.includes(it.state)) return 'open'
  if (it.state === 'suspect') return 'suspect'
  if (it.state !== 'bedded' && it.state !== 'cured') return null
  const curing = it.cureEnds === undefined ? it.state === 'bedded' : it.cureEnds > v.now
  return curing ? 'uncured' : 'unproven'
}
const idsOf = (items: Item[]) => items.map((it) => it.id).sort(byId)

export const watchDue = defineCalculator({
  name: 'watch-due',
  title: 'What is due',
  chapter: '16.3',
  words: ['due', 'watch', 'inspect', 'launch', 'leaving the boat', 'exercise', 'service'],
  input,
  output,
  run: (v) => {
    const last = dateOf(serial(today(v)) + v.horizonDays)
    const rows = v.items
      .filter((it) => ['proved', 'in-service', 'suspect'].includes(it.state))
      .flatMap((it) => [...suspectRow(v, it), ...launchLooks(v, it), ...recurring(v, it)])
      .filter((r) => r.due <= last)
      .sort(
        (a, b) =>
          byId(a.due, b.due) ||
          SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) ||
          byId(a.id, b.id) ||
          a.order - b.order,
      )
      .map(({ order: _, ...r }): Due => r)
    const open = v.items.filter((it) => it.valve?.open)
    const leaving = {
      shut: idsOf(open.filter((it) => !it.valve!.cockpitDrain)),
      leaveOpen: idsOf(open.filter((it) => it.valve!.cockpitDrain)),
      unwatched:
        v.launch !== undefined && v.launch <= v.now ? idsOf(v.items.filter((it) => watched(v, it))) : [],
    }
    const notLaunchable = v.items
      .flatMap((it) => {
        const reason = launchStop(v, it)
        return reason ? [{ id: it.id, reason }] : []
      })
      .sort((a, b) => REASONS.indexOf(a.reason) - REASONS.indexOf(b.reason) || byId(a.id, b.id))
    const wet = leaving.shut.length || leaving.unwatched.length || notLaunchable.length
    return {
      rows,
      visits: visitsOf(rows),
      leaving,
      launchable: notLaunchable.length === 0,
      notLaunchable,
      cautions: [
        ...(v.items.some((it) => it.chainplate && it.state === 'suspect') ? ['aloft-and-rig'] : []),
        ...(notLaunchable.some((n) => n.reason === 'open') ? ['hole-ashore'] : []),
        ...(wet ? ['under-the-waterline'] : []),
      ],
    }
  },
})
