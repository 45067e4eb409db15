import type { Response } from 'express'

/** A name that every file system takes, with the real one beside it. */
export function attachment(res: Response, name: string, type: string): Response {
  const plain = name.normalize('NFKD').replace(/[^\w. -]+/g, '').replace(/\s+/g, '-').toLowerCase() || 'north-tide'
  return res.set('Content-Type', type).set('Content-Disposition', `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(name)}`)
}
