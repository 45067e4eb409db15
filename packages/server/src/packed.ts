import { promisify } from 'node:util'
import { gunzip, gzip } from 'node:zlib'
import type { Request, Response } from 'express'

/** Packed lightly: thousands of holes take half the time that way, at a tenth more of bytes. */
export const PACKING = { level: 3 }
/** JSON as it goes over the line, packed once and sent to many. */
export type Packed = Buffer
export const packed = (text: string): Promise<Packed> => promisify(gzip)(text, PACKING) as Promise<Packed>

export async function sendPacked(req: Request, res: Response, body: Packed): Promise<void> {
  res.type('json').vary('Accept-Encoding')
  if (req.acceptsEncodings('gzip')) res.set('Content-Encoding', 'gzip').end(body)
  else res.end(await promisify(gunzip)(body))
}
