import { formatLength, type Units } from '../../base/quantity/format'
import { stepList, type Step } from '../step'
import type { RowDesign } from './design'
import { ROW_FAMILY } from './families'
import type { RowJudgement } from './judgement'

interface Work {
  d: RowDesign
  j: RowJudgement
  add: ReturnType<typeof stepList>['add']
  mm: (v: number) => string
}
const EACH_MIN = 4
function setOut({ j, add, mm }: Work): void {
  const n = j.layout.count
  add(
    'row-line',
    'Strike the line: a batten or a string, its ends measured from two things that will still be there.',
    { minutes: 20, hands: 2, tools: ['batten', 'string', 'tape', 'tape measure'] },
  )
  add(
    'row-set-out',
    `Mark all ${n} from one end, never one from the other: ${j.layout.positions
      .slice(0, 3)
      .map((p) => mm(p.sMm))
      .join(', ')} and so on by the schedule.`,
    { gate: true, minutes: 10 + EACH_MIN * n, tools: ['strip template', 'pencil', 'tape measure'] },
  )
  add(
    'row-inside',
    `Look at each from inside before anything is drilled: knees, bulkheads, wires and tanks${j.keepouts.length ? `; ${j.keepouts.length} of them are on the plan` : ''}. One pilot hole is the datum for all.`,
    {
      gate: true,
      hands: 2,
      minutes: 5 + EACH_MIN * n,
      asks: ['looks'],
      looks: ['every place was seen from inside', 'nothing is behind any of them'],
      tools: ['lamp', 'mirror'],
      caution: 'Know what is behind.',
    },
  )
  if (j.crossed.length)
    add(
      'row-old',
      `Old holes under it first: ${j.crossed.map((c) => `${c.label} (${c.said})`).join('; ')}.`,
      {
        gate: true,
        asks: ['looks'],
        looks: ['each old hole is closed, or taken away by a new one'],
        caution: 'None is left open under a strip.',
      },
    )
}
function bolted({ d, j, add, mm }: Work): void {
  const n = j.layout.count
  const cored = d.structure.kind === 'sandwich'
  if (d.strip)
    add(
      'strip-form',
      j.strip && !j.strip.elastic
        ? `Roll the strip${j.strip.formRadiusMm ? ` to a radius of ${mm(Math.round(j.strip.formRadiusMm))}, it springs back to the hull\u2019s` : ''}, before it is drilled.`
        : 'Lay the strip to the hull by hand and see that it goes: no bolt has to pull it all the way.',
      { minutes: 60, hands: 2, tools: ['rolls', 'clamps', 'straps'] },
    )
  add(
    'row-drill',
    `Drill ${n} holes of ${mm(d.bolt.holeMm)}: the middle one, then each side of it in turn, the strip clamped.`,
    {
      gate: true,
      minutes: 5 * n,
      asks: ['size'],
      sizeOf: 'bolt',
      records: { bolt: ['drilled'] },
      tools: ['drill', 'bits', 'depth stop', 'vacuum cleaner'],
      caution: 'Eye protection; back the far side against the break-through.',
    },
  )
  if (cored)
    add(
      'core-fill',
      'Bore the core back round each hole, fill it solid, and drill again when it has cured.',
      {
        gate: true,
        minutes: 8 * n,
        asks: ['looks', 'lot', 'air', 'dew'],
        looks: ['the core is dry and sound at each'],
        lot: 'epoxy',
        records: { bolt: ['core-sealed'] },
        tools: ['cups', 'filler', 'syringe', 'gloves'],
        caution: 'Gloves, air.',
      },
    )
}
function beddedAlong({ d, j, add }: Work): void {
  const n = j.layout.count
  add('dry-fit', 'All of it on dry, every bolt in by hand, before any sealant is opened.', {
    gate: true,
    minutes: 20 + 2 * n,
    records: { bolt: ['dry-fitted'] },
    tools: ['spanners', 'clamps'],
  })
  add(
    'bed',
    'Bed it along its whole length, a bead each side of the holes and a ring at each bolt; from the middle outwards, snug, then round again.',
    {
      gate: true,
      hands: 2,
      minutes: 20 + 3 * n,
      asks: ['lot', 'air', 'dew'],
      lot: d.bedding.sealant,
      records: { bolt: ['bedded'] },
      tools: ['gun', 'tape', 'cloths', 'spanners'],
    },
  )
  add('cure', 'Leave it until the bead has cured; nothing is hung on it meanwhile.', {
    gate: true,
    records: d.bedding.sealant === 'butyl' || !d.bedding.sealant ? {} : { bolt: ['cured'] },
  })
  add('prove', 'Hose it from its low end to its high one, somebody inside with a lamp at each bolt.', {
    gate: true,
    hands: 2,
    minutes: 30,
    asks: ['proof'],
    records: { bolt: ['proved'] },
    tools: ['hose', 'lamp'],
  })
  add('record', 'On record: the line, every place, what was under it, its bedding.', {
    gate: true,
    records: { bolt: ['in-service'] },
  })
}
/** The line, its places from one end, both sides seen, old holes first; then bolts, or each by its card. */
export function rowSteps(d: RowDesign, j: RowJudgement, units: Units): Step[] {
  const { add, done } = stepList()
  if (j.layout.blocked) return done()
  const w: Work = { d, j, add, mm: (v) => formatLength(Math.round(v * 10) / 10, units) }
  setOut(w)
  if (ROW_FAMILY[d.family].members)
    add('row-members', `Each of the ${j.layout.count} by its own card.`, {
      minutes: 5,
      caution: 'The first one whole, before the others are drilled.',
    })
  else {
    bolted(w)
    beddedAlong(w)
  }
  return done()
}
