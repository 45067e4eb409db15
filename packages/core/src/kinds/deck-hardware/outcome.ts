import { epoxyBatchOf } from '../../chapters/bedding/epoxy-batch'
import { moistureCureOf } from '../../chapters/bedding/moisture-cure'
import { cautionsFor, type Caution } from '../../trade/cautions'
import { CORE_STEP_TEXT } from '../../chapters/deck/core-plug'
import { GRADES, SIZES } from '../../base/materials/fasteners'
import { PLATES } from '../../base/materials/plates'
import { sealant } from '../../base/materials/sealants'
import { formatLength, formatTorque, formatVolume, formatMass, type Units } from '../../base/quantity/format'
import type { Design } from './design'
import { bedMean, type Judgement } from './judge'

export interface Part {
  what: string
  size: string
  count: string
  note: string
}
export interface WorkStep {
  id: string
  text: string
  hands: 1 | 2
  gate: boolean
}

const spares = (n: number) => Math.max(1, Math.ceil(n * 0.1))

/** What has to be bought or made; fasteners with a tenth to spare, at least one. */
export function partsOf(d: Design, j: Judgement, units: Units): Part[] {
  const n = d.bolts.length
  const count = `${n} + ${spares(n)}`
  const size = SIZES[d.bolt.size]!
  const length = j.grip
    ? j.grip.lengthInch === null
      ? `${j.grip.lengthMm}`
      : `${j.grip.lengthInch} in`
    : 'no stock length'
  const lengthOf = (g: (typeof j.grips)[number]) =>
    g.grip
      ? g.grip.lengthInch === null
        ? `${g.grip.lengthMm}`
        : `${g.grip.lengthInch} in`
      : 'no stock length'
  const lengths = [...new Set(j.grips.map(lengthOf))]
  const parts: Part[] = [
    ...(lengths.length > 1 ? lengths : [length]).map((l) => {
      const mine =
        lengths.length > 1
          ? j.grips.filter((g) => lengthOf(g) === l).flatMap((g) => g.bolts)
          : d.bolts.map((_, i) => i)
      return {
        what: `Bolt, ${d.bolt.head}, ${GRADES[d.bolt.grade].title}`,
        size: `${d.bolt.size} \u00d7 ${l}`,
        count: `${mine.length} + ${spares(mine.length)}`,
        note: `${j.grip?.threading === 'part' ? 'part-threaded' : 'fully threaded'}${lengths.length > 1 ? `; for bolt ${mine.map((b) => b + 1).join(', ')}` : ''}`,
      }
    }),
    {
      what: `Nut, ${d.bolt.nut.replace('-', ' ')}`,
      size: d.bolt.size,
      count: d.bolt.nut === 'double-hex' ? `${2 * n} + ${2 * spares(n)}` : count,
      note: j.preload.galling ? 'paste on the thread: this metal galls' : '',
    },
    {
      what: `Washer, ${d.bolt.nutWasher}, under the nut`,
      size: formatLength(
        (d.bolt.nutWasher === 'large' ? size.largeWasher : size.plainWasher).diameterMm,
        units,
      ),
      count,
      note: '',
    },
  ]
  if (d.bolt.headWasher !== 'none' && d.bolt.head !== 'countersunk')
    parts.push({
      what: `Washer, ${d.bolt.headWasher}, under the head`,
      size: formatLength(
        (d.bolt.headWasher === 'large' ? size.largeWasher : size.plainWasher).diameterMm,
        units,
      ),
      count,
      note: '',
    })
  if (d.plate && j.plate) {
    parts.push({
      what: `Backing plate, ${PLATES[d.plate.material].title}`,
      size: `${formatLength(d.plate.lengthMm, units)} \u00d7 ${formatLength(d.plate.widthMm, units)} \u00d7 ${formatLength(d.plate.thicknessMm / d.plate.sheets, units)}`,
      count: d.plate.sheets === 2 ? '2, bonded into one' : '1',
      note: `${d.plate.outline ? 'clipped as drawn, ' : ''}corners rounded ${formatLength(j.plate.cornerRadiusMm, units)}${j.plate.bevelMm ? `, edge bevelled ${formatLength(j.plate.bevelMm, units)}` : ''}, ${formatMass(j.plate.massKg, units)}`,
    })
  }
  if (d.doubler && d.structure.kind === 'metal')
    parts.push({
      what: 'Doubler, of the deck\u2019s own metal',
      size: `${formatLength(d.doubler.lengthMm, units)} \u00d7 ${formatLength(d.doubler.widthMm, units)} \u00d7 ${formatLength(d.doubler.thicknessMm, units)}`,
      count: '1',
      note: `corners rounded, welded all round ${formatLength(d.doubler.weldMm, units)}`,
    })
  if (d.isolation.sleeve)
    parts.push({
      what: 'Isolating sleeve',
      size: `for ${d.bolt.size}, ${formatLength(j.grip?.gripMm ?? 0, units)} long`,
      count,
      note: 'in the hole, so that thread and deck never touch',
    })
  if (d.isolation.washer)
    parts.push({
      what: 'Isolating washer',
      size: `for ${d.bolt.size}`,
      count: `${2 * n} + ${2 * spares(n)}`,
      note: 'under head and nut',
    })
  const pads = [...new Set(d.padsMm.filter((p) => p > 0))]
  for (const p of pads)
    parts.push({
      what: 'Pad under the base',
      size: `${formatLength(p, units)} high`,
      count: String(d.padsMm.filter((x) => x === p).length),
      note: `for bolt ${d.padsMm.flatMap((x, i) => (x === p ? [i + 1] : [])).join(', ')}`,
    })
  const epoxyMl = (j.core?.fillTotalMl ?? 0) + (j.plate?.bedMl ?? 0)
  if (epoxyMl > 0) {
    const batch = epoxyBatchOf({
      neededMl: epoxyMl,
      wasteFraction: 0.15,
      ratio: 2,
      tempC: Math.max(-20, Math.min(60, d.bedding.tempC)),
      workingMinutes: 15,
      use: 'peanut-butter',
      onePot: false,
      resinGPerMl: 1.15,
      hardenerGPerMl: 0.98,
    })
    parts.push({
      what: 'Epoxy, mixed',
      size: formatVolume(batch.mixedMl, units),
      count: `${batch.batches} pot${batch.batches > 1 ? 's' : ''}`,
      note: batch.hardener
        ? `${batch.hardener} hardener at ${d.bedding.tempC} \u00b0C, ${Math.round(batch.potLifeMin!)} min in the pot`
        : 'too cold for any hardener',
    })
    parts.push({
      what: 'Filler, fumed silica and fibre',
      size: `${batch.fillerG.toFixed(0)} g`,
      count: '',
      note: 'to the stiffness of peanut butter; never a low-density filler in a plug',
    })
  }
  if (d.bedding.sealant && j.quantity) {
    const q = j.quantity
    parts.push(
      q.tapeM > 0
        ? {
            what: 'Butyl tape, 20 mm',
            size: `${q.tapeM.toFixed(1)} m`,
            count: '',
            note: formatVolume(q.volumeMl, units),
          }
        : {
            what: `Sealant, ${sealant(d.bedding.sealant).title}`,
            size: formatVolume(q.volumeMl, units),
            count: q.volumeMl > 100 ? `${q.tubes300} of 300 ml` : `${q.tubes100} of 100 ml`,
            note: 'an opened tube lasts a day or two',
          },
    )
  }
  parts.push({
    what: 'Nitrile gloves, cloths, masking tape',
    size: '',
    count: '',
    note: 'gloves changed between resin and sealant',
  })
  return parts
}

/** The order of work, expanded from the design, never typed by hand (chapter 11.1). */
export function stepsOf(d: Design, j: Judgement, units: Units): WorkStep[] {
  const out: WorkStep[] = []
  const add = (id: string, text: string, hands: 1 | 2 = 1, gate = false) =>
    out.push({ id, text, hands, gate })
  const hole = SIZES[d.bolt.size]!.clearanceMm
  add(
    'survey',
    'Look behind: wires, tanks, beams, reach for the nuts. Measure the deck from a drilled plug if it is an estimate.',
    1,
    true,
  )
  if (d.schools.wet === 'wet-recore')
    add(
      'wet-core',
      'Wet core first: cut one skin back to where the core is dry, take it out, lay new core and skin. Nothing is drilled for the fitting before.',
      1,
      true,
    )
  if (d.schools.wet === 'wet-dry-out')
    add(
      'wet-core',
      'Wet core first: open it, dry it under warmth and dry air for weeks, and read it again: within 5 of the dry reference before it is closed.',
      1,
      true,
    )
  if (d.schools.wet === 'wet-insert')
    add(
      'wet-core',
      'Wet core: cut it out under the whole base for the insert, and look at the cut edge: where it is dark or soft, cut on.',
      1,
      true,
    )
  add('template', 'Tape the template on, check it from both sides, mark the centres.')
  add('pilot', 'Drill one pilot and measure through it before the rest.')
  for (const s of j.core?.steps ?? [{ id: 'drill', text: CORE_STEP_TEXT.drill! }]) {
    const size =
      s.id === 'bore' && j.core?.boreMm
        ? ` Bore ${formatLength(j.core.boreMm, units)}.`
        : s.id === 'reef' && j.core?.undercutMm
          ? ` ${formatLength(j.core.undercutMm, units)} all round.`
          : s.id === 'redrill' || s.id === 'drill'
            ? ` ${formatLength(hole, units)}.`
            : s.id === 'fill' && j.core
              ? ` ${formatVolume(j.core.fillEachMl, units)} a hole; a hole that takes twice that means wet or torn core.`
              : ''
    add(`core-${s.id}`, `${s.text}${size}`, 1, s.id === 'cure')
  }
  if (d.plate) {
    add(
      'plate-make',
      `${d.plate.sheets === 2 ? 'Bond the two sheets into one. ' : ''}Cut the plate${d.plate.outline ? ' to its clipped outline' : ''}, round its corners, bevel its edge, drill it through the deck\u2019s own holes.`,
    )
    if (!d.plate.bonded)
      add('plate-dry', 'The plate goes in dry: where the surface is not flat it bears only here and there.')
    else if (bedMean(d.plate) > 0)
      add(
        'plate-bond',
        `Bond the plate on a bed of filled epoxy, ${formatVolume(j.plate?.bedMl ?? 0, units)}; waxed bolts hold it while it cures.`,
        1,
        true,
      )
  }
  if (d.doubler && d.structure.kind === 'metal')
    add(
      'weld-doubler',
      `Weld the doubler all round, ${formatLength(d.doubler.weldMm, units)}, corners rounded, paint burnt off first; what lies behind is looked at and a watch is kept.`,
      2,
      true,
    )
  if (d.isolation.sleeve || d.isolation.washer || d.isolation.sealant)
    add(
      'isolate',
      `Keep the metals apart: ${[d.isolation.sleeve ? 'sleeve in the hole' : '', d.isolation.washer ? 'washer under head and nut' : '', d.isolation.sealant ? 'sealant or paste in the hole and under the head' : ''].filter(Boolean).join(', ')}${d.isolation.sleeve && d.isolation.washer && d.isolation.sealant ? '' : '; with less than all three it still bridges'}.`,
    )
  add('dry-fit', 'Dry fit everything. Look at the bolt ends: two threads through each nut.', 2, true)
  if (d.bedding.toBePainted)
    add('paint-hold', 'Take it off again and wait for the paint. Bag and label the parts.', 1, true)
  if (d.bedding.sealant) {
    const s = sealant(d.bedding.sealant)
    add(
      'wipe',
      `Wipe both faces with ${s.cleans}, minutes before.${s.keepAway ? ` Keep away: ${s.keepAway}.` : ''}`,
      1,
      true,
    )
    add(
      'bed',
      `Bed the deck side, the bead laid ${d.schools.bead === 'bead-on-structure' ? 'on the structure, where one sees that it is unbroken' : 'on the fitting'}: round the base and a ring round each bolt. ${d.schools.inside === 'seal-inside' ? 'A thin bead inside under the plate\u2019s edge too; a leak will then not show there.' : 'The inside stays dry, so that a leak shows.'}`,
    )
    add(
      'snug',
      `Hold the bolt still and turn the nut: snug to even squeeze-out, ${formatTorque(j.preload.torqueNm, units)}${j.preload.limitedByDeck ? ', all that deck and plate can bear' : ''}.${j.preload.galling ? ' Paste on the thread.' : ''}`,
      2,
    )
    if (s.moistureCure && d.bedding.humidityPct > 0) {
      const rim = moistureCureOf({
        chemistry: d.bedding.sealant,
        pathMm: 5,
        tempC: d.bedding.tempC,
        humidityPct: d.bedding.humidityPct,
      })
      add(
        'cure',
        rim.days === null
          ? rim.because
          : `Leave it: fillet and collar cure in ${rim.days.toFixed(1)} days at ${d.bedding.tempC} \u00b0C; the middle takes far longer.`,
        1,
        true,
      )
    }
    if (d.bedding.tightening === 'two-step')
      add('tighten', 'When the bead is a gasket, a last part-turn on the nut only.', 2)
  }
  add('clean', 'Cut the squeeze-out clean; look for an unbroken line all round, with a photo.')
  add('leak-test', 'Hose from low to high, this fitting alone, the inside watched dry.', 2, true)
  add('record', 'Record each hole: sizes, lots, torque, who and when.')
  return out
}

export function cautionsOf(d: Design): Caution[] {
  const tags = ['drill', 'locker']
  if (d.structure.kind === 'sandwich' || d.plate) tags.push('resin', 'grind')
  if (d.bedding.sealant) tags.push('solvent')
  if (d.place.belowWaterline) tags.push('below')
  if (d.load.basis === 'lifting') tags.push('lifting')
  if (d.core.school === 'seal-wall') tags.push('seal-wall')
  return cautionsFor(tags)
}

/** What was bought, as one line a part: compared when the stack has moved since. */
export const boltsWanted = (d: Design, j: Judgement): string =>
  partsOf(d, j, 'metric')
    .filter((p) => /^(Bolt|Nut|Washer|Isolating|Backing)/.test(p.what))
    .map((p) => `${p.count.split(' ')[0]} ${p.what} ${p.size}`)
    .join('; ')

/** Parts that were bought for another stack than this; null where nothing was bought or all still fits. */
export function staleParts(d: Design, j: Judgement): { bought: string; wanted: string } | null {
  if (!d.bought) return null
  const wanted = boltsWanted(d, j)
  return wanted === d.bought.what ? null : { bought: d.bought.what, wanted }
}

/** The rule of thumb beside the calculation, and why they differ. */
export function ruleBeside(
  d: Design,
  j: Judgement,
  units: Units,
): { thickness: string; reach: string; why: string } | null {
  if (!d.plate || !j.plate) return null
  const r = j.plate.rule
  const need = j.plate.requiredThicknessMm
  const more = r.thicknessMm > need * 1.1
  const less = r.thicknessMm < need * 0.9
  return {
    thickness: `Rule: ${formatLength(r.thicknessMm, units)} thick, ${r.thicknessMet ? 'met' : 'not met'}; calculated: ${formatLength(Math.round(need * 10) / 10, units)}.`,
    reach: `Rule: ${formatLength(r.reachMm, units)} past the outer bolts, ${r.reachMet ? 'met' : 'not met'}.`,
    why: more
      ? 'The rule knows the bolt and not the pull: it makes the plate strong enough for all that the bolt could carry.'
      : less
        ? 'The rule does not see the span: bolts that stand far apart bend the plate between them, and this pull is large.'
        : 'Both come to about the same here.',
  }
}
