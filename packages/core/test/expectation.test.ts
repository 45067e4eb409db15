import { describe, expect, it } from 'vitest'
import { differences } from './expectation'

describe('what a case expects is looked for, and nothing else passes', () => {
  it.each<[unknown, unknown, boolean]>([
    [-5, { $lt: 1e-6 }, false],
    [-5e-7, { $lt: 1e-6 }, true],
    [-5, { $lt: -1 }, true],
    [0, { $lt: -1 }, false],
    [3, { $gt: 2, $lt: 4 }, true],
    [4, { $gt: 2, $lt: 4 }, false],
    [-3, { $gt: -4, $lt: -2 }, true],
    [2, { $gt: 2 }, false],
    ['3', { $lt: 4 }, false],
    [NaN, { $lt: 4 }, false],
    [1.0005, 1, true],
    [1.002, 1, false],
    [0.002, 0, false],
    [[1, 2], [1], false],
    [[{ id: 'a' }, { id: 'b' }], { $has: { id: 'b' } }, true],
    [{ a: 1, b: 2 }, { a: 1 }, true],
    [{ b: 2 }, { a: 1 }, false],
    [1, { $nonsense: 1 }, false],
  ])('%j against %j: %s', (actual, expected, same) => {
    expect(differences(actual, expected, 0.001).length === 0).toBe(same)
  })
})
