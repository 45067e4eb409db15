import { THREAD_WAY_TITLES } from './thread-ways'
import type { Work } from './steps-work'

/** Tail, hose, plug, wires and the handle: what is put on once it has cured. */
export function plumbingSteps(w: Work): void {
  const { d, j, add, info, below, plastic } = w
  const elbow = (d.tail?.bendDeg ?? 0) > 0
  if (d.valve && d.tail)
    add(
      'tail',
      `${elbow ? 'Elbow' : 'Tail'} in with ${THREAD_WAY_TITLES[d.bedding.thread]} on the thread${j.threads.some((t) => t.seal === 'face') ? ', its face clean' : ''}, five turns at least; ${plastic ? 'by hand and half a turn with a strap, no spanners on plastic' : 'two spanners, so that the valve does not turn'}.${elbow ? ' It ends tight and pointing where the hose comes from: on, never back; with a turn to spare it is taken out and its thread packed anew.' : ''}`,
    )
  if (info.hose && d.hose)
    add(
      'hose',
      `Hose on to the end of the barb, ${d.hose.clips} clips side by side, screws away from each other, bands clear of the end. Tug it.`,
      { gate: below },
    )
  if (d.plug)
    add(
      'plug',
      `Plug in hand-tight on its own washer, its spare tied inside${d.plug.choke ? '; the choke hole in the block is free' : ''}.`,
      { gate: true },
    )
  wires(w)
  if (info.valve)
    add(
      'swing',
      'Swing the handle open and shut, ten times; mark open. A soft plug of the right taper is tied beside it.',
      { gate: true },
    )
}
function wires({ d, j, add, below }: Work): void {
  if (d.family === 'anode-stud')
    add(
      'wire',
      'Wire to what it protects, tinned, 4 mm\u00b2 or more (8.4 mm\u00b2 where a rule asks); 0.1 \u03a9 or less by meter.',
      { gate: true, asks: ['ohm'] },
    )
  else if (d.metals.school === 'bond-all' && below && j.checks.some((c) => c.id === 'bond-path'))
    add(
      'bond',
      'Bonding wire on, tinned, 4 mm\u00b2 or more; meter from fitting to anode: 0.1 \u03a9 or less.',
      { gate: true, asks: ['ohm'] },
    )
  if (d.family === 'anode-stud' || d.metals.anode)
    add(
      'anode',
      'Anode on: bright metal under it, its washer, no paint and no paste between; never painted over.',
    )
}

/** Proved before she is launched, and the record looked through. */
export function proveSteps({ d, j, add, mm, below }: Work): void {
  const proved = {
    gate: true,
    records: { bore: ['proved' as const], bolt: ['proved' as const] },
    asks: ['proof' as const],
  }
  if (d.drain)
    add(
      'prove-dry',
      `Fill to ${mm(d.drain.waterMm)} and time it: ${j.drain ? `${Math.round(j.drain.timeS)} s by figures` : ''}.`,
      proved,
    )
  else if (!below)
    add('prove-dry', 'Hose from outside, low to high, the inside watched dry with chalk.', proved)
  add(
    'record',
    'Look through its record in the register: sizes, lots, orientation, trimmed length, tests, photos.',
    { gate: true, ...(below ? {} : { records: { bore: ['in-service'], bolt: ['in-service'] } }) },
  )
}

const WATCH = [
  ['watch-now', 'At once', 0],
  ['watch-10', 'After 10 minutes', 1 / 6],
  ['watch-60', 'After an hour', 1],
  ['watch-day', 'After a day', 24],
  ['watch-week', 'After a week', 168],
] as const
/** Launched, looked at with the valve shut and open, watched for a week; exercised for ever. */
export function afloatSteps({ d, add, info, below }: Work): void {
  if (below) {
    add(
      'launch',
      `Bilge pump proven, soft plugs at hand${info.valve ? ', valve shut' : d.plug ? ', drain plug in' : ''}. Lower until it is just awash and stop.`,
      {
        hands: 2,
        gate: true,
        caution: 'Nobody leaves her in the slings until every new fitting has been looked at.',
      },
    )
    for (const [id, when, h] of WATCH) {
      add(id, `${when}: look and feel round ${d.name}, dry tissue all round; note it.`, {
        gate: true,
        waitH: h,
        asks: ['seen'],
        after: h > 0 ? { step: 'launch', hours: h, what: 'The water' } : null,
        ...(id === 'watch-60'
          ? { records: { bore: ['proved'], bolt: ['proved'] } }
          : id === 'watch-week'
            ? { records: { bore: ['in-service'], bolt: ['in-service'] } }
            : {}),
      })
      if (id === 'watch-now' && info.valve && d.hose)
        add(
          'joints',
          'Open the valve and look at every joint of hose and tail under the water\u2019s own pressure, dry tissue round each; then shut it.',
        )
    }
  }
  if (info.valve) add('exercise', 'From then on: exercised every month in use, shut when leaving.')
}
