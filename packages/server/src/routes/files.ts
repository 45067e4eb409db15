import { once } from 'node:events'
import { PassThrough, Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Request, Response } from 'express'
import type { Put } from '../zip-stream'

/** A name that every file system takes, with the real one beside it. */
export function attachment(res: Response, name: string, type: string): Response {
  const plain =
    name
      .normalize('NFKD')
      .replace(/[^\w. -]+/g, '')
      .replace(/\s+/g, '-')
      .toLowerCase() || 'north-tide'
  return res
    .set('Content-Type', type)
    .set(
      'Content-Disposition',
      `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(name)}`,
    )
}

/** Where the product is reached, as whoever asks reached it. */
export const originOf = (req: Request): string => `${req.protocol}://${req.get('host') ?? 'localhost'}`

/** Sends as it is made; whoever reads slowly is waited for, and nobody else waits. */
export const send = (res: Response, parts: AsyncIterable<string>): Promise<void> =>
  pipeline(Readable.from(parts), res)
/** Sends what puts its parts one after the other, and waits for whoever reads slowly. */
export async function sendMade(res: Response, make: (put: Put) => Promise<void>): Promise<void> {
  const through = new PassThrough()
  const sent = pipeline(through, res)
  const put: Put = async (bytes) => {
    if (!through.write(bytes)) await once(through, 'drain')
  }
  await Promise.all([
    sent,
    make(put).then(
      () => through.end(),
      (error: Error) => through.destroy(error),
    ),
  ])
}
