/**
 * Eliminates the first unknowns of a dense symmetric front in place, as `eliminate` of multifrontal.ts does:
 * lower rows, row by row, panels of 40 columns. Two figures at a time; what is taken out of the rest is read
 * from the panel packed by blocks of four rows. Compiled by `npm run kernel` into kernel-bytes.ts.
 */
const PANEL: i32 = 40
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
  let k = 0
  for (; k + 1 < n; k += 2) acc = f64x2.add(acc, f64x2.mul(v128.load(at(a, k)), v128.load(at(b, k))))
  let s = sum(acc)
  if (k < n) s += load<f64>(at(a, k)) * load<f64>(at(b, k))
  return s
}

/** The panel's own triangle, p to q: false where it is not positive. */
function triangle(f: usize, n: i32, p: i32, q: i32): bool {
  for (let i = p; i < q; i++) {
    const ri = at(f, i * n)
    for (let j = p; j < i; j++) {
      const rj = at(f, j * n)
      const s = load<f64>(at(ri, j)) - dot(at(ri, p), at(rj, p), j - p)
      store<f64>(at(ri, j), s / load<f64>(at(rj, j)))
    }
    const d = load<f64>(at(ri, i)) - dot(at(ri, p), at(ri, p), i - p)
    if (!(d > 0)) return false
    store<f64>(at(ri, i), Math.sqrt(d))
  }
  return true
}
/** The rows below the panel's triangle, four at a time. */
function below(f: usize, n: i32, p: i32, q: i32): void {
  let i = q
  for (; i + 3 < n; i += 4) {
    const r0 = at(f, i * n)
    const r1 = at(r0, n)
    const r2 = at(r1, n)
    const r3 = at(r2, n)
    for (let j = p; j < q; j++) {
      const rj = at(f, j * n)
      let s0 = f64x2.splat(0)
      let s1 = f64x2.splat(0)
      let s2 = f64x2.splat(0)
      let s3 = f64x2.splat(0)
      let k = p
      for (; k + 1 < j; k += 2) {
        const b = v128.load(at(rj, k))
        s0 = f64x2.add(s0, f64x2.mul(v128.load(at(r0, k)), b))
        s1 = f64x2.add(s1, f64x2.mul(v128.load(at(r1, k)), b))
        s2 = f64x2.add(s2, f64x2.mul(v128.load(at(r2, k)), b))
        s3 = f64x2.add(s3, f64x2.mul(v128.load(at(r3, k)), b))
      }
      let t0 = sum(s0)
      let t1 = sum(s1)
      let t2 = sum(s2)
      let t3 = sum(s3)
      if (k < j) {
        const b = load<f64>(at(rj, k))
        t0 += load<f64>(at(r0, k)) * b
        t1 += load<f64>(at(r1, k)) * b
        t2 += load<f64>(at(r2, k)) * b
        t3 += load<f64>(at(r3, k)) * b
      }
      const inv = 1 / load<f64>(at(rj, j))
      store<f64>(at(r0, j), (load<f64>(at(r0, j)) - t0) * inv)
      store<f64>(at(r1, j), (load<f64>(at(r1, j)) - t1) * inv)
      store<f64>(at(r2, j), (load<f64>(at(r2, j)) - t2) * inv)
      store<f64>(at(r3, j), (load<f64>(at(r3, j)) - t3) * inv)
    }
  }
  for (; i < n; i++) {
    const ri = at(f, i * n)
    for (let j = p; j < q; j++) {
      const rj = at(f, j * n)
      const s = load<f64>(at(ri, j)) - dot(at(ri, p), at(rj, p), j - p)
      store<f64>(at(ri, j), s / load<f64>(at(rj, j)))
    }
  }
}
/** The panel below its triangle, packed: block after block of four rows, figure after figure of the panel. */
function pack(f: usize, n: i32, p: i32, q: i32, into: usize): void {
  let to = into
  for (let i = q; i < n; i += FOUR) {
    const r = at(f, i * n)
    const rows = min(FOUR, n - i)
    for (let k = p; k < q; k++) {
      for (let u = 0; u < FOUR; u++) {
        store<f64>(to, u < rows ? load<f64>(at(r, u * n + k)) : 0)
        to += 8
      }
    }
  }
}
/** Takes the panel's part out of the rest: lower blocks of four by four. */
function update(f: usize, n: i32, p: i32, q: i32, packed: usize): void {
  const K = q - p
  const step = (<usize>(K * FOUR)) << 3
  let rowBlock = packed
  for (let i = q; i < n; i += FOUR) {
    let colBlock = packed
    for (let j = q; j <= i; j += FOUR) {
      let c00 = f64x2.splat(0)
      let c01 = f64x2.splat(0)
      let c10 = f64x2.splat(0)
      let c11 = f64x2.splat(0)
      let c20 = f64x2.splat(0)
      let c21 = f64x2.splat(0)
      let c30 = f64x2.splat(0)
      let c31 = f64x2.splat(0)
      let a = rowBlock
      let b = colBlock
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
      const rows = n - i
      // The last block of a row may reach past its end: there each figure is written by itself.
      if (j + FOUR <= n) {
        take(at(f, i * n + j), c00, c01)
        if (rows > 1) take(at(f, (i + 1) * n + j), c10, c11)
        if (rows > 2) take(at(f, (i + 2) * n + j), c20, c21)
        if (rows > 3) take(at(f, (i + 3) * n + j), c30, c31)
      } else {
        const cols = n - j
        takeSome(at(f, i * n + j), c00, c01, cols)
        if (rows > 1) takeSome(at(f, (i + 1) * n + j), c10, c11, cols)
        if (rows > 2) takeSome(at(f, (i + 2) * n + j), c20, c21, cols)
        if (rows > 3) takeSome(at(f, (i + 3) * n + j), c30, c31, cols)
      }
      colBlock += step
    }
    rowBlock += step
  }
}
function take(to: usize, x: v128, y: v128): void {
  v128.store(to, f64x2.sub(v128.load(to), x))
  v128.store(to, f64x2.sub(v128.load(to, 16), y), 16)
}
function takeSome(to: usize, x: v128, y: v128, cols: i32): void {
  store<f64>(to, load<f64>(to) - f64x2.extract_lane(x, 0))
  if (cols > 1) store<f64>(at(to, 1), load<f64>(at(to, 1)) - f64x2.extract_lane(x, 1))
  if (cols > 2) store<f64>(at(to, 2), load<f64>(at(to, 2)) - f64x2.extract_lane(y, 0))
}

/**
 * The front of `n` unknowns at `f`, of which the first `m` go; `packed` has room for a panel. 0 where it is
 * not positive.
 */
export function eliminate(f: usize, n: i32, m: i32, packed: usize): i32 {
  for (let p = 0; p < m; p += PANEL) {
    const q = min(m, p + PANEL)
    if (!triangle(f, n, p, q)) return 0
    below(f, n, p, q)
    pack(f, n, p, q, packed)
    update(f, n, p, q, packed)
  }
  return 1
}
