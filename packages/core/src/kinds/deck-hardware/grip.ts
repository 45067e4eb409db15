import { CalcError } from '../../base/errors'
import { SIZES } from '../../base/materials/fasteners'
import { gripStackOf } from '../../chapters/fastener/grip-stack'
import { formatInches } from '../../base/quantity/format'
import { check, inWords, say, type Check, type Verdict } from '../../base/verdict/check'
import type { Design } from './design'
import { engagedMm, isBlind, stockLength } from './hold'
import { beadOf, GLUE_LINE_MM } from './plans'

/** A bolt's length as it is asked for over the counter: millimetres, or inches in fractions. */
export const stockSaid = (s: { lengthMm: number; lengthInch: number | null }): string =>
  s.lengthInch === null ? `${s.lengthMm}` : `${formatInches(s.lengthMm)} in`
export function gripLayersOf(d: Design): { name: string; thicknessMm: number }[] {
  const s = d.structure
  const deck =
    s.kind === 'sandwich'
      ? [
          { name: 'outer skin', thicknessMm: s.outerMm },
          {
            name:
              d.core.school === 'insert'
                ? 'insert'
                : d.core.school === 'bore-fill' || d.core.school === 'reef'
                  ? 'core plug'
                  : 'core',
            thicknessMm: s.core.thicknessMm,
          },
          { name: 'inner skin', thicknessMm: s.innerMm },
        ]
      : [
          {
            name: s.kind === 'solid' ? 'laminate' : s.kind === 'metal' ? 'plating' : 'timber',
            thicknessMm: s.thicknessMm,
          },
        ]
  return [
    { name: 'base', thicknessMm: d.base.thicknessMm },
    { name: 'bedding', thicknessMm: beadOf(d) },
    ...(d.doubler && s.kind === 'metal' ? [{ name: 'doubler', thicknessMm: d.doubler.thicknessMm }] : []),
    ...deck,
    ...(d.plate && d.plate.bedGapMm > 0 ? [{ name: 'filler bed', thicknessMm: d.plate.bedGapMm }] : []),
    ...(d.plate ? [{ name: 'backing plate', thicknessMm: d.plate.thicknessMm }] : []),
    ...(d.plate?.sheets === 2 ? [{ name: 'glue line', thicknessMm: GLUE_LINE_MM }] : []),
  ]
}

/** Each bolt's own stack: where pads or the deck differ from bolt to bolt, so do the bolts. */
export function gripsOf(
  d: Design,
): { bolts: number[]; extraMm: number; grip: ReturnType<typeof gripStackOf> | null; gripCheck: Check }[] {
  const layers = gripLayersOf(d)
  const groups = new Map<string, { bolts: number[]; padMm: number; unevenMm: number }>()
  d.bolts.forEach((_, i) => {
    const [padMm, unevenMm] = [d.padsMm[i] ?? 0, d.unevenMm[i] ?? 0]
    const key = `${padMm}|${unevenMm}`
    const g = groups.get(key) ?? { bolts: [], padMm, unevenMm }
    g.bolts.push(i)
    groups.set(key, g)
  })
  return [...groups.values()].map((g) => {
    const own = [
      ...(g.padMm > 0 ? [{ name: 'pad', thicknessMm: g.padMm }] : []),
      ...layers.map((l) =>
        g.unevenMm !== 0 && l.name === layers.find((x) => !['base', 'bedding'].includes(x.name))?.name
          ? { ...l, thicknessMm: Math.max(0.1, l.thicknessMm + g.unevenMm) }
          : l,
      ),
    ]
    const base = own.findIndex((l) => l.name === 'base')
    const ordered = base > 0 ? [own[base]!, ...own.filter((_, i) => i !== base)] : own
    const r = gripOf(d, ordered)
    const which =
      groups.size > 1 ? `Bolt${g.bolts.length > 1 ? 's' : ''} ${g.bolts.map((b) => b + 1).join(', ')}: ` : ''
    return {
      bolts: g.bolts,
      extraMm: g.padMm + g.unevenMm,
      grip: r.grip,
      gripCheck: which ? { ...r.gripCheck, because: which + r.gripCheck.because } : r.gripCheck,
    }
  })
}

/** What the threads stand in is not clamped: the bolt goes through all above it and fills its thread. */
function blindGrip(
  d: Design,
  layers: { name: string; thicknessMm: number }[],
  shape: { id: string; title: string; unit: string; source: string },
) {
  const size = SIZES[d.bolt.size]!
  const sunk = d.bolt.head === 'countersunk'
  const washer = sunk || d.bolt.headWasher === 'none' ? 0 : size.plainWasher.thicknessMm
  const above = layers.filter((l) => !heldIn(d).includes(l.name))
  const gripMm = washer + above.reduce((t, l) => t + l.thicknessMm, 0)
  const thread = engagedMm(d)
  const requiredMm = gripMm + thread
  const stock = stockLength(d.bolt.size, requiredMm)
  if (!stock)
    return {
      grip: null,
      gripCheck: inWords({
        ...shape,
        verdict: 'short',
        because: `No stock bolt is ${say(requiredMm)} mm long.`,
      }),
    }
  const said = stockSaid(stock)
  const grip: ReturnType<typeof gripStackOf> = {
    gripMm,
    nutMm: 0,
    protrusionMm: 0,
    requiredMm,
    ...stock,
    surplusMm: stock.lengthMm - requiredMm,
    trim: stock.lengthMm - requiredMm > 1,
    threadLengthMm: stock.lengthMm,
    shankMm: 0,
    shankFits: true,
    threading: 'full',
    headDepthMm: sunk ? size.diameterMm / 2 : 0,
    headFits: !sunk || size.diameterMm / 2 <= layers[0]!.thicknessMm + 1e-6,
    working: [],
  }
  const because = `${say(gripMm)} mm are clamped and ${say(thread)} mm of thread filled: ${d.bolt.size} \u00d7 ${said}, ${grip.trim ? `cut to ${say(requiredMm)} mm and its end dressed, for one that is too long stands on the bottom before it clamps` : 'as it is'}.`
  return {
    grip,
    gripCheck: {
      ...inWords({ ...shape, verdict: grip.headFits ? ('holds' as const) : ('short' as const), because }),
    },
  }
}
/** Layers that hold the thread. */
const heldIn = (d: Design): string[] => {
  if (d.hold.way === 'nut-in-epoxy')
    return ['core plug', 'insert', 'core', 'inner skin', 'filler bed', 'backing plate', 'glue line']
  if (d.hold.way === 'plastic') return []
  return d.plate ? ['backing plate', 'glue line'] : ['laminate', 'plating', 'timber', 'doubler']
}

function gripOf(
  d: Design,
  layers: { name: string; thicknessMm: number }[],
): { grip: ReturnType<typeof gripStackOf> | null; gripCheck: Check } {
  const shape = { id: 'bolt-length', title: 'Bolt long enough', unit: 'mm', source: 'chapter 2.4' }
  const sunk = d.bolt.head === 'countersunk'
  if (isBlind(d)) return blindGrip(d, layers, shape)
  try {
    const grip = gripStackOf({
      size: d.bolt.size,
      head: d.bolt.head,
      washers: { head: sunk ? 'none' : d.bolt.headWasher, nut: d.bolt.nutWasher },
      nut: d.bolt.nut,
      layers,
      partThreaded: d.bolt.partThreaded,
      protrusionPitches: 2,
    })
    const verdict: Verdict = !grip.headFits
      ? 'short'
      : d.bolt.partThreaded && !grip.shankFits
        ? 'tight'
        : 'holds'
    const length = `${d.bolt.size} \u00d7 ${stockSaid(grip)}`
    const because = !grip.headFits
      ? `The countersunk head is ${say(grip.headDepthMm)} mm deep and the base only ${say(layers[0]!.thicknessMm)} mm: it does not fit.`
      : verdict === 'tight'
        ? `${length}: its plain shank of ${say(grip.shankMm)} mm is not shorter than the grip; take a fully threaded bolt.`
        : `Grip ${say(grip.gripMm)} mm, nut and thread through it: ${say(grip.requiredMm)} mm. ${length} is the shortest in stock${grip.trim ? `; trim ${say(grip.surplusMm)} mm and dress the thread` : ''}.`
    // A stock length is always nearly used up: a utilisation would only mislead.
    return {
      grip,
      gripCheck: {
        ...check({
          ...shape,
          demand: grip.requiredMm,
          capacity: grip.lengthMm,
          verdict,
          because,
          working: grip.working,
        }),
        utilisation: null,
      },
    }
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    return { grip: null, gripCheck: inWords({ ...shape, verdict: 'short', because: `${error.message}.` }) }
  }
}
