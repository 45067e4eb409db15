import { printable } from '../base/printable'
import { PATTERNS, TONE_TITLES, type Drawing, type MaterialTone } from './shapes'

/** Daylight inks; the printed and exported drawing does not follow the screen's theme. */
export const TONE_FILL: Record<MaterialTone, string> = {
  laminate: '#e3ddc8',
  balsa: '#f3e4c0',
  foam: '#eef0e4',
  plywood: '#e6cfa6',
  'filled-epoxy': '#f2d68c',
  bedding: '#3c4650',
  'epoxy-glass': '#d9e6cf',
  metal: '#dce3e8',
  timber: '#e0c191',
  insert: '#dcd3ea',
  plastic: '#ececec',
  bolt: '#cfd8df',
  hardware: '#e9eef2',
  none: 'none',
}
export const INK = '#0f2230'
export const BUOY = '#b23c06'
export const STROKE = { outline: 1.4, hidden: 0.7, dimension: 0.6, load: 2 } as const

const esc = (s: string) =>
  printable(s).replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!)
const n = (v: number) => Number(v.toFixed(3))

/** A drawing as an SVG file in millimetres, patterns and all. */
export function toSvg(d: Drawing): string {
  const { minX, maxX, minY, maxY } = d.bounds
  const px = d.textMm / 13
  const pt = (p: { x: number; y: number }) => `${n(p.x)},${n(-p.y)}`
  const used = [...new Set(d.shapes.flatMap((s) => (s.kind === 'area' || s.kind === 'disc' ? [s.tone] : [])))]
  const defs = used
    .filter((t) => PATTERNS[t])
    .map((t) => {
      const p = PATTERNS[t]!
      const side = p.tile * d.textMm
      const strokes = p.strokes
        .map(
          (s) =>
            `<polyline points="${s.map(([x, y]) => `${n(x * side)},${n(y * side)}`).join(' ')}" fill="none" stroke="${t === 'bedding' ? '#fffdf6' : INK}" stroke-opacity="0.55" stroke-linecap="round" stroke-width="${n(p.width * d.textMm)}"/>`,
        )
        .join('')
      return `<pattern id="p-${t}" width="${n(side)}" height="${n(side)}" patternUnits="userSpaceOnUse"><rect width="${n(side)}" height="${n(side)}" fill="${TONE_FILL[t]}"/>${strokes}</pattern>`
    })
    .join('')
  const fill = (t: MaterialTone) => (PATTERNS[t] ? `url(#p-${t})` : TONE_FILL[t])
  const body = d.shapes
    .map((s) => {
      if (s.kind === 'area')
        return `<polygon points="${s.points.map(pt).join(' ')}" fill="${fill(s.tone)}" stroke="${INK}" stroke-width="${n(STROKE.outline * px)}" stroke-linejoin="round"><title>${esc(s.label ?? TONE_TITLES[s.tone])}</title></polygon>`
      if (s.kind === 'disc')
        return `<circle cx="${n(s.at.x)}" cy="${n(-s.at.y)}" r="${n(s.r)}" fill="${fill(s.tone)}" stroke="${INK}" stroke-width="${n(px)}"/>`
      if (s.kind === 'ring')
        return `<circle cx="${n(s.at.x)}" cy="${n(-s.at.y)}" r="${n(s.r)}" fill="none" stroke="${s.weight === 'load' ? BUOY : INK}" stroke-width="${n(STROKE[s.weight] * px)}"/>`
      if (s.kind === 'path')
        return `<polyline points="${s.points.map(pt).join(' ')}" fill="none" stroke="${s.weight === 'load' ? BUOY : INK}" stroke-width="${n(STROKE[s.weight] * px)}"${s.weight === 'hidden' ? ` stroke-dasharray="${n(5 * px)} ${n(3 * px)}"` : ''}/>`
      return `<text x="${n(s.at.x)}" y="${n(-s.at.y)}" font-size="${n(s.size)}" font-family="Atkinson Hyperlegible Mono, monospace" text-anchor="${s.anchor}" fill="${s.load ? BUOY : INK}"${s.turned ? ` transform="rotate(-90 ${n(s.at.x)} ${n(-s.at.y)})"` : ''}>${esc(s.text)}</text>`
    })
    .join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(maxX - minX)}mm" height="${n(maxY - minY)}mm" viewBox="${n(minX)} ${n(-maxY)} ${n(maxX - minX)} ${n(maxY - minY)}" role="img"><title>${esc(d.title)}</title><desc>${esc(d.description)}</desc><defs>${defs}</defs>${body}</svg>`
}
