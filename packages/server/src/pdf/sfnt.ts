import { inflateSync } from 'node:zlib'

const HEAD = { woff: 44, sfnt: 12 }
const ENTRY = { woff: 20, sfnt: 16 }
const padded = (n: number) => (n + 3) & ~3

/**
 * A face out of its compressed file (WOFF 1.0 of the W3C: the tables of a TrueType or OpenType face, each
 * deflated by itself). Paper asks for the table of outlines at every letter, and would inflate it at each.
 * @throws where it is no such file, or cut short
 */
export function sfntOf(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('not a WOFF face')
  const count = woff.readUInt16BE(12)
  const tables = Array.from({ length: count }, (_, i) => {
    const at = HEAD.woff + i * ENTRY.woff
    const from = woff.readUInt32BE(at + 4)
    const packed = woff.readUInt32BE(at + 8)
    const length = woff.readUInt32BE(at + 12)
    const raw = woff.subarray(from, from + packed)
    const data = packed < length ? inflateSync(raw) : raw
    if (data.length !== length) throw new Error('a table of the face is cut short')
    return { tag: woff.subarray(at, at + 4), checksum: woff.readUInt32BE(at + 16), data }
  })
  const start = HEAD.sfnt + count * ENTRY.sfnt
  const out = Buffer.alloc(tables.reduce((n, t) => n + padded(t.data.length), start))
  out.writeUInt32BE(woff.readUInt32BE(4), 0)
  out.writeUInt16BE(count, 4)
  // How a reader halves its way through the list of tables.
  const steps = Math.floor(Math.log2(count))
  out.writeUInt16BE(2 ** steps * ENTRY.sfnt, 6)
  out.writeUInt16BE(steps, 8)
  out.writeUInt16BE((count - 2 ** steps) * ENTRY.sfnt, 10)
  let to = start
  for (const [i, { tag, checksum, data }] of tables.entries()) {
    const at = HEAD.sfnt + i * ENTRY.sfnt
    tag.copy(out, at)
    out.writeUInt32BE(checksum, at + 4)
    out.writeUInt32BE(to, at + 8)
    out.writeUInt32BE(data.length, at + 12)
    data.copy(out, to)
    to += padded(data.length)
  }
  return out
}
