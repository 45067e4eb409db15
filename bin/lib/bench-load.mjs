import { existsSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild } from './build.mjs'
import { root } from './packages.mjs'

/** A bench is come to by way of any bench, which finds out its kind. */
const way = (place) => (place.startsWith('kinds/') ? ['src/places/bench/AnyBench.vue'] : [])

/** What is fetched before a place is seen, gzipped. */
export function benchLoad(row) {
  ensureBuild()
  const dist = join(root, 'packages/web/dist')
  const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8'))
  /** All that is fetched before a place is seen, gzipped. */
  function weightOf(...entries) {
    const files = new Set()
    const take = (key) => {
      const m = manifest[key]
      if (!m || files.has(m.file)) return
      files.add(m.file)
      for (const k of m.imports ?? []) take(k)
    }
    for (const e of entries) take(e)
    // As it goes over the line: packed when it was built, but for what is too small to be.
    const packed = (f) =>
      existsSync(join(dist, `${f}.gz`)) ? statSync(join(dist, `${f}.gz`)).size : statSync(join(dist, f)).size
    const bytes = [...files].reduce((sum, f) => sum + packed(f), 0)
    return `${(bytes / 1024).toFixed(0)} kB in ${files.size} files`
  }
  row(
    'JavaScript of the sign-in, gzipped',
    weightOf('index.html', 'src/places/sign-in/SignIn.vue'),
    'aim 110 kB',
  )
  for (const place of [
    'places/boat/BoatPlace',
    'kinds/deck-hardware/BenchPlace',
    'kinds/through-hull/ThroughHullPlace',
    'kinds/opening/OpeningPlace',
    'kinds/closure/ClosurePlace',
    'kinds/rig/RigPlace',
    'places/register/RegisterPlace',
    'places/stores/StoresPlace',
    'places/plan/PlanPlace',
    'places/watch/WatchPlace',
    'places/reference/sums/QuickSum',
  ])
    row(
      `JavaScript of ${place.split('/').at(-1)} at a first visit, gzipped`,
      weightOf('index.html', 'src/Frame.vue', ...way(place), `src/${place}.vue`),
      'aim 280 kB',
    )
}
