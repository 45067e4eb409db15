import { CORES } from '../../base/materials/cores'
import { SIZES } from '../../base/materials/fasteners'
import { stockThickness } from '../../base/materials/plates'
import { SCHOOLS, type School } from '../../trade/schools'
import { withChange } from '../../base/change'
import type { Design } from './design'

/**
 * Questions of a deck fitting on which good fitters disagree, where the answer stands in the design, and
 * what it changes.
 */
export interface Question {
  id: string
  question: School['question']
  schools: string[]
  of: (d: Design) => string
  take: (school: string, d: Design) => Record<string, unknown>
  changes: string
}
export const QUESTIONS: Question[] = [
  {
    id: 'core',
    question: 'Keeping water out of the core',
    schools: ['bore-fill', 'reef', 'insert', 'seal-wall', 'none'],
    of: (d) => d.core.school,
    take: (s) => ({ 'core.school': s, 'core.boreMm': null }),
    changes: 'drilling steps, epoxy, hours, the section',
  },
  {
    id: 'bedding',
    question: 'Bedding deck hardware',
    schools: ['tape', 'tube', 'builder'],
    of: (d) => {
      if (d.schools.builder !== null && d.bedding.sealant === d.schools.builder) return 'builder'
      return d.bedding.sealant === 'butyl' ? 'tape' : 'tube'
    },
    take: (s, d) => ({
      'bedding.sealant': s === 'builder' ? d.schools.builder : s === 'tape' ? 'butyl' : 'hybrid',
    }),
    changes: 'the sealant, how much of it, the cure and how it comes apart',
  },
  {
    id: 'tightening',
    question: 'Tightening',
    schools: ['once', 'two-step'],
    of: (d) => d.bedding.tightening,
    take: (s) => ({ 'bedding.tightening': s }),
    changes: 'a second visit when the bead is a gasket',
  },
  {
    id: 'top',
    question: 'Top of the hole',
    schools: ['chamfer', 'flat'],
    of: (d) => (d.core.chamferMm === null ? 'flat' : 'chamfer'),
    take: (s) => ({ 'core.chamferMm': s === 'flat' ? null : 1.5 }),
    changes: 'a ring of bedding round each bolt, and how much of it',
  },
  {
    id: 'plate',
    question: 'Backing plate',
    schools: ['calculated', 'rule'],
    of: (d) => d.schools.plate,
    take: (s, d) => ({ 'schools.plate': s, ...(s === 'rule' ? rulePlate(d) : {}) }),
    changes: 'thickness and size of the plate, and so the bolts\u2019 length',
  },
  {
    id: 'inside',
    question: 'The inside',
    schools: ['leak-must-tell', 'seal-inside'],
    of: (d) => d.schools.inside,
    take: (s) => ({ 'schools.inside': s }),
    changes: 'where the bead goes inside, and whether a leak shows',
  },
  {
    id: 'bead',
    question: 'Where the bead goes',
    schools: ['bead-on-fitting', 'bead-on-structure'],
    of: (d) => d.schools.bead,
    take: (s) => ({ 'schools.bead': s }),
    changes: 'the bedding step',
  },
]
export const schoolNamed = (id: string) => SCHOOLS.find((s) => s.id === id)

const SOLID_PLUGS = ['bore-fill', 'reef', 'insert']
const noCore = (d: Design) => (d.structure.kind === 'sandwich' ? null : 'There is no core here.')
const noPlate = (d: Design) => (d.plate ? null : 'There is no plate.')
const REFUSED: Partial<Record<string, (d: Design) => string | null>> = {
  none: (d) =>
    d.structure.kind === 'sandwich' ? 'This deck is cored: a bare hole lets water into the core.' : null,
  'bore-fill': noCore,
  reef: noCore,
  insert: noCore,
  'seal-wall': (d) =>
    d.structure.kind === 'sandwich' && CORES[d.structure.core.material].rots
      ? `${CORES[d.structure.core.material].title} rots: a sealed wall is not enough.`
      : noCore(d),
  tape: (d) => {
    if (d.place.belowWaterline) return 'Butyl is not for below the waterline.'
    return d.bedding.fuelOrSolvent ? 'Fuel and solvents dissolve butyl.' : null
  },
  builder: (d) => {
    if (d.schools.builder === null)
      return 'Nobody has said what the rest of her is bedded in: look at a fitting of hers first, and choose it here.'
    if (d.schools.builder === 'butyl') return REFUSED.tape!(d)
    return null
  },
  'two-step': (d) =>
    d.bedding.sealant === 'butyl'
      ? 'Tape never becomes a gasket: it is snugged again the next day and after a week, and both stand in the work.'
      : null,
  chamfer: (d) =>
    d.structure.kind === 'sandwich' && d.structure.outerMm < 3 && !SOLID_PLUGS.includes(d.core.school)
      ? 'The outer skin is too thin for a countersink over an open core.'
      : null,
  calculated: noPlate,
  rule: noPlate,
}
/** Why a school is refused for this design; null where it may be taken. */
export const refusedHere = (school: string, d: Design): string | null => REFUSED[school]?.(d) ?? null

/**
 * The plate that the rule of thumb makes: one bolt diameter thick in metal, two in anything else, five
 * past the bolts.
 */
function rulePlate(d: Design): Record<string, unknown> {
  if (!d.plate) return {}
  const diameter = SIZES[d.bolt.size]!.diameterMm
  const metal = ['al-5083', 'al-6061', 'ss-316'].includes(d.plate.material)
  const xs = d.bolts.map((b) => Math.abs(b.xMm))
  const ys = d.bolts.map((b) => Math.abs(b.yMm))
  const grain = d.stock === 'inch' ? 6.35 : 5
  const up = (v: number) => Math.ceil(v / grain - 1e-9) * grain
  const wanted = (metal ? 1 : 2) * diameter
  // Past the thickest sheet two are bonded into one.
  const one = stockThickness(wanted, d.stock)
  const [thicknessMm, sheets] = one === null ? [2 * stockThickness(wanted / 2, d.stock)!, 2] : [one, 1]
  return {
    'plate.thicknessMm': thicknessMm,
    'plate.sheets': sheets,
    'plate.lengthMm': up(2 * (Math.max(...xs) + 5 * diameter)),
    'plate.widthMm': up(2 * (Math.max(...ys) + 5 * diameter)),
    'plate.outline': null,
  }
}

export type Habits = Record<string, string>
/** A new design takes the yard's habits wherever they are not refused there. */
export function withHabits(d: Design, habits: Habits): Design {
  return QUESTIONS.reduce((out, q) => {
    const school = habits[q.id]
    if (!school || !q.schools.includes(school) || q.of(out) === school || refusedHere(school, out)) return out
    return withChange(out, q.take(school, out))
  }, d)
}
