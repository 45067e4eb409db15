import { factorsFor, type Duty, type FactorKind } from '../../base/verdict/factors'

type Kept = Extract<FactorKind, 'metal' | 'laminate' | 'core' | 'bond'>
/** What people and boats hang on never goes under these, whatever the duty (18.4). */
const FLOORS: Partial<Record<string, Record<Kept, number>>> = {
  'lifting-point': { metal: 3, laminate: 5, core: 3, bond: 6 },
  'tether-point': { metal: 2, laminate: 4, core: 2.5, bond: 5 },
}
/** Factors of a family under a duty: the greater of the duty's and the floor's. */
export function flooredFactors(family: string, duty: Duty) {
  const by = factorsFor(duty)
  const floor = FLOORS[family]
  const least = (k: Kept) => Math.max(by[k], floor?.[k] ?? 0)
  const factors: Record<Kept, number> = {
    metal: least('metal'),
    laminate: least('laminate'),
    core: least('core'),
    bond: least('bond'),
  }
  const floored =
    factors.metal > by.metal ||
    factors.laminate > by.laminate ||
    factors.core > by.core ||
    factors.bond > by.bond
  return { factors, floored }
}
