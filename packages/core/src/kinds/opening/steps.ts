import { moistureCureOf } from '../../chapters/bedding/moisture-cure'
import { SEALANTS, sealant } from '../../base/materials/sealants'
import { formatLength, formatVolume, type Units } from '../../base/quantity/format'
import { stepList, type Step } from '../step'
import { holeSaid } from './closing'
import type { OpeningDesign } from './design'
import type { OpeningJudgement } from './judgement'
import { glandSteps } from './gland-steps'
import { hangSteps } from './hang-steps'
import { sealantMlOf } from './pocket'
import { pocketCut, solidSteps } from './pocket-steps'
import { cut, type Work } from './step-work'

const PLASTIC = ['cast-acrylic', 'polycarbonate']
const RIM_MM = 5

/** What is tried on the deck before anything is sawn. */
const laidFlat = (d: OpeningDesign, mm: (v: number) => string) =>
  d.prism
    ? 'its outer line, the solid, lies on sound deck all round'
    : `the frame\u2019s ${mm(d.frame.flangeMm)} flange lies flat all round`
function before({ d, add, mm }: Work): void {
  add(
    'survey',
    `Look behind: wires, headliner, tanks, beams; find the datum hole from both sides${d.lid ? ', and mark what the lid swings over' : ''}.`,
    {
      gate: true,
      caution: 'Batteries off; know what is behind.',
      tools: ['lamp', 'mirror', 'rule', 'level'],
    },
  )
  add(
    'template',
    `Tape the template on outside and its mirror inside; check that both lie over the datum hole and that ${laidFlat(d, mm)}.`,
    { tools: ['both templates', 'tape', 'straight edge', 'rule'] },
  )
  add('ready-drill', 'Last look before the saw. A hole cannot be undone.', {
    gate: true,
    asks: ['looks'],
    looks: [
      'the template was checked from both sides',
      'nothing lies behind the line that may not be cut',
      'the frame was laid on it, and fits the line',
    ],
  })
  add('pilot', 'Drill one pilot in the middle and measure the laminate through it.', {
    tools: ['drill', '3 mm bit', 'depth gauge'],
  })
}
function cutting({ d, add, mm }: Work): void {
  const round = d.outline.kind === 'circle'
  const corners =
    d.outline.kind === 'rect' && d.outline.cornerMm > 0
      ? `Saw the four corner holes, ${mm(2 * d.outline.cornerMm)} across, then between them. `
      : round
        ? 'Cut it round the pilot with a saw or a router on a trammel. '
        : 'Saw along the line, the corners last. '
  add(
    'cut-opening',
    `${corners}Hold the cut-out from inside as it comes free, and keep it: it is the record of the laminate.`,
    {
      gate: true,
      hands: 2,
      minutes: 60,
      asks: ['size'],
      sizeOf: 'opening',
      records: cut(d)('drilled'),
      alone: 'Two battens screwed across the cut-out keep it from falling in.',
      tools: ['hole saws', 'jig saw', 'battens', 'extraction'],
      caution: 'Mask, eyes and ears. Saw from outside, blade clear of wires.',
    },
  )
  add(
    'offcut',
    'Measure the cut-out at three places and look at its edge: skins, core, dry or wet. A photo of it goes with the hole.',
    { minutes: 10, tools: ['callipers', 'moisture meter', 'phone for a photo'] },
  )
}
function closing({ d, j, add, mm, units }: Work): void {
  if (d.structure.kind !== 'sandwich') {
    if (d.structure.kind !== 'metal')
      add('edge-seal', 'Seal the raw edge with two coats of unfilled epoxy.', {
        minutes: 15,
        tools: ['brush', 'cup', 'gloves'],
      })
    return
  }
  if (!d.core.filled) return
  add(
    'edge-rake',
    `Rake the core back ${mm(j.edge.rakeMm)} all round, vacuum it, and dry it until the meter says so.`,
    {
      gate: true,
      minutes: 45,
      asks: ['looks'],
      looks: ['the rake is as deep all round', 'the core is dry and sound to the end of the rake'],
      tools: ['rake or router bit', 'vacuum', 'moisture meter', 'warm air'],
    },
  )
  const pot = j.pot
  add(
    'core-fill',
    `Wet the rake with unfilled epoxy, then fill it with paste, flush: ${formatVolume(j.edge.fillMl, units)}${pot?.hardener ? `, ${pot.hardener} hardener, ${Math.round(pot.potLifeMin!)} min in the pot` : ''}.`,
    {
      gate: true,
      minutes: 45,
      asks: ['looks', 'lot', 'air', 'dew'],
      looks: ['the edge is clean, dry and wetted out'],
      lot: 'epoxy',
      waitH: pot?.sandH ?? null,
      records: cut(d)('core-sealed'),
      tools: ['cups', 'filler', 'spatula', 'gloves', 'peel ply'],
      caution: 'Gloves, air.',
    },
  )
  add('edge-sand', 'Sand the fill flush with the skins; nothing stands proud under the flange.', {
    after: pot?.sandH ? { step: 'core-fill', hours: pot.sandH, what: 'The fill' } : null,
    minutes: 20,
    tools: ['block', 'mask'],
  })
}
function ring({ d, add, mm }: Work): void {
  if (!d.ring) return
  add(
    'ring-make',
    `Cut the ring, ${mm(d.ring.widthMm)} wide and ${mm(d.ring.thicknessMm)} thick, seal all its faces, and round its inner edge.`,
    {
      minutes: 45,
      tools: ['jig saw', 'brush', 'sander'],
    },
  )
  add(
    'ring-bond',
    'Grind the inside to a dull face, wash, wipe, and bond the ring with filled epoxy, clamped through the opening.',
    {
      gate: true,
      minutes: 40,
      asks: ['looks', 'lot', 'air', 'dew'],
      looks: ['the face is ground dull and was washed first', 'squeeze-out shows all round'],
      lot: 'epoxy',
      alone: 'Waxed screws through the flange\u2019s own holes pull it up.',
      tools: ['clamps', 'cups', 'spatula', 'gloves', 'peel ply'],
      caution: 'Gloves, air; dust of the grinding.',
    },
  )
}
/** What carries the deck is there before what carried it is cut. */
function carlins({ d, add, mm }: Work): void {
  if (!d.carlin) return
  add(
    'carlin-fit',
    `Let a carlin of ${mm(d.carlin.widthMm)} by ${mm(d.carlin.depthMm)} in on each side, from the next member forward to the next aft, bond and tab it, and let it cure. The deck is shored until then.`,
    {
      gate: true,
      hands: 2,
      minutes: 180,
      asks: ['looks', 'lot', 'air', 'dew'],
      looks: ['both carlins bear on the members forward and aft', 'the bond has cured'],
      lot: 'epoxy',
      alone: 'A prop under each end holds it while the bond cures.',
      tools: ['saw', 'chisels', 'clamps', 'props', 'cups', 'gloves'],
      caution: 'Gloves, air; nobody under a deck that is not shored.',
    },
  )
}
function dryFit(w: Work): void {
  // A prism was tried in its pocket already.
  if (!w.d.prism) layDry(w)
  paneAndPaint(w)
}
function layDry({ d, j, add }: Work): void {
  const screws =
    d.frame.hold === 'bond'
      ? ''
      : `, mark its ${j.edge.screwCount} ${d.frame.hold === 'bolts' ? 'bolts' : 'screws'} through it and drill them`
  add('dry-fit', `Lay the frame in${screws}. It lies flat without force, or the deck is faired first.`, {
    gate: true,
    minutes: 45,
    records: cut(d)('dry-fitted'),
    tools: ['drill', 'countersink', 'driver'],
  })
}
function paneAndPaint({ d, j, add, mm }: Work): void {
  const holes = holeSaid(d, j.growth)
  if (d.pane && holes)
    add(
      'pane-drill',
      `Drill the pane: ${holes}, slowly, clear of its edge by ${mm(d.pane.screws!.edgeMm)}, cooled with water; no centre punch.`,
      {
        minutes: 45,
        tools: ['plastic drill', 'water', 'board behind'],
      },
    )
  if (d.bedding.toBePainted)
    add('paint-hold', 'Take it out again and wait for the paint. Bag and label the parts.', {
      gate: true,
      tools: ['bag', 'label'],
    })
}
/** Hours until fillet and collar have cured; null where nothing cures by moisture. */
function cureH(d: OpeningDesign): number | null {
  const id = d.bedding.sealant
  if (!id || !sealant(id).moistureCure || d.bedding.humidityPct <= 0) return null
  const { tempC, humidityPct } = d.bedding
  const { days } = moistureCureOf({ chemistry: id, pathMm: RIM_MM, tempC, humidityPct })
  return days === null ? null : days * 24
}
/** Where the bead goes. */
function beadSaid(d: OpeningDesign): string {
  if (d.prism) return 'on the ledge and fill the gap round the glass'
  return d.frame.hold === 'bond'
    ? 'on the flange'
    : 'on the flange, inside and outside of the screw line and round each screw'
}
function bedIt({ d, j, add, units }: Work): void {
  const id = d.bedding.sealant
  const plastic = d.pane && PLASTIC.includes(d.pane.material)
  add('ready-bed', 'Last look before the bead.', {
    gate: true,
    asks: ['looks'],
    looks: [
      d.prism ? 'glass and ledge are clean, dry and masked' : 'flange and deck are clean, dry and masked',
      ...(plastic ? ['nothing with alcohol in it was near the pane'] : []),
      'screws, driver and cloths lie in reach',
    ],
  })
  const keep = plastic ? ' Nothing with alcohol near the pane.' : ''
  add(
    'bed',
    `Lay an unbroken bead of ${id ? SEALANTS[id].title : 'the sealant'} ${beadSaid(d)}, ${formatVolume(sealantMlOf(j), units)} in all.${keep}`,
    {
      gate: true,
      minutes: 30,
      asks: ['lot', 'air', 'dew'],
      lot: id ?? null,
      tools: ['gun', 'spare nozzle', 'cloths', 'tape'],
      alone: 'A strut from inside holds the frame up while one is outside.',
    },
  )
  add(
    'screw-down',
    d.frame.hold === 'bond'
      ? 'Press it down evenly and weight it until it has cured.'
      : 'Set the screws snug, opposite ones in turn, until the bead comes out evenly all round; not home: the bed stays between.',
    {
      gate: true,
      minutes: Math.max(10, j.edge.screwCount),
      from: 'bed',
      records: cut(d)('bedded'),
      tools: ['driver', 'torque limiter'],
    },
  )
  const h = cureH(d)
  add(
    'cure',
    `Leave it: ${h === null ? 'nothing here cures by the hour' : 'fillet and collar cure first, the middle of the flange takes far longer'}. The sheet over it stays until then.`,
    {
      gate: true,
      waitH: h,
      records: id === 'butyl' || !id ? {} : cut(d)('cured'),
    },
  )
}
function proved({ d, add }: Work): void {
  if (!d.gland)
    add('clean', 'Peel the masking, cut the squeeze-out clean, and look for an unbroken line all round.', {
      tools: ['plastic blade', 'cloths'],
    })
  if (d.lid)
    add(
      'lid-try',
      'Shut it: each latch pulls the same, a slip of paper is held at every hand\u2019s breadth; turned over in mind, nothing opens it.',
      {
        minutes: 15,
        tools: ['slips of paper'],
      },
    )
  const test = d.gland
    ? 'A lamp behind it in the dark, then the hose on the wet side: no light, and no drop.'
    : 'Hose from low to high, one side at a time, the inside watched dry.'
  add('leak-test', test, {
    hands: 2,
    gate: true,
    records: cut(d)('proved'),
    asks: ['proof'],
    alone: 'Chalk or tissue inside says afterwards whether a drop came.',
    tools: ['hose', 'chalk or tissue', 'lamp'],
  })
  const kept = d.gland
    ? 'On record: each hole with its cables by name, and a photo of both sides.'
    : 'On record: its size, what holds it, what it is bedded in, and the photo of the cut-out.'
  add('record', kept, {
    gate: true,
    records: cut(d)('in-service'),
  })
}

/** The trade's order for a big hole: looked at, cut, its core closed, ringed, dry fitted, bedded, proved. */
export function openingSteps(d: OpeningDesign, j: OpeningJudgement, units: Units): Step[] {
  const { add, done } = stepList()
  const w: Work = { d, j, units, add, mm: (v) => formatLength(Math.round(v * 10) / 10, units) }
  if (d.gland) {
    glandSteps(w)
    proved(w)
    return done()
  }
  before(w)
  if (d.prism) {
    pocketCut(w)
    solidSteps(w)
  } else {
    carlins(w)
    cutting(w)
    closing(w)
    ring(w)
  }
  if (d.bin) hangSteps(w)
  else {
    dryFit(w)
    bedIt(w)
  }
  proved(w)
  return done()
}
