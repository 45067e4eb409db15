import { THROUGH_HULL_FAMILY } from './families'
import type { ThroughHullDesign } from './design'

/**
 * What must be true before a step that cannot be undone: looked through once more, one by one, each on
 * record.
 */
export function lastLook(d: ThroughHullDesign, before: 'bore' | 'bed', smallBore: boolean): string[] {
  const welded = d.family === 'welded-stub'
  if (before === 'bore')
    return [
      'its place is measured from two things that will still be there',
      'no wire, tank, pipe, floor or frame stands behind it; batteries are off',
      ...(smallBore ? [] : ['the pilot came out where it should']),
      ...(welded
        ? ['paint and foam are off on both sides, a watch and an extinguisher stand by']
        : d.wedge.blocks === 'none'
          ? []
          : ['the wedge is on as a jig, and its thick side stands where its line says']),
      ...(d.hull.kind === 'cored' ? ['the core is known here, and what makes it solid is at hand'] : []),
      ...(d.replaces ? ['what stood here is out, and its hole was measured'] : []),
      ...(d.transducer ? ['the cable is long enough for its run'] : []),
    ]
  return [
    ...(d.clock.measuredDeg !== null && d.valve
      ? ['dry fitted and clocked: the marks of tape meet']
      : ['dry fitted: everything went together once']),
    'gun, spare nozzle, cloths, gloves, spanners and light lie within reach',
    'hull, pad and fitting were wiped minutes ago, and nobody has touched them since',
    ...([d.bedding.flange, d.bedding.tail, d.bedding.pad].includes('epoxy-filled')
      ? ['wax or tape is on every thread that must come apart again']
      : []),
    ...(d.hold.method === 'insert' && d.valve && d.valve.kind !== 'screwed'
      ? ['the inserts are in from the right side']
      : []),
    ...(d.transducer
      ? [`the cable is led; the arrow points ${d.transducer.arrow === 'keel' ? 'to the keel' : 'forward'}`]
      : []),
    ...(THROUGH_HULL_FAMILY[d.family].stack ? ['a helper is outside, or the strut stands'] : []),
  ]
}
