import { formatVolume } from '../../base/quantity/format'
import { cut, type Work } from './step-work'

/** Through a watertight bulkhead: marked above the flood, bored over, lined, drilled again, made tight. */
export function glandSteps(w: Work): void {
  marking(w)
  lining(w)
  fitting(w)
}
function marking({ d, j, add, mm }: Work): void {
  const flood = d.gland!.floodZMm
  add('survey', 'Look at both sides: tabbing, beams, tanks, other cables; find the datum from both sides.', {
    gate: true,
    caution: 'Batteries off; know what is behind.',
    tools: ['lamp', 'mirror', 'rule', 'level'],
  })
  add(
    'mark',
    `Mark each gland from the datum${flood === null ? '' : `, and the level it floods to, ${mm(flood)} over the waterline`}.`,
    { tools: ['level', 'rule', 'pencil'] },
  )
  add('ready-drill', 'Last look before drilling. A hole in this bulkhead is a way for water.', {
    gate: true,
    asks: ['looks'],
    looks: [
      'every mark stands above the flood line',
      'nothing lies behind a mark',
      'a wrench goes round each',
    ],
  })
  // Each hole goes on record at the size of its own gland: one figure would not do for all of them.
  const sizes = (j.glanded?.glands ?? []).map((g, i) => `gland ${i + 1}: ${mm(g.boreMm ?? g.holeMm)}`)
  add('bore', `Bore ${sizes.join(', ')}; from both sides, so that no face tears.`, {
    gate: true,
    minutes: 10 * Math.max(1, sizes.length),
    records: cut(d)('drilled'),
    tools: ['hole saw', 'vacuum'],
    caution: 'Mask, eyes and ears.',
  })
}
function lining({ d, j, add, mm, units }: Work): void {
  const all = j.glanded
  if (!all?.glands.some((g) => g.boreMm !== null)) return
  const { pot } = j
  add(
    'line-fill',
    `Tape one side, wet the wall with unfilled epoxy, and fill it: ${formatVolume(all.plugMl, units)} in all.`,
    {
      gate: true,
      minutes: 30,
      asks: ['looks', 'lot', 'air', 'dew'],
      looks: ['the wall is clean and dry'],
      lot: 'epoxy',
      waitH: pot?.sandH ?? null,
      records: cut(d)('core-sealed'),
      tools: ['tape', 'cups', 'filler', 'syringe', 'gloves'],
      caution: 'Gloves, air.',
    },
  )
  const holes = [...new Set(all.glands.map((g) => mm(g.holeMm)))].join(' and ')
  add('line-drill', `Drill through the middle of each fill, ${holes}: epoxy stands all round the hole.`, {
    after: pot?.sandH ? { step: 'line-fill', hours: pot.sandH, what: 'The fill' } : null,
    minutes: 10 * all.glands.length,
    tools: ['drill', 'hole saw'],
  })
}
function fitting({ d, j, add, mm }: Work): void {
  const glands = j.glanded?.glands ?? []
  add('dry-fit', 'Set each gland dry with its ring; the nut bears all round and has its thread.', {
    gate: true,
    minutes: 15,
    records: cut(d)('dry-fitted'),
    tools: ['wrench'],
  })
  add('gland-set', 'Seat each gland on its sealing ring and draw the nut up against the bulkhead.', {
    gate: true,
    hands: 2,
    minutes: 15,
    alone: 'A wrench wedged against the tabbing holds the far side.',
    records: cut(d)('bedded'),
    tools: ['two wrenches'],
  })
  const cables = glands.map((g, i) => {
    const names = d.gland!.glands[i]!.cables.map((c) => `${c.name} ${mm(c.odMm)}`).join(', ')
    return `gland ${i + 1}: ${names}${g.spareWays ? `, ${g.spareWays} blanked` : ''}`
  })
  add(
    'cables',
    `Draw the cables in, each in its own way of the insert, and close it. ${cables.join('; ')}.`,
    {
      gate: true,
      minutes: 10 * Math.max(1, glands.length),
      asks: ['looks'],
      looks: [
        'each cable is round where the insert holds it',
        'every spare way has its blank',
        'each is labelled',
      ],
      tools: ['wrench', 'labels', 'blanks'],
    },
  )
}
