import type { Response } from 'express'

/** Aborted when whoever asked went away. */
export const goneOf = (res: Response): AbortSignal => {
  const gone = new AbortController()
  res.on('close', () => gone.abort())
  return gone.signal
}
