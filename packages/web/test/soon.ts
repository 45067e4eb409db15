import { vi } from 'vitest'

/** Waits until it holds. What is fetched when it is looked at takes its time on a busy machine. */
export const soon = <T>(holds: () => T | Promise<T>) => vi.waitFor(holds, { timeout: 20_000 })
