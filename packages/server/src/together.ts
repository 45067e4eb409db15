import type { Transaction } from 'sequelize'

type Asks = readonly (() => Promise<unknown>)[]
type Answers<A extends Asks> = { -readonly [K in keyof A]: Awaited<ReturnType<A[K]>> }

/**
 * Several questions at once, each by a connection of its own; within a transaction one after the other, for a
 * transaction has one connection, which does one thing at a time.
 */
export async function together<const A extends Asks>(
  transaction: Transaction | null | undefined,
  asks: A,
): Promise<Answers<A>> {
  if (!transaction) return (await Promise.all(asks.map((ask) => ask()))) as Answers<A>
  const answers: unknown[] = []
  for (const ask of asks) answers.push(await ask())
  return answers as Answers<A>
}
