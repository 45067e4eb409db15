/**
 * Factors of safety by the boat's duty (chapter 0). Loads are what a fitting may really see; the factor is
 * on strength.
 */
export type Duty = 'sheltered' | 'coastal' | 'ocean'
export type FactorKind = 'metal' | 'laminate' | 'core' | 'bond' | 'glazing'

export const DUTY_FACTORS: Record<Duty, Record<FactorKind, number>> = {
  sheltered: { metal: 1.25, laminate: 2.0, core: 1.5, bond: 3.0, glazing: 3.0 },
  coastal: { metal: 1.5, laminate: 3.0, core: 2.0, bond: 4.0, glazing: 4.0 },
  ocean: { metal: 2.0, laminate: 4.0, core: 2.5, bond: 5.0, glazing: 5.0 },
}

export function factorsFor(
  duty: Duty,
  over?: Partial<Record<FactorKind, number | undefined>>,
): Record<FactorKind, number> {
  const base = { ...DUTY_FACTORS[duty] }
  for (const [kind, value] of Object.entries(over ?? {}))
    if (value !== undefined) base[kind as FactorKind] = value
  return base
}
