import { SIZES } from '../../base/materials/fasteners'
import type { CoreId } from '../../base/materials/cores'
import { formatLength, type Units } from '../../base/quantity/format'
import { boundsOf } from '../../base/geometry/outline'
import type { Handle, MaterialTone, Pt, Shape, Weight } from '../../drawing/shapes'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { beadOf, planOfBase } from './plans'

const CORE_TONE: Record<CoreId, MaterialTone> = {
  'balsa-150': 'balsa',
  'pvc-80': 'foam',
  'pvc-130': 'foam',
  'san-85': 'foam',
  plywood: 'plywood',
  'insert-250': 'insert',
  'epoxy-plug': 'filled-epoxy',
}
export const PLATE_TONE = {
  g10: 'epoxy-glass',
  'glass-epoxy': 'epoxy-glass',
  'al-5083': 'metal',
  'al-6061': 'metal',
  'ss-316': 'metal',
  plywood: 'plywood',
  plastic: 'plastic',
} as const

export interface Layer {
  name: string
  role: string
  thicknessMm: number
  tone: MaterialTone
  estimated: boolean
}

export function deckLayers(d: Design): Layer[] {
  const s = d.structure
  const est = (k: 'outerMm' | 'coreMm' | 'innerMm' | 'thicknessMm') => !d.measured.includes(k)
  if (s.kind === 'sandwich')
    return [
      {
        name: 'outer skin',
        role: 'structure.outerMm',
        thicknessMm: s.outerMm,
        tone: 'laminate',
        estimated: est('outerMm'),
      },
      {
        name: 'core',
        role: 'structure.core.thicknessMm',
        thicknessMm: s.core.thicknessMm,
        tone: CORE_TONE[s.core.material],
        estimated: est('coreMm'),
      },
      {
        name: 'inner skin',
        role: 'structure.innerMm',
        thicknessMm: s.innerMm,
        tone: 'laminate',
        estimated: est('innerMm'),
      },
    ]
  const tone: MaterialTone =
    s.kind === 'solid'
      ? 'laminate'
      : s.kind === 'metal'
        ? 'metal'
        : s.timber === 'plywood'
          ? 'plywood'
          : 'timber'
  return [
    {
      name: s.kind === 'metal' ? 'plating' : s.kind,
      role: 'structure.thicknessMm',
      thicknessMm: s.thicknessMm,
      tone,
      estimated: est('thicknessMm'),
    },
  ]
}

/** The bolts that the cut passes: the row along x that holds the most, nearest the middle. */
function cutRow(d: Design): { y: number; xs: number[]; numbers: number[] } {
  const rows = new Map<number, { xs: number[]; numbers: number[] }>()
  d.bolts.forEach((b, i) => {
    const key = [...rows.keys()].find((y) => Math.abs(y - b.yMm) < 0.5) ?? b.yMm
    const row = rows.get(key) ?? { xs: [], numbers: [] }
    row.xs.push(b.xMm)
    row.numbers.push(i + 1)
    rows.set(key, row)
  })
  const [y, row] = [...rows.entries()].sort(
    (a, b) => b[1].xs.length - a[1].xs.length || Math.abs(a[0]) - Math.abs(b[0]),
  )[0]!
  return { y, ...row }
}

interface TextMore {
  turned?: boolean
  role?: string
  load?: boolean
  strong?: boolean
}
/** Where a layer stands, and where its leader starts. */
interface Labelled {
  y: number
  fromX: number
  layer: Layer
}

/**
 * What draws the cut through a joint: x along the row that is cut, y up from the top of the deck, both in
 * millimetres. Thin layers are drawn as thick as `least` where that is asked for.
 */
export class SectionPen {
  readonly shapes: Shape[] = []
  readonly handles: Handle[] = []
  readonly labelled: Labelled[] = []
  readonly size
  readonly cutY: number
  readonly xs: number[]
  readonly numbers: number[]
  /** half of the base where it is cut, of the plate, and of what is drawn of the deck */
  readonly half: number
  readonly plateHalf: number
  readonly deckHalf: number
  readonly width: number
  readonly textMm: number
  readonly bead: number
  readonly baseTop: number
  private readonly least: number
  /** the lowest face come to, and the tip of the bolts */
  under = 0
  tip = 0

  constructor(
    readonly d: Design,
    readonly j: Judgement,
    readonly units: Units,
    readonly exaggerate: boolean,
  ) {
    const row = cutRow(d)
    this.size = SIZES[d.bolt.size]!
    this.cutY = row.y
    this.xs = row.xs
    this.numbers = row.numbers
    this.half =
      'diameterMm' in d.base
        ? Math.sqrt(Math.max(0, (d.base.diameterMm / 2) ** 2 - row.y ** 2))
        : boundsOf(planOfBase(d.base)).maxX
    this.plateHalf = d.plate ? d.plate.lengthMm / 2 : 0
    this.deckHalf = Math.max(this.half, this.plateHalf, ...row.xs.map(Math.abs)) * 1.12 + 12
    this.width = 2 * this.deckHalf
    this.least = exaggerate ? this.width / 28 : 0
    this.textMm = Math.max(this.width / 38, 2.2)
    this.bead = this.T(beadOf(d))
    this.baseTop = this.bead + d.base.thicknessMm
  }
  /** A thickness as it is drawn. */
  T(thicknessMm: number) {
    return thicknessMm > 0 ? Math.max(thicknessMm, this.least) : 0
  }
  area(points: Pt[], tone: MaterialTone, role: string, label: string) {
    this.shapes.push({ kind: 'area', points, tone, role, label })
  }
  path(points: Pt[], weight: Weight, role?: string) {
    this.shapes.push({ kind: 'path', points, weight, ...(role ? { role } : {}) })
  }
  line(x0: number, y0: number, x1: number, y1: number, weight: Weight = 'dimension') {
    this.path(
      [
        { x: x0, y: y0 },
        { x: x1, y: y1 },
      ],
      weight,
    )
  }
  text(at: Pt, words: string, anchor: 'start' | 'middle' | 'end', more: TextMore = {}) {
    this.shapes.push({
      kind: 'text',
      at,
      text: words,
      size: this.textMm,
      anchor,
      ...(more.turned ? { turned: true } : {}),
      ...(more.role ? { role: more.role } : {}),
      ...(more.load ? { load: true } : {}),
      ...(more.strong ? { weight: 'strong' as const } : {}),
    })
  }
  mm(v: number) {
    return this.units === 'inch' ? formatLength(v, this.units) : String(Number(v.toFixed(1)))
  }
  washer(kind: 'none' | 'plain' | 'large') {
    if (kind === 'none') return null
    return kind === 'plain' ? this.size.plainWasher : this.size.largeWasher
  }
  /** Under the head; a countersunk one has none. */
  get headWasher() {
    return this.d.bolt.head === 'countersunk' ? null : this.washer(this.d.bolt.headWasher)
  }
  get nutWasher() {
    return this.washer(this.d.bolt.nutWasher)!
  }
}
