import type { Transaction } from 'sequelize'
import { describe, expect, it } from 'vitest'
import { together } from '../src/together'

/** Three questions, and the most of them that were open at one time. */
function asks() {
  let [open, most] = [0, 0]
  const one = (answer: string) => async () => {
    most = Math.max(most, ++open)
    await Promise.resolve()
    open--
    return answer
  }
  return { all: [one('a'), one('b'), one('c')] as const, most: () => most }
}

describe('several questions', () => {
  it.each([
    ['at once where each has a connection', null, 3],
    ['one after the other where they share one', {} as Transaction, 1],
  ])('go out %s', async (_what, transaction, atOnce) => {
    const { all, most } = asks()
    expect(await together(transaction, all)).toEqual(['a', 'b', 'c'])
    expect(most()).toBe(atOnce)
  })
  it('fail as the one that failed, and within a transaction nothing is asked after it', async () => {
    const asked: number[] = []
    const ask = (n: number) => async () => {
      asked.push(n)
      if (n === 2) throw new Error('gone')
    }
    await expect(together({} as Transaction, [ask(1), ask(2), ask(3)])).rejects.toThrow('gone')
    expect(asked).toEqual([1, 2])
  })
})
