/** Lets everybody else have a turn in the midst of long work. */
export const breath = () => new Promise<void>((next) => setImmediate(next))
