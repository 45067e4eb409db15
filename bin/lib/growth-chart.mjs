/** A chart of times against sizes, both by tens: a straight line is a power, its slope the exponent. */
const [WIDTH, HEIGHT, LEFT, TOP, RIGHT, BOTTOM] = [640, 400, 70, 40, 20, 50]
const DASHES = ['', '7 4', '2 4']
const log = Math.log10

/** The slope of the straight line through the logarithms, by least squares. */
export function exponent(points) {
  const xs = points.map(([n]) => log(n))
  const ys = points.map(([, ms]) => log(ms))
  const mean = (v) => v.reduce((s, x) => s + x, 0) / v.length
  const [mx, my] = [mean(xs), mean(ys)]
  return xs.reduce((s, x, i) => s + (x - mx) * (ys[i] - my), 0) / xs.reduce((s, x) => s + (x - mx) ** 2, 0)
}
const said = (v) => v.toLocaleString('en', { maximumFractionDigits: 2 })
/** Ones, twos and fives between the ends. */
const ticks = (from, to) => {
  const all = []
  for (let p = Math.floor(log(from)); p <= Math.ceil(log(to)); p++)
    for (const k of [1, 2, 5]) all.push(k * 10 ** p)
  return all.filter((v) => v >= from * 0.999 && v <= to * 1.001)
}

/** @param {{ name: string, points: [number, number][] }[]} series sizes and milliseconds */
export function chartOf(title, across, series) {
  const all = series.flatMap((s) => s.points)
  const ends = (k) => [Math.min(...all.map((p) => p[k])) / 1.3, Math.max(...all.map((p) => p[k])) * 1.3]
  const [[x0, x1], [y0, y1]] = [ends(0), ends(1)]
  const px = (n) => LEFT + ((log(n) - log(x0)) / (log(x1) - log(x0))) * (WIDTH - LEFT - RIGHT)
  const py = (ms) => HEIGHT - BOTTOM - ((log(ms) - log(y0)) / (log(y1) - log(y0))) * (HEIGHT - TOP - BOTTOM)
  const at = (v) => v.toFixed(1)
  const text = (x, y, words, more = '') => `<text x="${at(x)}" y="${at(y)}" ${more}>${words}</text>`
  const grid = [
    ...ticks(x0, x1).map(
      (n) =>
        `<path d="M${at(px(n))} ${TOP}V${HEIGHT - BOTTOM}" stroke="#ddd5c2"/>${text(px(n), HEIGHT - BOTTOM + 18, said(n), 'text-anchor="middle"')}`,
    ),
    ...ticks(y0, y1).map(
      (ms) =>
        `<path d="M${LEFT} ${at(py(ms))}H${WIDTH - RIGHT}" stroke="#ddd5c2"/>${text(LEFT - 8, py(ms) + 4, said(ms), 'text-anchor="end"')}`,
    ),
  ]
  const lines = series.map(({ name, points }, i) => {
    const path = points.map(([n, ms], k) => `${k ? 'L' : 'M'}${at(px(n))} ${at(py(ms))}`).join('')
    const dots = points.map(([n, ms]) => `<circle cx="${at(px(n))}" cy="${at(py(ms))}" r="3.5"/>`).join('')
    const y = TOP + 18 + 18 * i
    return `<path d="${path}" fill="none" stroke="#0b5d54" stroke-width="2" stroke-dasharray="${DASHES[i]}"/>${dots}<path d="M${LEFT + 12} ${y - 4}h34" stroke="#0b5d54" stroke-width="2" stroke-dasharray="${DASHES[i]}"/>${text(LEFT + 54, y, `${name}: exponent ${exponent(points).toFixed(2)}`)}`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" font-family="sans-serif" font-size="12" fill="#14232b">
<rect width="${WIDTH}" height="${HEIGHT}" fill="#fffdf6"/>
${text(LEFT, 22, `${title}: milliseconds by ${across}`, 'font-size="15" font-weight="700"')}
${[...grid, ...lines].join('\n')}
</svg>
`
}
