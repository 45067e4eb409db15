import { expect, it } from 'vitest'
import { Someone, startApp } from './harness'

it('slows down guessing at the door, counted in the database', async () => {
  const slow = await startApp('limit_test', { signInLimit: 3 })
  try {
    const tries = []
    for (let i = 0; i < 4; i++)
      tries.push(
        (await new Someone(slow.base).ask('POST', '/api/session', { login: 'fitter', password: 'x' })).status,
      )
    expect(tries).toEqual([401, 401, 401, 429])
  } finally {
    await slow.stop()
  }
})
