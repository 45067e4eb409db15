import type { Under } from '../../chapters/deck/supports'
import type { Design } from './design'

/** What a fitter would put under a base that pushes, and how he would make what is there stronger. */
export interface UnderWay {
  id: string
  text: string
  change: Record<string, unknown>
}
/** Wide and high, as timber is sawn. */
const BEAMS = [
  [45, 70],
  [60, 90],
  [80, 120],
] as const
/** Outside and wall of tube in stock. */
const TUBES = [
  [60, 3],
  [76, 4],
  [90, 5],
] as const
/** Where nobody has measured: a beam's free span, what rests on it, from deck to bottom; estimates. */
const USUAL = { spanMm: 600, contactMm: 120, headroomMm: 1700 }
const upTo5 = (mm: number) => Math.ceil(mm / 5) * 5

function somethingUnder(): UnderWay[] {
  const beams = BEAMS.map(([widthMm, heightMm]): UnderWay => {
    const under: Under = {
      kind: 'beam',
      material: 'softwood',
      widthMm,
      heightMm,
      spanMm: USUAL.spanMm,
      contactMm: USUAL.contactMm,
    }
    return {
      id: `under-beam-${heightMm}`,
      text: `a beam of softwood ${widthMm} \u00d7 ${heightMm} mm under it, ${USUAL.spanMm} mm between its rests`,
      change: { under },
    }
  })
  const posts = TUBES.map(([outerMm, wallMm]): UnderWay => {
    const under: Under = {
      kind: 'post',
      material: 'al-6061',
      lengthMm: USUAL.headroomMm,
      section: { outerMm, wallMm },
      ends: 'pinned',
      head: { lengthMm: 150, widthMm: 150 },
    }
    return {
      id: `under-post-${outerMm}`,
      text: `a post of aluminium tube ${outerMm} \u00d7 ${wallMm} mm down to the bottom; measure its length, and say what its foot stands on`,
      change: { under },
    }
  })
  return [...beams, ...posts]
}
const deeper = (u: Extract<Under, { kind: 'beam' }>): UnderWay[] =>
  [1.25, 1.5, 2].map((k) => {
    const heightMm = upTo5(k * u.heightMm)
    return {
      id: `beam-${heightMm}`,
      text: `the beam ${heightMm} mm high`,
      change: { 'under.heightMm': heightMm },
    }
  })
const stiffer = (u: Extract<Under, { kind: 'post' }>): UnderWay[] => {
  const now =
    'outerMm' in u.section ? u.section.outerMm : 'diameterMm' in u.section ? u.section.diameterMm : 0
  return TUBES.filter(([outerMm]) => outerMm > now).map(([outerMm, wallMm]) => ({
    id: `post-${outerMm}`,
    text: `tube ${outerMm} \u00d7 ${wallMm} mm for the post`,
    change: { 'under.section': { outerMm, wallMm } },
  }))
}
/** A larger rest: a longer seat on the beam or the bulkhead, a wider head on the post. */
function wider(u: Exclude<Under, { kind: 'nothing' }>): UnderWay[] {
  if (u.kind === 'post')
    return [150, 200, 250].map((mm) => ({
      id: `head-${mm}`,
      text: `a head plate of ${mm} \u00d7 ${mm} mm on the post`,
      change: { 'under.head': { lengthMm: mm, widthMm: mm } },
    }))
  return [1.5, 2, 3].map((k) => {
    const contactMm = upTo5(k * u.contactMm)
    return {
      id: `contact-${contactMm}`,
      text: `${contactMm} mm of it resting there`,
      change: { 'under.contactMm': contactMm },
    }
  })
}

/** Ways past one check of a push; empty where it is none of a push. */
export function underWays(d: Design, checkId: string): UnderWay[] {
  const u = d.under
  if (/^(skin-bending|push-punching-|under$)/.test(checkId))
    return !u || u.kind === 'nothing' ? somethingUnder() : []
  if (!u || u.kind === 'nothing') return []
  if (checkId.startsWith('beam-') && u.kind === 'beam') return deeper(u)
  if (checkId === 'post-buckling' && u.kind === 'post') return stiffer(u)
  return checkId.startsWith('push-crush-over') || checkId === 'bulkhead-bearing' ? wider(u) : []
}
