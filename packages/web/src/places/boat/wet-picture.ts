import { DAMP_AT, WET_AT, type WetMap } from '@north-tide/core'

const TILE = 6
/**
 * A wet map as a picture: waves where it is wet, points where it is damp, slanted lines where it is only a
 * guess. One cell is six by six points.
 */
export function wetPicture(m: WetMap, inks: { water: string; line: string; guess: string }): string {
  const c = document.createElement('canvas')
  c.width = m.nx * TILE
  c.height = m.ny * TILE
  const g = c.getContext('2d')!
  m.cells.forEach((cell, i) => {
    if (!cell) return
    // Rows run up from the least y; a picture runs down.
    const [x, y] = [(i % m.nx) * TILE, (m.ny - 1 - Math.floor(i / m.nx)) * TILE]
    if (cell.guess) {
      g.strokeStyle = inks.guess
      g.globalAlpha = 0.5
      g.lineWidth = 1
      if ((i % m.nx) % 2 === 0) {
        g.beginPath()
        g.moveTo(x, y + TILE)
        g.lineTo(x + TILE, y)
        g.stroke()
      }
      return
    }
    if (cell.excess < DAMP_AT) return
    const wet = cell.excess >= WET_AT
    g.fillStyle = inks.water
    g.globalAlpha = wet ? 0.95 : 0.5
    g.fillRect(x, y, TILE, TILE)
    g.globalAlpha = 1
    g.strokeStyle = g.fillStyle = inks.line
    if (wet) {
      g.lineWidth = 1
      g.beginPath()
      g.moveTo(x, y + 4)
      g.quadraticCurveTo(x + 1.5, y + 1, x + 3, y + 3)
      g.quadraticCurveTo(x + 4.5, y + 5, x + 6, y + 4)
      g.stroke()
    } else if (i % 2) g.fillRect(x + 2, y + 2, 1.5, 1.5)
  })
  return c.toDataURL('image/png')
}
