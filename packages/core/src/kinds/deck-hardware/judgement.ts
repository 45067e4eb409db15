import type { SealantChoice } from '../../chapters/bedding/sealant-choice'
import type { SealantQuantity } from '../../chapters/bedding/sealant-quantity'
import type { CorePlugOutput } from '../../chapters/deck/core-plug'
import type { Tightening } from '../../chapters/fastener/tightening'
import type { gripStackOf } from '../../chapters/fastener/grip-stack'
import type { YardValue } from '../../base/materials/yard'
import type { PlateFigures } from '../../chapters/plate/plate-bends'
import type { Check, Draft, Verdict } from '../../base/verdict/check'
import type { designLoadOf, LoadDirection } from '../../chapters/load/design-load'
import type { Design } from './design'
import type { Hands } from './loads'
import type { Shared } from './shared'
import type { DeckPot, SkinAgain } from './pots'
import type { Panel } from './pushed'

export interface BoltShare {
  tensionN: number
  shearN: number
  /** of the bolt's own strength in that direction, factor in */
  utilisation: number
}
export interface Judgement {
  verdict: Verdict
  governing: string | null
  checks: Check[]
  load: ReturnType<typeof designLoadOf>
  directions: number
  swept: boolean
  /** the direction in which the worst-used bolt is worst used, and what each bolt then carries */
  worst: {
    caseName: string
    direction: LoadDirection
    bolts: BoltShare[]
    pushN: number
    contact: Shared['resting']
    handMaxTensionN: number
    maxTensionN: number
  }
  /** each load case with what governs it */
  cases: {
    name: string
    loadN: number
    directions: number
    swept: boolean
    contact: boolean
    utilisation: number | null
    verdict: Verdict
    governing: string | null
  }[]
  /** why the governing case governs, in words; empty with one case */
  caseSaid: string
  /** bolts by the length they need, where pads or an uneven deck part them */
  grips: { bolts: number[]; extraMm: number; grip: ReturnType<typeof gripStackOf> | null }[]
  /** mostTorqueNm: the greatest that yields no bolt and crushes nothing */
  preload: {
    preloadN: number
    /** what clamps, what a locking nut takes before that, and their sum, which the wrench is set to */
    preloadTorqueNm: number
    runDownNm: number
    torqueNm: number
    mostTorqueNm: number
    limitedByDeck: boolean
    /** which check a greater one would bring over 0.90; null where the bolt itself is the limit */
    limitedBy: string | null
    cautions: Tightening['cautions']
    galling: boolean
  }
  grip: ReturnType<typeof gripStackOf> | null
  gripLayers: { name: string; thicknessMm: number }[]
  plate: PlateFigures | null
  core: CorePlugOutput | null
  sealant: SealantChoice
  quantity: SealantQuantity | null
  /** epoxy by what it is mixed for, in the order of the work */
  pots: DeckPot[]
  /** the skin laid again over an insert */
  skinAgain: SkinAgain | null
  /** round the core of a deck pipe's hole; 0 where there is none */
  pipeFillMl: number
  counts: Record<Verdict, number>
  assumed: string[]
}

/** What a search reads of one of many designs. */
export interface Look extends Pick<Judgement, 'plate' | 'core' | 'grip'> {
  checks: Draft[]
}

/**
 * What one asker was told before: kept by whoever asks again and again, never by the judging itself, which
 * is the same whether it is asked first or last.
 */
export class Told {
  private about: unknown[] = []
  hands: Hands = new WeakMap()
  /** the ranking depends on the bedding and the place alone */
  readonly ranked = new WeakMap<
    Design['bedding'],
    { below: boolean; yard: YardValue[]; choice: SealantChoice }
  >()
  /**
   * A bench that goes on to another load or pattern keeps nothing of the one before: undo holds on to
   * hundreds of designs, and what was worked out of each would stay with it.
   */
  goOnTo(d: Design): this {
    const now = [d.load, d.cases, d.bolts, d.headingDeg]
    if (now.some((v, i) => v !== this.about[i])) this.hands = new WeakMap()
    this.about = now
    return this
  }
}
/** What a judging goes by beside its design. */
export class Memo {
  /** `panel`: the deck between its stiffeners, where the boat is known */
  constructor(
    readonly panel: Panel | null = null,
    readonly told = new Told(),
  ) {}
}
