import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PROOF_KINDS, proofRun, proofSaid, type ProofResult, type ToProve } from '../src'

/** A run of proofs: its order, where one looks, and what each result rules out. */
const thing = (id: string, zMm: number, xMm = 1000): ToProve => ({
  id,
  kind: 'deck-hardware',
  name: `Cleat ${id}`,
  zone: 'Foredeck',
  xMm,
  yMm: 500,
  zMm,
})
describe('a run of proofs', () => {
  it('goes from low to high, and of one height from aft', () => {
    const run = proofRun('hose', [thing('a', 900), thing('b', 300), thing('c', 300, 4000), thing('d', 1200)])
    expect(run.map((t) => t.id)).toEqual(['c', 'b', 'a', 'd'])
    expect(run[0]!.look).toMatch(/^inside below it, to starboard/)
    expect(run.every((t) => t.minutes > 0 && t.result === null)).toBe(true)
  })
  it('each kind looks elsewhere', () => {
    const looks = PROOF_KINDS.map((k) => proofRun(k, [thing('a', 0)])[0]!.look)
    expect(new Set(looks).size).toBe(PROOF_KINDS.length)
  })
  it.each<[(ProofResult | null)[], string]>([
    [[null, null], '2 left.'],
    [['dry', null], 'Cleat a is ruled out. 1 left.'],
    [['dry', 'dry'], 'Cleat a, Cleat b are ruled out.'],
    [['dry', 'wet'], 'Cleat a is ruled out. Cleat b is suspect; what stands higher was not wet by then.'],
  ])('%j says so', (results, said) => {
    const run = proofRun('hose', [thing('a', 0), thing('b', 100)])
    expect(
      proofSaid(
        'hose',
        run.map((t, i) => ({ ...t, result: results[i]! })),
      ),
    ).toBe(said)
  })
  it('a pull that holds says what it held', () => {
    const run = proofRun('pull', [thing('a', 0)]).map((t) => ({ ...t, result: 'holds' as const }))
    expect(proofSaid('pull', run)).toBe('Cleat a holds that load.')
  })
  it('property: nothing is lost on the way, and no later one stands lower', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -2000, max: 3000 }), { minLength: 1, maxLength: 30 }), (zs) => {
        const run = proofRun(
          'hose',
          zs.map((z, i) => thing(String(i), z)),
        )
        expect(run.map((t) => t.id).sort()).toEqual(zs.map((_, i) => String(i)).sort())
        for (const [i, t] of run.entries()) if (i) expect(t.zMm).toBeGreaterThanOrEqual(run[i - 1]!.zMm - 1)
      }),
    )
  })
})
