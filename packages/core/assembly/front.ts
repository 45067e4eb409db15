/**
 * What is done with dense symmetric fronts, in one stretch of memory: the columns that go (`n` rows of `m`) and
 * what stays (`n − m` rows of as many, of which the lower ones count), as plain-fronts.ts does it. Two figures
 * at a time. Compiled by `npm run kernel` into kernel-bytes.ts.
 */
const PANEL: i32 = 48
const FOUR: i32 = 4

function at(base: usize, k: i32): usize {
  return base + ((<usize>k) << 3)
}
function sum(v: v128): f64 {
  return f64x2.extract_lane(v, 0) + f64x2.extract_lane(v, 1)
}
/** Of two runs of `n` figures, each times its fellow. */
function dot(a: usize, b: usize, n: i32): f64 {
  let acc = f64x2.splat(0)
  let more = f64x2.splat(0)
  let k = 0
  for (; k + 3 < n; k += 4) {
    acc = f64x2.add(acc, f64x2.mul(v128.load(at(a, k)), v128.load(at(b, k))))
    more = f64x2.add(more, f64x2.mul(v128.load(at(a, k), 16), v128.load(at(b, k), 16)))
  }
  let s = sum(f64x2.add(acc, more))
  for (; k < n; k++) s += load<f64>(at(a, k)) * load<f64>(at(b, k))
  return s
}
/** to += from, of `n` figures. */
function addRun(to: usize, from: usize, n: i32): void {
  let k = 0
  for (; k + 1 < n; k += 2) v128.store(at(to, k), f64x2.add(v128.load(at(to, k)), v128.load(at(from, k))))
  if (k < n) store<f64>(at(to, k), load<f64>(at(to, k)) + load<f64>(at(from, k)))
}
function placeOf(places: usize, k: i32): i32 {
  return load<i32>(places + ((<usize>k) << 2))
}

/**
 * Adds a dense symmetric block of `count` nodes, of which the lower rows count, into a front of `inner` nodes
 * that go and `rest` that stay; `places` says which of the front's nodes each is.
 */
export function add(
  gone: usize,
  stays: usize,
  inner: i32,
  rest: i32,
  dofs: i32,
  block: usize,
  places: usize,
  count: i32,
): void {
  const m = inner * dofs
  const r = rest * dofs
  const side = count * dofs
  for (let n = 0; n < count; n++) {
    const pn = placeOf(places, n)
    for (let o = 0; o <= n; o++) {
      const po = placeOf(places, o)
      const row = max(pn, po) * dofs
      const column = min(pn, po) * dofs
      const width = column < m ? m : r
      const to = column < m ? at(gone, row * m + column) : at(stays, (row - m) * r + column - m)
      const from = at(block, n * dofs * side + o * dofs)
      if (pn >= po) {
        for (let p = 0; p < dofs; p++) addRun(at(to, p * width), at(from, p * side), o === n ? p + 1 : dofs)
      } else {
        for (let p = 0; p < dofs; p++)
          for (let q = 0; q < dofs; q++) {
            const cell = at(to, q * width + p)
            store<f64>(cell, load<f64>(cell) + load<f64>(at(from, p * side + q)))
          }
      }
    }
  }
}

/** The panel's own triangle, p to q, and one through each of its diagonal: false where it is not positive. */
function triangle(f: usize, m: i32, p: i32, q: i32, inverses: usize): bool {
  for (let i = p; i < q; i++) {
    const ri = at(f, i * m)
    for (let j = p; j < i; j++) {
      const s = load<f64>(at(ri, j)) - dot(at(ri, p), at(f, j * m + p), j - p)
      store<f64>(at(ri, j), s * load<f64>(at(inverses, j - p)))
    }
    const d = load<f64>(at(ri, i)) - dot(at(ri, p), at(ri, p), i - p)
    if (!(d > 0)) return false
    const root = Math.sqrt(d)
    store<f64>(at(ri, i), root)
    store<f64>(at(inverses, i - p), 1 / root)
  }
  return true
}
/** Four rows of the panel packed, figure after figure of it, and put back; of fewer the others are nought. */
function pack(from: usize, m: i32, K: i32, rows: i32, to: usize): void {
  for (let u = 0; u < FOUR; u++) {
    const row = at(from, u * m)
    for (let k = 0; k < K; k++) store<f64>(at(to, k * FOUR + u), u < rows ? load<f64>(at(row, k)) : 0)
  }
}
function unpack(from: usize, m: i32, K: i32, rows: i32, to: usize): void {
  for (let u = 0; u < rows; u++) {
    const row = at(to, u * m)
    for (let k = 0; k < K; k++) store<f64>(at(row, k), load<f64>(at(from, k * FOUR + u)))
  }
}
/** Four packed rows times the inverse of the panel's triangle, two columns at a time. */
function below(b: usize, f: usize, m: i32, p: i32, K: i32, inverses: usize): void {
  for (let j = 0; j < K; j += 2) {
    const two = j + 1 < K
    const l0 = at(f, (p + j) * m + p)
    const l1 = two ? at(l0, m) : l0
    let s00 = f64x2.splat(0)
    let s01 = f64x2.splat(0)
    let s10 = f64x2.splat(0)
    let s11 = f64x2.splat(0)
    let x = b
    for (let k = 0; k < j; k++) {
      const x0 = v128.load(x)
      const x1 = v128.load(x, 16)
      const a = v128.load_splat<f64>(at(l0, k))
      const c = v128.load_splat<f64>(at(l1, k))
      s00 = f64x2.add(s00, f64x2.mul(x0, a))
      s01 = f64x2.add(s01, f64x2.mul(x1, a))
      s10 = f64x2.add(s10, f64x2.mul(x0, c))
      s11 = f64x2.add(s11, f64x2.mul(x1, c))
      x += 32
    }
    const i0 = v128.load_splat<f64>(at(inverses, j))
    const y0 = f64x2.mul(f64x2.sub(v128.load(x), s00), i0)
    const y1 = f64x2.mul(f64x2.sub(v128.load(x, 16), s01), i0)
    v128.store(x, y0)
    v128.store(x, y1, 16)
    if (!two) break
    const c = v128.load_splat<f64>(at(l1, j))
    const i1 = v128.load_splat<f64>(at(inverses, j + 1))
    s10 = f64x2.add(s10, f64x2.mul(y0, c))
    s11 = f64x2.add(s11, f64x2.mul(y1, c))
    v128.store(x, f64x2.mul(f64x2.sub(v128.load(x, 32), s10), i1), 32)
    v128.store(x, f64x2.mul(f64x2.sub(v128.load(x, 48), s11), i1), 48)
  }
}
/** A block of four by four less what the panel takes from it, of packed rows `a` and columns `b`. */
function tile(a: usize, b: usize, K: i32, to: usize, width: i32, rows: i32, cols: i32): void {
  let c00 = f64x2.splat(0)
  let c01 = f64x2.splat(0)
  let c10 = f64x2.splat(0)
  let c11 = f64x2.splat(0)
  let c20 = f64x2.splat(0)
  let c21 = f64x2.splat(0)
  let c30 = f64x2.splat(0)
  let c31 = f64x2.splat(0)
  for (let k = 0; k < K; k++) {
    const b0 = v128.load(b)
    const b1 = v128.load(b, 16)
    let x = v128.load_splat<f64>(a)
    c00 = f64x2.add(c00, f64x2.mul(x, b0))
    c01 = f64x2.add(c01, f64x2.mul(x, b1))
    x = v128.load_splat<f64>(a, 8)
    c10 = f64x2.add(c10, f64x2.mul(x, b0))
    c11 = f64x2.add(c11, f64x2.mul(x, b1))
    x = v128.load_splat<f64>(a, 16)
    c20 = f64x2.add(c20, f64x2.mul(x, b0))
    c21 = f64x2.add(c21, f64x2.mul(x, b1))
    x = v128.load_splat<f64>(a, 24)
    c30 = f64x2.add(c30, f64x2.mul(x, b0))
    c31 = f64x2.add(c31, f64x2.mul(x, b1))
    a += 32
    b += 32
  }
  take(to, c00, c01, cols)
  if (rows > 1) take(at(to, width), c10, c11, cols)
  if (rows > 2) take(at(to, 2 * width), c20, c21, cols)
  if (rows > 3) take(at(to, 3 * width), c30, c31, cols)
}
/** Where fewer than four columns are left each figure is written by itself. */
function take(to: usize, x: v128, y: v128, cols: i32): void {
  if (cols >= FOUR) {
    v128.store(to, f64x2.sub(v128.load(to), x))
    v128.store(to, f64x2.sub(v128.load(to, 16), y), 16)
    return
  }
  store<f64>(to, load<f64>(to) - f64x2.extract_lane(x, 0))
  if (cols > 1) store<f64>(at(to, 1), load<f64>(at(to, 1)) - f64x2.extract_lane(x, 1))
  if (cols > 2) store<f64>(at(to, 2), load<f64>(at(to, 2)) - f64x2.extract_lane(y, 0))
}

/**
 * Eliminates the `m` of `n` unknowns that go; `packed` has room for a panel and its inverses. 0 where it is not
 * positive.
 */
export function eliminate(gone: usize, stays: usize, n: i32, m: i32, packed: usize): i32 {
  const r = n - m
  const panels = (m + PANEL - 1) / PANEL
  const wide = panels ? (m + panels - 1) / panels : 1
  const inverses = packed
  const rows = at(packed, PANEL)
  for (let p = 0; p < m; p += wide) {
    const q = min(m, p + wide)
    const K = q - p
    const step = (<usize>(K * FOUR)) << 3
    if (!triangle(gone, m, p, q, inverses)) return 0
    let b = rows
    for (let i = q; i < n; b += step) {
      // No block holds rows of both kinds.
      const end = i < m ? m : n
      const some = min(FOUR, end - i)
      const from = at(gone, i * m + p)
      pack(from, m, K, some, b)
      below(b, gone, m, p, K, inverses)
      unpack(b, m, K, some, from)
      i += some
    }
    const going = (m - q + FOUR - 1) / FOUR
    const staying = (r + FOUR - 1) / FOUR
    const second = rows + step * going
    for (let j = 0; j < going; j++) {
      const column = q + j * FOUR
      const cols = m - column
      for (let i = j; i < going; i++)
        tile(
          rows + step * i,
          rows + step * j,
          K,
          at(gone, (q + i * FOUR) * m + column),
          m,
          m - q - i * FOUR,
          cols,
        )
      for (let i = 0; i < staying; i++)
        tile(
          second + step * i,
          rows + step * j,
          K,
          at(gone, (m + i * FOUR) * m + column),
          m,
          r - i * FOUR,
          cols,
        )
    }
    for (let i = 0; i < staying; i++)
      for (let j = 0; j <= i; j++)
        tile(
          second + step * i,
          second + step * j,
          K,
          at(stays, i * FOUR * r + j * FOUR),
          r,
          r - i * FOUR,
          r - j * FOUR,
        )
  }
  return 1
}

/** v := L⁻¹·v of a front’s unknowns, taken out of the whole and put back; v has room for them. */
export function forward(gone: usize, n: i32, m: i32, dofs: i32, nodes: usize, v: usize, whole: usize): void {
  gather(n, dofs, nodes, v, whole)
  for (let r = 0; r < n; r++) {
    const row = at(gone, r * m)
    const left = load<f64>(at(v, r)) - dot(row, v, min(r, m))
    store<f64>(at(v, r), r < m ? left / load<f64>(at(row, r)) : left)
  }
  spread(n, dofs, nodes, v, whole)
}
/** v := L⁻ᵀ·v of those that went, from those that stay. */
export function backward(gone: usize, n: i32, m: i32, dofs: i32, nodes: usize, v: usize, whole: usize): void {
  gather(n, dofs, nodes, v, whole)
  for (let r = n - 1; r >= 0; r--) {
    const row = at(gone, r * m)
    const cell = at(v, r)
    if (r < m) store<f64>(cell, load<f64>(cell) / load<f64>(at(row, r)))
    const vr = load<f64>(cell)
    const x = f64x2.splat(vr)
    const end = min(r, m)
    let k = 0
    for (; k + 1 < end; k += 2)
      v128.store(at(v, k), f64x2.sub(v128.load(at(v, k)), f64x2.mul(v128.load(at(row, k)), x)))
    if (k < end) store<f64>(at(v, k), load<f64>(at(v, k)) - load<f64>(at(row, k)) * vr)
  }
  spread(m, dofs, nodes, v, whole)
}
function gather(n: i32, dofs: i32, nodes: usize, v: usize, whole: usize): void {
  for (let k = 0; k < n; k += dofs) {
    const from = at(whole, placeOf(nodes, k / dofs) * dofs)
    for (let p = 0; p < dofs; p++) store<f64>(at(v, k + p), load<f64>(at(from, p)))
  }
}
function spread(n: i32, dofs: i32, nodes: usize, v: usize, whole: usize): void {
  for (let k = 0; k < n; k += dofs) {
    const to = at(whole, placeOf(nodes, k / dofs) * dofs)
    for (let p = 0; p < dofs; p++) store<f64>(at(to, p), load<f64>(at(v, k + p)))
  }
}
