import { formatVolume } from '../../base/quantity/format'
import { sheetsSaid, solidPast } from './pocket'
import { sizeAt } from './outline'
import { cut, type Work } from './step-work'

/** The outer skin and the core come out over the solid; the inner skin stays whole until the solid is in. */
export function pocketCut({ d, j, add, mm }: Work): void {
  const s = sizeAt(d.outline, solidPast(d))
  const round = d.outline.kind === 'circle'
  const size = round ? `${mm(s.lengthMm)} across` : `${mm(s.lengthMm)} by ${mm(s.widthMm)}`
  const deep = j.pocket ? mm(j.pocket.pocketMm + j.pocket.base.totalMm) : 'the outer skin and the core'
  add(
    'cut-pocket',
    `Rout the outer skin and the core away over the solid, ${size}, ${deep} deep. The inner skin stays.`,
    {
      gate: true,
      minutes: 60,
      records: cut(d)('drilled'),
      tools: ['router with a fence', 'chisel', 'vacuum', 'depth gauge'],
      caution: 'Mask, eyes and ears; the bit ends at the inner skin.',
    },
  )
  add('offcut', 'Measure skin and core at three places, and look at the core: dry, or wet.', {
    minutes: 10,
    tools: ['callipers', 'moisture meter', 'phone for a photo'],
  })
}

export function solidSteps({ d, j, add, mm, units }: Work): void {
  const { pocket, pot } = j
  const base = pocket ? sheetsSaid(pocket.base.sheetsMm) : 'glass sheet'
  const rim = pocket?.ring.sheetsMm.length
    ? ` then ${sheetsSaid(pocket.ring.sheetsMm)} round the pocket,`
    : ''
  add(
    'solid-bond',
    `Wet out, then set the solid in filled epoxy: ${base} under the glass,${rim} ` +
      `${pocket ? formatVolume(pocket.fillerMl, units) : ''} in all, a glue line under each and the gap round it full.`,
    {
      gate: true,
      minutes: 60,
      asks: ['looks', 'lot', 'air', 'dew'],
      looks: ['the core is dry and sound all round', 'the inner skin is ground dull and was washed first'],
      lot: 'epoxy',
      waitH: pot?.sandH ?? null,
      records: cut(d)('core-sealed'),
      tools: ['cups', 'filler', 'spatula', 'weights', 'gloves', 'peel ply'],
      caution: 'Gloves, air.',
    },
  )
  add('edge-sand', 'Fair the solid to the deck, and laminate over its joint where the skin was cut.', {
    after: pot?.sandH ? { step: 'solid-bond', hours: pot.sandH, what: 'The solid' } : null,
    minutes: 40,
    tools: ['block', 'mask'],
  })
  add(
    'cut-opening',
    `Cut the opening through what is left under it; the ledge is ${mm(d.frame.flangeMm)} wide.`,
    {
      gate: true,
      hands: 2,
      minutes: 30,
      alone: 'A tray taped under it catches what falls.',
      tools: ['jig saw', 'router', 'extraction'],
      caution: 'Mask, eyes and ears.',
    },
  )
  add(
    'flush-try',
    `Lay the glass in dry on shims of the bed\u2019s thickness, ${mm(d.bedding.beadMm)}: it stands within ` +
      `${mm(d.prism!.toleranceMm)} of the deck all round, or the ledge is faired first.`,
    {
      gate: true,
      minutes: 20,
      records: cut(d)('dry-fitted'),
      asks: ['looks'],
      looks: ['a straight edge across it rocks nowhere', 'no corner of the glass touches the pocket'],
      tools: ['shims', 'straight edge', 'feeler gauges'],
    },
  )
}
